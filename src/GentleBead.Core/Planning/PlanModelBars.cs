using Google.OrTools.Sat;

namespace GentleBead.Core.Planning;

// What the pieces take of the bars and plates: by length or area. Whether they come out of those that lie there is seen afterwards; where
// they don't, the limit is drawn tighter for the rest of the search.
internal sealed partial class PlanModel
{
    private sealed record BarLimit(LinearConstraintProto Says, long Most, IReadOnlyList<(Choice Choice, long Takes)> Takes)
    {
        public long TakenBy(IReadOnlyList<long> values) => Takes.Sum(one => values[one.Choice.Var.GetIndex()] * one.Takes);
    }

    private readonly Dictionary<StockKind, BarLimit> barLimits = [];

    /// <summary>Draws the limit of a kind halfway from a solution that can be cut to one that cannot.</summary>
    public void Tighten(StockKind kind, IReadOnlyList<long> tooMuch, IReadOnlyList<long> good)
    {
        if (barLimits.TryGetValue(kind, out var limit))
            SetMost(limit, limit.TakenBy(good) + Math.Max(0, limit.TakenBy(tooMuch) - limit.TakenBy(good)) / 2);
    }

    /// <summary>Sets the limits back to all there is: only then a bound holds for every plan.</summary>
    public void Loosen()
    {
        foreach (var limit in barLimits.Values)
            SetMost(limit, limit.Most);
    }

    private static void SetMost(BarLimit limit, long most) => limit.Says.Domain[1] = most;

    private void LimitBars()
    {
        if (problem.AtHand.Bars is not { } bars)
            return;
        var kerf = problem.Limits.Kerf.Mm;
        var wanted = Choices
            .SelectMany(choice => Pieces.Matched([.. Pieces.Of(problem, choice.Stand)], bars).Select(piece => (choice, piece)))
            .GroupBy(one => one.piece.Kind);
        foreach (var kind in wanted)
        {
            (Choice Choice, long Takes)[] takes =
            [
                .. kind.GroupBy(one => one.choice, one => one.piece).Select(of => (of.Key, of.Sum(piece => piece.Count * Area(piece)))),
            ];
            var there = bars.Where(bar => bar.Kind == kind.Key).Sum(bar => bar.Count * Usable(bar, [.. kind.Select(one => one.piece)]));
            var most = Math.Max(there, takes.Where(one => given.Contains(one.Choice.Stand)).Sum(one => one.Takes));
            var sum = LinearExpr.WeightedSum(takes.Select(one => one.Choice.Var), takes.Select(one => one.Takes));
            barLimits[kind.Key] = new(model.AddLinearConstraint(sum, 0, most).Proto.Linear, most, takes);
        }

        long Area(CutPiece piece) => (long)((piece.Long.Mm + kerf) * (IsBar(piece.Kind) ? 1 : piece.Wide.Mm + kerf));

        // Of a bar, the most that pieces of these lengths can fill of it; of a plate, its area.
        long Usable(StockPiece bar, IReadOnlyList<CutPiece> pieces) =>
            IsBar(bar.Kind)
                ? Filled((int)Math.Ceiling(bar.Long.Mm + kerf), [.. pieces.Select(piece => (int)Area(piece)).Distinct()])
                : (long)Math.Ceiling((bar.Long.Mm + kerf) * (bar.Wide.Mm + kerf));
    }

    private static bool IsBar(StockKind kind) => kind.Width is not null;

    // The largest sum of these lengths that does not exceed a length.
    private static int Filled(int length, int[] sizes)
    {
        var reached = new bool[length + 1];
        reached[0] = true;
        for (var at = 1; at <= length; at++)
            reached[at] = sizes.Any(size => size <= at && reached[at - size]);
        return Array.LastIndexOf(reached, true);
    }
}
