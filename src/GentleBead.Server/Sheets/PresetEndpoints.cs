using System.Security.Claims;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Sheets;

/// <summary>A job to save under a name.</summary>
public sealed record NewPreset(string? Name, JobRequest Job);

/// <summary>Named, versioned jobs.</summary>
public static class PresetEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var presets = app.MapGroup("/api/presets").WithTags("presets").RequireAuthorization(Access.Instructor);
        presets.MapGet("/", ListAsync);
        presets.MapPut("/{id:guid}", SaveAsync).Repeatable();
    }

    private static async Task<Page<Preset>> ListAsync(string? after, PresetStore store, CancellationToken cancel)
    {
        var page = await store.NewestAsync(after, cancel);
        return new(page, page.Count == PresetStore.Page ? page[^1].Name : null);
    }

    private static async Task<Results<Ok<Preset>, Wrong>> SaveAsync(
        Guid id,
        NewPreset request,
        ClaimsPrincipal user,
        PresetStore store,
        SettingStore settings,
        CancellationToken cancel
    )
    {
        var name = (request.Name ?? "").Trim();
        if (name.Length is 0 or > 60)
            return Problems.Field("name", Say($"Name the preset, up to 60 letters."));
        if (
            !(request.Job ?? JobRequest.Nothing)
                .Plan((await settings.OfAsync(null, user.Id(), cancel: cancel))!)
                .IsGood(out var sheet, out var problems)
        )
            return Problems.Of(problems);
        return TypedResults.Ok(await store.AddAsync(id, name, sheet, user.Id(), Sent.Of(request), cancel: cancel));
    }
}
