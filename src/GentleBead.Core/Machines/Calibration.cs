using System.Diagnostics.CodeAnalysis;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Machines;

/// <summary>A value read off a calibration, with how sure it is.</summary>
/// <param name="Value">Metres per minute, volts or amperes.</param>
/// <param name="MarksBeyond">Distance in marks past the nearest reading; 0 between readings.</param>
/// <param name="SureShare">How far the true value may stray either way, as a share of <paramref name="Value"/>.</param>
public readonly record struct Estimate(double Value, double MarksBeyond, double SureShare);

/// <summary>Where to set a control for a wanted value.</summary>
/// <param name="Mark">The settable mark that comes nearest.</param>
/// <param name="Value">What that mark really gives.</param>
/// <param name="MarksBeyond">Distance in marks past the nearest reading; 0 between readings.</param>
/// <param name="SureShare">How far the true value may stray either way, as a share of <paramref name="Value"/>.</param>
/// <param name="OutOfReach">Whether the wanted value lies past the end of the dial.</param>
public readonly record struct MarkSetting(double Mark, double Value, double MarksBeyond, double SureShare, bool OutOfReach);

/// <summary>A reading that the others speak against.</summary>
/// <param name="Reading">The reading.</param>
/// <param name="Expected">What the readings beside it promise at its mark.</param>
public sealed record Stray(Reading Reading, double Expected);

/// <summary>
/// From marks to values and back for one control. Straight lines between the readings, the end lines drawn on
/// beyond them; rising all the way, so that every value has one mark. Coarse and fine switches have one such line for
/// each coarse step, which may overlap.
/// </summary>
/// <remarks>
/// A display without readings is believed, to a fifth: displays 10 to 30 % off happen (common practice, no source). One reading scales
/// the whole dial through zero: half a turn is half the wire (same); for volts on an unmarked control that would be
/// a guess, so it takes two.
/// </remarks>
public sealed class Calibration
{
    /// <summary>How far a display that was never measured may stray. Common practice, no source: 10 to 30 % happens.</summary>
    public const double Believed = 0.20;

    // What one reading, or two, leave open; and the error of a ruler and a watch, below which no fit can be.
    private const double OneReading = 0.10;
    private const double TwoReadings = 0.05;
    private const double RulerAndWatch = 0.02;

    // Further off than this from what its neighbours promise, a reading is pointed out.
    private const double StrayShare = 0.10;

    private readonly Control control;
    private readonly Line[] lines;
    private readonly Reading[] measured;

    private Calibration(Control control, Line[] lines, Reading[] measured)
    {
        this.control = control;
        this.lines = lines;
        this.measured = measured;
        SpreadShare = Spread(control, measured);
    }

    /// <summary>How far readings stray from what the others promise, as a share; at least the error of ruler and watch.</summary>
    public double SpreadShare { get; }

    /// <summary>Readings that the others speak against, by mark; taken in all the same until they are withdrawn.</summary>
    public IReadOnlyList<Stray> Strays =>
        control.Kind != ControlKind.CoarseFine
            ? StraysOf(measured)
            :
            [
                .. lines.SelectMany(line =>
                    StraysOf([.. measured.Where(reading => reading.Mark >= line.LowestMark && reading.Mark <= line.HighestMark)])
                ),
            ];

    /// <summary>Fits a control's readings.</summary>
    /// <param name="control">The control with its readings; for a trim the readings are of the volts that follow the wire control.</param>
    /// <param name="calibration">The fit, when there are enough readings and they rise.</param>
    /// <param name="problem">Why not, for the person at the machine; null otherwise.</param>
    public static bool TryFit(Control control, [NotNullWhen(true)] out Calibration? calibration, [NotNullWhen(false)] out Said? problem)
    {
        calibration = null;
        // Readings taken twice at one mark count as their mean.
        var measured = Measured(control.Readings);
        // A trim's readings stand at marks of the wire control, which has ends of its own.
        if (
            Array.Find(measured, reading => !(reading.Measured > 0) || (control.Kind != ControlKind.Trim && !control.IsOn(reading.Mark))) is
            { } stray
        )
        {
            problem = Say(
                $"The reading at {control.Read(stray.Mark)} is off the dial ({control.Read(control.LowestMark)} to "
                    + $"{control.Read(control.HighestMark)}) or not above 0."
            );
            return false;
        }
        if (control.Kind == ControlKind.CoarseFine)
            return TryFitCoarse(control, measured, out calibration, out problem);
        if (Falling(control, measured) is { } falling)
        {
            problem = falling;
            return false;
        }
        Reading[]? line = measured.Length switch
        {
            0 when control.Kind == ControlKind.Digital => [new(0, 0), new(1, PerDisplayUnit(control.Unit))],
            1 when control.Kind is ControlKind.Digital or ControlKind.Knob && measured[0].Mark > 0 => [new(0, 0), measured[0]],
            >= 2 => measured,
            _ => null,
        };
        if (line is null)
        {
            problem =
                measured.Length == 0
                    ? Say($"Not calibrated: no readings yet.")
                    : Say($"One reading is not enough here: measure at a second mark.");
            return false;
        }
        // A believed display has nothing measured to stray from.
        var (first, last) =
            measured.Length == 0 ? (double.NegativeInfinity, double.PositiveInfinity) : (measured[0].Mark, measured[^1].Mark);
        calibration = new Calibration(control, [new Line(line, control.LowestMark, control.HighestMark, first, last)], measured);
        problem = null;
        return true;
    }

