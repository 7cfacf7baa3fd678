using System.Net;
using System.Text;

namespace GentleBead.Server.Network;

/// <summary>
/// What a tablet meets without TLS: where to go, whom to trust and how. Nothing of the school is to be had here, and nothing is taken.
/// </summary>
public sealed class Signpost(RequestDelegate next, ShopNetworkOptions options, ShopCertificate certificate)
{
    /// <summary>Where the authority's certificate is taken.</summary>
    public const string CertificatePath = "/authority.crt";

    /// <summary>Answers what came by the signpost's own port; passes on everything else.</summary>
    public Task InvokeAsync(HttpContext http)
    {
        if (http.Connection.LocalPort != options.SignpostPort)
            return next(http);
        if (!HttpMethods.IsGet(http.Request.Method) && !HttpMethods.IsHead(http.Request.Method))
        {
            http.Response.StatusCode = StatusCodes.Status405MethodNotAllowed;
            return Task.CompletedTask;
        }
        return http.Request.Path == CertificatePath ? SendCertificateAsync(http.Response) : SendPageAsync(http.Response);
    }

    private Task SendCertificateAsync(HttpResponse response)
    {
        if (certificate.Authority is not { } authority)
        {
            response.StatusCode = StatusCodes.Status404NotFound;
            return Task.CompletedTask;
        }
        response.ContentType = "application/x-x509-ca-cert";
        response.Headers.ContentDisposition = "attachment; filename=\"gentle-bead-authority.crt\"";
        return response.Body.WriteAsync(authority.Certificate).AsTask();
    }

    private Task SendPageAsync(HttpResponse response)
    {
        response.ContentType = "text/html; charset=utf-8";
        return response.WriteAsync(Page(certificate.Names.At("https", options.TlsPort)));
    }

    private string Page(IReadOnlyList<Uri> addresses)
    {
        var page = new StringBuilder(
            """
            <!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
            <title>Gentle Bead</title><style>
            body { font: 1.125rem/1.5 system-ui, sans-serif; max-width: 38rem; margin: 2rem auto; padding: 0 1rem }
            body { color: #1d2430; background: #fff }
            a { color: #1c4f8f } a.key { display: inline-block; padding: .75rem 1.25rem; border: 2px solid; border-radius: .5rem }
            code { overflow-wrap: anywhere } li { margin: .25rem 0 }
            @media (prefers-color-scheme: dark) { body { color: #e8ebf0; background: #171b22 } a { color: #9cc4f5 } }
            </style></head><body><main><h1>Gentle Bead</h1>
            """
        );
        if (certificate.Authority is { } authority)
        {
            page.Append(
                $"""
                <p>This server is reached by TLS. A tablet is told once to trust the shop's authority; then it goes to the address
                below.</p>
                <p><a class="key" href="{CertificatePath}">1. Take the authority's certificate</a></p>
                """
            );
            AppendAddresses(page, "2. Open Gentle Bead", addresses);
            page.Append(
                $"<p>Compare before you trust it. The authority's fingerprint (SHA-256), which Gentle Bead shows under Settings, "
                    + $"Shop network:</p><p><code>{authority.Fingerprint}</code></p><h2>How to trust it</h2>"
            );
            foreach (var (kind, steps) in TrustSteps.All)
            {
                page.Append($"<h3>{Written(kind)}</h3><ol>");
                foreach (var step in steps)
                    page.Append($"<li>{Written(step)}</li>");
                page.Append("</ol>");
            }
        }
        else
        {
            page.Append("<p>This server is reached by TLS.</p>");
            AppendAddresses(page, "Open Gentle Bead", addresses);
        }
        return page.Append("</main></body></html>").ToString();
    }

    private static void AppendAddresses(StringBuilder page, string first, IReadOnlyList<Uri> addresses)
    {
        page.Append($"""<p><a class="key" href="{addresses[0]}">{first}: {addresses[0]}</a></p>""");
        if (addresses.Count == 1)
            return;
        page.Append("<p>Where the tablet does not find that:</p><ul>");
        foreach (var other in addresses.Skip(1))
            page.Append($"""<li><a href="{other}">{other}</a></li>""");
        page.Append("</ul>");
    }

    private static string Written(Said said) => WebUtility.HtmlEncode(said.In(Units.Metric));
}
