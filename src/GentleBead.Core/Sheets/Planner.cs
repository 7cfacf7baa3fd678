using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Safety;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>From a job to a settings sheet. Pure: the same job and machine give the same sheet.</summary>
public static class Planner
{
    // A sheet a tenth short of the plate's current is a cold sheet: past that the wire is refused.
    private const double LeastShareOfAmps = 0.9;
    private const double CrownToWidth = 0.25;

    /// <summary>Makes the sheet for a job, in the marks of a machine when one is given.</summary>
    /// <param name="job">What is to be welded, and with which wire.</param>
    /// <param name="machine">The booth's machine; null for a sheet without marks.</param>
    public static SheetOutcome Plan(Job job, Machine? machine = null)
    {
        if (job.CheckThickness() is { } problem) return new Refusal("thickness", problem);

        var joint = job.Joint.Facts();
        var wire = job.Wire.Facts();
        var reasons = new List<Reason>(16);
        var cautions = new List<Caution>(UsualCautions.ForGasShieldedSteel.Count + 3);

        var wanted = WantedAmps(job, joint, reasons);
        if (wanted * LeastShareOfAmps > wire.Most) return new Refusal("wire", TooThin(wire, wanted));
        if (wanted * 2 < wire.UsualLow) return new Refusal("wire", TooThick(wire, wanted));
        var amps = WithinWire(wire, wanted, reasons, cautions);

        var wireFeed = Rules.WireFeedFor(amps, job.Wire);
        reasons.Add(new("wireFeed", "Burn-off factor",
            $"{Show.Of(amps)} x {Show.Number(wire.BurnOff)} in/min for each ampere with {wire.Name} wire", Show.Of(wireFeed), Source.CommonPractice, ["amps"]));

        var volts = Rules.SmoothBand(wireFeed, job.Wire);
        reasons.Add(new("volts", "Volts follow the wire",
            $"load line 14 + 0.05 x {Show.Number(amps.Amps, "0")} = {Show.Of(volts.High)} (IEC 60974-1, from memory); short circuit under 75/25 runs smooth down to {Show.Number(wire.VoltsBand, "0.#")} V below it with this wire (common practice); aim in the middle",
            $"{Show.Of(volts.Aim)}, smooth from {Show.Of(volts.Low)} to {Show.Of(volts.High)}", Source.Published, ["amps", "wireFeed"]));

        var (beadSize, areaMm2) = BeadSize(job, joint, reasons);
        var travel = Rules.TravelFor(areaMm2, wireFeed, job.Wire);
        reasons.Add(new("travel", "Metal in is metal down",
            $"{Show.Number(wire.AreaMm2, "0.000")} mm2 of wire x {Show.Number(wireFeed.MPerMin * 1000, "0")} mm/min x {Show.Number(Rules.DepositEfficiency)} kept, over a bead of {Show.Number(areaMm2, "0.0")} mm2",
            Show.Of(travel), Source.Arithmetic, ["wireFeed", "beadSize"]));

        var stickOut = StickOut(wire, reasons);
        var gasFlow = new Window<GasFlow>(GasFlow.FromLPerMin(10), GasFlow.FromLPerMin(11), GasFlow.FromLPerMin(12));
        reasons.Add(new("gasFlow", "Usual flow for this nozzle", "20 to 25 ft3/h is usual; more than 12 L/min draws in air",
            "10 to 12 L/min", Source.CommonPractice, []));

        var (least, comfortable) = LensShade.For(amps);
        reasons.Add(new("shadeLeast", "Lens shade by current", $"table row for {Show.Of(amps)}; OSHA 29 CFR 1910.133 and ANSI Z49.1, from memory",
            comfortable is null ? $"at least {least}" : $"at least {least}, comfortable {comfortable}", Source.Published, ["amps"]));

        var heatEn = Rules.HeatInputEn(volts.Aim, amps, travel);
        var heatAws = Rules.HeatInputAws(volts.Aim, amps, travel);
        var heatWorking = $"{Show.Of(volts.Aim)} x {Show.Of(amps)} over {Show.Of(travel)}";
        reasons.Add(new("heatInputEn", "Heat input, EN 1011-1", $"0.8 x {heatWorking}", Kj(heatEn), Source.Published, ["volts", "amps", "travel"]));
        reasons.Add(new("heatInputAws", "Heat input, AWS D1.1", $"60 x {heatWorking}; all of the arc's energy counted", Kj(heatAws), Source.Published, ["volts", "amps", "travel"]));

        var workAngle = joint.WorkAngleLow == joint.WorkAngleHigh ? $"{joint.WorkAngleLow}°" : $"{joint.WorkAngleLow} to {joint.WorkAngleHigh}°";
        reasons.Add(new("workAngle", "Work angle by joint", $"{joint.Name}: {joint.WorkAngleHow}", workAngle, Source.CommonPractice, []));
        reasons.Add(new("travelAngle", "Travel angle", "enough to see the puddle, not enough to draw in air", "10 to 15° off square", Source.CommonPractice, []));

        MachineMarks? marks = null;
        if (machine is not null)
        {
            var translated = Translate(machine, job, wireFeed, volts, reasons, cautions);
            if (translated is { Refused: { } refused }) return refused;
            marks = translated.Marks;
        }
        cautions.AddRange(UsualCautions.ForGasShieldedSteel);

        return new Sheet
        {
            Job = job,
            PositionName = joint.PositionName(job.Position),
            Amps = amps,
            WireFeed = wireFeed,
            Volts = volts,
            StickOut = stickOut,
            GasFlow = gasFlow,
            Travel = travel,
            BeadSize = beadSize,
            BeadSizeIsLeg = joint.IsFillet,
            WorkAngle = $"{workAngle} {joint.WorkAngleHow}",
            TravelAngle = "10 to 15° off square",
            Direction = "Push. Drag only if it lets you see better: no slag here.",
            ShadeLeast = least,
            ShadeComfortable = comfortable,
            HeatInputEn = heatEn,
            HeatInputAws = heatAws,
            ExpectedSound = "Even crackle, like frying. No popping, no hiss.",
            ExpectedLook = job.Joint == Joint.BeadOnPlate
                ? "Slightly rounded, toes blended, even ripples, heat tint of even width on both sides and showing behind."
                : "Flat to slightly convex, toes blended into both plates, legs equal, even ripples, heat tint showing behind.",
            Marks = marks,
            Band = Band(job.Wire),
            Cautions = cautions,
            Reasons = reasons,
            RulesVersion = Rules.Version,
        };
    }

