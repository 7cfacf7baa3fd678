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
/// <param name="Problem">Why there is no way; null when there is one.</param>
public sealed record OtherMode(
    Process Process,
    Said Name,
    Job? Job,
    WireFeedSpeed? WireFeed,
    Voltage? Volts,
    Current? Amps,
    int? Passes,
    IReadOnlyList<Said> Takes,
    Said? Problem
);

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
        if (facts.RangeIn(Process.GmawSpray) is null && facts.RangeIn(Process.GmawShortCircuit) is null)
            return null;
        var dip = VoltLine.Of(Process.GmawShortCircuit, facts);
        var dipTop = dip.Base + dip.Slope * amps.Amps + dip.Above + VoltLine.GasVolts(Process.GmawShortCircuit, gas);
        var spray = VoltLine.Of(Process.GmawSpray, facts);
        var sprayFrom = spray.Base + spray.Slope * amps.Amps - spray.Below;
        var reaches = facts.RangeIn(Process.GmawSpray) is { } range && amps >= range.UsualLow;
        // Spray wants an argon-rich gas; 20 % CO2 is past the edge.
        var sprays = gas.Facts().CarbonPercent <= Combinations.SprayCarbonMost && gas != Gas.HeliumMix && gas != Gas.None;
        if (sprays && reaches && volts.Volts >= sprayFrom)
            return Process.GmawSpray;
        var usualDip = facts.RangeIn(Process.GmawShortCircuit) is { } low && amps <= low.Most;
        return volts.Volts <= dipTop && usualDip ? Process.GmawShortCircuit : Process.GmawGlobular;
    }

    /// <summary>
    /// Every other process for the same plate, joint and position, each with its own wire and gas where the present ones do not do.
    /// </summary>
    /// <param name="job">The job as it stands.</param>
    /// <param name="way">The instructor's way of setting.</param>
    public static IReadOnlyList<OtherMode> Others(Job job, WayOfSetting? way = null) =>
        [.. Processes.All.Where(row => row.Process != job.Process).Select(row => Other(job, row, way))];

    private static OtherMode Other(Job job, ProcessFacts process, WayOfSetting? way)
    {
        Refusal? first = null;
        OtherMode? inPasses = null;
        foreach (var other in Candidates(job, process))
        {
            var outcome = Planner.Plan(other, null, way);
            if (outcome is Refusal refusal)
            {
                // The most telling refusal is the one of the present wire and gas; one that no wire and gas can help ends the search.
                first ??= refusal;
                if (refusal.Part is JobPart.Wire or JobPart.Gas)
                    continue;
                return NoWay(process, refusal);
            }
            var sheet = (Sheet)outcome;
            var mode = new OtherMode(
                process.Process,
                process.Name,
                other,
                sheet.Pair?.WireFeed,
                sheet.Pair?.Volts.Aim,
                sheet.Amps,
                sheet.Passes.Count,
                Takes(job, other),
                null
            );
            // A wire that carries the plate beats one that needs coaxing.
            if (sheet.Carries())
                return mode;
            inPasses ??= mode;
        }
        return inPasses ?? NoWay(process, first!);
    }

    // What is on the machine comes first, then the leanest change.
    private static IEnumerable<Job> Candidates(Job job, ProcessFacts process) =>
        from gas in Gases.All.Select(row => row.Gas).OrderBy(gas => gas == job.Gas ? 0 : 1).ThenBy(Rank)
        from wire in WiresFor(process).OrderBy(wire => wire == job.Wire ? 0 : 1)
        select job with
        {
            Process = process.Process,
            Gas = gas,
            Wire = wire,
            Polarity = null,
        };

    private static Wire?[] WiresFor(ProcessFacts process) => process.FeedsWire ? [.. Wires.All.Select(row => (Wire?)row.Wire)] : [null];

    private static OtherMode NoWay(ProcessFacts process, Refusal refusal) =>
        new(process.Process, process.Name, null, null, null, null, null, [], refusal.Message);

    private static int Rank(Gas gas) =>
        gas switch
        {
            Gas.ArgonCarbon25 => 0,
            Gas.ArgonCarbon10 => 1,
            Gas.ArgonCarbon2 => 2,
            Gas.Argon => 3,
            _ => 4,
        };

    private static Said[] Takes(Job from, Job to)
    {
        var (was, becomes) = (from.Process.Facts(), to.Process.Facts());
        var takes = new List<Said>();
        if (to.Gas != from.Gas)
            takes.Add(Say($"gas: {to.Gas.Facts().Name}"));
        if (to.Wire is { } wire && wire != from.Wire)
            takes.Add(Say($"wire: {wire.Facts().Name} {wire.Facts().Kind.Words()}"));
        if (was.FeedsWire && !becomes.FeedsWire)
            takes.Add(Say($"torch, tungsten and rod instead of wire"));
        if (becomes.Polarity != was.Polarity)
            takes.Add(Say($"polarity: {becomes.Polarity.Words()}"));
        if (becomes.VoltsByProgram)
            takes.Add(Say($"a machine with a pulse program for it"));
        return [.. takes];
    }
}
