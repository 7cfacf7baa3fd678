using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>The advice, followed over the whole reach of two machines.</summary>
public class NextChangeTests
{
    private static readonly Machine[] Machines = [Room.Digital, Room.KnobAndTaps];

    /// <summary>Pairs over both machines' dials, a mark apart here and there, so that ends and middles both come up.</summary>
    private static IEnumerable<(Machine Machine, Sheet Sheet, double WireMark, double VoltMark, Settings Used)> Everywhere()
    {
        foreach (var machine in Machines)
        {
            var sheet = Room.Sheet(machine: machine);
            for (var wireStep = 0; wireStep <= 20; wireStep++)
            {
                for (var voltStep = 0; voltStep <= 18; voltStep++)
                {
                    var wireMark = At(machine.WireControl!, wireStep / 20.0);
                    var voltMark = At(machine.VoltControl!, voltStep / 18.0);
                    var used = machine.Read(wireMark, voltMark, null, null).Value;
                    if (used is not null)
                        yield return (machine, sheet, wireMark, voltMark, used);
                }
            }
        }

        static double At(Control control, double share) =>
            control.Settable(control.LowestMark + share * (control.HighestMark - control.LowestMark));
    }

    [Fact]
    public void No_advice_points_off_the_dial_or_between_its_marks()
    {
        var advised = 0;
        foreach (var (machine, sheet, _, _, used) in Everywhere())
        {
            foreach (var cause in Causes.Table.Select(row => row.Cause))
            {
                var next = NextChanges.For(cause, sheet, machine, used);
                Assert.NotNull(machine.Read(next.WireMark, next.VoltMark, null, null).Value);
                Assert.NotEmpty(next.Expect.ToString());
                advised++;
            }
        }
        Assert.True(advised > 10_000);
    }

    [Fact]
    public void One_thing_changes_and_it_changes_the_right_way()
    {
        foreach (var (machine, sheet, wireMark, voltMark, used) in Everywhere())
        {
            foreach (
                var (cause, control, way) in new[]
                {
                    (Cause.VoltsLow, 'v', 1),
                    (Cause.VoltsHigh, 'v', -1),
                    (Cause.WireLow, 'w', 1),
                    (Cause.WireHigh, 'w', -1),
                    (Cause.PairCold, 'w', 1),
                    (Cause.PairHot, 'w', -1),
                }
            )
            {
                var next = NextChanges.For(cause, sheet, machine, used);
                var wire = Math.Sign(next.WireMark!.Value - wireMark);
                var volt = Math.Sign(next.VoltMark!.Value - voltMark);
                Assert.True(wire == 0 || volt == 0, $"{cause} moved both at {wireMark}, {voltMark}.");
                // At the end of the volts the wire makes the pair, the other way round.
                if (control == 'v')
                    Assert.True(
                        volt == way || (volt == 0 && wire is var back && (back == -way || back == 0)),
                        $"{cause} at {wireMark}, {voltMark}: {next.Instruction}"
                    );
                else
                    Assert.True(wire == way || wire == 0, $"{cause} at {wireMark}, {voltMark}: {next.Instruction}");
            }
        }
    }

    [Fact]
    public void Following_it_brings_a_bad_pair_into_the_smooth_band_or_as_near_as_the_taps_allow()
    {
        var mended = 0;
        foreach (var (machine, sheet, _, _, used) in Everywhere())
        {
            var band = SmoothBand.At(used.WireFeed, WireArc.Dip(Wire.Solid08));
            var cause = used.Volts < band.Low ? Cause.VoltsLow : Cause.VoltsHigh;
            if (band.Holds(used.Volts))
                continue;
            // With the second of two where it takes two.
            var (next, after) = NextChanges.Turning(cause, sheet, machine, used);
            var bandAfter = SmoothBand.At(after.WireFeed, WireArc.Dip(Wire.Solid08));
            Assert.True(
                Off(after, bandAfter) < Off(used, band) || next.Instruction.Contains("at its end", StringComparison.Ordinal),
                $"{next.Instruction}"
            );
            // A tap is 1.2 V on this machine; a display sets tenths.
            if (after.Volts != used.Volts && bandAfter.Aim.Volts is > 15 and < 25)
            {
                Assert.True(Off(after, bandAfter) <= 0.7, $"{next.Instruction} leaves {Off(after, bandAfter):0.0} V.");
                mended++;
            }
        }
        Assert.True(mended > 200);

        static double Off(Settings pair, Window<Voltage> band) => Math.Abs(pair.Volts.Volts - band.Aim.Volts);
    }

