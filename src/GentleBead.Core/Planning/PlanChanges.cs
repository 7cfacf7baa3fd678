namespace GentleBead.Core.Planning;

/// <summary>What became otherwise for somebody in a slot.</summary>
/// <param name="StudentId">Who.</param>
/// <param name="Slot">In which slot.</param>
/// <param name="Before">Where they were to stand; null where nowhere.</param>
/// <param name="After">Where they are to stand now; null where nowhere.</param>
public sealed record PlanChange(Guid StudentId, int Slot, Stand? Before, Stand? After);

/// <summary>Tells what a plan has that another had not.</summary>
public static class PlanChanges
{
    /// <summary>Every change, by slot and then by student; a pin set or taken away is none.</summary>
    public static IReadOnlyList<PlanChange> Between(Plan before, Plan after)
    {
        ArgumentNullException.ThrowIfNull(before);
        ArgumentNullException.ThrowIfNull(after);
        var was = before.Stands.ToLookup(stand => (stand.Slot, stand.StudentId));
        var now = after.Stands.ToLookup(stand => (stand.Slot, stand.StudentId));
        return
        [
            .. was.Select(of => of.Key)
                .Union(now.Select(of => of.Key))
                .Order()
                .Select(key => new PlanChange(key.StudentId, key.Slot, was[key].FirstOrDefault(), now[key].FirstOrDefault()))
                .Where(change => Unpinned(change.Before) != Unpinned(change.After)),
        ];

        static Stand? Unpinned(Stand? stand) => stand is null ? null : stand with { Pinned = false };
    }

    /// <summary>A change in words: "Jun Castellan, 19:30: booth 4 instead of booth 2".</summary>
    public static Said InWords(PlanProblem problem, PlanChange change)
    {
        ArgumentNullException.ThrowIfNull(problem);
        ArgumentNullException.ThrowIfNull(change);
        var name = (problem.Student(change.StudentId)?.Name ?? "").Name();
        var begins = change.Slot < problem.Slots.Count ? Say($"{problem.Slots[change.Slot].Begins}") : Say($"slot {change.Slot + 1}");
        return change switch
        {
            { Before: null, After: { } after } => Say($"{name}, {begins}: {Place(after)}, who stood nowhere."),
            { Before: { } before, After: null } => Say($"{name}, {begins}: nowhere, instead of {Place(before)}."),
            { Before: { } before, After: { } after } => Say($"{name}, {begins}: {Place(after)} instead of {Place(before)}."),
            _ => Say($"{name}, {begins}: as before."),
        };

        Said Place(Stand stand) => Say($"booth {problem.Booth(stand.BoothId)?.Number ?? 0}, {ExerciseName(stand).Name()}");
        string ExerciseName(Stand stand) => problem.Exercises.TryGetValue(stand.ExerciseId, out var of) ? of.Exercise.Name : "";
    }
}
