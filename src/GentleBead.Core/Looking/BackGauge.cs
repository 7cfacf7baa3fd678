using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Looking;

/// <summary>What a reading of a back comes to, and between what each width lies in nineteen cases of twenty.</summary>
internal static class BackGauge
{
    // How far off a width may be, mm and as a share of it; taken from drawn pictures whose truth is known (bench -- eye backs).
    private static readonly (double Mm, double Share) OfMark = (0.2, 0.05),
        OfTint = (0.3, 0.12);

    /// <summary>What it measured.</summary>
    public static BackMeasures Of(CardSeen card, BackReading reading) =>
        new(
            Trace(reading.Mark, reading.Columns, OfMark, card.BlurMm),
            Trace(reading.Tint, reading.Columns, OfTint, card.BlurMm),
            [.. reading.Holes.Select(one => Length.FromMm(one.DiameterMm)).OrderDescending()]
        );

    /// <summary>Why it is not surer, in words.</summary>
    public static IReadOnlyList<Said> NotSurer(CardSeen card, BackMeasures measures)
    {
        List<Said> why = [.. FaceGauge.OfPicture(card)];
        if (measures.Tint is null)
            why.Add(Say($"Mill scale and paint show no colours: where none is to be seen, heat may have come through all the same."));
        return why;
    }

    private static BackTrace? Trace(IReadOnlyList<BackPiece> pieces, int columns, (double Mm, double Share) off, double blur)
    {
        var widths = pieces.SelectMany(piece => piece.WidthMm).Where(double.IsFinite).Order().ToArray();
        if (widths.Length == 0)
            return null;
        var (middle, mean) = (widths[widths.Length / 2], widths.Average());
        var spread = Math.Sqrt(widths.Average(one => (one - mean) * (one - mean)));
        var share = Math.Min(1, pieces.Sum(piece => piece.Middle.Length) / (double)columns);
        return BackTrace.Of(share, pieces.Count, ReadLength.Of(middle, off.Mm + off.Share * middle + 0.6 * blur), Length.FromMm(spread));
    }
}
