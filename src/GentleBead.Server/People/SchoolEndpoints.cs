using System.Security.Claims;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.People;

/// <summary>The school.</summary>
/// <param name="Name">What it is called, 1 to 80 letters.</param>
/// <param name="TimeZone">The zone its clock on the wall keeps, by its IANA name; empty for the server's own.</param>
public sealed record School(string Name, string TimeZone);

/// <summary>The school's name and its clock.</summary>
public static class SchoolEndpoints
{
    private const int LongestName = 80;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var school = app.MapGroup("/api/school").WithTags("people").RequireAuthorization(Access.Instructor);
        school.MapGet("/", (PeopleStore people, SchoolClock clock, CancellationToken cancel) => OneAsync(people, clock, cancel));
        school.MapPut("/", ChangeAsync);
        school.MapGet("/time-zones", () => Zones.Value);
    }

    // Places by their names; the zones of mere offsets and the names of before are left out.
    private static readonly Lazy<IReadOnlyList<string>> Zones = new(() =>
        [.. TimeZoneInfo.GetSystemTimeZones().Select(zone => zone.Id).Where(IsPlace).Order(StringComparer.Ordinal)]
    );

    private static bool IsPlace(string id) =>
        id.Contains('/', StringComparison.Ordinal)
        && char.IsUpper(id[0])
        && !id.StartsWith("Etc/", StringComparison.Ordinal)
        && !id.StartsWith("SystemV/", StringComparison.Ordinal);

    private static async Task<School> OneAsync(PeopleStore people, SchoolClock clock, CancellationToken cancel) =>
        new((await people.SchoolAsync(cancel))?.Name ?? "", (await clock.ZoneAsync(cancel)).Id);

    private static async Task<Results<NoContent, Wrong>> ChangeAsync(
        School request,
        ClaimsPrincipal user,
        PeopleStore people,
        CancellationToken cancel
    )
    {
        var problems = new List<Problem>();
        if ((request.Name ?? "").Trim().Length is 0 or > LongestName)
            problems.Add(new("name", Say($"Name the school or shop, up to {LongestName} letters.")));
        if (!TimeZoneInfo.TryFindSystemTimeZoneById(request.TimeZone ?? "", out _))
            problems.Add(new("timeZone", Say($"A time zone of the list, as in Europe/Copenhagen.")));
        if (problems.Count > 0)
            return Problems.Of(problems);
        await people.ChangeSchoolAsync(request with { Name = request.Name!.Trim() }, user.Id(), cancel);
        return TypedResults.NoContent();
    }
}
