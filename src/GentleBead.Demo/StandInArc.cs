using GentleBead.Core.Arc;
using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Demo;

/// <summary>The stand-in for a booth's microphone and logger: an arc simulated from what a bead was welded with.</summary>
public static class StandInArc
{
    private const int Rate = 44_100,
        LoggerRate = 20_000;
    private const double ShopDecibelsUnder = 18;

    // As long as a short practice bead where nobody timed it, and no longer than a logger's roll.
    private const double UsualSeconds = 6,
        MostSeconds = 30;

    /// <summary>The arc of a bead; faults where its evidence points to them.</summary>
    /// <param name="sheet">The sheet it is judged by.</param>
    /// <param name="used">The pair; null for TIG.</param>
    /// <param name="amps">The current; null for a fed wire.</param>
    /// <param name="evidence">What was noted.</param>
    public static ArcSetting Of(Sheet sheet, Settings? used, Current? amps, Evidence evidence)
    {
        var faults = new List<ArcFault>();
        if (evidence.Faults.Contains(Fault.Pinholes))
            faults.Add(ArcFault.GasLost);
        else if (evidence.Sound == Sound.Sputter)
            faults.Add(ArcFault.Scale);
        var job = sheet.Job;
        return new ArcSetting(
            job.Process,
            used is null ? null : job.Wire,
            job.Gas,
            used?.WireFeed ?? WireFeedSpeed.FromMPerMin(1),
            used?.Volts ?? Voltage.FromVolts(14),
            used is null ? Length.FromMm(2) : evidence.StickOut ?? sheet.Pair!.StickOut.Aim,
            sheet.Travel ?? TravelSpeed.FromMmPerMin(300),
            job.Thinner,
            job.Joint,
            job.Metal,
            amps,
            Faults: faults
        );
    }

    /// <summary>How long a bead's arc burned.</summary>
    public static double Seconds(Evidence evidence) => Math.Clamp(evidence.Measured?.ArcSeconds ?? UsualSeconds, 1, MostSeconds);

    /// <summary>What the booth's microphone hears: the arc in its shop, a moment of shop before and after.</summary>
    public static Waveform Microphone(ArcSetting setting, double seconds, int seed)
    {
        const double still = 0.4;
        var arc = ArcSound.Of(ArcTrace.Of(setting, seconds, Rate, seed), seed);
        var samples = new float[arc.Length + (int)(2 * still * Rate)];
        arc.CopyTo(samples, (int)(still * Rate));
        ArcSound.AddShop(samples, Rate, ShopDecibelsUnder, seed);
        return new Waveform(Rate, samples);
    }

    /// <summary>What the booth's logger writes: open volts before and after, the arc between.</summary>
    public static ArcLog Logger(ArcSetting setting, double seconds, int seed)
    {
        const double still = 0.3;
        const float open = 32;
        var trace = ArcTrace.Of(setting, seconds, LoggerRate, seed);
        var rest = (int)(still * LoggerRate);
        var (volts, amps) = (new float[trace.Volts.Length + 2 * rest], new float[trace.Volts.Length + 2 * rest]);
        Array.Fill(volts, open);
        trace.Volts.CopyTo(volts, rest);
        trace.Amps.CopyTo(amps, rest);
        return new ArcLog(LoggerRate, volts, amps);
    }
}
