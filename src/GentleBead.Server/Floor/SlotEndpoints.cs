using System.Security.Claims;
using GentleBead.Core.Planning;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Planning;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Floor;

/// <summary>How a slot begins.</summary>
/// <param name="Loaded">Whether the machines were loaded as the plan says: then that is noted of them.</param>
public sealed record Beginning(bool Loaded);

/// <summary>Somebody to whom no sheet was given as a slot began.</summary>
/// <param name="Student">Who.</param>
/// <param name="BoothId">At which booth.</param>
/// <param name="Booth">Its number.</param>
/// <param name="Why">Why not.</param>
public sealed record NotGiven(PersonName Student, Guid BoothId, int Booth, Said Why);

/// <summary>What came of beginning a slot.</summary>
/// <param name="Placed">How many stand at a booth now.</param>
/// <param name="Given">How many sheets were given out; who goes on with theirs is not counted.</param>
/// <param name="NotGiven">Those to whom none was given, and why.</param>
public sealed record SlotStarted(int Placed, int Given, IReadOnlyList<NotGiven> NotGiven);

/// <summary>An exercise that somebody can go on with at their booth.</summary>
/// <param name="ExerciseId">Which exercise.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Why">How far they have come with it.</param>
/// <param name="MachineId">With which of the booth's machines; null where none of them can.</param>
/// <param name="MachineName">What that is called; null with it.</param>
/// <param name="WhyNot">Why no machine there can; null where one can.</param>
public sealed record NextTask(Guid ExerciseId, string Name, Said Why, Guid? MachineId, string? MachineName, Said? WhyNot);

/// <summary>The next exercise to give out.</summary>
/// <param name="StudentId">To whom.</param>
/// <param name="ExerciseId">Which exercise.</param>
/// <param name="MachineId">With which machine.</param>
public sealed record GivingNext(Guid StudentId, Guid ExerciseId, Guid MachineId);

