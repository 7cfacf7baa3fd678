using System.Text.Json;
using Microsoft.AspNetCore.SignalR;
using Npgsql;

namespace GentleBead.Server.Live;

/// <summary>Something changed in the room.</summary>
/// <param name="Kind">What kind of thing: "session", "place", "sheet", "bead", "floor", "stop" and so on.</param>
/// <param name="BoothId">At which booth, when at one.</param>
/// <param name="StudentId">Whose, when somebody's.</param>
/// <param name="Id">Which row was written, where that is told: whoever wrote it knows it already.</param>
/// <param name="BeadId">About which bead, when about one.</param>
/// <param name="Everybody">Whether everybody who is signed in is told, and not instructors and one student alone.</param>
public sealed record RoomNotice(string Kind, Guid? BoothId, Guid? StudentId, Guid? Id = null, Guid? BeadId = null, bool Everybody = false);

/// <summary>Carries notices from the database to the screens of this server, for as long as it runs.</summary>
public sealed partial class RoomListener(NpgsqlDataSource database, IHubContext<LiveHub> hub, OpenLines lines, ILogger<RoomListener> log)
    : BackgroundService
{
    private const string SignedOut = "signedOut";
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(1);

    // A database that was cut off says nothing at all: when nothing was told for so long, it is asked, and answers within as long, s.
    private const int Quiet = 2;

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await ListenAsync(stoppingToken);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            catch (Exception lost)
            {
                LogLost(log, lost);
                await Task.Delay(Pause, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            }
        }
    }

    private async Task ListenAsync(CancellationToken stopping)
    {
        var told = new Queue<string>();
        await using var connection = await database.OpenConnectionAsync(stopping);
        connection.Notification += (_, notice) => told.Enqueue(notice.Payload);
        await using var listen = new NpgsqlCommand("listen room", connection) { CommandTimeout = Quiet };
        await listen.ExecuteNonQueryAsync(stopping);
        // Whatever was told while nobody listened: every screen looks once.
        await hub.Clients.All.SendAsync("changed", new RoomNotice("session", null, null), stopping);
        while (true)
        {
            // Passed on here and not as it comes in: what goes wrong is seen, and notices keep their order.
            while (told.TryDequeue(out var notice))
                await PassOnAsync(notice, stopping);
            if (!await connection.WaitAsync(TimeSpan.FromSeconds(Quiet), stopping))
                await listen.ExecuteNonQueryAsync(stopping);
        }
    }

    private async Task PassOnAsync(string payload, CancellationToken stopping)
    {
        var notice = JsonSerializer.Deserialize<RoomNotice>(payload, JsonSerializerOptions.Web)!;
        if (notice.Kind == SignedOut)
        {
            // Nobody's screen shows it: the lines it was opened with are closed.
            lines.Close(notice.Id!.Value);
            return;
        }
        if (notice.Everybody)
        {
            await hub.Clients.All.SendAsync("changed", notice, stopping);
            return;
        }
        List<string> groups = [LiveHub.Instructors];
        if (notice.StudentId is { } student)
            groups.Add(LiveHub.StudentGroup(student));
        if (notice.BoothId is { } booth)
            groups.Add(LiveHub.BoothGroup(booth));
        await hub.Clients.Groups(groups).SendAsync("changed", notice, stopping);
    }

    [LoggerMessage(LogLevel.Warning, "Lost the database's notices. Listening again.")]
    private static partial void LogLost(ILogger log, Exception why);
}
