using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Sheets;

/// <summary>Current and wire feed speed by the simple factor, or by the melting rate with the stick-out's resistance in it.</summary>
public class WireRuleTests
{
    private static readonly WayOfSetting ByRate = WayOfSetting.Usual with { Wire = WireRule.MeltingRate };

    private static Sheet Plan(string thickness, WayOfSetting way, Wire wire = Wire.Solid08) =>
        Assert.IsType<Sheet>(Planner.Plan(new Job(Thickness.Parse(thickness), Joint.T, Position.Flat, wire), null, way));

    // Lesnewich 1958, v = a I + b L I² (constants from memory), over the whole of a wire's currents.
    [Theory]
    [InlineData("1.5", Wire.Solid06)]
    [InlineData("2", Wire.Solid08)]
    [InlineData("3", Wire.Solid08)]
    [InlineData("5", Wire.Solid09)]
    public void By_the_melting_rate_the_read_out_shows_the_sheets_amps_at_the_sheets_stick_out(string thickness, Wire wire)
    {
        foreach (var pair in new[] { PairRule.WireFirst, PairRule.VoltsFirst })
        {
            var sheet = Plan(thickness, ByRate with { Pair = pair }, wire);
            Assert.Equal(sheet.Amps.Amps, sheet.Pair!.Reads![0].Amps.Amps, 1e-6);
            Assert.Equal(sheet.Amps.Amps, sheet.AmpsAt(sheet.Pair.WireFeed).Amps, 1e-6);
        }
        var reason = Plan(thickness, ByRate, wire).Reasons.Single(reason => reason.Of == "wireFeed");
        Assert.Equal(Source.Published, reason.Source);
    }

    // Common practice, no source: 0.8 mm wire takes two inches a minute for each ampere.
    [Fact]
    public void By_the_factor_the_wire_is_the_trades_two_inches_an_ampere_whatever_the_stick_out()
    {
        var sheet = Plan("3", WayOfSetting.Usual);
        Assert.Equal(2 * sheet.Amps.Amps, sheet.Pair!.WireFeed.InPerMin, 1e-6);
        Assert.Equal(sheet.Amps.Amps, sheet.AmpsAt(sheet.Pair.WireFeed).Amps, 1e-6);
    }

    [Theory]
    [InlineData(WireRule.Factor, "The melting rate would feed")]
    [InlineData(WireRule.MeltingRate, "The simple factor would feed")]
    public void A_sheet_of_either_school_says_what_the_other_would_feed_and_by_how_much(WireRule rule, string says)
    {
        var sheet = Plan("5", WayOfSetting.Usual with { Wire = rule });
        var other = Plan("5", WayOfSetting.Usual with { Wire = rule == WireRule.Factor ? WireRule.MeltingRate : WireRule.Factor });
        var told = Assert.Single(sheet.OtherWays, way => way.Between == "Wire").Text.ToString();
        Assert.StartsWith(says, told, StringComparison.Ordinal);
        var percent = Math.Round(Math.Abs(other.Pair!.WireFeed / sheet.Pair!.WireFeed - 1) * 100);
        Assert.Contains($"{percent} %", told, StringComparison.Ordinal);
        Assert.Contains(other.Pair.WireFeed > sheet.Pair.WireFeed ? "more wire" : "less wire", told, StringComparison.Ordinal);
    }

    // Spray has no factor of its own to differ by.
    [Fact]
    public void Where_everybody_sets_by_the_melting_rate_no_difference_is_told()
    {
        var job = new Job(Thickness.Parse("6"), Joint.T, Position.Flat, Wire.Solid12, Process.GmawSpray, Gas: Gas.ArgonCarbon10);
        Assert.DoesNotContain(Assert.IsType<Sheet>(Planner.Plan(job)).OtherWays, way => way.Between == "Wire");
    }
}
