using System.Security.Claims;
using GentleBead.Server.Http;
using GentleBead.Server.Machines;
using GentleBead.Server.Paper;
using GentleBead.Server.People;
using GentleBead.Server.Rooms;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Sheets;

/// <summary>A card's text, JSON or CSV, as it came out of here or was written by hand.</summary>
public sealed record CardText(string? Text);

/// <summary>Settings cards: PDF, CSV and JSON out; CSV and JSON in.</summary>
public static class CardEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var cards = app.MapGroup("/api/cards").WithTags("cards").RequireAuthorization(Access.SignedIn);
        cards.MapGet("/{sheetId:guid}/pdf", PdfAsync);
        cards.MapGet("/{sheetId:guid}/csv", CsvAsync);
        cards.MapGet("/{sheetId:guid}/json", JsonAsync);
        cards.MapPost("/read", Read);
    }

    private static async Task<Results<FileContentHttpResult, NotFound, Told>> PdfAsync(
        Guid sheetId,
        bool? booth,
        ClaimsPrincipal user,
        SheetStore sheets,
        PeopleStore people,
        BoothStore booths,
        MachineStore machines,
        CancellationToken cancel
    )
    {
        if (await CardAsync(sheetId, user, sheets, people, booths, machines, cancel) is not { } card)
            return TypedResults.NotFound();
        if (PaperFile.NoFont() is { } noFont)
            return noFont;
        var pdf = CardPdf.Draw(card, booth == true, (await people.FindAsync(user.Id(), cancel))!.Units);
        return TypedResults.File(pdf, "application/pdf", booth == true ? $"booth-{card.BoothNumber}.pdf" : "sheet.pdf");
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> CsvAsync(
        Guid sheetId,
        ClaimsPrincipal user,
        SheetStore sheets,
        PeopleStore people,
        BoothStore booths,
        MachineStore machines,
        CancellationToken cancel
    ) =>
        await CardAsync(sheetId, user, sheets, people, booths, machines, cancel) is { } card
            ? TypedResults.File(
                CardFile.WriteCsv(card.Sheet, (await people.FindAsync(user.Id(), cancel))!.Units),
                "text/csv; charset=utf-8",
                "sheet.csv"
            )
            : TypedResults.NotFound();

    private static async Task<Results<FileContentHttpResult, NotFound>> JsonAsync(
        Guid sheetId,
        ClaimsPrincipal user,
        SheetStore sheets,
        PeopleStore people,
        BoothStore booths,
        MachineStore machines,
        CancellationToken cancel
    ) =>
        await CardAsync(sheetId, user, sheets, people, booths, machines, cancel) is { } card
            ? TypedResults.File(CardFile.WriteJson(card.Sheet), "application/json", "sheet.json")
            : TypedResults.NotFound();

    private static Results<Ok<JobRequest>, Wrong> Read(CardText request)
    {
        var text = (request.Text ?? "").Trim();
        if (text.Length is 0 or > Limits.CardLetters)
            return Problems.Field("text", Say($"A settings card as JSON or CSV, up to 200 kB."));
        return CardFile.Read(text).IsGood(out var job, out var problems) ? TypedResults.Ok(job) : Problems.Of(problems);
    }

    private static async Task<Card?> CardAsync(
        Guid sheetId,
        ClaimsPrincipal user,
        SheetStore sheets,
        PeopleStore people,
        BoothStore booths,
        MachineStore machines,
        CancellationToken cancel
    )
    {
        // Somebody else's card does not exist as far as a student is told.
        if (await sheets.FindAsync(sheetId, cancel) is not { } given || !user.MaySee(given.StudentId))
            return null;
        var booth = (await booths.FindAsync(given.BoothId, cancel))!;
        var machine = (await machines.FindAsync(given.MachineId, cancel))!;
        return new Card(
            given.Body,
            (await people.FindAsync(given.StudentId, cancel))!.Name,
            booth.Number,
            machine.Name,
            DateOnly.FromDateTime(given.AssignedAt.UtcDateTime)
        );
    }
}
