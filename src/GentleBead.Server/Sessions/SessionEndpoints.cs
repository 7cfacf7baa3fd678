using GentleBead.Core.Machines;
using GentleBead.Core.Sheets;
using GentleBead.Server.Beads;
using GentleBead.Server.Json;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Sessions;

/// <summary>A booth as the room sees it.</summary>
/// <param name="Booth">Which booth.</param>
/// <param name="MachineName">The machine in it.</param>
/// <param name="Student">Who stands there; null when empty.</param>
/// <param name="Job">What they work on; null before a sheet was assigned.</param>
/// <param name="PositionName">ISO and AWS names of the job's position; null with it.</param>
/// <param name="Beads">The beads laid to that sheet, in order.</param>
public sealed record BoothView(Booth Booth, string MachineName, PersonName? Student, Job? Job, string? PositionName, IReadOnlyList<RackBead> Beads);

/// <summary>The room in a session.</summary>
/// <param name="Session">Which session; null before the first.</param>
/// <param name="Booths">Every booth by number.</param>
/// <param name="Waiting">Students who stand at no booth.</param>
public sealed record RoomView(Session? Session, IReadOnlyList<BoothView> Booths, IReadOnlyList<PersonName> Waiting);

/// <summary>One booth up close.</summary>
/// <param name="Session">Which session.</param>
/// <param name="Booth">Which booth.</param>
/// <param name="Machine">Its machine, as calibrated and loaded now.</param>
/// <param name="Student">Who stands there; null when empty.</param>
/// <param name="Coupon">The sheet they work to and its beads; null before one was assigned.</param>
public sealed record Bench(Session Session, Booth Booth, Machine Machine, PersonName? Student, Coupon? Coupon);

/// <summary>A session to start.</summary>
public sealed record NewSession(string Title, DateOnly HeldOn);

/// <summary>Who is to stand at a booth; null empties it.</summary>
public sealed record PlaceRequest(Guid? StudentId);

/// <summary>Sessions and who stands where in them.</summary>
public static class SessionEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var sessions = app.MapGroup("/api/sessions").WithTags("sessions").RequireAuthorization(Access.Instructor);
        sessions.MapGet("/newest", RoomAsync);
        sessions.MapPut("/{id:guid}", StartAsync);
        sessions.MapGet("/{id:guid}/booths/{boothId:guid}", BenchAsync);
        sessions.MapPut("/{id:guid}/booths/{boothId:guid}/student", PlaceAsync);
    }

    private static async Task<RoomView> RoomAsync(
        SessionStore sessions, MachineStore machines, PeopleStore people, SheetStore sheets, BeadStore beads)
    {
        var session = await sessions.NewestAsync();
        var students = (await people.StudentsAsync()).ToDictionary(student => student.Id);
        var places = session is null ? [] : await sessions.PlacesAsync(session.Id);
        var given = session is null ? [] : await sheets.NewestOfSessionAsync(session.Id);
        var laid = await beads.OfSheetsAsync(given.Select(sheet => sheet.Id));
        var booths = new List<BoothView>();
        foreach (var booth in await sessions.BoothsAsync())
        {
            var place = places.FirstOrDefault(place => place.BoothId == booth.Id);
            var sheet = given.FirstOrDefault(sheet => sheet.BoothId == booth.Id && sheet.StudentId == place?.StudentId);
            booths.Add(new BoothView(
                booth, (await machines.FindAsync(booth.MachineId))!.Name, place is null ? null : students[place.StudentId],
                sheet?.Body.Job, sheet?.Body.PositionName,
                sheet is null ? [] : [.. laid[sheet.Id].Select(RackBead.Of)]));
        }
        return new RoomView(session, booths, [.. students.Values.Where(student => places.All(place => place.StudentId != student.Id))]);
    }

    private static async Task<Results<Ok<Session>, ValidationProblem>> StartAsync(Guid id, NewSession request, SessionStore sessions)
    {
        var title = (request.Title ?? "").Trim();
        if (title.Length is 0 or > 80) return Problems.Field("title", "Name the session, up to 80 letters.");
        return TypedResults.Ok(await sessions.AddAsync(new Session(id, title, request.HeldOn)));
    }

    private static async Task<Results<Ok<Bench>, NotFound>> BenchAsync(
        Guid id, Guid boothId, SessionStore sessions, MachineStore machines, PeopleStore people, SheetStore sheets, BeadStore beads)
    {
        if (await sessions.FindAsync(id) is not { } session || await sessions.BoothAsync(boothId) is not { } booth) return TypedResults.NotFound();
        var place = (await sessions.PlacesAsync(id)).FirstOrDefault(place => place.BoothId == boothId);
        var student = place is null ? null : await people.FindAsync(place.StudentId);
        var sheet = (await sheets.NewestOfSessionAsync(id)).FirstOrDefault(sheet => sheet.BoothId == boothId && sheet.StudentId == student?.Id);
        return TypedResults.Ok(new Bench(
            session, booth, (await machines.FindAsync(booth.MachineId))!,
            student is null ? null : new PersonName(student.Id, student.Name),
            sheet is null ? null : new Coupon(sheet, [.. (await beads.OfSheetsAsync([sheet.Id]))[sheet.Id]])));
    }

    private static async Task<Results<NoContent, NotFound, ValidationProblem>> PlaceAsync(
        Guid id, Guid boothId, PlaceRequest request, SessionStore sessions, PeopleStore people)
    {
        if (await sessions.FindAsync(id) is null || await sessions.BoothAsync(boothId) is null) return TypedResults.NotFound();
        if (request.StudentId is { } studentId && await people.FindAsync(studentId) is not { Role: Role.Student })
        {
            return Problems.Field("studentId", "There is no such student.");
        }
        await sessions.SetPlaceAsync(id, boothId, request.StudentId);
        return TypedResults.NoContent();
    }
}
