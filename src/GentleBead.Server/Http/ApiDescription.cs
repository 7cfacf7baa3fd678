using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace GentleBead.Server.Http;

/// <summary>
/// What the OpenAPI document says of every endpoint beside its own words: how to sign in, what can come back, what a file may be.
/// </summary>
public static class ApiDescription
{
    private const string Scheme = "cookie";

    private static readonly Dictionary<int, string> Answers = new()
    {
        [StatusCodes.Status401Unauthorized] = "Nobody is signed in.",
        [StatusCodes.Status403Forbidden] = "Whoever is signed in may not do this.",
        [StatusCodes.Status413PayloadTooLarge] = "The body is larger than is taken here.",
        [StatusCodes.Status429TooManyRequests] = "Too many tries; wait a minute.",
        [StatusCodes.Status503ServiceUnavailable] = "The server or its database is busy; Retry-After says when to come again.",
    };

    /// <summary>Adds the way of signing in.</summary>
    public static Task DescribeDocumentAsync(OpenApiDocument document, OpenApiDocumentTransformerContext context, CancellationToken cancel)
    {
        document.Components ??= new OpenApiComponents();
        document.Components.SecuritySchemes ??= new Dictionary<string, IOpenApiSecurityScheme>();
        document.Components.SecuritySchemes[Scheme] = new OpenApiSecurityScheme
        {
            Type = SecuritySchemeType.ApiKey,
            In = ParameterLocation.Cookie,
            Name = "gentlebead",
            Description = "Set by POST /api/people/sign-in.",
        };
        return Task.CompletedTask;
    }

    /// <summary>Adds what follows from an endpoint's metadata.</summary>
    public static Task DescribeOperationAsync(
        OpenApiOperation operation,
        OpenApiOperationTransformerContext context,
        CancellationToken cancel
    )
    {
        var metadata = context.Description.ActionDescriptor.EndpointMetadata;
        operation.Responses ??= [];
        if (!metadata.OfType<IAllowAnonymous>().Any())
        {
            Add(StatusCodes.Status401Unauthorized);
            if (metadata.OfType<IAuthorizeData>().Any(data => data.Policy == Access.Instructor))
                Add(StatusCodes.Status403Forbidden);
            operation.Security = [new OpenApiSecurityRequirement { [new OpenApiSecuritySchemeReference(Scheme, context.Document)] = [] }];
        }
        Add(StatusCodes.Status503ServiceUnavailable);
        if (metadata.OfType<UploadBody>().FirstOrDefault() is { } upload)
        {
            operation.RequestBody = new OpenApiRequestBody
            {
                Required = true,
                Content = upload.MediaTypes.ToDictionary(
                    type => type,
                    _ => new OpenApiMediaType
                    {
                        Schema = new OpenApiSchema { Type = JsonSchemaType.String, Format = "binary" },
                    }
                ),
            };
        }
        if (operation.RequestBody is not null)
            Add(StatusCodes.Status413PayloadTooLarge);
        return Task.CompletedTask;

        void Add(int status) => operation.Responses.TryAdd($"{status}", new OpenApiResponse { Description = Answers[status] });
    }
}
