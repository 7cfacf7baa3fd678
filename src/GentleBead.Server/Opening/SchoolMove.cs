using System.Diagnostics;
using GentleBead.Server.Database;
using GentleBead.Server.Schools;
using Npgsql;

namespace GentleBead.Server.Opening;

/// <summary>
/// Moves a school to another PostgreSQL server. While it is copied its database takes no writes, whichever server sends them: they are told
/// to come again, and screens do. What is not the same afterwards is not moved.
/// </summary>
internal sealed class SchoolMove(ControlDatabase control)
{
    // The role's own sessions may be writable again, to undo it.
    private const string Writable = "Pooling=false;Options=-c default_transaction_read_only=off";

    /// <summary>Moves it.</summary>
    /// <param name="entry">As it stands.</param>
    /// <param name="admin">Of the server it goes to: connection string of a role that may make databases and roles.</param>
    /// <returns>How long it could only be read, s, and how it stands now.</returns>
    /// <exception cref="InvalidDataException">It could not be moved, and stands as it stood.</exception>
    public async Task<(double Seconds, SchoolEntry Now)> MoveAsync(SchoolEntry entry, string admin, CancellationToken cancel)
    {
        if (IsThere(entry, admin))
            throw new InvalidDataException($"{entry.Name} is on that server already.");
        // What is there was left by an earlier move, or is somebody else's: it is not for us to write over or to drop.
        if (await SchoolServers.HoldsAsync(admin, entry.Name, cancel))
            throw new InvalidDataException($"There is a database school_{entry.Name} on that server. Drop it, or move to another.");
        var made = await SchoolServers.MakeAsync(admin, entry.Name, cancel);
        var began = Stopwatch.GetTimestamp();
        var file = Path.Combine(Path.GetTempPath(), $"gentlebead-{entry.Name}-{Guid.CreateVersion7():N}.dump");
        try
        {
            await control.AddAsync(entry with { State = ServedState.Moving }, cancel);
            await ReadOnlyAsync(entry, true, cancel);
            await PostgresTools.DumpAsync(entry.Owner, file, cancel);
            await PostgresTools.RestoreAsync(made.Owner, file, cancel);
            await Grants.ApplyAsync(made.Owner, made.Application, cancel);
            var (before, after) = (await CountsAsync(entry.Owner, cancel), await CountsAsync(made.Owner, cancel));
            if (!before.SequenceEqual(after))
                throw new InvalidDataException($"It did not come whole: {string.Join(", ", before.Except(after))}.");
            var now = made with { Hosts = entry.Hosts, State = ServedState.Open };
            await control.AddAsync(now, cancel);
            return (Stopwatch.GetElapsedTime(began).TotalSeconds, now);
        }
        catch
        {
            // It stays where it is, whatever it failed of, also when it was called off.
            await ReadOnlyAsync(entry, false, CancellationToken.None);
            await control.AddAsync(entry, CancellationToken.None);
            await SchoolServers.DropAsync(admin, entry.Name, CancellationToken.None);
            throw;
        }
        finally
        {
            File.Delete(file);
        }
    }

    private static bool IsThere(SchoolEntry entry, string admin)
    {
        var (from, to) = (new NpgsqlConnectionStringBuilder(entry.Application), new NpgsqlConnectionStringBuilder(admin));
        return (from.Host, from.Port) == (to.Host, to.Port);
    }

    /// <summary>Has its database take writes or not, from the next transaction on: sessions that began before are ended.</summary>
    public static async Task ReadOnlyAsync(SchoolEntry entry, bool on, CancellationToken cancel)
    {
        await using (var owner = new NpgsqlConnection($"{entry.Owner};{Writable}"))
        {
            var database = new NpgsqlConnectionStringBuilder(entry.Owner).Database;
            await owner.ExecuteAsync(
                on
                    ? $"alter database \"{database}\" set default_transaction_read_only = on"
                    : $"alter database \"{database}\" reset default_transaction_read_only",
                null,
                cancel
            );
        }
        foreach (var role in new[] { entry.Application, entry.Owner })
        {
            await using var own = new NpgsqlConnection($"{role};{Writable}");
            await own.ExecuteAsync(
                """
                select pg_terminate_backend(pid, 5000) from pg_stat_activity
                where datname = current_database() and usename = current_user and pid <> pg_backend_pid()
                """,
                null,
                cancel
            );
        }
    }

    // How many rows each table holds.
    private static async Task<IReadOnlyList<string>> CountsAsync(string owner, CancellationToken cancel)
    {
        await using var connection = new NpgsqlConnection($"{owner};Pooling=false");
        return
        [
            .. await connection.QueryAsync<string>(
                """
                select relname || ' ' || (xpath('/row/n/text()',
                    query_to_xml(format('select count(*) as n from %I.%I', nspname, relname), false, true, '')))[1]::text
                from pg_class join pg_namespace on pg_namespace.oid = relnamespace where nspname = 'public' and relkind = 'r' order by 1
                """,
                null,
                cancel
            ),
        ];
    }
}
