using Dapper;
using Npgsql;

namespace GentleBead.Server.Database;

/// <summary>Lets one server at a time prepare a database, however many start beside each other.</summary>
public static class OneAtATime
{
    // Any number that stays the same.
    private const long Lock = 4203;

    /// <summary>Does the work while no other server does.</summary>
    public static async Task RunAsync(string connectionString, Func<Task> work, CancellationToken cancel)
    {
        // A connection of its own: the lock goes with it, also when this process is killed.
        await using var guard = new NpgsqlConnection(connectionString);
        await guard.OpenAsync(cancel);
        // The other may be loading a whole school: it is waited for as long as that takes.
        await guard.ExecuteAsync(
            new CommandDefinition("select pg_advisory_lock(@Lock)", new { Lock }, commandTimeout: 0, cancellationToken: cancel)
        );
        try
        {
            await work();
        }
        finally
        {
            await guard.ExecuteAsync("select pg_advisory_unlock(@Lock)", new { Lock });
        }
    }
}
