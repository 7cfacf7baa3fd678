namespace GentleBead.Server.Http;

/// <summary>Headers that keep a page to itself, and no writes from other sites.</summary>
public sealed class StrictHeaders(RequestDelegate next)
{
    // Mantine writes its variables into style elements; scripts, fonts and connections stay our own.
    private const string ContentPolicy =
        "default-src 'self'; img-src 'self' data: blob:; media-src 'self' blob:; style-src 'self' 'unsafe-inline'; object-src "
        + "'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    /// <summary>Adds the headers, or refuses.</summary>
    public Task InvokeAsync(HttpContext http)
    {
        var headers = http.Response.Headers;
        headers.ContentSecurityPolicy = ContentPolicy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "no-referrer";
        headers["Permissions-Policy"] = "camera=(self), microphone=(self), geolocation=()";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        // Built files carry a hash in their names; the page that names them must always be fresh.
        var path = http.Request.Path;
        headers.CacheControl = path.StartsWithSegments("/api", StringComparison.Ordinal) ? "no-store" : "no-cache";
        if (path.StartsWithSegments("/assets", StringComparison.Ordinal))
        {
            // Only what is there is kept: a file missing for a moment must not be missing for a year.
            http.Response.OnStarting(() =>
            {
                if (
                    http.Response.StatusCode
                    is StatusCodes.Status200OK
                        or StatusCodes.Status206PartialContent
                        or StatusCodes.Status304NotModified
                )
                {
                    headers.CacheControl = "public, max-age=31536000, immutable";
                }
                return Task.CompletedTask;
            });
        }
        // Every current browser says where a request comes from; the cookie's SameSite=Strict stands behind this.
        var writes = !HttpMethods.IsGet(http.Request.Method) && !HttpMethods.IsHead(http.Request.Method);
        var site = http.Request.Headers["Sec-Fetch-Site"].ToString();
        if (writes && site is not ("" or "same-origin" or "none"))
        {
            http.Response.StatusCode = StatusCodes.Status403Forbidden;
            return Task.CompletedTask;
        }
        return next(http);
    }
}
