using System.Security.Claims;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace GentleBead.Server.Beads;

/// <summary>A bead to record.</summary>
/// <param name="SheetId">The sheet it was laid to.</param>
/// <param name="WireMark">Where the wire control stood; or leave it out and give <paramref name="WireFeed"/>.</param>
/// <param name="VoltMark">Where the volt control stood; or leave it out and give <paramref name="Volts"/>.</param>
/// <param name="WireFeed">Wire feed speed as measured.</param>
/// <param name="Volts">Volts as measured at the arc.</param>
/// <param name="Evidence">What was heard, felt, seen and measured.</param>
/// <param name="AmpMark">TIG: where the current control stood; or leave it out and give <paramref name="Amps"/>.</param>
/// <param name="Amps">TIG: current as measured.</param>
/// <param name="Trial">Its place in a trial; null outside one.</param>
/// <param name="Own">What whoever laid it says of it, before the tool's word is shown; null where they were not asked.</param>
/// <param name="NotedAt">When it was noted, by the server's clock as the booth knows it; null for now.</param>
public sealed record BeadRequest(
    Guid SheetId,
    double? WireMark,
    double? VoltMark,
    WireFeedSpeed? WireFeed,
    Voltage? Volts,
    Evidence Evidence,
    double? AmpMark = null,
    Current? Amps = null,
    TrialPlace? Trial = null,
    OwnWord? Own = null,
    DateTimeOffset? NotedAt = null
);

/// <summary>A bead that waited for the network.</summary>
/// <param name="Bead">As it was recorded; null where it could not be any more.</param>
/// <param name="Kept">Why it could not: it is kept for an instructor to place. Empty where it was.</param>
public sealed record WaitedBead(Bead? Bead, IReadOnlyList<Problem> Kept);

/// <summary>What a bead was laid with, put right: each by its mark or as measured.</summary>
/// <param name="WireMark">Where the wire control stood; or leave it out and give <paramref name="WireFeed"/>.</param>
/// <param name="VoltMark">Where the volt control stood; or leave it out and give <paramref name="Volts"/>.</param>
/// <param name="AmpMark">TIG: where the current control stood; or leave it out and give <paramref name="Amps"/>.</param>
/// <param name="WireFeed">Wire feed speed as measured.</param>
/// <param name="Volts">Volts as measured at the arc.</param>
/// <param name="Amps">TIG: current as measured.</param>
public sealed record CorrectedSettings(
    double? WireMark = null,
    double? VoltMark = null,
    double? AmpMark = null,
    WireFeedSpeed? WireFeed = null,
    Voltage? Volts = null,
    Current? Amps = null
);

/// <summary>More evidence of a bead already recorded: all of it, as it now stands.</summary>
/// <param name="Evidence">All the evidence.</param>
/// <param name="Settings">What it was really laid with, where that was written down wrong; null leaves it.</param>
public sealed record LookRequest(Evidence Evidence, CorrectedSettings? Settings = null);

/// <summary>An instructor's word: on one aspect, or with no aspect on the verdict.</summary>
/// <param name="Aspect">Which aspect; null for the verdict.</param>
/// <param name="Standing">The word on an aspect; null with no aspect.</param>
/// <param name="Verdict">The word on the verdict; null with an aspect.</param>
/// <param name="Reason">Why, where it is not the tool's word and not on what a student says of their own bead; up to 300 letters.</param>
public sealed record RulingRequest(Aspect? Aspect, Standing? Standing, Verdict? Verdict, string? Reason);

/// <summary>An instructor's word on what was behind a bead.</summary>
/// <param name="Cause">The cause.</param>
/// <param name="Reason">Why, where it is not the tool's word; up to 300 letters.</param>
public sealed record CauseRequest(Cause Cause, string? Reason);

