using System.Security.Claims;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Sheets;
using GentleBead.Core.TestWelds;
using GentleBead.Server.Beads;
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
public sealed record AssessmentRequest(int Coupon, int Attempt, Evidence Evidence, bool Accepted, string? Note);

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
public sealed record AssessmentView(int Coupon, int Attempt, string By, DateTimeOffset At, bool Mine, bool? Accepted, Acceptance? Acceptance, string? Note);

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
/// <param name="Seal">SHA-256 over both.</param>
/// <param name="SealHolds">Whether what is stored still gives that seal.</param>
/// <param name="SealedBy">Who sealed it.</param>
/// <param name="SealedAt">When.</param>
/// <param name="State">How it stands.</param>
/// <param name="Assessments">Every word, hidden where it must be.</param>
/// <param name="SignOff">The signature; null before.</param>
/// <param name="Amendments">Every amendment.</param>
public sealed record TestWeldView(
    Guid Id, PersonName Student, Sheet Sheet, TestWeldTerms Terms, string CriteriaName, string Seal, bool SealHolds, string SealedBy, DateTimeOffset SealedAt,
    TestWeldState State, IReadOnlyList<AssessmentView> Assessments, SignOffView? SignOff, IReadOnlyList<AmendmentView> Amendments);

/// <summary>Sealing, assessing, signing and amending test welds.</summary>
public static class TestWeldEndpoints
{
    private const int MostLetters = 500;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var tests = app.MapGroup("/api/test-welds").WithTags("test-welds");
        tests.MapPut("/{id:guid}", SealAsync).RequireAuthorization(Access.Instructor);
        tests.MapGet("/{id:guid}", ViewAsync).RequireAuthorization(Access.SignedIn);
        tests.MapGet("/of-student/{studentId:guid}", OfStudentAsync).RequireAuthorization(Access.SignedIn);
        tests.MapPut("/{id:guid}/assessments/{assessmentId:guid}", AssessAsync).RequireAuthorization(Access.Instructor);
        tests.MapPut("/{id:guid}/sign-off/{signOffId:guid}", SignAsync).RequireAuthorization(Access.Instructor);
        tests.MapPut("/{id:guid}/amendments/{amendmentId:guid}", AmendAsync).RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<Ok<TestWeldView>, ValidationProblem>> SealAsync(
        Guid id, SealRequest request, ClaimsPrincipal user, TestWeldStore tests, SheetStore sheets, PeopleStore people, TimeProvider clock)
    {
        if (await tests.FindAsync(id) is { } stored) return TypedResults.Ok(await ShowAsync(stored, user, tests, sheets, people));
        if (await sheets.FindAsync(request.SheetId) is not { } sheet) return Problems.Field("sheetId", "There is no such sheet.");
        if (request.Terms is null) return Problems.Field("terms", "How many coupons and attempts, by whose limits?");
        var problems = request.Terms.Problems().ToDictionary(problem => $"terms.{problem.Field}", problem => problem.Problem);
        if (problems.Count > 0) return Problems.Fields(problems);
        var text = JsonSerializer.Serialize(new SealedBody(sheet.Body, request.Terms), QuantityJson.Options);
        var test = new SealedTest(id, sheet.Id, text, SealOf(text), user.Id(), clock.GetUtcNow());
        await tests.AddAsync(test);
        return TypedResults.Ok(await ShowAsync((await tests.FindAsync(id))!, user, tests, sheets, people));
    }

    private static async Task<Results<Ok<TestWeldView>, NotFound>> ViewAsync(Guid id, ClaimsPrincipal user, TestWeldStore tests, SheetStore sheets, PeopleStore people) =>
        await tests.FindAsync(id) is { } test && user.MaySee((await sheets.FindAsync(test.SheetId))!.StudentId)
            ? TypedResults.Ok(await ShowAsync(test, user, tests, sheets, people))
            : TypedResults.NotFound();

    private static async Task<Results<Ok<IReadOnlyList<TestWeldView>>, NotFound>> OfStudentAsync(Guid studentId, ClaimsPrincipal user, TestWeldStore tests, SheetStore sheets, PeopleStore people)
    {
        if (!user.MaySee(studentId)) return TypedResults.NotFound();
        var views = new List<TestWeldView>();
        foreach (var test in await tests.OfSheetsAsync(await sheets.IdsOfStudentAsync(studentId))) views.Add(await ShowAsync(test, user, tests, sheets, people));
        return TypedResults.Ok<IReadOnlyList<TestWeldView>>(views);
    }

