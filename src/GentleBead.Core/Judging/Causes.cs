using GentleBead.Core.Stock;
using static GentleBead.Core.Judging.Sign;

namespace GentleBead.Core.Judging;

/// <summary>Whose doing a cause is.</summary>
public enum Whose
{
    /// <summary>Nobody's in particular: the plate, chance, or nothing at all.</summary>
    Nobodys,

    /// <summary>What was set: known from the marks, so it says nothing of the next bead.</summary>
    Controls,

    /// <summary>The student's hand.</summary>
    Hand,

    /// <summary>The machine, its load or its wear.</summary>
    Machine,
}

/// <summary>One row of the table: a cause and how strongly each sign speaks for it.</summary>
/// <param name="Cause">Which cause.</param>
/// <param name="Words">The cause in an instructor's words.</param>
/// <param name="Prior">How common it is before anything was seen; shares of all rows.</param>
/// <param name="Change">What mends it.</param>
/// <param name="Expect">What the next bead should show when the cause was right.</param>
/// <param name="Weights">
/// Natural-log likelihood ratio of each sign under this cause against beads at large: 0.7 doubles the odds, 2 makes
/// them seven times, below 0 speaks against. A sign not listed says nothing either way.
/// </param>
public sealed record CauseRow(
    Cause Cause,
    Said Words,
    double Prior,
    ChangeKind Change,
    Said Expect,
    IReadOnlyDictionary<Sign, double> Weights
)
{
    /// <summary>Whose doing it is: what recent beads teach of the next one goes by that.</summary>
    public Whose Whose { get; init; }

    /// <summary>The verdict that says so, where it is what was set; null otherwise.</summary>
    public Verdict? Verdict { get; init; }

    /// <summary>
    /// Whether a bead with this cause still speaks of its machine's smooth band; one that pops for a reason beside its pair does not.
    /// </summary>
    public bool SpeaksOfBand { get; init; }
}