    private static Current WantedAmps(Job job, JointFacts joint, List<Reason> reasons)
    {
        var thickness = job.Thickness.Value;
        var gauge = SteelGauge.Nearest(thickness) is { } number ? $", about {number} ga" : "";
        var plate = Rules.AmpsForThickness(thickness);
        reasons.Add(new("plateAmps", "One ampere for each thousandth of an inch",
            $"\"{job.Thickness.Typed}\" is {Show.Of(thickness)}{gauge}; {Show.Number(thickness.Inches * 1000, "0")} thousandths", Show.Of(plate), Source.CommonPractice, []));
        var wanted = plate * joint.HeatFactor;
        reasons.Add(new("jointAmps", "Heat paths of the joint", $"{joint.Name}: {joint.HeatWhy}; {Show.Of(plate)} x {Show.Number(joint.HeatFactor)}. Flat and horizontal take the same",
            Show.Of(wanted), Source.CommonPractice, ["plateAmps"]));
        return wanted;
    }

    private static Current WithinWire(WireFacts wire, Current wanted, List<Reason> reasons, List<Caution> cautions)
    {
        var amps = wanted > wire.Most ? wire.Most : wanted;
        var usual = $"{Show.Number(wire.UsualLow.Amps, "0")} to {Show.Of(wire.UsualHigh)}";
        if (amps > wire.UsualHigh)
        {
            cautions.Add(new($"{Show.Of(amps)} is past the usual top of {wire.Name} wire in short circuit ({usual}): drops grow big, and the bead may lie on the plate without biting. {HotterThan(wire)}", true));
        }
        else if (amps < wire.UsualLow)
        {
            cautions.Add(new($"{Show.Of(amps)} is under the usual range of {wire.Name} wire ({usual}): it starts hard and holds badly. A thinner wire runs calmer.", false));
        }
        reasons.Add(new("amps", amps < wanted ? "All this wire carries" : "Current the joint asks for",
            $"{Show.Of(wanted)} wanted; {wire.Name} wire usually carries {usual}, {Show.Number(wire.Most.Amps, "0")} A at the most", Show.Of(amps), Source.CommonPractice, ["jointAmps"]));
        return amps;
    }

