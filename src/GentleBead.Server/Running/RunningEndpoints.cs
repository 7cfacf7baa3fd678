using GentleBead.Core.Running;
using GentleBead.Server.Http;

namespace GentleBead.Server.Running;

/// <summary>How Gentle Bead runs, for the instructor.</summary>
public static class RunningEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/running", async (RunningReader reader, CancellationToken cancel) => HowItRuns.Of(await reader.NowAsync(cancel)))
            .WithTags("running")
            .RequireAuthorization(Access.Instructor);
}
