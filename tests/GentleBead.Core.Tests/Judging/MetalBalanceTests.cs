using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Tests.Judging;

/// <summary>What is fed is laid (conservation of mass): leg, pace and wire speed that do not add up say which to doubt.</summary>
public sealed class MetalBalanceTests
{
    private static Judgement Judged(double leg, double pace, Machine? machine = null, Evidence? seen = null)
    {
        var (sheet, own) = WorkedCases.Of(WorkedCases.All.First(bead => bead.Job == "dip"));
        var travel = sheet.Travel!.Value * pace;
        var evidence = (seen ?? new(Sound.EvenCrackle, Profile.SlightlyConvex, Toes.Blended)) with
        {
            BeadSize = sheet.BeadSize.Aim * leg,
            Measured = (seen?.Measured ?? new()) with { BeadLength = Length.FromMm(100), ArcSeconds = 6000 / travel.MmPerMin },
        };
        return Judge.Of(sheet, machine ?? own, new Settings(sheet.Pair!.WireFeed, sheet.Pair.Volts.Aim), evidence);
    }

    [Theory]
    [InlineData(1, 1)]
    // Twice as fast lays half the metal: a leg shorter by the root of two.
    [InlineData(0.707, 2)]
    [InlineData(1.414, 0.5)]
    public void A_leg_that_fits_its_pace_and_wire_raises_no_doubt(double leg, double pace) =>
        Assert.DoesNotContain("does not add up", $"{Judged(leg, pace).Contradiction}", StringComparison.Ordinal);

    [Fact]
    public void Too_little_metal_at_the_right_pace_doubts_the_wire_where_nobody_measured_it()
    {
        var (_, machine) = WorkedCases.Of(WorkedCases.All.First(bead => bead.Job == "plate"));
        var judgement = Judged(0.75, 1, machine);
        Assert.Contains("Doubt the wire speed first", $"{judgement.Contradiction}", StringComparison.Ordinal);
        Assert.Equal(Cause.ReadOutOff, judgement.Causes[0].Cause);
        Assert.Contains(judgement.Causes[0].For, said => $"{said}".StartsWith("less metal", StringComparison.Ordinal));
    }

    [Fact]
    public void On_a_measured_machine_the_gauge_is_doubted_first() =>
        Assert.Contains("doubt the gauge or the watch first", $"{Judged(0.75, 1).Contradiction}", StringComparison.Ordinal);

    [Fact]
    public void Amps_that_fit_the_wire_put_the_doubt_on_gauge_and_watch()
    {
        var (sheet, machine) = WorkedCases.Of(WorkedCases.All.First(bead => bead.Job == "dip"));
        var amps = Current.FromAmps(sheet.Amps.Amps);
        var judgement = Judged(1.4, 1, machine, new(Sound.EvenCrackle, Measured: new(ArcAmps: amps)));
        Assert.Contains("The amps fit the wire", $"{judgement.Contradiction}", StringComparison.Ordinal);
    }
}
