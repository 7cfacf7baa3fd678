using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

public class JudgeTests
{
    private static readonly Sheet T = Room.Sheet(machine: Room.KnobAndTaps);
    private static readonly Settings OnSheet = Room.Pair(280, 20);

    private static readonly Evidence Good = new(
        Sound.EvenCrackle,
        Profile.SlightlyConvex,
        Toes.Blended,
        Tint.Even,
        Spatter.Little,
        Ripple.Even,
        [],
        Penetration.TintBehind
    );

    private static Judgement Of(Settings used, Evidence evidence) => Judge.Of(T, Room.KnobAndTaps, used, evidence);

    /// <summary>Worked cases, common practice, no source: what was used and seen, the causes that may stand first, the verdict.</summary>
    public static TheoryData<string, double, double, Evidence, Cause, Verdict> Cases =>
        new()
        {
            { "all as it should be", 280, 20, Good, Cause.NothingWrong, Verdict.Right },
            {
                "stubs with the volts turned down",
                280,
                17,
                new(Sound.Popping, Profile.TallNarrow, Toes.Cold, Tint.None),
                Cause.VoltsLow,
                Verdict.Cold
            },
            {
                "stubs with the wire turned up",
                380,
                20,
                new(Sound.Popping, Profile.PiledUp, Toes.Cold, Tint.None),
                Cause.WireHigh,
                Verdict.Cold
            },
            { "torch pushed back, metal piled up", 360, 19.5, new(Sound.Popping, Profile.PiledUp), Cause.WireHigh, Verdict.Unsteady },
            {
                "hiss with the volts turned up",
                280,
                23.5,
                new(Sound.Hiss, Profile.Flat, Toes.Undercut, Tint.Wide),
                Cause.VoltsHigh,
                Verdict.Unsteady
            },
            { "thin and lumpy with the wire turned down", 150, 20, new(Sound.Hiss, Profile.Lumpy), Cause.WireLow, Verdict.Unsteady },
            {
                "sounds right, stands tall: the pair is cold",
                190,
                17.5,
                new(Sound.EvenCrackle, Profile.TallNarrow, Toes.Cold, Tint.Thin, Penetration: Penetration.NoneSeen),
                Cause.PairCold,
                Verdict.Cold
            },
            {
                "sounds right, sinks: the pair is hot",
                360,
                23,
                new(Sound.EvenCrackle, Profile.Sunk, Toes.Blended, Tint.Wide),
                Cause.PairHot,
                Verdict.Hot
            },
            {
                "rattle and sunk",
                380,
                23,
                new(Sound.Rattle, Profile.Sunk, Tint: Tint.Wide, Spatter: Spatter.Big),
                Cause.PairHot,
                Verdict.Hot
            },
            {
                "sinks on right settings: plate hot",
                280,
                20,
                new(Sound.EvenCrackle, Profile.Sunk, Toes.Blended, Tint.Wide),
                Cause.PlateHot,
                Verdict.Hot
            },
            {
                "drawn out and small",
                280,
                20,
                new(Sound.EvenCrackle, Profile.SlightlyConvex, Toes.Blended, Tint.Even, Ripple: Ripple.Stretched),
                Cause.TravelFast,
                Verdict.Technique
            },
            { "even but wandering", 280, 20, Good with { Ripple = Ripple.Uneven }, Cause.UnevenHand, Verdict.Technique },
            { "one leg long", 280, 20, Good with { Faults = [Fault.UnequalLegs] }, Cause.WorkAngle, Verdict.Technique },
            { "pinholes", 280, 20, Good with { Faults = [Fault.Pinholes] }, Cause.GasLost, Verdict.Fault },
            {
                "sputter and spatter at right settings",
                280,
                20,
                new(Sound.Sputter, Profile.SlightlyConvex, Toes.Blended, Spatter: Spatter.Big),
                Cause.DirtyPlate,
                Verdict.Unsteady
            },
            {
                "popping with the tip held far out",
                280,
                20,
                new(Sound.Popping, StickOut: Core.Quantities.Length.FromMm(19)),
                Cause.StickOutLong,
                Verdict.Unsteady
            },
            { "cracked", 280, 20, Good with { Faults = [Fault.Crack] }, Cause.Cracked, Verdict.Fault },
        };

