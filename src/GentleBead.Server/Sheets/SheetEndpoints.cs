using System.Security.Claims;
using GentleBead.Core.Judging;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Sheets;

/// <summary>A job to compute.</summary>
/// <param name="Job">The job.</param>
/// <param name="BoothId">In the marks of which booth's machine; left out, without marks.</param>
/// <param name="SessionId">For whoever stands there in which session; left out, for either hand.</param>
/// <param name="MachineId">With which of the machines there; left out, the one that came first.</param>
public sealed record ComputeRequest(JobRequest Job, Guid? BoothId, Guid? SessionId = null, Guid? MachineId = null);

/// <summary>A job to assign to whoever stands at a booth.</summary>
/// <param name="Job">The job.</param>
/// <param name="SessionId">In which session.</param>
/// <param name="BoothId">At which booth.</param>
/// <param name="Overrule">Why it is given out although something on the machine does not fit; left out while all fits.</param>
/// <param name="Criteria">Whose limits its beads are measured by; left out, the room's own.</param>
/// <param name="MachineId">With which of the machines there; left out, the one that came first.</param>
public sealed record AssignRequest(
    JobRequest Job,
    Guid SessionId,
    Guid BoothId,
    string? Overrule = null,
    CriteriaSet? Criteria = null,
    Guid? MachineId = null
);

/// <summary>A wire as the lists show it.</summary>
/// <param name="Wire">Which wire.</param>
/// <param name="Name">Its name.</param>
/// <param name="Kind">What it is made of.</param>
/// <param name="Processes">Processes it is used in.</param>
public sealed record StockWire(Wire Wire, Said Name, WireKind Kind, IReadOnlyList<Process> Processes);

/// <summary>A gas as the lists show it.</summary>
public sealed record StockGas(Gas Gas, Said Name, string IsoGroup);

/// <summary>What a job can be made of.</summary>
public sealed record StockLists(IReadOnlyList<StockWire> Wires, IReadOnlyList<StockGas> Gases);

/// <summary>The same job with other wires, and in other modes.</summary>
public sealed record Alternatives(IReadOnlyList<OtherWire> Wires, IReadOnlyList<OtherMode> Modes);

/// <summary>Computing and assigning sheets.</summary>
public static class SheetEndpoints
{
    private static readonly StockLists Stock = new(
        [
            .. Wires.All.Select(wire => new StockWire(
                wire.Wire,
                wire.Name,
                wire.Kind,
                [.. Processes.All.Where(row => wire.RangeIn(row.Process) is not null).Select(row => row.Process)]
            )),
        ],
        [.. Gases.All.Select(gas => new StockGas(gas.Gas, gas.Name, gas.IsoGroup))]
    );

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var sheets = app.MapGroup("/api/sheets").WithTags("sheets");
        sheets.MapGet("/stock", () => Stock).RequireAuthorization(Access.SignedIn);
        sheets.MapPost("/compute", ComputeAsync).RequireAuthorization(Access.SignedIn);
        sheets.MapPost("/alternatives", AlternativesAsync).RequireAuthorization(Access.SignedIn);
        sheets.MapPut("/{id:guid}", AssignAsync).RequireAuthorization(Access.Instructor).Repeatable();
    }

    private static async Task<Results<Ok<Sheet>, Wrong>> ComputeAsync(
        ComputeRequest request,
        ClaimsPrincipal user,
        SettingStore settings,
        CancellationToken cancel
    )
    {
        // Who stands where is nothing a student asks about.
        var sessionId = user.IsInRole(nameof(Role.Instructor)) ? request.SessionId : null;
        if (await settings.OfAsync(request.BoothId, user.Id(), sessionId, request.MachineId, cancel) is not { } setting)
            return Problems.Field("boothId", Say($"There is no such booth."));
        if (request.MachineId is not null && setting.MachineId is null)
            return NotThere();
        return (request.Job ?? JobRequest.Nothing).Plan(setting).IsGood(out var sheet, out var problems)
            ? TypedResults.Ok(sheet)
            : Problems.Of(problems);
    }

    private static async Task<Results<Ok<Alternatives>, Wrong>> AlternativesAsync(
        ComputeRequest request,
        ClaimsPrincipal user,
        SettingStore settings,
        CancellationToken cancel
    )
    {
        if (await settings.OfAsync(request.BoothId, user.Id(), machineId: request.MachineId, cancel: cancel) is not { } setting)
            return Problems.Field("boothId", Say($"There is no such booth."));
        if (request.MachineId is not null && setting.MachineId is null)
            return NotThere();
        if (!(request.Job ?? JobRequest.Nothing).Whole(setting.Machine).IsGood(out var job, out var problems))
            return Problems.Of(problems);
        return TypedResults.Ok(new Alternatives(OtherWires.For(job, setting.Machine, setting.Way), TransferModes.Others(job, setting.Way)));
    }

    private static async Task<Results<Ok<AssignedSheet>, Wrong>> AssignAsync(
        Guid id,
        AssignRequest request,
        ClaimsPrincipal user,
        SheetStore sheets,
        SettingStore settings,
        CancellationToken cancel
    )
    {
        var sent = Sent.Of(request);
        if (await sheets.IsRepeatAsync(id, sent, cancel))
            return TypedResults.Ok((await sheets.FindAsync(id, cancel))!);
        if (await settings.OfAsync(request.BoothId, user.Id(), request.SessionId, request.MachineId, cancel) is not { } setting)
            return Problems.Field("boothId", Say($"There is no such booth."));
        if (setting.StudentId is not { } studentId)
            return Problems.Field("boothId", Say($"Nobody stands at booth {setting.BoothNumber}. Put a student there first."));
        if (setting.MachineId is not { } machineId)
            return request.MachineId is null
                ? Problems.Field("boothId", Say($"No machine stands at booth {setting.BoothNumber}. Move one there first."))
                : NotThere();
        if (!(request.Job ?? JobRequest.Nothing).Plan(setting).IsGood(out var sheet, out var problems))
            return Problems.Of(problems);
        var overrule = (request.Overrule ?? "").Trim();
        if (sheet.Mismatches.Count > 0 && overrule.Length is 0 or > 200)
        {
            return Problems.Field(
                "overrule",
                Say(
                    $"The machine does not fit this sheet: "
                        + $"{sheet.Mismatches.Select(mismatch => Say($"{mismatch.Loaded} instead of {mismatch.Wanted}"))}. Mend "
                        + $"it, or say in up to 200 letters why it may stay."
                )
            );
        }
        var given = new AssignedSheet(
            id,
            request.SessionId,
            request.BoothId,
            machineId,
            studentId,
            default,
            sheet,
            sheet.Mismatches.Count > 0 ? overrule : null,
            request.Criteria ?? CriteriaSet.Practice
        );
        await sheets.AddAsync(given, user.Id(), sent, cancel: cancel);
        return TypedResults.Ok((await sheets.FindAsync(id, cancel))!);
    }

    // Moved since the page was opened, or never there.
    private static Wrong NotThere() => Problems.Field("machineId", Say($"This machine does not stand at that booth."));
}
