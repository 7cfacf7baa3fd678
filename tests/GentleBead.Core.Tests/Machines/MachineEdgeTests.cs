using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Machines;

/// <summary>Where the limits of dials, readings and charts lie.</summary>
public class MachineEdgeTests
{
    private static Control Knob(params Reading[] readings) => new(ControlKind.Knob, 0, 100, 1, "", readings);

    private static Calibration Fit(Control control)
    {
        Assert.True(Calibration.TryFit(control, out var calibration, out _));
        return calibration!;
    }

    // Common practice, no source: ruler and watch are good to a few per cent; one tenth off its neighbours was misread or mistyped.
    [Theory]
    [InlineData(10.9, false)]
    [InlineData(11.3, true)]
    [InlineData(9.2, false)]
    [InlineData(9.0, true)]
    public void A_reading_a_tenth_off_what_its_neighbours_promise_is_pointed_out(double measured, bool stray)
    {
        var strays = Fit(Knob(new(10, 2), new(30, 6), new(50, measured), new(70, 14), new(90, 18))).Strays;
        Assert.Equal(stray ? [50.0] : [], strays.Select(one => one.Reading.Mark));
    }

    private static readonly DoorChart Chart = new(
        Process.GmawShortCircuit,
        Wire.Solid08,
        Gas.ArgonCarbon25,
        [new(Thickness.Parse("16 ga"), 130, 16), new(Thickness.Parse("1/8"), 280, 19), new(Thickness.Parse("3/16"), 400, 19.5)]
    );

    // Manufacturers' Standard Gauge (GNU Units: stdgauge(16)): 1.519 mm, the same sheet as 1.5 mm; 3/16 in (4.76 mm) is not 5 mm plate.
    [Theory]
    [InlineData(1.5, true)]
    [InlineData(1.45, false)]
    [InlineData(3, true)]
    [InlineData(4.8, true)]
    [InlineData(5, false)]
    public void A_chart_speaks_of_the_plates_between_its_ends_and_of_none_beyond(double mm, bool speaks)
    {
        Assert.True(Dials.TryFit(Room.Digital, out var dials, out _));
        Assert.Equal(speaks, Chart.At(Length.FromMm(mm), dials!) is not null);
    }

    // 3 mm lies 0.8944 of the way from 16 ga (1.519) to 1/8 (3.175): 130 + 0.8944 x 150 = 264.2 in/min, 16 + 0.8944 x 3 = 18.68 V.
    [Fact]
    public void Between_two_steps_a_chart_is_read_straight()
    {
        Assert.True(Dials.TryFit(Room.Digital, out var dials, out _));
        var pair = Chart.At(Length.FromMm(3), dials!)!;
        Assert.Equal(264.2, pair.WireFeed.InPerMin, 0.1);
        Assert.Equal(18.68, pair.Volts.Volts, 0.05);
        Assert.Equal(("16 ga", "1/8"), (pair.From, pair.To));
    }

    // A bead on 4 mm says nothing of a chart's 1/8 in step (3.175); one on 3.5 mm does.
    [Theory]
    [InlineData(3.5, 1)]
    [InlineData(2.7, 1)]
    [InlineData(4, 0)]
    [InlineData(2.4, 0)]
    public void A_bead_speaks_for_the_step_its_plate_is_within_a_fifth_of(double mm, int beads)
    {
        var bead = new RightBead(Length.FromMm(mm), 1, Room.Pair(280, 19));
        Assert.Equal(beads, Chart.Compare(Room.Digital, [bead])[1].BeadCount);
    }

    [Fact]
    public void A_chart_has_two_to_forty_steps_a_hair_apart_at_the_least()
    {
        static ChartStep Step(double mm) => new(Thickness.Parse(mm.ToString("0.###")), 200, 18);
        static IEnumerable<string> Fields(IEnumerable<ChartStep> steps) =>
            (Chart with { Steps = [.. steps] }).Problems(Room.Digital).Select(problem => problem.Field);
        Assert.Empty(Fields([Step(1), Step(2)]));
        Assert.Equal(["steps"], Fields([Step(1)]));
        Assert.Empty(Fields(Enumerable.Range(1, 40).Select(i => Step(i * 0.5))));
        Assert.Equal(["steps"], Fields(Enumerable.Range(1, 41).Select(i => Step(i * 0.5))));
        Assert.Empty(Fields([Step(1), Step(1.01)]));
        Assert.Equal(["steps[1].thickness"], Fields([Step(1), Step(1.004)]));
    }
}
