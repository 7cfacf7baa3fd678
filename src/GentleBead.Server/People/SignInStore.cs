using Dapper;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Npgsql;

namespace GentleBead.Server.People;

/// <summary>Sign-ins that stand until they are ended, and wrong passwords in a row.</summary>
public sealed class SignInStore(SchoolDatabase database)
{
    // Tries that are this old are forgotten, whoever made them.
    private static readonly TimeSpan Forgotten = TimeSpan.FromDays(1);

    /// <summary>Begins a sign-in and forgets the wrong tries before it.</summary>
    public async Task<Guid> BeginAsync(Person person, CancellationToken cancel)
    {
        var id = Guid.CreateVersion7();
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            """
            insert into sign_in (id, person_id) values (@id, @PersonId);
            delete from sign_in_try where login = @Login;
            """,
            new
            {
                id,
                PersonId = person.Id,
                person.Login,
            },
            cancel
        );
        return id;
    }

    /// <summary>The role of whoever is signed in by it; null where it was ended, or the account is dead.</summary>
    /// <param name="id">Which sign-in.</param>
    /// <param name="demo">Whether accounts of the made-up school live here.</param>
    public async Task<Role?> RoleOfAsync(Guid id, bool demo, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
            await connection.ExecuteScalarAsync<string?>(
                """
                select person.role from sign_in join person on person.id = sign_in.person_id
                where sign_in.id = @id and sign_in.ended_at is null and person.deactivated_at is null and (@demo or not person.demo)
                """,
                new { id, demo },
                cancel
            )
                is { } role
            ? EnumText.Read<Role>(role)
            : null;
    }

    /// <summary>Ends a sign-in.</summary>
    public async Task EndAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync("update sign_in set ended_at = now() where id = @id and ended_at is null", new { id }, cancel);
    }

    /// <summary>Ends every sign-in of a person but one.</summary>
    /// <param name="connection">In whose transaction.</param>
    /// <param name="personId">Whose.</param>
    /// <param name="but">The one that stays; null for none.</param>
    public static Task EndAllAsync(NpgsqlConnection connection, Guid personId, Guid? but, CancellationToken cancel) =>
        connection.ExecuteAsync(
            "update sign_in set ended_at = now() where person_id = @personId and ended_at is null and id is distinct from @but",
            new { personId, but },
            cancel
        );

    /// <summary>How long a login has to wait for its next try; zero where it need not.</summary>
    public async Task<TimeSpan> WaitAsync(string login, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var tried = await connection.QuerySingleOrDefaultAsync<(int Failed, double SecondsAgo)?>(
            "select failed, extract(epoch from now() - last_at)::float8 from sign_in_try where login = @login",
            new { login = Login(login) },
            cancel
        );
        return tried is { } row ? Patience.Left(row.Failed, TimeSpan.FromSeconds(row.SecondsAgo)) : TimeSpan.Zero;
    }

    /// <summary>Counts a wrong password.</summary>
    public async Task FailedAsync(string login, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            """
            delete from sign_in_try where last_at < now() - @Forgotten;
            insert into sign_in_try (login, failed) values (@login, 1)
            on conflict (login) do update set failed = sign_in_try.failed + 1, last_at = now();
            """,
            new { login = Login(login), Forgotten },
            cancel
        );
    }

    /// <summary>Forgets wrong tries: the right one came.</summary>
    public async Task ForgetAsync(string login, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync("delete from sign_in_try where login = @login", new { login = Login(login) }, cancel);
    }

    // What is longer than any login is nobody's, and is counted as one.
    private static string Login(string typed)
    {
        var login = typed.Trim().ToLowerInvariant();
        return login.Length <= 40 ? login : "";
    }
}
