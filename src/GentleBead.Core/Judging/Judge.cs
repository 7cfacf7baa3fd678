using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>Judges a bead against its sheet. Pure: the same bead gives the same words.</summary>
public static class Judge
{
    private const int CausesShown = 4;

    // A look that takes away less doubt than this is not worth sending anybody for, in bits.
    private const double WorthALook = 0.05;

    private static readonly Dictionary<Sign, int> Heat = new()
    {
        [Sign.TallNarrow] = -2,
        [Sign.ToesCold] = -2,
        [Sign.PiledUp] = -1,
        [Sign.Lumpy] = -1,
        [Sign.TintNone] = -1,
        [Sign.TintThin] = -1,
        [Sign.NothingBehind] = -1,
        [Sign.Sunk] = 2,
        [Sign.TintWide] = 1,
        [Sign.Rattle] = 1,
        [Sign.Runny] = 1,
        [Sign.RootShort] = -2,
    };

    private static readonly Sign[] Faulty = [Sign.Crack, Sign.Hole, Sign.Pinholes, Sign.SlagTrapped, Sign.SideUnfused, Sign.ColourGrey];
    private static readonly Sign[] BadSound = [Sign.Hiss, Sign.Popping, Sign.Rattle, Sign.Sputter, Sign.PushedBack, Sign.LongArc, Sign.Jerky];
    private static readonly Sign[] BadTungsten = [Sign.TungstenBalled, Sign.TungstenBurntBack, Sign.TungstenDipped];
    private static readonly Sign[] Handwork =
    [
        Sign.Undercut, Sign.UnequalLegs, Sign.OpenCrater, Sign.RippleUneven, Sign.RippleStretched, Sign.SizeUnder, Sign.SizeOver, Sign.TravelUnder, Sign.TravelOver,
        Sign.SpatterBig, Sign.PuddleSpecks, Sign.PuddleSkin, Sign.ColourBlue, Sign.SootStays,
    ];

    // What is set wrong, and the verdict that says so.
    private static readonly Dictionary<Cause, Verdict> OfTheControls = new()
    {
        [Cause.VoltsLow] = Verdict.Unsteady,
        [Cause.VoltsHigh] = Verdict.Unsteady,
        [Cause.WireLow] = Verdict.Unsteady,
        [Cause.WireHigh] = Verdict.Unsteady,
        [Cause.PairCold] = Verdict.Cold,
        [Cause.PairHot] = Verdict.Hot,
        [Cause.AmpsLow] = Verdict.Cold,
        [Cause.AmpsHigh] = Verdict.Hot,
    };

    private static readonly Sign[] BadLook =
    [
        Sign.Crack, Sign.Hole, Sign.Pinholes, Sign.OpenCrater, Sign.SlagTrapped, Sign.UnequalLegs, Sign.TallNarrow, Sign.PiledUp, Sign.Sunk, Sign.Lumpy, Sign.ToesCold, Sign.Undercut,
        Sign.TintNone, Sign.TintThin, Sign.TintWide, Sign.SpatterBig, Sign.RippleUneven, Sign.RippleStretched,
        Sign.ColourBlue, Sign.ColourGrey, Sign.PuddleSpecks, Sign.PuddleSkin, Sign.SootStays,
    ];

    /// <summary>Judges one bead of a fed wire.</summary>
    /// <param name="sheet">The sheet the student was given; of a fed wire.</param>
    /// <param name="machine">The booth's machine as calibrated that day.</param>
    /// <param name="used">What was really used, at the torch.</param>
    /// <param name="evidence">What was heard, felt, seen and measured.</param>
    /// <param name="around">What stands around it; null for <see cref="Circumstances.None"/>.</param>
    public static Judgement Of(Sheet sheet, Machine machine, Settings used, Evidence evidence, Circumstances? around = null) => Of(new Case(
        sheet, evidence, around ?? Circumstances.None, used, null,
        (noted, pair, _) => Signs.Of(sheet, machine, pair!, noted),
        signs => SettingsAspect(sheet, machine, used, around?.FromMarks ?? true, signs),
        signs => Expectations.Of(sheet, used, evidence, signs),
        cause => NextChanges.For(cause, sheet, machine, used),
        $"{Show.Of(used.WireFeed)} and {Show.Of(used.Volts)}",
        signs => signs.Contains(Sign.WireOn) && signs.Contains(Sign.PairInBand)));

