using Dapper;
using GentleBead.Core.Keeping;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using Npgsql;

namespace GentleBead.Server.Keeping;

/// <summary>How long a school keeps what it keeps, in an edition.</summary>
/// <param name="Edition">Which edition; 0 before anybody said.</param>
/// <param name="Terms">How long.</param>
/// <param name="MadeBy">Who said so; null before anybody did.</param>
/// <param name="MadeAt">When; null likewise.</param>
public sealed record KeepingEdition(int Edition, KeepingTerms Terms, string? MadeBy, DateTimeOffset? MadeAt);

/// <summary>What is past its time.</summary>
/// <param name="Pictures">Pictures.</param>
/// <param name="PictureBytes">How many bytes they take.</param>
/// <param name="Recordings">Recordings.</param>
/// <param name="RecordingBytes">How many bytes they take.</param>
/// <param name="Notes">Notes and remarks.</param>
/// <param name="People">How many students were last here before that.</param>
public sealed record KeepingDue(long Pictures, long PictureBytes, long Recordings, long RecordingBytes, long Notes, long People);

/// <summary>A student who was last here long ago.</summary>
/// <param name="Student">Who.</param>
/// <param name="LastHere">When they last welded here, or were noted down; the day of their account where they never did.</param>
public sealed record LongGone(PersonName Student, DateTimeOffset LastHere);

/// <summary>How long what is kept is kept, and what is let go when its time is over.</summary>
public sealed class KeepingStore(SchoolDatabase database, TimeProvider clock)
{
    /// <summary>Students that are listed at once.</summary>
    public const int Page = 50;

    // At a time: a picture's row is rewritten, and nobody shall wait for a thousand of them.
    private const int AtOnce = 100;

    // Any number that stays the same.
    private const long Lock = 4204;

    private const string Gone = """
        select person.id, person.name, greatest(person.added_at,
            (select recorded_at from bead_verdict where student_id = person.id order by seq desc limit 1),
            (select max(noted_at) from attendance where student_id = person.id)) as last_here
        from person where role = 'student' and forgotten_at is null and added_at < @records
        """;

    private static readonly (KeptKind Kind, string What, string Trail)[] Chores =
    [
        (KeptKind.Pictures, "pictures", "picturesLetGo"),
        (KeptKind.Sound, "sound", "soundLetGo"),
        (KeptKind.Notes, "notes", "notesLetGo"),
    ];

    /// <summary>The terms that stand.</summary>
    public async Task<KeepingEdition> NowAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QueryFirstOrDefaultAsync<(int Edition, string Body, string? By, DateTime At)?>(
            """
            select edition, body, person.name, made_at from keeping_terms left join person on person.id = made_by
            order by edition desc limit 1
            """,
            null,
            cancel
        );
        return row is { } found
            ? new(found.Edition, Jsonb.Read<KeepingTerms>(found.Body), found.By, found.At)
            : new(0, new KeepingTerms(), null, null);
    }

    /// <summary>Sets other terms. False where somebody set others since the edition named.</summary>
    public async Task<bool> SetAsync(Guid id, KeepingTerms terms, int seen, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (await connection.IsRepeatAsync("keeping_terms", id, sent, cancel))
            return true;
        var edition = new NewEdition<KeepingTerms>(id, null, seen, terms, by, sent);
        if (!await connection.AddEditionAsync("keeping_terms", null, edition, cancel))
            return false;
        await Trail.LeaveAsync(connection, by, "keepingSet", "", id, cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    /// <summary>What is past its time by some terms, whether they stand or are only thought of.</summary>
    public async Task<KeepingDue> DueAsync(KeepingTerms terms, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleAsync<KeepingDue>(
            $"""
            select pictures.count as "Pictures", pictures.bytes as "PictureBytes", recordings.count as "Recordings",
                recordings.bytes as "RecordingBytes",
                (select count(*) from visit where note <> '' and visited_at < @notes)
                    + (select count(*) from remark where text <> '…' and made_at < @notes) as "Notes",
                (select count(*) from ({Gone}) as gone where last_here < @records) as "People"
            from (select count(*), coalesce(sum(bytes), 0)::bigint as bytes from pictures_due(@pictures)) as pictures,
                (select count(*), coalesce(sum(bytes), 0)::bigint as bytes from recordings_due(@sound)) as recordings
            """,
            Before(terms),
            cancel
        );
    }

    /// <summary>Students past the time of their records, longest gone first.</summary>
    public async Task<IReadOnlyList<LongGone>> LongGoneAsync(KeepingTerms terms, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, string Name, DateTime LastHere)>(
            $"select * from ({Gone}) as gone where last_here < @records order by last_here, id limit {Page}",
            Before(terms),
            cancel
        );
        return [.. rows.Select(row => new LongGone(new(row.Id, row.Name), row.LastHere))];
    }

    /// <summary>Lets go what is past its time by the terms that stand; one server at a time does. How many there were of it.</summary>
    public async Task<int> LetGoAsync(CancellationToken cancel)
    {
        var terms = (await NowAsync(cancel)).Terms;
        await using var connection = await database.OpenConnectionAsync(cancel);
        if (!await connection.ExecuteScalarAsync<bool>("select pg_try_advisory_lock(@Lock)", new { Lock }, cancel))
            return 0;
        try
        {
            var all = 0;
            foreach (var (kind, what, trail) in Chores)
            {
                if (terms.Since(kind, clock.GetUtcNow()) is not { } before)
                    continue;
                var gone = 0;
                for (int now; (now = await OnceAsync(connection, what, before, cancel)) > 0; )
                    gone += now;
                if (gone > 0)
                    await Trail.LeaveByTermsAsync(connection, trail, gone, cancel);
                all += gone;
            }
            return all;
        }
        finally
        {
            await connection.ExecuteAsync("select pg_advisory_unlock(@Lock)", new { Lock }, CancellationToken.None);
        }
    }

    private static Task<int> OnceAsync(NpgsqlConnection connection, string what, DateTimeOffset before, CancellationToken cancel) =>
        connection.ExecuteScalarAsync<int>(
            "select let_go(@what, @before, @AtOnce)",
            new
            {
                what,
                before = before.UtcDateTime,
                AtOnce,
            },
            cancel
        );

    private object Before(KeepingTerms terms) =>
        new
        {
            pictures = Of(terms, KeptKind.Pictures),
            sound = Of(terms, KeptKind.Sound),
            notes = Of(terms, KeptKind.Notes),
            records = Of(terms, KeptKind.Records),
        };

    // Where there is no end, nothing is older.
    private DateTime Of(KeepingTerms terms, KeptKind kind) => terms.Since(kind, clock.GetUtcNow())?.UtcDateTime ?? DateTime.UnixEpoch;
}
