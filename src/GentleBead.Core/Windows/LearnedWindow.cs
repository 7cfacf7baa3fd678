using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;

namespace GentleBead.Core.Windows;

/// <summary>A straight line of volts beside the textbook's, with how sure it is.</summary>
/// <param name="Offset">Volts over the textbook at the reference wire feed speed.</param>
/// <param name="Tilt">Volts more for each reference wire feed speed more.</param>
/// <param name="OffsetVariance">Variance of the offset.</param>
/// <param name="TiltVariance">Variance of the tilt.</param>
/// <param name="Covariance">Their covariance.</param>
public sealed record LearnedLine(double Offset, double Tilt, double OffsetVariance, double TiltVariance, double Covariance)
{
    /// <summary>Volts over the textbook, at a distance from the reference as a share of it.</summary>
    public double At(double x) => Offset + Tilt * x;

    /// <summary>Its standard deviation there, volts.</summary>
    public double Sure(double x) => Math.Sqrt(Math.Max(0, OffsetVariance + 2 * x * Covariance + x * x * TiltVariance));
}

/// <summary>
/// The smooth band of one machine, wire and gas as this room has found it. Each edge is the textbook's edge plus a line
/// of its own; before any evidence that line is zero and unsure, so that the textbook gives way as evidence comes in and
/// no faster (Bayesian linear and logistic regression with Laplace's approximation; MacKay 1992).
/// </summary>
public sealed record LearnedWindow
{
    /// <summary>
    /// Of how many of the newest beads, and as many sweeps, of an arc on a machine it is fitted: what is older says little of what the
    /// machine does now.
    /// </summary>
    public const int Newest = 300;

    /// <summary>
    /// How much a point still counts by how many newer ones there are: 1 for the newest, falling evenly to 0 at <see cref="Newest"/>.
    /// </summary>
    /// <param name="newer">How many newer ones there are; 0 or more.</param>
    public static double Fade(int newer) => Math.Max(0, 1 - (double)newer / Newest);

    // How far a machine may lie from the textbook before anybody tried it. Common practice, no source.
    private const double PriorOffset = 1.2;
    private const double PriorTilt = 2.0;

    // A mark by ear on a moving knob; a bead's label; where in the band a right bead lies.
    private const double SweepNoise = 0.35;
    private const double EarWidth = 0.4;
    private const double BeadWeight = 0.5;
    private const double RightNoise = 0.7;

    /// <summary>The arc it is for.</summary>
    public required WireArc Arc { get; init; }

    /// <summary>Wire feed speed its lines are hung up at.</summary>
    public required WireFeedSpeed Reference { get; init; }

    /// <summary>The band's lower edge.</summary>
    public required LearnedLine Low { get; init; }

    /// <summary>The band's upper edge.</summary>
    public required LearnedLine High { get; init; }

    /// <summary>The best volts: the middle, drawn to where right beads were laid.</summary>
    public required LearnedLine Best { get; init; }

    /// <summary>Sweep marks behind it.</summary>
    public required int Sweeps { get; init; }

    /// <summary>Beads behind it.</summary>
    public required int Beads { get; init; }

    /// <summary>What it stands on: "12 sweep marks and 40 beads"; what there is none of is not named.</summary>
    public Said Grounds()
    {
        var sweeps = Sweeps.Counted(Say($"sweep mark"), Say($"sweep marks"));
        var beads = Beads.Counted(Say($"bead"), Say($"beads"));
        return Beads == 0 ? sweeps
            : Sweeps == 0 ? beads
            : Say($"{sweeps} and {beads}");
    }

    /// <summary>How much of it is the room's own at the reference: 0 all textbook, towards 1 all learned.</summary>
    public double Weight() => 1 - Math.Pow((Low.Sure(0) + High.Sure(0)) / (2 * PriorOffset), 2);

