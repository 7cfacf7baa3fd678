using GentleBead.Core.Machines;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Costs;

/// <summary>What a machine was used for with one wire and gas.</summary>
/// <param name="MachineId">Which machine.</param>
/// <param name="Process">By which process.</param>
/// <param name="Wire">With which wire; null for TIG.</param>
/// <param name="Gas">Under which gas.</param>
/// <param name="Beads">Beads laid, withdrawn ones too: they took their wire all the same.</param>
/// <param name="Right">Of these, right and standing.</param>
/// <param name="Timed">Of these, with the arc timed; of the others it is reckoned by the sheet.</param>
/// <param name="ArcSeconds">Arc, seconds.</param>
/// <param name="WireM">Wire run out, metres.</param>
/// <param name="GasL">Gas, litres.</param>
public sealed record ArcUse(
    Guid MachineId,
    Process Process,
    Wire? Wire,
    Gas Gas,
    int Beads,
    int Right,
    int Timed,
    double ArcSeconds,
    double WireM,
    double GasL
);

/// <summary>Parts that were replaced on a machine.</summary>
/// <param name="MachineId">Which machine.</param>
/// <param name="Part">Which part.</param>
/// <param name="Count">How many.</param>
public sealed record PartUse(Guid MachineId, Part Part, int Count);

/// <summary>Gas that went from a machine's bottles by their gauge.</summary>
/// <param name="MachineId">Which machine.</param>
/// <param name="Litres">How much, as free gas.</param>
public sealed record BottleUse(Guid MachineId, double Litres);

/// <summary>What was used and what it gave.</summary>
/// <param name="Beads">Beads laid.</param>
/// <param name="Right">Of these, right.</param>
/// <param name="ArcHours">Arc, hours.</param>
/// <param name="WireKg">Wire, kilograms; filler rods of TIG are not in it.</param>
/// <param name="GasM3">Gas, cubic metres, while the arc burnt: before and after, and leaks, are not in it.</param>
/// <param name="GaugeM3">The same by the bottles' gauges; null where none was read twice.</param>
/// <param name="Parts">Parts that were replaced.</param>
/// <param name="HoursPerTip">Arc hours to a contact tip; null where none was replaced.</param>
/// <param name="Cost">What it cost; null where something of it has no price.</param>
/// <param name="PerRightBead">What a right bead cost; null likewise, and without one.</param>
public sealed record UseCost(
    int Beads,
    int Right,
    double ArcHours,
    double WireKg,
    double GasM3,
    double? GaugeM3,
    int Parts,
    double? HoursPerTip,
    double? Cost,
    double? PerRightBead
);

/// <summary>What one of a kind costs and gives.</summary>
/// <typeparam name="T">Of what.</typeparam>
/// <param name="Of">Which.</param>
/// <param name="Cost">What it costs and gives.</param>
public sealed record CostOf<T>(T Of, UseCost Cost);

