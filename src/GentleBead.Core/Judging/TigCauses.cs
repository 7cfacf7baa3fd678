using static GentleBead.Core.Judging.Sign;

namespace GentleBead.Core.Judging;

/// <summary>The causes of a TIG bead with their weights, to be read as <see cref="Causes"/>. Common practice, no source.</summary>
public static class TigCauses
{
    // csharpier-ignore
    /// <summary>Every cause of a TIG bead once.</summary>
    public static IReadOnlyList<CauseRow> Table { get; } =
    [
        new(Cause.NothingWrong, Say($"Nothing to mend"), 0.16, ChangeKind.Keep,
            Say($"The same again: the same puddle, the same look."), new Dictionary<Sign, double>
        {
            [LeanFar] = -2.5, [LeanRight] = 0.2, [LightSwelling] = -1.5, [LightWandering] = -2.5,
            [SameAlong] = 0.3, [LightStill] = 0.5, [WorseAtStart] = -1.5, [WorseAlong] = -2, [WorseAtEnd] = -3, [GasNothing] = -3,
            [PolarityOther] = -1.5, [GasOther] = -1.5, [TungstenThin] = -0.5,
            [EvenCrackle] = 0.8, [SlightlyConvex] = 1.0, [Flat] = 0.6, [ToesBlended] = 1.0, [TintEven] = 0.8, [RippleEven] = 0.6,
            [BackMark] = 0.8, [TintBehind] = 0.6, [SizeOn] = 0.6,
            [AmpsOn] = 0.5, [TungstenPointed] = 0.8, [ColourSilver] = 0.8, [ColourStraw] = 0.7, [PuddleClear] = 0.8, [FeelSteady] = 0.5,
            [TravelOn] = 0.4, [RootFused] = 1.2, [SootNone] = 0.3, [SootBrushesOff] = 0.2,
            [Hiss] = -1.5, [Popping] = -2, [Sputter] = -2, [TallNarrow] = -2, [PiledUp] = -2, [Sunk] = -2, [Lumpy] = -2, [ToesCold] = -2,
            [Undercut] = -2, [TintNone] = -0.6, [TintWide] = -1, [RippleUneven] = -4, [RippleStretched] = -3,
            [Pinholes] = -6, [Hole] = -7, [UnequalLegs] = -5, [Crack] = -8, [OpenCrater] = -6, [NothingBehind] = -1, [SizeUnder] = -1,
            [SizeOver] = -1, [TungstenBalled] = -1.5, [TungstenBurntBack] = -4, [TungstenDipped] = -4,
            [ColourBlue] = -1, [ColourGrey] = -5, [PuddleSpecks] = -3, [PuddleSkin] = -3, [TravelUnder] = -2, [TravelOver] = -2,
            [AmpsUnder] = -0.6, [AmpsOver] = -0.6, [SootStays] = -1.5, [SideUnfused] = -7, [RootShort] = -3, [PlateHot] = -0.5,
        }) { SpeaksOfBand = true },
        new(Cause.AmpsLow, Say($"Current low for this plate"), 0.1, ChangeKind.AmpsUp,
            Say($"The puddle comes within a few seconds, wets both plates and shows behind."), new Dictionary<Sign, double>
        {
            [TallNarrow] = 1.4, [ToesCold] = 1.3, [TintNone] = 0.8, [TintThin] = 0.6, [NothingBehind] = 1.0, [RootShort] = 1.4,
            [SideUnfused] = 1.0, [AmpsUnder] = 2.0, [Lumpy] = 0.5, [PiledUp] = 0.5, [ColourSilver] = 0.2,
            [AmpsOn] = -0.5, [AmpsOver] = -2.5, [Sunk] = -3, [Hole] = -4, [TintWide] = -2, [BackMark] = -1.5, [TintBehind] = -1,
            [ColourGrey] = -1.5, [ColourBlue] = -1, [Runny] = -2.5, [RootFused] = -1.8, [Undercut] = -1,
        }) { Whose = Whose.Controls, Verdict = Judging.Verdict.Cold },
        new(Cause.AmpsHigh, Say($"Current high for this plate"), 0.1, ChangeKind.AmpsDown,
            Say($"The puddle stays where it is put; narrower tint, no sinking."), new Dictionary<Sign, double>
        {
            [Sunk] = 1.5, [Hole] = 1.8, [TintWide] = 1.2, [Undercut] = 0.8, [Runny] = 1.4, [AmpsOver] = 2.0, [ColourBlue] = 0.8,
            [ColourGrey] = 0.7, [BackMark] = 0.2, [TungstenBalled] = 0.3,
            [AmpsOn] = -0.5, [AmpsUnder] = -2.5, [TallNarrow] = -3, [ToesCold] = -2.5, [NothingBehind] = -2, [TintNone] = -2.5,
            [TintThin] = -1.5, [RootShort] = -2.5, [ColourSilver] = -1.5,
        }) { Whose = Whose.Controls, Verdict = Judging.Verdict.Hot },
        new(Cause.ArcLong, Say($"Arc too long"), 0.08, ChangeKind.ShorterArc,
            Say($"A narrower, quicker puddle; tint of even width."), new Dictionary<Sign, double>
        {
            [LightSwelling] = 0.4,
            [LongArc] = 2.2, [RippleUneven] = 0.6, [TintWide] = 0.8, [Undercut] = 0.8, [Flat] = 0.4, [Lumpy] = 0.3, [NothingBehind] = 0.4,
            [ColourBlue] = 0.4, [ColourPurple] = 0.3, [ArcVoltsOver] = 1.2, [AmpsOn] = 0.3,
            [TungstenDipped] = -1.2, [ArcVoltsUnder] = -1, [ArcVoltsOn] = -0.8,
        }) { Whose = Whose.Hand },
        new(Cause.TravelFast, Say($"Travel too fast"), 0.07, ChangeKind.Slower,
            Say($"A fuller bead, rounder ripples, more tint."), new Dictionary<Sign, double>
        {
            [TravelOver] = 2.6, [RippleStretched] = 1.8, [SizeUnder] = 1.2, [TintThin] = 0.8, [NothingBehind] = 0.4, [Undercut] = 0.4,
            [AmpsOn] = 0.4,
            [TravelOn] = -2.2, [TravelUnder] = -3, [SizeOver] = -2.5, [TintWide] = -1.5, [Sunk] = -1.5, [Hole] = -2, [Runny] = -1,
        }) { Whose = Whose.Hand, SpeaksOfBand = true },
        new(Cause.TravelSlow, Say($"Travel too slow"), 0.08, ChangeKind.Faster,
            Say($"A smaller bead, less tint, no sinking."), new Dictionary<Sign, double>
        {
            [TravelUnder] = 2.6, [TintWide] = 1.2, [Sunk] = 0.8, [SizeOver] = 1.2, [Hole] = 0.8, [ColourBlue] = 0.7, [ColourGrey] = 0.4,
            [Runny] = 0.6, [AmpsOn] = 0.5,
            [TravelOn] = -2.2, [TravelOver] = -3, [RippleStretched] = -2, [SizeUnder] = -2, [TintThin] = -1, [TintNone] = -1.5,
            [TallNarrow] = -1,
        }) { Whose = Whose.Hand, SpeaksOfBand = true },
        new(Cause.WorkAngle, Say($"Torch angle off"), 0.05, ChangeKind.MendAngle,
            Say($"Legs of equal length, both toes wetted."), new Dictionary<Sign, double>
        {
            [UnequalLegs] = 3.2, [Undercut] = 0.8, [SideUnfused] = 0.8,
            [Pinholes] = -0.4,
            [SlightlyConvex] = 0.4, [TintEven] = 0.4, [TintBehind] = 0.2,
            [TallNarrow] = -0.8, [PiledUp] = -0.8, [Sunk] = -0.8, [Lumpy] = -0.5, [ToesCold] = -0.6, [NothingBehind] = -0.4,
            [TintNone] = -0.4, [TintWide] = -0.4, [Hole] = -1,
        }) { Whose = Whose.Hand, SpeaksOfBand = true },
        new(Cause.UnevenHand, Say($"Uneven hand"), 0.06, ChangeKind.SteadyHand,
            Say($"Even ripples, even width."), new Dictionary<Sign, double>
        {
            [RippleUneven] = 2.2, [PuddleClear] = 0.2, [TungstenPointed] = 0.2, [AmpsOn] = 0.2,
            [RippleEven] = -2, [RippleStretched] = -0.5,
            [SlightlyConvex] = 0.5, [ToesBlended] = 0.5, [TintEven] = 0.4, [TintBehind] = 0.3, [SpatterLittle] = 0.2,
            [TallNarrow] = -0.8, [PiledUp] = -0.8, [Sunk] = -0.8, [Lumpy] = -0.5, [ToesCold] = -0.6, [NothingBehind] = -0.4,
            [TintNone] = -0.4, [TintWide] = -0.4, [Hole] = -1,
        }) { Whose = Whose.Hand, SpeaksOfBand = true },
        new(Cause.GasLost, Say($"Gas not covering the puddle"), 0.07, ChangeKind.CheckGas,
            Say($"Silver to straw beside the bead, a bright tungsten, no pinholes."), new Dictionary<Sign, double>
        {
            [GasNothing] = 4.0, [GasFlows] = -2.0, [WorseAtEnd] = -1.5,
            [Pinholes] = 1.9, [ColourGrey] = 2.2, [ColourBlue] = 0.6, [TungstenBurntBack] = 1.0, [SootStays] = 1.4, [SootBrushesOff] = 0.2,
            [Sputter] = 0.5, [Hiss] = 1.2, [PuddleSkin] = 0.4,
            [ColourSilver] = -2, [ColourStraw] = -1.2, [TungstenPointed] = -0.6, [PuddleClear] = -1,
            [SlightlyConvex] = 0.2, [ToesBlended] = 0.2,
        }) { Whose = Whose.Machine },
        new(Cause.DirtyPlate, Say($"Oxide, oil or dirt on plate or rod"), 0.07, ChangeKind.CleanPlate,
            Say($"A clear puddle at the same amps."), new Dictionary<Sign, double>
        {
            [LightWandering] = 0.3,
            [PuddleSpecks] = 1.8, [Sputter] = 1.2, [Pinholes] = 1.2, [PuddleSkin] = 1.0, [Popping] = 0.6, [SootStays] = 0.6,
            [RippleUneven] = 0.2,
            [PuddleClear] = -2.5, [ColourSilver] = -0.4,
        }),
        new(Cause.TungstenDipped, Say($"Tungsten dipped into the puddle"), 0.05, ChangeKind.Regrind,
            Say($"A steady, pointed arc."), new Dictionary<Sign, double>
        {
            [TungstenDipped] = 4.0, [Popping] = 0.8, [Sputter] = 0.6, [PuddleSpecks] = 0.5, [RippleUneven] = 0.3,
            [TungstenPointed] = -4, [PuddleClear] = -0.5,
        }) { Whose = Whose.Hand },
        new(Cause.TungstenSmall, Say($"Tungsten too thin for these amps"), 0.02, ChangeKind.ThickerTungsten,
            Say($"The point keeps its shape."), new Dictionary<Sign, double>
        {
            [TungstenThin] = 3.0, [TungstenFits] = -0.6, [TungstenRounded] = 0.4,
            [TungstenBalled] = 1.2, [TungstenBurntBack] = 1.6, [AmpsOver] = 1.0, [PuddleSpecks] = 0.5,
            [TungstenPointed] = -3, [AmpsUnder] = -1.5, [TungstenDipped] = -1,
        }) { Whose = Whose.Machine },
        new(Cause.WrongPolarity, Say($"Torch on the wrong pole"), 0.03, ChangeKind.CheckPolarity,
            Say($"The tungsten keeps its point; the heat goes into the plate."), new Dictionary<Sign, double>
        {
            [PolarityOther] = 5.0, [PolarityFits] = -1.2,
            [TungstenBalled] = 3.4, [TungstenBurntBack] = 2.7, [NothingBehind] = 0.7, [ToesCold] = 0.4, [AmpsOn] = 0.4,
            [RippleUneven] = 0.2, [Flat] = 0.3,
            [TungstenPointed] = -4, [BackMark] = -1.5, [RootFused] = -1, [TungstenDipped] = -1,
        }) { Whose = Whose.Machine },
        new(Cause.WrongGas, Say($"Wrong gas in the bottle"), 0.02, ChangeKind.CheckBottle,
            Say($"A bright tungsten, a clear puddle."), new Dictionary<Sign, double>
        {
            [GasOther] = 4.5, [GasFits] = -0.8,
            [TungstenBurntBack] = 1.4, [TungstenBalled] = 0.4, [ColourGrey] = 1.0, [PuddleSkin] = 0.8, [SootStays] = 0.8, [Sputter] = 0.5,
            [TungstenPointed] = -1.5, [ColourSilver] = -1.5, [PuddleClear] = -1,
        }) { Whose = Whose.Machine },
        new(Cause.BalanceOff, Say($"AC balance off: too little cleaning, or too much"), 0.02, ChangeKind.SetBalance,
            Say($"The skin opens to a mirror; a small rounded tip."), new Dictionary<Sign, double>
        {
            [PuddleSkin] = 2.2, [TungstenBalled] = 0.8, [Sputter] = 0.2, [SootBrushesOff] = 0.2,
            [PuddleClear] = -2, [TungstenPointed] = -0.2,
        }) { Whose = Whose.Machine },
        new(Cause.FillerLittle, Say($"Too little rod"), 0.05, ChangeKind.MoreFiller,
            Say($"The bead stands a little above the plates, no groove beside it."), new Dictionary<Sign, double>
        {
            [Sunk] = 0.9, [Undercut] = 0.9, [SizeUnder] = 1.4, [Flat] = 0.5, [SlightlyConvex] = -0.8,
            [ToesBlended] = -0.3, [SizeOn] = -1, [BackMark] = 0.3, [AmpsOn] = 0.4, [TravelOn] = 0.4,
            [PiledUp] = -3, [TallNarrow] = -2, [SizeOver] = -2.5, [TintWide] = -0.6, [Hole] = -0.5,
        }) { Whose = Whose.Hand },
        new(Cause.FillerMuch, Say($"Too much rod"), 0.05, ChangeKind.LessFiller,
            Say($"The puddle stays ahead of the rod; lower bead, wetted toes."), new Dictionary<Sign, double>
        {
            [SlightlyConvex] = -0.8, [Flat] = -1, [ToesBlended] = -0.4, [SizeOn] = -1,
            [PiledUp] = 1.8, [SizeOver] = 1.4, [ToesCold] = 0.6, [TallNarrow] = 0.4, [NothingBehind] = 0.4, [AmpsOn] = 0.5,
            [TravelOn] = 0.3,
            [Sunk] = -3, [SizeUnder] = -2.5, [Undercut] = -1.5, [Hole] = -2,
        }) { Whose = Whose.Hand },
        new(Cause.PlateHot, Say($"Plate still hot from the last bead"), 0.05, ChangeKind.CoolPlate,
            Say($"The same amps hold on a cold piece."), new Dictionary<Sign, double>
        {
            [WorseAlong] = 1.4, [SameAlong] = -0.4,
            [PlateHot] = 2.4, [PlateWarm] = 0.8, [Sunk] = 1.1, [TintWide] = 1.1, [Hole] = 1.1, [Runny] = 0.9, [ColourBlue] = 0.5,
            [AmpsOn] = 0.6, [TravelOn] = 0.3,
            [PlateCold] = -3, [TallNarrow] = -2.5, [ToesCold] = -2.5, [NothingBehind] = -1.5, [TintNone] = -2, [AmpsOver] = -0.5,
            [RootShort] = -2,
        }) { Whose = Whose.Hand },
        new(Cause.PoorClamp, Say($"Clamp losing contact"), 0.03, ChangeKind.CheckClamp,
            Say($"The arc starts at once and stands still."), new Dictionary<Sign, double>
        {
            [LightSwelling] = 0.6,
            [Sputter] = 1.0, [Jerky] = 1.0, [ArcVoltsUnder] = 0.4,
            [EvenCrackle] = -0.6, [FeelSteady] = -0.6,
        }) { Whose = Whose.Machine },
        new(Cause.Cracked, Say($"A crack: restraint, crater or dirt"), 0.01, ChangeKind.Stop,
            Say($"A sound crater on a fresh, clean piece."), new Dictionary<Sign, double>
        {
            [Crack] = 16,
        }),
        new(Cause.TorchSwung, Say($"Torch swung round at the end of reach"), 0.02, ChangeKind.KeepAngle,
            Say($"The end as sound as the start."), new Dictionary<Sign, double>
        {
            [WorseAtEnd] = 3.0, [Pinholes] = 0.9, [ColourGrey] = 0.5, [ColourBlue] = 0.3, [Undercut] = 0.4, [GasFlows] = 0.3,
            [SameAlong] = -3, [WorseAtStart] = -3, [WorseAlong] = -0.5,
        }) { Whose = Whose.Hand },
        new(Cause.LeanOff, Say($"Torch leaned too far along the bead"), 0.02, ChangeKind.LeanLess,
            Say($"The gas covers and the puddle comes under the torch."), new Dictionary<Sign, double>
        {
            [LeanFar] = 4.3, [ColourGrey] = 0.6, [ColourBlue] = 0.4, [Pinholes] = 0.6, [Undercut] = 0.3,
            [NothingBehind] = 0.4, [AmpsOn] = 0.2,
            [LeanRight] = -3.5, [WorseAtEnd] = -0.8,
        }) { Whose = Whose.Hand },
        new(Cause.PreheatLittle, Say($"Too little preheat for so thick a plate"), 0.02, ChangeKind.Preheat,
            Say($"The puddle comes within a few seconds, at the start as at the end."), new Dictionary<Sign, double>
        {
            [PlateThick] = 0.5, [PlateCold] = 1.9, [WorseAtStart] = 2.4, [ToesCold] = 1.3, [TallNarrow] = 0.9, [TintThin] = 0.6,
            [TintNone] = 0.6, [SideUnfused] = 1.2, [RootShort] = 1.0, [AmpsOn] = 0.5, [TravelOn] = 0.5,
            [PlateThin] = -5, [PlateWarm] = -1.5, [PlateHot] = -4, [Sunk] = -3, [Hole] = -4, [TintWide] = -2, [Runny] = -2.5,
            [AmpsUnder] = -0.8, [ToesBlended] = -1, [TintBehind] = -1, [RootFused] = -2, [WorseAlong] = -2, [TravelOver] = -1.2,
        }) { Whose = Whose.Hand },
        new(Cause.ArcBlow, Say($"Arc blow: the clamp's current drags the arc aside"), 0.01, ChangeKind.MoveClamp,
            Say($"The arc stands over the point from end to end."), new Dictionary<Sign, double>
        {
            [LightWandering] = 3.6, [WorseAtEnd] = 0.5, [WorseAtStart] = 0.4, [Undercut] = 0.5, [UnequalLegs] = 0.8,
            [LightStill] = -3, [LightSwelling] = -1,
        }) { Whose = Whose.Nobodys },
        new(Cause.Draught, Say($"Draught takes the gas away"), 0.02, ChangeKind.ScreenDraught,
            Say($"Silver to straw behind a screen."), new Dictionary<Sign, double>
        {
            [Pinholes] = 1.3, [ColourGrey] = 1.8, [GasFlows] = 1.0, [ColourBlue] = 0.5, [SootStays] = 1.0, [TungstenBurntBack] = 0.5,
            [GasNothing] = -4, [ColourSilver] = -2, [ColourStraw] = -1, [PuddleClear] = -0.6, [WorseAtEnd] = -1,
        }),
        new(Cause.CraterOpen, Say($"Stopped without filling the crater"), 0.02, ChangeKind.FillCrater,
            Say($"Ease the pedal off, rod in: an end as high as the bead."), new Dictionary<Sign, double>
        {
            [OpenCrater] = 4.0, [Crack] = 0.3,
            [SlightlyConvex] = 0.5, [ToesBlended] = 0.5, [TintEven] = 0.4, [TintBehind] = 0.3, [SpatterLittle] = 0.2,
            [TallNarrow] = -0.8, [PiledUp] = -0.8, [Sunk] = -0.8, [Lumpy] = -0.5, [ToesCold] = -0.6, [NothingBehind] = -0.4,
            [TintNone] = -0.4, [TintWide] = -0.4, [Hole] = -1,
        }) { Whose = Whose.Hand, SpeaksOfBand = true },
    ];
}
