using System.Globalization;
using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Tests.Sheets;

/// <summary>The steps of a sheet name the same numbers as its reasons, over every job.</summary>
public class WordsAgreeTests
{
    private static IEnumerable<Sheet> Every(Machine? machine) =>
        from process in Processes.All
        from wire in process.FeedsWire
            ? Wires.All.Where(row => row.RangeIn(process.Process) is not null).Select(row => (Wire?)row.Wire)
            : [null]
        from metal in Enum.GetValues<Metal>()
        from gas in Enum.GetValues<Gas>()
        from joint in Enum.GetValues<Joint>()
        from plate in new[] { "1", "1/8", "6", "12" }
        let sheet = Planner.Plan(new Job(Thickness.Parse(plate), joint, Position.Flat, wire, process.Process, metal, gas), machine) as Sheet
        where sheet is not null
        select sheet;

    private static string Result(Sheet sheet, string of) => sheet.Reasons.Single(reason => reason.Of == of).Result.ToString();

    [Fact]
    public void Without_a_machine_each_step_says_what_its_reason_says()
    {
        var seen = 0;
        foreach (var sheet in Every(null))
        {
            seen++;
            var steps = string.Join('\n', sheet.Steps);
            if (sheet.Tig is { } tig)
            {
                Assert.Contains(
                    $"Set {Result(sheet, "pedalMost")} with a pedal, or {Result(sheet, "amps")} without one.",
                    steps,
                    StringComparison.Ordinal
                );
                Assert.Contains(Result(sheet, "tungsten").Split(' ')[0], steps, StringComparison.Ordinal);
                Assert.Contains($"cup {tig.Cup};", steps, StringComparison.Ordinal);
            }
            else
            {
                Assert.Contains(
                    $"Wire {Result(sheet, "wireFeed")}, {Said.Say($"{sheet.Pair!.Volts.Aim}")}.",
                    steps,
                    StringComparison.Ordinal
                );
                Assert.StartsWith($"{Said.Say($"{sheet.Pair.Volts.Aim}")}", Result(sheet, "volts"), StringComparison.Ordinal);
                // 6 s are a tenth of a minute: an inch reader moves the point by one.
                var inInches = string.Join('\n', sheet.Steps.Select(step => step.In(Units.Inch)));
                Assert.Contains(
                    string.Create(CultureInfo.InvariantCulture, $"6 seconds of wire are {sheet.Pair.WireFeed.InPerMin / 10:0.0} in"),
                    inInches,
                    StringComparison.Ordinal
                );
            }
            if (sheet.GasFlow is { } flow)
                Assert.Contains($"Gas {Said.Say($"{flow.Aim}")}", steps, StringComparison.Ordinal);
        }
        Assert.True(seen > 1000);
    }

    [Fact]
    public void With_a_machine_the_marks_are_those_of_the_reasons()
    {
        foreach (var sheet in Every(Room.KnobAndTaps with { AmpControl = Room.Amps, HasAc = true }).Where((_, i) => i % 7 == 0))
        {
            var steps = string.Join('\n', sheet.Steps);
            if (sheet.Pair?.Marks is { } marks)
            {
                Assert.Contains($"Wire {marks.Wire.Reads}, volts {marks.Volt.Reads}.", steps, StringComparison.Ordinal);
                Assert.Contains($"{marks.Wire.Reads}", Result(sheet, "wireMark"), StringComparison.Ordinal);
                Assert.Contains($"{marks.Volt.Reads}", Result(sheet, "voltMark"), StringComparison.Ordinal);
            }
            if (sheet.Tig?.Mark is { } mark)
            {
                Assert.Contains($"Set {mark.Reads} with a pedal, or {Result(sheet, "amps")} without one.", steps, StringComparison.Ordinal);
                Assert.Contains($"{mark.Reads}", Result(sheet, "ampMark"), StringComparison.Ordinal);
            }
        }
    }

    [Fact]
    public void No_difference_is_told_as_nought_per_cent()
    {
        foreach (var sheet in Every(Room.Digital))
        {
            foreach (var difference in sheet.OtherWays)
            {
                Assert.DoesNotContain(" 0 %", difference.Text.ToString(), StringComparison.Ordinal);
                Assert.DoesNotContain(
                    "0 % less",
                    $"{difference.Text}".Replace("10 %", "", StringComparison.Ordinal).Replace("20 %", "", StringComparison.Ordinal),
                    StringComparison.Ordinal
                );
            }
        }
    }

    [Theory]
    [InlineData(0, 1, "1 bead")]
    [InlineData(1, 0, "1 sweep mark")]
    [InlineData(2, 40, "2 sweep marks and 40 beads")]
    public void What_there_is_none_of_is_not_named(int sweeps, int beads, string words) =>
        Assert.Equal(
            words,
            (LearnedWindow.Fit(WireArc.Dip(Wire.Solid08), []) with { Sweeps = sweeps, Beads = beads }).Grounds().ToString()
        );
}
