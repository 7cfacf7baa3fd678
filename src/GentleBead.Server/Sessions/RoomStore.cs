using System.Text.Json;
using Dapper;
using GentleBead.Core.Floor;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Rooms;
using GentleBead.Server.Sheets;
using Npgsql;

namespace GentleBead.Server.Sessions;

/// <summary>A booth as the room sees it.</summary>
/// <param name="Booth">Which booth.</param>
/// <param name="MachineNames">The machines in it, in the order they came; empty where none stands there.</param>
/// <param name="Student">Who stands there; null when empty.</param>
/// <param name="Job">What they work on; null before a sheet was assigned.</param>
/// <param name="PositionName">ISO and AWS names of the job's position; null with it.</param>
/// <param name="Last">The newest bead laid to that sheet; null before the first.</param>
/// <param name="Own">What its student says of it, where they recorded it and no instructor has said theirs; else null.</param>
/// <param name="Before">The verdicts on the few beads before it, oldest first.</param>
/// <param name="Next">The change that was advised after the newest; null when none was.</param>
/// <param name="LastAt">When the newest bead was noted; null before the first.</param>
/// <param name="Hand">The hand that is up; null where none is.</param>
/// <param name="Need">What it asks of the instructor; null while the session is not on.</param>
public sealed record BoothView(
    Booth Booth,
    IReadOnlyList<string> MachineNames,
    PersonName? Student,
    Job? Job,
    string? PositionName,
    RackBead? Last,
    OwnWord? Own,
    IReadOnlyList<Verdict> Before,
    Said? Next,
    DateTimeOffset? LastAt,
    RaisedHand? Hand,
    BoothNeed? Need
);

/// <summary>The room in a session.</summary>
/// <param name="Session">Which session; null before the first.</param>
/// <param name="Booths">A page of its booths, by number.</param>
/// <param name="MoreBooths">What to ask for the next page with; null on the last.</param>
/// <param name="Waiting">The first of the students who stand at no booth, by name.</param>
/// <param name="MoreWaiting">Whether there are more than those.</param>
public sealed record RoomView(
    Session? Session,
    IReadOnlyList<BoothView> Booths,
    int? MoreBooths,
    IReadOnlyList<PersonName> Waiting,
    bool MoreWaiting
);

/// <summary>A booth by its number, and who stands there.</summary>
/// <param name="Id">Which booth.</param>
/// <param name="Number">Its number.</param>
/// <param name="Student">Who stands there; null when empty.</param>
public sealed record BoothName(Guid Id, int Number, PersonName? Student);

/// <summary>The session that is on and who stands where: what every page needs to find its way.</summary>
/// <param name="Session">Which session; null before the first.</param>
/// <param name="Booths">Every booth of its room, by number.</param>
/// <param name="Choices">The sessions of these hours, in any room, in order of time: what another can be chosen from.</param>
public sealed record RoomNow(Session? Session, IReadOnlyList<BoothName> Booths, IReadOnlyList<Session> Choices);

/// <summary>A machine in a booth.</summary>
/// <param name="Id">Which machine.</param>
/// <param name="Machine">As calibrated and loaded now.</param>
public sealed record MachineHere(Guid Id, Machine Machine);

/// <summary>One booth up close.</summary>
/// <param name="Session">Which session.</param>
/// <param name="Booth">Which booth.</param>
/// <param name="Machines">The machines in it, in the order they came; empty where none stands there.</param>
/// <param name="AtHand">Which of them is worked with: the one of the sheet while it stands there, else the first; null without any.</param>
/// <param name="Student">Who stands there; null when empty.</param>
/// <param name="Coupon">The sheet they work to and its beads; null before one was assigned.</param>
public sealed record Bench(
    Session Session,
    Booth Booth,
    IReadOnlyList<MachineHere> Machines,
    Guid? AtHand,
    PersonName? Student,
    Coupon? Coupon
);

/// <summary>Who works on what at a booth.</summary>
/// <param name="StudentId">Who stands there; null where nobody does.</param>
/// <param name="Job">What they work on; null before a sheet was assigned.</param>
/// <param name="Machine">With what machine; null where none stands there.</param>
public sealed record Station(Guid? StudentId, Job? Job, Machine? Machine);

/// <summary>Reads a room and its booths, a bounded number of rows whatever lies in the database.</summary>
public sealed class RoomStore(SchoolDatabase database, SchoolClock clock)
{
    private const int BoothPage = 24;
    private const int WaitingShown = 30;
    private const int VerdictsShown = 5;
    private const int ChoicesShown = 12;

