namespace GentleBead.Core.Planning;

/// <summary>A stand, and what has to be done at the booth before it.</summary>
/// <param name="Stand">Who stands there.</param>
/// <param name="Use">What the exercise takes on the machine; null where it cannot be used for it.</param>
/// <param name="From">What was on the machine.</param>
/// <param name="LoadMinutes">Minutes it takes to change that.</param>
/// <param name="SwitchMinutes">Minutes it takes to put the machine to work where another of the booth's was.</param>
/// <param name="CoolingMinutes">Minutes the torch cools after the one before.</param>
/// <param name="LostMinutes">How many of these are taken from the slot; the others are done ahead, while nobody stands there.</param>
public sealed record PlanStep(
    Stand Stand,
    MachineUse? Use,
    PlanLoad From,
    int LoadMinutes,
    int SwitchMinutes,
    int CoolingMinutes,
    int LostMinutes
)
{
    /// <summary>Minutes of changing over, ahead or in the slot.</summary>
    public int ChangeMinutes => LoadMinutes + SwitchMinutes;
}

/// <summary>
/// A plan walked through booth by booth, slot by slot: what is on each machine when, and what changing it takes. Before a machine's first
/// use of the session it is set up ahead; after that it is changed while the booth is empty, or else in the slot of whoever needs it.
/// </summary>
public static class PlanSteps
{
    /// <summary>Every stand whose booth and machine there are, by booth and then by slot.</summary>
    public static IReadOnlyList<PlanStep> Of(PlanProblem problem, Plan plan)
    {
        ArgumentNullException.ThrowIfNull(problem);
        ArgumentNullException.ThrowIfNull(plan);
        var steps = new List<PlanStep>(plan.Stands.Count);
        var stands = plan.Stands.ToLookup(stand => stand.BoothId);
        foreach (var booth in problem.Booths)
        {
            var here = stands[booth.Id].OrderBy(stand => stand.Slot).ToArray();
            var walk = new Walk(problem, booth, here.Select(stand => stand.Slot).ToHashSet());
            steps.AddRange(here.Select(walk.Next).OfType<PlanStep>());
        }
        return steps;
    }

    private sealed class Walk(PlanProblem problem, PlanBooth booth, HashSet<int> taken)
    {
        private readonly Dictionary<Guid, PlanLoad> loads = booth.Machines.ToDictionary(machine => machine.Id, machine => machine.Load);
        private readonly Dictionary<Guid, int> usedIn = [];
        private PlanStep? last;

        public PlanStep? Next(Stand stand)
        {
            if (!loads.TryGetValue(stand.MachineId, out var from))
                return null;
            var use = problem.UseOf(stand.ExerciseId, stand.MachineId);
            var load = use is null ? 0 : ChangeOvers.Minutes(from, use.Load);
            var other = last is not null && last.Stand.MachineId != stand.MachineId ? ChangeOvers.OtherMachineMinutes : 0;
            var follows = last is not null && last.Stand.Slot == stand.Slot - 1;
            var cools = follows && other == 0 && last!.Use is { HeatsTorch: true } ? problem.Limits.CoolingMinutes : 0;
            var lost = cools + (follows ? other : 0) + (IsChangedInSlot(stand) ? load : 0);
            loads[stand.MachineId] = use?.Load ?? from;
            usedIn[stand.MachineId] = stand.Slot;
            return last = new(stand, use, from, load, other, cools, lost);
        }

        private bool IsChangedInSlot(Stand stand) =>
            usedIn.TryGetValue(stand.MachineId, out var before) && Enumerable.Range(before, stand.Slot - before).All(taken.Contains);
    }
}
