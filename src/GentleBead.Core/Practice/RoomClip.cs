using GentleBead.Core.Arc;
using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Practice;

/// <summary>A recording of this room that an instructor has named: what it sounds like, and what was off.</summary>
/// <param name="RecordingId">Which recording.</param>
/// <param name="Sound">What it sounds like.</param>
/// <param name="Deviation">What was off.</param>
/// <param name="From">Where the clip begins in it, s.</param>
/// <param name="Seconds">How long the clip is; 0.5 to <see cref="Longest"/>.</param>
/// <param name="Volts">Volts read while welding; null where nobody read them.</param>
/// <param name="Amps">Amps read while welding; null where nobody read them.</param>
public sealed record RoomClip(
    Guid RecordingId,
    Sound Sound,
    Deviation Deviation,
    double From,
    double Seconds,
    Voltage? Volts,
    Current? Amps
)
{
    /// <summary>The longest clip, s: enough to hear, and to say how it was.</summary>
    public const double Longest = 6;

    private const double Shortest = 0.5;

    /// <summary>The clip of a recording; what is wrong where it cannot be one.</summary>
    /// <param name="recordingId">Which recording.</param>
    /// <param name="sound">What the instructor says it sounds like.</param>
    /// <param name="deviation">What the instructor says was off.</param>
    /// <param name="arc">Where the arc begins and ends in it, s.</param>
    /// <param name="measures">What was measured on the bead; null where nothing was.</param>
    public static Checked<RoomClip> Of(
        Guid recordingId,
        Sound sound,
        Deviation deviation,
        (double From, double To) arc,
        Measures? measures
    ) =>
        arc.To - arc.From < Shortest
            ? new(new Problem("recording", Say($"No arc is heard in it for half a second: it teaches nobody anything.")))
            : new(
                new RoomClip(
                    recordingId,
                    sound,
                    deviation,
                    arc.From,
                    Math.Min(Longest, arc.To - arc.From),
                    measures?.ArcVolts,
                    measures?.ArcAmps
                )
            );

    /// <summary>The arc as a bead's sheet wants it, and as the bead was welded.</summary>
    /// <param name="sheet">The sheet it is judged by; of a fed wire.</param>
    /// <param name="used">The pair used.</param>
    /// <param name="stickOut">The stick-out measured; null where nobody did.</param>
    public static (ArcSetting Right, ArcSetting Given) Arcs(Sheet sheet, Settings used, Length? stickOut)
    {
        ArgumentNullException.ThrowIfNull(sheet);
        ArgumentNullException.ThrowIfNull(used);
        var (job, pair) = (sheet.Job, sheet.RequirePair());
        var right = new ArcSetting(
            job.Process,
            job.Wire,
            job.Gas,
            pair.WireFeed,
            pair.Volts.Aim,
            pair.StickOut.Aim,
            sheet.Travel ?? TravelSpeed.FromMmPerMin(300),
            job.Thinner,
            job.Joint,
            job.Metal
        );
        return (right, right with { WireFeed = used.WireFeed, Volts = used.Volts, StickOut = stickOut ?? right.StickOut });
    }
}
