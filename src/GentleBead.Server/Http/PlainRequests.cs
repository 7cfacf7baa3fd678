using System.Text;
using Microsoft.Net.Http.Headers;

namespace GentleBead.Server.Http;

/// <summary>
/// Refuses addresses and headers that no endpoint could read: control characters in the address, a character set that is not UTF-8.
/// </summary>
public sealed class PlainRequests(RequestDelegate next)
{
    /// <summary>Passes on what can be read.</summary>
    public async Task InvokeAsync(HttpContext http)
    {
        var request = http.Request;
        if (
            RequestRules.IsBad(request.Path.Value ?? "")
            || request.Query.Any(entry => RequestRules.IsBad(entry.Key) || entry.Value.Any(value => RequestRules.IsBad(value ?? "")))
        )
        {
            await Problems
                .Told(StatusCodes.Status400BadRequest, Say($"The address holds a character that cannot stand in one."))
                .ExecuteAsync(http);
            return;
        }
        if (MediaTypeHeaderValue.TryParse(request.ContentType, out var type) && type.Charset.HasValue && !IsUtf8(type.Charset.Value!))
        {
            await Problems
                .Told(StatusCodes.Status415UnsupportedMediaType, Say($"Text is read as UTF-8 here, and as nothing else."))
                .ExecuteAsync(http);
            return;
        }
        await next(http);
    }

    private static bool IsUtf8(string charset) => charset.Trim('"').Equals(Encoding.UTF8.WebName, StringComparison.OrdinalIgnoreCase);
}
