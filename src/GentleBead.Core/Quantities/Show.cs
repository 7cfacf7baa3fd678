using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>How quantities are written out in reasons and messages: both systems, the shop's rounding.</summary>
public static class Show
{
    /// <summary>A plate or bead dimension: "3.2 mm (0.125 in)".</summary>
    public static string Of(Length value) => $"{Number(value.Mm, "0.0#")} mm ({Number(value.Inches, "0.000")} in)";

    /// <summary>A wire feed speed: "6.4 m/min (250 in/min)".</summary>
    public static string Of(WireFeedSpeed value) => $"{Number(value.MPerMin, "0.0")} m/min ({Number(value.InPerMin, "0")} in/min)";

    /// <summary>A travel speed: "310 mm/min (12 in/min)".</summary>
    public static string Of(TravelSpeed value) => $"{Number(value.MmPerMin, "0")} mm/min ({Number(value.InPerMin, "0")} in/min)";

    /// <summary>A gas flow: "11 L/min (23 ft3/h)".</summary>
    public static string Of(GasFlow value) => $"{Number(value.LPerMin, "0.#")} L/min ({Number(value.CubicFeetPerHour, "0")} ft3/h)";

    /// <summary>Volts to a tenth: "19.3 V".</summary>
    public static string Of(Voltage value) => $"{Number(value.Volts, "0.0")} V";

    /// <summary>A heat input: "0.39 kJ/mm (10 kJ/in)".</summary>
    public static string Of(HeatInput value) => $"{Number(value.KJPerMm, "0.00")} kJ/mm ({Number(value.KJPerMm * Length.MmPerInch, "0")} kJ/in)";

    /// <summary>Whole amperes: "125 A".</summary>
    public static string Of(Current value) => $"{Number(value.Amps, "0")} A";

    /// <summary>Words with a capital to begin with.</summary>
    public static string Sentence(string text) => char.ToUpperInvariant(text[0]) + text[1..];

    /// <summary>A bare number in the given pattern, always with a decimal point.</summary>
    public static string Number(double value, string pattern = "0.##") => value.ToString(pattern, CultureInfo.InvariantCulture);
}
