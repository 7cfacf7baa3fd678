namespace GentleBead.Core.Looking;

/// <summary>
/// What stands out along a bead besides its toes and ripples; null of what is not plain to see, which does not say that it is not there.
/// </summary>
/// <param name="UndercutMm">How long a groove goes along its toes, both sides together; above 0.</param>
/// <param name="Crater">Whether its end is hollow.</param>
/// <param name="Restart">Whether it was begun anew.</param>
internal sealed record FaceMarks(double? UndercutMm, bool? Crater, bool? Restart)
{
    // From this share on a column has a groove beside its toe, and shorter grooves are a shade, mm.
    private const double Groove = 0.5,
        ShortestMm = 3;

    // So far beside a toe a groove lies, rows into the bead and out of it.
    private const int In = 4,
        Out = 12;

    // From this share on a place counts as part of a crater or a restart. The network takes the last ripples of sound beads for a crater as
    // often as it sees one, and is seldom as sure as this of either.
    private const double Sure = 0.7;

    // Of the bead's width squared, what a crater or a restart covers at least.
    private const double LeastCrater = 0.05,
        LeastRestart = 0.12;

    /// <summary>Reads them.</summary>
    public static FaceMarks Of(FaceSight sight, FaceTrace trace)
    {
        var width = trace.Left.Zip(trace.Right, (left, right) => right - left).Order().ElementAt(trace.Left.Length / 2);
        var groove = Grooved(sight, trace.Left, trace.From, -1) + Grooved(sight, trace.Right, trace.From, 1);
        return new(
            groove > 0 ? groove : null,
            Covered(sight, trace, FacePart.Crater) > LeastCrater * width * width ? true : null,
            Covered(sight, trace, FacePart.Restart) > LeastRestart * width * width ? true : null
        );
    }

    private static double Grooved(FaceSight sight, double[] toe, int first, int side)
    {
        var (strip, sum, run) = (sight.Strip, 0.0, 0);
        for (var i = 0; i <= toe.Length; i++)
        {
            if (i < toe.Length && Has(i))
            {
                run++;
                continue;
            }
            var length = run * FaceNet.Every * Strip.Cell;
            (sum, run) = (sum + (length >= ShortestMm ? length : 0), 0);
        }
        return sum;

        bool Has(int i)
        {
            var column = Math.Min((first + i) * FaceNet.Every, strip.Columns - 1);
            for (var by = -In; by <= Out; by++)
            {
                var row = (int)Math.Round(toe[i]) + side * by;
                if (row >= 0 && row < strip.Rows && sight.Share(FacePart.Undercut, row * strip.Columns + column) > Groove)
                    return true;
            }
            return false;
        }
    }

    // How many places of the bead are surely that.
    private static double Covered(FaceSight sight, FaceTrace trace, FacePart part)
    {
        var (strip, covered) = (sight.Strip, 0);
        for (var i = 0; i < trace.Left.Length; i++)
        {
            var column = (trace.From + i) * FaceNet.Every;
            for (var row = (int)Math.Max(0, trace.Left[i]); row <= trace.Right[i] && row < strip.Rows && column < strip.Columns; row++)
                covered += sight.Share(part, row * strip.Columns + column) > Sure ? FaceNet.Every : 0;
        }
        return covered;
    }
}
