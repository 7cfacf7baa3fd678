using GentleBead.Core.Planning;

namespace GentleBead.Server.Planning;

/// <summary>A machine to set up, in words.</summary>
/// <param name="Slot">Before which slot, or in which.</param>
/// <param name="Booth">The booth's number.</param>
/// <param name="MachineName">Which machine.</param>
/// <param name="From">What is on it.</param>
/// <param name="To">What is to be on it.</param>
/// <param name="Minutes">How long that takes.</param>
/// <param name="InSlot">Whether it takes from the slot; otherwise it is done ahead.</param>
public sealed record LoadLine(int Slot, int Booth, string MachineName, Said From, Said To, int Minutes, bool InSlot);

/// <summary>Wire that a plan takes, in words.</summary>
/// <param name="Wire">Which wire.</param>
/// <param name="Grams">How much, trimming counted in.</param>
/// <param name="Machines">At how many machines at once, at the most.</param>
/// <param name="Spools">Spools that are there; null where nobody noted any.</param>
public sealed record WireLine(Said Wire, double Grams, int Machines, int? Spools);

/// <summary>Gas that a plan takes at a machine, in words.</summary>
/// <param name="Booth">The booth's number.</param>
/// <param name="MachineName">At which machine.</param>
/// <param name="Gas">Which gas.</param>
/// <param name="Litres">How much.</param>
/// <param name="There">What is in the bottle; null where nobody read its gauge.</param>
/// <param name="EmptyIn">The slot in which it runs out; null where it lasts, or where nobody read the gauge.</param>
public sealed record GasLine(int Booth, string MachineName, Said Gas, double Litres, double? There, int? EmptyIn);

/// <summary>What a plan asks of the store.</summary>
/// <param name="Loads">What to load where and when.</param>
/// <param name="Wires">Wire by kind.</param>
/// <param name="Gases">Gas by bottle.</param>
/// <param name="Pieces">The pieces to cut.</param>
/// <param name="Cuts">What they are cut from; null where nobody noted what lies there.</param>
public sealed record PlanNeeds(
    IReadOnlyList<LoadLine> Loads,
    IReadOnlyList<WireLine> Wires,
    IReadOnlyList<GasLine> Gases,
    IReadOnlyList<CutPiece> Pieces,
    CutList? Cuts
)
{
    /// <summary>Reckons it.</summary>
    public static PlanNeeds Of(ReadPlan read)
    {
        var (problem, plan) = (read.Problem, read.Plan);
        var names = problem.Booths.SelectMany(booth => booth.Machines).ToDictionary(machine => machine.Id, machine => machine.Name);
        var numbers = problem.Booths.ToDictionary(booth => booth.Id, booth => booth.Number);
        var pieces = Core.Planning.Pieces.Of(problem, plan);
        return new(
            [
                .. PlanLists
                    .Loads(problem, plan)
                    .Select(load => new LoadLine(
                        load.Slot,
                        numbers[load.BoothId],
                        names[load.MachineId],
                        load.From.InWords,
                        load.To.InWords,
                        load.Minutes,
                        load.InSlot
                    )),
            ],
            [
                .. PlanLists
                    .Wires(problem, plan)
                    .Select(wire => new WireLine(
                        new PlanLoad(wire.Wire, default, default).WireInWords,
                        wire.Grams,
                        wire.Machines,
                        wire.Spools
                    )),
            ],
            [
                .. PlanLists
                    .Gases(problem, plan, read.Bottles)
                    .Select(gas => new GasLine(
                        numbers[gas.BoothId],
                        names[gas.MachineId],
                        Core.Stock.Gases.Facts(gas.Gas).Name,
                        gas.Litres,
                        gas.There,
                        gas.EmptyIn
                    )),
            ],
            pieces,
            problem.AtHand.Bars is { } bars ? CutSolver.Solve(pieces, bars, problem.Limits.Kerf) : null
        );
    }
}
