using System.Security.Claims;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Json;
using GentleBead.Server.People;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Machines;

/// <summary>A machine in its booth.</summary>
/// <param name="MachineId">Which machine.</param>
/// <param name="Booth">Its booth.</param>
/// <param name="Machine">The machine as calibrated now.</param>
/// <param name="Problems">Why a control gives no marks, in words; empty when all do.</param>
/// <param name="DueParts">Parts that are due now.</param>
public sealed record MachineInBooth(Guid MachineId, Booth Booth, Machine Machine, IReadOnlyList<string> Problems, IReadOnlyList<string> DueParts);

/// <summary>How a control's readings fit.</summary>
/// <param name="Control">Which control.</param>
/// <param name="Problem">Why it gives no marks; null when it does.</param>
/// <param name="SpreadShare">How far readings stray from one another, as a share; null with a problem.</param>
/// <param name="Strays">Readings that the others speak against.</param>
/// <param name="ReadOutOff">By how much a display shows more than was measured, as a share; null without.</param>
/// <param name="OldestAt">When its oldest reading was taken; null without readings.</param>
public sealed record ControlFit(ReadControl Control, string? Problem, double? SpreadShare, IReadOnlyList<Stray> Strays, double? ReadOutOff, DateTimeOffset? OldestAt);

/// <summary>A chart beside the rules and this room's beads.</summary>
public sealed record ComparedChart(Guid Id, DoorChart Chart, DateTimeOffset EnteredAt, IReadOnlyList<ChartComparison> Rows);

/// <summary>A bottle and what is left in it.</summary>
/// <param name="Read">Size and pressure as read.</param>
/// <param name="LeftL">Litres left.</param>
/// <param name="HoursLeft">Hours of arc at the flow of the newest sheet there.</param>
/// <param name="AtFlow">That flow.</param>
public sealed record BottleState(BottleReading Read, double LeftL, double HoursLeft, GasFlow AtFlow);

/// <summary>Everything known of a machine.</summary>
public sealed record MachineDetail(
    Guid MachineId, Booth Booth, Machine Machine, IReadOnlyList<TakenReading> Readings, IReadOnlyList<ControlFit> Fits,
    IReadOnlyList<ComparedChart> Charts, IReadOnlyList<PartState> Upkeep, BottleState? Bottle);

/// <summary>A machine to add, in a booth of its own.</summary>
public sealed record NewMachine(Guid BoothId, int BoothNumber, Machine Machine);

/// <summary>A reading to add: what was measured, or what ruler and watch said of the wire.</summary>
/// <param name="Control">On which control.</param>
/// <param name="Mark">Where it stood.</param>
/// <param name="Measured">m/min, volts or amperes; left out with ruler and watch.</param>
/// <param name="Seconds">Seconds the wire ran.</param>
/// <param name="Length">Length that came out.</param>
public sealed record NewReading(ReadControl Control, double Mark, double? Measured, double? Seconds, Length? Length);

/// <summary>A mark and what it gives, whichever of the two was asked for.</summary>
/// <param name="Mark">The mark.</param>
/// <param name="Reads">The mark in the machine's words.</param>
/// <param name="Value">m/min, volts or amperes.</param>
/// <param name="SureShare">How far the value may stray either way, as a share.</param>
/// <param name="MarksBeyond">Distance in marks past the nearest reading.</param>
/// <param name="OutOfReach">Whether a wanted value lies past the end of the dial.</param>
public sealed record Translation(double Mark, string Reads, double Value, double SureShare, double MarksBeyond, bool OutOfReach);

/// <summary>Whether something is withdrawn.</summary>
public sealed record ReadingWithdrawal(bool Withdrawn);

/// <summary>A step of a chart as typed.</summary>
public sealed record NewChartStep(string? Thickness, double? WireMark, double? VoltMark);

/// <summary>A chart as typed, or as CSV with the columns thickness, wireMark and voltMark.</summary>
public sealed record NewChart(Process? Process, Wire? Wire, Gas? Gas, IReadOnlyList<NewChartStep>? Steps, string? Csv);

