using System.Security.Claims;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Server.Beads;
using GentleBead.Server.Http;
using GentleBead.Server.Listening;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.BeadFiles;

/// <summary>What was said of a bead before.</summary>
/// <param name="At">When.</param>
/// <param name="Verdict">In one word.</param>
/// <param name="Summary">In a line.</param>
/// <param name="Used">What it was then known to be laid with; null for TIG.</param>
/// <param name="Amps">The current; null for a fed wire.</param>
public sealed record EarlierLook(DateTimeOffset At, Verdict Verdict, Said Summary, Settings? Used, Current? Amps);

/// <summary>Everything kept of one bead.</summary>
/// <param name="Bead">As it stands.</param>
/// <param name="Sheet">The sheet it was given out with.</param>
/// <param name="Body">The sheet it is judged by, where that is not the one given out: in a trial of joints or positions.</param>
/// <param name="MachineId">The machine it was laid on.</param>
/// <param name="Pictures">Its pictures.</param>
/// <param name="Recordings">Its recordings, with what was found in them.</param>
/// <param name="Rulings">Every word of instructors on it, oldest first.</param>
/// <param name="Earlier">What was said of it before it was looked at again.</param>
public sealed record BeadFile(
    Bead Bead,
    AssignedSheet Sheet,
    Sheet? Body,
    Guid MachineId,
    IReadOnlyList<Picture> Pictures,
    IReadOnlyList<Recording> Recordings,
    IReadOnlyList<NamedRuling> Rulings,
    IReadOnlyList<EarlierLook> Earlier
);

/// <summary>A bead with everything that was kept of it.</summary>
public static class BeadFileEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/beads/{id:guid}/file", FileAsync).WithTags("beads").RequireAuthorization(Access.AtWork);

    private static async Task<Results<Ok<BeadFile>, NotFound>> FileAsync(
        Guid id,
        ClaimsPrincipal user,
        BeadStore beads,
        BeadFileStore files,
        PictureStore pictures,
        RecordingStore recordings,
        RulingStore rulings,
        CancellationToken cancel
    )
    {
        if (await files.FindAsync(id, cancel) is not { } file || !user.MaySee(file.Sheet.StudentId))
            return TypedResults.NotFound();
        // While the tool's word waits for the instructor's, its student is not shown it by another door.
        var waits = file.Bead.WaitsFor(user);
        return TypedResults.Ok(
            new BeadFile(
                file.Bead.ShownTo(user),
                file.Sheet,
                file.Body,
                file.MachineId,
                await pictures.OfBeadAsync(id, cancel),
                await recordings.OfBeadAsync(id, cancel),
                waits ? [] : await rulings.OfBeadAsync(id, cancel),
                waits
                    ? []
                    :
                    [
                        .. (await beads.EarlierLooksAsync(id, cancel)).Select(look => new EarlierLook(
                            look.At,
                            look.Judgement.Verdict,
                            look.Judgement.Summary,
                            look.Used,
                            look.Amps
                        )),
                    ]
            )
        );
    }
}
