using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Judging;

/// <summary>Judges a bead against its sheet. Pure: the same bead gives the same words.</summary>
public static class Judge
{
    private const int CausesShown = 4;

    // From this share on another fault than the pair's comes before the second of two turns.
    private const double PlainlyAnother = 0.6;

    // A heat that leans this far is the news, whatever the arc sounds like.
    private const int PlainHeat = 2;

    /// <summary>Judges one bead of a fed wire.</summary>
    /// <param name="sheet">The sheet the student was given; of a fed wire.</param>
    /// <param name="machine">The booth's machine as calibrated that day.</param>
    /// <param name="used">What was really used, at the torch.</param>
    /// <param name="evidence">What was heard, felt, seen and measured.</param>
    /// <param name="around">What stands around it; null for <see cref="Circumstances.None"/>.</param>
    public static Judgement Of(Sheet sheet, Machine machine, Settings used, Evidence evidence, Circumstances? around = null) =>
        Of(new FedBead(sheet, machine, used, evidence), around ?? Circumstances.None);

    /// <summary>Judges one TIG bead.</summary>
    /// <param name="sheet">The sheet the student was given; of a tungsten.</param>
    /// <param name="machine">The booth's machine as calibrated that day.</param>
    /// <param name="amps">The current really used.</param>
    /// <param name="evidence">What was heard, felt, seen and measured.</param>
    /// <param name="around">What stands around it; null for <see cref="Circumstances.None"/>.</param>
    public static Judgement Of(Sheet sheet, Machine machine, Current amps, Evidence evidence, Circumstances? around = null) =>
        Of(new TungstenBead(sheet, machine, amps, evidence), around ?? Circumstances.None);

    /// <summary>Judges one bead.</summary>
    /// <param name="bead">The bead.</param>
    /// <param name="around">What stands around it.</param>
    public static Judgement Of(BeadAtHand bead, Circumstances around)
    {
        var signs = Signs.Of(bead);
        var answers = Observations.Among(signs, bead).ToArray();
        var table = around.Room?.Table(bead.Sheet.Job.Process) ?? Causes.Of(bead.Sheet.Job.Process);
        var after =
            around.Before is { } before && bead.AsBefore(before) is { } then ? FollowUp.Of(before, Signs.Of(then), bead, signs) : null;
        var counts = Signs.Counted(bead);
        var ranked = Ranking.Rank(
            counts,
            table,
            Habits.Priors(table, around.StudentCauses, around.MachineCauses, after),
            sign => Observations.Words(sign, bead),
            [.. Observations.Missing(bead, signs)]
        );
        var heat = answers.Sum(answer => answer.Heat);
        var (verdict, fitting) = Settled(Decide(bead, signs, answers, heat), ranked, bead);
        var first = fitting[0].Cause;
        var looks = NextLooks.Of(bead.Sheet.Job, signs, ranked, table);
        var right = bead.SettingsRight(signs);
        var next = verdict == Verdict.Open && bead.Evidence.IsEmpty() ? null : Step(bead, verdict, fitting, signs, table, after);
        var also = next?.Kind == ChangeKind.Look ? null : SecondCause.Of(bead, counts, first, next?.Kind);
        if (also is not null && also.IsWhatMakesItUnsound(answers, first, bead))
            (next, also) = (Decision.FaultFirst(bead, also.Cause), new(first, fitting[0].Words, fitting[0].For));
        return new Judgement(
            verdict,
            Summary(verdict, heat, Causes.Row(first, bead.Sheet.Job.Process), answers, right),
            Aspects.Of(bead, signs, around.FromMarks),
            [.. fitting.Take(CausesShown)],
            next,
            Contradiction(bead, verdict, right, MetalBalance.Doubt(bead, signs)),
            Unknown(bead, looks),
            bead.Shape(),
            Edition.Number,
            bead.Expected(signs),
            looks.FirstOrDefault(Decision.IsWorthIt),
            Criteria.Of(around.Criteria, bead.Sheet, bead.Evidence, around.Tolerances),
            after,
            also,
            around.Room?.Beads ?? 0
        );
    }

    private static Verdict Decide(BeadAtHand bead, IReadOnlySet<Sign> signs, Answer[] answers, int heat)
    {
        if (answers.Any(answer => answer.Trouble == Trouble.Unsound))
            return Verdict.Fault;
        // A bad sound with no lean to either side is the arc's own trouble; with one, the heat is the news.
        if (answers.Any(answer => answer.Trouble == Trouble.Unsteady) && Math.Abs(heat) < PlainHeat)
            return Verdict.Unsteady;
        if (heat != 0)
            return heat < 0 ? Verdict.Cold : Verdict.Hot;
        if (answers.Any(answer => answer.Trouble == Trouble.Hand))
            return Verdict.Technique;
        var bites = signs.Contains(Sign.RootFused) || signs.Contains(Sign.TintBehind) || signs.Contains(Sign.BackMark);
        var behind = bites || signs.Contains(Sign.NothingBehind);
        return bead.Evidence.SoundHeard() is not null && bead.Evidence is { Profile: not null, Toes: not null } && behind
            ? Verdict.Right
            : Verdict.Open;
    }

