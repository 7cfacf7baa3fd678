using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Tests.Judging;

/// <summary>Worked cases of TIG on DC and AC. Common practice, no source; the trade's own rows are marked.</summary>
internal static class WorkedTig
{
    private static readonly Evidence Right = new(
        Sound.EvenCrackle,
        Profile.SlightlyConvex,
        Toes.Blended,
        Tint.Even,
        Ripple: Ripple.Even,
        Tungsten: Tungsten.Pointed,
        Puddle: Puddle.Clear
    );

    private static readonly Evidence RightAc = new(
        Sound.EvenCrackle,
        Profile.SlightlyConvex,
        Toes.Blended,
        Ripple: Ripple.Even,
        Puddle: Puddle.Clear
    );

    // csharpier-ignore
    /// <summary>All of them.</summary>
    public static IReadOnlyList<WorkedCase> All { get; } =
    [
        new("TIG: stainless, straw, all right", "tig", 1, 0, Right with { Colour = TintColour.Straw, Penetration = Penetration.BackMark },
            Cause.NothingWrong, true),
        new("TIG: stainless, blue and wide, amps up", "tig", 1.35, 0, new(Profile: Profile.Sunk, Tint: Tint.Wide, Colour: TintColour.Blue),
            Cause.AmpsHigh),
        new("TIG: stainless, amps down, puddle will not form", "tig", 0.65, 0, new(Profile: Profile.TallNarrow, Toes: Toes.Cold,
            Penetration: Penetration.NoneSeen), Cause.AmpsLow),
        new("TIG: stainless, grey, valve shut", "tig", 1, 0, new(Colour: TintColour.Grey, Gas: GasAtNozzle.Nothing,
            Faults: [Fault.Pinholes]), Cause.GasLost, true),
        new("TIG: stainless, grey under the fan, gas flows", "tig", 1, 0, new(Colour: TintColour.Grey, Gas: GasAtNozzle.Flows),
            Cause.Draught),
        new("TIG: stainless, touched the puddle", "tig", 1, 0, new(Tungsten: Tungsten.Dipped, Puddle: Puddle.Specks), Cause.TungstenDipped,
            true),
        new("TIG: stainless, end of reach grey", "tig", 1, 0, new(Colour: TintColour.Grey, Along: Along.AtEnd), Cause.TorchSwung),
        new("TIG: stainless, hot piece, sinks", "tig", 1, 0, new(Profile: Profile.Sunk, Plate: PlateWarmth.Hot, Tint: Tint.Wide,
            Feel: Feel.Runny), Cause.PlateHot),
        new("TIG: stainless, hole, amps up", "tig", 1.4, 0, new(Faults: [Fault.Hole], Feel: Feel.Runny), Cause.AmpsHigh),
        new("TIG: stainless, hole, stood still", "tig", 1, 0, new(Faults: [Fault.Hole], Plate: PlateWarmth.Cold,
            Measured: new(BeadLength: Length.FromMm(40), ArcSeconds: 50)), Cause.TravelSlow),
        new("TIG: stainless, dish at the end", "tig", 1, 0, Right with { Faults = [Fault.OpenCrater] }, Cause.CraterOpen),
        new("TIG: stainless, ripples wander", "tig", 1, 0, Right with { Ripple = Ripple.Uneven }, Cause.UnevenHand),
        new("TIG: stainless, ball on the point, leads changed", "tig", 1, 0, new(Tungsten: Tungsten.Balled,
            Penetration: Penetration.NoneSeen), Cause.WrongPolarity, true),
        new("TIG: steel, amps low, toes cold", "tig steel", 0.7, 0, new(Toes: Toes.Cold, Profile: Profile.TallNarrow, Tint: Tint.Thin),
            Cause.AmpsLow),
        new("TIG: steel, amps high, undercut and wide", "tig steel", 1.35, 0, new(Toes: Toes.Undercut, Profile: Profile.Sunk,
            Tint: Tint.Wide), Cause.AmpsHigh),
        new("TIG: steel, scale left on: specks", "tig steel", 1, 0, new(Sound.Sputter, Puddle: Puddle.Specks, Tungsten: Tungsten.Pointed),
            Cause.DirtyPlate, true),
        new("TIG: steel, holes, gas shut", "tig steel", 1, 0, new(Faults: [Fault.Pinholes], Gas: GasAtNozzle.Nothing), Cause.GasLost, true),
        new("TIG: steel, holes, door open, gas flows", "tig steel", 1, 0, new(Faults: [Fault.Pinholes], Gas: GasAtNozzle.Flows,
            Puddle: Puddle.Clear, Tungsten: Tungsten.Pointed), Cause.Draught),
        new("TIG: steel, arc long, hisses, wide", "tig steel", 1, 0, new(Tint: Tint.Wide, Feel: Feel.LongArc), Cause.ArcLong, true),
        new("TIG: steel, arc long, undercut, volts read high", "tig steel", 1, 0, new(Toes: Toes.Undercut, Feel: Feel.LongArc,
            Tint: Tint.Wide, Ripple: Ripple.Uneven), Cause.ArcLong),
        new("TIG: steel, rod heaped", "tig steel", 1, 0, new(Profile: Profile.PiledUp, Toes: Toes.Cold, BeadSize: Length.FromMm(6.5)),
            Cause.FillerMuch),
        new("TIG: steel, rod starved, under size, groove", "tig steel", 1, 0, new(Profile: Profile.Sunk, Toes: Toes.Undercut,
            Tint: Tint.Even, BeadSize: Length.FromMm(2)), Cause.FillerLittle),
        new("TIG: steel, drawn out, timed fast", "tig steel", 1, 0, new(Ripple: Ripple.Stretched, Tint: Tint.Thin,
            BeadSize: Length.FromMm(2.2)), Cause.TravelFast),
        new("TIG: steel, timed slow, wide tint", "tig steel", 1, 0, new(Tint: Tint.Wide, Profile: Profile.Sunk,
            Measured: new(BeadLength: Length.FromMm(40), ArcSeconds: 60)), Cause.TravelSlow),
        new("TIG: steel, arc dragged aside", "tig steel", 1, 0, new(Light: ArcLight.Wandering, Toes: Toes.Undercut), Cause.ArcBlow),
        new("TIG: steel, crack down the middle", "tig steel", 1, 0, Right with { Faults = [Fault.Crack] }, Cause.Cracked),
        new("TIG: steel, clamp on scale: arc flickers", "tig steel", 1, 0, new(Sound.Sputter, Feel: Feel.Jerky, Puddle: Puddle.Clear,
            Tungsten: Tungsten.Pointed), Cause.PoorClamp),
        new("TIG: AC, puddle bright, all right", "tig ac", 1, 0, RightAc, Cause.NothingWrong, true),
        new("TIG: AC, soot brushes off, bright", "tig ac", 1, 0, RightAc with { Soot = Soot.BrushesOff }, Cause.NothingWrong, true),
        new("TIG: AC, amps down, will not wet", "tig ac", 0.68, 0, new(Profile: Profile.TallNarrow, Toes: Toes.Cold), Cause.AmpsLow),
        new("TIG: AC, amps up, falls through", "tig ac", 1.4, 0, new(Faults: [Fault.Hole], Profile: Profile.Sunk, Feel: Feel.Runny),
            Cause.AmpsHigh),
        new("TIG: AC, skin stays on the puddle", "tig ac", 1, 0, new(Puddle: Puddle.Skin), Cause.BalanceOff),
        new("TIG: AC, ball grows, balance too far to plus", "tig ac", 1, 0, new(Tungsten: Tungsten.BurntBack, Puddle: Puddle.Clear),
            Cause.BalanceOff),
        new("TIG: AC, holes, soot that stays, no gas", "tig ac", 1, 0, new(Faults: [Fault.Pinholes], Soot: Soot.Stays,
            Gas: GasAtNozzle.Nothing), Cause.GasLost),
        new("TIG: AC, dipped", "tig ac", 1, 0, new(Sound.Popping, Tungsten: Tungsten.Dipped, Puddle: Puddle.Specks), Cause.TungstenDipped),
        new("TIG: AC, specks, plate not brushed", "tig ac", 1, 0, new(Sound.Sputter, Puddle: Puddle.Specks, Gas: GasAtNozzle.Flows),
            Cause.DirtyPlate, true),
        new("TIG: AC, sinks more the further it goes", "tig ac", 1, 0, new(Profile: Profile.Sunk, Feel: Feel.Runny, Along: Along.Worse),
            Cause.PlateHot, true),
        new("TIG: AC, rod heaped, cold toes", "tig ac", 1, 0, new(Profile: Profile.PiledUp, Toes: Toes.Cold, BeadSize: Length.FromMm(8)),
            Cause.FillerMuch),
        new("TIG: AC, ripples wander", "tig ac", 1, 0, RightAc with { Ripple = Ripple.Uneven }, Cause.UnevenHand),
        new("TIG: AC, one leg long", "tig ac", 1, 0, RightAc with { Faults = [Fault.UnequalLegs] }, Cause.WorkAngle),
    ];
}
