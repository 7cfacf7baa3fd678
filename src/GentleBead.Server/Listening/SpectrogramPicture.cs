using GentleBead.Core.Listening;
using SkiaSharp;

namespace GentleBead.Server.Listening;

/// <summary>
/// A spectrogram as a PNG: a column a moment, the lowest pitch below; black as far as it is strong, clear where it is not.
/// </summary>
public static class SpectrogramPicture
{
    private const int BytesOfPixel = 4;

    /// <summary>Draws it.</summary>
    public static byte[] Of(Spectrogram spectrogram)
    {
        var width = spectrogram.Moments;
        using var picture = new SKBitmap(width, Spectrogram.Pitches, SKColorType.Rgba8888, SKAlphaType.Unpremul);
        // How clear a pixel is, its last byte, carries the level: whatever ground it is laid on shows through.
        var bytes = picture.GetPixelSpan();
        bytes.Clear();
        for (var row = 0; row < Spectrogram.Pitches; row++)
        for (var moment = 0; moment < width; moment++)
            bytes[(row * width + moment + 1) * BytesOfPixel - 1] = (byte)(255 * spectrogram[moment, Spectrogram.Pitches - 1 - row]);
        using var encoded = picture.Encode(SKEncodedImageFormat.Png, 100);
        return encoded.ToArray();
    }
}
