using System.Threading.RateLimiting;
using GentleBead.Server.Http;

namespace GentleBead.Server.Schools;

/// <summary>How many requests are worked on at once: past that a screen is better told than kept.</summary>
public static class AtOnce
{
    private const int Most = 64,
        Waiting = 1_000;

    // Of many schools, so that a busy one leaves room for the others.
    private const int MostOfASchool = 16,
        WaitingOfASchool = 200;

    /// <summary>Bounds them, together and of each school.</summary>
    public static void BoundRequests(this IServiceCollection services) =>
        services.AddRateLimiter(limiter =>
        {
            limiter.OnRejected = async (rejected, _) =>
                await Problems.TooBusyAsync(rejected.HttpContext, Say($"Many are at it at once. Try again in a moment."));
            // A school's own turn first: whoever waits for it takes no place of others.
            limiter.GlobalLimiter = PartitionedRateLimiter.CreateChained(
                Bound(http => http.RequestServices.GetRequiredService<ChosenSchool>().School.Entry.Name, MostOfASchool, WaitingOfASchool),
                Bound(_ => "all", Most, Waiting)
            );
        });

    // The one school of a server that serves no other is named by nothing, and bounded by what the server can do.
    private static PartitionedRateLimiter<HttpContext> Bound(Func<HttpContext, string> by, int most, int waiting) =>
        PartitionedRateLimiter.Create<HttpContext, string>(http =>
            http.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal) && by(http) is { Length: > 0 } key
                ? RateLimitPartition.GetConcurrencyLimiter(
                    key,
                    _ => new ConcurrencyLimiterOptions
                    {
                        PermitLimit = most,
                        QueueLimit = waiting,
                        QueueProcessingOrder = QueueProcessingOrder.OldestFirst,
                    }
                )
                : RateLimitPartition.GetNoLimiter("")
        );
}
