using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Beads;

/// <summary>What the arc sounded like.</summary>
public enum Sound
{
    /// <summary>Even crackle, frying, a steady buzz.</summary>
    EvenCrackle,

    /// <summary>Hiss or trickle, a long soft arc, balls dropping.</summary>
    Hiss,

    /// <summary>Loud pops, stubbing, the wire pushing the torch back.</summary>
    Popping,

    /// <summary>Rattle and heavy pop, fluid loud puddle.</summary>
    Rattle,

    /// <summary>Sputter, at the start or throughout.</summary>
    Sputter,
}

/// <summary>The bead's cross profile.</summary>
public enum Profile
{
    /// <summary>Slightly rounded, as it should be.</summary>
    SlightlyConvex,

    /// <summary>Flat.</summary>
    Flat,

    /// <summary>Tall, narrow, ropy.</summary>
    TallNarrow,

    /// <summary>Fat and heavy, metal piled up.</summary>
    PiledUp,

    /// <summary>Sunk below the plate, wide.</summary>
    Sunk,

    /// <summary>Thin, splotchy, in bulbous pieces.</summary>
    Lumpy,
}

/// <summary>How the bead meets the plate at its edges.</summary>
public enum Toes
{
    /// <summary>Blended in.</summary>
    Blended,

    /// <summary>Cold: lying on top, rolled over.</summary>
    Cold,

    /// <summary>A groove along the toe.</summary>
    Undercut,
}

/// <summary>The band of heat tint beside the bead.</summary>
public enum Tint
{
    /// <summary>None to be seen.</summary>
    None,

    /// <summary>Thin.</summary>
    Thin,

    /// <summary>Even, the same on both sides.</summary>
    Even,

    /// <summary>Wide.</summary>
    Wide,
}

/// <summary>Spatter around the bead.</summary>
public enum Spatter
{
    /// <summary>Little or none.</summary>
    Little,

    /// <summary>Fine.</summary>
    Fine,

    /// <summary>Big beads.</summary>
    Big,
}

/// <summary>The ripples of the bead.</summary>
public enum Ripple
{
    /// <summary>Even.</summary>
    Even,

    /// <summary>Uneven, width wandering.</summary>
    Uneven,

    /// <summary>Drawn out to points.</summary>
    Stretched,
}

/// <summary>Faults that can be seen.</summary>
public enum Fault
{
    /// <summary>Pinholes: porosity at the surface.</summary>
    Pinholes,

    /// <summary>A hole burnt through.</summary>
    Hole,

    /// <summary>One leg plainly longer than the other.</summary>
    UnequalLegs,

    /// <summary>A crack.</summary>
    Crack,

    /// <summary>A crater left open at the end.</summary>
    OpenCrater,

    /// <summary>Slag trapped in the bead.</summary>
    SlagTrapped,
}

/// <summary>What the far side shows.</summary>
public enum Penetration
{
    /// <summary>Looked, and nothing shows.</summary>
    NoneSeen,

    /// <summary>Heat tint behind.</summary>
    TintBehind,

    /// <summary>A mark evenly through on the back.</summary>
    BackMark,
}

/// <summary>What the hand felt.</summary>
public enum Feel
{
    /// <summary>The torch lay still in the hand.</summary>
    Steady,

    /// <summary>The wire stabbed the plate and pushed the torch back.</summary>
    PushedBack,

    /// <summary>A long soft arc, balls dropping.</summary>
    LongArc,

    /// <summary>A fluid puddle that would not stay.</summary>
    Runny,

    /// <summary>The wire came in jerks.</summary>
    Jerky,
}

/// <summary>How warm the plate was before the bead, by a hand held near.</summary>
public enum PlateWarmth
{
    /// <summary>As cold as the shop.</summary>
    Cold,

    /// <summary>Warm.</summary>
    Warm,

    /// <summary>Too hot for a hand.</summary>
    Hot,
}

/// <summary>The tip of the tungsten after a TIG bead.</summary>
public enum Tungsten
{
    /// <summary>As it was ground.</summary>
    Pointed,

    /// <summary>A ball on it.</summary>
    Balled,

    /// <summary>Burnt back, dark.</summary>
    BurntBack,

