using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>A bead aspect by aspect, each with its reason.</summary>
internal static class Aspects
{
    private static readonly Dictionary<BeadMeasure, Said> Measures = new()
    {
        [BeadMeasure.Leg] = Say($"Leg"),
        [BeadMeasure.Width] = Say($"Width"),
        [BeadMeasure.Hole] = Say($"Hole"),
    };

    /// <summary>Every aspect.</summary>
    public static AspectVerdict[] Of(BeadAtHand bead, IReadOnlySet<Sign> signs, bool fromMarks) =>
        [
            bead.SettingsAspect(signs, fromMarks),
            Sound(bead, signs),
            Appearance(bead, signs),
            Penetration(bead, signs),
            BeadSize(bead, signs),
        ];

    /// <summary>The pair used against the sheet.</summary>
    public static AspectVerdict Settings(FedBead bead, IReadOnlySet<Sign> signs, bool fromMarks)
    {
        var (used, aim) = (bead.Used, bead.Pair.WireFeed);
        var share = used.WireFeed / aim - 1;
        var wire =
            signs.Contains(Sign.WireOn) ? Say($"wire on the sheet")
            : share < 0 ? Say($"wire {-share * 100:0} % under the sheet's {aim}")
            : Say($"wire {share * 100:0} % over the sheet's {aim}");
        var band = SmoothBand.At(used.WireFeed, bead.Sheet.Job.RequireArc());
        var volts =
            signs.Contains(Sign.PairInBand) ? Say($"{used.Volts} inside the band for it ({band.Low} to {band.High})")
            : signs.Contains(Sign.PairShort) ? Say($"{used.Volts} under the band for it ({band.Low} to {band.High})")
            : Say($"{used.Volts} over the band for it ({band.Low} to {band.High})");
        // What a mark gives is only as sure as the readings behind it.
        var set =
            fromMarks && Dials.TryFit(bead.Machine, out var dials, out _)
                ? Say($"{used.WireFeed}, good to {dials.WireMarkFor(used.WireFeed).SureShare * 100:0} %")
                : Say($"{used.WireFeed}");
        return new(Aspect.Settings, bead.SettingsRight(signs) ? Standing.Right : Standing.Off, Say($"{set}: {wire}; {volts}."));
    }

    /// <summary>The current used against the sheet.</summary>
    public static AspectVerdict Settings(TungstenBead bead, IReadOnlySet<Sign> signs)
    {
        var (amps, aim) = (bead.Amps, bead.Sheet.Amps);
        if (bead.SettingsRight(signs))
            return new(Aspect.Settings, Standing.Right, Say($"{amps}: on the sheet."));
        var share = amps / aim - 1;
        return new(
            Aspect.Settings,
            Standing.Off,
            share < 0
                ? Say($"{amps}: {-share * 100:0} % under the sheet's {aim}.")
                : Say($"{amps}: {share * 100:0} % over the sheet's {aim}.")
        );
    }

    private static AspectVerdict Sound(BeadAtHand bead, IReadOnlySet<Sign> signs)
    {
        Answer[] bad = [.. Observations.Among(signs, bead).Where(answer => answer.Trouble == Trouble.Unsteady)];
        if (bead.Evidence.SoundHeard() is null && bad.Length == 0)
            return new(Aspect.Sound, Standing.NotKnown, Say($"Not noted."));
        var right =
            bead is TungstenBead ? Say($"It sounds right: the arc stands steady.") : Say($"It sounds right: wire and volts run smooth.");
        var sound = ByTrouble(Aspect.Sound, bad, right);
        return Witness(bead) is { } witness ? sound with { Text = Sentences(sound.Text, witness) } : sound;
    }

    // Beside what the ear said stands what the recording says.
    private static Said? Witness(BeadAtHand bead) =>
        bead.Evidence switch
        {
            { Listened: null } => null,
            { Sound: null } => Say($"By the recording; nobody noted it."),
            { Listened: { } recording, Sound: var heard } when recording.Sound == heard => Say($"The recording bears it out."),
            { Listened: { } recording } => Say($"The recording says otherwise: {Modes.WordsOf(recording.Sound, bead.Sheet.Job.Process)}."),
        };

    private static AspectVerdict Appearance(BeadAtHand bead, IReadOnlySet<Sign> signs)
    {
        var evidence = bead.Evidence;
        Answer[] ugly = [.. Observations.Among(signs, bead).Where(answer => answer.Ugly)];
        return ugly.Length == 0 && (evidence.Profile is null || evidence.Toes is null)
            ? new(Aspect.Appearance, Standing.NotKnown, Say($"Profile and toes decide; not both were noted."))
            : ByTrouble(Aspect.Appearance, ugly, Say($"Profile and toes as they should be."));
    }

    private static AspectVerdict Penetration(BeadAtHand bead, IReadOnlySet<Sign> signs)
    {
        if (bead.Evidence.Macro is { } macro)
        {
            if (signs.Contains(Sign.SideUnfused))
                return Off(Say($"Section: {macro.UnfusedLength} of dark line, lack of fusion."));
            if (macro.RootPenetration is { } root)
            {
                var text = Say($"Section: fused {root} past the root.");
                return signs.Contains(Sign.RootFused) ? Right(text) : Off(text);
            }
        }
        return bead.Evidence.PenetrationSeen() switch
        {
            null => Unknown(Say($"The far side was not looked at.")),
            Beads.Penetration.NoneSeen when bead.IsThick => Unknown(
                Say($"Nothing shows behind, which on plate this thick proves nothing: only a cut and etched section tells.")
            ),
            Beads.Penetration.NoneSeen => Off(Say($"Nothing shows behind: on this plate some tint should.")),
            Beads.Penetration.TintBehind => Right(
                Sentences(Say($"Tint behind: heat went through."), Say($"Only a section proves fusion at the root."))
            ),
            _ => Right(Say($"A mark evenly through on the back.")),
        };

        static AspectVerdict Right(Said text) => new(Aspect.Penetration, Standing.Right, text);
        static AspectVerdict Off(Said text) => new(Aspect.Penetration, Standing.Off, text);
        static AspectVerdict Unknown(Said text) => new(Aspect.Penetration, Standing.NotKnown, text);
    }

    private static AspectVerdict BeadSize(BeadAtHand bead, IReadOnlySet<Sign> signs)
    {
        var (what, aimed) = (Measures[bead.Sheet.BeadMeasure], bead.Sheet.BeadSize);
        return bead.Evidence.SizeBy(bead.Sheet.BeadMeasure) is { } size
            ? new(
                Aspect.BeadSize,
                signs.Contains(Sign.SizeOn) ? Standing.Right : Standing.Off,
                Say($"{what} {size}; aimed at {aimed.Low:rule} to {aimed.High:rule}.")
            )
            : new(Aspect.BeadSize, Standing.NotKnown, Say($"{what} not measured; aimed at {aimed.Low:rule} to {aimed.High:rule}."));
    }

    private static AspectVerdict ByTrouble(Aspect aspect, Answer[] bad, Said right) =>
        bad.Length == 0
            ? new(aspect, Standing.Right, right)
            : new(aspect, Standing.Off, Say($"{bad.Select(answer => answer.Words):capital}."));
}
