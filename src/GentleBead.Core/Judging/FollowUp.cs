using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;

namespace GentleBead.Core.Judging;

/// <summary>The bead before this one on the same coupon.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Judgement">What was said of it.</param>
/// <param name="Evidence">What was noted of it.</param>
/// <param name="Used">The pair it was laid with; null for TIG.</param>
/// <param name="Amps">The current it was laid with; null for a fed wire.</param>
public sealed record BeadBefore(int Number, Judgement Judgement, Evidence Evidence, Settings? Used, Current? Amps);

/// <summary>How the advised change came out.</summary>
public enum Outcome
{
    /// <summary>What spoke for the cause is gone.</summary>
    AsExpected,

    /// <summary>Some of it is gone.</summary>
    Partly,

    /// <summary>All of it is still there.</summary>
    NotAsExpected,

    /// <summary>It was not looked at again.</summary>
    NotLookedAt,

    /// <summary>The change was not made.</summary>
    NotDone,
}

/// <summary>Whether the last change did what was expected.</summary>
/// <param name="Before">Number of the bead it was advised after.</param>
/// <param name="Outcome">How it came out.</param>
/// <param name="Text">In a sentence, with what is gone and what is still there.</param>
public sealed record FollowUp(int Before, Outcome Outcome, Said Text)
{
    // What is left of a cause's odds where its mending was made and did nothing, or only part of what it should: a hand may not have
    // done it as it was meant, a plate that was ground is ground. Common practice, no source.
    private static readonly Dictionary<(Outcome Outcome, bool ByHand), double> Leaves = new()
    {
        [(Outcome.NotAsExpected, true)] = 0.15,
        [(Outcome.NotAsExpected, false)] = 0.04,
        [(Outcome.Partly, true)] = 0.4,
        [(Outcome.Partly, false)] = 0.15,
    };

    /// <summary>The change that was made and did not do what it should, and what that leaves of its causes; null otherwise.</summary>
    internal (ChangeKind Change, double Leaves)? InVain { get; private init; }

    /// <summary>The second of two turns, where the first was made; null where nothing is owed.</summary>
    internal ChangeKind? Owed { get; private init; }

    // A control set to what was advised may stand this far beside it.
    private const double NearShare = 0.04;
    private const double NearVolts = 0.4;

    // What a sign has to weigh to have spoken for a cause.
    private const double Spoke = 0.3;

    /// <summary>Compares a bead with the one before; null when nothing was advised after that.</summary>
    /// <param name="before">The bead before.</param>
    /// <param name="signsBefore">Its signs.</param>
    /// <param name="bead">This bead.</param>
    /// <param name="signs">This bead's signs.</param>
    public static FollowUp? Of(BeadBefore before, IReadOnlySet<Sign> signsBefore, BeadAtHand bead, IReadOnlySet<Sign> signs)
    {
        if (before.Judgement.Next is not { } next || before.Judgement.Causes.Count == 0)
            return null;
        if (!Made(next.Kind, before, bead))
        {
            return new(
                before.Number,
                Outcome.NotDone,
                Sentences(
                    Say($"After bead {before.Number} the advice was: {next.Instruction}"),
                    Say($"It was not done, so this bead says nothing about it.")
                )
            );
        }
        var table = Causes.Of(bead.Sheet.Job.Process);
        var row = MeantToMend(next.Kind, before.Judgement.Causes, table);
        if (row is null || next.Kind is ChangeKind.Keep or ChangeKind.Look)
            return null;

        var spoke = SpokeFor(row, table, signsBefore);
        // What was seen before is gone only when the same thing was looked at again; a fault not named is not there once a bead was looked
        // at all over.
        var lookedAllOver = bead.Evidence is { Profile: not null, Toes: not null };
        var again = spoke.Where(sign => LookedAt(sign).Any(signs.Contains) || (lookedAllOver && LookedAt(sign).Count() == 1)).ToArray();
        Sign[] gone = [.. again.Where(sign => !signs.Contains(sign))];
        Sign[] still = [.. again.Where(signs.Contains)];
        var outcome =
            again.Length == 0 ? Outcome.NotLookedAt
            : still.Length == 0 ? Outcome.AsExpected
            : gone.Length == 0 ? Outcome.NotAsExpected
            : Outcome.Partly;
        return new(before.Number, outcome, InWords(outcome, before.Number, next.Kind, spoke, gone, still))
        {
            // The first of two cannot do it alone.
            InVain = next.Then is null && Leaves.TryGetValue((outcome, row.Whose == Whose.Hand), out var left) ? (next.Kind, left) : null,
            Owed = next.Then is null ? null : Owes(before, bead),
        };
    }

    // The step was chosen for the likeliest cause that it mends, which need not be the likeliest of all.
    private static CauseRow? MeantToMend(ChangeKind change, IReadOnlyList<RankedCause> causes, IReadOnlyList<CauseRow> table)
    {
        var rows = causes.Select(cause => table.FirstOrDefault(row => row.Cause == cause.Cause)).OfType<CauseRow>().ToArray();
        return rows.FirstOrDefault(row => Decision.Mends(change, row) == 1)
            ?? table.FirstOrDefault(row => row.Change == change)
            ?? rows.FirstOrDefault();
    }

