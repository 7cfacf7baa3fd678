using System.Globalization;
using System.Security.Claims;
using System.Text.Json;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Sheets;
using GentleBead.Core.TestWelds;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Json;
using GentleBead.Server.Judging;
using GentleBead.Server.People;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.TestWelds;

/// <summary>A test to seal.</summary>
/// <param name="SheetId">The sheet it is welded to.</param>
/// <param name="Terms">Coupons, attempts, criteria.</param>
public sealed record SealRequest(Guid SheetId, TestWeldTerms Terms);

/// <summary>An assessor's word to be added.</summary>
/// <param name="Coupon">Which coupon.</param>
/// <param name="Attempt">Which attempt.</param>
/// <param name="Evidence">What was seen and measured.</param>
/// <param name="Accepted">The word.</param>
/// <param name="Note">Why, where it goes against a limit; up to 500 letters.</param>
/// <param name="Password">The assessor's own, once more: the word is theirs and nobody else's at this screen.</param>
/// <param name="SectionMarksId">The marks of a section on a picture of a bead of this sheet; null without one.</param>
public sealed record AssessmentRequest(
    int Coupon,
    int Attempt,
    Evidence Evidence,
    bool Accepted,
    string? Note,
    string? Password = null,
    Guid? SectionMarksId = null
);

/// <summary>A signature to be added.</summary>
/// <param name="Note">A remark; up to 500 letters.</param>
public sealed record SignRequest(string? Note);

/// <summary>An amendment to be added.</summary>
public sealed record AmendRequest(string? Text);

/// <summary>An assessor's word as shown. Before the second word is in, the first is shown to nobody but whoever gave it.</summary>
/// <param name="Coupon">Which coupon.</param>
/// <param name="Attempt">Which attempt.</param>
/// <param name="By">Whose word.</param>
/// <param name="At">When.</param>
/// <param name="Mine">Whether it is the asker's own.</param>
/// <param name="Accepted">The word; null while it is hidden.</param>
/// <param name="Acceptance">Limit by limit; null while it is hidden.</param>
/// <param name="Note">The note; null while it is hidden.</param>
public sealed record AssessmentView(
    int Coupon,
    int Attempt,
    string By,
    DateTimeOffset At,
    bool Mine,
    bool? Accepted,
    Acceptance? Acceptance,
    string? Note
);

/// <summary>A signature as shown.</summary>
public sealed record SignOffView(bool Passed, string Note, string By, DateTimeOffset At);

/// <summary>An amendment as shown.</summary>
public sealed record AmendmentView(string Text, string By, DateTimeOffset At);

/// <summary>A test weld as shown.</summary>
/// <param name="Id">Which test.</param>
/// <param name="Student">Whose.</param>
/// <param name="Sheet">The sheet as sealed.</param>
/// <param name="Terms">The terms as sealed.</param>
/// <param name="CriteriaName">The criteria set's name.</param>
/// <param name="Seal">SHA-256 over what was sealed.</param>
/// <param name="BrokenAt">Where the chain of seal, words, signature and amendments is broken: 0 for the seal; null where it holds from end
/// to end.</param>
/// <param name="LastHash">The chain's last hash: noted elsewhere, it shows that nothing before it was changed since.</param>
/// <param name="SealedBy">Who sealed it.</param>
/// <param name="SealedAt">When.</param>
/// <param name="State">How it stands.</param>
/// <param name="Assessments">Every word, hidden where it must be.</param>
/// <param name="SignOff">The signature; null before.</param>
/// <param name="Amendments">Every amendment.</param>
public sealed record TestWeldView(
    Guid Id,
    PersonName Student,
    Sheet Sheet,
    TestWeldTerms Terms,
    Said CriteriaName,
    string Seal,
    int? BrokenAt,
    string LastHash,
    string SealedBy,
    DateTimeOffset SealedAt,
    TestWeldState State,
    IReadOnlyList<AssessmentView> Assessments,
    SignOffView? SignOff,
    IReadOnlyList<AmendmentView> Amendments
);

/// <summary>A record of the chain in an export.</summary>
/// <param name="Number">Its place.</param>
/// <param name="Body">The very letters that were hashed; null while a first word is hidden.</param>
/// <param name="Previous">The hash before it.</param>
/// <param name="Hash">Its own.</param>
/// <param name="By">The name of whoever made it.</param>
/// <param name="Words">What was said in it, beside its letters; null likewise, and where it was struck out.</param>
public sealed record ExportedRecord(int Number, string? Body, string Previous, string Hash, string By, SealedWords? Words);

