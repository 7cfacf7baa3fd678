using GentleBead.Core.Planning;

namespace GentleBead.Server.Planning;

/// <summary>What the solver said of a plan it made.</summary>
/// <param name="Score">The plan's score.</param>
/// <param name="Bound">The score no plan exceeds, as far as it was proven.</param>
/// <param name="ByHand">The score of the plan made slot by slot.</param>
/// <param name="Changes">What became otherwise, where a plan was mended; empty for one made anew.</param>
public sealed record SolverSaid(int Score, int Bound, int ByHand, IReadOnlyList<Said> Changes);

/// <summary>A plan as it is kept.</summary>
/// <param name="Settings">How it is planned.</param>
/// <param name="Stands">Who stands where.</param>
/// <param name="Said">What the solver said; null for one changed by hand.</param>
public sealed record SavedPlan(PlanSettings Settings, IReadOnlyList<Stand> Stands, SolverSaid? Said = null)
{
    /// <summary>Nothing planned yet.</summary>
    public static SavedPlan None { get; } = new(PlanSettings.Usual, []);
}

/// <summary>An edition of a plan.</summary>
/// <param name="Edition">Which; 0 before there is one.</param>
/// <param name="MadeBy">Who made it; null for nobody in particular.</param>
/// <param name="MadeAt">When; null before there is one.</param>
/// <param name="Plan">The plan.</param>
public sealed record PlanEdition(int Edition, string? MadeBy, DateTimeOffset? MadeAt, SavedPlan Plan);

/// <summary>What a school has to weld with, and in which edition.</summary>
/// <param name="Edition">Which; 0 before anybody noted anything.</param>
/// <param name="AtHand">What there is.</param>
public sealed record StockAtHand(int Edition, AtHand AtHand);