/// <summary>
/// The causes of a fed wire's beads with their weights; <see cref="TigCauses"/> has the tungsten's. Common practice, no source: set from
/// the trade's tables of sound and look.
/// </summary>
public static class Causes
{
    // csharpier-ignore
    /// <summary>Every cause of a fed wire once.</summary>
    /// <remarks>Volts stand before wire among equals: the wire-first school mends a bad pair with the volts.</remarks>
    public static IReadOnlyList<CauseRow> Table { get; } =
    [
        new(Cause.NothingWrong, Say($"Nothing to mend"), 0.16, ChangeKind.Keep,
            Say($"The same again: the same sound, the same look."), new Dictionary<Sign, double>
        {
            [MetalOn] = 0.3, [MetalUnder] = -0.6, [MetalOver] = -0.6,
            [LeanFar] = -2.5, [LeanRight] = 0.2,
            [LightSwelling] = -1.5, [LightWandering] = -2.5, [NozzleClogged] = -1, [StickOutUnder] = -0.6,
            [WorseAtEnd] = -3, [StartTouching] = -2.5, [StartStuttering] = -1, [TipBurntBack] = -4, [GasNothing] = -3,
            [SameAlong] = 0.3, [StartClean] = 0.3, [TipClear] = 0.2, [LightStill] = 0.6, [WorseAtStart] = -1.5, [WorseAlong] = -2,
            [PolarityOther] = -1.5, [GasOther] = -1.5, [WireOther] = -1.5, [ProgramOther] = -1.5, [TipOther] = -0.5, [RollsOther] = -0.5,
            [EvenCrackle] = 1.2, [SlightlyConvex] = 1.0, [Flat] = 0.4, [ToesBlended] = 1.0, [TintEven] = 0.8, [SpatterLittle] = 0.4,
            [RippleEven] = 0.4,
            [BackMark] = 0.6, [TintBehind] = 0.7, [SizeOn] = 0.6, [WireOn] = 0.5, [PairInBand] = 0.5, [VoltsOn] = 0.3,
            [Hiss] = -2, [Popping] = -2.5, [Rattle] = -2, [Sputter] = -1.5, [TallNarrow] = -2, [PiledUp] = -2, [Sunk] = -2, [Lumpy] = -2,
            [ToesCold] = -2, [Undercut] = -2, [TintNone] = -1, [TintThin] = -0.5, [TintWide] = -1, [SpatterBig] = -3, [RippleUneven] = -4,
            [RippleStretched] = -3,
            [Pinholes] = -6, [Hole] = -7, [UnequalLegs] = -5, [Crack] = -8, [NothingBehind] = -1, [SizeUnder] = -1, [SizeOver] = -1,
            [PairShort] = -1.2, [PairLong] = -1.2, [WireUnder] = -0.8, [WireOver] = -0.8, [StickOutOver] = -0.5,
            [FeelSteady] = 0.8, [TravelOn] = 0.5, [ArcAmpsOn] = 0.4, [ArcVoltsOn] = 0.3, [RootFused] = 1.2, [StickOutOn] = 0.2,
            [PlateCold] = 0.1, [AmpsOn] = 0.4,
            [PushedBack] = -2.5, [LongArc] = -2, [Runny] = -1.5, [Jerky] = -2, [PlateHot] = -0.8, [TravelUnder] = -2, [TravelOver] = -2,
            [ArcAmpsUnder] = -0.8, [ArcAmpsOver] = -0.8, [ArcVoltsUnder] = -0.6, [ArcVoltsOver] = -0.6, [RootShort] = -3,
            [SideUnfused] = -7, [SootStays] = -1.5, [OpenCrater] = -6, [SlagTrapped] = -6,
        }) { SpeaksOfBand = true },
        new(Cause.VoltsLow, Say($"Volts low for the wire"), 0.09, ChangeKind.VoltsUp,
            Say($"The popping goes over into an even crackle; the bead lies lower and wider, the toes blend in."),
            new Dictionary<Sign, double>
        {
            [LightSwelling] = 0.6, [LightStill] = -1.0, [SameAlong] = 0.2, [WorseAtStart] = -0.8,
            [Popping] = 2.0, [TallNarrow] = 1.2, [PiledUp] = 0.6, [ToesCold] = 1.0, [TintNone] = 0.6, [TintThin] = 0.5,
            [NothingBehind] = 0.4,
            [PairShort] = 2.0, [VoltsUnder] = 1.2, [WireOn] = 0.5,
            [EvenCrackle] = -1.5, [Hiss] = -3, [Rattle] = -2, [Sunk] = -2.5, [Flat] = -1, [TintWide] = -1.5, [Hole] = -2,
            [PairInBand] = -1.3, [PairLong] = -3, [WireOver] = -0.8, [VoltsOver] = -2, [Undercut] = -1,
            [PushedBack] = 1.5, [ArcVoltsUnder] = 0.4, [RootShort] = 0.7, [SideUnfused] = 0.6,
            [FeelSteady] = -1.2, [LongArc] = -3, [Runny] = -2, [RootFused] = -0.6,
            [VoltsOn] = -0.6, [Sputter] = -0.6,
        }) { Whose = Whose.Controls, Verdict = Judging.Verdict.Unsteady, SpeaksOfBand = true },
        new(Cause.WireHigh, Say($"Too much wire for the volts"), 0.07, ChangeKind.WireDown,
            Say($"The wire stops pushing back; less metal, an even crackle, tint beside the bead."), new Dictionary<Sign, double>
        {
            [LightSwelling] = 0.6, [LightStill] = -1.0, [SameAlong] = 0.2, [WorseAtStart] = -0.8,
            [Popping] = 2.0, [PiledUp] = 1.6, [TallNarrow] = 0.4, [ToesCold] = 0.7, [TintNone] = 0.7, [PairShort] = 1.5, [WireOver] = 2.0,
            [SizeOver] = 0.6,
            [EvenCrackle] = -1.2, [Hiss] = -3, [Rattle] = -0.5, [Lumpy] = -2, [PairInBand] = -1.1, [PairLong] = -3, [WireOn] = -1.6,
            [WireUnder] = -3, [SizeUnder] = -1,
            [PushedBack] = 1.8, [ArcAmpsOver] = 0.4, [SideUnfused] = 0.6,
            [FeelSteady] = -1.2, [LongArc] = -3, [Sputter] = -0.6,
        }) { Whose = Whose.Controls, Verdict = Judging.Verdict.Unsteady, SpeaksOfBand = true },
        new(Cause.VoltsHigh, Say($"Volts high for the wire"), 0.08, ChangeKind.VoltsDown,
            Say($"The hiss goes over into a crackle; narrower bead, no groove at the toe, less spatter."), new Dictionary<Sign, double>
        {
            [TipBurntBack] = 0.4,
            [LightSwelling] = 0.6, [LightStill] = -1.0, [SameAlong] = 0.2, [WorseAtStart] = -0.8,
            [Hiss] = 1.8, [Rattle] = 0.9, [Flat] = 0.6, [Sunk] = 0.6, [Undercut] = 1.2, [TintWide] = 0.7, [SpatterBig] = 1.3,
            [PairLong] = 2.0, [VoltsOver] = 1.2, [WireOn] = 0.5,
            [Popping] = -3, [EvenCrackle] = -1.0, [TallNarrow] = -1.8, [PiledUp] = -2, [ToesCold] = -1, [PairInBand] = -1.3,
            [PairShort] = -3, [VoltsUnder] = -2, [WireUnder] = -0.4,
            [LongArc] = 1.5, [ArcVoltsOver] = 0.4, [SootBrushesOff] = 0.2,
            [FeelSteady] = -0.8, [PushedBack] = -3,
            [VoltsOn] = -0.6,
        }) { Whose = Whose.Controls, Verdict = Judging.Verdict.Unsteady, SpeaksOfBand = true },
        new(Cause.WireLow, Say($"Too little wire for the volts"), 0.07, ChangeKind.WireUp,
            Say($"The hiss goes over into a crackle; the bead fills out and bites."), new Dictionary<Sign, double>
        {
            [LightSwelling] = 0.6, [LightStill] = -1.0, [SameAlong] = 0.2, [WorseAtStart] = -0.8,
            [Hiss] = 1.8, [Lumpy] = 1.8, [SizeUnder] = 0.8, [NothingBehind] = 0.4, [PairLong] = 1.5, [WireUnder] = 2.0,
            [Popping] = -3, [EvenCrackle] = -1.2, [PiledUp] = -2.5, [TallNarrow] = -0.6, [PairInBand] = -1.1, [PairShort] = -3,
            [WireOn] = -1.4, [WireOver] = -3, [SizeOver] = -1.5,
            [LongArc] = 1.5, [ArcAmpsUnder] = 0.3, [RootShort] = 0.5,
            [FeelSteady] = -0.8, [PushedBack] = -3,
        }) { Whose = Whose.Controls, Verdict = Judging.Verdict.Unsteady, SpeaksOfBand = true },
        new(Cause.PairCold, Say($"The whole pair is cold for this plate"), 0.08, ChangeKind.MoreOfBoth,
            Say($"The same crackle, a lower and wider bead, tint that shows behind."), new Dictionary<Sign, double>
        {
            [EvenCrackle] = 0.9, [TallNarrow] = 1.2, [ToesCold] = 1.0, [TintNone] = 0.7, [TintThin] = 0.6, [NothingBehind] = 0.9,
            [PairInBand] = 0.8, [WireUnder] = 1.8, [VoltsUnder] = 0.4,
            [Popping] = -1.2, [Hiss] = -0.8, [Rattle] = -2, [Sputter] = -1.6, [Sunk] = -3, [Hole] = -4, [BackMark] = -1.5,
            [TintBehind] = -1.0, [TintWide] = -2, [WireOn] = -1.4, [WireOver] = -2, [PairLong] = -0.6, [PairShort] = -0.8,
            [FeelSteady] = 0.4, [RootShort] = 1.2, [SideUnfused] = 1.2, [PlateCold] = 0.2,
            [PushedBack] = -1, [RootFused] = -1.8, [Runny] = -2, [PlateHot] = -1.5, [ArcAmpsOver] = -1,
        }) { Whose = Whose.Controls, Verdict = Judging.Verdict.Cold, SpeaksOfBand = true },
        new(Cause.PairHot, Say($"The whole pair is hot for this plate"), 0.07, ChangeKind.LessOfBoth,
            Say($"The bead stands up from the plate again; narrower tint, no sagging."), new Dictionary<Sign, double>
        {
            [WorseAlong] = 0.3,
            [EvenCrackle] = 0.5, [Rattle] = 1.3, [Sunk] = 1.5, [Hole] = 1.8, [TintWide] = 1.0, [BackMark] = 0.3, [Flat] = 0.3,
            [SpatterBig] = 0.3, [PairInBand] = 0.4, [WireOver] = 1.6, [VoltsOver] = 0.4,
            [TallNarrow] = -3, [ToesCold] = -2.5, [NothingBehind] = -2, [TintNone] = -2.5, [TintThin] = -1.5, [WireOn] = -1.3,
            [PairLong] = -0.8,
            [WireUnder] = -2.5, [Popping] = -1.5,
            [Runny] = 1.3, [PlateCold] = 0.2, [ArcAmpsOver] = 0.3,
            [RootShort] = -2.5, [SideUnfused] = -1.5, [PushedBack] = -1.5, [ArcAmpsUnder] = -1, [PlateHot] = -0.4, [Sputter] = -1.2,
        }) { Whose = Whose.Controls, Verdict = Judging.Verdict.Hot, SpeaksOfBand = true },
        new(Cause.TravelFast, Say($"Travel too fast"), 0.07, ChangeKind.Slower,
            Say($"A fuller bead on size, rounder ripples, more tint."), new Dictionary<Sign, double>
        {
            [EvenCrackle] = 0.5, [SizeUnder] = 1.6, [RippleStretched] = 2.0, [TintThin] = 0.9, [Undercut] = 0.8, [NothingBehind] = 0.4,
            [TallNarrow] = 0.4, [PairInBand] = 0.4, [WireOn] = 0.4,
            [Sunk] = -1.5, [TintWide] = -1.5, [SizeOver] = -2.5, [PiledUp] = -2, [Hole] = -2,
            [TravelOver] = 2.6, [FeelSteady] = 0.2, [RootShort] = 0.5,
            [TravelOn] = -2.2, [TravelUnder] = -3, [Runny] = -1,
        }) { Whose = Whose.Hand, SpeaksOfBand = true },
        new(Cause.TravelSlow, Say($"Travel too slow"), 0.06, ChangeKind.Faster,
            Say($"A smaller bead on size, less tint, no sagging."), new Dictionary<Sign, double>
        {
            [EvenCrackle] = 0.5, [SizeOver] = 1.8, [TintWide] = 1.0, [Sunk] = 0.7, [PiledUp] = 0.7, [Hole] = 0.6, [PairInBand] = 0.4,
            [WireOn] = 0.4,
            [RippleStretched] = -2, [SizeUnder] = -2.5, [TintThin] = -1, [TintNone] = -1, [TallNarrow] = -1, [Undercut] = -0.5,
            [TravelUnder] = 2.6, [Runny] = 0.7, [SideUnfused] = 0.4,
            [TravelOn] = -2.2, [TravelOver] = -3,
        }) { Whose = Whose.Hand, SpeaksOfBand = true },
        new(Cause.StickOutLong, Say($"Stick-out too long"), 0.05, ChangeKind.ShorterStickOut,
            Say($"The popping calms at the same marks; more bite."), new Dictionary<Sign, double>
        {
            [StickOutUnder] = -3,
            [StickOutOver] = 3.0, [Popping] = 0.9, [Sputter] = 0.8, [Pinholes] = 0.8, [TallNarrow] = 0.5, [ToesCold] = 0.5,
            [NothingBehind] = 0.6, [SpatterFine] = 0.4, [PairInBand] = 0.4, [WireOn] = 0.3,
            [StickOutOn] = -3, [Sunk] = -1.5, [Hole] = -1.5, [Hiss] = -0.5,
            [PushedBack] = 0.5, [Jerky] = 0.2, [ArcAmpsUnder] = 1.3, [RootShort] = 0.4,
            [ArcAmpsOn] = -0.8, [ArcAmpsOver] = -2,
        }) { Whose = Whose.Hand },
        new(Cause.WorkAngle, Say($"Work angle off"), 0.04, ChangeKind.MendAngle,
            Say($"Legs of equal length, both toes blended."), new Dictionary<Sign, double>
        {
            [UnequalLegs] = 3.2, [Undercut] = 0.8, [EvenCrackle] = 0.2,
            [Pinholes] = -0.5,
            [SideUnfused] = 0.9, [RootFused] = 0.1,
            [SlightlyConvex] = 0.4, [TintEven] = 0.4, [TintBehind] = 0.2,
            [TallNarrow] = -0.8, [PiledUp] = -0.8, [Sunk] = -0.8, [Lumpy] = -0.5, [ToesCold] = -0.6, [NothingBehind] = -0.4,
            [TintNone] = -0.4, [TintWide] = -0.4, [Hole] = -1,
        }) { Whose = Whose.Hand, SpeaksOfBand = true },
        new(Cause.UnevenHand, Say($"Uneven hand"), 0.05, ChangeKind.SteadyHand,
            Say($"Even ripples, even width."), new Dictionary<Sign, double>
        {
            [SameAlong] = 0.1, [WorseAtEnd] = 0.6,
            [RippleUneven] = 2.3, [EvenCrackle] = 0.3, [PairInBand] = 0.2,
            [RippleEven] = -2, [RippleStretched] = -0.5,
            [FeelSteady] = -0.4, [Jerky] = -1.6, [Sputter] = -0.8,
            [SlightlyConvex] = 0.5, [ToesBlended] = 0.5, [TintEven] = 0.4, [TintBehind] = 0.3, [SpatterLittle] = 0.2,
            [TallNarrow] = -0.8, [PiledUp] = -0.8, [Sunk] = -0.8, [Lumpy] = -0.5, [ToesCold] = -0.6, [NothingBehind] = -0.4,
            [TintNone] = -0.4, [TintWide] = -0.4, [Hole] = -1,
        }) { Whose = Whose.Hand, SpeaksOfBand = true },
        new(Cause.GasLost, Say($"Gas not reaching the puddle"), 0.04, ChangeKind.CheckGas,
            Say($"No pinholes; the arc smooths."), new Dictionary<Sign, double>
        {
            [GasNothing] = 4.0, [GasFlows] = -2.0, [WorseAlong] = 0.3, [WorseAtEnd] = -1.5,
            [Pinholes] = 3.5, [Sputter] = 0.5, [SpatterBig] = 0.6, [Lumpy] = 0.3, [StickOutOver] = 0.3,
            [SpatterLittle] = -0.6,
            [SootStays] = 0.8, [ColourGrey] = 1.0,
            [SlightlyConvex] = 0.3, [ToesBlended] = 0.3, [TintEven] = 0.3, [TintBehind] = 0.2,
        }) { Whose = Whose.Machine },
        new(Cause.DirtyPlate, Say($"Mill scale, paint or dirt"), 0.05, ChangeKind.CleanPlate,
            Say($"A smooth start, less spatter at the same marks."), new Dictionary<Sign, double>
        {
            [NothingBehind] = -0.5,
            [StartStuttering] = 1.0, [WorseAtStart] = 0.5, [StartClean] = -0.5,
            [Sputter] = 1.6, [Popping] = 0.5, [SpatterBig] = 0.9, [SpatterFine] = 0.5, [Pinholes] = 1.6, [PairInBand] = 0.4, [WireOn] = 0.3,
            [EvenCrackle] = -0.8, [SpatterLittle] = -0.8,
            [PushedBack] = -0.4, [SideUnfused] = 0.2, [SootStays] = 0.8, [Jerky] = -0.6,
        }),
        new(Cause.PlateHot, Say($"Plate still hot from the last bead"), 0.04, ChangeKind.CoolPlate,
            Say($"The same settings stand up on a cold piece."), new Dictionary<Sign, double>
        {
            [WorseAlong] = 1.4, [SameAlong] = -0.4,
            [Sunk] = 1.1, [TintWide] = 1.2, [Hole] = 1.1, [EvenCrackle] = 0.4, [PairInBand] = 0.5, [WireOn] = 0.8, [VoltsOn] = 0.3,
            [TallNarrow] = -2.5, [ToesCold] = -2.5, [NothingBehind] = -1.5, [TintNone] = -2, [WireOver] = -0.8,
            [PlateHot] = 2.4, [PlateWarm] = 0.8, [Runny] = 0.9, [TravelOn] = 0.3,
            [PlateCold] = -3, [RootShort] = -2, [SideUnfused] = -1,
        }) { Whose = Whose.Hand },
        new(Cause.ReadOutOff, Say($"The machine gives less wire than its marks say"), 0.04, ChangeKind.MeasureWire,
            Say($"With the real wire speed known, the sheet's marks make the sheet's bead."), new Dictionary<Sign, double>
        {
            [MetalUnder] = 1.8, [MetalOn] = -0.4, [MetalOver] = -2,
            [Hiss] = 1.0, [Lumpy] = 0.6, [TallNarrow] = 0.3, [ToesCold] = 0.4, [NothingBehind] = 0.7, [TintThin] = 0.4, [SizeUnder] = 0.8,
            [WireOn] = 0.6, [PairInBand] = 0.4, [MachineBelieved] = 0.3,
            [MachineMeasured] = -1.8, [Popping] = -1.5, [PiledUp] = -2, [Sunk] = -0.4, [WireUnder] = -1, [WireOver] = -0.5,
            [SizeOver] = -1.5,
            [ArcAmpsUnder] = 1.0, [LongArc] = 0.9, [TravelOn] = 0.2, [StickOutOn] = 0.3, [RootShort] = 0.5,
            [ArcAmpsOn] = -1.5, [ArcAmpsOver] = -2.5, [PushedBack] = -1.5,
        }) { Whose = Whose.Machine },
        new(Cause.WireSlipping, Say($"Wire feeding unevenly: tension, spool or liner"), 0.04, ChangeKind.CheckFeed,
            Say($"A steady sound from start to end."), new Dictionary<Sign, double>
        {
            [MetalUnder] = 0.8,
            [LightSwelling] = 0.5, [StartTouching] = 0.2,
            [RollsOther] = 2.8, [RollsFit] = -0.1,
            [Sputter] = 1.3, [RippleUneven] = 0.6, [Lumpy] = 1.0, [PairInBand] = 0.3, [Hiss] = 0.2,
            [EvenCrackle] = -1.2, [RippleEven] = -1,
            [Jerky] = 2.7, [ArcAmpsUnder] = 0.3,
            [FeelSteady] = -1.2, [ToesCold] = 0.2,
        }) { Whose = Whose.Machine },
        new(Cause.WrongPolarity, Say($"Wrong polarity"), 0.011, ChangeKind.CheckPolarity,
            Say($"The spatter stops and the bead bites."), new Dictionary<Sign, double>
        {
            [PolarityOther] = 5.0, [PolarityFits] = -1.2,
            [SpatterBig] = 1.5, [Sputter] = 1.1, [Popping] = 0.3, [NothingBehind] = 1.2, [TallNarrow] = 0.7, [ToesCold] = 0.8,
            [PairInBand] = 0.4, [WireOn] = 0.3,
            [EvenCrackle] = -2, [SpatterLittle] = -2, [BackMark] = -1,
            [PushedBack] = 0.3, [RootShort] = 0.5, [SootStays] = 0.6,
            [RootFused] = -1, [FeelSteady] = -0.4,
        }) { Whose = Whose.Machine },
        new(Cause.Cracked, Say($"A crack: restraint, crater or dirt"), 0.01, ChangeKind.Stop,
            Say($"A sound crater on a fresh, clean piece."), new Dictionary<Sign, double>
        {
            [Crack] = 16,
        }),
        new(Cause.ReadOutLow, Say($"The machine gives more wire than its marks say"), 0.02, ChangeKind.MeasureWire,
            Say($"With the real wire speed known, the sheet's marks make the sheet's bead."), new Dictionary<Sign, double>
        {
            [MetalOver] = 1.2, [MetalOn] = -0.4, [MetalUnder] = -2,
            [Popping] = 1.0, [PushedBack] = 1.0, [PiledUp] = 1.2, [SizeOver] = 1.2, [ArcAmpsOver] = 1.6, [WireOn] = 0.6, [PairInBand] = 0.4,
            [MachineBelieved] = 0.3, [TravelOn] = 0.4,
            [MachineMeasured] = -1.8, [Hiss] = -1.5, [LongArc] = -1.5, [Lumpy] = -2, [SizeUnder] = -2, [ArcAmpsUnder] = -2.5,
            [ArcAmpsOn] = -1.5, [WireOver] = -1, [EvenCrackle] = -0.6,
        }) { Whose = Whose.Machine },
        new(Cause.VoltsReadOff, Say($"The arc does not get the volts the machine shows"), 0.02, ChangeKind.MeasureVolts,
            Say($"With the real volts known, the sheet's marks make the sheet's bead."), new Dictionary<Sign, double>
        {
            [ArcVoltsUnder] = 2.2, [ArcVoltsOver] = 2.2, [PairInBand] = 0.5, [WireOn] = 0.4, [VoltsOn] = 0.4, [Popping] = 0.3,
            [PushedBack] = 0.3, [MachineBelieved] = 0.4, [ArcAmpsOn] = 0.3,
            [ArcVoltsOn] = -2.5, [PairShort] = -0.6, [PairLong] = -0.6,
        }) { Whose = Whose.Machine },
        new(Cause.WornTip, Say($"Contact tip worn, or too large"), 0.03, ChangeKind.ChangeTip,
            Say($"A steady arc that starts at once."), new Dictionary<Sign, double>
        {
            [StartStuttering] = 1.2, [TipClear] = -0.2,
            [TipOther] = 2.8, [TipFits] = -0.1,
            [Sputter] = 1.4, [Jerky] = 0.9, [ArcAmpsUnder] = 0.5, [RippleUneven] = 0.4, [PairInBand] = 0.4, [WireOn] = 0.3,
            [StickOutOn] = 0.3, [LongArc] = 0.2,
            [EvenCrackle] = -1, [FeelSteady] = -0.3, [RippleEven] = -0.3, [ToesCold] = 0.3, [TallNarrow] = 0.3,
            [SpatterBig] = -0.5, [SpatterLittle] = 0.1, [Pinholes] = -1.2,
        }) { Whose = Whose.Machine },
        new(Cause.WrongGas, Say($"Wrong gas in the bottle"), 0.02, ChangeKind.CheckBottle,
            Say($"The arc takes on the sound the sheet tells of."), new Dictionary<Sign, double>
        {
            [GasOther] = 4.5, [GasFits] = -0.8,
            [SpatterBig] = 1.5, [Rattle] = 1.0, [Popping] = 0.4, [Hiss] = 0.2, [PairInBand] = 0.6, [WireOn] = 0.4, [VoltsOn] = 0.4,
            [PuddleSkin] = 0.8, [ArcAmpsOn] = 0.2, [Undercut] = 0.2,
            [EvenCrackle] = -1.8, [SpatterLittle] = -1.5, [Pinholes] = -0.5,
        }) { Whose = Whose.Machine },
        new(Cause.WrongWire, Say($"Thicker wire on than the machine is set for"), 0.01, ChangeKind.CheckWire,
            Say($"With the right wire the marks mean what the sheet says."), new Dictionary<Sign, double>
        {
            [MetalOver] = 1.0, [MetalOn] = -0.4, [MetalUnder] = -2,
            [WireOther] = 5.0, [WireFits] = -0.3,
            [ArcAmpsOver] = 1.8, [SizeOver] = 1.4, [PiledUp] = 0.8, [Popping] = 0.5, [PushedBack] = 0.5, [PairInBand] = 0.4, [WireOn] = 0.5,
            [MachineMeasured] = 1.0, [TravelOn] = 0.5,
            [SizeUnder] = -2, [ArcAmpsUnder] = -2, [ArcAmpsOn] = -1.5, [Hiss] = -1, [MachineBelieved] = -0.2,
        }) { Whose = Whose.Machine },
        new(Cause.PoorClamp, Say($"Clamp or cable losing volts"), 0.03, ChangeKind.CheckClamp,
            Say($"A clean start; the volts read what was set."), new Dictionary<Sign, double>
        {
            [StartStuttering] = 1.2, [StartClean] = -0.8, [LightSwelling] = 0.3,
            [Sputter] = 1.0, [ArcVoltsUnder] = 2.0, [ArcAmpsUnder] = 0.6, [Popping] = 0.3, [PairInBand] = 0.4, [WireOn] = 0.3,
            [TintThin] = 0.2,
            [ArcVoltsOn] = -1.5, [ArcVoltsOver] = -2.5, [EvenCrackle] = -0.8, [Runny] = -1, [FeelSteady] = -0.4,
            [ToesCold] = 0.3, [TallNarrow] = 0.2,
        }) { Whose = Whose.Machine },
        new(Cause.WrongDirection, Say($"Slag pushed ahead instead of dragged"), 0.01, ChangeKind.DragIt,
            Say($"Clean slag that peels, nothing trapped."), new Dictionary<Sign, double>
        {
            [SlagTrapped] = 4.0, [Pinholes] = 0.6, [RippleUneven] = 0.3,
            [SlightlyConvex] = 0.3, [ToesBlended] = 0.3, [EvenCrackle] = 0.2,
        }) { Whose = Whose.Hand },
        new(Cause.StickOutShort, Say($"Stick-out too short"), 0.02, ChangeKind.LongerStickOut,
            Say($"The nozzle stays clear, the arc calms."), new Dictionary<Sign, double>
        {
            [StickOutUnder] = 3.2, [NozzleClogged] = 0.9, [TipBurntBack] = 0.9, [ArcAmpsOver] = 1.0, [Sputter] = 0.8, [SpatterFine] = 0.3,
            [PairInBand] = 0.3, [WireOn] = 0.3,
            [StickOutOn] = -2.5, [StickOutOver] = -4, [ArcAmpsUnder] = -1.5, [Hiss] = -0.4,
        }) { Whose = Whose.Hand },
        new(Cause.TorchSwung, Say($"Torch swung round at the end of reach"), 0.02, ChangeKind.KeepAngle,
            Say($"The end as sound as the start."), new Dictionary<Sign, double>
        {
            [WorseAtEnd] = 3.4, [Pinholes] = 0.9, [Undercut] = 0.4, [UnequalLegs] = 0.3, [EvenCrackle] = 0.2, [GasFlows] = 0.3,
            [SameAlong] = -3, [WorseAtStart] = -3, [WorseAlong] = -0.5,
        }) { Whose = Whose.Hand },
        new(Cause.LeanOff, Say($"Torch leaned too far along the bead"), 0.02, ChangeKind.LeanLess,
            Say($"The gas covers, the spatter is less, the bead bites."), new Dictionary<Sign, double>
        {
            [LeanFar] = 4.3, [Pinholes] = 0.6, [SpatterBig] = 0.5, [Undercut] = 0.4, [TallNarrow] = 0.3, [Flat] = 0.3, [ToesCold] = 0.3,
            [NothingBehind] = 0.4, [WireOn] = 0.2, [PairInBand] = 0.2,
            [LeanRight] = -3.5, [WorseAtEnd] = -0.8,
        }) { Whose = Whose.Hand },
        new(Cause.PreheatLittle, Say($"Too little preheat for so thick a plate"), 0.02, ChangeKind.Preheat,
            Say($"The start fuses like the end; toes blended on both plates."), new Dictionary<Sign, double>
        {
            [PlateThick] = 0.5, [PlateCold] = 1.9, [WorseAtStart] = 2.4, [ToesCold] = 1.3, [TallNarrow] = 0.9, [TintThin] = 0.6,
            [TintNone] = 0.6, [SideUnfused] = 1.2, [RootShort] = 1.0, [EvenCrackle] = 0.6, [WireOn] = 0.9, [VoltsOn] = 0.4,
            [PairInBand] = 0.6, [TravelOn] = 0.5,
            [PlateThin] = -5, [PlateWarm] = -1.5, [PlateHot] = -4, [Sunk] = -3, [Hole] = -4, [TintWide] = -2, [Runny] = -2.5,
            [WireUnder] = -1.5, [Popping] = -1.2, [Hiss] = -0.8, [Sputter] = -1, [ToesBlended] = -1, [TintBehind] = -1, [RootFused] = -2,
            [WorseAlong] = -2, [TravelOver] = -1.2,
        }) { Whose = Whose.Hand },
        new(Cause.ArcBlow, Say($"Arc blow: the clamp's current drags the arc aside"), 0.01, ChangeKind.MoveClamp,
            Say($"The arc stands over the wire from end to end."), new Dictionary<Sign, double>
        {
            [LightWandering] = 4.3, [WorseAtEnd] = 0.5, [WorseAtStart] = 0.4, [SpatterBig] = 0.5, [Undercut] = 0.5, [UnequalLegs] = 1.0,
            [WireOn] = 0.2, [PairInBand] = 0.2,
            [LightStill] = -3, [LightSwelling] = -1,
        }) { Whose = Whose.Nobodys },
        new(Cause.BurnBack, Say($"Wire burnt back: touching at the start, feed or tip"), 0.02, ChangeKind.FreeTip,
            Say($"It lights at once and the wire stays free."), new Dictionary<Sign, double>
        {
            [TipBurntBack] = 3.2, [StartTouching] = 2.0, [Jerky] = 0.5, [VoltsOver] = 0.3, [PairLong] = 0.3, [StickOutUnder] = 0.3,
            [TipClear] = -3, [StartClean] = -1.2,
        }) { Whose = Whose.Hand },
        new(Cause.Draught, Say($"Draught takes the gas away"), 0.02, ChangeKind.ScreenDraught,
            Say($"No pinholes behind a screen."), new Dictionary<Sign, double>
        {
            [Pinholes] = 3.0, [GasFlows] = 1.3, [TipClear] = 0.3, [LightSwelling] = 0.2, [SootStays] = 0.4, [StartStuttering] = -0.6,
            [ColourGrey] = 0.8,
            [GasNothing] = -4, [NozzleClogged] = -1.2, [WorseAtEnd] = -1, [StickOutOver] = -0.5,
        }),
        new(Cause.NozzleShut, Say($"Spatter in the nozzle shuts off the gas"), 0.02, ChangeKind.ClearNozzle,
            Say($"No pinholes, even gas all round."), new Dictionary<Sign, double>
        {
            [NozzleClogged] = 3.2, [Pinholes] = 2.4, [WorseAlong] = 0.5, [SpatterBig] = 0.3,
            [TipClear] = -3.5, [GasNothing] = 0.3,
        }) { Whose = Whose.Machine },
        new(Cause.UnderTransition, Say($"Under the transition: big drops instead of spray"), 0.03, ChangeKind.MoreOfBoth,
            Say($"The rattle goes over into a smooth hiss; fine drops, little spatter."), new Dictionary<Sign, double>
        {
            [Rattle] = 2.6, [SpatterBig] = 1.2, [ArcAmpsUnder] = 0.8, [WireUnder] = 1.0, [Popping] = 0.3, [LightSwelling] = 0.4,
            [TallNarrow] = 0.3, [Lumpy] = 0.3,
            [EvenCrackle] = -2, [SpatterLittle] = -1.2, [WireOver] = -2, [ArcAmpsOver] = -2, [LightStill] = -1, [WireOn] = -0.8,
            [ArcAmpsOn] = -1.2,
        }) { Whose = Whose.Controls, Verdict = Judging.Verdict.Unsteady },
        new(Cause.CraterOpen, Say($"Stopped without filling the crater"), 0.02, ChangeKind.FillCrater,
            Say($"An end as high as the bead."), new Dictionary<Sign, double>
        {
            [OpenCrater] = 4.0, [Crack] = 0.3, [EvenCrackle] = 0.2,
            [SlightlyConvex] = 0.5, [ToesBlended] = 0.5, [TintEven] = 0.4, [TintBehind] = 0.3, [SpatterLittle] = 0.2,
            [TallNarrow] = -0.8, [PiledUp] = -0.8, [Sunk] = -0.8, [Lumpy] = -0.5, [ToesCold] = -0.6, [NothingBehind] = -0.4,
            [TintNone] = -0.4, [TintWide] = -0.4, [Hole] = -1,
        }) { Whose = Whose.Hand, SpeaksOfBand = true },
    ];

    // Each process weighs the common rows its own way.
    private static readonly Dictionary<Process, CauseRow[]> ByProcess = Processes.All.ToDictionary(
        facts => facts.Process,
        facts => Modes.Table(facts.Process, facts.FeedsWire ? Table : TigCauses.Table)
    );

    /// <summary>The causes that can be behind a bead of a process.</summary>
    public static IReadOnlyList<CauseRow> Of(Process process) => ByProcess[process];

    /// <summary>A cause's row in the table of its process.</summary>
    public static CauseRow Row(Cause cause, Process process) =>
        Of(process).FirstOrDefault(row => row.Cause == cause) ?? Table.Concat(TigCauses.Table).First(row => row.Cause == cause);
}
