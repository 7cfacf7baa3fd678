using System.Security.Claims;
using GentleBead.Core.Listening;
using GentleBead.Server.Http;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Listening;

/// <summary>The ear while it welds: each second a screen sends the last two and is told what they sound like. Nothing is kept.</summary>
public static class LiveEndpoints
{
    // Four seconds of stereo in 16 bits at 48,000 a second, and a little.
    private const int MostBytes = 800 * 1024;

    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapPost("/api/listening/live", ListenAsync)
            .WithTags("listening")
            .RequireAuthorization(Access.SignedIn)
            .WithUpload(MostBytes, "audio/wav");

    private static async Task<Results<Ok<HeardNow>, Wrong>> ListenAsync(
        HttpRequest request,
        ClaimsPrincipal user,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (await request.ReadUploadAsync(MostBytes, cancel) is not { } wav)
            return Problems.Field("recording", Say($"At most {HeardNow.MostSeconds} s at once."));
        try
        {
            return TypedResults.Ok(await heavy.RunAsync(user.Id(), () => HeardNow.Of(WavFile.Read(wav)), cancel));
        }
        catch (RecordingRefusedException refused)
        {
            return Problems.Field("recording", refused.Said);
        }
    }
}
