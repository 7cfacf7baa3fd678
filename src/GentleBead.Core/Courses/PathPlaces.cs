using GentleBead.Core.Skills;

namespace GentleBead.Core.Courses;

/// <summary>Where somebody stands at one step of a path.</summary>
/// <param name="ExerciseId">Which exercise.</param>
/// <param name="Place">How far they have come with it.</param>
/// <param name="State">The same as skill: done is proven, and a month without it rusts.</param>
/// <param name="Open">Whether all that comes before it is done: it can be worked on.</param>
/// <param name="Missing">What comes before it and is not done yet.</param>
public sealed record StepPlace(Guid ExerciseId, Place Place, SkillState State, bool Open, IReadOnlyList<Guid> Missing);

/// <summary>What to weld first after a long time away.</summary>
/// <param name="ExerciseId">Which exercise: the last one that was done.</param>
/// <param name="Why">Why, in words.</param>
public sealed record WarmUp(Guid ExerciseId, Said Why);

/// <summary>Where somebody stands on a path, and what comes next.</summary>
/// <param name="Steps">Every step, in the path's order.</param>
/// <param name="Next">What can be worked on now: to warm up, then what is begun before what is not, in the path's order.</param>
/// <param name="WarmUp">What to warm up on, after a month away; null where nothing is due.</param>
public sealed record PathPlaces(IReadOnlyList<StepPlace> Steps, IReadOnlyList<Guid> Next, WarmUp? WarmUp)
{
    /// <summary>Where somebody stands, by what they did.</summary>
    /// <param name="path">The path.</param>
    /// <param name="exercises">Its exercises.</param>
    /// <param name="workAt">What they did at an exercise.</param>
    /// <param name="today">As seen on which day of the school's calendar.</param>
    public static PathPlaces Of(
        CoursePath path,
        IReadOnlyDictionary<Guid, Exercise> exercises,
        Func<Exercise, ExerciseWork> workAt,
        DateOnly today
    )
    {
        ArgumentNullException.ThrowIfNull(path);
        var work = path.Steps.ToDictionary(step => step.ExerciseId, step => workAt(exercises[step.ExerciseId]));
        var places = path.Steps.ToDictionary(step => step.ExerciseId, step => PlaceAt(step.ExerciseId));
        var steps = path
            .Steps.Select(step =>
            {
                var (id, place) = (step.ExerciseId, places[step.ExerciseId]);
                var missing = step.Before.Where(one => places[one].State != ExerciseState.Done).ToArray();
                return new StepPlace(id, place, work[id].StateOn(today, place), missing.Length == 0, missing);
            })
            .ToArray();
        var open = steps.Where(step => step.Open && step.Place.State != ExerciseState.Done).ToArray();
        var warmUp = WarmUpOf(steps, work, today);
        return new(
            steps,
            [
                .. warmUp is null ? [] : new[] { warmUp.ExerciseId },
                .. open.Where(step => step.Place.State == ExerciseState.Begun)
                    .Concat(open.Where(step => step.Place.State == ExerciseState.NotBegun))
                    .Select(step => step.ExerciseId),
            ],
            warmUp
        );

        Place PlaceAt(Guid id) => exercises[id].Done.PlaceBy(exercises[id].Proof, work[id]);
    }

    // Whoever was away for a month warms up one step back: on what they did last of all that is done. Common practice, no source.
    private static WarmUp? WarmUpOf(StepPlace[] steps, Dictionary<Guid, ExerciseWork> work, DateOnly today)
    {
        var welded = steps.Where(step => work[step.ExerciseId].Beads.Count > 0).ToArray();
        if (welded.Length == 0)
            return null;
        var away = today.DayNumber - welded.Max(step => Last(step.ExerciseId)).DayNumber;
        var back = welded.Where(step => step.Place.State == ExerciseState.Done).MaxBy(step => Last(step.ExerciseId));
        return away < SkillStates.RustyDays || back is null
            ? null
            : new(back.ExerciseId, Say($"to warm up, for nothing was welded for {away / 7} weeks"));

        DateOnly Last(Guid id) => work[id].Beads.Max(bead => bead.Day);
    }
}
