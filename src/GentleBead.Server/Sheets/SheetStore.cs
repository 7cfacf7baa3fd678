using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Sheets;

/// <summary>A sheet as it was assigned.</summary>
/// <param name="Id">Which sheet.</param>
/// <param name="SessionId">In which session.</param>
/// <param name="BoothId">At which booth.</param>
/// <param name="StudentId">To whom.</param>
/// <param name="AssignedAt">When.</param>
/// <param name="Body">The sheet as it was computed that day.</param>
/// <param name="Overrule">Why it was given out although something on the machine did not fit; null when all did.</param>
/// <param name="Criteria">Whose limits its beads are measured by.</param>
public sealed record AssignedSheet(
    Guid Id, Guid SessionId, Guid BoothId, Guid StudentId, DateTimeOffset AssignedAt, Sheet Body, string? Overrule = null, CriteriaSet Criteria = CriteriaSet.Practice);

/// <summary>Assigned sheets in the database. They are only added to.</summary>
public sealed class SheetStore(NpgsqlDataSource database)
{
    private const string Columns = "id, session_id as \"SessionId\", booth_id as \"BoothId\", student_id as \"StudentId\", assigned_at as \"AssignedAt\", body, overrule, criteria";

    /// <summary>Adds a sheet; the same id again changes nothing.</summary>
    public async Task AddAsync(AssignedSheet sheet, Guid assignedBy)
    {
        var job = sheet.Body.Job;
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            """
            insert into sheet (id, session_id, booth_id, student_id, thickness_mm, joint, position, wire, body, rules_version, assigned_by, assigned_at, overrule, criteria)
            values (@Id, @SessionId, @BoothId, @StudentId, @thicknessMm, @joint, @position, @wire, @body, @rulesVersion, @assignedBy, @AssignedAt, @Overrule, @criteria)
            on conflict (id) do nothing
            """,
            new
            {
                sheet.Id,
                sheet.SessionId,
                sheet.BoothId,
                sheet.StudentId,
                AssignedAt = sheet.AssignedAt.UtcDateTime,
                thicknessMm = job.Thickness.Value.Mm,
                joint = Words.Of(job.Joint),
                position = Words.Of(job.Position),
                wire = job.Wire is { } wire ? Words.Of(wire) : null,
                sheet.Overrule,
                criteria = Words.Of(sheet.Criteria),
                body = new Jsonb<Sheet>(sheet.Body),
                rulesVersion = sheet.Body.RulesVersion,
                assignedBy,
            });
    }

    /// <summary>One sheet.</summary>
    public async Task<AssignedSheet?> FindAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        return (await connection.QuerySingleOrDefaultAsync<Row>($"select {Columns} from sheet where id = @id", new { id }))?.Sheet;
    }

    /// <summary>The newest sheet of each booth and student of a session.</summary>
    public async Task<IReadOnlyList<AssignedSheet>> NewestOfSessionAsync(Guid sessionId)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<Row>(
            $"select distinct on (booth_id, student_id) {Columns} from sheet where session_id = @sessionId order by booth_id, student_id, assigned_at desc", new { sessionId });
        return [.. rows.Select(row => row.Sheet)];
    }

    /// <summary>Every sheet a student was given, newest first.</summary>
    public async Task<IReadOnlyList<AssignedSheet>> OfStudentAsync(Guid studentId)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<Row>($"select {Columns} from sheet where student_id = @studentId order by assigned_at desc limit 200", new { studentId });
        return [.. rows.Select(row => row.Sheet)];
    }

    /// <summary>The sheets given out at a booth, newest first, as many as a term of beads needs.</summary>
    public async Task<IReadOnlyList<AssignedSheet>> OfBoothAsync(Guid boothId)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<Row>($"select {Columns} from sheet where booth_id = @boothId order by assigned_at desc limit 200", new { boothId });
        return [.. rows.Select(row => row.Sheet)];
    }

    /// <summary>The newest sheet a student was given.</summary>
    public async Task<AssignedSheet?> NewestOfStudentAsync(Guid studentId)
    {
        await using var connection = await database.OpenConnectionAsync();
        return (await connection.QueryFirstOrDefaultAsync<Row>($"select {Columns} from sheet where student_id = @studentId order by assigned_at desc limit 1", new { studentId }))?.Sheet;
    }

    /// <summary>Every sheet a student was given, newest first, by id alone.</summary>
    public async Task<IReadOnlyList<Guid>> IdsOfStudentAsync(Guid studentId)
    {
        await using var connection = await database.OpenConnectionAsync();
        return [.. await connection.QueryAsync<Guid>("select id from sheet where student_id = @studentId order by assigned_at desc limit 200", new { studentId })];
    }

    /// <summary>The sheets given out at a booth, newest first, by id alone.</summary>
    public async Task<IReadOnlyList<Guid>> IdsOfBoothAsync(Guid boothId)
    {
        await using var connection = await database.OpenConnectionAsync();
        return [.. await connection.QueryAsync<Guid>("select id from sheet where booth_id = @boothId order by assigned_at desc limit 200", new { boothId })];
    }

    /// <summary>Process, wire and gas of the fed-wire sheets given out at a booth, the newest thousand.</summary>
    public async Task<IReadOnlyDictionary<Guid, WireArc>> ArcsOfBoothAsync(Guid boothId, WireArc? arc = null)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<(Guid Id, string Process, string Wire, string Gas)>(
            """
            select id, body #>> '{job,process}', wire, body #>> '{job,gas}' from sheet
            where booth_id = @boothId and wire is not null
            and (@wire::text is null or (wire = @wire and body #>> '{job,process}' = @process and body #>> '{job,gas}' = @gas))
            order by assigned_at desc limit 1000
            """,
            new { boothId, wire = arc is { } a ? Words.Of(a.Wire) : null, process = arc is { } p ? Words.Of(p.Process) : null, gas = arc is { } g ? Words.Of(g.Gas) : null });
        return rows.ToDictionary(row => row.Id, row => new WireArc(Words.Read<Process>(row.Process), Words.Read<Wire>(row.Wire), Words.Read<Gas>(row.Gas)));
    }

    private sealed record Row(Guid Id, Guid SessionId, Guid BoothId, Guid StudentId, DateTime AssignedAt, string Body, string? Overrule, string Criteria)
    {
        public AssignedSheet Sheet => new(Id, SessionId, BoothId, StudentId, AssignedAt, Jsonb.Read<Sheet>(Body), Overrule, Words.Read<CriteriaSet>(Criteria));
    }
}
