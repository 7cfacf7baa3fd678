using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests;

/// <summary>Machines and sheets the tests share.</summary>
internal static class Room
{
    public static readonly Machine Digital = new(
        "Digital",
        Load.Of(Wire.Solid08),
        new Control(ControlKind.Digital, 60, 700, 1, "in/min", []),
        new Control(ControlKind.Digital, 12, 28, 0.1, "V", [])
    );

    public static readonly Machine KnobAndTaps = new(
        "Knob and taps",
        Load.Of(Wire.Solid08),
        new Control(ControlKind.Knob, 0, 100, 1, "", [new(20, 2.8), new(40, 6.0), new(70, 10.9)]),
        new Control(ControlKind.Tap, 1, 10, 1, "", [new(1, 14.5), new(4, 18.0), new(7, 21.6), new(10, 25.5)])
    );

    public static readonly Control Amps = new(ControlKind.Digital, 5, 500, 1, "A", []);

    public static Sheet Sheet(
        string thickness = "1/8",
        Joint joint = Joint.T,
        Position position = Position.Horizontal,
        Wire wire = Wire.Solid08,
        Machine? machine = null
    ) => Assert.IsType<Sheet>(Planner.Plan(new Job(Thickness.Parse(thickness), joint, position, wire), machine));

    /// <summary>An everyday TIG sheet: steel on DC.</summary>
    public static Sheet TigSheet() =>
        Assert.IsType<Sheet>(Planner.Plan(new Job(Thickness.Parse("3"), Joint.T, Position.Flat, null, Process.GtawDc, Gas: Gas.Argon)));

    public static Settings Pair(double inPerMin, double volts) => new(WireFeedSpeed.FromInPerMin(inPerMin), Voltage.FromVolts(volts));
}
