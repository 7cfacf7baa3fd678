namespace GentleBead.Core.Looking;

/// <summary>A stretch of what runs along the back of a bead, on a strip.</summary>
/// <param name="From">Its first column.</param>
/// <param name="Middle">The row of its middle, column by column.</param>
/// <param name="WidthMm">How wide it is, column by column; not a number where a hole hides it.</param>
internal sealed record BackPiece(int From, double[] Middle, double[] WidthMm);

/// <summary>What was read of a bead's back.</summary>
/// <param name="Mark">Pieces of a mark.</param>
/// <param name="Tint">Pieces of heat tint, with the mark in it.</param>
/// <param name="Holes">Holes.</param>
/// <param name="Columns">How many columns were looked at.</param>
/// <param name="Hidden">What share of them is not to be seen.</param>
internal sealed record BackReading(
    IReadOnlyList<BackPiece> Mark,
    IReadOnlyList<BackPiece> Tint,
    IReadOnlyList<FaceSpot> Holes,
    int Columns,
    double Hidden
);

/// <summary>
/// Reads what shows behind a bead along a line: column by column the widest run of metal, and of plate that heat coloured.
/// </summary>
internal static class BackReader
{
    // Nobody points further beside what lies behind a bead than this, mm; its tint reaches further.
    private const double Beside = 8,
        Reach = 15.5;

    // What is narrower is a scratch, mm.
    private const double NarrowestMark = 0.6,
        NarrowestTint = 1;

    private const double SmallestHole = 1;

    // A shorter piece is a speck, a shorter gap a scale's flake, mm.
    private const double Shortest = 1.5;

    private const float Likely = 0.5f;

    private const double Step = FaceNet.Every * Strip.Cell;

    /// <summary>Reads it.</summary>
    /// <param name="sight">What is to be seen of a strip along the line.</param>
    /// <param name="length">How long the line is, mm.</param>
    public static BackReading Of(FaceSight sight, double length)
    {
        var strip = sight.Strip;
        var first = (int)Math.Ceiling(Strip.ColumnAt(0) / FaceNet.Every);
        var many = Math.Max(1, (int)(length / Step));
        var (marks, tints) = (new Across[many], new Across[many]);
        var hidden = 0;
        for (var i = 0; i < many; i++)
        {
            var column = Math.Min((first + i) * FaceNet.Every, strip.Columns - 1);
            var (rows, wide) = (Rows(strip, column, Beside), Rows(strip, column, Reach));
            if (rows.Length < Beside / Strip.Cell)
                hidden++;
            var holed = rows.Count(at => sight.Share(FacePart.Hole, at) > Likely) * Strip.Cell > SmallestHole / 2;
            marks[i] = Across.Of(rows, strip.Columns, sight.Metal, NarrowestMark) with { Holed = holed };
            var coloured = rows.Count(at => sight.Share(FacePart.Tint, at) > Likely) * Strip.Cell >= NarrowestTint;
            tints[i] = (coloured ? Across.Of(wide, strip.Columns, Heated, NarrowestTint) : default) with { Holed = holed };
        }
        var near = strip.Seen.Select((seen, at) => seen && Math.Abs(Strip.Across(at / strip.Columns)) < Beside + 2).ToArray();
        return new(
            Pieces(marks, first),
            Pieces(tints, first),
            [
                .. FaceSpots
                    .Of(sight, FacePart.Hole, near, SmallestHole)
                    .Where(one => IsDark(strip, one) && one.Along > -SmallestHole && one.Along < length + SmallestHole),
            ],
            many,
            (double)hidden / many
        );

        float Heated(int at) => sight.Metal(at) + sight.Share(FacePart.Tint, at) + sight.Share(FacePart.Hole, at);
    }