    /// <summary>
    /// By how much a display shows more than was measured, as a share, the mean over its readings; null without readings or display.
    /// </summary>
    public static double? ReadOutOff(Control control) =>
        control.Kind != ControlKind.Digital || control.Readings.Count == 0
            ? null
            : control.Readings.Average(reading => reading.Mark * PerDisplayUnit(control.Unit) / reading.Measured - 1);

    /// <summary>What a mark gives.</summary>
    /// <param name="mark">A mark on the dial; for a trim, of the wire control.</param>
    /// <exception cref="ArgumentOutOfRangeException">A mark off the dial; the message names its ends.</exception>
    public Estimate ValueAt(double mark)
    {
        if (control.Kind != ControlKind.Trim && !control.IsOn(mark))
        {
            throw new ArgumentOutOfRangeException(nameof(mark), mark, control.Runs().ToString());
        }
        var line = lines.Length == 1 ? lines[0] : lines.First(candidate => mark <= candidate.HighestMark);
        var beyond = line.Beyond(mark);
        return new Estimate(Math.Max(0, line.At(mark)), beyond, SureShare(line, beyond));
    }

    /// <summary>The settable mark that comes nearest to a wanted value.</summary>
    /// <param name="value">Metres per minute, volts or amperes; finite, 0 or more.</param>
    public MarkSetting MarkFor(double value)
    {
        Finite.NonNegative(value);
        MarkSetting? best = null;
        foreach (var line in lines)
        {
            var exact = line.MarkFor(value);
            var mark = control.Settable(Math.Clamp(exact, line.LowestMark, line.HighestMark));
            var reached = ValueAt(mark);
            var outOfReach = exact < line.LowestMark - control.MarkStep / 2 || exact > line.HighestMark + control.MarkStep / 2;
            if (best is null || Math.Abs(reached.Value - value) < Math.Abs(best.Value.Value - value))
            {
                best = new MarkSetting(mark, reached.Value, reached.MarksBeyond, reached.SureShare, outOfReach);
            }
        }
        return best!.Value;
    }

    /// <summary>
    /// The mark for a value on a dial without steps or ends; the plain inverse
    /// of <see cref="ValueAt"/>. Of the first line, where there are several.
    /// </summary>
    public double ExactMark(double value) => lines[0].MarkFor(value);

    private static Reading[] Measured(IReadOnlyList<Reading> readings)
    {
        var sorted = readings.ToArray();
        Array.Sort(sorted, (one, other) => one.Mark.CompareTo(other.Mark));
        for (var i = 1; i < sorted.Length; i++)
        {
            if (sorted[i].Mark == sorted[i - 1].Mark)
                return
                [
                    .. sorted
                        .GroupBy(reading => reading.Mark)
                        .Select(same => new Reading(same.Key, same.Average(reading => reading.Measured))),
                ];
        }
        return sorted;
    }

    // The first reading that is not above the one at the mark before it.
    private static (Reading Low, Reading High)? FirstFalling(Reading[] measured)
    {
        for (var i = 1; i < measured.Length; i++)
        {
            if (measured[i].Measured <= measured[i - 1].Measured)
                return (measured[i - 1], measured[i]);
        }
        return null;
    }

    private static Said? Falling(Control control, Reading[] measured)
    {
        if (FirstFalling(measured) is not var (low, high))
            return null;
        return control.Kind == ControlKind.Trim || control.IsStepped()
            ? Say($"The reading at {Mark(high)} is not above the one at {Mark(low)}: measure both again.")
            : Say($"The reading at mark {high.Mark} is not above the one at {low.Mark}: measure both again.");

        // A trim's readings stand at marks of the wire control.
        Said Mark(Reading reading) => control.Kind == ControlKind.Trim ? Say($"{reading.Mark}") : control.Read(reading.Mark);
    }

    /// <summary>Whether a control's readings fall somewhere, which no dial does: one of two was measured wrongly.</summary>
    public static bool Falls(Control control) =>
        control.Kind != ControlKind.CoarseFine
            ? FirstFalling(Measured(control.Readings)) is not null
            : CoarseSteps(control, Measured(control.Readings)).Any(step => step.Count() >= 2 && FirstFalling([.. step]) is not null);

    private static ILookup<int, Reading> CoarseSteps(Control control, Reading[] measured) =>
        measured.ToLookup(reading => (int)(reading.Mark - control.LowestMark) / control.FineSteps);

