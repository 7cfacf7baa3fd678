using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Trials;
using static GentleBead.Core.Tests.Trials.TrialRoom;

namespace GentleBead.Core.Tests.Trials;

/// <summary>What is learned from a trial's beads, in words and curves.</summary>
public class TrialResultTests
{
    private static readonly TrialPlan Wire = Plan(new(TrialKind.WireLadder));
    private static readonly Evidence Popping = new(Sound.Popping, Profile.PiledUp, Toes.Cold);

    private static string Learned(TrialPlan plan, params JudgedTrialBead[] beads) => $"{TrialResult.Of(plan, T, beads).Learned}";

    private static Length Mm(double mm) => Length.FromMm(mm);

    [Fact]
    public void Width_is_read_off_the_ruler_before_the_section()
    {
        var section = new MacroMeasures(Mm(4), Mm(4), Mm(2.8), Mm(6.2), Mm(0.3), Mm(0.6), Mm(0.5), Mm(0.5), Mm(0));
        double[] Widths(Evidence evidence) =>
            [
                .. TrialResult
                    .Of(Wire, T, [Laid(Wire, 1, evidence)])
                    .Curves.Where(curve => $"{curve.Name}" == "Width")
                    .SelectMany(curve => curve.Points.Select(point => point.Mm)),
            ];
        Assert.Equal([5.5], Widths(new(Measured: new(Width: Mm(5.5)), Macro: section)));
        Assert.Equal([6.2], Widths(new(Macro: section)));
        // A leg is no width.
        Assert.Empty(Widths(new(BeadSize: Mm(4))));
        var onPlate = Room.Sheet(joint: Core.Stock.Joint.BeadOnPlate, machine: Room.Digital);
        var plan = Plan(new(TrialKind.WireLadder), sheet: onPlate);
        var curve = Assert.Single(
            TrialResult.Of(plan, onPlate, [Laid(plan, 1, new(BeadSize: Mm(7)), sheet: onPlate)]).Curves,
            curve => curve.Points.Count > 0
        );
        Assert.Equal(("Width", 7.0), ($"{curve.Name}", curve.Points[0].Mm));
    }

    [Fact]
    public void How_a_measure_changed_is_said_up_down_or_not_at_all()
    {
        // Wire ladder: bead 1 has the most wire, bead 2 the least.
        string Two(double most, double least) =>
            Learned(Wire, Laid(Wire, 1, new(BeadSize: Mm(most))), Laid(Wire, 2, new(BeadSize: Mm(least))));
        Assert.Contains("more leg", Two(6, 3), StringComparison.Ordinal);
        Assert.Contains("less leg", Two(3, 6), StringComparison.Ordinal);
        Assert.Contains("Leg did not change with it.", Two(4, 4), StringComparison.Ordinal);
        Assert.DoesNotContain("Leg", Learned(Wire, Laid(Wire, 1, Popping), Laid(Wire, 2, Popping)), StringComparison.Ordinal);
    }

    [Fact]
    public void None_right_says_whether_some_are_still_open()
    {
        Assert.StartsWith(
            "None came out right yet; look at those still open.",
            Learned(Wire, Laid(Wire, 1, Popping), Laid(Wire, 2, new())),
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "None came out right yet. ",
            Learned(Wire, Laid(Wire, 1, Popping), Laid(Wire, 2, new(Sound.Hiss, Profile.Lumpy, Toes.Cold))),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_ladder_is_done_with_its_last_bead_only_and_a_staircase_when_it_went_ragged_after_smooth()
    {
        var ragged = new Evidence(Sound.Hiss);
        Assert.False(TrialResult.Of(Wire, T, [Laid(Wire, 1, Good), Laid(Wire, 2, ragged)]).Done);
        var stairs = Plan(new(TrialKind.Staircase));
        Assert.True(TrialResult.Of(stairs, T, [Laid(stairs, 1, Good), Laid(stairs, 2, ragged)]).Done);
        Assert.False(TrialResult.Of(stairs, T, [Laid(stairs, 1, Popping), Laid(stairs, 2, ragged)]).Done);
        Assert.False(TrialResult.Of(stairs, T, [Laid(stairs, 1, Good), Laid(stairs, 2, Good)]).Done);
        Assert.True(TrialResult.Of(stairs, T, [Laid(stairs, 1, Good), Laid(stairs, 2, new(Feel: Feel.LongArc))]).Done);
    }

    // A bead is held against those before it, not against those after.
    [Fact]
    public void A_bead_at_another_pace_than_the_first_is_the_one_that_is_left_out()
    {
        Evidence Pace(double seconds, double leg) =>
            new(Sound.Popping, BeadSize: Mm(leg), Measured: new(BeadLength: Mm(100), ArcSeconds: seconds));
        var sheetPace = 60 * 100 / T.Travel!.Value.MmPerMin;
        var result = TrialResult.Of(
            Wire,
            T,
            [
                Laid(Wire, 1, Pace(sheetPace, 6)),
                Laid(Wire, 2, Pace(sheetPace * 1.4, 3), minutes: 30),
                Laid(Wire, 3, Pace(sheetPace, 4), minutes: 60),
            ]
        );
        Assert.Equal(1, result.Spoilt);
        Assert.Contains("1 of 3 beads breaks the comparison", $"{result.Learned}", StringComparison.Ordinal);
        Assert.Equal([4, 6], result.Curves.Single(curve => $"{curve.Name}" == "Leg").Points.Select(point => point.Mm));
    }

    [Theory]
    [InlineData(0, "where the sheet aims")]
    [InlineData(1, "1.0 V over the sheet's")]
    [InlineData(-1, "1.0 V under the sheet's")]
    public void A_staircase_says_where_its_middle_lies_beside_the_sheets_volts(int shift, string says)
    {
        var stairs = Plan(new(TrialKind.Staircase));
        // Step 5 stands at the sheet's volts.
        var smooth = new[] { 4, 5, 6 }.Select(step => step + shift).ToArray();
        var beads = stairs.Steps.Select(step => Laid(stairs, step.Number, smooth.Contains(step.Number) ? Good : Popping)).ToArray();
        var learned = Learned(stairs, beads);
        Assert.Contains(says, learned, StringComparison.Ordinal);
        Assert.Contains($"the middle is {stairs.Steps[4 + shift].Value:0.0} V", learned, StringComparison.Ordinal);
        Assert.Contains(
            "No step ran smooth yet.",
            Learned(stairs, Laid(stairs, 1, Popping), Laid(stairs, 2, Popping)),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_position_pair_says_whether_both_came_out_alike_and_only_when_both_were_laid()
    {
        var pair = Plan(new(TrialKind.PositionPair));
        Assert.Contains("Both positions came out alike", Learned(pair, Laid(pair, 1, Good), Laid(pair, 2, Good)), StringComparison.Ordinal);
        Assert.Contains("came out differently", Learned(pair, Laid(pair, 1, Good), Laid(pair, 2, Popping)), StringComparison.Ordinal);
        Assert.DoesNotContain("positions", Learned(pair, Laid(pair, 1, Good), Laid(pair, 1, Good)), StringComparison.Ordinal);
    }
}
