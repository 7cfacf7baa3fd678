using GentleBead.Core.Machines;

namespace GentleBead.Core.Tests.Machines;

/// <summary>A coarse and a fine switch: each coarse step has a line of its own. Values worked out by hand.</summary>
public class CoarseFineTests
{
    // Coarse A is marks 1 to 4, B is 5 to 8, C is 9 to 12.
    private static Control Switch(params Reading[] readings) =>
        new(ControlKind.CoarseFine, 1, 12, 1, "", readings, ["A", "B", "C"], FineSteps: 4);

    private static string? Problem(Control control) => Calibration.TryFit(control, out _, out var problem) ? null : $"{problem}";

    private static double At(Control control, double mark)
    {
        Assert.True(Calibration.TryFit(control, out var fit, out _));
        return fit.ValueAt(mark).Value;
    }

    // A rises 1 V a step, B 0.8; C has one reading and rises as they do on average, 0.9.
    [Fact]
    public void A_coarse_step_with_one_reading_rises_as_the_others_do_on_average()
    {
        var control = Switch(new(1, 14), new(4, 17), new(5, 16.4), new(8, 18.8), new(10, 21));
        Assert.Equal(15, At(control, 2), 1e-9);
        Assert.Equal(17.2, At(control, 6), 1e-9);
        Assert.Equal(21, At(control, 10), 1e-9);
        Assert.Equal(20.1, At(control, 9), 1e-9);
        Assert.Equal(22.8, At(control, 12), 1e-9);
    }

    [Fact]
    public void What_is_still_to_be_measured_is_said()
    {
        Assert.Equal("Not calibrated: no readings yet.", Problem(Switch()));
        Assert.Equal("Measure two fine steps of one coarse step first.", Problem(Switch(new Reading(1, 14))));
        Assert.Equal("Measure two fine steps of one coarse step first.", Problem(Switch(new(1, 14), new(5, 16))));
        Assert.Equal("Nothing measured at coarse B yet.", Problem(Switch(new(1, 14), new(4, 17), new(9, 20))));
        Assert.Equal(
            "The reading at coarse B, fine 4 is not above the one at coarse B, fine 1: measure both again.",
            Problem(Switch(new(1, 14), new(4, 17), new(5, 16.4), new(8, 16), new(9, 20)))
        );
    }

    // From one coarse step to the next the volts may fall; within one they never do.
    [Fact]
    public void Volts_fall_only_from_one_coarse_step_to_the_next()
    {
        Assert.False(Calibration.Falls(Switch(new(1, 14), new(4, 17), new(5, 16.4))));
        Assert.False(Calibration.Falls(Switch(new(4, 17), new(5, 16.4), new(9, 16))));
        Assert.True(Calibration.Falls(Switch(new(1, 14), new(4, 13))));
        Assert.True(Calibration.Falls(Switch(new(1, 14), new(4, 17), new(5, 16.4), new(8, 16.4))));
    }

    // Four of B lie on a line but one; the stray is looked for among its own coarse step alone.
    [Fact]
    public void A_stray_is_outvoted_by_its_own_coarse_step()
    {
        Control wide = new(
            ControlKind.CoarseFine,
            1,
            12,
            1,
            "",
            [new(1, 10), new(6, 15), new(7, 16), new(8, 17), new(9, 21), new(10, 19.5 + 2), new(11, 22), new(12, 22.5)],
            ["A", "B"],
            FineSteps: 6
        );
        Assert.True(Calibration.TryFit(wide, out var fit, out _));
        Assert.DoesNotContain(fit.Strays, stray => stray.Reading.Mark < 7);
        var off = wide with { Readings = [new(1, 10), new(6, 15), new(7, 10), new(8, 12), new(9, 15.8), new(10, 16), new(12, 20)] };
        Assert.True(Calibration.TryFit(off, out var strayed, out _));
        Assert.Equal([9.0], strayed.Strays.Select(stray => stray.Reading.Mark));
    }

