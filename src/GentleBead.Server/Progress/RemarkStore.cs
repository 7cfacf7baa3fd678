using Dapper;
using GentleBead.Server.Database;

namespace GentleBead.Server.Progress;

/// <summary>What a remark is about.</summary>
public enum RemarkKind
{
    /// <summary>What they can and cannot weld yet.</summary>
    Skill,

    /// <summary>Working safely.</summary>
    Safety,

    /// <summary>What helps them to learn.</summary>
    Help,

    /// <summary>How they go about it, and with others.</summary>
    Conduct,

    /// <summary>Anything else.</summary>
    Other,
}

/// <summary>Who reads a remark.</summary>
public enum RemarkReaders
{
    /// <summary>Whoever made it.</summary>
    Me,

    /// <summary>All instructors.</summary>
    Instructors,

    /// <summary>All instructors, and the student.</summary>
    Student,
}

/// <summary>Something an instructor keeps in mind of a student.</summary>
/// <param name="Id">Which remark.</param>
/// <param name="Kind">What it is about.</param>
/// <param name="Readers">Who reads it.</param>
/// <param name="Text">What was said.</param>
/// <param name="By">Who said it.</param>
/// <param name="Mine">Whether whoever asks made it.</param>
/// <param name="At">When.</param>
public sealed record Remark(Guid Id, RemarkKind Kind, RemarkReaders Readers, string Text, string By, bool Mine, DateTimeOffset At);

/// <summary>Remarks in the database. One that is withdrawn is shown to nobody.</summary>
public sealed class RemarkStore(SchoolDatabase database)
{
    /// <summary>Remarks that are sent at once.</summary>
    public const int Page = 40;

    /// <summary>The newest remarks on a student that somebody may read.</summary>
    /// <param name="studentId">On whom.</param>
    /// <param name="reader">Who asks.</param>
    /// <param name="instructor">Whether they are an instructor.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<IReadOnlyList<Remark>> OfAsync(Guid studentId, Guid reader, bool instructor, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, string Kind, string Readers, string Text, string By, bool Mine, DateTime At)>(
            """
            select remark.id, remark.kind, remark.readers, remark.text, person.name, remark.made_by = @reader, remark.made_at
            from remark join person on person.id = remark.made_by
            where remark.student_id = @studentId and remark.withdrawn_at is null
                and (remark.readers = 'student' or (@instructor and (remark.readers = 'instructors' or remark.made_by = @reader)))
            order by remark.seq desc limit @Page
            """,
            new
            {
                studentId,
                reader,
                instructor,
                Page,
            },
            cancel
        );
        return
        [
            .. rows.Select(row => new Remark(
                row.Id,
                EnumText.Read<RemarkKind>(row.Kind),
                EnumText.Read<RemarkReaders>(row.Readers),
                row.Text,
                row.By,
                row.Mine,
                row.At
            )),
        ];
    }

    /// <summary>Adds a remark; the same id again changes nothing.</summary>
    /// <param name="id">The id of what is added.</param>
    /// <param name="studentId">On whom.</param>
    /// <param name="remark">What is said.</param>
    /// <param name="by">Who says it.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task AddAsync(Guid id, Guid studentId, NewRemark remark, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "remark",
            """
            insert into remark (id, student_id, kind, readers, text, made_by, sent)
            values (@id, @studentId, @kind, @readers, @Text, @by, @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                studentId,
                kind = EnumText.Of(remark.Kind),
                readers = EnumText.Of(remark.Readers),
                remark.Text,
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>Takes a remark back, or puts it back: whoever made it may. False where they made no such remark.</summary>
    public async Task<bool> SetWithdrawnAsync(Guid id, Guid studentId, Guid by, bool withdrawn, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                "update remark set withdrawn_at = case when @withdrawn then now() end where id = @id "
                    + "and student_id = @studentId and made_by = @by",
                new
                {
                    id,
                    studentId,
                    by,
                    withdrawn,
                },
                cancel
            ) > 0;
    }
}
