using Dapper;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Machines;

/// <summary>A booth and the machine in it.</summary>
public sealed record Booth(Guid Id, int Number, Guid MachineId);

/// <summary>Booths in the database.</summary>
public sealed class BoothStore(NpgsqlDataSource database)
{
    private const string Columns = "id, number, machine_id as \"MachineId\"";

    /// <summary>One booth.</summary>
    public async Task<Booth?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<Booth>($"select {Columns} from booth where id = @id", new { id }, cancel);
    }

    /// <summary>The booth a machine stands in; null where it stands in none.</summary>
    public async Task<Booth?> OfMachineAsync(Guid machineId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<Booth>(
            $"select {Columns} from booth where machine_id = @machineId",
            new { machineId },
            cancel
        );
    }

    /// <summary>Whether a booth number is another booth's.</summary>
    public async Task<bool> IsTakenAsync(int number, Guid boothId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<bool>(
            "select exists (select 1 from booth where number = @number and id <> @boothId)",
            new { number, boothId },
            cancel
        );
    }

    /// <summary>Adds a booth; the same id again changes nothing. False when its number or machine is taken.</summary>
    public async Task<bool> AddAsync(Booth booth, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            "insert into booth (id, number, machine_id) values (@Id, @Number, @MachineId) on conflict do nothing",
            booth,
            cancel
        );
        return await connection.ExecuteScalarAsync<bool>(
            "select exists (select 1 from booth where id = @Id and number = @Number)",
            booth,
            cancel
        );
    }
}
