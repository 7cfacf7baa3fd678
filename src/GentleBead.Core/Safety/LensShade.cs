using GentleBead.Core.Quantities;

namespace GentleBead.Core.Safety;

/// <summary>Lens shade by current: for gas-shielded and flux-cored wire, and for TIG.</summary>
/// <remarks>Source: OSHA 29 CFR 1910.133 (least) and ANSI Z49.1 (comfortable), from memory.</remarks>
public static class LensShade
{
    private static readonly (double BelowAmps, int Least, int? Comfortable)[] Wire =
    [
        (60, 7, null),
        (160, 10, 11),
        (250, 10, 12),
        (500, 10, 14),
    ];

    private static readonly (double BelowAmps, int Least, int? Comfortable)[] Tig = [(50, 8, 10), (150, 8, 12), (500, 10, 14)];

    /// <summary>For wire: the least shade allowed and the shade most people are comfortable with.</summary>
    /// <param name="amps">Up to 500 A.</param>
    /// <exception cref="ArgumentOutOfRangeException">Past the table.</exception>
    public static (int Least, int? Comfortable) For(Current amps) => Row(Wire, amps);

    /// <summary>For TIG: the least shade allowed and the shade most people are comfortable with.</summary>
    /// <param name="amps">Up to 500 A.</param>
    /// <exception cref="ArgumentOutOfRangeException">Past the table.</exception>
    public static (int Least, int? Comfortable) ForTig(Current amps) => Row(Tig, amps);

    private static (int, int?) Row((double BelowAmps, int Least, int? Comfortable)[] table, Current amps)
    {
        foreach (var (belowAmps, least, comfortable) in table)
        {
            // The table's last row includes its upper end.
            if (amps.Amps < belowAmps || (belowAmps == 500 && amps.Amps == 500))
                return (least, comfortable);
        }
        throw new ArgumentOutOfRangeException(nameof(amps), amps, "The shade table ends at 500 A.");
    }
}
