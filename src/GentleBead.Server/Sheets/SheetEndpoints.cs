using System.Security.Claims;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Core.Windows;
using GentleBead.Server.Beads;
using GentleBead.Server.Json;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;
using GentleBead.Server.Windows;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Sheets;

/// <summary>A job to compute, in the marks of a booth's machine when one is named.</summary>
public sealed record ComputeRequest(JobRequest Job, Guid? BoothId);

/// <summary>A job to assign to whoever stands at a booth.</summary>
/// <param name="Job">The job.</param>
/// <param name="SessionId">In which session.</param>
/// <param name="BoothId">At which booth.</param>
/// <param name="Overrule">Why it is given out although something on the machine does not fit; left out while all fits.</param>
/// <param name="Criteria">Whose limits its beads are measured by; left out, the room's own.</param>
public sealed record AssignRequest(JobRequest Job, Guid SessionId, Guid BoothId, string? Overrule = null, CriteriaSet? Criteria = null);

/// <summary>A wire as the lists show it.</summary>
/// <param name="Wire">Which wire.</param>
/// <param name="Name">Its name.</param>
/// <param name="Kind">What it is made of.</param>
/// <param name="Processes">Processes it is used in.</param>
public sealed record StockWire(Wire Wire, string Name, WireKind Kind, IReadOnlyList<Process> Processes);

/// <summary>A gas as the lists show it.</summary>
public sealed record StockGas(Gas Gas, string Name, string IsoGroup);

/// <summary>What a job can be made of.</summary>
public sealed record StockLists(IReadOnlyList<StockWire> Wires, IReadOnlyList<StockGas> Gases);

/// <summary>The same job with other wires, and in other modes.</summary>
public sealed record Alternatives(IReadOnlyList<OtherWire> Wires, IReadOnlyList<OtherMode> Modes);

/// <summary>A sheet with the beads laid to it.</summary>
public sealed record Coupon(AssignedSheet Sheet, IReadOnlyList<Bead> Beads);

/// <summary>What a student works on now.</summary>
/// <param name="BoothNumber">The booth they stand at; null when at none.</param>
/// <param name="BoothId">The same; null with it.</param>
/// <param name="SessionId">The session of that booth; null with it.</param>
/// <param name="Coupon">Their newest sheet with its beads; null before the first.</param>
/// <param name="Machine">The machine of that sheet; null with it.</param>
/// <param name="MachineId">The same; null with it.</param>
public sealed record MyWork(int? BoothNumber, Guid? BoothId, Guid? SessionId, Coupon? Coupon, Machine? Machine, Guid? MachineId);

/// <summary>A bead on the rack.</summary>
/// <param name="Id">Which bead.</param>
/// <param name="Number">Its number on the coupon.</param>
/// <param name="Verdict">In one word.</param>
/// <param name="Shape">Numbers for its glyph.</param>
/// <param name="Used">The pair at the torch; null for TIG.</param>
/// <param name="Next">The change that was advised after it; null when none was.</param>
public sealed record RackBead(Guid Id, int Number, Verdict Verdict, BeadShape Shape, Settings? Used, string? Next)
{
    /// <summary>The rack's view of a recorded bead.</summary>
    public static RackBead Of(Bead bead) => new(bead.Id, bead.Number, bead.Standing(), bead.Judgement.Shape, bead.Used, bead.Judgement.Next?.Instruction);
}

/// <summary>A coupon on the rack.</summary>
public sealed record RackCoupon(Guid SheetId, DateTimeOffset AssignedAt, Job Job, string PositionName, IReadOnlyList<RackBead> Beads);

/// <summary>A student's coupons, newest first.</summary>
public sealed record Rack(PersonName Student, IReadOnlyList<RackCoupon> Coupons);

