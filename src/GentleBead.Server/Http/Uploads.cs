using Microsoft.AspNetCore.Http.Metadata;

namespace GentleBead.Server.Http;

/// <summary>What a file may be that an endpoint takes as its body.</summary>
/// <param name="MaxRequestBodySize">The most bytes, and a little for what stands around them.</param>
/// <param name="MediaTypes">What it may be, for the document; what it is, is read from its bytes.</param>
public sealed record UploadBody(long? MaxRequestBodySize, IReadOnlyList<string> MediaTypes) : IRequestSizeLimitMetadata;

/// <summary>Files sent as they are, up to a size.</summary>
public static class Uploads
{
    /// <summary>Lets an endpoint take a body of so many bytes.</summary>
    public static RouteHandlerBuilder WithUpload(this RouteHandlerBuilder endpoint, int mostBytes, params string[] mediaTypes) =>
        endpoint.WithMetadata(new UploadBody(mostBytes + 1024, mediaTypes));

    /// <summary>Reads a body whole; null where it is longer. For small files: large ones go through the upload store.</summary>
    public static async Task<byte[]?> ReadUploadAsync(this HttpRequest request, int mostBytes, CancellationToken cancellation)
    {
        if (request.ContentLength > mostBytes)
            return null;
        using var sent = new MemoryStream();
        var buffer = new byte[81920];
        int read;
        while ((read = await request.Body.ReadAsync(buffer, cancellation)) > 0)
        {
            if (sent.Length + read > mostBytes)
                return null;
            await sent.WriteAsync(buffer.AsMemory(0, read), cancellation);
        }
        return sent.ToArray();
    }
}
