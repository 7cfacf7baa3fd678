using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Sheets;

/// <summary>From a current to the pair of wire feed speed and volts, by each school's way of finding it.</summary>
internal static class Pairs
{
    // With less of its own than this, what the room has found is no reason to leave the textbook.
    private const double LearnedEnough = 0.15;

    // Volts a person can set by hand where no machine is at hand.
    private const double HalfVolt = 0.5;

    /// <summary>A pair found by a rule.</summary>
    /// <param name="Amps">Current it draws.</param>
    /// <param name="WireFeed">Wire feed speed.</param>
    /// <param name="Volts">Volts aimed at, with the smooth band.</param>
    /// <param name="Chart">The chart's words for it; null where the chart was not asked.</param>
    /// <param name="Learned">The room's own window; null where it was not asked.</param>
    public sealed record Found(Current Amps, WireFeedSpeed WireFeed, Window<Voltage> Volts, ChartPair? Chart, LearnedWindow? Learned = null);

    /// <summary>The pair by a rule; null when the rule needs a chart that does not speak of this job.</summary>
    public static Found? Find(PairRule rule, Job job, WireArc arc, Current amps, School school, Dials? dials, DoorChart? chart, LearnedWindow? window)
    {
        var feed = BurnOff.WireFeedFor(amps, arc);
        var band = SmoothBand.At(feed, arc);
        switch (rule)
        {
            case PairRule.VoltsFirst:
                var volts = dials is null
                    ? Voltage.FromVolts(Math.Round(band.Aim.Volts / HalfVolt, MidpointRounding.AwayFromZero) * HalfVolt)
                    : Voltage.FromVolts(dials.VoltMarkFor(band.Aim, dials.WireMarkFor(feed).Mark).Value);
                // Where the machine has no volts near the plate's, the pair would be for another plate.
                if (!band.Holds(volts)) volts = band.Aim;
                feed = SmoothBand.WireFeedFor(volts, arc);
                return new(BurnOff.AmpsFor(feed, arc), feed, SmoothBand.At(feed, arc), null);
            case PairRule.ChartFirst:
                if (dials is null || chart is null || !chart.Fits(job) || chart.At(Amperes.SetThickness(job, school.Position).Set, dials) is not { } pair) return null;
                band = SmoothBand.At(pair.WireFeed, arc);
                return new(BurnOff.AmpsFor(pair.WireFeed, arc), pair.WireFeed,
                    new Window<Voltage>(pair.Volts < band.Low ? pair.Volts : band.Low, pair.Volts, pair.Volts > band.High ? pair.Volts : band.High), pair);
            case PairRule.LearnedFirst:
                return Speaks(window, arc) ? new(amps, feed, window!.At(feed), null, window) : null;
            default:
                return new(amps, feed, band, null);
        }
    }

    /// <summary>Whether what the room has found is enough to go by for an arc.</summary>
    public static bool Speaks(LearnedWindow? window, WireArc arc) => window is not null && window.Arc == arc && window.Weight() >= LearnedEnough;

    /// <summary>The reasons for a pair.</summary>
    public static void Explain(Found found, PairRule rule, WireArc arc, Current amps, List<Reason> reasons, List<Caution> cautions)
    {
        var wire = arc.Wire.Facts();
        if (found.Chart is { } chart)
        {
            var between = chart.From == chart.To ? $"at {chart.From}" : $"between {chart.From} and {chart.To}";
            reasons.Add(new("wireFeed", "The machine's own chart", $"{between}; through this machine's readings", Show.Of(found.WireFeed), Source.Measured, ["amps"]));
            reasons.Add(new("volts", "The machine's own chart", $"{between}; then tuned by ear", $"{Show.Of(found.Volts.Aim)}", Source.Measured, ["wireFeed"]));
            var band = SmoothBand.At(found.WireFeed, arc);
            if (!band.Holds(found.Volts.Aim))
            {
                cautions.Add(new($"The chart's {Show.Of(found.Volts.Aim)} lies {(found.Volts.Aim > band.High ? "over" : "under")} the smooth band for its wire ({Show.Of(band.Low)} to {Show.Of(band.High)}): charts are a start, tune by ear.", false));
            }
            return;
        }
        var voltLine = VoltLine.Of(arc.Process, wire);
        var gasVolts = VoltLine.GasVolts(arc.Process, arc.Gas);
        if (found.Learned is { } learned)
        {
            var textbook = SmoothBand.At(found.WireFeed, arc);
            reasons.Add(new("wireFeed", "Burn-off", $"{Show.Of(found.Amps)} with {wire.Name} {wire.Kind.Words()} wire", Show.Of(found.WireFeed), Source.CommonPractice, ["amps"]));
            reasons.Add(new("volts", "What this room has found on this machine",
                $"{learned.Grounds()}; the textbook says {Show.Of(textbook.Aim)}; {Show.Number(learned.Weight() * 100, "0")} % the room's own, give or take {Show.Number(learned.SureVolts(found.WireFeed), "0.0")} V",
                BandWords(found.Volts), Source.Measured, ["amps", "wireFeed"]));
            return;
        }
        var gas = gasVolts == 0 ? "" : $"; {arc.Gas.Facts().Name} takes {(gasVolts > 0 ? "+" : "")}{Show.Number(gasVolts)} V";
        if (rule == PairRule.VoltsFirst)
        {
            reasons.Add(new("volts", "Volts first", $"{voltLine.Words}{gas}, at {Show.Of(amps)}; the nearest volts that can be set", BandWords(found.Volts), voltLine.Source, ["amps"]));
            reasons.Add(new("wireFeed", "Wire follows the volts", $"the wire whose smooth band is centred on {Show.Of(found.Volts.Aim)}; by ear, the middle between where it smooths and where it pops", Show.Of(found.WireFeed), Source.CommonPractice, ["volts"]));
            return;
        }
        if (Melting.AppliesTo(arc.Process, wire))
        {
            reasons.Add(new("wireFeed", "Melting rate of the wire", $"a I + b L I² (Lesnewich 1958, constants from memory) at {Show.Of(found.Amps)} and {Show.Of(Melting.SprayStickOut)} stick-out, {wire.Name} {wire.Kind.Words()} wire", Show.Of(found.WireFeed), Source.Published, ["amps"]));
        }
        else
        {
            reasons.Add(new("wireFeed", "Burn-off factor", $"{Show.Of(found.Amps)} x {Show.Number(wire.BurnOff)} in/min for each ampere with {wire.Name} {wire.Kind.Words()} wire", Show.Of(found.WireFeed), Source.CommonPractice, ["amps"]));
        }
        reasons.Add(new("volts", "Volts follow the wire", $"{voltLine.Words}{gas}, at {Show.Of(found.Amps)}", BandWords(found.Volts), voltLine.Source, ["amps", "wireFeed"]));
    }

    private static string BandWords(Window<Voltage> volts) => $"{Show.Of(volts.Aim)}, smooth from {Show.Of(volts.Low)} to {Show.Of(volts.High)}";
}
