using System.Diagnostics;
using GentleBead.Core.Running;
using GentleBead.Server.Database;
using GentleBead.Server.Network;
using GentleBead.Server.People;
using Npgsql;

namespace GentleBead.Server.Running;

/// <summary>Gathers what is known of how this server and its database run.</summary>
internal sealed class RunningReader(SchoolDatabase database, IConfiguration configuration, IServiceProvider services, SchoolClock clock)
{
    private const int MostTablets = 20;

    // Of several hosts one is meant to follow the other.
    private readonly bool isPair =
        new NpgsqlConnectionStringBuilder(database.ConnectionString).Host?.Contains(',', StringComparison.Ordinal) is true;

    /// <summary>What is known at this moment.</summary>
    public async Task<RunningFacts> NowAsync(CancellationToken cancel)
    {
        var zone = await clock.ZoneAsync(cancel);
        await using var connection = await database.OpenConnectionAsync(cancel);
        // What it holds is counted file by file, which says nothing of how busy it is.
        var began = Stopwatch.GetTimestamp();
        await connection.ExecuteScalarAsync<int>("select 1", null, cancel);
        var took = Stopwatch.GetElapsedTime(began);
        var (bytes, followers) = await connection.QuerySingleAsync<(long, long)>(
            "select pg_database_size(current_database()), (select count(*) from pg_stat_replication)",
            null,
            cancel
        );
        var silent = await connection.QueryAsync<SilentRow>(
            """
            select booth.number as "Booth", room.name as "Room", max(tablet.seen_at) as "Since"
            from tablet join booth on booth.id = tablet.booth_id join room on room.id = booth.room_id
            where tablet.put_away_at is null and tablet.seen_at > now() - interval '12 hours'
            group by booth.id, room.id having max(tablet.seen_at) < now() - interval '3 minutes'
            order by max(tablet.seen_at) desc limit @MostTablets
            """,
            new { MostTablets },
            cancel
        );
        var disk = new DriveInfo(Environment.CurrentDirectory);
        return new(
            clock.Now,
            zone,
            took.TotalMilliseconds,
            bytes,
            isPair ? followers > 0 : null,
            disk.AvailableFreeSpace,
            disk.TotalSize,
            configuration["GENTLEBEAD_BACKUPS"] is { Length: > 0 } folder ? Newest(folder) : null,
            [.. silent.Select(row => new SilentTablet(row.Booth, row.Room, row.Since))],
            services.GetService<ShopCertificate>()?.Ends
        );
    }

    private sealed record SilentRow(int Booth, string Room, DateTime Since);

    private static NewestBackup Newest(string folder)
    {
        try
        {
            var newest = new DirectoryInfo(folder).EnumerateFiles("*.dump").MaxBy(file => file.LastWriteTimeUtc);
            return new(newest is null ? null : new DateTimeOffset(newest.LastWriteTimeUtc));
        }
        catch (Exception unread) when (unread is IOException or UnauthorizedAccessException)
        {
            // No folder, or none that may be looked into, holds none that are known of.
            return new(null);
        }
    }
}
