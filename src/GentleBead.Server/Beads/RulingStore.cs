using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Beads;

/// <summary>An instructor's word on a bead.</summary>
/// <param name="Id">Which word.</param>
/// <param name="Ruling">The tool's word and the instructor's.</param>
/// <param name="Reason">Why; empty where both say the same.</param>
/// <param name="RuledBy">Who.</param>
/// <param name="RuledAt">When.</param>
public sealed record GivenRuling(Guid Id, Ruling Ruling, string Reason, Guid RuledBy, DateTimeOffset RuledAt);

/// <summary>Rulings in the database. They are only added to; the newest for an aspect stands.</summary>
public sealed class RulingStore(NpgsqlDataSource database)
{
    /// <summary>Adds a ruling; the same id again changes nothing.</summary>
    public async Task AddAsync(Guid beadId, GivenRuling given)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            """
            insert into ruling (id, bead_id, aspect, tool, instructor, reason, ruled_by, ruled_at)
            values (@Id, @beadId, @aspect, @Tool, @Instructor, @Reason, @RuledBy, @at) on conflict (id) do nothing
            """,
            new
            {
                given.Id,
                beadId,
                aspect = given.Ruling.Aspect is { } aspect ? Words.Of(aspect) : null,
                given.Ruling.Tool,
                given.Ruling.Instructor,
                given.Reason,
                given.RuledBy,
                at = given.RuledAt.UtcDateTime,
            });
    }

    /// <summary>Every ruling on a bead, oldest first.</summary>
    public async Task<IReadOnlyList<GivenRuling>> OfBeadAsync(Guid beadId)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<(Guid Id, string? Aspect, string Tool, string Instructor, string Reason, Guid By, DateTime At)>(
            "select id, aspect, tool, instructor, reason, ruled_by, ruled_at from ruling where bead_id = @beadId order by ruled_at, id", new { beadId });
        return [.. rows.Select(row => new GivenRuling(row.Id, Read(row.Aspect, row.Tool, row.Instructor), row.Reason, row.By, row.At))];
    }

    /// <summary>The standing ruling of each bead on each aspect, of beads that stand.</summary>
    public async Task<IReadOnlyList<Ruling>> StandingAsync()
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<(string? Aspect, string Tool, string Instructor)>(
            """
            select distinct on (ruling.bead_id, ruling.aspect) ruling.aspect, ruling.tool, ruling.instructor
            from ruling join bead on bead.id = ruling.bead_id where bead.withdrawn_at is null
            order by ruling.bead_id, ruling.aspect, ruling.ruled_at desc, ruling.id desc
            """);
        return [.. rows.Select(row => Read(row.Aspect, row.Tool, row.Instructor))];
    }

    private static Ruling Read(string? aspect, string tool, string instructor) => new(aspect is null ? null : Words.Read<Aspect>(aspect), tool, instructor);
}
