using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>A bead as an instructor would tell it, and what is behind it.</summary>
/// <param name="Name">In a few words.</param>
/// <param name="Job">Which of the jobs below.</param>
/// <param name="Wire">Wire against the sheet's, 1 for on it; for TIG the amps.</param>
/// <param name="Volts">Volts against the sheet's aim.</param>
/// <param name="Evidence">What was noted.</param>
/// <param name="Cause">What is behind it.</param>
/// <param name="FromTheTrade">Whether it is a row of the trade's tables of sound and look: common practice, no source. The others are our
/// own working of the same tables.</param>
internal sealed record WorkedCase(
    string Name,
    string Job,
    double Wire,
    double Volts,
    Evidence Evidence,
    Cause Cause,
    bool FromTheTrade = false
);

/// <summary>Worked cases, common practice, no source.</summary>
internal static class WorkedCases
{
    // One whose volts reach up to spray.
    private static readonly Machine Wide = Room.Digital with { VoltControl = new(ControlKind.Digital, 12, 40, 0.1, "V", []) };

    private static readonly Dictionary<string, (Sheet Sheet, Machine Machine)> Jobs = new()
    {
        ["dip"] = Made(new Job(Thickness.Parse("1/8"), Joint.T, Position.Horizontal, Core.Stock.Wire.Solid08), Room.KnobAndTaps),
        ["plate"] = Made(new Job(Thickness.Parse("1/8"), Joint.BeadOnPlate, Position.Flat, Core.Stock.Wire.Solid09), Room.Digital),
        ["thin"] = Made(new Job(Thickness.Parse("1.0"), Joint.Lap, Position.Flat, Core.Stock.Wire.Solid06), Room.Digital),
        ["overhead"] = Made(new Job(Thickness.Parse("3"), Joint.T, Position.Overhead, Core.Stock.Wire.Solid08), Room.Digital),
        ["pulsed"] = Made(
            new Job(Thickness.Parse("6"), Joint.T, Position.Flat, Core.Stock.Wire.Solid12, Process.GmawPulsed, Gas: Gas.ArgonCarbon10),
            Room.Digital with
            {
                VoltControl = new(ControlKind.Digital, 12, 40, 0.1, "V", []),
                Programs = [new(1, Core.Stock.Wire.Solid12, Gas.ArgonCarbon10, Process.GmawPulsed)],
            }
        ),
        ["shielded"] = Made(
            new Job(Thickness.Parse("3/8"), Joint.T, Position.Flat, Core.Stock.Wire.GasShielded12, Process.FcawGasShielded),
            Wide
        ),
        ["globular"] = Made(
            new Job(Thickness.Parse("3/16"), Joint.T, Position.Flat, Core.Stock.Wire.Solid08, Process.GmawGlobular),
            Room.Digital
        ),
        ["spray"] = Made(
            new Job(Thickness.Parse("3/8"), Joint.T, Position.Flat, Core.Stock.Wire.Solid12, Process.GmawSpray, Gas: Gas.ArgonCarbon10),
            Wide
        ),
        ["cored"] = Made(
            new Job(
                Thickness.Parse("1/8"),
                Joint.T,
                Position.Flat,
                Core.Stock.Wire.SelfShielded09,
                Process.FcawSelfShielded,
                Gas: Gas.None
            ),
            Room.Digital
        ),
        ["thick"] = Made(
            new Job(Thickness.Parse("16"), Joint.T, Position.Flat, Core.Stock.Wire.Solid12, Process.GmawSpray, Gas: Gas.ArgonCarbon10),
            Wide
        ),
        ["tig thick"] = Made(
            new Job(Thickness.Parse("8"), Joint.T, Position.Flat, null, Process.GtawAc, Metal.Aluminium, Gas.Argon),
            Room.Digital with
            {
                AmpControl = Room.Amps,
                HasAc = true,
            }
        ),
        ["aluminium"] = Made(
            new Job(
                Thickness.Parse("1/4"),
                Joint.T,
                Position.Flat,
                Core.Stock.Wire.Aluminium12,
                Process.GmawSpray,
                Metal.Aluminium,
                Gas.Argon
            ),
            Wide
        ),
        ["tig"] = Made(
            new Job(Thickness.Parse("1.5"), Joint.SquareButt, Position.Flat, null, Process.GtawDc, Metal.Stainless, Gas.Argon),
            Room.Digital with
            {
                AmpControl = Room.Amps,
            }
        ),
        ["tig steel"] = Made(
            new Job(Thickness.Parse("3"), Joint.T, Position.Horizontal, null, Process.GtawDc, Metal.MildSteel, Gas.Argon),
            Room.Digital with
            {
                AmpControl = Room.Amps,
            }
        ),
        ["tig ac"] = Made(
            new Job(Thickness.Parse("3"), Joint.T, Position.Flat, null, Process.GtawAc, Metal.Aluminium, Gas.Argon),
            Room.Digital with
            {
                AmpControl = Room.Amps,
                HasAc = true,
            }
        ),
    };

