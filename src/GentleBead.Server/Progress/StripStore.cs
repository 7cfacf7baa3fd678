using Dapper;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Progress;
using GentleBead.Core.Rules;
using GentleBead.Server.Database;

namespace GentleBead.Server.Progress;

/// <summary>A bead on the strip of a term.</summary>
/// <param name="Id">Which bead.</param>
/// <param name="Number">Its number on its coupon.</param>
/// <param name="At">When it was laid.</param>
/// <param name="Job">To what job.</param>
/// <param name="Verdict">In one word: the instructor's where there is one.</param>
/// <param name="Shape">Numbers for its glyph.</param>
/// <param name="PictureId">The newest picture of its face; null where there is none.</param>
public sealed record StripBead(Guid Id, int Number, DateTimeOffset At, Job Job, Verdict Verdict, BeadShape Shape, Guid? PictureId);

/// <summary>Beads of a student over time, and two of them beside each other.</summary>
public sealed class StripStore(SchoolDatabase database)
{
    /// <summary>Beads that are sent at once: what a glance takes in.</summary>
    public const int Page = 24;

    private const string Face = """
        (select picture.id from picture where picture.bead_id = laid.bead_id and side = 'face' and withdrawn_at is null
            order by picture.seq desc limit 1)
        """;

    /// <summary>A page of a student's beads, newest first, and the place of the last one.</summary>
    /// <param name="studentId">Whose.</param>
    /// <param name="before">The place of the last one that was sent; null for the first page.</param>
    /// <param name="instructor">Whether an instructor asks: a student is not shown the tool's word while it waits.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<(IReadOnlyList<StripBead> Beads, long? More)> OfAsync(
        Guid studentId,
        long? before,
        bool instructor,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = (
            await connection.QueryAsync<StripRow>(
                $"""
                select laid.seq as "Seq", laid.bead_id as "Id", laid.number as "Number", laid.recorded_at as "At", sheet.job as "Job",
                    case when tool_word_waits(laid.own, laid.ruled, laid.sheet_id) and not @instructor then 'open'
                        else coalesce(laid.ruled, laid.verdict) end as "Verdict",
                    laid.shape as "Shape", {Face} as "PictureId"
                from bead_verdict as laid join sheet on sheet.id = laid.sheet_id
                where laid.student_id = @studentId and not laid.withdrawn and laid.seq < @before order by laid.seq desc limit @Page
                """,
                new
                {
                    studentId,
                    before = before ?? long.MaxValue,
                    instructor,
                    Page,
                },
                cancel
            )
        ).AsList();
        return ([.. rows.Select(row => row.Bead)], rows.Count == Page ? rows[^1].Seq : null);
    }

    /// <summary>Two beads beside each other, and whose they are: the earlier first, or fewer where there are not two.</summary>
    public async Task<IReadOnlyList<(Guid StudentId, BesideBead Bead)>> TwoAsync(
        Guid one,
        Guid other,
        bool instructor,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<BesideRow>(
            $"""
            select laid.student_id as "StudentId", laid.bead_id as "Id", laid.number as "Number", laid.recorded_at as "At",
                sheet.job as "Job", machine.name as "Machine", laid.wire_feed_m_per_min as "WireFeed", laid.volts as "Volts",
                laid.amps as "Amps", bead_now.evidence as "Evidence", laid.shape as "Shape",
                coalesce(laid.ruled, laid.verdict) as "Verdict",
                case when coalesce(laid.ruled, laid.verdict) <> 'right' then laid.cause end as "Cause", laid.process as "Process",
                tool_word_waits(laid.own, laid.ruled, laid.sheet_id) and not @instructor as "Waits", face.id as "PictureId",
                face.scale as "PixelsPerMm"
            from bead_verdict as laid join sheet on sheet.id = laid.sheet_id join machine on machine.id = laid.machine_id
            join bead_now on bead_now.id = laid.bead_id
            left join lateral (
                select picture.id, (select (kept ->> 'pixelsPerMm')::float8 from face_reading where picture_id = picture.id
                    order by face_reading.seq desc limit 1) as scale
                from picture where picture.bead_id = laid.bead_id and side = 'face' and withdrawn_at is null
                order by picture.seq desc limit 1
            ) as face on true
            where laid.bead_id in (@one, @other) and not laid.withdrawn order by laid.seq
            """,
            new
            {
                one,
                other,
                instructor,
            },
            cancel
        );
        return [.. rows.Select(row => (row.StudentId, row.Bead))];
    }

    private sealed record StripRow(long Seq, Guid Id, int Number, DateTime At, string Job, string Verdict, string Shape, Guid? PictureId)
    {
        public StripBead Bead =>
            new(Id, Number, At, Jsonb.Read<Job>(Job), EnumText.Read<Verdict>(Verdict), Jsonb.Read<BeadShape>(Shape), PictureId);
    }

    private sealed record BesideRow(
        Guid StudentId,
        Guid Id,
        int Number,
        DateTime At,
        string Job,
        string Machine,
        double? WireFeed,
        double? Volts,
        double? Amps,
        string Evidence,
        string Shape,
        string Verdict,
        string? Cause,
        string Process,
        bool Waits,
        Guid? PictureId,
        double? PixelsPerMm
    )
    {
        public BesideBead Bead =>
            new(
                Id,
                Number,
                At,
                Jsonb.Read<Job>(Job),
                Machine,
                WireFeed,
                Volts,
                Amps,
                Jsonb.Read<Evidence>(Evidence),
                Jsonb.Read<BeadShape>(Shape),
                Waits ? Core.Judging.Verdict.Open : EnumText.Read<Verdict>(Verdict),
                Waits ? null : CauseWords.Of(Cause, Process),
                PictureId,
                PixelsPerMm
            );
    }
}
