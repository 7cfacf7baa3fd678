using GentleBead.Core.Quantities;

namespace GentleBead.Core.Words;

/// <summary>The quantities a sentence can hold.</summary>
public enum QuantityKind
{
#pragma warning disable CS1591 // each named for its type in Quantities
    Length,
    WireFeed,
    Travel,
    GasFlow,
    Volts,
    Amps,
    HeatInput,
    Area,
    Volume,
#pragma warning restore CS1591
}

/// <summary>How one quantity is written in one system.</summary>
/// <param name="Per">Its unit's number for one of the unit it is held in.</param>
/// <param name="Unit">The unit behind the number.</param>
/// <param name="As">Digits, see <see cref="Digits"/>; null for thirty-seconds as on a rule.</param>
/// <param name="Over">What is gone through in that time, where the number is a time and not a speed; null otherwise.</param>
public sealed record Scale(double Per, string Unit, string? As, string? Over = null)
{
    /// <summary>A value with its unit.</summary>
    public string Show(double held) =>
        Over is not null ? $"{Over} in {Digits.Show(Per / held, As!)} {Unit}"
        : As is null ? $"{Digits.Fraction(held * Per)} {Unit}"
        : $"{Digits.Show(held * Per, As)} {Unit}";
}

/// <summary>One way of writing a quantity. The screen has the same table; a test holds them together.</summary>
/// <param name="Kind">Which quantity.</param>
/// <param name="As">Which way; empty for the usual one.</param>
/// <param name="Metric">For metric readers.</param>
/// <param name="Inch">For inch readers.</param>
public sealed record QuantityWords(QuantityKind Kind, string As, Scale Metric, Scale Inch)
{
    /// <summary>A size that a rule or a fillet gauge is laid to: half a millimetre, 1/32 in.</summary>
    public const string OnARule = "rule";

    /// <summary>A stretch of wire or seam, or how much of it in a minute, to the millimetre or the tenth of an inch.</summary>
    public const string Run = "run";

    /// <summary>A speed as a hand follows it: a length and its time.</summary>
    public const string Timed = "timed";

    private const double InchesPerMm = 1 / Length.MmPerInch;

    /// <summary>Every way of writing a quantity.</summary>
    public static IReadOnlyList<QuantityWords> All { get; } =
    [
        new(QuantityKind.Length, "", new(1, "mm", "0.0#"), new(InchesPerMm, "in", "0.000")),
        new(QuantityKind.Length, OnARule, new(1, "mm", "0.0"), new(InchesPerMm, "in", null)),
        new(QuantityKind.Length, Run, new(1, "mm", "0"), new(InchesPerMm, "in", "0.0")),
        new(QuantityKind.WireFeed, "", new(1, "m/min", "0.0"), new(1 / WireFeedSpeed.MPerInch, "in/min", "0")),
        new(QuantityKind.WireFeed, Run, new(1000, "mm/min", "0"), new(1 / WireFeedSpeed.MPerInch, "in/min", "0.0")),
        new(QuantityKind.Travel, "", new(1, "mm/min", "0"), new(InchesPerMm, "in/min", "0.0")),
        new(QuantityKind.Travel, Timed, new(100 * 60, "s", "0", "100 mm"), new(4 * Length.MmPerInch * 60, "s", "0", "4 inches")),
        new(QuantityKind.GasFlow, "", new(1, "L/min", "0.#"), new(60 / GasFlow.LPerCubicFoot, "ft³/h", "0")),
        new(QuantityKind.Volts, "", new(1, "V", "0.0"), new(1, "V", "0.0")),
        new(QuantityKind.Amps, "", new(1, "A", "0"), new(1, "A", "0")),
        new(QuantityKind.HeatInput, "", new(1, "kJ/mm", "0.00"), new(Length.MmPerInch, "kJ/in", "0.0")),
        new(QuantityKind.Area, "", new(1, "mm²", "0.0##"), new(InchesPerMm * InchesPerMm, "in²", "0.0000")),
        new(QuantityKind.Volume, "", new(1e-3, "cm³", "0.0#"), new(InchesPerMm * InchesPerMm * InchesPerMm, "in³", "0.00#")),
    ];

    /// <summary>One way of writing a quantity.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a way of the list.</exception>
    public static QuantityWords Of(QuantityKind kind, string way)
    {
        foreach (var row in All)
        {
            if (row.Kind == kind && row.As == way)
                return row;
        }
        throw new ArgumentOutOfRangeException(nameof(way), way, $"{kind} is not written so.");
    }

    /// <summary>A value with its unit, as a reader sees it.</summary>
    public string Show(double held, Units units) => (units == Units.Inch ? Inch : Metric).Show(held);
}
