using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Sessions;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using Npgsql;

namespace GentleBead.Server.Courses;

/// <summary>Courses in the database.</summary>
public sealed class CourseStore(SchoolDatabase database, SchoolClock clock)
{
    /// <summary>Courses that are sent at once.</summary>
    public const int Page = 50;

    private const string Columns = """
        course.id as "Id", course.name as "Name", course.room_id as "RoomId", room.name as "RoomName", course.first_day as "FirstDay",
            course.last_day as "LastDay", course.hours as "Hours", course.version as "Version",
            course.tool_word as "ToolWord",
            (select json_agg(json_build_object('id', person.id, 'name', person.name) order by person.name)
                from course_instructor join person on person.id = person_id where course_id = course.id) as "Instructors",
            (select count(*)::int from enrolment where course_id = course.id and @today >= first_day
                and (last_day is null or last_day >= @today)) as "Students"
        """;

    /// <summary>A page of courses: those that end last first, so that the ones that run stand before those that are over.</summary>
    /// <param name="after">The last course that was sent; null for the first page.</param>
    public async Task<IReadOnlyList<Course>> ListAsync(Guid? after, CancellationToken cancel)
    {
        var today = await clock.TodayAsync(cancel);
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            $"""
            select {Columns} from course join room on room.id = course.room_id
            where @after::uuid is null or (course.last_day, course.seq) < (select last_day, seq from course where id = @after)
            order by course.last_day desc, course.seq desc limit @Page
            """,
            new
            {
                today,
                after,
                Page,
            },
            cancel
        );
        return [.. rows.Select(row => row.Course)];
    }

    /// <summary>One course; null where there is none.</summary>
    public async Task<Course?> FindAsync(Guid id, CancellationToken cancel)
    {
        var today = await clock.TodayAsync(cancel);
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<Row>(
            $"select {Columns} from course join room on room.id = course.room_id where course.id = @id",
            new { id, today },
            cancel
        );
        return row?.Course;
    }

    /// <summary>Whether there is such a course.</summary>
    public async Task<bool> ExistsAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<bool>("select exists (select 1 from course where id = @id)", new { id }, cancel);
    }

    /// <summary>The courses a student is on today, the newest first; a handful at most.</summary>
    public async Task<IReadOnlyList<Course>> OfStudentAsync(Guid studentId, CancellationToken cancel)
    {
        var today = await clock.TodayAsync(cancel);
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            $"""
            select {Columns} from course join room on room.id = course.room_id
            where course.last_day >= @today and exists (select 1 from enrolment where course_id = course.id and student_id = @studentId
                and @today between first_day and coalesce(last_day, @today))
            order by course.seq desc limit 5
            """,
            new { studentId, today },
            cancel
        );
        return [.. rows.Select(row => row.Course)];
    }

    /// <summary>Adds a course; the same id again changes nothing.</summary>
    public async Task AddAsync(Guid id, NewCourse course, Guid? by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var added = await connection.AddOnceAsync(
            "course",
            """
            insert into course (id, name, room_id, first_day, last_day, hours, tool_word, sent)
            values (@id, @Name, @RoomId, @FirstDay, @LastDay, @hours, @toolWord, @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                course.Name,
                course.RoomId,
                course.FirstDay,
                course.LastDay,
                hours = new Jsonb<IReadOnlyList<WeeklyHours>>(course.Hours),
                toolWord = EnumText.Of(course.ToolWord),
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
        if (added)
        {
            await TeachAsync(connection, id, course.InstructorIds, cancel);
            await Trail.LeaveAsync(connection, by, "courseMade", course.Name, id, cancel);
        }
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Changes a course; false where it was changed since the version named. Sessions that were made stay as they are.</summary>
    public async Task<bool> ChangeAsync(Guid id, NewCourse course, int version, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var changed = await connection.ExecuteAsync(
            """
            update course set name = @Name, room_id = @RoomId, first_day = @FirstDay, last_day = @LastDay, hours = @hours,
                tool_word = @toolWord, version = version + 1
            where id = @id and version = @version
            """,
            new
            {
                id,
                course.Name,
                course.RoomId,
                course.FirstDay,
                course.LastDay,
                hours = new Jsonb<IReadOnlyList<WeeklyHours>>(course.Hours),
                toolWord = EnumText.Of(course.ToolWord),
                version,
            },
            cancel
        );
        if (changed == 0)
            return false;
        await connection.ExecuteAsync("delete from course_instructor where course_id = @id", new { id }, cancel);
        await TeachAsync(connection, id, course.InstructorIds, cancel);
        await Trail.LeaveAsync(connection, by, "courseChanged", course.Name, id, cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    /// <summary>How many of these are instructors who may sign in.</summary>
    public async Task<int> InstructorsAsync(IReadOnlyList<Guid> ids, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<int>(
            "select count(*)::int from person where id = any(@ids) and role = 'instructor' and deactivated_at is null",
            new { ids = ids.ToArray() },
            cancel
        );
    }

    /// <summary>Keeps what is kept of a course's private address; the one before is dead.</summary>
    public async Task<bool> SetCalendarKeyAsync(Guid id, string key, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var name = await connection.ExecuteScalarAsync<string?>(
            "update course set calendar_key = @hash where id = @id returning name",
            new { id, hash = Codes.Hash(key) },
            cancel
        );
        if (name is not null)
            await Trail.LeaveAsync(connection, by, "calendarOpened", name, id, cancel);
        await transaction.CommitAsync(cancel);
        return name is not null;
    }

    /// <summary>The course a private address is of; null where it is of none.</summary>
    public async Task<Guid?> OfCalendarKeyAsync(string key, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<Guid?>(
            "select id from course where calendar_key = @hash",
            new { hash = Codes.Hash(key) },
            cancel
        );
    }

    private static Task<int> TeachAsync(NpgsqlConnection connection, Guid id, IReadOnlyList<Guid> instructors, CancellationToken cancel) =>
        connection.ExecuteAsync(
            "insert into course_instructor (course_id, person_id) select @id, unnest(@instructors) on conflict do nothing",
            new { id, instructors = instructors.ToArray() },
            cancel
        );

    private sealed record Row(
        Guid Id,
        string Name,
        Guid RoomId,
        string RoomName,
        DateOnly FirstDay,
        DateOnly LastDay,
        string Hours,
        int Version,
        string ToolWord,
        string? Instructors,
        int Students
    )
    {
        public Course Course =>
            new(
                Id,
                Name,
                RoomId,
                RoomName,
                FirstDay,
                LastDay,
                Jsonb.Read<IReadOnlyList<WeeklyHours>>(Hours),
                Instructors is null ? [] : Jsonb.Read<IReadOnlyList<PersonName>>(Instructors),
                Students,
                EnumText.Read<ToolWord>(ToolWord),
                Version
            );
    }
}
