using GentleBead.Core.Beads;
using GentleBead.Core.Judging;

namespace GentleBead.Core.Tests.Judging;

/// <summary>Two things wrong at once are said as two; one thing that explains all is said as one. Common practice, no source.</summary>
public sealed class SecondCauseTests
{
    private static Judgement Judged(string job, double wire, double volts, Evidence evidence) =>
        WorkedCases.Judged(new("two", job, wire, volts, evidence, Cause.NothingWrong));

    public static TheoryData<string, string, double, double, Evidence, Cause, Cause> Pairs =>
        new()
        {
            {
                "pops and holes",
                "dip",
                1,
                -3,
                new(Sound.Popping, Profile.TallNarrow, Toes.Cold, Faults: [Fault.Pinholes], Gas: GasAtNozzle.Nothing),
                Cause.VoltsLow,
                Cause.GasLost
            },
            {
                "hiss and legs unequal",
                "dip",
                1,
                3,
                new(Sound.Hiss, Profile.Flat, Spatter: Spatter.Big, Faults: [Fault.UnequalLegs], Feel: Feel.LongArc),
                Cause.VoltsHigh,
                Cause.WorkAngle
            },
            {
                "cold pair and a wandering hand",
                "dip",
                0.72,
                -2.2,
                new(Sound.EvenCrackle, Profile.TallNarrow, Toes.Cold, Tint.Thin, Ripple: Ripple.Uneven),
                Cause.PairCold,
                Cause.UnevenHand
            },
            {
                "hot pair and an open crater",
                "plate",
                1.35,
                2.5,
                new(Sound.EvenCrackle, Profile.Sunk, Tint: Tint.Wide, Faults: [Fault.OpenCrater]),
                Cause.PairHot,
                Cause.CraterOpen
            },
            {
                "TIG: amps low and dipped",
                "tig steel",
                0.65,
                0,
                new(Profile: Profile.TallNarrow, Toes: Toes.Cold, Tint: Tint.Thin, Tungsten: Tungsten.Dipped),
                Cause.AmpsLow,
                Cause.TungstenDipped
            },
        };

    [Theory]
    [MemberData(nameof(Pairs))]
    public void Two_at_once_are_said_as_two(string name, string job, double wire, double volts, Evidence evidence, Cause one, Cause other)
    {
        var judgement = Judged(job, wire, volts, evidence);
        Assert.True(judgement.Also is not null, name);
        var process = WorkedCases.Of(WorkedCases.All.First(bead => bead.Job == job)).Sheet.Job.Process;
        Assert.Equal(one, judgement.Causes[0].Cause);
        // Which of the two is mended first: what makes the bead unsound, else the likelier.
        var (now, then) = evidence.Faults.Contains(Fault.Pinholes) ? (other, one) : (one, other);
        Assert.Equal((Causes.Row(now, process).Change, then), (judgement.Next!.Kind, judgement.Also!.Cause));
        Assert.NotEmpty(judgement.Also.For);
    }

    [Fact]
    public void One_that_explains_all_is_said_as_one()
    {
        var two = WorkedCases
            .All.Where(bead => WorkedCases.Judged(bead) is { Also: not null } told && told.Causes[0].Cause == bead.Cause)
            .Select(bead => $"{bead.Name}: {WorkedCases.Judged(bead).Also!.Cause}")
            .ToArray();
        Assert.True(two.Length <= WorkedCases.All.Count / 20, string.Join('\n', two));
    }

    [Fact]
    public void What_one_step_mends_is_no_second_thing()
    {
        foreach (var bead in WorkedCases.All)
        {
            if (WorkedCases.Judged(bead) is { Also: { } also, Next: { } next })
                Assert.NotEqual(next.Kind, Causes.Row(also.Cause, WorkedCases.Of(bead).Sheet.Job.Process).Change);
        }
    }
}
