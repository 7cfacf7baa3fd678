using GentleBead.Core.Courses;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Planning;

/// <summary>Pieces of one size that are to be cut.</summary>
/// <param name="Kind">From which kind of bar or plate.</param>
/// <param name="Long">How long each is.</param>
/// <param name="Wide">How wide each is; of a bar its own width.</param>
/// <param name="Count">How many.</param>
public sealed record CutPiece(StockKind Kind, Length Long, Length Wide, int Count)
{
    /// <summary>In a sentence: "12 pieces 50 x 150 mm, 3 mm mild steel".</summary>
    public Said InWords =>
        Say($"{Count.Counted(Say($"piece"), Say($"pieces"))} {Wide} × {Long}, {Kind.Thickness} {Kind.Metal.Facts().Name}");
}

/// <summary>The pieces a plan takes.</summary>
public static class Pieces
{
    /// <summary>Every piece of a plan, those of one size together, the largest first.</summary>
    public static IReadOnlyList<CutPiece> Of(PlanProblem problem, Plan plan)
    {
        ArgumentNullException.ThrowIfNull(problem);
        ArgumentNullException.ThrowIfNull(plan);
        return Together(plan.Stands.SelectMany(stand => Of(problem, stand)));
    }

    /// <summary>The pieces of one stand: as many coupons as its beads take.</summary>
    public static IEnumerable<CutPiece> Of(PlanProblem problem, Stand stand)
    {
        ArgumentNullException.ThrowIfNull(problem);
        ArgumentNullException.ThrowIfNull(stand);
        if (problem.Student(stand.StudentId)?.TaskAt(stand.ExerciseId) is not { } task || stand.Slot >= problem.Slots.Count)
            return [];
        var exercise = problem.Exercises[stand.ExerciseId].Exercise;
        var coupons = (problem.BeadsIn(task, stand.Slot) + exercise.BeadsACoupon - 1) / exercise.BeadsACoupon;
        return exercise.Pieces.Select(piece => new CutPiece(
            new(exercise.Job.Metal, piece.Form, piece.Thickness, piece.Form == StockForm.FlatBar ? piece.Width : null),
            piece.Long,
            piece.Width,
            piece.Count * coupons
        ));
    }

    /// <summary>Pieces of one size together, the largest first.</summary>
    public static IReadOnlyList<CutPiece> Together(IEnumerable<CutPiece> pieces) =>
        [
            .. pieces
                .GroupBy(piece => piece with { Count = 0 })
                .Select(size => size.Key with { Count = size.Sum(piece => piece.Count) })
                .OrderByDescending(piece => piece.Long.Mm * piece.Wide.Mm)
                .ThenByDescending(piece => piece.Long),
        ];

    /// <summary>
    /// Pieces by the kinds that lie there: 3 mm bar serves where 1/8 in is asked for. What has no match keeps its own kind.
    /// </summary>
    public static IReadOnlyList<CutPiece> Matched(IReadOnlyList<CutPiece> pieces, IReadOnlyList<StockPiece> stock)
    {
        ArgumentNullException.ThrowIfNull(pieces);
        ArgumentNullException.ThrowIfNull(stock);
        var kinds = stock.Select(piece => piece.Kind).Distinct().ToArray();
        return Together(pieces.Select(piece => piece with { Kind = Nearest(piece.Kind) }));

        StockKind Nearest(StockKind wanted) =>
            kinds.Where(kind => Serves(kind, wanted)).OrderBy(kind => Math.Abs(kind.Thickness.Mm - wanted.Thickness.Mm)).FirstOrDefault()
            ?? wanted;
    }

    // A quarter of a millimetre of thickness and a whole one of a bar's width make no other coupon. Our own reading.
    private static bool Serves(StockKind kind, StockKind wanted) =>
        kind.Metal == wanted.Metal
        && kind.Form == wanted.Form
        && Math.Abs(kind.Thickness.Mm - wanted.Thickness.Mm) <= 0.25
        && Math.Abs((kind.Width?.Mm ?? 0) - (wanted.Width?.Mm ?? 0)) <= 1;
}
