using System.Security.Claims;
using GentleBead.Core.Sheets;
using GentleBead.Demo;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.People;

/// <summary>What the sign-in screen needs to know before anybody is signed in.</summary>
/// <param name="School">The school's name; empty before it has one.</param>
/// <param name="NeedsFirstInstructor">Whether nobody can sign in yet.</param>
/// <param name="DemoAccounts">Accounts offered in demo mode; empty otherwise.</param>
public sealed record Welcome(string School, bool NeedsFirstInstructor, IReadOnlyList<DemoAccount> DemoAccounts);

/// <summary>An account of the made-up school, offered on its sign-in screen.</summary>
public sealed record DemoAccount(string Login, string Password, string Name, Role Role);

/// <summary>Login and password.</summary>
public sealed record SignIn(string Login, string Password);

/// <summary>The first instructor of a new school.</summary>
public sealed record FirstInstructor(Guid Id, string School, string Login, string Name, string Password, string Code);

/// <summary>A student or another instructor to add.</summary>
public sealed record NewPerson(string Login, string Name, string Password);

/// <summary>The units to read first.</summary>
public sealed record UnitsChoice(Units Units);

/// <summary>The hand that holds the torch; null where it is not said.</summary>
public sealed record HandChoice(Hand? Hand);

/// <summary>How accounts live on this server.</summary>
/// <param name="Demo">Whether the made-up school runs here; its accounts are dead elsewhere.</param>
public sealed record Accounts(bool Demo);