    // A session of this evening or of tomorrow morning can be gone to; any other is opened from the calendar.
    private static readonly TimeSpan AroundNow = TimeSpan.FromHours(15);

    // People come before a session begins and may stay after it ends.
    private static readonly TimeSpan AroundHours = TimeSpan.FromHours(1);

    /// <summary>A page of the room in a session.</summary>
    /// <param name="session">Which session; null before the first.</param>
    /// <param name="after">The number of the last booth that was sent; 0 for the first page.</param>
    public async Task<RoomView> OfAsync(Session? session, int after, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var booths = await ViewsAsync(connection, session, after, null, cancel);
        var waiting = after > 0 ? [] : await WaitingAsync(connection, session, cancel);
        return new RoomView(
            session,
            booths,
            booths.Count == BoothPage ? booths[^1].Booth.Number : null,
            [.. waiting.Take(WaitingShown)],
            waiting.Count > WaitingShown
        );
    }

    /// <summary>One booth as the room sees it in a session; null where there is no such booth.</summary>
    public async Task<BoothView?> BoothAsync(Session session, Guid boothId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return (await ViewsAsync(connection, session, 0, boothId, cancel)).SingleOrDefault();
    }

    // A page of booths, or one alone; two statements.
    private async Task<IReadOnlyList<BoothView>> ViewsAsync(
        NpgsqlConnection connection,
        Session? session,
        int after,
        Guid? only,
        CancellationToken cancel
    )
    {
        var booths = (
            await connection.QueryAsync<BoothRow>(
                """
                select booth.id as "Id", booth.number as "Number", booth.room_id as "RoomId", booth.version as "Version", booth.machine_id
                    as "MachineId",
                    (select json_agg(machine.name order by machine.moved) from machine where machine.booth_id = booth.id) as "MachineNames",
                    person.id as "StudentId", person.name as "StudentName",
                    newest.id as "SheetId", newest.job as "Job", newest.position_name as "PositionName",
                    place.placed_at as "PlacedAt", newest.assigned_at as "SheetAt", (
                        select json_build_object('id', id, 'reason', reason, 'at', raised_at) from hand where session_id = @sessionId
                            and student_id = place.student_id and lowered_at is null order by seq desc limit 1) as "Hand", (
                        select max(at) from (
                            select visited_at as at from visit where session_id = @sessionId and student_id = place.student_id
                            union all select lowered_at from hand where session_id = @sessionId and student_id = place.student_id
                                and lowered_by <> student_id) as was_there) as "SeenAt",
                    exists (select 1 from test_weld where sheet_id = newest.id and not exists (
                        select 1 from test_record where test_weld_id = test_weld.id and kind = 'signOff')) as "TestWaits",
                    exists (select 1 from session_close where session_id = @sessionId) as "Closed"
                from booth_now as booth left join place on place.booth_id = booth.id and place.session_id = @sessionId
                    left join person on person.id = place.student_id
                left join lateral (
                    select id, job, position_name, assigned_at from sheet
                    where session_id = @sessionId and booth_id = booth.id and student_id = place.student_id
                        order by seq desc limit 1) as newest on true
                where booth.number > @after and (@only::uuid is null or booth.id = @only) and booth.room_id = coalesce(@roomId,
                    (select id from room order by seq limit 1)) order by booth.number limit @BoothPage
                """,
                new
                {
                    sessionId = session?.Id,
                    roomId = session?.RoomId,
                    after,
                    only,
                    BoothPage,
                },
                cancel
            )
        ).AsList();
        var beads = await LaidAsync(connection, [.. booths.Select(booth => booth.SheetId).OfType<Guid>()], cancel);
        var on = session is not null && IsOn(session);
        return
        [
            .. booths.Select(booth =>
            {
                IReadOnlyList<BeadRow> laid = booth.SheetId is { } sheet ? [.. beads[sheet]] : [];
                return booth.View(laid, on && !booth.Closed ? Needs.Of(booth.OnFloor(laid), clock.Now) : null);
            }),
        ];
    }

    // The newest beads of each sheet, oldest first.
    private static async Task<ILookup<Guid, BeadRow>> LaidAsync(NpgsqlConnection connection, Guid[] sheets, CancellationToken cancel) =>
        (
            await connection.QueryAsync<BeadRow>(
                """
                select given.id as "SheetId", newest.bead_id as "Id", newest.number as "Number", newest.verdict as "Verdict", newest.shape
                    as "Shape", newest.next as "Next", newest.cause as "Cause", newest.recorded_at as "At", newest.own_word as "Own"
                from unnest(@sheets) as given (id) cross join lateral (
                    select bead_id, number, cause, recorded_at, coalesce(ruled, verdict) as verdict,
                        case when is_last then shape end as shape, case when is_last then next end as next,
                        case when is_last and own and ruled is null then (select json_build_object('verdict', verdict, 'change', change)
                            from own_word where own_word.bead_id = few.bead_id) end as own_word
                    from (select *, row_number() over (order by number desc) = 1 as is_last from bead_verdict
                        where sheet_id = given.id and not withdrawn order by number desc limit @VerdictsShown + 1) as few) as newest
                order by newest.number
                """,
                new { sheets, VerdictsShown },
                cancel
            )
        ).ToLookup(bead => bead.SheetId);

