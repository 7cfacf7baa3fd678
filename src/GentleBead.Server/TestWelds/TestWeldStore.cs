using Dapper;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Sheets;
using GentleBead.Core.TestWelds;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.TestWelds;

/// <summary>What was sealed: the sheet and the terms.</summary>
public sealed record SealedBody(Sheet Sheet, TestWeldTerms Terms);

/// <summary>A sealed test weld.</summary>
/// <param name="Id">Which test.</param>
/// <param name="SheetId">From which sheet.</param>
/// <param name="Text">The very letters that were sealed: sheet and terms as JSON.</param>
/// <param name="Seal">SHA-256 over them.</param>
/// <param name="SealedBy">Who.</param>
/// <param name="SealedAt">When.</param>
public sealed record SealedTest(Guid Id, Guid SheetId, string Text, string Seal, Guid SealedBy, DateTimeOffset SealedAt)
{
    /// <summary>What was sealed.</summary>
    public SealedBody Body { get; } = Jsonb.Read<SealedBody>(Text);
}

/// <summary>An assessor's word as given.</summary>
public sealed record GivenAssessment(Guid Id, Assessment Assessment, Evidence Evidence, Acceptance Acceptance, string Note, DateTimeOffset At);

/// <summary>A sign-off.</summary>
public sealed record SignOff(Guid Id, bool Passed, string Note, Guid SignedBy, DateTimeOffset SignedAt);

/// <summary>An amendment.</summary>
public sealed record Amendment(Guid Id, string Text, Guid AmendedBy, DateTimeOffset AmendedAt);

/// <summary>Test welds in the database. They are only added to; the database itself refuses anything else.</summary>
public sealed class TestWeldStore(NpgsqlDataSource database)
{
    private const string Columns = "id, sheet_id as \"SheetId\", sealed_body as \"Text\", seal, sealed_by as \"SealedBy\", sealed_at as \"SealedAt\"";