    /// <summary>Dipped: metal on it.</summary>
    Dipped,
}

/// <summary>The colour beside a bead on stainless, titanium or nickel.</summary>
public enum TintColour
{
    /// <summary>Silver.</summary>
    Silver,

    /// <summary>Straw.</summary>
    Straw,

    /// <summary>Purple.</summary>
    Purple,

    /// <summary>Blue.</summary>
    Blue,

    /// <summary>Grey, sugared.</summary>
    Grey,
}

/// <summary>What swam in the TIG puddle.</summary>
public enum Puddle
{
    /// <summary>Clear as a mirror.</summary>
    Clear,

    /// <summary>Specks in it.</summary>
    Specks,

    /// <summary>A skin that would not open.</summary>
    Skin,
}

/// <summary>Soot on aluminium.</summary>
public enum Soot
{
    /// <summary>None.</summary>
    None,

    /// <summary>Black, brushes off: a symptom, not a fault.</summary>
    BrushesOff,

    /// <summary>Stays when brushed.</summary>
    Stays,
}

/// <summary>What an intensity can be said of.</summary>
public enum Noted
{
#pragma warning disable CS1591 // the members of Evidence of the same name
    Sound,
    Feel,
    Profile,
    Toes,
    Tint,
    Spatter,
    Ripple,
#pragma warning restore CS1591
}

/// <summary>How strongly something showed.</summary>
public enum Strength
{
    /// <summary>A touch of it; counts half.</summary>
    Slight,

    /// <summary>Plain; what is noted without a strength.</summary>
    Plain,

    /// <summary>As bad as it gets; counts half as much again.</summary>
    Strong,
}

/// <summary>What a recording says the arc sounded like.</summary>
/// <param name="Sound">In the trade's words.</param>
/// <param name="Confidence">How sure, 0 to 1.</param>
/// <param name="ShortRate">Short circuits a second, from a log; null from sound.</param>
public sealed record Listened(Sound Sound, double Confidence, double? ShortRate);