    private static string HotterThan(WireFacts wire) => NextAbove(wire) is { } next
        ? $"Go up to {next.Name} wire, or lay two passes."
        : "Lay two passes, or use another transfer mode.";

    private static string TooThin(WireFacts wire, Current wanted) => NextAbove(wire) is { } next
        ? $"This plate and joint ask for {Show.Of(wanted)}; {wire.Name} wire carries {Show.Number(wire.Most.Amps, "0")} A at the most and would leave it unfused. Go up to {Carries(wanted, next).Name} wire."
        : $"This plate and joint ask for {Show.Of(wanted)}: more than short circuit gives. More passes or another mode, not more amps.";

    private static string TooThick(WireFacts wire, Current wanted) =>
        $"This plate and joint ask for only {Show.Of(wanted)}; {wire.Name} wire does not hold an arc under about {Show.Number(wire.UsualLow.Amps / 2, "0")} A. Go down to {Wires.All.Last(row => row.UsualLow <= wanted * 2 && row.Diameter < wire.Diameter).Name} wire.";

    private static WireFacts Carries(Current wanted, WireFacts atLeast) =>
        Wires.All.First(row => row.Diameter >= atLeast.Diameter && (wanted * LeastShareOfAmps <= row.Most || row == Wires.All[^1]));

    private static WireFacts? NextAbove(WireFacts wire) => Wires.All.FirstOrDefault(row => row.Diameter > wire.Diameter);

    private static (Window<Length> Size, double AreaMm2) BeadSize(Job job, JointFacts joint, List<Reason> reasons)
    {
        var thickness = job.Thickness.Value.Mm;
        var outside = job.Joint == Joint.OutsideCorner;
        // An outside corner is full at the plate's own thickness; inside corners take up to 2 mm more.
        var leg = Length.FromMm(outside ? thickness : thickness + 1);
        var area = Rules.FilletArea(leg);
        if (joint.IsFillet)
        {
            var size = outside
                ? new Window<Length>(leg * 0.9, leg, leg * 1.3)
                : new Window<Length>(Length.FromMm(thickness), leg, Length.FromMm(thickness + 2));
            reasons.Add(new("beadSize", "Leg by plate thickness",
                outside ? "the corner is full when the leg equals the plate" : "the plate's thickness up to 2 mm more; aim 1 mm over", $"leg {Show.Of(leg)}, throat {Show.Of(Rules.Throat(leg))}", Source.CommonPractice, []));
            return (size, area);
        }
        // A crown a quarter as high as wide, its section a parabola: area = 2/3 width x height.
        var width = Length.FromMm(Math.Sqrt(area * 3 / 2 / CrownToWidth));
        reasons.Add(new("beadSize", "Width by plate thickness",
            $"the metal of a {Show.Of(leg)} fillet laid on the flat, a quarter as high as wide: {Show.Number(area, "0.0")} mm2", $"width {Show.Of(width)}", Source.CommonPractice, []));
        return (new Window<Length>(width * 0.85, width, width * 1.2), area);
    }

    private static Window<Length> StickOut(WireFacts wire, List<Reason> reasons)
    {
        var aim = Length.FromMm(Math.Clamp(10 * wire.Diameter.Mm, 6, 10));
        reasons.Add(new("stickOut", "About ten wire diameters, 6 to 10 mm",
            $"10 x {Show.Number(wire.Diameter.Mm)} mm; longer pops like too much wire and loses gas cover", Show.Of(aim), Source.CommonPractice, []));
        return new Window<Length>(Length.FromMm(6), aim, Length.FromMm(10));
    }

