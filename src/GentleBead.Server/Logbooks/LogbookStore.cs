using System.Security.Cryptography;
using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Logbooks;
using GentleBead.Core.Rules;
using GentleBead.Core.TestWelds;
using GentleBead.Server.Database;
using Microsoft.AspNetCore.DataProtection;

namespace GentleBead.Server.Logbooks;

/// <summary>A file of a bead that goes along.</summary>
/// <param name="Id">Which picture or recording.</param>
/// <param name="BeadId">Of which bead.</param>
/// <param name="File">What it is, and its name in the logbook.</param>
/// <param name="Length">How many bytes it has.</param>
internal sealed record BeadMedia(Guid Id, Guid BeadId, LoggedFile File, long Length)
{
    /// <summary>Whether it is a picture; a recording otherwise.</summary>
    public bool IsPicture => File.Kind == LoggedFileKind.Picture;
}

/// <summary>A logbook from another school.</summary>
/// <param name="Id">Which one.</param>
/// <param name="School">The school that signed it.</param>
/// <param name="Fingerprint">Its key's, to compare by telephone.</param>
/// <param name="ReadBy">Who read it in.</param>
/// <param name="ReadAt">When.</param>
/// <param name="Summary">What is shown of it; marked foreign wherever it is.</param>
internal sealed record KeptLogbook(
    Guid Id,
    string School,
    string Fingerprint,
    string ReadBy,
    DateTimeOffset ReadAt,
    LogbookSummary Summary
);

/// <summary>What is shown of a logbook from elsewhere, worked out once when it is read in.</summary>
/// <param name="Student">Whose it says it is.</param>
/// <param name="MadeAt">When it was made.</param>
/// <param name="Beads">How many beads stand in it.</param>
/// <param name="TestsPassed">How many test welds in it were accepted, their chains unbroken.</param>
/// <param name="TestsBroken">How many chains are broken.</param>
/// <param name="Skills">What was known of them there, the first sixty.</param>
internal sealed record LogbookSummary(
    string Student,
    DateTimeOffset MadeAt,
    int Beads,
    int TestsPassed,
    int TestsBroken,
    IReadOnlyList<LoggedSkill> Skills
)
{
    private const int MostSkills = 60;

    /// <summary>The summary of a logbook.</summary>
    public static LogbookSummary Of(Logbook logbook)
    {
        var whole = logbook.Tests.Where(test => RecordChain.BrokenAt(test.SealedText, test.Seal, test.Records) is null).ToArray();
        return new(
            logbook.Student,
            logbook.MadeAt,
            logbook.Beads.Count,
            whole.Count(test => test.Passed),
            logbook.Tests.Count - whole.Length,
            [.. logbook.Skills.Take(MostSkills)]
        );
    }
}

/// <summary>What goes into logbooks, and those that came from elsewhere.</summary>
internal sealed class LogbookStore(SchoolDatabase database, IDataProtectionProvider protection)
{
    // More than anybody welds at one school; a file has to end somewhere.
    private const int MostBeads = 5_000;
    private const int Page = 10;

    /// <summary>The school's key, made the first time it is asked for.</summary>
    public async Task<ECDsa> KeyAsync(CancellationToken cancel)
    {
        var protector = protection.CreateProtector("GentleBead.SchoolKey");
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // Two servers that ask at once make one key.
        await connection.ExecuteAsync("select pg_advisory_xact_lock(hashtext('school_key'))", null, cancel);
        const string Newest = "select private_key from school_key order by seq desc limit 1";
        var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        if (await connection.ExecuteScalarAsync<string?>(Newest, null, cancel) is { } kept)
        {
            key.ImportPkcs8PrivateKey(Convert.FromBase64String(protector.Unprotect(kept)), out _);
            return key;
        }
        await connection.ExecuteAsync(
            "insert into school_key (id, public_key, private_key) values (@id, @open, @secret)",
            new
            {
                id = Guid.CreateVersion7(),
                open = key.ExportSubjectPublicKeyInfo(),
                secret = protector.Protect(Convert.ToBase64String(key.ExportPkcs8PrivateKey())),
            },
            cancel
        );
        await transaction.CommitAsync(cancel);
        return key;
    }

