using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>Why a pair of wire feed speed and volts is what it is.</summary>
internal static class PairReasons
{
    /// <summary>A pair with its reasons.</summary>
    /// <param name="found">The pair.</param>
    /// <param name="job">What it is for.</param>
    /// <param name="way">How it was found.</param>
    /// <param name="amps">The current it was found for.</param>
    /// <param name="before">What to heed before all else.</param>
    public static Explained<FoundPair> Explain(FoundPair found, Job job, WayOfSetting way, Current amps, Caution[] before)
    {
        var arc = job.RequireArc();
        if (found.Chart is not null)
        {
            var off = ChartOff(found, arc);
            return new(found, ByChart(found), off is null ? before : [.. before, off]);
        }
        return new(
            found,
            found.Learned is not null ? ByRoom(found, job, way)
                : way.Pair == PairRule.VoltsFirst ? ByVolts(found, arc, amps)
                : ByWire(found, job, way),
            before
        );
    }

    private static Reason[] ByChart(FoundPair found)
    {
        var chart = found.Chart!;
        var between = chart.From == chart.To ? Say($"at {chart.From.Name()}") : Say($"between {chart.From.Name()} and {chart.To.Name()}");
        var rule = Say($"The machine's own chart");
        return
        [
            new("wireFeed", rule, Say($"{between}; through this machine's readings"), Say($"{found.WireFeed}"), Source.Measured, ["amps"]),
            new("volts", rule, Say($"{between}; then tuned by ear"), Say($"{found.Volts.Aim}"), Source.Measured, ["wireFeed"]),
        ];
    }

    private static Caution? ChartOff(FoundPair found, WireArc arc)
    {
        var (band, volts) = (SmoothBand.At(found.WireFeed, arc), found.Volts.Aim);
        if (band.Holds(volts))
            return null;
        return new(
            Sentences(
                volts > band.High
                    ? Say($"The chart's {volts} lies over the smooth band for its wire ({band.Low} to {band.High}).")
                    : Say($"The chart's {volts} lies under the smooth band for its wire ({band.Low} to {band.High})."),
                Say($"Charts are a start: tune by ear.")
            ),
            false
        );
    }

    private static Reason[] ByRoom(FoundPair found, Job job, WayOfSetting way)
    {
        var arc = job.RequireArc();
        var learned = found.Learned!;
        var textbook = SmoothBand.At(found.WireFeed, arc).Aim;
        var sure = Say($"{learned.Weight() * 100:0} % the room's own, give or take {learned.SureVolts(found.WireFeed):0.0} V");
        return
        [
            WireFrom(found, job, way),
            new(
                "volts",
                Say($"What this room has found on this machine"),
                Say($"{learned.Grounds()}; the textbook says {textbook}; {sure}"),
                BandWords(found.Volts),
                Source.Measured,
                ["amps", "wireFeed"]
            ),
        ];
    }

    private static Reason[] ByVolts(FoundPair found, WireArc arc, Current amps)
    {
        var line = VoltLine.Of(arc.Process, arc.Wire.Facts());
        return
        [
            new(
                "volts",
                Say($"Volts first"),
                Say($"{LineWords(line, arc)}, at {amps}; the nearest volts that can be set"),
                BandWords(found.Volts),
                line.Source,
                ["amps"]
            ),
            new(
                "wireFeed",
                Say($"Wire follows the volts"),
                Say(
                    $"the wire whose smooth band is centred on {found.Volts.Aim}; by ear, the middle between where it smooths "
                        + $"and where it pops"
                ),
                Say($"{found.WireFeed}"),
                Source.CommonPractice,
                ["volts"]
            ),
        ];
    }

    private static Reason[] ByWire(FoundPair found, Job job, WayOfSetting way)
    {
        var arc = job.RequireArc();
        var line = VoltLine.Of(arc.Process, arc.Wire.Facts());
        return
        [
            WireFrom(found, job, way),
            new(
                "volts",
                Say($"Volts follow the wire"),
                Say($"{LineWords(line, arc)}, at {found.Amps}"),
                BandWords(found.Volts),
                line.Source,
                ["amps", "wireFeed"]
            ),
        ];
    }

    private static Reason WireFrom(FoundPair found, Job job, WayOfSetting way)
    {
        var arc = job.RequireArc();
        var wire = arc.Wire.Facts();
        if (way.Wire == WireRule.Factor && !Melting.AppliesTo(arc.Process, wire))
        {
            return new(
                "wireFeed",
                Say($"Burn-off factor"),
                Say($"{found.Amps} x {wire.BurnOff} in/min for each ampere with {WireWords(arc)}"),
                Say($"{found.WireFeed}"),
                Source.CommonPractice,
                ["amps"]
            );
        }
        var stickOut = way.Wire == WireRule.Factor ? Melting.SprayStickOut : WireByRule.StickOut(job);
        return new(
            "wireFeed",
            Say($"Melting rate of the wire"),
            Say($"a I + b L I² (Lesnewich 1958, constants from memory) at {found.Amps} and {stickOut} stick-out, {WireWords(arc)}"),
            Say($"{found.WireFeed}"),
            Source.Published,
            ["amps"]
        );
    }

    private static Said LineWords(VoltLine line, WireArc arc)
    {
        var gas = VoltLine.GasVolts(arc.Process, arc.Gas);
        return gas == 0 ? line.Words : Say($"{line.Words}; {arc.Gas.Facts().Name} takes {gas:+0.##} V");
    }

    private static Said WireWords(WireArc arc) => Say($"{arc.Wire.Facts().Name} {arc.Wire.Facts().Kind.Words()} wire");

    private static Said BandWords(Window<Voltage> volts) => Say($"{volts.Aim}, smooth from {volts.Low} to {volts.High}");
}
