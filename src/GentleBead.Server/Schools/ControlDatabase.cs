using Dapper;
using GentleBead.Server.Database;
using Microsoft.AspNetCore.DataProtection;
using Npgsql;

namespace GentleBead.Server.Schools;

/// <summary>The small database that names the schools. Rows are only added to it; the newest of a name stands.</summary>
/// <param name="pool">Its connections.</param>
/// <param name="keys">What connection strings are sealed with.</param>
public sealed class ControlDatabase(NpgsqlDataSource pool, IDataProtectionProvider keys)
{
    // Any number that stays the same: names and hosts are given one school at a time.
    private const long Turn = 4211;
    private readonly IDataProtector seal = keys.CreateProtector("GentleBead.Schools");

    /// <summary>The last change's number; 0 before the first.</summary>
    public async Task<long> LastAsync(CancellationToken cancel)
    {
        await using var connection = await pool.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<long>("select coalesce(max(seq), 0) from served_school", null, cancel);
    }

    /// <summary>All schools by name, as each stands.</summary>
    public async Task<IReadOnlyList<SchoolEntry>> AllAsync(CancellationToken cancel)
    {
        await using var connection = await pool.OpenConnectionAsync(cancel);
        return await AllAsync(connection, cancel);
    }

    /// <summary>Looks whether a new school can have a name and hosts.</summary>
    /// <exception cref="InvalidDataException">They are another school's.</exception>
    public async Task CheckAsync(string name, IReadOnlyList<string> hosts, CancellationToken cancel)
    {
        var all = await AllAsync(cancel);
        if (all.Any(known => known.Name == name))
            throw new InvalidDataException($"There is a school {name} already.");
        CheckHosts(all, name, hosts);
    }

    /// <summary>Adds a school, or how one stands from now on.</summary>
    /// <exception cref="InvalidDataException">Another school has one of the hosts.</exception>
    public async Task AddAsync(SchoolEntry entry, CancellationToken cancel)
    {
        await using var connection = await pool.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await connection.ExecuteAsync("select pg_advisory_xact_lock(@Turn)", new { Turn }, cancel);
        if (entry.State != ServedState.Closed)
            CheckHosts(await AllAsync(connection, cancel), entry.Name, entry.Hosts);
        await connection.ExecuteAsync(
            "insert into served_school (name, hosts, application, owner, state) values (@Name, @hosts, @application, @owner, @state)",
            new
            {
                entry.Name,
                hosts = entry.Hosts.ToArray(),
                application = seal.Protect(entry.Application),
                owner = seal.Protect(entry.Owner),
                state = EnumText.Of(entry.State),
            },
            cancel
        );
        await transaction.CommitAsync(cancel);
    }

    private static void CheckHosts(IReadOnlyList<SchoolEntry> all, string name, IReadOnlyList<string> hosts)
    {
        foreach (var other in all.Where(other => other.Name != name && other.State != ServedState.Closed))
        {
            if (other.Hosts.Intersect(hosts).ToArray() is { Length: > 0 } taken)
                throw new InvalidDataException($"{string.Join(", ", taken)} leads to {other.Name} already.");
        }
    }

    private async Task<IReadOnlyList<SchoolEntry>> AllAsync(NpgsqlConnection connection, CancellationToken cancel)
    {
        var rows = await connection.QueryAsync<(string Name, string[] Hosts, string Application, string Owner, string State)>(
            """
            select name, hosts, application, owner, state
            from (select distinct on (name) * from served_school order by name, seq desc) as newest order by name
            """,
            null,
            cancel
        );
        return
        [
            .. rows.Select(row => new SchoolEntry(
                row.Name,
                row.Hosts,
                seal.Unprotect(row.Application),
                seal.Unprotect(row.Owner),
                EnumText.Read<ServedState>(row.State)
            )),
        ];
    }
}
