using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Tests.Judging;

/// <summary>What settings should have given, what is said of the whole, and the change in numbers.</summary>
public class ExpectedAndAdvisedTests
{
    private static readonly Machine NoReadings = Room.KnobAndTaps with
    {
        WireControl = Room.KnobAndTaps.WireControl! with { Readings = [] },
        VoltControl = Room.KnobAndTaps.VoltControl! with { Readings = [] },
    };

    private static readonly Sheet T = Room.Sheet(machine: Room.Digital);
    private static readonly PairSettings Pair = T.Pair!;

    private static readonly Sheet Tig = Room.TigSheet();

    private static Settings Used(double wire, double volts) => new(Pair.WireFeed * wire, Voltage.FromVolts(Pair.Volts.Aim.Volts + volts));

    private static Expectation Of(Aspect aspect, double wire, double volts, Evidence evidence) =>
        Judge.Of(T, Room.Digital, Used(wire, volts), evidence).Expected.Single(row => row.Aspect == aspect);

    private static Expectation OfTig(Aspect aspect, double amps, Evidence? evidence = null) =>
        Judge.Of(Tig, Room.Digital, Tig.Amps * amps, evidence ?? new(Sound.EvenCrackle)).Expected.Single(row => row.Aspect == aspect);

    [Theory]
    [InlineData(1, 0, "Even crackle")]
    [InlineData(1, -4, "Pops and stubbing")]
    [InlineData(1, 4, "A hiss")]
    public void A_pair_should_sound_as_it_is_set(double wire, double volts, string words) =>
        Assert.StartsWith(words, $"{Of(Aspect.Sound, wire, volts, new(Sound.EvenCrackle)).Text}", StringComparison.Ordinal);

    [Theory]
    // Heat goes with amps and volts; under an eighth either way nothing shows.
    [InlineData(1, 0, "A slightly rounded bead")]
    [InlineData(0.75, -1, "A tall, cold bead")]
    [InlineData(1.25, 1, "A flatter, wider bead")]
    // Stubbing lays a cold bead whatever the heat.
    [InlineData(1.3, -3, "A tall, cold bead")]
    public void A_pair_should_look_as_hot_as_it_is(double wire, double volts, string words) =>
        Assert.StartsWith(words, $"{Of(Aspect.Appearance, wire, volts, new(Sound.EvenCrackle)).Text}", StringComparison.Ordinal);

    [Theory]
    // Jackson and Shrubsall 1953 (from memory): depth goes with I to the four thirds; 1.2 to that is 1.275, 0.8 is 0.743.
    [InlineData(1.2, "About 28 % more depth")]
    [InlineData(0.8, "About 26 % less depth")]
    [InlineData(1.05, "The sheet's depth")]
    [InlineData(0.95, "The sheet's depth")]
    public void Depth_follows_the_amps(double amps, string words) =>
        Assert.StartsWith(words, $"{OfTig(Aspect.Penetration, amps).Text}", StringComparison.Ordinal);

    [Fact]
    public void Travel_takes_heat_away()
    {
        // The sheet's amps at two thirds of its pace: half as much heat again in each millimetre.
        var slow = new Measures(BeadLength: Length.FromMm(100), ArcSeconds: 100 / (Tig.Travel!.Value.MmPerMin / 60) * 1.5);
        Assert.StartsWith("A flatter", $"{OfTig(Aspect.Appearance, 1, new(Measured: slow)).Text}", StringComparison.Ordinal);
        var fast = slow with { ArcSeconds = slow.ArcSeconds / 2.25 };
        Assert.StartsWith("A tall", $"{OfTig(Aspect.Appearance, 1, new(Measured: fast)).Text}", StringComparison.Ordinal);
        // TIG does not stub.
        Assert.StartsWith("A slightly", $"{OfTig(Aspect.Appearance, 1).Text}", StringComparison.Ordinal);
    }

    [Fact]
    public void Half_of_what_was_seen_as_expected_agrees()
    {
        Assert.Equal(Match.Agrees, Of(Aspect.Appearance, 1, 0, new(Profile: Profile.Flat, Toes: Toes.Cold)).Match);
        Assert.Equal(Match.Contradicts, Of(Aspect.Appearance, 1, 0, new(Profile: Profile.TallNarrow, Toes: Toes.Cold)).Match);
        Assert.Equal(Match.NotSeen, Of(Aspect.Appearance, 1, 0, new(Sound.Hiss)).Match);
    }

    public static TheoryData<Evidence, double, string> Words =>
        new()
        {
            { WorkedCases.Good, 1, "Right: it sounds" },
            { new(Sound.EvenCrackle, Profile.Lumpy), 1, "A little cold" },
            { new(Sound.EvenCrackle, Profile.TallNarrow), 1, "Cold: it lies" },
            { new(Sound.EvenCrackle, Tint: Tint.Wide), 1, "A little hot" },
            { new(Sound.EvenCrackle, Profile.Sunk), 1, "Hot: more heat" },
            { new(Sound.Popping), 1, "The arc does not run smooth" },
            { new(Sound.EvenCrackle, Ripple: Ripple.Uneven), 1, "The heat is right; the hand" },
            { new(Sound.EvenCrackle, Faults: [Fault.Pinholes]), 1, "Not sound" },
            { new(Sound.EvenCrackle), 0.6, "The settings are off the sheet" },
            { new(Sound.EvenCrackle), 1, "Right so far" },
        };

