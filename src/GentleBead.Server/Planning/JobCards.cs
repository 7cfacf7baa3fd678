using System.Security.Claims;
using GentleBead.Core.Planning;
using GentleBead.Core.Sheets;
using GentleBead.Server.Http;
using GentleBead.Server.Paper;
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
        SettingStore settings,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (await reader.ReadAsync(id, null, cancel) is not { } read)
            return TypedResults.NotFound();
        if (PaperFile.NoFont() is { } noFont)
            return noFont;
        var cards = Of(read, await SettingsAsync(read, settings, user.Id(), cancel)).ToArray();
        if (cards.Length == 0)
            return Problems.Told(StatusCodes.Status409Conflict, Say($"Nobody is planned at a booth: there are no cards to print."));
        var units = (await people.FindAsync(user.Id(), cancel))!.Units;
        var title = Say($"Job cards: {read.Session.Title.Name()}");
        var pdf = await heavy.RunAsync(user.Id(), () => CardPdf.DrawAll(cards, booth: true, units, title), cancel);
        return TypedResults.File(pdf, "application/pdf", "job-cards.pdf");
    }

    // What the sheets given out on the floor are made with: this instructor's way, the machine's charts and what the room has found on it.
    private static async Task<Dictionary<Guid, SheetSetting>> SettingsAsync(
        ReadPlan read,
        SettingStore settings,
        Guid by,
        CancellationToken cancel
    )
    {
        var found = new Dictionary<Guid, SheetSetting>();
        foreach (var (boothId, machineId) in read.Plan.Stands.Select(stand => (stand.BoothId, stand.MachineId)).Distinct())
        {
            if (await settings.OfAsync(boothId, by, machineId: machineId, cancel: cancel) is { Machine: not null } setting)
                found[machineId] = setting;
        }
        return found;
    }

    // Slot by slot, as they are laid out in the booths; a stand for which no sheet can be made has none, and the board says why.
    private static IEnumerable<Card> Of(ReadPlan read, Dictionary<Guid, SheetSetting> settings)
    {
        foreach (var step in PlanSteps.Of(read.Problem, read.Plan).OrderBy(step => step.Stand.Slot))
        {
            var stand = step.Stand;
            if (
                step.Use is not { } use
                || stand.Slot >= read.Problem.Slots.Count
                || read.Problem.Student(stand.StudentId) is not { } student
                || settings.GetValueOrDefault(stand.MachineId) is not { Machine: { } machine } setting
            )
                continue;
            var exercise = read.Problem.Exercises[stand.ExerciseId].Exercise;
            var loaded = machine with { Load = MachineFits.Loaded(machine, use.Load) };
            if (!(setting with { Machine = loaded }).Plan(Defaults.Complete(exercise.Job, loaded)).IsGood(out var sheet, out _))
                continue;
            var task = Say($"{read.Problem.Slots[stand.Slot].Begins}: {exercise.Name.Name()}");
            yield return new Card(sheet, student.Name, setting.BoothNumber, machine.Name, read.Session.HeldOn, task);
        }
    }
}
