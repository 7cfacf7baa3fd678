using Dapper;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using GentleBead.Core.Stock;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;

namespace GentleBead.Server.Looking;

/// <summary>
/// What the eye would have marked on sections, beside what a person marked: kept with every marking, whether or not the eye was asked.
/// </summary>
public sealed partial class SectionReadings(SchoolDatabase database, KeptPictures eye, ILogger<SectionReadings> log)
{
    // What the eye was like years ago says little of what it is now.
    private const int Newest = 500;

    /// <summary>Has the eye look at a section that was marked, and keeps what it says beside that; marks are kept without it too.</summary>
    public async Task CompareAsync(
        Guid marksId,
        Picture picture,
        Joint joint,
        MacroMarks marks,
        MacroMeasures kept,
        Guid by,
        CancellationToken cancel
    )
    {
        if (await IsKeptAsync(marksId, cancel))
            return;
        // A card is found again; without one the scale is what the person marked.
        var scale = marks.Plane is null ? new KnownLength(marks.ScaleFrom, marks.ScaleTo, marks.ScaleLength) : null;
        SectionAnswer? answer = null;
        try
        {
            answer = await eye.SectionAsync(picture.Id, new(joint, scale, marks.Root), by, cancel);
        }
        catch (Exception tooBusy) when (tooBusy is not OperationCanceledException)
        {
            // Whoever marked a section has marked it, with the eye or without.
            EyeFailed(tooBusy, picture.Id);
        }
        // No connection waits while the eye looks.
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            """
            insert into section_reading (id, picture_id, proposed, measured, kept)
            values (@marksId, @pictureId, @proposed, @measured, @kept) on conflict (id) do nothing
            """,
            new
            {
                marksId,
                pictureId = picture.Id,
                proposed = new Jsonb<MacroMarks?>(answer?.Section?.Marks),
                measured = new Jsonb<SectionMeasures?>(answer?.Section?.Measures),
                kept = new Jsonb<MacroMeasures>(kept),
            },
            cancel
        );
    }

    /// <summary>How near the eye comes to what people make of it, by what is measured.</summary>
    public async Task<IReadOnlyList<EyeAgreement>> AgreementAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var sections = await connection.QueryAsync<(string Measured, string Kept)>(
            "select measured, kept from section_reading where measured is not null order by seq desc limit @Newest",
            new { Newest },
            cancel
        );
        var faces = await connection.QueryAsync<(string Proposed, string Kept)>(
            """
            select proposed -> 'measures', kept -> 'measures' from face_reading where proposed is not null order by seq desc limit @Newest
            """,
            new { Newest },
            cancel
        );
        return EyeAgreement.Of(
            [.. faces.Select(row => (Jsonb.Read<FaceMeasures>(row.Proposed), Jsonb.Read<FaceMeasures>(row.Kept)))],
            [.. sections.Select(row => (Jsonb.Read<SectionMeasures>(row.Measured), Jsonb.Read<MacroMeasures>(row.Kept)))]
        );
    }

    private async Task<bool> IsKeptAsync(Guid marksId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<bool>(
            "select exists (select from section_reading where id = @marksId)",
            new { marksId },
            cancel
        );
    }

    [LoggerMessage(LogLevel.Warning, "The eye could not look at the section of picture {PictureId}.")]
    private partial void EyeFailed(Exception failed, Guid pictureId);
}
