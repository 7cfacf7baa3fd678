using System.Text.Json;
using Microsoft.AspNetCore.SignalR;
using Npgsql;

namespace GentleBead.Server.Live;

/// <summary>Something changed in the room.</summary>
/// <param name="Kind">"session", "place", "sheet", "bead", "test", "check", "kept" or "machine".</param>
/// <param name="BoothId">At which booth, when at one.</param>
/// <param name="StudentId">Whose, when somebody's.</param>
/// <param name="Id">Which row was written, where that is told: whoever wrote it knows it already.</param>
/// <param name="BeadId">About which bead, when about one.</param>
public sealed record RoomNotice(string Kind, Guid? BoothId, Guid? StudentId, Guid? Id = null, Guid? BeadId = null);

/// <summary>Carries notices from the database to the screens of this server, for as long as it runs.</summary>
public sealed partial class RoomListener(NpgsqlDataSource database, IHubContext<LiveHub> hub, ILogger<RoomListener> log) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(1);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await ListenAsync(stoppingToken);
            }
            catch (Exception lost) when (lost is NpgsqlException or IOException)
            {
                LogLost(log, lost.Message);
                await Task.Delay(Pause, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            }
            catch (OperationCanceledException)
            {
                return;
            }
        }
    }

    private async Task ListenAsync(CancellationToken stopping)
    {
        await using var connection = await database.OpenConnectionAsync(stopping);
        connection.Notification += (_, notice) => _ = PassOnAsync(notice.Payload);
        await using (var listen = new NpgsqlCommand("listen room", connection))
            await listen.ExecuteNonQueryAsync(stopping);
        // Whatever was told while nobody listened: every screen looks once.
        await hub.Clients.All.SendAsync("changed", new RoomNotice("session", null, null), stopping);
        while (true)
            await connection.WaitAsync(stopping);
    }

    private async Task PassOnAsync(string payload)
    {
        var notice = JsonSerializer.Deserialize<RoomNotice>(payload, JsonSerializerOptions.Web)!;
        var groups = notice.StudentId is { } student ? [LiveHub.Instructors, LiveHub.StudentGroup(student)] : new[] { LiveHub.Instructors };
        await hub.Clients.Groups(groups).SendAsync("changed", notice);
    }

    [LoggerMessage(LogLevel.Warning, "Lost the database's notices: {Why}. Listening again.")]
    private static partial void LogLost(ILogger log, string why);
}
