namespace GentleBead.Core.Judging;

/// <summary>
/// What to do next. Each cause's mending is weighed over all causes: how likely the next bead comes right, by how well the settings
/// then stand on the sheet, less what it costs. Where no cause has a third of the shares, nothing is turned: the most telling look comes
/// first.
/// </summary>
internal static class Decision
{
    // The likeliest cause under this share is a guess, not a finding.
    private const double Guess = 1.0 / 3;

    // From here on the likeliest cause is mended without a further look.
    private const double LikelyEnough = 0.45;

    // The same where the step would turn a pair that stands right on the sheet away from it.
    private const double EnoughToLeave = 0.6;

    // What a glance costs, in seconds, and by how much the next bead's chance has to rise for it to be worth sending somebody.
    private const double SecondsALook = 10,
        WorthWaiting = 0.06;

    // A look that takes away less doubt than this is not worth sending anybody for, in bits.
    private const double WorthALook = 0.05;

    // Causes this unlikely are not mended for their own sake.
    private const double Unlikely = 0.03;

    // The next bead's chance where a cause is mended but the settings stand far off the sheet: the marks may be what is wrong.
    private const double OffTheSheet = 0.5;

    // A step that mends nothing spoils nothing either, when nothing was wrong; turning does, where it leaves the sheet.
    private const double Harmless = 0.9;

    // What a second costs against a bead that comes right: an hour would be too much for one. Common practice, no source.
    private const double PerSecond = 1.0 / 3600;

    // Shares of another cause that a change mends besides its own. Common practice, no source.
    private static readonly Dictionary<(ChangeKind Change, Cause Cause), double> Besides = new()
    {
        [(ChangeKind.VoltsUp, Cause.WireHigh)] = 1,
        [(ChangeKind.WireDown, Cause.VoltsLow)] = 1,
        [(ChangeKind.VoltsDown, Cause.WireLow)] = 1,
        [(ChangeKind.WireUp, Cause.VoltsHigh)] = 1,
        [(ChangeKind.WireUp, Cause.PairCold)] = 0.4,
        [(ChangeKind.WireDown, Cause.PairHot)] = 0.4,
        [(ChangeKind.MoreOfBoth, Cause.WireLow)] = 0.6,
        [(ChangeKind.LessOfBoth, Cause.WireHigh)] = 0.6,
        [(ChangeKind.LessOfBoth, Cause.PlateHot)] = 0.3,
        [(ChangeKind.AmpsDown, Cause.PlateHot)] = 0.3,
        [(ChangeKind.Slower, Cause.PairCold)] = 0.2,
        [(ChangeKind.Faster, Cause.PairHot)] = 0.2,
        [(ChangeKind.Faster, Cause.AmpsHigh)] = 0.2,
        [(ChangeKind.MeasureWire, Cause.WrongWire)] = 0.3,
        [(ChangeKind.CheckWire, Cause.ReadOutLow)] = 0.3,
        [(ChangeKind.CleanPlate, Cause.PoorClamp)] = 0.3,
        [(ChangeKind.ClearNozzle, Cause.GasLost)] = 0.2,
        [(ChangeKind.ChangeTip, Cause.BurnBack)] = 0.6,
        [(ChangeKind.ShorterArc, Cause.Draught)] = 0.2,
    };

    // What a change costs before the next bead, in seconds; a turn of a knob costs none to speak of.
    private static readonly Dictionary<ChangeKind, double> Seconds = new()
    {
        [ChangeKind.CheckGas] = 30,
        [ChangeKind.CleanPlate] = 90,
        [ChangeKind.CoolPlate] = 60,
        [ChangeKind.MeasureWire] = 60,
        [ChangeKind.MeasureVolts] = 60,
        [ChangeKind.CheckFeed] = 60,
        [ChangeKind.CheckPolarity] = 60,
        [ChangeKind.ChangeTip] = 60,
        [ChangeKind.CheckBottle] = 20,
        [ChangeKind.CheckWire] = 30,
        [ChangeKind.CheckClamp] = 30,
        [ChangeKind.MoveClamp] = 30,
        [ChangeKind.ClearNozzle] = 30,
        [ChangeKind.FreeTip] = 60,
        [ChangeKind.ScreenDraught] = 60,
        [ChangeKind.Regrind] = 90,
        [ChangeKind.ThickerTungsten] = 90,
        [ChangeKind.SetBalance] = 20,
        [ChangeKind.Preheat] = 300,
    };

    // How sure the step is said to be, by the shares of all that it mends.
    private static readonly (double Least, Func<int, Said> Words)[] HowSure =
    [
        (0.85, _ => Say($"Plain from what was noted.")),
        (0.6, inTen => Say($"Likely: about {inTen} in 10.")),
        (0, inTen => Say($"The best guess so far: about {inTen} in 10.")),
    ];

    /// <summary>Whether a look takes away enough doubt to send somebody for it.</summary>
    public static bool IsWorthIt(NextLook look) => look.GainBits > WorthALook;

    /// <summary>The step to take.</summary>
    /// <param name="bead">The bead.</param>
    /// <param name="causes">The causes that fit its verdict, likeliest first.</param>
    /// <param name="signs">What is known of it.</param>
    /// <param name="table">The table they were weighed with.</param>
    public static NextChange Of(BeadAtHand bead, IReadOnlyList<RankedCause> causes, IReadOnlySet<Sign> signs, IReadOnlyList<CauseRow> table)
    {
        var steps = Steps(bead, causes);
        var shares = causes.Select(cause => cause.Share).ToArray();
        var best = steps.MaxBy(step => step.Worth(shares));
        if (WorthMore(bead, causes, signs, table, steps) is { } look)
            return Looking(look, causes[0], bead.Mend(Cause.NothingWrong).Change);
        return best!.Change with { Sure = Sure(causes.Sum(cause => cause.Share * Mends(best.Change.Kind, cause, bead))) };
    }

