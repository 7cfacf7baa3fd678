using GentleBead.Core.Arc;
using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Arc;

/// <summary>Globular and gas-shielded cored wire as the trade hears them. Common practice, no source.</summary>
public sealed class GlobularTests
{
    private static ArcTrace Run(Process process, Wire wire, Gas gas, double inPerMin, double volts, double stickOut, double plate) =>
        ArcTrace.Of(
            new ArcSetting(
                process,
                wire,
                gas,
                WireFeedSpeed.FromInPerMin(inPerMin),
                Voltage.FromVolts(volts),
                Length.FromMm(stickOut),
                TravelSpeed.FromMmPerMin(300),
                Length.FromMm(plate)
            ),
            4,
            20_000,
            1
        );

    private static ArcTrace Globular(double inPerMin, double volts) =>
        Run(Process.GmawGlobular, Wire.Solid08, Gas.ArgonCarbon25, inPerMin, volts, 13, 9.5);

    private static ArcEvent[] Touches(ArcTrace trace) =>
        [.. trace.Events.Where(one => one.Kind is ArcEventKind.Short or ArcEventKind.Stub)];

    // 0.030 in wire at 20.5 V under 75/25: pops and rattle lessen as the wire goes from 250 to 325 in/min.
    [Fact]
    public void Pops_and_rattle_lessen_from_250_to_325_in_per_min_at_20_5_volts()
    {
        ArcTrace[] runs = [.. new[] { 250, 275, 300, 325 }.Select(wire => Globular(wire, 20.5))];
        var drops = runs.Select(run => Touches(run).Average(touch => touch.DropMm3)).ToArray();
        Assert.Equal(drops.OrderDescending(), drops);
        Assert.All(runs, run => Assert.DoesNotContain(run.Events, one => one.Kind == ArcEventKind.Stub));
        Assert.Equal((Sound.Rattle, Sound.EvenCrackle), (ArcTruth.Of(runs[0]), ArcTruth.Of(runs[^1])));
    }

    // On to 24 V and 475 in/min it gets hotter and more fluid.
    [Fact]
    public void At_24_volts_and_475_in_per_min_it_is_hotter_and_more_fluid_and_rattles()
    {
        var (cool, hot) = (Globular(300, 20.5), Globular(475, 24));
        Assert.Equal(Sound.Rattle, ArcTruth.Of(hot));
        Assert.True(hot.Amps.Average() > 1.2 * cool.Amps.Average());
        var (small, large) = (SimulatedBead.From(cool), SimulatedBead.From(hot));
        Assert.True(large.Depth / small.Depth > 1.2 && large.Width / small.Width > 1.1);
    }

    [Fact]
    public void A_wire_melts_alike_in_globular_and_in_short_circuit()
    {
        var wire = Wire.Solid08.Facts();
        foreach (var speed in new[] { 250, 350, 475 })
        {
            var fed = WireFeedSpeed.FromInPerMin(speed);
            Assert.Equal(
                MeltRate.Amps(fed, Length.FromMm(13), Process.GmawShortCircuit, wire).Amps,
                MeltRate.Amps(fed, Length.FromMm(13), Process.GmawGlobular, wire).Amps,
                1e-9
            );
        }
    }

    // The trade's pairs for gas-shielded wire run soft: neither stubbing nor a long hiss in the middle of the band.
    [Theory]
    [InlineData(Wire.GasShielded09, 250)]
    [InlineData(Wire.GasShielded12, 200)]
    [InlineData(Wire.GasShielded12, 300)]
    [InlineData(Wire.GasShielded16, 200)]
    public void Gas_shielded_wire_runs_smooth_in_the_middle_of_its_band(Wire wire, double inPerMin)
    {
        var arc = new WireArc(Process.FcawGasShielded, wire, Gas.ArgonCarbon25);
        var aim = SmoothBand.At(WireFeedSpeed.FromInPerMin(inPerMin), arc).Aim.Volts;
        Sound? At(double volts) => ArcTruth.Of(Run(Process.FcawGasShielded, wire, Gas.ArgonCarbon25, inPerMin, volts, 19, 9.5));
        Assert.Contains(Sound.EvenCrackle, new[] { -0.75, -0.25, 0, 0.25, 0.75 }.Select(by => At(aim + by)));
        Assert.Equal(Sound.Popping, At(aim - 3.5));
        Assert.Equal(Sound.Hiss, At(aim + 4));
    }
}
