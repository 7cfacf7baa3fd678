using GentleBead.Server.Http;
using Npgsql;

namespace GentleBead.Server.Schools;

/// <summary>Whether this server lives, and whether it can be sent requests: for whatever stands before it.</summary>
public static class HealthEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        app.MapGet("/health/live", () => "live").AllowAnonymous().ExcludeFromDescription();
        app.MapGet("/health/ready", ReadyAsync).AllowAnonymous().ExcludeFromDescription();
    }

    // Of many schools one whose database is away is no reason to send nobody here.
    private static async Task<IResult> ReadyAsync(SchoolsServed schools, CancellationToken cancel)
    {
        if (schools.Only is not { } only)
            return Results.Text("ready");
        try
        {
            await using var connection = await only.Database.OpenConnectionAsync(cancel);
            await using var command = new NpgsqlCommand("select 1", connection);
            await command.ExecuteScalarAsync(cancel);
            return Results.Text("ready");
        }
        catch (NpgsqlException)
        {
            return Problems.Told(StatusCodes.Status503ServiceUnavailable, Say($"The database does not answer."));
        }
    }
}
