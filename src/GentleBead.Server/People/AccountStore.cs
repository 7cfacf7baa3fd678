using Dapper;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.People;

/// <summary>Something somebody did.</summary>
/// <param name="Seq">Its number in the trail.</param>
/// <param name="At">When.</param>
/// <param name="By">Who; null for nobody in particular.</param>
/// <param name="What">What kind of thing: a key of the trail's words.</param>
/// <param name="About">Whose, by their name now, or what, by its name that day; empty where there is none.</param>
/// <param name="AboutId">Which one; null where there is none.</param>
public sealed record TrailEntry(long Seq, DateTimeOffset At, string? By, string What, string About, Guid? AboutId);

/// <summary>Passwords, codes, accounts that are switched off, and the trail of who did what.</summary>
public sealed class AccountStore(SchoolDatabase database)
{
    /// <summary>Entries of the trail that are sent at once.</summary>
    public const int TrailPage = 50;

    /// <summary>How long a code is good for who forgot the password.</summary>
    public static readonly TimeSpan Forgotten = TimeSpan.FromDays(1);

    /// <summary>How long the first code of a new account is good: it may wait on paper for the first evening.</summary>
    public static readonly TimeSpan First = TimeSpan.FromDays(21);

    /// <summary>Gives a person another password and ends every sign-in but the one it was done in.</summary>
    public async Task SetPasswordAsync(Guid personId, string password, Guid signIn, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await connection.ExecuteAsync(
            "update person set password_hash = @hash where id = @personId",
            new { personId, hash = PeopleStore.HashOf(password) },
            cancel
        );
        await SignInStore.EndAllAsync(connection, personId, signIn, cancel);
        await LeaveAsync(connection, personId, "passwordChanged", personId, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Ends every sign-in of a person but the one it was done in.</summary>
    public async Task SignOutElsewhereAsync(Guid personId, Guid signIn, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await SignInStore.EndAllAsync(connection, personId, signIn, cancel);
    }

    /// <summary>
    /// Notes a code by which a person may set another password; the ones before it are dead. False where this id was used.
    /// </summary>
    /// <param name="id">Which code.</param>
    /// <param name="personId">Whose.</param>
    /// <param name="code">The code.</param>
    /// <param name="good">How long it is good.</param>
    /// <param name="by">Who makes it.</param>
    public async Task<bool> AddResetAsync(Guid id, Guid personId, string code, TimeSpan good, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await AddResetAsync(connection, id, personId, code, good, by, cancel);
    }

    /// <summary>The same in the caller's transaction.</summary>
    internal static async Task<bool> AddResetAsync(
        NpgsqlConnection connection,
        Guid id,
        Guid personId,
        string code,
        TimeSpan good,
        Guid by,
        CancellationToken cancel
    ) =>
        await connection.ExecuteAsync(
            """
            insert into password_reset (id, person_id, code_hash, made_by, good_until)
            values (@id, @personId, @hash, @by, now() + @good) on conflict (id) do nothing
            """,
            new
            {
                id,
                personId,
                hash = Codes.Hash(code),
                good,
                by,
            },
            cancel
        ) > 0;

    /// <summary>Sets another password by a code, uses the code up and ends every sign-in; null where login and code do not fit.</summary>
    public async Task<Person?> ResetAsync(string login, string code, string password, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var personId = await connection.ExecuteScalarAsync<Guid?>(
            """
            update password_reset set used_at = now()
            where used_at is null and good_until > now() and code_hash = @hash and id = (
                select newest.id from password_reset as newest join person on person.id = newest.person_id
                where person.login = @login and person.deactivated_at is null order by newest.seq desc limit 1)
            returning person_id
            """,
            new { hash = Codes.Hash(code), login = login.Trim().ToLowerInvariant() },
            cancel
        );
        if (personId is not { } id)
            return null;
        await connection.ExecuteAsync(
            "update person set password_hash = @hash where id = @id",
            new { id, hash = PeopleStore.HashOf(password) },
            cancel
        );
        await SignInStore.EndAllAsync(connection, id, null, cancel);
        var person = await PeopleStore.FindAsync(connection, id, cancel);
        await transaction.CommitAsync(cancel);
        return person;
    }

    /// <summary>Switches an account off or on again; off, its sign-ins end. False where there is no such person.</summary>
    public async Task<bool> SetActiveAsync(Guid personId, bool active, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var changed = await connection.ExecuteAsync(
            """
            update person set deactivated_at = case when @active then null else now() end
            where id = @personId and (deactivated_at is null) <> @active and forgotten_at is null
            """,
            new { personId, active },
            cancel
        );
        if (changed > 0)
        {
            await LeaveAsync(connection, by, active ? "switchedOn" : "switchedOff", personId, cancel);
            if (!active)
                await SignInStore.EndAllAsync(connection, personId, null, cancel);
        }
        var there = await PeopleStore.FindAsync(connection, personId, cancel) is not null;
        await transaction.CommitAsync(cancel);
        return there;
    }

    /// <summary>Notes a code that an empty school can be founded with; false where it is founded already.</summary>
    public async Task<bool> AddSetUpCodeAsync(string code, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                """
                insert into set_up_code (code_hash) select @hash where not exists (select 1 from school)
                on conflict (code_hash) do update set made_at = now()
                """,
                new { hash = Codes.Hash(code) },
                cancel
            ) > 0;
    }

    /// <summary>A page of the trail, newest first.</summary>
    /// <param name="before">The last entry that was sent; null for the first page.</param>
    public async Task<IReadOnlyList<TrailEntry>> TrailAsync(long? before, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(long Seq, DateTime At, string? By, string What, string About, Guid? AboutId)>(
            """
            select newest.seq, newest.at, person.name, newest.what, coalesce(whose.name, newest.about), newest.about_id
            from (select * from trail where @before::bigint is null or (at, seq) < (select at, seq from trail where seq = @before)
                order by at desc, seq desc limit @TrailPage) as newest
            left join person on person.id = newest.by left join person as whose on whose.id = newest.person_id
            order by newest.at desc, newest.seq desc
            """,
            new { before, TrailPage },
            cancel
        );
        return [.. rows.Select(row => new TrailEntry(row.Seq, row.At, row.By, row.What, row.About, row.AboutId))];
    }

    /// <summary>Leaves in the trail what has no row of its own.</summary>
    internal static Task LeaveAsync(NpgsqlConnection connection, Guid by, string what, Guid personId, CancellationToken cancel) =>
        connection.ExecuteAsync(
            "insert into trail (by, what, about, person_id, about_id) values (@by, @what, '', @personId, @personId)",
            new
            {
                by,
                what,
                personId,
            },
            cancel
        );
}