    public static readonly Evidence Good = new(
        Sound.EvenCrackle,
        Profile.SlightlyConvex,
        Toes.Blended,
        Tint.Even,
        Spatter.Little,
        Ripple.Even,
        [],
        Penetration.TintBehind,
        Feel: Feel.Steady
    );

    private static readonly Evidence GoodTig = Good with { Tungsten = Tungsten.Pointed, Puddle = Puddle.Clear };

    // csharpier-ignore
    private static IReadOnlyList<WorkedCase> FromTheTables { get; } =
    [
        // The trade's table of sound and feel.
        new("even crackle and all as it should be", "dip", 1, 0, Good, Cause.NothingWrong, true),
        new("hiss, long soft arc, balls dropping: volts turned up", "dip", 1, 3.5, new(Sound.Hiss, Feel: Feel.LongArc), Cause.VoltsHigh,
            true),
        new("hiss, long soft arc: wire turned down", "dip", 0.6, 0, new(Sound.Hiss, Feel: Feel.LongArc), Cause.WireLow, true),
        new("loud pops, torch pushed back: volts turned down", "dip", 1, -3, new(Sound.Popping, Feel: Feel.PushedBack), Cause.VoltsLow,
            true),
        new("machine-gun, wire stabbing: wire turned up", "dip", 1.35, 0, new(Sound.Popping, Feel: Feel.PushedBack), Cause.WireHigh, true),
        new("pops at right settings with the tip far out", "dip", 1, 0, new(Sound.Popping, StickOut: Length.FromMm(19)),
            Cause.StickOutLong, true),
        new("rattle, heavy pop, fluid puddle: both high", "dip", 1.35, 2.5, new(Sound.Rattle, Spatter: Spatter.Big, Feel: Feel.Runny),
            Cause.PairHot, true),
        new("rattle is right for globular", "globular", 1, 0, new(Sound.Rattle, Profile.SlightlyConvex, Toes.Blended, Tint.Even,
            Penetration: Penetration.TintBehind), Cause.NothingWrong, true),
        new("sputter throughout on mill scale", "dip", 1, 0, new(Sound.Sputter, Spatter: Spatter.Big, Toes: Toes.Blended),
            Cause.DirtyPlate, true),
        new("smooth hiss is right for spray", "spray", 1, 0, new(Sound.Hiss, Profile.Flat, Toes.Blended, Tint.Even, Spatter.Little,
            Ripple.Even, [], Penetration.TintBehind), Cause.NothingWrong, true),
        new("crackle in spray: volts under it", "spray", 1, -4, new(Sound.EvenCrackle, Profile.TallNarrow, Spatter: Spatter.Big),
            Cause.VoltsLow, true),

        // The trade's table of looks.
        new("tall, ropy, cold toes, thin tint: volts low for the wire", "dip", 1, -2.5, new(Sound.Popping, Profile.TallNarrow, Toes.Cold,
            Tint.Thin, Penetration: Penetration.NoneSeen), Cause.VoltsLow, true),
        new("tall, ropy, sounds right: wire and current low for the plate", "dip", 0.7, -2.5, new(Sound.EvenCrackle, Profile.TallNarrow,
            Toes.Cold, Tint.Thin, Penetration: Penetration.NoneSeen), Cause.PairCold, true),
        new("fat and heavy, torch pushed back, no tint", "dip", 1.35, -0.5, new(Sound.Popping, Profile.PiledUp, Toes.Cold, Tint.None,
            Feel: Feel.PushedBack), Cause.WireHigh, true),
        new("thin, splotchy, bulbous pieces", "dip", 0.55, 0, new(Sound.Hiss, Profile.Lumpy), Cause.WireLow, true),
        new("wide, sunk, wide tint: too hot", "dip", 1.3, 2.5, new(Sound.EvenCrackle, Profile.Sunk, Toes.Blended, Tint.Wide),
            Cause.PairHot, true),
        new("wide, sunk on right settings, plate hot to the hand", "dip", 1, 0, new(Sound.EvenCrackle, Profile.Sunk, Toes.Blended,
            Tint.Wide, Plate: PlateWarmth.Hot), Cause.PlateHot, true),
        new("wide, sunk, end sagging: too slow", "dip", 1, 0, new(Sound.EvenCrackle, Profile.Sunk, Tint: Tint.Wide,
            BeadSize: Length.FromMm(7), Plate: PlateWarmth.Cold, Measured: new(BeadLength: Length.FromMm(60), ArcSeconds: 24)),
            Cause.TravelSlow, true),
        new("hole: much too hot for the thickness", "dip", 1.35, 2.5, new(Sound.EvenCrackle, Profile.Sunk, Tint: Tint.Wide,
            Faults: [Fault.Hole]), Cause.PairHot, true),
        new("hole on a hot plate", "dip", 1, 0, new(Sound.EvenCrackle, Tint: Tint.Wide, Faults: [Fault.Hole], Plate: PlateWarmth.Hot),
            Cause.PlateHot, true),
        new("big beads of spatter, hiss: volts high", "dip", 1, 3.5, new(Sound.Hiss, Spatter: Spatter.Big), Cause.VoltsHigh, true),
        new("undercut, wide tint, volts high", "dip", 1, 3, new(Sound.Hiss, Profile.Flat, Toes.Undercut, Tint.Wide), Cause.VoltsHigh, true),
        new("undercut, ripples drawn out: travel fast", "dip", 1, 0, new(Sound.EvenCrackle, Profile.SlightlyConvex, Toes.Undercut,
            Tint.Thin, Ripple: Ripple.Stretched), Cause.TravelFast, true),
        new("undercut and unequal legs: angle", "dip", 1, 0, new(Sound.EvenCrackle, Profile.SlightlyConvex, Toes.Undercut, Tint.Even,
            Faults: [Fault.UnequalLegs]), Cause.WorkAngle, true),
        new("pinholes: gas", "dip", 1, 0, Good with { Faults = [Fault.Pinholes] }, Cause.GasLost, true),
        new("pinholes and a long tip: stick-out", "dip", 1, 0, new(Sound.Popping, Profile.TallNarrow, Faults: [Fault.Pinholes],
            StickOut: Length.FromMm(22)), Cause.StickOutLong, true),
        new("ripples uneven, width wandering: the hand", "dip", 1, 0, Good with { Ripple = Ripple.Uneven }, Cause.UnevenHand, true),
        new("legs unequal: work angle", "dip", 1, 0, Good with { Faults = [Fault.UnequalLegs] }, Cause.WorkAngle, true),
        new("mark evenly through on the back of thin plate is right", "tig", 1, 0, GoodTig with { Penetration = Penetration.BackMark,
            Colour = TintColour.Straw }, Cause.NothingWrong, true),
        new("soot on aluminium that brushes off is no fault", "aluminium", 1, 0, new(Sound.Hiss, Profile.SlightlyConvex, Toes.Blended,
            Spatter: Spatter.Little, Ripple: Ripple.Even, Soot: Soot.BrushesOff, Penetration: Penetration.TintBehind), Cause.NothingWrong,
            true),
        new("tungsten burning back, ball on the tip on DC: torch on plus", "tig steel", 1, 0, new(Profile: Profile.Flat,
            Penetration: Penetration.NoneSeen, Tungsten: Tungsten.Balled), Cause.WrongPolarity, true),
        new("slag trapped, pushed instead of dragged", "cored", 1, 0, new(Sound.EvenCrackle, Profile.SlightlyConvex, Toes.Blended,
            Faults: [Fault.SlagTrapped]), Cause.WrongDirection, true),
        new("wire jerks, sputter: feed", "dip", 1, 0, new(Sound.Sputter, Profile.Lumpy, Ripple: Ripple.Uneven, Feel: Feel.Jerky),
            Cause.WireSlipping, true),
        new("sounds right and stands tall: the whole pair is cold", "plate", 0.75, -2, new(Sound.EvenCrackle, Profile.TallNarrow,
            Toes.Cold), Cause.PairCold, true),

        // Our own working of the same tables.
        new("a little short on volts", "plate", 1, -3, new(Sound.Popping, Profile.TallNarrow), Cause.VoltsLow),
        new("volts low, toes cold, nothing behind", "plate", 1, -3.5, new(Sound.Popping, Profile.TallNarrow, Toes.Cold, Tint.None,
            Penetration: Penetration.NoneSeen, Feel: Feel.PushedBack), Cause.VoltsLow),
        new("too much wire on a bead on plate", "plate", 1.4, 0, new(Sound.Popping, Profile.PiledUp, Tint: Tint.None,
            BeadSize: Length.FromMm(13)), Cause.WireHigh),
        new("too little wire on a bead on plate", "plate", 0.6, 0.5, new(Sound.Hiss, Profile.Lumpy, BeadSize: Length.FromMm(4)),
            Cause.WireLow),
        new("volts high on a bead on plate", "plate", 1, 4, new(Sound.Hiss, Profile.Flat, Toes.Undercut, Spatter: Spatter.Big),
            Cause.VoltsHigh),
        new("hot pair on a bead on plate", "plate", 1.35, 2.5, new(Sound.EvenCrackle, Profile.Sunk, Tint: Tint.Wide, Feel: Feel.Runny),
            Cause.PairHot),
        new("hot pair with a rattle", "plate", 1.4, 3, new(Sound.Rattle, Profile.Sunk, Tint: Tint.Wide, Spatter: Spatter.Big),
            Cause.PairHot),
        new("travel timed fast", "dip", 1, 0, new(Sound.EvenCrackle, Profile.SlightlyConvex, Tint: Tint.Thin, BeadSize: Length.FromMm(2.4),
            Measured: new(BeadLength: Length.FromMm(150), ArcSeconds: 12)), Cause.TravelFast),
        new("travel timed slow, bead over size", "dip", 1, 0, new(Sound.EvenCrackle, Profile.PiledUp, BeadSize: Length.FromMm(8),
            Measured: new(BeadLength: Length.FromMm(60), ArcSeconds: 25)), Cause.TravelSlow),
        new("right marks, hiss, little metal, display never measured", "plate", 1, 0, new(Sound.Hiss, Profile.Lumpy, Toes.Cold, Tint.Thin,
            BeadSize: Length.FromMm(4), Feel: Feel.LongArc, StickOut: Length.FromMm(9), Measured: new(ArcAmps: Current.FromAmps(95))),
            Cause.ReadOutOff),
        new("right marks, stubs, much metal, more amps read, display never measured", "plate", 1, 0, new(Sound.Popping, Profile.PiledUp,
            BeadSize: Length.FromMm(12), Feel: Feel.PushedBack, Measured: new(ArcAmps: Current.FromAmps(155))), Cause.ReadOutLow),
        new("amps low with a long tip", "plate", 1, 0, new(Sound.Popping, StickOut: Length.FromMm(18),
            Measured: new(ArcAmps: Current.FromAmps(100))), Cause.StickOutLong),
        new("volts at the arc two under what is set, sputter at the start", "dip", 1, 0, new(Sound.Sputter, Tint: Tint.Thin,
            Measured: new(ArcVolts: Voltage.FromVolts(17.5))), Cause.PoorClamp),
        new("volts at the arc over what is set", "plate", 1, 0, new(Sound.Hiss, Measured: new(ArcVolts: Voltage.FromVolts(22.5),
            ArcAmps: Current.FromAmps(125))), Cause.VoltsReadOff),
        new("thicker wire than the machine is set for", "dip", 1, 0, new(Sound.Popping, Profile.PiledUp, BeadSize: Length.FromMm(7),
            Measured: new(ArcAmps: Current.FromAmps(190), BeadLength: Length.FromMm(100), ArcSeconds: 14)), Cause.WrongWire),
        new("wrong polarity: big spatter, nothing behind, sputter", "dip", 1, 0, new(Sound.Sputter, Profile.TallNarrow, Toes.Cold,
            Spatter: Spatter.Big, Penetration: Penetration.NoneSeen), Cause.WrongPolarity),
        new("wrong gas: rattle and big spatter at right settings", "dip", 1, 0, new(Sound.Rattle, Profile.SlightlyConvex, Toes.Undercut,
            Spatter: Spatter.Big, Measured: new(ArcAmps: Current.FromAmps(140))), Cause.WrongGas),
        new("worn tip: sputter and uneven ripples, tip near enough", "dip", 1, 0, new(Sound.Sputter, Ripple: Ripple.Uneven,
            StickOut: Length.FromMm(8), Measured: new(ArcAmps: Current.FromAmps(118))), Cause.WornTip),
        new("crack in the crater", "dip", 1, 0, Good with { Faults = [Fault.Crack, Fault.OpenCrater] }, Cause.Cracked),
        new("crater left open", "dip", 1, 0, Good with { Faults = [Fault.OpenCrater] }, Cause.CraterOpen),
        new("section: root not reached, sounds right", "dip", 0.75, -2, new(Sound.EvenCrackle, Profile.TallNarrow, Macro: Section(0, 0)),
            Cause.PairCold),
        new("section: dark line on one plate, legs unequal", "dip", 1, 0, new(Sound.EvenCrackle, Profile.SlightlyConvex, Toes.Blended,
            Faults: [Fault.UnequalLegs], Macro: Section(0.4, 2)), Cause.WorkAngle),
        new("all right, proved by a section", "dip", 1, 0, Good with { Macro = Section(0.8, 0) }, Cause.NothingWrong),
        new("a slight hiss with volts plainly over", "dip", 1, 2.5, new(Sound.Hiss, Tint: Tint.Wide, Strengths: new Dictionary<Noted,
            Strength> { [Noted.Sound] = Strength.Slight }), Cause.VoltsHigh),
        new("strong popping with volts plainly under", "dip", 1, -3, new(Sound.Popping, Toes: Toes.Cold, Strengths: new Dictionary<Noted,
            Strength> { [Noted.Sound] = Strength.Strong }), Cause.VoltsLow),
        new("cored wire, pops: volts low", "cored", 1, -3, new(Sound.Popping, Profile.TallNarrow, Feel: Feel.PushedBack), Cause.VoltsLow),
        new("cored wire, hiss: volts high", "cored", 1, 3, new(Sound.Hiss, Toes: Toes.Undercut, Feel: Feel.LongArc), Cause.VoltsHigh),
        new("globular, cold: wire turned down", "globular", 0.7, -2, new(Sound.Rattle, Profile.TallNarrow, Toes.Cold), Cause.PairCold),
        new("aluminium, soot that stays and pinholes: gas", "aluminium", 1, 0, new(Sound.Hiss, Profile.SlightlyConvex,
            Faults: [Fault.Pinholes], Soot: Soot.Stays), Cause.GasLost),

        // TIG.
        new("TIG: current low, tall, nothing behind", "tig steel", 0.7, 0, new(Sound.EvenCrackle, Profile.TallNarrow, Toes.Cold, Tint.Thin,
            Penetration: Penetration.NoneSeen), Cause.AmpsLow),
        new("TIG: current high, sunk, wide tint", "tig steel", 1.4, 0, new(Sound.EvenCrackle, Profile.Sunk, Toes.Undercut, Tint.Wide,
            Feel: Feel.Runny), Cause.AmpsHigh),
        new("TIG: hole through thin sheet, current high", "tig", 1.35, 0, new(Sound.EvenCrackle, Faults: [Fault.Hole],
            Colour: TintColour.Blue), Cause.AmpsHigh),
        new("TIG: dipped", "tig steel", 1, 0, new(Sound.Sputter, Tungsten: Tungsten.Dipped, Puddle: Puddle.Specks), Cause.TungstenDipped),
        new("TIG: grey and pinholes: no cover", "tig", 1, 0, new(Sound.EvenCrackle, Faults: [Fault.Pinholes], Colour: TintColour.Grey),
            Cause.GasLost),
        new("TIG: specks, sputter, tungsten fine: dirt", "tig steel", 1, 0, new(Sound.Sputter, Tungsten: Tungsten.Pointed,
            Puddle: Puddle.Specks), Cause.DirtyPlate),
        new("TIG: skin that will not open on AC", "tig ac", 1, 0, new(Puddle: Puddle.Skin, Tungsten: Tungsten.Balled, Soot: Soot.None),
            Cause.BalanceOff),
        new("TIG: long arc, wide tint, wandering", "tig steel", 1, 0, new(Ripple: Ripple.Uneven, Tint: Tint.Wide, Toes: Toes.Undercut,
            Feel: Feel.LongArc), Cause.ArcLong),
        new("TIG: timed fast, drawn out", "tig steel", 1, 0, new(Profile: Profile.SlightlyConvex, Ripple: Ripple.Stretched,
            BeadSize: Length.FromMm(2), Measured: new(BeadLength: Length.FromMm(100), ArcSeconds: 35)), Cause.TravelFast),
        new("TIG: timed slow, blue, wide", "tig", 1, 0, new(Profile: Profile.Flat, Tint: Tint.Wide, Colour: TintColour.Blue,
            Measured: new(BeadLength: Length.FromMm(50), ArcSeconds: 40)), Cause.TravelSlow),
        new("TIG: piled up, over size: too much rod", "tig steel", 1, 0, new(Sound.EvenCrackle, Profile.PiledUp, Toes.Cold,
            BeadSize: Length.FromMm(7), Tungsten: Tungsten.Pointed), Cause.FillerMuch),
        new("TIG: sunk, under size, tint even: too little rod", "tig steel", 1, 0, new(Sound.EvenCrackle, Profile.Sunk, Toes.Undercut,
            Tint.Even, BeadSize: Length.FromMm(2), Plate: PlateWarmth.Cold, Measured: new(BeadLength: Length.FromMm(100), ArcSeconds: 60)),
            Cause.FillerLittle),
        new("TIG: all right on steel", "tig steel", 1, 0, GoodTig, Cause.NothingWrong),
        new("TIG: sinks on a hot plate", "tig ac", 1, 0, new(Sound.EvenCrackle, Profile.Sunk, Feel: Feel.Runny, Plate: PlateWarmth.Hot),
            Cause.PlateHot),
        // What stands beside the bead: where it is bad, start, tip, gas, light.
        new("pinholes, no gas at the nozzle", "dip", 1, 0, Good with { Faults = [Fault.Pinholes], Gas = GasAtNozzle.Nothing },
            Cause.GasLost, true),
        new("pinholes though gas flows and the nozzle is clear", "dip", 1, 0,
            Good with { Faults = [Fault.Pinholes], Gas = GasAtNozzle.Flows, Tip = TipAfter.Clear }, Cause.Draught, true),
        new("pinholes, spatter in the nozzle", "dip", 1, 0, Good with { Faults = [Fault.Pinholes], Tip = TipAfter.Clogged },
            Cause.NozzleShut, true),
        new("pinholes at the end of reach: torch swung round", "dip", 1, 0, Good with { Faults = [Fault.Pinholes], Along = Along.AtEnd },
            Cause.TorchSwung, true),
        new("wire touching at the trigger, fused in the tip", "dip", 1, 0, new(Start: Start.Touching, Tip: TipAfter.BurntBack),
            Cause.BurnBack, true),
        new("arc blown to one side", "plate", 1, 0, new(Sound.EvenCrackle, Toes: Toes.Undercut, Light: ArcLight.Wandering), Cause.ArcBlow),
        new("tip almost on the plate: 2 mm", "dip", 1, 0, new(Sound.Sputter, StickOut: Length.FromMm(2), Tip: TipAfter.Clogged),
            Cause.StickOutShort),
        new("sinks more the further it goes", "dip", 1, 0,
            new(Sound.EvenCrackle, Profile.Sunk, Toes.Blended, Tint.Wide, Along: Along.Worse, Feel: Feel.Runny), Cause.PlateHot, true),
        new("light swells and shrinks, hiss at high volts", "dip", 1, 2.5, new(Sound.Hiss, Light: ArcLight.Swelling),
            Cause.VoltsHigh, true),
        new("stutters at the start, volts read low", "dip", 1, 0,
            new(Sound.Sputter, Start: Start.Stuttering, Measured: new(ArcVolts: Voltage.FromVolts(17.5))), Cause.PoorClamp),
        new("TIG: grey at the end of reach", "tig", 1, 0,
            GoodTig with { Colour = TintColour.Grey, Along = Along.AtEnd, Puddle = null }, Cause.TorchSwung),
        new("TIG: grey, no gas", "tig", 1, 0,
            GoodTig with { Colour = TintColour.Grey, Gas = GasAtNozzle.Nothing, Puddle = null }, Cause.GasLost),
        new("TIG: grey though gas flows", "tig", 1, 0,
            GoodTig with { Colour = TintColour.Grey, Gas = GasAtNozzle.Flows, Puddle = null }, Cause.Draught),
        // How the torch leans, and what a thick cold plate does.
        new("torch leaning far over, pinholes", "dip", 1, 0, Good with { Faults = [Fault.Pinholes], Lean = TorchLean.FarOver },
            Cause.LeanOff, true),
        new("spray, torch far over, big spatter, undercut", "spray", 1, 0, new(Sound.Hiss, Profile.SlightlyConvex, Toes.Undercut,
            Spatter: Spatter.Big, Lean: TorchLean.FarOver), Cause.LeanOff),
        new("thick plate, right settings, cold toes, cold to the hand", "thick", 1, 0, new(Sound.Hiss, Profile.TallNarrow, Toes.Cold,
            Tint.Thin, Plate: PlateWarmth.Cold), Cause.PreheatLittle, true),
        new("thick plate: the start lies on top, the end fuses", "thick", 1, 0, new(Sound.Hiss, Profile.SlightlyConvex, Toes.Cold,
            Along: Along.AtStart), Cause.PreheatLittle),
        new("thick plate set cold is still cold", "thick", 0.75, -2, new(Sound.Hiss, Profile.TallNarrow, Toes.Cold, Tint.Thin),
            Cause.PairCold),
        new("TIG: torch far over, blue and grey", "tig", 1, 0, GoodTig with { Colour = TintColour.Grey, Lean = TorchLean.FarOver,
            Puddle = null }, Cause.LeanOff),
        new("TIG: thick aluminium, the puddle hardly comes, cold to the hand", "tig thick", 1, 0, new(Sound.EvenCrackle,
            Profile.TallNarrow, Toes.Cold, Puddle: Puddle.Clear, Plate: PlateWarmth.Cold), Cause.PreheatLittle, true),
        new("TIG: thick aluminium, amps low", "tig thick", 0.7, 0, new(Sound.EvenCrackle, Profile.TallNarrow, Toes.Cold,
            Puddle: Puddle.Clear), Cause.AmpsLow),
        new("TIG: one leg long", "tig steel", 1, 0, GoodTig with { Faults = [Fault.UnequalLegs] }, Cause.WorkAngle),
    ];