    /// <summary>The band at a wire feed speed.</summary>
    public Window<Voltage> At(WireFeedSpeed wireFeed)
    {
        var textbook = SmoothBand.At(wireFeed, Arc);
        var x = wireFeed / Reference - 1;
        var low = Math.Max(0, textbook.Low.Volts + Low.At(x));
        var high = Math.Max(low, textbook.High.Volts + High.At(x));
        var best = Math.Clamp((textbook.Low.Volts + textbook.High.Volts) / 2 + Best.At(x), low, high);
        return new(Voltage.FromVolts(low), Voltage.FromVolts(best), Voltage.FromVolts(high));
    }

    /// <summary>How sure the band is at a wire feed speed: one standard deviation of its edges, volts.</summary>
    public double SureVolts(WireFeedSpeed wireFeed) => (Low.Sure(wireFeed / Reference - 1) + High.Sure(wireFeed / Reference - 1)) / 2;

    /// <summary>Wire feed speeds between which these volts run smooth; null where they never do.</summary>
    public (WireFeedSpeed From, WireFeedSpeed To)? WireBand(Voltage volts, WireFeedSpeed least, WireFeedSpeed most)
    {
        const int Steps = 600;
        WireFeedSpeed? from = null;
        WireFeedSpeed? to = null;
        for (var i = 0; i <= Steps; i++)
        {
            var wire = WireFeedSpeed.FromMPerMin(least.MPerMin + (most.MPerMin - least.MPerMin) * i / Steps);
            if (!At(wire).Holds(volts))
                continue;
            from ??= wire;
            to = wire;
        }
        return from is { } begin && to is { } end ? (begin, end) : null;
    }

    /// <summary>Fits the window of an arc.</summary>
    /// <param name="arc">Process, wire and gas.</param>
    /// <param name="points">Everything heard with it on one machine; order does not matter.</param>
    public static LearnedWindow Fit(WireArc arc, IReadOnlyList<WindowPoint> points)
    {
        var reference =
            points.Count == 0 ? WireFeedSpeed.FromMPerMin(6) : WireFeedSpeed.FromMPerMin(points.Average(point => point.WireFeed.MPerMin));
        var low = FitEdge(
            points,
            reference,
            point => point.Volts.Volts - SmoothBand.At(point.WireFeed, arc).Low.Volts,
            BandEvidence.BottomEdge,
            BandEvidence.Under,
            +1
        );
        var high = FitEdge(
            points,
            reference,
            point => point.Volts.Volts - SmoothBand.At(point.WireFeed, arc).High.Volts,
            BandEvidence.TopEdge,
            BandEvidence.Over,
            -1
        );
        // The middle stands on both edges; right beads then draw it to where they lie.
        var middle = new LearnedLine(
            (low.Offset + high.Offset) / 2,
            (low.Tilt + high.Tilt) / 2,
            (low.OffsetVariance + high.OffsetVariance) / 4,
            (low.TiltVariance + high.TiltVariance) / 4,
            (low.Covariance + high.Covariance) / 4
        );
        var best = Gaussian(
            middle,
            [
                .. points
                    .Where(point => point.Right)
                    .Select(point =>
                        (
                            X: point.WireFeed / reference - 1,
                            Y: point.Volts.Volts
                                - (SmoothBand.At(point.WireFeed, arc).Low.Volts + SmoothBand.At(point.WireFeed, arc).High.Volts) / 2,
                            Precision: point.Weight / (RightNoise * RightNoise)
                        )
                    ),
            ]
        );
        var sweeps = points.Count(point => point.Says is BandEvidence.TopEdge or BandEvidence.BottomEdge);
        return new()
        {
            Arc = arc,
            Reference = reference,
            Low = low,
            High = high,
            Best = best,
            Sweeps = sweeps,
            Beads = points.Count - sweeps,
        };
    }

