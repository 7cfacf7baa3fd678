using System.Diagnostics.CodeAnalysis;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Machines;

/// <summary>A machine's wire and volt controls with their fits: marks to values and back, whatever the layout.</summary>
public sealed class Dials
{
    private readonly Calibration wire;
    private readonly Calibration volt;

    private Dials(Control wireControl, Control voltControl, Calibration wire, Calibration volt)
    {
        (Wire, Volt) = (wireControl, voltControl);
        (this.wire, this.volt) = (wire, volt);
    }

    /// <summary>The wire control.</summary>
    public Control Wire { get; }

    /// <summary>The volt control, or the trim on volts that follow.</summary>
    public Control Volt { get; }

    /// <summary>Fits both controls of a machine.</summary>
    /// <param name="machine">The machine.</param>
    /// <param name="dials">Both, when both have enough readings.</param>
    /// <param name="problem">Why not, for the person at the machine; null otherwise.</param>
    public static bool TryFit(Machine machine, [NotNullWhen(true)] out Dials? dials, [NotNullWhen(false)] out Said? problem)
    {
        dials = null;
        if (machine is not { WireControl: { } wireControl, VoltControl: { } voltControl })
        {
            problem = Say($"{machine.Name.Name()} feeds no wire.");
            return false;
        }
        if (!Calibration.TryFit(wireControl, out var wire, out problem) || !Calibration.TryFit(voltControl, out var volt, out problem))
            return false;
        dials = new Dials(wireControl, voltControl, wire, volt);
        return true;
    }

    /// <summary>The wire mark nearest to a wire feed speed.</summary>
    public MarkSetting WireMarkFor(WireFeedSpeed wireFeed) => wire.MarkFor(wireFeed.MPerMin);

    /// <summary>What a wire mark gives.</summary>
    public Estimate WireFeedAt(double wireMark) => wire.ValueAt(wireMark);

    /// <summary>The volt mark nearest to a voltage, with the wire control standing at a mark.</summary>
    public MarkSetting VoltMarkFor(Voltage volts, double wireMark)
    {
        if (Volt.Kind != ControlKind.Trim)
            return volt.MarkFor(volts.Volts);
        var follows = volt.ValueAt(wireMark);
        var exact = (volts.Volts - follows.Value) / Volt.TrimVolts;
        var mark = Volt.Settable(exact);
        var outOfReach = exact < Volt.LowestMark - Volt.MarkStep / 2 || exact > Volt.HighestMark + Volt.MarkStep / 2;
        return new MarkSetting(
            mark,
            Math.Max(0, follows.Value + mark * Volt.TrimVolts),
            follows.MarksBeyond,
            follows.SureShare,
            outOfReach
        );
    }

    /// <summary>The volts at a volt mark, with the wire control standing at a mark.</summary>
    public Voltage VoltsAt(double voltMark, double wireMark) =>
        Voltage.FromVolts(
            Volt.Kind == ControlKind.Trim
                ? Math.Max(0, volt.ValueAt(wireMark).Value + voltMark * Volt.TrimVolts)
                : volt.ValueAt(voltMark).Value
        );
}