    /// <summary>Every case: of the trade's tables, process by process, and TIG.</summary>
    public static IReadOnlyList<WorkedCase> All { get; } = [.. FromTheTables, .. WorkedByProcess.All, .. WorkedTig.All];

    /// <summary>The sheet and machine of a case.</summary>
    public static (Sheet Sheet, Machine Machine) Of(WorkedCase bead) => Jobs[bead.Job];

    /// <summary>What a case was laid with.</summary>
    public static Settings Pair(WorkedCase bead)
    {
        var pair = Jobs[bead.Job].Sheet.RequirePair();
        return new(pair.WireFeed * bead.Wire, Voltage.FromVolts(pair.Volts.Aim.Volts + bead.Volts));
    }

    /// <summary>The judgement of a case.</summary>
    public static Judgement Judged(WorkedCase bead)
    {
        var (sheet, machine) = Jobs[bead.Job];
        return sheet.Pair is null
            ? Judge.Of(sheet, machine, sheet.Amps * bead.Wire, bead.Evidence)
            : Judge.Of(sheet, machine, Pair(bead), bead.Evidence);
    }

    /// <summary>The signs of a case.</summary>
    public static IReadOnlySet<Sign> SignsOf(WorkedCase bead)
    {
        var (sheet, machine) = Jobs[bead.Job];
        return sheet.Pair is null
            ? Signs.Of(sheet, machine, sheet.Amps * bead.Wire, bead.Evidence)
            : Signs.Of(sheet, machine, Pair(bead), bead.Evidence);
    }

    /// <summary>What a section measured: how far it fused past the root, and how long a line is left.</summary>
    public static MacroMeasures Section(double root, double unfused) =>
        new(
            Length.FromMm(4),
            Length.FromMm(4),
            Length.FromMm(2.9),
            Length.FromMm(5.6),
            Length.FromMm(0.4),
            Length.FromMm(root),
            Length.FromMm(root),
            Length.FromMm(root),
            Length.FromMm(unfused)
        );

    private static (Sheet, Machine) Made(Job job, Machine machine) =>
        Planner.Plan(job, machine with { Load = LoadFor(job) }) switch
        {
            Sheet sheet => (sheet, machine with { Load = LoadFor(job) }),
            var refused => throw new InvalidOperationException(refused.ToString()),
        };

    // The machine's log says what the sheet wants, as it should.
    private static Load LoadFor(Job job) =>
        (job.Wire is { } wire ? Load.Of(wire) : new Load(null, job.Gas, job.Process.Facts().Polarity)) with
        {
            Gas = job.Gas,
            Polarity = job.Process.Facts().Polarity,
        };
}
