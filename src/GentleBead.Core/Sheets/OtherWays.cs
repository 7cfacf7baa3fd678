using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>Where other ways of setting would set a job otherwise, and by how much.</summary>
internal static class OtherWays
{
    // Less than a person can set or hear is no difference.
    private const double WireShare = 0.015;
    private const double Volts = 0.15;

    private static readonly Dictionary<PairRule, Said> PairWords = new()
    {
        [PairRule.WireFirst] = Say($"Wire first"),
        [PairRule.VoltsFirst] = Say($"Volts first"),
        [PairRule.ChartFirst] = Say($"Chart first"),
        [PairRule.LearnedFirst] = Say($"Room first, by what was found here,"),
    };

    private static readonly Dictionary<PositionRule, Said> PositionWords = new()
    {
        [PositionRule.OneThinner] = Say($"One thinner"),
        [PositionRule.TwoThinner] = Say($"Two thinner"),
        [PositionRule.Same] = Say($"The same everywhere"),
    };

    /// <summary>Every difference worth telling.</summary>
    /// <param name="job">The job.</param>
    /// <param name="at">What it is planned with.</param>
    /// <param name="wanted">The current plate, joint and position ask for.</param>
    /// <param name="carried">The current the pair was found for.</param>
    /// <param name="set">The pair on the sheet; null for TIG.</param>
    public static IReadOnlyList<OtherWay> Of(Job job, SetUp at, Current wanted, Current carried, FoundPair? set) =>
        [.. InPair(job, at, carried, set), .. InWire(job, at.Way, set), .. InPosition(job, at.Way, wanted), .. InDirection(job, at.Way)];

    private static IEnumerable<OtherWay> InPair(Job job, SetUp at, Current carried, FoundPair? set)
    {
        if (set is null)
            yield break;
        foreach (var (rule, words) in PairWords)
        {
            if (rule == at.Way.Pair || Pairs.Find(rule, job, carried, at) is not { } other)
                continue;
            var share = other.WireFeed / set.WireFeed - 1;
            var volts = other.Volts.Aim.Volts - set.Volts.Aim.Volts;
            if (Math.Abs(share) < WireShare && Math.Abs(volts) < Volts)
                continue;
            var wire = MoreWire(share);
            yield return new("Pair", Say($"{words} would set {other.WireFeed} and {other.Volts.Aim}: {wire}, {volts:+0.0} V."));
        }
    }

    private static IEnumerable<OtherWay> InWire(Job job, WayOfSetting way, FoundPair? set)
    {
        // Spray, pulsed work and aluminium have no factor of their own to differ by.
        if (set is null || Melting.AppliesTo(job.Process, job.RequireArc().Wire.Facts()))
            yield break;
        foreach (var (rule, words) in WireByRule.All)
        {
            var other = WireByRule.WireFeed(rule, set.Amps, job);
            var share = other / set.WireFeed - 1;
            if (rule == way.Wire || Math.Abs(share) < WireShare)
                continue;
            yield return new("Wire", Say($"{words} would feed {other} for {set.Amps}: {MoreWire(share)}."));
        }
    }

    private static Said MoreWire(double share) =>
        Math.Abs(share) < WireShare ? Say($"the same wire")
        : share > 0 ? Say($"{share * 100:0} % more wire")
        : Say($"{-share * 100:0} % less wire");

    private static IEnumerable<OtherWay> InPosition(Job job, WayOfSetting way, Current wanted)
    {
        if (!job.Position.Facts().Thinner)
            yield break;
        foreach (var (rule, words) in PositionWords)
        {
            if (rule == way.Position)
                continue;
            var amps = Amperes.By(job, rule);
            var share = amps / wanted - 1;
            if (Math.Abs(share) < WireShare)
                continue;
            var current = share > 0 ? Say($"{share * 100:0} % more current") : Say($"{-share * 100:0} % less current");
            yield return new("Position", Say($"{words} would ask for {amps} instead of {wanted}: {current}."));
        }
    }

    private static IEnumerable<OtherWay> InDirection(Job job, WayOfSetting way)
    {
        var process = job.Process.Facts();
        if (!process.FeedsWire || process.Slag)
            yield break;
        yield return new(
            "Direction",
            way.Direction == DirectionRule.PushOnly
                ? Say($"Others drag too where that lets them see better.")
                : Say($"Another way always pushes.")
        );
    }
}
