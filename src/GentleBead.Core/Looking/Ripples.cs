namespace GentleBead.Core.Looking;

/// <summary>The ripples of a bead's face: how far from one to the next, and how evenly.</summary>
/// <param name="SpacingMm">From one to the next, in the middle of all.</param>
/// <param name="Spread">How much that varies, as a share of it: one standard deviation.</param>
/// <param name="Plain">How plainly they repeat, 0 to 1: how alike the face is to itself one ripple further on.</param>
internal sealed record Ripples(double SpacingMm, double Spread, double Plain)
{
    private const double Shortest = 0.5,
        Longest = 6;

    // Of the bead's width, about its middle: past that toes and shade lie.
    private const double Middle = 0.55;

    private const int Lanes = 15;

    // Under this, what repeats is chance.
    private const double Least = 0.18;

    // A nearer hill that is so much of the highest is the ripple itself.
    private const double Nearest = 0.6;

    /// <summary>Reads them; null where none are to be seen.</summary>
    /// <param name="sight">What is to be seen.</param>
    /// <param name="trace">The bead's toes.</param>
    public static Ripples? Of(FaceSight sight, FaceTrace trace)
    {
        var strip = sight.Strip;
        return Best(Read(strip, trace, at => strip.Light[at]), trace);
    }

    private static Ripples? Best(double[][] lanes, FaceTrace trace)
    {
        if (lanes.Length == 0 || lanes[0].Length < 3 * Shortest / Strip.Cell)
            return null;
        // A ripple is a bow: the one it is comes out the most plainly when its lanes are laid one on the other.
        Ripples? best = null;
        for (var bow = -1.2; bow <= 1.21; bow += 0.15)
        {
            if (Spacing(Together(lanes, bow, trace)) is { } ripples && ripples.Plain > (best?.Plain ?? 0))
                best = ripples;
        }
        return best;
    }

    // Along lanes side by side over the middle of the bead, with what changes slowly taken off.
    private static double[][] Read(Strip strip, FaceTrace trace, Func<int, float> of)
    {
        var inset = (int)((trace.Right[trace.Right.Length / 2] - trace.Left[trace.Left.Length / 2]) / 2);
        var from = trace.From * FaceNet.Every + inset;
        var many = trace.To * FaceNet.Every - inset - from;
        if (many < 10)
            return [];
        var lanes = new double[Lanes][];
        for (var lane = 0; lane < Lanes; lane++)
        {
            var share = Middle * (lane / (Lanes - 1.0) - 0.5);
            lanes[lane] = new double[many];
            for (var i = 0; i < many; i++)
            {
                var at = (double)(from + i) / FaceNet.Every - trace.From;
                var (left, right) = (Between(trace.Left, at), Between(trace.Right, at));
                var row = (int)Math.Clamp(Math.Round((left + right) / 2 + share * (right - left)), 0, strip.Rows - 1);
                lanes[lane][i] = of(row * strip.Columns + from + i);
            }
            lanes[lane] = Without(lanes[lane], (int)(Longest / 2 / Strip.Cell));
        }
        return lanes;
    }

    private static double Between(double[] of, double at)
    {
        var left = Math.Clamp((int)at, 0, of.Length - 1);
        var right = Math.Min(left + 1, of.Length - 1);
        return of[left] + (at - left) * (of[right] - of[left]);
    }

    private static double[] Together(double[][] lanes, double bow, FaceTrace trace)
    {
        var width = (trace.Right[trace.Right.Length / 2] - trace.Left[trace.Left.Length / 2]) * Strip.Cell;
        var many = lanes[0].Length;
        var signal = new double[many];
        for (var lane = 0; lane < Lanes; lane++)
        {
            var off = Middle * (lane / (Lanes - 1.0) - 0.5) * width;
            var by = (int)Math.Round(bow * off * off / width / Strip.Cell);
            for (var i = 0; i < many; i++)
                signal[i] += lanes[lane][Math.Clamp(i - by, 0, many - 1)] / Lanes;
        }
        return Soft(signal, 2);
    }

