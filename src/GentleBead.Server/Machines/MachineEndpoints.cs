using System.Security.Claims;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Rooms;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Machines;

/// <summary>A machine where it stands.</summary>
/// <param name="MachineId">Which machine.</param>
/// <param name="Booth">Its booth; null where it stands in none.</param>
/// <param name="RoomName">The booth's room; null with it.</param>
/// <param name="Machine">The machine as calibrated now.</param>
/// <param name="Problems">Why a control gives no marks, in words; empty when all do.</param>
/// <param name="DueParts">Parts that are due now.</param>
public sealed record MachineInBooth(
    Guid MachineId,
    Booth? Booth,
    string? RoomName,
    Machine Machine,
    IReadOnlyList<Said> Problems,
    IReadOnlyList<Said> DueParts
);

/// <summary>How a control's readings fit.</summary>
/// <param name="Control">Which control.</param>
/// <param name="Problem">Why it gives no marks; null when it does.</param>
/// <param name="SpreadShare">How far readings stray from one another, as a share; null with a problem.</param>
/// <param name="Strays">Readings that the others speak against.</param>
/// <param name="ReadOutOff">By how much a display shows more than was measured, as a share; null without.</param>
/// <param name="OldestAt">When its oldest reading was taken; null without readings.</param>
public sealed record ControlFit(
    ReadControl Control,
    Said? Problem,
    double? SpreadShare,
    IReadOnlyList<Stray> Strays,
    double? ReadOutOff,
    DateTimeOffset? OldestAt
);

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
    Guid MachineId,
    Booth? Booth,
    string? RoomName,
    Machine Machine,
    IReadOnlyList<TakenReading> Readings,
    IReadOnlyList<ControlFit> Fits,
    IReadOnlyList<ComparedChart> Charts,
    IReadOnlyList<PartState> Upkeep,
    BottleState? Bottle
);

/// <summary>A machine to add, and where it stands.</summary>
/// <param name="BoothId">The booth to make, where its room has none of that number yet.</param>
/// <param name="BoothNumber">In which booth it stands, beside any machine that is there already.</param>
/// <param name="Machine">The machine.</param>
/// <param name="RoomId">In which room; left out, the first.</param>
public sealed record NewMachine(Guid BoothId, int BoothNumber, Machine Machine, Guid? RoomId = null);

/// <summary>A mark and what it gives, whichever of the two was asked for.</summary>
/// <param name="Mark">The mark.</param>
/// <param name="Reads">The mark in the machine's words.</param>
/// <param name="Value">m/min, volts or amperes.</param>
/// <param name="SureShare">How far the value may stray either way, as a share.</param>
/// <param name="MarksBeyond">Distance in marks past the nearest reading.</param>
/// <param name="OutOfReach">Whether a wanted value lies past the end of the dial.</param>
public sealed record Translation(double Mark, Said Reads, double Value, double SureShare, double MarksBeyond, bool OutOfReach);

/// <summary>A step of a chart as typed.</summary>
public sealed record NewChartStep(string? Thickness, double? WireMark, double? VoltMark);

/// <summary>A chart as typed, or as CSV with the columns thickness, wireMark and voltMark.</summary>
public sealed record NewChart(Process? Process, Wire? Wire, Gas? Gas, IReadOnlyList<NewChartStep>? Steps, string? Csv);

/// <summary>A part that was seen to.</summary>
public sealed record NewUpkeep(Part Part, string? Note, bool Replaced = false);

/// <summary>A bottle's size and pressure.</summary>
public sealed record NewBottle(double WaterL, double Bar);

/// <summary>Machines, their booths, and everything noted about them.</summary>
public static class MachineEndpoints
{
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

    private static async Task<Page<MachineInBooth>> ListAsync(
        Guid? after,
        MachineStore machines,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var page = await machines.KeptUpAsync(after, cancel: cancel);
        return new([.. page.Select(View)], page.Count == MachineStore.Page ? $"{page[^1].Id}" : null);

        MachineInBooth View(KeptUpMachine kept) =>
            new(
                kept.Id,
                kept.Booth,
                kept.RoomName,
                kept.Machine,
                [.. kept.Machine.Controls().Select(control => Problem(control.Control)).OfType<Said>()],
                [.. UpkeepOf(kept, clock).Where(part => part.Due && part.LastDone is not null).Select(part => part.Name)]
            );
    }

