using GentleBead.Core.Arc;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Rules;

/// <summary>What a wire draws at a stick-out.</summary>
public class MeltRateTests
{
    // Common practice, no source: 0.8 mm at 11 m/min shows 150 A and a little more, where its factor of two inches an ampere says 217.
    [Theory]
    [InlineData(13)]
    [InlineData(15)]
    [InlineData(17)]
    public void The_thin_wire_at_11_m_a_minute_on_a_long_stick_out_reads_150_to_165_A(double stickOut)
    {
        var wire = Wire.Solid08.Facts();
        var feed = WireFeedSpeed.FromMPerMin(11);
        Assert.InRange(MeltRate.Amps(feed, Length.FromMm(stickOut), Process.GmawShortCircuit, wire).Amps, 148, 167);
        Assert.InRange(BurnOff.AmpsFor(feed, WireArc.Dip(Wire.Solid08)).Amps, 215, 219);
    }

    [Theory]
    [InlineData(Wire.Solid06)]
    [InlineData(Wire.Solid08)]
    [InlineData(Wire.Solid09)]
    [InlineData(Wire.Solid12)]
    public void Amid_its_usual_currents_and_close_up_a_wire_draws_what_its_factor_says(Wire wire)
    {
        var facts = wire.Facts();
        var range = facts.RangeIn(Process.GmawShortCircuit)!;
        var amps = Current.FromAmps((range.UsualLow.Amps + range.UsualHigh.Amps) / 2);
        var feed = BurnOff.WireFeedFor(amps, WireArc.Dip(wire));
        Assert.Equal(amps.Amps, MeltRate.Amps(feed, MeltRate.FactorsHoldAt, Process.GmawShortCircuit, facts).Amps, 6);
        Assert.True(MeltRate.Amps(feed, Length.FromMm(19), Process.GmawShortCircuit, facts) < amps * 0.9);
    }

    // One rule for both: what the sheet says is read is what the simulated arc draws.
    [Theory]
    [InlineData(250, 10)]
    [InlineData(250, 19)]
    [InlineData(180, 15)]
    public void The_simulated_arc_draws_it_too(double inPerMin, double stickOut)
    {
        var feed = WireFeedSpeed.FromInPerMin(inPerMin);
        var arc = new ArcSetting(
            Process.GmawShortCircuit,
            Wire.Solid08,
            Gas.ArgonCarbon25,
            feed,
            SmoothBand.At(feed, WireArc.Dip(Wire.Solid08)).Aim,
            Length.FromMm(stickOut),
            TravelSpeed.FromMmPerMin(300),
            Length.FromMm(3)
        );
        var says = MeltRate.Amps(feed, Length.FromMm(stickOut), Process.GmawShortCircuit, Wire.Solid08.Facts());
        Assert.InRange(ArcTrace.Of(arc, 4, 48_000, 7).MeanAmps / says.Amps, 0.88, 1.12);
    }

    [Fact]
    public void A_sheet_says_what_is_read_close_up_and_far_off_and_how_far_the_factor_is_from_it()
    {
        var sheet = Assert.IsType<Sheet>(Planner.Plan(new Job(Thickness.Parse("6"), Joint.T, Position.Flat, Wire.Solid08)));
        var reads = sheet.Pair!.Reads!;
        Assert.Equal(sheet.Pair.StickOut.Aim, reads[0].StickOut);
        Assert.True(reads[1].StickOut > sheet.Pair.StickOut.High && reads[1].Amps < reads[0].Amps * 0.9);
        Assert.True(reads[1].Amps < sheet.Amps * 0.9);
        Assert.Contains("simple factor", sheet.Reasons.Single(reason => reason.Of == "reads").Working.ToString(), StringComparison.Ordinal);
    }
}
