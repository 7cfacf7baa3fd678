using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>How far a control is turned, and how that is said; what is said where no control makes the change.</summary>
public class TurnTests
{
    private static readonly Control Knob = new(ControlKind.Knob, 0, 100, 1, "", []);
    private static readonly Control Tap = new(ControlKind.Tap, 1, 10, 1, "", []);
    private static readonly Control Digits = new(ControlKind.Digital, 10, 300, 1, "A", []);

    private static readonly Machine WithAmps = Room.Digital with { AmpControl = Digits };

    private static readonly Sheet Tig = Room.TigSheet();

    [Theory]
    [InlineData(4, 5, "up one tap, 4 to 5")]
    [InlineData(4, 6, "up 2 taps, 4 to 6")]
    [InlineData(5, 4, "down one tap, 5 to 4")]
    [InlineData(6, 4, "down 2 taps, 6 to 4")]
    public void Taps_are_counted(double from, double to, string words) => Assert.Equal(words, $"{Stand.Turn(Tap, from, to)}");

    [Theory]
    [InlineData(48, 49, "up 1 mark, 48 to 49")]
    [InlineData(48, 51, "up 3 marks, 48 to 51")]
    [InlineData(48, 47, "down 1 mark, 48 to 47")]
    [InlineData(48, 45, "down 3 marks, 48 to 45")]
    public void Marks_are_counted(double from, double to, string words) => Assert.Equal(words, $"{Stand.Turn(Knob, from, to)}");

    [Theory]
    [InlineData(120, 132, "up 12, 120 to 132 A")]
    [InlineData(120, 108, "down 12, 120 to 108 A")]
    public void A_display_is_read(double from, double to, string words) => Assert.Equal(words, $"{Stand.Turn(Digits, from, to)}");

    [Theory]
    // Where the mark asked for lies the right way, it is taken.
    [InlineData(40, 47, 1, 47.0)]
    [InlineData(40, 33, -1, 33.0)]
    // Where it does not move, or the wrong way, it goes one step the right way.
    [InlineData(40, 40, 1, 41.0)]
    [InlineData(40, 40, -1, 39.0)]
    [InlineData(40, 35, 1, 41.0)]
    [InlineData(40, 45, -1, 39.0)]
    // At the end of the dial there is no further.
    [InlineData(100, 100, 1, null)]
    [InlineData(0, 0, -1, null)]
    public void A_control_moves_at_least_a_step_the_right_way(double from, double mark, int way, double? to) =>
        Assert.Equal(to, Stand.Moved(Knob, from, mark, way));

    [Fact]
    public void Volts_of_coarse_and_fine_switches_go_by_the_volts()
    {
        // The next position up can be fewer volts: coarse 2, fine 1 gives less than coarse 1, fine 3.
        var machine = Room.KnobAndTaps with
        {
            VoltControl = new(
                ControlKind.CoarseFine,
                1,
                6,
                1,
                "",
                [new(1, 15), new(2, 17), new(3, 19), new(4, 18), new(5, 20), new(6, 22)],
                ["A", "B"],
                FineSteps: 3
            ),
        };
        var at = Stand.Of(machine, new(WireFeedSpeed.FromMPerMin(6), Voltage.FromVolts(19)))!;
        var up = at.VoltMoved(Voltage.FromVolts(20), 1)!.Value;
        Assert.True(at.Dials.VoltsAt(up, at.WireMark).Volts > at.Dials.VoltsAt(at.VoltMark, at.WireMark).Volts);
        var down = at.VoltMoved(Voltage.FromVolts(17), -1)!.Value;
        Assert.True(at.Dials.VoltsAt(down, at.WireMark).Volts < at.Dials.VoltsAt(at.VoltMark, at.WireMark).Volts);
        Assert.Null(at.VoltMoved(Voltage.FromVolts(19), 1));
    }