    // Common practice, no source.
    [Theory]
    [MemberData(nameof(Cases))]
    public void The_trades_cases_come_out_as_the_trade_says(
        string name,
        double inPerMin,
        double volts,
        Evidence evidence,
        Cause first,
        Verdict verdict
    )
    {
        var judgement = Of(Room.Pair(inPerMin, volts), evidence);
        Assert.True(
            first == judgement.Causes[0].Cause,
            $"{name}: {string.Join("; ", judgement.Causes.Select(cause => $"{cause.Cause} {cause.Share:P0}"))}"
        );
        Assert.Equal(verdict, judgement.Verdict);
        Assert.NotNull(judgement.Next);
        Assert.NotEmpty(judgement.Causes[0].For);
    }

    [Fact]
    public void A_display_that_over_reads_is_suspected_when_right_marks_hiss_and_leave_little()
    {
        var sheet = Room.Sheet(machine: Room.Digital);
        var judgement = Judge.Of(
            sheet,
            Room.Digital,
            OnSheet,
            new(Sound.Hiss, Profile.Lumpy, Toes.Cold, Tint.Thin, BeadSize: Core.Quantities.Length.FromMm(2.5))
        );
        Assert.Contains(Cause.ReadOutOff, judgement.Causes.Take(2).Select(cause => cause.Cause));
        Assert.Contains("read-out", judgement.Contradiction?.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void What_was_not_looked_at_never_counts_as_good()
    {
        var unseen = Of(OnSheet, Good with { Penetration = null });
        Assert.Equal(Verdict.Open, unseen.Verdict);
        Assert.Contains(unseen.StillUnknown, text => text.Contains("Turn it over", StringComparison.Ordinal));
        Assert.Equal(Verdict.Open, Of(OnSheet, Good with { Sound = null }).Verdict);
        Assert.Equal(Verdict.Open, Of(OnSheet, Good with { Toes = null }).Verdict);

        var nothing = Of(OnSheet, new Evidence());
        Assert.Equal(Verdict.Open, nothing.Verdict);
        Assert.Null(nothing.Next);
        Assert.All(
            nothing.Aspects.Where(aspect => aspect.Aspect != Aspect.Settings),
            aspect => Assert.Equal(Standing.NotKnown, aspect.Standing)
        );
    }

    [Fact]
    public void One_vague_look_convinces_nobody()
    {
        foreach (var profile in Enum.GetValues<Profile>())
        {
            Assert.True(Of(OnSheet, new Evidence(Profile: profile)).Causes[0].Share < 0.75, profile.ToString());
        }
    }

    [Fact]
    public void An_unmarked_back_on_thick_plate_proves_nothing()
    {
        var sheet = Room.Sheet("6", wire: Wire.Solid12);
        var judgement = Judge.Of(
            sheet,
            Room.Digital,
            new Settings(sheet.RequirePair().WireFeed, sheet.RequirePair().Volts.Aim),
            Good with
            {
                Penetration = Penetration.NoneSeen,
            }
        );
        Assert.Equal(Verdict.Open, judgement.Verdict);
        Assert.Contains(judgement.StillUnknown, text => text.Contains("etch", StringComparison.Ordinal));
    }

    [Fact]
    public void Off_the_sheet_but_right_is_said_to_be_worth_keeping()
    {
        var judgement = Of(Room.Pair(230, 18.6), Good);
        Assert.Equal(Verdict.Right, judgement.Verdict);
        Assert.Equal(ChangeKind.Keep, judgement.Next!.Kind);
        Assert.Contains("worth keeping", judgement.Contradiction?.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void One_change_in_the_marks_of_a_knob_and_taps()
    {
        // Knob 47 is 7.1 m/min, 140 A: band 19 to 21 V, aim 20. Tap 4 gives 18 V, tap 5 19.2, tap 6 20.4.
        var next = Of(
            new Settings(T.Pair!.Marks!.WireFeed, Core.Quantities.Voltage.FromVolts(18)),
            new(Sound.Popping, Profile.TallNarrow, Toes.Cold)
        ).Next!;
        Assert.Equal(ChangeKind.VoltsUp, next.Kind);
        Assert.Equal("Volts up 2 taps, 4 to 6. Leave the wire at 47.", next.Instruction.ToString());
        Assert.Equal((47, 6), (next.WireMark, next.VoltMark));
    }

    [Fact]
    public void A_cold_pair_gets_more_wire_and_the_volts_follow()
    {
        var next = Of(Room.Pair(190, 17.5), new(Sound.EvenCrackle, Profile.TallNarrow, Toes.Cold)).Next!;
        Assert.Equal(ChangeKind.MoreOfBoth, next.Kind);
        Assert.Equal("First of two: wire up 14 marks, 33 to 47.", next.Instruction.ToString());
        Assert.Equal("Second, once that is heard: let the volts follow to tap 6, by ear.", next.Then?.ToString());
    }

    [Fact]
    public void At_the_end_of_the_volts_the_wire_makes_the_pair()
    {
        var weak = Room.KnobAndTaps with
        {
            VoltControl = Room.KnobAndTaps.VoltControl! with { HighestMark = 4, Readings = [new(1, 14.5), new(4, 18)] },
        };
        var next = Judge.Of(T, weak, Room.Pair(280, 18), new(Sound.Popping, Profile.TallNarrow, Toes.Cold)).Next!;
        Assert.StartsWith("Wire down", next.Instruction.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Every_cause_has_words_weights_and_a_change_that_can_be_said()
    {
        Assert.Equal(Enum.GetValues<Cause>().Order(), Causes.Table.Concat(TigCauses.Table).Select(row => row.Cause).Distinct().Order());
        var tig = Assert.IsType<Sheet>(
            Planner.Plan(new Job(Thickness.Parse("3"), Joint.T, Position.Flat, null, Process.GtawDc, Gas: Gas.Argon))
        );
        foreach (var row in TigCauses.Table)
        {
            foreach (var machine in new[] { Room.Digital, Room.Digital with { AmpControl = Room.Amps } })
            {
                var next = NextChanges.For(row.Cause, tig, machine, tig.Amps);
                Assert.Equal(row.Change, next.Kind);
                Assert.EndsWith(".", next.Instruction.ToString(), StringComparison.Ordinal);
            }
        }
        foreach (var row in Causes.Table)
        {
            Assert.Contains(row.Weights.Values, weight => weight > 0);
            foreach (var machine in new[] { Room.Digital, Room.KnobAndTaps })
            {
                var next = NextChanges.For(row.Cause, T, machine, OnSheet);
                Assert.Equal(row.Change, next.Kind);
                Assert.EndsWith(".", next.Instruction.ToString(), StringComparison.Ordinal);
            }
        }
        Assert.Equal(Enum.GetValues<Sign>().Order(), Observations.Among(Enum.GetValues<Sign>()).Select(answer => answer.Sign).Order());
    }

    [Fact]
    public void Each_thing_noted_becomes_the_sign_of_the_same_name()
    {
        Check<Sound>(value => new(Sound: value), "");
        Check<Profile>(value => new(Profile: value), "");
        Check<Toes>(value => new(Toes: value), "", ("Blended", "ToesBlended"), ("Cold", "ToesCold"));
        Check<Tint>(value => new(Tint: value), "Tint");
        Check<Spatter>(value => new(Spatter: value), "Spatter");
        Check<Ripple>(value => new(Ripple: value), "Ripple");
        Check<Fault>(value => new(Faults: [value]), "");
        Check<Penetration>(value => new(Penetration: value), "", ("NoneSeen", "NothingBehind"));
        Check<Feel>(value => new(Feel: value), "", ("Steady", "FeelSteady"));
        Check<PlateWarmth>(value => new(Plate: value), "Plate");
        Check<Tungsten>(value => new(Tungsten: value), "Tungsten");
        Check<TintColour>(value => new(Colour: value), "Colour");
        Check<Puddle>(value => new(Puddle: value), "Puddle");
        Check<Soot>(value => new(Soot: value), "Soot");
        Check<Along>(value => new(Along: value), "Worse", ("Same", "SameAlong"), ("AtStart", "WorseAtStart"), ("Worse", "WorseAlong"));
        Check<Start>(value => new(Start: value), "Start");
        Check<TipAfter>(value => new(Tip: value), "Tip", ("Clogged", "NozzleClogged"));
        Check<GasAtNozzle>(value => new(Gas: value), "Gas");
        Check<ArcLight>(value => new(Light: value), "Light");
        Check<TorchLean>(value => new(Lean: value), "Lean", ("AsOnSheet", "LeanRight"), ("FarOver", "LeanFar"));

        static void Check<TSeen>(Func<TSeen, Evidence> note, string prefix, params (string Seen, string Sign)[] renamed)
            where TSeen : struct, Enum
        {
            var bare = Signs.Of(T, Room.Digital, OnSheet, new Evidence());
            foreach (var seen in Enum.GetValues<TSeen>())
            {
                var sign = Signs.Of(T, Room.Digital, OnSheet, note(seen)).Except(bare).Single();
                Assert.Equal(renamed.FirstOrDefault(pair => pair.Seen == seen.ToString()).Sign ?? prefix + seen, sign.ToString());
            }
        }
    }
}