    // From when people set up until somebody closes it down, or has forgotten to.
    private bool IsOn(Session session) => clock.Now > session.BeginsAt - AroundHours && clock.Now < session.EndsAt + AroundHours;

    // Students who stand at no booth; one more than is shown tells that there are more.
    private static async Task<List<PersonName>> WaitingAsync(NpgsqlConnection connection, Session? session, CancellationToken cancel) =>
        (
            await connection.QueryAsync<PersonName>(
                """
                select id, name from person where role = 'student' and deactivated_at is null
                    and not exists (select 1 from place where session_id = @sessionId and student_id = person.id)
                    and (@courseId::uuid is null or exists (select 1 from enrolment where course_id = @courseId and student_id = person.id
                        and @heldOn between first_day and coalesce(last_day, @heldOn)))
                    and coalesce((select came from attendance where session_id = @sessionId and student_id = person.id
                        order by seq desc limit 1), 'unknown') not in ('absent', 'excused')
                order by name, id limit @WaitingShown + 1
                """,
                new
                {
                    sessionId = session?.Id,
                    courseId = session?.CourseId,
                    heldOn = session?.HeldOn,
                    WaitingShown,
                },
                cancel
            )
        ).AsList();

    /// <summary>Who stands where in a session.</summary>
    /// <param name="session">Which session; null before the first.</param>
    public async Task<RoomNow> NowAsync(Session? session, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, int Number, Guid? StudentId, string? Student)>(
            """
            select booth.id, booth.number, person.id, person.name from booth
            left join place on place.booth_id = booth.id and place.session_id = @sessionId left join person on person.id = place.student_id
            where booth.room_id = coalesce(@roomId, (select id from room order by seq limit 1)) order by booth.number
            """,
            new { sessionId = session?.Id, roomId = session?.RoomId },
            cancel
        );
        var choices = await connection.QueryAsync<string>(
            $"""
            select {SessionStore.Json} from {SessionStore.Tables}
            where session.cancelled is null and session.begins_at between @from and @until
            order by session.begins_at, room.seq limit @ChoicesShown
            """,
            new
            {
                from = clock.Now - AroundNow,
                until = clock.Now + AroundNow,
                ChoicesShown,
            },
            cancel
        );
        return new RoomNow(
            session,
            [.. rows.Select(row => new BoothName(row.Id, row.Number, row.StudentId is { } id ? new PersonName(id, row.Student!) : null))],
            [.. choices.Select(Jsonb.Read<Session>)]
        );
    }

    /// <summary>One booth in a session; null where there is no such session or booth.</summary>
    public async Task<Bench?> BenchAsync(Guid sessionId, Guid boothId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<BenchRow>(
            $"""
            select {SessionStore.Json} as "Session", booth.number as "Number", booth.room_id as "BoothRoomId",
                booth.machine_id as "MachineId", booth.version as "BoothVersion",
                (select json_agg(json_build_object('id', id, 'body', body, 'load', load, 'readings', readings) order by moved)
                    from machine_now where booth_id = booth.id) as "Machines",
                person.id as "StudentId", person.name as "StudentName"
            from {SessionStore.Tables} cross join booth_now as booth
            left join place on place.booth_id = booth.id and place.session_id = session.id left join person on person.id = place.student_id
            where session.id = @sessionId and booth.id = @boothId
            """,
            new { sessionId, boothId },
            cancel
        );
        if (row is null)
            return null;
        var sheet = row.StudentId is not { } studentId
            ? null
            : await connection.QueryFirstOrDefaultAsync<SheetStore.Row>(
                $"select {SheetStore.Columns("sheet")} from sheet where session_id = @sessionId and booth_id = @boothId and "
                    + $"student_id = @studentId order by seq desc limit 1",
                new
                {
                    sessionId,
                    boothId,
                    studentId,
                },
                cancel
            );
        var machines = (row.Machines is null ? [] : Jsonb.Read<IReadOnlyList<HereRow>>(row.Machines)).Select(here => here.Here).ToArray();
        return new Bench(
            Jsonb.Read<Session>(row.Session),
            new Booth(boothId, row.Number, row.BoothRoomId, row.MachineId, row.BoothVersion),
            machines,
            machines.FirstOrDefault(here => here.Id == sheet?.MachineId)?.Id ?? machines.FirstOrDefault()?.Id,
            row.StudentId is { } id ? new PersonName(id, row.StudentName!) : null,
            sheet is null ? null : await CouponStore.OfAsync(connection, sheet.Sheet, cancel)
        );
    }

    /// <summary>Who works on what at a booth in a session, with what machine; null where there is no such session or booth.</summary>
    public async Task<Station?> StationAsync(Guid sessionId, Guid boothId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<(string? Body, string? Load, string? Readings, Guid? StudentId, string? Job)?>(
            """
            select machine_now.body, machine_now.load, machine_now.readings, place.student_id, newest.job
            from session cross join booth_now as booth
            left join place on place.booth_id = booth.id and place.session_id = session.id
            left join lateral (
                select job, machine_id from sheet where session_id = session.id and booth_id = booth.id and student_id = place.student_id
                    order by seq desc limit 1) as newest on true
            left join machine_now on machine_now.id = coalesce(
                (select id from machine where machine.id = newest.machine_id and machine.booth_id = booth.id), booth.machine_id)
            where session.id = @sessionId and booth.id = @boothId
            """,
            new { sessionId, boothId },
            cancel
        );
        return row is { } at
            ? new Station(
                at.StudentId,
                at.Job is null ? null : Jsonb.Read<Job>(at.Job),
                at.Body is null ? null : StoredMachine.Read(at.Body, at.Load, at.Readings)
            )
            : null;
    }

    private sealed record BenchRow(
        string Session,
        int Number,
        Guid BoothRoomId,
        Guid? MachineId,
        int BoothVersion,
        string? Machines,
        Guid? StudentId,
        string? StudentName
    );

    private sealed record HereRow(Guid Id, JsonElement Body, JsonElement? Load, JsonElement? Readings)
    {
        public MachineHere Here => new(Id, StoredMachine.Read(Body.GetRawText(), Load?.GetRawText(), Readings?.GetRawText()));
    }

    // How it looks and what was advised are read of the last alone.
    private sealed record BeadRow(
        Guid SheetId,
        Guid Id,
        int Number,
        string Verdict,
        string? Shape,
        string? Next,
        string? Cause,
        DateTime At,
        string? Own
    )
    {
        public FloorBead OnFloor => new(EnumText.Read<Verdict>(Verdict), Cause is null ? null : EnumText.Read<Cause>(Cause), At);
    }

    private sealed record BoothRow(
        Guid Id,
        int Number,
        Guid RoomId,
        int Version,
        Guid? MachineId,
        string? MachineNames,
        Guid? StudentId,
        string? StudentName,
        Guid? SheetId,
        string? Job,
        string? PositionName,
        DateTime? PlacedAt,
        DateTime? SheetAt,
        string? Hand,
        DateTime? SeenAt,
        bool TestWaits,
        bool Closed
    )
    {
        private RaisedHand? Raised => Hand is null ? null : Jsonb.Read<RaisedHand>(Hand);

        public FloorBooth OnFloor(IReadOnlyList<BeadRow> beads) =>
            new()
            {
                PlacedAt = PlacedAt,
                SheetAt = SheetAt,
                Beads = [.. beads.Select(bead => bead.OnFloor)],
                Hand = Raised,
                SeenAt = SeenAt,
                TestWaits = TestWaits,
            };

        public BoothView View(IReadOnlyList<BeadRow> beads, BoothNeed? need)
        {
            var last = beads.Count == 0 ? null : beads[^1];
            return new BoothView(
                new Booth(Id, Number, RoomId, MachineId, Version),
                MachineNames is null ? [] : Jsonb.Read<IReadOnlyList<string>>(MachineNames),
                StudentId is { } student ? new PersonName(student, StudentName!) : null,
                Job is null ? null : Jsonb.Read<Job>(Job),
                PositionName,
                last is null
                    ? null
                    : new RackBead(last.Id, last.Number, EnumText.Read<Verdict>(last.Verdict), Jsonb.Read<BeadShape>(last.Shape!)),
                last?.Own is { } own ? Jsonb.Read<OwnWord>(own) : null,
                [.. beads.SkipLast(1).Select(bead => EnumText.Read<Verdict>(bead.Verdict))],
                last?.Next is { } next ? Jsonb.Read<Said>(next) : null,
                last?.At,
                Raised,
                need
            );
        }
    }
}
