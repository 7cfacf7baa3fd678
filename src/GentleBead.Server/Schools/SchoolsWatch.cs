using Npgsql;

namespace GentleBead.Server.Schools;

/// <summary>Learns within a second which schools there are, for as long as the server runs.</summary>
internal sealed partial class SchoolsWatch(SchoolsServed schools, ControlDatabase control, ILogger<SchoolsWatch> log) : BackgroundService
{
    private static readonly TimeSpan Often = TimeSpan.FromSeconds(1);
    private long last = -1;

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var clock = new PeriodicTimer(Often);
        try
        {
            do
            {
                try
                {
                    if (await control.LastAsync(stoppingToken) is var now && now != last)
                    {
                        schools.Take(await control.AllAsync(stoppingToken));
                        last = now;
                    }
                }
                catch (NpgsqlException away)
                {
                    // Those that are known are served on.
                    LogAway(log, away);
                }
            } while (await clock.WaitForNextTickAsync(stoppingToken));
        }
        catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
        {
            // The server ends.
        }
    }

    [LoggerMessage(LogLevel.Warning, "The database that names the schools does not answer.")]
    private static partial void LogAway(ILogger log, Exception away);
}
