using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>The weld as a whole: its size, its metal, and how many passes lay it.</summary>
/// <param name="Count">Passes; 1 or more.</param>
/// <param name="Layers">Layers they lie in; 1 or more.</param>
/// <param name="AreaMm2">Cross-section of all of it, above the plates and in the gap.</param>
/// <param name="DepositGPerM">Metal laid down for each metre of weld, grams; for a plug, for each plug.</param>
/// <param name="FillerMPerM">Wire or rod used for each metre of weld, metres; for a plug, for each plug.</param>
public sealed record PassPlan(int Count, int Layers, double AreaMm2, double DepositGPerM, double FillerMPerM)
{
    /// <summary>Cross-section of one pass.</summary>
    public double AreaOfOne() => AreaMm2 / Count;
}

/// <summary>How many passes lay a weld. Common practice, no source, but for the arithmetic of its metal.</summary>
internal static class Passes
{
    private const double LayerDepth = 4;

    // Out of flat and horizontal the puddle has to be held up.
    private const double HeldUp = 0.75;

    // Slower than this the puddle runs ahead of the arc and lies on the plate unfused; uphill the plate under it holds it.
    private const double SlowestMmPerMin = 130;
    private const double SlowestUphillMmPerMin = 80;

    /// <summary>The passes of a job.</summary>
    /// <param name="job">The job.</param>
    /// <param name="areaMm2">All the metal.</param>
    /// <param name="fillerAreaMm2">Cross-section of the wire or rod.</param>
    /// <param name="depositMm3PerMin">Metal a fed wire lays down in a minute; null for TIG, where the puddle sets the pace.</param>
    public static Explained<PassPlan> For(Job job, double areaMm2, double fillerAreaMm2, double? depositMm3PerMin = null)
    {
        var (each, limit, byTravel) = MostInOne(job, depositMm3PerMin);
        var oneRun = job.Joint.Facts().OneRun;
        var count = oneRun ? 1 : Math.Max(1, (int)Math.Ceiling(areaMm2 / each - 1e-9));
        var layers = Layers(job, count);
        var (volume, deposit, filler) = Metal(job, areaMm2, fillerAreaMm2);
        return new(
            new PassPlan(count, layers, areaMm2, deposit, filler),
            [
                new(
                    "passes",
                    Say($"Metal over what one pass lays"),
                    oneRun ? Say($"one run by its nature") : Say($"{areaMm2.Mm2()} in passes of at most {each.Mm2()}: {limit}"),
                    count == 1 ? Say($"1 pass") : Say($"{count} passes in {layers.Counted(Say($"layer"), Say($"layers"))}"),
                    Source.CommonPractice,
                    byTravel ? ["beadSize", "wireFeed"] : ["beadSize"]
                ),
                MetalReason(job, volume, deposit, filler, fillerAreaMm2),
            ]
        );
    }

    // The most metal one pass lays, and what sets that limit: the puddle, or the slowest a hand may go.
    private static (double Mm2, Said Limit, bool ByTravel) MostInOne(Job job, double? depositMm3PerMin)
    {
        var process = job.Process.Facts();
        var largest = Length.FromMm(process.LargestLeg * (job.Position is Position.VerticalDown or Position.Overhead ? HeldUp : 1));
        var byPuddle = Fillet.Area(largest);
        var slowest = TravelSpeed.FromMmPerMin(job.Position == Position.VerticalUp ? SlowestUphillMmPerMin : SlowestMmPerMin);
        return depositMm3PerMin is { } deposit && deposit / slowest.MmPerMin < byPuddle
            ? (deposit / slowest.MmPerMin, Say($"no slower than {slowest}, or the puddle runs ahead of the arc"), true)
            : (byPuddle, Say($"a {largest} leg in {process.Name}"), false);
    }

    // A groove is filled by depth; a fillet is built up like a pyramid: one bead, then two, then three.
    private static int Layers(Job job, int count) =>
        job.Joint.Facts().FilledByDepth
            ? Math.Clamp((int)Math.Ceiling(job.Thinner.Mm / LayerDepth), 1, count)
            : (int)Math.Ceiling((Math.Sqrt(8.0 * count + 1) - 1) / 2 - 1e-9);

    private static (double VolumeMm3, double DepositG, double FillerM) Metal(Job job, double areaMm2, double fillerAreaMm2)
    {
        var volume = job.Joint.Facts().ByTime ? BeadSizes.PlugVolume(job) : areaMm2 * 1000;
        return (
            volume,
            volume / 1000 * job.Metal.Facts().DensityGPerCm3,
            volume / (fillerAreaMm2 * job.Process.Facts().DepositShare) / 1000
        );
    }

    private static Reason MetalReason(Job job, double volume, double deposit, double filler, double fillerAreaMm2)
    {
        var stays = Say($"{job.Process.Facts().DepositShare} of the filler's {fillerAreaMm2.Mm2()} stays");
        return new(
            "deposit",
            Say($"Area, mass and length"),
            Say($"{volume.Mm3()} x {job.Metal.Facts().DensityGPerCm3} g/cm³; {stays}"),
            job.Joint.Facts().ByTime
                ? Say($"{deposit:0} g and {filler:0.0} m for a plug")
                : Say($"{deposit:0} g and {filler:0.0} m for a metre of weld"),
            Source.Arithmetic,
            ["beadSize"]
        );
    }
}
