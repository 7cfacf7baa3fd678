using System.Text.Json;
using System.Text.Json.Nodes;
using Dapper;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.TestWelds;
using GentleBead.Server.Database;
using GentleBead.Server.Json;
using GentleBead.Server.People;
using Npgsql;

namespace GentleBead.Server.TestWelds;

/// <summary>What was sealed.</summary>
/// <param name="Sheet">The sheet.</param>
/// <param name="Terms">The terms.</param>
/// <param name="StudentId">Whose test; null on tests sealed before this was sealed with them.</param>
/// <param name="SealedBy">Who sealed it; null likewise.</param>
/// <param name="SealedAt">When; null likewise.</param>
public sealed record SealedBody(
    Sheet Sheet,
    TestWeldTerms Terms,
    Guid? StudentId = null,
    Guid? SealedBy = null,
    DateTimeOffset? SealedAt = null
)
{
    // Sealed letters are never rewritten: what a sheet's parts were called when they were sealed is read as what they are called now.
    private static readonly (string Then, string Now)[] Renamed = [("school", "way"), ("differences", "otherWays")];

    /// <summary>Reads sealed letters, of whichever edition.</summary>
    public static SealedBody Read(string letters)
    {
        var body = JsonNode.Parse(letters)!;
        var sheet = body["sheet"]!.AsObject();
        foreach (var (then, now) in Renamed)
        {
            if (sheet.TryGetPropertyValue(then, out var part) && sheet.Remove(then))
                sheet[now] = part;
        }
        return body.Deserialize<SealedBody>(QuantityJson.Options)!;
    }
}

/// <summary>A sealed test weld.</summary>
/// <param name="Id">Which test.</param>
/// <param name="SheetId">From which sheet.</param>
/// <param name="Student">Whose.</param>
/// <param name="Text">The very letters that were sealed.</param>
/// <param name="Seal">SHA-256 over them.</param>
/// <param name="SealedBy">Who.</param>
/// <param name="SealedAt">When.</param>
public sealed record SealedTest(
    Guid Id,
    Guid SheetId,
    PersonName Student,
    string Text,
    string Seal,
    PersonName SealedBy,
    DateTimeOffset SealedAt
)
{
    /// <summary>What was sealed.</summary>
    public SealedBody Body { get; } = SealedBody.Read(Text);
}

/// <summary>What kind of record stands on a test weld.</summary>
public enum RecordKind
{
    /// <summary>An assessor's word.</summary>
    Assessment,

    /// <summary>The signature.</summary>
    SignOff,

    /// <summary>An amendment.</summary>
    Amendment,
}

/// <summary>A record of a test weld as it is written into the chain.</summary>
/// <param name="Kind">What kind.</param>
/// <param name="Id">Which record.</param>
/// <param name="TestWeldId">Of which test.</param>
/// <param name="Number">Its place in the chain, from 1.</param>
/// <param name="By">Whose.</param>
/// <param name="At">When.</param>
/// <param name="Note">The note, remark or amendment.</param>
/// <param name="Coupon">Of an assessment: which coupon.</param>
/// <param name="Attempt">Of an assessment: which attempt.</param>
/// <param name="Accepted">Of an assessment: the word.</param>
/// <param name="Evidence">Of an assessment: what was seen and measured.</param>
/// <param name="Acceptance">Of an assessment: limit by limit.</param>
/// <param name="Passed">Of a signature: whether the test was passed.</param>
/// <param name="NoteSeal">The seal of the note, which stands beside the letters; null on records that hold it themselves.</param>
public sealed record TestRecord(
    RecordKind Kind,
    Guid Id,
    Guid TestWeldId,
    int Number,
    Guid By,
    DateTimeOffset At,
    string Note,
    int? Coupon = null,
    int? Attempt = null,
    bool? Accepted = null,
    Evidence? Evidence = null,
    Acceptance? Acceptance = null,
    bool? Passed = null,
    string? NoteSeal = null
)
{
    /// <summary>What stands where a note was struck out.</summary>
    public const string Struck = "[…]";

    /// <summary>The assessor's word in it; null in a record of another kind.</summary>
    public Assessment? Assessment() => Kind == RecordKind.Assessment ? new(Coupon!.Value, Attempt!.Value, By, Accepted!.Value) : null;
}

/// <summary>A record with the link that holds it, and the name of whoever made it.</summary>
/// <param name="Record">What it says, read from its own letters.</param>
/// <param name="Link">Its place in the chain.</param>
/// <param name="By">Whose.</param>
public sealed record KeptRecord(TestRecord Record, ChainedRecord Link, string By);

/// <summary>A section as measured on a picture of one of the sheet's beads.</summary>
/// <param name="MarksId">The marks it was measured by.</param>
/// <param name="Bead">The bead's number on the coupon.</param>
/// <param name="Measures">What it measured.</param>
public sealed record MeasuredSection(Guid MarksId, int Bead, MacroMeasures Measures);

