using System.Security.Claims;
using GentleBead.Server.Http;

namespace GentleBead.Server.Sheets;

/// <summary>Who may write of what is welded to a sheet.</summary>
public sealed class SheetAtHand(SheetStore sheets)
{
    /// <summary>
    /// Why somebody may not; null where they may. An instructor may always. A student may of their own sheet where they stand, while the
    /// session is on; at a tablet, of one of its booth. Somebody else's is none. What waited for the network is taken for when it was
    /// noted.
    /// </summary>
    /// <param name="user">Who.</param>
    /// <param name="sheetId">Of which sheet.</param>
    /// <param name="notedAt">When it was noted; null for now.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<Said?> RefusalAsync(ClaimsPrincipal user, Guid sheetId, DateTimeOffset? notedAt, CancellationToken cancel) =>
        user.IsInRole(nameof(Role.Instructor)) ? null
        : await sheets.FindAsync(sheetId, cancel) is not { } sheet || sheet.StudentId != user.Id() ? Say($"There is no such sheet.")
        : user.IsInRole(Access.Booth) && sheet.BoothId != user.BoothId() ? Say($"This sheet is of another booth.")
        : !await sheets.IsAtHandAsync(sheet.Id, notedAt, user.StandsIn(sheet.SessionId), cancel)
            ? Say($"You do not stand where this sheet was given out, or its session is over.")
        : null;
}
