namespace GentleBead.Server.People;

/// <summary>
/// The password of whoever is signed in, asked for once more. Guesses are counted as at the sign-in: a screen left alone is no way to try.
/// </summary>
public sealed class OwnPassword(PeopleStore people, SignInStore signIns)
{
    /// <summary>Why a password is not taken; null where it is the person's own.</summary>
    /// <param name="personId">Who is signed in.</param>
    /// <param name="typed">What was typed.</param>
    public async Task<Said?> RefusedAsync(Guid personId, string? typed, CancellationToken cancel)
    {
        if (await people.FindAsync(personId, cancel) is not { } person)
            return Say($"This account is gone.");
        if (await signIns.WaitAsync(person.Login, cancel) is { Ticks: > 0 } wait)
            return PeopleEndpoints.TooManyTries(wait);
        if (await people.IsPasswordOfAsync(personId, typed ?? "", cancel))
            return null;
        await signIns.FailedAsync(person.Login, cancel);
        return Say($"This is not your own password.");
    }
}
