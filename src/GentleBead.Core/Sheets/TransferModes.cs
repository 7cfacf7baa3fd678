using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>Another way to weld the same plate, and what moving to it takes.</summary>
/// <param name="Process">The other process or mode.</param>
/// <param name="Name">Its name.</param>
/// <param name="Job">The job in it; null when there is no way.</param>
/// <param name="WireFeed">Its wire feed speed; null for TIG and when there is no way.</param>
/// <param name="Volts">Its volts; null for TIG and when there is no way.</param>
/// <param name="Amps">Its current; null when there is no way.</param>
/// <param name="Passes">Passes it takes; null when there is no way.</param>
/// <param name="Takes">What has to be changed; empty when nothing or when there is no way.</param>
/// <param name="Problem">Why there is no way; empty when there is one.</param>
public sealed record OtherMode(
    Process Process, string Name, Job? Job, WireFeedSpeed? WireFeed, Voltage? Volts, Current? Amps, int? Passes, IReadOnlyList<string> Takes, string Problem);

/// <summary>Which transfer mode a wire runs in, and what another would take.</summary>
public static class TransferModes
{
    /// <summary>
    /// The mode that solid wire runs in at a current and voltage under a gas: spray past the published transition
    /// current where the gas allows it and the volts hold the arc open, short circuit up to the top of its band, globular between.
    /// </summary>
    /// <param name="amps">Current.</param>
    /// <param name="volts">Volts at the arc.</param>
    /// <param name="wire">A solid wire.</param>
    /// <param name="gas">The gas.</param>
    /// <returns>The mode; null for flux-cored wire, which has none of these.</returns>
    public static Process? Of(Current amps, Voltage volts, Wire wire, Gas gas)
    {
        var facts = wire.Facts();
        if (facts.Kind is WireKind.SelfShielded or WireKind.GasShielded) return null;
        var dip = VoltLine.Of(Process.GmawShortCircuit, facts);
        var dipTop = dip.Base + dip.Slope * amps.Amps + dip.Above + VoltLine.GasVolts(Process.GmawShortCircuit, gas);
        var spray = VoltLine.Of(Process.GmawSpray, facts);
        var sprayFrom = spray.Base + spray.Slope * amps.Amps - spray.Below;
        var reaches = facts.RangeIn(Process.GmawSpray) is { } range && amps >= range.UsualLow;
        // Spray wants an argon-rich gas; 20 % CO2 is past the edge.
        var sprays = gas.Facts().CarbonPercent <= 20 && gas != Gas.HeliumMix && gas != Gas.None;
        if (sprays && reaches && volts.Volts >= sprayFrom) return Process.GmawSpray;
        var usualDip = facts.RangeIn(Process.GmawShortCircuit) is { } low && amps <= low.Most;
        return volts.Volts <= dipTop && usualDip ? Process.GmawShortCircuit : Process.GmawGlobular;
    }

    /// <summary>Every other process for the same plate, joint and position, each with its own wire and gas where the present ones do not do.</summary>
    /// <param name="job">The job as it stands.</param>
    /// <param name="school">The instructor's school.</param>
    public static IReadOnlyList<OtherMode> Others(Job job, School? school = null) =>
        [.. Processes.All.Where(row => row.Process != job.Process).Select(row => Other(job, row, school))];

    private static OtherMode Other(Job job, ProcessFacts process, School? school)
    {
        Refusal? first = null;
        OtherMode? inPasses = null;
        // What is on the machine comes first, then the leanest change.
        foreach (var gas in Gases.All.Select(row => row.Gas).OrderBy(gas => gas == job.Gas ? 0 : 1).ThenBy(Rank))
        {
            var wires = process.FeedsWire ? Wires.All.Select(row => (Wire?)row.Wire).OrderBy(wire => wire == job.Wire ? 0 : 1) : new Wire?[] { null }.AsEnumerable();
            foreach (var wire in wires)
            {
                var other = job with { Process = process.Process, Gas = gas, Wire = wire, Polarity = null };
                switch (Planner.Plan(other, null, school))
                {
                    case Sheet sheet:
                        var mode = new OtherMode(
                            process.Process, process.Name, other, sheet.Pair?.WireFeed, sheet.Pair?.Volts.Aim, sheet.Amps, sheet.Passes.Count, Takes(job, other), "");
                        // A wire that carries the plate beats one that needs coaxing.
                        if (sheet.Carries()) return mode;
                        inPasses ??= mode;
                        break;
                    case Refusal refusal when refusal.Field is "metal" or "position" or "joint" or "process" or "thickness":
                        return new OtherMode(process.Process, process.Name, null, null, null, null, null, [], refusal.Message);
                    case Refusal refusal:
                        // The most telling refusal is the one of the present wire and gas.
                        first ??= refusal;
                        break;
                }
            }
        }
        return inPasses ?? new OtherMode(process.Process, process.Name, null, null, null, null, null, [], first!.Message);
    }

    private static int Rank(Gas gas) => gas switch
    {
        Gas.ArgonCarbon25 => 0,
        Gas.ArgonCarbon10 => 1,
        Gas.ArgonCarbon2 => 2,
        Gas.Argon => 3,
        _ => 4,
    };

    private static string[] Takes(Job from, Job to)
    {
        var takes = new List<string>();
        if (to.Gas != from.Gas) takes.Add($"gas: {to.Gas.Facts().Name}");
        if (to.Wire != from.Wire) takes.Add(to.Wire is { } wire ? $"wire: {wire.Facts().Name} {wire.Facts().Kind.Words()}" : "torch, tungsten and rod instead of wire");
        if (to.Process.Facts().Polarity != from.Process.Facts().Polarity) takes.Add($"polarity: {to.Process.Facts().Polarity.Words()}");
        if (to.Process == Process.GmawPulsed) takes.Add("a machine with a pulse program for it");
        return [.. takes];
    }
}
