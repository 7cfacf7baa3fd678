using System.Security.Claims;
using GentleBead.Core.Planning;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Sheets;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Planning;

/// <summary>Job cards of a whole session in one file: for each slot and booth the sheet of whoever stands there.</summary>
public static class JobCards
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/sessions/{id:guid}/plan/cards.pdf", PdfAsync).WithTags("plans").RequireAuthorization(Access.Instructor);

    private static async Task<Results<FileContentHttpResult, NotFound, Told>> PdfAsync(
        Guid id,
        ClaimsPrincipal user,
        PlanReader reader,
        PeopleStore people,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (await reader.ReadAsync(id, null, cancel) is not { } read)
            return TypedResults.NotFound();
        if (CardPdf.NoFont() is { } noFont)
            return noFont;
        var cards = Of(read).ToArray();
        if (cards.Length == 0)
            return Problems.Told(StatusCodes.Status409Conflict, Say($"Nobody is planned at a booth: there are no cards to print."));
        var units = (await people.FindAsync(user.Id(), cancel))!.Units;
        var title = Say($"Job cards: {read.Session.Title.Name()}");
        var pdf = await heavy.RunAsync(user.Id(), () => CardPdf.DrawAll(cards, booth: true, units, title), cancel);
        return TypedResults.File(pdf, "application/pdf", "job-cards.pdf");
    }

    // Slot by slot, as they are laid out in the booths; a stand for which no sheet can be made has none, and the board says why.
    private static IEnumerable<Card> Of(ReadPlan read)
    {
        var machines = read.Machines.ToDictionary(machine => machine.Id);
        foreach (var step in PlanSteps.Of(read.Problem, read.Plan).OrderBy(step => step.Stand.Slot))
        {
            var stand = step.Stand;
            if (
                step.Use is not { } use
                || stand.Slot >= read.Problem.Slots.Count
                || read.Problem.Student(stand.StudentId) is not { } student
            )
                continue;
            var exercise = read.Problem.Exercises[stand.ExerciseId].Exercise;
            var at = machines[stand.MachineId];
            if (MachineFits.SheetOf(exercise, at.Machine, use.Load) is not { } sheet)
                continue;
            var task = Say($"{read.Problem.Slots[stand.Slot].Begins}: {exercise.Name.Name()}");
            yield return new Card(sheet, student.Name, at.Number, at.Machine.Name, read.Session.HeldOn, task);
        }
    }
}
