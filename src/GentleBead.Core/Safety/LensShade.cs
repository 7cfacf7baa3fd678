using GentleBead.Core.Quantities;

namespace GentleBead.Core.Safety;

/// <summary>Lens shade for gas-shielded and flux-cored wire by current.</summary>
/// <remarks>Source: OSHA 29 CFR 1910.133 (least) and ANSI Z49.1 (comfortable), from memory.</remarks>
public static class LensShade
{
    private static readonly (double BelowAmps, int Least, int? Comfortable)[] Table =
        [(60, 7, null), (160, 10, 11), (250, 10, 12), (500, 10, 14)];

    /// <summary>The least shade allowed and the shade most people are comfortable with.</summary>
    /// <param name="amps">Up to 500 A.</param>
    /// <exception cref="ArgumentOutOfRangeException">Past the table.</exception>
    public static (int Least, int? Comfortable) For(Current amps)
    {
        foreach (var (belowAmps, least, comfortable) in Table)
        {
            // The table's last row includes its upper end.
            if (amps.Amps < belowAmps || (belowAmps == 500 && amps.Amps == 500)) return (least, comfortable);
        }
        throw new ArgumentOutOfRangeException(nameof(amps), amps, "The shade table ends at 500 A.");
    }
}
