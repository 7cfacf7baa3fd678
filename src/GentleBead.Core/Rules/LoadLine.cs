using GentleBead.Core.Quantities;

namespace GentleBead.Core.Rules;

/// <summary>Conventional load voltages of IEC 60974-1.</summary>
public static class LoadLine
{
    /// <summary>Of a MIG/MAG source: 14 + 0.05 I, at most 44 V.</summary>
    public static Voltage Mig(Current amps) => Voltage.FromVolts(Math.Min(44, 14 + 0.05 * amps.Amps));

    /// <summary>Of a TIG source: 10 + 0.04 I, at most 34 V.</summary>
    public static Voltage Tig(Current amps) => Voltage.FromVolts(Math.Min(34, 10 + 0.04 * amps.Amps));
}
