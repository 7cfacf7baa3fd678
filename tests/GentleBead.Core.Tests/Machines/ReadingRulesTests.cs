using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Tests.Machines;

/// <summary>A reading as it is taken at a machine: what is believed, and what is told at its field.</summary>
public class ReadingRulesTests
{
    private static readonly Machine Welder = Room.KnobAndTaps with { AmpControl = Room.Amps };

    private static string Fields(NewReading taken, Machine? machine = null) =>
        string.Join(" ", taken.On(machine ?? Welder).Problems.Select(problem => problem.Field));

    private static NewReading Meter(ReadControl control, double mark, double? measured) => new(control, mark, measured, null, null);

    private static NewReading Ruler(double? seconds, double? mm, double mark = 50) =>
        new(ReadControl.Wire, mark, null, seconds, mm is { } length ? Length.FromMm(length) : null);

    // Common practice, no source: six seconds of wire in inches, times ten, is inches a minute: 20 in in 6 s is 200 in/min.
    [Fact]
    public void Six_seconds_of_wire_times_ten_is_the_wire_feed_speed()
    {
        var reading = Ruler(6, 20 * 25.4, 30).On(Welder).Value!;
        Assert.Equal(200, WireFeedSpeed.FromMPerMin(reading.Measured).InPerMin, 1e-9);
        Assert.Equal(30, reading.Mark);
        Assert.Equal(7.7, Meter(ReadControl.Wire, 50, 7.7).On(Welder).Value!.Measured);
        // What was measured goes before what can be worked out.
        Assert.Equal(7.7, (Ruler(6, 20 * 25.4) with { Measured = 7.7 }).On(Welder).Value!.Measured);
    }

    [Theory]
    [InlineData(1.0, 500.0, "")]
    [InlineData(120.0, 15_000.0, "")]
    [InlineData(0.9, 500.0, "seconds")]
    [InlineData(121.0, 15_000.0, "seconds")]
    [InlineData(6.0, 9.9, "lengthMm")]
    [InlineData(120.0, 50_001.0, "lengthMm")]
    [InlineData(null, 500.0, "seconds")]
    [InlineData(6.0, null, "lengthMm")]
    public void Ruler_and_watch_run_a_second_to_two_minutes(double? seconds, double? mm, string field)
    {
        Assert.Equal(field, Fields(Ruler(seconds, mm), Bare));
        Assert.Equal("", Fields(Ruler(1, 10), Bare));
        Assert.Equal("", Fields(Ruler(120, 50_000), Bare));
    }

    private static readonly Machine Bare = Welder with { WireControl = Welder.WireControl! with { Readings = [] } };

    [Theory]
    [InlineData(0.1, "")]
    [InlineData(1999, "")]
    [InlineData(0, "measured")]
    [InlineData(-3, "measured")]
    [InlineData(2000, "measured")]
    [InlineData(double.NaN, "measured")]
    public void What_was_measured_is_above_nought(double measured, string field) =>
        Assert.Equal(field, Fields(Meter(ReadControl.Wire, 50, measured), Bare));

    [Fact]
    public void Volts_and_amps_come_off_a_meter_only()
    {
        Assert.Equal("measured", Fields(Meter(ReadControl.Volt, 5, null)));
        Assert.Equal("measured", Fields(Meter(ReadControl.Amp, 100, null)));
        Assert.Equal("", Fields(Meter(ReadControl.Amp, 100, 96)));
        Assert.Equal("control", Fields(Meter(ReadControl.Amp, 100, 96), Room.KnobAndTaps));
    }

    [Theory]
    [InlineData(0, "")]
    [InlineData(100, "")]
    [InlineData(-1, "mark")]
    [InlineData(101, "mark")]
    public void The_mark_lies_on_the_dial(double mark, string field) => Assert.Equal(field, Fields(Meter(ReadControl.Wire, mark, 5), Bare));

    // Volts that follow the wire control are measured at its marks; the trim's own, -5 to 5, are no marks of it.
    [Fact]
    public void A_trims_volts_are_measured_at_marks_of_the_wire_control()
    {
        var oneKnob = Welder with { VoltControl = new Control(ControlKind.Trim, -5, 5, 1, "", [new(20, 15.5)], TrimVolts: 0.4) };
        Assert.Equal("", Fields(Meter(ReadControl.Volt, 70, 22.9), oneKnob));
        Assert.Equal("mark", Fields(Meter(ReadControl.Volt, 101, 22.9), oneKnob));
        Assert.Equal("measured", Fields(Meter(ReadControl.Volt, 70, 15), oneKnob));
        var said = Meter(ReadControl.Volt, 70, 15).On(oneKnob).Problems[0].Said;
        Assert.Equal("The reading at 70 is not above the one at 20: measure both again.", $"{said}");
    }

    [Fact]
    public void A_reading_that_falls_against_the_others_is_told_and_one_that_is_too_few_is_not()
    {
        Assert.Equal("measured", Fields(Meter(ReadControl.Wire, 50, 3)));
        Assert.Equal("measured", Fields(Meter(ReadControl.Volt, 5, 17)));
        Assert.Equal(
            "The reading at tap 5 is not above the one at tap 4: measure both again.",
            $"{Meter(ReadControl.Volt, 5, 17).On(Welder).Problems[0].Said}"
        );
        Assert.Equal(
            "The reading at mark 50 is not above the one at 40: measure both again.",
            $"{Meter(ReadControl.Wire, 50, 3).On(Welder).Problems[0].Said}"
        );
        Assert.Equal("", Fields(Meter(ReadControl.Wire, 50, 5), Bare));
        var taps = Welder with { VoltControl = Welder.VoltControl! with { Readings = [] } };
        Assert.Equal("", Fields(Meter(ReadControl.Volt, 5, 17), taps));
    }

    [Fact]
    public void A_machines_controls_are_wire_volts_and_amps_as_far_as_it_has_them()
    {
        Assert.Equal([ReadControl.Wire, ReadControl.Volt, ReadControl.Amp], Welder.Controls().Select(one => one.Which));
        Assert.Equal([ReadControl.Wire, ReadControl.Volt], Room.Digital.Controls().Select(one => one.Which));
        Assert.Same(Welder.AmpControl, Welder.ControlOf(ReadControl.Amp));
    }
}
