using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Tests.Judging;

/// <summary>
/// How evidence is weighed: monotone, in any order, with what is missing never good, and with habits, strengths and the bead before.
/// </summary>
public class ReasoningTests
{
    private static readonly Sheet T = Room.Sheet(machine: Room.KnobAndTaps);
    private static readonly Settings OnSheet = Room.Pair(280, 20);

    public static TheoryData<bool> BothTables => [true, false];

    private static IReadOnlyList<CauseRow> Table(bool tig) => tig ? TigCauses.Table : Causes.Table;

    [Theory]
    [MemberData(nameof(BothTables))]
    public void More_evidence_for_a_cause_never_lowers_it(bool tig)
    {
        var random = new Random(21);
        var all = Enum.GetValues<Sign>();
        var tried = 0;
        foreach (var row in Table(tig))
        {
            foreach (var (sign, weight) in row.Weights.Where(weight => weight.Value > 0))
            {
                for (var round = 0; round < 5; round++)
                {
                    var without = all.Where(other => other != sign && random.Next(8) == 0).Once();
                    var with = without.Keys.Append(sign).Once();
                    Assert.True(Ranking.Score(row, with) > Ranking.Score(row, without));
                    // Against every cause that the sign speaks for no more strongly, its odds never fall.
                    foreach (var other in Table(tig).Where(other => other.Weights.GetValueOrDefault(sign) <= weight))
                    {
                        Assert.True(
                            Ranking.Score(row, with) - Ranking.Score(other, with)
                                >= Ranking.Score(row, without) - Ranking.Score(other, without) - 1e-12
                        );
                        tried++;
                    }
                    // Said more strongly, it counts no less.
                    var strong = new Dictionary<Sign, double>(with) { [sign] = 1.5 };
                    Assert.True(Ranking.Score(row, strong) >= Ranking.Score(row, with));
                }
            }
        }
        Assert.True(tried > 10_000);
    }

    [Fact]
    public void The_order_of_entry_is_nothing()
    {
        var evidence = new Evidence(
            Sound.Popping,
            Profile.TallNarrow,
            Toes.Cold,
            Faults: [Fault.Pinholes, Fault.UnequalLegs, Fault.OpenCrater],
            Measured: new(Pores: [Length.FromMm(1), Length.FromMm(2)])
        );
        var turned = evidence with { Faults = [.. evidence.Faults.Reverse()], Measured = new(Pores: [Length.FromMm(2), Length.FromMm(1)]) };
        var (one, other) = (Judge.Of(T, Room.KnobAndTaps, OnSheet, evidence), Judge.Of(T, Room.KnobAndTaps, OnSheet, turned));
        Assert.Equal(one.Causes.Select(cause => (cause.Cause, cause.Share)), other.Causes.Select(cause => (cause.Cause, cause.Share)));
        Assert.Equal(one.Acceptance!.Criteria, other.Acceptance!.Criteria);
        Assert.Equal(one.Telling!.Text, other.Telling!.Text);
    }

    [Fact]
    public void Taking_a_good_look_away_never_leaves_its_aspect_right()
    {
        var full = WorkedCases.Good with { BeadSize = T.BeadSize.Aim };
        Assert.Equal(Verdict.Right, Judge.Of(T, Room.KnobAndTaps, OnSheet, full).Verdict);
        Assert.All(Judge.Of(T, Room.KnobAndTaps, OnSheet, full).Aspects, aspect => Assert.Equal(Standing.Right, aspect.Standing));
        foreach (
            var (less, aspect) in new[]
            {
                (full with { Sound = null }, Aspect.Sound),
                (full with { Profile = null }, Aspect.Appearance),
                (full with { Toes = null }, Aspect.Appearance),
                (full with { Penetration = null }, Aspect.Penetration),
                (full with { BeadSize = null }, Aspect.BeadSize),
            }
        )
        {
            var judged = Judge.Of(T, Room.KnobAndTaps, OnSheet, less);
            Assert.Equal(Standing.NotKnown, judged.Aspects.Single(row => row.Aspect == aspect).Standing);
            if (aspect != Aspect.BeadSize)
                Assert.Equal(Verdict.Open, judged.Verdict);
            Assert.NotEmpty(judged.StillUnknown);
        }
    }

