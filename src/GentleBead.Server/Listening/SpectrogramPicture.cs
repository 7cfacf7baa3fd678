using GentleBead.Core.Listening;
using SkiaSharp;

namespace GentleBead.Server.Listening;

/// <summary>
/// A spectrogram as a PNG: a column a moment, the lowest pitch below; black as far as it is strong, clear where it is not.
/// </summary>
public static class SpectrogramPicture
{
    /// <summary>Draws it; null where the sound is too short for any.</summary>
    public static byte[]? Of(Spectrogram spectrogram)
    {
        if (spectrogram.Moments == 0)
            return null;
        var pixels = new byte[spectrogram.Moments * Spectrogram.Pitches];
        for (var row = 0; row < Spectrogram.Pitches; row++)
        for (var moment = 0; moment < spectrogram.Moments; moment++)
            pixels[row * spectrogram.Moments + moment] = (byte)(255 * spectrogram[moment, Spectrogram.Pitches - 1 - row]);
        // How clear it is carries the level: whatever ground it is laid on shows through.
        using var picture = new SKBitmap(spectrogram.Moments, Spectrogram.Pitches, SKColorType.Rgba8888, SKAlphaType.Unpremul);
        var span = picture.GetPixelSpan();
        for (var i = 0; i < pixels.Length; i++)
            span[4 * i + 3] = pixels[i];
        using var encoded = picture.Encode(SKEncodedImageFormat.Png, 100);
        return encoded.ToArray();
    }
}
