namespace GentleBead.Core.Arc;

/// <summary>A source that pulses: one drop to a pulse, the pulses as often as the wire needs.</summary>
internal sealed class PulsedSource
{
    // A pulse of two milliseconds well above spray, over a background that only keeps the arc alive. Common practice, no source.
    private const double PulseSeconds = 0.002,
        Background = 45;

    // How fast the background follows, A for each volt and second.
    private const double TrimAmps = 60;

    private readonly double every,
        top;
    private double trim;

    internal PulsedSource(ArcSetting setting, ArcConstants constants)
    {
        var feed = setting.WireFeed.MPerMin * 1000 / 60;
        every = constants.SmallDrop * 1.25 / (constants.Area * feed);
        var heated = constants.MeltB * setting.StickOut.Mm;
        var mean = 2 * feed / (constants.MeltA + Math.Sqrt(constants.MeltA * constants.MeltA + 4 * heated * feed));
        top = Math.Max(mean, Background + (mean - Background) * every / Math.Min(PulseSeconds, every));
    }

    /// <summary>Time the source takes to follow, s.</summary>
    internal const double Rise = 0.0002;

    /// <summary>The current it aims at: pulses by the wire, the background trimmed until the volts stand where they are set.</summary>
    /// <param name="seconds">Since the arc began.</param>
    /// <param name="missing">Volts the arc was short of what is set, times the time it was.</param>
    internal double Amps(double seconds, double missing)
    {
        trim = Math.Clamp(trim + missing * TrimAmps, -Background / 2, top / 3);
        return seconds % every < PulseSeconds ? top : Background + trim;
    }
}
