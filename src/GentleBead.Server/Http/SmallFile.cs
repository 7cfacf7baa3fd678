using System.Text;
using Microsoft.AspNetCore.Http.Metadata;

namespace GentleBead.Server.Http;

/// <summary>A small file that is sent as the body of a request and read in one go.</summary>
public static class SmallFile
{
    // What a spreadsheet on an office computer writes where it does not write UTF-8; Latin-1 differs from it in no letter of a name.
    private static readonly Encoding Office = Encoding.Latin1;
    private static readonly UTF8Encoding Strict = new(encoderShouldEmitUTF8Identifier: false, throwOnInvalidBytes: true);

    /// <summary>Lets an endpoint be sent such a file, and one that is too large by as much again: that is told in words.</summary>
    /// <param name="endpoint">The endpoint.</param>
    /// <param name="most">The most bytes.</param>
    public static RouteHandlerBuilder TakesSmallFile(this RouteHandlerBuilder endpoint, int most) =>
        endpoint.WithMetadata(new SizeLimit(2L * most));

    private sealed record SizeLimit(long? MaxRequestBodySize) : IRequestSizeLimitMetadata;

    /// <summary>The text of a file, in UTF-8 or else as an office computer writes it; null where it is larger than may be.</summary>
    /// <param name="request">The request.</param>
    /// <param name="most">The most bytes.</param>
    public static async Task<string?> TextAsync(HttpRequest request, int most, CancellationToken cancel)
    {
        var bytes = new byte[most + 1];
        var read = await request.Body.ReadAtLeastAsync(bytes, bytes.Length, throwOnEndOfStream: false, cancel);
        if (read > most)
            return null;
        var file = bytes.AsSpan(0, read);
        try
        {
            return Strict.GetString(file).TrimStart('\uFEFF');
        }
        catch (DecoderFallbackException)
        {
            return Office.GetString(file);
        }
    }
}
