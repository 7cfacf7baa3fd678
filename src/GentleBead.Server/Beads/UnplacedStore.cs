using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Rules;
using GentleBead.Server.Database;
using GentleBead.Server.People;

namespace GentleBead.Server.Beads;

/// <summary>A sheet a bead can be placed on.</summary>
/// <param name="Id">Which sheet.</param>
/// <param name="Job">What is welded to it.</param>
/// <param name="Booth">The number of its booth.</param>
/// <param name="AssignedAt">When it was given out.</param>
public sealed record PlaceForBead(Guid Id, Job Job, int Booth, DateTimeOffset AssignedAt);

/// <summary>A bead that waited for the network and could not be recorded any more.</summary>
/// <param name="Id">The id it was noted under; it keeps it.</param>
/// <param name="Student">Who laid it.</param>
/// <param name="NotedAt">When it was noted.</param>
/// <param name="Own">What they say of it; null where they said nothing.</param>
/// <param name="Why">Why it could not be recorded.</param>
/// <param name="Files">How many pictures and recordings came with it.</param>
/// <param name="Places">The newest sheets of that student, newest first.</param>
public sealed record UnplacedBead(
    Guid Id,
    PersonName Student,
    DateTimeOffset NotedAt,
    OwnWord? Own,
    IReadOnlyList<Problem> Why,
    int Files,
    IReadOnlyList<PlaceForBead> Places
);

/// <summary>A picture or recording of a bead that is not placed yet, as it was sent.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Kind">Which of the two.</param>
/// <param name="Detail">Which side a picture shows; what a recording is called.</param>
/// <param name="Bytes">The file.</param>
public sealed record UnplacedFile(Guid Id, UnplacedKind Kind, string Detail, byte[] Bytes);

/// <summary>What came with a bead.</summary>
public enum UnplacedKind
{
    /// <summary>A picture.</summary>
    Picture,

    /// <summary>A recording.</summary>
    Recording,
}

/// <summary>Keeps what waited for the network and found its world changed, until an instructor has placed it or put it aside.</summary>
public sealed class UnplacedStore(SchoolDatabase database)
{
    /// <summary>The most beads of one student that wait to be placed; a day's work many times over.</summary>
    public const int MostOfStudent = 200;

    private const int Page = 50;
    private const int PlacesShown = 5;

