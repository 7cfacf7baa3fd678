using MathNet.Numerics.Statistics;

namespace GentleBead.Core.Looking;

/// <summary>What a network of parts is given of a field.</summary>
internal static class NetMaps
{
    /// <summary>How many values a place has.</summary>
    public const int Count = 4;

    private const float Colours = 4,
        Most = 3;

    /// <summary>
    /// Brightness and both colours beside the field's middle ones, and whether a place is to be looked at. Where it is not, all are 0.
    /// </summary>
    /// <param name="seen">Whether a place is to be looked at.</param>
    /// <param name="light">Brightness as a natural logarithm.</param>
    /// <param name="red">Red beside green as a natural logarithm.</param>
    /// <param name="blue">Blue beside green likewise.</param>
    public static float[][] Of(bool[] seen, float[] light, float[] red, float[] blue) =>
        [Beside(light, seen, 1), Beside(red, seen, Colours), Beside(blue, seen, Colours), Array.ConvertAll(seen, one => one ? 1f : 0f)];

    private static float[] Beside(float[] map, bool[] seen, float by)
    {
        var shown = map.Where((_, i) => seen[i]).ToArray();
        var middle = shown.Length == 0 ? 0 : ArrayStatistics.MedianInplace(shown);
        return [.. map.Select((value, i) => seen[i] ? Math.Clamp(by * (value - middle), -Most, Most) : 0)];
    }
}
