using OpenCvSharp;

namespace GentleBead.Core.Looking;

/// <summary>A picture in one byte a pixel, read between its pixels.</summary>
internal sealed class Grey(byte[] levels, int width, int height)
{
    /// <summary>Width, pixels.</summary>
    public int Width => width;

    /// <summary>Height, pixels.</summary>
    public int Height => height;

    /// <summary>Takes a matrix of one byte a pixel.</summary>
    public static Grey Of(Mat of)
    {
        using var whole = of.IsContinuous() ? null : of.Clone();
        (whole ?? of).GetArray(out byte[] levels);
        return new(levels, of.Width, of.Height);
    }

    /// <summary>What it holds between its pixels; null outside of it.</summary>
    public double? At(double x, double y)
    {
        int left = (int)Math.Floor(x),
            top = (int)Math.Floor(y);
        if (left < 0 || top < 0 || left + 1 >= width || top + 1 >= height)
            return null;
        var (u, v) = (x - left, y - top);
        var at = top * width + left;
        return (1 - v) * ((1 - u) * levels[at] + u * levels[at + 1]) + v * ((1 - u) * levels[at + width] + u * levels[at + width + 1]);
    }
}
