using GentleBead.Core.Quantities;

namespace GentleBead.Core.Planning;

/// <summary>
/// Cuts pieces as they come, the widest and longest first, each from the first strip that has room: how a person at the saw does it.
/// What fits so can be cut; whether it could be done with less is for <see cref="CutSolver"/>.
/// </summary>
public static class FirstFit
{
    // Lengths in millimetres; a hair of rounding must not cost a piece.
    private const double Hair = 1e-6;

    /// <summary>The pieces for which nothing is left; empty where all can be cut.</summary>
    /// <param name="pieces">What is wanted.</param>
    /// <param name="stock">What there is; the shortest is used up first.</param>
    /// <param name="kerf">What a cut takes away.</param>
    public static IReadOnlyList<CutPiece> Missing(IReadOnlyList<CutPiece> pieces, IReadOnlyList<StockPiece> stock, Length kerf)
    {
        ArgumentNullException.ThrowIfNull(pieces);
        ArgumentNullException.ThrowIfNull(stock);
        var missing = new List<CutPiece>();
        foreach (var kind in Pieces.Matched(pieces, stock).GroupBy(piece => piece.Kind))
        {
            var sheets = stock
                .Where(piece => piece.Kind == kind.Key)
                .OrderBy(piece => piece.Long.Mm * piece.Wide.Mm)
                .SelectMany(piece => Enumerable.Repeat(piece, piece.Count).Select(one => new Open(one, kerf.Mm)))
                .ToArray();
            foreach (var piece in kind.OrderByDescending(piece => piece.Wide).ThenByDescending(piece => piece.Long))
            {
                var left = piece.Count;
                while (left > 0 && sheets.Any(sheet => sheet.Takes(piece.Long.Mm, piece.Wide.Mm)))
                    left--;
                if (left > 0)
                    missing.Add(piece with { Count = left });
            }
        }
        return missing;
    }

    // A bar or plate with the strips cut from it so far. A bar is one strip.
    private sealed class Open(StockPiece stock, double kerf)
    {
        private readonly List<(double Wide, double Left)> strips = [];
        private double wideLeft = stock.Kind.Width is null ? stock.Wide.Mm + kerf : double.PositiveInfinity;

        public bool Takes(double @long, double wide)
        {
            for (var i = 0; i < strips.Count; i++)
            {
                if (strips[i].Wide + Hair < wide || strips[i].Left + Hair < @long + kerf)
                    continue;
                strips[i] = (strips[i].Wide, strips[i].Left - @long - kerf);
                return true;
            }
            var whole = stock.Long.Mm + kerf;
            if (wideLeft + Hair < wide + kerf || whole + Hair < @long + kerf)
                return false;
            // A bar cannot be ripped: its one strip is all of it.
            wideLeft = stock.Kind.Width is null ? wideLeft - wide - kerf : 0;
            strips.Add((stock.Kind.Width is null ? wide : double.PositiveInfinity, whole - @long - kerf));
            return true;
        }
    }
}
