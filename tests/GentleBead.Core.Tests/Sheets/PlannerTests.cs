using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Sheets;

public class PlannerTests
{
    [Fact]
    public void A_bead_on_one_eighth_plate_is_the_agreed_setting()
    {
        var sheet = Room.Sheet(joint: Joint.BeadOnPlate, position: Position.Flat);
        Assert.Equal(250, sheet.Pair!.WireFeed.InPerMin, 0.5);
        Assert.InRange(sheet.Pair!.Volts.Aim.Volts, 18, 20);
        Assert.Equal(125, sheet.Amps.Amps, 1e-6);
        Assert.Equal("PA · 1G", sheet.PositionName);
        Assert.Equal(BeadMeasure.Width, sheet.BeadMeasure);
    }

    // Common practice, no source: in 1/8 in, 0.030 in wire, a T takes 280 in/min and an outside corner 180.
    [Theory]
    [InlineData(Joint.T, 280)]
    [InlineData(Joint.Lap, 280)]
    [InlineData(Joint.OutsideCorner, 180)]
    public void Joints_take_different_heat(Joint joint, double inPerMin) =>
        Assert.Equal(inPerMin, Room.Sheet(joint: joint).Pair!.WireFeed.InPerMin, 0.5);

    // Common practice, no source: legs of 6 to 8 mm on 6 mm plate, stick-out 6 to 10 mm, 10 to 12 L/min.
    [Fact]
    public void Sizes_on_six_millimetre_plate()
    {
        var sheet = Room.Sheet("6", wire: Wire.Solid12);
        Assert.Equal((6, 8), (sheet.BeadSize.Low.Mm, sheet.BeadSize.High.Mm));
        Assert.Equal((6, 10), (sheet.Pair!.StickOut.Low.Mm, sheet.Pair!.StickOut.High.Mm));
        Assert.Equal((10, 12), (sheet.GasFlow!.Low.LPerMin, sheet.GasFlow!.High.LPerMin));
        Assert.Contains(sheet.Cautions, caution => caution.Grave && caution.Text.Contains("two passes", StringComparison.Ordinal));
    }

    [Fact]
    public void Travel_lays_down_exactly_the_metal_of_the_bead_aimed_at()
    {
        var sheet = Room.Sheet();
        Assert.Equal(
            Fillet.Area(sheet.BeadSize.Aim),
            Deposit.BeadArea(sheet.Pair!.WireFeed, Wire.Solid08, sheet.Travel!.Value, 0.93),
            1e-9
        );
        Assert.InRange(sheet.Travel!.Value.InPerMin, 8, 20);
    }

    [Theory]
    [InlineData("0.8")]
    [InlineData("1.5")]
    [InlineData("3.2")]
    [InlineData("4.8")]
    [InlineData("6")]
    public void Every_thickness_and_joint_has_a_wire_that_does_it(string thickness)
    {
        foreach (var joint in Enum.GetValues<Joint>())
        {
            if (joint == Joint.VButt && Thickness.Parse(thickness).Value.Mm < 3)
                continue;
            Assert.Contains(
                Enum.GetValues<Wire>(),
                wire => Planner.Plan(new Job(Thickness.Parse(thickness), joint, Position.Flat, wire)) is Sheet
            );
        }
    }

