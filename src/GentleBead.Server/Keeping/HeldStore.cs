using Dapper;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Keeping;

/// <summary>A part of what is held of a student, as it is listed.</summary>
/// <param name="Key">Its name in the file.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Fate">What becomes of it when they are forgotten.</param>
/// <param name="Count">How many entries there are that may be read.</param>
/// <param name="From">The first of them; null where they have no day.</param>
/// <param name="Until">The last of them; null likewise.</param>
public sealed record Held(string Key, Said Name, Fate Fate, long Count, DateTimeOffset? From, DateTimeOffset? Until);

/// <summary>Who reads what is held of a student.</summary>
/// <param name="Person">Of whom.</param>
/// <param name="Reader">Who reads it.</param>
/// <param name="Instructor">Whether they are an instructor.</param>
internal sealed record HeldOf(Guid Person, Guid Reader, bool Instructor);

/// <summary>A picture or a recording of a student, to go into their file.</summary>
/// <param name="Id">Which.</param>
/// <param name="Name">Its name in the file.</param>
/// <param name="IsPicture">Whether it is a picture; a recording otherwise.</param>
internal sealed record HeldFile(Guid Id, string Name, bool IsPicture);

/// <summary>What a school holds of a student, wherever it lies in the database.</summary>
internal sealed class HeldStore(NpgsqlDataSource database)
{
    private static readonly string Counts = string.Join(
        "\nunion all ",
        HeldPart.All.Select((part, place) => $"select {place}, count(*), min(at), max(at) from ({part.Shown}) as rows")
    );

    /// <summary>What there is, part by part; parts without an entry are left out.</summary>
    public async Task<IReadOnlyList<Held>> ListAsync(HeldOf of, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(int Place, long Count, DateTime? From, DateTime? Until)>(Counts, of, cancel);
        return
        [
            .. rows.Where(row => row.Count > 0)
                .OrderBy(row => row.Place)
                .Select(row =>
                {
                    var part = HeldPart.All[row.Place];
                    return new Held(part.Key, part.Name, part.Fate, row.Count, row.From, row.Until);
                }),
        ];
    }

    /// <summary>The rows of a part, one after another, as JSON.</summary>
    public async IAsyncEnumerable<string> RowsAsync(
        HeldPart part,
        HeldOf of,
        [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await foreach (
            var row in connection
                .QueryUnbufferedAsync<string>($"select body::text from ({part.Shown}) as rows order by at", of)
                .WithCancellation(cancel)
        )
            yield return row;
    }

    /// <summary>Their pictures and recordings.</summary>
    public async Task<IReadOnlyList<HeldFile>> FilesAsync(Guid person, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
        [
            .. await connection.QueryAsync<HeldFile>(
                """
                select picture.id, 'pictures/' || picture.id || '-' || side || '.' || split_part(media_type, '/', 2) as "Name",
                    true as "IsPicture"
                from bead_verdict join picture using (bead_id) where student_id = @person and let_go_at is null
                union all
                select recording.id, 'recordings/' || recording.id || case recording.kind when 'sound' then '.wav' else '.csv' end, false
                from bead_verdict join recording using (bead_id) where student_id = @person and let_go_at is null
                """,
                new { person },
                cancel
            ),
        ];
    }

    /// <summary>The bytes of one of them.</summary>
    public async Task<byte[]> BytesAsync(HeldFile file, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleAsync<byte[]>(
            file.IsPicture
                ? "select coalesce(bytes, '') from picture where id = @Id"
                : "select coalesce(string_agg(bytes, '' order by number), '') from recording_part where recording_id = @Id",
            new { file.Id },
            cancel
        );
    }
}
