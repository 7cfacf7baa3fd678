using Dapper;
using GentleBead.Core.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Pictures;

namespace GentleBead.Server.Beads;

/// <summary>What a picture shows.</summary>
public enum PictureSide
{
    /// <summary>The face of the bead.</summary>
    Face,

    /// <summary>The back of the plate.</summary>
    Back,

    /// <summary>A cut, polished and etched section.</summary>
    Macro,
}

/// <summary>A picture of a bead, without its bytes.</summary>
/// <param name="Id">Which picture.</param>
/// <param name="BeadId">Of which bead.</param>
/// <param name="Side">What it shows.</param>
/// <param name="Width">Width in pixels.</param>
/// <param name="Height">Height in pixels.</param>
/// <param name="Marks">What was marked on it; null before, and on what is no macro.</param>
/// <param name="Measures">What the marks measure; null with them.</param>
/// <param name="AddedAt">When.</param>
public sealed record Picture(
    Guid Id,
    Guid BeadId,
    PictureSide Side,
    int Width,
    int Height,
    MacroMarks? Marks,
    MacroMeasures? Measures,
    DateTimeOffset AddedAt
)
{
    /// <summary>Whether points lie on it.</summary>
    public bool Holds(IEnumerable<Point?> points) =>
        points.OfType<Point>().All(point => point.X >= 0 && point.X <= Width && point.Y >= 0 && point.Y <= Height);
}

/// <summary>Pictures and the marks on them in the database. A picture is withdrawn, never deleted; marks are only added to.</summary>
public sealed class PictureStore(SchoolDatabase database)
{
    private const string Pictures = """
        select picture.id, bead_id as "BeadId", side, width, height, newest.marks, newest.measures, added_at as "AddedAt" from picture
        left join lateral (select marks, measures from macro_marks where picture_id = picture.id
            order by seq desc limit 1) as newest on true
        """;

    /// <summary>Adds a picture; the same id again changes nothing.</summary>
    public async Task AddAsync(
        Guid id,
        Guid beadId,
        PictureSide side,
        CleanPicture picture,
        Guid by,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "picture",
            """
            insert into picture (id, bead_id, side, media_type, width, height, bytes, added_by, added_at, sent)
            values (@id, @beadId, @side, @MediaType, @Width, @Height, @Bytes, @by, coalesce(@at, now()), @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                beadId,
                side = EnumText.Of(side),
                picture.MediaType,
                picture.Width,
                picture.Height,
                picture.Bytes,
                by,
                at = at?.UtcDateTime,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>Whether a picture was added under this id already with the same file.</summary>
    public async Task<bool> IsRepeatAsync(Guid id, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.IsRepeatAsync("picture", id, sent, cancel);
    }

    /// <summary>Whose bead a picture shows that is not withdrawn; null where there is no such picture.</summary>
    public async Task<Guid?> StudentOfAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<Guid?>(
            "select student_id from picture join bead_verdict using (bead_id) where picture.id = @id and picture.withdrawn_at is null",
            new { id },
            cancel
        );
    }

    /// <summary>One picture that is not withdrawn.</summary>
    public async Task<Picture?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return (
            await connection.QuerySingleOrDefaultAsync<Row>(
                $"{Pictures} where picture.id = @id and withdrawn_at is null",
                new { id },
                cancel
            )
        )?.Picture;
    }

    /// <summary>A bead's pictures that are not withdrawn, oldest first.</summary>
    public async Task<IReadOnlyList<Picture>> OfBeadAsync(Guid beadId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
        [
            .. (
                await connection.QueryAsync<Row>(
                    $"{Pictures} where bead_id = @beadId and withdrawn_at is null order by picture.seq limit 40",
                    new { beadId },
                    cancel
                )
            ).Select(row => row.Picture),
        ];
    }

    /// <summary>A picture's bytes and what they are.</summary>
    public async Task<(string MediaType, byte[] Bytes)> BytesAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleAsync<(string, byte[])>(
            "select media_type, bytes from picture where id = @id",
            new { id },
            cancel
        );
    }

    /// <summary>Adds marks to a macro; the same id again changes nothing.</summary>
    public async Task AddMarksAsync(
        Guid id,
        Guid pictureId,
        MacroMarks marks,
        MacroMeasures measures,
        Guid by,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "macro_marks",
            """
            insert into macro_marks (id, picture_id, marks, measures, marked_by, marked_at, sent)
            values (@id, @pictureId, @marks, @measures, @by, coalesce(@at, now()), @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                pictureId,
                marks = new Jsonb<MacroMarks>(marks),
                measures = new Jsonb<MacroMeasures>(measures),
                by,
                at = at?.UtcDateTime,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>Takes a picture away, or puts it back.</summary>
    public async Task<bool> SetWithdrawnAsync(Guid id, bool withdrawn, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                "update picture set withdrawn_at = case when @withdrawn then now() end where id = @id and let_go_at is null",
                new { id, withdrawn },
                cancel
            ) == 1;
    }

    private sealed record Row(Guid Id, Guid BeadId, string Side, int Width, int Height, string? Marks, string? Measures, DateTime AddedAt)
    {
        public Picture Picture =>
            new(
                Id,
                BeadId,
                EnumText.Read<PictureSide>(Side),
                Width,
                Height,
                Marks is null ? null : Jsonb.Read<MacroMarks>(Marks),
                Measures is null ? null : Jsonb.Read<MacroMeasures>(Measures),
                AddedAt
            );
    }
}
