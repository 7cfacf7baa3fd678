using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

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
public sealed record FollowUp(int Before, Outcome Outcome, string Text)
{
    // A control set to what was advised may stand this far beside it.
    private const double NearShare = 0.04;
    private const double NearVolts = 0.4;

    // One thing can show in one way only: what was seen before is gone only when the same thing was looked at again.
    private static readonly Sign[][] OneThing = [.. Telling.Looks.Select(look => look.Answers.ToArray()), [Sign.Pinholes], [Sign.Hole], [Sign.UnequalLegs], [Sign.Crack], [Sign.OpenCrater], [Sign.SlagTrapped]];

    /// <summary>Compares a bead with the one before; null when nothing was advised after that.</summary>
    /// <param name="before">The bead before.</param>
    /// <param name="table">The causes of this process.</param>
    /// <param name="signsBefore">Its signs.</param>
    /// <param name="signs">This bead's signs.</param>
    /// <param name="used">This bead's pair; null for TIG.</param>
    /// <param name="amps">This bead's current; null for a fed wire.</param>
    /// <param name="looked">Whether this bead was looked at all over, so that a fault not named is not there.</param>
    public static FollowUp? Of(BeadBefore before, IReadOnlyList<CauseRow> table, IReadOnlySet<Sign> signsBefore, IReadOnlySet<Sign> signs, Settings? used, Current? amps, bool looked)
    {
        if (before.Judgement.Next is not { } next || before.Judgement.Causes.Count == 0) return null;
        if (!Made(next.Kind, before, used, amps))
        {
            return new(before.Number, Outcome.NotDone, $"After bead {before.Number} the advice was: {next.Instruction} It was not done, so this bead says nothing about it.");
        }
        var row = table.FirstOrDefault(candidate => candidate.Cause == before.Judgement.Causes[0].Cause);
        if (row is null || next.Kind == ChangeKind.Keep)
        {
            return null;
        }
        // What was set is no look: only what spoke for the cause in the bead itself can come out differently, and what is as it should be has to stay.
        var right = table.First(candidate => candidate.Cause == Cause.NothingWrong).Weights;
        var spoke = row.Weights.Where(weight => weight.Value > 0.3 && right.GetValueOrDefault(weight.Key) <= 0 && signsBefore.Contains(weight.Key)).Select(weight => weight.Key)
            .Where(sign => Thing(sign) is not null).ToArray();
        var again = spoke.Where(sign => Thing(sign)!.Any(signs.Contains) || (looked && Thing(sign)!.Length == 1)).ToArray();
        var gone = again.Where(sign => !signs.Contains(sign)).ToArray();
        var still = again.Where(signs.Contains).ToArray();
        var outcome = again.Length == 0 ? Outcome.NotLookedAt : still.Length == 0 ? Outcome.AsExpected : gone.Length == 0 ? Outcome.NotAsExpected : Outcome.Partly;
        return new(before.Number, outcome, outcome switch
        {
            Outcome.NotLookedAt when spoke.Length == 0 => $"The change after bead {before.Number} was made. It was advised by the settings alone: nothing was seen that could be gone now.",
            Outcome.NotLookedAt => $"Whether the change after bead {before.Number} helped was not looked at. Look for: {Words(spoke)}.",
            Outcome.AsExpected => $"The change after bead {before.Number} did what it should: gone are {Words(gone)}.",
            Outcome.Partly => $"The change after bead {before.Number} did part of it: gone are {Words(gone)}; still there {Words(still)}.",
            // What the hand was told cannot be read off the controls.
            _ when ByHand(next.Kind) => $"As on bead {before.Number}: still there {Words(still)}. If what was advised was done, look for another cause.",
            _ => $"The change after bead {before.Number} did not help: still there {Words(still)}. Look for another cause.",
        });
    }

    private static bool ByHand(ChangeKind kind) => kind is not (ChangeKind.VoltsUp or ChangeKind.VoltsDown or ChangeKind.WireUp or ChangeKind.WireDown
        or ChangeKind.MoreOfBoth or ChangeKind.LessOfBoth or ChangeKind.AmpsUp or ChangeKind.AmpsDown);

    private static bool Made(ChangeKind kind, BeadBefore before, Settings? used, Current? amps)
    {
        var (wire, volts, current) = (0, 0, 0);
        if (used is not null && before.Used is { } was)
        {
            var share = used.WireFeed / was.WireFeed - 1;
            wire = Math.Abs(share) < NearShare ? 0 : Math.Sign(share);
            var more = used.Volts.Volts - was.Volts.Volts;
            volts = Math.Abs(more) < NearVolts ? 0 : Math.Sign(more);
        }
        if (amps is { } now && before.Amps is { } then)
        {
            var share = now / then - 1;
            current = Math.Abs(share) < NearShare ? 0 : Math.Sign(share);
        }
        return kind switch
        {
            // At the end of the volts the wire makes the pair instead.
            ChangeKind.VoltsUp => volts > 0 || wire < 0,
            ChangeKind.VoltsDown => volts < 0 || wire > 0,
            ChangeKind.WireUp or ChangeKind.MoreOfBoth => wire > 0,
            ChangeKind.WireDown or ChangeKind.LessOfBoth => wire < 0,
            ChangeKind.AmpsUp => current > 0,
            ChangeKind.AmpsDown => current < 0,
            // The hand's changes cannot be read off the controls; that they were left is all that shows.
            _ => wire == 0 && volts == 0 && current == 0,
        };
    }

    private static Sign[]? Thing(Sign sign) => OneThing.FirstOrDefault(thing => thing.Contains(sign));

    private static string Words(IEnumerable<Sign> signs) => string.Join(", ", signs.Order().Select(sign => Signs.Words[sign]));
}
