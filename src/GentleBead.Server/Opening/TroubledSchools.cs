using GentleBead.Server.Schools;

namespace GentleBead.Server.Opening;

/// <summary>Looks again after schools that could not be served, for as long as the server runs.</summary>
internal sealed class TroubledSchools(SchoolsServed schools, IServiceProvider services, TimeProvider clock) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(15);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            await Task.Delay(Pause, clock, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            foreach (var school in schools.All.Where(school => school is { Trouble: not null, Entry.State: ServedState.Open }))
            {
                if (!stoppingToken.IsCancellationRequested)
                    await SchoolOpening.TryAsync(services, school, stoppingToken);
            }
        }
    }
}
