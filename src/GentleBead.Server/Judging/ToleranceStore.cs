using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Server.Database;

namespace GentleBead.Server.Judging;

/// <summary>The room's own practice tolerances in the database; the newest stands.</summary>
public sealed class ToleranceStore(SchoolDatabase database)
{
    /// <summary>What stands.</summary>
    public async Task<PracticeTolerances> NewestAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var body = await connection.QueryFirstOrDefaultAsync<string>(
            "select body from practice_tolerances order by seq desc limit 1",
            null,
            cancel
        );
        return body is null ? PracticeTolerances.Usual : Jsonb.Read<PracticeTolerances>(body);
    }

    /// <summary>Sets them anew; the same id again changes nothing.</summary>
    public async Task AddAsync(Guid id, PracticeTolerances tolerances, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "practice_tolerances",
            "insert into practice_tolerances (id, body, set_by, sent) values (@id, @body, @by, @sent) on conflict (id) do nothing",
            new
            {
                id,
                body = new Jsonb<PracticeTolerances>(tolerances),
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }
}
