namespace GentleBead.Core.Looking;

/// <summary>
/// Both toes of a bead along a strip, by the odds of weld metal: the two lines that have as much of what looks like weld metal between
/// them, and as little of what does not, as lines without jumps can (dynamic programming: Bellman 1957, from memory).
/// </summary>
/// <param name="From">First column of the odds that the bead is in.</param>
/// <param name="To">Last one.</param>
/// <param name="Left">Row of the left toe in each of those columns.</param>
/// <param name="Right">Row of the right one.</param>
/// <param name="Sure">How much sooner what lies between is weld metal than not, on average, as a natural logarithm of the odds.</param>
/// <param name="Soft">How far it takes to go from likely plate to likely metal at the toes, mm: what a toe's place is unsure by.</param>
/// <param name="Gaps">In what share of its length there is no weld metal between the toes after all.</param>
internal sealed record FaceTrace(int From, int To, double[] Left, double[] Right, double Sure, double Soft, double Gaps)
{
    // The most a place counts for or against, so that no scratch outweighs its surroundings.
    private const float Most = 5;

    // What a step of one row from one column to the next costs.
    private const double Bend = 0.35;

    private const int LongestStep = 5;

    // A band this wide is looked for first, mm.
    private const double Narrow = 3;

    // Of the bead's usual width; at a round end this is the last hundredth of it.
    private const double Narrowest = 0.3;

    // What a column without metal counts against.
    private const float Bare = 3;

    /// <summary>Finds the toes; null where nothing looks like weld metal.</summary>
    /// <param name="odds">The odds, row by row.</param>
    /// <param name="rows">How many rows.</param>
    public static FaceTrace? Of(float[] odds, int rows)
    {
        var columns = odds.Length / rows;
        var even = new float[odds.Length];
        for (var i = 0; i < odds.Length; i++)
            even[i] = Math.Clamp(odds[i], -Most, Most);
        var middle = Path(Bands(even, rows, columns), rows, columns);
        var left = Toe(even, rows, columns, middle, -1);
        var right = Toe(even, rows, columns, middle, 1);
        // Once more from the middle of what was found.
        for (var i = 0; i < columns; i++)
            middle[i] = (int)Math.Round((left[i] + right[i]) / 2.0);
        left = Toe(even, rows, columns, middle, -1);
        right = Toe(even, rows, columns, middle, 1);
        if (Ends(even, columns, left, right, 0) is not var (first, last))
            return null;
        // A seam or the corner between two plates may look like metal far past the bead: it is never nearly as wide.
        var widths = Enumerable.Range(first, last - first + 1).Select(i => right[i] - left[i]).Order().ToArray();
        if (Ends(even, columns, left, right, (int)(Narrowest * widths[widths.Length * 2 / 3])) is not var (begins, ends))
            return null;
        var (lefts, rights) = (new double[ends - begins + 1], new double[ends - begins + 1]);
        double sum = 0,
            soft = 0;
        var (counted, bare) = (0, 0);
        var along = Along(even, rows, columns);
        for (var column = begins; column <= ends; column++)
        {
            var own = new Column(along, rows, columns, column);
            (lefts[column - begins], rights[column - begins]) = (own.Toe(left[column], -1), own.Toe(right[column], 1));
            soft += own.Soft(lefts[column - begins]) + own.Soft(rights[column - begins]);
            var metal = 0.0;
            for (var row = left[column]; row <= right[column]; row++, counted++)
                metal += even[row * columns + column];
            sum += metal;
            bare += metal < 0.5 * (right[column] - left[column] + 1) ? 1 : 0;
        }
        var many = ends - begins + 1;
        return new(begins, ends, lefts, rights, sum / Math.Max(1, counted), soft / (2 * many) * Strip.Cell, (double)bare / many);
    }

    // How much metal a narrow band about each row holds.
    private static float[] Bands(float[] odds, int rows, int columns)
    {
        var half = (int)(Narrow / Strip.Cell / 2);
        var bands = new float[odds.Length];
        for (var column = 0; column < columns; column++)
        {
            var sum = 0f;
            for (var row = -half; row < rows + half; row++)
            {
                if (row + half < rows)
                    sum += odds[(row + half) * columns + column];
                if (row - half - 1 >= 0)
                    sum -= odds[(row - half - 1) * columns + column];
                if (row >= 0 && row < rows)
                    bands[row * columns + column] = sum / (2 * half + 1);
            }
        }
        return bands;
    }

