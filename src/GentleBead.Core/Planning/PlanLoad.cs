using GentleBead.Core.Stock;

namespace GentleBead.Core.Planning;

/// <summary>What is on a machine, as far as changing it takes time.</summary>
/// <param name="Wire">The wire; null where it is set up for TIG.</param>
/// <param name="Gas">The gas.</param>
/// <param name="Polarity">What the torch is joined to.</param>
public sealed record PlanLoad(Wire? Wire, Gas Gas, Polarity Polarity)
{
    /// <summary>In a sentence: "0.8 mm steel wire, 75/25".</summary>
    public Said InWords => Say($"{WireInWords}, {Gas.Facts().Name}, {Polarity.Words()}");

    /// <summary>The wire in a sentence: "0.8 mm steel wire", or "TIG".</summary>
    public Said WireInWords => Wire is { } wire ? Say($"{wire.Facts().Name} {wire.Facts().Kind.Words()} wire") : Say($"TIG");
}

/// <summary>One thing that takes time when a machine is set up for something else.</summary>
/// <param name="Part">What is changed.</param>
/// <param name="Minutes">How long that takes.</param>
/// <param name="Needed">Whether it has to be changed from one to the other.</param>
public sealed record ChangeOver(Said Part, int Minutes, Func<PlanLoad, PlanLoad, bool> Needed);

/// <summary>
/// What changing over takes. Common practice, no source: wire 10 to 15 min, gas, polarity and rolls 5, MIG to TIG 5 to 10.
/// </summary>
public static class ChangeOvers
{
    /// <summary>Minutes it takes to put another of a booth's machines to work.</summary>
    public const int OtherMachineMinutes = 8;

    /// <summary>Everything that takes time.</summary>
    public static IReadOnlyList<ChangeOver> Table { get; } =
    [
        new(Say($"wire"), 12, (from, to) => from.Wire is { } on && to.Wire is { } wanted && on != wanted),
        new(Say($"rolls"), 5, (from, to) => from.Wire is { } on && to.Wire is { } wanted && on.Facts().Rolls != wanted.Facts().Rolls),
        new(Say($"MIG to TIG"), 9, (from, to) => from.Wire is null != to.Wire is null),
        new(Say($"gas"), 5, (from, to) => from.Gas != to.Gas),
        new(Say($"polarity"), 5, (from, to) => from.Polarity != to.Polarity),
    ];

    /// <summary>Minutes it takes to go from one to the other; 0 where nothing is changed.</summary>
    public static int Minutes(PlanLoad from, PlanLoad to) => Parts(from, to).Sum(part => part.Minutes);

    /// <summary>What is changed from one to the other.</summary>
    public static IEnumerable<ChangeOver> Parts(PlanLoad from, PlanLoad to) => Table.Where(row => row.Needed(from, to));
}
