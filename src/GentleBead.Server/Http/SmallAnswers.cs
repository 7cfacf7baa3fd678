using System.IO.Compression;
using Microsoft.AspNetCore.ResponseCompression;

namespace GentleBead.Server.Http;

/// <summary>Answers of the API are compressed on their way; pictures and sound are packed already.</summary>
public static class SmallAnswers
{
    /// <summary>
    /// Adds the compression: quick rather than small, for an answer waits for it. Over TLS too: no answer of ours holds a secret beside
    /// what the asker sent, and cookies stay with our own site (SameSite=Strict).
    /// </summary>
    public static IServiceCollection AddSmallAnswers(this IServiceCollection services) =>
        services
            .AddResponseCompression(options =>
            {
                options.EnableForHttps = true;
                options.Providers.Add<BrotliCompressionProvider>();
                options.Providers.Add<GzipCompressionProvider>();
                options.MimeTypes = ["application/json", "application/problem+json", "text/csv", "text/html", "image/svg+xml"];
            })
            .Configure<BrotliCompressionProviderOptions>(options => options.Level = CompressionLevel.Fastest)
            .Configure<GzipCompressionProviderOptions>(options => options.Level = CompressionLevel.Fastest);
}
