using Microsoft.AspNetCore.Http.Metadata;

namespace GentleBead.Server;

/// <summary>Files sent as they are, up to a size.</summary>
public static class Uploads
{
    /// <summary>Lets an endpoint take a body of so many bytes, and a little for what stands around it.</summary>
    public static RouteHandlerBuilder WithUpload(this RouteHandlerBuilder endpoint, int mostBytes) => endpoint.WithMetadata(new SizeLimit(mostBytes + 1024));

    /// <summary>Reads a body whole; null where it is longer.</summary>
    public static async Task<byte[]?> ReadUploadAsync(this HttpRequest request, int mostBytes, CancellationToken cancellation)
    {
        if (request.ContentLength > mostBytes) return null;
        using var sent = new MemoryStream();
        var buffer = new byte[81920];
        int read;
        while ((read = await request.Body.ReadAsync(buffer, cancellation)) > 0)
        {
            if (sent.Length + read > mostBytes) return null;
            await sent.WriteAsync(buffer.AsMemory(0, read), cancellation);
        }
        return sent.ToArray();
    }

    private sealed record SizeLimit(long? MaxRequestBodySize) : IRequestSizeLimitMetadata;
}
