using GentleBead.Core.Quantities;

namespace GentleBead.Core.Judging;

/// <summary>The room's own tolerances for practice beads. Defaults: common practice, no source.</summary>
/// <param name="Undercut">Deepest undercut; 0 to 5 mm.</param>
/// <param name="Crown">Highest crown; 0.5 to 10 mm.</param>
/// <param name="UnequalLegs">Largest difference of the legs; 0 to 10 mm.</param>
/// <param name="LargestPore">Largest pore; 0 to 5 mm.</param>
/// <param name="Pores">Most pores on a bead; 0 to 50.</param>
/// <param name="TravelPercent">How far the travel may stray from the sheet's; 5 to 100 %.</param>
public sealed record PracticeTolerances(
    Length Undercut,
    Length Crown,
    Length UnequalLegs,
    Length LargestPore,
    int Pores,
    double TravelPercent
)
{
    /// <summary>To begin with.</summary>
    public static PracticeTolerances Usual { get; } =
        new(Length.FromMm(0.5), Length.FromMm(2.5), Length.FromMm(1.5), Length.FromMm(1), 2, 20);

    /// <summary>What lies outside its range, by JSON field.</summary>
    public IEnumerable<Problem> Problems()
    {
        if (Undercut.Mm > 5)
            yield return new("undercutMm", Say($"An undercut of {new Either("0 to 5 mm", "0 to 3/16 in")}."));
        if (Crown.Mm is < 0.5 or > 10)
            yield return new("crownMm", Say($"A crown of {new Either("0.5 to 10 mm", "1/64 to 3/8 in")}."));
        if (UnequalLegs.Mm > 10)
            yield return new("unequalLegsMm", Say($"A difference of {new Either("0 to 10 mm", "0 to 3/8 in")}."));
        if (LargestPore.Mm > 5)
            yield return new("largestPoreMm", Say($"A pore of {new Either("0 to 5 mm", "0 to 3/16 in")}."));
        if (Pores is < 0 or > 50)
            yield return new("pores", Say($"0 to 50 pores."));
        if (TravelPercent is not (>= 5 and <= 100))
            yield return new("travelPercent", Say($"5 to 100 %."));
    }
}
