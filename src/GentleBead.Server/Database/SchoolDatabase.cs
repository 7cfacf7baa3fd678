using Npgsql;

namespace GentleBead.Server.Database;

/// <summary>The database of the school that something is done for: all that a store knows of where it is.</summary>
/// <param name="school">Which school, by the name it is served under; empty where there is only one.</param>
/// <param name="pool">Its connections.</param>
/// <param name="bound">What bounds them beside those of other schools; null where there is only one.</param>
public sealed class SchoolDatabase(string school, NpgsqlDataSource pool, PoolBound? bound = null)
{
    /// <summary>Which school, by the name it is served under; empty where there is only one.</summary>
    public string School => school;

    /// <summary>Where it is, without a password.</summary>
    public string ConnectionString => pool.ConnectionString;

    /// <summary>The same where nothing can be awaited: on a thread of heavy work, never on one that answers requests.</summary>
    public NpgsqlConnection OpenConnection() => OpenConnectionAsync(CancellationToken.None).AsTask().GetAwaiter().GetResult();

    /// <summary>A connection, given back when it is disposed of.</summary>
    /// <exception cref="NpgsqlException">None could be had.</exception>
    public async ValueTask<NpgsqlConnection> OpenConnectionAsync(CancellationToken cancel)
    {
        if (bound is null)
            return await pool.OpenConnectionAsync(cancel);
        await bound.EnterAsync(pool, cancel);
        try
        {
            var connection = await pool.OpenConnectionAsync(cancel);
            var left = 0;
            connection.StateChange += (_, change) =>
            {
                // One that breaks may say so and be closed after.
                if (change.CurrentState == System.Data.ConnectionState.Closed && Interlocked.Exchange(ref left, 1) == 0)
                    bound.Leave(pool);
            };
            return connection;
        }
        catch
        {
            bound.Leave(pool);
            throw;
        }
    }
}
