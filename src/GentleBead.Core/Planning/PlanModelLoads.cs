using Google.OrTools.Sat;

namespace GentleBead.Core.Planning;

// What is on each machine when, what changing it costs, and whether a slot leaves time for that.
internal sealed partial class PlanModel
{
    // More minutes than any slot loses.
    private const int Ample = 1_000;

    private void Loads()
    {
        foreach (var booth in problem.Booths)
        {
            var lost = problem.Slots.Select(_ => new List<LinearExpr>()).ToArray();
            foreach (var machine in booth.Machines)
            {
                LoadsOf(booth, machine, lost);
                CoolingOf(machine, lost);
            }
            if (booth.Machines.Count > 1)
                MachinesAtWork(booth, lost);
            EnoughTime(booth, lost);
        }
    }

    private LinearExpr Stands(Guid booth, int slot) => slot < 0 ? LinearExpr.Constant(0) : Sum(byBooth[(booth, slot)]);

    private void LoadsOf(PlanBooth booth, PlanMachine machine, List<LinearExpr>[] lost)
    {
        var used = Enumerable.Range(0, problem.Slots.Count).SelectMany(slot => byMachine[(machine.Id, slot)]).Select(one => one.Use?.Load);
        PlanLoad[] loads = [.. used.OfType<PlanLoad>().Prepend(machine.Load).Distinct()];
        if (loads.Length == 1)
            return;
        BoolVar[]? before = null;
        for (var slot = 0; slot < problem.Slots.Count; slot++)
        {
            BoolVar[] on = [.. loads.Select(_ => model.NewBoolVar(""))];
            model.AddExactlyOne(on);
            foreach (var of in byMachine[(machine.Id, slot)].Where(choice => choice.Use is not null).GroupBy(choice => choice.Use!.Load))
                model.Add(Sum(of) <= on[Array.IndexOf(loads, of.Key)]);
            if (before is null)
            {
                // Before the first slot it is set up at any time.
                for (var to = 1; to < loads.Length; to++)
                    Gain(PlanScore.ChangeOvers, -ChangeOvers.Minutes(loads[0], loads[to]), on[to]);
            }
            else
            {
                // It is changed for whoever stands at it, or while nobody stands at the booth.
                var may = Sum(byMachine[(machine.Id, slot)]) + 1 - Stands(booth.Id, slot);
                model.Add(LinearExpr.Sum(Changes(loads, before, on, lost[slot])) <= may);
            }
            before = on;
        }
    }

    // A flow from load to load: what is on goes over into what is on next. Much tighter than saying "both" of every two.
    private List<BoolVar> Changes(PlanLoad[] loads, BoolVar[] before, BoolVar[] on, List<LinearExpr> lost)
    {
        var flow = loads.Select(_ => loads.Select(_ => model.NewBoolVar("")).ToArray()).ToArray();
        var changes = new List<BoolVar>();
        for (var from = 0; from < loads.Length; from++)
        {
            var at = from;
            model.Add(LinearExpr.Sum(flow[from]) == before[from]);
            model.Add(LinearExpr.Sum(flow.Select(row => row[at])) == on[from]);
            for (var to = 0; to < loads.Length; to++)
            {
                if (to == from)
                    continue;
                var minutes = ChangeOvers.Minutes(loads[from], loads[to]);
                Gain(PlanScore.ChangeOvers, -minutes, flow[from][to]);
                lost.Add(LinearExpr.Term(flow[from][to], minutes));
                changes.Add(flow[from][to]);
            }
        }
        return changes;
    }

    private void MachinesAtWork(PlanBooth booth, List<LinearExpr>[] lost)
    {
        BoolVar[]? before = null;
        for (var slot = 0; slot < problem.Slots.Count; slot++)
        {
            BoolVar[] atWork = [.. booth.Machines.Select(_ => model.NewBoolVar(""))];
            // None is at work before the first is.
            model.AddAtMostOne(atWork);
            for (var i = 0; i < atWork.Length; i++)
            {
                foreach (var choice in byMachine[(booth.Machines[i].Id, slot)])
                    model.AddImplication(choice.Var, atWork[i]);
            }
            if (before is not null)
            {
                model.Add(LinearExpr.Sum(atWork) >= LinearExpr.Sum(before));
                foreach (var (from, i) in before.Select((from, i) => (from, i)))
                {
                    foreach (var to in atWork.Where((_, j) => j != i))
                    {
                        var other = Both(from, to);
                        Gain(PlanScore.ChangeOvers, -ChangeOvers.OtherMachineMinutes, other);
                        lost[slot].Add(LinearExpr.Term(other, ChangeOvers.OtherMachineMinutes));
                    }
                }
            }
            before = atWork;
        }
    }

    private void CoolingOf(PlanMachine machine, List<LinearExpr>[] lost)
    {
        for (var slot = 1; slot < problem.Slots.Count; slot++)
        {
            var hot = byMachine[(machine.Id, slot - 1)].Where(choice => choice.Use is { HeatsTorch: true }).ToArray();
            if (hot.Length == 0 || problem.Limits.CoolingMinutes == 0)
                continue;
            var cools = model.NewBoolVar("");
            model.Add(cools >= Sum(hot) + Sum(byMachine[(machine.Id, slot)]) - 1);
            lost[slot].Add(LinearExpr.Term(cools, problem.Limits.CoolingMinutes));
        }
    }

    private void EnoughTime(PlanBooth booth, List<LinearExpr>[] lost)
    {
        for (var slot = 1; slot < problem.Slots.Count; slot++)
        {
            var here = byBooth[(booth.Id, slot)].Concat(byBooth[(booth.Id, slot - 1)]);
            if (lost[slot].Count == 0 || here.Count(choice => given.Contains(choice.Stand)) > 1)
                continue;
            // Only where somebody stands there now and stood there before.
            var left = problem.Slots[slot].Minutes - problem.Limits.LeastMinutes;
            var both = Stands(booth.Id, slot) + Stands(booth.Id, slot - 1);
            model.Add(LinearExpr.Sum(lost[slot]) <= left + 2 * Ample - Ample * both);
        }
    }

    // Whether both hold; it is only ever dear, so that the solver has no reason to say so where they don't.
    private BoolVar Both(BoolVar one, BoolVar other)
    {
        var both = model.NewBoolVar("");
        model.AddBoolOr([one.Not(), other.Not(), both]);
        return both;
    }
}
