using System.Net.Sockets;
using System.Text.Json;
using GentleBead.Server.Database;
using GentleBead.Server.Json;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.HttpResults;
using Npgsql;

namespace GentleBead.Server.Http;

/// <summary>Errors as problem details (RFC 9457) that name the field.</summary>
public static class Problems
{
    private const string AskAgainAfter = "2";

    // What a database says that is full, going down or coming up, and not broken (PostgreSQL's error classes 53, 57P and 08).
    private static readonly string[] Passing = ["53", "57P", "08"];

    /// <summary>One field and what is accepted there.</summary>
    public static ValidationProblem Field(string field, string message) =>
        TypedResults.ValidationProblem(new Dictionary<string, string[]> { [field] = [message] });

    /// <summary>Several fields.</summary>
    public static ValidationProblem Fields(IReadOnlyDictionary<string, string> problems) =>
        TypedResults.ValidationProblem(problems.ToDictionary(problem => problem.Key, problem => new[] { problem.Value }));

    /// <summary>Says that an endpoint's writes can be repeated under one id, and that another body under it is told.</summary>
    public static RouteHandlerBuilder Repeatable(this RouteHandlerBuilder endpoint) => endpoint.ProducesProblem(StatusCodes.Status409Conflict);

    /// <summary>There is more to do than can be done now; when to come again stands beside it.</summary>
    public static async Task TooBusyAsync(HttpContext http, string title)
    {
        http.Response.Headers.RetryAfter = AskAgainAfter;
        await TypedResults.Problem(statusCode: StatusCodes.Status503ServiceUnavailable, title: title).ExecuteAsync(http);
    }

    /// <summary>Answers requests that end in an exception: a slip of the sender's at its field, a database that is busy or away with when to come again.</summary>
    public static void UseReadableRequests(this IApplicationBuilder app) => app.UseExceptionHandler(new ExceptionHandlerOptions
    {
        // Somebody's slip is answered, not logged as trouble of ours.
        SuppressDiagnosticsCallback = context => context.Exception is BadHttpRequestException or OtherBodyException or TooBusyException or OperationCanceledException,
        ExceptionHandler = AnswerAsync,
    });

    private static Task AnswerAsync(HttpContext http) => http.Features.Get<IExceptionHandlerFeature>()?.Error switch
    {
        BadHttpRequestException { InnerException: JsonException json } => Field(PathOf(json), Said(json)).ExecuteAsync(http),
        BadHttpRequestException bad => TypedResults.Problem(statusCode: bad.StatusCode, title: "The request could not be read.").ExecuteAsync(http),
        OtherBodyException => TypedResults.Problem(
            statusCode: StatusCodes.Status409Conflict, title: "This was saved at an earlier try, with something else in it. What was saved first stands.").ExecuteAsync(http),
        TooBusyException busy => TooBusyAsync(http, $"{busy.Message} Try again in a moment."),
        NpgsqlException away when IsPassing(away) => TooBusyAsync(http, "The database is busy or does not answer. Try again in a moment."),
        OperationCanceledException => Task.CompletedTask,
        _ => TypedResults.Problem(statusCode: 500, title: "Something broke on the server.").ExecuteAsync(http),
    };

    private static bool IsPassing(NpgsqlException failed) => failed is PostgresException { SqlState: var state }
        ? Passing.Any(passing => state.StartsWith(passing, StringComparison.Ordinal))
        : failed.IsTransient || failed.InnerException is TimeoutException or SocketException or IOException;

    private static string PathOf(JsonException json)
    {
        var path = (json.Path ?? "$").Replace("$.", "", StringComparison.Ordinal);
        return json is not MemberRefusedException refused ? path
            : path.EndsWith(refused.Member, StringComparison.Ordinal) ? path : path == "$" ? refused.Member : $"{path}.{refused.Member}";
    }

    private static string Said(JsonException json) => json is MemberRefusedException ? json.Message : "This is not a value that can stand here.";
}
