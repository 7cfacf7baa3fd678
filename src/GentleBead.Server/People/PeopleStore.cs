using Dapper;
using GentleBead.Core.Sheets;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Identity;
using Npgsql;

namespace GentleBead.Server.People;

/// <summary>A person as the screens show them.</summary>
/// <param name="Id">Who.</param>
/// <param name="Name">The name called across the shop.</param>
public sealed record PersonName(Guid Id, string Name);

/// <summary>An account.</summary>
/// <param name="Id">Who.</param>
/// <param name="Login">What they type to sign in.</param>
/// <param name="Name">The name called across the shop.</param>
/// <param name="Role">Instructor or student.</param>
/// <param name="Units">Units they read first.</param>
/// <param name="Hand">The hand they hold the torch in; null until somebody said.</param>
/// <param name="Active">Whether it may be signed in to.</param>
/// <param name="Demo">Whether it belongs to the made-up school, and is dead where that does not run.</param>
public sealed record Person(
    Guid Id,
    string Login,
    string Name,
    Role Role,
    Units Units,
    Hand? Hand = null,
    bool Active = true,
    bool Demo = false
);

/// <summary>Accounts in the database.</summary>
public sealed class PeopleStore(SchoolDatabase database)
{
    /// <summary>People that are sent at once.</summary>
    public const int Page = 50;

    private const string Columns =
        "id, login, name, role, units, hand, password_hash as \"PasswordHash\", "
        + "deactivated_at is null as \"Active\", demo as \"Demo\"";

    // The framework's hasher asks for a user type and uses nothing of it.
    private static readonly PasswordHasher<Person> Hasher = new();

    // Checked when the login is unknown, so that the answer takes as long as for a wrong password.
    private static readonly string NobodysHash = Hasher.HashPassword(null!, Guid.NewGuid().ToString());

    /// <summary>What is kept of a password.</summary>
    internal static string HashOf(string password) => Hasher.HashPassword(null!, password);

    /// <summary>The person, when login and password fit.</summary>
    public async Task<Person?> CheckPasswordAsync(string login, string password, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<Row>(
            $"select {Columns} from person where login = @login",
            new { login = Normal(login) },
            cancel
        );
        var result = Hasher.VerifyHashedPassword(null!, row?.PasswordHash ?? NobodysHash, password);
        return row is null || result == PasswordVerificationResult.Failed ? null : row.Person;
    }