    private static async Task<Results<Ok<TestWeldView>, NotFound, ValidationProblem>> AssessAsync(
        Guid id, Guid assessmentId, AssessmentRequest request, ClaimsPrincipal user, TestWeldStore tests, SheetStore sheets, PeopleStore people, ToleranceStore tolerances, TimeProvider clock)
    {
        if (await tests.FindAsync(id) is not { } test) return TypedResults.NotFound();
        var problems = new Dictionary<string, string>();
        var evidence = request.Evidence ?? new Evidence();
        BeadEndpoints.Check(evidence, test.Body.Sheet, problems);
        var note = (request.Note ?? "").Trim();
        if (note.Length > MostLetters) problems["note"] = $"A note in up to {MostLetters} letters.";
        var acceptance = Criteria.Of(test.Body.Terms.Criteria, test.Body.Sheet, evidence, await tolerances.NewestAsync());
        if (request.Accepted && acceptance.Standing == Standing.Off && note.Length == 0) problems["note"] = "A limit is passed. Say why it is accepted all the same.";
        if (problems.Count > 0) return Problems.Fields(problems);
        var word = new GivenAssessment(assessmentId, new Assessment(request.Coupon, request.Attempt, user.Id(), request.Accepted), evidence, acceptance, note, clock.GetUtcNow());
        if (await tests.AddAssessmentAsync(test, word) is { } refused) return Problems.Field("coupon", refused);
        return TypedResults.Ok(await ShowAsync(test, user, tests, sheets, people));
    }

    private static async Task<Results<Ok<TestWeldView>, NotFound, ValidationProblem>> SignAsync(
        Guid id, Guid signOffId, SignRequest request, ClaimsPrincipal user, TestWeldStore tests, SheetStore sheets, PeopleStore people, TimeProvider clock)
    {
        if (await tests.FindAsync(id) is not { } test) return TypedResults.NotFound();
        var note = (request.Note ?? "").Trim();
        if (note.Length > MostLetters) return Problems.Field("note", $"A remark in up to {MostLetters} letters.");
        var state = TestWeld.State(test.Body.Terms, [.. (await tests.AssessmentsAsync(id)).Select(word => word.Assessment)]);
        if (state.Passed is not { } passed) return Problems.Field("signOff", "A coupon is still open: it cannot be signed yet.");
        await tests.AddSignOffAsync(id, new SignOff(signOffId, passed, note, user.Id(), clock.GetUtcNow()));
        return TypedResults.Ok(await ShowAsync(test, user, tests, sheets, people));
    }

    private static async Task<Results<Ok<TestWeldView>, NotFound, ValidationProblem>> AmendAsync(
        Guid id, Guid amendmentId, AmendRequest request, ClaimsPrincipal user, TestWeldStore tests, SheetStore sheets, PeopleStore people, TimeProvider clock)
    {
        if (await tests.FindAsync(id) is not { } test) return TypedResults.NotFound();
        var text = (request.Text ?? "").Trim();
        if (text.Length is 0 or > MostLetters) return Problems.Field("text", $"An amendment in 1 to {MostLetters} letters.");
        await tests.AddAmendmentAsync(id, new Amendment(amendmentId, text, user.Id(), clock.GetUtcNow()));
        return TypedResults.Ok(await ShowAsync(test, user, tests, sheets, people));
    }

    private static async Task<TestWeldView> ShowAsync(SealedTest test, ClaimsPrincipal user, TestWeldStore tests, SheetStore sheets, PeopleStore people)
    {
        var words = await tests.AssessmentsAsync(test.Id);
        var student = (await people.FindAsync((await sheets.FindAsync(test.SheetId))!.StudentId))!;
        var signOff = await tests.SignOffAsync(test.Id);
        var instructor = user.IsInRole(nameof(Role.Instructor));
        var shown = new List<AssessmentView>();
        foreach (var word in words)
        {
            var mine = word.Assessment.Assessor == user.Id();
            // Blind: until both have spoken, neither may be swayed by the other, nor told through the student.
            var open = mine || words.Count(other => (other.Assessment.Coupon, other.Assessment.Attempt) == (word.Assessment.Coupon, word.Assessment.Attempt)) == 2;
            shown.Add(new(
                word.Assessment.Coupon, word.Assessment.Attempt, await NameAsync(word.Assessment.Assessor), word.At, mine && instructor,
                open ? word.Assessment.Accepted : null, open ? word.Acceptance : null, open ? word.Note : null));
        }
        var amendments = new List<AmendmentView>();
        foreach (var amendment in await tests.AmendmentsAsync(test.Id)) amendments.Add(new(amendment.Text, await NameAsync(amendment.AmendedBy), amendment.AmendedAt));
        return new(
            test.Id, new PersonName(student.Id, student.Name), test.Body.Sheet, test.Body.Terms, Criteria.Name(test.Body.Terms.Criteria), test.Seal, SealOf(test.Text) == test.Seal,
            await NameAsync(test.SealedBy), test.SealedAt, TestWeld.State(test.Body.Terms, [.. words.Select(word => word.Assessment)]), shown,
            signOff is null ? null : new(signOff.Passed, signOff.Note, await NameAsync(signOff.SignedBy), signOff.SignedAt), amendments);

        async Task<string> NameAsync(Guid id) => (await people.FindAsync(id))!.Name;
    }

    /// <summary>The seal of a text.</summary>
    internal static string SealOf(string text) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)));
}
