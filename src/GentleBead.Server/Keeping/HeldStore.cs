using System.Runtime.CompilerServices;
using Dapper;
using GentleBead.Server.Database;

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

/// <summary>What a school holds of a student, wherever it lies in the database.</summary>
internal sealed class HeldStore(SchoolDatabase database)
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
    public async IAsyncEnumerable<string> RowsAsync(HeldPart part, HeldOf of, [EnumeratorCancellation] CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await foreach (
            var row in connection
                .QueryUnbufferedAsync<string>($"select body::text from ({part.Shown}) as rows order by at", of)
                .WithCancellation(cancel)
        )
            yield return row;
    }
}
