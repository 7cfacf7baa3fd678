using GentleBead.Server.Http;
using SkiaSharp;

namespace GentleBead.Server.Pictures;

/// <summary>
/// A picture drawn anew from what was sent: decoded, turned upright, shrunk where it is too large, and encoded again.
/// Nothing of the sender's file is kept, so neither is its metadata nor whatever else was hidden in it.
/// </summary>
/// <param name="MediaType">What the bytes are.</param>
/// <param name="Width">Width in pixels.</param>
/// <param name="Height">Height in pixels.</param>
/// <param name="Bytes">The picture.</param>
public sealed record CleanPicture(string MediaType, int Width, int Height, byte[] Bytes)
{
    /// <summary>Smallest side that shows anything.</summary>
    public const int LeastSide = 40;

    /// <summary>Longest side kept; enough to mark a section by.</summary>
    public const int LongestSide = 2400;

    private const int Quality = 88;

    private static readonly Dictionary<SKEncodedImageFormat, string> Kinds = new()
    {
        [SKEncodedImageFormat.Jpeg] = "image/jpeg",
        [SKEncodedImageFormat.Png] = "image/png",
        [SKEncodedImageFormat.Webp] = "image/webp",
    };

    /// <summary>Draws a picture anew, or says why it is not taken.</summary>
    /// <param name="sent">What was sent, whatever it claims to be.</param>
    /// <param name="problem">Why it is not taken; null otherwise.</param>
    public static CleanPicture? Of(byte[] sent, out Said? problem)
    {
        problem = null;
        using var data = SKData.CreateCopy(sent);
        using var codec = SKCodec.Create(data);
        if (codec is null || !Kinds.TryGetValue(codec.EncodedFormat, out var mediaType))
        {
            problem = Say($"This is no PNG, JPEG or WebP picture.");
            return null;
        }
        var info = codec.Info;
        if ((long)info.Width * info.Height > Limits.PicturePixels)
        {
            problem = Say($"This picture is {info.Width} x {info.Height}: at most {Limits.PicturePixels / 1_000_000} million pixels.");
            return null;
        }
        if (Math.Min(info.Width, info.Height) < LeastSide)
        {
            problem = Say($"This picture is {info.Width} x {info.Height}: too small to see a bead in.");
            return null;
        }
        using var decoded = new SKBitmap(new SKImageInfo(info.Width, info.Height, SKColorType.Rgba8888, SKAlphaType.Premul));
        if (codec.GetPixels(decoded.Info, decoded.GetPixels()) != SKCodecResult.Success)
        {
            problem = Say($"This picture is damaged: it cannot be read to its end.");
            return null;
        }
        using var upright = Upright(decoded, codec.EncodedOrigin);
        using var encoded = upright.Encode(codec.EncodedFormat, Quality);
        return new(mediaType, upright.Width, upright.Height, encoded.ToArray());
    }

    private static SKBitmap Upright(SKBitmap picture, SKEncodedOrigin origin)
    {
        var turned =
            origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;
        var (width, height) = turned ? (picture.Height, picture.Width) : (picture.Width, picture.Height);
        var scale = Math.Min(1, (float)LongestSide / Math.Max(width, height));
        var result = new SKBitmap(
            Math.Max(1, (int)Math.Round(width * scale)),
            Math.Max(1, (int)Math.Round(height * scale)),
            SKColorType.Rgba8888,
            SKAlphaType.Premul
        );
        using var canvas = new SKCanvas(result);
        canvas.Clear(SKColors.White);
        canvas.Scale(scale);
        // How each orientation of the EXIF standard is brought upright.
        var matrix = origin switch
        {
            SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, width, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, width, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new SKMatrix(0, -1, width, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, width, -1, 0, height, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, height, 0, 0, 1),
            _ => SKMatrix.Identity,
        };
        canvas.Concat(in matrix);
        using var image = SKImage.FromBitmap(picture);
        canvas.DrawImage(image, 0, 0, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        return result;
    }
}
