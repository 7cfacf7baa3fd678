using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>What a machine's read-out shows while welding, by how far the tip stands off.</summary>
/// <param name="StickOut">Tip to work.</param>
/// <param name="Amps">Current that the sheet's wire draws at it.</param>
public sealed record AmpsAtStickOut(Length StickOut, Current Amps);

/// <summary>What the sheet's wire draws by the melting rate, beside what the simple factor says.</summary>
internal static class AmpsToRead
{
    // A long stick-out: half as much again as the longest good one. Common practice, no source.
    private const double Long = 1.5;

    // Closer than this the read-out cannot tell.
    private const double Alike = 0.03;

    /// <summary>At the sheet's stick-out and at a long one.</summary>
    /// <param name="job">The job.</param>
    /// <param name="found">The pair on the sheet.</param>
    /// <param name="stickOut">The sheet's stick-out.</param>
    public static Explained<IReadOnlyList<AmpsAtStickOut>> Of(Job job, FoundPair found, Window<Length> stickOut)
    {
        var arc = job.RequireArc();
        var reads = new[] { stickOut.Aim, stickOut.High * Long }
            .Select(at => new AmpsAtStickOut(at, MeltRate.Amps(found.WireFeed, at, arc.Process, arc.Wire.Facts())))
            .ToArray();
        var simple = BurnOff.AmpsFor(found.WireFeed, arc);
        var share = reads[0].Amps / simple - 1;
        var factor =
            Math.Abs(share) < Alike ? Say($"the simple factor's {simple} stands within what a read-out can tell")
            : share < 0 ? Say($"the simple factor says {simple}, {-share * 100:0} % more than is drawn")
            : Say($"the simple factor says {simple}, {share * 100:0} % less than is drawn");
        return new(
            reads,
            [
                new(
                    "reads",
                    Say($"The stick-out takes current off"),
                    Say($"a I + b L I² at {found.WireFeed} (Lesnewich 1958, from memory), with the stick-out's own heat; {factor}"),
                    Say($"{reads[0].Amps} at {reads[0].StickOut}, {reads[1].Amps} at {reads[1].StickOut}"),
                    Source.Published,
                    ["wireFeed", "stickOut"]
                ),
            ]
        );
    }
}
