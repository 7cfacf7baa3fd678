using System.Globalization;
using System.Security.Claims;
using GentleBead.Core.Kept;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Kept;

/// <summary>A setting to keep: a sheet's job with the marks that worked.</summary>
/// <param name="MachineId">On which machine.</param>
/// <param name="SheetId">The sheet whose job it welded.</param>
/// <param name="BeadId">The bead it made; left out when none is named.</param>
/// <param name="WireMark">Where the wire control stood.</param>
/// <param name="VoltMark">Where the volt control stood.</param>
/// <param name="AmpMark">Where the current control stood.</param>
/// <param name="Note">What it is for.</param>
public sealed record NewKeepsake(
    Guid MachineId,
    Guid SheetId,
    Guid? BeadId,
    double? WireMark,
    double? VoltMark,
    double? AmpMark,
    string? Note
);

/// <summary>A kept setting as it is shown.</summary>
/// <param name="Id">Which one.</param>
/// <param name="MachineId">On which machine.</param>
/// <param name="MachineName">Its name.</param>
/// <param name="By">Who kept it.</param>
/// <param name="Note">What it is for.</param>
/// <param name="Job">What it welded.</param>
/// <param name="Reads">Its marks in the machine's words.</param>
/// <param name="Bead">The bead it made; null when none was named.</param>
/// <param name="KeptAt">When.</param>
/// <param name="LastSeen">Where the machine stood for the last bead welded on it; null before the first.</param>
public sealed record KeptView(
    Guid Id,
    Guid MachineId,
    string MachineName,
    PersonName By,
    string Note,
    Core.Rules.Job Job,
    Said Reads,
    RackBead? Bead,
    DateTimeOffset KeptAt,
    LastSeen? LastSeen
);

/// <summary>Where a machine stood for a bead.</summary>
public sealed record LastSeen(double? WireMark, double? VoltMark, double? AmpMark, DateTimeOffset At);

/// <summary>Where a machine's controls stand now.</summary>
public sealed record StandsNow(double? WireMark, double? VoltMark, double? AmpMark);

/// <summary>Keeping a setting that worked, and finding it again. Students see their own.</summary>
public static class KeptEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var kept = app.MapGroup("/api/kept").WithTags("kept").RequireAuthorization(Access.SignedIn);
        kept.MapGet("/", ListAsync);
        kept.MapPut("/{id:guid}", KeepAsync).Repeatable();
        kept.MapPut("/{id:guid}/withdrawn", WithdrawAsync);
        kept.MapPost("/{id:guid}/compare", CompareAsync);
    }

    private static Guid? Own(ClaimsPrincipal user) => user.IsInRole(nameof(Role.Instructor)) ? null : user.Id();

    private static async Task<Page<KeptView>> ListAsync(
        Guid? machineId,
        string? joint,
        string? thickness,
        long? before,
        ClaimsPrincipal user,
        KeptStore store,
        CancellationToken cancel
    )
    {
        Length? wanted = Thickness.TryParse(thickness, out var typed, out _) ? typed!.Value : null;
        Joint? onlyJoint = Enum.TryParse<Joint>(joint, ignoreCase: true, out var named) && Enum.IsDefined(named) ? named : null;
        var (page, more) = await store.FindAsync(new SoughtKept(machineId, onlyJoint, wanted), Own(user), before, cancel);
        return new(
            [
                .. page.Select(found => new KeptView(
                    found.Kept.Id,
                    found.Kept.MachineId,
                    found.MachineName,
                    found.By,
                    found.Kept.Note,
                    found.Kept.Setting.Job,
                    found.Kept.Setting.Reads(found.Machine),
                    found.Bead,
                    found.Kept.KeptAt,
                    found.LastSeen
                )),
            ],
            more?.ToString(CultureInfo.InvariantCulture)
        );
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> KeepAsync(
        Guid id,
        NewKeepsake request,
        ClaimsPrincipal user,
        KeptStore store,
        MachineStore machines,
        SheetStore sheets,
        BeadStore beads,
        CancellationToken cancel
    )
    {
        if (await sheets.FindAsync(request.SheetId, cancel) is not { } sheet || !user.MaySee(sheet.StudentId))
            return TypedResults.NotFound();
        if (sheet.MachineId != request.MachineId)
            return Problems.Field("machineId", Say($"This sheet was not given out for that machine."));
        var note = (request.Note ?? "").Trim();
        if (note.Length > 200)
            return Problems.Field("note", Say($"A note of up to 200 letters."));
        if (request.BeadId is { } beadId && (await beads.FindAsync(beadId, cancel))?.SheetId != sheet.Id)
            return Problems.Field("beadId", Say($"There is no such bead on this coupon."));
        var setting = new KeptSetting(sheet.Body.Job, request.WireMark, request.VoltMark, request.AmpMark);
        var machine = (await machines.FindAsync(sheet.MachineId, cancel))!;
        if (setting.Problems(machine).ToArray() is { Length: > 0 } wrong)
            return Problems.Of(wrong);
        await store.AddAsync(
            new Keepsake(id, request.MachineId, user.Id(), request.BeadId, note, setting, default),
            Sent.Of(request),
            cancel: cancel
        );
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawAsync(
        Guid id,
        Withdrawal request,
        ClaimsPrincipal user,
        KeptStore store,
        CancellationToken cancel
    ) => await store.SetWithdrawnAsync(id, Own(user), request.Withdrawn, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<Ok<StillStands>, NotFound>> CompareAsync(
        Guid id,
        StandsNow request,
        ClaimsPrincipal user,
        KeptStore store,
        MachineStore machines,
        CancellationToken cancel
    )
    {
        if (await store.FindAsync(id, cancel) is not { } kept || !user.MaySee(kept.KeptBy))
            return TypedResults.NotFound();
        return TypedResults.Ok(
            kept.Setting.Compare((await machines.FindAsync(kept.MachineId, cancel))!, request.WireMark, request.VoltMark, request.AmpMark)
        );
    }
}
