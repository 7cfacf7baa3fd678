using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>Learning from rulings: capped, in the open, played back the same, and never to the harm of a case that is known.</summary>
public sealed class RoomWeightsTests
{
    private static RuledBead Ruled(WorkedCase bead, Cause? cause = null)
    {
        var (sheet, machine) = WorkedCases.Of(bead);
        BeadAtHand laid = sheet.Pair is null
            ? new TungstenBead(sheet, machine, Core.Quantities.Current.FromAmps(sheet.Amps.Amps * bead.Wire), bead.Evidence)
            : new FedBead(sheet, machine, WorkedCases.Pair(bead), bead.Evidence);
        return new(sheet.Job.Process, WorkedCases.Judged(bead).Causes[0].Cause, cause ?? bead.Cause, Signs.Counted(laid));
    }

    private static Cause First(RuledBead bead, IReadOnlyList<CauseRow> table) => Ranking.Rank(bead.Signs, table)[0].Cause;

    [Fact]
    public void No_known_case_that_the_table_has_right_is_made_wrong_by_half_of_them_held_out()
    {
        for (var half = 0; half < 2; half++)
        {
            var learned = RoomWeights.Learn([.. WorkedCases.All.Where((_, at) => at % 2 == half).Select(bead => Ruled(bead))]);
            Assert.True(learned.Weights.Count > 100);
            foreach (var bead in WorkedCases.All.Where((_, at) => at % 2 != half).Select(bead => Ruled(bead)))
            {
                if (First(bead, Causes.Of(bead.Process)) == bead.Instructor)
                    Assert.Equal(bead.Instructor, First(bead, learned.Table(bead.Process)));
            }
        }
    }

    [Fact]
    public void The_known_beads_are_the_worked_cases()
    {
        var now = KnownBeads.Text(WorkedCases.All.Select(bead => Ruled(bead)));
        if (Environment.GetEnvironmentVariable("GENTLEBEAD_WRITE_KNOWN") is { } path)
            File.WriteAllText(path, now);
        else
            Assert.Equal(now, KnownBeads.Text(KnownBeads.All));
    }

    // In this room dirt shows as jerks in the wire, and the instructor says so each time.
    private static RuledBead[] Odd(int count) =>
        [
            .. Enumerable
                .Range(0, count)
                .Select(at =>
                    Ruled(
                        new(
                            "",
                            "dip",
                            1,
                            0,
                            new(
                                Sound.Sputter,
                                Feel: Feel.Jerky,
                                Spatter: at % 2 == 0 ? Spatter.Big : Spatter.Fine,
                                Start: Start.Stuttering
                            ),
                            Cause.DirtyPlate
                        )
                    )
                ),
        ];

    [Fact]
    public void What_a_room_sees_again_and_again_moves_the_weights_and_no_further_than_the_cap()
    {
        var (few, many) = (RoomWeights.Learn(Odd(1)), RoomWeights.Learn(Odd(200)));
        double Jerky(RoomWeights learned) =>
            learned.Table(Process.GmawShortCircuit).First(row => row.Cause == Cause.DirtyPlate).Weights.GetValueOrDefault(Sign.Jerky);
        var table = Causes.Row(Cause.DirtyPlate, Process.GmawShortCircuit).Weights.GetValueOrDefault(Sign.Jerky);
        Assert.True(table < Jerky(few) && table < Jerky(many), $"{table} {Jerky(few)} {Jerky(many)} {few.Used} {many.Used}");
        Assert.All(many.Weights, shift => Assert.InRange(shift.Room - shift.Table, -RoomWeights.MostShift, RoomWeights.MostShift));
        Assert.All(many.Priors, shift => Assert.InRange(shift.Room / shift.Table, 0.5, 2.0));
        var bead = Odd(1)[0];
        double Share(RoomWeights learned) =>
            Ranking.Rank(bead.Signs, learned.Table(bead.Process)).First(cause => cause.Cause == Cause.DirtyPlate).Share;
        Assert.True(Share(RoomWeights.None) < Share(few) && Share(RoomWeights.None) < Share(many));
    }

    [Fact]
    public void The_same_rulings_in_any_order_teach_the_same()
    {
        RuledBead[] ruled = [.. WorkedCases.All.Take(60).Select(bead => Ruled(bead)), .. Odd(10)];
        var (one, other) = (RoomWeights.Learn(ruled), RoomWeights.Learn([.. ruled.Reverse()]));
        Assert.Equal(one.Used, other.Used);
        Assert.Equal(
            one.Weights.ToDictionary(shift => (shift.Process, shift.Cause, shift.Sign), shift => Math.Round(shift.Room, 9)),
            other.Weights.ToDictionary(shift => (shift.Process, shift.Cause, shift.Sign), shift => Math.Round(shift.Room, 9))
        );
    }

    [Fact]
    public void Words_against_all_reason_are_used_less_or_not_at_all()
    {
        // Half the beads by the book, as often the same bead called a thing that it is not.
        var right = WorkedCases.All.Where(bead => bead.Job == "dip").Select(bead => Ruled(bead)).ToArray();
        var wrong = Enumerable
            .Repeat(WorkedCases.All.First(bead => bead.Cause == Cause.VoltsLow), 300)
            .Select(bead => Ruled(bead, Cause.WornTip));
        var learned = RoomWeights.Learn([.. right, .. wrong]);
        Assert.All(
            right.Where(bead => First(bead, Causes.Of(bead.Process)) == bead.Instructor),
            bead => Assert.Equal(bead.Instructor, First(bead, learned.Table(bead.Process)))
        );
    }

    [Fact]
    public void Held_out_beads_fare_no_worse_by_the_room_than_by_the_table()
    {
        var (table, room) = RoomWeights.HeldOut([.. WorkedCases.All.Select(bead => Ruled(bead)), .. Odd(40)]);
        Assert.InRange(room, table, WorkedCases.All.Count + 40);
    }

    [Fact]
    public void Without_rulings_the_table_stands()
    {
        Assert.Equal(RoomWeights.None, RoomWeights.Learn([]));
        Assert.Same(Causes.Of(Process.GmawSpray), RoomWeights.None.Table(Process.GmawSpray));
    }
}