/// <summary>What a room costs and gives over a time: as a whole, by machine, by wire, by gas.</summary>
/// <param name="Whole">All of it.</param>
/// <param name="Machines">By machine, with all it used.</param>
/// <param name="Wires">By wire: the wire alone.</param>
/// <param name="Gases">By gas: the gas alone.</param>
/// <param name="Timed">Beads with the arc timed.</param>
/// <param name="Unpriced">What was used and has no price, in words.</param>
public sealed record RoomCosts(
    UseCost Whole,
    IReadOnlyList<CostOf<Guid>> Machines,
    IReadOnlyList<CostOf<Wire>> Wires,
    IReadOnlyList<CostOf<Gas>> Gases,
    int Timed,
    IReadOnlyList<Said> Unpriced
)
{
    /// <summary>Reckons it.</summary>
    /// <param name="uses">What machines were used for.</param>
    /// <param name="parts">Parts that were replaced.</param>
    /// <param name="bottles">Gas by the gauge.</param>
    /// <param name="prices">What things cost.</param>
    public static RoomCosts Of(IReadOnlyList<ArcUse> uses, IReadOnlyList<PartUse> parts, IReadOnlyList<BottleUse> bottles, PriceList prices)
    {
        var list = new Prices(prices);
        var machines = uses.Select(use => use.MachineId).Concat(parts.Select(part => part.MachineId)).Distinct();
        return new(
            Reckon(uses, parts, bottles, list),
            [
                .. machines.Select(id => new CostOf<Guid>(
                    id,
                    Reckon(
                        [.. uses.Where(use => use.MachineId == id)],
                        [.. parts.Where(part => part.MachineId == id)],
                        [.. bottles.Where(bottle => bottle.MachineId == id)],
                        list
                    )
                )),
            ],
            [
                .. uses.Where(use => use.Wire is not null)
                    .GroupBy(use => use.Wire!.Value)
                    .Select(same => new CostOf<Wire>(same.Key, Reckon([.. same.Select(use => use with { GasL = 0 })], [], [], list))),
            ],
            [
                .. uses.Where(use => use.Gas != Gas.None)
                    .GroupBy(use => use.Gas)
                    .Select(same => new CostOf<Gas>(same.Key, Reckon([.. same.Select(use => use with { WireM = 0 })], [], [], list))),
            ],
            uses.Sum(use => use.Timed),
            list.Missing(uses, parts)
        );
    }

    /// <summary>A wire in a list: "0.8 mm solid steel".</summary>
    public static Said InWords(Wire wire) => Say($"{wire.Facts().Name} {wire.Facts().Kind.Words()}");

    private static UseCost Reckon(IReadOnlyList<ArcUse> uses, IReadOnlyList<PartUse> parts, IReadOnlyList<BottleUse> bottles, Prices prices)
    {
        var (right, hours) = (uses.Sum(use => use.Right), uses.Sum(use => use.ArcSeconds) / 3600);
        var tips = parts.Where(part => part.Part == Part.Tip).Sum(part => part.Count);
        // A sum with something unknown in it is unknown.
        var cost = uses.Select(prices.Of).Concat(parts.Select(prices.Of)).Aggregate((double?)0, (sum, one) => sum + one);
        return new(
            uses.Sum(use => use.Beads),
            right,
            hours,
            uses.Sum(Kg),
            uses.Sum(use => use.GasL) / 1000,
            bottles.Count > 0 ? bottles.Sum(bottle => bottle.Litres) / 1000 : null,
            parts.Sum(part => part.Count),
            tips > 0 ? hours / tips : null,
            cost,
            right > 0 ? cost / right : null
        );
    }

    // Metres, square millimetres and grams a cubic centimetre make grams.
    private static double Kg(ArcUse use) =>
        use.Wire is { } wire ? use.WireM * wire.Facts().AreaMm2 * wire.Facts().Kind.Facts().Metal.Facts().DensityGPerCm3 / 1000 : 0;

    private sealed class Prices(PriceList list)
    {
        private readonly Dictionary<Wire, double> wires = list.Wires.ToDictionary(price => price.Wire, price => price.PerKg);
        private readonly Dictionary<Gas, double> gases = list.Gases.ToDictionary(price => price.Gas, price => price.PerM3);
        private readonly Dictionary<Part, double> parts = list.Parts.ToDictionary(price => price.Part, price => price.Each);

        public double? Of(ArcUse use) =>
            (use.WireM > 0 && use.Wire is { } wire ? Kg(use) * Known(wires, wire) : 0)
            + (use.GasL > 0 ? use.GasL / 1000 * Known(gases, use.Gas) : 0);

        public double? Of(PartUse use) => use.Count * Known(parts, use.Part);

        public IReadOnlyList<Said> Missing(IReadOnlyList<ArcUse> uses, IReadOnlyList<PartUse> replaced) =>
            [
                .. uses.Where(use => use.Wire is { } wire && use.WireM > 0 && !wires.ContainsKey(wire))
                    .Select(use => use.Wire!.Value)
                    .Distinct()
                    .Select(InWords),
                .. uses.Where(use => use.GasL > 0 && !gases.ContainsKey(use.Gas))
                    .Select(use => use.Gas)
                    .Distinct()
                    .Select(gas => gas.Facts().Name),
                .. replaced
                    .Where(use => !parts.ContainsKey(use.Part))
                    .Select(use => use.Part)
                    .Distinct()
                    .Select(part => Upkeep.Parts.First(facts => facts.Part == part).Name),
            ];

        private static double? Known<TKey>(Dictionary<TKey, double> prices, TKey of)
            where TKey : struct => prices.TryGetValue(of, out var price) ? price : null;
    }
}
