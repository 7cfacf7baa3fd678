using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Sheets;

/// <summary>Sizes, grooves and passes by hand.</summary>
public class PassesTests
{
    private static (Window<Length> Size, double Area) Size(string thickness, Joint joint, string? other = null)
    {
        var job = new Job(
            Thickness.Parse(thickness),
            joint,
            Position.Flat,
            Wire.Solid12,
            OtherThickness: other is null ? null : Thickness.Parse(other)
        );
        var found = BeadSizes.For(job).Value;
        return (found.Size, found.AreaMm2);
    }

    // Common practice, no source: legs of the plate's thickness to 2 mm more; 6 to 8 mm on 6 mm.
    [Theory]
    [InlineData("6", 6, 7, 8)]
    [InlineData("3", 3, 4, 5)]
    public void A_fillet_up_to_a_quarter_inch(string thickness, double low, double aim, double high)
    {
        var (size, area) = Size(thickness, Joint.T);
        Assert.Equal((low, aim, high), (size.Low.Mm, size.Aim.Mm, size.High.Mm));
        Assert.Equal(1.1 * aim * aim / 2, area, 1e-9);
    }

    // Past 1/4 in: three quarters of the plate; never under AWS D1.1's least fillet for the thicker member (values from memory).
    [Theory]
    [InlineData("10 mm", null, 7.5)]
    [InlineData("20 mm", null, 15)]
    [InlineData("7 mm", "25 mm", 7.9375)]
    public void A_fillet_past_a_quarter_inch(string thickness, string? other, double aim) =>
        Assert.Equal(aim, Size(thickness, Joint.T, other).Size.Aim.Mm, 1e-9);

    // 3 mm: gap 1.5; face 1.2 x 3 + 3 = 6.6; crown 1.32; 3 x 1.5 + 2/3 x 6.6 x 1.32 = 10.31 mm2.
    [Fact]
    public void A_square_butt()
    {
        var (size, area) = Size("3", Joint.SquareButt);
        Assert.Equal(6.6, size.Aim.Mm, 1e-9);
        Assert.Equal(10.31, area, 0.005);
        // Thin sheet is butted tight.
        Assert.Equal(2.0 / 3 * 4.2 * 0.84, Size("1", Joint.SquareButt).Area, 1e-9);
    }

    [Fact]
    public void An_outside_corner_is_full_at_the_plates_own_thickness_and_an_edge_as_wide_as_both()
    {
        Assert.Equal(3, Size("3", Joint.OutsideCorner).Size.Aim.Mm, 1e-9);
        Assert.Equal(5, Size("2", Joint.Edge, "3").Size.Aim.Mm, 1e-9);
        Assert.Equal(2.0 / 3 * 25 * 0.3, Size("2", Joint.Edge, "3").Area, 1e-9);
    }

    // AWS D1.1, least hole of a plug (value from memory): the plate and 5/16 in; at most 2 1/4 times the plate or the least and a little.
    [Fact]
    public void A_plug()
    {
        var (size, area) = Size("4", Joint.Plug);
        Assert.Equal((12, 15), (size.Aim.Mm, size.High.Mm));
        Assert.Equal(Math.PI * 36, area, 1e-9);
        Assert.Equal(27, Size("12", Joint.Plug).Size.High.Mm, 1e-9);
    }

    // Common practice, no source: a fillet is built like a pyramid: 1, 1 + 2, 1 + 2 + 3 beads.
    [Theory]
    [InlineData(1, 1)]
    [InlineData(2, 2)]
    [InlineData(3, 2)]
    [InlineData(4, 3)]
    [InlineData(6, 3)]
    [InlineData(7, 4)]
    public void Layers_of_a_fillet(int count, int layers)
    {
        var one = Fillet.Area(Length.FromMm(8));
        var plan = Passes
            .For(new Job(Thickness.Parse("20"), Joint.T, Position.Flat, Wire.Solid12, Process.GmawSpray), one * (count - 0.01), 1.131)
            .Value;
        Assert.Equal((count, layers), (plan.Count, plan.Layers));
    }

    [Fact]
    public void Overhead_a_pass_is_smaller()
    {
        var job = new Job(Thickness.Parse("12"), Joint.T, Position.Flat, Wire.GasShielded12, Process.FcawGasShielded);
        var flat = Passes.For(job, 90, 1.131).Value;
        var overhead = Passes.For(job with { Position = Position.Overhead }, 90, 1.131).Value;
        // A leg of 8 mm lays 35.2 mm2, one of 6 mm 19.8.
        Assert.Equal((3, 5), (flat.Count, overhead.Count));
        Assert.Equal(flat.DepositGPerM, overhead.DepositGPerM);
    }

    // Common practice, no source: the three schools of finding a pair.
    [Theory]
    [InlineData(PairRule.WireFirst, "volts from low up")]
    [InlineData(PairRule.VoltsFirst, "wire from low up")]
    [InlineData(PairRule.ChartFirst, "begin with the chart's pair")]
    public void Each_school_tunes_its_own_way(PairRule rule, string says)
    {
        var sheet = Assert.IsType<Sheet>(
            Planner.Plan(
                new Job(Thickness.Parse("3"), Joint.T, Position.Flat, Wire.Solid08),
                Room.Digital,
                WayOfSetting.Usual with
                {
                    Pair = rule,
                }
            )
        );
        Assert.Contains(sheet.Steps, step => step.Contains(says, StringComparison.Ordinal));
        Assert.Contains(
            sheet.Steps,
            step => step.StartsWith("Check with ruler and watch, on inch (wire without gas): 6 seconds", StringComparison.Ordinal)
        );
    }