    /// <summary>The second of two turns, the first of which was made.</summary>
    /// <param name="bead">The bead.</param>
    /// <param name="owed">The turn.</param>
    /// <param name="before">Number of the bead after which both were said.</param>
    public static NextChange Second(BeadAtHand bead, ChangeKind owed, int before)
    {
        var row = Causes.Of(bead.Sheet.Job.Process).First(row => row.Change == owed && row.Whose == Whose.Controls);
        return bead.Mend(row.Cause).Change with { Sure = Say($"The second of the two said after bead {before}.") };
    }

    /// <summary>The step where two causes are at work and one of them makes the bead unsound: that one first.</summary>
    public static NextChange FaultFirst(BeadAtHand bead, Cause cause) =>
        bead.Mend(cause).Change with
        {
            Sure = Say($"Two things at once: what makes the bead unsound comes first."),
        };

    // A step that can be taken: the next bead's chance for each cause in turn, and what the step costs.
    private sealed record Step(NextChange Change, double[] Right, double Costs)
    {
        public double Worth(double[] shares)
        {
            var sum = -Costs;
            for (var i = 0; i < shares.Length; i++)
                sum += shares[i] * Right[i];
            return sum;
        }
    }

    private static Step[] Steps(BeadAtHand bead, IReadOnlyList<RankedCause> causes) =>
        [
            .. causes
                .Index()
                .Where(one => one.Index == 0 || one.Item.Share >= Unlikely)
                .Select(one => bead.Mend(one.Item.Cause))
                .DistinctBy(step => step.Change.Kind)
                .Select(step => new Step(
                    step.Change,
                    [.. causes.Select(cause => NextRight(step.Change.Kind, cause, step.Stands, bead))],
                    Seconds.GetValueOrDefault(step.Change.Kind) * PerSecond
                )),
        ];

    // Where the likeliest cause has hardly half the shares, a look may be worth more than any step: with its answer another step may be
    // the best one (the value of information; Raiffa and Schlaifer 1961).
    private static NextLook? WorthMore(
        BeadAtHand bead,
        IReadOnlyList<RankedCause> causes,
        IReadOnlySet<Sign> signs,
        IReadOnlyList<CauseRow> table,
        Step[] steps
    )
    {
        var shares = causes.Select(cause => cause.Share).ToArray();
        var leaves = bead.SettingsRight(signs) && !NextChanges.IsByHand(steps.MaxBy(step => step.Worth(shares))!.Change.Kind);
        if (causes[0].Share >= (leaves ? EnoughToLeave : LikelyEnough) || causes.Count < 2)
            return null;
        var guess = causes[0].Share < Guess;
        var now = steps.Max(step => step.Worth(shares));
        return NextLooks
            .Outcomes(bead.Sheet.Job, signs, causes, table)
            .Select(one =>
                (
                    one.Look,
                    Gain: one.Answers.Sum(answer => answer.Likely * steps.Max(step => step.Worth(answer.Shares)))
                        - now
                        - one.Trouble * SecondsALook * PerSecond
                )
            )
            .Where(one => guess ? IsWorthIt(one.Look) : one.Gain > (leaves ? 0 : WorthWaiting))
            .OrderByDescending(one => one.Gain)
            .Select(one => one.Look)
            .FirstOrDefault();
    }

    /// <summary>1 at 0 or under, 0 at 1 and over.</summary>
    public static double Near(double off) => 1 - Math.Clamp(off, 0, 1);

    /// <summary>How far a setting is from the sheet's: 0 within a tenth, 1 at six tenths off.</summary>
    /// <param name="ratio">The setting against the sheet's.</param>
    public static double Apart(double ratio) => ratio > 0 ? (Math.Abs(Math.Log(ratio)) - 0.1) / 0.5 : 1;

    /// <summary>How much of a cause a change mends: 1 its own, less what it mends besides.</summary>
    internal static double Mends(ChangeKind change, CauseRow row) =>
        row.Change == change ? 1 : Besides.GetValueOrDefault((change, row.Cause));

    private static double Mends(ChangeKind change, RankedCause cause, BeadAtHand bead) =>
        Mends(change, Causes.Row(cause.Cause, bead.Sheet.Job.Process));

    // The chance that the next bead is right if this is the cause.
    private static double NextRight(ChangeKind change, RankedCause cause, double stands, BeadAtHand bead) =>
        cause.Cause == Cause.NothingWrong && change != ChangeKind.Keep
            ? Harmless * stands
            : Mends(change, cause, bead) * (OffTheSheet + (1 - OffTheSheet) * stands);

    // The controls are left as the same again leaves them.
    private static NextChange Looking(NextLook look, RankedCause first, NextChange again) =>
        again with
        {
            Kind = ChangeKind.Look,
            Instruction = look.Text,
            Expect = Say($"It tells these two apart: {look.Between[0]:small}; {look.Between[1]:small}."),
            Sure = Say($"Not sure enough to turn anything: {first.Words:small} is only the likeliest, about {InTen(first.Share)} in 10."),
        };

    private static Said Sure(double share) => HowSure.First(row => share >= row.Least).Words(InTen(share));

    private static int InTen(double share) => Math.Max(1, (int)Math.Round(10 * share));
}
