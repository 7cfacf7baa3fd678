using System.Security.Claims;
using GentleBead.Core.Quantities;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Paper;
using GentleBead.Server.People;
using Microsoft.AspNetCore.Http.HttpResults;
using PdfSharp;

namespace GentleBead.Server.Looking;

/// <summary>What a rule says of the printed bar of 100 mm.</summary>
/// <param name="Bar">80 to 125 mm.</param>
public sealed record EyeCardBar(Length Bar);

/// <summary>The cards that lie beside what the eye looks at: to print, and how large they came out.</summary>
public static class EyeCardEndpoints
{
    private static readonly Length Least = Length.FromMm(80),
        Most = Length.FromMm(125);

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var eye = app.MapGroup("/api/eye").WithTags("eye");
        eye.MapGet("/cards.pdf", PrintAsync).RequireAuthorization(Access.SignedIn);
        eye.MapGet("/card", async (EyeCardStore cards, CancellationToken cancel) => await cards.NewestAsync(cancel))
            .RequireAuthorization(Access.SignedIn);
        eye.MapPut("/card/{id:guid}", NoteAsync).RequireAuthorization(Access.Instructor).Repeatable();
    }

    private static async Task<Results<FileContentHttpResult, Told>> PrintAsync(
        ClaimsPrincipal user,
        PeopleStore people,
        CancellationToken cancel,
        bool letter = false
    )
    {
        if (PaperFile.NoFont() is { } missing)
            return missing;
        var units = (await people.FindAsync(user.Id(), cancel))!.Units;
        return TypedResults.File(EyeCardPdf.Draw(letter ? PageSize.Letter : PageSize.A4, units), "application/pdf", "eye-cards.pdf");
    }

    private static async Task<Results<NoContent, Wrong>> NoteAsync(
        Guid id,
        EyeCardBar request,
        ClaimsPrincipal user,
        EyeCardStore cards,
        CancellationToken cancel
    )
    {
        if (request.Bar < Least || request.Bar > Most)
            return Problems.Field("barMm", Say($"The bar measures between {Least} and {Most}; if not, print it again at its own size."));
        await cards.NoteAsync(id, request.Bar, user.Id(), Sent.Of(request), cancel);
        return TypedResults.NoContent();
    }
}
