namespace GentleBead.Core.Judging;

/// <summary>A second thing wrong beside the likeliest cause, which leaves some of what is bad unexplained.</summary>
/// <param name="Cause">Which cause.</param>
/// <param name="Words">In an instructor's words.</param>
/// <param name="For">What it explains, strongest first.</param>
public sealed record SecondCause(Cause Cause, Said Words, IReadOnlyList<Said> For)
{
    // How strongly a sign has to speak against a right bead to want explaining, and a cause for such signs to explain them.
    private const double WantsExplaining = 1.5,
        Explains = 1.8;

    // What may speak against it among all else, against what it explains.
    private const double LeastLeft = 0.5;

    /// <summary>The second cause; null where one explains what is bad.</summary>
    /// <param name="bead">The bead.</param>
    /// <param name="counts">Its signs, and how much each counts.</param>
    /// <param name="first">The likeliest cause.</param>
    /// <param name="step">What is done for it: what mends both is no second thing.</param>
    internal static SecondCause? Of(BeadAtHand bead, IReadOnlyDictionary<Sign, double> counts, Cause first, ChangeKind? step)
    {
        var table = Causes.Of(bead.Sheet.Job.Process);
        var right = table.First(row => row.Cause == Cause.NothingWrong);
        var own = table.FirstOrDefault(row => row.Cause == first);
        if (first == Cause.NothingWrong || own is null)
            return null;
        var open = counts
            .Where(sign =>
                right.Weights.GetValueOrDefault(sign.Key) * sign.Value <= -WantsExplaining && own.Weights.GetValueOrDefault(sign.Key) <= 0
            )
            .ToDictionary();
        if (open.Count == 0)
            return null;
        var (second, explains, left) = table
            .Where(row => row.Cause is not Cause.NothingWrong && !Mends(own.Change, row) && !(step is { } kind && Mends(kind, row)))
            .Select(row => (Row: row, Explains: Speaks(row, open), Left: Speaks(row, open) + Against(row, own, counts)))
            .MaxBy(entry => Math.Log(entry.Row.Prior) + entry.Left);
        return explains >= Explains && left >= LeastLeft
            ? new(
                second.Cause,
                second.Words,
                [
                    .. open
                        .Keys.Where(sign => second.Weights.GetValueOrDefault(sign) > 0)
                        .OrderByDescending(sign => second.Weights[sign])
                        .Select(sign => Observations.Words(sign, bead)),
                ]
            )
            : null;
    }

    /// <summary>Whether it, and not the first, is behind a fault that no setting excuses: that comes before any turn.</summary>
    internal bool IsWhatMakesItUnsound(IEnumerable<Answer> answers, Cause first, BeadAtHand bead)
    {
        var (own, other) = (Causes.Row(Cause, bead.Sheet.Job.Process), Causes.Row(first, bead.Sheet.Job.Process));
        Answer[] unsound = [.. answers.Where(answer => answer.Trouble == Trouble.Unsound)];
        return unsound.Any(answer => own.Weights.GetValueOrDefault(answer.Sign) > 0)
            && unsound.All(answer => other.Weights.GetValueOrDefault(answer.Sign) <= 0);
    }

    private static bool Mends(ChangeKind change, CauseRow row) => Decision.Mends(change, row) > 0;

    private static double Speaks(CauseRow row, IReadOnlyDictionary<Sign, double> signs) =>
        signs.Sum(sign => row.Weights.GetValueOrDefault(sign.Key) * sign.Value);

    // What the first explains is the first's doing; all else may speak against a second.
    private static double Against(CauseRow row, CauseRow own, IReadOnlyDictionary<Sign, double> counts) =>
        counts
            .Where(sign => own.Weights.GetValueOrDefault(sign.Key) <= 0)
            .Sum(sign => Math.Min(0, row.Weights.GetValueOrDefault(sign.Key) * sign.Value));
}
