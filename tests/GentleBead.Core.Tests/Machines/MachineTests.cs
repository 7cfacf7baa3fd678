using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Tests.Machines;

public class MachineTests
{
    private static Dictionary<string, string> Wrong(double? wireMark, double? voltMark, double? inPerMin = null, double? volts = null)
    {
        WireFeedSpeed? wire = inPerMin is { } speed ? WireFeedSpeed.FromInPerMin(speed) : null;
        Voltage? measured = volts is { } value ? Voltage.FromVolts(value) : null;
        var read = Room.KnobAndTaps.Read(wireMark, voltMark, wire, measured);
        Assert.Equal(read.Problems.Count == 0, read.Value is not null);
        return read.Problems.ByField();
    }

    [Fact]
    public void Marks_and_measured_values_mix_freely()
    {
        Assert.Empty(Wrong(40, 4));
        Assert.Empty(Wrong(40, null, volts: 19));
        Assert.Empty(Wrong(null, 4, inPerMin: 250));
        Assert.Empty(Wrong(null, null, inPerMin: 250, volts: 19));
        var read = Room.KnobAndTaps.Read(40, null, null, Voltage.FromVolts(19)).Value!;
        Assert.Equal((6.0, 19.0), (read.WireFeed.MPerMin, read.Volts.Volts));
    }

    [Fact]
    public void Every_mistake_is_named_at_once_each_at_its_own_field()
    {
        var problems = Wrong(101, 0);
        Assert.Equal(["voltMark", "wireMark"], problems.Keys.Order());
        Assert.Contains("0 to 100", problems["wireMark"], StringComparison.Ordinal);
        Assert.Contains("tap 1 to tap 10", problems["voltMark"], StringComparison.Ordinal);
        Assert.Equal(["volts", "wireFeedMPerMin"], Wrong(null, null).Keys.Order());
    }

    [Theory]
    [InlineData(47.5, "steps of 1")]
    [InlineData(2, "gives nothing")]
    [InlineData(double.NaN, "0 to 100")]
    public void A_mark_that_gives_no_wire_is_refused(double mark, string says) =>
        Assert.Contains(says, Wrong(mark, 5)["wireMark"], StringComparison.Ordinal);

    [Theory]
    [InlineData(5)]
    [InlineData(40)]
    public void Volts_the_machine_has_not_got_are_refused_with_what_it_has(double volts) =>
        Assert.Equal("This machine has 13.1 V to 28.1 V.", Wrong(40, null, volts: volts)["volts"]);

    [Fact]
    public void Without_readings_a_mark_means_nothing_but_a_measurement_still_does()
    {
        var bare = Room.KnobAndTaps with { VoltControl = Room.KnobAndTaps.VoltControl! with { Readings = [] } };
        Assert.Contains("Not calibrated", bare.Read(40, 4, null, null).Problems.ByField()["voltMark"], StringComparison.Ordinal);
        Assert.NotNull(bare.Read(40, null, null, Voltage.FromVolts(19)).Value);
    }

    [Theory]
    [InlineData(ControlKind.Digital, "V", 18.5, "18.5 V")]
    [InlineData(ControlKind.Tap, "", 4, "tap 4")]
    [InlineData(ControlKind.Knob, "", 42, "42")]
    public void Marks_read_as_the_machine_shows_them(ControlKind kind, string unit, double mark, string reads) =>
        Assert.Equal(reads, new Control(kind, 0, 100, 0.5, unit, []).Read(mark).ToString());

    [Theory]
    [InlineData(0.1, 18.04, 18.0)]
    [InlineData(0.1, 18.06, 18.1)]
    [InlineData(1, 14.5, 15)]
    [InlineData(1, 200, 28)]
    [InlineData(1, -3, 12)]
    public void A_dial_stands_on_its_steps_within_its_ends(double step, double wanted, double stands) =>
        Assert.Equal(stands, new Control(ControlKind.Digital, 12, 28, step, "V", []).Settable(wanted));
}
