using System.Security.Claims;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Sheets;
using GentleBead.Server.Beads;
using GentleBead.Server.Json;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Sheets;

/// <summary>A job to compute, in the marks of a booth's machine when one is named.</summary>
public sealed record ComputeRequest(JobRequest Job, Guid? BoothId);

/// <summary>A job to assign to whoever stands at a booth.</summary>
public sealed record AssignRequest(JobRequest Job, Guid SessionId, Guid BoothId);

/// <summary>A sheet with the beads laid to it.</summary>
public sealed record Coupon(AssignedSheet Sheet, IReadOnlyList<Bead> Beads);

/// <summary>What a student works on now.</summary>
/// <param name="BoothNumber">The booth they stand at; null when at none.</param>
/// <param name="Coupon">Their newest sheet with its beads; null before the first.</param>
/// <param name="Machine">The machine of that sheet; null with it.</param>
public sealed record MyWork(int? BoothNumber, Coupon? Coupon, Machine? Machine);

/// <summary>A bead on the rack.</summary>
/// <param name="Id">Which bead.</param>
/// <param name="Number">Its number on the coupon.</param>
/// <param name="Verdict">In one word.</param>
/// <param name="Shape">Numbers for its glyph.</param>
/// <param name="Used">The pair at the torch.</param>
/// <param name="Next">The change that was advised after it; null when none was.</param>
public sealed record RackBead(Guid Id, int Number, Verdict Verdict, BeadShape Shape, Settings Used, string? Next)
{
    /// <summary>The rack's view of a recorded bead.</summary>
    public static RackBead Of(Bead bead) => new(bead.Id, bead.Number, bead.Judgement.Verdict, bead.Judgement.Shape, bead.Used, bead.Judgement.Next?.Instruction);
}

/// <summary>A coupon on the rack.</summary>
public sealed record RackCoupon(Guid SheetId, DateTimeOffset AssignedAt, Job Job, string PositionName, IReadOnlyList<RackBead> Beads);

/// <summary>A student's coupons, newest first.</summary>
public sealed record Rack(PersonName Student, IReadOnlyList<RackCoupon> Coupons);

/// <summary>Computing, assigning and showing sheets.</summary>
public static class SheetEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var sheets = app.MapGroup("/api/sheets").WithTags("sheets");
        sheets.MapPost("/compute", ComputeAsync).RequireAuthorization(Access.SignedIn);
        sheets.MapPut("/{id:guid}", AssignAsync).RequireAuthorization(Access.Instructor);
        sheets.MapGet("/mine", MineAsync).RequireAuthorization(Access.SignedIn);
        sheets.MapGet("/rack/{studentId:guid}", RackAsync).RequireAuthorization(Access.SignedIn);
    }

    private static async Task<Results<Ok<Sheet>, ValidationProblem>> ComputeAsync(ComputeRequest request, SessionStore sessions, MachineStore machines)
    {
        Machine? machine = null;
        if (request.BoothId is { } boothId)
        {
            if (await sessions.BoothAsync(boothId) is not { } booth) return Problems.Field("boothId", "There is no such booth.");
            machine = await machines.FindAsync(booth.MachineId);
        }
        var (sheet, problems) = request.Job.Plan(machine);
        return sheet is null ? Problems.Fields(problems) : TypedResults.Ok(sheet);
    }

    private static async Task<Results<Ok<AssignedSheet>, ValidationProblem>> AssignAsync(
        Guid id, AssignRequest request, ClaimsPrincipal user, SheetStore sheets, SessionStore sessions, MachineStore machines, TimeProvider clock)
    {
        if (await sheets.FindAsync(id) is { } stored) return TypedResults.Ok(stored);
        if (await sessions.BoothAsync(request.BoothId) is not { } booth) return Problems.Field("boothId", "There is no such booth.");
        var place = (await sessions.PlacesAsync(request.SessionId)).FirstOrDefault(place => place.BoothId == booth.Id);
        if (place is null) return Problems.Field("boothId", $"Nobody stands at booth {booth.Number}. Put a student there first.");
        var (sheet, problems) = request.Job.Plan(await machines.FindAsync(booth.MachineId));
        if (sheet is null) return Problems.Fields(problems);
        await sheets.AddAsync(new AssignedSheet(id, request.SessionId, booth.Id, place.StudentId, clock.GetUtcNow(), sheet), user.Id());
        return TypedResults.Ok((await sheets.FindAsync(id))!);
    }

    private static async Task<MyWork> MineAsync(
        ClaimsPrincipal user, SheetStore sheets, BeadStore beads, SessionStore sessions, MachineStore machines)
    {
        int? boothNumber = null;
        if (await sessions.NewestAsync() is { } session)
        {
            var place = (await sessions.PlacesAsync(session.Id)).FirstOrDefault(place => place.StudentId == user.Id());
            if (place is not null) boothNumber = (await sessions.BoothAsync(place.BoothId))?.Number;
        }
        var newest = await sheets.NewestOfStudentAsync(user.Id());
        if (newest is null) return new MyWork(boothNumber, null, null);
        var booth = (await sessions.BoothAsync(newest.BoothId))!;
        return new MyWork(
            boothNumber, new Coupon(newest, [.. (await beads.OfSheetsAsync([newest.Id]))[newest.Id]]), await machines.FindAsync(booth.MachineId));
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
