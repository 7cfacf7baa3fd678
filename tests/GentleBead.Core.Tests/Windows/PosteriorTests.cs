using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using GentleBead.Core.Windows;
using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.Optimization;

namespace GentleBead.Core.Tests.Windows;

/// <summary>
/// The learned band against the posterior written out as a formula, its peak found by MathNet.Numerics (Nelder-Mead) and its width by
/// MathNet's inverse of the curvature there (Laplace's approximation; MacKay 1992, from memory).
/// </summary>
public class PosteriorTests
{
    private static readonly WireArc Arc = WireArc.Dip(Wire.Solid08);

    // Sweeps and beads on one machine, some old ones that count for less.
    private static readonly WindowPoint[] Heard =
    [
        Point(190, 18.9, BandEvidence.TopEdge),
        Point(260, 21.2, BandEvidence.TopEdge, weight: 0.7),
        Point(330, 22.6, BandEvidence.TopEdge, weight: 0.4),
        Point(180, 16.6, BandEvidence.BottomEdge),
        Point(300, 19.4, BandEvidence.BottomEdge, weight: 0.5),
        Point(210, 18.4, BandEvidence.Inside, right: true),
        Point(280, 20.1, BandEvidence.Inside, right: true, weight: 0.6),
        Point(240, 16.8, BandEvidence.Under),
        Point(320, 18.6, BandEvidence.Under, weight: 0.3),
        Point(200, 20.9, BandEvidence.Over),
        Point(290, 23.4, BandEvidence.Over, weight: 0.8),
    ];

    private static WindowPoint Point(double inPerMin, double volts, BandEvidence says, bool right = false, double weight = 1) =>
        new(WireFeedSpeed.FromInPerMin(inPerMin), Voltage.FromVolts(volts), says, right, weight);

    // The logarithm of the posterior of an edge's line: prior 1.2 V and 2 V, sweeps 0.35 V, beads half, over 0.4 V of doubt.
    private static double LogPosterior(WindowPoint[] points, bool low, double offset, double tilt)
    {
        var reference = points.Average(point => point.WireFeed.MPerMin);
        var sum = -offset * offset / (2 * 1.2 * 1.2) - tilt * tilt / (2 * 2.0 * 2.0);
        foreach (var point in points)
        {
            var textbook = SmoothBand.At(point.WireFeed, Arc);
            var edge = (low ? textbook.Low : textbook.High).Volts + offset + tilt * (point.WireFeed.MPerMin / reference - 1);
            var off = edge - point.Volts.Volts;
            if (point.Says == (low ? BandEvidence.BottomEdge : BandEvidence.TopEdge))
                sum -= point.Weight * off * off / (2 * 0.35 * 0.35);
            if (point.Says is BandEvidence.TopEdge or BandEvidence.BottomEdge)
                continue;
            var beyond = 1 / (1 + Math.Exp(-(low ? off : -off) / 0.4));
            var was = point.Says == (low ? BandEvidence.Under : BandEvidence.Over);
            sum += 0.5 * point.Weight * Math.Log(was ? beyond : 1 - beyond);
        }
        return sum;
    }

    private static (double Offset, double Tilt, Matrix<double> Covariance) Peak(Func<double, double, double> log)
    {
        var found = NelderMeadSimplex.Minimum(
            ObjectiveFunction.Value(at => -log(at[0], at[1])),
            Vector<double>.Build.Dense(2),
            convergenceTolerance: 1e-14,
            maximumIterations: 20_000
        );
        var (offset, tilt) = (found.MinimizingPoint[0], found.MinimizingPoint[1]);
        const double h = 1e-3;
        double Second(int i, int j)
        {
            double At(double a, double b) => log(offset + (i == 0 ? a : 0) + (j == 0 ? b : 0), tilt + (i == 1 ? a : 0) + (j == 1 ? b : 0));
            return -(At(h, h) - At(h, -h) - At(-h, h) + At(-h, -h)) / (4 * h * h);
        }
        return (offset, tilt, Matrix<double>.Build.Dense(2, 2, Second).Inverse());
    }

