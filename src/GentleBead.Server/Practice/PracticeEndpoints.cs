using System.Security.Claims;
using GentleBead.Core.Arc;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Listening;
using GentleBead.Core.Practice;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using GentleBead.Server.Arc;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Practice;

/// <summary>A drill as it is put to somebody: everything but what is off.</summary>
/// <param name="Id">Which.</param>
/// <param name="Kind">What it trains.</param>
/// <param name="Level">How hard, from 0.</param>
/// <param name="Job">The job in a line: "0.8 mm wire, 75/25, 3.2 mm plate".</param>
/// <param name="Wire">Which wire.</param>
/// <param name="Gas">Which gas.</param>
/// <param name="Plate">Thickness of the plate.</param>
/// <param name="WireFeed">What the sheet says: wire feed speed.</param>
/// <param name="Volts">What the sheet says: volts.</param>
/// <param name="Amps">What this wire draws when it is right.</param>
/// <param name="Start">In setting the machine: how it is found; null otherwise.</param>
public sealed record DrillGiven(
    Guid Id,
    DrillKind Kind,
    int Level,
    Said Job,
    Wire Wire,
    Gas Gas,
    Length Plate,
    WireFeedSpeed WireFeed,
    Voltage Volts,
    Current Amps,
    ArcSetting? Start
);

/// <summary>What can be seen and read of a drill.</summary>
/// <param name="Trace">Its volts and amps; null of a recording.</param>
/// <param name="MeanVolts">What the read-out shows; null where nobody read it.</param>
/// <param name="MeanAmps">What the read-out shows; null where nobody read it.</param>
/// <param name="Outline">The outline of its sound.</param>
/// <param name="Shorts">When it short-circuited in its first second, s: for a hand to feel; none of a recording.</param>
/// <param name="Bead">The bead; null of a recording.</param>
public sealed record DrillSight(
    TraceView? Trace,
    Voltage? MeanVolts,
    Current? MeanAmps,
    Outline Outline,
    IReadOnlyList<double> Shorts,
    BeadShape? Bead
);

/// <summary>An answer to a drill.</summary>
/// <param name="Heard">What it sounded like; null where nobody listened.</param>
/// <param name="Answer">What is off; null in setting the machine.</param>
/// <param name="WireFeed">In setting the machine: where the wire was put.</param>
/// <param name="Volts">In setting the machine: where the volts were put.</param>
public sealed record DrillAnswer(Sound? Heard, Deviation? Answer, WireFeedSpeed? WireFeed, Voltage? Volts);

/// <summary>What came of an answer.</summary>
/// <param name="Right">Whether it was right.</param>
/// <param name="Deviation">What was off.</param>
/// <param name="Sound">What it sounded like; null on the border between two sounds.</param>
/// <param name="SoundsLike">The same in the words of its process.</param>
/// <param name="Why">What was off, in a sentence with the numbers.</param>
/// <param name="AtTheBooth">What to practise at the booth.</param>
/// <param name="Level">How hard the next one is.</param>
/// <param name="DueInDays">In how many days this item comes back.</param>
public sealed record DrillOutcome(
    bool Right,
    Deviation Deviation,
    Sound? Sound,
    Said SoundsLike,
    Said Why,
    Said AtTheBooth,
    int Level,
    int DueInDays
);

/// <summary>Somebody's progress, with their name.</summary>
public sealed record NamedProgress(PersonName Person, DrillProgress Progress);

