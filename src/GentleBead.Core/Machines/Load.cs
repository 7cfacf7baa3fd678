using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Machines;

/// <summary>What is on a machine now.</summary>
/// <param name="Wire">Wire on the spool; null when none is.</param>
/// <param name="Gas">Gas at the regulator.</param>
/// <param name="Polarity">What the torch is joined to.</param>
/// <param name="Tip">Wire diameter the tip is made for; null when not looked at.</param>
/// <param name="Rolls">Groove of the drive rolls; null when not looked at.</param>
/// <param name="Program">Number of the program chosen; null on a machine without.</param>
/// <param name="Tungsten">Diameter of the tungsten; null when none is.</param>
public sealed record Load(
    Wire? Wire,
    Gas Gas,
    Polarity Polarity,
    Length? Tip = null,
    RollGroove? Rolls = null,
    int? Program = null,
    Length? Tungsten = null
)
{
    /// <summary>A wire with the gas, polarity, tip and rolls it usually goes with.</summary>
    public static Load Of(Wire wire)
    {
        var facts = wire.Facts();
        var (gas, polarity) = facts.Kind switch
        {
            WireKind.Stainless => (Gas.ArgonCarbon2, Polarity.TorchPlus),
            WireKind.Aluminium => (Gas.Argon, Polarity.TorchPlus),
            WireKind.SelfShielded => (Gas.None, Polarity.TorchMinus),
            _ => (Gas.ArgonCarbon25, Polarity.TorchPlus),
        };
        return new Load(wire, gas, polarity, facts.Diameter, facts.Rolls);
    }
}

/// <summary>What is put on a machine or set on it before welding.</summary>
public enum LoadPart
{
#pragma warning disable CS1591 // the parts of a load by their own names
    Wire,
    Gas,
    Polarity,
    Tip,
    Rolls,
    Program,
    Tungsten,
#pragma warning restore CS1591
}

/// <summary>Something on the machine that does not fit the sheet.</summary>
/// <param name="Part">Which part.</param>
/// <param name="Loaded">What is on.</param>
/// <param name="Wanted">What the sheet wants.</param>
/// <param name="Consequence">What goes wrong if it stays.</param>
public sealed record Mismatch(LoadPart Part, Said Loaded, Said Wanted, Said Consequence);

/// <summary>Compares what is on a machine with what a sheet wants.</summary>
public static class Mismatches
{
    /// <summary>Every mismatch, gravest first; empty when all fits. What was not looked at is no mismatch.</summary>
    public static IReadOnlyList<Mismatch> Of(Job job, Machine machine, Length? tungsten)
    {
        var load = machine.Load;
        var process = job.Process.Facts();
        List<Mismatch>? found = null;
        if (load.Polarity != process.Polarity)
            Add(LoadPart.Polarity, load.Polarity.Words(), process.Polarity.Words(), process.PolarityWrong);
        if (load.Gas != job.Gas)
            Add(
                LoadPart.Gas,
                load.Gas.Facts().Name,
                job.Gas.Facts().Name,
                Say($"The volts, the sound and the bite of this sheet belong to its gas.")
            );
        if (job.Wire is { } wanted)
        {
            var wire = wanted.Facts();
            if (load.Wire != wanted)
                Add(
                    LoadPart.Wire,
                    load.Wire is { } on ? NameOf(on.Facts()) : Say($"no wire"),
                    NameOf(wire),
                    Say($"Another wire burns off at another speed: wire and volts would be wrong.")
                );
            if (load.Tip is { } tip && Math.Abs(tip.Mm - wire.Diameter.Mm) > 0.01)
            {
                Add(
                    LoadPart.Tip,
                    Say($"{tip}"),
                    Say($"{wire.Diameter}"),
                    tip < wire.Diameter ? Say($"The wire jams in the tip.") : Say($"The wire wanders in the tip and the arc stutters.")
                );
            }
            if (load.Rolls is { } rolls && rolls != wire.Rolls)
                Add(LoadPart.Rolls, RollWords(rolls), RollWords(wire.Rolls), Say($"The rolls slip or crush the wire, and it feeds badly."));
            if (machine.Programs.Count > 0 && machine.ProgramFor(job) is { } fitting && load.Program != fitting.Number)
            {
                Add(
                    LoadPart.Program,
                    load.Program is { } number ? Say($"program {number}") : Say($"no program"),
                    Say($"program {fitting.Number}"),
                    Say($"The machine would pulse or pair the volts for another wire, gas or mode.")
                );
            }
        }
        else if (load.Tungsten is { } on && tungsten is { } fits && on < fits)
        {
            Add(LoadPart.Tungsten, Say($"{on}"), Say($"{fits}"), Say($"The point melts at these amps."));
        }
        return found ?? (IReadOnlyList<Mismatch>)[];

        void Add(LoadPart part, Said loaded, Said asked, Said consequence) =>
            (found ??= []).Add(new Mismatch(part, loaded, asked, consequence));
    }

    /// <summary>A groove in a sentence.</summary>
    public static Said RollWords(RollGroove rolls) =>
        rolls == RollGroove.Knurled ? Say($"knurled rolls")
        : rolls == RollGroove.U ? Say($"U groove rolls")
        : Say($"V groove rolls");

    private static Said NameOf(WireFacts wire) => Say($"{wire.Name} {wire.Kind.Words()}");
}
