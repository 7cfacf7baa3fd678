using GentleBead.Testing;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Extensions.Logging;

namespace GentleBead.Bench;

/// <summary>Serves the bare shell of the component library, packed as our own files are: what a first page is measured against.</summary>
internal static class ShellServer
{
    /// <summary>Starts it over what ui/shell was built into.</summary>
    /// <param name="payload">What an endpoint that works nothing out answers, at /same; none where it is not asked.</param>
    public static async Task<WebApplication> StartAsync(string? payload = null)
    {
        var folder = Path.Combine(Cluster.Root, ".local/shell");
        var types = new FileExtensionContentTypeProvider();
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        builder.WebHost.UseUrls("http://127.0.0.1:0");
        var app = builder.Build();
        if (payload is not null)
            app.MapPost("/same", () => Results.Text(payload, "application/json"));
        app.MapGet(
            "/{**path}",
            (string? path, HttpContext http) =>
            {
                var file = Path.Combine(folder, path is null or "" ? "index.html" : path);
                if (!File.Exists(file))
                    return Results.NotFound();
                types.TryGetContentType(file, out var type);
                if (!File.Exists(file + ".br"))
                    return Results.File(file, type);
                http.Response.Headers.ContentEncoding = "br";
                return Results.File(file + ".br", type);
            }
        );
        await app.StartAsync();
        return app;
    }
}
