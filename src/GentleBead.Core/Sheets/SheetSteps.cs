using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>From loading to keeping, in the order hands do it.</summary>
internal static class SheetSteps
{
    // How long the wire is let run to measure it: 6 s make a tenth of a minute.
    private const double RunSeconds = 6;

    private static readonly Said Keep = Say($"When it runs right, keep the setting.");

    private static readonly Said DryRun = Say(
        $"Get comfortable, the other hand steadying, and run the pass dry once: the angle stays to the end of reach."
    );
    private static readonly Said ByTimer = Say($"Trigger: the spot timer, where there is one, makes every spot alike.");
    private static readonly Said ByHand = Say(
        $"Trigger: held (two-step) for short beads, pressed on and pressed off (four-step) for long runs."
    );
    private static readonly Said Afterwards = Say($"Afterwards: cylinder shut, the line emptied on purge, and only then the machine off.");

    // How the pair is tuned by each way of finding it.
    private static readonly Dictionary<PairRule, Said> Tuning = new()
    {
        [PairRule.WireFirst] = Say(
            $"By ear, on scrap: wire stays; volts from low up until the popping goes over into an even sound, no further."
        ),
        [PairRule.LearnedFirst] = Say(
            $"By ear, on scrap: wire stays; volts from low up until the popping goes over into an even sound, no further."
        ),
        [PairRule.VoltsFirst] = Say(
            $"By ear, on scrap: volts stay; wire from low up until the arc goes smooth, on until it pops; the middle of that."
        ),
        [PairRule.ChartFirst] = Say($"By ear, on scrap: begin with the chart's pair, move one thing at a time until it runs even."),
    };

    /// <summary>The length of wire that comes out in 6 s.</summary>
    public static Length RunOut(WireFeedSpeed wireFeed) => Length.FromMm(wireFeed.MPerMin * 1000 * RunSeconds / 60);

    /// <summary>The steps of a fed wire.</summary>
    public static IReadOnlyList<Said> ForWire(Job job, WayOfSetting way, PairSettings pair, Window<GasFlow>? gas, int? program)
    {
        var wire = job.Wire!.Value.Facts();
        var process = job.Process.Facts();
        return
        [
            Sentences(
                Say(
                    $"Load {wire.Name} {wire.Kind.Words()} wire, tip to match, {Mismatches.RollWords(wire.Rolls)}; "
                        + $"{process.Polarity.Words()}."
                ),
                program is { } number ? Say($"Program {number}.") : null,
                Flow(gas)
            ),
            pair.Marks is { } marks
                ? Say($"Set: Wire {marks.Wire.Reads}, volts {marks.Volt.Reads}.")
                : Say($"Set: Wire {pair.WireFeed}, {pair.Volts.Aim}."),
            Say(
                $"Check with ruler and watch, on inch (wire without gas): 6 seconds of wire are "
                    + $"{RunOut(pair.Marks?.WireFeed ?? pair.WireFeed):run}."
            ),
            process.VoltsByProgram ? Say($"By ear: trim down until it begins to crackle, then up until it just stops.") : Tuning[way.Pair],
            Sentences(DryRun, job.Joint.Facts().ByTime ? ByTimer : ByHand),
            Sentences(Keep, gas is null ? null : Afterwards),
        ];
    }

    /// <summary>The steps of a tungsten.</summary>
    public static IReadOnlyList<Said> ForTungsten(Job job, Current amps, TigSettings tig, Window<GasFlow>? gas)
    {
        var set = tig.Mark?.Reads ?? Say($"{tig.PedalMost}");
        return
        [
            Sentences(Say($"Put in a {tig.Tungsten} tungsten, ground; cup {tig.Cup}; {job.Process.Facts().Polarity.Words()}."), Flow(gas)),
            Say($"Set {set} with a pedal, or {amps} without one."),
            Say($"Strike on scrap of the same thickness: a puddle in two to three seconds, no faster, no slower."),
            DryRun,
            Sentences(Keep, gas is null ? null : Afterwards),
        ];
    }

    private static Said? Flow(Window<GasFlow>? gas) => gas is null ? null : Say($"Gas {gas.Aim}, set on purge with the gas flowing.");
}
