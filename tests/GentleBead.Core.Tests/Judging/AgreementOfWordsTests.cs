using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>What a verdict says, what the causes say and what was set never contradict each other.</summary>
public class AgreementOfWordsTests
{
    private const string HandToWorkOn = "the hand is what to work on";

    private static readonly HashSet<Cause> SetWrong =
    [
        Cause.VoltsLow,
        Cause.VoltsHigh,
        Cause.WireLow,
        Cause.WireHigh,
        Cause.PairCold,
        Cause.PairHot,
        Cause.AmpsLow,
        Cause.AmpsHigh,
    ];

    private static readonly Evidence[] Looks =
    [
        new(),
        .. Enum.GetValues<Sound>().Select(sound => new Evidence(sound)),
        .. Enum.GetValues<Profile>().Select(profile => new Evidence(Profile: profile)),
        .. Enum.GetValues<Toes>().Select(toes => new Evidence(Toes: toes)),
        .. Enum.GetValues<Tint>().Select(tint => new Evidence(Tint: tint)),
        .. Enum.GetValues<Spatter>().Select(spatter => new Evidence(Spatter: spatter)),
        .. Enum.GetValues<Ripple>().Select(ripple => new Evidence(Ripple: ripple)),
        .. Enum.GetValues<Fault>().Select(fault => new Evidence(Faults: [fault])),
        .. Enum.GetValues<Penetration>().Select(behind => new Evidence(Penetration: behind)),
        new(BeadSize: Length.FromMm(1)),
        new(BeadSize: Length.FromMm(12)),
    ];

    [Fact]
    public void A_fed_wires_verdict_never_blames_the_hand_for_what_was_set()
    {
        var sheet = Room.Sheet();
        foreach (var share in new[] { 0.5, 0.7, 0.9, 1, 1.1, 1.3, 1.6 })
        {
            foreach (var more in new[] { -6, -3, -1, 0, 1, 3, 4.9, 6 })
            {
                var used = new Settings(sheet.Pair!.WireFeed * share, Voltage.FromVolts(sheet.Pair.Volts.Aim.Volts + more));
                foreach (var first in Looks)
                {
                    foreach (var second in new Spatter?[] { null, Spatter.Little, Spatter.Big })
                        Agree(Judge.Of(sheet, Room.Digital, used, first with { Spatter = first.Spatter ?? second }));
                }
            }
        }
    }

    [Fact]
    public void Nor_does_a_tungstens()
    {
        var sheet = Assert.IsType<Sheet>(
            Planner.Plan(new Job(Thickness.Parse("3"), Joint.T, Position.Flat, null, Process.GtawDc, Gas: Gas.Argon))
        );
        var machine = Room.Digital with { AmpControl = Room.Amps };
        foreach (var share in new[] { 0.5, 0.8, 1, 1.2, 1.6 })
        {
            foreach (var look in Looks)
                Agree(Judge.Of(sheet, machine, sheet.Amps * share, look));
        }
    }

    private static void Agree(Judgement judgement)
    {
        var cause = judgement.Causes[0].Cause;
        var words = $"{judgement.Verdict}: {judgement.Summary} ({cause})";
        if (judgement.Verdict == Verdict.Technique)
            Assert.False(SetWrong.Contains(cause), words);
        if (judgement.Summary.Contains(HandToWorkOn, StringComparison.Ordinal))
            Assert.Contains(Causes.Table.Concat(TigCauses.Table), row => row.Cause == cause && row.Whose == Whose.Hand);
        var settings = judgement.Aspects.First(aspect => aspect.Aspect == Aspect.Settings).Standing;
        if (judgement.Summary.StartsWith("Right so far", StringComparison.Ordinal))
            Assert.True(settings == Standing.Right, words);
    }

    // The two that were found: 4.9 V over with big spatter; 600 in/min at 15 V and nothing noted.
    [Fact]
    public void Volts_far_over_with_big_spatter_is_the_pairs_trouble()
    {
        var sheet = Room.Sheet();
        var over = Room.Pair(sheet.Pair!.WireFeed.InPerMin, sheet.Pair.Volts.Aim.Volts + 4.9);
        var judgement = Judge.Of(sheet, Room.Digital, over, new Evidence(Spatter: Spatter.Big));
        Assert.Equal((Verdict.Unsteady, Cause.VoltsHigh), (judgement.Verdict, judgement.Causes[0].Cause));
        Assert.Contains("do not pair", judgement.Summary.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Far_off_settings_with_nothing_noted_are_not_right_so_far() =>
        Assert.StartsWith(
            "The settings are off the sheet",
            Judge.Of(Room.Sheet(), Room.Digital, Room.Pair(600, 15), new Evidence()).Summary.ToString(),
            StringComparison.Ordinal
        );

    [Fact]
    public void A_change_advised_by_the_settings_alone_is_followed_up_in_words()
    {
        var sheet = Room.Sheet();
        var off = Room.Pair(sheet.Pair!.WireFeed.InPerMin, sheet.Pair.Volts.Aim.Volts + 4);
        var first = Judge.Of(sheet, Room.Digital, off, new Evidence(Penetration: Penetration.TintBehind));
        Assert.Equal(ChangeKind.VoltsDown, first.Next!.Kind);
        var before = new BeadBefore(1, first, new Evidence(Penetration: Penetration.TintBehind), off, null);
        var follow = Judge
            .Of(
                sheet,
                Room.Digital,
                Room.Pair(sheet.Pair.WireFeed.InPerMin, sheet.Pair.Volts.Aim.Volts),
                new Evidence(Sound.EvenCrackle),
                Circumstances.None with
                {
                    Before = before,
                }
            )
            .FollowUp!;
        Assert.DoesNotContain(": ?", follow.Text.ToString(), StringComparison.Ordinal);
        Assert.DoesNotContain(": .", follow.Text.ToString(), StringComparison.Ordinal);
        Assert.Contains("by the settings alone", follow.Text.ToString(), StringComparison.Ordinal);
    }
}
