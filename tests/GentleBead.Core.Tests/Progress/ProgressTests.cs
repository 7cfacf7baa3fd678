using GentleBead.Core.Judging;
using GentleBead.Core.Progress;
using GentleBead.Core.Skills;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Progress;

/// <summary>What is read from a student's beads in order: the curve, what keeps going wrong, who is stuck and who is ahead.</summary>
public class ProgressTests
{
    private static readonly DateOnly Monday = new(2026, 9, 7);
    private static readonly KindOfWork Lap = new(Process.GmawShortCircuit, Joint.Lap, Position.Horizontal);

    // An evening a word: + right, c arc too long, w wire too slow, . wrong for no known cause. One sheet an evening.
    private static List<WorkedBead> Beads(string evenings) =>
        [
            .. evenings
                .Split(' ')
                .SelectMany(
                    (evening, week) =>
                    {
                        var sheet = Guid.NewGuid();
                        return evening.Select((bead, at) => Bead(bead, Monday.AddDays(7 * week), at) with { SheetId = sheet });
                    }
                ),
        ];

    private static WorkedBead Bead(char bead, DateOnly day, int at) =>
        new(
            Guid.NewGuid(),
            Guid.Empty,
            new DateTimeOffset(day, new TimeOnly(18, 0), TimeSpan.Zero).AddMinutes(4 * at),
            day,
            Lap,
            bead == '+',
            bead switch
            {
                'v' => Cause.VoltsLow,
                'w' => Cause.WireLow,
                _ => null,
            },
            bead is 'v' or 'w' ? Said.Say($"Mend it as {Said.AsIs(bead.ToString())} asks.") : null,
            at == 0 ? 41 : null
        );

    [Fact]
    public void The_curve_has_a_day_for_every_evening_and_says_nothing_before_enough_beads()
    {
        var curve = LearningDay.Curve(Beads("..+ .++ ++++"));
        Assert.Equal([(3, 1), (3, 2), (4, 4)], curve.Select(day => (day.Beads, day.Right)));
        Assert.Equal([Monday, Monday.AddDays(7), Monday.AddDays(14)], curve.Select(day => day.Day));
        Assert.Null(curve[0].After);
        Assert.True(curve[1].After!.Likely < curve[2].After!.Likely);
        Assert.All(curve.Skip(1), day => Assert.InRange(day.After!.Likely, day.After.Low, day.After.High));
    }

    [Fact]
    public void What_keeps_going_wrong_is_told_with_what_cured_it()
    {
        var troubles = RecurringCause.Of(Beads("v+v ww+ w+v"));
        Assert.Equal([Cause.VoltsLow, Cause.WireLow], troubles.Select(one => one.Cause));
        var (volts, wire) = (troubles[0], troubles[1]);
        Assert.Equal((3, 2, Monday.AddDays(14), false), (volts.Beads, volts.Evenings, volts.Last, volts.Gone));
        Assert.Equal("Mend it as v asks.", volts.CuredBy?.ToString());
        Assert.Equal((3, 2), (wire.Beads, wire.Evenings));
        // What stayed away for five beads is gone, and stands last; once is chance.
        var later = RecurringCause.Of(Beads("vvvv w+w+++++ wv"));
        Assert.Equal([(Cause.VoltsLow, false), (Cause.WireLow, false)], later.Select(one => (one.Cause, one.Gone)));
        Assert.True(Assert.Single(RecurringCause.Of(Beads("vvv +++++ w"))).Gone);
    }

    [Fact]
    public void Nothing_cured_it_where_no_right_bead_followed_on_the_same_coupon() =>
        Assert.Null(Assert.Single(RecurringCause.Of(Beads("v.v v +"))).CuredBy);

    [Theory]
    [InlineData("vw vw", null)]
    [InlineData(". vw w vw", "w")]
    [InlineData("vw vw + vw", null)]
    [InlineData("vw wv+ vwv", "v")]
    public void Somebody_is_stuck_on_what_came_back_three_evenings_in_a_row(string evenings, string? stuck) =>
        Assert.Equal(
            stuck,
            CourseGlance.StuckOn(Beads(evenings).Select(bead => new EveningBead(bead.Day, bead.Right, Words(bead))))?.ToString()
        );

    private static Said? Words(WorkedBead bead) => bead.Cause is { } cause ? Said.AsIs(cause == Cause.VoltsLow ? "v" : "w") : null;

    [Fact]
    public void What_a_course_finds_hard_is_told_beside_what_the_same_people_do_elsewhere()
    {
        // Ten people, right four times in five, but for the third exercise; and one who only ever welded that.
        var work = Enumerable
            .Repeat<(int, int)[]>([(20, 16), (20, 16), (20, 8)], 10)
            .Append([(0, 0), (0, 0), (30, 0)])
            .Select(mine => (IReadOnlyList<(int, int)>)mine)
            .ToArray();
        var tried = CourseGlance.OfExercises(work, 3);
        Assert.Equal([200, 200, 200], tried.Select(one => one.Beads));
        Assert.Equal([false, false, true], tried.Select(one => one.IsHard));
        Assert.Equal(10 * 20 * (33.0 / 42), tried[2].Expected, 6);
    }

    [Fact]
    public void Arc_time_is_as_noted_and_half_a_minute_where_it_was_not() =>
        Assert.Equal(TimeSpan.FromSeconds(41 + 30 + 30), WorkedBead.ArcTime(Beads("+++")));

    [Theory]
    [InlineData(7, "++++++++", true)]
    [InlineData(7, "+++.++++", true)]
    [InlineData(7, "+++.+++.", false)]
    [InlineData(7, "+++++++", false)]
    [InlineData(6, "++++++++", false)]
    public void Far_ahead_is_three_exercises_past_the_middle_with_nothing_wrong_of_late(int done, string newest, bool ahead) =>
        Assert.Equal(ahead, CourseGlance.IsAhead(done, [2, 3, 4, 5, done], [.. newest.Select(bead => bead == '+')]));

    [Fact]
    public void What_is_harder_for_the_same_people_is_told_and_few_beads_say_little()
    {
        Assert.Equal(0, new Tried(0, 0, 0).Harder);
        Assert.Equal(0, new Tried(100, 50, 50).Harder, 2);
        Assert.True(new Tried(100, 20, 50).IsHard);
        Assert.False(new Tried(6, 0, 3).IsHard && new Tried(3, 0, 1.5).IsHard);
        Assert.True(new Tried(200, 60, 100).Harder > new Tried(20, 6, 10).Harder);
        Assert.True(new Tried(100, 80, 50).Harder < 0);
        Assert.Throws<ArgumentOutOfRangeException>(() => Difficulty.Harder(3, 4, 1));
    }

    [Fact]
    public void How_much_harder_a_machine_makes_it_is_found_again_over_simulated_beads()
    {
        // Beads of people of every skill, once on a usual machine and once on one that is a logit harder.
        var random = new Random(7);
        var skills = Enumerable.Range(0, 300).Select(_ => 2.4 * random.NextDouble() - 1.2).ToArray();
        var right = skills.Count(skill => random.NextDouble() < 1 / (1 + Math.Exp(1 - skill)));
        var expected = skills.Sum(skill => 1 / (1 + Math.Exp(-skill)));
        Assert.InRange(Difficulty.Harder(300, right, expected), 0.6, 1.3);
    }
}
