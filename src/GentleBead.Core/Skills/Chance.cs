namespace GentleBead.Core.Skills;

/// <summary>The chance that the next bead is right, with its doubt: never the one without the other.</summary>
/// <param name="Likely">The chance, from 0 to 1.</param>
/// <param name="Low">Where the skill lies with 95 % it is at least this.</param>
/// <param name="High">And at most this.</param>
public sealed record Chance(double Likely, double Low, double High);