/// <summary>Computing, assigning and showing sheets.</summary>
public static class SheetEndpoints
{
    private static readonly StockLists Stock = new(
        [.. Wires.All.Select(wire => new StockWire(wire.Wire, wire.Name, wire.Kind, [.. Processes.All.Where(row => wire.RangeIn(row.Process) is not null).Select(row => row.Process)]))],
        [.. Gases.All.Select(gas => new StockGas(gas.Gas, gas.Name, gas.IsoGroup))]);

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var sheets = app.MapGroup("/api/sheets").WithTags("sheets");
        sheets.MapGet("/stock", () => Stock).RequireAuthorization(Access.SignedIn);
        sheets.MapPost("/compute", ComputeAsync).RequireAuthorization(Access.SignedIn);
        sheets.MapPost("/alternatives", AlternativesAsync).RequireAuthorization(Access.SignedIn);
        sheets.MapPut("/{id:guid}", AssignAsync).RequireAuthorization(Access.Instructor);
        sheets.MapGet("/mine", MineAsync).RequireAuthorization(Access.SignedIn);
        sheets.MapGet("/rack/{studentId:guid}", RackAsync).RequireAuthorization(Access.SignedIn);
    }

    private static async Task<Results<Ok<Sheet>, ValidationProblem>> ComputeAsync(ComputeRequest request, ClaimsPrincipal user, SessionStore sessions, MachineStore machines, PeopleStore people, RoomWindows windows)
    {
        Machine? machine = null;
        Func<WireArc, Task<LearnedWindow?>>? learned = null;
        IReadOnlyList<DoorChart> charts = [];
        if (request.BoothId is { } boothId)
        {
            if (await sessions.BoothAsync(boothId) is not { } booth) return Problems.Field("boothId", "There is no such booth.");
            machine = await machines.FindAsync(booth.MachineId);
            charts = [.. (await machines.ChartsAsync(booth.MachineId)).Select(entered => entered.Chart)];
            learned = arc => windows.OfAsync(booth.MachineId, arc);
        }
        var (sheet, problems) = await (request.Job ?? JobRequest.Nothing).PlanAsync(machine, await people.SchoolOfAsync(user.Id()), charts, learned);
        return sheet is null ? Problems.Fields(problems) : TypedResults.Ok(sheet);
    }

    private static async Task<Results<Ok<Alternatives>, ValidationProblem>> AlternativesAsync(ComputeRequest request, ClaimsPrincipal user, SessionStore sessions, MachineStore machines, PeopleStore people)
    {
        var booth = request.BoothId is { } boothId ? await sessions.BoothAsync(boothId) : null;
        if (request.BoothId is not null && booth is null) return Problems.Field("boothId", "There is no such booth.");
        var machine = booth is null ? null : await machines.FindAsync(booth.MachineId);
        var problems = new Dictionary<string, string>();
        if ((request.Job ?? JobRequest.Nothing).Job(machine, problems) is not { } job) return Problems.Fields(problems);
        var school = await people.SchoolOfAsync(user.Id());
        return TypedResults.Ok(new Alternatives(OtherWires.For(job, machine, school), TransferModes.Others(job, school)));
    }

    private static async Task<Results<Ok<AssignedSheet>, ValidationProblem>> AssignAsync(
        Guid id, AssignRequest request, ClaimsPrincipal user, SheetStore sheets, SessionStore sessions, MachineStore machines, PeopleStore people, RoomWindows windows, TimeProvider clock)
    {
        if (await sheets.FindAsync(id) is { } stored) return TypedResults.Ok(stored);
        if (await sessions.BoothAsync(request.BoothId) is not { } booth) return Problems.Field("boothId", "There is no such booth.");
        var place = (await sessions.PlacesAsync(request.SessionId)).FirstOrDefault(place => place.BoothId == booth.Id);
        if (place is null) return Problems.Field("boothId", $"Nobody stands at booth {booth.Number}. Put a student there first.");
        var charts = (await machines.ChartsAsync(booth.MachineId)).Select(entered => entered.Chart).ToArray();
        var (sheet, problems) = await (request.Job ?? JobRequest.Nothing).PlanAsync(await machines.FindAsync(booth.MachineId), await people.SchoolOfAsync(user.Id()), charts, arc => windows.OfAsync(booth.MachineId, arc));
        if (sheet is null) return Problems.Fields(problems);
        var overrule = (request.Overrule ?? "").Trim();
        if (sheet.Mismatches.Count > 0 && overrule.Length is 0 or > 200)
        {
            return Problems.Field("overrule", $"The machine does not fit this sheet: {string.Join(", ", sheet.Mismatches.Select(mismatch => mismatch.Part))}. Mend it, or say in up to 200 letters why it may stay.");
        }
        await sheets.AddAsync(new AssignedSheet(id, request.SessionId, booth.Id, place.StudentId, clock.GetUtcNow(), sheet, sheet.Mismatches.Count > 0 ? overrule : null, request.Criteria ?? CriteriaSet.Practice), user.Id());
        return TypedResults.Ok((await sheets.FindAsync(id))!);
    }

    private static async Task<MyWork> MineAsync(
        ClaimsPrincipal user, SheetStore sheets, BeadStore beads, SessionStore sessions, MachineStore machines)
    {
        Booth? at = null;
        var session = await sessions.NewestAsync();
        if (session is not null && (await sessions.PlacesAsync(session.Id)).FirstOrDefault(place => place.StudentId == user.Id()) is { } place) at = await sessions.BoothAsync(place.BoothId);
        var (number, boothId, sessionId) = at is null ? ((int?)null, (Guid?)null, (Guid?)null) : (at.Number, at.Id, session!.Id);
        var newest = await sheets.NewestOfStudentAsync(user.Id());
        if (newest is null) return new MyWork(number, boothId, sessionId, null, null, null);
        var booth = (await sessions.BoothAsync(newest.BoothId))!;
        return new MyWork(
            number, boothId, sessionId, new Coupon(newest, [.. (await beads.OfSheetsAsync([newest.Id]))[newest.Id]]), await machines.FindAsync(booth.MachineId), booth.MachineId);
    }

    private static async Task<Results<Ok<Rack>, NotFound>> RackAsync(Guid studentId, ClaimsPrincipal user, PeopleStore people, SheetStore sheets, BeadStore beads)
    {
        // Somebody else's rack does not exist as far as a student is told.
        if (!user.MaySee(studentId) || await people.FindAsync(studentId) is not { Role: Role.Student } student) return TypedResults.NotFound();
        var given = await sheets.OfStudentAsync(studentId);
        var laid = await beads.OfSheetsAsync(given.Select(sheet => sheet.Id));
        return TypedResults.Ok(new Rack(
            new PersonName(student.Id, student.Name),
            [
                .. given.Select(sheet => new RackCoupon(
                    sheet.Id, sheet.AssignedAt, sheet.Body.Job, sheet.Body.PositionName,
                    [.. laid[sheet.Id].Select(RackBead.Of)])),
            ]));
    }
}
