using GentleBead.Core.Quantities;

namespace GentleBead.Core.Rules;

/// <summary>From plate to current: one ampere for each thousandth of an inch. Common practice, no source.</summary>
public static class PlateAmps
{
    /// <summary>Amperes for each thousandth of an inch of steel.</summary>
    public const double PerThousandth = 1;

    /// <summary>Where the rule stops being true: past it more passes or another mode, not more amps.</summary>
    public static readonly Length RuleEnds = Length.FromInches(0.25);

    // With unequal members the thinner one burns through first: never set for more than this many times it.
    private const double MostOverThinner = 1.5;

    /// <summary>Current a bead on plate of this thickness asks for; good up to <see cref="RuleEnds"/>.</summary>
    public static Current For(Length thickness) => Current.FromAmps(thickness.Inches * 1000 * PerThousandth);

    /// <summary>The one thickness that two unequal members are set for: their mean, at most half as much again as the thinner.</summary>
    public static Length SetFor(Length thinner, Length thicker) =>
        Length.FromMm(Math.Min((thinner.Mm + thicker.Mm) / 2, thinner.Mm * MostOverThinner));
}