    private static LearnedLine FitEdge(
        IReadOnlyList<WindowPoint> points,
        WireFeedSpeed reference,
        Func<WindowPoint, double> over,
        BandEvidence onEdge,
        BandEvidence beyond,
        int way
    )
    {
        var prior = new LearnedLine(0, 0, PriorOffset * PriorOffset, PriorTilt * PriorTilt, 0);
        var swept = Gaussian(
            prior,
            [
                .. points
                    .Where(point => point.Says == onEdge)
                    .Select(point => (point.WireFeed / reference - 1, over(point), point.Weight / (SweepNoise * SweepNoise))),
            ]
        );
        var beads = points
            .Where(point => point.Says is BandEvidence.Inside or BandEvidence.Under or BandEvidence.Over)
            .Select(point =>
                (
                    X: point.WireFeed / reference - 1,
                    Y: over(point),
                    Beyond: point.Says == beyond ? 1.0 : 0,
                    Weight: point.Weight * BeadWeight
                )
            )
            .ToArray();
        if (beads.Length == 0)
            return swept;

        // Newton's method on the beads' logistic likelihood with what the sweeps say as its prior; concave, so it converges.
        var precision = Precision.Of(swept);
        var (offset, tilt) = (swept.Offset, swept.Tilt);
        var curvature = precision;
        for (var round = 0; round < 50; round++)
        {
            var (byOffset, byTilt) = precision.Times(swept.Offset - offset, swept.Tilt - tilt);
            curvature = precision;
            foreach (var (x, y, isBeyond, weight) in beads)
            {
                // Beyond the lower edge is under it, beyond the upper edge is over it.
                var p = 1 / (1 + Math.Exp(-way * (offset + tilt * x - y) / EarWidth));
                var pull = weight * way * (isBeyond - p) / EarWidth;
                byOffset += pull;
                byTilt += pull * x;
                curvature = curvature.With(x, weight * p * (1 - p) / (EarWidth * EarWidth));
            }
            var (stepOffset, stepTilt) = curvature.Solve(byOffset, byTilt);
            var length = Math.Sqrt(stepOffset * stepOffset + stepTilt * stepTilt);
            // A long step on a steep likelihood overshoots.
            var share = length > 1 ? 1 / length : 1;
            offset += stepOffset * share;
            tilt += stepTilt * share;
            if (length * share < 1e-9)
                break;
        }
        return curvature.Line(offset, tilt);
    }

    private static LearnedLine Gaussian(LearnedLine prior, (double X, double Y, double Precision)[] points)
    {
        if (points.Length == 0)
            return prior;
        var precision = Precision.Of(prior);
        var (offset, tilt) = precision.Times(prior.Offset, prior.Tilt);
        foreach (var (x, y, sure) in points)
        {
            precision = precision.With(x, sure);
            offset += y * sure;
            tilt += x * y * sure;
        }
        var (at, slope) = precision.Solve(offset, tilt);
        return precision.Line(at, slope);
    }

    // The inverse of a line's covariance, two by two and symmetric.
    private readonly record struct Precision(double Offset, double Both, double Tilt)
    {
        private double Determinant => Offset * Tilt - Both * Both;

        public static Precision Of(LearnedLine line)
        {
            var determinant = line.OffsetVariance * line.TiltVariance - line.Covariance * line.Covariance;
            return new(line.TiltVariance / determinant, -line.Covariance / determinant, line.OffsetVariance / determinant);
        }

        public Precision With(double x, double more) => new(Offset + more, Both + more * x, Tilt + more * x * x);

        public (double Offset, double Tilt) Times(double offset, double tilt) =>
            (Offset * offset + Both * tilt, Both * offset + Tilt * tilt);

        public (double Offset, double Tilt) Solve(double offset, double tilt) =>
            ((Tilt * offset - Both * tilt) / Determinant, (Offset * tilt - Both * offset) / Determinant);

        public LearnedLine Line(double offset, double tilt) =>
            new(offset, tilt, Tilt / Determinant, Offset / Determinant, -Both / Determinant);
    }
}
