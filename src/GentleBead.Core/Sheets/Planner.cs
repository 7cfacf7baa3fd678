using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Safety;
using GentleBead.Core.Stock;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Sheets;

/// <summary>From a job to a settings sheet. Pure: the same job, machine, school and chart give the same sheet.</summary>
public static class Planner
{
    /// <summary>Makes the sheet for a job, in the marks of a machine when one is given.</summary>
    /// <param name="job">What is to be welded, and with what.</param>
    /// <param name="machine">The booth's machine; null for a sheet without marks.</param>
    /// <param name="school">The instructor's school; null for <see cref="School.Usual"/>.</param>
    /// <param name="chart">The machine's door chart for this wire, gas and process; null where there is none.</param>
    /// <param name="window">What this room has found for this wire, gas and process on the machine; null where nothing was.</param>
    public static SheetOutcome Plan(Job job, Machine? machine = null, School? school = null, DoorChart? chart = null, LearnedWindow? window = null)
    {
        school ??= School.Usual;
        if (job.CheckThickness() is { } outside) return outside;
        if (Combinations.Refused(job) is { } refused) return refused;
        if (machine?.CannotDo(job.Process) is { } cannot) return new Refusal("process", cannot, RefusedFor.Machine);

        var process = job.Process.Facts();
        var joint = job.Joint.Facts();
        var reasons = new List<Reason>(24);
        var cautions = new List<Caution>(16);
        Combinations.AddCautions(job, cautions);

        var wanted = Amperes.Wanted(job, school, reasons);
        var amps = wanted;
        var wire = job.Wire?.Facts();
        if (wire is not null)
        {
            (amps, var unfit) = Amperes.WithinWire(job, wire, wanted, reasons, cautions);
            if (unfit is not null) return unfit;
        }
        else
        {
            reasons.Add(new("amps", "Current the joint asks for", "on the pedal; the puddle leads", Show.Of(amps), Source.CommonPractice, ["jointAmps"]));
        }
        if (machine?.Rating is { } limit && amps * Amperes.LeastShareOfAmps > limit.MostAmps)
        {
            return new Refusal("thickness", $"{machine.Name} gives {Show.Of(limit.MostAmps)} at the most; this job asks for {Show.Of(amps)}.", RefusedFor.Machine);
        }

        var carried = amps;
        PairSettings? pair = null;
        TigSettings? tig = null;
        Pairs.Found? found = null;
        Dials? dials = null;
        if (wire is not null)
        {
            var arc = new WireArc(job.Process, wire.Wire, job.Gas);
            if (machine is not null && !Dials.TryFit(machine, out dials, out var uncalibrated)) cautions.Add(new($"No marks for {machine.Name}. {uncalibrated}", false));
            found = Pairs.Find(school.Pair, job, arc, amps, school, dials, chart, window);
            if (found is null)
            {
                cautions.Add(new(school.Pair == PairRule.LearnedFirst
                    ? "This room has found too little with this wire and gas on this machine: the textbook instead."
                    : "No door chart here speaks of this plate, wire and gas: wire first instead.", false));
                found = Pairs.Find(PairRule.WireFirst, job, arc, amps, school, dials, chart, window)!;
            }
            Pairs.Explain(found, school.Pair, arc, amps, reasons, cautions);
            amps = found.Amps;
            MachineMarks? marks = null;
            if (dials is not null)
            {
                (marks, var unreached) = Marks(machine!, dials, arc, found, reasons, cautions);
                if (unreached is not null) return unreached;
            }
            pair = new PairSettings
            {
                WireFeed = found.WireFeed,
                Volts = found.Volts,
                VoltsAreSet = job.Process != Process.GmawPulsed,
                StickOut = StickOut(job.Process, wire, reasons),
                Inductance = SheetWords.Inductance(job, machine),
                Marks = marks,
                Band = Band(arc, wire),
                Learned = Pairs.Speaks(window, arc) ? new LearnedPair(window!.At(found.WireFeed), window.SureVolts(found.WireFeed), window.Sweeps, window.Beads) : null,
                LearnedBand = window is not null && window.Arc == arc ? [.. Band(arc, wire).Select(point => new BandPoint(point.WireFeed, window.At(point.WireFeed).Low, window.At(point.WireFeed).High))] : [],
                Chart = found.Chart ?? (dials is not null && chart is not null && chart.Fits(job) ? chart.At(Amperes.SetThickness(job, school.Position).Set, dials) : null),
            };
        }
        else
        {
            (tig, var unborne) = TigRules.Settings(job, amps, reasons);
            if (unborne is not null) return unborne;
            tig = WithMark(tig!, machine, reasons, cautions);
        }

        var (beadSize, area) = Passes.Size(job, reasons);
        var fillerArea = wire?.AreaMm2 ?? Math.PI / 4 * tig!.Filler.Mm * tig.Filler.Mm;
        double? deposit = pair is null ? null : Deposit.Mm3PerMin(pair.WireFeed, wire!.Wire, process.DepositShare);
        var passes = Passes.Plan(job, area, fillerArea, reasons, deposit);
        var (travel, plugSeconds) = Travel(job, wire, pair, passes, process, reasons);
        if (travel is { } pace && pace > FastestHand)
        {
            return new Refusal("wire", $"At the least this wire runs at, the torch would have to go {Show.Of(pace)}: no hand does, and slower burns through. A thinner wire, or TIG.", RefusedFor.BurnsThrough);
        }
        var gasFlow = Flow(job, reasons);
        var volts = pair?.Volts.Aim ?? LoadLine.Tig(amps);
        var (heatEn, heatAws) = Heat(process, volts, amps, travel, tig is not null, reasons);
        var (least, comfortable) = job.Process.IsGtaw() ? LensShade.ForTig(amps) : LensShade.For(amps);
        reasons.Add(new("shadeLeast", "Lens shade by current", $"table row for {Show.Of(amps)}; OSHA 29 CFR 1910.133 and ANSI Z49.1, from memory",
            comfortable is null ? $"at least {least}" : $"at least {least}, comfortable {comfortable}", Source.Published, ["amps"]));
        var workAngle = joint.WorkAngleLow == joint.WorkAngleHigh ? $"{joint.WorkAngleLow}°" : $"{joint.WorkAngleLow} to {joint.WorkAngleHigh}°";
        reasons.Add(new("workAngle", "Work angle by joint", $"{joint.Name}: {joint.WorkAngleHow}", workAngle, Source.CommonPractice, []));
        var travelAngle = job.Process.IsGtaw() ? "10 to 20° off square" : "10 to 15° off square";
        reasons.Add(new("travelAngle", "Travel angle", "enough to see the puddle, not enough to draw in air", travelAngle, Source.CommonPractice, []));
        var duty = Duty(machine, amps, reasons, cautions);
        var program = machine?.ProgramFor(job)?.Number;
        if (machine is { Programs.Count: > 0 } && program is null && wire is not null)
        {
            cautions.Add(new($"{machine.Name} has no program for this wire, gas and mode: set it by hand, or take another.", job.Process == Process.GmawPulsed));
        }
        if (machine is { VoltsUnderLoad: false, VoltControl: { } switched } && switched.IsStepped() && wire is not null)
        {
            cautions.Add(new($"Turn the volt switch of {machine.Name} only when not welding: under load it burns its contacts.", false));
        }
        cautions.AddRange(UsualCautions.For(job));

        return new Sheet
        {
            Job = job,
            ProcessName = ProcessNames[(int)job.Process, job.Gas.Facts().Inert ? 1 : 0],
            PositionName = joint.PositionName(job.Position),
            Polarity = process.Polarity,
            Amps = amps,
            JointAmps = wanted,
            Pair = pair,
            Tig = tig,
            GasFlow = gasFlow,
            Travel = travel,
            PlugSeconds = plugSeconds,
            BeadSize = beadSize,
            BeadMeasure = joint.Measure,
            Passes = passes,
            WorkAngle = $"{workAngle} {joint.WorkAngleHow}",
            TravelAngle = travelAngle,
            Direction = SheetWords.Direction(job, school),
            Motion = SheetWords.Motion(job, school),
            ShadeLeast = least,
            ShadeComfortable = comfortable,
            HeatInputEn = heatEn,
            HeatInputAws = heatAws,
            DutyPercent = duty,
            ExpectedSound = process.Sound,
            ExpectedLook = SheetWords.Look(job),
            Program = program,
            Steps = SheetWords.Steps(job, machine, school, amps, pair, tig, gasFlow, program),
            School = school,
            Differences = Differences.Of(job, school, wanted, carried, found, dials, chart, window),
            Mismatches = machine is null ? [] : Mismatches.Of(job, machine, tig?.Tungsten),
            Cautions = cautions,
            Reasons = reasons,
            RulesVersion = Edition.Number,
        };
    }

