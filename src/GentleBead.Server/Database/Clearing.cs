using Npgsql;

namespace GentleBead.Server.Database;

/// <summary>Clears the tables of what a loading that was cut short left behind.</summary>
internal static class Clearing
{
    /// <summary>Empties every table that a school's rows hang from. The application's own role may clear nothing.</summary>
    /// <param name="owner">Connection string of the role that owns the tables.</param>
    public static async Task RunAsync(string owner, CancellationToken cancel)
    {
        await using var connection = new NpgsqlConnection(owner);
        await connection.ExecuteAsync(
            "truncate person, machine, room, booth, session, preset, practice_tolerances, room_weights cascade",
            null,
            cancel
        );
    }
}