/// <summary>From the plan to the floor: a slot begins, somebody goes on to their next exercise.</summary>
public static class SlotEndpoints
{
    private sealed record Begun(int Slot, bool Loaded);

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var floor = app.MapGroup("/api/sessions/{id:guid}").WithTags("floor").RequireAuthorization(Access.Instructor);
        floor.MapPut("/slots/{slot:int}/begun/{begunId:guid}", BeginAsync).Repeatable();
        floor.MapGet("/students/{studentId:guid}/next", NextAsync);
        floor.MapPut("/booths/{boothId:guid}/next/{sheetId:guid}", GiveAsync).Repeatable();
    }

    private static async Task<Results<Ok<SlotStarted>, NotFound, Told>> BeginAsync(
        Guid id,
        int slot,
        Guid begunId,
        Beginning request,
        ClaimsPrincipal user,
        PlanReader reader,
        FloorStore floor,
        MachineStore machines,
        SheetGiver giver,
        CancellationToken cancel
    )
    {
        if (await reader.ReadAsync(id, null, cancel) is not { } read || slot < 0 || slot >= read.Problem.Slots.Count)
            return TypedResults.NotFound();
        var steps = PlanSteps.Of(read.Problem, read.Plan).Where(step => step.Stand.Slot == slot && IsHere(read, step)).ToArray();
        if (steps.Length == 0)
            return Problems.Told(StatusCodes.Status409Conflict, Say($"Nobody is planned at a booth in this slot."));
        var sent = Sent.Of(new Begun(slot, request.Loaded)).Under(id);
        // A plan made by hand may break its rules: nobody stands at two booths, and no two at one.
        var places = steps
            .Select(step => (step.Stand.BoothId, step.Stand.StudentId))
            .DistinctBy(place => place.BoothId)
            .DistinctBy(place => place.StudentId)
            .ToArray();
        await floor.BeginAsync(begunId, id, slot, places, user.Id(), sent, cancel);
        if (request.Loaded)
            await NoteLoadsAsync(begunId, steps, read, machines, user.Id(), cancel);
        var before = (await floor.SheetsAsync(id, cancel)).ToDictionary(sheet => sheet.StudentId);
        var (given, notGiven) = (0, new List<NotGiven>());
        foreach (var step in steps)
        {
            var stand = step.Stand;
            var exercise = read.Problem.Exercises[stand.ExerciseId].Exercise;
            if (before.TryGetValue(stand.StudentId, out var has) && has.MachineId == stand.MachineId && exercise.Fits(has.Job))
                continue;
            var to = new GiveTo(id, stand.BoothId, stand.MachineId, stand.StudentId);
            var sheetId = SheetGiver.Part(begunId, stand.StudentId);
            if (await giver.GiveAsync(sheetId, exercise, to, user.Id(), sent, cancel) is { } problem)
            {
                var (who, booth) = (read.Problem.Student(stand.StudentId)!, read.Problem.Booth(stand.BoothId)!);
                notGiven.Add(new(new(who.Id, who.Name), booth.Id, booth.Number, problem.Said));
            }
            else
                given++;
        }
        return TypedResults.Ok(new SlotStarted(places.Length, given, notGiven));
    }

    private static bool IsHere(ReadPlan read, PlanStep step) =>
        read.Problem.Student(step.Stand.StudentId) is not null && read.Problem.Exercises.ContainsKey(step.Stand.ExerciseId);

    private static async Task NoteLoadsAsync(
        Guid begunId,
        IEnumerable<PlanStep> steps,
        ReadPlan read,
        MachineStore machines,
        Guid by,
        CancellationToken cancel
    )
    {
        var here = read.Machines.ToDictionary(machine => machine.Id, machine => machine.Machine);
        foreach (var step in steps.Where(step => step.Use is not null))
        {
            var machine = here[step.Stand.MachineId];
            var load = MachineFits.Loaded(machine, step.Use!.Load);
            if (load == machine.Load)
                continue;
            var loadId = SheetGiver.Part(begunId, step.Stand.MachineId);
            await machines.LoadAsync(loadId, step.Stand.MachineId, load, by, Sent.Of(load).Under(step.Stand.MachineId), cancel);
        }
    }

    private static async Task<Results<Ok<IReadOnlyList<NextTask>>, NotFound>> NextAsync(
        Guid id,
        Guid studentId,
        Guid booth,
        PlanReader reader,
        CancellationToken cancel
    )
    {
        if (await reader.ReadAsync(id, null, cancel) is not { } read || read.Problem.Booth(booth) is not { } at)
            return TypedResults.NotFound();
        var tasks = read.Problem.Student(studentId)?.Tasks ?? [];
        return TypedResults.Ok<IReadOnlyList<NextTask>>([
            .. tasks.Select(task =>
            {
                var machine = at.Machines.FirstOrDefault(one => read.Problem.UseOf(task.ExerciseId, one.Id) is not null);
                return new NextTask(
                    task.ExerciseId,
                    read.Problem.Exercises[task.ExerciseId].Exercise.Name,
                    task.Why,
                    machine?.Id,
                    machine?.Name,
                    machine is null ? WhyNot(read, task.ExerciseId, at) : null
                );
            }),
        ]);
    }

    private static Said WhyNot(ReadPlan read, Guid exerciseId, PlanBooth at) =>
        at.Machines.Select(machine => read.Problem.Fits.GetValueOrDefault((exerciseId, machine.Id))?.Refused)
            .FirstOrDefault(why => why is not null)
        ?? Say($"No machine at booth {at.Number} can.");

    private static async Task<Results<NoContent, NotFound, Wrong>> GiveAsync(
        Guid id,
        Guid boothId,
        Guid sheetId,
        GivingNext request,
        ClaimsPrincipal user,
        PlanReader reader,
        SheetGiver giver,
        CancellationToken cancel
    )
    {
        if (await reader.ReadAsync(id, null, cancel) is not { } read || read.Problem.Booth(boothId) is null)
            return TypedResults.NotFound();
        if (!read.Problem.Exercises.TryGetValue(request.ExerciseId, out var exercise))
            return Problems.Field("exerciseId", Say($"This exercise is not on the course's path."));
        var to = new GiveTo(id, boothId, request.MachineId, request.StudentId);
        return
            await giver.GiveAsync(sheetId, exercise.Exercise, to, user.Id(), Sent.Of(request).Under(id).Under(boothId), cancel)
                is { } problem
            ? Problems.Of([problem])
            : TypedResults.NoContent();
    }
}
