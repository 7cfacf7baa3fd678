using System.Text.Json;
using GentleBead.Server.Schools;
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

/// <summary>
/// Carries notices from the schools' databases to the screens of this server, for as long as it runs: of one school always, of many from
/// those that somebody has a line to.
/// </summary>
public sealed partial class RoomListener(SchoolsServed schools, IHubContext<LiveHub> hub, OpenLines lines, ILogger<RoomListener> log)
    : BackgroundService
{
    private const string SignedOut = "signedOut";
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(1);

    // A database that was cut off says nothing at all: when nothing was told for so long, it is asked, and answers within as long, s.
    private const int Quiet = 2;

    // So often is it asked after the last line was closed: a screen that is loaded anew opens another at once.
    private const int Lingering = 10;
    private readonly Dictionary<string, Task> listening = new(StringComparer.Ordinal);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (schools.Only is not null)
        {
            await HearAsync("", stoppingToken);
            return;
        }
        while (!stoppingToken.IsCancellationRequested)
        {
            foreach (var school in lines.Schools)
            {
                if (!listening.TryGetValue(school, out var already) || already.IsCompleted)
                    listening[school] = HearForNowAsync(school, stoppingToken);
            }
            await lines.OpenedAsync(stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
        await Task.WhenAll(listening.Values).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
    }

    // Whoever opened a line between the last look and the end found somebody listening: it is looked again after.
    private async Task HearForNowAsync(string name, CancellationToken stopping)
    {
        await Task.Yield();
        await HearAsync(name, stopping);
        _ = Task.Delay(Pause, stopping).ContinueWith(_ => lines.Opened(), CancellationToken.None, default, TaskScheduler.Default);
    }

    // As long as there is a line to it. A school that moves is listened to where it has gone.
    private async Task HearAsync(string name, CancellationToken stopping)
    {
        while (!stopping.IsCancellationRequested)
        {
            try
            {
                if ((schools.Only ?? schools.All.FirstOrDefault(school => school.Entry.Name == name)) is not { } school)
                    return;
                await ListenAsync(school, stopping);
                return;
            }
            catch (OperationCanceledException) when (stopping.IsCancellationRequested)
            {
                return;
            }
            catch (Exception lost)
            {
                LogLost(log, lost);
                await Task.Delay(Pause, stopping).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            }
        }
    }

    private async Task ListenAsync(ServedSchool school, CancellationToken stopping)
    {
        var told = new Queue<string>();
        await using var connection = school.Apart();
        await connection.OpenAsync(stopping);
        connection.Notification += (_, notice) => told.Enqueue(notice.Payload);
        await using var listen = new NpgsqlCommand("listen room", connection) { CommandTimeout = Quiet };
        await listen.ExecuteNonQueryAsync(stopping);
        // Whatever was told while nobody listened: every screen looks once.
        await hub.Clients.Group(LiveHub.All(school.Entry.Name)).SendAsync("changed", new RoomNotice("session", null, null), stopping);
        for (var alone = 0; alone < Lingering; )
        {
            // Passed on here and not as it comes in: what goes wrong is seen, and notices keep their order.
            while (told.TryDequeue(out var notice))
                await PassOnAsync(school.Entry.Name, notice, stopping);
            if (await connection.WaitAsync(TimeSpan.FromSeconds(Quiet), stopping))
                continue;
            await listen.ExecuteNonQueryAsync(stopping);
            alone = schools.Only is not null || lines.Schools.Contains(school.Entry.Name) ? 0 : alone + 1;
            if (schools.Only is null && !schools.All.Contains(school))
                throw new InvalidOperationException("The school has another database now.");
        }
    }

    private async Task PassOnAsync(string school, string payload, CancellationToken stopping)
    {
        var notice = JsonSerializer.Deserialize<RoomNotice>(payload, JsonSerializerOptions.Web)!;
        if (notice.Kind == SignedOut)
        {
            // Nobody's screen shows it: the lines it was opened with are closed.
            lines.Close(school, notice.Id!.Value);
            return;
        }
        if (notice.Everybody)
        {
            await hub.Clients.Group(LiveHub.All(school)).SendAsync("changed", notice, stopping);
            return;
        }
        List<string> groups = [LiveHub.Instructors(school)];
        if (notice.StudentId is { } student)
            groups.Add(LiveHub.StudentGroup(school, student));
        if (notice.BoothId is { } booth)
            groups.Add(LiveHub.BoothGroup(school, booth));
        await hub.Clients.Groups(groups).SendAsync("changed", notice, stopping);
    }

    [LoggerMessage(LogLevel.Warning, "Lost the database's notices. Listening again.")]
    private static partial void LogLost(ILogger log, Exception why);
}