    private static (MachineMarks? Marks, Refusal? Refused) Translate(
        Machine machine, Job job, WireFeedSpeed wireFeed, Window<Voltage> volts, List<Reason> reasons, List<Caution> cautions)
    {
        if (job.Wire != machine.Wire)
        {
            cautions.Add(new($"{machine.Name} has {machine.Wire.Facts().Name} wire on. For this sheet load {job.Wire.Facts().Name}: tip and roll groove to match.", true));
        }
        if (!Calibration.TryFit(machine.WireControl, out var wireDial, out var problem) || !Calibration.TryFit(machine.VoltControl, out var voltDial, out problem))
        {
            cautions.Add(new($"No marks for {machine.Name}. {problem}", false));
            return (null, null);
        }
        var wire = wireDial!.MarkFor(wireFeed.MPerMin);
        if (wire.OutOfReach && wire.Value < wireFeed.MPerMin * LeastShareOfAmps)
        {
            var next = NextAbove(job.Wire.Facts());
            return (null, new Refusal("wire", $"{machine.Name} feeds {Show.Of(WireFeedSpeed.FromMPerMin(wire.Value))} at the most; this job asks for {Show.Of(wireFeed)}.{(next is null ? "" : $" Go up to {next.Name} wire.")}"));
        }
        var volt = voltDial!.MarkFor(volts.Aim.Volts);
        var given = new Settings(WireFeedSpeed.FromMPerMin(wire.Value), Voltage.FromVolts(volt.Value));
        if (!Rules.SmoothBand(given.WireFeed, job.Wire).Holds(given.Volts))
        {
            cautions.Add(new($"No volt mark of {machine.Name} falls in the smooth band: {machine.VoltControl.Read(volt.Mark)} gives {Show.Of(given.Volts)}. That pairs with about {Show.Of(Rules.WireFeedForVolts(given.Volts, job.Wire))} of wire; tune by ear.", false));
        }
        reasons.Add(MarkReason("wireMark", machine, machine.WireControl, wire, Show.Of(given.WireFeed), "wireFeed", cautions));
        reasons.Add(MarkReason("voltMark", machine, machine.VoltControl, volt, Show.Of(given.Volts), "volts", cautions));
        return (new MachineMarks(
            new ControlMark(wire.Mark, machine.WireControl.Read(wire.Mark), wire.MarksBeyond),
            new ControlMark(volt.Mark, machine.VoltControl.Read(volt.Mark), volt.MarksBeyond),
            given.WireFeed, given.Volts), null);
    }

    private static Reason MarkReason(string of, Machine machine, Control control, MarkSetting set, string gives, string from, List<Caution> cautions)
    {
        if (set.MarksBeyond > 0)
        {
            cautions.Add(new($"{control.Read(set.Mark)} lies {Show.Number(set.MarksBeyond)} {(set.MarksBeyond == 1 ? "mark" : "marks")} past the last reading on {machine.Name}: measure there before you trust it.", false));
        }
        var count = control.Readings.Count;
        return count == 0
            ? new(of, "The display, believed", $"{machine.Name} has not been measured; check it with a ruler and a watch", $"{control.Read(set.Mark)} for {gives}", Source.CommonPractice, [from])
            : new(of, "This machine's readings", $"{count} {(count == 1 ? "reading" : "readings")} on {machine.Name}, straight lines between; nearest mark that can be set", $"{control.Read(set.Mark)} gives {gives}", Source.Measured, [from]);
    }

    private static BandPoint[] Band(Wire wire)
    {
        var facts = wire.Facts();
        return [Point(facts.UsualLow * 0.5), Point(facts.Most * 1.2)];

        BandPoint Point(Current amps)
        {
            var wireFeed = Rules.WireFeedFor(amps, wire);
            var band = Rules.SmoothBand(wireFeed, wire);
            return new BandPoint(wireFeed, band.Low, band.High);
        }
    }

    private static string Kj(HeatInput value) => $"{Show.Number(value.KJPerMm, "0.00")} kJ/mm ({Show.Number(value.KJPerMm * 25.4, "0")} kJ/in)";
}
