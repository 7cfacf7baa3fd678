using Dapper;
using GentleBead.Core.Beads;
using GentleBead.Core.Practice;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Practice;

/// <summary>A drill as it was given to somebody.</summary>
/// <param name="Id">Which.</param>
/// <param name="PersonId">To whom.</param>
/// <param name="Body">The drill, with what is off.</param>
/// <param name="Answered">How it was answered; null while it was not.</param>
public sealed record GivenDrill(Guid Id, Guid PersonId, Drill Body, AnsweredDrill? Answered);

/// <summary>Drills and their answers in the database. An answer is given once.</summary>
public sealed class DrillStore(NpgsqlDataSource database)
{
    private const string Drills =
        """
        select drill.id, person_id as "PersonId", body, heard, answer, "right" as "IsRight", answered_at as "AnsweredAt"
        from drill left join drill_answer on drill_answer.drill_id = drill.id
        """;

    /// <summary>Gives a drill; the same id again changes nothing.</summary>
    public async Task AddAsync(Guid id, Guid personId, Drill body, DateTimeOffset at)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into drill (id, person_id, body, given_at) values (@id, @personId, @body, @at) on conflict (id) do nothing",
            new { id, personId, body = new Jsonb<Drill>(body), at = at.UtcDateTime });
    }

    /// <summary>One drill.</summary>
    public async Task<GivenDrill?> FindAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        return (await connection.QuerySingleOrDefaultAsync<Row>($"{Drills} where drill.id = @id", new { id }))?.Drill;
    }

    /// <summary>Everything somebody answered, oldest first.</summary>
    public async Task<IReadOnlyList<AnsweredDrill>> AnsweredAsync(Guid personId)
    {
        await using var connection = await database.OpenConnectionAsync();
        return [.. (await connection.QueryAsync<Row>($"{Drills} where person_id = @personId and answered_at is not null order by answered_at, drill.id", new { personId })).Select(row => row.Drill.Answered!)];
    }

    /// <summary>Answers a drill; a second answer changes nothing.</summary>
    public async Task AnswerAsync(Guid drillId, Sound? heard, Deviation? answer, bool right, DateTimeOffset at)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into drill_answer (drill_id, heard, answer, \"right\", answered_at) values (@drillId, @heard, @answer, @right, @at) on conflict (drill_id) do nothing",
            new { drillId, heard = heard is { } sound ? Words.Of(sound) : null, answer = answer is { } said ? Words.Of(said) : null, right, at = at.UtcDateTime });
    }

    private sealed record Row(Guid Id, Guid PersonId, string Body, string? Heard, string? Answer, bool? IsRight, DateTime? AnsweredAt)
    {
        public GivenDrill Drill
        {
            get
            {
                var body = Jsonb.Read<Drill>(Body);
                return new(Id, PersonId, body, AnsweredAt is not { } at ? null : new(
                    body, Heard is null ? null : Words.Read<Sound>(Heard), Answer is null ? null : Words.Read<Deviation>(Answer), IsRight!.Value, at));
            }
        }
    }
}