    /// <summary>The files of a student's beads.</summary>
    /// <param name="studentId">Whose.</param>
    /// <param name="withdrawn">Whether with those that were taken back, and those of beads that were.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<IReadOnlyList<BeadMedia>> MediaAsync(Guid studentId, bool withdrawn, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, Guid BeadId, string Kind, string Name, long Length)>(
            """
            select picture.id, picture.bead_id, 'picture',
                'pictures/' || picture.id || '-' || picture.side || '.' || split_part(picture.media_type, '/', 2),
                length(picture.bytes)::bigint
            from bead_verdict as laid join picture on picture.bead_id = laid.bead_id
            where laid.student_id = @studentId and picture.let_go_at is null
                and (@withdrawn or not laid.withdrawn and picture.withdrawn_at is null)
            union all
            select recording.id, recording.bead_id, recording.kind,
                'recordings/' || recording.id || case recording.kind when 'sound' then '.wav' else '.csv' end, recording.length
            from bead_verdict as laid join recording on recording.bead_id = laid.bead_id
            where laid.student_id = @studentId and recording.let_go_at is null
                and (@withdrawn or not laid.withdrawn and recording.withdrawn_at is null)
            """,
            new { studentId, withdrawn },
            cancel
        );
        return
        [
            .. rows.Select(row => new BeadMedia(row.Id, row.BeadId, new(row.Name, EnumText.Read<LoggedFileKind>(row.Kind)), row.Length)),
        ];
    }

    /// <summary>The bytes of one of them.</summary>
    public async Task<byte[]> BytesAsync(BeadMedia media, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        if (media.IsPicture)
            return await connection.QuerySingleAsync<byte[]>("select bytes from picture where id = @Id", new { media.Id }, cancel);
        var parts = await connection.QueryAsync<byte[]>(
            "select bytes from recording_part where recording_id = @Id order by number",
            new { media.Id },
            cancel
        );
        using var whole = new MemoryStream((int)media.Length);
        foreach (var part in parts)
            whole.Write(part);
        return whole.ToArray();
    }

    /// <summary>A student's beads as they go along, oldest first; without the tool's word where it is not shown to them yet.</summary>
    public async Task<IReadOnlyList<LoggedBead>> BeadsAsync(Guid studentId, ILookup<Guid, BeadMedia> media, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<BeadRow>(
            """
            select laid.bead_id as "Id", laid.recorded_at as "At", sheet.job as "Job", machine.name as "Machine",
                laid.wire_feed_m_per_min as "WireFeed", laid.volts as "Volts", laid.amps as "Amps", laid.verdict as "Verdict",
                laid.ruled as "Ruled", own_word.verdict as "Own", laid.next as "Next",
                tool_word_waits(laid.own, laid.ruled, laid.sheet_id) as "Waits"
            from (select * from bead_verdict where student_id = @studentId and not withdrawn order by seq desc limit @MostBeads) as laid
            join sheet on sheet.id = laid.sheet_id join machine on machine.id = laid.machine_id
            left join own_word on own_word.bead_id = laid.bead_id
            order by laid.seq
            """,
            new { studentId, MostBeads },
            cancel
        );
        return [.. rows.Select(row => row.Logged([.. media[row.Id].Select(media => media.File)]))];
    }

    /// <summary>Keeps a logbook that came from elsewhere; the same id again changes nothing.</summary>
    public async Task AddAsync(Guid id, Guid studentId, ReadLogbook read, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "foreign_logbook",
            """
            insert into foreign_logbook (id, student_id, school, fingerprint, body, summary, read_by, sent)
            values (@id, @studentId, @School, @Fingerprint, @body, @summary, @by, @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                studentId,
                read.Signature.School,
                read.Signature.Fingerprint,
                body = new Jsonb<Logbook>(read.Logbook),
                summary = new Jsonb<LogbookSummary>(LogbookSummary.Of(read.Logbook)),
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>The newest logbooks from elsewhere of a student.</summary>
    public async Task<IReadOnlyList<KeptLogbook>> ForeignAsync(Guid studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, string School, string Fingerprint, string By, DateTime At, string Summary)>(
            """
            select kept.id, kept.school, kept.fingerprint, person.name, kept.read_at, kept.summary
            from foreign_logbook as kept join person on person.id = kept.read_by
            where kept.student_id = @studentId and kept.withdrawn_at is null order by kept.seq desc limit @Page
            """,
            new { studentId, Page },
            cancel
        );
        return
        [
            .. rows.Select(row => new KeptLogbook(
                row.Id,
                row.School,
                row.Fingerprint,
                row.By,
                row.At,
                Jsonb.Read<LogbookSummary>(row.Summary)
            )),
        ];
    }

    /// <summary>Takes a logbook from elsewhere out of a student's record, or puts it back. False where there is no such one.</summary>
    public async Task<bool> SetWithdrawnAsync(Guid id, Guid studentId, bool withdrawn, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                "update foreign_logbook set withdrawn_at = case when @withdrawn then now() end where id = @id and student_id = @studentId",
                new
                {
                    id,
                    studentId,
                    withdrawn,
                },
                cancel
            ) > 0;
    }

    private sealed record BeadRow(
        Guid Id,
        DateTime At,
        string Job,
        string Machine,
        double? WireFeed,
        double? Volts,
        double? Amps,
        string Verdict,
        string? Ruled,
        string? Own,
        string? Next,
        bool Waits
    )
    {
        public LoggedBead Logged(IReadOnlyList<LoggedFile> files) =>
            new(
                Id,
                At,
                Jsonb.Read<Job>(Job),
                Machine,
                WireFeed,
                Volts,
                Amps,
                Waits ? Core.Judging.Verdict.Open : EnumText.Read<Verdict>(Verdict),
                Ruled is null ? null : EnumText.Read<Verdict>(Ruled),
                Own is null ? null : EnumText.Read<Verdict>(Own),
                Next is null || Waits ? null : Jsonb.Read<Said>(Next),
                files
            );
    }
}