    // 100 in/min. Common practice, no source.
    private static readonly TravelSpeed FastestHand = TravelSpeed.FromMmPerMin(2500);

    private static readonly string[,] ProcessNames = Names();

    private static string[,] Names()
    {
        var names = new string[Processes.All.Count, 2];
        foreach (var row in Processes.All)
        {
            names[(int)row.Process, 0] = $"{row.Name} ({row.Process.Iso4063(Gas.ArgonCarbon25)})";
            names[(int)row.Process, 1] = $"{row.Name} ({row.Process.Iso4063(Gas.Argon)})";
        }
        return names;
    }

    private static (TravelSpeed? Travel, double? PlugSeconds) Travel(Job job, WireFacts? wire, PairSettings? pair, PassPlan passes, ProcessFacts process, List<Reason> reasons)
    {
        if (wire is null)
        {
            var pace = TigRules.TravelFor(job.Thinner);
            reasons.Add(new("travel", "Pace to begin with", $"60 + 120 / t mm/min at {Show.Of(job.Thinner)}; the puddle leads, its width is what to hold", Show.Of(pace), Source.CommonPractice, []));
            return (pace, null);
        }
        var deposit = Deposit.Mm3PerMin(pair!.WireFeed, wire.Wire, process.DepositShare);
        var metal = $"{Show.Number(wire.AreaMm2, "0.000")} mm2 of wire x {Show.Number(pair.WireFeed.MPerMin * 1000, "0")} mm/min x {Show.Number(process.DepositShare)} kept";
        if (job.Joint == Joint.Plug)
        {
            var volume = Passes.PlugVolume(job);
            var seconds = volume / deposit * 60;
            reasons.Add(new("plugSeconds", "Metal in is metal down", $"{metal}, into {Show.Number(volume, "0")} mm3 of hole and crown", $"{Show.Number(seconds, "0.0")} s", Source.Arithmetic, ["wireFeed", "beadSize"]));
            return (null, seconds);
        }
        var travel = TravelSpeed.FromMmPerMin(deposit / passes.AreaOfOne());
        reasons.Add(new("travel", "Metal in is metal down", $"{metal}, over a bead of {Show.Number(passes.AreaOfOne(), "0.0")} mm2", Show.Of(travel), Source.Arithmetic, ["wireFeed", "beadSize", "passes"]));
        return (travel, null);
    }