    // Common practice, no source: a right-hander pushes from right to left; dragging, and the left hand, go the other way.
    private static readonly Dictionary<string, string> Hands = new()
    {
        ["Push"] = "A right-hander pushes from right to left, a left-hander from left to right.",
        ["Drag"] = "A right-hander drags from left to right, a left-hander from right to left.",
    };

    // Common practice, no source, as above: who said which hand is told that one way.
    [Theory]
    [InlineData(Process.GmawShortCircuit, Wire.Solid08, Gas.ArgonCarbon25, Hand.Right, "from right to left")]
    [InlineData(Process.GmawShortCircuit, Wire.Solid08, Gas.ArgonCarbon25, Hand.Left, "from left to right")]
    [InlineData(Process.FcawSelfShielded, Wire.SelfShielded09, Gas.None, Hand.Right, "from left to right")]
    [InlineData(Process.FcawSelfShielded, Wire.SelfShielded09, Gas.None, Hand.Left, "from right to left")]
    [InlineData(Process.GtawDc, null, Gas.Argon, Hand.Left, "from left to right")]
    public void A_students_own_hand_is_told_its_own_way_and_no_other(Process process, Wire? wire, Gas gas, Hand hand, string way)
    {
        Sheet In(Position position) =>
            Assert.IsType<Sheet>(Planner.Plan(new Job(Thickness.Parse("3"), Joint.T, position, wire, process, Gas: gas), hand: hand));
        var said = In(Position.Horizontal).Direction.ToString();
        Assert.EndsWith($"{(process.Facts().Slag ? "drag" : "push")} {way}.", said, StringComparison.Ordinal);
        Assert.DoesNotContain("hander", said, StringComparison.Ordinal);
        // Up and down is the same for either.
        Assert.DoesNotContain("hand", In(Position.VerticalUp).Direction.ToString(), StringComparison.Ordinal);
    }

    // Common practice, no source: two-step for short beads, four-step for long runs, a spot timer for plugs; the line is emptied on purge
    // once the cylinder is shut, and only then the machine goes off.
    [Theory]
    [InlineData(Joint.T, "pressed on and pressed off (four-step) for long runs")]
    [InlineData(Joint.Plug, "the spot timer")]
    public void Trigger_dry_run_and_purge_have_their_place_among_the_steps(Joint joint, string trigger)
    {
        var steps = Assert.IsType<Sheet>(Planner.Plan(new Job(Thickness.Parse("3"), joint, Position.Flat, Wire.Solid08))).Steps;
        Assert.Contains(steps, step => step.Contains(trigger, StringComparison.Ordinal));
        Assert.Contains(steps, step => step.Contains("run the pass dry once", StringComparison.Ordinal));
        Assert.Contains(steps, step => step.Contains("the line emptied on purge", StringComparison.Ordinal));
        var gasless = new Job(Thickness.Parse("3"), joint, Position.Flat, Wire.SelfShielded09, Process.FcawSelfShielded, Gas: Gas.None);
        Assert.DoesNotContain(Assert.IsType<Sheet>(Planner.Plan(gasless)).Steps, step => step.Contains("purge", StringComparison.Ordinal));
    }

    // Common practice, no source: slag means drag; solid wire is pushed, or either way, by school; vertical has words of its own.
    [Theory]
    [InlineData(Process.FcawSelfShielded, Wire.SelfShielded09, Gas.None, Position.Flat, DirectionRule.PushOnly, "Drag: slag means drag.")]
    [InlineData(Process.GmawShortCircuit, Wire.Solid08, Gas.ArgonCarbon25, Position.Flat, DirectionRule.PushOnly, "Push.")]
    [InlineData(
        Process.GmawShortCircuit,
        Wire.Solid08,
        Gas.ArgonCarbon25,
        Position.Flat,
        DirectionRule.Either,
        "Push. Drag only if it lets you see better: no slag here."
    )]
    [InlineData(
        Process.GmawShortCircuit,
        Wire.Solid08,
        Gas.ArgonCarbon25,
        Position.VerticalDown,
        DirectionRule.Either,
        "Downward, leaning upward, always ahead of the puddle."
    )]
    public void Push_or_drag(Process process, Wire wire, Gas gas, Position position, DirectionRule rule, string says) =>
        Assert.Equal(
            position == Position.Flat ? $"{says} {Hands[says[..4]]}" : says,
            Assert
                .IsType<Sheet>(
                    Planner.Plan(
                        new Job(Thickness.Parse("3"), Joint.T, position, wire, process, Metal.MildSteel, gas),
                        null,
                        WayOfSetting.Usual with
                        {
                            Direction = rule,
                        }
                    )
                )
                .Direction.ToString()
        );

    // Common practice, no source.
    [Theory]
    [InlineData(Motion.Straight, "Straight.")]
    [InlineData(Motion.SmallC, "A small c, even steps.")]
    [InlineData(Motion.WhipAndPause, "Whip and pause, a pause at each side.")]
    public void The_hand_by_school(Motion motion, string says) =>
        Assert.Equal(
            says,
            Assert
                .IsType<Sheet>(
                    Planner.Plan(
                        new Job(Thickness.Parse("3"), Joint.T, Position.Flat, Wire.Solid08),
                        null,
                        WayOfSetting.Usual with
                        {
                            Motion = motion,
                        }
                    )
                )
                .Motion.ToString()
        );
}