    private static void Same((double Offset, double Tilt, Matrix<double> Covariance) expected, LearnedLine line)
    {
        Assert.Equal(expected.Offset, line.Offset, 2e-4);
        Assert.Equal(expected.Tilt, line.Tilt, 5e-4);
        Assert.Equal(expected.Covariance[0, 0], line.OffsetVariance, 2e-4);
        Assert.Equal(expected.Covariance[1, 1], line.TiltVariance, 2e-3);
        Assert.Equal(expected.Covariance[0, 1], line.Covariance, 5e-4);
        foreach (var x in new[] { -0.4, 0, 0.3 })
        {
            var at = Vector<double>.Build.Dense([1, x]);
            Assert.Equal(Math.Sqrt(at * expected.Covariance * at), line.Sure(x), 1e-3);
            Assert.Equal(expected.Offset + expected.Tilt * x, line.At(x), 5e-4);
        }
    }

    public static TheoryData<string> Grounds => ["sweeps", "beads", "both", "a few beads far off"];

    private static WindowPoint[] Of(string grounds) =>
        grounds switch
        {
            "sweeps" => [.. Heard.Take(5)],
            "beads" => [.. Heard.Skip(5)],
            "both" => Heard,
            _ => [Point(150, 24, BandEvidence.Under), Point(300, 25, BandEvidence.Under), Point(220, 15, BandEvidence.Over)],
        };

    [Theory]
    [MemberData(nameof(Grounds))]
    public void Edges_stand_where_the_posterior_peaks_and_are_as_sure_as_it_is_narrow(string grounds)
    {
        var points = Of(grounds);
        var window = LearnedWindow.Fit(Arc, points);
        Assert.Equal(points.Average(point => point.WireFeed.MPerMin), window.Reference.MPerMin, 1e-9);
        Same(Peak((offset, tilt) => LogPosterior(points, true, offset, tilt)), window.Low);
        Same(Peak((offset, tilt) => LogPosterior(points, false, offset, tilt)), window.High);
    }

    // The middle stands on both edges, as unsure as the mean of two; right beads draw it, each good to 0.7 V.
    [Fact]
    public void The_best_volts_are_the_middle_drawn_to_where_right_beads_lie()
    {
        var window = LearnedWindow.Fit(Arc, Heard);
        var none = LearnedWindow.Fit(Arc, [.. Heard.Select(point => point with { Right = false })]);
        Assert.Equal((none.Low.Offset + none.High.Offset) / 2, none.Best.Offset, 1e-12);
        Assert.Equal((none.Low.Tilt + none.High.Tilt) / 2, none.Best.Tilt, 1e-12);
        Assert.Equal((none.Low.OffsetVariance + none.High.OffsetVariance) / 4, none.Best.OffsetVariance, 1e-12);
        Assert.Equal((none.Low.TiltVariance + none.High.TiltVariance) / 4, none.Best.TiltVariance, 1e-12);
        Assert.Equal((none.Low.Covariance + none.High.Covariance) / 4, none.Best.Covariance, 1e-12);
        var prior = Matrix<double>
            .Build.DenseOfArray(
                new[,]
                {
                    { none.Best.OffsetVariance, none.Best.Covariance },
                    { none.Best.Covariance, none.Best.TiltVariance },
                }
            )
            .Inverse();
        var mean = Vector<double>.Build.Dense([none.Best.Offset, none.Best.Tilt]);
        Same(
            Peak(
                (offset, tilt) =>
                {
                    var off = Vector<double>.Build.Dense([offset, tilt]) - mean;
                    return -off * prior * off / 2
                        - Heard
                            .Where(point => point.Right)
                            .Sum(point =>
                            {
                                var band = SmoothBand.At(point.WireFeed, Arc);
                                var best = (band.Low.Volts + band.High.Volts) / 2 + offset + tilt * (point.WireFeed / window.Reference - 1);
                                return point.Weight * Math.Pow(best - point.Volts.Volts, 2) / (2 * 0.7 * 0.7);
                            });
                }
            ),
            window.Best
        );
    }

