using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using static GentleBead.Core.Judging.Sign;
using static GentleBead.Core.Judging.Trouble;

namespace GentleBead.Core.Judging;

/// <summary>
/// Everything that is known of a bead, one row each. From this table follow a bead's signs and their words, how strongly each counts,
/// what is still unknown, which look tells most, whether a change helped, and what the verdict and its aspects make of each sign.
/// </summary>
public static class Observations
{
    // A hand keeps a pace to about a sixth; a read-out on the machine is good to about a tenth.
    private const double TravelShare = 0.15;
    private const double ReadOutAmpsShare = 0.12;
    private const double ReadOutVolts = 1.0;

    // A stick-out is long past this share of the longest that is good, short under this share of the shortest.
    private const double LongStickOut = 1.2;
    private const double ShortStickOut = 0.75;
    private const double StickOutRamp = 0.3;

    // Legs differ when one is longer by more than this share of the longer.
    private const double LegShare = 0.25;
    private const double UndercutShowsMm = 0.1;

    // From plainly on size to plainly off it, as a share of the size aimed at.
    private const double SizeRamp = 0.15;

    // Fusion that reaches this share of the thinner plate past the root bites; less lies on it. Common practice, no source.
    private const double BiteShare = 0.05;
    private static readonly Length MarkedUnfused = Length.FromMm(0.3);

    private static readonly Func<Job, bool> Fed = job => !job.Process.IsGtaw();

    private static readonly Dictionary<Sound, Answer> Sounds = new()
    {
        [Sound.EvenCrackle] = new(EvenCrackle, Say($"sounds right")),
        [Sound.Hiss] = new(Hiss, Say($"hiss, long soft arc"), Unsteady),
        [Sound.Popping] = new(Popping, Say($"loud pops, stubbing"), Unsteady),
        [Sound.Rattle] = new(Rattle, Say($"rattle and heavy pop"), Unsteady) { Heat = 1 },
        [Sound.Sputter] = new(Sputter, Say($"sputter"), Unsteady),
    };

    /// <summary>Every observation: looks first, then faults, then settings.</summary>
    public static IReadOnlyList<Observation> All { get; } =
    [.. Looks, .. TigObservations.Looks, .. MoreLooks.All, .. Measured, MetalBalance.Row, .. Faults(), .. Settings()];

    private static readonly Dictionary<Sign, Answer> BySign = All.SelectMany(observation => observation.Answers)
        .DistinctBy(answer => answer.Sign)
        .ToDictionary(answer => answer.Sign);

    private static readonly ILookup<Sign, Observation> OfSign = All.SelectMany(observation =>
            observation.Answers.Select(answer => (answer.Sign, observation))
        )
        .ToLookup(entry => entry.Sign, entry => entry.observation);

    /// <summary>Everything known of a sign.</summary>
    public static Answer Of(Sign sign) => BySign[sign];

    /// <summary>What is known of some signs, in the table's order.</summary>
    public static IEnumerable<Answer> Among(IEnumerable<Sign> signs)
    {
        var wanted = signs.ToHashSet();
        return BySign.Values.Where(answer => wanted.Contains(answer.Sign));
    }

    /// <summary>What is known of a bead's signs, in the table's order and in the words of its process.</summary>
    internal static IEnumerable<Answer> Among(IEnumerable<Sign> signs, BeadAtHand bead)
    {
        var usual = Modes.Of(bead.Sheet.Job.Process).Usual;
        return Among(signs)
            .Select(answer => answer with { Words = Words(answer.Sign, bead) })
            .Select(answer => usual.Contains(answer.Sign) ? answer with { Trouble = None, Ugly = false } : answer);
    }

    /// <summary>A bead's sign in the words of its process.</summary>
    internal static Said Words(Sign sign, BeadAtHand bead)
    {
        var process = bead.Sheet.Job.Process;
        return bead.Evidence.SoundHeard() is { } sound && Modes.SignOf(sound, process) == sign
            ? Modes.WordsOf(sound, process)
            : Of(sign).Words;
    }

    /// <summary>The faults that a bead looked at all over does not have: what was looked for and is not there speaks too.</summary>
    internal static IEnumerable<Sign> Missing(BeadAtHand bead, IReadOnlySet<Sign> signs) =>
        bead.Evidence is { Profile: not null, Toes: not null }
            ? All.SelectMany(one => one.Answers).Where(one => one.Missing is not null && !signs.Contains(one.Sign)).Select(one => one.Sign)
            : [];

