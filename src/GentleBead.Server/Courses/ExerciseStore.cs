using Dapper;
using GentleBead.Core.Courses;
using GentleBead.Core.Sheets;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using Npgsql;

namespace GentleBead.Server.Courses;

/// <summary>An exercise in its newest edition.</summary>
/// <param name="Id">Which exercise.</param>
/// <param name="Edition">Which edition, from 1; what a change has to name.</param>
/// <param name="FromLibrary">Whether it stands as the library has it.</param>
/// <param name="Retired">Whether it is taken out: paths that have it keep it, none takes it anew.</param>
/// <param name="Exercise">The exercise.</param>
public sealed record KnownExercise(Guid Id, int Edition, bool FromLibrary, bool Retired, Exercise Exercise);

/// <summary>An exercise in a list.</summary>
/// <param name="Id">Which exercise.</param>
/// <param name="FromLibrary">Whether it stands as the library has it.</param>
/// <param name="Retired">Whether it is taken out.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Job">What is welded.</param>
/// <param name="Proof">What shows that it is done.</param>
public sealed record ListedExercise(Guid Id, bool FromLibrary, bool Retired, string Name, AskedJob Job, Proof Proof)
{
    /// <summary>An exercise as a list shows it.</summary>
    public static ListedExercise Of(KnownExercise known) =>
        new(known.Id, known.FromLibrary, known.Retired, known.Exercise.Name, known.Exercise.Job, known.Exercise.Proof);
}

/// <summary>Exercises in the database. Editions are only added to; the newest stands.</summary>
public sealed class ExerciseStore(SchoolDatabase database)
{
    /// <summary>The most exercises of one school.</summary>
    public const int Most = 200;

    private const string Newest = """
        select exercise.id, newest.edition, newest.made_by is null, exercise.retired, newest.body
        from exercise cross join lateral (select edition, made_by, body from exercise_edition where exercise_id = exercise.id
            order by edition desc limit 1) as newest
        """;

    /// <summary>Every exercise, in the order they came.</summary>
    public async Task<IReadOnlyList<KnownExercise>> AllAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await ReadAsync(connection, $"{Newest} order by exercise.seq limit @Most", new { Most }, cancel);
    }

    /// <summary>One exercise; null where there is none.</summary>
    public async Task<KnownExercise?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return (await ReadAsync(connection, $"{Newest} where exercise.id = @id", new { id }, cancel)).SingleOrDefault();
    }

    /// <summary>Adds an edition; the first makes the exercise. False where another edition came since the one named.</summary>
    /// <param name="id">Which exercise.</param>
    /// <param name="editionId">The id of what is added.</param>
    /// <param name="exercise">The exercise.</param>
    /// <param name="seen">The edition it was changed from; 0 for a new one.</param>
    /// <param name="by">Who does.</param>
    /// <param name="sent">What was sent.</param>
    public async Task<bool> AddAsync(Guid id, Guid editionId, Exercise exercise, int seen, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (await connection.IsRepeatAsync("exercise_edition", editionId, sent, cancel))
            return true;
        await connection.ExecuteAsync("insert into exercise (id) values (@id) on conflict (id) do nothing", new { id }, cancel);
        var edition = new NewEdition<Exercise>(editionId, id, seen, exercise, by, sent);
        if (!await connection.AddEditionAsync("exercise_edition", "exercise_id", edition, cancel))
            return false;
        await Trail.LeaveAsync(connection, by, seen == 0 ? "exerciseMade" : "exerciseChanged", exercise.Name, id, cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    /// <summary>Takes an exercise out, or in again. False where there is none.</summary>
    public async Task<bool> RetireAsync(Guid id, bool retired, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync("update exercise set retired = @retired where id = @id", new { id, retired }, cancel) > 0;
    }

    /// <summary>
    /// Brings the library's exercises in: those that are missing, and new editions of those no instructor here has changed.
    /// </summary>
    public async Task BringLibraryAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        foreach (var row in ExerciseLibrary.All)
        {
            await connection.ExecuteAsync(
                """
                insert into exercise (id, key) values (@Id, @Key) on conflict do nothing;
                insert into exercise_edition (id, exercise_id, edition, body)
                select gen_random_uuid(), @Id, coalesce(newest.edition, 0) + 1, @body
                from (select 1) as once left join lateral (select edition, made_by, body from exercise_edition where exercise_id = @Id
                    order by edition desc limit 1) as newest on true
                where newest.edition is null or (newest.made_by is null and newest.body <> @body);
                """,
                new
                {
                    row.Id,
                    row.Key,
                    body = new Jsonb<Exercise>(row.Exercise),
                },
                cancel
            );
        }
        await transaction.CommitAsync(cancel);
    }

    private static async Task<IReadOnlyList<KnownExercise>> ReadAsync(
        NpgsqlConnection connection,
        string query,
        object parameters,
        CancellationToken cancel
    )
    {
        var rows = await connection.QueryAsync<(Guid Id, int Edition, bool FromLibrary, bool Retired, string Body)>(
            query,
            parameters,
            cancel
        );
        return
        [
            .. rows.Select(row => new KnownExercise(row.Id, row.Edition, row.FromLibrary, row.Retired, Jsonb.Read<Exercise>(row.Body))),
        ];
    }
}
