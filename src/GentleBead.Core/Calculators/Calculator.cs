namespace GentleBead.Core.Calculators;

/// <summary>What kind of number a field holds; screens show each in the person's own units.</summary>
public enum NumberKind
{
#pragma warning disable CS1591 // each is named for its quantity and held in the unit at the end of the field's key
    Length, WireFeed, Travel, Gas, Volts, Amps, Heat, Seconds, Hours, Percent, Celsius, Litres, Bar, Grams, Metres, Square,
#pragma warning restore CS1591
}

/// <summary>One thing to pick from a list.</summary>
/// <param name="Value">The word in JSON.</param>
/// <param name="Label">The words on screen.</param>
public sealed record Pick(string Value, string Label);

/// <summary>One field of a calculator.</summary>
/// <param name="Key">Its name, the unit at its end: "legMm".</param>
/// <param name="Label">The words on screen.</param>
/// <param name="Kind">What kind of number; null for a pick from a list.</param>
/// <param name="Low">Lowest value taken.</param>
/// <param name="High">Highest value taken.</param>
/// <param name="Solved">Whether it may be left empty to be worked out from the others.</param>
/// <param name="Picks">What to pick from; empty for a number.</param>
public sealed record CalculatorField(string Key, string Label, NumberKind? Kind, double Low, double High, bool Solved, IReadOnlyList<Pick> Picks);

/// <summary>One number that came out.</summary>
/// <param name="Label">The words on screen.</param>
/// <param name="Kind">What kind of number.</param>
/// <param name="Value">The number, in the unit its kind is held in.</param>
/// <param name="Working">The rule with the numbers in it.</param>
public sealed record CalculatorResult(string Label, NumberKind Kind, double Value, string Working);

/// <summary>A quick calculation with its fields; the same rules as on the sheet.</summary>
/// <param name="Key">Its name in addresses.</param>
/// <param name="Title">The words on screen.</param>
/// <param name="About">What it tells, in a sentence.</param>
/// <param name="Fields">Its fields, in order.</param>
/// <param name="Work">The calculation. Everything needed is there when it is called.</param>
public sealed record Calculator(string Key, string Title, string About, IReadOnlyList<CalculatorField> Fields, Func<CalculatorValues, IReadOnlyList<CalculatorResult>> Work)
{
    /// <summary>Checks what was given and works it out.</summary>
    /// <param name="numbers">Numbers by field; a solved field may be missing.</param>
    /// <param name="picks">Picks by field.</param>
    /// <param name="problems">Takes what is wrong, by field.</param>
    /// <returns>The results; null when something is wrong.</returns>
    public IReadOnlyList<CalculatorResult>? Run(IReadOnlyDictionary<string, double> numbers, IReadOnlyDictionary<string, string> picks, IDictionary<string, string> problems)
    {
        var missing = new List<CalculatorField>();
        foreach (var field in Fields)
        {
            if (field.Kind is null)
            {
                if (!picks.TryGetValue(field.Key, out var pick) || field.Picks.All(known => known.Value != pick)) problems[field.Key] = $"{field.Label}?";
            }
            else if (!numbers.TryGetValue(field.Key, out var number))
            {
                if (field.Solved) missing.Add(field);
                else problems[field.Key] = $"{field.Label}?";
            }
            else if (!(number >= field.Low && number <= field.High))
            {
                problems[field.Key] = FormattableString.Invariant($"From {field.Low:0.##} to {field.High:0.##} {UnitWords(field.Kind.Value)}.");
            }
        }
        if (problems.Count == 0 && Fields.Any(field => field.Solved) && missing.Count != 1)
        {
            foreach (var field in missing.Count == 0 ? Fields.Where(field => field.Solved) : missing)
            {
                problems[field.Key] = missing.Count == 0 ? "Leave one of these empty: that one is worked out." : "Leave only one of these empty.";
            }
        }
        return problems.Count > 0 ? null : Work(new CalculatorValues(numbers, picks, missing.Count == 1 ? missing[0].Key : ""));
    }

    private static string UnitWords(NumberKind kind) => kind switch
    {
        NumberKind.Length => "mm",
        NumberKind.WireFeed => "m/min",
        NumberKind.Travel => "mm/min",
        NumberKind.Gas => "L/min",
        NumberKind.Volts => "V",
        NumberKind.Amps => "A",
        NumberKind.Heat => "kJ/mm",
        NumberKind.Seconds => "s",
        NumberKind.Percent => "%",
        NumberKind.Celsius => "°C",
        NumberKind.Litres => "L",
        NumberKind.Bar => "bar",
        _ => "",
    };
}

/// <summary>What was given to a calculator, checked.</summary>
/// <param name="Numbers">Numbers by field.</param>
/// <param name="Picks">Picks by field.</param>
/// <param name="Missing">The field to work out; empty where nothing was left open.</param>
public sealed record CalculatorValues(IReadOnlyDictionary<string, double> Numbers, IReadOnlyDictionary<string, string> Picks, string Missing)
{
    /// <summary>A number that is there.</summary>
    public double this[string key] => Numbers[key];

    /// <summary>A pick as a value of an enum.</summary>
    public T Pick<T>(string key)
        where T : struct, Enum => Enum.Parse<T>(Picks[key], ignoreCase: true);
}