    /// <summary>The observations a sign can come from.</summary>
    public static IEnumerable<Observation> Behind(Sign sign) => OfSign[sign];

    /// <summary>The sign of a sound in short circuit.</summary>
    internal static Sign OfSound(Sound sound) => Sounds[sound].Sign;

    /// <summary>What was heard, each sound as the process takes it.</summary>
    internal static Observation Heard() =>
        new([.. Sounds.Values], bead => bead.Evidence.SoundHeard() is { } sound ? [Modes.SignOf(sound, bead.Sheet.Job.Process)] : []);

    private static Observation[] Looks =>
        [
            Heard() with
            {
                Ask = Say($"Listen to the next one: crackle, hiss or pops?"),
                Fits = Fed,
                Strength = Beads.Noted.Sound,
                Decides = _ => true,
            },
            Noted<Feel>(
                bead => bead.Evidence.Feel,
                (Feel.Steady, new(FeelSteady, Say($"torch steady in the hand"))),
                (Feel.PushedBack, new(PushedBack, Say($"torch pushed back"), Unsteady)),
                (Feel.LongArc, new(LongArc, Say($"arc long and soft, balls dropping"), Unsteady)),
                (Feel.Runny, new(Runny, Say($"puddle would not stay")) { Heat = 1 }),
                (Feel.Jerky, new(Jerky, Say($"wire came in jerks"), Unsteady))
            ) with
            {
                Ask = Say($"Ask the hand: was the torch pushed back, or did the arc go long and soft?"),
                Strength = Beads.Noted.Feel,
            },
            Noted<Profile>(
                bead => bead.Evidence.Profile,
                (Profile.SlightlyConvex, new(SlightlyConvex, Say($"bead slightly rounded"))),
                (Profile.Flat, new(Flat, Say($"bead flat"))),
                (Profile.TallNarrow, new(TallNarrow, Say($"bead tall and narrow")) { Heat = -2, Ugly = true }),
                (Profile.PiledUp, new(PiledUp, Say($"metal piled up")) { Heat = -1, Ugly = true }),
                (Profile.Sunk, new(Sunk, Say($"bead sunk and wide")) { Heat = 2, Ugly = true }),
                (Profile.Lumpy, new(Lumpy, Say($"bead thin and lumpy")) { Heat = -1, Ugly = true })
            ) with
            {
                Ask = Say($"Look along it: how does it stand on the plate?"),
                Strength = Beads.Noted.Profile,
                Decides = _ => true,
            },
            WithGauge(
                Noted<Toes>(
                    bead => bead.Evidence.Toes,
                    (Toes.Blended, new(ToesBlended, Say($"toes blended"))),
                    (Toes.Cold, new(ToesCold, Say($"toes cold, lying on top")) { Heat = -2, Ugly = true }),
                    (Toes.Undercut, new(Undercut, Say($"undercut at the toe"), Hand) { Ugly = true })
                ),
                Undercut,
                bead => bead.Evidence.Measured?.UndercutDepth?.Mm > UndercutShowsMm
            ) with
            {
                Ask = Say($"Look at the toes: blended, on top, or a groove?"),
                Strength = Beads.Noted.Toes,
                Decides = _ => true,
            },
            Noted<Tint>(
                bead => bead.Evidence.Tint,
                (Tint.None, new(TintNone, Say($"no heat tint")) { Heat = -1, Ugly = true }),
                (Tint.Thin, new(TintThin, Say($"thin heat tint")) { Heat = -1, Ugly = true }),
                (Tint.Even, new(TintEven, Say($"even heat tint"))),
                (Tint.Wide, new(TintWide, Say($"wide heat tint")) { Heat = 1, Ugly = true })
            ) with
            {
                Ask = Say($"Look at the tint beside it: none, thin, even, wide?"),
                Fits = job => job.Metal != Metal.Aluminium,
                Strength = Beads.Noted.Tint,
            },
            // On thick plate an unmarked back says nothing, so it must not count as a sign of cold.
            Noted<Penetration>(
                bead => bead.IsThick && bead.Evidence.PenetrationSeen() == Penetration.NoneSeen ? null : bead.Evidence.PenetrationSeen(),
                (Penetration.NoneSeen, new(NothingBehind, Say($"nothing shows behind")) { Heat = -1 }),
                (Penetration.TintBehind, new(TintBehind, Say($"tint behind"))),
                (Penetration.BackMark, new(BackMark, Say($"mark evenly through on the back")))
            ) with
            {
                Ask = Say($"Turn it over: tint or a mark behind?"),
                Fits = job => !BeadAtHand.HidesBehind(job.Thicker),
                Decides = bead => !bead.IsThick && !bead.HasSection,
            },
            Noted<Ripple>(
                bead => bead.Evidence.Ripple,
                (Ripple.Even, new(RippleEven, Say($"ripples even"))),
                (Ripple.Uneven, new(RippleUneven, Say($"ripples uneven"), Hand) { Ugly = true }),
                (Ripple.Stretched, new(RippleStretched, Say($"ripples drawn out to points"), Hand) { Ugly = true })
            ) with
            {
                Ask = Say($"Look at the ripples: even, wandering, drawn out?"),
                Strength = Beads.Noted.Ripple,
            },
            Noted<Spatter>(
                bead => bead.Evidence.Spatter,
                (Spatter.Little, new(SpatterLittle, Say($"little spatter"))),
                (Spatter.Fine, new(SpatterFine, Say($"fine spatter"))),
                (Spatter.Big, new(SpatterBig, Say($"big beads of spatter"), Hand) { Ugly = true })
            ) with
            {
                Ask = Say($"Look for spatter beside it."),
                Fits = Fed,
                Strength = Beads.Noted.Spatter,
            },
            Noted<PlateWarmth>(
                bead => bead.Evidence.Plate,
                (PlateWarmth.Cold, new(PlateCold, Say($"plate cold before the bead"))),
                (PlateWarmth.Warm, new(PlateWarm, Say($"plate warm before the bead"))),
                (PlateWarmth.Hot, new(PlateHot, Say($"plate hot before the bead")))
            ) with
            {
                Ask = Say($"Hold a hand near before the next one: is the plate cold?"),
            },
            Noted<Soot>(
                bead => bead.Evidence.Soot,
                (Soot.None, new(SootNone, Say($"no soot"))),
                (Soot.BrushesOff, new(SootBrushesOff, Say($"soot that brushes off"))),
                (Soot.Stays, new(SootStays, Say($"soot that stays"), Hand) { Ugly = true })
            ) with
            {
                Ask = Say($"Brush the soot: does it come off?"),
                Fits = job => job.Metal == Metal.Aluminium,
            },
        ];

