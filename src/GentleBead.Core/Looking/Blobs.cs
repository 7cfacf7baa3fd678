using GentleBead.Core.Learned;
using OpenCvSharp;

namespace GentleBead.Core.Looking;

/// <summary>Something round on a strip: a grain of spatter, or a pore.</summary>
/// <param name="Along">How far along the line, mm.</param>
/// <param name="Across">How far beside it, mm.</param>
/// <param name="DiameterMm">How wide it is.</param>
/// <param name="Likely">How likely it is what it is taken for, 0 to 1.</param>
internal sealed record Blob(double Along, double Across, double DiameterMm, double Likely);

/// <summary>
/// Small round things: where a picture's second derivative is largest over place and size (Lindeberg, Feature detection with automatic
/// scale selection, 1998: from memory), weighed by what was learned of grains and pores.
/// </summary>
internal static class Blobs
{
    // How wide what is looked for is, pixels of the strip as one standard deviation.
    private static readonly double[] Sizes = [1.1, 1.55, 2.2, 3.1, 4.4, 6.2, 8.8];

    // Weaker than this, in the spread of its surroundings, is grain of the picture.
    private const double Least = 4.5;

    // What stands out of a grain is narrower than the grain, whose rim slopes off into its own shade: a disc's width that answers alike,
    // and how wide such grains are, mm.
    private static readonly (double Answered, double Is)[] Widths =
    [
        (0.31, 0.43),
        (0.39, 0.52),
        (0.45, 0.63),
        (0.52, 0.73),
        (0.61, 0.87),
        (0.73, 1.02),
        (0.88, 1.19),
        (1.09, 1.36),
        (1.48, 1.62),
        (2.2, 2),
    ];

    private const int Most = 500;

    /// <summary>What might be one: where, how wide, and its features.</summary>
    internal sealed record Candidate(int Row, int Column, double Spread, float[] Features);

    /// <summary>Finds what might be grains or pores.</summary>
    /// <param name="strip">The bead laid straight.</param>
    /// <param name="where">Which of its pixels are looked at.</param>
    /// <param name="dark">Whether they are darker than what is around them; else they only stand out from it.</param>
    /// <param name="toe">How far each place is from the nearer toe, mm.</param>
    public static List<Candidate> Find(Strip strip, bool[] where, bool dark, Func<int, int, double> toe)
    {
        using var light = Mat.FromPixelData(strip.Rows, strip.Columns, MatType.CV_32FC1, strip.Light);
        using var even = new Mat();
        Cv2.GaussianBlur(light, even, new Size(), 14);
        using var off = new Mat();
        Cv2.Subtract(light, even, off);
        using var map = new Mat();
        if (dark)
            Cv2.Subtract(even, light, map);
        else
            Cv2.Absdiff(off, Scalar.All(0), map);
        var answers = Sizes.Select(size => Answer(map, size)).ToArray();
        off.GetArray(out float[] offs);
        List<(int At, int Size, float Strength)> found = [];
        for (var size = 0; size < Sizes.Length; size++)
        {
            var spread = Middle(answers[size], where) / 0.6745f + 1e-4f;
            for (var row = 2; row < strip.Rows - 2; row++)
            {
                for (var column = 2; column < strip.Columns - 2; column++)
                {
                    var at = row * strip.Columns + column;
                    if (where[at] && answers[size][at] > Least * spread && Highest(answers, size, at, strip.Columns))
                        found.Add((at, size, answers[size][at] / spread));
                }
            }
        }
        found.Sort((a, b) => b.Strength.CompareTo(a.Strength));
        List<Candidate> kept = [];
        foreach (var (at, size, strength) in found.Take(4 * Most))
        {
            var (row, column) = (at / strip.Columns, at % strip.Columns);
            var near = 1.6 * Sizes[size];
            if (kept.Exists(one => Far(one, row, column) < Math.Max(near, 1.6 * one.Spread)))
                continue;
            kept.Add(
                new(
                    row,
                    column,
                    Between(answers, size, at),
                    Features(strip, offs, (row, column), Sizes[size], (answers, size, strength), toe(row, column))
                )
            );
            if (kept.Count == Most)
                break;
        }
        return kept;
    }

    /// <summary>What was learned says which of them are ones.</summary>
    public static List<Blob> Weigh(List<Candidate> candidates, LearnedNet net, double likely)
    {
        List<Blob> blobs = [];
        Span<double> shares = stackalloc double[2];
        foreach (var one in candidates)
        {
            net.Weigh(Array.ConvertAll(one.Features, value => (double)value), shares);
            var sure = Math.Exp(shares[1]);
            if (sure >= likely)
                blobs.Add(new(Strip.Along(one.Column), Strip.Across(one.Row), Diameter(one), sure));
        }
        return blobs;
    }

    /// <summary>How wide it is, mm: by the spread it answers the most to, as drawn grains of known width do.</summary>
    public static double Diameter(Candidate of)
    {
        var answered = 2 * Math.Sqrt(2) * of.Spread * Strip.Cell;
        var next = Array.FindIndex(Widths, row => row.Answered >= answered);
        if (next <= 0)
            return next == 0 ? answered * Widths[0].Is / Widths[0].Answered : Widths[^1].Is;
        var (from, to) = (Widths[next - 1], Widths[next]);
        return from.Is + (answered - from.Answered) / (to.Answered - from.Answered) * (to.Is - from.Is);
    }

