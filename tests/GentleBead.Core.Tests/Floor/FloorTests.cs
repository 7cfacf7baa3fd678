using GentleBead.Core.Floor;
using GentleBead.Core.Judging;
using GentleBead.Core.Planning;

namespace GentleBead.Core.Tests.Floor;

/// <summary>Who needs the instructor first. The order is the trade's: common practice, no source.</summary>
public class FloorTests
{
    private static readonly DateTimeOffset Now = new(2026, 3, 2, 19, 30, 0, TimeSpan.Zero);

    private static DateTimeOffset Ago(double minutes) => Now.AddMinutes(-minutes);

    private static FloorBooth Busy { get; } =
        new()
        {
            PlacedAt = Ago(40),
            SheetAt = Ago(39),
            Beads = [new(Verdict.Right, null, Ago(3))],
            SeenAt = Ago(20),
        };

    private static FloorBead Bead(double minutesAgo, Cause? cause, Verdict verdict = Verdict.Cold) => new(verdict, cause, Ago(minutesAgo));

    private static FloorBooth WithBeads(params FloorBead[] beads) => Busy with { Beads = beads };

    private static FloorBooth WithHand(HandReason reason, double minutesAgo = 1) =>
        Busy with
        {
            Hand = new(Guid.NewGuid(), reason, Ago(minutesAgo)),
        };

    [Theory]
    [InlineData(HandReason.Danger, NeedKind.Danger)]
    [InlineData(HandReason.Help, NeedKind.Hand)]
    [InlineData(HandReason.Look, NeedKind.Check)]
    [InlineData(HandReason.Done, NeedKind.Check)]
    public void A_hand_says_why_and_since_when(HandReason reason, NeedKind kind)
    {
        var need = Needs.Of(WithHand(reason, 4), Now);
        Assert.Equal((kind, Ago(4)), (need.Kind, need.Since));
        Assert.Equal(reason.Row().Told, need.Why);
        Assert.Null(need.Until);
    }

    [Fact]
    public void Danger_comes_first_then_a_hand_a_check_no_sheet_the_same_fault_quiet_and_the_round()
    {
        var faults = WithBeads(Bead(9, Cause.TravelFast), Bead(6, Cause.TravelFast), Bead(3, Cause.TravelFast));
        var booths = new (string Name, FloorBooth Booth)[]
        {
            ("empty", new()),
            ("fine", Busy),
            ("fine, not seen for longer", Busy with { SeenAt = Ago(30) }),
            ("quiet", Busy with { Beads = [Bead(11, null, Verdict.Right)], SeenAt = Ago(15) }),
            ("quiet for longer", Busy with { Beads = [], SheetAt = Ago(25), PlacedAt = Ago(26), SeenAt = null }),
            ("same fault", faults with { SeenAt = Ago(5) }),
            ("no sheet", Busy with { SheetAt = null, Beads = [] }),
            ("look", WithHand(HandReason.Look)),
            ("done, for longer", WithHand(HandReason.Done, 2)),
            ("help", WithHand(HandReason.Help)),
            ("danger", WithHand(HandReason.Danger, 0)),
        };
        var order =
            from booth in booths
            let need = Needs.Of(booth.Booth, Now)
            orderby need.Rank, need.Since ?? DateTimeOffset.MaxValue
            select booth.Name;
        Assert.Equal(
            [
                "danger",
                "help",
                "done, for longer",
                "look",
                "no sheet",
                "same fault",
                "quiet for longer",
                "quiet",
                "fine, not seen for longer",
                "fine",
                "empty",
            ],
            order
        );
    }

    [Fact]
    public void Nobody_is_quiet_before_ten_minutes_and_the_moment_it_comes_is_told_ahead()
    {
        var booth = Busy with { Beads = [Bead(0, null, Verdict.Right)], SeenAt = null };
        var fine = Needs.Of(booth, Now);
        Assert.Equal((NeedKind.Round, Now.AddMinutes(10)), (fine.Kind, fine.Until));
        Assert.Equal(NeedKind.Round, Needs.Of(booth, fine.Until!.Value.AddTicks(-1)).Kind);
        var quiet = Needs.Of(booth, fine.Until!.Value);
        Assert.Equal((NeedKind.Quiet, Now), (quiet.Kind, quiet.Since));
        // Whoever was there has heard from them.
        Assert.Equal(NeedKind.Round, Needs.Of(booth with { SeenAt = Now.AddMinutes(9) }, fine.Until!.Value).Kind);
    }

