using Dapper;
using GentleBead.Server.Database;
using Microsoft.AspNetCore.Identity;

namespace GentleBead.Server.People;

/// <summary>PINs: what a student types at a booth's tablet. They open nothing else.</summary>
public sealed class PinStore(SchoolDatabase database)
{
    // The framework's hasher asks for a user type and uses nothing of it.
    private static readonly PasswordHasher<Person> Hasher = new();

    // Checked where there is no PIN, so that the answer takes as long.
    private static readonly string NobodysHash = Hasher.HashPassword(null!, Guid.NewGuid().ToString());

    /// <summary>Gives a person another PIN.</summary>
    /// <param name="personId">Whose.</param>
    /// <param name="pin">4 to 6 figures.</param>
    /// <param name="by">Who sets it: they themselves or an instructor.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task SetAsync(Guid personId, string pin, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            """
            insert into pin (person_id, pin_hash, set_by) values (@personId, @hash, @by)
            on conflict (person_id) do update set pin_hash = @hash, set_by = @by, set_at = now()
            """,
            new
            {
                personId,
                hash = Hasher.HashPassword(null!, pin),
                by,
            },
            cancel
        );
    }

    /// <summary>Whether a person has a PIN.</summary>
    public async Task<bool> HasAsync(Guid personId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<bool>(
            "select exists (select 1 from pin where person_id = @personId)",
            new { personId },
            cancel
        );
    }

    /// <summary>Whether a PIN is a person's own; false where they have none.</summary>
    public async Task<bool> IsOfAsync(Guid personId, string pin, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var hash = await connection.ExecuteScalarAsync<string?>(
            "select pin_hash from pin where person_id = @personId",
            new { personId },
            cancel
        );
        return Hasher.VerifyHashedPassword(null!, hash ?? NobodysHash, pin) != PasswordVerificationResult.Failed && hash is not null;
    }
}
