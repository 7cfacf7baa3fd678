using GentleBead.Core.Arc;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;

namespace GentleBead.Bench.Judging;

/// <summary>A booth in which something is wrong, as it really is and as its marks say; what is advised is done to it.</summary>
internal sealed class Booth
{
    // Right: the real pair this near to its band, wire or amps and pace this near to the sheet's. The product's own tolerances.
    private const double RightVolts = 0.3,
        RightWire = 0.2,
        RightPace = 0.25,
        RightAmps = 0.12;

    public required Sheet Sheet { get; init; }

    public required Machine Machine { get; set; }

    /// <summary>What is wrong besides the settings; null when only they are.</summary>
    public Cause? Hidden { get; set; }

    /// <summary>What the judge should name.</summary>
    public required Cause Truth { get; set; }

    /// <summary>Where the controls stand, as the machine shows it.</summary>
    public WireFeedSpeed WireShown { get; set; }

    public Voltage VoltsShown { get; set; }

    public Current AmpsShown { get; set; }

    /// <summary>What the machine really gives of the wire it shows, and of the volts.</summary>
    public double WireGiven { get; set; } = 1;

    public double VoltsLost { get; set; }

    /// <summary>Pace against the sheet's.</summary>
    public double Pace { get; set; } = 1;

    public double? StickOutMm { get; set; }

    /// <summary>Arcs that ran here already, by how they were set: a second look is at the same bead.</summary>
    public Dictionary<string, ArcTrace> Arcs { get; } = [];

    public Settings Shown => new(WireShown, VoltsShown);

    public WireFeedSpeed WireReal => WireShown * WireGiven;

    public Voltage VoltsReal => Voltage.FromVolts(Math.Max(8, VoltsShown.Volts - VoltsLost));

    public bool IsTig => Sheet.Pair is null;

    /// <summary>How far it is from right, 0 for right: the settings' part, a hidden fault counting one.</summary>
    public double Off =>
        (Hidden is null ? 0 : 1)
        + Past(Math.Abs(Pace - 1), RightPace)
        + (
            IsTig
                ? Past(Math.Abs(AmpsShown / Sheet.Amps - 1), RightAmps)
                : Past(OffBand(), RightVolts) / 2 + Past(Math.Abs(WireReal / Sheet.Pair!.WireFeed - 1), RightWire) * 3
        );

    /// <summary>Volts the real pair lies beside its band.</summary>
    public double OffBand()
    {
        var band = SmoothBand.At(WireReal, Sheet.Job.RequireArc());
        return Math.Max(0, Math.Max(band.Low.Volts - VoltsReal.Volts, VoltsReal.Volts - band.High.Volts));
    }

    /// <summary>Does what was advised, as a student would who can do it.</summary>
    public void Do(NextChange next)
    {
        if (IsTig && next.AmpMark is { } ampMark)
            AmpsShown = Current.FromAmps(ampMark);
        else if (!IsTig && Machine.Read(next.WireMark, next.VoltMark, null, null).Value is { } pair)
            (WireShown, VoltsShown) = (pair.WireFeed, pair.Volts);
        switch (next.Kind)
        {
            case ChangeKind.Slower or ChangeKind.Faster:
                Pace = 1;
                break;
            case ChangeKind.ShorterStickOut or ChangeKind.LongerStickOut:
                StickOutMm = null;
                break;
            // What is measured is known from then on, and set by: the marks mean what they give.
            case ChangeKind.MeasureWire when Hidden is Cause.ReadOutOff or Cause.ReadOutLow:
                (WireShown, WireGiven) = (Sheet.Pair!.WireFeed, 1);
                Hidden = null;
                break;
            // Thicker wire runs as fast as the marks say: it is not the read-out.
            case ChangeKind.MeasureWire when Machine.WireControl is { } control:
                Machine = Machine with { WireControl = control with { Readings = [new(20, 0.508), new(1000, 25.4)] } };
                WireShown = Sheet.Pair!.WireFeed;
                break;
            case ChangeKind.MeasureVolts when Hidden is Cause.VoltsReadOff:
                (VoltsShown, VoltsLost) = (Sheet.Pair!.Volts.Aim, 0);
                Hidden = null;
                break;
        }
        if (Hidden is { } fault && Mends(next.Kind, fault))
        {
            Hidden = null;
            VoltsLost = fault is Cause.PoorClamp ? 0 : VoltsLost;
            WireGiven = fault is Cause.WrongWire ? 1 : WireGiven;
        }
    }

    private bool Mends(ChangeKind change, Cause fault) =>
        Causes.Row(fault, Sheet.Job.Process).Change == change
        || (change, fault) is (ChangeKind.ChangeTip, Cause.BurnBack) or (ChangeKind.FreeTip, Cause.WornTip);

    private static double Past(double off, double good) => Math.Max(0, off - good);
}