    [Fact]
    public void The_same_fault_three_times_is_told_by_its_name_until_somebody_was_there()
    {
        var three = WithBeads(Bead(9, Cause.TravelFast), Bead(6, Cause.TravelFast), Bead(3, Cause.TravelFast));
        var need = Needs.Of(three, Now);
        Assert.Equal((NeedKind.SameFault, Ago(3)), (need.Kind, need.Since));
        var words = Causes.Table.Single(row => row.Cause == Cause.TravelFast).Words;
        Assert.Contains(words.ToString(), need.Why.ToString(), StringComparison.Ordinal);
        Assert.Equal(NeedKind.Round, Needs.Of(three with { SeenAt = Ago(2) }, Now).Kind);
        Assert.Equal(NeedKind.Round, Needs.Of(three with { Beads = [.. three.Beads.Skip(1)] }, Now).Kind);
        var other = WithBeads(Bead(9, Cause.TravelFast), Bead(6, Cause.VoltsLow), Bead(3, Cause.TravelFast));
        Assert.Equal(NeedKind.Round, Needs.Of(other, Now).Kind);
        var mended = WithBeads(Bead(9, Cause.TravelFast), Bead(6, Cause.TravelFast), Bead(3, Cause.TravelFast, Verdict.Right));
        Assert.Equal(NeedKind.Round, Needs.Of(mended, Now).Kind);
        // A tungsten's cause has words too.
        var tig = WithBeads(Bead(9, Cause.ArcLong), Bead(6, Cause.ArcLong), Bead(3, Cause.ArcLong));
        Assert.Equal(NeedKind.SameFault, Needs.Of(tig, Now).Kind);
    }

    [Fact]
    public void A_test_weld_waits_for_its_assessors_once_it_is_laid()
    {
        Assert.Equal(NeedKind.Check, Needs.Of(Busy with { TestWaits = true }, Now).Kind);
        Assert.Equal(NeedKind.Round, Needs.Of(Busy with { TestWaits = true, Beads = [] }, Ago(35)).Kind);
    }

    [Fact]
    public void Every_reason_for_a_hand_has_its_row_and_asks_for_somebody() =>
        Assert.All(Enum.GetValues<HandReason>(), reason => Assert.InRange(reason.Row().Need, NeedKind.Danger, NeedKind.Check));

    [Fact]
    public void A_session_is_set_up_slots_and_close_down_without_a_gap()
    {
        var phases = Phases.Of(PlanSettings.Usual, 3, Now, Now.AddHours(3));
        Assert.Equal(["Set-up", "Slot 1 of 3", "Slot 2 of 3", "Slot 3 of 3", "Close-down"], phases.Select(phase => $"{phase.Name}"));
        Assert.Equal([null, 0, 1, 2, null], phases.Select(phase => phase.Slot));
        Assert.Equal(Now, phases[0].From);
        Assert.Equal(Now.AddHours(3), phases[^1].To);
        Assert.All(phases.Zip(phases.Skip(1)), pair => Assert.Equal(pair.First.To, pair.Second.From));
        Assert.Equal([(Now, Now.AddHours(2))], Phases.Of(PlanSettings.Usual, 0, Now, Now.AddHours(2)).Select(one => (one.From, one.To)));
    }

    [Fact]
    public void A_room_is_not_closed_over_what_can_hurt_without_a_word()
    {
        var all = CloseDown.Table.Select(check => check.Key).ToArray();
        Assert.Empty(CloseDown.Problems(all, ""));
        var open = CloseDown.Table.First(check => check.Safety).Key;
        Assert.Equal("note", Assert.Single(CloseDown.Problems([.. all.Where(key => key != open)], " ")).Field);
        Assert.Empty(CloseDown.Problems([.. all.Where(key => key != open)], "Bottle 3 is empty and away."));
        var harmless = CloseDown.Table.First(check => !check.Safety).Key;
        Assert.Empty(CloseDown.Problems([.. all.Where(key => key != harmless)], ""));
        Assert.Equal("ticked", Assert.Single(CloseDown.Problems([.. all, "lights"], "")).Field);
        Assert.Equal("note", Assert.Single(CloseDown.Problems(all, new string('a', CloseDown.LongestNote + 1))).Field);
        // Common practice, no source.
        Assert.Equal(TimeSpan.FromMinutes(30), CloseDown.FireWatch);
    }
}
