using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
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
    private const double VoltsRamp = 3.1;

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
        Row(
            bead => IsThick(bead.Sheet.Job) ? PlateThick : PlateThin,
            new(PlateThick, Say($"plate thick enough to draw the heat away")),
            new(PlateThin, Say($"plate thin enough to weld cold"))
        ),
        Loaded(
            LoadPart.Polarity,
            (_, _) => true,
            new(PolarityFits, Say($"polarity noted as the sheet's")),
            new(PolarityOther, Say($"polarity noted as the other"))
        ),
        Loaded(
            LoadPart.Gas,
            (_, _) => true,
            new(GasFits, Say($"gas noted as the sheet's")),
            new(GasOther, Say($"another gas noted on the machine"))
        ),
        Loaded(
            LoadPart.Wire,
            (job, load) => job.Wire is not null && load.Wire is not null,
            new(WireFits, Say($"wire noted as the sheet's")),
            new(WireOther, Say($"another wire noted on the machine"))
        ),
        Loaded(
            LoadPart.Program,
            (job, load) => job.Wire is not null && load.Program is not null,
            new(ProgramFits, Say($"program noted as the sheet's")),
            new(ProgramOther, Say($"another program noted on the machine"))
        ),
        Loaded(
            LoadPart.Tip,
            (job, load) => job.Wire is not null && load.Tip is not null,
            new(TipFits, Say($"tip noted for this wire")),
            new(TipOther, Say($"tip noted for another wire"))
        ),
        Loaded(
            LoadPart.Rolls,
            (job, load) => job.Wire is not null && load.Rolls is not null,
            new(RollsFit, Say($"rolls noted for this wire")),
            new(RollsOther, Say($"rolls noted for another wire"))
        ),
        Loaded(
            LoadPart.Tungsten,
            (job, load) => job.Wire is null && load.Tungsten is not null,
            new(TungstenFits, Say($"tungsten noted as the sheet's or thicker")),
            new(TungstenThin, Say($"tungsten noted thinner than the sheet's"))
        ),
    ];

    private static bool IsThick(Job job) => job.Metal.Facts().DrawsHeatFrom is { } from && job.Thicker >= from;

    private static Observation Row(Func<BeadAtHand, Sign?> read, params Answer[] answers) =>
        new(answers, bead => read(bead) is { } sign ? [sign] : []) { IsSetting = true };

    private static Observation Set(Func<BeadAtHand, (double, Reading)?> measure, Answer under, Answer on, Answer over) =>
        Observation.Graded(measure, under, on, over) with
        {
            IsSetting = true,
        };

    // What the machine's log says is on it, against what the sheet wants; nothing where nobody looked.
    private static Observation Loaded(LoadPart part, Func<Job, Load, bool> known, Answer fits, Answer other) =>
        Row(
            bead =>
                !known(bead.Sheet.Job, bead.Machine.Load) ? null
                : Mismatches.Of(bead.Sheet.Job, bead.Machine, bead.Sheet.Tig?.Tungsten).Any(mismatch => mismatch.Part == part) ? other.Sign
                : fits.Sign,
            fits,
            other
        );

    private static Control? ControlOf(BeadAtHand bead) => bead is FedBead ? bead.Machine.WireControl : bead.Machine.AmpControl;

    private static Reading Volts(Window<Voltage> window) => Reading.In(window, volts => volts.Volts, VoltsBeside, VoltsRamp);

    // With a pedal a little more is set than is used: all up to there is on the sheet.
    private static Reading Amps(TungstenBead bead)
    {
        var most = bead.Sheet.Tig is { } tig && tig.PedalMost > bead.Sheet.Amps ? tig.PedalMost / bead.Sheet.Amps : 1;
        return new(1 - AmpsShare, most * (1 + AmpsShare / 2), 2 * AmpsShare);
    }
}
