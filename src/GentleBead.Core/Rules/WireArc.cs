using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Rules;

/// <summary>What decides which wire speed and volts belong together: the process, the wire and the gas.</summary>
/// <param name="Process">A process that feeds wire.</param>
/// <param name="Wire">Which wire.</param>
/// <param name="Gas">Which gas.</param>
public readonly record struct WireArc(Process Process, Wire Wire, Gas Gas)
{
    /// <summary>The tip-to-work distance that sheets of it are made for.</summary>
    public Length UsualStickOut => Process.Facts().StickOut!.For(Wire.Facts()).Aim;

    /// <summary>The everyday one: short circuit, solid steel wire, 75 % Ar / 25 % CO2.</summary>
    public static WireArc Dip(Wire wire) => new(Process.GmawShortCircuit, wire, Gas.ArgonCarbon25);
}
