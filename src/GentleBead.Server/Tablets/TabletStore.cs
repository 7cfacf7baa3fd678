using System.Security.Cryptography;
using Dapper;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using Npgsql;

namespace GentleBead.Server.Tablets;

/// <summary>A tablet as instructors see it.</summary>
/// <param name="Id">Which.</param>
/// <param name="Name">What it is called.</param>
/// <param name="BoothId">Whose it is.</param>
/// <param name="Booth">The booth's number.</param>
/// <param name="Room">The booth's room.</param>
/// <param name="PairedAt">Since when.</param>
/// <param name="PairedBy">By whose code.</param>
/// <param name="SeenAt">When it was last heard of.</param>
/// <param name="Student">Who stands at it, as they said; null for nobody.</param>
public sealed record PairedTablet(
    Guid Id,
    string Name,
    Guid BoothId,
    int Booth,
    string Room,
    DateTimeOffset PairedAt,
    string PairedBy,
    DateTimeOffset SeenAt,
    PersonName? Student
);

/// <summary>What a tablet's key stands for, at every request.</summary>
/// <param name="Id">Which tablet.</param>
/// <param name="BoothId">Whose.</param>
/// <param name="Key">The key it should have from now on; null where it keeps the one it has.</param>
/// <param name="Standing">Who stands at it; null for nobody.</param>
public sealed record KnownTablet(Guid Id, Guid BoothId, string? Key, Standing? Standing);

/// <summary>Who stands at a tablet.</summary>
/// <param name="Id">The sign-in they said so by.</param>
/// <param name="StudentId">Who.</param>
/// <param name="SessionId">In which session.</param>
/// <param name="GoodUntil">Until when at the longest.</param>
public sealed record Standing(Guid Id, Guid StudentId, Guid SessionId, DateTimeOffset GoodUntil);

/// <summary>Tablets that belong to booths, their keys, and the codes they are paired by.</summary>
public sealed class TabletStore(SchoolDatabase database, Accounts accounts)
{
    /// <summary>How long a pairing code is good.</summary>
    public static readonly TimeSpan CodeGood = TimeSpan.FromMinutes(15);

    /// <summary>How long nobody may have touched a tablet before whoever stood at it has gone.</summary>
    public static readonly TimeSpan Untouched = TimeSpan.FromMinutes(20);

    // A key that was copied is good for a week at the most, and not at all once its tablet has used the next.
    private static readonly TimeSpan KeyGood = TimeSpan.FromDays(7);

    // A school's; more than that are shown by nobody's screen.
    private const int Most = 400;

    // A tablet that lay in a drawer over a holiday still sends what was noted on it.
    private static readonly TimeSpan SentOnFor = TimeSpan.FromDays(60);

    // Who stands there: the newest to say so, until they leave, nobody has touched it for long, or the slot is over.
    private const string Now = """
        select standing.id, standing.student_id, standing.session_id, standing.good_until from (
            select * from tablet_sign_in where tablet_id = tablet.id order by seq desc limit 1) as standing
        join person on person.id = standing.student_id
        where standing.ended_at is null and standing.good_until > now() and standing.touched_at > now() - @Untouched
            and person.deactivated_at is null and (@Demo or not person.demo) and not exists (
                select 1 from slot_begun where slot_begun.session_id = standing.session_id and slot_begun.begun_at > standing.since)
        """;