    /// <summary>Seals a test; the same id again changes nothing.</summary>
    public async Task AddAsync(SealedTest test)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into test_weld (id, sheet_id, terms, seal, sealed_body, sealed_by, sealed_at) values (@Id, @SheetId, @terms, @Seal, @Text, @SealedBy, @at) on conflict (id) do nothing",
            new { test.Id, test.SheetId, terms = new Jsonb<TestWeldTerms>(test.Body.Terms), test.Seal, test.Text, test.SealedBy, at = test.SealedAt.UtcDateTime });
    }

    /// <summary>One test.</summary>
    public async Task<SealedTest?> FindAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        return (await connection.QuerySingleOrDefaultAsync<Row>($"select {Columns} from test_weld where id = @id", new { id }))?.Test;
    }

    /// <summary>The tests of some sheets, newest first.</summary>
    public async Task<IReadOnlyList<SealedTest>> OfSheetsAsync(IEnumerable<Guid> sheetIds)
    {
        await using var connection = await database.OpenConnectionAsync();
        return [.. (await connection.QueryAsync<Row>($"select {Columns} from test_weld where sheet_id = any(@ids) order by sealed_at desc", new { ids = sheetIds.ToArray() })).Select(row => row.Test)];
    }

    /// <summary>Adds a word when the rules take it now; says why not otherwise. The same id again changes nothing.</summary>
    public async Task<string?> AddAssessmentAsync(SealedTest test, GivenAssessment given)
    {
        await using var connection = await database.OpenConnectionAsync();
        await using var transaction = await connection.BeginTransactionAsync();
        // Two assessors pressing at once take turns, so that neither's word overtakes the rules.
        await connection.ExecuteAsync("select pg_advisory_xact_lock(hashtextextended(@test, 0))", new { test = test.Id.ToString() });
        if (await connection.ExecuteScalarAsync<bool>("select exists (select 1 from test_assessment where id = @Id)", new { given.Id })) return null;
        var words = await WordsAsync(connection, test.Id);
        var signed = await connection.ExecuteScalarAsync<bool>("select exists (select 1 from test_sign_off where test_weld_id = @id)", new { id = test.Id });
        if (TestWeld.Refused(test.Body.Terms, [.. words.Select(word => word.Assessment)], given.Assessment, signed) is { } refused) return refused;
        await connection.ExecuteAsync(
            """
            insert into test_assessment (id, test_weld_id, coupon, attempt, evidence, acceptance, accepted, note, assessor, assessed_at)
            values (@Id, @test, @Coupon, @Attempt, @evidence, @acceptance, @Accepted, @Note, @Assessor, @at)
            """,
            new
            {
                given.Id,
                test = test.Id,
                given.Assessment.Coupon,
                given.Assessment.Attempt,
                evidence = new Jsonb<Evidence>(given.Evidence),
                acceptance = new Jsonb<Acceptance>(given.Acceptance),
                given.Assessment.Accepted,
                given.Note,
                given.Assessment.Assessor,
                at = given.At.UtcDateTime,
            });
        await transaction.CommitAsync();
        return null;
    }

    /// <summary>Every word on a test, in order.</summary>
    public async Task<IReadOnlyList<GivenAssessment>> AssessmentsAsync(Guid testId)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await WordsAsync(connection, testId);
    }

    /// <summary>Signs a test off, once; a second signature changes nothing.</summary>
    public async Task AddSignOffAsync(Guid testId, SignOff signOff)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into test_sign_off (id, test_weld_id, passed, note, signed_by, signed_at) values (@Id, @testId, @Passed, @Note, @SignedBy, @at) on conflict do nothing",
            new { signOff.Id, testId, signOff.Passed, signOff.Note, signOff.SignedBy, at = signOff.SignedAt.UtcDateTime });
    }

    /// <summary>The signature; null before.</summary>
    public async Task<SignOff?> SignOffAsync(Guid testId)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<(Guid Id, bool Passed, string Note, Guid By, DateTime At)>("select id, passed, note, signed_by, signed_at from test_sign_off where test_weld_id = @testId", new { testId });
        return rows.Select(row => new SignOff(row.Id, row.Passed, row.Note, row.By, row.At)).FirstOrDefault();
    }

    /// <summary>Adds an amendment; the same id again changes nothing.</summary>
    public async Task AddAmendmentAsync(Guid testId, Amendment amendment)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into test_amendment (id, test_weld_id, text, amended_by, amended_at) values (@Id, @testId, @Text, @AmendedBy, @at) on conflict (id) do nothing",
            new { amendment.Id, testId, amendment.Text, amendment.AmendedBy, at = amendment.AmendedAt.UtcDateTime });
    }

    /// <summary>Every amendment, in order.</summary>
    public async Task<IReadOnlyList<Amendment>> AmendmentsAsync(Guid testId)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<(Guid Id, string Text, Guid By, DateTime At)>("select id, text, amended_by, amended_at from test_amendment where test_weld_id = @testId order by amended_at, id", new { testId });
        return [.. rows.Select(row => new Amendment(row.Id, row.Text, row.By, row.At))];
    }

    private static async Task<IReadOnlyList<GivenAssessment>> WordsAsync(NpgsqlConnection connection, Guid testId)
    {
        var rows = await connection.QueryAsync<AssessmentRow>(
            "select id, coupon, attempt, evidence, acceptance, accepted, note, assessor, assessed_at as \"At\" from test_assessment where test_weld_id = @testId order by assessed_at, id", new { testId });
        return [.. rows.Select(row => row.Given)];
    }

    private sealed record AssessmentRow(Guid Id, int Coupon, int Attempt, string Evidence, string Acceptance, bool Accepted, string Note, Guid Assessor, DateTime At)
    {
        public GivenAssessment Given => new(Id, new Assessment(Coupon, Attempt, Assessor, Accepted), Jsonb.Read<Evidence>(Evidence), Jsonb.Read<Acceptance>(Acceptance), Note, At);
    }

    private sealed record Row(Guid Id, Guid SheetId, string Text, string Seal, Guid SealedBy, DateTime SealedAt)
    {
        public SealedTest Test => new(Id, SheetId, Text, Seal, SealedBy, SealedAt);
    }
}
