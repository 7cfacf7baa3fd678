using GentleBead.Core.Quantities;

namespace GentleBead.Core.Calculators;

/// <summary>What kind of number a field holds; screens show each in the person's own units.</summary>
public enum NumberKind
{
#pragma warning disable CS1591 // each is named for its quantity and held in the unit at the end of the field's key
    Length,
    WireFeed,
    Travel,
    Gas,
    Volts,
    Amps,
    Heat,
    Seconds,
    Hours,
    Percent,
    Celsius,
    Litres,
    Bar,
    Grams,
    Metres,
    Square,
#pragma warning restore CS1591
}

/// <summary>Numbers of a kind with their unit.</summary>
public static class NumberKinds
{
    private static readonly Dictionary<NumberKind, Func<double, Said>> Words = new()
    {
        [NumberKind.Length] = value => Say($"{Quantities.Length.FromMm(value)}"),
        [NumberKind.WireFeed] = value => Say($"{WireFeedSpeed.FromMPerMin(value)}"),
        [NumberKind.Travel] = value => Say($"{TravelSpeed.FromMmPerMin(value)}"),
        [NumberKind.Gas] = value => Say($"{GasFlow.FromLPerMin(value)}"),
        [NumberKind.Volts] = value => Say($"{Voltage.FromVolts(value)}"),
        [NumberKind.Amps] = value => Say($"{Current.FromAmps(value)}"),
        [NumberKind.Heat] = value => Say($"{HeatInput.FromKJPerMm(value)}"),
        [NumberKind.Seconds] = value => Say($"{value} s"),
        [NumberKind.Hours] = value => Say($"{value} h"),
        [NumberKind.Percent] = value => Say($"{value} %"),
        [NumberKind.Celsius] = value => Say($"{value} °C"),
        [NumberKind.Litres] = value => Say($"{value} L"),
        [NumberKind.Bar] = value => Say($"{value} bar"),
        [NumberKind.Grams] = value => Say($"{value} g"),
        [NumberKind.Metres] = value => Say($"{value} m"),
        [NumberKind.Square] = value => Say($"{value} mm²"),
    };

    /// <summary>A number with the unit of its kind.</summary>
    public static Said With(this NumberKind kind, double value) => Words[kind](value);
}

/// <summary>One thing to pick from a list.</summary>
/// <param name="Value">The word in JSON.</param>
/// <param name="Label">The words on screen.</param>
public sealed record Pick(string Value, Said Label);

/// <summary>One field of a calculator.</summary>
/// <param name="Key">Its name, the unit at its end: "legMm".</param>
/// <param name="Label">The words on screen.</param>
/// <param name="Kind">What kind of number; null for a pick from a list.</param>
/// <param name="Low">Lowest value taken.</param>
/// <param name="High">Highest value taken.</param>
/// <param name="Solved">Whether it may be left empty to be worked out from the others.</param>
/// <param name="Picks">What to pick from; empty for a number.</param>
public sealed record CalculatorField(
    string Key,
    Said Label,
    NumberKind? Kind,
    double Low,
    double High,
    bool Solved,
    IReadOnlyList<Pick> Picks
);

/// <summary>One number that came out.</summary>
/// <param name="Label">The words on screen.</param>
/// <param name="Kind">What kind of number.</param>
/// <param name="Value">The number, in the unit its kind is held in.</param>
/// <param name="Working">The rule with the numbers in it.</param>
public sealed record CalculatorResult(Said Label, NumberKind Kind, double Value, Said Working);

/// <summary>A quick calculation with its fields; the same rules as on the sheet.</summary>
/// <param name="Key">Its name in addresses.</param>
/// <param name="Title">The words on screen.</param>
/// <param name="About">What it tells, in a sentence.</param>
/// <param name="Fields">Its fields, in order.</param>
/// <param name="Work">The calculation. Everything needed is there when it is called.</param>
public sealed record Calculator(
    string Key,
    Said Title,
    Said About,
    IReadOnlyList<CalculatorField> Fields,
    Func<CalculatorValues, IReadOnlyList<CalculatorResult>> Work
)
{
    /// <summary>Checks what was given and works it out.</summary>
    /// <param name="numbers">Numbers by field; a solved field may be missing.</param>
    /// <param name="picks">Picks by field.</param>
    public Checked<IReadOnlyList<CalculatorResult>> Run(
        IReadOnlyDictionary<string, double> numbers,
        IReadOnlyDictionary<string, string> picks
    )
    {
        Problem[] problems = [.. Fields.Select(field => Wrong(field, numbers, picks)).OfType<Problem>()];
        if (problems.Length > 0)
            return new(problems);
        var solved = Fields.Where(field => field.Solved).ToArray();
        var missing = solved.Where(field => !numbers.ContainsKey(field.Key)).ToArray();
        if (solved.Length > 0 && missing.Length == 0)
        {
            return new([.. solved.Select(field => new Problem(field.Key, Say($"Leave one of these empty: that one is worked out.")))]);
        }
        if (missing.Length > 1)
            return new([.. missing.Select(field => new Problem(field.Key, Say($"Leave only one of these empty.")))]);
        return new(Work(new CalculatorValues(numbers, picks, missing.Length == 1 ? missing[0].Key : "")));
    }

    private static Problem? Wrong(
        CalculatorField field,
        IReadOnlyDictionary<string, double> numbers,
        IReadOnlyDictionary<string, string> picks
    )
    {
        if (field.Kind is not { } kind)
        {
            return picks.TryGetValue(field.Key, out var pick) && field.Picks.Any(known => known.Value == pick)
                ? null
                : new(field.Key, Say($"{field.Label}?"));
        }
        if (!numbers.TryGetValue(field.Key, out var number))
            return field.Solved ? null : new(field.Key, Say($"{field.Label}?"));
        return number >= field.Low && number <= field.High
            ? null
            : new(field.Key, Say($"From {kind.With(field.Low)} to {kind.With(field.High)}."));
    }
}

/// <summary>What was given to a calculator, checked.</summary>
/// <param name="Numbers">Numbers by field.</param>
/// <param name="Picks">Picks by field.</param>
/// <param name="Missing">The field to work out; empty where nothing was left open.</param>
public sealed record CalculatorValues(
    IReadOnlyDictionary<string, double> Numbers,
    IReadOnlyDictionary<string, string> Picks,
    string Missing
)
{
    /// <summary>A number that is there.</summary>
    public double this[string key] => Numbers[key];

    /// <summary>A pick as a value of an enum.</summary>
    public T Pick<T>(string key)
        where T : struct, Enum => Enum.Parse<T>(Picks[key], ignoreCase: true);
}
