using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Sheets;

/// <summary>A pair of wire feed speed and volts found by a rule.</summary>
/// <param name="Amps">Current it draws.</param>
/// <param name="WireFeed">Wire feed speed.</param>
/// <param name="Volts">Volts aimed at, with the smooth band.</param>
/// <param name="Chart">What the chart says; null where the chart was not asked.</param>
/// <param name="Learned">The room's own window; null where it was not asked.</param>
internal sealed record FoundPair(
    Current Amps,
    WireFeedSpeed WireFeed,
    Window<Voltage> Volts,
    ChartPair? Chart = null,
    LearnedWindow? Learned = null
);

/// <summary>From a current to the pair of wire feed speed and volts, by each way of finding it.</summary>
internal static class Pairs
{
    // With less of its own than this, what the room has found is no reason to leave the textbook.
    private const double LearnedEnough = 0.15;

    // Volts a person can set by hand where no machine is at hand.
    private const double HalfVolt = 0.5;

    private delegate FoundPair? Finding(Job job, Current amps, SetUp at);

    // A way of finding the pair is a row: how it finds it, and what is said where it cannot.
    private static readonly Dictionary<PairRule, (Finding Find, Said? Cannot)> Ways = new()
    {
        [PairRule.WireFirst] = (WireFirst, null),
        [PairRule.VoltsFirst] = (VoltsFirst, null),
        [PairRule.ChartFirst] = (ChartFirst, Say($"No door chart here speaks of this plate, wire and gas: wire first instead.")),
        [PairRule.LearnedFirst] = (
            LearnedFirst,
            Say($"This room has found too little with this wire and gas on this machine: the textbook instead.")
        ),
    };

    /// <summary>The pair by a rule; null when the rule needs a chart or findings that do not speak of this job.</summary>
    public static FoundPair? Find(PairRule rule, Job job, Current amps, SetUp at) => Ways[rule].Find(job, amps, at);

    /// <summary>The pair for a current, by the chosen rule or, where that does not speak of the job, wire first.</summary>
    public static Explained<FoundPair> For(Job job, Current amps, SetUp at)
    {
        var (find, cannot) = Ways[at.Way.Pair];
        if (find(job, amps, at) is { } found)
            return PairReasons.Explain(found, job, at.Way, amps, []);
        var instead = at.Way with { Pair = PairRule.WireFirst };
        return PairReasons.Explain(WireFirst(job, amps, at), job, instead, amps, [new(cannot!, false)]);
    }

    /// <summary>Whether what the room has found is enough to go by for an arc.</summary>
    public static bool Speaks(LearnedWindow? window, WireArc arc) =>
        window is not null && window.Arc == arc && window.Weight() >= LearnedEnough;

    private static FoundPair WireFirst(Job job, Current amps, SetUp at)
    {
        var feed = WireByRule.WireFeed(at.Way.Wire, amps, job);
        return new(amps, feed, SmoothBand.At(feed, job.RequireArc()));
    }

    private static FoundPair VoltsFirst(Job job, Current amps, SetUp at)
    {
        var arc = job.RequireArc();
        var feed = WireByRule.WireFeed(at.Way.Wire, amps, job);
        var band = SmoothBand.At(feed, arc);
        var volts = at.Dials is not { } dials
            ? Voltage.FromVolts(Math.Round(band.Aim.Volts / HalfVolt, MidpointRounding.AwayFromZero) * HalfVolt)
            : Voltage.FromVolts(dials.VoltMarkFor(band.Aim, dials.WireMarkFor(feed).Mark).Value);
        // Where the machine has no volts near the plate's, the pair would be for another plate.
        if (!band.Holds(volts))
            volts = band.Aim;
        feed = SmoothBand.WireFeedFor(volts, arc);
        return new(WireByRule.Amps(at.Way.Wire, feed, job), feed, SmoothBand.At(feed, arc));
    }

    private static FoundPair? ChartFirst(Job job, Current amps, SetUp at)
    {
        if (at.ChartPairFor(job) is not { } pair)
            return null;
        var arc = job.RequireArc();
        var band = SmoothBand.At(pair.WireFeed, arc);
        var volts = new Window<Voltage>(
            pair.Volts < band.Low ? pair.Volts : band.Low,
            pair.Volts,
            pair.Volts > band.High ? pair.Volts : band.High
        );
        return new(WireByRule.Amps(at.Way.Wire, pair.WireFeed, job), pair.WireFeed, volts, pair);
    }

    private static FoundPair? LearnedFirst(Job job, Current amps, SetUp at)
    {
        var arc = job.RequireArc();
        if (at.Window is not { } window || !Speaks(window, arc))
            return null;
        var feed = WireByRule.WireFeed(at.Way.Wire, amps, job);
        return new(amps, feed, window.At(feed), null, window);
    }
}
