using Dapper;
using GentleBead.Server.Database;

namespace GentleBead.Server.Listening;

/// <summary>Which simulated devices stand in a booth.</summary>
/// <param name="Microphone">Whether a microphone does.</param>
/// <param name="Logger">Whether a logger of volts and amps does.</param>
public sealed record StandIns(bool Microphone, bool Logger);

/// <summary>The simulated devices of the booths.</summary>
public sealed class StandInStore(SchoolDatabase database)
{
    /// <summary>What stands in a booth; nothing unless it was put there.</summary>
    public async Task<StandIns> OfBoothAsync(Guid boothId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<StandIns>(
                "select microphone as \"Microphone\", logger as \"Logger\" from stand_in where booth_id = @boothId",
                new { boothId },
                cancel
            ) ?? new(false, false);
    }

    /// <summary>Puts devices into a booth, or takes them away.</summary>
    public async Task SetAsync(Guid boothId, StandIns devices, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            "insert into stand_in (booth_id, microphone, logger) values (@boothId, @Microphone, @Logger) on conflict (booth_id) "
                + "do update set microphone = @Microphone, logger = @Logger",
            new
            {
                boothId,
                devices.Microphone,
                devices.Logger,
            },
            cancel
        );
    }
}
