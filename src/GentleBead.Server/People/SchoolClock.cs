using Dapper;
using GentleBead.Core.Sessions;
using GentleBead.Server.Database;

namespace GentleBead.Server.People;

/// <summary>The clock on the school's wall. What is newer than what is for the database to say; days and hours are for this one.</summary>
public sealed class SchoolClock(SchoolDatabase database, TimeProvider clock)
{
    /// <summary>The school's time zone; this machine's until somebody said.</summary>
    public async Task<TimeZoneInfo> ZoneAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var name = await connection.ExecuteScalarAsync<string?>("select time_zone from school", null, cancel);
        return name is { Length: > 0 } && TimeZoneInfo.TryFindSystemTimeZoneById(name, out var zone) ? zone : clock.LocalTimeZone;
    }

    /// <summary>Today where the school is.</summary>
    public async Task<DateOnly> TodayAsync(CancellationToken cancel) => (await ZoneAsync(cancel)).DayOf(Now);

    /// <summary>This moment.</summary>
    public DateTimeOffset Now => clock.GetUtcNow();
}
