using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Beads;

/// <summary>An instructor's word with the name of whoever gave it.</summary>
public sealed record NamedRuling(Ruling Ruling, string Reason, string By, DateTimeOffset At);

/// <summary>An instructor's word on a bead.</summary>
/// <param name="Id">Which word.</param>
/// <param name="Ruling">The tool's word and the instructor's.</param>
/// <param name="Reason">Why; empty where both say the same.</param>
/// <param name="RuledBy">Who.</param>
/// <param name="RuledAt">When; null for now.</param>
public sealed record GivenRuling(Guid Id, Ruling Ruling, string Reason, Guid RuledBy, DateTimeOffset? RuledAt);

/// <summary>Rulings in the database. They are only added to; the newest for an aspect stands.</summary>
public sealed class RulingStore(SchoolDatabase database)
{
    // How often tool and instructor agree is read from the newest words: what the tool said years ago says little of it now.
    private const int Counted = 1_000;
    private const int Shown = 60;

    /// <summary>Adds a ruling; one on the verdict then stands on its bead.</summary>
    /// <param name="connection">In whose transaction, with the machine's turn taken.</param>
    /// <param name="beadId">On which bead.</param>
    /// <param name="given">The word.</param>
    /// <param name="sent">What was sent.</param>
    /// <returns>Whether it is new.</returns>
    public static Task<bool> AddAsync(NpgsqlConnection connection, Guid beadId, GivenRuling given, Sent sent, CancellationToken cancel) =>
        connection.AddOnceAsync(
            "ruling",
            """
            with given as (
                insert into ruling (id, bead_id, aspect, tool, instructor, reason, ruled_by, ruled_at, sent)
                values (@Id, @beadId, @aspect, @Tool, @Instructor, @Reason, @RuledBy, coalesce(@at, now()), @sent)
                    on conflict (id) do nothing returning instructor)
            update bead_verdict set ruled = case when @aspect::text is null then given.instructor else ruled end from given
                where bead_id = @beadId
            """,
            new
            {
                given.Id,
                beadId,
                aspect = given.Ruling.Aspect is { } aspect ? EnumText.Of(aspect) : null,
                given.Ruling.Tool,
                given.Ruling.Instructor,
                given.Reason,
                given.RuledBy,
                at = given.RuledAt?.UtcDateTime,
                sent = sent.Hash,
            },
            given.Id,
            sent,
            cancel
        );

    /// <summary>The newest rulings on a bead with the names of whoever gave them, oldest first.</summary>
    public async Task<IReadOnlyList<NamedRuling>> OfBeadAsync(Guid beadId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(string? Aspect, string Tool, string Instructor, string Reason, string By, DateTime At)>(
            """
            select aspect, tool, instructor, reason, person.name, ruled_at from ruling join person on person.id = ruled_by
            where bead_id = @beadId order by ruling.seq desc limit @Shown
            """,
            new { beadId, Shown },
            cancel
        );
        return [.. rows.Reverse().Select(row => new NamedRuling(Read(row.Aspect, row.Tool, row.Instructor), row.Reason, row.By, row.At))];
    }

    /// <summary>The newest ruling on each aspect of each bead that is not withdrawn, among the newest thousand words.</summary>
    public async Task<IReadOnlyList<Ruling>> NewestAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(string? Aspect, string Tool, string Instructor)>(
            """
            select aspect, tool, instructor from (
                select distinct on (bead_id, aspect) bead_id, aspect, tool, instructor
                from (select bead_id, aspect, tool, instructor, seq from ruling order by seq desc limit @Counted) as newest
                    order by bead_id, aspect, seq desc) as said
            -- Bead by bead: joined as a whole, every bead ever laid would be read while there are few.
            cross join lateral (select from bead_verdict where bead_id = said.bead_id and not withdrawn limit 1) as bead
            """,
            new { Counted },
            cancel
        );
        return [.. rows.Select(row => Read(row.Aspect, row.Tool, row.Instructor))];
    }

    private static Ruling Read(string? aspect, string tool, string instructor) =>
        new(aspect is null ? null : EnumText.Read<Aspect>(aspect), tool, instructor);
}
