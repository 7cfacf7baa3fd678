using System.Security.Claims;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using GentleBead.Core.Stock;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Looking;

/// <summary>What is asked about a section on a picture.</summary>
/// <param name="Scale">A known length, where no card lies on it.</param>
/// <param name="Middle">Where the section is, pixels; null for the picture's middle.</param>
public sealed record SectionRequest(KnownLength? Scale, Point? Middle);

/// <summary>Sections: the eye proposes marks, a person sets them, they are measured and kept.</summary>
public static class SectionEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var pictures = app.MapGroup("/api/pictures").WithTags("pictures");
        pictures.MapPost("/{pictureId:guid}/section", ProposeAsync).RequireAuthorization(Access.Instructor);
        pictures.MapPost("/{pictureId:guid}/measure", MeasureAsync).RequireAuthorization(Access.Instructor);
        pictures.MapPut("/{pictureId:guid}/marks/{marksId:guid}", MarkAsync).RequireAuthorization(Access.Instructor).Repeatable();
        app.MapGet("/api/eye/agreement", AgreementAsync).WithTags("eye").RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<Ok<SectionAnswer>, NotFound, Wrong>> ProposeAsync(
        Guid pictureId,
        SectionRequest request,
        ClaimsPrincipal user,
        PictureStore pictures,
        BeadStore beads,
        KeptPictures eye,
        CancellationToken cancel
    )
    {
        if (await FindAsync(pictureId, pictures, beads, cancel) is not var (picture, joint))
            return TypedResults.NotFound();
        var problems = NotASection(picture).Concat(ProblemsOf(picture, request)).ToList();
        if (problems.Count > 0)
            return Problems.Of(problems);
        var ask = new SectionAsk(joint, request.Scale, request.Middle);
        return await eye.SectionAsync(pictureId, ask, user.Id(), cancel) is { } answer
            ? TypedResults.Ok(answer)
            : Problems.Field("picture", EyeEndpoints.Unreadable);
    }

    private static async Task<Results<Ok<Bead>, NotFound, Wrong>> MarkAsync(
        Guid pictureId,
        Guid marksId,
        MacroMarks request,
        ClaimsPrincipal user,
        PictureStore pictures,
        BeadFileStore files,
        BeadRecorder recorder,
        SectionReadings readings,
        CancellationToken cancel
    )
    {
        if (await pictures.FindAsync(pictureId, cancel) is not { } picture || await files.FindAsync(picture.BeadId, cancel) is not { } file)
            return TypedResults.NotFound();
        var marks = Whole(request);
        var problems = ProblemsOf(picture, marks);
        if (problems.Count > 0)
            return Problems.Of(problems);

        var measures = MacroMeasures.Of(marks, file.JudgedBy.BeadMeasure);
        await pictures.AddMarksAsync(marksId, pictureId, marks, measures, user.Id(), Sent.Of(request).Under(pictureId), cancel: cancel);
        // What the section shows is evidence like any other: the bead is judged anew with it, whoever has gone. One id serves both
        // writes.
        var judged = await recorder.MergeAsync(
            marksId,
            file.Bead.Id,
            evidence => evidence with { Macro = measures },
            user.Id(),
            CancellationToken.None
        );
        await readings.CompareAsync(marksId, picture, file.Bead.Judgement.Shape.Joint, marks, measures, user.Id(), cancel);
        return TypedResults.Ok(judged!);
    }

    // The same measures as marking gives, kept nowhere: what the marks say while they are being set.
    private static async Task<Results<Ok<MacroMeasures>, NotFound, Wrong>> MeasureAsync(
        Guid pictureId,
        MacroMarks request,
        PictureStore pictures,
        BeadStore beads,
        CancellationToken cancel
    )
    {
        if (await FindAsync(pictureId, pictures, beads, cancel) is not var (picture, joint))
            return TypedResults.NotFound();
        var marks = Whole(request);
        var problems = ProblemsOf(picture, marks);
        return problems.Count > 0 ? Problems.Of(problems) : TypedResults.Ok(MacroMeasures.Of(marks, joint.Facts().Measure));
    }

    private static async Task<IReadOnlyList<EyeAgreement>> AgreementAsync(SectionReadings readings, CancellationToken cancel) =>
        await readings.AgreementAsync(cancel);

    // A picture, and what was welded on it.
    private static async Task<(Picture Picture, Joint Joint)?> FindAsync(
        Guid id,
        PictureStore pictures,
        BeadStore beads,
        CancellationToken cancel
    ) =>
        await pictures.FindAsync(id, cancel) is { } picture && await beads.FindAsync(picture.BeadId, cancel) is { } bead
            ? (picture, bead.Judgement.Shape.Joint)
            : null;

    private static MacroMarks Whole(MacroMarks sent) =>
        sent with
        {
            Face = sent.Face ?? [],
            FusionLine = sent.FusionLine ?? [],
            Unfused = sent.Unfused ?? [],
        };

    private static IReadOnlyList<Problem> ProblemsOf(Picture picture, MacroMarks marks) =>
        [.. NotASection(picture).Concat(marks.Problems(picture.Width, picture.Height)).DistinctBy(problem => problem.Field)];

    private static IEnumerable<Problem> NotASection(Picture picture)
    {
        if (picture.Side != PictureSide.Macro)
            yield return new("marks", Say($"Only a section can be measured."));
    }

    private static IEnumerable<Problem> ProblemsOf(Picture picture, SectionRequest request)
    {
        if (request.Scale?.Problem() is { } wrong)
            yield return new("scale", wrong);
        if (!picture.Holds([request.Scale?.From, request.Scale?.To, request.Middle]))
            yield return new("points", Say($"A point lies outside the picture."));
    }
}
