using System.Security.Claims;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.People;

/// <summary>Another password for whoever is signed in.</summary>
/// <param name="Old">The one until now.</param>
/// <param name="Password">The one from now on, at least 8 characters.</param>
public sealed record NewPassword(string Old, string Password);

/// <summary>A code to be given to somebody who forgot the password. It is shown this once and kept nowhere.</summary>
/// <param name="Login">What they type to sign in.</param>
/// <param name="Code">What they type instead of a password, within a day.</param>
public sealed record ResetCode(string Login, string Code);

/// <summary>Another password by a code.</summary>
public sealed record UseCode(string Login, string Code, string Password);

/// <summary>Whether an account may be signed in to.</summary>
public sealed record Active(bool IsActive);

/// <summary>Passwords, codes, accounts that are switched off, and the trail of who did what.</summary>
public static class AccountEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var people = app.MapGroup("/api/people").WithTags("people");
        people.MapPost("/use-code", UseCodeAsync).AllowAnonymous().CountsTries();
        people.MapPut("/me/password", ChangeAsync).RequireAuthorization(Access.SignedIn);
        people
            .MapPost(
                "/me/sign-out-elsewhere",
                async (ClaimsPrincipal user, AccountStore accounts, CancellationToken cancel) =>
                {
                    await accounts.SignOutElsewhereAsync(user.Id(), user.SignInId(), cancel);
                    return TypedResults.NoContent();
                }
            )
            .RequireAuthorization(Access.SignedIn);
        people
            .MapPut("/{id:guid}/resets/{resetId:guid}", ResetAsync)
            .RequireAuthorization(Access.Instructor)
            .ProducesTold(StatusCodes.Status409Conflict);
        people.MapGet("/{id:guid}", OneAsync).RequireAuthorization(Access.Instructor);
        people.MapPut("/{id:guid}/active", SetActiveAsync).RequireAuthorization(Access.Instructor);
        app.MapGet("/api/trail", TrailAsync).WithTags("people").RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<Ok<Person>, NotFound>> OneAsync(Guid id, PeopleStore people, CancellationToken cancel) =>
        await people.FindAsync(id, cancel) is { } person ? TypedResults.Ok(person) : TypedResults.NotFound();

    private static async Task<Results<NoContent, Wrong>> ChangeAsync(
        NewPassword request,
        ClaimsPrincipal user,
        OwnPassword own,
        AccountStore accounts,
        CancellationToken cancel
    )
    {
        if (PeopleEndpoints.PasswordProblem(request.Password) is { } problem)
            return Problems.Of([problem]);
        if (await own.RefusedAsync(user.Id(), request.Old, cancel) is { } refused)
            return Problems.Field("old", refused);
        await accounts.SetPasswordAsync(user.Id(), request.Password, user.SignInId(), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<ResetCode>, NotFound, Told>> ResetAsync(
        Guid id,
        Guid resetId,
        ClaimsPrincipal user,
        PeopleStore people,
        AccountStore accounts,
        CancellationToken cancel
    )
    {
        if (await people.FindAsync(id, cancel) is not { } person)
            return TypedResults.NotFound();
        var code = Codes.New();
        return await accounts.AddResetAsync(resetId, id, code, AccountStore.Forgotten, user.Id(), cancel)
            ? TypedResults.Ok(new ResetCode(person.Login, code))
            : Problems.Told(StatusCodes.Status409Conflict, Say($"This code was shown once already. Make another."));
    }

    private static async Task<Results<NoContent, Wrong, Told>> UseCodeAsync(
        UseCode request,
        AccountStore accounts,
        SignInStore signIns,
        CancellationToken cancel
    )
    {
        var login = request.Login ?? "";
        if (PeopleEndpoints.PasswordProblem(request.Password) is { } problem)
            return Problems.Of([problem]);
        if (await signIns.WaitAsync(login, cancel) is { Ticks: > 0 } wait)
            return PeopleEndpoints.TooMany(wait);
        if (await accounts.ResetAsync(login, request.Code ?? "", request.Password, cancel) is not null)
            return TypedResults.NoContent();
        await signIns.FailedAsync(login, cancel);
        return Problems.Field("code", Say($"Login and code do not fit together, or the code is too old."));
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> SetActiveAsync(
        Guid id,
        Active request,
        ClaimsPrincipal user,
        AccountStore accounts,
        CancellationToken cancel
    )
    {
        if (id == user.Id())
            return Problems.Field("isActive", Say($"Nobody switches off the account they are signed in with."));
        return await accounts.SetActiveAsync(id, request.IsActive, user.Id(), cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
    }

    private static async Task<Page<TrailEntry>> TrailAsync(long? before, AccountStore accounts, CancellationToken cancel)
    {
        var page = await accounts.TrailAsync(before, cancel);
        return new(page, page.Count == AccountStore.TrailPage ? $"{page[^1].Seq}" : null);
    }
}