    [Fact]
    public void Settings_say_what_they_should_have_done_and_whether_it_was_seen()
    {
        var stubs = Judge.Of(T, Room.KnobAndTaps, Room.Pair(280, 16.5), new(Sound.Popping, Profile.TallNarrow));
        Assert.Equal(Match.Agrees, stubs.Expected.Single(row => row.Aspect == Aspect.Sound).Match);
        Assert.Equal(Match.Agrees, stubs.Expected.Single(row => row.Aspect == Aspect.Appearance).Match);
        Assert.Equal(Match.NotSeen, stubs.Expected.Single(row => row.Aspect == Aspect.Penetration).Match);
        var strange = Judge.Of(T, Room.KnobAndTaps, OnSheet, new(Sound.Hiss, Profile.Lumpy, Penetration: Penetration.NoneSeen));
        Assert.All(strange.Expected, row => Assert.Equal(Match.Contradicts, row.Match));
        Assert.NotNull(strange.Contradiction);
    }

    /// <summary>
    /// Jackson and Shrubsall 1953: P = K (I^4 / (S U^2))^(1/3), from memory.
    /// Twice the current is 2^(4/3) the depth; eight times the travel halves it.
    /// </summary>
    [Fact]
    public void Penetration_goes_with_current_volts_and_travel_as_published()
    {
        Assert.Equal(Math.Pow(2, 4.0 / 3), Expectations.Penetration(2, 1, 1), 1e-12);
        Assert.Equal(0.5, Expectations.Penetration(1, 1, 8), 1e-12);
        Assert.Equal(Math.Pow(2, -2.0 / 3), Expectations.Penetration(1, 2, 1), 1e-12);
    }

    [Fact]
    public void The_telling_look_tells_apart_what_is_in_doubt()
    {
        // Pops at right marks: long tip or short volts at the arc? The ruler tells.
        var stubs = Judge.Of(T, Room.KnobAndTaps, OnSheet, new(Sound.Popping));
        Assert.NotNull(stubs.Telling);
        // Sunk on right marks: hot plate, or slow? The hand or the watch tells.
        var sunk = Judge.Of(
            T,
            Room.KnobAndTaps,
            OnSheet,
            new(Sound.EvenCrackle, Profile.Sunk, Toes.Blended, Tint.Wide, Penetration: Penetration.TintBehind)
        );
        Assert.Matches("plate|Time", sunk.Telling!.Text.ToString());
        Assert.Equal(2, sunk.Telling.Between.Distinct().Count());
        var looks = NextLooks.Of(
            T.Job,
            Signs.Of(T, Room.KnobAndTaps, OnSheet, new(Sound.EvenCrackle)),
            Ranking.Rank(Signs.Of(T, Room.KnobAndTaps, OnSheet, new(Sound.EvenCrackle)).Once(), Causes.Of(T.Job.Process)),
            Causes.Of(T.Job.Process)
        );
        Assert.DoesNotContain(looks, look => look.Text.StartsWith("Listen", StringComparison.Ordinal));
        // No look can take away more doubt than there is.
        Assert.All(looks, look => Assert.InRange(look.GainBits, 0, Math.Log2(Causes.Table.Count)));
    }

    [Fact]
    public void What_a_hand_and_a_machine_did_lately_is_expected_of_them_again()
    {
        var evidence = new Evidence(Sound.Popping);
        double Share(Circumstances around, Cause cause) =>
            Judge.Of(T, Room.KnobAndTaps, OnSheet, evidence, around).Causes.SingleOrDefault(row => row.Cause == cause)?.Share ?? 0;
        var none = Circumstances.None;
        var far = none with { StudentCauses = [.. Enumerable.Repeat(Cause.StickOutLong, 6)] };
        Assert.True(Share(far, Cause.StickOutLong) > Share(none, Cause.StickOutLong));
        // A pair that was set wrong last time says nothing about this one; nor is a machine's fault the student's habit.
        Assert.Equal(
            Share(none, Cause.StickOutLong),
            Share(
                none with
                {
                    StudentCauses = [Cause.VoltsLow, Cause.ReadOutOff],
                    MachineCauses = [Cause.StickOutLong],
                },
                Cause.StickOutLong
            ),
            1e-12
        );
        var priors = Habits.Priors(Causes.Table, [.. Enumerable.Repeat(Cause.StickOutLong, 500)], []);
        Assert.Equal(1, priors.Values.Sum(), 1e-12);
        Assert.True(priors[Cause.StickOutLong] < 0.5, "Only the newest beads count.");
    }

