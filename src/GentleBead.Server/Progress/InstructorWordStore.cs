using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Progress;
using GentleBead.Server.Database;
using GentleBead.Server.People;

namespace GentleBead.Server.Progress;

/// <summary>What several instructors said of the same beads and coupons.</summary>
public sealed class InstructorWordStore(SchoolDatabase database)
{
    // What was said years ago says little of whoever says it now.
    private const int NewestWords = 2_000;
    private const int NewestTests = 200;

    /// <summary>The newest words, of each instructor on each thing the last one.</summary>
    public async Task<IReadOnlyList<InstructorWord>> NewestAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(string Of, string? Aspect, Guid By, string Word)>(
            """
            select distinct on (bead_id, aspect, ruled_by) bead_id::text, aspect, ruled_by, instructor
            from (select bead_id, aspect, ruled_by, instructor, seq from ruling order by seq desc limit @NewestWords) as newest
            order by bead_id, aspect, ruled_by, seq desc
            """,
            new { NewestWords },
            cancel
        );
        var accepted = await connection.QueryAsync<(string Of, Guid By, bool Accepted)>(
            """
            select concat(newest.id, '/', said.body ->> 'coupon', '/', said.body ->> 'attempt'), (said.body ->> 'by')::uuid,
                (said.body ->> 'accepted')::boolean
            from (select id from test_weld order by seq desc limit @NewestTests) as newest
            join test_record on test_record.test_weld_id = newest.id and test_record.kind = 'assessment'
            cross join lateral (select test_record.body::jsonb as body) as said
            """,
            new { NewestTests },
            cancel
        );
        return
        [
            .. rows.Select(row => new InstructorWord(
                row.Of,
                InstructorAgreement.OnBead(row.Aspect is { } aspect ? EnumText.Read<Aspect>(aspect) : null),
                row.By,
                row.Word
            )),
            .. accepted.Select(row => new InstructorWord(row.Of, InstructorTopic.Accepted, row.By, row.Accepted ? "yes" : "no")),
        ];
    }

    /// <summary>The names of some people.</summary>
    public async Task<IReadOnlyDictionary<Guid, PersonName>> NamesAsync(IReadOnlyList<Guid> people, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<PersonName>(
            "select id as \"Id\", name as \"Name\" from person where id = any(@people)",
            new { people = people.ToArray() },
            cancel
        );
        return rows.ToDictionary(row => row.Id);
    }
}