/// <summary>Recording beads, looking again, ruling on them, withdrawing them.</summary>
public static class BeadEndpoints
{
    private const int MostLetters = 300;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var beads = app.MapGroup("/api/beads").WithTags("beads");
        beads.MapPut("/{id:guid}", RecordAsync).RequireAuthorization(Access.AtWork).Repeatable();
        beads.MapPut("/{id:guid}/waited", RecordWaitedAsync).RequireAuthorization(Access.AtWork).Repeatable();
        beads.MapGet("/{id:guid}/own", OwnAsync).RequireAuthorization(Access.AtWork);
        beads.MapPut("/{id:guid}/withdrawn", WithdrawAsync).RequireAuthorization(Access.Instructor);
        beads
            .MapPut("/{id:guid}/looks/{lookId:guid}", LookAsync)
            .RequireAuthorization(Access.Instructor)
            .Repeatable()
            .ProducesTold(StatusCodes.Status412PreconditionFailed)
            .ProducesTold(StatusCodes.Status428PreconditionRequired);
        beads.MapPut("/{id:guid}/rulings/{rulingId:guid}", RuleAsync).RequireAuthorization(Access.Instructor).Repeatable();
        beads.MapPut("/{id:guid}/causes/{rulingId:guid}", RuleCauseAsync).RequireAuthorization(Access.Instructor).Repeatable();
    }

    private static async Task<Results<Ok<Bead>, Wrong>> RecordAsync(
        Guid id,
        BeadRequest request,
        ClaimsPrincipal user,
        BeadStore beads,
        SheetStore sheets,
        SheetAtHand atHand,
        BeadRecorder recorder,
        CancellationToken cancel
    )
    {
        if (await OthersAsync(id, request, user, beads, sheets, atHand, cancel) is { } others)
            return Problems.Field("sheetId", others);
        return await recorder.RecordAsync(id, request, user.Id(), cancel) switch
        {
            Recorded recorded => TypedResults.Ok(recorded.Bead.ShownTo(user)),
            RefusedBead refused => Problems.Of(refused.Problems),
            var other => throw new InvalidOperationException($"{other} cannot come of recording a bead."),
        };
    }

    // Nobody is at the form any more: what cannot be recorded is told to nobody who could mend it, and is kept for an instructor.
    private static async Task<Results<Ok<WaitedBead>, Wrong>> RecordWaitedAsync(
        Guid id,
        BeadRequest request,
        ClaimsPrincipal user,
        BeadStore beads,
        SheetStore sheets,
        SheetAtHand atHand,
        BeadRecorder recorder,
        UnplacedStore unplaced,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        IReadOnlyList<Problem> why = [];
        if (await OthersAsync(id, request, user, beads, sheets, atHand, cancel) is { } others)
            why = [new("sheetId", others)];
        else
        {
            switch (await recorder.RecordAsync(id, request, user.Id(), cancel))
            {
                case Recorded recorded:
                    return TypedResults.Ok(new WaitedBead(recorded.Bead.ShownTo(user), []));
                case RefusedBead refused:
                    why = refused.Problems;
                    break;
            }
        }
        // An instructor's own beads wait nowhere.
        if (user.IsInRole(nameof(Role.Instructor)))
            return Problems.Of(why);
        var tablet = user.IsInRole(Access.Booth) ? user.SignInId() : (Guid?)null;
        return await unplaced.KeepAsync(id, (user.Id(), tablet, request.NotedAt ?? clock.GetUtcNow()), request, why, cancel)
            ? TypedResults.Ok(new WaitedBead(null, why))
            : Problems.Field("sheetId", Say($"{UnplacedStore.MostOfStudent} beads wait to be placed already. Ask your instructor."));
    }

    private static async Task<Said?> OthersAsync(
        Guid id,
        BeadRequest request,
        ClaimsPrincipal user,
        BeadStore beads,
        SheetStore sheets,
        SheetAtHand atHand,
        CancellationToken cancel
    )
    {
        var others = await atHand.RefusalAsync(user, request.SheetId, request.NotedAt, cancel);
        // Recorded already, and only the answer was lost: it stays so, whatever has changed since.
        var recorded =
            others is not null
            && await beads.FindAsync(id, cancel) is { Own: true } there
            && await sheets.StudentOfAsync(there.SheetId, cancel) == user.Id();
        return recorded ? null : others;
    }

    private static async Task<Results<Ok<OwnSaid>, NoContent, NotFound>> OwnAsync(
        Guid id,
        ClaimsPrincipal user,
        BeadStore beads,
        SheetStore sheets,
        OwnWordStore own,
        CancellationToken cancel
    )
    {
        if (
            await beads.FindAsync(id, cancel) is not { } bead
            || await sheets.FindAsync(bead.SheetId, cancel) is not { } sheet
            || !user.MaySee(sheet.StudentId)
        )
            return TypedResults.NotFound();
        if (await own.OfAsync(bead, sheet.Body.Job.Process, cancel) is not { } said)
            return TypedResults.NoContent();
        return TypedResults.Ok(bead.WaitsFor(user) ? said with { Compared = null } : said);
    }

    private static async Task<Results<Ok<Bead>, NotFound, Wrong, Told>> LookAsync(
        Guid id,
        Guid lookId,
        LookRequest request,
        [FromHeader(Name = "If-Match")] string? ifMatch,
        ClaimsPrincipal user,
        BeadRecorder recorder,
        CancellationToken cancel
    )
    {
        if (!Guid.TryParse(ifMatch?.Trim('"'), out var version))
        {
            return Problems.Told(
                StatusCodes.Status428PreconditionRequired,
                Say($"A look has to say which version of the bead it was made from: If-Match.")
            );
        }
        return await recorder.LookAsync(id, lookId, version, request, user.Id(), cancel) switch
        {
            Recorded recorded => TypedResults.Ok(recorded.Bead),
            LookedSince => Problems.Told(
                StatusCodes.Status412PreconditionFailed,
                Say($"Somebody has looked at this bead since you opened it. Nothing of yours was saved.")
            ),
            RefusedBead refused => Problems.Of(refused.Problems),
            _ => TypedResults.NotFound(),
        };
    }

    private static async Task<Results<Ok<Bead>, NotFound, Wrong>> RuleAsync(
        Guid id,
        Guid rulingId,
        RulingRequest request,
        ClaimsPrincipal user,
        BeadStore beads,
        BeadRecorder recorder,
        CancellationToken cancel
    )
    {
        if (await beads.FindAsync(id, cancel) is not { } bead)
            return TypedResults.NotFound();
        var reason = (request.Reason ?? "").Trim();
        if (
            !Ruling
                .On(bead.Judgement, request.Aspect, request.Standing, request.Verdict, reason, bead.Own)
                .IsGood(out var ruling, out var wrong)
        )
            return Problems.Of(wrong);
        var given = new GivenRuling(rulingId, ruling, reason, user.Id(), null);
        return await recorder.RuleAsync(id, given, Sent.Of(request).Under(id), cancel) is Recorded recorded
            ? TypedResults.Ok(recorded.Bead)
            : TypedResults.NotFound();
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> RuleCauseAsync(
        Guid id,
        Guid rulingId,
        CauseRequest request,
        ClaimsPrincipal user,
        BeadRecorder recorder,
        CauseRulingStore causes,
        CancellationToken cancel
    )
    {
        if (await recorder.SignsAsync(id, request.Cause, cancel) is not { } found)
            return TypedResults.NotFound();
        var reason = (request.Reason ?? "").Trim();
        if (RuledBead.Problem(found.Ruled, reason) is { } problem)
            return Problems.Of([problem]);
        await causes.AddAsync(new(rulingId, id, found.Ruled, reason, user.Id()), Sent.Of(request).Under(id), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawAsync(
        Guid id,
        Withdrawal request,
        ClaimsPrincipal user,
        BeadRecorder recorder,
        CancellationToken cancel
    ) =>
        await recorder.WithdrawAsync(id, request.Withdrawn ? user.Id() : null, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
}