    // Through a hole one looks into the dark: at most half as bright as the plate about it.
    private static bool IsDark(Strip strip, FaceSpot hole)
    {
        const double half = 0.7;
        List<float> inside = [],
            about = [];
        var (column, row) = ((int)Strip.ColumnAt(hole.Along), (int)Strip.RowAt(hole.Across));
        var reach = (int)(1.5 * hole.DiameterMm / Strip.Cell);
        for (var y = Math.Max(0, row - reach); y <= Math.Min(strip.Rows - 1, row + reach); y++)
        {
            for (var x = Math.Max(0, column - reach); x <= Math.Min(strip.Columns - 1, column + reach); x++)
            {
                var far = Math.Sqrt((x - column) * (x - column) + (y - row) * (y - row)) * Strip.Cell / hole.DiameterMm;
                if (strip.Seen[y * strip.Columns + x] && far is < 0.3 or > 0.8)
                    (far < 0.3 ? inside : about).Add(strip.Light[y * strip.Columns + x]);
            }
        }
        return inside.Count > 0 && about.Count > 0 && Middle(inside) < Middle(about) - half;
    }

    private static float Middle(List<float> of)
    {
        of.Sort();
        return of[of.Count / 2];
    }

    private static int[] Rows(Strip strip, int column, double reach) =>
        [
            .. Enumerable
                .Range(0, strip.Rows)
                .Where(row => Math.Abs(Strip.Across(row)) <= reach)
                .Select(row => row * strip.Columns + column)
                .Where(at => strip.Seen[at]),
        ];

    private static List<BackPiece> Pieces(Across[] across, int first)
    {
        const int shortest = (int)(Shortest / Step);
        var on = across.Select(one => one.WidthMm > 0).ToArray();
        // A hole goes on with what is before it.
        for (var i = 1; i < on.Length; i++)
            on[i] |= across[i].Holed && on[i - 1];
        Turn(on, to: true, shortest);
        Turn(on, to: false, shortest);
        List<BackPiece> pieces = [];
        foreach (var (from, to) in Runs(on, of: true))
        {
            var own = across[from..to];
            var middle = own.Where(one => one.WidthMm > 0).Select(one => one.Middle).Order().ToArray();
            if (middle.Length == 0)
                continue;
            pieces.Add(
                new(
                    first + from,
                    [.. own.Select(one => one.WidthMm > 0 ? one.Middle : middle[middle.Length / 2])],
                    [.. own.Select(one => one.WidthMm > 0 && !one.Holed ? one.WidthMm : double.NaN)]
                )
            );
        }
        return pieces;
    }

    // Turns what is too short to be told over; not at either end, where it may go on.
    private static void Turn(bool[] on, bool to, int shortest)
    {
        foreach (var (from, end) in Runs(on, !to).ToArray())
        {
            if (end - from < shortest && (!to || (from > 0 && end < on.Length)))
                Array.Fill(on, to, from, end - from);
        }
    }

    private static IEnumerable<(int From, int To)> Runs(bool[] on, bool of)
    {
        for (var i = 0; i < on.Length; i++)
        {
            if (on[i] != of)
                continue;
            var from = i;
            while (i < on.Length && on[i] == of)
                i++;
            yield return (from, i);
        }
    }

    // The widest run of one column that comes near the line.
    private readonly record struct Across(double Middle, double WidthMm, bool Holed)
    {
        public static Across Of(int[] rows, int columns, Func<int, float> share, double narrowest)
        {
            var (best, began, run) = (default(Across), 0, 0);
            for (var i = 0; i <= rows.Length; i++)
            {
                if (i < rows.Length && share(rows[i]) > Likely)
                {
                    began = run++ == 0 ? i : began;
                    continue;
                }
                var (first, last) = run == 0 ? (0, 0) : (rows[began] / columns, rows[i - 1] / columns);
                var near = Strip.Across(first) <= Beside && Strip.Across(last) >= -Beside;
                if (near && run * Strip.Cell > Math.Max(best.WidthMm, narrowest))
                    best = new((first + last) / 2.0, run * Strip.Cell, false);
                run = 0;
            }
            return best;
        }
    }
}
