using GentleBead.Core.Looking;
using OpenCvSharp;
using OpenCvSharp.Aruco;

namespace GentleBead.Bench.Looking;

/// <summary>A card as a printer would draw it.</summary>
internal static class CardPrint
{
    public const int PixelsPerMm = 16;

    public static Mat Draw(Card card)
    {
        var drawn = new Mat((int)(card.Height * PixelsPerMm), (int)(card.Width * PixelsPerMm), MatType.CV_8UC3, Scalar.All(238));
        foreach (var patch in card.Patches)
        {
            var box = new Rect(On(patch.At.X), On(patch.At.Y), On(patch.Width), On(patch.Height));
            Cv2.Rectangle(drawn, box, Ink(patch.Blue, patch.Green, patch.Red), -1);
        }
        using var dictionary = CvAruco.GetPredefinedDictionary(CardReader.Markers);
        foreach (var marker in card.Markers)
        {
            using var square = new Mat();
            dictionary.GenerateImageMarker(marker.Number, On(marker.Side), square, 1);
            using var colour = new Mat();
            Cv2.CvtColor(square, colour, ColorConversionCodes.GRAY2BGR);
            // Black ink is not black, and paper not white.
            colour.ConvertTo(colour, -1, (238.0 - 38) / 255, 38);
            colour.CopyTo(drawn[new Rect(On(marker.At.X), On(marker.At.Y), On(marker.Side), On(marker.Side))]);
        }
        return drawn;
    }

    private static int On(double mm) => (int)Math.Round(mm * PixelsPerMm);

    private static Scalar Ink(params byte[] levels) => new(Level(levels[0]), Level(levels[1]), Level(levels[2]));

    private static double Level(byte of) => 38 + of * (238.0 - 38) / 255;
}