/// <summary>A test weld with its whole chain, for keeping elsewhere and checking without this program.</summary>
/// <param name="Id">Which test.</param>
/// <param name="Student">Whose.</param>
/// <param name="SealedText">The very letters that were sealed.</param>
/// <param name="Seal">SHA-256 over them.</param>
/// <param name="Records">Every record in order.</param>
/// <param name="BrokenAt">Where the chain is broken; null where it holds.</param>
/// <param name="HowToCheck">How to check it by hand.</param>
public sealed record TestWeldExport(
    Guid Id,
    string Student,
    string SealedText,
    string Seal,
    IReadOnlyList<ExportedRecord> Records,
    int? BrokenAt,
    string HowToCheck
);

/// <summary>Sealing, assessing, signing and amending test welds.</summary>
public static class TestWeldEndpoints
{
    private const int MostLetters = 500;

    private const string HowToCheck =
        "The seal is the SHA-256 of sealedText. The hash of each record is the SHA-256 of its previous hash, a line feed and its "
        + "body, all UTF-8; "
        + "the first record's previous hash is the seal. What was said stands in words: its seal, which the body holds as noteSeal, is the "
        + "SHA-256 of its salt, a line feed and its text. Words without text were struck out.";

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var tests = app.MapGroup("/api/test-welds").WithTags("test-welds");
        tests.MapPut("/{id:guid}", SealAsync).RequireAuthorization(Access.Instructor).Repeatable();
        tests.MapGet("/{id:guid}", ViewAsync).RequireAuthorization(Access.SignedIn);
        tests.MapGet("/{id:guid}/export", ExportAsync).RequireAuthorization(Access.SignedIn);
        tests.MapGet("/{id:guid}/sections", SectionsAsync).RequireAuthorization(Access.Instructor);
        tests.MapGet("/of-student/{studentId:guid}", OfStudentAsync).RequireAuthorization(Access.SignedIn);
        tests
            .MapPut("/{id:guid}/assessments/{assessmentId:guid}", AssessAsync)
            .RequireAuthorization(Access.Instructor)
            .Repeatable()
            .CountsTries();
        tests.MapPut("/{id:guid}/sign-off/{signOffId:guid}", SignAsync).RequireAuthorization(Access.Instructor).Repeatable();
        tests.MapPut("/{id:guid}/amendments/{amendmentId:guid}", AmendAsync).RequireAuthorization(Access.Instructor).Repeatable();
    }

    private static async Task<Results<Ok<TestWeldView>, Wrong>> SealAsync(
        Guid id,
        SealRequest request,
        ClaimsPrincipal user,
        TestWeldStore tests,
        SheetStore sheets,
        CancellationToken cancel
    )
    {
        var sent = Sent.Of(request);
        if (!await tests.IsRepeatAsync(id, sent, cancel))
        {
            if (await sheets.FindAsync(request.SheetId, cancel) is not { } sheet)
                return Problems.Field("sheetId", Say($"There is no such sheet."));
            if (request.Terms is null)
                return Problems.Field("terms", Say($"How many coupons and attempts, by whose limits?"));
            Problem[] problems = [.. request.Terms.Problems().Select(problem => problem.Under("terms"))];
            if (problems.Length > 0)
                return Problems.Of(problems);
            await tests.AddAsync(id, sheet.Id, new SealedBody(sheet.Body, request.Terms, sheet.StudentId, user.Id()), sent, cancel: cancel);
        }
        return TypedResults.Ok(await ShowAsync((await tests.FindAsync(id, cancel))!, user, tests, cancel));
    }

    private static async Task<Results<Ok<TestWeldView>, NotFound>> ViewAsync(
        Guid id,
        ClaimsPrincipal user,
        TestWeldStore tests,
        CancellationToken cancel
    ) =>
        await tests.FindAsync(id, cancel) is { } test && user.MaySee(test.Student.Id)
            ? TypedResults.Ok(await ShowAsync(test, user, tests, cancel))
            : TypedResults.NotFound();

    private static async Task<Results<FileContentHttpResult, NotFound>> ExportAsync(
        Guid id,
        ClaimsPrincipal user,
        TestWeldStore tests,
        CancellationToken cancel
    )
    {
        if (await tests.FindAsync(id, cancel) is not { } test || !user.MaySee(test.Student.Id))
            return TypedResults.NotFound();
        var records = await tests.RecordsAsync(id, cancel);
        var export = new TestWeldExport(
            test.Id,
            test.Student.Name,
            test.Text,
            test.Seal,
            [
                .. records.Select(one => new ExportedRecord(
                    one.Link.Number,
                    IsOpen(one.Record, records, user.Id()) ? one.Link.Body : null,
                    one.Link.Previous,
                    one.Link.Hash,
                    one.By,
                    IsOpen(one.Record, records, user.Id()) ? one.Link.Words : null
                )),
            ],
            BrokenAt(test, records),
            HowToCheck
        );
        return TypedResults.File(
            JsonSerializer.SerializeToUtf8Bytes(export, Written),
            "application/json",
            $"test-weld-{test.SealedAt:yyyy-MM-dd}-{test.Seal[..8]}.json"
        );
    }

    private static readonly JsonSerializerOptions Written = new(QuantityJson.Options) { WriteIndented = true };

    private static async Task<Results<Ok<IReadOnlyList<MeasuredSection>>, NotFound>> SectionsAsync(
        Guid id,
        TestWeldStore tests,
        CancellationToken cancel
    ) =>
        await tests.FindAsync(id, cancel) is { } test
            ? TypedResults.Ok(await tests.SectionsAsync(test.SheetId, cancel))
            : TypedResults.NotFound();

    private static async Task<Results<Ok<Page<TestWeldLine>>, NotFound>> OfStudentAsync(
        Guid studentId,
        long? before,
        ClaimsPrincipal user,
        TestWeldStore tests,
        CancellationToken cancel
    )
    {
        if (!user.MaySee(studentId))
            return TypedResults.NotFound();
        var (page, more) = await tests.OfStudentAsync(studentId, before, cancel);
        return TypedResults.Ok(new Page<TestWeldLine>(page, more?.ToString(CultureInfo.InvariantCulture)));
    }

    private static async Task<Results<Ok<TestWeldView>, NotFound, Wrong>> AssessAsync(
        Guid id,
        Guid assessmentId,
        AssessmentRequest request,
        ClaimsPrincipal user,
        TestWeldStore tests,
        AssessorCheck assessors,
        ToleranceStore tolerances,
        CancellationToken cancel
    )
    {
        if (await tests.FindAsync(id, cancel) is not { } test)
            return TypedResults.NotFound();
        var problems = new List<Problem>();
        var evidence = request.Evidence ?? new Evidence();
        if (evidence.Macro is not null)
            problems.Add(new("evidence.macro", BeadRecorder.SectionElsewhere));
        var section = await SectionAsync(request, test, tests, problems, cancel);
        evidence = evidence with { Macro = section?.Measures, Listened = null, Face = null, Back = null };
        problems.AddRange(evidence.Problems(test.Body.Sheet.BeadMeasure));
        var note = (request.Note ?? "").Trim();
        if (note.Length > MostLetters)
            problems.Add(new("note", Say($"A note in up to {MostLetters} letters.")));
        var acceptance = Criteria.Of(test.Body.Terms.Criteria, test.Body.Sheet, evidence, await tolerances.NewestAsync(cancel));
        if (request.Accepted && acceptance.Standing == Standing.Off && note.Length == 0)
            problems.Add(new("note", Say($"A limit is passed. Say why it is accepted all the same.")));
        problems.AddRange(await assessors.ProblemsAsync(user.Id(), test, request.Password, cancel));
        if (problems.Count > 0)
            return Problems.Of(problems);

        var word = new Assessment(request.Coupon, request.Attempt, user.Id(), request.Accepted);
        // The password is no part of what was said.
        var refused = await tests.AddRecordAsync(
            test,
            records => TestWeld.Refused(test.Body.Terms, Words(records), word, IsSigned(records)),
            (number, at) =>
                new(
                    RecordKind.Assessment,
                    assessmentId,
                    id,
                    number,
                    word.Assessor,
                    at,
                    note,
                    word.Coupon,
                    word.Attempt,
                    word.Accepted,
                    evidence,
                    acceptance
                ),
            assessmentId,
            Sent.Of(request with { Password = null }).Under(id),
            cancel: cancel
        );
        return refused is null ? TypedResults.Ok(await ShowAsync(test, user, tests, cancel)) : Problems.Field("coupon", refused);
    }

    // The section that an assessor's word goes by, of a bead of the sheet that was sealed.
    private static async Task<MeasuredSection?> SectionAsync(
        AssessmentRequest request,
        SealedTest test,
        TestWeldStore tests,
        List<Problem> problems,
        CancellationToken cancel
    )
    {
        if (request.SectionMarksId is not { } marks)
            return null;
        var section = (await tests.SectionsAsync(test.SheetId, cancel)).FirstOrDefault(one => one.MarksId == marks);
        if (section is null)
            problems.Add(new("sectionMarksId", Say($"There is no such section on a bead of this sheet.")));
        return section;
    }

    private static async Task<Results<Ok<TestWeldView>, NotFound, Wrong>> SignAsync(
        Guid id,
        Guid signOffId,
        SignRequest request,
        ClaimsPrincipal user,
        TestWeldStore tests,
        CancellationToken cancel
    )
    {
        if (await tests.FindAsync(id, cancel) is not { } test)
            return TypedResults.NotFound();
        var note = (request.Note ?? "").Trim();
        if (note.Length > MostLetters)
            return Problems.Field("note", Say($"A remark in up to {MostLetters} letters."));
        var passed = false;
        var refused = await tests.AddRecordAsync(
            test,
            records =>
            {
                (passed, var notYet) = TestWeld.Signable(test.Body.Terms, Words(records), IsSigned(records));
                return notYet;
            },
            (number, at) => new(RecordKind.SignOff, signOffId, id, number, user.Id(), at, note, Passed: passed),
            signOffId,
            Sent.Of(request).Under(id),
            cancel: cancel
        );
        return refused is null ? TypedResults.Ok(await ShowAsync(test, user, tests, cancel)) : Problems.Field("signOff", refused);
    }

    private static async Task<Results<Ok<TestWeldView>, NotFound, Wrong>> AmendAsync(
        Guid id,
        Guid amendmentId,
        AmendRequest request,
        ClaimsPrincipal user,
        TestWeldStore tests,
        CancellationToken cancel
    )
    {
        if (await tests.FindAsync(id, cancel) is not { } test)
            return TypedResults.NotFound();
        var text = (request.Text ?? "").Trim();
        if (text.Length is 0 or > MostLetters)
            return Problems.Field("text", Say($"An amendment in 1 to {MostLetters} letters."));
        await tests.AddRecordAsync(
            test,
            _ => null,
            (number, at) => new(RecordKind.Amendment, amendmentId, id, number, user.Id(), at, text),
            amendmentId,
            Sent.Of(request).Under(id),
            cancel: cancel
        );
        return TypedResults.Ok(await ShowAsync(test, user, tests, cancel));
    }

    private static IReadOnlyList<Assessment> Words(IEnumerable<TestRecord> records) =>
        [.. records.Select(record => record.Assessment()).OfType<Assessment>()];

    private static bool IsSigned(IEnumerable<TestRecord> records) => records.Any(record => record.Kind == RecordKind.SignOff);

    private static async Task<TestWeldView> ShowAsync(SealedTest test, ClaimsPrincipal user, TestWeldStore tests, CancellationToken cancel)
    {
        var records = await tests.RecordsAsync(test.Id, cancel);
        var instructor = user.IsInRole(nameof(Role.Instructor));
        var shown = new List<AssessmentView>();
        foreach (var (record, _, by) in records.Where(one => one.Record.Kind == RecordKind.Assessment))
        {
            var open = IsOpen(record, records, user.Id());
            shown.Add(
                new(
                    record.Coupon!.Value,
                    record.Attempt!.Value,
                    by,
                    record.At,
                    record.By == user.Id() && instructor,
                    open ? record.Accepted : null,
                    open ? record.Acceptance : null,
                    open ? record.Note : null
                )
            );
        }
        var signature = records.FirstOrDefault(one => one.Record.Kind == RecordKind.SignOff);
        return new(
            test.Id,
            test.Student,
            test.Body.Sheet,
            test.Body.Terms,
            Criteria.Name(test.Body.Terms.Criteria),
            test.Seal,
            BrokenAt(test, records),
            records.Count == 0 ? test.Seal : records[^1].Link.Hash,
            test.SealedBy.Name,
            test.SealedAt,
            TestWeld.State(test.Body.Terms, Words(records.Select(one => one.Record))),
            shown,
            signature is null ? null : new(signature.Record.Passed!.Value, signature.Record.Note, signature.By, signature.Record.At),
            [
                .. records
                    .Where(one => one.Record.Kind == RecordKind.Amendment)
                    .Select(one => new AmendmentView(one.Record.Note, one.By, one.Record.At)),
            ]
        );
    }

    // Blind: until both have spoken, neither may be swayed by the other, nor told through the student.
    private static bool IsOpen(TestRecord record, IReadOnlyList<KeptRecord> all, Guid asker) =>
        record.Assessment() is not { } word || TestWeld.IsOpen(word, Words(all.Select(one => one.Record)), asker);

    private static int? BrokenAt(SealedTest test, IReadOnlyList<KeptRecord> records) =>
        RecordChain.BrokenAt(test.Text, test.Seal, [.. records.Select(one => one.Link)]);
}
