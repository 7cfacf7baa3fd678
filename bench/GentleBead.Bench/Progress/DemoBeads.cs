using GentleBead.Testing;
using Npgsql;

namespace GentleBead.Bench.Progress;

/// <summary>The beads of the demo school, student by student and kind of work by kind of work. Made up too, by somebody else.</summary>
internal static class DemoBeads
{
    /// <summary>Reads them from a demo school of its own, without those that nobody knows to be right or wrong.</summary>
    public static async Task<IReadOnlyList<IReadOnlyList<SimulatedBead>>> OfAsync()
    {
        var database = await Cluster.NewDemoDatabaseAsync();
        try
        {
            await using var source = NpgsqlDataSource.Create(database.Application);
            await using var command = source.CreateCommand(
                """
                select student_id, process || joint || position, recorded_at, counted = 'right' from bead_verdict
                where counted <> 'open' and not withdrawn order by student_id, seq
                """
            );
            await using var reader = await command.ExecuteReaderAsync();
            var rows = new List<((Guid, string) Whose, SimulatedBead Bead)>();
            while (await reader.ReadAsync())
                rows.Add(((reader.GetGuid(0), reader.GetString(1)), new(reader.GetDateTime(2), 0, 0, reader.GetBoolean(3))));
            return [.. rows.GroupBy(row => row.Whose).Select(beads => (IReadOnlyList<SimulatedBead>)[.. beads.Select(row => row.Bead)])];
        }
        finally
        {
            await Cluster.DropAsync(database);
        }
    }
}