    /// <summary>Judges one TIG bead.</summary>
    /// <param name="sheet">The sheet the student was given; of a tungsten.</param>
    /// <param name="machine">The booth's machine as calibrated that day.</param>
    /// <param name="amps">The current really used.</param>
    /// <param name="evidence">What was heard, felt, seen and measured.</param>
    /// <param name="around">What stands around it; null for <see cref="Circumstances.None"/>.</param>
    public static Judgement Of(Sheet sheet, Machine machine, Current amps, Evidence evidence, Circumstances? around = null) => Of(new Case(
        sheet, evidence, around ?? Circumstances.None, null, amps,
        (noted, _, current) => Signs.Of(sheet, machine, current!.Value, noted),
        signs => new(Aspect.Settings, signs.Contains(Sign.AmpsOn) ? Standing.Right : Standing.Off,
            $"{Show.Of(amps)}: {(signs.Contains(Sign.AmpsOn) ? "on the sheet" : $"{Show.Number(Math.Abs(amps / sheet.Amps - 1) * 100, "0")} % {(amps < sheet.Amps ? "under" : "over")} the sheet's {Show.Of(sheet.Amps)}")}."),
        signs => Expectations.Of(sheet, amps, evidence, signs),
        cause => NextChanges.For(cause, sheet, machine, amps),
        Show.Of(amps),
        signs => signs.Contains(Sign.AmpsOn)));

    // A bead to be judged, and what its process has of its own.
    private sealed record Case(
        Sheet Sheet, Evidence Evidence, Circumstances Around, Settings? Used, Current? Amps,
        Func<Evidence, Settings?, Current?, IReadOnlySet<Sign>> Signs, Func<IReadOnlySet<Sign>, AspectVerdict> Settings,
        Func<IReadOnlySet<Sign>, IReadOnlyList<Expectation>> Expected, Func<Cause, NextChange> Next, string Set, Func<IReadOnlySet<Sign>, bool> SettingsRight);

    private static Judgement Of(Case bead)
    {
        var (sheet, evidence, around) = (bead.Sheet, bead.Evidence, bead.Around);
        var thick = sheet.Job.Thicker > Judging.Telling.ShowsBehind;
        var signs = Telling(bead.Signs(evidence, bead.Used, bead.Amps));
        var table = Causes.Of(sheet.Job.Process);

        var heat = signs.Sum(sign => Heat.GetValueOrDefault(sign));
        var ranked = Ranking.Rank(signs, table, Signs.Strengths(sheet, evidence), Habits.Priors(table, around.StudentCauses, around.MachineCauses));
        var verdict = Decide(signs, heat, evidence, thick);
        var fitting = Fitting(ranked, verdict);
        // Nor is it the hand's doing while the likeliest cause is what was set.
        if (verdict == Verdict.Technique) verdict = OfTheControls.GetValueOrDefault(fitting[0].Cause, verdict);
        var looks = Judging.Telling.Of(sheet.Job, signs, ranked);
        var followUp = around.Before is not { } before || (before.Used is null) != (bead.Used is null) ? null
            : FollowUp.Of(before, table, Telling(bead.Signs(before.Evidence, before.Used, before.Amps)), signs, bead.Used, bead.Amps, evidence is { Profile: not null, Toes: not null });
        NextChange? next = verdict == Verdict.Open && evidence.IsEmpty() ? null : bead.Next(fitting[0].Cause);

        return new Judgement(
            verdict, Summary(verdict, heat, fitting[0].Cause, signs, bead.SettingsRight(signs)), Aspects(bead, signs, thick), fitting.Take(CausesShown).ToArray(), next,
            Contradiction(verdict, bead.SettingsRight(signs), bead), Unknown(evidence, thick, looks),
            BeadShape.From(sheet, bead.Used, bead.Amps, evidence), Edition.Number,
            bead.Expected(signs), looks.FirstOrDefault(look => look.GainBits > WorthALook), Criteria.Of(around.Criteria, sheet, evidence, around.Tolerances), followUp);

        // On thick plate an unmarked back says nothing, so it must not count as a sign of cold.
        IReadOnlySet<Sign> Telling(IReadOnlySet<Sign> all) => thick ? all.Where(sign => sign != Sign.NothingBehind).ToHashSet() : all;
    }

    // The list never says "nothing to mend" beside a verdict that found something, nor the other way round; nor does it name a
    // cause that nothing speaks for, as long as something speaks for another.
    private static RankedCause[] Fitting(IReadOnlyList<RankedCause> ranked, Verdict verdict)
    {
        var fitting = ranked.Where(cause => Fits(cause.Cause, verdict)).ToArray();
        return fitting.Any(cause => cause.For.Count > 0) ? [.. fitting.Where(cause => cause.For.Count > 0)] : fitting;
    }

    private static bool Fits(Cause cause, Verdict verdict) => verdict switch
    {
        Verdict.Right => cause == Cause.NothingWrong,
        Verdict.Open => true,
        _ => cause != Cause.NothingWrong,
    };

    private static Verdict Decide(IReadOnlySet<Sign> signs, int heat, Evidence evidence, bool thick)
    {
        if (Faulty.Any(signs.Contains)) return Verdict.Fault;
        // A bad sound with no lean to either side is the arc's own trouble; with one, the heat is the news.
        var badSound = BadSound.Any(signs.Contains) || BadTungsten.Any(signs.Contains);
        if (badSound && Math.Abs(heat) < 2) return Verdict.Unsteady;
        if (heat != 0) return heat < 0 ? Verdict.Cold : Verdict.Hot;
        if (Handwork.Any(signs.Contains)) return Verdict.Technique;
        var behind = signs.Contains(Sign.RootFused) || (evidence.Penetration is not null && !(thick && evidence.Penetration == Penetration.NoneSeen));
        return evidence.SoundHeard() is not null && evidence.Profile is not null && evidence.Toes is not null && behind ? Verdict.Right : Verdict.Open;
    }

    private static string Summary(Verdict verdict, int heat, Cause cause, IReadOnlySet<Sign> signs, bool settingsRight) => verdict switch
    {
        Verdict.Right => "Right: it sounds, looks and bites as it should.",
        Verdict.Cold => heat >= -1 ? "A little cold for this plate." : "Cold: it lies on the plate instead of biting in.",
        Verdict.Hot => heat <= 1 ? "A little hot for this plate." : "Hot: more heat than this plate carries.",
        Verdict.Unsteady when !BadSound.Any(signs.Contains) && !BadTungsten.Any(signs.Contains) => "Wire and volts do not pair: mend that before judging the hand.",
        Verdict.Unsteady => "The arc does not run smooth: mend that before judging the rest.",
        Verdict.Technique when !Habits.IsOfTheHand(cause) => "The heat is right; look to plate, gas and machine before the hand.",
        Verdict.Technique => "The heat is right; the hand is what to work on.",
        Verdict.Fault => "Not sound: a fault that no look makes up for.",
        _ when !settingsRight => "The settings are off the sheet, and not enough was looked at to say what came of it.",
        _ => "Right so far, but not enough was looked at to say so.",
    };

    private static AspectVerdict[] Aspects(Case bead, IReadOnlySet<Sign> signs, bool thick)
    {
        var (sheet, evidence) = (bead.Sheet, bead.Evidence);
        var tungsten = sheet.Job.Process.IsGtaw();
        var bad = signs.Where(sign => BadSound.Contains(sign) || BadTungsten.Contains(sign)).ToArray();
        return
        [
            bead.Settings(signs),
            evidence.SoundHeard() is null && bad.Length == 0
                ? new(Aspect.Sound, Standing.NotKnown, "Not noted.")
                : Witnessed(ByBadSigns(Aspect.Sound, bad, tungsten ? "It sounds right: the arc stands steady." : "It sounds right: the pair runs smooth."), evidence),
            Appearance(evidence, signs),
            PenetrationAspect(evidence, signs, thick),
            BeadSizeAspect(sheet, evidence, signs),
        ];
    }

    // Beside what the ear said stands what the recording says.
    private static AspectVerdict Witnessed(AspectVerdict sound, Evidence evidence) => evidence switch
    {
        { Listened: null } => sound,
        { Sound: null } => sound with { Text = $"{sound.Text} By the recording; nobody noted it." },
        { Listened: { } recording } when recording.Sound == evidence.Sound => sound with { Text = $"{sound.Text} The recording bears it out." },
        { Listened: { } recording } => sound with { Text = $"{sound.Text} The recording says otherwise: {Signs.Words[Sign.EvenCrackle + (int)recording.Sound]}." },
    };

    private static AspectVerdict SettingsAspect(Sheet sheet, Machine machine, Settings used, bool fromMarks, IReadOnlySet<Sign> signs)
    {
        var share = used.WireFeed / sheet.RequirePair().WireFeed - 1;
        var wire = signs.Contains(Sign.WireOn) ? "wire on the sheet" : $"wire {Show.Number(Math.Abs(share) * 100, "0")} % {(share < 0 ? "under" : "over")} the sheet's {Show.Of(sheet.RequirePair().WireFeed)}";
        var band = SmoothBand.At(used.WireFeed, sheet.Job.RequireArc());
        var volts = signs.Contains(Sign.PairInBand)
            ? $"{Show.Of(used.Volts)} inside the band for it ({Show.Of(band.Low)} to {Show.Of(band.High)})"
            : $"{Show.Of(used.Volts)} {(signs.Contains(Sign.PairShort) ? "under" : "over")} the band for it ({Show.Of(band.Low)} to {Show.Of(band.High)})";
        // What a mark gives is only as sure as the readings behind it.
        var sure = fromMarks && Dials.TryFit(machine, out var dials, out _) ? $", good to {Show.Number(dials!.WireMarkFor(used.WireFeed).SureShare * 100, "0")} %" : "";
        var right = signs.Contains(Sign.WireOn) && signs.Contains(Sign.PairInBand);
        return new(Aspect.Settings, right ? Standing.Right : Standing.Off, $"{Show.Of(used.WireFeed)}{sure}: {wire}; {volts}.");
    }

    private static AspectVerdict Appearance(Evidence evidence, IReadOnlySet<Sign> signs)
    {
        var bad = signs.Where(BadLook.Contains).ToArray();
        return bad.Length == 0 && (evidence.Profile is null || evidence.Toes is null)
            ? new(Aspect.Appearance, Standing.NotKnown, "Profile and toes decide; not both were noted.")
            : ByBadSigns(Aspect.Appearance, bad, "Profile and toes as they should be.");
    }

    private static AspectVerdict PenetrationAspect(Evidence evidence, IReadOnlySet<Sign> signs, bool thick)
    {
        if (evidence.Macro is { } macro)
        {
            if (signs.Contains(Sign.SideUnfused)) return new(Aspect.Penetration, Standing.Off, $"Section: {Show.Of(macro.UnfusedLength)} of dark line, lack of fusion.");
            if (macro.RootPenetration is { } root) return new(Aspect.Penetration, signs.Contains(Sign.RootFused) ? Standing.Right : Standing.Off, $"Section: fused {Show.Of(root)} past the root.");
        }
        return evidence.Penetration switch
        {
            null => new(Aspect.Penetration, Standing.NotKnown, "The far side was not looked at."),
            Penetration.NoneSeen when thick => new(Aspect.Penetration, Standing.NotKnown, "Nothing shows behind, which on plate this thick proves nothing: only a cut and etched section tells."),
            Penetration.NoneSeen => new(Aspect.Penetration, Standing.Off, "Nothing shows behind: on this plate some tint should."),
            Penetration.TintBehind => new(Aspect.Penetration, Standing.Right, "Tint behind: heat went through. Only a section proves fusion at the root."),
            _ => new(Aspect.Penetration, Standing.Right, "A mark evenly through on the back."),
        };
    }

    private static AspectVerdict BeadSizeAspect(Sheet sheet, Evidence evidence, IReadOnlySet<Sign> signs)
    {
        var what = sheet.BeadMeasure.ToString();
        var aimed = $"{Show.Of(sheet.BeadSize.Low)} to {Show.Of(sheet.BeadSize.High)}";
        if (Signs.SizeOf(sheet, evidence) is not { } size) return new(Aspect.BeadSize, Standing.NotKnown, $"{what} not measured; aimed at {aimed}.");
        return new(Aspect.BeadSize, signs.Contains(Sign.SizeOn) ? Standing.Right : Standing.Off, $"{what} {Show.Of(size)}; aimed at {aimed}.");
    }

    private static AspectVerdict ByBadSigns(Aspect aspect, IEnumerable<Sign> bad, string right)
    {
        var words = bad.Order().Select(sign => Signs.Words[sign]).ToArray();
        return words.Length == 0
            ? new(aspect, Standing.Right, right)
            : new(aspect, Standing.Off, $"{Show.Sentence(string.Join(", ", words))}.");
    }

    private static string? Contradiction(Verdict verdict, bool settingsRight, Case bead)
    {
        var fed = bead.Used is not null;
        var aim = fed ? $"{Show.Of(bead.Sheet.RequirePair().WireFeed)} and {Show.Of(bead.Sheet.RequirePair().Volts.Aim)}" : Show.Of(bead.Sheet.Amps);
        return verdict switch
        {
            Verdict.Cold or Verdict.Hot or Verdict.Unsteady when settingsRight =>
                $"The marks say {bead.Set}, right on the sheet, yet the bead says otherwise. {(fed ? "Is the read-out true? Stick-out, travel, clean and cold plate?" : "Arc length, travel, polarity, gas, clean and cold plate?")}",
            Verdict.Right when !settingsRight => $"Off the sheet's {aim}, yet a right bead: worth keeping for this machine.",
            _ => null,
        };
    }

    // What a verdict of right waits for comes first, then what is telling.
    private static string[] Unknown(Evidence evidence, bool thick, IReadOnlyList<TellingLook> looks)
    {
        var section = evidence.Macro?.RootPenetration is not null;
        (bool Open, Sign Answer)[] waited =
        [
            (evidence.SoundHeard() is null, Sign.EvenCrackle),
            (evidence.Profile is null, Sign.SlightlyConvex),
            (evidence.Toes is null, Sign.ToesBlended),
            (evidence.Penetration is null && !thick && !section, Sign.TintBehind),
            (thick && !section && evidence.Penetration is not (Penetration.TintBehind or Penetration.BackMark), Sign.RootFused),
            (evidence.BeadSize is null && evidence.Macro is null, Sign.SizeOn),
        ];
        var open = waited.Where(one => one.Open).Select(one => one.Answer).ToHashSet();
        var asking = Judging.Telling.Looks.Where(look => look.Answers.Any(open.Contains)).Select(look => look.Text).ToHashSet();
        return [.. looks.Where(look => asking.Contains(look.Text)).Select(look => look.Text)];
    }
}
