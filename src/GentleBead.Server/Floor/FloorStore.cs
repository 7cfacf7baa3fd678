using Dapper;
using GentleBead.Core.Floor;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;

namespace GentleBead.Server.Floor;

/// <summary>An instructor's visit to a booth.</summary>
/// <param name="Id">Which.</param>
/// <param name="Student">Who stood there.</param>
/// <param name="Booth">The booth's number.</param>
/// <param name="Note">What was noted of them; empty where nothing was.</param>
/// <param name="By">Who was there.</param>
/// <param name="At">When.</param>
public sealed record Visit(Guid Id, PersonName Student, int Booth, string Note, string By, DateTimeOffset At);

/// <summary>How a session was closed down.</summary>
/// <param name="By">Who closed it.</param>
/// <param name="At">When.</param>
/// <param name="Ticked">What was seen to, by key.</param>
/// <param name="Note">What else there was to say.</param>
/// <param name="FireWatchUntil">Until when somebody watches for fire.</param>
public sealed record Closed(string By, DateTimeOffset At, IReadOnlyList<string> Ticked, string Note, DateTimeOffset FireWatchUntil);

/// <summary>A slot that was begun.</summary>
/// <param name="Slot">Which.</param>
/// <param name="At">When.</param>
/// <param name="PlanChanged">Whether the plan was changed since: somebody may have to move.</param>
public sealed record BegunSlot(int Slot, DateTimeOffset At, bool PlanChanged);

/// <summary>A sheet as the floor knows it: whose, where, with which machine, to what job.</summary>
/// <param name="StudentId">Whose.</param>
/// <param name="BoothId">At which booth.</param>
/// <param name="MachineId">With which machine.</param>
/// <param name="Job">To what job.</param>
public sealed record FloorSheet(Guid StudentId, Guid BoothId, Guid MachineId, Core.Rules.Job Job);

/// <summary>The floor in the database: visits with their notes, slots that were begun, closing down.</summary>
public sealed class FloorStore(SchoolDatabase database)
{
    /// <summary>Visits that are sent at once.</summary>
    public const int Page = 40;