/// <summary>What was heard, felt, seen and measured of a bead. Null means not looked at, and never counts as good.</summary>
/// <param name="Sound">The arc.</param>
/// <param name="Profile">The cross profile.</param>
/// <param name="Toes">The edges.</param>
/// <param name="Tint">The tint beside the bead.</param>
/// <param name="Spatter">Spatter.</param>
/// <param name="Ripple">Ripples.</param>
/// <param name="Faults">Faults seen; empty when none.</param>
/// <param name="Penetration">The far side.</param>
/// <param name="BeadSize">Leg of a fillet on the lower plate, width of a bead on plate, or hole, if measured; 0.5 to 50 mm.</param>
/// <param name="StickOut">Stick-out, if measured; 1 to 50 mm.</param>
/// <param name="Feel">The hand.</param>
/// <param name="Plate">The plate before the bead.</param>
/// <param name="Measured">Ruler, gauge, watch and read-outs.</param>
/// <param name="Tungsten">TIG: the tip afterwards.</param>
/// <param name="Colour">Colour of the tint, on stainless, titanium and nickel.</param>
/// <param name="Puddle">TIG: what swam in the puddle.</param>
/// <param name="Soot">Aluminium: soot.</param>
/// <param name="Macro">What a cut and etched section measured.</param>
/// <param name="Face">What a picture of its face measured.</param>
/// <param name="Back">What a picture of its back measured.</param>
/// <param name="Strengths">How strongly; what is left out is plain.</param>
/// <param name="Listened">What a recording says beside the ear; the ear leads.</param>
/// <param name="Along">Where along the bead what is wrong lies.</param>
/// <param name="Start">Fed wire: how the arc started.</param>
/// <param name="Tip">Fed wire: contact tip and nozzle afterwards.</param>
/// <param name="Gas">Gas at the nozzle.</param>
/// <param name="Light">The light of the arc.</param>
/// <param name="Lean">How far the torch leaned along the bead.</param>
public sealed record Evidence(
    Sound? Sound = null,
    Profile? Profile = null,
    Toes? Toes = null,
    Tint? Tint = null,
    Spatter? Spatter = null,
    Ripple? Ripple = null,
    IReadOnlyList<Fault>? Faults = null,
    Penetration? Penetration = null,
    Length? BeadSize = null,
    Length? StickOut = null,
    Feel? Feel = null,
    PlateWarmth? Plate = null,
    Measures? Measured = null,
    Tungsten? Tungsten = null,
    TintColour? Colour = null,
    Puddle? Puddle = null,
    Soot? Soot = null,
    MacroMeasures? Macro = null,
    FaceMeasures? Face = null,
    BackMeasures? Back = null,
    IReadOnlyDictionary<Noted, Strength>? Strengths = null,
    Listened? Listened = null,
    Along? Along = null,
    Start? Start = null,
    TipAfter? Tip = null,
    GasAtNozzle? Gas = null,
    ArcLight? Light = null,
    TorchLean? Lean = null
)
{
    /// <summary>What the arc sounded like: by the ear, and where nobody noted it by the recording.</summary>
    public Sound? SoundHeard() => Sound ?? Listened?.Sound;

    /// <summary>What the far side shows: by a look, and where nobody noted it by a picture; null when neither.</summary>
    public Penetration? PenetrationSeen() => Penetration ?? Back?.Shows;

    /// <summary>The size of the bead as its joint measures it: by gauge, from the section, off a picture; null when not measured.</summary>
    public Length? SizeBy(BeadMeasure measure) =>
        BeadSize
        ?? (Macro, measure) switch
        {
            ({ LowerLeg: { } lower, UpperLeg: { } upper }, BeadMeasure.Leg) => lower < upper ? lower : upper,
            ({ } macro, BeadMeasure.Width) => macro.Width,
            _ => (Length?)null,
        }
        ?? measure switch
        {
            BeadMeasure.Leg => Face?.Leg?.Value,
            BeadMeasure.Width => Face?.Width.Value,
            _ => null,
        };

    /// <summary>Length of the bead: by ruler, or from a picture; null when not measured.</summary>
    public Length? LengthLaid() => Measured?.BeadLength ?? Face?.Length.Value;

    /// <summary>Travel speed from the bead's length and the arc's time; null while one of them is missing.</summary>
    public TravelSpeed? Travel() =>
        LengthLaid() is { } length && Measured?.ArcSeconds is > 0 and var seconds
            ? TravelSpeed.FromMmPerMin(length.Mm / seconds * 60)
            : null;

    /// <summary>Faults seen; never null.</summary>
    public IReadOnlyList<Fault> Faults { get; init; } = Faults ?? [];

    /// <summary>Strengths said; never null.</summary>
    public IReadOnlyDictionary<Noted, Strength> Strengths { get; init; } = Strengths ?? new Dictionary<Noted, Strength>();

    /// <summary>What lies outside its range or is missing, by JSON field.</summary>
    /// <param name="measure">How this joint's bead is measured.</param>
    public IEnumerable<Problem> Problems(BeadMeasure measure)
    {
        if (IsEmpty())
            yield return new("evidence", Say($"Note at least the sound, or one look."));
        if (BeadSize is { Mm: < 0.5 or > 50 })
            yield return new("evidence.beadSizeMm", Between(measure.Words(), 0.5));
        if (StickOut is { Mm: < 1 or > 50 })
            yield return new("evidence.stickOutMm", Between(Say($"stick-out"), 1));
        foreach (var problem in Measured?.Problems() ?? [])
            yield return problem.Under("evidence.measured");
    }

    private static Said Between(Said what, double least) => Say($"A {what} between {Length.FromMm(least)} and {Length.FromMm(50)}.");

    /// <summary>Whether nothing at all was noted.</summary>
    public bool IsEmpty() =>
        SoundHeard() is null
        && Profile is null
        && Toes is null
        && Tint is null
        && Spatter is null
        && Ripple is null
        && Faults.Count == 0
        && Penetration is null
        && BeadSize is null
        && StickOut is null
        && Feel is null
        && Tungsten is null
        && Colour is null
        && Puddle is null
        && Soot is null
        && Macro is null
        && Face is null
        && Back is null
        && Along is null
        && Start is null
        && Tip is null
        && Gas is null
        && Light is null
        && Lean is null
        && (Measured is null || Measured.IsEmpty());
}
