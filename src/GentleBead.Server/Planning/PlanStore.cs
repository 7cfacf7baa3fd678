using Dapper;
using GentleBead.Core.Planning;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using Npgsql;

namespace GentleBead.Server.Planning;

/// <summary>Plans of sessions in the database. Editions are only added to; the newest stands.</summary>
public sealed class PlanStore(SchoolDatabase database, SchoolClock clock)
{
    private const int SessionsShown = 3;

    private const string Columns = """
        session_plan.edition as "Edition", person.name as "MadeBy", session_plan.made_at as "MadeAt", session_plan.body as "Body"
        from session_plan left join person on person.id = session_plan.made_by
        """;

    /// <summary>The plan of a session; before there is one, the settings of the course's session before it.</summary>
    public async Task<PlanEdition> OfAsync(Guid sessionId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QueryFirstOrDefaultAsync<Row>(
            $"select {Columns} where session_id = @sessionId order by edition desc limit 1",
            new { sessionId },
            cancel
        );
        if (row is not null)
            return row.Read();
        return await BeforeAsync(connection, sessionId, cancel) is { } before
            ? new(0, null, null, new(AsLast(before.Plan.Settings), []))
            : new(0, null, null, SavedPlan.None);
    }

    /// <summary>The plan of the session before one, of the same course in the same room; null where none was planned.</summary>
    public async Task<PlanEdition?> BeforeAsync(Guid sessionId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await BeforeAsync(connection, sessionId, cancel);
    }

    /// <summary>Adds an edition. False where another came since the one named.</summary>
    public async Task<bool> AddAsync(Guid id, Guid sessionId, SavedPlan plan, int seen, Guid? by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        if (await connection.IsRepeatAsync("session_plan", id, sent, cancel))
            return true;
        return await connection.AddEditionAsync(
            "session_plan",
            "session_id",
            new NewEdition<SavedPlan>(id, sessionId, seen, plan, by, sent),
            cancel
        );
    }

    /// <summary>Whether what was sent under an id was done already.</summary>
    public async Task<bool> IsRepeatAsync(Guid id, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.IsRepeatAsync("session_plan", id, sent, cancel);
    }

    /// <summary>A student's part of the plans of the sessions that are on or come next; of the first few.</summary>
    public async Task<IReadOnlyList<OwnPlan>> OfStudentAsync(Guid studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<OwnRow>(
            """
            select session.title as "Title", session.held_on as "HeldOn", session.begins as "Begins", room.name as "Room",
                extract(epoch from session.ends_at - session.begins_at)::float8 as "Seconds", newest.body as "Body", (
                    select json_agg(json_build_object('slot', (stand ->> 'slot')::int, 'booth', booth.number, 'machine', machine.name,
                        'exercise', exercise.name))
                    from jsonb_array_elements(newest.body -> 'stands') as stand
                    join booth on booth.id = (stand ->> 'boothId')::uuid join machine on machine.id = (stand ->> 'machineId')::uuid
                    cross join lateral (select body ->> 'name' as name from exercise_edition
                        where exercise_id = (stand ->> 'exerciseId')::uuid order by edition desc limit 1) as exercise
                    where (stand ->> 'studentId')::uuid = @studentId) as "Stands"
            from (select * from session where ends_at > @now and cancelled is null and exists (select 1 from enrolment
                    where enrolment.course_id = session.course_id and student_id = @studentId
                        and session.held_on between first_day and coalesce(last_day, session.held_on))
                order by begins_at limit @SessionsShown) as session
            join room on room.id = session.room_id
            join lateral (select body from session_plan where session_id = session.id order by edition desc limit 1) as newest on true
            order by session.begins_at
            """,
            new
            {
                studentId,
                now = clock.Now.UtcDateTime,
                SessionsShown,
            },
            cancel
        );
        return [.. rows.Select(row => row.Read())];
    }

    // Who was late and what was broken last time says nothing of this one.
    private static PlanSettings AsLast(PlanSettings settings) => settings with { Presences = [], Down = [] };

    private static async Task<PlanEdition?> BeforeAsync(NpgsqlConnection connection, Guid sessionId, CancellationToken cancel) =>
        (
            await connection.QueryFirstOrDefaultAsync<Row>(
                $"""
                select {Columns} join session on session.id = session_plan.session_id join session as this on this.id = @sessionId
                where session.room_id = this.room_id and session.course_id is not distinct from this.course_id
                    and session.cancelled is null and session.begins_at < this.begins_at
                order by session.begins_at desc, session_plan.edition desc limit 1
                """,
                new { sessionId },
                cancel
            )
        )?.Read();

    private sealed record Row(int Edition, string? MadeBy, DateTime MadeAt, string Body)
    {
        public PlanEdition Read() => new(Edition, MadeBy, MadeAt, Jsonb.Read<SavedPlan>(Body));
    }

    private sealed record Placed(int Slot, int Booth, string Machine, string Exercise);

    private sealed record OwnRow(string Title, DateOnly HeldOn, TimeOnly? Begins, string Room, double Seconds, string Body, string? Stands)
    {
        public OwnPlan Read()
        {
            var slots = PlanReader.SlotsOf(Jsonb.Read<SavedPlan>(Body).Settings, Begins, TimeSpan.FromSeconds(Seconds));
            var placed = Stands is null ? [] : Jsonb.Read<IReadOnlyList<Placed>>(Stands);
            return new(
                Title,
                HeldOn,
                Room,
                [
                    .. placed
                        .Where(one => one.Slot < slots.Count)
                        .OrderBy(one => one.Slot)
                        .Select(one => new OwnStand(slots[one.Slot].Begins, slots[one.Slot].Minutes, one.Booth, one.Machine, one.Exercise)),
                ]
            );
        }
    }
}
