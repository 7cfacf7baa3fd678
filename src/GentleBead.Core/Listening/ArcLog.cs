namespace GentleBead.Core.Listening;

/// <summary>Volts and amps of an arc, evenly sampled.</summary>
/// <param name="Rate">Samples a second; 100 to 200,000.</param>
/// <param name="Volts">Volts.</param>
/// <param name="Amps">Amps, as many.</param>
public sealed record ArcLog(double Rate, float[] Volts, float[] Amps)
{
    /// <summary>The lowest and highest rate taken, samples a second.</summary>
    public const double LowestRate = 100, HighestRate = 200_000;

    /// <summary>How long, s.</summary>
    public double Seconds => Volts.Length / Rate;
}
