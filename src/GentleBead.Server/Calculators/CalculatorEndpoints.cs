using GentleBead.Core.Calculators;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Calculators;

/// <summary>A calculator as a screen draws it.</summary>
public sealed record CalculatorForm(string Key, Said Title, Said About, IReadOnlyList<CalculatorField> Fields);

/// <summary>What was filled in; a field to be worked out is left out.</summary>
public sealed record CalculatorInput(IReadOnlyDictionary<string, double>? Numbers, IReadOnlyDictionary<string, string>? Picks);

/// <summary>The quick calculators.</summary>
public static class CalculatorEndpoints
{
    private static readonly IReadOnlyList<CalculatorForm> Forms =
    [
        .. CalculatorList.All.Select(calculator => new CalculatorForm(
            calculator.Key,
            calculator.Title,
            calculator.About,
            calculator.Fields
        )),
    ];

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var calculators = app.MapGroup("/api/calculators").WithTags("calculators").RequireAuthorization(Access.SignedIn);
        calculators.MapGet("/", () => Forms);
        calculators.MapPost("/{key}", Run);
    }

    private static Results<Ok<IReadOnlyList<CalculatorResult>>, NotFound, Wrong> Run(string key, CalculatorInput request)
    {
        if (CalculatorList.All.FirstOrDefault(calculator => calculator.Key == key) is not { } calculator)
            return TypedResults.NotFound();
        var results = calculator.Run(
            request.Numbers ?? new Dictionary<string, double>(),
            request.Picks ?? new Dictionary<string, string>()
        );
        return results.IsGood(out var rows, out var problems) ? TypedResults.Ok(rows) : Problems.Of(problems);
    }
}