    private static Observation[] Measured =>
        [
            Observation.Graded(
                bead =>
                    bead.Evidence.SizeBy(bead.Sheet.BeadMeasure) is { } size
                        ? (size.Mm, Reading.In(bead.Sheet.BeadSize, length => length.Mm, 0, SizeRamp * bead.Sheet.BeadSize.Aim.Mm))
                        : null,
                new(SizeUnder, Say($"bead under size"), Hand),
                new(SizeOn, Say($"bead on size")),
                new(SizeOver, Say($"bead over size"), Hand)
            ) with
            {
                Ask = Say($"Put the gauge on it."),
                Trouble = 1.2,
                Decides = bead => bead.Evidence.Macro is null,
            },
            Observation.Graded(
                bead =>
                    bead.Sheet.Travel is { } aim && bead.Evidence.Travel() is { } travel
                        ? (travel / aim, Reading.About(TravelShare))
                        : null,
                new(TravelUnder, Say($"travel measured slow"), Hand),
                new(TravelOn, Say($"travel measured right")),
                new(TravelOver, Say($"travel measured fast"), Hand)
            ) with
            {
                Ask = Say($"Time the next one, and measure how far it went."),
                Trouble = 1.5,
                Fits = job => !job.Joint.Facts().ByTime,
            },
            Observation.Graded(
                bead =>
                    bead is FedBead fed && fed.Evidence.StickOut is { } stickOut
                        ? (
                            stickOut.Mm,
                            new(
                                fed.Pair.StickOut.Low.Mm * ShortStickOut,
                                fed.Pair.StickOut.High.Mm * LongStickOut,
                                StickOutRamp * fed.Pair.StickOut.Aim.Mm
                            )
                        )
                        : null,
                new(StickOutUnder, Say($"stick-out measured short")),
                new(StickOutOn, Say($"stick-out measured right")),
                new(StickOutOver, Say($"stick-out measured long"))
            ) with
            {
                Ask = Say($"Measure the stick-out."),
                Trouble = 1.5,
                Fits = Fed,
            },
            Observation.Graded(
                bead =>
                    bead is FedBead fed && fed.Evidence.Measured?.ArcAmps is { } read
                        ? (fed.AgainstDrawn(read), Reading.About(ReadOutAmpsShare))
                        : null,
                new(ArcAmpsUnder, Say($"fewer amps read than this wire should draw")),
                new(ArcAmpsOn, Say($"amps read as this wire should draw")),
                new(ArcAmpsOver, Say($"more amps read than this wire should draw"))
            ) with
            {
                Ask = Say($"Read the amps while it welds."),
                Trouble = 1.5,
                Fits = Fed,
            },
            Observation.Graded(
                bead =>
                    bead is FedBead fed && fed.Evidence.Measured?.ArcVolts is { } read
                        ? (read.Volts - fed.Used.Volts.Volts, new Reading(-ReadOutVolts, ReadOutVolts, 2 * ReadOutVolts))
                        : null,
                new(ArcVoltsUnder, Say($"volts read under what was set")),
                new(ArcVoltsOn, Say($"volts read as set")),
                new(ArcVoltsOver, Say($"volts read over what was set"))
            ) with
            {
                Ask = Say($"Read the volts while it welds."),
                Trouble = 1.5,
                Fits = Fed,
            },
            new(
                [
                    new(RootFused, Say($"section: fused past the root")),
                    new(RootShort, Say($"section: root not reached")) { Heat = -2 },
                    new(SideUnfused, Say($"section: dark line, lack of fusion"), Unsound),
                ],
                Section
            )
            {
                Ask = Say($"Cut, polish and etch one: does it bite at the root?"),
                Trouble = 12,
                Decides = bead =>
                    bead.IsThick
                    && !bead.HasSection
                    && bead.Evidence.PenetrationSeen() is not (Penetration.TintBehind or Penetration.BackMark),
            },
        ];