    // The verdict with the causes that fit it. It is not the hand's doing while the likeliest cause is what was set.
    private static (Verdict Verdict, RankedCause[] Causes) Settled(Verdict verdict, IReadOnlyList<RankedCause> ranked, BeadAtHand bead)
    {
        var fitting = Fitting(ranked, verdict);
        var row = Causes.Row(fitting[0].Cause, bead.Sheet.Job.Process);
        return (verdict == Verdict.Technique && row.Verdict is { } ofTheControls ? ofTheControls : verdict, fitting);
    }

    // The list never says "nothing to mend" beside a verdict that found something, nor the other way round; nor does it name a
    // cause that nothing speaks for, as long as something speaks for another.
    private static RankedCause[] Fitting(IReadOnlyList<RankedCause> ranked, Verdict verdict)
    {
        RankedCause[] fitting =
        [
            .. ranked.Where(cause => verdict == Verdict.Open || cause.Cause == Cause.NothingWrong == (verdict == Verdict.Right)),
        ];
        // Once something was found, the share of nothing to mend belongs to what can be behind it.
        if (verdict is not (Verdict.Open or Verdict.Right) && fitting.Sum(cause => cause.Share) is > 0 and var all)
            fitting = [.. fitting.Select(cause => cause with { Share = cause.Share / all })];
        return fitting.Any(cause => cause.Supported) ? [.. fitting.Where(cause => cause.Supported)] : fitting;
    }

    private static NextChange Step(
        BeadAtHand bead,
        Verdict verdict,
        RankedCause[] fitting,
        IReadOnlySet<Sign> signs,
        IReadOnlyList<CauseRow> table,
        FollowUp? after
    )
    {
        var right = bead.SettingsRight(signs);
        return after is { Owed: { } owed } && !right && IsStillOwed(verdict, fitting[0], bead)
            ? Decision.Second(bead, owed, after.Before)
            : Decision.Of(bead, ToMend(verdict, fitting, right), signs, table);
    }

    // What was announced is done, unless the bead came right as it stands, is not sound, or plainly has another fault by now.
    private static bool IsStillOwed(Verdict verdict, RankedCause first, BeadAtHand bead) =>
        verdict is not (Verdict.Right or Verdict.Fault)
        && (
            first.Share < PlainlyAnother
            || first.Cause == Cause.NothingWrong
            || Causes.Row(first.Cause, bead.Sheet.Job.Process).Whose == Whose.Controls
        );

    // A bead off the sheet is kept once it has proved right; until then what stands off is mended, however little was seen of it.
    private static RankedCause[] ToMend(Verdict verdict, RankedCause[] fitting, bool settingsRight)
    {
        if (verdict != Verdict.Open || settingsRight)
            return fitting;
        var others = fitting.Where(cause => cause.Cause != Cause.NothingWrong && cause.Supported).ToArray();
        var all = others.Sum(cause => cause.Share);
        return all > 0 ? [.. others.Select(cause => cause with { Share = cause.Share / all })] : fitting;
    }

    private static Said Summary(Verdict verdict, int heat, CauseRow cause, Answer[] answers, bool settingsRight) =>
        verdict switch
        {
            Verdict.Right => Say($"Right: it sounds, looks and bites as it should."),
            Verdict.Cold => heat >= -1 ? Say($"A little cold for this plate.") : Say($"Cold: it lies on the plate instead of biting in."),
            Verdict.Hot => heat <= 1 ? Say($"A little hot for this plate.") : Say($"Hot: more heat than this plate carries."),
            Verdict.Unsteady when answers.All(answer => answer.Trouble != Trouble.Unsteady) => Say(
                $"Wire and volts do not pair: mend that before judging the hand."
            ),
            Verdict.Unsteady => Say($"The arc does not run smooth: mend that before judging the rest."),
            Verdict.Technique when cause.Whose != Whose.Hand => Say($"The heat is right; look to plate, gas and machine before the hand."),
            Verdict.Technique => Say($"The heat is right; the hand is what to work on."),
            Verdict.Fault => Say($"Not sound: a fault that no look makes up for."),
            _ when !settingsRight => Say($"The settings are off the sheet, and not enough was looked at to say what came of it."),
            _ => Say($"Right so far, but not enough was looked at to say so."),
        };

    private static Said? Contradiction(BeadAtHand bead, Verdict verdict, bool settingsRight, Said? metal) =>
        verdict switch
        {
            _ when metal is not null => metal,
            Verdict.Cold or Verdict.Hot or Verdict.Unsteady when settingsRight => Sentences(
                Say($"The marks say {bead.Set()}, right on the sheet, yet the bead says otherwise."),
                bead.LookElsewhere()
            ),
            Verdict.Right when !settingsRight => Say($"Off the sheet's {bead.Aim()}, yet a right bead: worth keeping for this machine."),
            _ => null,
        };

    // What a verdict of right waits for, the most telling first.
    private static Said[] Unknown(BeadAtHand bead, IReadOnlyList<NextLook> looks)
    {
        var open = Observations
            .All.Where(observation => observation.Decides(bead) && !observation.Read(bead).Any())
            .Select(observation => observation.Ask)
            .ToHashSet();
        return [.. looks.Select(look => look.Text).Where(open.Contains)];
    }
}
