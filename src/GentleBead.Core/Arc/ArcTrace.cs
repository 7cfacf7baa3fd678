using GentleBead.Core.Stock;

namespace GentleBead.Core.Arc;

/// <summary>Volts, amps and what happened, of a stretch of simulated arc.</summary>
/// <param name="Setting">How it was set.</param>
/// <param name="Rate">Samples a second.</param>
/// <param name="Volts">Volts at the terminals.</param>
/// <param name="Amps">Amps, as many.</param>
/// <param name="Events">What happened, oldest first; empty for TIG.</param>
public sealed record ArcTrace(ArcSetting Setting, int Rate, float[] Volts, float[] Amps, IReadOnlyList<ArcEvent> Events)
{
    // An arc is let settle this long before it is written down.
    private const double SettleSeconds = 0.3;

    /// <summary>How long it is, s.</summary>
    public double Seconds => (double)Volts.Length / Rate;

    /// <summary>Mean current, A.</summary>
    public double MeanAmps => Mean(Amps);

    /// <summary>Mean volts, V.</summary>
    public double MeanVolts => Mean(Volts);

    /// <summary>Runs an arc of any kind.</summary>
    /// <param name="setting">How it is set.</param>
    /// <param name="seconds">How long; above 0, at most 600.</param>
    /// <param name="rate">Samples a second; 20,000 to 50,000.</param>
    /// <param name="seed">Of its chance.</param>
    /// <exception cref="ArgumentOutOfRangeException">A value outside its range.</exception>
    public static ArcTrace Of(ArcSetting setting, double seconds, int rate, int seed)
    {
        ArgumentNullException.ThrowIfNull(setting);
        if (seconds is not (> 0 and <= 600))
            throw new ArgumentOutOfRangeException(nameof(seconds), seconds, "Between 0 and 600 s.");
        var (volts, amps) = (new float[(int)(seconds * rate)], new float[(int)(seconds * rate)]);
        var settle = (int)(SettleSeconds * rate);
        if (setting.Process.IsGtaw())
        {
            var steady = new SteadyArc(setting, rate, seed);
            steady.Run(new float[settle], new float[settle]);
            steady.Run(volts, amps);
            return new(setting, rate, volts, amps, []);
        }
        var arc = new SimulatedArc(setting, rate, seed);
        arc.Run(new float[settle], new float[settle]);
        var events = new List<ArcEvent>();
        arc.Run(volts, amps, events);
        return new(setting, rate, volts, amps, [.. events.Select(one => one with { Seconds = one.Seconds - SettleSeconds })]);
    }

    private static double Mean(float[] values)
    {
        var sum = 0.0;
        foreach (var value in values)
            sum += Math.Abs(value);
        return sum / values.Length;
    }
}
