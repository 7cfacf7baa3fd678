using GentleBead.Core.Courses;

namespace GentleBead.Server.Courses;

/// <summary>A path with its exercises.</summary>
/// <param name="Path">The path.</param>
/// <param name="Edition">Which edition; 0 before there is one.</param>
/// <param name="Exercises">Its exercises, in their newest editions.</param>
public sealed record ReadPath(CoursePath Path, int Edition, IReadOnlyDictionary<Guid, Exercise> Exercises)
{
    /// <summary>The path as it is shown.</summary>
    public ShownPath Shown
    {
        get
        {
            var ranks = Path.Ranks();
            return new(
                Edition,
                [
                    .. Path.Steps.Select(step => new ShownStep(
                        step.ExerciseId,
                        Exercises[step.ExerciseId].Name,
                        Exercises[step.ExerciseId].Done.InWords(Exercises[step.ExerciseId].Proof),
                        step.Before,
                        ranks[step.ExerciseId]
                    )),
                ]
            );
        }
    }

    /// <summary>Where somebody stands on it.</summary>
    /// <param name="work">What they did.</param>
    /// <param name="today">As seen on which day of the school's calendar.</param>
    public PathPlaces PlacesOf(StudentWork work, DateOnly today) => PathPlaces.Of(Path, Exercises, work.At, today);
}
