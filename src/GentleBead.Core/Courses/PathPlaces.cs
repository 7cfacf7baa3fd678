namespace GentleBead.Core.Courses;

/// <summary>Where somebody stands at one step of a path.</summary>
/// <param name="ExerciseId">Which exercise.</param>
/// <param name="Place">How far they have come with it.</param>
/// <param name="Open">Whether all that comes before it is done: it can be worked on.</param>
/// <param name="Missing">What comes before it and is not done yet.</param>
public sealed record StepPlace(Guid ExerciseId, Place Place, bool Open, IReadOnlyList<Guid> Missing);

/// <summary>Where somebody stands on a path, and what comes next.</summary>
/// <param name="Steps">Every step, in the path's order.</param>
/// <param name="Next">What can be worked on now: what is begun before what is not, in the path's order.</param>
public sealed record PathPlaces(IReadOnlyList<StepPlace> Steps, IReadOnlyList<Guid> Next)
{
    /// <summary>Where somebody stands, by what they did.</summary>
    /// <param name="path">The path.</param>
    /// <param name="exercises">Its exercises.</param>
    /// <param name="workAt">What they did at an exercise.</param>
    public static PathPlaces Of(CoursePath path, IReadOnlyDictionary<Guid, Exercise> exercises, Func<Exercise, ExerciseWork> workAt)
    {
        ArgumentNullException.ThrowIfNull(path);
        var places = path.Steps.ToDictionary(step => step.ExerciseId, step => PlaceAt(exercises[step.ExerciseId]));
        var steps = path
            .Steps.Select(step =>
            {
                var missing = step.Before.Where(one => places[one].State != ExerciseState.Done).ToArray();
                return new StepPlace(step.ExerciseId, places[step.ExerciseId], missing.Length == 0, missing);
            })
            .ToArray();
        var open = steps.Where(step => step.Open && step.Place.State != ExerciseState.Done).ToArray();
        return new(
            steps,
            [
                .. open.Where(step => step.Place.State == ExerciseState.Begun)
                    .Concat(open.Where(step => step.Place.State == ExerciseState.NotBegun))
                    .Select(step => step.ExerciseId),
            ]
        );

        Place PlaceAt(Exercise exercise) => exercise.Done.PlaceBy(exercise.Proof, workAt(exercise));
    }
}
