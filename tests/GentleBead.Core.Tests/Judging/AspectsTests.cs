using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Tests.Judging;

/// <summary>What is said of each aspect of a bead, and whether it stands right.</summary>
public class AspectsTests
{
    private static readonly Sheet T = Room.Sheet(machine: Room.KnobAndTaps);

    private static readonly Sheet Tig = Room.TigSheet();

    private static AspectVerdict Of(Aspect aspect, double wire, double volts, Evidence evidence, bool fromMarks = false) =>
        Judge
            .Of(
                new FedBead(T, Room.KnobAndTaps, new(T.Pair!.WireFeed * wire, Voltage.FromVolts(T.Pair.Volts.Aim.Volts + volts)), evidence),
                Circumstances.None with
                {
                    FromMarks = fromMarks,
                }
            )
            .Aspects.Single(row => row.Aspect == aspect);

    private static AspectVerdict OfTig(Aspect aspect, double amps, Evidence evidence) =>
        Judge.Of(Tig, Room.Digital, Tig.Amps * amps, evidence).Aspects.Single(row => row.Aspect == aspect);

    [Theory]
    [InlineData(1, 0, Standing.Right, "wire on the sheet", "inside the band")]
    [InlineData(0.8, -1, Standing.Off, "wire 20 % under the sheet's", "inside the band")]
    [InlineData(1.25, 1.2, Standing.Off, "wire 25 % over the sheet's", "inside the band")]
    [InlineData(1, -3, Standing.Off, "wire on the sheet", "under the band")]
    [InlineData(1, 3, Standing.Off, "wire on the sheet", "over the band")]
    public void The_pair_against_the_sheet(double wire, double volts, Standing standing, string ofWire, string ofVolts)
    {
        var aspect = Of(Aspect.Settings, wire, volts, new(Sound.EvenCrackle));
        Assert.Equal(standing, aspect.Standing);
        Assert.Contains(ofWire, $"{aspect.Text}", StringComparison.Ordinal);
        Assert.Contains(ofVolts, $"{aspect.Text}", StringComparison.Ordinal);
    }

    [Fact]
    public void What_a_mark_gives_is_said_with_how_sure_it_is()
    {
        Assert.True(Dials.TryFit(Room.KnobAndTaps, out var dials, out _));
        var sure = dials.WireMarkFor(T.Pair!.WireFeed).SureShare * 100;
        Assert.Contains(
            $"good to {sure:0} %",
            $"{Of(Aspect.Settings, 1, 0, new(Sound.Hiss), fromMarks: true).Text}",
            StringComparison.Ordinal
        );
        Assert.DoesNotContain("good to", $"{Of(Aspect.Settings, 1, 0, new(Sound.Hiss)).Text}", StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(1, Standing.Right, ": on the sheet.")]
    [InlineData(0.8, Standing.Off, ": 20 % under the sheet's")]
    [InlineData(1.3, Standing.Off, ": 30 % over the sheet's")]
    public void The_amps_against_the_sheet(double share, Standing standing, string words)
    {
        var aspect = OfTig(Aspect.Settings, share, new(Profile: Profile.Flat));
        Assert.Equal(standing, aspect.Standing);
        Assert.Contains(words, $"{aspect.Text}", StringComparison.Ordinal);
    }

    [Fact]
    public void The_sound_is_right_in_the_words_of_its_arc()
    {
        Assert.Equal(
            (Standing.Right, "It sounds right: wire and volts run smooth."),
            (Of(Aspect.Sound, 1, 0, new(Sound.EvenCrackle)).Standing, $"{Of(Aspect.Sound, 1, 0, new(Sound.EvenCrackle)).Text}")
        );
        Assert.Equal("It sounds right: the arc stands steady.", $"{OfTig(Aspect.Sound, 1, new(Sound.EvenCrackle)).Text}");
        Assert.Equal("Loud pops, stubbing.", $"{Of(Aspect.Sound, 1, -3, new(Sound.Popping)).Text}");
        Assert.Equal(Standing.NotKnown, Of(Aspect.Sound, 1, 0, new(Profile: Profile.Flat)).Standing);
        // A hand that was pushed back says so where no ear did.
        Assert.Equal(Standing.Off, Of(Aspect.Sound, 1, -3, new(Feel: Feel.PushedBack)).Standing);
    }

    [Theory]
    [InlineData(Sound.EvenCrackle, Sound.EvenCrackle, "The recording bears it out.")]
    [InlineData(Sound.EvenCrackle, Sound.Hiss, "The recording says otherwise: hiss, long soft arc.")]
    [InlineData(null, Sound.EvenCrackle, "By the recording; nobody noted it.")]
    public void A_recording_stands_beside_the_ear(Sound? ear, Sound recording, string words) =>
        Assert.EndsWith(words, $"{Of(Aspect.Sound, 1, 0, new(ear, Listened: new(recording, 0.9, null))).Text}", StringComparison.Ordinal);

    private static Evidence Cut(double? root, double unfused) =>
        new(
            Sound.EvenCrackle,
            Macro: WorkedCases.Section(root ?? 0, unfused) with
            {
                RootPenetration = root is { } mm ? Length.FromMm(mm) : null,
            }
        );

    [Fact]
    public void A_section_says_whether_it_bites()
    {
        Assert.Equal(Standing.Right, Of(Aspect.Penetration, 1, 0, Cut(0.5, 0)).Standing);
        Assert.Equal(Standing.Off, Of(Aspect.Penetration, 1, 0, Cut(0.05, 0)).Standing);
        Assert.Contains("dark line", $"{Of(Aspect.Penetration, 1, 0, Cut(0.5, 1.2)).Text}", StringComparison.Ordinal);
        Assert.Equal(Standing.NotKnown, Of(Aspect.Penetration, 1, 0, Cut(null, 0)).Standing);
        Assert.Equal(Standing.Off, Of(Aspect.Penetration, 1, 0, new(Penetration: Penetration.NoneSeen)).Standing);
        Assert.Equal(Standing.Right, Of(Aspect.Penetration, 1, 0, new(Penetration: Penetration.TintBehind)).Standing);
        Assert.Equal(Standing.Right, Of(Aspect.Penetration, 1, 0, new(Penetration: Penetration.BackMark)).Standing);
    }

    [Fact]
    public void A_bead_is_on_its_size_or_not()
    {
        Assert.Equal(Standing.Right, Of(Aspect.BeadSize, 1, 0, new(BeadSize: T.BeadSize.Aim)).Standing);
        Assert.Equal(Standing.Off, Of(Aspect.BeadSize, 1, 0, new(BeadSize: T.BeadSize.Aim * 2)).Standing);
        Assert.Equal(Standing.NotKnown, Of(Aspect.BeadSize, 1, 0, new(Sound.Hiss)).Standing);
    }

    [Fact]
    public void Appearance_waits_for_profile_and_toes()
    {
        Assert.Equal(Standing.NotKnown, Of(Aspect.Appearance, 1, 0, new(Profile: Profile.Flat)).Standing);
        Assert.Equal(Standing.NotKnown, Of(Aspect.Appearance, 1, 0, new(Toes: Toes.Blended)).Standing);
        Assert.Equal(Standing.Right, Of(Aspect.Appearance, 1, 0, new(Profile: Profile.Flat, Toes: Toes.Blended)).Standing);
        Assert.Equal("Bead tall and narrow.", $"{Of(Aspect.Appearance, 1, 0, new(Profile: Profile.TallNarrow)).Text}");
    }
}