/// <summary>Signing in and out, and accounts.</summary>
public static class PeopleEndpoints
{
    private const int LeastPassword = 8;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var people = app.MapGroup("/api/people").WithTags("people");
        people.MapGet("/welcome", WelcomeAsync).AllowAnonymous();
        people.MapPost("/sign-in", CheckAsync).AllowAnonymous().CountsTries();
        people.MapPost("/first-instructor", FirstAsync).AllowAnonymous().CountsTries().ProducesTold(StatusCodes.Status409Conflict);
        people.MapPost("/sign-out", SignOutAsync).RequireAuthorization(Access.SignedIn);
        people.MapGet("/me", MeAsync).AllowAnonymous();
        people.MapPut("/me/units", SetUnitsAsync).RequireAuthorization(Access.SignedIn);
        people.MapPut("/students/{id:guid}/hand", SetHandAsync).RequireAuthorization(Access.AtWork);
        people
            .MapGet(
                "/me/way-of-setting",
                (ClaimsPrincipal user, PeopleStore store, CancellationToken cancel) => store.WayOfSettingAsync(user.Id(), cancel)
            )
            .RequireAuthorization(Access.SignedIn);
        people.MapPut("/me/way-of-setting", SetWayOfSettingAsync).RequireAuthorization(Access.Instructor);
        people
            .MapGet(
                "/students",
                (string? called, Guid? after, bool? off, PeopleStore store, CancellationToken cancel) =>
                    ListAsync(Role.Student, called, after, off != true, store, cancel)
            )
            .RequireAuthorization(Access.Instructor);
        people
            .MapPut(
                "/students/{id:guid}",
                (Guid id, NewPerson request, ClaimsPrincipal user, PeopleStore store, CancellationToken cancel) =>
                    AddAsync(id, request, Role.Student, user, store, cancel)
            )
            .RequireAuthorization(Access.Instructor)
            .Repeatable();
        people
            .MapGet(
                "/instructors",
                (string? called, Guid? after, bool? off, PeopleStore store, CancellationToken cancel) =>
                    ListAsync(Role.Instructor, called, after, off != true, store, cancel)
            )
            .RequireAuthorization(Access.Instructor);
        people
            .MapPut(
                "/instructors/{id:guid}",
                (Guid id, NewPerson request, ClaimsPrincipal user, PeopleStore store, CancellationToken cancel) =>
                    AddAsync(id, request, Role.Instructor, user, store, cancel)
            )
            .RequireAuthorization(Access.Instructor)
            .Repeatable();
    }

    private static async Task<Welcome> WelcomeAsync(PeopleStore store, Accounts accounts, CancellationToken cancel)
    {
        var school = await store.SchoolAsync(cancel);
        IReadOnlyList<DemoAccount> offered =
            school is { Demo: true } && accounts.Demo
                ?
                [
                    .. DemoSchool.People.Select(person => new DemoAccount(
                        person.Login,
                        DemoSchool.Password,
                        person.Name,
                        person.IsInstructor ? Role.Instructor : Role.Student
                    )),
                ]
                : [];
        return new Welcome(school?.Name ?? "", !await store.AnyAsync(cancel), offered);
    }

    private static async Task<Results<Ok<Person>, Wrong, Told>> CheckAsync(
        SignIn request,
        PeopleStore store,
        SignInStore signIns,
        Accounts accounts,
        HttpContext http,
        CancellationToken cancel
    )
    {
        var login = request.Login ?? "";
        if (await signIns.WaitAsync(login, cancel) is { Ticks: > 0 } wait)
            return TooMany(wait);
        var person = await store.CheckPasswordAsync(login, request.Password ?? "", cancel);
        if (person is null || (person.Demo && !accounts.Demo))
        {
            await signIns.FailedAsync(login, cancel);
            return Problems.Field("password", Say($"Login and password do not fit together."));
        }
        if (!person.Active)
            return Problems.Field("password", Say($"This account is switched off. Ask an instructor."));
        await SignInAsync(http, person, await signIns.BeginAsync(person, cancel));
        return TypedResults.Ok(person);
    }

    private static async Task<Results<Ok<Person>, Wrong, Told>> FirstAsync(
        FirstInstructor request,
        PeopleStore store,
        SignInStore signIns,
        HttpContext http,
        CancellationToken cancel
    )
    {
        var problems = Check(request.Login, request.Name, request.Password);
        if (Text(request.School).Length is 0 or > 80)
            problems.Add(new("school", Say($"Name the school or shop, up to 80 letters.")));
        if (problems.Count > 0)
            return Problems.Of(problems);
        var person = new Person(request.Id, request.Login.Trim(), request.Name.Trim(), Role.Instructor, Units.Metric);
        if (!await store.FoundAsync(request.School.Trim(), person, request.Password, request.Code, cancel))
        {
            if (!await store.AnyAsync(cancel))
                return Problems.Field("code", Say($"This is not the set-up code. It stands where the server was started."));
            return Problems.Told(
                StatusCodes.Status409Conflict,
                Say($"This school has an instructor already. Sign in, or ask them for an account.")
            );
        }
        await SignInAsync(http, person, await signIns.BeginAsync(person, cancel));
        return TypedResults.Ok(person);
    }

    private static async Task<NoContent> SignOutAsync(HttpContext http, SignInStore signIns, CancellationToken cancel)
    {
        await signIns.EndAsync(http.User.SignInId(), cancel);
        await http.SignOutAsync();
        return TypedResults.NoContent();
    }

    // Nobody is an answer too: every first page asks this. At a booth's tablet it is whoever stands there.
    private static async Task<Results<Ok<Person>, NoContent>> MeAsync(ClaimsPrincipal user, PeopleStore store, CancellationToken cancel) =>
        user.HasClaim(claim => claim.Type == ClaimTypes.NameIdentifier) && await store.FindAsync(user.Id(), cancel) is { } person
            ? TypedResults.Ok(person)
            : TypedResults.NoContent();

    private static async Task<NoContent> SetUnitsAsync(
        UnitsChoice choice,
        ClaimsPrincipal user,
        PeopleStore store,
        CancellationToken cancel
    )
    {
        await store.SetUnitsAsync(user.Id(), choice.Units, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> SetHandAsync(
        Guid id,
        HandChoice choice,
        ClaimsPrincipal user,
        PeopleStore store,
        CancellationToken cancel
    ) => user.MaySee(id) && await store.SetHandOfStudentAsync(id, choice.Hand, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<NoContent> SetWayOfSettingAsync(
        WayOfSetting way,
        ClaimsPrincipal user,
        PeopleStore store,
        CancellationToken cancel
    )
    {
        await store.SetWayOfSettingAsync(user.Id(), way, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Page<PersonName>> ListAsync(
        Role role,
        string? called,
        Guid? after,
        bool active,
        PeopleStore store,
        CancellationToken cancel
    )
    {
        var page = await store.ListAsync(role, called, after, active, cancel);
        return new(page, page.Count == PeopleStore.Page ? page[^1].Id.ToString() : null);
    }

    private static async Task<Results<Ok<PersonName>, Wrong>> AddAsync(
        Guid id,
        NewPerson request,
        Role role,
        ClaimsPrincipal user,
        PeopleStore store,
        CancellationToken cancel
    )
    {
        var problems = Check(request.Login, request.Name, request.Password);
        if (problems.Count > 0)
            return Problems.Of(problems);
        var person = new Person(id, request.Login.Trim(), request.Name.Trim(), role, Units.Metric);
        // A fingerprint of a password could be guessed from: it is left out.
        return await store.AddAsync(person, request.Password, Sent.Of(request with { Password = "" }), by: user.Id(), cancel: cancel)
            ? TypedResults.Ok(new PersonName(id, person.Name))
            : Problems.Field("login", Say($"This login is taken."));
    }

    /// <summary>What is wrong with a login and a name.</summary>
    internal static IEnumerable<Problem> NameProblems(string? login, string? name)
    {
        var trimmed = Text(login).ToLowerInvariant();
        if (trimmed.Length is < 2 or > 40 || trimmed.Any(letter => !(char.IsAsciiLetterOrDigit(letter) || letter is '.' or '_' or '-')))
            yield return new("login", Say($"2 to 40 letters or digits, with . _ or - between."));
        if (Text(name).Length is 0 or > 80)
            yield return new("name", Say($"A name of up to 80 letters."));
    }

    private static List<Problem> Check(string? login, string? name, string? password)
    {
        var problems = NameProblems(login, name).ToList();
        if (PasswordProblem(password) is { } problem)
            problems.Add(problem);
        return problems;
    }

    /// <summary>What is wrong with a password; null where nothing is.</summary>
    internal static Problem? PasswordProblem(string? password) =>
        (password ?? "").Length is < LeastPassword or > 200 ? new("password", Say($"At least {LeastPassword} characters.")) : null;

    /// <summary>Too many wrong passwords in a row.</summary>
    internal static Told TooMany(TimeSpan wait) => Problems.Told(StatusCodes.Status429TooManyRequests, TooManyTries(wait));

    /// <summary>The same as a sentence.</summary>
    internal static Said TooManyTries(TimeSpan wait) =>
        Say($"Too many wrong tries for this login. Try again in {(int)Math.Ceiling(wait.TotalMinutes)} min.");

    private static string Text(string? text) => (text ?? "").Trim();

    private static Task SignInAsync(HttpContext http, Person person, Guid signIn) =>
        http.SignInAsync(
            new ClaimsPrincipal(
                new ClaimsIdentity(
                    [
                        new(ClaimTypes.NameIdentifier, person.Id.ToString()),
                        new(ClaimTypes.Role, person.Role.ToString()),
                        new(Access.SignInClaim, signIn.ToString()),
                        new(Access.SchoolClaim, http.RequestServices.GetRequiredService<SchoolDatabase>().School),
                    ],
                    CookieAuthenticationDefaults.AuthenticationScheme
                )
            )
        );
}
