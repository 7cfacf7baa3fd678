using Dapper;
using GentleBead.Core.Sessions;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using Npgsql;

namespace GentleBead.Server.Sessions;

/// <summary>Sessions in the database: found by time, added, changed, cancelled, split.</summary>
public sealed class SessionStore(SchoolDatabase database, SchoolClock clock)
{
    /// <summary>Sessions that are sent at once.</summary>
    public const int Page = 20;

    /// <summary>The most sessions of one stretch of a calendar.</summary>
    public const int MostBetween = 400;

    // How long before its hours a session is the one at hand, and how many that began last are looked at.
    private static readonly TimeSpan SetUp = TimeSpan.FromHours(1);
    private const int Newest = 30;

    // What a session is read with: its room, and its course where it has one.
    private const string Beside = "join room on room.id = session.room_id left join course on course.id = session.course_id";

    /// <summary>A session as JSON, for queries that read one beside something else; needs <see cref="Tables"/>.</summary>
    public const string Json = """
        json_build_object('id', session.id, 'title', session.title, 'heldOn', session.held_on, 'begins', session.begins,
            'ends', session.ends, 'beginsAt', session.begins_at, 'endsAt', session.ends_at, 'roomId', session.room_id,
            'roomName', room.name, 'courseId', session.course_id, 'courseName', course.name, 'cancelled', session.cancelled,
            'version', session.version)
        """;

    /// <summary>The tables <see cref="Json"/> reads.</summary>
    public const string Tables = $"session {Beside}";

    /// <summary>
    /// The session that is on: the one chosen, or else of those that have begun or begin within the hour one that is not over, of the
    /// instructor's own courses first, the last to begin. One dated later is only planned.
    /// </summary>
    /// <param name="chosen">The one chosen on that screen; null where none is.</param>
    /// <param name="by">Who asks.</param>
    public async Task<Session?> OnAsync(Guid? chosen, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var found = await connection.QueryFirstOrDefaultAsync<string>(
            $"""
            select {Json} from (
                (select * from session where begins_at <= @soon and cancelled is null order by begins_at desc limit @Newest)
                union select * from session where id = @chosen
            ) as session {Beside}
            order by session.id is not distinct from @chosen desc, session.ends_at > @Now desc, exists (select 1 from course_instructor
                where course_id = session.course_id and person_id = @by) desc, session.begins_at desc, session.seq desc limit 1
            """,
            new
            {
                chosen,
                by,
                clock.Now,
                soon = clock.Now + SetUp,
                Newest,
            },
            cancel
        );
        return found is null ? null : Jsonb.Read<Session>(found);
    }