    private static bool TryFitCoarse(
        Control control,
        Reading[] measured,
        [NotNullWhen(true)] out Calibration? calibration,
        [NotNullWhen(false)] out Said? problem
    )
    {
        calibration = null;
        var steps = CoarseSteps(control, measured);
        var full = steps.Where(step => step.Count() >= 2).Select(step => step.ToArray()).ToArray();
        if (full.Length == 0)
        {
            problem =
                measured.Length == 0 ? Say($"Not calibrated: no readings yet.") : Say($"Measure two fine steps of one coarse step first.");
            return false;
        }
        foreach (var step in full)
        {
            if (Falling(control, step) is { } falling)
            {
                problem = falling;
                return false;
            }
        }
        // A coarse step with one reading rises as steeply as the measured ones do on average.
        var slope = full.Average(step => (step[^1].Measured - step[0].Measured) / (step[^1].Mark - step[0].Mark));
        var lines = new List<Line>();
        for (var coarse = 0; coarse < control.Names.Count; coarse++)
        {
            var own = steps[coarse].ToArray();
            var lowest = control.LowestMark + coarse * control.FineSteps;
            if (own.Length == 0)
            {
                problem = Say($"Nothing measured at coarse {control.Names[coarse].Name()} yet.");
                return false;
            }
            var points = own.Length >= 2 ? own : [own[0], new Reading(own[0].Mark + 1, own[0].Measured + slope)];
            lines.Add(new Line(points, lowest, lowest + control.FineSteps - 1, own[0].Mark, own[^1].Mark));
        }
        calibration = new Calibration(control, [.. lines], measured);
        problem = null;
        return true;
    }

    // What two neighbours promise at a reading between them, against what was measured; and readings taken twice against their mean.
    private static double Spread(Control control, Reading[] measured)
    {
        var (squares, count) = (0.0, 0);
        if (control.Kind != ControlKind.CoarseFine)
        {
            for (var i = 1; i < measured.Length - 1; i++)
                Add(Off(measured, i));
        }
        if (measured.Length < control.Readings.Count)
        {
            foreach (var same in control.Readings.GroupBy(reading => reading.Mark).Where(same => same.Count() > 1))
            {
                var mean = same.Average(reading => reading.Measured);
                foreach (var reading in same)
                    Add(reading.Measured / mean - 1);
            }
        }
        return count > 0
            ? Math.Max(RulerAndWatch, Math.Sqrt(squares / count))
            : measured.Length switch
            {
                0 => Believed,
                1 => OneReading,
                _ => TwoReadings,
            };

        void Add(double residual)
        {
            squares += residual * residual;
            count++;
        }
    }

    // With three readings any of them may be the odd one; from four on the others can outvote it. A stray makes its
    // neighbours look off too: it is the one without which the rest agree.
    private static Stray[] StraysOf(Reading[] measured)
    {
        if (measured.Length < 4)
            return [];
        var (index, left) = Enumerable
            .Range(1, measured.Length - 2)
            .Select(i => (Index: i, Left: MostOff([.. measured.Where((_, at) => at != i)])))
            .MinBy(candidate => candidate.Left);
        var off = Off(measured, index);
        return off > StrayShare && left < off / 2 ? [new Stray(measured[index], Promised(measured, index))] : [];
    }

    private static double MostOff(Reading[] points) => Enumerable.Range(1, points.Length - 2).Max(i => Off(points, i));

    private static double Off(Reading[] points, int i) => Math.Abs(Promised(points, i) / points[i].Measured - 1);

    private static double Promised(Reading[] points, int i)
    {
        var (low, high) = (points[i - 1], points[i + 1]);
        return low.Measured + (points[i].Mark - low.Mark) * (high.Measured - low.Measured) / (high.Mark - low.Mark);
    }

    // Beyond the readings the doubt grows with the distance, measured in spans of what was measured.
    private double SureShare(Line line, double beyond)
    {
        var span = line.LastMeasured - line.FirstMeasured;
        return beyond == 0
            ? SpreadShare
            : SpreadShare * (1 + beyond / (span > 0 ? span : Math.Max(control.MarkStep, Math.Abs(line.FirstMeasured))));
    }

    private static double PerDisplayUnit(string unit) =>
        unit switch
        {
            "in/min" => WireFeedSpeed.MPerInch,
            "m/min" or "V" or "A" => 1,
            _ => throw new ArgumentOutOfRangeException(nameof(unit), unit, "A display shows in/min, m/min, V or A."),
        };

    private sealed record Line(Reading[] Points, double LowestMark, double HighestMark, double FirstMeasured, double LastMeasured)
    {
        public double At(double mark)
        {
            var (low, high) = Segment(point => point.Mark, mark);
            return low.Measured + (mark - low.Mark) * (high.Measured - low.Measured) / (high.Mark - low.Mark);
        }

        public double MarkFor(double value)
        {
            var (low, high) = Segment(point => point.Measured, value);
            return low.Mark + (value - low.Measured) * (high.Mark - low.Mark) / (high.Measured - low.Measured);
        }

        public double Beyond(double mark) => Math.Max(0, Math.Max(FirstMeasured - mark, mark - LastMeasured));

        private (Reading Low, Reading High) Segment(Func<Reading, double> along, double at)
        {
            var upper = 1;
            while (upper < Points.Length - 1 && along(Points[upper]) < at)
                upper++;
            return (Points[upper - 1], Points[upper]);
        }
    }
}
