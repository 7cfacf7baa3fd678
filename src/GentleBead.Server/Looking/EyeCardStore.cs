using Dapper;
using GentleBead.Core.Quantities;
using GentleBead.Server.Database;

namespace GentleBead.Server.Looking;

/// <summary>What the bar of 100 mm measures on the cards that this shop printed.</summary>
/// <param name="Bar">What a rule says; 80 to 125 mm, 100 where nobody has measured it.</param>
/// <param name="NotedAt">When it was measured; null where nobody has.</param>
public sealed record EyeCard(Length Bar, DateTimeOffset? NotedAt);

/// <summary>How large the cards are that lie beside beads, in the database; only added to.</summary>
public sealed class EyeCardStore(SchoolDatabase database)
{
    private static readonly Length Whole = Length.FromMm(100);

    /// <summary>What was measured last.</summary>
    public async Task<EyeCard> NewestAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
            await connection.QueryFirstOrDefaultAsync<(double Mm, DateTime At)?>(
                "select bar_mm, noted_at from eye_card order by seq desc limit 1",
                null,
                cancel
            )
                is var (mm, at)
            ? new(Length.FromMm(mm), at)
            : new(Whole, null);
    }

    /// <summary>How many times as large as they should be they are.</summary>
    public async Task<double> PrintedAsync(CancellationToken cancel) => (await NewestAsync(cancel)).Bar / Whole;

    /// <summary>Notes what the bar measures; the same id again changes nothing.</summary>
    /// <exception cref="OtherBodyException">The id is taken by another.</exception>
    public async Task NoteAsync(Guid id, Length bar, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "eye_card",
            "insert into eye_card (id, bar_mm, noted_by, sent) values (@id, @bar, @by, @sent) on conflict (id) do nothing",
            new
            {
                id,
                bar = bar.Mm,
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }
}
