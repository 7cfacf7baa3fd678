using GentleBead.Core.Beads;
using GentleBead.Core.Calculators;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Trials;

/// <summary>A bead of a trial as it was laid.</summary>
/// <param name="Step">For which step.</param>
/// <param name="Used">The pair used; null for TIG.</param>
/// <param name="Amps">The current used; null for a fed wire.</param>
/// <param name="Evidence">What was noted.</param>
/// <param name="At">When it was recorded.</param>
/// <param name="FreshPiece">Whether it was laid on a piece of its own.</param>
public sealed record TrialBead(int Step, Settings? Used, Current? Amps, Evidence Evidence, DateTimeOffset At, bool FreshPiece);

/// <summary>What breaks the comparison.</summary>
public enum Unfair
{
    /// <summary>The plate was still warm from the bead before.</summary>
    PlateWarm,

    /// <summary>The travel speed was another.</summary>
    TravelOff,

    /// <summary>More than one thing was changed.</summary>
    TwoThings,
}

/// <summary>One thing that breaks the comparison.</summary>
/// <param name="Unfair">What.</param>
/// <param name="Text">How, with the numbers and what to do.</param>
public sealed record UnfairBead(Unfair Unfair, Said Text);

/// <summary>Whether the beads of a trial can be compared: same plate temperature, same travel speed, one thing changed.</summary>
public static class Fairness
{
    // A practice coupon and bead where nobody measured: 150 x 100 mm, 100 mm. Common practice, no source.
    private static readonly Length CouponLength = Length.FromMm(150);
    private static readonly Length CouponWidth = Length.FromMm(100);
    private static readonly Length UsualBead = Length.FromMm(100);

    private const double TravelShare = 0.12;
    private const double WireShare = 0.05;
    private const double VoltsOff = 0.6;
    private const double StickOutMm = 3;

    /// <summary>Seconds to wait after a bead until the same piece can be compared; by estimate.</summary>
    public static double WaitSeconds(Sheet sheet, TrialBead bead)
    {
        var travel = bead.Evidence.Travel() ?? sheet.Travel;
        if (travel is not { } pace)
            return 0;
        var process = sheet.Job.Process.Facts();
        var (volts, amps) = bead.Used is { } used
            ? (used.Volts, sheet.AmpsAt(used.WireFeed))
            : (LoadLine.Tig(bead.Amps ?? sheet.Amps), bead.Amps ?? sheet.Amps);
        var heat = ArcHeat.En(volts, amps, pace, process.ArcShare);
        return Cooling
            .Wait(heat, bead.Evidence.LengthLaid() ?? UsualBead, CouponLength, CouponWidth, sheet.Job.Thinner, sheet.Job.Metal)
            .WaitSeconds;
    }

    /// <summary>What breaks the comparison of one bead with the others of its trial.</summary>
    /// <param name="plan">The trial.</param>
    /// <param name="sheet">The sheet it started from.</param>
    /// <param name="bead">The bead.</param>
    /// <param name="earlier">The beads laid before it, in order.</param>
    public static IReadOnlyList<UnfairBead> Of(TrialPlan plan, Sheet sheet, TrialBead bead, IReadOnlyList<TrialBead> earlier)
    {
        UnfairBead?[] unfair = [PlateWarm(sheet, bead, earlier), TravelOff(sheet, bead, earlier), TwoThings(plan, bead, earlier)];
        return [.. unfair.OfType<UnfairBead>()];
    }

    private static UnfairBead? PlateWarm(Sheet sheet, TrialBead bead, IReadOnlyList<TrialBead> earlier)
    {
        if (bead.Evidence.Plate is PlateWarmth.Warm or PlateWarmth.Hot)
        {
            return new(
                Unfair.PlateWarm,
                Say($"The plate was warm before the bead: it ran hotter than its settings. Lay it again on a cold piece.")
            );
        }
        if (bead.Evidence.Plate is not null || bead.FreshPiece || earlier.Count == 0)
            return null;
        var gone = (bead.At - earlier[^1].At).TotalSeconds;
        var wait = WaitSeconds(sheet, earlier[^1]);
        return gone < wait
            ? new(
                Unfair.PlateWarm,
                Say(
                    $"Only {Minutes(gone)} after the bead before; by estimate this piece wants {Minutes(wait)} in still air. "
                        + $"{sheet.Job.Metal.Facts().Cool:capital}, and feel it with a hand held near."
                )
            )
            : null;
    }

    private static UnfairBead? TravelOff(Sheet sheet, TrialBead bead, IReadOnlyList<TrialBead> earlier)
    {
        var held = earlier.Select(one => one.Evidence.Travel()).FirstOrDefault(travel => travel is not null) ?? sheet.Travel;
        return held is { } pace && bead.Evidence.Travel() is { } travel && Math.Abs(travel / pace - 1) > TravelShare
            ? new(Unfair.TravelOff, Say($"Travelled {travel}, the others {pace}: size and depth cannot be compared."))
            : null;
    }

    private static UnfairBead? TwoThings(TrialPlan plan, TrialBead bead, IReadOnlyList<TrialBead> earlier)
    {
        Said[] others = [.. OtherThings(plan, bead, earlier)];
        return others.Length > 0 ? new(Unfair.TwoThings, Say($"More than one thing changed: {others}.")) : null;
    }

    // What was changed besides what the trial turns.
    private static IEnumerable<Said> OtherThings(TrialPlan plan, TrialBead bead, IReadOnlyList<TrialBead> earlier)
    {
        var step = plan.Steps[bead.Step - 1];
        if (bead.Used is { } used && step.Used is { } planned)
        {
            if (plan.Variable is not (Variable.Wire or Variable.Pair) && Math.Abs(used.WireFeed / planned.WireFeed - 1) > WireShare)
            {
                yield return Say($"wire {used.WireFeed} instead of {planned.WireFeed}");
            }
            if (plan.Variable is not (Variable.Volts or Variable.Pair) && Math.Abs(used.Volts.Volts - planned.Volts.Volts) > VoltsOff)
            {
                yield return Say($"{used.Volts} instead of {planned.Volts}");
            }
        }
        var first = earlier.Select(one => one.Evidence.StickOut).FirstOrDefault(one => one is not null);
        if (bead.Evidence.StickOut is { } stickOut && first is { } before && Math.Abs(stickOut.Mm - before.Mm) > StickOutMm)
        {
            yield return Say($"stick-out {stickOut} instead of {before}");
        }
    }

    private static Said Minutes(double seconds) => seconds < 90 ? Say($"{seconds:0} s") : Say($"{seconds / 60:0} min");
}
