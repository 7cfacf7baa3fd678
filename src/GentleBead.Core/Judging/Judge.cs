using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Judging;

/// <summary>Judges a bead against its sheet. Pure: the same bead gives the same words.</summary>
public static class Judge
{
    // Past about 5 mm nothing shows behind however good the bite; only a macro tells.
    private static readonly Length ShowsBehind = Length.FromMm(5);
    private const int CausesShown = 4;

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
    };

    private static readonly Sign[] Faulty = [Sign.Crack, Sign.Hole, Sign.Pinholes];
    private static readonly Sign[] BadSound = [Sign.Hiss, Sign.Popping, Sign.Rattle, Sign.Sputter];
    private static readonly Sign[] Handwork = [Sign.Undercut, Sign.UnequalLegs, Sign.RippleUneven, Sign.RippleStretched, Sign.SizeUnder, Sign.SizeOver];

    private static readonly Sign[] BadLook =
    [
        Sign.Crack, Sign.Hole, Sign.Pinholes, Sign.UnequalLegs, Sign.TallNarrow, Sign.PiledUp, Sign.Sunk, Sign.Lumpy, Sign.ToesCold, Sign.Undercut,
        Sign.TintNone, Sign.TintThin, Sign.TintWide, Sign.SpatterBig, Sign.RippleUneven, Sign.RippleStretched,
    ];

    /// <summary>Judges one bead.</summary>
    /// <param name="sheet">The sheet the student was given; of a fed wire.</param>
    /// <param name="machine">The booth's machine as calibrated that day.</param>
    /// <param name="used">What was really used, at the torch.</param>
    /// <param name="evidence">What was heard, seen and measured.</param>
    public static Judgement Of(Sheet sheet, Machine machine, Settings used, Evidence evidence)
    {
        var signs = Signs.Of(sheet, machine, used, evidence);
        var thick = sheet.Job.Thickness.Value > ShowsBehind;
        // On thick plate an unmarked back says nothing, so it must not count as a sign of cold.
        if (thick) signs = signs.Where(sign => sign != Sign.NothingBehind).ToHashSet();

        var heat = signs.Sum(sign => Heat.GetValueOrDefault(sign));
        var verdict = Decide(signs, heat, evidence, thick);
        var ranked = Ranking.Rank(signs);
        // The list never says "nothing to mend" beside a verdict that found something, nor the other way round.
        var fitting = ranked.Where(cause => Fits(cause.Cause, verdict)).ToArray();
        var contradiction = Contradiction(verdict, signs, used, sheet);
        NextChange? next = verdict == Verdict.Open && evidence.IsEmpty() ? null : NextChanges.For(fitting[0].Cause, sheet, machine, used);

        return new Judgement(
            verdict, Summary(verdict, heat), Aspects(sheet, used, evidence, signs, thick),
            fitting.Take(CausesShown).ToArray(), next, contradiction, Unknown(evidence, thick),
            BeadShape.From(sheet, used, evidence), Rules.Version);
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
        var badSound = BadSound.Any(signs.Contains);
        if (badSound && Math.Abs(heat) < 2) return Verdict.Unsteady;
        if (heat != 0) return heat < 0 ? Verdict.Cold : Verdict.Hot;
        if (Handwork.Any(signs.Contains) || signs.Contains(Sign.SpatterBig)) return Verdict.Technique;
        var behind = evidence.Penetration is not null && !(thick && evidence.Penetration == Penetration.NoneSeen);
        return evidence.Sound is not null && evidence.Profile is not null && evidence.Toes is not null && behind ? Verdict.Right : Verdict.Open;
    }

    private static string Summary(Verdict verdict, int heat) => verdict switch
    {
        Verdict.Right => "Right: it sounds, looks and bites as it should.",
        Verdict.Cold => heat == -1 ? "A little cold for this plate." : "Cold: it lies on the plate instead of biting in.",
        Verdict.Hot => heat == 1 ? "A little hot for this plate." : "Hot: more heat than this plate carries.",
        Verdict.Unsteady => "The arc does not run smooth: mend that before judging the rest.",
        Verdict.Technique => "The heat is right; the hand is what to work on.",
        Verdict.Fault => "Not sound: a fault that no look makes up for.",
        _ => "Right so far, but not enough was looked at to say so.",
    };

    private static AspectVerdict[] Aspects(Sheet sheet, Settings used, Evidence evidence, IReadOnlySet<Sign> signs, bool thick) =>
    [
        SettingsAspect(sheet, used, signs),
        evidence.Sound is null
            ? new(Aspect.Sound, Standing.NotKnown, "Not noted.")
            : ByBadSigns(Aspect.Sound, signs.Where(BadSound.Contains), "It sounds right: the pair runs smooth."),
        Appearance(evidence, signs),
        PenetrationAspect(evidence, thick),
        BeadSizeAspect(sheet, evidence, signs),
    ];

    private static AspectVerdict SettingsAspect(Sheet sheet, Settings used, IReadOnlySet<Sign> signs)
    {
        var share = used.WireFeed / sheet.RequirePair().WireFeed - 1;
        var wire = signs.Contains(Sign.WireOn) ? "wire on the sheet" : $"wire {Show.Number(Math.Abs(share) * 100, "0")} % {(share < 0 ? "under" : "over")} the sheet's {Show.Of(sheet.RequirePair().WireFeed)}";
        var band = Rules.SmoothBand(used.WireFeed, sheet.Job.RequireArc());
        var volts = signs.Contains(Sign.PairInBand)
            ? $"{Show.Of(used.Volts)} inside the band for it ({Show.Of(band.Low)} to {Show.Of(band.High)})"
            : $"{Show.Of(used.Volts)} {(signs.Contains(Sign.PairShort) ? "under" : "over")} the band for it ({Show.Of(band.Low)} to {Show.Of(band.High)})";
        var right = signs.Contains(Sign.WireOn) && signs.Contains(Sign.PairInBand);
        return new(Aspect.Settings, right ? Standing.Right : Standing.Off, $"{Show.Of(used.WireFeed)}: {wire}; {volts}.");
    }

    private static AspectVerdict Appearance(Evidence evidence, IReadOnlySet<Sign> signs)
    {
        var bad = signs.Where(BadLook.Contains).ToArray();
        return bad.Length == 0 && (evidence.Profile is null || evidence.Toes is null)
            ? new(Aspect.Appearance, Standing.NotKnown, "Profile and toes decide; not both were noted.")
            : ByBadSigns(Aspect.Appearance, bad, "Profile and toes as they should be.");
    }

    private static AspectVerdict PenetrationAspect(Evidence evidence, bool thick) => evidence.Penetration switch
    {
        null => new(Aspect.Penetration, Standing.NotKnown, "The far side was not looked at."),
        Penetration.NoneSeen when thick => new(Aspect.Penetration, Standing.NotKnown, "Nothing shows behind, which on plate this thick proves nothing: only a cut and etched section tells."),
        Penetration.NoneSeen => new(Aspect.Penetration, Standing.Off, "Nothing shows behind: on this plate some tint should."),
        Penetration.TintBehind => new(Aspect.Penetration, Standing.Right, "Tint behind: heat went through. Only a section proves fusion at the root."),
        _ => new(Aspect.Penetration, Standing.Right, "A mark evenly through on the back."),
    };

    private static AspectVerdict BeadSizeAspect(Sheet sheet, Evidence evidence, IReadOnlySet<Sign> signs)
    {
        var what = sheet.BeadMeasure.ToString();
        var aimed = $"{Show.Of(sheet.BeadSize.Low)} to {Show.Of(sheet.BeadSize.High)}";
        if (evidence.BeadSize is not { } size) return new(Aspect.BeadSize, Standing.NotKnown, $"{what} not measured; aimed at {aimed}.");
        return new(Aspect.BeadSize, signs.Contains(Sign.SizeOn) ? Standing.Right : Standing.Off, $"{what} {Show.Of(size)}; aimed at {aimed}.");
    }

    private static AspectVerdict ByBadSigns(Aspect aspect, IEnumerable<Sign> bad, string right)
    {
        var words = bad.Order().Select(sign => Signs.Words[sign]).ToArray();
        return words.Length == 0
            ? new(aspect, Standing.Right, right)
            : new(aspect, Standing.Off, $"{char.ToUpperInvariant(words[0][0])}{string.Join(", ", words)[1..]}.");
    }

    private static string? Contradiction(Verdict verdict, IReadOnlySet<Sign> signs, Settings used, Sheet sheet)
    {
        var settingsRight = signs.Contains(Sign.WireOn) && signs.Contains(Sign.PairInBand);
        return verdict switch
        {
            Verdict.Cold or Verdict.Hot or Verdict.Unsteady when settingsRight =>
                $"The marks say {Show.Of(used.WireFeed)} and {Show.Of(used.Volts)}, right on the sheet, yet the bead says otherwise. Is the read-out true? Stick-out, travel, clean and cold plate?",
            Verdict.Right when !settingsRight =>
                $"Off the sheet's {Show.Of(sheet.RequirePair().WireFeed)} and {Show.Of(sheet.RequirePair().Volts.Aim)}, yet a right bead: worth keeping for this machine.",
            _ => null,
        };
    }

    private static string[] Unknown(Evidence evidence, bool thick)
    {
        (bool Missing, string Look)[] checks =
        [
            (evidence.Sound is null, "Listen to the next one: crackle, hiss or pops?"),
            (evidence.Penetration is null && !thick, "Turn it over: tint or a mark behind?"),
            (thick && evidence.Penetration is not (Penetration.TintBehind or Penetration.BackMark), "Cut, polish and etch one: does it bite at the root?"),
            (evidence.Profile is null || evidence.Toes is null, "Look along it: how does it stand, how do the toes meet the plate?"),
            (evidence.BeadSize is null, "Put the gauge on it."),
        ];
        return [.. checks.Where(check => check.Missing).Select(check => check.Look)];
    }
}
