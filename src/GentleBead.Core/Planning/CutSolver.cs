using GentleBead.Core.Quantities;
using Google.OrTools.Sat;

namespace GentleBead.Core.Planning;

/// <summary>
/// Cuts pieces from bars and plates so that as little as can be is cut into: CP-SAT over the ways to fill a bar. Plates are cut into
/// strips from end to end, and the strips across, as a shear or saw does it.
/// </summary>
/// <remarks>
/// The way of Gilmore and Gomory (1961, 1965: two-stage guillotine cuts) with every full pattern at hand, so that nothing is generated.
/// </remarks>
public static class CutSolver
{
    private const double Effort = 2;

    /// <summary>Makes the cut list.</summary>
    /// <param name="pieces">What is wanted.</param>
    /// <param name="stock">What there is.</param>
    /// <param name="kerf">What a cut takes away.</param>
    public static CutList Solve(IReadOnlyList<CutPiece> pieces, IReadOnlyList<StockPiece> stock, Length kerf)
    {
        ArgumentNullException.ThrowIfNull(pieces);
        ArgumentNullException.ThrowIfNull(stock);
        var lists = Pieces
            .Matched(pieces, stock)
            .GroupBy(piece => piece.Kind)
            .Select(kind => new CutModel(kind.Key, [.. kind], [.. stock.Where(piece => piece.Kind == kind.Key)], kerf.Mm).Solve(Effort))
            .ToArray();
        return new(
            [.. lists.SelectMany(list => list.Bars)],
            [.. lists.SelectMany(list => list.Missing)],
            lists.Sum(list => list.UsedMm2),
            lists.Sum(list => list.PiecesMm2)
        );
    }
}

// One kind of bar or plate.
internal sealed class CutModel
{
    private sealed record Strip(int Size, double Wide, int[] Pieces, IntVar Times);

    private sealed record Whole(int Size, int[] Strips, IntVar Times);

    private readonly CpModel model = new();
    private readonly StockKind kind;
    private readonly CutPiece[] pieces;
    private readonly StockPiece[] sizes;
    private readonly double kerf;
    private readonly double[] widths;
    private readonly List<Strip> strips = [];
    private readonly List<Whole> wholes = [];
    private readonly IntVar[] missing;

    public CutModel(StockKind kind, CutPiece[] wanted, StockPiece[] stock, double kerf)
    {
        (this.kind, this.kerf) = (kind, kerf);
        pieces = [.. wanted.OrderByDescending(piece => piece.Long)];
        sizes =
        [
            .. stock
                .GroupBy(piece => piece with { Count = 0 })
                .Select(of => of.Key with { Count = of.Sum(piece => piece.Count) })
                .Where(of => of.Count > 0)
                .OrderBy(of => of.Long.Mm * of.Wide.Mm),
        ];
        widths = IsBar ? [0] : [.. pieces.Select(piece => piece.Wide.Mm).Distinct().OrderDescending()];
        missing = [.. pieces.Select(piece => model.NewIntVar(0, piece.Count, ""))];
        for (var size = 0; size < sizes.Length; size++)
            Cut(size);
        Serve();
    }

    private bool IsBar => kind.Width is not null;

    public CutList Solve(double effort)
    {
        using var solver = new CpSolver
        {
            StringParameters = FormattableString.Invariant($"random_seed:1 num_workers:1 max_deterministic_time:{effort}"),
        };
        var status = solver.Solve(model);
        if (status is not (CpSolverStatus.Optimal or CpSolverStatus.Feasible))
            throw new InvalidOperationException($"Nothing has to be cut, so there is always a list: {status}.");
        var bars = Read(solver);
        var short_ = pieces.Select((piece, i) => piece with { Count = (int)solver.Value(missing[i]) }).Where(piece => piece.Count > 0);
        var cut = pieces.Select((piece, i) => (piece.Count - solver.Value(missing[i])) * (piece.Long.Mm + kerf) * Across(piece));
        return new(
            bars,
            [.. short_],
            bars.Sum(bar => bar.Times * (bar.Long.Mm + kerf) * (IsBar ? bar.Wide.Mm : bar.Wide.Mm + kerf)),
            cut.Sum()
        );
    }

    private double Across(CutPiece piece) => IsBar ? piece.Wide.Mm : piece.Wide.Mm + kerf;

