using System.Security.Claims;
using GentleBead.Core.Trials;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Trials;

/// <summary>A trial to start.</summary>
/// <param name="SheetId">From which sheet.</param>
/// <param name="Trial">Which trial.</param>
public sealed record StartTrialRequest(Guid SheetId, TrialRequest Trial);

/// <summary>A bead of a trial with what breaks its comparison.</summary>
/// <param name="Bead">The bead.</param>
/// <param name="Place">Its step.</param>
/// <param name="Unfair">What breaks the comparison; empty when nothing does.</param>
public sealed record TrialBeadView(Bead Bead, TrialPlace Place, IReadOnlyList<UnfairBead> Unfair);

/// <summary>A trial with its beads and what it has shown.</summary>
/// <param name="Trial">As started.</param>
/// <param name="Beads">Its beads that are not withdrawn, in the order they were laid.</param>
/// <param name="Result">What it has shown.</param>
/// <param name="NextStep">The next step without a fair bead; null when all have one.</param>
/// <param name="FitAt">When the piece of the last bead is cold again by estimate; null before the first.</param>
public sealed record TrialView(
    StartedTrial Trial,
    IReadOnlyList<TrialBeadView> Beads,
    TrialResult Result,
    int? NextStep,
    DateTimeOffset? FitAt
);

/// <summary>A bead of a trial, as whoever lays it is shown it: without a word on how good it is.</summary>
/// <param name="Step">For which step.</param>
/// <param name="Number">Its number on the coupon.</param>
/// <param name="Unfair">What breaks the comparison; empty when nothing does.</param>
public sealed record LaidStep(int Step, int Number, IReadOnlyList<UnfairBead> Unfair);

/// <summary>The trial that runs on a student's newest sheet, for whoever lays its beads.</summary>
/// <param name="Id">Which trial.</param>
/// <param name="SheetId">On which sheet.</param>
/// <param name="Plan">Its steps.</param>
/// <param name="Laid">Its beads that are not withdrawn, in the order they were laid.</param>
/// <param name="Done">Whether it has all it needs.</param>
/// <param name="Learned">What it has shown; null before two beads, and while the tool's word on one of them waits.</param>
/// <param name="OpenSteps">The steps without a fair bead, in order: the first is next; empty once it is done.</param>
/// <param name="FitAt">When the piece of the last bead is cold again by estimate; null before the first.</param>
public sealed record MyTrial(
    Guid Id,
    Guid SheetId,
    TrialPlan Plan,
    IReadOnlyList<LaidStep> Laid,
    bool Done,
    Said? Learned,
    IReadOnlyList<int> OpenSteps,
    DateTimeOffset? FitAt
);

/// <summary>Whether a trial has ended.</summary>
public sealed record Ending(bool Ended);