    [Fact]
    public void A_wire_that_does_not_do_it_names_one_that_does()
    {
        var thin = Assert.IsType<Sheet>(Planner.Plan(new Job(Thickness.Parse("6"), Joint.T, Position.Flat, Wire.Solid06)));
        Assert.Contains(thin.Cautions, caution => caution.Grave && caution.Text.Contains("Better: 1.2 mm", StringComparison.Ordinal));
        var thick = Assert.IsType<Refusal>(Planner.Plan(new Job(Thickness.Parse("1"), Joint.OutsideCorner, Position.Flat, Wire.Solid12)));
        Assert.Contains("0.8 mm", thick.Message.ToString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("40 in")]
    [InlineData("0.4 mm")]
    [InlineData("0.01 in")]
    [InlineData("26 mm")]
    public void A_plate_outside_the_range_is_refused_with_the_range(string typed)
    {
        var refusal = Assert.IsType<Refusal>(Planner.Plan(new Job(Thickness.Parse(typed), Joint.T, Position.Flat, Wire.Solid08)));
        Assert.Equal("thickness", refusal.Field);
        Assert.Contains("0.5 to 25 mm", refusal.Message.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Inch_and_metric_words_for_one_plate_give_the_same_sheet()
    {
        var inch = Room.Sheet("1/8 in");
        var metric = Room.Sheet("3.175 mm");
        Assert.Equal(inch.Pair!.WireFeed, metric.Pair!.WireFeed);
        Assert.Equal(inch.Pair!.Volts, metric.Pair!.Volts);
        Assert.Equal(inch.Travel, metric.Travel);
    }

    [Fact]
    public void The_pair_is_told_in_the_marks_of_the_machine()
    {
        var digital = Room.Sheet(machine: Room.Digital).Pair!.Marks!;
        Assert.Equal(("280 in/min", "20 V"), ($"{digital.Wire.Reads}", $"{digital.Volt.Reads}"));

        var marks = Room.Sheet(machine: Room.KnobAndTaps).Pair!.Marks!;
        Assert.Equal(("47", "tap 6"), ($"{marks.Wire.Reads}", $"{marks.Volt.Reads}"));
        // Knob 47: 6.0 + 7/30 of 4.9 = 7.14 m/min. Tap 6: 18 + 2/3 of 3.6 = 20.4 V.
        Assert.Equal(7.143, marks.WireFeed.MPerMin, 0.001);
        Assert.Equal(20.4, marks.Volts.Volts, 1e-9);
    }

    [Fact]
    public void Marks_beyond_the_readings_and_a_strange_wire_are_pointed_out()
    {
        var beyond = Room.Sheet("4.5", machine: Room.KnobAndTaps);
        Assert.True(beyond.Pair!.Marks!.Wire.MarksBeyond == 0);
        var thin = Room.Sheet("1", Joint.OutsideCorner, wire: Wire.Solid06, machine: Room.KnobAndTaps);
        Assert.True(thin.Pair!.Marks!.Wire.MarksBeyond > 0);
        Assert.Contains(thin.Cautions, caution => caution.Text.Contains("past the last reading", StringComparison.Ordinal));
        var mismatch = Assert.Single(thin.Mismatches, mismatch => mismatch.Part == LoadPart.Wire);
        Assert.Equal(("0.030 in solid steel", "0.023 in solid steel"), (mismatch.Loaded.In(Units.Inch), mismatch.Wanted.In(Units.Inch)));
    }

    [Fact]
    public void A_machine_without_readings_still_gets_a_sheet()
    {
        var bare = Room.KnobAndTaps with { WireControl = Room.KnobAndTaps.WireControl! with { Readings = [] } };
        var sheet = Room.Sheet(machine: bare);
        Assert.Null(sheet.Pair!.Marks);
        Assert.Contains(sheet.Cautions, caution => caution.Text.Contains("Not calibrated", StringComparison.Ordinal));
    }

    [Fact]
    public void A_feeder_that_runs_out_is_not_asked_for_more()
    {
        var slow = Room.Digital with { WireControl = Room.Digital.WireControl! with { HighestMark = 200 } };
        var refusal = Assert.IsType<Refusal>(Planner.Plan(new Job(Thickness.Parse("1/8"), Joint.T, Position.Flat, Wire.Solid08), slow));
        Assert.Contains("at the most", refusal.Message.ToString(), StringComparison.Ordinal);
        Assert.Contains("0.9 mm", refusal.Message.ToString(), StringComparison.Ordinal);
    }
}
