using GentleBead.Core.Arc;
using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Practice;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

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
            70,
            i =>
            {
                var (deviation, level) = ((Deviation)(i % 7), i / 7 % 5);
                var drill = Drill.Draw(DrillKind.Ear, deviation, level, 100 + i);
                var (right, given) = (Trace(drill.Right, drill.Seed), Trace(drill.Given, drill.Seed));
                Assert.True(ArcTruth.IsRight(ArcTruth.Of(right), drill.Right.Process), $"{drill.Task()} {ArcTruth.Of(right)}");
                Assert.True(drill.IsSetRight(drill.Right.WireFeed, drill.Right.Volts));
                // Something tells: the sound, the volts or the amps. A lost gas is heard, or seen on the bead.
                var tells =
                    ArcTruth.Of(right) != ArcTruth.Of(given)
                    || Math.Abs(given.MeanVolts - right.MeanVolts) > 0.8
                    || Math.Abs(given.MeanAmps / right.MeanAmps - 1) > 0.05;
                Assert.Equal(deviation != Deviation.Nothing, tells);
            }
        );

        static ArcTrace Trace(ArcSetting setting, int seed) => ArcTrace.Of(setting, Drill.Seconds, Drill.Rate, seed);
    }

    // What each process makes of too few volts and too many: common practice, no source.
    [Theory]
    [InlineData(Process.GmawShortCircuit, Deviation.VoltsUnder, "Loud pops")]
    [InlineData(Process.GmawShortCircuit, Deviation.VoltsOver, "Hiss")]
    [InlineData(Process.GmawSpray, Deviation.Nothing, "A smooth hiss, as spray should")]
    [InlineData(Process.GmawGlobular, Deviation.Nothing, "An even rattle, as globular should")]
    [InlineData(Process.FcawSelfShielded, Deviation.Nothing, "A steady, rough sizzle")]
    [InlineData(Process.FcawSelfShielded, Deviation.VoltsOver, "A long roar")]
    [InlineData(Process.FcawGasShielded, Deviation.Nothing, "A soft, steady sizzle")]
    public void From_the_third_step_on_drills_are_of_every_fed_process_in_its_own_words(Process process, Deviation deviation, string says)
    {
        var drill = Enumerable
            .Range(1, 400)
            .Select(seed => Drill.Draw(DrillKind.Ear, deviation, 2, seed))
            .First(drill => drill.Right.Process == process && drill.Sound is not null);
        Assert.StartsWith(says, drill.SoundsLike().ToString(), StringComparison.Ordinal);
        Assert.StartsWith(process.Facts().Name.ToString(), drill.Task().ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void The_first_steps_are_of_short_circuit_alone_and_a_wire_without_gas_loses_none()
    {
        foreach (var seed in Enumerable.Range(1, 40))
        {
            Assert.Equal(Process.GmawShortCircuit, Drill.Draw(DrillKind.Ear, Deviation.VoltsOver, seed % 2, seed).Right.Process);
            Assert.NotEqual(Gas.None, Drill.Draw(DrillKind.Ear, Deviation.GasLost, 2 + seed % 3, seed).Right.Gas);
        }
    }

    [Fact]
    public void A_recording_of_the_room_is_a_drill_of_what_its_instructor_named()
    {
        var sheet = Room.Sheet(machine: Room.Digital);
        var used = new Settings(WireFeedSpeed.FromMPerMin(6), Voltage.FromVolts(22));
        var measured = new Measures(ArcVolts: Voltage.FromVolts(21.5));
        Assert.True(RoomClip.Of(Guid.NewGuid(), Sound.Hiss, Deviation.VoltsOver, (0.4, 20), measured).IsGood(out var clip, out _));
        Assert.Equal((0.4, RoomClip.Longest), (clip.From, clip.Seconds));
        Assert.Equal((21.5, (Current?)null), (clip.Volts!.Value.Volts, clip.Amps));
        var (right, given) = RoomClip.Arcs(sheet, used, Length.FromMm(14));
        Assert.Equal((sheet.Pair!.WireFeed, sheet.Pair.Volts.Aim), (right.WireFeed, right.Volts));
        Assert.Equal((used.WireFeed, used.Volts, 14), (given.WireFeed, given.Volts, given.StickOut.Mm));
        var drill = Drill.OfRoom(clip, right, given, 3, 9);
        Assert.Equal((DrillKind.Ear, 3, Deviation.VoltsOver, (Sound?)Sound.Hiss), (drill.Kind, drill.Level, drill.Deviation, drill.Sound));
        Assert.EndsWith("recorded in this room", drill.Task().ToString(), StringComparison.Ordinal);
        Assert.StartsWith("An instructor named it: volts too high. Welded at", drill.Why().ToString(), StringComparison.Ordinal);
        // Nothing to hear is no drill.
        Assert.False(RoomClip.Of(Guid.NewGuid(), Sound.Hiss, Deviation.VoltsOver, (2, 2.4), null).IsGood(out _, out var problems));
        Assert.Equal("recording", Assert.Single(problems).Field);
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
        var progress = DrillProgress.Of(
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
        Assert.Null(DrillProgress.Of([], Start).AtTheBooth);
    }
}
