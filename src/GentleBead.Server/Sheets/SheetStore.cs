using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Sheets;
using GentleBead.Server.Database;

namespace GentleBead.Server.Sheets;

/// <summary>A sheet as it was assigned.</summary>
/// <param name="Id">Which sheet.</param>
/// <param name="SessionId">In which session.</param>
/// <param name="BoothId">At which booth.</param>
/// <param name="MachineId">For which machine, wherever that has been moved to since.</param>
/// <param name="StudentId">To whom.</param>
/// <param name="AssignedAt">When.</param>
/// <param name="Body">The sheet as it was computed that day.</param>
/// <param name="Overrule">Why it was given out although something on the machine did not fit; null when all did.</param>
/// <param name="Criteria">Whose limits its beads are measured by.</param>
public sealed record AssignedSheet(
    Guid Id,
    Guid SessionId,
    Guid BoothId,
    Guid MachineId,
    Guid StudentId,
    DateTimeOffset AssignedAt,
    Sheet Body,
    string? Overrule = null,
    CriteriaSet Criteria = CriteriaSet.Practice
)
{
    /// <summary>When something welded to it was noted: not before it was given out, and not in time to come.</summary>
    /// <param name="noted">As a booth says; null for now.</param>
    /// <param name="now">The moment.</param>
    /// <returns>Null for now.</returns>
    public DateTimeOffset? When(DateTimeOffset? noted, DateTimeOffset now) =>
        noted < AssignedAt ? AssignedAt
        : noted > now ? null
        : noted;
}

/// <summary>Assigned sheets in the database. They are only added to.</summary>
public sealed class SheetStore(SchoolDatabase database)
{
    /// <summary>The columns of a sheet, for other queries that read one beside something else.</summary>
    /// <param name="of">What the table is called there.</param>
    public static string Columns(string of) =>
        $"""
            {of}.id as "Id", {of}.session_id as "SessionId", {of}.booth_id as "BoothId", {of}.machine_id as "MachineId",
            {of}.student_id as "StudentId", {of}.assigned_at as "AssignedAt", {of}.body as "Body",
            {of}.overrule as "Overrule", {of}.criteria as "Criteria"
            """;

    /// <summary>Adds a sheet; the same id again changes nothing.</summary>
    /// <param name="sheet">The sheet; its time is not looked at where <paramref name="at"/> is null.</param>
    /// <param name="assignedBy">By whom.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="at">When; null for now.</param>
    public async Task AddAsync(
        AssignedSheet sheet,
        Guid assignedBy,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        var job = sheet.Body.Job;
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "sheet",
            """
            insert into sheet (id, session_id, booth_id, machine_id, student_id, thickness_mm, joint, position, wire, body, rules_version,
                assigned_by, assigned_at, overrule, criteria, sent)
            values (@Id, @SessionId, @BoothId, @MachineId, @StudentId, @thicknessMm, @joint, @position, @wire, @body,
                @rulesVersion, @assignedBy, coalesce(@at, now()), @Overrule, @criteria, @sent)
            on conflict (id) do nothing
            """,
            new
            {
                sheet.Id,
                sheet.SessionId,
                sheet.BoothId,
                sheet.MachineId,
                sheet.StudentId,
                at = at?.UtcDateTime,
                thicknessMm = job.Thickness.Value.Mm,
                joint = EnumText.Of(job.Joint),
                position = EnumText.Of(job.Position),
                wire = job.Wire is { } wire ? EnumText.Of(wire) : null,
                sheet.Overrule,
                criteria = EnumText.Of(sheet.Criteria),
                body = new Jsonb<Sheet>(sheet.Body),
                rulesVersion = sheet.Body.RulesVersion,
                assignedBy,
                sent = sent.Hash,
            },
            sheet.Id,
            sent,
            cancel
        );
    }

    /// <summary>One sheet.</summary>
    public async Task<AssignedSheet?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return (
            await connection.QuerySingleOrDefaultAsync<Row>($"select {Columns("sheet")} from sheet where id = @id", new { id }, cancel)
        )?.Sheet;
    }

    /// <summary>Whom a sheet was given to; null where there is none.</summary>
    public async Task<Guid?> StudentOfAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<Guid?>("select student_id from sheet where id = @id", new { id }, cancel);
    }

    /// <summary>Whether its student stands where a sheet was given out, in a session that is on or was within the hour.</summary>
    /// <param name="id">Which sheet.</param>
    /// <param name="at">When: at most a day ago where a student says so by their own sign-in; null for now.</param>
    /// <param name="stood">Whether a tablet knows that they stood there: then it may be longer ago, and they may have moved since.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<bool> IsAtHandAsync(Guid id, DateTimeOffset? at, bool stood, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<bool>(
            """
            select exists (select 1 from sheet join session on session.id = sheet.session_id
                cross join (select least(now(), coalesce(@at, now())) as moment) as noted
                where sheet.id = @id and session.cancelled is null and (@stood or (noted.moment > now() - interval '1 day'
                    and exists (select 1 from place where place.session_id = session.id and place.booth_id = sheet.booth_id
                        and place.student_id = sheet.student_id)))
                    and session.begins_at < noted.moment + interval '1 hour' and session.ends_at > noted.moment - interval '1 hour')
            """,
            new
            {
                id,
                at = at?.UtcDateTime,
                stood,
            },
            cancel
        );
    }

    /// <summary>Whether a sheet was assigned under this id already with the same request.</summary>
    /// <exception cref="OtherBodyException">It was, with another.</exception>
    public async Task<bool> IsRepeatAsync(Guid id, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.IsRepeatAsync("sheet", id, sent, cancel);
    }

    /// <summary>Every sheet a student was given, newest first: for work that is done once, not for a screen.</summary>
    public async Task<IReadOnlyList<AssignedSheet>> AllOfStudentAsync(Guid studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            $"select {Columns("sheet")} from sheet where student_id = @studentId order by seq desc",
            new { studentId },
            cancel
        );
        return [.. rows.Select(row => row.Sheet)];
    }

    /// <summary>A sheet as it lies in a row; other queries read more beside it.</summary>
    internal class Row
    {
        public required Guid Id { get; init; }

        public required Guid SessionId { get; init; }

        public required Guid BoothId { get; init; }

        public required Guid MachineId { get; init; }

        public required Guid StudentId { get; init; }

        public required DateTime AssignedAt { get; init; }

        public required string Body { get; init; }

        public required string? Overrule { get; init; }

        public required string Criteria { get; init; }

        public AssignedSheet Sheet =>
            new(
                Id,
                SessionId,
                BoothId,
                MachineId,
                StudentId,
                AssignedAt,
                Jsonb.Read<Sheet>(Body),
                Overrule,
                EnumText.Read<CriteriaSet>(Criteria)
            );
    }
}
