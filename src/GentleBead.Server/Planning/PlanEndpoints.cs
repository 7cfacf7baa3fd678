using System.Security.Claims;
using GentleBead.Core.Planning;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Planning;

/// <summary>What a plan is to be.</summary>
/// <param name="Id">The id of what is added.</param>
/// <param name="Edition">The edition it was changed from; 0 for the first.</param>
/// <param name="Settings">How it is planned.</param>
/// <param name="Stands">Who stands where.</param>
public sealed record NewPlan(Guid Id, int Edition, PlanSettings Settings, IReadOnlyList<Stand> Stands);

/// <summary>A plan that the solver is to make around what is pinned.</summary>
/// <param name="Id">The id of what is added.</param>
/// <param name="Edition">The edition it was changed from; 0 for the first.</param>
/// <param name="Settings">How it is planned.</param>
/// <param name="Stands">Who stands where until now: what is pinned stays.</param>
/// <param name="FromSlot">The first slot that has not begun: what lies before stays.</param>
/// <param name="Mend">Whether as little as can be is to change; otherwise it is made anew.</param>
public sealed record PlanToMake(Guid Id, int Edition, PlanSettings Settings, IReadOnlyList<Stand> Stands, int FromSlot, bool Mend);

/// <summary>Why a student stands at a booth in a slot, or why not.</summary>
/// <param name="Here">Whether they stand there.</param>
/// <param name="Why">Why, or why not.</param>
public sealed record PlanWhy(bool Here, IReadOnlyList<Said> Why);

