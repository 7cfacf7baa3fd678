using GentleBead.Core.Quantities;

namespace GentleBead.Core.Machines;

/// <summary>A value read off a calibration, with how far the answer lies beyond the measured points.</summary>
/// <param name="Value">Metres per minute or volts.</param>
/// <param name="MarksBeyond">Distance in marks past the nearest reading; 0 between readings.</param>
public readonly record struct Estimate(double Value, double MarksBeyond);

/// <summary>Where to set a control for a wanted value.</summary>
/// <param name="Mark">The settable mark that comes nearest.</param>
/// <param name="Value">What that mark really gives.</param>
/// <param name="MarksBeyond">Distance in marks past the nearest reading; 0 between readings.</param>
/// <param name="OutOfReach">Whether the wanted value lies past the end of the dial.</param>
public readonly record struct MarkSetting(double Mark, double Value, double MarksBeyond, bool OutOfReach);

/// <summary>
/// From marks to values and back for one control. Straight lines between the readings, the end lines drawn on
/// beyond them; rising all the way, so that every value has one mark.
/// </summary>
/// <remarks>
/// A display without readings is believed. One reading scales the whole dial through zero: half a turn is half the
/// wire (common practice, no source); for volts on an unmarked control that would be a guess, so it takes two.
/// </remarks>
public sealed class Calibration
{
    private readonly Control control;
    private readonly Reading[] points;
    private readonly double firstMeasured;
    private readonly double lastMeasured;

    private Calibration(Control control, Reading[] points, double firstMeasured, double lastMeasured)
    {
        this.control = control;
        this.points = points;
        this.firstMeasured = firstMeasured;
        this.lastMeasured = lastMeasured;
    }

    /// <summary>Fits the readings of a control.</summary>
    /// <param name="control">The control with its readings.</param>
    /// <param name="calibration">The fit, when there are enough readings and they rise.</param>
    /// <param name="problem">Why not, in words for the person at the machine; empty otherwise.</param>
    public static bool TryFit(Control control, out Calibration? calibration, out string problem)
    {
        calibration = null;
        // Readings taken twice at one mark count as their mean.
        var measured = control.Readings
            .GroupBy(reading => reading.Mark)
            .Select(same => new Reading(same.Key, same.Average(reading => reading.Measured)))
            .OrderBy(reading => reading.Mark)
            .ToArray();
        var stray = measured.FirstOrDefault(reading => reading.Mark < control.LowestMark || reading.Mark > control.HighestMark || !(reading.Measured > 0));
        if (stray is not null)
        {
            problem = $"The reading at mark {Show.Number(stray.Mark)} is off the dial ({Show.Number(control.LowestMark)} to {Show.Number(control.HighestMark)}) or not above 0.";
            return false;
        }
        for (var i = 1; i < measured.Length; i++)
        {
            if (measured[i].Measured > measured[i - 1].Measured) continue;
            problem = $"The reading at mark {Show.Number(measured[i].Mark)} is not above the one at {Show.Number(measured[i - 1].Mark)}: measure both again.";
            return false;
        }
        Reading[]? line = measured.Length switch
        {
            0 when control.Kind == ControlKind.Digital => [new(0, 0), new(1, PerDisplayUnit(control.Unit))],
            1 when control.Kind != ControlKind.Tap && measured[0].Mark > 0 => [new(0, 0), measured[0]],
            >= 2 => measured,
            _ => null,
        };
        if (line is null)
        {
            problem = measured.Length == 0
                ? "Not calibrated: no readings yet."
                : "One reading is not enough here: measure at a second mark.";
            return false;
        }
        // A believed display has nothing measured to stray from.
        var (first, last) = measured.Length == 0 ? (double.NegativeInfinity, double.PositiveInfinity) : (measured[0].Mark, measured[^1].Mark);
        calibration = new Calibration(control, line, first, last);
        problem = "";
        return true;
    }

    /// <summary>What a mark gives.</summary>
    /// <param name="mark">A mark on the dial.</param>
    /// <exception cref="ArgumentOutOfRangeException">A mark off the dial; the message names its ends.</exception>
    public Estimate ValueAt(double mark)
    {
        if (!(mark >= control.LowestMark && mark <= control.HighestMark))
        {
            throw new ArgumentOutOfRangeException(nameof(mark), mark, $"The dial runs from {Show.Number(control.LowestMark)} to {Show.Number(control.HighestMark)}.");
        }
        var (low, high) = Segment(point => point.Mark, mark);
        var value = low.Measured + (mark - low.Mark) * (high.Measured - low.Measured) / (high.Mark - low.Mark);
        return new Estimate(Math.Max(0, value), Beyond(mark));
    }

    /// <summary>The settable mark that comes nearest to a wanted value.</summary>
    /// <param name="value">Metres per minute or volts; finite, 0 or more.</param>
    public MarkSetting MarkFor(double value)
    {
        Finite.NonNegative(value);
        var exact = ExactMark(value);
        var mark = control.Settable(exact);
        var reached = ValueAt(mark);
        var outOfReach = exact < control.LowestMark - control.MarkStep / 2 || exact > control.HighestMark + control.MarkStep / 2;
        return new MarkSetting(mark, reached.Value, reached.MarksBeyond, outOfReach);
    }

    /// <summary>The mark for a value on a dial without steps or ends; the plain inverse of <see cref="ValueAt"/>.</summary>
    public double ExactMark(double value)
    {
        var (low, high) = Segment(point => point.Measured, value);
        return low.Mark + (value - low.Measured) * (high.Mark - low.Mark) / (high.Measured - low.Measured);
    }

    private (Reading Low, Reading High) Segment(Func<Reading, double> along, double at)
    {
        var upper = 1;
        while (upper < points.Length - 1 && along(points[upper]) < at) upper++;
        return (points[upper - 1], points[upper]);
    }

    private double Beyond(double mark) => Math.Max(0, Math.Max(firstMeasured - mark, mark - lastMeasured));

    private static double PerDisplayUnit(string unit) => unit switch
    {
        "in/min" => WireFeedSpeed.MPerInch,
        "m/min" or "V" => 1,
        _ => throw new ArgumentOutOfRangeException(nameof(unit), unit, "A display shows in/min, m/min or V."),
    };
}