    private static Ripples? Spacing(double[] signal)
    {
        // The slopes: what changes slowly along a bead is no ripple.
        var alike = Alike([.. signal.Zip(signal.Skip(1), (a, b) => b - a)], (int)(Longest / Strip.Cell));
        // Hills of likeness: the nearest that is not plainly lower than the highest. Twice and three times a ripple are hills as well.
        var hills = Enumerable
            .Range((int)(Shortest / Strip.Cell), Math.Max(0, alike.Length - 1 - (int)(Shortest / Strip.Cell)))
            .Where(lag => alike[lag] > Least && alike[lag] >= alike[lag - 1] && alike[lag] >= alike[lag + 1])
            .ToArray();
        if (hills.Length == 0)
            return null;
        var highest = hills.Max(lag => alike[lag]);
        var best = hills.First(lag => alike[lag] > Nearest * highest);
        var height = alike[best];
        var crests = Crests(signal, best);
        if (crests.Count < 4)
            return null;
        var gaps = crests.Zip(crests.Skip(1), (a, b) => (b - a) * Strip.Cell).Order().ToArray();
        var spread = (gaps[(int)(0.84 * (gaps.Length - 1))] - gaps[(int)(0.16 * (gaps.Length - 1))]) / 2;
        // A crest that was missed makes one gap of two: the middle one is not moved by it.
        var middle = gaps.Skip(gaps.Length / 4).SkipLast(gaps.Length / 4).Average();
        return new(middle, spread / middle, height);
    }

    // How like itself the signal is so much further on: 1 at 0.
    private static double[] Alike(double[] signal, int most)
    {
        most = Math.Min(most, signal.Length / 2);
        var alike = new double[most];
        var power = signal.Sum(value => value * value);
        for (var lag = 0; lag < most; lag++)
        {
            double sum = 0;
            for (var i = 0; i + lag < signal.Length; i++)
                sum += signal[i] * signal[i + lag];
            alike[lag] = power > 0 ? sum / power * signal.Length / (signal.Length - lag) : 0;
        }
        return alike;
    }

    private static List<double> Crests(double[] signal, int spacing)
    {
        var even = Without(Soft(signal, spacing / 7.0), spacing);
        List<double> crests = [];
        var last = double.NegativeInfinity;
        for (var i = 1; i + 1 < even.Length; i++)
        {
            if (even[i] <= 0 || even[i] < even[i - 1] || even[i] <= even[i + 1])
                continue;
            var bend = even[i - 1] - 2 * even[i] + even[i + 1];
            var at = i + (bend < 0 ? 0.5 * (even[i - 1] - even[i + 1]) / bend : 0);
            if (at - last < 0.45 * spacing)
            {
                // Two so near are one: the higher.
                if (even[i] > even[(int)Math.Round(last)])
                    crests[^1] = last = at;
                continue;
            }
            crests.Add(last = at);
        }
        return crests;
    }

    private static double[] Soft(double[] of, double spread)
    {
        if (spread < 0.3)
            return of;
        var reach = (int)Math.Ceiling(3 * spread);
        var weights = Enumerable.Range(-reach, 2 * reach + 1).Select(i => Math.Exp(-0.5 * i * i / (spread * spread))).ToArray();
        var soft = new double[of.Length];
        for (var i = 0; i < of.Length; i++)
        {
            double sum = 0,
                all = 0;
            for (var by = -reach; by <= reach; by++)
            {
                if (i + by < 0 || i + by >= of.Length)
                    continue;
                sum += weights[by + reach] * of[i + by];
                all += weights[by + reach];
            }
            soft[i] = sum / all;
        }
        return soft;
    }

    private static double[] Without(double[] of, int slow) => [.. of.Zip(Soft(of, Math.Max(1, slow * 0.6)), (value, even) => value - even)];
}
