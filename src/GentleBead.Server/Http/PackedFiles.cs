using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Net.Http.Headers;

namespace GentleBead.Server.Http;

/// <summary>
/// Sends a built file as the build has packed it, where the browser takes that: beside app.js lie app.js.br and app.js.gz.
/// </summary>
public sealed class PackedFiles(RequestDelegate next, IWebHostEnvironment environment)
{
    // Smallest first.
    private static readonly (string Encoding, string Ending)[] Packings = [("br", ".br"), ("gzip", ".gz")];
    private static readonly FileExtensionContentTypeProvider Types = new();

    /// <summary>Sends what lies packed; passes on everything else.</summary>
    public async Task InvokeAsync(HttpContext http)
    {
        if (await SendPackedAsync(http))
            return;
        await next(http);
    }

    private async Task<bool> SendPackedAsync(HttpContext http)
    {
        var (request, response) = (http.Request, http.Response);
        var path = request.Path.Value ?? "";
        if (!(HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method)) || !Types.TryGetContentType(path, out var type))
            return false;
        foreach (var (encoding, ending) in Packings)
        {
            var file = environment.WebRootFileProvider.GetFileInfo(path + ending);
            if (!file.Exists)
                continue;
            response.Headers.Append(HeaderNames.Vary, HeaderNames.AcceptEncoding);
            if (!Takes(request, encoding))
                continue;
            var tag = new EntityTagHeaderValue($"\"{file.LastModified.ToFileTime() ^ file.Length:x}\"");
            response.Headers.ETag = tag.ToString();
            response.ContentType = type;
            if (request.GetTypedHeaders().IfNoneMatch.Any(given => given.Compare(tag, useStrongComparison: false)))
            {
                response.StatusCode = StatusCodes.Status304NotModified;
                return true;
            }
            response.Headers.ContentEncoding = encoding;
            response.ContentLength = file.Length;
            if (HttpMethods.IsGet(request.Method))
                await response.SendFileAsync(file, http.RequestAborted);
            return true;
        }
        return false;
    }

    private static bool Takes(HttpRequest request, string encoding) =>
        request.GetTypedHeaders().AcceptEncoding.Any(given => given.Value == encoding && given.Quality is null or > 0);
}
