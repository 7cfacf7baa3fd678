using System.Globalization;
using System.Security.Claims;
using GentleBead.Core.Costs;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Costs;

/// <summary>What something costs and gives, by its name.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Cost">What it costs and gives.</param>
public sealed record CostLine(Said Name, UseCost Cost);

/// <summary>What a room costs and gives.</summary>
/// <param name="From">The first month, by its first day.</param>
/// <param name="Until">The last month, by its first day.</param>
/// <param name="Currency">What prices are in; empty where nobody said.</param>
/// <param name="Whole">All of it.</param>
/// <param name="Machines">By machine, what is used most first.</param>
/// <param name="Wires">By wire, likewise: the wire alone.</param>
/// <param name="Gases">By gas, likewise: the gas alone.</param>
/// <param name="Timed">Beads with the arc timed; of the others it is reckoned.</param>
/// <param name="Unpriced">What was used and has no price.</param>
public sealed record CostView(
    DateOnly From,
    DateOnly Until,
    string Currency,
    UseCost Whole,
    IReadOnlyList<CostLine> Machines,
    IReadOnlyList<CostLine> Wires,
    IReadOnlyList<CostLine> Gases,
    int Timed,
    IReadOnlyList<Said> Unpriced
);

/// <summary>Other prices.</summary>
/// <param name="Id">The id of what is added.</param>
/// <param name="Edition">The edition they were changed from; 0 for the first.</param>
/// <param name="Prices">The prices.</param>
public sealed record NewPrices(Guid Id, int Edition, PriceList Prices);

/// <summary>What machines, wires and gases cost and give.</summary>
public static class CostEndpoints
{
    // A term is a quarter of it; past it a table says less, not more.
    private const int MostMonths = 24;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var costs = app.MapGroup("/api/costs").WithTags("costs").RequireAuthorization(Access.Instructor);
        costs.MapGet("", ViewAsync);
        costs.MapGet("/csv", CsvAsync);
        costs.MapGet("/prices", async (CostStore store, CancellationToken cancel) => await store.PricesAsync(cancel));
        costs.MapPut("/prices", SetAsync).Repeatable();
    }

    private static async Task<Results<Ok<CostView>, Wrong>> ViewAsync(
        DateOnly? from,
        DateOnly? until,
        CostStore store,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        var (months, wrong) = Of(from, until, await clock.TodayAsync(cancel));
        return wrong is null ? TypedResults.Ok(await ReadAsync(months!, store, cancel)) : Problems.Field("until", wrong);
    }

    private static async Task<Results<FileContentHttpResult, Wrong>> CsvAsync(
        DateOnly? from,
        DateOnly? until,
        CostStore store,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        var (months, wrong) = Of(from, until, await clock.TodayAsync(cancel));
        return wrong is null
            ? TypedResults.File(WriteCsv(await ReadAsync(months!, store, cancel)), "text/csv; charset=utf-8", "costs.csv")
            : Problems.Field("until", wrong);
    }

    private static async Task<Results<NoContent, Wrong, Told>> SetAsync(
        NewPrices request,
        ClaimsPrincipal user,
        CostStore store,
        CancellationToken cancel
    )
    {
        if (request.Prices is null)
            return Problems.Field("prices", Say($"What things cost."));
        var prices = request.Prices with { Currency = (request.Prices.Currency ?? "").Trim() };
        if (prices.Problems().ToArray() is { Length: > 0 } problems)
            return Problems.Of([.. problems.Select(problem => problem.Under("prices"))]);
        return await store.SetAsync(request.Id, prices, request.Edition, user.Id(), Sent.Of(request), cancel)
            ? TypedResults.NoContent()
            : Problems.Told(
                StatusCodes.Status409Conflict,
                Say($"Somebody has noted other prices since you opened this. Look at them again, then change them.")
            );
    }

    // The last three months where nobody says which.
    private static (Months? Months, Said? Wrong) Of(DateOnly? from, DateOnly? until, DateOnly today)
    {
        var last = First(until ?? today);
        var first = First(from ?? last.AddMonths(-2));
        return first > last ? (null, Say($"The last month is before the first."))
            : first.AddMonths(MostMonths) <= last ? (null, Say($"At most {MostMonths} months."))
            : (new(first, last), null);
    }

    private static DateOnly First(DateOnly day) => new(day.Year, day.Month, 1);

    private static async Task<CostView> ReadAsync(Months months, CostStore store, CancellationToken cancel)
    {
        var prices = (await store.PricesAsync(cancel)).Prices;
        var (uses, parts) = (await store.UsesAsync(months, cancel), await store.PartsAsync(months, cancel));
        var costs = RoomCosts.Of(uses.Rows, parts.Rows, await store.BottlesAsync(months, cancel), prices);
        return new(
            months.From,
            months.Until,
            prices.Currency,
            costs.Whole,
            Lines(costs.Machines, id => Say($"{(uses.Names.GetValueOrDefault(id) ?? parts.Names[id]).Name()}")),
            Lines(costs.Wires, RoomCosts.InWords),
            Lines(costs.Gases, gas => gas.Facts().Name),
            costs.Timed,
            costs.Unpriced
        );
    }

    private static IReadOnlyList<CostLine> Lines<T>(IReadOnlyList<CostOf<T>> costs, Func<T, Said> name) =>
        [.. costs.OrderByDescending(one => one.Cost.ArcHours).Select(one => new CostLine(name(one.Of), one.Cost))];

    private static byte[] WriteCsv(CostView view) =>
        CsvTable.Write([
            [
                "kind",
                "name",
                "beads",
                "right",
                "arc hours",
                "wire kg",
                "gas m3",
                "gas m3 by the gauge",
                "parts replaced",
                "arc hours a tip",
                "cost",
                "cost of a right bead",
            ],
            .. view.Machines.Select(line => Row("machine", line)),
            .. view.Wires.Select(line => Row("wire", line)),
            .. view.Gases.Select(line => Row("gas", line)),
        ]);

    private static IEnumerable<string> Row(string kind, CostLine line) =>
        [
            kind,
            line.Name.In(Units.Metric),
            Number(line.Cost.Beads),
            Number(line.Cost.Right),
            Number(line.Cost.ArcHours),
            Number(line.Cost.WireKg),
            Number(line.Cost.GasM3),
            Number(line.Cost.GaugeM3),
            Number(line.Cost.Parts),
            Number(line.Cost.HoursPerTip),
            Number(line.Cost.Cost),
            Number(line.Cost.PerRightBead),
        ];

    private static string Number(double? number) => number?.ToString("0.###", CultureInfo.InvariantCulture) ?? "";
}
