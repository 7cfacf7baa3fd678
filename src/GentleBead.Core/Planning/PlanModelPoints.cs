using Google.OrTools.Sat;

namespace GentleBead.Core.Planning;

// The points of PlanScore, aspect by aspect: what the solver finds has the score the table gives it.
internal sealed partial class PlanModel
{
    private void Points()
    {
        foreach (var student in problem.Students)
        {
            Progress(student);
            Levels(
                [.. Enumerable.Range(0, problem.Slots.Count).SelectMany(slot => byStudent[(student.Id, slot)])],
                nth => PlanScore.FairnessFor(problem, student, nth),
                PlanScore.Fair
            );
            Waiting(student);
            Staying(student);
        }
        foreach (var pair in problem.Pairs)
            SideBySide(pair);
        if (problem.Before is { } before)
        {
            foreach (var choice in Choices.Where(choice => choice.Stand.Slot >= problem.FromSlot))
                Gain(PlanScore.AsBefore, PlanScore.StabilityFor(before, choice.Stand), choice.Var);
        }
    }

    private void Gain(string aspect, int points, BoolVar var)
    {
        var weight = PlanScore.WeightOf(problem, aspect) * points;
        if (weight == 0)
            return;
        gains.Add(LinearExpr.Term(var, weight));
        MostPoints += Math.Max(0, weight);
    }

    private void Progress(PlanStudent student)
    {
        for (var place = 0; place < student.Tasks.Count; place++)
        {
            var (task, at) = (student.Tasks[place], place);
            var wanted = problem.SlotsFor(task);
            var stands = Enumerable
                .Range(0, problem.Slots.Count)
                .SelectMany(slot => byStudent[(student.Id, slot)])
                .Where(choice => choice.Stand.ExerciseId == task.ExerciseId)
                .ToArray();
            Levels(stands, nth => PlanScore.ProgressFor(at, nth, wanted), PlanScore.Progress);
        }
    }

    // The first of them counts most, each further one less: so the solver fills them in order without being told.
    private void Levels(Choice[] choices, Func<int, int> pointsOf, string aspect)
    {
        var most = choices.Select(choice => choice.Stand.Slot).Distinct().Count();
        if (most == 0)
            return;
        BoolVar[] levels = [.. Enumerable.Range(0, most).Select(_ => model.NewBoolVar(""))];
        model.Add(LinearExpr.Sum(levels) == Sum(choices));
        for (var nth = 0; nth < most; nth++)
            Gain(aspect, pointsOf(nth + 1), levels[nth]);
    }

    private void Waiting(PlanStudent student)
    {
        var cost = PlanScore.WaitingFor(student);
        for (var slot = 0; slot < problem.Slots.Count && cost > 0; slot++)
        {
            if (!student.IsThere(slot))
                continue;
            var waits = model.NewBoolVar("");
            var until = Enumerable.Range(0, slot + 1).SelectMany(at => byStudent[(student.Id, at)]);
            model.Add(waits >= 1 - Sum(until));
            Gain(PlanScore.Waited, -cost, waits);
        }
    }

    private void Staying(PlanStudent student)
    {
        for (var slot = 1; slot < problem.Slots.Count; slot++)
        {
            var now = byStudent[(student.Id, slot)].ToLookup(choice => choice.Stand.BoothId);
            var before = byStudent[(student.Id, slot - 1)].GroupBy(choice => choice.Stand.BoothId).ToArray();
            if (now.Count == 0 || before.Length == 0)
                continue;
            var moved = model.NewBoolVar("");
            var stands = Sum(now.SelectMany(at => at));
            foreach (var at in before)
                model.Add(moved >= Sum(at) + stands - Sum(now[at.Key]) - 1);
            Gain(PlanScore.StaysPut, -PlanScore.Moved, moved);
        }
    }

    private void SideBySide(PlanPair pair)
    {
        foreach (var slot in Enumerable.Range(0, problem.Slots.Count))
        {
            foreach (var booth in problem.Booths)
            {
                var one = byStudent[(pair.One, slot)].Where(choice => choice.Stand.BoothId == booth.Id).ToArray();
                var beside = problem
                    .Booths.Where(other => Math.Abs(other.Number - booth.Number) == 1)
                    .Select(other => other.Id)
                    .ToHashSet();
                var other = byStudent[(pair.Other, slot)].Where(choice => beside.Contains(choice.Stand.BoothId)).ToArray();
                if (one.Length == 0 || other.Length == 0)
                    continue;
                var together = model.NewBoolVar("");
                if (pair.Together)
                {
                    model.Add(together <= Sum(one));
                    model.Add(together <= Sum(other));
                }
                else
                    model.Add(together >= Sum(one) + Sum(other) - 1);
                Gain(PlanScore.Pairs, pair.Together ? PlanScore.SideBySide : -PlanScore.SideBySide, together);
            }
        }
    }
}
