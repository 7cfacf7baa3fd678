using Dapper;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;

namespace GentleBead.Server.Looking;

/// <summary>Whether somebody lets their pictures teach the eye.</summary>
/// <param name="Given">Whether they do.</param>
/// <param name="SaidAt">When they said so; null when they never have: then they do not.</param>
public sealed record PictureLeave(bool Given, DateTimeOffset? SaidAt);

/// <summary>Corrected pictures that may teach the eye, and who lets theirs.</summary>
public sealed class LessonStore(SchoolDatabase database)
{
    // So many at most: what one machine is taught by in a night.
    private const int Most = 2_000;

    // Of each picture the newest reading or marking, of students whose newest word is that theirs may be used.
    private const string Lessons = """
        with given as (
            select person_id from (select distinct on (person_id) person_id, given from picture_leave order by person_id, seq desc) as word
            where given
        ), own as (
            select picture.id, picture.seq, picture.side, picture.width, picture.height, picture.media_type, bead.judgement
            from picture join bead_verdict using (bead_id) join given on given.person_id = bead_verdict.student_id
            join bead on bead.id = picture.bead_id
            where picture.withdrawn_at is null and picture.let_go_at is null
        )
        select own.id, own.width, own.height, own.media_type as "MediaType", own.judgement -> 'shape' ->> 'joint' as joint,
            face.kept as face, face.proposed as "FaceProposed",
            marks.marks as section, marks.measures as "SectionMeasures", seen.proposed as "SectionProposed"
        from own
        left join lateral (select kept, proposed from face_reading where picture_id = own.id order by seq desc limit 1) as face on true
        left join lateral (select id, marks, measures from macro_marks where picture_id = own.id order by seq desc limit 1) as marks on true
        left join section_reading as seen on seen.id = marks.id
        where face.kept is not null or marks.marks is not null
        order by own.seq desc limit @Most
        """;

    /// <summary>Notes whether somebody lets their pictures teach the eye; the same id again changes nothing.</summary>
    public async Task SayAsync(Guid id, Guid person, bool given, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "picture_leave",
            """
            insert into picture_leave (id, person_id, given, sent) values (@id, @person, @given, @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                person,
                given,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>Whether somebody lets them.</summary>
    public async Task<PictureLeave> LeaveAsync(Guid person, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var word = await connection.QuerySingleOrDefaultAsync<(bool Given, DateTime SaidAt)?>(
            "select given, said_at from picture_leave where person_id = @person order by seq desc limit 1",
            new { person },
            cancel
        );
        return word is var (given, at) ? new(given, at) : new(false, null);
    }

    /// <summary>Every lesson, newest picture first, and the picture that it is of.</summary>
    public async Task<IReadOnlyList<(Guid Picture, Lesson Lesson)>> AllAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(Lessons, new { Most }, cancel);
        return [.. rows.Select((row, nth) => (row.Id, row.Lesson(nth + 1)))];
    }

    private sealed record Row(
        Guid Id,
        int Width,
        int Height,
        string MediaType,
        string Joint,
        string? Face,
        string? FaceProposed,
        string? Section,
        string? SectionMeasures,
        string? SectionProposed
    )
    {
        public Lesson Lesson(int nth) =>
            new(
                Core.Looking.Lesson.Now,
                $"{nth:00000}.{MediaType.Split('/')[^1]}",
                Width,
                Height,
                EnumText.Read<Joint>(Joint),
                Read<FaceSeen>(Face),
                Read<FaceSeen>(FaceProposed),
                Read<MacroMarks>(Section),
                Read<MacroMeasures>(SectionMeasures),
                Read<MacroMarks>(SectionProposed)
            );

        private static T? Read<T>(string? text)
            where T : class => text is null ? null : Jsonb.Read<T>(text);
    }
}