    private static async Task<Results<Ok<MachineDetail>, NotFound>> DetailAsync(
        Guid id,
        MachineStore machines,
        ReadingStore taken,
        ChartStore entered,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await machines.KeptUpAsync(null, id, cancel) is not [var kept])
            return TypedResults.NotFound();
        var readings = await taken.OfMachineAsync(id, cancel);
        var around = await machines.AroundAsync(id, cancel);
        var charts = (await entered.OfMachineAsync(id, cancel)).Select(one => new ComparedChart(
            one.Id,
            one.Chart,
            one.EnteredAt,
            one.Chart.Compare(kept.Machine, [.. around.Right.Where(entry => one.Chart.Fits(entry.Job)).Select(entry => entry.Bead)])
        ));
        // At the flow of what is welded there now.
        var flow = around.Flow ?? UsualFlow;
        return TypedResults.Ok(
            new MachineDetail(
                id,
                kept.Booth,
                kept.RoomName,
                kept.Machine,
                readings,
                [.. kept.Machine.Controls().Select(control => Fit(control.Which, control.Control, readings))],
                [.. charts],
                UpkeepOf(kept, clock),
                around.Bottle is not { } bottle
                    ? null
                    : new BottleState(
                        bottle,
                        Core.Calculators.Bottle.Litres(bottle.WaterL, bottle.Bar),
                        Core.Calculators.Bottle.HoursLeft(bottle.WaterL, bottle.Bar, flow),
                        flow
                    )
            )
        );
    }

    private static IReadOnlyList<PartState> UpkeepOf(KeptUpMachine kept, TimeProvider clock) =>
        Upkeep.Of(kept.Machine, kept.Done, kept.Beads, clock.GetUtcNow());

    private static Said? Problem(Control control) => Calibration.TryFit(control, out _, out var problem) ? null : problem;

    private static ControlFit Fit(ReadControl which, Control control, IReadOnlyList<TakenReading> readings)
    {
        var own = readings.Where(reading => reading.Control == which).ToArray();
        DateTimeOffset? oldest = own.Length == 0 ? null : own.Min(reading => reading.TakenAt);
        return Calibration.TryFit(control, out var fit, out var problem)
            ? new ControlFit(which, null, fit!.SpreadShare, fit.Strays, Calibration.ReadOutOff(control), oldest)
            : new ControlFit(which, problem, null, [], null, oldest);
    }

    private static async Task<Results<NoContent, Wrong>> AddAsync(
        Guid id,
        NewMachine request,
        ClaimsPrincipal user,
        BoothStore booths,
        MachineStore machines,
        MoveStore moves,
        CancellationToken cancel
    )
    {
        if (request.Machine is not { } machine)
            return Problems.Field("machine", Say($"Which machine?"));
        var problems = machine.Problems().ToList();
        if (request.BoothNumber is < 1 or > RoomEndpoints.HighestNumber)
            problems.Add(new("boothNumber", Say($"A booth number from 1 to {RoomEndpoints.HighestNumber}.")));
        var room = await booths.RoomOrFirstAsync(request.RoomId, cancel);
        if (room is null)
            problems.Add(new("roomId", Say($"There is no such room.")));
        if (problems.Count > 0)
            return Problems.Of(problems);
        var sent = Sent.Of(request);
        if (!await machines.AddAsync(id, machine with { Name = machine.Name!.Trim() }, sent, cancel))
            return Problems.Field("name", Say($"There is a machine of this name already."));
        // A machine without its booth would be nowhere: what was begun is finished. Its first move goes by its own id, so that a second
        // try makes no second one.
        var booth = await booths.OfNumberAsync(
            new Booth(request.BoothId, request.BoothNumber, room!.Id),
            user.Id(),
            sent,
            CancellationToken.None
        );
        await moves.MoveAsync(id, id, booth, "", user.Id(), sent, CancellationToken.None);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> AddReadingAsync(
        Guid id,
        Guid readingId,
        NewReading request,
        MachineStore machines,
        ReadingStore readings,
        CancellationToken cancel
    )
    {
        if (await machines.FindAsync(id, cancel) is not { } machine)
            return TypedResults.NotFound();
        var sent = Sent.Of(request).Under(id);
        if (await readings.IsTakenAsync(readingId, sent, cancel))
            return TypedResults.NoContent();
        if (!request.On(machine).IsGood(out var reading, out var problems))
            return Problems.Of(problems);
        var byRuler = request.Measured is null;
        await readings.AddAsync(
            id,
            new TakenReading(
                readingId,
                request.Control,
                reading.Mark,
                reading.Measured,
                byRuler ? request.Seconds : null,
                byRuler ? request.Length : null,
                default
            ),
            sent,
            cancel: cancel
        );
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawReadingAsync(
        Guid id,
        Guid readingId,
        Withdrawal request,
        ReadingStore readings,
        CancellationToken cancel
    ) => await readings.SetWithdrawnAsync(id, readingId, request.Withdrawn, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<Ok<Translation>, NotFound, Wrong>> TranslateAsync(
        Guid id,
        string control,
        double? mark,
        double? value,
        MachineStore machines,
        CancellationToken cancel
    )
    {
        if (await machines.FindAsync(id, cancel) is not { } machine)
            return TypedResults.NotFound();
        var asked = control.ToLowerInvariant() switch
        {
            "wire" => machine.WireControl,
            "volt" => machine.VoltControl,
            "amp" => machine.AmpControl,
            _ => null,
        };
        // Volts that follow the wire control have no dial of their own to read.
        if (asked is null || asked.Kind == ControlKind.Trim)
            return Problems.Field("control", Say($"{machine.Name.Name()} has no such dial."));
        if (!Calibration.TryFit(asked, out var fit, out var problem))
            return Problems.Field("control", problem);
        if (mark is { } at)
        {
            if (!asked.IsOn(at))
                return Problems.Field("mark", asked.Runs());
            var gives = fit!.ValueAt(at);
            return TypedResults.Ok(new Translation(at, asked.Read(at), gives.Value, gives.SureShare, gives.MarksBeyond, false));
        }
        if (value is not (>= 0 and < 2000))
            return Problems.Field("value", Say($"A mark, or what it should give."));
        var set = fit!.MarkFor(value.Value);
        return TypedResults.Ok(new Translation(set.Mark, asked.Read(set.Mark), set.Value, set.SureShare, set.MarksBeyond, set.OutOfReach));
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> LoadAsync(
        Guid id,
        Guid loadId,
        Load request,
        ClaimsPrincipal user,
        MachineStore machines,
        CancellationToken cancel
    )
    {
        if (await machines.FindAsync(id, cancel) is not { } machine)
            return TypedResults.NotFound();
        if (request.Problems(machine).ToArray() is { Length: > 0 } wrong)
            return Problems.Of(wrong);
        await machines.LoadAsync(loadId, id, request, user.Id(), Sent.Of(request).Under(id), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> AddChartAsync(
        Guid id,
        Guid chartId,
        NewChart request,
        ClaimsPrincipal user,
        MachineStore machines,
        ChartStore charts,
        CancellationToken cancel
    )
    {
        if (await machines.FindAsync(id, cancel) is not { } machine)
            return TypedResults.NotFound();
        var problems = new List<Problem>();
        if (request.Process is null || !request.Process.Value.Facts().FeedsWire)
            problems.Add(new("process", Say($"A chart is for a process that feeds wire.")));
        if (request.Wire is null)
            problems.Add(new("wire", Say($"Which wire is the chart for?")));
        if (request.Gas is null)
            problems.Add(new("gas", Say($"Which gas is the chart for?")));
        var steps = ChartCsv.Steps(request, problems);
        if (problems.Count > 0)
            return Problems.Of(problems);
        var chart = new DoorChart(request.Process!.Value, request.Wire!.Value, request.Gas!.Value, steps);
        if (chart.Problems(machine).ToArray() is { Length: > 0 } wrong)
            return Problems.Of(wrong);
        await charts.AddAsync(chartId, id, chart, user.Id(), Sent.Of(request).Under(id), cancel: cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawChartAsync(
        Guid id,
        Guid chartId,
        Withdrawal request,
        ChartStore charts,
        CancellationToken cancel
    ) => await charts.SetWithdrawnAsync(id, chartId, request.Withdrawn, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<FileContentHttpResult, NotFound>> ChartCsvAsync(
        Guid id,
        Guid chartId,
        ChartStore charts,
        CancellationToken cancel
    ) =>
        (await charts.OfMachineAsync(id, cancel)).FirstOrDefault(chart => chart.Id == chartId) is { } entered
            ? TypedResults.File(ChartCsv.Write(entered.Chart), "text/csv; charset=utf-8", "chart.csv")
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound, Wrong>> AddUpkeepAsync(
        Guid id,
        Guid upkeepId,
        NewUpkeep request,
        ClaimsPrincipal user,
        MachineStore machines,
        CancellationToken cancel
    )
    {
        if (await machines.FindAsync(id, cancel) is null)
            return TypedResults.NotFound();
        var note = (request.Note ?? "").Trim();
        if (note.Length > 200)
            return Problems.Field("note", Say($"A note of up to 200 letters."));
        var seenTo = new PartSeenTo(request.Part, request.Replaced, note);
        await machines.AddUpkeepAsync(upkeepId, id, seenTo, user.Id(), Sent.Of(request).Under(id), cancel: cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> AddBottleAsync(
        Guid id,
        Guid bottleId,
        NewBottle request,
        ClaimsPrincipal user,
        MachineStore machines,
        CancellationToken cancel
    )
    {
        if (await machines.FindAsync(id, cancel) is null)
            return TypedResults.NotFound();
        if (Core.Calculators.Bottle.Problems(request.WaterL, request.Bar).ToArray() is { Length: > 0 } wrong)
            return Problems.Of(wrong);
        await machines.AddBottleAsync(bottleId, id, request.WaterL, request.Bar, user.Id(), Sent.Of(request).Under(id), cancel: cancel);
        return TypedResults.NoContent();
    }
}
