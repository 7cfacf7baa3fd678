using GentleBead.Core.Judging;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>
/// The tables of weights against what the trade knows of causes as such, and a count of how many of their numbers could be turned round
/// without any of these or the worked cases noticing: what dotnet-stryker cannot try, since a table is made once in a process.
/// </summary>
public class WeightsTests
{
    // A number that is turned round has to be noticed in this many of a hundred.
    private const double Noticed = 0.75;

    public static TheoryData<bool, Cause> Rows =>
        [.. Causes.Table.Select(row => (false, row.Cause)), .. TigCauses.Table.Select(row => (true, row.Cause))];

    [Theory]
    [MemberData(nameof(Rows))]
    public void Every_row_keeps_to_what_the_trade_knows(bool tig, Cause cause)
    {
        var row = (tig ? TigCauses.Table : Causes.Table).Single(row => row.Cause == cause);
        Assert.Equal([], WeightLaws.All.Where(law => !law.Holds(row)).Select(law => law.Name));
    }

    [Fact]
    public void Three_of_four_numbers_turned_round_are_noticed()
    {
        var cases = WorkedCases
            .All.Select(bead => (Signs: WorkedCases.SignsOf(bead).Once(), bead.Cause, Of: WorkedCases.Of(bead).Sheet.Job.Process))
            .ToArray();
        var (missed, tried) = (new List<string>(), 0);
        foreach (var table in new[] { Causes.Table, TigCauses.Table })
        {
            foreach (var row in table)
            {
                foreach (var (sign, weight) in row.Weights)
                {
                    tried++;
                    var turned = row with { Weights = new Dictionary<Sign, double>(row.Weights) { [sign] = -weight } };
                    if (
                        WeightLaws.All.All(law => law.Holds(turned))
                        && !cases.Any(one => Misleads(one.Signs, one.Cause, one.Of, row, turned))
                    )
                        missed.Add($"{row.Cause} {sign} {weight}");
                }
            }
        }
        Assert.True(tried > 500 && missed.Count <= (1 - Noticed) * tried, $"{missed.Count} of {tried}:\n{string.Join('\n', missed)}");
    }

    // Whether a case that came out right comes out otherwise.
    private static bool Misleads(IReadOnlyDictionary<Sign, double> signs, Cause cause, Process process, CauseRow row, CauseRow turned)
    {
        var table = Causes.Of(process);
        if (!table.Contains(row) || First(signs, table) != cause)
            return false;
        return First(signs, [.. table.Select(one => ReferenceEquals(one, row) ? turned : one)]) != cause;
    }

    private static Cause First(IReadOnlyDictionary<Sign, double> signs, IReadOnlyList<CauseRow> table) =>
        table.MaxBy(row => Ranking.Score(row, signs))!.Cause;
}