    [Theory]
    // To the sheet where that is the right way and far enough, else a twentieth past where it stood.
    [InlineData(Cause.AmpsLow, 0.7, 1.0, "Amps up to about")]
    [InlineData(Cause.AmpsLow, 1.0, 1.05, "Amps up to about")]
    [InlineData(Cause.AmpsLow, 0.99, 1.0395, "Amps up to about")]
    [InlineData(Cause.AmpsHigh, 1.4, 1.0, "Amps down to about")]
    [InlineData(Cause.AmpsHigh, 1.0, 0.95, "Amps down to about")]
    public void Amps_go_to_the_sheet_or_a_twentieth(Cause cause, double at, double to, string words) =>
        Assert.Equal($"{words} {Said.Say($"{Tig.Amps * to}")}.", $"{NextChanges.For(cause, Tig, Room.Digital, Tig.Amps * at).Instruction}");

    [Fact]
    public void Amps_in_the_marks_of_the_machine()
    {
        var up = NextChanges.For(Cause.AmpsLow, Tig, WithAmps, Tig.Amps * 0.7);
        Assert.StartsWith(
            $"Amps up {Math.Round(Tig.Amps.Amps) - Math.Round(Tig.Amps.Amps * 0.7)}",
            $"{up.Instruction}",
            StringComparison.Ordinal
        );
        Assert.Equal(Math.Round(Tig.Amps.Amps), up.AmpMark);
        Assert.Contains(
            "more amps",
            $"{NextChanges.For(Cause.AmpsLow, Tig, WithAmps, Current.FromAmps(300)).Instruction}",
            StringComparison.Ordinal
        );
        Assert.Contains(
            "ease the pedal",
            $"{NextChanges.For(Cause.AmpsHigh, Tig, WithAmps, Current.FromAmps(10)).Instruction}",
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData(Cause.TravelFast, true)]
    [InlineData(Cause.GasLost, true)]
    [InlineData(Cause.PlateHot, true)]
    [InlineData(Cause.NothingWrong, false)]
    [InlineData(Cause.DirtyPlate, false)]
    [InlineData(Cause.CraterOpen, false)]
    [InlineData(Cause.Cracked, false)]
    public void The_controls_are_left_where_the_hand_makes_the_change(Cause cause, bool left)
    {
        var fed = NextChanges.For(cause, Room.Sheet(), Room.Digital, Room.Pair(280, 20));
        Assert.Equal(left, $"{fed.Instruction}".EndsWith(" Leave both controls.", StringComparison.Ordinal));
        var tig = NextChanges.For(cause, Tig, Room.Digital, Tig.Amps);
        Assert.Equal(left, $"{tig.Instruction}".EndsWith(" Leave the amps.", StringComparison.Ordinal));
    }

    [Fact]
    public void A_crater_is_filled_by_pedal_or_by_a_step_back()
    {
        Assert.Contains("pedal", $"{NextChanges.For(Cause.CraterOpen, Tig, Room.Digital, Tig.Amps).Instruction}", StringComparison.Ordinal);
        var fed = $"{NextChanges.For(Cause.CraterOpen, Room.Sheet(), Room.Digital, Room.Pair(280, 20)).Instruction}";
        Assert.Contains("step back", fed, StringComparison.Ordinal);
    }

    [Fact]
    public void Rod_is_fed_without_a_turn_of_the_amps()
    {
        foreach (var cause in new[] { Cause.FillerLittle, Cause.FillerMuch })
        {
            var said = $"{NextChanges.For(cause, Tig, Room.Digital, Tig.Amps).Instruction}";
            Assert.EndsWith("Leave the amps and the pace.", said, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void A_plug_is_stayed_on_longer_or_shorter_by_the_second()
    {
        var plug = Room.Sheet(joint: Joint.Plug, position: Position.Flat);
        var seconds = $"{Said.Say($"{plug.PlugSeconds!.Value:0.0} s")}";
        Assert.Equal(
            $"Stay longer: about {seconds}. Leave both controls.",
            $"{NextChanges.For(Cause.TravelFast, plug, Room.Digital, Room.Pair(280, 20)).Instruction}"
        );
        Assert.Contains(
            seconds,
            $"{NextChanges.For(Cause.UnevenHand, plug, Room.Digital, Room.Pair(280, 20)).Instruction}",
            StringComparison.Ordinal
        );
    }
}
