using GentleBead.Core.Courses;

namespace GentleBead.Core.Planning;

/// <summary>What a student is to work on in a session, from where they stand on their course's path.</summary>
public static class PlanTasks
{
    /// <summary>The most tasks of one student: more than an evening holds.</summary>
    public const int Most = 4;

    // Of beads still wanted some go wrong: as many again. Our own reading.
    private const int TriesForOneRight = 2;

    // What is done and only rusty takes a coupon's side. Our own reading.
    private const int WarmingUp = 3;

    /// <summary>The tasks, what is begun first; then what one of these opens, where that can be done on one evening.</summary>
    /// <param name="path">The path.</param>
    /// <param name="exercises">Its exercises.</param>
    /// <param name="places">Where they stand on it.</param>
    public static IReadOnlyList<PlanTask> Of(CoursePath path, IReadOnlyDictionary<Guid, Exercise> exercises, PathPlaces places)
    {
        ArgumentNullException.ThrowIfNull(path);
        ArgumentNullException.ThrowIfNull(exercises);
        ArgumentNullException.ThrowIfNull(places);
        var steps = places.Steps.ToDictionary(step => step.ExerciseId);
        var open = places.Next.Select(id => Task(id, [])).ToArray();
        var endTonight = open.Where(task => EndsTonight(exercises[task.ExerciseId], steps[task.ExerciseId].Place))
            .Select(task => task.ExerciseId)
            .ToHashSet();
        var opened = places
            .Steps.Where(step => !step.Open && step.Place.State != ExerciseState.Done && step.Missing.All(endTonight.Contains))
            .Select(step => Task(step.ExerciseId, step.Missing));
        return [.. open.Concat(opened).Take(Most)];

        PlanTask Task(Guid id, IReadOnlyList<Guid> after) =>
            new(
                id,
                BeadsFor(exercises[id], steps[id].Place),
                steps[id].Place.State == ExerciseState.NotBegun,
                after,
                places.WarmUp is { } warm && warm.ExerciseId == id ? warm.Why : steps[id].Place.Words
            );
    }

    /// <summary>Why somebody has nothing to work on: their course has no path, or they have done all of it.</summary>
    public static Said None(CoursePath path)
    {
        ArgumentNullException.ThrowIfNull(path);
        return path.Steps.Count == 0 ? Say($"their course has no path yet") : Say($"all of the path is done");
    }

    private static int BeadsFor(Exercise exercise, Place place) =>
        exercise.Proof switch
        {
            _ when place.State == ExerciseState.Done => WarmingUp,
            Proof.TestWeld => exercise.BeadsACoupon,
            Proof.Trial => exercise.BeadsACoupon,
            _ => Math.Clamp(TriesForOneRight * Math.Max(1, exercise.Done.Right - place.Right), 2, 80),
        };

    // What wants one more right bead on a later day is done tonight only where that is all it wants.
    // A test weld ends with its signatures, and not on the floor.
    private static bool EndsTonight(Exercise exercise, Place place) =>
        exercise.Proof == Proof.Trial
        || (exercise.Proof != Proof.TestWeld && (!exercise.Done.OnceMore || place.Right >= exercise.Done.Right));
}
