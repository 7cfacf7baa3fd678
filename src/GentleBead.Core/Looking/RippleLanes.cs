namespace GentleBead.Core.Looking;

/// <summary>
/// A bead's face as lanes of brightness side by side. A ripple is a bow, and seen aslant it leans: laid one on the other as it bows and
/// leans, lanes show it the most plainly, and what is the surface's own differs from lane to lane and goes.
/// </summary>
internal sealed class RippleLanes
{
    private const int Lanes = 25;

    // Of the bead's width, about its middle: past that toes and shade lie.
    private const double Middle = 0.7;

    // What is finer is the surface's own, what is longer is shade: one standard deviation, mm.
    private const double Fine = 0.08,
        Slow = 1.6;

    // What stands out more than so many standard deviations is a pore or a glare, and counts as so many.
    private const double Most = 3;

    // How far a ripple leans (a share of how far beside the middle) and bows (of that squared over the width).
    private const double LeansMost = 0.8,
        BowsMost = 1.8,
        LeanStep = 0.1,
        BowStep = 0.2;

    private readonly double[][] lanes;
    private readonly double width;

    private RippleLanes(double[][] lanes, double width) => (this.lanes, this.width) = (lanes, width);

    /// <summary>Reads them; null where the bead is too short.</summary>
    public static RippleLanes? Read(Strip strip, FaceTrace trace)
    {
        var middle = trace.Left.Length / 2;
        var rows = trace.Right[middle] - trace.Left[middle];
        // At its ends a bead is round.
        var from = trace.From * FaceNet.Every + (int)(rows / 2);
        var many = trace.To * FaceNet.Every - (int)(rows / 2) - from;
        if (many < 20)
            return null;
        var lanes = new double[Lanes][];
        for (var lane = 0; lane < Lanes; lane++)
        {
            var along = new double[many];
            for (var i = 0; i < many; i++)
            {
                var at = (double)(from + i) / FaceNet.Every - trace.From;
                var (left, right) = (Between(trace.Left, at), Between(trace.Right, at));
                var row = (int)Math.Clamp(Math.Round((left + right) / 2 + Beside(lane) * (right - left)), 0, strip.Rows - 1);
                along[i] = strip.Light[row * strip.Columns + from + i];
            }
            var slow = Soft(along, Slow / Strip.Cell);
            lanes[lane] = [.. Soft(along, Fine / Strip.Cell).Zip(slow, (value, even) => value - even)];
        }
        var most = Most * lanes.Average(Spread);
        foreach (var lane in lanes)
        {
            for (var i = 0; i < many; i++)
                lane[i] = Math.Clamp(lane[i], -most, most);
        }
        return new(lanes, rows * Strip.Cell);
    }

    /// <summary>Lays them one on the other as they are the most alike.</summary>
    /// <returns>What they have in common along the bead, and what share of all that varies that is: 0 to 1.</returns>
    public (double[] Signal, double Alike) Together()
    {
        var (best, most) = (Laid(0, 0), 0.0);
        for (var lean = -LeansMost; lean < LeansMost + LeanStep / 2; lean += LeanStep)
        {
            for (var bow = -BowsMost; bow < BowsMost + BowStep / 2; bow += BowStep)
            {
                var laid = Laid(lean, bow);
                if (Spread(laid) is var spread && spread > most)
                    (best, most) = (laid, spread);
            }
        }
        var all = lanes.Average(lane => Math.Pow(Spread(lane), 2));
        return (best, all > 0 ? most * most / all : 0);
    }

    /// <summary>A signal with what is finer than a spread taken off.</summary>
    /// <param name="of">The signal.</param>
    /// <param name="spread">One standard deviation of the blur, values.</param>
    public static double[] Soft(double[] of, double spread)
    {
        var reach = (int)Math.Ceiling(4 * spread);
        var weights = Enumerable.Range(-reach, 2 * reach + 1).Select(i => Math.Exp(-0.5 * i * i / (spread * spread))).ToArray();
        var soft = new double[of.Length];
        for (var i = 0; i < of.Length; i++)
        {
            double sum = 0,
                all = 0;
            for (var by = Math.Max(-reach, -i); by <= Math.Min(reach, of.Length - 1 - i); by++)
            {
                sum += weights[by + reach] * of[i + by];
                all += weights[by + reach];
            }
            soft[i] = sum / all;
        }
        return soft;
    }

    // How far beside the middle a lane lies, as a share of the width.
    private static double Beside(int lane) => Middle * (lane / (Lanes - 1.0) - 0.5);

    private double[] Laid(double lean, double bow)
    {
        var many = lanes[0].Length;
        var signal = new double[many];
        for (var lane = 0; lane < Lanes; lane++)
        {
            var off = Beside(lane) * width;
            var by = (lean * off + bow * off * off / width) / Strip.Cell;
            var whole = (int)Math.Floor(by);
            var part = by - whole;
            for (var i = 0; i < many; i++)
            {
                var near = lanes[lane][Math.Clamp(i - whole, 0, many - 1)];
                signal[i] += (near + part * (lanes[lane][Math.Clamp(i - whole - 1, 0, many - 1)] - near)) / Lanes;
            }
        }
        return signal;
    }

    private static double Between(double[] of, double at)
    {
        var left = Math.Clamp((int)at, 0, of.Length - 1);
        var right = Math.Min(left + 1, of.Length - 1);
        return of[left] + (at - left) * (of[right] - of[left]);
    }

    private static double Spread(double[] of)
    {
        var middle = of.Average();
        return Math.Sqrt(of.Average(value => (value - middle) * (value - middle)));
    }
}
