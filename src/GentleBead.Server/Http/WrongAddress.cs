using Microsoft.AspNetCore.Routing.Patterns;
using Microsoft.AspNetCore.Routing.Template;

namespace GentleBead.Server.Http;

/// <summary>
/// Answers what no endpoint took: an address that is none, one that takes another method, one that takes another kind of body.
/// </summary>
public static class WrongAddress
{
    /// <summary>Maps the answer for everything under /api.</summary>
    public static void Map(IEndpointRouteBuilder app) => app.MapFallback("/api/{**rest}", Answer).AllowAnonymous();

    private static Told Answer(HttpContext http, IEnumerable<EndpointDataSource> sources)
    {
        var methods = sources
            .SelectMany(source => source.Endpoints)
            .OfType<RouteEndpoint>()
            .Where(endpoint =>
                endpoint.RoutePattern.RawText?.Contains("{*", StringComparison.Ordinal) != true
                && Fits(endpoint.RoutePattern, http.Request.Path)
            )
            .SelectMany(endpoint => endpoint.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? [])
            .ToHashSet();
        if (methods.Count == 0)
            return Problems.Told(StatusCodes.Status404NotFound, Say($"There is no such address."));
        if (methods.Contains(http.Request.Method))
            return Problems.Told(StatusCodes.Status415UnsupportedMediaType, Say($"A body of another kind is expected here: JSON."));
        http.Response.Headers.Allow = string.Join(", ", methods.Order());
        return Problems.Told(
            StatusCodes.Status405MethodNotAllowed,
            Say($"This address takes {string.Join(", ", methods.Order()).Name()}.")
        );
    }

    private static bool Fits(RoutePattern pattern, PathString path)
    {
        var values = new RouteValueDictionary();
        if (
            !new TemplateMatcher(
                TemplateParser.Parse(pattern.RawText!.TrimStart('/')),
                new RouteValueDictionary(pattern.Defaults)
            ).TryMatch(path, values)
        )
            return false;
        return pattern.ParameterPolicies.All(policies =>
            policies.Value.All(policy => policy.Content != "guid") || Guid.TryParse(values[policies.Key]?.ToString(), out _)
        );
    }
}
