using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>Each process has its own right sound and shows its causes in its own way. Common practice, no source.</summary>
public class ModesTests
{
    private static Judgement Judged(string job, Evidence evidence)
    {
        var (sheet, machine) = WorkedCases.Of(WorkedCases.All.First(bead => bead.Job == job));
        return sheet.Pair is { } pair
            ? Judge.Of(sheet, machine, new Settings(pair.WireFeed, pair.Volts.Aim), evidence)
            : Judge.Of(sheet, machine, sheet.Amps, evidence);
    }

    [Theory]
    [InlineData("dip", Sound.EvenCrackle, Standing.Right)]
    [InlineData("dip", Sound.Hiss, Standing.Off)]
    [InlineData("dip", Sound.Rattle, Standing.Off)]
    [InlineData("globular", Sound.Rattle, Standing.Right)]
    [InlineData("globular", Sound.EvenCrackle, Standing.Off)]
    [InlineData("spray", Sound.Hiss, Standing.Right)]
    [InlineData("spray", Sound.EvenCrackle, Standing.Off)]
    [InlineData("spray", Sound.Rattle, Standing.Off)]
    [InlineData("cored", Sound.EvenCrackle, Standing.Right)]
    [InlineData("tig", Sound.EvenCrackle, Standing.Right)]
    public void Each_process_has_its_own_right_sound(string job, Sound heard, Standing standing) =>
        Assert.Equal(standing, Judged(job, new(heard)).Aspects.Single(aspect => aspect.Aspect == Aspect.Sound).Standing);

    [Fact]
    public void What_was_heard_is_read_back_in_the_words_of_its_process()
    {
        var crackle = Judged("spray", new(Sound.EvenCrackle));
        Assert.Contains(
            "crackle in the hiss",
            $"{crackle.Aspects.Single(aspect => aspect.Aspect == Aspect.Sound).Text}",
            StringComparison.Ordinal
        );
        Assert.Contains(
            crackle.Causes.SelectMany(cause => cause.For),
            word => $"{word}".Contains("crackle in the hiss", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(crackle.Causes.SelectMany(cause => cause.For), word => $"{word}".Contains("pops", StringComparison.Ordinal));
    }

    // In these a crackle is never what is to come.
    [Theory]
    [InlineData(Process.GmawGlobular)]
    [InlineData(Process.GmawSpray)]
    [InlineData(Process.GmawPulsed)]
    [InlineData(Process.FcawSelfShielded)]
    [InlineData(Process.FcawGasShielded)]
    public void Nothing_but_short_circuit_goes_over_into_a_crackle(Process process)
    {
        foreach (var row in Causes.Of(process))
        {
            Assert.DoesNotContain("into a crackle", $"{row.Expect}", StringComparison.Ordinal);
            Assert.DoesNotContain("even crackle", $"{row.Expect}", StringComparison.Ordinal);
            Assert.DoesNotContain("same crackle", $"{row.Expect}", StringComparison.Ordinal);
        }
    }

    [Fact]
    public void Self_shielded_wire_full_of_holes_stands_on_the_wrong_pole_or_too_long_an_arc()
    {
        var holes = new Evidence(Sound.Sputter, Spatter: Spatter.Big, Faults: [Fault.Pinholes]);
        Assert.Equal(Cause.WrongPolarity, Judged("cored", holes).Causes[0].Cause);
        Assert.Equal(Cause.VoltsHigh, Judged("cored", new(Sound.Hiss, Feel: Feel.LongArc, Faults: [Fault.Pinholes])).Causes[0].Cause);
    }

    [Fact]
    public void A_rattle_in_spray_is_the_wrong_side_of_the_transition() =>
        Assert.Equal(Cause.UnderTransition, Judged("spray", new(Sound.Rattle, Spatter: Spatter.Big)).Causes[0].Cause);

    [Fact]
    public void A_small_ball_is_how_a_tungsten_looks_on_AC()
    {
        var balled = new Evidence(Sound.EvenCrackle, Tungsten: Tungsten.Balled);
        Assert.Equal(Standing.Right, Judged("tig ac", balled).Aspects.Single(aspect => aspect.Aspect == Aspect.Sound).Standing);
        Assert.Equal(Standing.Off, Judged("tig", balled).Aspects.Single(aspect => aspect.Aspect == Aspect.Sound).Standing);
        Assert.Contains(
            Sign.TungstenRounded,
            Signs.Of(
                new TungstenBead(
                    WorkedCases.Of(WorkedCases.All.First(bead => bead.Job == "tig ac")).Sheet,
                    Room.Digital,
                    WorkedCases.Of(WorkedCases.All.First(bead => bead.Job == "tig ac")).Sheet.Amps,
                    balled
                )
            )
        );
    }

    [Fact]
    public void Each_process_has_only_causes_that_can_be()
    {
        Assert.DoesNotContain(Causes.Of(Process.GmawShortCircuit), row => row.Cause is Cause.WrongDirection or Cause.UnderTransition);
        Assert.Contains(Causes.Of(Process.GmawSpray), row => row.Cause == Cause.UnderTransition);
        Assert.Contains(Causes.Of(Process.FcawGasShielded), row => row.Cause == Cause.WrongDirection);
        Assert.DoesNotContain(Causes.Of(Process.FcawSelfShielded), row => row.Cause is Cause.WrongGas or Cause.Draught);
        Assert.DoesNotContain(Causes.Of(Process.GtawAc), row => row.Cause == Cause.WrongPolarity);
        Assert.DoesNotContain(Causes.Of(Process.GtawDc), row => row.Cause == Cause.BalanceOff);
    }
}
