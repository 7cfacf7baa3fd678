using GentleBead.Bench.Listening;
using MathNet.Numerics.Random;
using OpenCvSharp;

namespace GentleBead.Bench.Looking;

/// <summary>What a phone makes of what it is shown: exposure, blur, noise, sharpening, JPEG; and what can spoil a picture.</summary>
internal static class Photograph
{
    /// <summary>The file a phone would have written of a drawn scene.</summary>
    public static byte[] Take(Mat drawn, IScene scene)
    {
        var chance = Chance.Of(scene.Seed + 5_000_003);
        using var seen = new Mat();
        drawn.ConvertTo(seen, MatType.CV_32FC3, 1 / 255.0);
        Spoil(seen, scene, chance);
        var perMm = scene.View.Focal / (scene.View.At - new Spot(0, 0, 0)).Dot(-1 * scene.View.Forward);
        return Develop(seen, scene.Wrong, perMm, chance);
    }

    /// <summary>The file a phone would have written of what it saw, which is changed by it.</summary>
    /// <param name="seen">Blue, green and red from 0 to 1, as floats.</param>
    /// <param name="wrong">What spoils it.</param>
    /// <param name="perMm">How many pixels a millimetre has.</param>
    /// <param name="chance">Draws.</param>
    public static byte[] Develop(Mat seen, Wrong wrong, double perMm, Xoshiro256StarStar chance)
    {
        Blur(seen, wrong == Wrong.Blurred ? chance.Between(0.24, 0.6) * perMm : chance.Between(0.5, 1.1));
        Tone(seen, chance, wrong);
        Grain(seen, chance, wrong == Wrong.Dark ? chance.Between(0.02, 0.05) : chance.Around(0.003, 0.018));
        if (chance.In(0.6))
            Sharpen(seen, chance.Between(0.2, 0.9));
        using var bytes = new Mat();
        seen.ConvertTo(bytes, MatType.CV_8UC3, 255);
        Cv2.ImEncode(".jpg", bytes, out var file, new ImageEncodingParam(ImwriteFlags.JpegQuality, chance.Next(72, 96)));
        return file;
    }

    private static void Spoil(Mat seen, IScene scene, Xoshiro256StarStar chance)
    {
        var bead = scene.Looked(chance.Between(0.35, 0.65));
        var perMm = scene.View.Focal / (scene.View.At - new Spot(0, 0, 0)).Dot(-1 * scene.View.Forward);
        if (scene.Wrong == Wrong.Thumb)
        {
            Thumb(seen, bead, chance.Between(34, 46) * perMm / 2, chance);
        }
        else if (chance.In(0.15))
        {
            // Holds the card by its far rim.
            Thumb(seen, scene.View.See(scene.Held(chance.NextDouble())), chance.Between(12, 18) * perMm / 2, chance);
        }
        if (scene.Wrong == Wrong.Glare)
            Glare(seen, bead, chance.Between(0.22, 0.4) * scene.LookedMm * perMm, 3.2);
        else if (chance.In(0.2))
            Glare(
                seen,
                new(chance.Between(0, seen.Width), chance.Between(0, seen.Height)),
                chance.Between(2, 8) * perMm,
                chance.Between(0.1, 0.5)
            );
        if (scene.Wrong == Wrong.Hazy)
            Haze(seen, chance.Between(0.45, 0.7));
        else if (chance.In(0.15))
            Haze(seen, chance.Between(0.02, 0.08));
    }

    // A soft-edged finger, from the nearest rim of the picture.
    private static void Thumb(Mat seen, Core.Beads.Point tip, double half, Xoshiro256StarStar chance)
    {
        using var mask = new Mat(seen.Size(), MatType.CV_32FC1, Scalar.All(0));
        var from = new Point(chance.Between(0, seen.Width), tip.Y > seen.Height / 2.0 ? seen.Height + 400 : -400);
        Cv2.Line(mask, from, new Point(tip.X, tip.Y), Scalar.All(1), (int)Math.Clamp(2 * half, 2, 2000), LineTypes.AntiAlias);
        Cv2.GaussianBlur(mask, mask, new Size(), Math.Max(1, half / 12));
        var skin = chance.Between(0.35, 0.85);
        Mix(seen, mask, new Scalar(0.5 * skin, 0.65 * skin, skin));
    }

    private static void Glare(Mat seen, Core.Beads.Point at, double reach, double power)
    {
        using var mask = new Mat(seen.Size(), MatType.CV_32FC1, Scalar.All(0));
        Cv2.Circle(mask, new Point(at.X, at.Y), (int)Math.Max(2, reach * 0.7), Scalar.All(power), -1, LineTypes.AntiAlias);
        Cv2.GaussianBlur(mask, mask, new Size(), Math.Max(1, reach / 3));
        using var three = new Mat();
        Cv2.Merge([mask, mask, mask], three);
        Cv2.Add(seen, three, seen);
    }

    private static void Haze(Mat seen, double share)
    {
        using var small = new Mat();
        Cv2.Resize(seen, small, new Size(), 0.1, 0.1, InterpolationFlags.Area);
        Cv2.GaussianBlur(small, small, new Size(), small.Width / 8.0);
        using var veil = new Mat();
        Cv2.Resize(small, veil, seen.Size());
        Cv2.AddWeighted(seen, 1 - share, veil, share, 0.12 * share, seen);
    }

    private static void Blur(Mat seen, double spread) => Cv2.GaussianBlur(seen, seen, new Size(), spread);

    private static void Tone(Mat seen, Xoshiro256StarStar chance, Wrong wrong)
    {
        var gain =
            wrong == Wrong.Bright ? chance.Between(2.4, 4)
            : wrong == Wrong.Dark ? 1
            : chance.Between(0.8, 1.06);
        var balance = new Scalar(gain * chance.Between(0.93, 1.07), gain, gain * chance.Between(0.93, 1.07));
        Cv2.Multiply(seen, balance, seen);
        Cv2.Min(seen, 1.0, seen);
        Cv2.Max(seen, 0.0, seen);
        Cv2.Pow(seen, chance.Between(0.9, 1.12), seen);
    }

    private static void Grain(Mat seen, Xoshiro256StarStar chance, double spread)
    {
        using var grain = new Mat(seen.Size(), MatType.CV_32FC3);
        new RNG((ulong)chance.Next(1, int.MaxValue)).Fill(grain, DistributionType.Normal, Scalar.All(0), Scalar.All(spread));
        if (chance.In(0.5))
            Cv2.GaussianBlur(grain, grain, new Size(), 0.7);
        Cv2.Add(seen, grain, seen);
    }

    private static void Sharpen(Mat seen, double by)
    {
        using var soft = new Mat();
        Cv2.GaussianBlur(seen, soft, new Size(), 1.6);
        Cv2.AddWeighted(seen, 1 + by, soft, -by, 0, seen);
    }

    private static void Mix(Mat seen, Mat mask, Scalar colour)
    {
        using var three = new Mat();
        Cv2.Merge([mask, mask, mask], three);
        using var over = new Mat(seen.Size(), MatType.CV_32FC3, colour);
        Cv2.Subtract(over, seen, over);
        Cv2.Multiply(over, three, over);
        Cv2.Add(seen, over, seen);
    }
}
