using Dapper;
using GentleBead.Server.Database;

namespace GentleBead.Server.People;

/// <summary>A list of students against those who are here already, and their accounts all at once.</summary>
public sealed class StudentListStore(SchoolDatabase database)
{
    /// <summary>Everybody, by name or login, who might be one of a list.</summary>
    public async Task<IReadOnlyList<(Guid Id, string Name, string Login)>> LikeAsync(
        IReadOnlyList<string> names,
        IReadOnlyList<string> logins,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
        [
            .. await connection.QueryAsync<(Guid, string, string)>(
                "select id, name, login from person where lower(name) = any(@names) or login = any(@logins) order by name, id limit 1000",
                new { names = names.Select(name => name.ToLowerInvariant()).ToArray(), logins = logins.ToArray() },
                cancel
            ),
        ];
    }

    /// <summary>Makes accounts, all or none; the same ids again change nothing. Nobody knows their passwords: codes open them.</summary>
    /// <param name="students">Who.</param>
    /// <param name="by">Who makes them.</param>
    /// <param name="sent">What was sent.</param>
    /// <returns>The place in the list of one whose login is somebody else's; null where all are there.</returns>
    public async Task<int?> AddAsync(IReadOnlyList<Person> students, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // One hash of what nobody knows for all: it takes its time, and opens nothing.
        var hash = PeopleStore.HashOf(Codes.Long());
        for (var i = 0; i < students.Count; i++)
        {
            var (added, own) = await PeopleStore.InsertAsync(connection, students[i], hash, sent, null, cancel);
            if (!own)
                return i;
            if (added)
                await AccountStore.LeaveAsync(connection, by, "accountMade", students[i].Id, cancel);
        }
        await transaction.CommitAsync(cancel);
        return null;
    }

    /// <summary>Makes a first code for each of these students who has never signed in; the codes before are dead.</summary>
    public async Task<IReadOnlyList<FirstCode>> FirstCodesAsync(IReadOnlyList<Guid> ids, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, string Name, string Login)>(
            """
            select id, name, login from person where id = any(@ids) and role = 'student' and deactivated_at is null
                and not exists (select 1 from sign_in where person_id = person.id) order by name, id
            """,
            new { ids = ids.ToArray() },
            cancel
        );
        var codes = new List<FirstCode>();
        foreach (var (id, name, login) in rows.AsList())
        {
            var code = Codes.New();
            await AccountStore.AddResetAsync(connection, Guid.CreateVersion7(), id, code, AccountStore.First, by, cancel);
            codes.Add(new FirstCode(name, login, code));
        }
        await transaction.CommitAsync(cancel);
        return codes;
    }
}
