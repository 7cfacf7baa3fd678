namespace GentleBead.Core.Listening;

/// <summary>Volts and amps of an arc, evenly sampled.</summary>
/// <param name="Rate">Samples a second; 100 to 200,000.</param>
/// <param name="Volts">Volts.</param>
/// <param name="Amps">Amps, as many.</param>
public sealed record ArcLog(double Rate, float[] Volts, float[] Amps)
{
    /// <summary>The lowest and highest rate taken, samples a second.</summary>
    public const double LowestRate = 100,
        HighestRate = 200_000;

    /// <summary>
    /// The most volts and amps a welding arc's log can hold; what lies past them was read in another unit, or is no reading.
    /// </summary>
    /// <remarks>No-load voltage ends at 113 V (IEC 60974-1, from memory); no source of a welding shop gives 1,500 A.</remarks>
    public const double MostVolts = 150,
        MostAmps = 1_500;

    /// <summary>How long, s.</summary>
    public double Seconds => Volts.Length / Rate;
}
