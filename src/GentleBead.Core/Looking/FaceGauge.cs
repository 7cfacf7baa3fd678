using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Looking;

/// <summary>What a reading comes to in millimetres, and between what each lies in nineteen cases of twenty.</summary>
/// <remarks>
/// How far off each may be was taken from drawn pictures whose truth is known (bench -- eye); what a picture does to it, its blur and how
/// slantingly it was taken, widens it.
/// </remarks>
internal static class FaceGauge
{
    // What the eye is off by in the middle, mm: learned with the rest.
    private const double WidthOff = 0.14,
        FilletWidthOff = 0.03;

    // A round end fades out: what both together are seen too short by, mm.
    private const double EndsOff = 0.22;

    // A fillet's ends sink into its corner: what is hardly to be seen of them, as a share of the width.
    private const double Sunk = 0.12;

    /// <summary>What it measured.</summary>
    public static FaceMeasures Of(CardSeen card, FaceReading reading, bool leans, bool told)
    {
        var trace = reading.Trace;
        var width =
            Widths(trace).Average()
            - (
                told ? 0
                : leans ? FilletWidthOff
                : WidthOff
            );
        var spread = Math.Sqrt(Widths(trace).Average(one => Math.Pow(one - Widths(trace).Average(), 2)));
        var length =
            (trace.To - trace.From + 1) * FaceNet.Every * Strip.Cell
            + (
                told ? 0
                : leans ? Sunk * width
                : EndsOff
            );
        var blur = card.BlurMm;
        var widthHalf = 0.1 + 0.018 * width + 0.6 * blur + 0.4 * Math.Max(0, trace.Soft - 0.2);
        var lengthHalf = 0.5 + 0.015 * length + (leans ? 0.6 : 0);
        var pores = reading.Pores;
        var grains = reading.Spatter;
        return new(
            ReadLength.Of(length, lengthHalf),
            ReadLength.Of(width, widthHalf),
            Length.FromMm(spread),
            Length.FromMm(OffStraight(trace)),
            reading.Ripples is { } ripples
                ? ReadLength.Of(ripples.SpacingMm, ripples.SpacingMm * (0.05 + 0.12 * (1 - ripples.Plain)))
                : null,
            reading.Ripples?.Spread,
            new(
                grains.Count,
                Length.FromMm(grains.Select(one => one.DiameterMm).DefaultIfEmpty(0).Max()),
                Length.FromMm(grains.Select(one => OffToe(trace, one)).DefaultIfEmpty(0).Max())
            ),
            [.. pores.Select(one => Length.FromMm(one.DiameterMm))],
            Length.FromMm(Worst(pores)),
            Tint(reading.Tint.Left),
            Tint(reading.Tint.Right),
            leans ? ReadLength.Of(width / Math.Sqrt(2), widthHalf + 0.1 * width) : null,
            reading.Marks.UndercutMm is { } groove ? Length.FromMm(groove) : null,
            reading.Marks.Crater,
            reading.Marks.Restart
        );
    }

    /// <summary>Why it is not surer, in words.</summary>
    public static IReadOnlyList<Said> NotSurer(CardSeen card, FaceReading reading, bool leans)
    {
        List<Said> why = [.. OfPicture(card)];
        if (leans)
            why.Add(Say($"A fillet's legs are taken as alike: a picture does not show its root."));
        if (reading.Ripples is null)
            why.Add(Say($"No ripples to be told apart: light from the bead's end would show them."));
        if (reading.Tint.Left is null || reading.Tint.Right is null)
            why.Add(Say($"Too little plate is to be seen beside the bead to tell its tint."));
        return why;
    }

    /// <summary>What keeps a picture of anything from saying more.</summary>
    public static IEnumerable<Said> OfPicture(CardSeen card)
    {
        if (card.Card is null)
            yield return Say($"No card: how slantingly it was taken is not known, and colours are taken as they are.");
        if (card.Plane.PixelsPerMm(card.Middle) < 1.4 * Troubles.LeastPixelsPerMm)
            yield return Say($"Few pixels a millimetre: nearer would show more.");
        if (card.BlurMm > 0.09)
            yield return Say($"Not quite sharp.");
    }

    private static double[] Widths(FaceTrace trace)
    {
        // Without its rounded ends.
        var inset = Math.Min(
            trace.Left.Length / 3,
            (int)((trace.Right[trace.Right.Length / 2] - trace.Left[trace.Left.Length / 2]) / FaceNet.Every)
        );
        return [.. trace.Left.Zip(trace.Right, (left, right) => (right - left) * Strip.Cell).Skip(inset).SkipLast(inset)];
    }

    private static double OffStraight(FaceTrace trace)
    {
        var inset = trace.Left.Length / 8;
        var middles = trace.Left.Zip(trace.Right, (left, right) => (left + right) / 2 * Strip.Cell).Skip(inset).SkipLast(inset).ToArray();
        if (middles.Length < 3)
            return 0;
        var (x, y) = ((middles.Length - 1) / 2.0, middles.Average());
        double xy = 0,
            xx = 0;
        for (var i = 0; i < middles.Length; i++)
            (xy, xx) = (xy + (i - x) * (middles[i] - y), xx + (i - x) * (i - x));
        return middles.Index().Max(one => Math.Abs(one.Item - y - xy / xx * (one.Index - x)));
    }

    private static double OffToe(FaceTrace trace, FaceSpot grain)
    {
        var at = Math.Clamp((int)Math.Round(Strip.ColumnAt(grain.Along) / FaceNet.Every) - trace.From, 0, trace.Left.Length - 1);
        return Math.Max(0, Math.Max(Strip.Across(trace.Left[at]) - grain.Across, grain.Across - Strip.Across(trace.Right[at])));
    }

    // All pores' widths over the inch, 25 mm and a hair, that has the most of them.
    private static double Worst(IReadOnlyList<FaceSpot> pores) =>
        pores
            .Select(first =>
                pores.Where(one => one.Along >= first.Along && one.Along <= first.Along + Length.MmPerInch).Sum(one => one.DiameterMm)
            )
            .DefaultIfEmpty(0)
            .Max();

    private static FaceTint? Tint(TintSide? side) =>
        side is null ? null : new(ReadLength.Of(side.WidthMm, 0.15 + 0.02 * side.WidthMm), Length.FromMm(side.SpreadMm), side.Hottest);
}
