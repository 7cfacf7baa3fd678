using GentleBead.Core.Machines;

namespace GentleBead.Core.Tests.Machines;

public class CalibrationTests
{
    private static Control Knob(params Reading[] readings) => new(ControlKind.Knob, 0, 100, 1, "", readings);

    private static Calibration Fit(Control control)
    {
        Assert.True(Calibration.TryFit(control, out var calibration, out var problem), problem?.ToString());
        return calibration!;
    }

    private static (double, double) At(Calibration dial, double mark) => (dial.ValueAt(mark).Value, dial.ValueAt(mark).MarksBeyond);

    [Fact]
    public void Marks_to_values_to_marks_returns()
    {
        var dial = Fit(Knob(new(10, 1.4), new(40, 6.1), new(85, 15.2)));
        for (var mark = 0; mark <= 100; mark++)
        {
            var there = dial.ValueAt(mark);
            if (there.Value <= 0)
                continue;
            Assert.Equal(mark, dial.MarkFor(there.Value).Mark);
        }
    }

    [Fact]
    public void More_knob_is_always_more_wire()
    {
        var dial = Fit(Knob(new(10, 1.4), new(40, 6.1), new(85, 15.2)));
        var values = Enumerable.Range(5, 96).Select(mark => dial.ValueAt(mark).Value).ToArray();
        Assert.Equal(values.Order(), values);
        Assert.Equal(values.Length, values.Distinct().Count());
    }

    [Fact]
    public void Readings_are_met_exactly_and_the_way_beyond_them_is_told()
    {
        var dial = Fit(Knob(new(20, 3), new(70, 13)));
        Assert.Equal((3, 0), At(dial, 20));
        Assert.Equal((8, 0), At(dial, 45));
        Assert.Equal((15, 10), At(dial, 80));
        Assert.Equal(5, dial.ValueAt(15).MarksBeyond);
    }

    // Common practice, no source: full scale near 800 in/min means half a turn is near 400.
    [Fact]
    public void One_measured_point_gives_the_whole_knob_roughly()
    {
        var dial = Fit(Knob(new Reading(100, 800 * 0.0254)));
        Assert.Equal(400 * 0.0254, dial.ValueAt(50).Value, 1e-9);
        Assert.Equal(50, dial.ValueAt(50).MarksBeyond);
    }

    [Fact]
    public void One_tap_alone_says_nothing_of_the_others()
    {
        Assert.False(Calibration.TryFit(new Control(ControlKind.Tap, 1, 10, 1, "", [new(4, 18)]), out _, out var problem));
        Assert.Contains("second mark", problem.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_display_is_believed_until_it_is_measured()
    {
        var believed = Fit(new Control(ControlKind.Digital, 50, 800, 1, "in/min", []));
        Assert.Equal((240 * 0.0254, 0), At(believed, 240));

        // Common practice, no source: 240 shown and 200 measured happens; the ruler wins.
        var measured = Fit(new Control(ControlKind.Digital, 50, 800, 1, "in/min", [new(240, 200 * 0.0254)]));
        Assert.Equal(200 * 0.0254, measured.ValueAt(240).Value, 1e-9);
        Assert.Equal(300, measured.MarkFor(250 * 0.0254).Mark);
    }

    [Fact]
    public void Taps_land_on_taps_and_two_readings_at_one_mark_count_as_their_mean()
    {
        var taps = Fit(new Control(ControlKind.Tap, 1, 10, 1, "", [new(1, 14), new(1, 14.4), new(10, 26)]));
        Assert.Equal(14.2, taps.ValueAt(1).Value, 1e-9);
        Assert.Equal(5, taps.MarkFor(19.3).Mark);
        Assert.False(taps.MarkFor(26.5).OutOfReach);
        Assert.True(taps.MarkFor(30).OutOfReach);
        Assert.Equal(10, taps.MarkFor(30).Mark);
    }

    [Theory]
    [InlineData(30, 2.0, "not above the one at 20")]
    [InlineData(120, 9.0, "off the dial")]
    [InlineData(40, 0.0, "not above 0")]
    public void A_reading_that_cannot_be_is_pointed_out(double mark, double measured, string says)
    {
        Assert.False(Calibration.TryFit(Knob(new(20, 3), new(mark, measured)), out _, out var problem));
        Assert.Contains(says, problem.ToString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(-1)]
    [InlineData(100.5)]
    [InlineData(double.NaN)]
    public void A_mark_off_the_dial_is_refused(double mark)
    {
        var dial = Fit(Knob(new(20, 3), new(70, 13)));
        var thrown = Assert.Throws<ArgumentOutOfRangeException>(() => dial.ValueAt(mark));
        Assert.Contains("0 to 100", thrown.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void How_sure_a_mark_is_follows_from_how_much_was_measured()
    {
        Assert.Equal(0.20, Fit(new Control(ControlKind.Digital, 50, 800, 1, "in/min", [])).ValueAt(240).SureShare);
        Assert.Equal(0.10, Fit(Knob(new Reading(50, 8))).SpreadShare);
        Assert.Equal(0.05, Fit(Knob(new(20, 3), new(70, 13))).SpreadShare);
        // Three readings on one line: nothing left but ruler and watch.
        Assert.Equal(0.02, Fit(Knob(new(20, 3), new(45, 8), new(70, 13))).SpreadShare);
        // 8.8 where the line promises 8 strays by 9 %.
        Assert.Equal(0.8 / 8.8, Fit(Knob(new(20, 3), new(45, 8.8), new(70, 13))).SpreadShare, 1e-9);
        // Taken twice at one mark, 7.6 and 8.4: a twentieth either way.
        Assert.Equal(0.05, Fit(Knob(new(20, 3), new(45, 7.6), new(45, 8.4))).SpreadShare, 1e-9);
        // A whole measured span past the last reading the doubt has doubled.
        var dial = Fit(Knob(new(20, 3), new(45, 8), new(50, 9)));
        Assert.Equal(2 * dial.SpreadShare, dial.ValueAt(80).SureShare, 1e-9);
        Assert.Equal(dial.SpreadShare, dial.ValueAt(30).SureShare, 1e-9);
    }

    [Fact]
    public void A_reading_the_others_outvote_is_pointed_out_and_none_where_they_agree()
    {
        var stray = Assert.Single(Fit(Knob(new(10, 2), new(30, 6), new(50, 12.5), new(70, 14), new(90, 18))).Strays);
        Assert.Equal(50, stray.Reading.Mark);
        Assert.Equal(10, stray.Expected, 1e-9);
        Assert.Empty(Fit(Knob(new(10, 2), new(30, 6), new(50, 10.4), new(70, 14), new(90, 18))).Strays);
        // A dial that bends all along has no odd one out.
        Assert.Empty(Fit(Knob(new(10, 1), new(30, 3), new(50, 7), new(70, 14), new(90, 26))).Strays);
        Assert.Empty(Fit(Knob(new(10, 2), new(50, 12.5), new(90, 18))).Strays);
    }

    // Common practice, no source: 240 shown and 200 measured happens.
    [Fact]
    public void The_read_out_against_the_ruler()
    {
        Assert.Equal(
            0.2,
            Calibration.ReadOutOff(new Control(ControlKind.Digital, 50, 800, 1, "in/min", [new(240, 200 * 0.0254)]))!.Value,
            1e-9
        );
        Assert.Equal(-0.1, Calibration.ReadOutOff(new Control(ControlKind.Digital, 10, 30, 0.1, "V", [new(18, 20)]))!.Value, 1e-9);
        Assert.Null(Calibration.ReadOutOff(Knob(new Reading(50, 8))));
    }
}