    // Only signs seen in the bead can change on the next one; settings can't. Signs that were right must stay right.
    private static Sign[] SpokeFor(CauseRow row, IReadOnlyList<CauseRow> table, IReadOnlySet<Sign> signsBefore)
    {
        var right = table.First(candidate => candidate.Cause == Cause.NothingWrong).Weights;
        return
        [
            .. row
                .Weights.Where(weight =>
                    weight.Value > Spoke && right.GetValueOrDefault(weight.Key) <= 0 && signsBefore.Contains(weight.Key)
                )
                .Select(weight => weight.Key)
                .Where(sign => !Observations.Behind(sign).First().IsSetting),
        ];
    }

    private static IEnumerable<Sign> LookedAt(Sign sign) => Observations.Behind(sign).First().Answers.Select(answer => answer.Sign);

    private static Said InWords(Outcome outcome, int before, ChangeKind kind, Sign[] spoke, Sign[] gone, Sign[] still) =>
        outcome switch
        {
            Outcome.NotLookedAt when spoke.Length == 0 => Sentences(
                Say($"The change after bead {before} was made."),
                Say($"It was advised by the settings alone: nothing was seen that could be gone now.")
            ),
            Outcome.NotLookedAt => Sentences(
                Say($"Whether the change after bead {before} helped was not looked at."),
                Say($"Look for: {Words(spoke)}.")
            ),
            Outcome.AsExpected => Say($"The change after bead {before} did what it should: gone are {Words(gone)}."),
            Outcome.Partly => Say($"The change after bead {before} did part of it: gone are {Words(gone)}; still there {Words(still)}."),
            // What the hand was told cannot be read off the controls.
            _ when NextChanges.IsByHand(kind) => Sentences(
                Say($"As on bead {before}: still there {Words(still)}."),
                Say($"If what was advised was done, look for another cause.")
            ),
            _ => Sentences(
                Say($"The change after bead {before} did not help: still there {Words(still)}."),
                Say($"Look for another cause.")
            ),
        };

    private static bool Made(ChangeKind kind, BeadBefore before, BeadAtHand bead)
    {
        var (wire, volts, amps) = (0, 0, 0);
        if (bead is FedBead { Used: var used } && before.Used is { } was)
        {
            wire = Moved(used.WireFeed / was.WireFeed - 1, NearShare);
            volts = Moved(used.Volts.Volts - was.Volts.Volts, NearVolts);
        }
        if (bead is TungstenBead { Amps: var now } && before.Amps is { } then)
            amps = Moved(now / then - 1, NearShare);
        return kind switch
        {
            // At the end of the volts the wire makes the pair instead.
            ChangeKind.VoltsUp => volts > 0 || wire < 0,
            ChangeKind.VoltsDown => volts < 0 || wire > 0,
            ChangeKind.WireUp or ChangeKind.MoreOfBoth => wire > 0,
            ChangeKind.WireDown or ChangeKind.LessOfBoth => wire < 0,
            ChangeKind.AmpsUp => amps > 0,
            ChangeKind.AmpsDown => amps < 0,
            // What was measured stands on the machine as a reading.
            ChangeKind.MeasureWire when bead.Machine.WireControl is { Readings.Count: 0 } => false,
            ChangeKind.MeasureVolts when bead.Machine.VoltControl is { Readings.Count: 0 } => false,
            // And what was measured is turned until it is the sheet's; the other control is left.
            ChangeKind.MeasureWire => volts == 0,
            ChangeKind.MeasureVolts => wire == 0,
            // The hand's changes cannot be read off the controls; that they were left is all that shows.
            _ => wire == 0 && volts == 0 && amps == 0,
        };
    }

    // The turn of the other control that brings the pair to the sheet's; none once it stands there.
    private static ChangeKind? Owes(BeadBefore before, BeadAtHand bead)
    {
        if (bead is not FedBead { Used: var used, Pair: var pair } || before.Used is not { } was)
            return null;
        if (Moved(used.WireFeed / was.WireFeed - 1, NearShare) == 0)
            return Turn(Moved(pair.WireFeed / used.WireFeed - 1, NearShare), ChangeKind.WireUp, ChangeKind.WireDown);
        var aim =
            Moved(pair.WireFeed / used.WireFeed - 1, NearShare) == 0
                ? pair.Volts.Aim
                : SmoothBand.At(used.WireFeed, bead.Sheet.Job.RequireArc()).Aim;
        return Turn(Moved(aim.Volts - used.Volts.Volts, NearVolts), ChangeKind.VoltsUp, ChangeKind.VoltsDown);
    }

    private static ChangeKind? Turn(int way, ChangeKind up, ChangeKind down) =>
        way == 0 ? null
        : way > 0 ? up
        : down;

    private static int Moved(double by, double near) => Math.Abs(by) < near ? 0 : Math.Sign(by);

    private static IEnumerable<Said> Words(IEnumerable<Sign> signs) => Observations.Among(signs).Select(answer => answer.Words);
}
