using Dapper;
using GentleBead.Core.Beads;
using GentleBead.Core.Practice;
using GentleBead.Server.Database;
using GentleBead.Server.People;

namespace GentleBead.Server.Practice;

/// <summary>A drill as it was given to somebody.</summary>
/// <param name="Id">Which.</param>
/// <param name="PersonId">To whom.</param>
/// <param name="Body">The drill, with what is off.</param>
/// <param name="Right">Whether it was answered rightly; null while it was not answered.</param>
public sealed record GivenDrill(Guid Id, Guid PersonId, Drill Body, bool? Right);

/// <summary>Drills and their answers in the database. An answer is given once.</summary>
public sealed class DrillStore(SchoolDatabase database)
{
    /// <summary>People whose scores are sent at once.</summary>
    public const int Page = 12;

    private const string AnswerColumns = "kind, deviation, sound, heard, answer as \"Said\", \"right\", answered_at as \"At\"";

    /// <summary>Gives a drill; the same id again changes nothing.</summary>
    public async Task AddAsync(Guid id, Guid personId, Drill body, DateTimeOffset? at = null, CancellationToken cancel = default)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            "insert into drill (id, person_id, body, given_at) values (@id, @personId, @body, coalesce(@at, now())) on conflict "
                + "(id) do nothing",
            new
            {
                id,
                personId,
                body = new Jsonb<Drill>(body),
                at = at?.UtcDateTime,
            },
            cancel
        );
    }

    /// <summary>One drill.</summary>
    public async Task<GivenDrill?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<(Guid PersonId, string Body, bool? Right)?>(
            "select drill.person_id, body, \"right\" from drill left join drill_answer on drill_answer.drill_id = drill.id where "
                + "drill.id = @id",
            new { id },
            cancel
        );
        return row is { } found ? new GivenDrill(id, found.PersonId, Jsonb.Read<Drill>(found.Body), found.Right) : null;
    }

    /// <summary>The newest of what somebody answered, oldest first.</summary>
    public async Task<IReadOnlyList<AnsweredDrill>> AnsweredAsync(Guid personId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<AnswerRow>(
            $"select person_id as \"PersonId\", {AnswerColumns} from drill_answer where person_id = @personId order by seq desc "
                + $"limit @most",
            new { personId, most = Schedule.Newest },
            cancel
        );
        return [.. rows.Reverse().Select(row => row.Answer)];
    }

    /// <summary>The same of a page of students, by name.</summary>
    /// <param name="after">The last student of the page before; null for the first.</param>
    public async Task<IReadOnlyList<(PersonName Student, IReadOnlyList<AnsweredDrill> Answers)>> OfStudentsAsync(
        Guid? after,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var students = (
            await connection.QueryAsync<PersonName>(
                """
                select id, name from person where role = 'student' and (@after::uuid is null or (name, id) > (select name, id from person
                    where id = @after))
                order by name, id limit @Page
                """,
                new { after, Page },
                cancel
            )
        ).AsList();
        var answers = (
            await connection.QueryAsync<AnswerRow>(
                $"""
                select given.id as "PersonId", newest.* from unnest(@ids) as given (id) cross join lateral (
                    select {AnswerColumns} from drill_answer where person_id = given.id order by seq desc limit @most) as newest
                """,
                new { ids = students.Select(student => student.Id).ToArray(), most = Schedule.Newest },
                cancel
            )
        ).ToLookup(row => row.PersonId);
        return
        [
            .. students.Select(student =>
                (student, (IReadOnlyList<AnsweredDrill>)[.. answers[student.Id].Reverse().Select(row => row.Answer)])
            ),
        ];
    }

    /// <summary>Answers a drill; a second answer changes nothing.</summary>
    public async Task AnswerAsync(
        GivenDrill drill,
        Sound? heard,
        Deviation? answer,
        bool right,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            """
            insert into drill_answer (drill_id, person_id, kind, deviation, sound, heard, answer, "right", answered_at)
            values (@Id, @PersonId, @kind, @deviation, @sound, @heard, @answer, @right, coalesce(@at, now()))
                on conflict (drill_id) do nothing
            """,
            new
            {
                drill.Id,
                drill.PersonId,
                kind = EnumText.Of(drill.Body.Kind),
                deviation = EnumText.Of(drill.Body.Deviation),
                sound = Word(drill.Body.Sound),
                heard = Word(heard),
                answer = Word(answer),
                right,
                at = at?.UtcDateTime,
            },
            cancel
        );
    }

    private static string? Word<T>(T? value)
        where T : struct, Enum => value is { } said ? EnumText.Of(said) : null;

    private sealed record AnswerRow(
        Guid PersonId,
        string Kind,
        string Deviation,
        string? Sound,
        string? Heard,
        string? Said,
        bool Right,
        DateTime At
    )
    {
        public AnsweredDrill Answer =>
            new(
                EnumText.Read<DrillKind>(Kind),
                EnumText.Read<Deviation>(Deviation),
                Read<Sound>(Sound),
                Read<Sound>(Heard),
                Read<Deviation>(Said),
                Right,
                At
            );

        private static T? Read<T>(string? word)
            where T : struct, Enum => word is null ? null : EnumText.Read<T>(word);
    }
}