    [Theory]
    [InlineData(2, 2, true)]
    [InlineData(20, 2, true)]
    [InlineData(1, 2, false)]
    [InlineData(21, 2, false)]
    [InlineData(4, 1, false)]
    public void Coarse_and_fine_have_two_coarse_steps_and_two_to_twenty_fine_ones(int fine, int coarse, bool good)
    {
        var control = new Control(
            ControlKind.CoarseFine,
            1,
            fine * coarse,
            1,
            "",
            [],
            [.. Enumerable.Range(0, coarse).Select(step => $"{(char)('A' + step)}")],
            fine
        );
        Assert.Equal(good, control.Check(["V"]) is null);
        Assert.NotNull((control with { HighestMark = fine * coarse + 1 }).Check(["V"]));
        Assert.NotNull((control with { MarkStep = 0.5 }).Check(["V"]));
    }

    [Theory]
    [InlineData(5, -5, 5, true)]
    [InlineData(5.1, -5, 5, false)]
    [InlineData(0, -5, 5, false)]
    [InlineData(1, 0, 5, true)]
    [InlineData(1, -5, 0, true)]
    [InlineData(1, 1, 5, false)]
    [InlineData(1, -5, -1, false)]
    [InlineData(1, -1001, 5, false)]
    public void A_trim_stands_at_nought_somewhere_and_adds_up_to_five_volts_a_mark(double volts, double low, double high, bool good) =>
        Assert.Equal(good, new Control(ControlKind.Trim, low, high, 1, "", [], TrimVolts: volts).Check(["V"]) is null);

    [Fact]
    public void Marks_have_names_of_up_to_twelve_letters_and_steps_that_fit()
    {
        Control Taps(string last) => new(ControlKind.Tap, 1, 2, 1, "", [], ["low", last]);
        Assert.Null(Taps(new string('x', 12)).Check(["V"]));
        Assert.NotNull(Taps(new string('x', 13)).Check(["V"]));
        Assert.NotNull(Taps(" ").Check(["V"]));
        Assert.NotNull((Taps("high") with { Names = ["low", "middle", "high"] }).Check(["V"]));
        Assert.Null((Taps("high") with { Names = [] }).Check(["V"]));
        Control Knob(double step, double low = 0, double high = 10) => new(ControlKind.Knob, low, high, step, "", []);
        Assert.Null(Knob(10).Check(["V"]));
        Assert.NotNull(Knob(10.1).Check(["V"]));
        Assert.NotNull(Knob(0).Check(["V"]));
        Assert.Null(Knob(1, 0, 10_000).Check(["V"]));
        Assert.NotNull(Knob(1, 0, 10_001).Check(["V"]));
        Assert.NotNull(Knob(1, -1).Check(["V"]));
        Assert.Contains("both from 0 up", $"{Knob(1, -1).Check(["V"])}", StringComparison.Ordinal);
        Assert.NotNull(Knob(1, 0, double.PositiveInfinity).Check(["V"]));
    }

    // Half a step past the last mark is still that mark; further off it cannot be set.
    [Fact]
    public void Half_a_step_past_the_end_is_within_reach()
    {
        var taps = Room.KnobAndTaps.VoltControl!;
        Assert.True(Calibration.TryFit(taps, out var fit, out _));
        var (last, slope) = (fit.ValueAt(10).Value, fit.ValueAt(10).Value - fit.ValueAt(9).Value);
        Assert.False(fit.MarkFor(last + 0.4 * slope).OutOfReach);
        Assert.True(fit.MarkFor(last + 0.6 * slope).OutOfReach);
        var (first, rise) = (fit.ValueAt(1).Value, fit.ValueAt(2).Value - fit.ValueAt(1).Value);
        Assert.False(fit.MarkFor(first - 0.4 * rise).OutOfReach);
        Assert.True(fit.MarkFor(first - 0.6 * rise).OutOfReach);
    }
}