/// <summary>A test weld in a list.</summary>
/// <param name="Id">Which test.</param>
/// <param name="Job">What is welded.</param>
/// <param name="Terms">The terms.</param>
/// <param name="SealedAt">When it was sealed.</param>
/// <param name="State">How it stands.</param>
/// <param name="Signed">Whether it is signed.</param>
public sealed record TestWeldLine(Guid Id, Job Job, TestWeldTerms Terms, DateTimeOffset SealedAt, TestWeldState State, bool Signed);

/// <summary>Test welds in the database. They are only added to; the database itself refuses anything else.</summary>
public sealed class TestWeldStore(SchoolDatabase database)
{
    /// <summary>Test welds of a student that are sent at once.</summary>
    public const int Page = 15;

    private const string Tests = """
        select test_weld.id, sheet_id as "SheetId", student.id as "StudentId", student.name as "Student", sealed_body
            as "Text", seal, sealer.id as "SealerId",
            sealer.name as "Sealer", sealed_at as "SealedAt"
        from test_weld join person as student on student.id = student_id join person as sealer on sealer.id = sealed_by
        """;

    /// <summary>Seals a test; the same id again changes nothing.</summary>
    /// <param name="id">Which test.</param>
    /// <param name="sheetId">From which sheet.</param>
    /// <param name="body">What is sealed; its time is not looked at where <paramref name="at"/> is null.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="at">When; null for now.</param>
    public async Task AddAsync(
        Guid id,
        Guid sheetId,
        SealedBody body,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        body = body with { SealedAt = at ?? await connection.ExecuteScalarAsync<DateTime>("select now()", null, cancel) };
        var text = JsonSerializer.Serialize(body, QuantityJson.Options);
        await connection.AddOnceAsync(
            "test_weld",
            """
            insert into test_weld (id, sheet_id, student_id, terms, seal, sealed_body, sealed_by, sealed_at, sent)
            values (@id, @sheetId, @StudentId, @terms, @seal, @text, @SealedBy, @at, @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                sheetId,
                body.StudentId,
                terms = new Jsonb<TestWeldTerms>(body.Terms),
                seal = RecordChain.SealOf(text),
                text,
                body.SealedBy,
                at = body.SealedAt?.UtcDateTime,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>One test.</summary>
    public async Task<SealedTest?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return (await connection.QueryAsync<TestRow>($"{Tests} where test_weld.id = @id", new { id }, cancel))
            .Select(row => row.Test)
            .FirstOrDefault();
    }

    /// <summary>Whether a test was sealed under this id already with the same request.</summary>
    public async Task<bool> IsRepeatAsync(Guid id, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.IsRepeatAsync("test_weld", id, sent, cancel);
    }

    /// <summary>A page of a student's tests, newest first.</summary>
    /// <param name="studentId">Whose.</param>
    /// <param name="before">The place of the last one that was sent; null for the first page.</param>
    public async Task<(IReadOnlyList<TestWeldLine> Tests, long? More)> OfStudentAsync(
        Guid studentId,
        long? before,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = (
            await connection.QueryAsync<(Guid Id, string Job, string Terms, DateTime SealedAt, string? Words, bool Signed, long Seq)>(
                """
                select test_weld.id, sheet.job, test_weld.terms, sealed_at,
                    (select json_agg(body::json order by number) from test_record
                        where test_weld_id = test_weld.id and kind = 'assessment'),
                    exists (select 1 from test_record where test_weld_id = test_weld.id and kind = 'signOff'), test_weld.seq
                from test_weld join sheet on sheet.id = test_weld.sheet_id
                where test_weld.student_id = @studentId and test_weld.seq < @before order by test_weld.seq desc limit @Page
                """,
                new
                {
                    studentId,
                    before = before ?? long.MaxValue,
                    Page,
                },
                cancel
            )
        ).AsList();
        return ([.. rows.Select(Line)], rows.Count == Page ? rows[^1].Seq : null);

        static TestWeldLine Line((Guid Id, string Job, string Terms, DateTime SealedAt, string? Words, bool Signed, long Seq) row)
        {
            var terms = Jsonb.Read<TestWeldTerms>(row.Terms);
            Assessment[] words = row.Words is null
                ? []
                : [.. Jsonb.Read<IReadOnlyList<TestRecord>>(row.Words).Select(record => record.Assessment()!)];
            return new(row.Id, Jsonb.Read<Job>(row.Job), terms, row.SealedAt, TestWeld.State(terms, words), row.Signed);
        }
    }

    /// <summary>Every record of a test, in order.</summary>
    public async Task<IReadOnlyList<KeptRecord>> RecordsAsync(Guid testId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await RecordsAsync(connection, testId, cancel);
    }

    /// <summary>
    /// Adds a record at the end of the chain when the rules take it; says why not otherwise. The same id again changes nothing.
    /// </summary>
    /// <param name="test">Of which test.</param>
    /// <param name="refused">Why the rules do not take it after those so far; null when they do.</param>
    /// <param name="record">What to add at a place and moment.</param>
    /// <param name="id">Its id.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="at">When; null for now.</param>
    public async Task<Said?> AddRecordAsync(
        SealedTest test,
        Func<IReadOnlyList<TestRecord>, Said?> refused,
        Func<int, DateTimeOffset, TestRecord> record,
        Guid id,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // Two assessors pressing at once take turns, so that neither's word overtakes the rules, and the chain has no fork.
        await connection.ExecuteAsync(
            "select pg_advisory_xact_lock(hashtextextended(@test, 0))",
            new { test = test.Id.ToString() },
            cancel
        );
        if (await connection.IsRepeatAsync("test_record", id, sent, cancel))
            return null;
        var kept = await RecordsAsync(connection, test.Id, cancel);
        if (refused([.. kept.Select(one => one.Record)]) is { } why)
            return why;
        var now = at ?? await connection.ExecuteScalarAsync<DateTime>("select now()", null, cancel);
        var written = record(kept.Count + 1, now);
        var words = SealedWords.Of(written.Note);
        var letters = JsonSerializer.Serialize(written with { Note = "", NoteSeal = words.Seal }, QuantityJson.Options);
        var link = RecordChain.Next(test.Seal, [.. kept.Select(one => one.Link)], letters, words);
        await connection.ExecuteAsync(
            """
            insert into test_record (id, test_weld_id, number, kind, body, previous, hash, word, note, salt, sent)
            values (@id, @test, @Number, @kind, @Body, @Previous, @Hash, @word, @Text, @Salt, @sent)
            """,
            new
            {
                id,
                test = test.Id,
                link.Number,
                kind = EnumText.Of(written.Kind),
                link.Body,
                link.Previous,
                link.Hash,
                word = written.Kind == RecordKind.Assessment ? $"{written.Coupon}/{written.Attempt}/{written.By}" : null,
                words.Text,
                words.Salt,
                sent = sent.Hash,
            },
            cancel
        );
        await transaction.CommitAsync(cancel);
        return null;
    }

    /// <summary>The sections measured on pictures of beads laid to a sheet: the newest marks of each picture.</summary>
    public async Task<IReadOnlyList<MeasuredSection>> SectionsAsync(Guid sheetId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, int Number, string Measures)>(
            """
            select newest.id, number, newest.measures
            from bead_verdict join picture on picture.bead_id = bead_verdict.bead_id
                and (picture.withdrawn_at is null or picture.withdrawn_at = picture.let_go_at)
            cross join lateral (select id, measures from macro_marks where picture_id = picture.id order by seq desc limit 1) as newest
            where sheet_id = @sheetId and not withdrawn order by number desc limit 30
            """,
            new { sheetId },
            cancel
        );
        return [.. rows.Select(row => new MeasuredSection(row.Id, row.Number, Jsonb.Read<MacroMeasures>(row.Measures)))];
    }

    private static async Task<IReadOnlyList<KeptRecord>> RecordsAsync(NpgsqlConnection connection, Guid testId, CancellationToken cancel)
    {
        var rows = await connection.QueryAsync<RecordRow>(
            """
            select number, body, previous, hash, note, salt, (select name from person where id = (body::jsonb ->> 'by')::uuid) as "By"
            from test_record where test_weld_id = @testId order by number
            """,
            new { testId },
            cancel
        );
        return [.. rows.Select(row => row.Kept())];
    }

    private sealed record RecordRow(int Number, string Body, string Previous, string Hash, string? Note, string? Salt, string? By)
    {
        public KeptRecord Kept()
        {
            var record = Jsonb.Read<TestRecord>(Body);
            var words = record.NoteSeal is { } seal && Note is { } note && Salt is { } salt ? new SealedWords(note, salt, seal) : null;
            return new(
                record.NoteSeal is null ? record : record with { Note = words?.Text ?? TestRecord.Struck },
                new ChainedRecord(Number, Body, Previous, Hash, words),
                By ?? "?"
            );
        }
    }

    private sealed record TestRow(
        Guid Id,
        Guid SheetId,
        Guid StudentId,
        string Student,
        string Text,
        string Seal,
        Guid SealerId,
        string Sealer,
        DateTime SealedAt
    )
    {
        public SealedTest Test =>
            new(Id, SheetId, new PersonName(StudentId, Student), Text, Seal, new PersonName(SealerId, Sealer), SealedAt);
    }
}