    // The size between those looked at that would answer the most: the top of a parabola.
    private static double Between(float[][] answers, int size, int at)
    {
        if (size == 0 || size == Sizes.Length - 1)
            return Sizes[size];
        double below = answers[size - 1][at],
            own = answers[size][at],
            above = answers[size + 1][at];
        var bend = below - 2 * own + above;
        var by = bend < 0 ? Math.Clamp(0.5 * (below - above) / bend, -0.5, 0.5) : 0;
        return Sizes[size] * Math.Pow(Sizes[size] / Sizes[size - 1], by);
    }

    private static float[] Answer(Mat map, double size)
    {
        using var soft = new Mat();
        Cv2.GaussianBlur(map, soft, new Size(), size, size, BorderTypes.Replicate);
        using var bend = new Mat();
        Cv2.Laplacian(soft, bend, MatType.CV_32F, 1, -size * size);
        bend.GetArray(out float[] values);
        return values;
    }

    private static float Middle(float[] of, bool[] where)
    {
        List<float> values = [];
        for (var i = 0; i < of.Length; i += 7)
        {
            if (where[i])
                values.Add(Math.Abs(of[i]));
        }
        values.Sort();
        return values.Count == 0 ? 1 : values[values.Count / 2];
    }

    private static bool Highest(float[][] answers, int size, int at, int columns)
    {
        var own = answers[size][at];
        for (var other = Math.Max(0, size - 1); other <= Math.Min(Sizes.Length - 1, size + 1); other++)
        {
            for (var row = -1; row <= 1; row++)
            {
                for (var column = -1; column <= 1; column++)
                {
                    if (answers[other][at + row * columns + column] > own)
                        return false;
                }
            }
        }
        return true;
    }

    private static double Far(Candidate one, int row, int column) =>
        Math.Sqrt(Math.Pow(one.Row - row, 2) + Math.Pow(one.Column - column, 2));

    private static float[] Features(
        Strip strip,
        float[] offs,
        (int Row, int Column) at,
        double spread,
        (float[][] Answers, int Size, float Strength) answer,
        double toe
    )
    {
        var disc = 1.5 * spread;
        var (inside, around) = (new Ring(), new Ring());
        var reach = (int)Math.Ceiling(2.6 * disc);
        for (var row = Math.Max(0, at.Row - reach); row <= Math.Min(strip.Rows - 1, at.Row + reach); row++)
        {
            for (var column = Math.Max(0, at.Column - reach); column <= Math.Min(strip.Columns - 1, at.Column + reach); column++)
            {
                var (y, x) = (row - at.Row, column - at.Column);
                var far = Math.Sqrt(x * x + y * y);
                if (far > reach)
                    continue;
                var i = row * strip.Columns + column;
                (
                    far <= disc ? inside
                    : far >= 1.5 * disc ? around
                    : null
                )?.Add(x, y, offs[i], strip.RedOverGreen[i], strip.BlueOverGreen[i]);
            }
        }
        var bends = answer.Answers;
        var own = bends[answer.Size][at.Row * strip.Columns + at.Column];
        var smaller = bends[Math.Max(0, answer.Size - 1)][at.Row * strip.Columns + at.Column];
        var larger = bends[Math.Min(Sizes.Length - 1, answer.Size + 1)][at.Row * strip.Columns + at.Column];
        return
        [
            (float)Math.Log(answer.Strength),
            own,
            (float)Math.Log(spread),
            smaller / own,
            larger / own,
            inside.Mean - around.Mean,
            inside.Spread,
            around.Spread,
            inside.Least - around.Mean,
            inside.Most - around.Mean,
            inside.Leaning,
            (float)Math.Log((inside.Spread + 0.01) / (around.Spread + 0.01)),
            Math.Abs(inside.Red - around.Red) + Math.Abs(inside.Blue - around.Blue),
            (float)Math.Min(8, toe),
        ];
    }

    // What a disc or the ring around it holds.
    private sealed class Ring
    {
        private double sum,
            square,
            red,
            blue,
            weight,
            xx,
            xy,
            yy;
        private int many;

        public float Mean => (float)(sum / Math.Max(1, many));
        public float Spread => (float)Math.Sqrt(Math.Max(0, square / Math.Max(1, many) - (double)Mean * Mean));
        public float Least { get; private set; } = float.MaxValue;
        public float Most { get; private set; } = float.MinValue;
        public float Red => (float)(red / Math.Max(1, many));
        public float Blue => (float)(blue / Math.Max(1, many));

        /// <summary>How much longer what stands out is than it is wide: 0 round, 1 a line.</summary>
        public float Leaning
        {
            get
            {
                var (sum, gap) = (xx + yy, Math.Sqrt(Math.Pow(xx - yy, 2) + 4 * xy * xy));
                return (float)(sum > 0 ? gap / sum : 0);
            }
        }

        public void Add(double x, double y, float off, float redOff, float blueOff)
        {
            (sum, square, red, blue, many) = (sum + off, square + off * off, red + redOff, blue + blueOff, many + 1);
            (Least, Most) = (Math.Min(Least, off), Math.Max(Most, off));
            var own = Math.Abs(off);
            (weight, xx, xy, yy) = (weight + own, xx + own * x * x, xy + own * x * y, yy + own * y * y);
        }
    }
}
