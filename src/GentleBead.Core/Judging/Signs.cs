using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Judging;

/// <summary>From a bead to its signs, and how strongly each counts.</summary>
public static class Signs
{
    // How much a recording adds to what the ear said, or takes from it. Common practice, no source: two witnesses are better than one.
    private const double BearsOut = 0.4;

    private static readonly Dictionary<Strength, double> Counts = new()
    {
        [Strength.Slight] = 0.5,
        [Strength.Plain] = 1,
        [Strength.Strong] = 1.5,
    };

    /// <summary>The signs of a bead of fed wire. Order and repetition do not matter.</summary>
    public static IReadOnlySet<Sign> Of(Sheet sheet, Machine machine, Settings used, Evidence evidence) =>
        Of(new FedBead(sheet, machine, used, evidence));

    /// <summary>The signs of a TIG bead.</summary>
    public static IReadOnlySet<Sign> Of(Sheet sheet, Machine machine, Current amps, Evidence evidence) =>
        Of(new TungstenBead(sheet, machine, amps, evidence));

    /// <summary>The signs of a bead.</summary>
    public static IReadOnlySet<Sign> Of(BeadAtHand bead) => Observations.All.SelectMany(observation => observation.Read(bead)).ToHashSet();

    /// <summary>Every sign of a bead with how much it counts: how far the bead is that, and how strongly it was noted.</summary>
    public static IReadOnlyDictionary<Sign, double> Counted(BeadAtHand bead)
    {
        var counts = new Dictionary<Sign, double>();
        foreach (var observation in Observations.All)
        {
            var strength = observation.Strength is { } noted && bead.Evidence.Strengths.TryGetValue(noted, out var said) ? Counts[said] : 1;
            var degrees = observation.Degrees?.Invoke(bead) ?? observation.Read(bead).Select(sign => (Sign: sign, Degree: 1.0));
            foreach (var (sign, degree) in degrees)
                counts[sign] = Math.Max(counts.GetValueOrDefault(sign), degree * strength);
        }
        // A recording counts as sure as it is where nobody listened; where somebody did, it bears the ear out or shakes it.
        if (bead.Evidence is { Listened: { } recording } evidence && evidence.SoundHeard() is { } named)
        {
            var sign = Modes.SignOf(named, bead.Sheet.Job.Process);
            counts[sign] = evidence.Sound is null
                ? recording.Confidence
                : counts.GetValueOrDefault(sign, 1)
                    * (recording.Sound == named ? 1 + BearsOut * recording.Confidence : 1 - BearsOut * recording.Confidence);
        }
        return counts;
    }
}
