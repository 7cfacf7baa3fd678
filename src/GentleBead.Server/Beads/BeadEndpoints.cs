using System.Security.Claims;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Server.Json;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Beads;

/// <summary>A bead to record.</summary>
/// <param name="SheetId">The sheet it was laid to.</param>
/// <param name="WireMark">Where the wire control stood; or leave it out and give <paramref name="WireFeed"/>.</param>
/// <param name="VoltMark">Where the volt control stood; or leave it out and give <paramref name="Volts"/>.</param>
/// <param name="WireFeed">Wire feed speed as measured.</param>
/// <param name="Volts">Volts as measured at the arc.</param>
/// <param name="Evidence">What was heard, seen and measured.</param>
public sealed record BeadRequest(Guid SheetId, double? WireMark, double? VoltMark, WireFeedSpeed? WireFeed, Voltage? Volts, Evidence Evidence);

/// <summary>Whether a bead is off its coupon.</summary>
public sealed record Withdrawal(bool Withdrawn);

/// <summary>Recording and withdrawing beads.</summary>
public static class BeadEndpoints
{
    private static readonly (Length Least, Length Most) SizeRange = (Length.FromMm(0.5), Length.FromMm(50));
    private static readonly (Length Least, Length Most) StickOutRange = (Length.FromMm(1), Length.FromMm(50));

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var beads = app.MapGroup("/api/beads").WithTags("beads").RequireAuthorization(Access.Instructor);
        beads.MapPut("/{id:guid}", RecordAsync);
        beads.MapPut("/{id:guid}/withdrawn", WithdrawAsync);
    }

    private static async Task<Results<Ok<Bead>, ValidationProblem>> RecordAsync(
        Guid id, BeadRequest request, ClaimsPrincipal user, BeadStore beads, SheetStore sheets, SessionStore sessions, MachineStore machines, TimeProvider clock)
    {
        // A double tap or a retry finds the bead already there.
        if (await beads.FindAsync(id) is { } stored) return TypedResults.Ok(stored);
        if (await sheets.FindAsync(request.SheetId) is not { } sheet) return Problems.Field("sheetId", "There is no such sheet.");
        if (sheet.Body.Pair is null) return Problems.Field("sheetId", "Beads of a TIG sheet cannot be judged here yet. Keep the setting, if it worked.");
        var machine = (await machines.FindAsync((await sessions.BoothAsync(sheet.BoothId))!.MachineId))!;
        var evidence = request.Evidence ?? new Evidence();

        var problems = new Dictionary<string, string>();
        if (evidence.IsEmpty()) problems["evidence"] = "Note at least the sound, or one look.";
        var read = machine.Read(request.WireMark, request.VoltMark, request.WireFeed, request.Volts, problems);
        Check(problems, "evidence.beadSizeMm", sheet.Body.BeadMeasure.ToString().ToLowerInvariant(), evidence.BeadSize, SizeRange);
        Check(problems, "evidence.stickOutMm", "stick-out", evidence.StickOut, StickOutRange);
        if (read is null || problems.Count > 0) return Problems.Fields(problems);

        var judgement = Judge.Of(sheet.Body, machine, read, evidence);
        var bead = new Bead(id, sheet.Id, 0, request.WireMark, request.VoltMark, read, evidence, judgement, clock.GetUtcNow());
        return TypedResults.Ok(await beads.AddAsync(bead, user.Id()));
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawAsync(Guid id, Withdrawal request, ClaimsPrincipal user, BeadStore beads) =>
        await beads.SetWithdrawnAsync(id, request.Withdrawn ? user.Id() : null) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static void Check(Dictionary<string, string> problems, string field, string name, Length? value, (Length Least, Length Most) range)
    {
        if (value is { } given && (given < range.Least || given > range.Most))
        {
            problems[field] = $"A {name} between {Show.Of(range.Least)} and {Show.Of(range.Most)}.";
        }
    }
}
