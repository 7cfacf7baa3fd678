using System.Security.Claims;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Server.Database;
using GentleBead.Server.Json;
using GentleBead.Server.Judging;
using GentleBead.Server.Listening;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;
using GentleBead.Server.Sheets;
using GentleBead.Server.Trials;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Beads;

/// <summary>For which step of which trial a bead was laid.</summary>
/// <param name="TrialId">Which trial.</param>
/// <param name="Step">Which of its steps, from 1.</param>
/// <param name="FreshPiece">Whether it was laid on a piece of its own.</param>
public sealed record TrialPlace(Guid TrialId, int Step, bool FreshPiece);

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
public sealed record BeadRequest(
    Guid SheetId, double? WireMark, double? VoltMark, WireFeedSpeed? WireFeed, Voltage? Volts, Evidence Evidence,
    double? AmpMark = null, Current? Amps = null, TrialPlace? Trial = null);

/// <summary>More evidence of a bead already recorded: all of it, as it now stands.</summary>
public sealed record LookRequest(Evidence Evidence);

/// <summary>An instructor's word: on one aspect, or with no aspect on the verdict.</summary>
/// <param name="Aspect">Which aspect; null for the verdict.</param>
/// <param name="Standing">The word on an aspect; null with no aspect.</param>
/// <param name="Verdict">The word on the verdict; null with an aspect.</param>
/// <param name="Reason">Why, where it is not the tool's word; up to 300 letters.</param>
public sealed record RulingRequest(Aspect? Aspect, Standing? Standing, Verdict? Verdict, string? Reason);

/// <summary>Whether a bead is off its coupon.</summary>
public sealed record Withdrawal(bool Withdrawn);

/// <summary>What was said of a bead before.</summary>
public sealed record EarlierLook(DateTimeOffset At, Verdict Verdict, string Summary);

/// <summary>An instructor's word with the name of whoever gave it.</summary>
public sealed record NamedRuling(Ruling Ruling, string Reason, string By, DateTimeOffset At);

/// <summary>Everything kept of one bead.</summary>
/// <param name="Bead">As it stands.</param>
/// <param name="Sheet">The sheet it was given out with.</param>
/// <param name="Body">The sheet it is judged by; in a trial of joints or positions not the one given out.</param>
/// <param name="MachineId">The machine it was laid on.</param>
/// <param name="Pictures">Its pictures.</param>
/// <param name="Recordings">Its recordings, with what was found in them.</param>
/// <param name="Rulings">Every word of instructors on it, oldest first.</param>
/// <param name="Earlier">What was said of it before it was looked at again.</param>
public sealed record BeadFile(
    Bead Bead, AssignedSheet Sheet, Sheet Body, Guid MachineId, IReadOnlyList<Picture> Pictures, IReadOnlyList<Recording> Recordings, IReadOnlyList<NamedRuling> Rulings, IReadOnlyList<EarlierLook> Earlier);

