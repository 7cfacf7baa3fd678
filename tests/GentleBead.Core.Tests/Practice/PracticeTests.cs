using GentleBead.Core.Arc;
using GentleBead.Core.Beads;
using GentleBead.Core.Practice;

namespace GentleBead.Core.Tests.Practice;

/// <summary>Drills, when they come back, how hard they are, and what is read from the answers.</summary>
public class PracticeTests
{
    private static readonly DateTimeOffset Start = new(2026, 3, 2, 18, 0, 0, TimeSpan.Zero);
    private static readonly Drill Any = Drill.Draw(DrillKind.Ear, Deviation.VoltsUnder, 0, 1);

    private static AnsweredDrill Answer(Deviation was, Deviation said, double days, DrillKind kind = DrillKind.Ear, Sound? heard = null) =>
        new(kind, was, Any.Sound, heard, said, was == said, Start.AddDays(days));

    [Fact]
    public void Every_drill_can_be_solved_and_each_is_what_it_says()
    {
        Parallel.For(
            0,
            35,
            i =>
            {
                var (deviation, level) = ((Deviation)(i % 7), i / 7);
                var drill = Drill.Draw(DrillKind.Ear, deviation, level, 100 + i);
                Assert.Equal(Sound.EvenCrackle, ArcTruth.Of(ArcTrace.Of(drill.Right, Drill.Seconds, Drill.Rate, drill.Seed)));
                Assert.Equal(deviation, Drill.Draw(DrillKind.Ear, deviation, level, 100 + i).Deviation);
                if (deviation is Deviation.VoltsUnder or Deviation.WireOver && level == 0)
                    Assert.Equal(Sound.Popping, drill.Sound);
                if (deviation is Deviation.VoltsOver or Deviation.WireUnder && level == 0)
                    Assert.Contains(drill.Sound, new Sound?[] { Sound.Hiss, Sound.Rattle });
                Assert.True(drill.IsSetRight(drill.Right.WireFeed, drill.Right.Volts));
            }
        );
    }

    [Fact]
    public void Harder_is_nearer_to_right()
    {
        var off = Enumerable
            .Range(0, Drill.Hardest + 1)
            .Select(level => Drill.Draw(DrillKind.Ear, Deviation.VoltsOver, level, 5))
            .Select(drill => drill.Given.Volts.Volts - drill.Right.Volts.Volts)
            .ToArray();
        Assert.Equal(off.OrderDescending(), off);
        Assert.All(off, volts => Assert.True(volts > 1));
    }

    [Fact]
    public void Boxes_follow_Leitners_rule()
    {
        // Leitner 1972 (from memory): right, a box on; wrong, back to the first. Days here: 0, 1, 3, 7, 14.
        List<AnsweredDrill> answers = [];
        double at = 0;
        foreach (var days in new[] { 1, 3, 7, 14, 14 })
        {
            answers.Add(Answer(Deviation.Nothing, Deviation.Nothing, at));
            Assert.Equal(Start.AddDays(at + days), Schedule.Box(answers, DrillKind.Ear, Deviation.Nothing).Due);
            at += days;
        }
        answers.Add(Answer(Deviation.Nothing, Deviation.GasLost, at));
        Assert.Equal((0, Start.AddDays(at)), Schedule.Box(answers, DrillKind.Ear, Deviation.Nothing));
        Assert.Equal(0, Schedule.Box(answers, DrillKind.Eye, Deviation.Nothing).Box);
    }

    [Fact]
    public void The_staircase_settles_where_seven_in_ten_are_right()
    {
        // Levitt 1971: two down, one up converges on 70.7 % right. A listener whose chance falls by level: 95, 85, 71, 50, 30 %.
        double[] chance = [0.95, 0.85, 0.71, 0.5, 0.3];
        var random = new Random(3);
        List<AnsweredDrill> answers = [];
        var right = 0;
        for (var round = 0; round < 600; round++)
        {
            var good = random.NextDouble() < chance[Schedule.Level(answers.TakeLast(200), DrillKind.Ear)];
            answers.Add(Answer(Deviation.Nothing, good ? Deviation.Nothing : Deviation.GasLost, round * 0.001));
            if (round >= 100 && good)
                right++;
        }
        Assert.InRange(right / 500.0, 0.62, 0.8);
    }

    [Fact]
    public void What_is_due_comes_first_and_the_same_never_twice_running()
    {
        List<AnsweredDrill> answers = [.. Schedule.Items(DrillKind.Ear).Select((item, i) => Answer(item, item, i * 0.01))];
        // All were right and come back in a day; one was wrong and is due at once.
        answers.Add(Answer(Deviation.WireOver, Deviation.VoltsOver, 0.2));
        answers.Add(Answer(Deviation.GasLost, Deviation.GasLost, 0.3));
        Assert.Equal(Deviation.WireOver, Schedule.Next(answers, DrillKind.Ear, Start.AddDays(0.4), 1));
        answers.Add(Answer(Deviation.WireOver, Deviation.VoltsOver, 0.5));
        Assert.NotEqual(Deviation.WireOver, Schedule.Next(answers, DrillKind.Ear, Start.AddDays(0.6), 1));
        Assert.DoesNotContain(Deviation.GasLost, Schedule.Items(DrillKind.SetMachine));
    }

    [Fact]
    public void Mix_ups_are_counted_and_send_to_the_booth()
    {
        var progress = Progress.Of(
            [
                Answer(Deviation.WireUnder, Deviation.VoltsOver, 0, heard: Sound.Popping),
                Answer(Deviation.WireUnder, Deviation.VoltsOver, 1, heard: Sound.Popping),
                Answer(Deviation.GasLost, Deviation.GasLost, 2, heard: Sound.Sputter),
            ],
            Start.AddDays(3)
        );
        Assert.Contains(new TakenFor(Deviation.WireUnder, Deviation.VoltsOver, 2), progress.Taken);
        Assert.Contains("wire too slow for volts too high", progress.AtTheBooth?.ToString(), StringComparison.Ordinal);
        Assert.Contains("one-variable trial", progress.AtTheBooth?.ToString(), StringComparison.Ordinal);
        Assert.Equal((3, 1), (progress.Kinds[0].Answered, progress.Kinds[0].Right));
        Assert.Null(Progress.Of([], Start).AtTheBooth);
    }
}
