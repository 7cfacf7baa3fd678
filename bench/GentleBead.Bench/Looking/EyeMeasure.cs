using System.Diagnostics;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>How near one value of the eye's is to what is known.</summary>
/// <param name="What">What was measured.</param>
/// <param name="Near">Whether it is as near as is wanted.</param>
/// <param name="Held">Whether it lies between what the eye said; null where the eye does not say.</param>
/// <param name="Off">By how much it is more, mm; null of what is no length.</param>
internal sealed record EyeCheck(string What, bool Near, bool? Held = null, double? Off = null);

/// <summary>What the eye said of one drawn picture, beside what is known of it.</summary>
internal sealed record EyeOff(FaceTruth Truth, FaceAnswer Answer, FaceAnswer Alone, double? ScaleOff, bool AtRim, long Took)
{
    /// <summary>Reads and measures one drawn picture: with a tap near either end, and without.</summary>
    public static EyeOff Of(string file)
    {
        var truth = FaceTruth.Read(file);
        using var picture = Cv2.ImRead(Path.ChangeExtension(file, ".jpg"));
        // Taps are a hand's: a few millimetres off.
        var chance = Listening.Chance.Of(truth.Seed + 77);
        Point Tap(int k)
        {
            var off = 2 * truth.PixelsPerMm;
            var (x, y) = ((truth.Left[k].X + truth.Right[k].X) / 2, (truth.Left[k].Y + truth.Right[k].Y) / 2);
            return new(x + off * Listening.Chance.White(chance), y + off * Listening.Chance.White(chance));
        }
        var watch = Stopwatch.StartNew();
        var answer = Eye.Face(picture, new(truth.Fillet, Tap(2), Tap(98)));
        var took = watch.ElapsedMilliseconds;
        return new(truth, answer, Eye.Face(picture, new(truth.Fillet)), Scale(picture, truth), Touches(truth, picture), took);
    }

    /// <summary>How near each value is to what is known.</summary>
    public IEnumerable<EyeCheck> Checks()
    {
        if (ScaleOff is { } scale)
            yield return new("scale", Math.Abs(scale) <= 0.01);
        if (Answer.Face?.Measures is not { } seen)
            yield break;
        yield return Length("width", seen.Width, Truth.WidthMm, Math.Max(0.2, 0.03 * Truth.WidthMm));
        yield return Length("length", seen.Length, Truth.LengthMm, Math.Max(0.2, 0.03 * Truth.LengthMm));
        if (seen.Ripple is { } ripple)
            yield return Length("ripple", ripple, Truth.RippleMm, 0.1 * Truth.RippleMm);
        var (grains, pores) = (Shown(), Truth.Pores.Count(one => one.DiameterMm > 0.5));
        yield return new("spatter", Math.Abs(seen.Spatter.Count - grains) <= Math.Max(1, 0.15 * grains));
        yield return new("pores", Math.Abs(seen.Pores.Count - pores) <= Math.Max(1, 0.15 * pores));
        // Of what is seldom there only beads count that have it or are said to: to say nothing ever is no merit.
        foreach (
            var (what, told, there) in new[]
            {
                ("undercut", seen.Undercut is not null, Truth.UndercutMm is not null),
                ("crater", seen.Crater is true, Truth.Crater),
                ("restart", seen.Restart is true, Truth.RestartMm is not null),
            }
        )
        {
            if (told || there)
                yield return new(what, told && there);
        }
        var (left, right) = Tints();
        foreach (var (side, known) in new[] { (seen.LeftTint, left), (seen.RightTint, right) })
        {
            if (side is not null)
                yield return Length("tint", side.Width, known, 0.5);
        }
    }

    /// <summary>In one line.</summary>
    public override string ToString()
    {
        var truth = $"{Truth.Seed} {Truth.Wrong} {Truth.Surface}{(Truth.Fillet ? " fillet" : "")} {Truth.PixelsPerMm:0.0}/mm";
        var alone = Alone.Face is { } face ? $"{face.Measures.Length.Value.Mm - Truth.LengthMm:+0.0;-0.0}" : $"{Alone.Trouble}";
        if (Answer.Face?.Measures is not { } seen)
            return $"{truth} {Answer.Trouble} alone {alone} {Took} ms";
        string Off(double? of, double known) => $"{known:0.00} {of - known:+0.00;-0.00}";
        string[] all =
        [
            truth,
            $"length {Off(seen.Length.Value.Mm, Truth.LengthMm)}",
            $"width {Off(seen.Width.Value.Mm, Truth.WidthMm)}",
            $"ripple {Off(seen.Ripple?.Value.Mm, Truth.RippleMm)} ({Truth.RippleSpread:0.00} {seen.RippleSpread:0.00})",
            $"grains {seen.Spatter.Count}/{Shown()}",
            $"pores {seen.Pores.Count}/{Truth.Pores.Count(one => one.DiameterMm > 0.5)}",
            $"undercut {seen.Undercut?.Mm:0}/{Truth.UndercutMm:0}",
            $"crater {seen.Crater}/{Truth.Crater} restart {seen.Restart}/{Truth.RestartMm:0}",
            $"tint {Off(seen.LeftTint?.Width.Value.Mm, Tints().Left)} {Off(seen.RightTint?.Width.Value.Mm, Tints().Right)}",
            $"alone {alone} {Took} ms",
        ];
        return string.Join(' ', all);
    }

    private static EyeCheck Length(string what, ReadLength seen, double known, double near)
    {
        var off = seen.Value.Mm - known;
        return new(what, Math.Abs(off) <= near, known >= seen.Low.Mm - 1e-9 && known <= seen.High.Mm + 1e-9, off);
    }

    // Whether the bead comes within a millimetre of the picture's rim: it may be cut off, for all a picture shows.
    private static bool Touches(FaceTruth truth, Mat picture)
    {
        var (wide, high, rim) = (picture.Width, picture.Height, truth.PixelsPerMm);
        return truth.Left.Concat(truth.Right).Any(at => at.X < rim || at.Y < rim || at.X > wide - rim || at.Y > high - rim);
    }

    // Grains of more than half a millimetre that lie where the eye looks.
    private int Shown() =>
        Truth.Spatter.Count(one => one.DiameterMm > 0.5 && one.X > -9 && one.X < Truth.LengthMm + 9 && Math.Abs(one.Y) < 15);

    // The sides are those of whoever looks along from the first tap: of the picture's left toe as it was traced.
    private (double Left, double Right) Tints()
    {
        double[] known = Truth.TintMm.Length == 0 ? [0, 0] : Truth.TintMm;
        var face = Answer.Face!;
        var first = face.Left[face.Left.Count / 2];
        var same = (first - Truth.Left[50]).Size() < (first - Truth.Right[50]).Size();
        return same ? (known[0], known[1]) : (known[1], known[0]);
    }

    // How far the card's scale at the bead is off.
    private static double? Scale(Mat picture, FaceTruth truth)
    {
        if (truth.Wrong != Wrong.Nothing || CardReader.Find(picture, out _) is not { } card)
            return null;
        var plate = new PlaneView(truth.PlateToPicture);
        Point On(double s) => card.Plane.ToPlane(plate.ToPicture(new(s, truth.Fillet ? truth.WidthMm : 0)));
        return (On(truth.LengthMm) - On(0)).Size() / truth.LengthMm - 1;
    }
}
