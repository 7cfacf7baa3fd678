using System.Security.Claims;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.People;

/// <summary>A student of a list to make an account for.</summary>
/// <param name="Id">Whose it is to be.</param>
/// <param name="Name">The name called across the shop.</param>
/// <param name="Login">What they type to sign in.</param>
public sealed record ListedStudent(Guid Id, string Name, string Login);

/// <summary>Students to make accounts for, all or none.</summary>
/// <param name="Students">Up to 200.</param>
public sealed record ListedStudents(IReadOnlyList<ListedStudent> Students);

/// <summary>The first code of a new account. It is shown this once and kept nowhere.</summary>
/// <param name="Name">Whose.</param>
/// <param name="Login">What they type to sign in.</param>
/// <param name="Code">What they type in place of a password, to set their own; good for three weeks.</param>
public sealed record FirstCode(string Name, string Login, string Code);

/// <summary>For whom first codes are to be made.</summary>
/// <param name="Ids">Up to 200 students; whoever has signed in once gets none.</param>
public sealed record FirstCodesFor(IReadOnlyList<Guid> Ids);

/// <summary>Accounts of many students at once, from a list: read first, then made.</summary>
public static class StudentListEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var lists = app.MapGroup("/api/people/student-lists").WithTags("people").RequireAuthorization(Access.Instructor);
        lists.MapPost("/read", ReadAsync).TakesSmallFile(StudentList.MostBytes);
        lists.MapPut("/", AddAsync).Repeatable();
        lists.MapPost("/first-codes", CodesAsync);
    }

    private static async Task<Results<Ok<IReadOnlyList<StudentLine>>, Wrong>> ReadAsync(
        HttpRequest request,
        StudentListStore lists,
        CancellationToken cancel
    )
    {
        if (await SmallFile.TextAsync(request, StudentList.MostBytes, cancel) is not { } text)
            return Problems.Field("file", Say($"Larger than {StudentList.MostBytes / 1024} kB: no list of a course."));
        return StudentList.Read(text).IsGood(out var lines, out var problems)
            ? TypedResults.Ok(await CheckedAsync(lines, lists, cancel))
            : Problems.Of(problems);
    }

    private static async Task<IReadOnlyList<StudentLine>> CheckedAsync(
        IReadOnlyList<StudentList.Written> lines,
        StudentListStore lists,
        CancellationToken cancel
    )
    {
        var wanted = lines.Select(line => line.Login.Length > 0 ? line.Login.ToLowerInvariant() : StudentList.LoginOf(line.Name)).ToArray();
        // With a figure behind it, a made login finds its place beside those that are there.
        var tries = wanted.SelectMany(login => Enumerable.Range(1, 9).Select(i => Numbered(login, i))).Distinct().ToArray();
        var here = await lists.LikeAsync([.. lines.Select(line => line.Name)], tries, cancel);
        var taken = here.Select(person => person.Login).ToHashSet(StringComparer.Ordinal);
        var checkedLines = new List<StudentLine>();
        for (var i = 0; i < lines.Count; i++)
        {
            var (line, own) = (lines[i], lines[i].Login.Length > 0);
            var login = own
                ? wanted[i]
                : Enumerable.Range(1, 9).Select(n => Numbered(wanted[i], n)).FirstOrDefault(one => !taken.Contains(one)) ?? wanted[i];
            var problems = PeopleEndpoints.NameProblems(login, line.Name).ToList();
            if (!taken.Add(login) && problems.Count == 0)
                problems.Add(new("login", Say($"This login is taken.")));
            checkedLines.Add(
                new StudentLine(
                    line.Line,
                    line.Name,
                    login,
                    problems,
                    [.. here.Where(person => IsAlike(person.Name, line.Name)).Select(person => new PersonName(person.Id, person.Name))],
                    lines.Take(i).FirstOrDefault(earlier => IsAlike(earlier.Name, line.Name))?.Line
                )
            );
        }
        return checkedLines;
    }

    private static string Numbered(string login, int number) => number == 1 ? login : $"{login}{number}";

    private static bool IsAlike(string one, string other) => string.Equals(one, other, StringComparison.OrdinalIgnoreCase);

    private static async Task<Results<NoContent, Wrong>> AddAsync(
        ListedStudents request,
        ClaimsPrincipal user,
        StudentListStore lists,
        CancellationToken cancel
    )
    {
        var students = request.Students ?? [];
        if (students.Count is 0 or > StudentList.Most)
            return Problems.Field("students", Say($"One to {StudentList.Most} students."));
        var problems = students
            .SelectMany((one, i) => PeopleEndpoints.NameProblems(one.Login, one.Name).Select(problem => problem.Under(At(i))))
            .ToArray();
        if (problems.Length > 0)
            return Problems.Of(problems);
        var people = students.Select(one => new Person(one.Id, one.Login.Trim(), one.Name.Trim(), Role.Student, Units.Metric)).ToArray();
        return await lists.AddAsync(people, user.Id(), Sent.Of(request), cancel) is { } taken
            ? Problems.Field($"{At(taken)}.login", Say($"This login is taken."))
            : TypedResults.NoContent();
    }

    private static string At(int place) => $"students[{place}]";

    private static async Task<Results<Ok<IReadOnlyList<FirstCode>>, Wrong>> CodesAsync(
        FirstCodesFor request,
        ClaimsPrincipal user,
        StudentListStore lists,
        CancellationToken cancel
    )
    {
        var ids = request.Ids ?? [];
        return ids.Count is 0 or > StudentList.Most
            ? Problems.Field("ids", Say($"One to {StudentList.Most} students."))
            : TypedResults.Ok(await lists.FirstCodesAsync(ids, user.Id(), cancel));
    }
}
