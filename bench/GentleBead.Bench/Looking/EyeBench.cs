using GentleBead.Core.Looking;

namespace GentleBead.Bench.Looking;

/// <summary>The eye over drawn pictures, whose truth is known.</summary>
internal static class EyeBench
{
    // What counts as the right reason for what was spoilt.
    private static readonly Dictionary<Wrong, PictureTrouble[]> Right = new()
    {
        [Wrong.NoBead] = [PictureTrouble.NoBead],
        [Wrong.NoCard] = [PictureTrouble.NoCard],
        [Wrong.Far] = [PictureTrouble.Far, PictureTrouble.Blurred],
        [Wrong.Slanting] = [PictureTrouble.Slanting],
        [Wrong.CutOff] = [PictureTrouble.CutOff, PictureTrouble.CardHidden],
        [Wrong.Dark] = [PictureTrouble.Dark, PictureTrouble.NoCard],
        [Wrong.Blurred] = [PictureTrouble.Blurred, PictureTrouble.NoCard, PictureTrouble.CardHidden],
        [Wrong.Bright] = [PictureTrouble.Bright, PictureTrouble.Glare],
        [Wrong.Hazy] = [PictureTrouble.Hazy],
        [Wrong.Thumb] = [PictureTrouble.CardHidden, PictureTrouble.BeadHidden, PictureTrouble.NoBead],
        [Wrong.Glare] = [PictureTrouble.Glare, PictureTrouble.BeadHidden, PictureTrouble.NoBead],
    };

    // What is wanted of the whole: in how many of a hundred pictures each is near enough. What is under it is told and ends in error.
    private static readonly Dictionary<string, double> Bars = new()
    {
        ["scale"] = 99,
        ["width"] = 90,
        ["length"] = 95,
        ["ripple"] = 90,
        ["spatter"] = 90,
        ["pores"] = 95,
        ["tint"] = 90,
        ["undercut"] = 80,
        ["crater"] = 80,
        ["restart"] = 80,
        ["reason"] = 97,
    };

    private const double LeastPixels = 9;

    private const double LeastHeld = 90,
        MostHeld = 97;

    /// <summary>Measures every drawn picture of a folder, and of the spoilt ones beside it; 0 where all is as near as is wanted.</summary>
    /// <param name="folders">Where the pictures are.</param>
    /// <param name="tell">Whether to say what came of each.</param>
    public static int Measure(string[] folders, bool tell)
    {
        string[] files = [.. folders.SelectMany(folder => Directory.GetFiles(folder, "*.json")).Order()];
        var offs = new EyeOff[files.Length];
        Parallel.For(0, files.Length, i => offs[i] = EyeOff.Of(files[i]));
        foreach (var off in tell ? offs : [])
            Console.WriteLine(off);
        // Fewer pixels a millimetre than the eye asks for, or a bead at the picture's rim, is a trouble too, whatever else is right.
        var good = offs.Where(off => off.Truth.Wrong == Wrong.Nothing && off.Truth.PixelsPerMm >= LeastPixels && !off.AtRim).ToArray();
        List<string> missed = [];
        foreach (var checks in good.SelectMany(off => off.Checks()).GroupBy(check => check.What))
            Tell(checks.Key, [.. checks], missed);
        Refused(good);
        var spoilt = offs.Where(off => off.Truth.Wrong != Wrong.Nothing).ToArray();
        var rightly = Refusals.Tell([.. spoilt.Select(off => (off.Truth.Wrong, off.Answer.Trouble))], Right);
        if (rightly < Bars["reason"])
            missed.Add($"right reason {rightly:0.0} %");
        var bare = spoilt.Count(off => off.Truth.Wrong == Wrong.NoBead && (off.Answer.Face ?? off.Alone.Face) is not null);
        if (bare > 0)
            missed.Add($"a bead measured where there is none, {bare} times");
        var took = good.Select(off => off.Took).Order().ElementAtOrDefault(good.Length / 2);
        Console.WriteLine(
            $"eye: {good.Length} pictures, {spoilt.Length} spoilt, {took} ms each; "
                + (missed.Count == 0 ? "all as near as wanted" : $"MISSED: {string.Join("; ", missed)}")
        );
        return missed.Count == 0 ? 0 : 1;
    }

    private static void Tell(string what, EyeCheck[] checks, List<string> missed)
    {
        var near = Refusals.Percent(checks.Select(check => check.Near));
        var held = checks.Where(check => check.Held is not null).Select(check => check.Held!.Value).ToArray();
        var holds = Refusals.Percent(held);
        var offs = checks.Select(check => check.Off).OfType<double>().ToArray();
        Console.WriteLine(
            $"  {what}: {near:0.0} % of {checks.Length} near enough{(held.Length > 0 ? $", intervals hold {holds:0.0} %" : "")}"
                + (offs.Length > 0 ? $"; {Refusals.Off(offs)}" : "")
        );
        if (near < Bars[what])
            missed.Add($"{what} {near:0.0} % under {Bars[what]}");
        if (held.Length > 0 && holds is < LeastHeld or > MostHeld)
            missed.Add($"{what}'s intervals hold {holds:0.0} %");
    }

    private static void Refused(EyeOff[] good)
    {
        Console.WriteLine(
            $"  measured: {good.Count(off => off.Answer.Face is not null)} with taps, "
                + $"{good.Count(off => off.Alone.Face is not null)} without"
        );
        foreach (var why in good.GroupBy(off => off.Answer.Trouble).Where(group => group.Key is not null))
            Console.WriteLine($"    refused: {why.Key} {why.Count()}");
    }
}