    [Fact]
    public void Without_evidence_it_is_the_textbook_and_says_so()
    {
        var window = LearnedWindow.Fit(Arc, []);
        Assert.Equal(6, window.Reference.MPerMin);
        Assert.Equal(0, window.Weight(), 1e-12);
        Assert.Equal(1.2, window.SureVolts(window.Reference), 1e-12);
        var wire = WireFeedSpeed.FromInPerMin(250);
        var (textbook, learned) = (SmoothBand.At(wire, Arc), window.At(wire));
        Assert.Equal((textbook.Low, textbook.High), (learned.Low, learned.High));
        Assert.Equal((textbook.Low.Volts + textbook.High.Volts) / 2, learned.Aim.Volts, 1e-9);
    }

    // Half as unsure of both edges is three quarters learned: what is left of the doubt goes with its square.
    [Fact]
    public void How_much_is_the_rooms_own_goes_with_what_is_left_of_the_doubt()
    {
        var window = LearnedWindow.Fit(Arc, []);
        var surer = window with { Low = window.Low with { OffsetVariance = 0.36 }, High = window.High with { OffsetVariance = 0.36 } };
        Assert.Equal(0.75, surer.Weight(), 1e-12);
        Assert.Equal(0.6, surer.SureVolts(window.Reference), 1e-12);
        var lopsided = window with { Low = window.Low with { OffsetVariance = 0 } };
        Assert.Equal(0.6, lopsided.SureVolts(window.Reference), 1e-12);
        Assert.Equal(0.75, lopsided.Weight(), 1e-12);
    }

    // Common practice, no source: 0.030 wire at 17 V runs smooth between about 125 and 190 in/min.
    [Fact]
    public void The_wire_that_runs_smooth_at_17_volts_reaches_from_the_first_to_the_last_that_holds()
    {
        var window = LearnedWindow.Fit(Arc, []);
        WireFeedSpeed Wire(double inPerMin) => WireFeedSpeed.FromInPerMin(inPerMin);
        var band = window.WireBand(Voltage.FromVolts(17), Wire(80), Wire(450))!.Value;
        Assert.InRange(band.From.InPerMin, 110, 130);
        Assert.InRange(band.To.InPerMin, 185, 205);
        Assert.True(window.At(band.From).Holds(Voltage.FromVolts(17)) && window.At(band.To).Holds(Voltage.FromVolts(17)));
        // A step of 450 - 80 over 600 further it does not.
        Assert.False(window.At(Wire(band.From.InPerMin - 0.62)).Holds(Voltage.FromVolts(17)));
        Assert.False(window.At(Wire(band.To.InPerMin + 0.62)).Holds(Voltage.FromVolts(17)));
        // As far as the feeder goes, and both its ends with it.
        var within = window.WireBand(Voltage.FromVolts(17), Wire(140), Wire(180))!.Value;
        Assert.Equal(140, within.From.InPerMin, 1e-9);
        Assert.Equal(180, within.To.InPerMin, 1e-9);
        Assert.Null(window.WireBand(Voltage.FromVolts(40), Wire(80), Wire(450)));
    }

    [Theory]
    [InlineData(0, 1)]
    [InlineData(75, 0.75)]
    [InlineData(150, 0.5)]
    [InlineData(300, 0)]
    [InlineData(301, 0)]
    public void A_point_counts_for_less_by_how_many_are_newer(int newer, double weight) =>
        Assert.Equal(weight, LearnedWindow.Fade(newer), 1e-12);

    [Fact]
    public void What_it_stands_on_is_counted_and_what_there_is_none_of_is_not_named()
    {
        string Said(params BandEvidence[] heard) =>
            LearnedWindow.Fit(Arc, [.. heard.Select(says => Point(200, 18, says))]).Grounds().ToString();
        Assert.Equal("1 sweep mark", Said(BandEvidence.TopEdge));
        Assert.Equal("2 beads", Said(BandEvidence.Inside, BandEvidence.Under));
        Assert.Equal("1 sweep mark and 1 bead", Said(BandEvidence.BottomEdge, BandEvidence.Over));
    }
}
