using GentleBead.Core.Machines;
using GentleBead.Server.Json;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Machines;

/// <summary>A machine in its booth.</summary>
/// <param name="MachineId">Which machine.</param>
/// <param name="Booth">Its booth.</param>
/// <param name="Machine">The machine as calibrated now.</param>
/// <param name="Readings">The standing readings behind that, with their ids.</param>
/// <param name="WireProblem">Why the wire control gives no marks; null when it does.</param>
/// <param name="VoltProblem">Why the volt control gives no marks; null when it does.</param>
public sealed record MachineInBooth(
    Guid MachineId, Booth Booth, Machine Machine, IReadOnlyList<TakenReading> Readings, string? WireProblem, string? VoltProblem);

/// <summary>A machine to add, in a booth of its own.</summary>
public sealed record NewMachine(Guid BoothId, int BoothNumber, Machine Machine);

/// <summary>A reading to add.</summary>
public sealed record NewReading(ReadControl Control, double Mark, double Measured);

/// <summary>Whether a reading is out of the calibration.</summary>
public sealed record ReadingWithdrawal(bool Withdrawn);

/// <summary>Machines, their booths and their readings.</summary>
public static class MachineEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var machines = app.MapGroup("/api/machines").WithTags("machines").RequireAuthorization(Access.Instructor);
        machines.MapGet("/", ListAsync);
        machines.MapPut("/{id:guid}", AddAsync);
        machines.MapPut("/{id:guid}/readings/{readingId:guid}", AddReadingAsync);
        machines.MapPut("/{id:guid}/readings/{readingId:guid}/withdrawn", WithdrawReadingAsync);
    }

    private static async Task<IReadOnlyList<MachineInBooth>> ListAsync(SessionStore sessions, MachineStore machines)
    {
        var list = new List<MachineInBooth>();
        foreach (var booth in await sessions.BoothsAsync())
        {
            var machine = (await machines.FindAsync(booth.MachineId))!;
            list.Add(new MachineInBooth(
                booth.MachineId, booth, machine, await machines.ReadingsAsync(booth.MachineId), Problem(machine.WireControl), Problem(machine.VoltControl)));
        }
        return list;
    }

    private static string? Problem(Control control) => Calibration.TryFit(control, out _, out var problem) ? null : problem;

    private static async Task<Results<NoContent, ValidationProblem>> AddAsync(Guid id, NewMachine request, SessionStore sessions, MachineStore machines)
    {
        var problems = new Dictionary<string, string>();
        var machine = request.Machine;
        if ((machine.Name ?? "").Trim().Length is 0 or > 60) problems["name"] = "What does the room call it? Up to 60 letters.";
        if (request.BoothNumber is < 1 or > 99) problems["boothNumber"] = "A booth number from 1 to 99.";
        CheckDial(machine.WireControl, "wireControl", ["in/min", "m/min"], problems);
        CheckDial(machine.VoltControl, "voltControl", ["V"], problems);
        if (problems.Count > 0) return Problems.Fields(problems);
        if ((await sessions.BoothsAsync()).Any(booth => booth.Number == request.BoothNumber && booth.Id != request.BoothId))
        {
            return Problems.Field("boothNumber", $"There is a booth {request.BoothNumber} already.");
        }
        if (!await machines.AddAsync(id, machine with { Name = machine.Name!.Trim() })) return Problems.Field("name", "There is a machine of this name already.");
        return await sessions.AddBoothAsync(new Booth(request.BoothId, request.BoothNumber, id))
            ? TypedResults.NoContent()
            : Problems.Field("boothNumber", $"There is a booth {request.BoothNumber} already.");
    }

    private static void CheckDial(Control control, string field, string[] units, Dictionary<string, string> problems)
    {
        if (!(control.LowestMark >= 0 && control.HighestMark > control.LowestMark && control.HighestMark <= 10_000)) problems[field] = "The highest mark stands above the lowest, both from 0 up.";
        else if (!(control.MarkStep > 0 && control.MarkStep <= control.HighestMark - control.LowestMark)) problems[field] = "The step is above 0 and fits on the dial.";
        else if (control.Kind == ControlKind.Digital ? !units.Contains(control.Unit) : control.Unit != "") problems[field] = $"A display shows {string.Join(" or ", units)}; a knob or taps show no unit.";
    }

    private static async Task<Results<NoContent, NotFound, ValidationProblem>> AddReadingAsync(Guid id, Guid readingId, NewReading request, MachineStore machines)
    {
        if (await machines.FindAsync(id) is not { } machine) return TypedResults.NotFound();
        var control = request.Control == ReadControl.Wire ? machine.WireControl : machine.VoltControl;
        var reading = new Reading(request.Mark, request.Measured);
        if (!(reading.Measured > 0)) return Problems.Field("measured", "What the ruler or the meter said, above 0.");
        if (!(reading.Mark >= control.LowestMark && reading.Mark <= control.HighestMark))
        {
            return Problems.Field("mark", $"The dial runs from {control.Read(control.LowestMark)} to {control.Read(control.HighestMark)}.");
        }
        // One reading may be too few to fit; one that falls against the others may not.
        var with = control with { Readings = [.. control.Readings, reading] };
        if (!Calibration.TryFit(with, out _, out var problem) && with.Readings.Count > 1) return Problems.Field("measured", problem);
        await machines.AddReadingAsync(id, new TakenReading(readingId, request.Control, request.Mark, request.Measured));
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawReadingAsync(Guid id, Guid readingId, ReadingWithdrawal request, MachineStore machines) =>
        await machines.SetReadingWithdrawnAsync(id, readingId, request.Withdrawn) ? TypedResults.NoContent() : TypedResults.NotFound();
}
