using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>What whoever laid a bead says of it, before they have seen what the tool says.</summary>
/// <param name="Verdict">In one word.</param>
/// <param name="Change">What they would change next.</param>
public sealed record OwnWord(Verdict Verdict, ChangeKind Change);

/// <summary>A change as it stands on a key.</summary>
/// <param name="Change">Which change.</param>
/// <param name="Name">What stands on the key.</param>
public sealed record ChangeKey(ChangeKind Change, Said Name);

/// <summary>How near one's own change comes to the tool's.</summary>
public enum Nearness
{
    /// <summary>The same change.</summary>
    Same,

    /// <summary>Another that mends the likeliest cause as well, all of it or in part.</summary>
    MendsItToo,

    /// <summary>One that does not mend the likeliest cause.</summary>
    Other,
}

/// <summary>One's own word beside the tool's.</summary>
/// <param name="VerdictAgrees">Whether both verdicts are the same.</param>
/// <param name="Verdict">Why the tool says otherwise; null where it does not.</param>
/// <param name="Change">How near the changes are.</param>
/// <param name="Why">Why the tool would change something else; null where both would change the same.</param>
public sealed record OwnCompared(bool VerdictAgrees, Said? Verdict, Nearness Change, Said? Why);

/// <summary>The keys for one's own word, and one's own word beside the tool's.</summary>
public static class OwnWords
{
    // What is said to be done next at a booth, in the order of the hand: nothing, the controls, the torch, the rest.
    private static readonly ChangeKey[] Common =
    [
        new(ChangeKind.Slower, Say($"Travel slower")),
        new(ChangeKind.Faster, Say($"Travel faster")),
        new(ChangeKind.MendAngle, Say($"Mend the angle")),
        new(ChangeKind.SteadyHand, Say($"Steadier hand")),
        new(ChangeKind.CheckGas, Say($"Check the gas")),
        new(ChangeKind.CleanPlate, Say($"Clean the plate")),
        new(ChangeKind.CoolPlate, Say($"Let it cool")),
    ];

    private static readonly ChangeKey Keep = new(ChangeKind.Keep, Say($"Keep it"));

    private static readonly ChangeKey[] Fed =
    [
        Keep,
        new(ChangeKind.VoltsUp, Say($"Volts up")),
        new(ChangeKind.VoltsDown, Say($"Volts down")),
        new(ChangeKind.WireUp, Say($"Wire up")),
        new(ChangeKind.WireDown, Say($"Wire down")),
        new(ChangeKind.MoreOfBoth, Say($"More of both")),
        new(ChangeKind.LessOfBoth, Say($"Less of both")),
        new(ChangeKind.ShorterStickOut, Say($"Shorter stick-out")),
        .. Common,
    ];

    private static readonly ChangeKey[] Tig =
    [
        Keep,
        new(ChangeKind.AmpsUp, Say($"Amps up")),
        new(ChangeKind.AmpsDown, Say($"Amps down")),
        new(ChangeKind.ShorterArc, Say($"Shorter arc")),
        new(ChangeKind.MoreFiller, Say($"More filler")),
        new(ChangeKind.LessFiller, Say($"Less filler")),
        new(ChangeKind.Regrind, Say($"Regrind the tungsten")),
        .. Common,
    ];

    /// <summary>What can be said to change next, in the order of the keys.</summary>
    public static IReadOnlyList<ChangeKey> Keys(Process process) => process.Facts().FeedsWire ? Fed : Tig;

    /// <summary>One's own word beside the tool's, with the tool's reasons where they differ.</summary>
    /// <param name="own">One's own word.</param>
    /// <param name="judgement">The tool's.</param>
    /// <param name="process">What was welded with.</param>
    public static OwnCompared Compare(OwnWord own, Judgement judgement, Process process)
    {
        ArgumentNullException.ThrowIfNull(own);
        ArgumentNullException.ThrowIfNull(judgement);
        var agrees = own.Verdict == judgement.Verdict;
        var first = judgement.Causes.Count > 0 ? judgement.Causes[0] : null;
        var nearness =
            judgement.Next is not { } next ? Nearness.Other
            : next.Kind == own.Change ? Nearness.Same
            : first is not null && Decision.Mends(own.Change, Causes.Row(first.Cause, process)) > 0 ? Nearness.MendsItToo
            : Nearness.Other;
        return new(agrees, agrees ? null : judgement.Summary, nearness, nearness == Nearness.Same ? null : Why(judgement, first, nearness));
    }

    private static Said? Why(Judgement judgement, RankedCause? first, Nearness nearness) =>
        judgement.Next is not { } next || first is null ? null
        : nearness == Nearness.MendsItToo ? Say($"Yours would mend it too. The tool would rather: {next.Instruction}")
        : first.For.Count > 0 ? Say($"Likeliest: {first.Words:small}. What speaks for it: {Said.Parts(", ", [.. first.For])}.")
        : Say($"Likeliest: {first.Words:small}.");
}
