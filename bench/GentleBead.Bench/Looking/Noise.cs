namespace GentleBead.Bench.Looking;

/// <summary>Smooth chance along a line or over a plane: values at whole places, cubic between them. Mean 0, about -1 to 1.</summary>
internal sealed class Noise(int seed)
{
    public double At(double x)
    {
        var left = (int)Math.Floor(x);
        var u = Ease(x - left);
        return (1 - u) * Hash(left, 0) + u * Hash(left + 1, 0);
    }

    public double At(double x, double y)
    {
        int left = (int)Math.Floor(x),
            top = (int)Math.Floor(y);
        var (u, v) = (Ease(x - left), Ease(y - top));
        return (1 - v) * ((1 - u) * Hash(left, top) + u * Hash(left + 1, top))
            + v * ((1 - u) * Hash(left, top + 1) + u * Hash(left + 1, top + 1));
    }

    /// <summary>Coarse and fine together.</summary>
    public double Rough(double x, double y) => 0.55 * At(x, y) + 0.3 * At(2.1 * x, 2.1 * y) + 0.15 * At(4.3 * x, 4.3 * y);

    private static double Ease(double of) => of * of * (3 - 2 * of);

    private double Hash(int x, int y)
    {
        unchecked
        {
            var of = (uint)(x * 374761393 + y * 668265263 + seed * 1274126177);
            of = (of ^ (of >> 13)) * 1274126177u;
            of ^= of >> 16;
            return of / (double)uint.MaxValue * 2 - 1;
        }
    }
}