/// <summary>The practice room: drills for ear, eye and hand, and where each person stands.</summary>
public static class PracticeEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api").WithTags("practice");
        api.MapPut("/drills/{id:guid}/{kind}", GiveAsync).RequireAuthorization(Access.SignedIn);
        api.MapGet("/drills/{id:guid}/sound", SoundAsync).RequireAuthorization(Access.SignedIn);
        api.MapGet("/drills/{id:guid}/sight", SightAsync).RequireAuthorization(Access.SignedIn);
        api.MapPut("/drills/{id:guid}/answer", AnswerAsync).RequireAuthorization(Access.SignedIn);
        api.MapGet("/practice/mine", MineAsync).RequireAuthorization(Access.SignedIn);
        api.MapGet("/practice/students", StudentsAsync).RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<Ok<DrillGiven>, NotFound, Wrong>> GiveAsync(
        Guid id,
        string kind,
        bool? bySight,
        ClaimsPrincipal user,
        DrillStore drills,
        RoomDrills room,
        HeavyWork heavy,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await drills.FindAsync(id, cancel) is { } stored)
            return stored.PersonId == user.Id()
                ? TypedResults.Ok(await heavy.RunAsync(user.Id(), () => Given(id, stored.Body), cancel))
                : TypedResults.NotFound();
        if (!Enum.TryParse<DrillKind>(kind, ignoreCase: true, out var trains) || !Enum.IsDefined(trains))
            return Problems.Field("kind", Say($"A drill for the ear, the eye, or setting the machine."));
        var answers = await drills.AnsweredAsync(user.Id(), cancel);
        var seed = BitConverter.ToInt32(id.ToByteArray(), 12) & int.MaxValue;
        var (item, level) = (Schedule.Next(answers, trains, clock.GetUtcNow(), seed), Schedule.Level(answers, trains));
        // What was recorded can only be heard.
        var own = trains == DrillKind.Ear && bySight != true ? await room.DrawAsync(item, level, seed, cancel) : null;
        var body = own ?? await heavy.RunAsync(user.Id(), () => Drill.Draw(trains, item, level, seed), cancel);
        await drills.AddAsync(id, user.Id(), body, cancel: cancel);
        var drawn = (await drills.FindAsync(id, cancel))!.Body;
        return TypedResults.Ok(await heavy.RunAsync(user.Id(), () => Given(id, drawn), cancel));
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> SoundAsync(
        Guid id,
        ClaimsPrincipal user,
        DrillStore drills,
        RoomDrills room,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (await drills.FindAsync(id, cancel) is not { } drill || drill.PersonId != user.Id())
            return TypedResults.NotFound();
        var own = drill.Body.Clip is { } clip ? await room.SoundAsync(clip, cancel) : null;
        var wav = await heavy.RunAsync(
            user.Id(),
            () => WavFile.Write(own ?? new Waveform(Drill.Rate, ArcSound.Of(Trace(drill.Body), drill.Body.Seed))),
            cancel
        );
        return TypedResults.File(wav, "audio/wav");
    }

    private static async Task<Results<Ok<DrillSight>, NotFound>> SightAsync(
        Guid id,
        ClaimsPrincipal user,
        DrillStore drills,
        RoomDrills room,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (await drills.FindAsync(id, cancel) is not { } drill || drill.PersonId != user.Id())
            return TypedResults.NotFound();
        if (drill.Body.Clip is { } clip)
        {
            var sound = await room.SoundAsync(clip, cancel);
            return TypedResults.Ok(new DrillSight(null, clip.Volts, clip.Amps, Outline.Of(sound.Samples, 400, 3), [], null));
        }
        return TypedResults.Ok(await heavy.RunAsync(user.Id(), () => Sight(drill.Body), cancel));
    }

    private static DrillSight Sight(Drill drill)
    {
        var trace = Trace(drill);
        return new DrillSight(
            TraceView.Of(trace),
            Voltage.FromVolts(Math.Round(trace.MeanVolts, 1)),
            Current.FromAmps(Math.Round(trace.MeanAmps)),
            Outline.Of(ArcSound.Of(trace, drill.Seed), 400, 3),
            [
                .. trace
                    .Events.Where(one => one.Kind is ArcEventKind.Short or ArcEventKind.Stub && one.Seconds is >= 0 and < 1)
                    .Select(one => Math.Round(one.Seconds, 3)),
            ],
            SimulatedBead.From(trace).Shape
        );
    }

    private static async Task<Results<Ok<DrillOutcome>, NotFound, Wrong>> AnswerAsync(
        Guid id,
        DrillAnswer request,
        ClaimsPrincipal user,
        DrillStore drills,
        HeavyWork heavy,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await drills.FindAsync(id, cancel) is not { } drill || drill.PersonId != user.Id())
            return TypedResults.NotFound();
        var body = drill.Body;
        if (drill.Right is null)
        {
            bool right;
            if (body.Kind == DrillKind.SetMachine)
            {
                if (request is not { WireFeed: { } wireFeed, Volts: { } volts })
                    return Problems.Field("wireFeedMPerMin", Say($"Where do wire and volts stand?"));
                var set = body.Right with { WireFeed = wireFeed, Volts = volts };
                Problem[] problems = [.. set.Problems().DistinctBy(problem => problem.Field)];
                if (problems.Length > 0)
                    return Problems.Of(problems);
                right = await heavy.RunAsync(user.Id(), () => body.IsSetRight(wireFeed, volts), cancel);
            }
            else
            {
                if (request.Answer is not { } said)
                    return Problems.Field("answer", Say($"What is off?"));
                right = said == body.Deviation;
            }
            await drills.AnswerAsync(
                drill,
                request.Heard,
                body.Kind == DrillKind.SetMachine ? null : request.Answer,
                right,
                cancel: cancel
            );
        }
        var answers = await drills.AnsweredAsync(user.Id(), cancel);
        var answered = (await drills.FindAsync(id, cancel))!;
        return TypedResults.Ok(
            new DrillOutcome(
                answered.Right!.Value,
                body.Deviation,
                body.Sound,
                body.SoundsLike(),
                body.Why(),
                DrillProgress.AtBooth(body.Deviation),
                Schedule.Level(answers, body.Kind),
                Math.Max(0, (int)Math.Round((Schedule.Box(answers, body.Kind, body.Deviation).Due - clock.GetUtcNow()).TotalDays))
            )
        );
    }

    private static async Task<DrillProgress> MineAsync(
        ClaimsPrincipal user,
        DrillStore drills,
        TimeProvider clock,
        CancellationToken cancel
    ) => DrillProgress.Of(await drills.AnsweredAsync(user.Id(), cancel), clock.GetUtcNow());

    private static async Task<Page<NamedProgress>> StudentsAsync(
        Guid? after,
        DrillStore drills,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var page = await drills.OfStudentsAsync(after, cancel);
        return new(
            [.. page.Select(one => new NamedProgress(one.Student, DrillProgress.Of(one.Answers, clock.GetUtcNow())))],
            page.Count == DrillStore.Page ? page[^1].Student.Id.ToString() : null
        );
    }

    private static ArcTrace Trace(Drill drill) => ArcTrace.Of(drill.Given, Drill.Seconds, Drill.Rate, drill.Seed);

    private static DrillGiven Given(Guid id, Drill drill)
    {
        var right = drill.Right;
        return new(
            id,
            drill.Kind,
            drill.Level,
            drill.Task(),
            right.Wire!.Value,
            right.Gas,
            right.Plate,
            right.WireFeed,
            right.Volts,
            Current.FromAmps(Math.Round(ArcTrace.Of(right, 1, Drill.Rate, 1).MeanAmps)),
            drill.Kind == DrillKind.SetMachine ? drill.Given : null
        );
    }
}