    /// <summary>Notes a visit; the same id again changes nothing.</summary>
    /// <param name="id">The id of what is added.</param>
    /// <param name="sessionId">In which session.</param>
    /// <param name="boothId">At which booth.</param>
    /// <param name="visit">Who stood there, and what is noted of them.</param>
    /// <param name="by">Who was there.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="when">When; null for now.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task VisitAsync(
        Guid id,
        Guid sessionId,
        Guid boothId,
        Visiting visit,
        Guid by,
        Sent sent,
        DateTimeOffset? when,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "visit",
            """
            insert into visit (id, session_id, booth_id, student_id, note, visited_by, visited_at, sent)
            values (@id, @sessionId, @boothId, @StudentId, @note, @by, coalesce(@when, now()), @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                sessionId,
                boothId,
                visit.StudentId,
                note = visit.Note.Trim(),
                by,
                when = when?.UtcDateTime,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>The notes of a session or on a student, newest first; of visits without one nothing is said.</summary>
    /// <param name="sessionId">Of which session; null for any.</param>
    /// <param name="studentId">On which student; null for all of them.</param>
    public async Task<IReadOnlyList<Visit>> NotesAsync(Guid? sessionId, Guid? studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, Guid StudentId, string Student, int Booth, string Note, string By, DateTime At)>(
            $"""
            select visit.id, person.id, person.name, booth.number, visit.note, visitor.name, visit.visited_at
            from visit join person on person.id = visit.student_id join booth on booth.id = visit.booth_id
            join person as visitor on visitor.id = visit.visited_by
            where visit.note <> '' {(sessionId is null ? "" : "and visit.session_id = @sessionId")}
                {(studentId is null ? "" : "and visit.student_id = @studentId")}
            order by visit.seq desc limit @Page
            """,
            new
            {
                sessionId,
                studentId,
                Page,
            },
            cancel
        );
        return [.. rows.Select(row => new Visit(row.Id, new PersonName(row.StudentId, row.Student), row.Booth, row.Note, row.By, row.At))];
    }

    /// <summary>Begins a slot: everybody stands where the plan says. The same id again moves nobody.</summary>
    /// <param name="id">The id of what is added.</param>
    /// <param name="sessionId">In which session.</param>
    /// <param name="slot">Which slot.</param>
    /// <param name="places">Who is to stand at which booth.</param>
    /// <param name="by">Who begins it.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task BeginAsync(
        Guid id,
        Guid sessionId,
        int slot,
        IReadOnlyList<(Guid BoothId, Guid StudentId)> places,
        Guid by,
        Sent sent,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var added = await connection.AddOnceAsync(
            "slot_begun",
            "insert into slot_begun (id, session_id, slot, begun_by, sent) values (@id, @sessionId, @slot, @by, @sent) "
                + "on conflict (id) do nothing",
            new
            {
                id,
                sessionId,
                slot,
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
        if (added)
            await PlaceStore.SetAllAsync(connection, sessionId, places, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>The slot that was begun last; null before the first.</summary>
    public async Task<BegunSlot?> BegunAsync(Guid sessionId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<(int Slot, DateTime At, bool Changed)?>(
            """
            select slot, begun_at, exists (select 1 from session_plan
                where session_plan.session_id = slot_begun.session_id and session_plan.made_at > slot_begun.begun_at)
            from slot_begun where session_id = @sessionId order by seq desc limit 1
            """,
            new { sessionId },
            cancel
        );
        return row is { } begun ? new(begun.Slot, begun.At, begun.Changed) : null;
    }

    /// <summary>The newest sheet of each who stands at a booth in a session, as it was given out to them there.</summary>
    public async Task<IReadOnlyList<FloorSheet>> SheetsAsync(Guid sessionId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid StudentId, Guid BoothId, Guid MachineId, string Job)>(
            """
            select place.student_id, place.booth_id, newest.machine_id, newest.job from place cross join lateral (
                select machine_id, job from sheet where session_id = place.session_id and booth_id = place.booth_id
                    and student_id = place.student_id order by seq desc limit 1) as newest
            where place.session_id = @sessionId
            """,
            new { sessionId },
            cancel
        );
        return [.. rows.Select(row => new FloorSheet(row.StudentId, row.BoothId, row.MachineId, Jsonb.Read<Core.Rules.Job>(row.Job)))];
    }

    /// <summary>Closes a session down; the same id again changes nothing, another way of closing it is added.</summary>
    public async Task CloseAsync(Guid id, Session session, Closing closing, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var added = await connection.AddOnceAsync(
            "session_close",
            """
            insert into session_close (id, session_id, ticked, note, closed_by, sent)
            values (@id, @session, @ticked, @note, @by, @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                session = session.Id,
                ticked = closing.Ticked.Distinct().ToArray(),
                note = closing.Note.Trim(),
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
        if (added)
            await Trail.LeaveAsync(connection, by, "sessionClosed", session.Title, session.Id, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>How a session was closed down; null while it was not.</summary>
    public async Task<Closed?> ClosedAsync(Guid sessionId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<(string By, DateTime At, string[] Ticked, string Note)?>(
            """
            select person.name, closed_at, ticked, note from session_close join person on person.id = closed_by
            where session_id = @sessionId order by session_close.seq desc limit 1
            """,
            new { sessionId },
            cancel
        );
        return row is { } closed ? new(closed.By, closed.At, closed.Ticked, closed.Note, closed.At + CloseDown.FireWatch) : null;
    }

    /// <summary>How many checks of each booth's close-down list are ticked, by booth and key.</summary>
    public async Task<ILookup<Guid, string>> TicksAsync(Guid sessionId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid BoothId, string Key)>(
            "select booth_id, key from check_tick where session_id = @sessionId",
            new { sessionId },
            cancel
        );
        return rows.ToLookup(row => row.BoothId, row => row.Key);
    }
}
