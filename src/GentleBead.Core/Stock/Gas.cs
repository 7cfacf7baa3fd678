namespace GentleBead.Core.Stock;

/// <summary>What shields the puddle.</summary>
public enum Gas
{
    /// <summary>No gas: the wire makes its own.</summary>
    None,

    /// <summary>Argon.</summary>
    Argon,

    /// <summary>Argon with a share of helium.</summary>
    ArgonHelium,

    /// <summary>Argon with 2 % oxygen.</summary>
    ArgonOxygen2,

    /// <summary>Argon with 2 % CO2.</summary>
    ArgonCarbon2,

    /// <summary>Argon with 10 % CO2.</summary>
    ArgonCarbon10,

    /// <summary>Argon with 18 % CO2.</summary>
    ArgonCarbon18,

    /// <summary>Argon with 25 % CO2.</summary>
    ArgonCarbon25,

    /// <summary>Pure CO2.</summary>
    Carbon,

    /// <summary>Helium with some argon and 2.5 % CO2, for stainless in short circuit.</summary>
    HeliumMix,
}

/// <summary>What the rules know of a gas.</summary>
/// <param name="Gas">Which gas.</param>
/// <param name="Name">What stands on the bottle.</param>
/// <param name="IsoGroup">Group of ISO 14175, from memory; empty for none.</param>
/// <param name="CarbonPercent">Share of CO2.</param>
/// <param name="OxygenPercent">Share of oxygen.</param>
/// <param name="DipVolts">Volts above 75 % Ar / 25 % CO2 for the same short-circuit arc. Common practice, no source.</param>
public sealed record GasFacts(Gas Gas, Said Name, string IsoGroup, double CarbonPercent, double OxygenPercent, double DipVolts)
{
    /// <summary>Whether nothing in it reacts: argon and helium only.</summary>
    public bool Inert => Gas != Gas.None && CarbonPercent == 0 && OxygenPercent == 0;
}

/// <summary>The gases of the trade.</summary>
public static class Gases
{
    /// <summary>Every gas, none first.</summary>
    public static IReadOnlyList<GasFacts> All { get; } =
    [
        new(Gas.None, Say($"no gas"), "", 0, 0, 0),
        new(Gas.Argon, Say($"argon"), "I1", 0, 0, -2),
        new(Gas.ArgonHelium, Say($"argon with helium"), "I3", 0, 0, 0),
        new(Gas.ArgonOxygen2, Say($"98 % Ar / 2 % O₂"), "M13", 0, 2, -1.5),
        new(Gas.ArgonCarbon2, Say($"98 % Ar / 2 % CO₂"), "M12", 2, 0, -1.5),
        new(Gas.ArgonCarbon10, Say($"90 % Ar / 10 % CO₂"), "M20", 10, 0, -1),
        new(Gas.ArgonCarbon18, Say($"82 % Ar / 18 % CO₂"), "M21", 18, 0, -0.5),
        new(Gas.ArgonCarbon25, Say($"75 % Ar / 25 % CO₂"), "M21", 25, 0, 0),
        new(Gas.Carbon, Say($"100 % CO₂"), "C1", 100, 0, 1.5),
        new(Gas.HeliumMix, Say($"90 % He / 7.5 % Ar / 2.5 % CO₂"), "M12", 2.5, 0, 1),
    ];

    private static readonly GasFacts[] ByGas = [.. All.OrderBy(row => row.Gas)];

    /// <summary>The facts of one gas.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a gas of the list.</exception>
    public static GasFacts Facts(this Gas gas) =>
        (uint)gas < (uint)ByGas.Length ? ByGas[(int)gas] : throw new ArgumentOutOfRangeException(nameof(gas), gas, "Not a known gas.");
}
