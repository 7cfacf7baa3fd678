using GentleBead.Core.Arc;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Rules;

/// <summary>What a long stick-out does to a wire found at held volts.</summary>
public class HeldVoltsTests
{
    // Common practice, no source: a tip that rests on a piece of tube stands 19 mm off; what is found there belongs to that stick-out,
    // nearer the same wire draws more current and the band lies elsewhere.
    private static readonly Length OnTheRest = Length.FromMm(19);

    [Theory]
    [InlineData(Wire.Solid08, 17)]
    [InlineData(Wire.Solid08, 18)]
    [InlineData(Wire.Solid08, 19)]
    [InlineData(Wire.Solid09, 18)]
    [InlineData(Wire.Solid09, 19)]
    public void A_band_found_on_the_rest_lies_where_the_simulated_arc_has_it_close_up(Wire wire, double volts)
    {
        var arc = WireArc.Dip(wire);
        var found = MiddleOfSmooth(wire, volts, OnTheRest);
        var close = MiddleOfSmooth(wire, volts, arc.UsualStickOut);
        var corrected = HeldVolts.WireAt(found, OnTheRest, arc.UsualStickOut, arc);
        Assert.InRange(corrected / close, 0.95, 1.05);
        Assert.True(
            Math.Abs(corrected / close - 1) < Math.Abs(found / close - 1),
            $"found {found.InPerMin:0}, corrected {corrected.InPerMin:0}, close up {close.InPerMin:0} in/min"
        );
    }

    [Theory]
    [InlineData(Process.GmawShortCircuit, Wire.Solid08, Gas.ArgonCarbon25)]
    [InlineData(Process.FcawSelfShielded, Wire.SelfShielded09, Gas.None)]
    [InlineData(Process.GmawSpray, Wire.Solid12, Gas.ArgonCarbon10)]
    public void There_and_back_is_the_same_wire_and_nowhere_is_no_way(Process process, Wire wire, Gas gas)
    {
        var arc = new WireArc(process, wire, gas);
        var feed = WireFeedSpeed.FromMPerMin(6.5);
        var near = HeldVolts.WireAt(feed, OnTheRest, arc.UsualStickOut, arc);
        Assert.Equal(feed.MPerMin, HeldVolts.WireAt(near, arc.UsualStickOut, OnTheRest, arc).MPerMin, 1e-9);
        Assert.Equal(feed.MPerMin, HeldVolts.WireAt(feed, OnTheRest, OnTheRest, arc).MPerMin, 1e-9);
        // The stick-out's own volts are taken off the arc's: the longer, the less wire the same volts carry.
        Assert.True(near > feed);
    }

    private static WireFeedSpeed MiddleOfSmooth(Wire wire, double volts, Length stickOut)
    {
        var smooth = Enumerable.Range(0, 36).Select(step => 90.0 + 10 * step).Where(Smooth).ToArray();
        return WireFeedSpeed.FromInPerMin((smooth[0] + smooth[^1]) / 2);

        // Shorts by the tens, the wire hardly ever stuck.
        bool Smooth(double inPerMin)
        {
            var trace = ArcTrace.Of(
                new(
                    Process.GmawShortCircuit,
                    wire,
                    Gas.ArgonCarbon25,
                    WireFeedSpeed.FromInPerMin(inPerMin),
                    Voltage.FromVolts(volts),
                    stickOut,
                    TravelSpeed.FromMmPerMin(300),
                    Length.FromMm(3.2)
                ),
                4,
                24_000,
                5
            );
            var stubs = trace.Events.Count(one => one.Kind == ArcEventKind.Stub) / trace.Seconds;
            var shorts = trace.Events.Count(one => one.Kind is ArcEventKind.Short or ArcEventKind.Stub) / trace.Seconds;
            return shorts >= 10 && stubs < 1.5;
        }
    }
}