    // A fault is there or it is not: each is a thing of its own.
    private static Observation[] Faults() =>
        [
            Seen(
                Fault.Pinholes,
                new(Pinholes, Say($"pinholes"), Unsound) { Missing = Say($"no pinholes") },
                bead => bead.Evidence.Measured?.Pores is { Count: > 0 }
            ),
            Seen(Fault.Hole, new(Hole, Say($"burnt through"), Unsound) { Missing = Say($"not burnt through") }),
            Seen(Fault.UnequalLegs, new(UnequalLegs, Say($"legs unequal"), Hand) { Missing = Say($"legs alike") }, LegsDiffer),
            Seen(Fault.Crack, new(Crack, Say($"crack"), Unsound) { Missing = Say($"no crack") }),
            Seen(Fault.OpenCrater, new(OpenCrater, Say($"crater left open"), Hand) { Missing = Say($"crater filled") }),
            Seen(Fault.SlagTrapped, new(SlagTrapped, Say($"slag trapped"), Unsound) { Missing = Say($"no slag trapped") }),
        ];

    private static Observation[] Settings() => [.. SettingsRead.Rows];

    /// <summary>A look whose every answer is a sign.</summary>
    internal static Observation Noted<T>(Func<BeadAtHand, T?> read, params (T Value, Answer Answer)[] rows)
        where T : struct, Enum
    {
        var signs = rows.ToDictionary(row => row.Value, row => row.Answer.Sign);
        return new([.. rows.Select(row => row.Answer)], bead => read(bead) is { } seen ? [signs[seen]] : []);
    }

    // What a gauge finds is seen, whatever the eye said.
    private static Observation WithGauge(Observation look, Sign sign, Func<BeadAtHand, bool> measured) =>
        look with
        {
            Read = bead => measured(bead) ? look.Read(bead).Append(sign) : look.Read(bead),
        };

    private static Observation Seen(Fault fault, Answer answer, Func<BeadAtHand, bool>? measured = null) =>
        new(
            [answer with { Ugly = true }],
            bead => bead.Evidence.Faults.Contains(fault) || measured?.Invoke(bead) == true ? [answer.Sign] : []
        );

    private static bool LegsDiffer(BeadAtHand bead) =>
        bead.Sheet.BeadMeasure == BeadMeasure.Leg
        && bead.Evidence is { BeadSize: { } leg, Measured.OtherLeg: { } other }
        && Math.Abs(leg.Mm - other.Mm) > LegShare * Math.Max(leg.Mm, other.Mm);

    private static IEnumerable<Sign> Section(BeadAtHand bead)
    {
        if (bead.Evidence.Macro is not { } macro)
            yield break;
        if (macro.UnfusedLength > MarkedUnfused)
            yield return SideUnfused;
        if (macro.RootPenetration is { } root)
            yield return root.Mm >= BiteShare * bead.Sheet.Job.Thinner.Mm ? RootFused : RootShort;
    }
}