    private static (HeatInput? En, HeatInput? Aws) Heat(ProcessFacts process, Voltage volts, Current amps, TravelSpeed? travel, bool tig, List<Reason> reasons)
    {
        if (travel is not { } pace) return (null, null);
        var en = ArcHeat.En(volts, amps, pace, process.ArcShare);
        var aws = ArcHeat.Aws(volts, amps, pace);
        var working = $"{Show.Of(volts)}{(tig ? " (load line 10 + 0.04 I)" : "")} x {Show.Of(amps)} over {Show.Of(pace)}";
        string[] from = tig ? ["amps", "travel"] : ["volts", "amps", "travel"];
        reasons.Add(new("heatInputEn", "Heat input, EN 1011-1", $"{Show.Number(process.ArcShare)} x {working}", Show.Of(en), Source.Published, from));
        reasons.Add(new("heatInputAws", "Heat input, AWS D1.1", $"60 x {working}; all of the arc's energy counted", Show.Of(aws), Source.Published, from));
        return (en, aws);
    }

    private static double? Duty(Machine? machine, Current amps, List<Reason> reasons, List<Caution> cautions)
    {
        if (machine?.Rating is not { } rating) return null;
        var duty = rating.DutyPercentAt(amps);
        reasons.Add(new("dutyPercent", "Duty at these amps", $"{Show.Number(rating.DutyPercent)} % x ({Show.Of(rating.Amps)} / {Show.Of(amps)})² from the rating plate", $"{Show.Number(duty, "0")} %: {Show.Number(duty / 10, "0.0")} minutes of arc in ten", Source.Arithmetic, ["amps"]));
        if (duty < 25) cautions.Add(new($"{machine.Name} bears {Show.Of(amps)} only {Show.Number(duty / 10, "0.0")} minutes in ten: let it cool between beads.", false));
        return duty;
    }