/// <summary>Plans of sessions: the board, made by hand or by the solver, with its reasons and its lists.</summary>
public static class PlanEndpoints
{
    // More than a room holds in a session.
    private const int MostStands = 1_500;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var plans = app.MapGroup("/api/sessions/{id:guid}/plan").WithTags("plans").RequireAuthorization(Access.Instructor);
        plans.MapGet("", BoardAsync);
        plans.MapPut("", ChangeAsync).Repeatable();
        plans.MapPut("/made", MakeAsync).Repeatable();
        plans.MapGet("/why", WhyAsync);
        plans.MapGet("/lists", ListsAsync);
    }

    private static async Task<Results<Ok<PlanBoard>, NotFound>> BoardAsync(
        Guid id,
        PlanReader reader,
        SchoolClock clock,
        CancellationToken cancel
    ) => await reader.ReadAsync(id, null, cancel) is { } read ? TypedResults.Ok(PlanBoard.Of(read, clock.Now)) : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound, Wrong, Told>> ChangeAsync(
        Guid id,
        NewPlan request,
        ClaimsPrincipal user,
        PlanReader reader,
        PlanStore plans,
        CancellationToken cancel
    )
    {
        if (Wrong(request.Settings, request.Stands) is { Length: > 0 } problems)
            return Problems.Of(problems);
        if (await reader.ReadAsync(id, request.Settings, cancel) is not { } read)
            return TypedResults.NotFound();
        if (Strangers(read, request.Stands) is { } strangers)
            return strangers;
        var saved = new SavedPlan(request.Settings, request.Stands);
        return await plans.AddAsync(request.Id, id, saved, request.Edition, user.Id(), Sent.Of(request).Under(id), cancel)
            ? TypedResults.NoContent()
            : Changed();
    }

    private static async Task<Results<NoContent, NotFound, Wrong, Told>> MakeAsync(
        Guid id,
        PlanToMake request,
        ClaimsPrincipal user,
        PlanReader reader,
        PlanStore plans,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (Wrong(request.Settings, request.Stands) is { Length: > 0 } problems)
            return Problems.Of(problems);
        var sent = Sent.Of(request).Under(id);
        if (await plans.IsRepeatAsync(request.Id, sent, cancel))
            return TypedResults.NoContent();
        if (await reader.ReadAsync(id, request.Settings, cancel) is not { } read)
            return TypedResults.NotFound();
        if (Strangers(read, request.Stands) is { } strangers)
            return strangers;
        if (read.Edition.Edition != request.Edition)
            return Changed();
        // What was planned and is not there any more (a machine that was moved, an exercise taken off the path) goes.
        var before = new Plan([.. request.Stands.Where(stand => IsHere(read, stand))]);
        var problem = read.Problem with
        {
            Fixed = before.Fixed(request.FromSlot),
            Before = request.Mend ? before : null,
            FromSlot = Math.Clamp(request.FromSlot, 0, read.Problem.Slots.Count),
        };
        var solved = await heavy.RunAsync(user.Id(), () => PlanSolver.Solve(problem, cancel: cancel), cancel);
        var changes = request.Mend ? PlanChanges.Between(before, solved.Plan) : [];
        var said = new SolverSaid(
            solved.Score.Total,
            solved.Bound,
            solved.Greedy,
            [.. changes.Select(one => PlanChanges.InWords(problem, one))]
        );
        var saved = new SavedPlan(request.Settings, solved.Plan.Stands, said);
        return await plans.AddAsync(request.Id, id, saved, request.Edition, user.Id(), sent, cancel) ? TypedResults.NoContent() : Changed();
    }

    private static async Task<Results<Ok<PlanWhy>, NotFound>> WhyAsync(
        Guid id,
        Guid student,
        int slot,
        Guid booth,
        PlanReader reader,
        CancellationToken cancel
    )
    {
        if (
            await reader.ReadAsync(id, null, cancel) is not { } read
            || read.Problem.Student(student) is not { } who
            || read.Problem.Booth(booth) is not { } at
            || slot < 0
            || slot >= read.Problem.Slots.Count
        )
            return TypedResults.NotFound();
        return read.Plan.Of(student, slot) is { } stand && stand.BoothId == booth
            ? TypedResults.Ok(new PlanWhy(true, PlanReasons.Here(read.Problem, read.Plan, stand)))
            : TypedResults.Ok(new PlanWhy(false, PlanReasons.NotThere(read.Problem, read.Plan, who, slot, at)));
    }

    private static async Task<Results<Ok<PlanNeeds>, NotFound>> ListsAsync(
        Guid id,
        ClaimsPrincipal user,
        PlanReader reader,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (await reader.ReadAsync(id, null, cancel) is not { } read)
            return TypedResults.NotFound();
        return TypedResults.Ok(await heavy.RunAsync(user.Id(), () => PlanNeeds.Of(read), cancel));
    }

    private static Problem[] Wrong(PlanSettings? settings, IReadOnlyList<Stand>? stands) =>
        settings is null ? [new("settings", Say($"How it is planned."))]
        : stands is null or { Count: > MostStands } ? [new("stands", Say($"Who stands where, at most {MostStands} of them."))]
        : stands.Distinct().Count() < stands.Count ? [new("stands", Say($"Somebody stands at one place twice."))]
        : [.. settings.Problems().Select(problem => problem.Under("settings"))];

    // What the room does not have cannot be planned; that somebody can't stand somewhere is only told. What was planned before it went
    // stays to be seen until somebody takes it out.
    private static Wrong? Strangers(ReadPlan read, IReadOnlyList<Stand> stands)
    {
        for (var i = 0; i < stands.Count; i++)
        {
            var stand = stands[i];
            if (IsHere(read, stand) || read.Plan.Stands.Any(known => known with { Pinned = stand.Pinned } == stand))
                continue;
            if (!IsMachineAt(read, stand))
                return Problems.Field($"stands[{i}].machineId", Say($"This machine is not at that booth."));
            if (!read.Problem.Exercises.ContainsKey(stand.ExerciseId))
                return Problems.Field($"stands[{i}].exerciseId", Say($"This exercise is not on the course's path."));
            return Problems.Field($"stands[{i}].slot", Say($"The session has no such slot."));
        }
        return null;
    }

    private static bool IsHere(ReadPlan read, Stand stand) =>
        IsMachineAt(read, stand)
        && read.Problem.Exercises.ContainsKey(stand.ExerciseId)
        && stand.Slot >= 0
        && stand.Slot < read.Problem.Slots.Count;

    private static bool IsMachineAt(ReadPlan read, Stand stand) =>
        read.Problem.Booth(stand.BoothId)?.Machines.Any(machine => machine.Id == stand.MachineId) == true;

    private static Told Changed() =>
        Problems.Told(
            StatusCodes.Status409Conflict,
            Say($"Somebody has changed this plan since you opened it. Look at it again, then change it.")
        );
}