    /// <summary>What is kept of a key.</summary>
    public static byte[] HashOf(string key) => SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(key));

    /// <summary>Notes a code by which a tablet becomes a booth's; false where this id was used.</summary>
    public async Task<bool> AddCodeAsync(Guid id, Guid boothId, string code, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                """
                insert into pairing_code (id, booth_id, code_hash, made_by, good_until)
                values (@id, @boothId, @hash, @by, now() + @CodeGood) on conflict (id) do nothing
                """,
                new
                {
                    id,
                    boothId,
                    hash = Codes.Hash(code),
                    by,
                    CodeGood,
                },
                cancel
            ) > 0;
    }

    /// <summary>Makes a tablet that booth's which a code was made for, and uses the code up.</summary>
    /// <param name="id">The tablet's id.</param>
    /// <param name="code">The code.</param>
    /// <param name="name">What it is to be called; empty for the booth's number.</param>
    /// <param name="cancel">Breaks it off.</param>
    /// <returns>The key it carries from now on; null where the code is not good.</returns>
    public async Task<string?> PairAsync(Guid id, string code, string name, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var used = await connection.QuerySingleOrDefaultAsync<(Guid BoothId, Guid MadeBy)?>(
            """
            update pairing_code set used_at = now() where code_hash = @hash and used_at is null and good_until > now()
            returning booth_id, made_by
            """,
            new { hash = Codes.Hash(code) },
            cancel
        );
        if (used is not { } good)
            return null;
        var key = Codes.Long();
        await connection.ExecuteAsync(
            """
            insert into tablet (id, booth_id, name, key_hash, paired_by) values (@id, @BoothId,
                coalesce(nullif(@name, ''), (select 'Tablet of booth ' || number from booth where id = @BoothId)), @hash, @MadeBy)
            """,
            new
            {
                id,
                good.BoothId,
                name,
                hash = HashOf(key),
                good.MadeBy,
            },
            cancel
        );
        await transaction.CommitAsync(cancel);
        return key;
    }

    /// <summary>What a key stands for; null where it is no tablet's any more.</summary>
    /// <param name="key">The key.</param>
    /// <param name="touched">Whether somebody is at it.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<KnownTablet?> FindAsync(string key, bool touched, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var hash = HashOf(key);
        var row = await connection.QuerySingleOrDefaultAsync<Row>(
            $"""
            select tablet.id as "Id", tablet.booth_id as "BoothId", tablet.key_hash = @hash as "IsNewest",
                tablet.former_key_hash is not null as "HasFormer", tablet.key_made_at < now() - @KeyGood as "IsDue",
                tablet.seen_at < now() - interval '30 seconds' as "IsLongAgo", standing.id as "SignIn",
                standing.student_id as "StudentId", standing.session_id as "SessionId", standing.good_until as "GoodUntil"
            from tablet left join lateral ({Now}) as standing on true
            where (tablet.key_hash = @hash or tablet.former_key_hash = @hash) and tablet.put_away_at is null
            """,
            new
            {
                hash,
                KeyGood,
                Untouched,
                accounts.Demo,
            },
            cancel
        );
        if (row is null)
            return null;
        if (row.IsLongAgo || touched)
            await SeenAsync(connection, row, touched, cancel);
        if (row is { IsNewest: true, HasFormer: true })
            await SettleAsync(connection, row.Id, hash, cancel);
        var next = row.IsNewest && !row.IsDue ? null : await RotateAsync(connection, row, hash, cancel);
        var standing = row is { SignIn: { } signIn, StudentId: { } student, SessionId: { } session, GoodUntil: { } until }
            ? new Standing(signIn, student, session, until)
            : null;
        return new(row.Id, row.BoothId, next, standing);
    }

    /// <summary>Who stands at a tablet; null for nobody.</summary>
    public async Task<Standing?> StandingAsync(Guid tabletId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<(Guid Id, Guid StudentId, Guid SessionId, DateTime GoodUntil)?>(
            $"select standing.* from tablet cross join lateral ({Now}) as standing where tablet.id = @tabletId",
            new
            {
                tabletId,
                Untouched,
                accounts.Demo,
            },
            cancel
        );
        return row is { } one ? new(one.Id, one.StudentId, one.SessionId, one.GoodUntil) : null;
    }

    /// <summary>Who stood at a tablet by a sign-in of the last weeks; null where there was none such at this one.</summary>
    public async Task<Standing?> StoodAsync(Guid tabletId, Guid standingId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<(Guid Id, Guid StudentId, Guid SessionId, DateTime GoodUntil)?>(
            """
            select standing.id, student_id, session_id, good_until from tablet_sign_in as standing
            join person on person.id = standing.student_id
            where standing.id = @standingId and tablet_id = @tabletId and since > now() - @SentOnFor and person.deactivated_at is null
                and (@Demo or not person.demo)
            """,
            new
            {
                standingId,
                tabletId,
                SentOnFor,
                accounts.Demo,
            },
            cancel
        );
        return row is { } one ? new(one.Id, one.StudentId, one.SessionId, one.GoodUntil) : null;
    }

    /// <summary>Every tablet that was not put away, by room and booth.</summary>
    public async Task<IReadOnlyList<PairedTablet>> ListAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Listed>(
            $"""
            select tablet.id as "Id", tablet.name as "Name", booth.id as "BoothId", booth.number as "Booth", room.name as "Room",
                tablet.paired_at as "PairedAt", pairer.name as "PairedBy", tablet.seen_at as "SeenAt",
                student.id as "StudentId", student.name as "Student"
            from tablet join booth on booth.id = tablet.booth_id join room on room.id = booth.room_id
            join person as pairer on pairer.id = tablet.paired_by left join lateral ({Now}) as standing on true
            left join person as student on student.id = standing.student_id
            where tablet.put_away_at is null order by room.seq, booth.number, tablet.seq limit @Most
            """,
            new
            {
                Untouched,
                accounts.Demo,
                Most,
            },
            cancel
        );
        return
        [
            .. rows.Select(row => new PairedTablet(
                row.Id,
                row.Name,
                row.BoothId,
                row.Booth,
                row.Room,
                row.PairedAt,
                row.PairedBy,
                row.SeenAt,
                row.StudentId is { } student ? new(student, row.Student!) : null
            )),
        ];
    }

    /// <summary>Puts a tablet away: its key opens nothing any more. False where there is none.</summary>
    public async Task<bool> PutAwayAsync(Guid id, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            "update tablet set put_away_at = now(), put_away_by = @by where id = @id and put_away_at is null",
            new { id, by },
            cancel
        );
        return await connection.ExecuteScalarAsync<bool>("select exists (select 1 from tablet where id = @id)", new { id }, cancel);
    }

    private static Task<int> SeenAsync(NpgsqlConnection connection, Row row, bool touched, CancellationToken cancel) =>
        connection.ExecuteAsync(
            """
            update tablet set seen_at = now() where id = @Id;
            update tablet_sign_in set touched_at = now() where @touched and id = @SignIn;
            """,
            new
            {
                row.Id,
                row.SignIn,
                touched,
            },
            cancel
        );

    // The newest key was used: the one before opens nothing any more.
    private static Task<int> SettleAsync(NpgsqlConnection connection, Guid id, byte[] hash, CancellationToken cancel) =>
        connection.ExecuteAsync("update tablet set former_key_hash = null where id = @id and key_hash = @hash", new { id, hash }, cancel);

    // The key that was shown stays good until the new one is used: an answer can be lost on its way. Of several requests at once one gets
    // the new key; another is made only where that has not been heard of for a while.
    private static async Task<string?> RotateAsync(NpgsqlConnection connection, Row row, byte[] hash, CancellationToken cancel)
    {
        var key = Codes.Long();
        var changed = await connection.ExecuteAsync(
            """
            update tablet set key_hash = @next, former_key_hash = @hash, key_made_at = now()
            where id = @Id and (key_hash = @hash and key_made_at < now() - @KeyGood
                or former_key_hash = @hash and key_made_at < now() - interval '1 minute')
            """,
            new
            {
                row.Id,
                hash,
                next = HashOf(key),
                KeyGood,
            },
            cancel
        );
        return changed > 0 ? key : null;
    }

    private sealed record Row(
        Guid Id,
        Guid BoothId,
        bool IsNewest,
        bool HasFormer,
        bool IsDue,
        bool IsLongAgo,
        Guid? SignIn,
        Guid? StudentId,
        Guid? SessionId,
        DateTime? GoodUntil
    );

    private sealed record Listed(
        Guid Id,
        string Name,
        Guid BoothId,
        int Booth,
        string Room,
        DateTime PairedAt,
        string PairedBy,
        DateTime SeenAt,
        Guid? StudentId,
        string? Student
    );
}
