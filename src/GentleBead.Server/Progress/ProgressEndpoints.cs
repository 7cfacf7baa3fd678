using System.Security.Claims;
using GentleBead.Core.Practice;
using GentleBead.Core.Progress;
using GentleBead.Core.Skills;
using GentleBead.Core.Stock;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Practice;
using GentleBead.Server.Skills;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Progress;

/// <summary>A place of the skill map.</summary>
/// <param name="Kind">What kind of work.</param>
/// <param name="State">How far they have come with it.</param>
/// <param name="Did">What they did, in words: "9 of the last 12 right, none for 5 weeks".</param>
/// <param name="Next">How the next bead comes out, with its doubt, in words.</param>
/// <param name="Chance">The same in numbers; null where too few beads say anything.</param>
/// <param name="Best">Their newest right bead; null where none was.</param>
/// <param name="Newest">Their newest bead.</param>
public sealed record SkillCell(KindOfWork Kind, SkillState State, Said Did, Said Next, Chance? Chance, BeadGlyph? Best, BeadGlyph? Newest);

/// <summary>What one student can weld.</summary>
/// <param name="Student">Who.</param>
/// <param name="Cells">What is known of them, kind of work by kind of work; what they welded last first.</param>
public sealed record SkillMap(PersonName Student, IReadOnlyList<SkillCell> Cells);

/// <summary>How one student got where they are.</summary>
/// <param name="Recurring">What keeps going wrong and what cured it.</param>
/// <param name="OwnEye">Their own verdicts beside an instructor's.</param>
/// <param name="Drills">Where they stand in the practice room.</param>
/// <param name="ArcMinutes">Minutes of arc of their newest beads.</param>
/// <param name="Beads">How many beads that is.</param>
/// <param name="Since">Since which day; null before the first.</param>
/// <param name="Attended">How often they came.</param>
public sealed record StudentProgress(
    IReadOnlyList<RecurringCause> Recurring,
    IReadOnlyList<WordsAgreement> OwnEye,
    IReadOnlyList<KindProgress> Drills,
    double ArcMinutes,
    int Beads,
    DateOnly? Since,
    Attended Attended
);

/// <summary>What a student can weld: for themselves and for instructors.</summary>
public static class ProgressEndpoints
{
    // More kinds of work than anybody learns; a screen's bytes stay bounded.
    private const int MostCells = 60;
    private const int MostRecurring = 8;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var students = app.MapGroup("/api/students/{id:guid}").WithTags("progress").RequireAuthorization(Access.SignedIn);
        students.MapGet("/skills", MapAsync);
        students.MapGet("/skills/curve", CurveAsync);
        students.MapGet("/progress", OfStudentAsync);
    }

    private static async Task<Results<Ok<StudentProgress>, NotFound>> OfStudentAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        ProgressStore progress,
        DrillStore drills,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        // Somebody else's does not exist as far as a student is told.
        if (!user.MaySee(id) || await people.FindAsync(id, cancel) is not { Role: Role.Student })
            return TypedResults.NotFound();
        var beads = await progress.BeadsAsync(id, null, cancel);
        return TypedResults.Ok(
            new StudentProgress(
                [.. RecurringCause.Of(beads).Take(MostRecurring)],
                WordsAgreement.Of(await progress.VerdictsAsync(id, cancel)),
                DrillProgress.Of(await drills.AnsweredAsync(id, cancel), clock.GetUtcNow()).Kinds,
                WorkedBead.ArcTime(beads).TotalMinutes,
                beads.Count,
                beads.Count == 0 ? null : beads[0].Day,
                await progress.AttendedAsync(id, cancel)
            )
        );
    }

    private static async Task<Results<Ok<SkillMap>, NotFound>> MapAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        SkillStore skills,
        ProgressStore progress,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (!user.MaySee(id) || await people.FindAsync(id, cancel) is not { Role: Role.Student } student)
            return TypedResults.NotFound();
        var known = (await skills.OfAsync([id], cancel)).OrderByDescending(one => one.Record.Skill.At).Take(MostCells).ToArray();
        var accepted = await progress.AcceptedAsync([id], cancel);
        var shown = known.SelectMany(one => new[] { one.BestBead, one.NewestBead }).OfType<Guid>().Distinct().ToArray();
        var glyphs = await progress.GlyphsAsync(shown, cancel);
        var now = clock.GetUtcNow();
        return TypedResults.Ok(new SkillMap(new PersonName(student.Id, student.Name), [.. known.Select(Cell)]));

        SkillCell Cell(KnownSkill one) =>
            new(
                one.Kind,
                one.Record.StateAt(now, one.Proven || accepted.Contains((id, one.Kind))),
                one.Record.InWords(now),
                one.Record.NextInWords(now, one.Harder),
                one.Record.NextAt(now, one.Harder),
                Glyph(one.BestBead),
                Glyph(one.NewestBead)
            );

        BeadGlyph? Glyph(Guid? bead) =>
            bead is { } there && glyphs.TryGetValue(there, out var glyph) ? glyph.ShownTo(user.IsInRole(nameof(Role.Instructor))) : null;
    }

    private static async Task<Results<Ok<IReadOnlyList<LearningDay>>, NotFound>> CurveAsync(
        Guid id,
        string process,
        string joint,
        string position,
        ClaimsPrincipal user,
        PeopleStore people,
        ProgressStore progress,
        CancellationToken cancel
    ) =>
        user.MaySee(id)
        && await people.FindAsync(id, cancel) is { Role: Role.Student }
        && Named<Process>(process) is { } with
        && Named<Joint>(joint) is { } at
        && Named<Position>(position) is { } lying
            ? TypedResults.Ok(LearningDay.Curve(await progress.BeadsAsync(id, new(with, at, lying), cancel)))
            : TypedResults.NotFound();

    // What there is no such thing of is not found, rather than a request that cannot be read.
    private static T? Named<T>(string name)
        where T : struct, Enum => Enum.TryParse<T>(name, ignoreCase: true, out var known) && Enum.IsDefined(known) ? known : null;
}
