using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Schools;

/// <summary>Whether a school is served.</summary>
public enum ServedState
{
    /// <summary>It is.</summary>
    Open,

    /// <summary>It is on its way to another PostgreSQL server: it can be read, and what is sent is taken once it has come.</summary>
    Moving,

    /// <summary>It is not; its database is kept.</summary>
    Closed,
}

/// <summary>A school as the control database names it.</summary>
/// <param name="Name">The name it is served under: a small letter, then small letters, digits and _, 2 to 31 in all.</param>
/// <param name="Hosts">The host names that lead to it, in small letters.</param>
/// <param name="Application">Connection string of the application's role.</param>
/// <param name="Owner">Connection string of the role that owns the tables.</param>
/// <param name="State">Whether it is served.</param>
public sealed record SchoolEntry(string Name, IReadOnlyList<string> Hosts, string Application, string Owner, ServedState State);

/// <summary>A school that this server serves.</summary>
public sealed class ServedSchool
{
    // What is asked of it by then has long been answered.
    private static readonly TimeSpan Leaving = TimeSpan.FromMinutes(1);

    internal ServedSchool(SchoolEntry entry, NpgsqlDataSource pool, PoolBound? bound)
    {
        (Entry, Pool) = (entry, pool);
        Database = new SchoolDatabase(entry.Name, pool, bound);
    }

    /// <summary>As the control database names it.</summary>
    public SchoolEntry Entry { get; }

    /// <summary>Its database.</summary>
    public SchoolDatabase Database { get; }

    /// <summary>What keeps it from being served by this server, for whoever looks after it; null where nothing does.</summary>
    public string? Trouble { get; set; }

    /// <summary>A connection beside the pool, for what listens as long as anybody does.</summary>
    public NpgsqlConnection Apart() => new($"{Entry.Application};Pooling=false");

    internal NpgsqlDataSource Pool { get; }

    // Requests that were under way when it changed end on the connections they began with.
    internal async Task LeaveAsync()
    {
        Pool.Clear();
        await Task.Delay(Leaving);
        await Pool.DisposeAsync();
    }
}
