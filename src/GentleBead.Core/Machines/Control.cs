namespace GentleBead.Core.Machines;

/// <summary>How a control on the front of a machine is marked, and what turning it does.</summary>
public enum ControlKind
{
    /// <summary>A display that shows the value in a unit.</summary>
    Digital,

    /// <summary>A continuous knob with marks but no unit.</summary>
    Knob,

    /// <summary>A switch with taps, numbered or lettered.</summary>
    Tap,

    /// <summary>Two switches that work as one, coarse and fine; every coarse step with its own row of fine ones.</summary>
    CoarseFine,

    /// <summary>A switch marked with plate thicknesses.</summary>
    PlateSelector,

    /// <summary>A trim on volts that otherwise follow the wire control: one-knob machines, plate selectors and programs.</summary>
    Trim,
}

/// <summary>One measured point: what the arc or the ruler gave at a mark.</summary>
/// <param name="Mark">Where the control stood; for a <see cref="ControlKind.Trim"/>, where the wire control stood, trim at 0.</param>
/// <param name="Measured">What was measured there: metres per minute for wire, volts at the arc for volts, amperes for amps.</param>
public sealed record Reading(double Mark, double Measured);

/// <summary>One control of a machine: its marks and what has been measured at them.</summary>
/// <param name="Kind">How it is marked.</param>
/// <param name="LowestMark">The lowest mark it can stand at.</param>
/// <param name="HighestMark">The highest mark; above <paramref name="LowestMark"/>.</param>
/// <param name="MarkStep">The smallest step that can be set and read; above 0.</param>
/// <param name="Unit">What a display shows: "in/min", "m/min", "V" or "A"; empty for all else.</param>
/// <param name="Readings">Measured points, in any order; may be empty.</param>
/// <param name="Names">What stands at the marks, lowest first: letters, plate thicknesses; empty where the marks are numbers. For coarse
/// and fine, the coarse steps' names.</param>
/// <param name="FineSteps">Coarse and fine only: how many fine steps each coarse one has.</param>
/// <param name="TrimVolts">Trim only: volts that one mark adds.</param>
public sealed record Control(
    ControlKind Kind,
    double LowestMark,
    double HighestMark,
    double MarkStep,
    string Unit,
    IReadOnlyList<Reading> Readings,
    IReadOnlyList<string>? Names = null,
    int FineSteps = 0,
    double TrimVolts = 0
)
{
    /// <summary>What stands at the marks; never null.</summary>
    public IReadOnlyList<string> Names { get; init; } = Names ?? [];

    /// <summary>Whether only whole marks from a list can be set.</summary>
    public bool IsStepped() => Kind is ControlKind.Tap or ControlKind.CoarseFine or ControlKind.PlateSelector;

    /// <summary>The nearest mark the control can stand at.</summary>
    public double Settable(double mark)
    {
        var steps = Math.Round((Math.Clamp(mark, LowestMark, HighestMark) - LowestMark) / MarkStep, MidpointRounding.AwayFromZero);
        // Steps such as 0.1 do not add up exactly; six digits are more than any dial shows.
        return Math.Round(Math.Min(HighestMark, LowestMark + steps * MarkStep), 6);
    }

    /// <summary>A mark as it reads on the machine: "42", "tap 4", "18.5 V", "coarse B, fine 3", "trim +1".</summary>
    public Said Read(double mark) =>
        Kind switch
        {
            ControlKind.Digital => Say($"{mark} {Unit.Name()}"),
            ControlKind.Tap => Say($"tap {NameOf(mark).Name()}"),
            ControlKind.CoarseFine => Say(
                $"coarse {Name((int)(mark - LowestMark) / FineSteps).Name()}, fine {(int)(mark - LowestMark) % FineSteps + 1}"
            ),
            ControlKind.PlateSelector => Say($"plate {NameOf(mark).Name()}"),
            ControlKind.Trim => mark > 0 ? Say($"trim {mark:+0.##}") : Say($"trim {mark}"),
            _ => Say($"{mark}"),
        };

    /// <summary>Whether a mark lies on the dial.</summary>
    public bool IsOn(double mark) => mark >= LowestMark && mark <= HighestMark;

    /// <summary>Said where a mark lies off the dial.</summary>
    public Said Runs() => Say($"The dial runs from {Read(LowestMark)} to {Read(HighestMark)}.");

    /// <summary>What is wrong with this control's marks, or null. Checks shape, not readings.</summary>
    /// <param name="units">Units a display of it may show.</param>
    public Said? Check(IReadOnlyList<string> units)
    {
        var signed = Kind == ControlKind.Trim;
        if (
            !(
                double.IsFinite(LowestMark)
                && double.IsFinite(HighestMark)
                && HighestMark > LowestMark
                && HighestMark <= 10_000
                && LowestMark >= (signed ? -1_000 : 0)
            )
        )
        {
            return signed
                ? Say($"The highest mark stands above the lowest.")
                : Say($"The highest mark stands above the lowest, both from 0 up.");
        }
        if (!(MarkStep > 0 && MarkStep <= HighestMark - LowestMark))
            return Say($"The step is above 0 and fits on the dial.");
        if (Kind == ControlKind.Digital ? !units.Contains(Unit) : Unit != "")
            return Say($"A display shows {string.Join(" / ", units).Name()}; a knob or taps show no unit.");
        if (Names.Any(name => (name ?? "").Trim().Length is 0 or > 12))
            return Say($"A mark's name has 1 to 12 letters.");
        var marks = Math.Round((HighestMark - LowestMark) / MarkStep) + 1;
        return Kind switch
        {
            ControlKind.CoarseFine when FineSteps is < 2 or > 20 || Names.Count < 2 || marks != Names.Count * FineSteps || MarkStep != 1 =>
                Say($"Coarse and fine: name at least 2 coarse steps, each with 2 to 20 fine ones."),
            ControlKind.PlateSelector when Names.Count != marks => Say($"A plate selector names the plate at every mark."),
            ControlKind.Tap when Names.Count != 0 && Names.Count != marks => Say($"Name every tap, or none."),
            ControlKind.Trim when !(TrimVolts is > 0 and <= 5) => Say($"How many volts does one mark of the trim add? Above 0, up to 5."),
            ControlKind.Trim when !(LowestMark <= 0 && HighestMark >= 0) => Say($"A trim stands at 0 somewhere."),
            _ => null,
        };
    }

    private string NameOf(double mark) =>
        Names.Count == 0 ? Digits.Show(mark, "0.##") : Name((int)Math.Round((mark - LowestMark) / MarkStep));

    private string Name(int index) => index >= 0 && index < Names.Count ? Names[index] : Digits.Show(index + 1, "0");
}