    [Theory]
    [MemberData(nameof(Words))]
    public void The_whole_in_a_line(Evidence evidence, double wire, string words) =>
        Assert.StartsWith(words, $"{Judge.Of(T, Room.Digital, Used(wire, 0), evidence).Summary}", StringComparison.Ordinal);

    // How each look leans: common practice, no source.
    [Theory]
    [InlineData(
        Verdict.Cold,
        Sign.TallNarrow,
        Sign.PiledUp,
        Sign.Lumpy,
        Sign.ToesCold,
        Sign.TintNone,
        Sign.TintThin,
        Sign.NothingBehind,
        Sign.RootShort
    )]
    [InlineData(Verdict.Hot, Sign.Sunk, Sign.TintWide, Sign.Rattle, Sign.Runny)]
    public void Looks_lean_cold_or_hot(Verdict verdict, params Sign[] signs) =>
        Assert.All(signs, sign => Assert.Equal(verdict == Verdict.Cold ? -1 : 1, Math.Sign(Observations.Of(sign).Heat)));

    private static string Advice(Cause cause, double wire, double volts) =>
        $"{NextChanges.For(cause, T, NoReadings, Used(wire, volts)).Instruction}";

    [Fact]
    public void Without_readings_the_change_is_in_numbers()
    {
        Assert.Equal(
            $"Volts up to about {Say(SmoothBand.At(Used(1, -3).WireFeed, T.Job.RequireArc()).Aim)}. Leave the wire.",
            Advice(Cause.VoltsLow, 1, -3)
        );
        Assert.Equal(
            $"Volts down to about {Say(SmoothBand.At(Used(1, 3).WireFeed, T.Job.RequireArc()).Aim)}. Leave the wire.",
            Advice(Cause.VoltsHigh, 1, 3)
        );
        // At the aim already: half a volt is the least worth hearing.
        Assert.Equal(
            $"Volts up to about {Say(Voltage.FromVolts(Pair.Volts.Aim.Volts + 0.5))}. Leave the wire.",
            Advice(Cause.VoltsLow, 1, 0)
        );
        Assert.Equal(
            $"Volts down to about {Say(Voltage.FromVolts(Pair.Volts.Aim.Volts - 0.5))}. Leave the wire.",
            Advice(Cause.VoltsHigh, 1, 0)
        );
        // Back to the sheet's wire where that is the right way.
        Assert.Equal($"Wire up to about {Said.Say($"{Pair.WireFeed}")}. Leave the volts.", Advice(Cause.WireLow, 0.7, 0));
        Assert.Equal($"Wire down to about {Said.Say($"{Pair.WireFeed}")}. Leave the volts.", Advice(Cause.WireHigh, 1.3, 0));
        // On it already: to what the volts pair with, or a tenth.
        Assert.Equal($"Wire up to about {Said.Say($"{Pair.WireFeed * 1.1}")}. Leave the volts.", Advice(Cause.WireLow, 1, 0));
        var paired = SmoothBand.WireFeedFor(Used(1, 3).Volts, T.Job.RequireArc());
        Assert.Equal($"Wire up to about {Said.Say($"{paired}")}. Leave the volts.", Advice(Cause.WireLow, 1, 3));
        Assert.Equal($"First of two: wire up to about {Said.Say($"{Pair.WireFeed}")}.", Advice(Cause.PairCold, 0.7, 0));
        Assert.Equal($"First of two: wire up to about {Said.Say($"{Pair.WireFeed * 1.1}")}.", Advice(Cause.PairCold, 1, 0));
        Assert.Equal($"First of two: wire down to about {Said.Say($"{Pair.WireFeed}")}.", Advice(Cause.PairHot, 1.4, 0));
        Assert.Equal($"First of two: wire down to about {Said.Say($"{Pair.WireFeed * 0.9}")}.", Advice(Cause.PairHot, 1, 0));
        Assert.Contains(
            "Second, once that is heard: volts to",
            $"{NextChanges.For(Cause.PairCold, T, NoReadings, Used(0.7, 0)).Then}",
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void At_the_end_of_the_wire_another_wire_is_named()
    {
        var most = new Settings(WireFeedSpeed.FromInPerMin(700), Pair.Volts.Aim);
        Assert.EndsWith("thicker.", $"{NextChanges.For(Cause.WireLow, T, Room.Digital, most).Instruction}", StringComparison.Ordinal);
        var least = new Settings(WireFeedSpeed.FromInPerMin(60), Pair.Volts.Aim);
        Assert.EndsWith("thinner.", $"{NextChanges.For(Cause.WireHigh, T, Room.Digital, least).Instruction}", StringComparison.Ordinal);
    }

    // What was advised after the first bead counts as done when the control was turned that way; volts may be mended by the wire.
    [Theory]
    [InlineData(ChangeKind.VoltsUp, 1, 2, true)]
    [InlineData(ChangeKind.VoltsUp, 0.8, 0, true)]
    [InlineData(ChangeKind.VoltsUp, 1, -2, false)]
    [InlineData(ChangeKind.VoltsDown, 1, -2, true)]
    [InlineData(ChangeKind.VoltsDown, 1.2, 0, true)]
    [InlineData(ChangeKind.VoltsDown, 1, 2, false)]
    [InlineData(ChangeKind.WireUp, 1.2, 0, true)]
    [InlineData(ChangeKind.WireUp, 1, 0, false)]
    [InlineData(ChangeKind.MoreOfBoth, 1.2, 1, true)]
    [InlineData(ChangeKind.WireDown, 0.8, 0, true)]
    [InlineData(ChangeKind.WireDown, 1.2, 0, false)]
    [InlineData(ChangeKind.LessOfBoth, 0.8, -1, true)]
    [InlineData(ChangeKind.LessOfBoth, 1, 0, false)]
    [InlineData(ChangeKind.Slower, 1, 0, true)]
    [InlineData(ChangeKind.Slower, 1.2, 0, false)]
    [InlineData(ChangeKind.Slower, 1, 2, false)]
    public void What_was_turned_says_whether_it_was_done(ChangeKind kind, double wire, double volts, bool done)
    {
        var first = new Evidence(Sound.Popping, Profile.TallNarrow, Toes.Cold);
        var judged = Judge.Of(T, Room.Digital, Used(1, 0), first);
        judged = judged with { Next = judged.Next! with { Kind = kind } };
        var around = Circumstances.None with { Before = new(1, judged, first, Used(1, 0), null) };
        var followed = Judge.Of(T, Room.Digital, Used(wire, volts), first, around).FollowUp!;
        Assert.Equal(done, followed.Outcome != Outcome.NotDone);
    }

    [Theory]
    [InlineData(ChangeKind.AmpsUp, 1.2, true)]
    [InlineData(ChangeKind.AmpsUp, 1, false)]
    [InlineData(ChangeKind.AmpsUp, 0.8, false)]
    [InlineData(ChangeKind.AmpsDown, 0.8, true)]
    [InlineData(ChangeKind.AmpsDown, 1, false)]
    [InlineData(ChangeKind.AmpsDown, 1.2, false)]
    [InlineData(ChangeKind.ShorterArc, 1, true)]
    [InlineData(ChangeKind.ShorterArc, 1.2, false)]
    public void The_same_of_amps(ChangeKind kind, double amps, bool done)
    {
        var first = new Evidence(Sound.EvenCrackle, Profile.TallNarrow, Toes.Cold);
        var judged = Judge.Of(Tig, Room.Digital, Tig.Amps, first);
        judged = judged with { Next = judged.Next! with { Kind = kind } };
        var around = Circumstances.None with { Before = new(1, judged, first, null, Tig.Amps) };
        var followed = Judge.Of(Tig, Room.Digital, Tig.Amps * amps, first, around).FollowUp!;
        Assert.Equal(done, followed.Outcome != Outcome.NotDone);
    }

    [Fact]
    public void Nothing_is_followed_up_where_all_was_to_stay()
    {
        var judged = Judge.Of(T, Room.Digital, Used(1, 0), WorkedCases.Good);
        Assert.Equal(ChangeKind.Keep, judged.Next!.Kind);
        var around = Circumstances.None with { Before = new(1, judged, WorkedCases.Good, Used(1, 0), null) };
        Assert.Null(Judge.Of(T, Room.Digital, Used(1, 0), WorkedCases.Good, around).FollowUp);
    }

    [Fact]
    public void A_fault_not_named_is_gone_once_a_bead_was_looked_at_all_over()
    {
        var first = new Evidence(Sound.EvenCrackle, Faults: [Fault.UnequalLegs]);
        var judged = Judge.Of(T, Room.Digital, Used(1, 0), first);
        Assert.Equal(ChangeKind.MendAngle, judged.Next!.Kind);
        var around = Circumstances.None with { Before = new(1, judged, first, Used(1, 0), null) };
        Outcome After(Evidence evidence) => Judge.Of(T, Room.Digital, Used(1, 0), evidence, around).FollowUp!.Outcome;
        Assert.Equal(Outcome.AsExpected, After(new(Profile: Profile.Flat, Toes: Toes.Blended)));
        Assert.Equal(Outcome.NotLookedAt, After(new(Profile: Profile.Flat)));
        Assert.Equal(Outcome.NotAsExpected, After(first));
    }

    private static string Say(Voltage volts) => $"{Said.Say($"{volts}")}";
}
