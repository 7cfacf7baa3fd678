using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Core.Trials;
using static GentleBead.Core.Words.Said;

namespace GentleBead.Core.Tests.Judging;

/// <summary>What is said of cleaning, cooling and pace fits the metal and a hand. Common practice, no source.</summary>
public class AdviceByMetalTests
{
    public static TheoryData<Metal> EveryMetal => [.. Enum.GetValues<Metal>()];

    private static Sheet TigSheet(Metal metal) =>
        Assert.IsType<Sheet>(
            Planner.Plan(new Job(Thickness.Parse("3 mm"), Joint.T, Position.Flat, null, metal.Facts().Tig, metal, Gas.Argon))
        );

    private static string Advice(Metal metal, Cause cause)
    {
        var sheet = TigSheet(metal);
        return $"{NextChanges.For(cause, sheet, Room.Digital, sheet.Amps).Instruction}";
    }

    [Theory]
    [MemberData(nameof(EveryMetal))]
    public void A_disc_that_wore_steel_touches_no_other_metal(Metal metal)
    {
        var advice = Advice(metal, Cause.DirtyPlate);
        Assert.Equal(metal.IsSteel(), advice.Contains("Grind the plate", StringComparison.Ordinal));
        if (metal is Metal.Aluminium or Metal.Titanium or Metal.Stainless)
            Assert.Contains($"kept for {metal.Facts().Name}".Replace(" steel", ""), advice, StringComparison.Ordinal);
    }

    [Theory]
    [MemberData(nameof(EveryMetal))]
    public void What_hardens_or_cracks_is_not_quenched(Metal metal)
    {
        var sheet = TigSheet(metal);
        var machine = Room.Digital with { AmpControl = Room.Amps };
        var trial = TrialPlans.Make(new TrialRequest(TrialKind.AmpsLadder), sheet, machine, WayOfSetting.Usual).Value!;
        string[] said = [Advice(metal, Cause.PlateHot), .. trial.Hold.Select(line => $"{line}")];
        Assert.All(
            said,
            line =>
                Assert.True(
                    metal is Metal.MildSteel or Metal.Stainless || !line.Contains("quench", StringComparison.OrdinalIgnoreCase),
                    line
                )
        );
    }

    [Theory]
    [InlineData(347, "100 mm in 17 s", "4 inches in 18 s")]
    [InlineData(300, "100 mm in 20 s", "4 inches in 20 s")]
    [InlineData(600, "100 mm in 10 s", "4 inches in 10 s")]
    public void A_pace_is_a_length_and_its_time(double mmPerMin, string metric, string inch)
    {
        var pace = Say($"{TravelSpeed.FromMmPerMin(mmPerMin):timed}");
        Assert.Equal((metric, inch), (pace.In(Units.Metric), pace.In(Units.Inch)));
    }

    [Fact]
    public void No_hand_is_told_to_go_so_many_millimetres_a_minute()
    {
        var sheet = Room.Sheet();
        foreach (var cause in new[] { Cause.TravelFast, Cause.TravelSlow, Cause.UnevenHand })
        {
            var said = $"{NextChanges.For(cause, sheet, Room.Digital, Room.Pair(280, 20)).Instruction}";
            Assert.DoesNotContain("/min", said, StringComparison.Ordinal);
            Assert.Contains($"{Say($"{sheet.Travel!.Value:timed}")}", said, StringComparison.Ordinal);
        }
    }
}