    // The ways to cut strips from one size of plate, and pieces from each strip.
    private void Cut(int size)
    {
        var stock = sizes[size];
        var most = pieces.Select(piece => piece.Count).ToArray();
        foreach (var wide in widths)
        {
            var fit = pieces.Select((piece, i) => IsBar || piece.Wide.Mm <= wide ? most[i] : 0).ToArray();
            foreach (var pattern in CutPatterns.Of(stock.Long.Mm + kerf, [.. pieces.Select(piece => piece.Long.Mm + kerf)], fit))
                strips.Add(new(size, wide, pattern, model.NewIntVar(0, most.Sum(), "")));
        }
        int[][] ways = IsBar
            ?
            [
                [1],
            ]
            : [.. CutPatterns.Of(stock.Wide.Mm + kerf, [.. widths.Select(wide => wide + kerf)], [.. widths.Select(_ => most.Sum())])];
        foreach (var way in ways)
            wholes.Add(new(size, way, model.NewIntVar(0, stock.Count, "")));
        var cut = wholes.Where(whole => whole.Size == size).ToArray();
        model.Add(LinearExpr.Sum(cut.Select(whole => whole.Times)) <= stock.Count);
        for (var i = 0; i < widths.Length; i++)
        {
            var (at, wide) = (i, widths[i]);
            var used = strips.Where(strip => strip.Size == size && strip.Wide == wide).Select(strip => strip.Times);
            model.Add(
                LinearExpr.Sum(used) <= LinearExpr.WeightedSum(cut.Select(one => one.Times), cut.Select(one => (long)one.Strips[at]))
            );
        }
    }

    // Every piece is cut or goes without; that is worse than any plate cut into.
    private void Serve()
    {
        for (var i = 0; i < pieces.Length; i++)
        {
            var at = i;
            var cut = LinearExpr.WeightedSum(strips.Select(strip => strip.Times), strips.Select(strip => (long)strip.Pieces[at]));
            model.Add(cut + missing[i] >= pieces[i].Count);
        }
        var areas = wholes.Select(whole => Area(sizes[whole.Size])).ToArray();
        var worst = sizes.Sum(size => size.Count * Area(size)) + 1;
        model.Minimize(
            LinearExpr.WeightedSum(wholes.Select(whole => whole.Times), areas) + LinearExpr.WeightedSum(missing, pieces.Select(_ => worst))
        );

        static long Area(StockPiece size) => (long)Math.Round(size.Long.Mm * size.Wide.Mm);
    }

    // Full patterns may hold more than is wanted: what is too much stays in the bar.
    private List<CutBar> Read(CpSolver solver)
    {
        var wanted = pieces.Select((piece, i) => piece.Count - (int)solver.Value(missing[i])).ToArray();
        var cut = strips
            .SelectMany(strip => Enumerable.Repeat(strip, (int)solver.Value(strip.Times)))
            .GroupBy(strip => (strip.Size, strip.Wide))
            .ToDictionary(
                of => of.Key,
                of => new Queue<CutStrip>(of.Select(strip => StripOf(strip, wanted)).Where(strip => strip.Pieces.Count > 0))
            );
        var bars = new List<CutBar>();
        foreach (var whole in wholes.SelectMany(whole => Enumerable.Repeat(whole, (int)solver.Value(whole.Times))))
        {
            var own = new List<CutStrip>();
            for (var i = 0; i < widths.Length; i++)
            {
                var ready = cut.GetValueOrDefault((whole.Size, widths[i]));
                for (var strip = 0; strip < whole.Strips[i] && ready is { Count: > 0 }; strip++)
                    own.Add(ready.Dequeue());
            }
            if (own.Count > 0)
                bars.Add(new(kind, sizes[whole.Size].Long, sizes[whole.Size].Wide, own, 1));
        }
        return
        [
            .. bars.GroupBy(bar => (bar.Long, bar.Wide, string.Join(';', bar.Strips.Select(Words))))
                .Select(alike => alike.First() with { Times = alike.Count() }),
        ];

        static string Words(CutStrip strip) => $"{strip.Wide}:{string.Join(',', strip.Pieces)}";
    }

    private CutStrip StripOf(Strip strip, int[] wanted)
    {
        var size = sizes[strip.Size];
        var own = new List<StripPiece>();
        var left = size.Long.Mm;
        for (var i = 0; i < pieces.Length; i++)
        {
            var count = Math.Min(strip.Pieces[i], wanted[i]);
            if (count == 0)
                continue;
            wanted[i] -= count;
            left -= count * (pieces[i].Long.Mm + kerf);
            own.Add(new(pieces[i].Long, pieces[i].Wide, count));
        }
        return new(IsBar ? size.Wide : Length.FromMm(strip.Wide), own, Length.FromMm(Math.Max(0, left)));
    }
}
