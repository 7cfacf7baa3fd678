using GentleBead.Core.Calculators;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Planning;

/// <summary>A machine that is to be set up for something else.</summary>
/// <param name="Slot">Before which slot, or in which.</param>
/// <param name="BoothId">At which booth.</param>
/// <param name="MachineId">Which machine.</param>
/// <param name="From">What is on it.</param>
/// <param name="To">What is to be on it.</param>
/// <param name="Minutes">How long that takes; 0 where only another machine of the booth is put to work.</param>
/// <param name="InSlot">Whether it takes from the slot; otherwise it is done ahead.</param>
public sealed record LoadChange(int Slot, Guid BoothId, Guid MachineId, PlanLoad From, PlanLoad To, int Minutes, bool InSlot);

/// <summary>Wire of one kind that a plan takes.</summary>
/// <param name="Wire">Which wire.</param>
/// <param name="Grams">How much, a tenth for trimming counted in.</param>
/// <param name="Spools">Spools that are there; null where nobody noted any.</param>
/// <param name="Machines">At how many machines it is wanted at once, at the most.</param>
public sealed record WireTaken(Wire Wire, double Grams, int? Spools, int Machines);

/// <summary>A gas bottle at a machine.</summary>
/// <param name="WaterL">Its water volume, litres.</param>
/// <param name="Bar">The pressure last read.</param>
public sealed record BottleAt(double WaterL, double Bar);

/// <summary>Gas that a plan takes at one machine.</summary>
/// <param name="BoothId">At which booth.</param>
/// <param name="MachineId">At which machine.</param>
/// <param name="Gas">Which gas.</param>
/// <param name="Litres">How much, half as much again for pre-flow, purging and leaks.</param>
/// <param name="There">What is in the bottle above what a regulator holds; null where nobody read its gauge.</param>
/// <param name="EmptyIn">The slot in which it runs out; null where it lasts, or where nobody read the gauge.</param>
public sealed record GasTaken(Guid BoothId, Guid MachineId, Gas Gas, double Litres, double? There, int? EmptyIn);

/// <summary>What a plan asks of the store: what to load where and when, the wire and the gas it takes.</summary>
/// <remarks>Common practice, no source: gas is flow times arc time and half as much again, wire speed times arc time and a tenth.</remarks>
public static class PlanLists
{
    private const double GasBesides = 1.5;
    private const double WireBesides = 1.1;

    /// <summary>What is to be loaded, by slot and booth.</summary>
    public static IReadOnlyList<LoadChange> Loads(PlanProblem problem, Plan plan)
    {
        ArgumentNullException.ThrowIfNull(problem);
        return
        [
            .. PlanSteps
                .Of(problem, plan)
                .Where(step => step.Use is { } use && use.Load != step.From)
                .Select(step => new LoadChange(
                    step.Stand.Slot,
                    step.Stand.BoothId,
                    step.Stand.MachineId,
                    step.From,
                    step.Use!.Load,
                    step.LoadMinutes,
                    step.LostMinutes >= step.LoadMinutes
                ))
                .OrderBy(change => change.Slot)
                .ThenBy(change => problem.Booth(change.BoothId)?.Number),
        ];
    }

    /// <summary>The wire a plan takes, by kind.</summary>
    public static IReadOnlyList<WireTaken> Wires(PlanProblem problem, Plan plan)
    {
        ArgumentNullException.ThrowIfNull(problem);
        return
        [
            .. PlanSteps
                .Of(problem, plan)
                .Where(step => step.Use?.Load.Wire is not null)
                .GroupBy(step => step.Use!.Load.Wire!.Value)
                .OrderBy(of => of.Key)
                .Select(of => new WireTaken(
                    of.Key,
                    WireBesides * of.Sum(step => Beads(problem, step.Stand) * step.Use!.WireGPerBead),
                    problem.AtHand.Spools is { } spools ? spools.GetValueOrDefault(of.Key) : null,
                    of.GroupBy(step => step.Stand.Slot).Max(slot => slot.Count())
                )),
        ];
    }

    /// <summary>The gas a plan takes, by machine and gas.</summary>
    /// <param name="problem">The session.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="bottles">The bottles at the machines whose gauge was read, with the gas they hold.</param>
    public static IReadOnlyList<GasTaken> Gases(
        PlanProblem problem,
        Plan plan,
        IReadOnlyDictionary<Guid, (Gas Gas, BottleAt Bottle)> bottles
    )
    {
        ArgumentNullException.ThrowIfNull(problem);
        ArgumentNullException.ThrowIfNull(bottles);
        return
        [
            .. PlanSteps
                .Of(problem, plan)
                .Where(step => step.Use is { GasLPerMin: > 0 })
                .GroupBy(step => (step.Stand.BoothId, step.Stand.MachineId, step.Use!.Load.Gas))
                .OrderBy(of => problem.Booth(of.Key.BoothId)?.Number)
                .Select(of => Taken(of.Key.BoothId, of.Key.MachineId, of.Key.Gas, [.. of.OrderBy(step => step.Stand.Slot)])),
        ];

        GasTaken Taken(Guid booth, Guid machine, Gas gas, PlanStep[] steps)
        {
            double? there =
                bottles.TryGetValue(machine, out var at) && at.Gas == gas
                    ? Bottle.Litres(at.Bottle.WaterL, Math.Max(0, at.Bottle.Bar - Bottle.EmptyBar))
                    : null;
            var (taken, empty) = (0.0, (int?)null);
            foreach (var step in steps)
            {
                taken += GasBesides * Beads(problem, step.Stand) * step.Use!.ArcMinutesABead * step.Use.GasLPerMin;
                empty ??= taken > there ? step.Stand.Slot : null;
            }
            return new(booth, machine, gas, taken, there, empty);
        }
    }

    /// <summary>Minutes of arc a stand is likely to give.</summary>
    public static double ArcMinutes(PlanProblem problem, Stand stand)
    {
        ArgumentNullException.ThrowIfNull(problem);
        ArgumentNullException.ThrowIfNull(stand);
        return problem.UseOf(stand.ExerciseId, stand.MachineId) is { } use ? Beads(problem, stand) * use.ArcMinutesABead : 0;
    }

    private static int Beads(PlanProblem problem, Stand stand) =>
        stand.Slot < problem.Slots.Count && problem.Student(stand.StudentId)?.TaskAt(stand.ExerciseId) is { } task
            ? problem.BeadsIn(task, stand.Slot)
            : 0;
}
