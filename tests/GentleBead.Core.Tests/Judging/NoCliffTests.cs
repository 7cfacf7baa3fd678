using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Tests.Judging;

/// <summary>A little more of a setting changes a judgement a little: no cliffs.</summary>
public class NoCliffTests
{
    private const double MostJump = 0.10;

    public static TheoryData<string> Jobs => [.. WorkedCases.All.Select(bead => bead.Job).Distinct()];

    [Theory]
    [MemberData(nameof(Jobs))]
    public void No_share_jumps_for_a_tenth_of_a_volt_or_a_hundredth_of_the_wire(string job)
    {
        var (sheet, machine) = WorkedCases.Of(WorkedCases.All.First(bead => bead.Job == job));
        foreach (var evidence in WorkedCases.All.Where(bead => bead.Job == job).Select(bead => bead.Evidence).Append(new Evidence()))
        {
            if (sheet.Pair is not { } pair)
            {
                Smooth(
                    Enumerable
                        .Range(50, 110)
                        .Select(share => Shares(new TungstenBead(sheet, machine, sheet.Amps * (share / 100.0), evidence))),
                    $"{job}, amps, {evidence}"
                );
                continue;
            }
            foreach (var wire in new[] { 0.7, 1, 1.3 })
            {
                Smooth(
                    Enumerable
                        .Range(-60, 121)
                        .Select(tenths => new Settings(pair.WireFeed * wire, Voltage.FromVolts(pair.Volts.Aim.Volts + tenths / 10.0)))
                        .Select(used => Shares(new FedBead(sheet, machine, used, evidence))),
                    $"{job}, volts at {wire} of the wire, {evidence}"
                );
            }
            foreach (var volts in new[] { -2.0, 0, 2 })
            {
                Smooth(
                    Enumerable
                        .Range(50, 110)
                        .Select(share => new Settings(pair.WireFeed * (share / 100.0), Voltage.FromVolts(pair.Volts.Aim.Volts + volts)))
                        .Select(used => Shares(new FedBead(sheet, machine, used, evidence))),
                    $"{job}, wire at {volts} V beside, {evidence}"
                );
            }
        }
    }

    private static Dictionary<Cause, double> Shares(BeadAtHand bead) =>
        Ranking.Rank(Signs.Counted(bead), Causes.Of(bead.Sheet.Job.Process)).ToDictionary(cause => cause.Cause, cause => cause.Share);

    private static void Smooth(IEnumerable<Dictionary<Cause, double>> steps, string where)
    {
        var list = steps.ToArray();
        foreach (var (i, (one, next)) in list.Zip(list.Skip(1)).Index())
        {
            foreach (var (cause, share) in one)
                Assert.True(Math.Abs(next[cause] - share) <= MostJump, $"{where}: {cause} from {share:P0} to {next[cause]:P0} at step {i}");
        }
    }
}
