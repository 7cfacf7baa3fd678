using Dapper;
using GentleBead.Core.Courses;
using GentleBead.Server.Database;
using GentleBead.Server.People;

namespace GentleBead.Server.Courses;

/// <summary>Paths of courses in the database. Editions are only added to; the newest stands.</summary>
public sealed class PathStore(SchoolDatabase database)
{
    /// <summary>The path of a course with the exercises on it, in their newest editions; empty before there is one.</summary>
    public async Task<ReadPath> OfAsync(Guid courseId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QueryFirstOrDefaultAsync<(string Body, int Edition, string? Exercises)?>(
            """
            select body, edition, (
                select json_object_agg(newest.exercise_id, newest.body) from jsonb_array_elements(course_path.body -> 'steps') as step
                cross join lateral (select exercise_id, exercise_edition.body from exercise_edition
                    where exercise_id = (step ->> 'exerciseId')::uuid order by exercise_edition.edition desc limit 1) as newest)
            from course_path where course_id = @courseId order by edition desc limit 1
            """,
            new { courseId },
            cancel
        );
        return row is { } found
            ? new(
                Jsonb.Read<CoursePath>(found.Body),
                found.Edition,
                found.Exercises is null ? new Dictionary<Guid, Exercise>() : Jsonb.Read<Dictionary<Guid, Exercise>>(found.Exercises)
            )
            : new(CoursePath.Empty, 0, new Dictionary<Guid, Exercise>());
    }

    /// <summary>Adds an edition. False where another came since the one named.</summary>
    /// <param name="id">The id of what is added.</param>
    /// <param name="course">Whose path.</param>
    /// <param name="path">The path.</param>
    /// <param name="seen">The edition it was changed from; 0 for the first.</param>
    /// <param name="by">Who does; null for nobody in particular.</param>
    /// <param name="sent">What was sent.</param>
    public async Task<bool> AddAsync(
        Guid id,
        (Guid Id, string Name) course,
        CoursePath path,
        int seen,
        Guid? by,
        Sent sent,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (await connection.IsRepeatAsync("course_path", id, sent, cancel))
            return true;
        var edition = new NewEdition<CoursePath>(id, course.Id, seen, path, by, sent);
        if (!await connection.AddEditionAsync("course_path", "course_id", edition, cancel))
            return false;
        await Trail.LeaveAsync(connection, by, "pathChanged", course.Name, course.Id, cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }
}
