using System.Security.Claims;
using GentleBead.Core.Kept;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using GentleBead.Server.Beads;
using GentleBead.Server.Json;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;
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
public sealed record NewKeepsake(Guid MachineId, Guid SheetId, Guid? BeadId, double? WireMark, double? VoltMark, double? AmpMark, string? Note);

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
    Guid Id, Guid MachineId, string MachineName, PersonName By, string Note, Core.Sheets.Job Job, string Reads, RackBead? Bead, DateTimeOffset KeptAt, LastSeen? LastSeen);

/// <summary>Where a machine stood for a bead.</summary>
public sealed record LastSeen(double? WireMark, double? VoltMark, DateTimeOffset At);

/// <summary>Where a machine's controls stand now.</summary>
public sealed record StandsNow(double? WireMark, double? VoltMark, double? AmpMark);

/// <summary>Whether something is withdrawn.</summary>
public sealed record KeptWithdrawal(bool Withdrawn);

/// <summary>Keeping a setting that worked, and finding it again. Students see their own.</summary>
public static class KeptEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var kept = app.MapGroup("/api/kept").WithTags("kept").RequireAuthorization(Access.SignedIn);
        kept.MapGet("/", ListAsync);
        kept.MapPut("/{id:guid}", KeepAsync);
        kept.MapPut("/{id:guid}/withdrawn", WithdrawAsync);
        kept.MapPost("/{id:guid}/compare", CompareAsync);
    }

    private static Guid? Own(ClaimsPrincipal user) => user.IsInRole(nameof(Role.Instructor)) ? null : user.Id();

    private static async Task<IReadOnlyList<KeptView>> ListAsync(
        Guid? machineId, string? joint, string? thickness, ClaimsPrincipal user, KeptStore store, MachineStore machines, PeopleStore people, BeadStore beads, SessionStore sessions, SheetStore sheets)
    {
        var wanted = Thickness.TryParse(thickness, out var typed, out _) ? typed : null;
        Joint? onlyJoint = Enum.TryParse<Joint>(joint, ignoreCase: true, out var named) ? named : null;
        var views = new List<KeptView>();
        var known = new Dictionary<Guid, (Core.Machines.Machine Machine, LastSeen? LastSeen)>();
        var booths = (await sessions.BoothsAsync()).ToDictionary(booth => booth.MachineId, booth => booth.Id);
        foreach (var kept in await store.OfAsync(Own(user)))
        {
            if (machineId is { } onlyMachine && kept.MachineId != onlyMachine) continue;
            if (onlyJoint is not null && kept.Setting.Job.Joint != onlyJoint) continue;
            // A plate a tenth thicker or thinner welds with the same settings.
            if (wanted is not null && Math.Abs(kept.Setting.Job.Thickness.Value / wanted.Value - 1) > 0.1) continue;
            if (!known.TryGetValue(kept.MachineId, out var on))
            {
                known[kept.MachineId] = on = ((await machines.FindAsync(kept.MachineId))!, await LastSeenAsync(booths[kept.MachineId], sheets, beads));
            }
            var by = (await people.FindAsync(kept.KeptBy))!;
            var bead = kept.BeadId is { } beadId ? await beads.FindAsync(beadId) : null;
            views.Add(new KeptView(
                kept.Id, kept.MachineId, on.Machine.Name, new PersonName(by.Id, by.Name), kept.Note, kept.Setting.Job, Reads(kept.Setting, on.Machine), bead is null ? null : RackBead.Of(bead), kept.KeptAt, on.LastSeen));
        }
        return views;
    }

    // The newest coupon at the booth that has a bead on it.
    private static async Task<LastSeen?> LastSeenAsync(Guid boothId, SheetStore sheets, BeadStore beads)
    {
        var given = await sheets.OfBoothAsync(boothId);
        var laid = await beads.OfSheetsAsync(given.Take(10).Select(sheet => sheet.Id));
        return given.SelectMany(sheet => laid[sheet.Id]).MaxBy(bead => bead.RecordedAt) is { } last ? new LastSeen(last.WireMark, last.VoltMark, last.RecordedAt) : null;
    }

    private static string Reads(KeptSetting setting, Core.Machines.Machine machine)
    {
        var parts = new List<string>();
        if (setting.WireMark is { } wire && machine.WireControl is { } wireControl) parts.Add($"wire {wireControl.Read(wire)}");
        if (setting.VoltMark is { } volt && machine.VoltControl is { } voltControl) parts.Add($"volts {voltControl.Read(volt)}");
        if (setting.AmpMark is { } amp && machine.AmpControl is { } ampControl) parts.Add($"amps {ampControl.Read(amp)}");
        return string.Join(", ", parts);
    }

    private static async Task<Results<NoContent, NotFound, ValidationProblem>> KeepAsync(
        Guid id, NewKeepsake request, ClaimsPrincipal user, KeptStore store, MachineStore machines, SheetStore sheets, BeadStore beads, SessionStore sessions, TimeProvider clock)
    {
        if (await machines.FindAsync(request.MachineId) is not { } machine || await sheets.FindAsync(request.SheetId) is not { } sheet || !user.MaySee(sheet.StudentId)) return TypedResults.NotFound();
        if ((await sessions.BoothAsync(sheet.BoothId))!.MachineId != request.MachineId) return Problems.Field("machineId", "This sheet was not given out at that machine.");
        var note = (request.Note ?? "").Trim();
        if (note.Length > 200) return Problems.Field("note", "A note of up to 200 letters.");
        if (request.BeadId is { } beadId && (await beads.FindAsync(beadId))?.SheetId != sheet.Id) return Problems.Field("beadId", "There is no such bead on this coupon.");
        var setting = new KeptSetting(sheet.Body.Job, request.WireMark, request.VoltMark, request.AmpMark);
        if (setting.Check(machine) is { Count: > 0 } wrong) return Problems.Fields(wrong);
        await store.AddAsync(new Keepsake(id, request.MachineId, user.Id(), request.BeadId, note, setting, clock.GetUtcNow()));
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawAsync(Guid id, KeptWithdrawal request, ClaimsPrincipal user, KeptStore store) =>
        await store.SetWithdrawnAsync(id, Own(user), request.Withdrawn) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<Ok<StillStands>, NotFound>> CompareAsync(Guid id, StandsNow request, ClaimsPrincipal user, KeptStore store, MachineStore machines)
    {
        if (await store.FindAsync(id) is not { } kept || !user.MaySee(kept.KeptBy)) return TypedResults.NotFound();
        return TypedResults.Ok(kept.Setting.Compare((await machines.FindAsync(kept.MachineId))!, request.WireMark, request.VoltMark, request.AmpMark));
    }
}
