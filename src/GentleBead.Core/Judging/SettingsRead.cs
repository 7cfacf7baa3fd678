using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using static GentleBead.Core.Judging.Sign;

namespace GentleBead.Core.Judging;

/// <summary>The rows of <see cref="Observations"/> that are read off the controls and the machine: nobody has to look for them.</summary>
internal static class SettingsRead
{
    // A knob is set and read to about a tenth; less than that is no deviation.
    private const double WireShare = 0.10;
    private const double VoltsBeside = 0.25;
    private const double AmpsShare = 0.08;

    // From plainly in the band to plainly out of it, in volts.
    private const double VoltsRamp = 2;

    /// <summary>Every row.</summary>
    public static IReadOnlyList<Observation> Rows { get; } =
    [
        Set(
            bead => bead is FedBead fed ? (fed.Used.WireFeed / fed.Pair.WireFeed, Reading.About(WireShare)) : null,
            new(WireUnder, Say($"wire under the sheet")),
            new(WireOn, Say($"wire on the sheet")),
            new(WireOver, Say($"wire over the sheet"))
        ),
        Set(
            bead => bead is FedBead fed ? (fed.Used.Volts.Volts, Volts(fed.Pair.Volts)) : null,
            new(VoltsUnder, Say($"volts under the sheet")),
            new(VoltsOn, Say($"volts on the sheet")),
            new(VoltsOver, Say($"volts over the sheet"))
        ),
        Set(
            bead =>
                bead is FedBead fed ? (fed.Used.Volts.Volts, Volts(SmoothBand.At(fed.Used.WireFeed, fed.Sheet.Job.RequireArc()))) : null,
            new(PairShort, Say($"volts under the band for this wire speed")),
            new(PairInBand, Say($"wire and volts a smooth pair")),
            new(PairLong, Say($"volts over the band for this wire speed"))
        ),
        Set(
            bead => bead is TungstenBead tig ? (tig.Amps / tig.Sheet.Amps, Amps(tig)) : null,
            new(AmpsUnder, Say($"amps under the sheet")),
            new(AmpsOn, Say($"amps on the sheet")),
            new(AmpsOver, Say($"amps over the sheet"))
        ),
        Row(
            bead => ControlOf(bead) is { Readings.Count: > 0 } ? MachineMeasured : MachineBelieved,
            new(MachineMeasured, Say($"machine measured with ruler and watch")),
            new(MachineBelieved, Say($"machine's display never measured"))
        ),
    ];

    private static Observation Row(Func<BeadAtHand, Sign?> read, params Answer[] answers) =>
        new(answers, bead => read(bead) is { } sign ? [sign] : []) { IsSetting = true };

    private static Observation Set(Func<BeadAtHand, (double, Reading)?> measure, Answer under, Answer on, Answer over) =>
        Observation.Graded(measure, under, on, over) with
        {
            IsSetting = true,
        };

    private static Control? ControlOf(BeadAtHand bead) => bead is FedBead ? bead.Machine.WireControl : bead.Machine.AmpControl;

    private static Reading Volts(Window<Voltage> window) => Reading.In(window, volts => volts.Volts, VoltsBeside, VoltsRamp);

    // With a pedal a little more is set than is used: all up to there is on the sheet.
    private static Reading Amps(TungstenBead bead)
    {
        var most = bead.Sheet.Tig is { } tig && tig.PedalMost > bead.Sheet.Amps ? tig.PedalMost / bead.Sheet.Amps : 1;
        return new(1 - AmpsShare, most * (1 + AmpsShare / 2), 2 * AmpsShare);
    }
}
