using System.Text.Json;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Json;

/// <summary>Errors as problem details (RFC 9457) that name the field.</summary>
public static class Problems
{
    /// <summary>One field and what is accepted there.</summary>
    public static ValidationProblem Field(string field, string message) =>
        TypedResults.ValidationProblem(new Dictionary<string, string[]> { [field] = [message] });

    /// <summary>Several fields.</summary>
    public static ValidationProblem Fields(IReadOnlyDictionary<string, string> problems) =>
        TypedResults.ValidationProblem(problems.ToDictionary(problem => problem.Key, problem => new[] { problem.Value }));

    /// <summary>Answers a request whose body could not be read, naming the field where JSON says which.</summary>
    public static void UseReadableRequests(this IApplicationBuilder app) => app.UseExceptionHandler(new ExceptionHandlerOptions
    {
        // Somebody's slip is answered, not logged as trouble of ours.
        SuppressDiagnosticsCallback = context => context.Exception is BadHttpRequestException,
        ExceptionHandler = AnswerAsync,
    });

    private static async Task AnswerAsync(HttpContext http)
    {
        IResult answer = http.Features.Get<IExceptionHandlerFeature>()?.Error switch
        {
            BadHttpRequestException { InnerException: JsonException json } =>
                Field((json.Path ?? "$").Replace("$.", "", StringComparison.Ordinal), "This is not a value that can stand here."),
            BadHttpRequestException bad => TypedResults.Problem(statusCode: bad.StatusCode, title: "The request could not be read."),
            _ => TypedResults.Problem(statusCode: 500, title: "Something broke on the server. Nothing was saved."),
        };
        await answer.ExecuteAsync(http);
    }
}
