using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Progress;

/// <summary>What two beads are compared in.</summary>
public enum BesideField
{
    /// <summary>Process and transfer.</summary>
    Process,

    /// <summary>The metal.</summary>
    Metal,

    /// <summary>The plate's thickness.</summary>
    Thickness,

    /// <summary>The joint.</summary>
    Joint,

    /// <summary>The position.</summary>
    Position,

    /// <summary>The machine.</summary>
    Machine,

    /// <summary>The wire.</summary>
    Wire,

    /// <summary>The gas.</summary>
    Gas,

    /// <summary>Wire feed speed.</summary>
    WireFeed,

    /// <summary>Volts.</summary>
    Volts,

    /// <summary>Amps.</summary>
    Amps,

    /// <summary>Stick-out.</summary>
    StickOut,

    /// <summary>The sound of the arc.</summary>
    Sound,

    /// <summary>The profile.</summary>
    Profile,

    /// <summary>The toes.</summary>
    Toes,

    /// <summary>The heat tint.</summary>
    Tint,

    /// <summary>Spatter.</summary>
    Spatter,

    /// <summary>Ripples.</summary>
    Ripple,

    /// <summary>The far side.</summary>
    Penetration,

    /// <summary>The size of the bead.</summary>
    BeadSize,

    /// <summary>What went wrong.</summary>
    Cause,

    /// <summary>The verdict.</summary>
    Verdict,
}

/// <summary>A bead that is laid beside another.</summary>
/// <param name="Id">Which bead.</param>
/// <param name="Number">Its number on its coupon.</param>
/// <param name="At">When it was laid.</param>
/// <param name="Job">To what job.</param>
/// <param name="MachineName">On which machine.</param>
/// <param name="WireFeedMPerMin">Wire feed speed, metres a minute; null for TIG.</param>
/// <param name="Volts">Volts; null for TIG.</param>
/// <param name="Amps">Amps; null for a fed wire.</param>
/// <param name="Evidence">What was heard, felt, seen and measured.</param>
/// <param name="Shape">Numbers for its glyph.</param>
/// <param name="Verdict">In one word: the instructor's where there is one.</param>
/// <param name="Cause">What went wrong; null where nothing did, or nobody knows.</param>
/// <param name="PictureId">The newest picture of its face; null where there is none.</param>
/// <param name="PixelsPerMm">How many pixels of that a millimetre has at the bead; null where it was not measured.</param>
public sealed record BesideBead(
    Guid Id,
    int Number,
    DateTimeOffset At,
    Job Job,
    string MachineName,
    double? WireFeedMPerMin,
    double? Volts,
    double? Amps,
    Evidence Evidence,
    BeadShape Shape,
    Verdict Verdict,
    Said? Cause,
    Guid? PictureId,
    double? PixelsPerMm = null
);

/// <summary>What changed from one bead to another.</summary>
public static class Beside
{
    // Less than this is the hand and the reading, not a change (common practice, no source).
    private const double ShareApart = 0.02;
    private const double VoltsApart = 0.2;
    private const double MmApart = 0.3;

    private static readonly (BesideField Field, Func<BesideBead, BesideBead, bool> Differs)[] Fields =
    [
        (BesideField.Process, Word<Process>(bead => bead.Job.Process)),
        (BesideField.Metal, Word<Metal>(bead => bead.Job.Metal)),
        (BesideField.Thickness, Number(bead => bead.Job.Thickness.Value.Mm, Apart(MmApart))),
        (BesideField.Joint, Word<Joint>(bead => bead.Job.Joint)),
        (BesideField.Position, Word<Position>(bead => bead.Job.Position)),
        (BesideField.Machine, (one, other) => one.MachineName != other.MachineName),
        (BesideField.Wire, (one, other) => one.Job.Wire != other.Job.Wire),
        (BesideField.Gas, Word<Gas>(bead => bead.Job.Gas)),
        (BesideField.WireFeed, Number(bead => bead.WireFeedMPerMin, ByShare)),
        (BesideField.Volts, Number(bead => bead.Volts, Apart(VoltsApart))),
        (BesideField.Amps, Number(bead => bead.Amps, ByShare)),
        (BesideField.StickOut, Number(bead => bead.Evidence.StickOut?.Mm, Apart(MmApart))),
        (BesideField.Sound, Word(bead => bead.Evidence.SoundHeard())),
        (BesideField.Profile, Word(bead => bead.Evidence.Profile)),
        (BesideField.Toes, Word(bead => bead.Evidence.Toes)),
        (BesideField.Tint, Word(bead => bead.Evidence.Tint)),
        (BesideField.Spatter, Word(bead => bead.Evidence.Spatter)),
        (BesideField.Ripple, Word(bead => bead.Evidence.Ripple)),
        (BesideField.Penetration, Word(bead => bead.Evidence.PenetrationSeen())),
        (BesideField.BeadSize, Number(bead => bead.Evidence.BeadSize?.Mm, Apart(MmApart))),
        // A cause that went is a change as much as one that came.
        (BesideField.Cause, (one, other) => $"{one.Cause}" != $"{other.Cause}"),
        (BesideField.Verdict, Word<Verdict>(bead => bead.Verdict)),
    ];

    /// <summary>What differs, in the order it is shown. What was looked at on one of them only is no change.</summary>
    public static IReadOnlyList<BesideField> Changed(BesideBead one, BesideBead other) =>
        [.. Fields.Where(field => field.Differs(one, other)).Select(field => field.Field)];

    private static Func<BesideBead, BesideBead, bool> Word<T>(Func<BesideBead, T?> of)
        where T : struct => (one, other) => of(one) is { } first && of(other) is { } second && !first.Equals(second);

    private static Func<BesideBead, BesideBead, bool> Number(Func<BesideBead, double?> of, Func<double, double, bool> apart) =>
        (one, other) => of(one) is { } first && of(other) is { } second && apart(first, second);

    private static Func<double, double, bool> Apart(double by) => (one, other) => Math.Abs(one - other) > by;

    private static bool ByShare(double one, double other) => Math.Abs(one - other) > ShareApart * Math.Max(one, other);
}
