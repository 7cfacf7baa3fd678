using System.Security.Claims;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Trials;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Machines;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Trials;

/// <summary>A sweep to record.</summary>
/// <param name="SheetId">The sheet at the booth, for process, wire and gas.</param>
/// <param name="VoltMark">Where the volt control stood; or leave it out and give <paramref name="Volts"/>.</param>
/// <param name="Volts">Volts as measured.</param>
/// <param name="Run">The run.</param>
/// <param name="StickOut">Tip to work while it was run, 3 to 40 mm; left out, the sheet's own.</param>
/// <param name="NotedAt">When it was run, by the server's clock as the booth knows it; null for now.</param>
public sealed record SweepRequest(
    Guid SheetId,
    double? VoltMark,
    Voltage? Volts,
    SweepRun Run,
    Length? StickOut = null,
    DateTimeOffset? NotedAt = null
);

/// <summary>Whether a machine is to learn from a student's own sweep.</summary>
public sealed record Taking(bool Taken);

/// <summary>Recording wire sweeps.</summary>
public static class SweepEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var sweeps = app.MapGroup("/api/sweeps").WithTags("sweeps");
        sweeps.MapPut("/{id:guid}", RecordAsync).RequireAuthorization(Access.AtWork).Repeatable();
        sweeps.MapPut("/{id:guid}/withdrawn", WithdrawAsync).RequireAuthorization(Access.Instructor);
        sweeps.MapPut("/{id:guid}/taken", TakeAsync).RequireAuthorization(Access.Instructor);
        sweeps
            .MapGet(
                "/of-machine/{machineId:guid}",
                (Guid machineId, SweepStore store, CancellationToken cancel) => store.OfMachineAsync(machineId, cancel)
            )
            .RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<Ok<RunSweep>, Wrong>> RecordAsync(
        Guid id,
        SweepRequest request,
        ClaimsPrincipal user,
        SweepStore sweeps,
        SheetStore sheets,
        SheetAtHand atHand,
        MachineStore machines,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var sent = Sent.Of(request);
        if (await sweeps.IsRepeatAsync(id, sent, cancel))
            return TypedResults.Ok((await sweeps.FindAsync(id, cancel))!);
        if (await atHand.RefusalAsync(user, request.SheetId, request.NotedAt, cancel) is { } others)
            return Problems.Field("sheetId", others);
        if (await sheets.FindAsync(request.SheetId, cancel) is not { } sheet)
            return Problems.Field("sheetId", Say($"There is no such sheet."));
        if (sheet.Body.Pair is null)
            return Problems.Field("sheetId", Say($"A sweep turns the wire; a TIG sheet feeds none."));
        if (request.Run is not { Events: not null } run)
            return Problems.Field("run", Say($"The run is missing."));
        var machine = (await machines.FindAsync(sheet.MachineId, cancel))!;
        if (!Dials.TryFit(machine, out var dials, out var uncalibrated))
            return Problems.Field("run", uncalibrated);
        var problems = run.Problems(machine.WireControl!)
            .DistinctBy(problem => problem.Field)
            .Select(problem => problem.Under("run"))
            .ToList();
        // The volts are held while the wire is turned; where they follow the wire they cannot be.
        if (machine.VoltControl!.Kind == ControlKind.Trim)
            problems.Add(new("voltMark", Say($"The volts of this machine follow the wire: a sweep cannot hold them.")));
        if (request.StickOut is { Mm: not (>= 3 and <= 40) })
            problems.Add(new("stickOutMm", Say($"A stick-out of {new Either("3 to 40 mm", "1/8 to 1 9/16 in")}.")));
        if (problems.Count > 0)
            return Problems.Of(problems);
        var middle = machine.WireControl!.Settable((run.FromMark + run.ToMark) / 2);
        if (!machine.Read(middle, request.VoltMark, null, request.Volts).IsGood(out var pair, out var unread))
            return Problems.Of(unread);
        var arc = sheet.Body.Job.RequireArc();
        var finding = SweepFinding.Of(run, dials!, arc, pair.Volts, request.StickOut);
        await sweeps.AddAsync(
            new RunSweep(id, sheet.MachineId, arc, pair.Volts, request.StickOut, run, finding, default),
            user.Id(),
            !user.IsInRole(nameof(Role.Instructor)),
            sent,
            sheet.When(request.NotedAt, clock.GetUtcNow()),
            cancel
        );
        return TypedResults.Ok((await sweeps.FindAsync(id, cancel))!);
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawAsync(
        Guid id,
        Withdrawal request,
        SweepStore sweeps,
        CancellationToken cancel
    ) => await sweeps.SetWithdrawnAsync(id, request.Withdrawn, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> TakeAsync(
        Guid id,
        Taking request,
        ClaimsPrincipal user,
        SweepStore sweeps,
        CancellationToken cancel
    ) => await sweeps.SetTakenAsync(id, request.Taken ? user.Id() : null, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
}