    // The way along the strip that gathers the most.
    private static int[] Path(float[] gain, int rows, int columns)
    {
        var best = new double[rows];
        var came = new short[rows * columns];
        for (var row = 0; row < rows; row++)
            best[row] = gain[row * columns];
        var next = new double[rows];
        for (var column = 1; column < columns; column++)
        {
            for (var row = 0; row < rows; row++)
            {
                var (most, from) = (double.NegativeInfinity, row);
                for (var step = -LongestStep; step <= LongestStep; step++)
                {
                    var before = row + step;
                    if (before < 0 || before >= rows)
                        continue;
                    var value = best[before] - Bend * step * step;
                    if (value > most)
                        (most, from) = (value, before);
                }
                next[row] = most + gain[row * columns + column];
                came[row * columns + column] = (short)from;
            }
            (best, next) = (next, best);
        }
        var path = new int[columns];
        path[^1] = Array.IndexOf(best, best.Max());
        for (var column = columns - 1; column > 0; column--)
            path[column - 1] = came[path[column] * columns + column];
        return path;
    }

    private static int[] Toe(float[] odds, int rows, int columns, int[] middle, int side)
    {
        var gain = new float[odds.Length];
        Array.Fill(gain, -1000f);
        for (var column = 0; column < columns; column++)
        {
            var sum = 0f;
            for (var row = middle[column]; row >= 0 && row < rows; row += side)
            {
                sum += odds[row * columns + column];
                gain[row * columns + column] = sum * 0.4f;
            }
        }
        return Path(gain, rows, columns);
    }

    // From which column to which there is metal between the toes: the stretch that has the most of it. Each column is as much metal as
    // its most likely band is: a bead's end is narrow, and not always in its middle.
    private static (int From, int To)? Ends(float[] odds, int columns, int[] left, int[] right, int narrowest)
    {
        const int band = 9;
        var (best, from, to, sum, began) = (0.0, -1, -1, 0.0, 0);
        for (var column = 0; column < columns; column++)
        {
            var (own, most) = (0f, float.NegativeInfinity);
            for (var row = left[column]; row <= right[column]; row++)
            {
                own += odds[row * columns + column];
                if (row - left[column] >= band)
                    own -= odds[(row - band) * columns + column];
                most = Math.Max(most, own / Math.Min(band, row - left[column] + 1));
            }
            if (sum <= 0)
                (sum, began) = (0, column);
            sum += float.IsFinite(most) && right[column] - left[column] >= narrowest ? most : -Bare;
            if (sum > best)
                (best, from, to) = (sum, began, column);
        }
        return from < 0 || to - from < 5 ? null : (from, to);
    }

    // Softened along the bead, so that a toe is not where one column's noise puts it.
    private static float[] Along(float[] odds, int rows, int columns)
    {
        const int half = 2;
        var even = new float[odds.Length];
        for (var row = 0; row < rows; row++)
        {
            for (var column = 0; column < columns; column++)
            {
                float sum = 0;
                for (var by = -half; by <= half; by++)
                    sum += odds[row * columns + Math.Clamp(column + by, 0, columns - 1)];
                even[row * columns + column] = sum / (2 * half + 1);
            }
        }
        return even;
    }

    // One column of the odds.
    private readonly record struct Column(float[] Odds, int Rows, int Columns, int At)
    {
        private const int Near = 8,
            Reach = 4;

        private double Of(int row) => Odds[Math.Clamp(row, 0, Rows - 1) * Columns + At];

        /// <summary>Between which rows the odds change sides near the toe that was found.</summary>
        public double Toe(int row, int side)
        {
            double? best = null;
            for (var by = -Near; by <= Near; by++)
            {
                var (inside, outside) = (row + by, row + by + side);
                if (inside < 0 || outside < 0 || inside >= Rows || outside >= Rows)
                    continue;
                var (a, b) = (Of(inside), Of(outside));
                if (a < 0 || b >= 0)
                    continue;
                var at = inside + side * a / (a - b);
                if (best is not { } found || Math.Abs(at - row) < Math.Abs(found - row))
                    best = at;
            }
            return best ?? row;
        }

        /// <summary>Over how many rows it goes from likely metal to likely plate there.</summary>
        public double Soft(double toe)
        {
            const double most = 20;
            var middle = (int)Math.Round(toe);
            var steep = Math.Abs(Of(middle + Reach) - Of(middle - Reach)) / (2 * Reach);
            return Math.Min(most, 2 / Math.Max(0.05, steep));
        }
    }
}
