using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Stock;

/// <summary>The lists of stock hold together.</summary>
public class StockTests
{
    [Fact]
    public void Every_value_has_its_row_and_no_row_stands_twice()
    {
        Same(Enum.GetValues<Process>(), Processes.All.Select(row => row.Process));
        Same(Enum.GetValues<Metal>(), Metals.All.Select(row => row.Metal));
        Same(Enum.GetValues<Gas>(), Gases.All.Select(row => row.Gas));
        Same(Enum.GetValues<Wire>(), Wires.All.Select(row => row.Wire));
        Same(Enum.GetValues<Joint>(), Joints.All.Select(row => row.Joint));
        Same(Enum.GetValues<Position>(), Positions.All.Select(row => row.Position));
        foreach (var wire in Enum.GetValues<Wire>())
            Assert.Equal(wire, wire.Facts().Wire);
        foreach (var gas in Enum.GetValues<Gas>())
            Assert.Equal(gas, gas.Facts().Gas);
        foreach (var metal in Enum.GetValues<Metal>())
            Assert.Equal(metal, metal.Facts().Metal);
        Assert.Throws<ArgumentOutOfRangeException>(() => ((Wire)99).Facts());
        Assert.Throws<ArgumentOutOfRangeException>(() => ((Process)(-1)).Facts());

        static void Same<T>(IEnumerable<T> values, IEnumerable<T> rows) => Assert.Equal(values.Order(), rows.Order());
    }

    [Fact]
    public void A_thicker_wire_of_a_kind_carries_more_and_burns_off_slower()
    {
        foreach (var process in Enum.GetValues<Process>())
        {
            foreach (var kind in Enum.GetValues<WireKind>())
            {
                var wires = Wires.All.Where(wire => wire.Kind == kind && wire.RangeIn(process) is not null).ToArray();
                foreach (var (thin, thick) in wires.Zip(wires.Skip(1)))
                {
                    var (low, high) = (thin.RangeIn(process)!, thick.RangeIn(process)!);
                    Assert.True(
                        low.UsualLow <= high.UsualLow && low.UsualHigh < high.UsualHigh && low.Most < high.Most,
                        $"{thick.Wire} in {process}"
                    );
                    Assert.True(low.UsualLow < low.UsualHigh && low.UsualHigh <= low.Most);
                    var amps = Current.FromAmps(150);
                    Assert.True(
                        BurnOff.WireFeedFor(amps, new WireArc(process, thin.Wire, Gas.Argon))
                            > BurnOff.WireFeedFor(amps, new WireArc(process, thick.Wire, Gas.Argon))
                    );
                    Assert.Same(thick, thin.NextAbove(process));
                }
            }
        }
    }

    // Common practice, no source: grooves V solid, U aluminium, knurled flux-cored.
    [Theory]
    [InlineData(Wire.Solid08, RollGroove.V)]
    [InlineData(Wire.Stainless09, RollGroove.V)]
    [InlineData(Wire.Aluminium10, RollGroove.U)]
    [InlineData(Wire.SelfShielded09, RollGroove.Knurled)]
    [InlineData(Wire.GasShielded12, RollGroove.Knurled)]
    public void Rolls_by_wire(Wire wire, RollGroove rolls) => Assert.Equal(rolls, wire.Facts().Rolls);

    [Fact]
    public void A_band_and_its_inverse_agree_for_every_arc()
    {
        foreach (var process in Processes.All.Where(row => row.FeedsWire).Select(row => row.Process))
        {
            foreach (var wire in Wires.All.Where(row => row.RangeIn(process) is not null))
            {
                foreach (var gas in Enum.GetValues<Gas>())
                {
                    var arc = new WireArc(process, wire.Wire, gas);
                    var feed = BurnOff.WireFeedFor(wire.RangeIn(process)!.UsualHigh, arc);
                    Assert.Equal(wire.RangeIn(process)!.UsualHigh.Amps, BurnOff.AmpsFor(feed, arc).Amps, 1e-6);
                    Assert.Equal(feed.MPerMin, SmoothBand.WireFeedFor(SmoothBand.At(feed, arc).Aim, arc).MPerMin, 1e-6);
                }
            }
        }
    }

    // The steps of a shop's rack (common practice, no source), gauges by GNU Units' stdgauge: 1/8 in goes down to 12 ga, then 14 ga;
    // 3/8 to 5/16, then 1/4; nothing under 24 ga.
    [Theory]
    [InlineData(3.175, 1, 2.6569)]
    [InlineData(3.175, 2, 1.8980)]
    [InlineData(9.525, 1, 7.9375)]
    [InlineData(9.525, 2, 6.35)]
    [InlineData(0.8, 2, 0.6073)]
    [InlineData(0.5, 1, 0.5)]
    public void The_next_thinner_plates(double mm, int steps, double thinner) =>
        Assert.Equal(thinner, PlateSteps.Thinner(Length.FromMm(mm), steps).Mm, 0.001);

    [Fact]
    public void What_was_not_said_is_filled_in()
    {
        Job Filled(Process process, Metal metal, string thickness = "3") =>
            Defaults.Complete(new AskedJob(Thickness.Parse(thickness), Joint.T, Position.Flat) { Process = process, Metal = metal }, null);
        Assert.Equal(
            (Wire.Solid06, Gas.ArgonCarbon25),
            (Filled(Process.GmawShortCircuit, Metal.MildSteel).Wire!.Value, Filled(Process.GmawShortCircuit, Metal.MildSteel).Gas)
        );
        Assert.Equal(Gas.HeliumMix, Filled(Process.GmawShortCircuit, Metal.Stainless).Gas);
        Assert.Null(Filled(Process.GtawDc, Metal.Titanium).Wire);
        // Whatever the list fills in, it makes a sheet where the process can weld the metal at all.
        foreach (
            var (process, metal) in new[]
            {
                (Process.GmawShortCircuit, Metal.MildSteel),
                (Process.FcawGasShielded, Metal.LowAlloySteel),
                (Process.GmawPulsed, Metal.Aluminium),
                (Process.GtawAc, Metal.Magnesium),
            }
        )
        {
            Assert.IsType<Sheet>(Planner.Plan(Filled(process, metal)));
        }
    }
}