/// <summary>Setting trials and reading them.</summary>
public static class TrialEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var trials = app.MapGroup("/api/trials").WithTags("trials");
        trials.MapGet("/mine", MineAsync).RequireAuthorization(Access.AtWork);
        trials.MapPut("/{id:guid}", StartAsync).RequireAuthorization(Access.Instructor).Repeatable();
        trials.MapGet("/{id:guid}", ViewAsync).RequireAuthorization(Access.Instructor);
        trials.MapPut("/{id:guid}/ended", EndAsync).RequireAuthorization(Access.Instructor);
        trials.MapGet("/of-sheet/{sheetId:guid}", OfSheetAsync).RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<Ok<TrialView>, Wrong>> StartAsync(
        Guid id,
        StartTrialRequest request,
        ClaimsPrincipal user,
        TrialStore trials,
        SheetStore sheets,
        BeadStore beads,
        MachineStore machines,
        PeopleStore people,
        CancellationToken cancel
    )
    {
        var sent = Sent.Of(request);
        if (!await trials.IsRepeatAsync(id, sent, cancel))
        {
            if (await sheets.FindAsync(request.SheetId, cancel) is not { } sheet)
                return Problems.Field("sheetId", Say($"There is no such sheet."));
            if (request.Trial is null)
                return Problems.Field("trial", Say($"Which trial?"));
            var machine = (await machines.FindAsync(sheet.MachineId, cancel))!;
            if (
                !TrialPlans
                    .Make(request.Trial, sheet.Body, machine, await people.WayOfSettingAsync(user.Id(), cancel))
                    .IsGood(out var plan, out var wrong)
            )
            {
                return Problems.Of([.. wrong.Select(problem => problem.Under("trial"))]);
            }
            await trials.AddAsync(id, sheet.Id, plan, user.Id(), sent, cancel);
        }
        return TypedResults.Ok(await ReadAsync((await trials.FindAsync(id, cancel))!, trials, sheets, beads, cancel));
    }

    private static async Task<Results<Ok<TrialView>, NotFound>> ViewAsync(
        Guid id,
        TrialStore trials,
        SheetStore sheets,
        BeadStore beads,
        CancellationToken cancel
    ) =>
        await trials.FindAsync(id, cancel) is { } trial
            ? TypedResults.Ok(await ReadAsync(trial, trials, sheets, beads, cancel))
            : TypedResults.NotFound();

    private static async Task<Results<Ok<MyTrial>, NoContent>> MineAsync(
        ClaimsPrincipal user,
        TrialStore trials,
        SheetStore sheets,
        BeadStore beads,
        CancellationToken cancel
    )
    {
        if (await trials.RunningAsync(user.Id(), cancel) is not { } trial)
            return TypedResults.NoContent();
        var view = await ReadAsync(trial, trials, sheets, beads, cancel);
        return TypedResults.Ok(
            new MyTrial(
                trial.Id,
                trial.SheetId,
                // A step on another joint is judged by a sheet of its own; the one in hand says what to set.
                trial.Plan with
                {
                    Steps = [.. trial.Plan.Steps.Select(step => step with { Sheet = null })],
                },
                [.. view.Beads.Select(laid => new LaidStep(laid.Place.Step, laid.Bead.Number, laid.Unfair))],
                view.Result.Done,
                view.Beads.Any(laid => laid.Bead.WaitsFor(user)) ? null : view.Result.Learned,
                view.Result.Done ? [] : [.. trial.Plan.OpenSteps(Fair(view.Beads))],
                view.FitAt
            )
        );
    }

    private static async Task<Results<NoContent, NotFound>> EndAsync(
        Guid id,
        Ending request,
        TrialStore trials,
        CancellationToken cancel
    ) => await trials.SetEndedAsync(id, request.Ended, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static Task<IReadOnlyList<StartedTrial>> OfSheetAsync(Guid sheetId, TrialStore trials, CancellationToken cancel) =>
        trials.OfSheetAsync(sheetId, cancel);

    private static HashSet<int> Fair(IEnumerable<TrialBeadView> beads) =>
        [.. beads.Where(bead => bead.Unfair.Count == 0).Select(bead => bead.Place.Step)];

    private static async Task<TrialView> ReadAsync(
        StartedTrial trial,
        TrialStore trials,
        SheetStore sheets,
        BeadStore beads,
        CancellationToken cancel
    )
    {
        var sheet = (await sheets.FindAsync(trial.SheetId, cancel))!.Body;
        var places = await trials.PlacesAsync(trial.Id, cancel);
        var laid = (await beads.OfTrialAsync(trial.Id, cancel))
            .Select(bead => (Bead: bead, Place: places[bead.Id], Laid: Laid(bead, places[bead.Id])))
            .ToArray();
        var views = laid.Select(
                (entry, i) =>
                    new TrialBeadView(
                        entry.Bead,
                        entry.Place,
                        Fairness.Of(trial.Plan, sheet, entry.Laid, [.. laid.Take(i).Select(earlier => earlier.Laid)])
                    )
            )
            .ToArray();
        return new TrialView(
            trial,
            views,
            TrialResult.Of(trial.Plan, sheet, [.. laid.Select(entry => new JudgedTrialBead(entry.Laid, entry.Bead.Judgement))]),
            trial.Plan.OpenSteps(Fair(views)).Cast<int?>().FirstOrDefault(),
            laid.Length == 0 ? null : laid[^1].Bead.RecordedAt.AddSeconds(Fairness.WaitSeconds(sheet, laid[^1].Laid))
        );

        static TrialBead Laid(Bead bead, TrialPlace place) =>
            new(place.Step, bead.Used, bead.Amps, bead.Evidence, bead.RecordedAt, place.FreshPiece);
    }
}
