using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>What is to be welded: short circuit, solid steel wire, 75 % Ar / 25 % CO2, mild steel.</summary>
/// <param name="Thickness">Plate thickness, 1 to 6 mm.</param>
/// <param name="Joint">How the members meet.</param>
/// <param name="Position">How the joint lies.</param>
/// <param name="Wire">The wire to weld with.</param>
public sealed record Job(Thickness Thickness, Joint Joint, Position Position, Wire Wire)
{
    /// <summary>Thinnest plate a sheet is made for.</summary>
    public static readonly Length Thinnest = Length.FromMm(1);

    /// <summary>Thickest plate a sheet is made for: past it the amps rule stops being true.</summary>
    public static readonly Length Thickest = Length.FromMm(6);

    // 1/4 in is said for 6 mm plate; the 0.35 mm between them must not refuse it.
    private static readonly Length QuarterInch = Length.FromInches(0.25);

    /// <summary>What is wrong with the thickness, or null when a sheet can be made.</summary>
    public string? CheckThickness() =>
        Thickness.Value < Thinnest || Thickness.Value > QuarterInch
            ? $"{Show.Of(Thickness.Value)} is outside what this sheet covers: {Show.Number(Thinnest.Mm)} to {Show.Number(Thickest.Mm)} mm, 19 ga to 1/4 in. {Thickness.Accepted}"
            : null;
}