    /// <summary>Keeps a bead; false where too many of that student wait already. The same id again changes nothing.</summary>
    /// <exception cref="OtherBodyException">The id is taken by a bead that says something else.</exception>
    public async Task<bool> KeepAsync(
        Guid id,
        (Guid StudentId, Guid? TabletId, DateTimeOffset NotedAt) from,
        BeadRequest request,
        IReadOnlyList<Problem> why,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        if (
            await connection.ExecuteScalarAsync<int>(
                "select count(*)::int from unplaced_bead where student_id = @StudentId and settled_at is null and id <> @id",
                new { from.StudentId, id },
                cancel
            ) >= MostOfStudent
        )
            return false;
        var sent = Sent.Of(request);
        await connection.AddOnceAsync(
            "unplaced_bead",
            """
            insert into unplaced_bead (id, student_id, tablet_id, body, why, noted_at, sent)
            values (@id, @StudentId, @TabletId, @body, @why, @notedAt, @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                from.StudentId,
                from.TabletId,
                body = new Jsonb<BeadRequest>(request),
                why = new Jsonb<IReadOnlyList<Problem>>(why),
                notedAt = from.NotedAt.UtcDateTime,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
        return true;
    }

    /// <summary>Whose a bead is that is kept here and not settled; null where there is none.</summary>
    public async Task<Guid?> StudentOfAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<Guid?>(
            "select student_id from unplaced_bead where id = @id and settled_at is null",
            new { id },
            cancel
        );
    }

    /// <summary>Keeps a picture or a recording of such a bead; the same id again changes nothing.</summary>
    /// <exception cref="OtherBodyException">The id is taken by another file.</exception>
    public async Task KeepFileAsync(Guid beadId, UnplacedFile file, Sent sent, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(file);
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "unplaced_file",
            """
            insert into unplaced_file (id, bead_id, kind, detail, bytes, sent)
            values (@Id, @beadId, @kind, @Detail, @Bytes, @sent) on conflict (id) do nothing
            """,
            new
            {
                file.Id,
                beadId,
                kind = EnumText.Of(file.Kind),
                file.Detail,
                file.Bytes,
                sent = sent.Hash,
            },
            file.Id,
            sent,
            cancel
        );
    }

    /// <summary>The first of those that wait to be placed, oldest first.</summary>
    public async Task<IReadOnlyList<UnplacedBead>> ListAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            """
            select kept.id as "Id", person.id as "StudentId", person.name as "Student", kept.noted_at as "NotedAt",
                kept.body -> 'own' as "Own", kept.why as "Why",
                (select count(*)::int from unplaced_file where bead_id = kept.id) as "Files",
                (select json_agg(json_build_object('id', id, 'job', job, 'booth', booth, 'assignedAt', assigned_at) order by seq desc)
                    from (
                    select sheet.id, sheet.job, booth.number as booth, sheet.assigned_at, sheet.seq from sheet
                    join booth on booth.id = sheet.booth_id where sheet.student_id = kept.student_id
                    order by sheet.seq desc limit @PlacesShown) as newest) as "Places"
            from unplaced_bead as kept join person on person.id = kept.student_id
            where kept.settled_at is null order by kept.seq limit @Page
            """,
            new { PlacesShown, Page },
            cancel
        );
        return
        [
            .. rows.Select(row => new UnplacedBead(
                row.Id,
                new(row.StudentId, row.Student),
                row.NotedAt,
                row.Own is null or "null" ? null : Jsonb.Read<OwnWord>(row.Own),
                Jsonb.Read<IReadOnlyList<Problem>>(row.Why),
                row.Files,
                row.Places is null ? [] : Jsonb.Read<IReadOnlyList<PlaceForBead>>(row.Places)
            )),
        ];
    }

    /// <summary>What was sent of a bead that is not settled, and by whom; null where there is none.</summary>
    public async Task<(BeadRequest Request, Guid StudentId, DateTimeOffset NotedAt)?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<(string Body, Guid StudentId, DateTime NotedAt)?>(
            "select body, student_id, noted_at from unplaced_bead where id = @id and settled_at is null",
            new { id },
            cancel
        );
        return row is { } kept ? (Jsonb.Read<BeadRequest>(kept.Body), kept.StudentId, kept.NotedAt) : null;
    }

    /// <summary>What came with a bead, in the order it came, one after another: each may be large.</summary>
    public async Task<IReadOnlyList<Guid>> FilesAsync(Guid beadId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
        [
            .. await connection.QueryAsync<Guid>(
                "select id from unplaced_file where bead_id = @beadId order by kept_at, id",
                new { beadId },
                cancel
            ),
        ];
    }

    /// <summary>One of them with its bytes.</summary>
    public async Task<UnplacedFile> FileAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var (kind, detail, bytes) = await connection.QuerySingleAsync<(string Kind, string Detail, byte[] Bytes)>(
            "select kind, detail, bytes from unplaced_file where id = @id",
            new { id },
            cancel
        );
        return new(id, EnumText.Read<UnplacedKind>(kind), detail, bytes);
    }

    /// <summary>Notes that a bead was placed or put aside; false where there is none to settle.</summary>
    public async Task<bool> SettleAsync(Guid id, bool placed, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                "update unplaced_bead set settled_at = now(), settled_by = @by, placed = @placed where id = @id and settled_at is null",
                new
                {
                    id,
                    by,
                    placed,
                },
                cancel
            ) > 0;
    }

    /// <summary>Takes back that a bead was put aside; false where it was not.</summary>
    public async Task<bool> TakeBackAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                "update unplaced_bead set settled_at = null, settled_by = null where id = @id and settled_at is not null and not placed",
                new { id },
                cancel
            ) > 0;
    }

    private sealed record Row(
        Guid Id,
        Guid StudentId,
        string Student,
        DateTime NotedAt,
        string? Own,
        string Why,
        int Files,
        string? Places
    );
}
