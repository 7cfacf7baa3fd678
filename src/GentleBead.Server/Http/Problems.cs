using System.Diagnostics;
using System.Net.Sockets;
using System.Reflection;
using System.Text.Json;
using GentleBead.Server.Database;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Metadata;
using Npgsql;

namespace GentleBead.Server.Http;

/// <summary>The body of an answer that is not what was asked for: problem details (RFC 9457), its sentences as data.</summary>
/// <param name="Title">What is wrong, in plain words for whoever reads the answer itself.</param>
/// <param name="Status">The status code.</param>
/// <param name="Said">The same as data.</param>
/// <param name="Problems">What is wrong field by field; empty where it is not about a field.</param>
public sealed record ProblemAnswer(string Title, int Status, Said Said, IReadOnlyList<Problem> Problems);

/// <summary>An answer that is not what was asked for.</summary>
/// <param name="status">The status code.</param>
/// <param name="said">What is wrong and what to do.</param>
/// <param name="problems">Field by field, where it is about fields.</param>
public class Told(int status, Said said, params IReadOnlyList<Problem> problems) : IResult
{
    internal const string ContentType = "application/problem+json";

    /// <inheritdoc/>
    public Task ExecuteAsync(HttpContext httpContext)
    {
        httpContext.Response.StatusCode = status;
        return httpContext.Response.WriteAsJsonAsync(new ProblemAnswer($"{said}", status, said, problems), options: null, ContentType);
    }
}

/// <summary>Something was put in wrong: where, and what is accepted there.</summary>
/// <param name="problems">At least one.</param>
public sealed class Wrong(params IReadOnlyList<Problem> problems)
    : Told(StatusCodes.Status400BadRequest, Say($"Something was put in wrong."), problems),
        IEndpointMetadataProvider
{
    /// <inheritdoc/>
    public static void PopulateMetadata(MethodInfo method, EndpointBuilder builder) =>
        builder.Metadata.Add(new ProducesResponseTypeMetadata(StatusCodes.Status400BadRequest, typeof(ProblemAnswer), [ContentType]));
}

/// <summary>Answers that name what is wrong.</summary>
public static class Problems
{
    private const string AskAgainAfter = "2";

    // What a database says that is full, going down, coming up or on its way to another server, and not broken (PostgreSQL's error classes
    // 53, 57P and 08, and 25006).
    private static readonly string[] Passing = ["53", "57P", "08", PostgresErrorCodes.ReadOnlySqlTransaction];

    /// <summary>One field and what is accepted there.</summary>
    public static Wrong Field(string field, Said said) => new(new Problem(field, said));

    /// <summary>Several fields.</summary>
    public static Wrong Of(IReadOnlyList<Problem> problems) => new(problems);

    /// <summary>Something that is not about a field.</summary>
    public static Told Told(int status, Said said) => new(status, said);

    /// <summary>Says in the document that an endpoint can answer so.</summary>
    public static RouteHandlerBuilder ProducesTold(this RouteHandlerBuilder endpoint, int status) =>
        endpoint.Produces<ProblemAnswer>(status, Http.Told.ContentType);

    /// <summary>Says that an endpoint's writes can be repeated under one id, and that another body under it is told.</summary>
    public static RouteHandlerBuilder Repeatable(this RouteHandlerBuilder endpoint) => endpoint.ProducesTold(StatusCodes.Status409Conflict);

    /// <summary>There is more to do than can be done now; when to come again stands beside it.</summary>
    public static Task TooBusyAsync(HttpContext http, Said said)
    {
        http.Response.Headers.RetryAfter = AskAgainAfter;
        return Told(StatusCodes.Status503ServiceUnavailable, said).ExecuteAsync(http);
    }

    /// <summary>
    /// Answers requests that end in an exception: a slip of the sender's at
    /// its field, a database that is busy or away with when to come again.
    /// </summary>
    public static void UseReadableRequests(this IApplicationBuilder app) =>
        app.UseExceptionHandler(
            new ExceptionHandlerOptions
            {
                // Somebody's slip is answered, not logged as trouble of ours.
                SuppressDiagnosticsCallback = context =>
                    context.Exception is BadHttpRequestException or OtherBodyException or TooBusyException or OperationCanceledException,
                ExceptionHandler = AnswerAsync,
            }
        );

    private static Task AnswerAsync(HttpContext http) =>
        http.Features.Get<IExceptionHandlerFeature>()?.Error switch
        {
            BadHttpRequestException { InnerException: JsonException json } => Field(PathOf(json), SaidOf(json)).ExecuteAsync(http),
            BadHttpRequestException bad => Told(bad.StatusCode, Say($"The request could not be read.")).ExecuteAsync(http),
            OtherBodyException => Told(
                    StatusCodes.Status409Conflict,
                    Say($"This was saved at an earlier try, with something else in it. What was saved first stands.")
                )
                .ExecuteAsync(http),
            TooBusyException busy => TooBusyAsync(http, Sentences(busy.Said, Say($"Try again in a moment."))),
            NpgsqlException away when IsPassing(away) => TooBusyAsync(
                http,
                Say($"The database is busy or does not answer. Try again in a moment.")
            ),
            OperationCanceledException => Task.CompletedTask,
            _ => BrokeAsync(http),
        };

    // By the number that stands in the log beside what broke.
    private static Task BrokeAsync(HttpContext http)
    {
        var number = Activity.Current?.TraceId.ToHexString() ?? http.TraceIdentifier;
        var where = Say($"Whoever looks after it finds it in the log by this number: {number.Name()}");
        return Told(StatusCodes.Status500InternalServerError, Sentences(Say($"Something broke on the server."), where)).ExecuteAsync(http);
    }

    private static bool IsPassing(NpgsqlException failed) =>
        failed is PostgresException { SqlState: var state }
            ? Passing.Any(passing => state.StartsWith(passing, StringComparison.Ordinal))
            : failed.IsTransient || failed.InnerException is TimeoutException or SocketException or IOException;

    private static string PathOf(JsonException json)
    {
        var path = (json.Path ?? "$").Replace("$.", "", StringComparison.Ordinal);
        return json is not MemberRefusedException refused ? path
            : path.EndsWith(refused.Member, StringComparison.Ordinal) ? path
            : path == "$" ? refused.Member
            : $"{path}.{refused.Member}";
    }

    private static Said SaidOf(JsonException json) =>
        json is MemberRefusedException refused ? refused.Said : Say($"This is not a value that can stand here.");
}
