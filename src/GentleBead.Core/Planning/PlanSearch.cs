using Google.OrTools.Sat;

namespace GentleBead.Core.Planning;

/// <summary>
/// Searches a model: piece by piece, each time with all the rest of the plan held as it is (large neighbourhood search: Shaw, 1998), and
/// in the end as a whole, for what no plan exceeds. Repeatable: the pieces come from a seed, and every search ends by its own count of
/// steps.
/// </summary>
internal sealed class PlanSearch
{
    // Pieces are small: looking for what can be left out of them takes longer than searching them.
    private const string InPieces = "num_workers:1 cp_model_presolve:false";
    private const double PieceSteps = 0.07;
    private const int Rounds = 12;

    // For the bound: a search that leans on linear relaxations, beside one that does not.
    private const string AsAWhole = "num_workers:2 interleave_search:true cp_model_probing_level:0 symmetry_level:0";
    private const double WholeSteps = 0.2;
    private const int FreeBooths = 4;
    private const int FreeStudents = 6;

    private readonly PlanProblem problem;
    private readonly PlanModel model;
    private readonly int goesWithout;
    private readonly Random random = new(1);
    private IReadOnlyList<long> values = [];
    private int score;
    private bool rejected;

    public PlanSearch(PlanProblem problem)
    {
        (this.problem, model) = (problem, new(problem));
        // What the fixed stands alone cannot be cut for is not the solver's to mend.
        goesWithout = Missing(problem.Fixed).Count;
    }

    /// <summary>The best plan found, its score as the model counts it, and what no plan exceeds; no plan where none was found.</summary>
    /// <param name="hint">The plan to begin at.</param>
    /// <param name="effort">How much effort goes into it; 1 is usual.</param>
    /// <param name="cancel">Breaks it off.</param>
    public (Plan? Plan, int Score, int Bound) Run(Plan hint, double effort, CancellationToken cancel)
    {
        // All held to the hint: what follows from the choices is counted out.
        var begin = hint.Stands.Select(PlanModel.Key).ToHashSet();
        model.Hold(begin);
        if (Solve(InPieces, PieceSteps) is null || values.Count == 0)
            return (null, 0, model.MostPoints);
        // Where nothing better came of it, as many again.
        var begun = score;
        for (var round = 0; round < Rounds * effort * (score == begun ? 2 : 1); round++)
        {
            cancel.ThrowIfCancellationRequested();
            var piece = Piece(round);
            do
            {
                rejected = false;
                model.Hold(values, piece);
                Solve(InPieces, PieceSteps);
            } while (rejected && round++ < Rounds * effort);
        }
        model.Hold(values, _ => true);
        model.Loosen();
        var bound = Solve(AsAWhole, WholeSteps * effort) ?? model.MostPoints;
        return (model.PlanOf(values), score, bound);
    }

    // Takes on what it finds, and says what nothing exceeds; null where it came to nothing in its time.
    private int? Solve(string how, double steps)
    {
        using var solver = new CpSolver
        {
            StringParameters = FormattableString.Invariant($"random_seed:1 {how} max_deterministic_time:{steps}"),
        };
        var status = solver.Solve(model.Model);
        if (status is not (CpSolverStatus.Optimal or CpSolverStatus.Feasible))
            return null;
        if (values.Count == 0 || solver.ObjectiveValue > score)
            Take([.. solver.Response!.Solution], (int)Math.Round(solver.ObjectiveValue));
        return (int)Math.Ceiling(Math.Min(model.MostPoints, solver.BestObjectiveBound) - 1e-6);
    }

    // The model counts lengths of bar; whether the pieces come out of those that lie there is another matter.
    private void Take(IReadOnlyList<long> found, int worth)
    {
        var missing = Missing(model.PlanOf(found));
        if (values.Count > 0 && missing.Count > goesWithout)
        {
            foreach (var kind in missing.Select(piece => piece.Kind).Distinct())
                model.Tighten(kind, found, values);
            rejected = true;
            return;
        }
        (values, score) = (found, worth);
    }

    private IReadOnlyList<CutPiece> Missing(Plan plan) =>
        problem.AtHand.Bars is { } bars ? FirstFit.Missing(Pieces.Of(problem, plan), bars, problem.Limits.Kerf) : [];

    // In turn: one slot; some booths all evening; some students all evening, who may take whatever is free.
    private Func<Stand, bool> Piece(int round)
    {
        var kind = round % 4;
        if (kind == 0)
        {
            var slot = problem.FromSlot + round / 4 % Math.Max(1, problem.Slots.Count - problem.FromSlot);
            return stand => stand.Slot == slot;
        }
        if (kind == 1)
        {
            var students = Some(problem.Students.Select(student => student.Id), FreeStudents);
            return stand => students.Contains(stand.StudentId);
        }
        var booths = Some(problem.Booths.Select(booth => booth.Id), FreeBooths);
        return stand => booths.Contains(stand.BoothId);
    }

    private HashSet<Guid> Some(IEnumerable<Guid> of, int count) => [.. of.OrderBy(_ => random.Next()).Take(count)];
}
