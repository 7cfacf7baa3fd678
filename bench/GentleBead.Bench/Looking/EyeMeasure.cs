using System.Diagnostics;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>What the eye said of one drawn picture, beside what is known of it.</summary>
internal sealed record EyeOff(FaceTruth Truth, FaceAnswer Answer, FaceAnswer Alone, double? ScaleOff, long Took)
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
        return new(truth, answer, Eye.Face(picture, new(truth.Fillet)), Scale(picture, truth), took);
    }

    /// <summary>Whether a value is as near to what is known as is wanted of it; null where it was not told.</summary>
    public IEnumerable<(string What, bool Near, bool? Held)> Checks()
    {
        if (ScaleOff is { } scale)
            yield return ("scale", Math.Abs(scale) <= 0.01, null);
        if (Answer.Face?.Measures is not { } seen)
            yield break;
        yield return Length("width", seen.Width, Truth.WidthMm, Math.Max(0.2, 0.03 * Truth.WidthMm));
        yield return Length("length", seen.Length, Truth.LengthMm, Math.Max(0.2, 0.03 * Truth.LengthMm));
        if (seen.Ripple is { } ripple)
            yield return Length("ripple", ripple, Truth.RippleMm, 0.1 * Truth.RippleMm);
        var (grains, pores) = (Shown(), Truth.Pores.Count(one => one.DiameterMm > 0.5));
        yield return ("spatter", Math.Abs(seen.Spatter.Count - grains) <= Math.Max(1, 0.15 * grains), null);
        yield return ("pores", Math.Abs(seen.Pores.Count - pores) <= Math.Max(1, 0.15 * pores), null);
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
            $"tint {Off(seen.LeftTint?.Width.Value.Mm, Tints().Left)} {Off(seen.RightTint?.Width.Value.Mm, Tints().Right)}",
            $"alone {alone} {Took} ms",
        ];
        return string.Join(' ', all);
    }

    private static (string, bool, bool?) Length(string what, ReadLength seen, double known, double near) =>
        (what, Math.Abs(seen.Value.Mm - known) <= near, known >= seen.Low.Mm - 1e-9 && known <= seen.High.Mm + 1e-9);

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
