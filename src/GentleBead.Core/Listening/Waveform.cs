namespace GentleBead.Core.Listening;

/// <summary>A sound: one channel of samples, -1 to 1.</summary>
/// <param name="Rate">Samples a second.</param>
/// <param name="Samples">The samples.</param>
public sealed record Waveform(int Rate, float[] Samples)
{
    /// <summary>How long, s.</summary>
    public double Seconds => (double)Samples.Length / Rate;
}
