using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>What the machine's log says is on it speaks of the bead. Common practice, no source.</summary>
public class LoadedEvidenceTests
{
    private static readonly Evidence Rough = new(Sound.Sputter, Profile.TallNarrow, Toes.Cold, Spatter: Spatter.Big);

    private static readonly Dictionary<Cause, Func<Load, Load>> Wrong = new()
    {
        [Cause.WrongGas] = load => load with { Gas = Gas.Carbon },
        [Cause.WrongPolarity] = load => load with { Polarity = Polarity.TorchMinus },
        [Cause.WrongWire] = load => load with { Wire = Core.Stock.Wire.Solid09 },
        [Cause.WornTip] = load => load with { Tip = Length.FromMm(1.2) },
        [Cause.WireSlipping] = load => load with { Rolls = RollGroove.Knurled },
    };

    public static TheoryData<Cause> Causes => [.. Wrong.Keys];

    private static Judgement Judged(Func<Load, Load> load, Evidence evidence)
    {
        var (sheet, machine) = WorkedCases.Of(WorkedCases.All.First(bead => bead.Job == "dip"));
        return Judge.Of(
            sheet,
            machine with
            {
                Load = load(machine.Load),
            },
            new Settings(sheet.Pair!.WireFeed, sheet.Pair.Volts.Aim),
            evidence
        );
    }

    [Theory]
    [MemberData(nameof(Causes))]
    public void What_is_wrong_on_the_machine_leads_when_the_bead_is_rough(Cause cause)
    {
        Assert.Equal(cause, Judged(Wrong[cause], Rough).Causes[0].Cause);
        Assert.NotEqual(cause, Judged(load => load, Rough).Causes[0].Cause);
    }

    [Theory]
    [MemberData(nameof(Causes))]
    public void A_right_bead_stays_right_whatever_the_log_says(Cause cause) =>
        Assert.Equal(Cause.NothingWrong, Judged(Wrong[cause], WorkedCases.Good).Causes[0].Cause);

    [Fact]
    public void What_nobody_looked_at_says_nothing()
    {
        var (with, without) = (Judged(load => load, Rough), Judged(load => load with { Tip = null, Rolls = null }, Rough));
        Assert.Equal(with.Causes[0].Cause, without.Causes[0].Cause);
        Assert.DoesNotContain(
            without.Causes.SelectMany(cause => cause.For.Concat(cause.Against)),
            word => $"{word}".Contains("noted", StringComparison.Ordinal) && $"{word}".Contains("tip", StringComparison.Ordinal)
        );
    }
}
