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
        EyeProcess eye,
        CancellationToken cancel
    )
    {
        if (await pictures.FindAsync(pictureId, cancel) is not { } picture || await beads.FindAsync(picture.BeadId, cancel) is not { } bead)
            return TypedResults.NotFound();
        var problems = NotASection(picture).Concat(ProblemsOf(picture, request)).ToList();
        if (problems.Count > 0)
            return Problems.Of(problems);
        var (_, bytes) = await pictures.BytesAsync(pictureId, cancel);
        var ask = new SectionAsk(bead.Judgement.Shape.Joint, request.Scale, request.Middle);
        return await eye.SectionAsync(user.Id(), bytes, ask, cancel) is { } answer
            ? TypedResults.Ok(answer)
            : Problems.Field("picture", Say($"The eye cannot read this picture."));
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
        var sent = Sent.Of(request).Under(pictureId);
        await pictures.AddMarksAsync(marksId, pictureId, marks, measures, user.Id(), sent, cancel: cancel);
        await readings.CompareAsync(marksId, picture, file.Bead.Judgement.Shape.Joint, marks, measures, user.Id(), cancel);
        // What the section shows is evidence like any other: the bead is judged anew with it, whoever has gone. One id serves both
        // writes.
        return TypedResults.Ok(
            (
                await recorder.MergeAsync(
                    marksId,
                    file.Bead.Id,
                    evidence => evidence with { Macro = measures },
                    user.Id(),
                    CancellationToken.None
                )
            )!
        );
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
        if (await pictures.FindAsync(pictureId, cancel) is not { } picture || await beads.FindAsync(picture.BeadId, cancel) is not { } bead)
            return TypedResults.NotFound();
        var marks = Whole(request);
        var problems = ProblemsOf(picture, marks);
        return problems.Count > 0
            ? Problems.Of(problems)
            : TypedResults.Ok(MacroMeasures.Of(marks, bead.Judgement.Shape.Joint.Facts().Measure));
    }

    private static async Task<IReadOnlyList<EyeAgreement>> AgreementAsync(SectionReadings readings, CancellationToken cancel) =>
        await readings.AgreementAsync(cancel);

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
        if (request.Scale is { } scale && scale.Problem() is { } wrong)
            yield return new("scale", wrong);
        Point?[] all = [request.Scale?.From, request.Scale?.To, request.Middle];
        if (all.OfType<Point>().Any(point => !(point.X >= 0 && point.X <= picture.Width && point.Y >= 0 && point.Y <= picture.Height)))
            yield return new("points", Say($"A point lies outside the picture."));
    }
}