/// <summary>Recording beads, looking again, ruling on them, withdrawing them.</summary>
public static class BeadEndpoints
{
    private static readonly (Length Least, Length Most) SizeRange = (Length.FromMm(0.5), Length.FromMm(50));
    private static readonly (Length Least, Length Most) StickOutRange = (Length.FromMm(1), Length.FromMm(50));

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var beads = app.MapGroup("/api/beads").WithTags("beads");
        beads.MapPut("/{id:guid}", RecordAsync).RequireAuthorization(Access.Instructor);
        beads.MapPut("/{id:guid}/withdrawn", WithdrawAsync).RequireAuthorization(Access.Instructor);
        beads.MapPut("/{id:guid}/looks/{lookId:guid}", LookAsync).RequireAuthorization(Access.Instructor);
        beads.MapPut("/{id:guid}/rulings/{rulingId:guid}", RuleAsync).RequireAuthorization(Access.Instructor);
        beads.MapGet("/{id:guid}/file", FileAsync).RequireAuthorization(Access.SignedIn);
    }

    private static async Task<Results<Ok<Bead>, ValidationProblem>> RecordAsync(
        Guid id, BeadRequest request, ClaimsPrincipal user, BeadStore beads, SheetStore sheets, SessionStore sessions, MachineStore machines, TrialStore trials, BeadJudge judge, TimeProvider clock)
    {
        if (await sheets.FindAsync(request.SheetId) is not { } sheet) return Problems.Field("sheetId", "There is no such sheet.");
        var machine = (await machines.FindAsync((await sessions.BoothAsync(sheet.BoothId))!.MachineId))!;
        var body = sheet.Body;
        if (request.Trial is { } place)
        {
            if (await trials.FindAsync(place.TrialId) is not { } trial || trial.SheetId != sheet.Id) return Problems.Field("trial", "There is no such trial on this sheet.");
            if (place.Step < 1 || place.Step > trial.Plan.Steps.Count) return Problems.Field("trial", $"This trial has {trial.Plan.Steps.Count} steps.");
            body = trial.Plan.Steps[place.Step - 1].Sheet ?? body;
        }
        // A double tap or a retry finds the bead already there; the first try may have ended between the bead and its place.
        if (await beads.FindAsync(id) is { } stored)
        {
            if (request.Trial is { } again && stored.SheetId == sheet.Id) await trials.AddBeadAsync(id, again);
            return TypedResults.Ok(stored);
        }
        var problems = new Dictionary<string, string>();
        // What a recording says comes from recordings alone.
        var evidence = (request.Evidence ?? new Evidence()) with { Listened = null };
        Check(evidence, body, problems);
        var fed = body.Pair is not null;
        var read = fed ? machine.Read(request.WireMark, request.VoltMark, request.WireFeed, request.Volts, problems) : null;
        var amps = fed ? null : machine.ReadAmps(request.AmpMark, request.Amps, problems);
        if (problems.Count > 0) return Problems.Fields(problems);

        var before = request.Trial is null ? await BeforeAsync(sheet, int.MaxValue, beads, trials) : null;
        var judgement = await judge.OfAsync(id, sheet, body, machine, read, amps, evidence, before, (request.WireMark ?? request.AmpMark) is not null);
        var bead = new Bead(id, sheet.Id, 0, request.WireMark, request.VoltMark, request.AmpMark, read, amps, evidence, judgement, null, clock.GetUtcNow());
        var added = await beads.AddAsync(bead, user.Id());
        if (request.Trial is { } laid) await trials.AddBeadAsync(added.Id, laid);
        return TypedResults.Ok(added);
    }

    private static async Task<Results<Ok<Bead>, NotFound, ValidationProblem>> LookAsync(
        Guid id, Guid lookId, LookRequest request, ClaimsPrincipal user, BeadStore beads, SheetStore sheets, SessionStore sessions, MachineStore machines, TrialStore trials, BeadJudge judge, TimeProvider clock)
    {
        if (await beads.FindAsync(id) is not { } bead) return TypedResults.NotFound();
        var sheet = (await sheets.FindAsync(bead.SheetId))!;
        var body = await JudgedByAsync(bead, sheet, trials);
        var problems = new Dictionary<string, string>();
        var evidence = (request.Evidence ?? new Evidence()) with { Listened = bead.Evidence.Listened };
        Check(evidence, body, problems);
        if (problems.Count > 0) return Problems.Fields(problems);
        await LookAgainAsync(lookId, bead, evidence, sheet, body, user.Id(), beads, sessions, machines, trials, judge, clock);
        return TypedResults.Ok((await beads.FindAsync(id))!);
    }

    /// <summary>The sheet a bead is judged by: in a trial of joints or positions its step's own.</summary>
    internal static async Task<Sheet> JudgedByAsync(Bead bead, AssignedSheet sheet, TrialStore trials) =>
        await trials.PlaceOfAsync(bead.Id) is { } place ? (await trials.FindAsync(place.TrialId))!.Plan.Steps[place.Step - 1].Sheet ?? sheet.Body : sheet.Body;

    /// <summary>Adds a look at a bead, judged as it would have been with this evidence.</summary>
    internal static async Task LookAgainAsync(
        Guid lookId, Bead bead, Evidence evidence, AssignedSheet sheet, Sheet body, Guid by, BeadStore beads, SessionStore sessions, MachineStore machines, TrialStore trials, BeadJudge judge, TimeProvider clock)
    {
        var machine = (await machines.FindAsync((await sessions.BoothAsync(sheet.BoothId))!.MachineId))!;
        var before = await trials.PlaceOfAsync(bead.Id) is null ? await BeforeAsync(sheet, bead.Number, beads, trials) : null;
        var judgement = await judge.OfAsync(bead.Id, sheet, body, machine, bead.Used, bead.Amps, evidence, before, (bead.WireMark ?? bead.AmpMark) is not null);
        await beads.AddLookAsync(lookId, bead.Id, evidence, judgement, by, clock.GetUtcNow());
    }

    // A trial's bead is laid off on purpose: what came of a change is not read against it.
    private static async Task<Bead?> BeforeAsync(AssignedSheet sheet, int number, BeadStore beads, TrialStore trials)
    {
        var earlier = (await beads.OfSheetsAsync([sheet.Id]))[sheet.Id].Where(bead => bead.Number < number).ToArray();
        var placed = await trials.PlacedAsync(earlier.Select(bead => bead.Id));
        return earlier.LastOrDefault(bead => !placed.Contains(bead.Id));
    }

    private static async Task<Results<Ok<Bead>, NotFound, ValidationProblem>> RuleAsync(
        Guid id, Guid rulingId, RulingRequest request, ClaimsPrincipal user, BeadStore beads, RulingStore rulings, TimeProvider clock)
    {
        if (await beads.FindAsync(id) is not { } bead) return TypedResults.NotFound();
        string tool;
        string instructor;
        if (request.Aspect is { } aspect)
        {
            if (request.Standing is not { } standing) return Problems.Field("standing", "Right, off, or not known?");
            tool = Words.Of(bead.Judgement.Aspects.First(row => row.Aspect == aspect).Standing);
            instructor = Words.Of(standing);
        }
        else
        {
            if (request.Verdict is not { } verdict) return Problems.Field("verdict", "Which verdict?");
            tool = Words.Of(bead.Judgement.Verdict);
            instructor = Words.Of(verdict);
        }
        var reason = (request.Reason ?? "").Trim();
        if (reason.Length > 300) return Problems.Field("reason", "A reason in up to 300 letters.");
        if (tool != instructor && reason.Length == 0) return Problems.Field("reason", "Say why: both words are kept, and the reason with them.");
        await rulings.AddAsync(id, new GivenRuling(rulingId, new Ruling(request.Aspect, tool, instructor), reason, user.Id(), clock.GetUtcNow()));
        return TypedResults.Ok((await beads.FindAsync(id))!);
    }

    private static async Task<Results<Ok<BeadFile>, NotFound>> FileAsync(
        Guid id, ClaimsPrincipal user, BeadStore beads, SheetStore sheets, PictureStore pictures, RecordingStore recordings, RulingStore rulings, TrialStore trials, SessionStore sessions, PeopleStore people)
    {
        if (await beads.FindAsync(id) is not { } bead || await sheets.FindAsync(bead.SheetId) is not { } sheet || !user.MaySee(sheet.StudentId)) return TypedResults.NotFound();
        var given = new List<NamedRuling>();
        foreach (var ruling in await rulings.OfBeadAsync(id)) given.Add(new(ruling.Ruling, ruling.Reason, (await people.FindAsync(ruling.RuledBy))!.Name, ruling.RuledAt));
        return TypedResults.Ok(new BeadFile(
            bead, sheet, await JudgedByAsync(bead, sheet, trials), (await sessions.BoothAsync(sheet.BoothId))!.MachineId, await pictures.OfBeadAsync(id), await recordings.OfBeadAsync(id), given,
            [.. (await beads.EarlierLooksAsync(id)).Select(look => new EarlierLook(look.At, look.Judgement.Verdict, look.Judgement.Summary))]));
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawAsync(Guid id, Withdrawal request, ClaimsPrincipal user, BeadStore beads) =>
        await beads.SetWithdrawnAsync(id, request.Withdrawn ? user.Id() : null) ? TypedResults.NoContent() : TypedResults.NotFound();

    /// <summary>What is wrong with evidence, by field.</summary>
    internal static void Check(Evidence evidence, Sheet sheet, Dictionary<string, string> problems)
    {
        if (evidence.IsEmpty()) problems["evidence"] = "Note at least the sound, or one look.";
        Range("evidence.beadSizeMm", sheet.BeadMeasure.ToString().ToLowerInvariant(), evidence.BeadSize, SizeRange);
        Range("evidence.stickOutMm", "stick-out", evidence.StickOut, StickOutRange);
        foreach (var (field, problem) in evidence.Measured?.Problems() ?? []) problems[$"evidence.measured.{field}"] = problem;

        void Range(string field, string name, Length? value, (Length Least, Length Most) range)
        {
            if (value is { } given && (given < range.Least || given > range.Most)) problems[field] = $"A {name} between {Show.Of(range.Least)} and {Show.Of(range.Most)}.";
        }
    }
}
