using System.Security.Claims;
using GentleBead.Server.Json;
using GentleBead.Server.People;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Sheets;

/// <summary>A job to save under a name.</summary>
public sealed record NewPreset(string? Name, JobRequest Job);

/// <summary>Named, versioned sheets.</summary>
public static class PresetEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var presets = app.MapGroup("/api/presets").WithTags("presets").RequireAuthorization(Access.Instructor);
        presets.MapGet("/", (PresetStore store) => store.NewestAsync());
        presets.MapPut("/{id:guid}", SaveAsync);
    }

    private static async Task<Results<Ok<Preset>, ValidationProblem>> SaveAsync(Guid id, NewPreset request, ClaimsPrincipal user, PresetStore store, PeopleStore people, TimeProvider clock)
    {
        var name = (request.Name ?? "").Trim();
        if (name.Length is 0 or > 60) return Problems.Field("name", "Name the preset, up to 60 letters.");
        var (sheet, problems) = await (request.Job ?? JobRequest.Nothing).PlanAsync(null, await people.SchoolOfAsync(user.Id()), [], null);
        if (sheet is null) return Problems.Fields(problems);
        return TypedResults.Ok(await store.AddAsync(id, name, sheet, user.Id(), clock.GetUtcNow()));
    }
}