    [Fact]
    public void Without_readings_the_advice_is_in_volts_and_wire_speed()
    {
        var bare = Room.KnobAndTaps with
        {
            WireControl = Room.KnobAndTaps.WireControl! with { Readings = [] },
            VoltControl = Room.KnobAndTaps.VoltControl! with { Readings = [] },
        };
        var next = NextChanges.For(Cause.VoltsLow, Room.Sheet(), bare, Room.Pair(280, 17));
        Assert.Equal("Volts up to about 20.0 V. Leave the wire.", next.Instruction.ToString());
        Assert.Null(next.VoltMark);
        next = NextChanges.For(Cause.PairCold, Room.Sheet(), bare, Room.Pair(200, 17));
        Assert.Equal("First of two: wire up to about 7.1 m/min.", next.Instruction.ToString());
        Assert.Equal("Second, once that is heard: volts to 20.0 V, by ear.", next.Then?.ToString());
    }

    /// <summary>Common practice, no source: where the pair is off, one school mends the volts, the other the wire.</summary>
    [Fact]
    public void The_instructors_school_decides_which_of_the_pair_is_mended()
    {
        var job = new Job(Thickness.Parse("1/8"), Joint.T, Position.Horizontal, Wire.Solid08);
        Sheet By(PairRule pair) => Assert.IsType<Sheet>(Planner.Plan(job, Room.Digital, WayOfSetting.Usual with { Pair = pair }));
        var used = new Settings(WireFeedSpeed.FromInPerMin(300), Voltage.FromVolts(20));
        Assert.StartsWith(
            "Volts up",
            NextChanges.For(Cause.VoltsLow, By(PairRule.WireFirst), Room.Digital, used).Instruction.ToString(),
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "Wire down",
            NextChanges.For(Cause.VoltsLow, By(PairRule.VoltsFirst), Room.Digital, used).Instruction.ToString(),
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "Volts down",
            NextChanges.For(Cause.VoltsHigh, By(PairRule.WireFirst), Room.Digital, used).Instruction.ToString(),
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "Wire up",
            NextChanges.For(Cause.VoltsHigh, By(PairRule.VoltsFirst), Room.Digital, used).Instruction.ToString(),
            StringComparison.Ordinal
        );
        // Volts that are not the sheet's own are mended first in any school.
        Assert.StartsWith(
            "Volts up",
            NextChanges
                .For(Cause.VoltsLow, By(PairRule.VoltsFirst), Room.Digital, used with { Volts = Voltage.FromVolts(16) })
                .Instruction.ToString(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_step_on_a_display_a_knob_and_a_tap_reads_as_it_is_said()
    {
        Assert.Equal(
            "Volts up 2, 18 to 20 V. Leave the wire at 280 in/min.",
            NextChanges.For(Cause.VoltsLow, Room.Sheet(), Room.Digital, Room.Pair(280, 18)).Instruction.ToString()
        );
        Assert.Equal(
            "Volts up one tap, 5 to 6. Leave the wire at 47.",
            NextChanges.For(Cause.VoltsLow, Room.Sheet(), Room.KnobAndTaps, Room.Pair(280, 19.2)).Instruction.ToString()
        );
        Assert.StartsWith(
            "Wire down 15 marks, 62 to 47.",
            NextChanges.For(Cause.WireHigh, Room.Sheet(), Room.KnobAndTaps, Room.Pair(380, 20.4)).Instruction.ToString(),
            StringComparison.Ordinal
        );
    }
}
