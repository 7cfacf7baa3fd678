using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>Current and wire feed speed of a job, one from the other, by each <see cref="WireRule"/>.</summary>
internal static class WireByRule
{
    private delegate WireFeedSpeed ToWire(Current amps, Job job);

    private delegate Current ToAmps(WireFeedSpeed wireFeed, Job job);

    private static readonly Dictionary<WireRule, (ToWire WireFeed, ToAmps Amps, Said Words)> Rules = new()
    {
        [WireRule.Factor] = (
            (amps, job) => BurnOff.WireFeedFor(amps, job.RequireArc()),
            (wireFeed, job) => BurnOff.AmpsFor(wireFeed, job.RequireArc()),
            Say($"The simple factor")
        ),
        [WireRule.MeltingRate] = (
            (amps, job) => MeltRate.WireFeed(amps, StickOut(job), job.Process, Wire(job)),
            (wireFeed, job) => MeltRate.Amps(wireFeed, StickOut(job), job.Process, Wire(job)),
            Say($"The melting rate")
        ),
    };

    /// <summary>The rules there are, with the words a sheet has for each.</summary>
    public static IEnumerable<(WireRule Rule, Said Words)> All => Rules.Select(row => (row.Key, row.Value.Words));

    /// <summary>Wire feed speed that burns off at a current.</summary>
    /// <param name="rule">By which rule.</param>
    /// <param name="amps">The current.</param>
    /// <param name="job">A job with a fed wire.</param>
    public static WireFeedSpeed WireFeed(WireRule rule, Current amps, Job job) => Rules[rule].WireFeed(amps, job);

    /// <summary>Current that a wire feed speed draws: the other way round.</summary>
    /// <param name="rule">By which rule.</param>
    /// <param name="wireFeed">Wire feed speed.</param>
    /// <param name="job">A job with a fed wire.</param>
    public static Current Amps(WireRule rule, WireFeedSpeed wireFeed, Job job) => Rules[rule].Amps(wireFeed, job);

    /// <summary>The stick-out a sheet of this job is made for.</summary>
    /// <param name="job">A job with a fed wire.</param>
    public static Length StickOut(Job job) => job.RequireArc().UsualStickOut;

    private static WireFacts Wire(Job job) => job.RequireArc().Wire.Facts();
}
