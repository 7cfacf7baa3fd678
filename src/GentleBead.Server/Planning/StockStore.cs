using Dapper;
using GentleBead.Core.Planning;
using GentleBead.Server.Database;

namespace GentleBead.Server.Planning;

/// <summary>What a school has to weld with, in the database. Editions are only added to; the newest stands.</summary>
public sealed class StockStore(SchoolDatabase database)
{
    /// <summary>What there is.</summary>
    public async Task<StockAtHand> NowAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QueryFirstOrDefaultAsync<(int Edition, string Body)?>(
            "select edition, body from stock_edition order by edition desc limit 1",
            null,
            cancel
        );
        return row is { } found ? new(found.Edition, Jsonb.Read<AtHand>(found.Body)) : new(0, AtHand.Unknown);
    }

    /// <summary>Notes what there is. False where somebody else noted it since the edition named.</summary>
    public async Task<bool> AddAsync(Guid id, AtHand atHand, int seen, Guid? by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        if (await connection.IsRepeatAsync("stock_edition", id, sent, cancel))
            return true;
        return await connection.AddEditionAsync("stock_edition", null, new NewEdition<AtHand>(id, null, seen, atHand, by, sent), cancel);
    }
}