    [Fact]
    public void The_next_bead_says_whether_the_change_did_what_was_expected()
    {
        var first = new Evidence(Sound.Popping, Profile.TallNarrow, Toes.Cold);
        var used = Room.Pair(280, 17);
        var judged = Judge.Of(T, Room.KnobAndTaps, used, first);
        Assert.Equal(ChangeKind.VoltsUp, judged.Next!.Kind);
        FollowUp After(Settings now, Evidence seen) =>
            Judge.Of(T, Room.KnobAndTaps, now, seen, Circumstances.None with { Before = new(1, judged, first, used, null) }).FollowUp!;

        var mended = After(OnSheet, new(Sound.EvenCrackle, Profile.SlightlyConvex, Toes.Blended));
        Assert.Equal(Outcome.AsExpected, mended.Outcome);
        Assert.Contains("loud pops", mended.Text.ToString(), StringComparison.Ordinal);
        Assert.Equal(Outcome.Partly, After(OnSheet, new(Sound.EvenCrackle, Profile.TallNarrow, Toes.Blended)).Outcome);
        Assert.Equal(Outcome.NotAsExpected, After(OnSheet, new(Sound.Popping, Profile.TallNarrow, Toes.Cold)).Outcome);
        Assert.Equal(Outcome.NotLookedAt, After(OnSheet, new(Spatter: Spatter.Little)).Outcome);
        Assert.Equal(Outcome.NotDone, After(used, new(Sound.Popping)).Outcome);
        Assert.Null(Judge.Of(T, Room.KnobAndTaps, OnSheet, first).FollowUp);

        // A cold pair sounds right, and has to go on sounding right: only the cold look must go.
        var coldLook = new Evidence(Sound.EvenCrackle, Profile.TallNarrow, Toes.Cold);
        var coldPair = Room.Pair(190, 17.5);
        var cold = Judge.Of(T, Room.KnobAndTaps, coldPair, coldLook);
        Assert.Equal(ChangeKind.MoreOfBoth, cold.Next!.Kind);
        var warmed = Judge.Of(
            T,
            Room.KnobAndTaps,
            OnSheet,
            new(Sound.EvenCrackle, Profile.SlightlyConvex, Toes.Blended),
            Circumstances.None with
            {
                Before = new(1, cold, coldLook, coldPair, null),
            }
        );
        Assert.Equal(Outcome.AsExpected, warmed.FollowUp!.Outcome);

        // A hand's change cannot be read off the controls: it is not said to have been made.
        var far = new Evidence(Sound.Popping, StickOut: Length.FromMm(19));
        var held = Judge.Of(T, Room.KnobAndTaps, OnSheet, far);
        Assert.Equal(ChangeKind.ShorterStickOut, held.Next!.Kind);
        var still = Judge
            .Of(T, Room.KnobAndTaps, OnSheet, far, Circumstances.None with { Before = new(1, held, far, OnSheet, null) })
            .FollowUp!;
        Assert.Equal(Outcome.NotAsExpected, still.Outcome);
        Assert.Contains("If what was advised was done", still.Text.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_section_outweighs_the_back_of_the_plate()
    {
        var marked = WorkedCases.Good with
        {
            Macro = new(
                Length.FromMm(4),
                Length.FromMm(4),
                Length.FromMm(2.8),
                Length.FromMm(5.6),
                Length.FromMm(0.3),
                Length.FromMm(0.6),
                Length.FromMm(0.5),
                Length.FromMm(0.5),
                Length.FromMm(0)
            ),
        };
        Assert.Equal(Verdict.Right, Judge.Of(T, Room.KnobAndTaps, OnSheet, marked with { Penetration = null }).Verdict);
        var line = Judge.Of(T, Room.KnobAndTaps, OnSheet, marked with { Macro = marked.Macro with { UnfusedLength = Length.FromMm(1.2) } });
        Assert.Equal(Verdict.Fault, line.Verdict);
        Assert.Equal(Standing.Off, line.Aspects.Single(aspect => aspect.Aspect == Aspect.Penetration).Standing);
        Assert.Equal(Standing.Off, line.Acceptance!.Criteria.Single(criterion => criterion.Criterion == Criterion.Fusion).Standing);
        var shallow = Judge.Of(
            T,
            Room.KnobAndTaps,
            OnSheet,
            marked with
            {
                Macro = marked.Macro with { RootPenetration = Length.FromMm(0) },
            }
        );
        Assert.Equal(Verdict.Cold, shallow.Verdict);
    }

    [Fact]
    public void Under_a_pedal_a_little_more_than_the_sheets_amps_is_on_the_sheet()
    {
        var machine = Room.Digital with { AmpControl = Room.Amps };
        var sheet = Assert.IsType<Sheet>(
            Planner.Plan(
                new Job(
                    Core.Stock.Thickness.Parse("3"),
                    Core.Stock.Joint.T,
                    Core.Stock.Position.Flat,
                    null,
                    Core.Stock.Process.GtawDc,
                    Gas: Core.Stock.Gas.Argon
                ),
                machine
            )
        );
        Standing At(Current amps) =>
            Judge
                .Of(sheet, machine, amps, new Evidence(Sound.EvenCrackle))
                .Aspects.Single(aspect => aspect.Aspect == Aspect.Settings)
                .Standing;
        Assert.Equal(Standing.Right, At(sheet.Tig!.PedalMost));
        Assert.Equal(Standing.Right, At(sheet.Amps));
        Assert.Equal(Standing.Off, At(sheet.Tig.PedalMost * 1.08));
        Assert.Equal(Standing.Off, At(sheet.Amps * 0.9));
    }

    [Fact]
    public void A_crack_leads_whatever_else_was_seen()
    {
        foreach (var bead in WorkedCases.All)
        {
            var judged = WorkedCases.Judged(
                bead with
                {
                    Evidence = bead.Evidence with { Faults = [.. bead.Evidence.Faults, Fault.Crack] },
                }
            );
            Assert.Equal((Verdict.Fault, Cause.Cracked, ChangeKind.Stop), (judged.Verdict, judged.Causes[0].Cause, judged.Next!.Kind));
        }
    }

    [Fact]
    public void No_cause_is_named_that_nothing_speaks_for()
    {
        foreach (var bead in WorkedCases.All)
        {
            var causes = WorkedCases.Judged(bead).Causes;
            if (causes.Any(cause => cause.For.Count > 0))
                Assert.All(causes, cause => Assert.NotEmpty(cause.For));
        }
    }

    [Fact]
    public void Measured_values_outside_what_can_be_are_named()
    {
        Assert.Empty(
            new Measures(
                Throat: Length.FromMm(3),
                Pores: [],
                ArcSeconds: 20,
                ArcVolts: Voltage.FromVolts(19),
                ArcAmps: Current.FromAmps(140)
            ).Problems()
        );
        var bad = new Measures(
            OtherLeg: Length.FromMm(90),
            Throat: Length.FromMm(0),
            Crown: Length.FromMm(40),
            Pores: [Length.FromMm(50)],
            ArcSeconds: double.NaN,
            ArcVolts: Voltage.FromVolts(99),
            ArcAmps: Current.FromAmps(0),
            BeadLength: Length.FromMm(1)
        );
        Assert.Equal(
            ["arcAmps", "arcSeconds", "arcVolts", "beadLengthMm", "crownMm", "otherLegMm", "poresMm", "throatMm"],
            bad.Problems().Select(problem => problem.Field).Order()
        );
        Assert.Equal(300, new Evidence(Measured: new(BeadLength: Length.FromMm(100), ArcSeconds: 20)).Travel()!.Value.MmPerMin, 1e-9);
        Assert.Null(new Evidence(Measured: new(BeadLength: Length.FromMm(100))).Travel());
    }
}
