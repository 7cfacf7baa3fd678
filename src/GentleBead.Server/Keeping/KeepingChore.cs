using GentleBead.Server.Schools;
using Npgsql;

namespace GentleBead.Server.Keeping;

/// <summary>Lets go what is past its time, hour by hour, for as long as the server runs.</summary>
internal sealed partial class KeepingChore(SchoolsServed schools, IServiceProvider services, TimeProvider clock, ILogger<KeepingChore> log)
    : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromHours(1);

    // Not while everything starts.
    private static readonly TimeSpan First = TimeSpan.FromMinutes(5);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        for (var wait = First; ; wait = Pause)
        {
            await Task.Delay(wait, clock, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            if (stoppingToken.IsCancellationRequested)
                return;
            foreach (var school in schools.All.Where(school => school is { Trouble: null, Entry.State: ServedState.Open }))
                await LetGoAsync(school, stoppingToken);
        }
    }

    private async Task LetGoAsync(ServedSchool school, CancellationToken stopping)
    {
        try
        {
            await using var scope = ChosenSchool.For(services, school);
            await scope.ServiceProvider.GetRequiredService<KeepingStore>().LetGoAsync(stopping);
        }
        catch (Exception failed) when (failed is NpgsqlException or OperationCanceledException)
        {
            // The next hour tries again.
            LogFailed(log, failed);
        }
    }

    [LoggerMessage(LogLevel.Warning, "What is past its time could not be let go.")]
    private static partial void LogFailed(ILogger log, Exception failed);
}