    private static Window<GasFlow>? Flow(Job job, List<Reason> reasons)
    {
        if (job.Gas == Gas.None) return null;
        var (low, aim, high, why) = job.Process.IsGtaw() ? (7.0, 8.5, 9.5, "15 to 20 ft3/h is usual for TIG with a standard cup")
            : job.Metal == Metal.Aluminium ? (12.0, 14.0, 16.0, "aluminium wants a little more than steel")
            : job.Process is Process.GmawShortCircuit ? (10.0, 11.0, 12.0, "20 to 25 ft3/h is usual; more than 12 L/min draws in air")
            : (14.0, 16.0, 18.0, "a hotter arc and a longer stick-out want more cover than short circuit");
        reasons.Add(new("gasFlow", "Usual flow", why, $"{Show.Number(low, "0.#")} to {Show.Number(high, "0.#")} L/min", Source.CommonPractice, []));
        return new Window<GasFlow>(GasFlow.FromLPerMin(low), GasFlow.FromLPerMin(aim), GasFlow.FromLPerMin(high));
    }

    private static Window<Length> StickOut(Process process, WireFacts wire, List<Reason> reasons)
    {
        var (low, aim, high, rule, why) = process switch
        {
            Process.GmawShortCircuit => (6.0, Math.Clamp(10 * wire.Diameter.Mm, 6, 10), 10.0, "About ten wire diameters, 6 to 10 mm", $"10 x {Show.Number(wire.Diameter.Mm)} mm; longer pops like too much wire and loses gas cover"),
            Process.FcawSelfShielded => (12.0, 15.0, 20.0, "Long for self-shielded wire", "the flux needs the heat of the stick-out; shorter comes out porous"),
            _ => (15.0, Melting.SprayStickOut.Mm, 20.0, "Long for a hot arc", "keeps the tip out of the heat; longer loses gas cover"),
        };
        reasons.Add(new("stickOut", rule, why, Show.Of(Length.FromMm(aim)), Source.CommonPractice, []));
        return new Window<Length>(Length.FromMm(low), Length.FromMm(aim), Length.FromMm(high));
    }

    private static (MachineMarks? Marks, Refusal? Refused) Marks(Machine machine, Dials dials, WireArc arc, Pairs.Found found, List<Reason> reasons, List<Caution> cautions)
    {
        var wire = dials.WireMarkFor(found.WireFeed);
        if (wire.OutOfReach && wire.Value < found.WireFeed.MPerMin * Amperes.LeastShareOfAmps)
        {
            var next = arc.Wire.Facts().NextAbove(arc.Process);
            return (null, new Refusal("wire", $"{machine.Name} feeds {Show.Of(WireFeedSpeed.FromMPerMin(wire.Value))} at the most; this job asks for {Show.Of(found.WireFeed)}.{(next is null ? "" : $" Go up to {next.Name} wire.")}", RefusedFor.Machine));
        }
        // The pulse program pairs the volts itself; its trim begins at 0.
        var pulsed = arc.Process == Process.GmawPulsed && dials.Volt.Kind == ControlKind.Trim;
        var volt = pulsed
            ? new MarkSetting(0, dials.VoltsAt(0, wire.Mark).Volts, 0, Calibration.Believed, false)
            : dials.VoltMarkFor(found.Volts.Aim, wire.Mark);
        var given = new Settings(WireFeedSpeed.FromMPerMin(wire.Value), Voltage.FromVolts(volt.Value));
        var band = SmoothBand.At(given.WireFeed, arc);
        if (!pulsed && !band.Holds(given.Volts) && !found.Volts.Holds(given.Volts))
        {
            cautions.Add(new($"No volt mark of {machine.Name} falls in the smooth band: {dials.Volt.Read(volt.Mark)} gives {Show.Of(given.Volts)}. That pairs with about {Show.Of(SmoothBand.WireFeedFor(given.Volts, arc))} of wire; tune by ear.", false));
        }
        reasons.Add(MarkReason("wireMark", machine, dials.Wire, wire, Show.Of(given.WireFeed), "wireFeed", cautions));
        reasons.Add(MarkReason("voltMark", machine, dials.Volt, volt, Show.Of(given.Volts), "volts", cautions));
        return (new MachineMarks(
            new ControlMark(wire.Mark, dials.Wire.Read(wire.Mark), wire.MarksBeyond, wire.SureShare),
            new ControlMark(volt.Mark, dials.Volt.Read(volt.Mark), volt.MarksBeyond, volt.SureShare),
            given.WireFeed, given.Volts), null);
    }

    private static TigSettings WithMark(TigSettings tig, Machine? machine, List<Reason> reasons, List<Caution> cautions)
    {
        if (machine?.AmpControl is not { } control) return tig;
        if (!Calibration.TryFit(control, out var dial, out var problem))
        {
            cautions.Add(new($"No marks for {machine.Name}. {problem}", false));
            return tig;
        }
        var set = dial!.MarkFor(tig.PedalMost.Amps);
        reasons.Add(MarkReason("ampMark", machine, control, set, Show.Of(Current.FromAmps(set.Value)), "pedalMost", cautions));
        return tig with { Mark = new ControlMark(set.Mark, control.Read(set.Mark), set.MarksBeyond, set.SureShare) };
    }

    private static Reason MarkReason(string of, Machine machine, Control control, MarkSetting set, string gives, string from, List<Caution> cautions)
    {
        if (set.MarksBeyond > 0 && control.Kind != ControlKind.Trim)
        {
            cautions.Add(new($"{control.Read(set.Mark)} lies {Show.Number(set.MarksBeyond)} {(set.MarksBeyond == 1 ? "mark" : "marks")} past the last reading on {machine.Name}: measure there before you trust it.", false));
        }
        var count = control.Readings.Count;
        var sure = $"sure to {Show.Number(set.SureShare * 100, "0")} %";
        return count == 0
            ? new(of, "The display, believed", $"{machine.Name} has not been measured; displays 10 to 30 % off happen: check it with a ruler and a watch", $"{control.Read(set.Mark)} for {gives}", Source.CommonPractice, [from])
            : new(of, "This machine's readings", $"{count} {(count == 1 ? "reading" : "readings")} on {machine.Name}, straight lines between; nearest mark that can be set; {sure}", $"{control.Read(set.Mark)} gives {gives}", Source.Measured, [from]);
    }

    private static BandPoint[] Band(WireArc arc, WireFacts wire)
    {
        var range = wire.RangeIn(arc.Process)!;
        // The trade's factor makes a straight band; the melting rate bends it.
        var points = new BandPoint[Melting.AppliesTo(arc.Process, wire) ? 6 : 2];
        var (from, to) = (range.UsualLow.Amps * 0.5, range.Most.Amps * 1.2);
        for (var i = 0; i < points.Length; i++)
        {
            var wireFeed = BurnOff.WireFeedFor(Current.FromAmps(from + (to - from) * i / (points.Length - 1)), arc);
            var band = SmoothBand.At(wireFeed, arc);
            points[i] = new BandPoint(wireFeed, band.Low, band.High);
        }
        return points;
    }
}
