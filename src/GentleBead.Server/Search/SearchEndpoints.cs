using Dapper;
using GentleBead.Server.Database;
using GentleBead.Server.Http;

namespace GentleBead.Server.Search;

/// <summary>Somebody found by name.</summary>
/// <param name="Id">Who.</param>
/// <param name="Name">The name called across the shop.</param>
/// <param name="Role">What they may do.</param>
public sealed record FoundPerson(Guid Id, string Name, Role Role);

/// <summary>A machine found by name.</summary>
/// <param name="Id">Which.</param>
/// <param name="Name">As the room calls it.</param>
/// <param name="BoothNumber">Where it stands; null where it stands in no booth.</param>
public sealed record FoundMachine(Guid Id, string Name, int? BoothNumber);

/// <summary>What goes by a name that holds what was typed.</summary>
/// <param name="People">The first few, by name.</param>
/// <param name="Machines">The first few, by name.</param>
public sealed record Found(IReadOnlyList<FoundPerson> People, IReadOnlyList<FoundMachine> Machines);

/// <summary>Finds people and machines by any part of their names.</summary>
public static class SearchEndpoints
{
    private const int Most = 12;
    private const int LongestName = 80;

    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/search", FindAsync).WithTags("search").RequireAuthorization(Access.Instructor);

    private static async Task<Found> FindAsync(string called, SchoolDatabase database, CancellationToken cancel)
    {
        var part = called.Trim();
        if (part.Length is 0 or > LongestName)
            return new([], []);
        await using var connection = await database.OpenConnectionAsync(cancel);
        var given = new { part, Most };
        var people = await connection.QueryAsync<PersonRow>(
            """
            select id as "Id", name as "Name", role as "Role" from person
            where strpos(lower(name), lower(@part)) > 0 order by name, id limit @Most
            """,
            given,
            cancel
        );
        var machines = await connection.QueryAsync<FoundMachine>(
            """
            select machine.id as "Id", machine.name as "Name", booth.number as "BoothNumber"
            from machine left join booth on booth.id = machine.booth_id
            where strpos(lower(machine.name), lower(@part)) > 0 order by machine.name, machine.id limit @Most
            """,
            given,
            cancel
        );
        return new([.. people.Select(row => new FoundPerson(row.Id, row.Name, EnumText.Read<Role>(row.Role)))], [.. machines]);
    }

    private sealed record PersonRow(Guid Id, string Name, string Role);
}