    /// <summary>One session; null where there is none.</summary>
    public async Task<Session?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await FindAsync(connection, id, cancel);
    }

    /// <summary>A page of sessions, latest first.</summary>
    /// <param name="after">The last session that was sent; null for the first page.</param>
    public Task<IReadOnlyList<Session>> ListAsync(Guid? after, CancellationToken cancel) =>
        ManyAsync(
            """
            where @after::uuid is null or (session.begins_at, session.seq) < (select begins_at, seq from session where id = @after)
            order by session.begins_at desc, session.seq desc limit @Page
            """,
            new { after, Page },
            cancel
        );

    /// <summary>The sessions that begin between two days, in order of time; the first <see cref="MostBetween"/> of them.</summary>
    public Task<IReadOnlyList<Session>> BetweenAsync(DateOnly first, DateOnly last, CancellationToken cancel) =>
        ManyAsync(
            "where session.held_on between @first and @last order by session.begins_at, session.seq limit @MostBetween",
            new
            {
                first,
                last,
                MostBetween,
            },
            cancel
        );

    /// <summary>The sessions of a course, in order of time.</summary>
    public Task<IReadOnlyList<Session>> OfCourseAsync(Guid courseId, CancellationToken cancel) =>
        ManyAsync(
            "where session.course_id = @courseId order by session.begins_at limit @MostBetween",
            new { courseId, MostBetween },
            cancel
        );

    /// <summary>Sessions that are held and have a room in one of these stretches of time.</summary>
    public Task<IReadOnlyList<Session>> InTheWayAsync(
        Guid roomId,
        IReadOnlyList<Stretch> stretches,
        TimeZoneInfo zone,
        CancellationToken cancel
    )
    {
        var times = stretches.Select(stretch => stretch.In(zone)).ToArray();
        return ManyAsync(
            """
            join unnest(@begins, @ends) as wanted (begins, ends)
                on tstzrange(session.begins_at, session.ends_at) && tstzrange(wanted.begins, wanted.ends)
            where session.room_id = @roomId and session.cancelled is null order by session.begins_at limit @MostBetween
            """,
            new
            {
                roomId,
                begins = times.Select(time => time.Begins.UtcDateTime).ToArray(),
                ends = times.Select(time => time.Ends.UtcDateTime).ToArray(),
                MostBetween,
            },
            cancel
        );
    }

    /// <summary>Adds sessions, all or none; the same ids again change nothing.</summary>
    /// <param name="planned">The sessions.</param>
    /// <param name="by">Who adds them, for the trail; null for nobody in particular.</param>
    /// <param name="sent">What was sent.</param>
    /// <returns>The last as it stands, or the one that has a room already.</returns>
    public async Task<SessionOutcome> AddAsync(IReadOnlyList<PlannedSession> planned, Guid? by, Sent sent, CancellationToken cancel)
    {
        var zone = await clock.ZoneAsync(cancel);
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        foreach (var one in planned)
        {
            // Made once, it stands as it is now: it may have been moved since, and its old hours given to another.
            if (await connection.IsRepeatAsync("session", one.Id, sent, cancel))
                continue;
            if (await ClashAsync(connection, one, zone, cancel) is { } clash)
                return new(null, clash);
            if (!await InsertAsync(connection, one, zone, sent, cancel))
                continue;
            await Trail.LeaveAsync(connection, by, "sessionAdded", one.Title, one.Id, cancel);
            // A course is planned evening by evening; an open session begins with everybody where they stood.
            if (one.CourseId is null)
                await PlaceStore.AsLastAsync(connection, one.Id, cancel);
        }
        var stored = await FindAsync(connection, planned[^1].Id, cancel);
        return await CommittedAsync(transaction, stored, cancel);
    }

    /// <summary>Gives a session another name, other hours or another room; who stood in a room that is left stands nowhere.</summary>
    public async Task<SessionOutcome> ChangeAsync(PlannedSession to, int version, Guid by, CancellationToken cancel)
    {
        var zone = await clock.ZoneAsync(cancel);
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (await ClashAsync(connection, to, zone, cancel) is { } clash)
            return new(null, clash);
        var changed = await connection.ExecuteAsync(
            """
            update session set title = @Title, held_on = @day, begins = @begins, ends = @ends, begins_at = @beginsAt, ends_at = @endsAt,
                room_id = @RoomId, version = version + 1
            where id = @Id and version = @version
            """,
            Row(to, zone, version, default),
            cancel
        );
        if (changed == 0)
            return new(null);
        await PlaceStore.LeaveOtherRoomsAsync(connection, to.Id, cancel);
        await Trail.LeaveAsync(connection, by, "sessionChanged", to.Title, to.Id, cancel);
        return await CommittedAsync(transaction, await FindAsync(connection, to.Id, cancel), cancel);
    }

    /// <summary>Cancels a session, or takes that back.</summary>
    /// <param name="session">Which, as it was seen.</param>
    /// <param name="why">Why it is not held; null: it is.</param>
    /// <param name="version">The version it was seen in.</param>
    /// <param name="by">Who does.</param>
    public async Task<SessionOutcome> CancelAsync(Session session, string? why, int version, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (why is null && await ClashAsync(connection, session.Id, session.RoomId, session.BeginsAt, session.EndsAt, cancel) is { } clash)
            return new(null, clash);
        var changed = await connection.ExecuteAsync(
            "update session set cancelled = @why, version = version + 1 where id = @Id and version = @version",
            new
            {
                session.Id,
                why,
                version,
            },
            cancel
        );
        if (changed == 0)
            return new(null);
        await Trail.LeaveAsync(connection, by, why is null ? "sessionHeld" : "sessionCancelled", session.Title, session.Id, cancel);
        return await CommittedAsync(transaction, await FindAsync(connection, session.Id, cancel), cancel);
    }

    /// <summary>Makes two of a session: it ends earlier, and another goes on from there with everybody where they stand.</summary>
    public async Task<SessionOutcome> SplitAsync(
        PlannedSession before,
        PlannedSession after,
        int version,
        Guid by,
        Sent sent,
        CancellationToken cancel
    )
    {
        var zone = await clock.ZoneAsync(cancel);
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (await connection.IsRepeatAsync("session", after.Id, sent, cancel))
            return new(await FindAsync(connection, before.Id, cancel));
        var changed = await connection.ExecuteAsync(
            "update session set ends = @ends, ends_at = @endsAt, version = version + 1 where id = @Id and version = @version",
            Row(before, zone, version, default),
            cancel
        );
        if (changed == 0)
            return new(null);
        await InsertAsync(connection, after, zone, sent, cancel);
        await PlaceStore.CopyAsync(connection, before.Id, after.Id, cancel);
        await Trail.LeaveAsync(connection, by, "sessionSplit", before.Title, before.Id, cancel);
        return await CommittedAsync(transaction, await FindAsync(connection, before.Id, cancel), cancel);
    }

    /// <summary>Whether sheets were given out in a session: then its room is part of the record.</summary>
    public async Task<bool> HasSheetsAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<bool>("select exists (select 1 from sheet where session_id = @id)", new { id }, cancel);
    }

    private static async Task<SessionOutcome> CommittedAsync(NpgsqlTransaction transaction, Session? stored, CancellationToken cancel)
    {
        await transaction.CommitAsync(cancel);
        return new(stored);
    }

    private static async Task<Session?> FindAsync(NpgsqlConnection connection, Guid id, CancellationToken cancel) =>
        await connection.QuerySingleOrDefaultAsync<string>($"select {Json} from {Tables} where session.id = @id", new { id }, cancel)
            is { } found
            ? Jsonb.Read<Session>(found)
            : null;

    private async Task<IReadOnlyList<Session>> ManyAsync(string which, object parameters, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<string>($"select {Json} from {Tables} {which}", parameters, cancel);
        return [.. rows.Select(Jsonb.Read<Session>)];
    }

    private static Task<Session?> ClashAsync(NpgsqlConnection connection, PlannedSession one, TimeZoneInfo zone, CancellationToken cancel)
    {
        var (begins, ends) = one.Stretch.In(zone);
        return ClashAsync(connection, one.Id, one.RoomId, begins, ends, cancel);
    }

    // Who writes to a room's sessions waits for whoever does so already: what is seen free here is free when it is taken.
    private static async Task<Session?> ClashAsync(
        NpgsqlConnection connection,
        Guid id,
        Guid roomId,
        DateTimeOffset begins,
        DateTimeOffset ends,
        CancellationToken cancel
    )
    {
        await connection.ExecuteAsync("select id from room where id = @roomId for no key update", new { roomId }, cancel);
        var found = await connection.QueryFirstOrDefaultAsync<string>(
            $"""
            select {Json} from {Tables}
            where session.room_id = @roomId and session.id <> @id and session.cancelled is null
                and tstzrange(session.begins_at, session.ends_at) && tstzrange(@begins, @ends)
            order by session.begins_at limit 1
            """,
            new
            {
                id,
                roomId,
                begins = begins.UtcDateTime,
                ends = ends.UtcDateTime,
            },
            cancel
        );
        return found is null ? null : Jsonb.Read<Session>(found);
    }

    private static Task<bool> InsertAsync(
        NpgsqlConnection connection,
        PlannedSession one,
        TimeZoneInfo zone,
        Sent sent,
        CancellationToken cancel
    ) =>
        connection.AddOnceAsync(
            "session",
            """
            insert into session (id, title, held_on, begins, ends, begins_at, ends_at, room_id, course_id, sent)
            values (@Id, @Title, @day, @begins, @ends, @beginsAt, @endsAt, @RoomId, @CourseId, @sent) on conflict (id) do nothing
            """,
            Row(one, zone, 1, sent),
            one.Id,
            sent,
            cancel
        );

    private static object Row(PlannedSession one, TimeZoneInfo zone, int version, Sent sent)
    {
        var (beginsAt, endsAt) = one.Stretch.In(zone);
        return new
        {
            one.Id,
            one.Title,
            day = one.Stretch.Day,
            begins = one.Stretch.Begins,
            ends = one.Stretch.Ends,
            beginsAt,
            endsAt,
            one.RoomId,
            one.CourseId,
            version,
            sent = sent.Hash,
        };
    }
}