/// <summary>A part that was seen to.</summary>
public sealed record NewUpkeep(Part Part, string? Note);

/// <summary>A bottle's size and pressure.</summary>
public sealed record NewBottle(double WaterL, double Bar);

/// <summary>Machines, their booths, and everything noted about them.</summary>
public static class MachineEndpoints
{
    private static readonly string[] WireUnits = ["in/min", "m/min"];
    private static readonly string[] VoltUnits = ["V"];
    private static readonly string[] AmpUnits = ["A"];

    // What the bottle is reckoned at before the first sheet: usual MIG flow.
    private static readonly GasFlow UsualFlow = GasFlow.FromLPerMin(11);

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var machines = app.MapGroup("/api/machines").WithTags("machines").RequireAuthorization(Access.Instructor);
        machines.MapGet("/", ListAsync);
        machines.MapGet("/{id:guid}", DetailAsync);
        machines.MapPut("/{id:guid}", AddAsync).Repeatable();
        machines.MapPut("/{id:guid}/readings/{readingId:guid}", AddReadingAsync).Repeatable();
        machines.MapPut("/{id:guid}/readings/{readingId:guid}/withdrawn", WithdrawReadingAsync);
        machines.MapGet("/{id:guid}/translation", TranslateAsync);
        machines.MapPut("/{id:guid}/loads/{loadId:guid}", LoadAsync).Repeatable();
        machines.MapPut("/{id:guid}/charts/{chartId:guid}", AddChartAsync).Repeatable();
        machines.MapPut("/{id:guid}/charts/{chartId:guid}/withdrawn", WithdrawChartAsync);
        machines.MapGet("/{id:guid}/charts/{chartId:guid}/csv", ChartCsvAsync);
        machines.MapPut("/{id:guid}/upkeep/{upkeepId:guid}", AddUpkeepAsync).Repeatable();
        machines.MapPut("/{id:guid}/bottles/{bottleId:guid}", AddBottleAsync).Repeatable();
    }

    private static async Task<Page<MachineInBooth>> ListAsync(int? after, MachineStore machines, TimeProvider clock)
    {
        var page = await machines.KeptUpAsync(after ?? 0);
        return new([.. page.Select(View)], page.Count == MachineStore.Page ? $"{page[^1].Booth.Number}" : null);

        MachineInBooth View(KeptUpMachine kept) => new(
            kept.Booth.MachineId, kept.Booth, kept.Machine, [.. Controls(kept.Machine).Select(control => Problem(control.Control)).OfType<string>()],
            [.. UpkeepOf(kept, clock).Where(part => part.Due && part.LastDone is not null).Select(part => part.Name)]);
    }

    private static async Task<Results<Ok<MachineDetail>, NotFound>> DetailAsync(Guid id, MachineStore machines, TimeProvider clock)
    {
        if (await machines.KeptUpAsync(0, id) is not [var kept]) return TypedResults.NotFound();
        var readings = await machines.ReadingsAsync(id);
        var around = await machines.AroundAsync(id);
        var charts = (await machines.ChartsAsync(id)).Select(entered => new ComparedChart(
            entered.Id, entered.Chart, entered.EnteredAt,
            entered.Chart.Compare(kept.Machine, [.. around.Right.Where(entry => entered.Chart.Fits(entry.Job)).Select(entry => entry.Bead)])));
        // At the flow of what is welded there now.
        var flow = around.Flow ?? UsualFlow;
        return TypedResults.Ok(new MachineDetail(
            id, kept.Booth, kept.Machine, readings,
            [.. Controls(kept.Machine).Select(control => Fit(control.Which, control.Control, readings))],
            [.. charts],
            UpkeepOf(kept, clock),
            around.Bottle is not { } bottle ? null
                : new BottleState(bottle, Core.Calculators.Bottle.Litres(bottle.WaterL, bottle.Bar), Core.Calculators.Bottle.HoursLeft(bottle.WaterL, bottle.Bar, flow), flow)));
    }

    private static IReadOnlyList<PartState> UpkeepOf(KeptUpMachine kept, TimeProvider clock) => Upkeep.Of(kept.Machine, kept.Done, kept.Beads, clock.GetUtcNow());

    private static IEnumerable<(ReadControl Which, Control Control)> Controls(Machine machine)
    {
        if (machine.WireControl is { } wire) yield return (ReadControl.Wire, wire);
        if (machine.VoltControl is { } volt) yield return (ReadControl.Volt, volt);
        if (machine.AmpControl is { } amp) yield return (ReadControl.Amp, amp);
    }

    private static string? Problem(Control control) => Calibration.TryFit(control, out _, out var problem) ? null : problem;

    private static ControlFit Fit(ReadControl which, Control control, IReadOnlyList<TakenReading> readings)
    {
        var own = readings.Where(reading => reading.Control == which).ToArray();
        DateTimeOffset? oldest = own.Length == 0 ? null : own.Min(reading => reading.TakenAt);
        return Calibration.TryFit(control, out var fit, out var problem)
            ? new ControlFit(which, null, fit!.SpreadShare, fit.Strays, Calibration.ReadOutOff(control), oldest)
            : new ControlFit(which, problem, null, [], null, oldest);
    }

    private static async Task<Results<NoContent, ValidationProblem>> AddAsync(Guid id, NewMachine request, BoothStore booths, MachineStore machines)
    {
        var problems = new Dictionary<string, string>();
        if (request.Machine is not { } machine) return Problems.Field("machine", "Which machine?");
        if ((machine.Name ?? "").Trim().Length is 0 or > 60) problems["name"] = "What does the room call it? Up to 60 letters.";
        if (machine.Load is null) problems["load"] = "What is on it? At least gas and polarity.";
        if (request.BoothNumber is < 1 or > 99) problems["boothNumber"] = "A booth number from 1 to 99.";
        if ((machine.WireControl is null) != (machine.VoltControl is null)) problems["wireControl"] = "A machine that feeds wire has a wire control and a volt control.";
        if (machine.WireControl is null && machine.AmpControl is null) problems["wireControl"] = "A machine has a wire control and a volt control, or a current control, or all three.";
        CheckDial(machine.WireControl, "wireControl", WireUnits, problems);
        CheckDial(machine.VoltControl, "voltControl", VoltUnits, problems);
        CheckDial(machine.AmpControl, "ampControl", AmpUnits, problems);
        if (machine.WireControl?.Kind == ControlKind.Trim) problems["wireControl"] = "Only volts are trimmed here.";
        if (machine.Rating is { } rating && !(rating.Amps.Amps is >= 10 and <= 1000 && rating.DutyPercent is >= 5 and <= 100 && rating.MostAmps >= rating.Amps && rating.MostAmps.Amps <= 1000))
        {
            problems["rating"] = "Rated amps from 10 to 1000, a duty of 5 to 100 %, and the most it gives, no less than rated.";
        }
        if (machine.Programs.Count > 60 || machine.Programs.Select(program => program.Number).Distinct().Count() != machine.Programs.Count || machine.Programs.Any(program => program.Number is < 0 or > 9999))
        {
            problems["programs"] = "Up to 60 programs, each number once.";
        }
        if (problems.Count > 0) return Problems.Fields(problems);
        if (await booths.IsTakenAsync(request.BoothNumber, request.BoothId)) return Problems.Field("boothNumber", $"There is a booth {request.BoothNumber} already.");
        if (!await machines.AddAsync(id, machine with { Name = machine.Name!.Trim() }, Sent.Of(request))) return Problems.Field("name", "There is a machine of this name already.");
        return await booths.AddAsync(new Booth(request.BoothId, request.BoothNumber, id))
            ? TypedResults.NoContent()
            : Problems.Field("boothNumber", $"There is a booth {request.BoothNumber} already.");
    }

    private static void CheckDial(Control? control, string field, string[] units, Dictionary<string, string> problems)
    {
        if (control?.Check(units) is { } wrong) problems[field] = wrong;
    }

    private static async Task<Results<NoContent, NotFound, ValidationProblem>> AddReadingAsync(Guid id, Guid readingId, NewReading request, MachineStore machines)
    {
        if (await machines.FindAsync(id) is not { } machine) return TypedResults.NotFound();
        var sent = Sent.Of(request).Under(id);
        if (await machines.IsReadAsync(readingId, sent)) return TypedResults.NoContent();
        var control = request.Control switch { ReadControl.Wire => machine.WireControl, ReadControl.Volt => machine.VoltControl, _ => machine.AmpControl };
        if (control is null) return Problems.Field("control", $"{machine.Name} has no such control.");
        var problems = new Dictionary<string, string>();
        double measured;
        if (request.Measured is { } given) measured = given;
        else if (request.Control == ReadControl.Wire)
        {
            if (request.Seconds is not (>= 1 and <= 120)) problems["seconds"] = "Let it run 1 to 120 seconds.";
            if (request.Length is not { } ran || ran.Mm is < 10 or > 50_000) problems["lengthMm"] = "How much wire came out? 10 mm to 50 m.";
            if (problems.Count > 0) return Problems.Fields(problems);
            measured = request.Length!.Value.Mm / request.Seconds!.Value * 60 / 1000;
        }
        else
        {
            return Problems.Field("measured", "What the meter said, above 0.");
        }
        if (!(measured > 0 && measured < 2000)) problems["measured"] = "What the ruler or the meter said, above 0.";
        // A trim's volts are measured at marks of the wire control they follow.
        var dial = control.Kind == ControlKind.Trim ? machine.WireControl! : control;
        if (!(request.Mark >= dial.LowestMark && request.Mark <= dial.HighestMark)) problems["mark"] = $"The dial runs from {dial.Read(dial.LowestMark)} to {dial.Read(dial.HighestMark)}.";
        if (problems.Count > 0) return Problems.Fields(problems);
        // Too few readings to fit is no fault; one that falls against the others is.
        var with = control with { Readings = [.. control.Readings, new Reading(request.Mark, measured)] };
        if (!Calibration.TryFit(with, out _, out var problem) && problem.Contains("measure both again", StringComparison.Ordinal)) return Problems.Field("measured", problem);
        var byRuler = request.Measured is null;
        await machines.AddReadingAsync(
            id, new TakenReading(readingId, request.Control, request.Mark, measured, byRuler ? request.Seconds : null, byRuler ? request.Length : null, default), sent);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawReadingAsync(Guid id, Guid readingId, ReadingWithdrawal request, MachineStore machines) =>
        await machines.SetReadingWithdrawnAsync(id, readingId, request.Withdrawn) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<Ok<Translation>, NotFound, ValidationProblem>> TranslateAsync(Guid id, string control, double? mark, double? value, MachineStore machines)
    {
        if (await machines.FindAsync(id) is not { } machine) return TypedResults.NotFound();
        var asked = control.ToLowerInvariant() switch { "wire" => machine.WireControl, "volt" => machine.VoltControl, "amp" => machine.AmpControl, _ => null };
        // Volts that follow the wire control have no dial of their own to read.
        if (asked is null || asked.Kind == ControlKind.Trim) return Problems.Field("control", $"{machine.Name} has no such dial.");
        if (!Calibration.TryFit(asked, out var fit, out var problem)) return Problems.Field("control", problem);
        if (mark is { } at)
        {
            if (!(at >= asked.LowestMark && at <= asked.HighestMark)) return Problems.Field("mark", $"The dial runs from {asked.Read(asked.LowestMark)} to {asked.Read(asked.HighestMark)}.");
            var gives = fit!.ValueAt(at);
            return TypedResults.Ok(new Translation(at, asked.Read(at), gives.Value, gives.SureShare, gives.MarksBeyond, false));
        }
        if (value is not (>= 0 and < 2000)) return Problems.Field("value", "A mark, or what it should give.");
        var set = fit!.MarkFor(value.Value);
        return TypedResults.Ok(new Translation(set.Mark, asked.Read(set.Mark), set.Value, set.SureShare, set.MarksBeyond, set.OutOfReach));
    }

    private static async Task<Results<NoContent, NotFound, ValidationProblem>> LoadAsync(Guid id, Guid loadId, Load request, ClaimsPrincipal user, MachineStore machines)
    {
        if (await machines.FindAsync(id) is not { } machine) return TypedResults.NotFound();
        var problems = new Dictionary<string, string>();
        if (request.Program is { } number && machine.Programs.All(program => program.Number != number)) problems["program"] = $"{machine.Name} has no program {number}.";
        if (request.Tip is { } tip && tip.Mm is < 0.5 or > 3) problems["tipMm"] = "A tip from 0.5 to 3 mm.";
        if (request.Tungsten is { } tungsten && tungsten.Mm is < 0.5 or > 7) problems["tungstenMm"] = "A tungsten from 0.5 to 7 mm.";
        if (problems.Count > 0) return Problems.Fields(problems);
        await machines.LoadAsync(loadId, id, request, user.Id(), Sent.Of(request).Under(id));
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound, ValidationProblem>> AddChartAsync(Guid id, Guid chartId, NewChart request, ClaimsPrincipal user, MachineStore machines)
    {
        if (await machines.FindAsync(id) is not { } machine) return TypedResults.NotFound();
        var problems = new Dictionary<string, string>();
        if (request.Process is null || !request.Process.Value.Facts().FeedsWire) problems["process"] = "A chart is for a process that feeds wire.";
        if (request.Wire is null) problems["wire"] = "Which wire is the chart for?";
        if (request.Gas is null) problems["gas"] = "Which gas is the chart for?";
        var steps = ChartCsv.Steps(request, problems);
        if (problems.Count > 0) return Problems.Fields(problems);
        var chart = new DoorChart(request.Process!.Value, request.Wire!.Value, request.Gas!.Value, steps);
        if (chart.Check(machine) is { Count: > 0 } wrong) return Problems.Fields(wrong);
        await machines.AddChartAsync(chartId, id, chart, user.Id(), Sent.Of(request).Under(id));
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawChartAsync(Guid id, Guid chartId, ReadingWithdrawal request, MachineStore machines) =>
        await machines.SetChartWithdrawnAsync(id, chartId, request.Withdrawn) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<FileContentHttpResult, NotFound>> ChartCsvAsync(Guid id, Guid chartId, MachineStore machines) =>
        (await machines.ChartsAsync(id)).FirstOrDefault(chart => chart.Id == chartId) is { } entered
            ? TypedResults.File(ChartCsv.Write(entered.Chart), "text/csv; charset=utf-8", "chart.csv")
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound, ValidationProblem>> AddUpkeepAsync(Guid id, Guid upkeepId, NewUpkeep request, ClaimsPrincipal user, MachineStore machines)
    {
        if (await machines.FindAsync(id) is null) return TypedResults.NotFound();
        var note = (request.Note ?? "").Trim();
        if (note.Length > 200) return Problems.Field("note", "A note of up to 200 letters.");
        await machines.AddUpkeepAsync(upkeepId, id, request.Part, note, user.Id(), Sent.Of(request).Under(id));
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound, ValidationProblem>> AddBottleAsync(Guid id, Guid bottleId, NewBottle request, ClaimsPrincipal user, MachineStore machines)
    {
        if (await machines.FindAsync(id) is null) return TypedResults.NotFound();
        var problems = new Dictionary<string, string>();
        if (!(request.WaterL is >= 1 and <= 200)) problems["waterL"] = "Water volume of the bottle, 1 to 200 L; it is stamped on its shoulder.";
        if (!(request.Bar is >= 0 and <= 400)) problems["bar"] = "Pressure on the gauge, 0 to 400 bar.";
        if (problems.Count > 0) return Problems.Fields(problems);
        await machines.AddBottleAsync(bottleId, id, request.WaterL, request.Bar, user.Id(), Sent.Of(request).Under(id));
        return TypedResults.NoContent();
    }
}
