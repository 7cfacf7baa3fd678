using GentleBead.Core.Machines;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Costs;

/// <summary>What a wire costs.</summary>
/// <param name="Wire">Which wire.</param>
/// <param name="PerKg">Price of a kilogram; 0 to 100,000.</param>
public sealed record WirePrice(Wire Wire, double PerKg);

/// <summary>What a gas costs.</summary>
/// <param name="Gas">Which gas.</param>
/// <param name="PerM3">Price of a cubic metre as sold, at 15 °C and 1 bar; 0 to 100,000.</param>
public sealed record GasPrice(Gas Gas, double PerM3);

/// <summary>What a part costs.</summary>
/// <param name="Part">Which part.</param>
/// <param name="Each">Price of one; 0 to 100,000.</param>
public sealed record PartPrice(Part Part, double Each);

/// <summary>What a school pays for what is used up, in a currency of its own.</summary>
/// <param name="Currency">What stands behind each price, such as EUR; up to 8 letters.</param>
/// <param name="Wires">Prices of wires; each at most once.</param>
/// <param name="Gases">Prices of gases; each at most once.</param>
/// <param name="Parts">Prices of parts; each at most once.</param>
public sealed record PriceList(
    string Currency,
    IReadOnlyList<WirePrice> Wires,
    IReadOnlyList<GasPrice> Gases,
    IReadOnlyList<PartPrice> Parts
)
{
    private const int LongestCurrency = 8;
    private const double Dearest = 100_000;

    /// <summary>Nothing is priced.</summary>
    public static PriceList None { get; } = new("", [], [], []);

    /// <summary>What lies outside its range or stands twice, by JSON field.</summary>
    public IEnumerable<Problem> Problems()
    {
        if (Currency is null || Currency.Length > LongestCurrency)
            yield return new("currency", Say($"A currency in up to {LongestCurrency} letters."));
        foreach (var problem in Of("wires", Wires, price => price.Wire, price => price.PerKg))
            yield return problem;
        foreach (var problem in Of("gases", Gases, price => price.Gas, price => price.PerM3))
            yield return problem;
        foreach (var problem in Of("parts", Parts, price => price.Part, price => price.Each))
            yield return problem;
    }

    private static IEnumerable<Problem> Of<T, TKey>(string field, IReadOnlyList<T>? prices, Func<T, TKey> of, Func<T, double> price)
    {
        if (prices is null || prices.Any(one => one is null))
        {
            yield return new(field, Say($"A list of prices."));
            yield break;
        }
        foreach (var (at, one) in prices.Index())
        {
            if (!(price(one) is >= 0 and <= Dearest))
                yield return new($"{field}[{at}]", Say($"A price from 0 to {Dearest}."));
            if (prices.Take(at).Any(earlier => Equals(of(earlier), of(one))))
                yield return new($"{field}[{at}]", Say($"This one has a price above."));
        }
    }
}
