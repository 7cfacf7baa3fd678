using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>The sentences of a sheet: how it should look, which way to lean, and the steps from loading to keeping.</summary>
internal static class SheetWords
{
    /// <summary>What the bead should look like.</summary>
    public static string Look(Job job)
    {
        var shape = job.Joint switch
        {
            Joint.BeadOnPlate => "Slightly rounded, toes blended, even ripples",
            Joint.Lap or Joint.T => "Flat to slightly convex, toes blended into both plates, legs equal, even ripples",
            Joint.OutsideCorner => "Rounded to the outline of a full corner, both edges taken in, even ripples",
            Joint.SquareButt or Joint.VButt => "Slightly over flush, toes blended, even ripples, a small even bead on the back",
            Joint.Edge => "Both edges melted into one even rim",
            _ => "Filled flush, melted into the rim all round, no crater",
        };
        var colour = job.Metal switch
        {
            Metal.Aluminium => "a clean frosted band beside it; some black soot that brushes off is no fault",
            Metal.Stainless => "straw to light blue at the darkest; grey is burnt",
            Metal.Titanium => "silver, straw at the darkest",
            Metal.NickelAlloy or Metal.Copper or Metal.Magnesium => "a bright bead, little discoloured",
            _ when job.Process.Facts().Slag => "slag that lifts off in one, heat tint of even width on both sides",
            _ when job.Joint == Joint.Plug => "heat tint on the back in a round spot",
            _ => "heat tint of even width on both sides and showing behind",
        };
        return $"{shape}; {colour}.";
    }

    /// <summary>Push or drag.</summary>
    public static string Direction(Job job, School school)
    {
        if (job.Joint == Joint.Plug) return "Start on the lower plate in the middle, circle out to the rim, fill, end in the middle.";
        if (job.Process.IsGtaw()) return "Push, the rod in front at a low angle, its end always under the gas.";
        if (job.Process.Facts().Slag) return job.Position == Position.VerticalUp ? "Upward, leaning a touch upward: slag means drag everywhere else." : "Drag: slag means drag.";
        return job.Position switch
        {
            Position.VerticalUp => "Upward, leaning a touch upward, ahead of the puddle.",
            Position.VerticalDown => "Downward, leaning upward, always ahead of the puddle.",
            _ => school.Direction == DirectionRule.PushOnly ? "Push." : "Push. Drag only if it lets you see better: no slag here.",
        };
    }

    /// <summary>What the hand does.</summary>
    public static string Motion(Job job, School school) => job switch
    {
        { Joint: Joint.Plug } => "By time, not by travel.",
        { Process: Process.GtawDc or Process.GtawAc } => "Straight; dip the rod at an even beat.",
        { Position: Position.VerticalDown } => "Straight and quick; do not weave downhill.",
        { Process: Process.GmawSpray } => "Straight: spray needs no weaving.",
        _ => school.Motion switch
        {
            Sheets.Motion.SmallC => "A small c, even steps.",
            Sheets.Motion.SmallLoops => "Small loops, even steps.",
            Sheets.Motion.WhipAndPause => "Whip and pause, a pause at each side.",
            _ => "Straight.",
        },
    };

    /// <summary>Where to begin with the inductance.</summary>
    public static string Inductance(Job job, Machine? machine) => job.Process != Process.GmawShortCircuit || machine is { Inductance: false } ? ""
        : job.Thinner.Mm < 2 ? "a little under the middle: a crisper arc on thin sheet" : "the middle; more calms the spatter, less bites crisper";

    /// <summary>From loading to keeping, in order.</summary>
    public static IReadOnlyList<string> Steps(
        Job job, Machine? machine, School school, Current amps, PairSettings? pair, TigSettings? tig, Window<GasFlow>? gas, int? program)
    {
        var flow = gas is null ? "" : $" Gas {Show.Of(gas.Aim)}, set with the gas flowing.";
        if (tig is not null)
        {
            return
            [
                $"Put in a {Show.Number(tig.Tungsten.Mm, "0.0")} mm tungsten, ground; cup {tig.Cup}; {job.Process.Facts().Polarity.Words()}.{flow}",
                $"Set {(tig.Mark is { } mark ? mark.Reads : Show.Of(tig.PedalMost))} with a pedal, or {Show.Of(amps)} without one.",
                "Strike on scrap of the same thickness: a puddle in two to three seconds, no faster, no slower.",
                "When it runs right, keep the setting.",
            ];
        }
        var wire = job.Wire!.Value.Facts();
        var set = pair!.Marks is { } marks ? $"Wire {marks.Wire.Reads}, volts {marks.Volt.Reads}." : $"Wire {Show.Of(pair.WireFeed)}, {Show.Of(pair.Volts.Aim)}.";
        var start = pair.Marks?.WireFeed ?? pair.WireFeed;
        var tune = (job.Process, school.Pair) switch
        {
            (Process.GmawPulsed, _) => "By ear: trim down until it begins to crackle, then up until it just stops.",
            (_, PairRule.VoltsFirst) => "By ear, on scrap: volts stay; wire from low up until the arc goes smooth, on until it pops; the middle of that.",
            (_, PairRule.ChartFirst) => "By ear, on scrap: begin with the chart's pair, move one thing at a time until it runs even.",
            _ => "By ear, on scrap: wire stays; volts from low up until the popping goes over into an even sound, no further.",
        };
        return
        [
            $"Load {wire.Name} {wire.Kind.Words()} wire, tip to match, {Mismatches.RollWords(wire.Rolls)}; {job.Process.Facts().Polarity.Words()}.{(program is { } number ? $" Program {number}." : "")}{flow}",
            $"Set: {set}",
            $"Check with ruler and watch: 6 seconds of wire are {Show.Number(start.InPerMin / 10, "0.0")} in ({Show.Number(start.MPerMin * 100, "0")} mm).",
            tune,
            "When it runs right, keep the setting.",
        ];
    }
}
