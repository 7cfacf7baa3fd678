using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Stock;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Judging;

/// <summary>What a judged bead says of its machine's smooth band.</summary>
public static class BeadOnBand
{
    /// <summary>The bead as a point on the band; null when it says nothing of it.</summary>
    /// <param name="used">The pair it was laid with.</param>
    /// <param name="sound">What was heard; null when nothing was noted.</param>
    /// <param name="process">In which mode: each has its own right sound.</param>
    /// <param name="cause">The likeliest cause; null when none was named.</param>
    /// <param name="verdict">The verdict.</param>
    public static WindowPoint? Point(Settings used, Sound? sound, Process process, Cause? cause, Verdict verdict)
    {
        if (sound is not { } noted || (cause is { } behind && !Causes.Row(behind, process).SpeaksOfBand))
            return null;
        BandEvidence? says = Modes.SignOf(noted, process) switch
        {
            Sign.EvenCrackle => BandEvidence.Inside,
            Sign.Popping => BandEvidence.Under,
            Sign.Hiss => BandEvidence.Over,
            _ => null,
        };
        return says is { } said ? new(used.WireFeed, used.Volts, said, verdict == Verdict.Right) : null;
    }
}