    /// <summary>One person, if there is one by that id.</summary>
    public async Task<Person?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await FindAsync(connection, id, cancel);
    }

    /// <summary>The same on a connection of the caller's.</summary>
    internal static async Task<Person?> FindAsync(NpgsqlConnection connection, Guid id, CancellationToken cancel) =>
        (await connection.QuerySingleOrDefaultAsync<Row>($"select {Columns} from person where id = @id", new { id }, cancel))?.Person;

    /// <summary>Whether a password is a person's own.</summary>
    public async Task<bool> IsPasswordOfAsync(Guid id, string password, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var hash = await connection.ExecuteScalarAsync<string?>("select password_hash from person where id = @id", new { id }, cancel);
        return Hasher.VerifyHashedPassword(null!, hash ?? NobodysHash, password) != PasswordVerificationResult.Failed && hash is not null;
    }

    /// <summary>When a person's account was made; null where there is none.</summary>
    public async Task<DateTimeOffset?> AddedAtAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<DateTime?>("select added_at from person where id = @id", new { id }, cancel);
    }

    /// <summary>A page of the people in a role, by name.</summary>
    /// <param name="role">Which role.</param>
    /// <param name="called">Part of the name; null or empty for everybody.</param>
    /// <param name="after">The last of the page before; null for the first.</param>
    /// <param name="active">Those who may sign in, or those who are switched off.</param>
    public async Task<IReadOnlyList<PersonName>> ListAsync(Role role, string? called, Guid? after, bool active, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
        [
            .. await connection.QueryAsync<PersonName>(
                """
                select id, name from person
                where role = @role and (deactivated_at is null) = @active and (@called = '' or strpos(lower(name), lower(@called)) > 0)
                    and (@after::uuid is null or (name, id) > (select name, id from person where id = @after))
                order by name, id limit @Page
                """,
                new
                {
                    role = EnumText.Of(role),
                    called = (called ?? "").Trim(),
                    after,
                    active,
                    Page,
                },
                cancel
            ),
        ];
    }

    /// <summary>Whether there is anybody at all.</summary>
    public async Task<bool> AnyAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<bool>("select exists (select 1 from person)", null, cancel);
    }

    /// <summary>Adds a person; the same id again changes nothing. False when the login is somebody else's.</summary>
    /// <param name="person">Who.</param>
    /// <param name="password">Their first password.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="at">Since when; null for now.</param>
    /// <param name="by">Who makes the account, for the trail; null for nobody in particular.</param>
    public async Task<bool> AddAsync(
        Person person,
        string password,
        Sent sent,
        DateTimeOffset? at = null,
        Guid? by = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var (added, own) = await AddAsync(connection, person, password, sent, at, cancel);
        if (added && by is { } maker)
            await AccountStore.LeaveAsync(connection, maker, "accountMade", person.Id, cancel);
        await transaction.CommitAsync(cancel);
        return own;
    }

    /// <summary>
    /// Names the school and adds its first instructor, both or neither. False when somebody was first, or the code is none.
    /// </summary>
    public async Task<bool> FoundAsync(string school, Person person, string password, string code, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // Whoever writes the school's one row is the founder; anybody beside waits here and comes second.
        var first = await connection.ExecuteAsync(
            """
            insert into school (name, demo) select @school, false where exists (select 1 from set_up_code where code_hash = @code)
            on conflict do nothing
            """,
            new { school, code = Codes.Hash(code) },
            cancel
        );
        if (first == 0 || !(await AddAsync(connection, person, password, Sent.ByNobody, null, cancel)).Own)
            return false;
        await connection.ExecuteAsync("delete from set_up_code", null, cancel);
        await AccountStore.LeaveAsync(connection, person.Id, "schoolFounded", person.Id, cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    /// <summary>Sets the units a person reads first.</summary>
    public async Task SetUnitsAsync(Guid id, Units units, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync("update person set units = @units where id = @id", new { id, units = EnumText.Of(units) }, cancel);
    }

    /// <summary>Sets the hand a student holds the torch in; null: not said. False where there is no such student.</summary>
    public async Task<bool> SetHandOfStudentAsync(Guid id, Hand? hand, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                "update person set hand = @hand where id = @id and role = @role",
                new
                {
                    id,
                    role = EnumText.Of(Role.Student),
                    hand = hand is { } own ? EnumText.Of(own) : null,
                },
                cancel
            ) > 0;
    }

    /// <summary>The way of setting a person works by; the usual one until they choose.</summary>
    public async Task<WayOfSetting> WayOfSettingAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
            await connection.ExecuteScalarAsync<string?>("select way_of_setting from person where id = @id", new { id }, cancel)
                is { } chosen
            ? Jsonb.Read<WayOfSetting>(chosen)
            : WayOfSetting.Usual;
    }

    /// <summary>Sets the way of setting a person works by.</summary>
    public async Task SetWayOfSettingAsync(Guid id, WayOfSetting way, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            "update person set way_of_setting = @way where id = @id",
            new { id, way = new Jsonb<WayOfSetting>(way) },
            cancel
        );
    }

    /// <summary>The school's name, and whether it is the made-up one; null before there is one.</summary>
    public async Task<(string Name, bool Demo)?> SchoolAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<(string, bool)?>("select name, demo from school", null, cancel);
    }

    /// <summary>Gives the school another name or clock. Sessions keep the moments they were made for.</summary>
    public async Task ChangeSchoolAsync(School school, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await connection.ExecuteAsync("update school set name = @Name, time_zone = @TimeZone", school, cancel);
        await Trail.LeaveAsync(connection, by, "schoolChanged", school.Name, by, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Names the made-up school, once all of it is there; its accounts live only where it runs.</summary>
    public async Task NameDemoSchoolAsync(string name, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync("update person set demo = true", null, cancel);
        await connection.ExecuteAsync("insert into school (name, demo) values (@name, true) on conflict do nothing", new { name }, cancel);
    }

    // Whether a row was added, and whether the login is this person's.
    private static Task<(bool Added, bool Own)> AddAsync(
        NpgsqlConnection connection,
        Person person,
        string password,
        Sent sent,
        DateTimeOffset? at,
        CancellationToken cancel
    ) => InsertAsync(connection, person, Hasher.HashPassword(person, password), sent, at, cancel);

    /// <summary>Adds a person by what is kept of a password, in the caller's transaction.</summary>
    /// <returns>Whether a row was added, and whether the login is this person's.</returns>
    internal static async Task<(bool Added, bool Own)> InsertAsync(
        NpgsqlConnection connection,
        Person person,
        string hash,
        Sent sent,
        DateTimeOffset? at,
        CancellationToken cancel
    )
    {
        var added = await connection.AddOnceAsync(
            "person",
            """
            insert into person (id, login, name, role, units, password_hash, added_at, sent)
            values (@Id, @login, @Name, @role, @units, @hash, coalesce(@at, now()), @sent) on conflict do nothing
            """,
            new
            {
                person.Id,
                login = Normal(person.Login),
                person.Name,
                role = EnumText.Of(person.Role),
                units = EnumText.Of(person.Units),
                hash,
                at = at?.UtcDateTime,
                sent = sent.Hash,
            },
            person.Id,
            sent,
            cancel
        );
        var own = await connection.ExecuteScalarAsync<bool>(
            "select exists (select 1 from person where id = @Id and login = @login)",
            new { person.Id, login = Normal(person.Login) },
            cancel
        );
        return (added, own);
    }

    private static string Normal(string login) => login.Trim().ToLowerInvariant();

    private sealed record Row(
        Guid Id,
        string Login,
        string Name,
        string Role,
        string Units,
        string? Hand,
        string PasswordHash,
        bool Active,
        bool Demo
    )
    {
        public Person Person =>
            new(
                Id,
                Login,
                Name,
                EnumText.Read<Role>(Role),
                EnumText.Read<Units>(Units),
                Hand is null ? null : EnumText.Read<Hand>(Hand),
                Active,
                Demo
            );
    }
}
