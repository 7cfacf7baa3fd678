namespace GentleBead.Core.Courses;

/// <summary>A step of a course's path.</summary>
/// <param name="ExerciseId">Which exercise.</param>
/// <param name="Before">The steps that come before it, by their exercises.</param>
public sealed record PathStep(Guid ExerciseId, IReadOnlyList<Guid> Before);

/// <summary>The path of a course: its exercises, and which come before which. A graph without circles.</summary>
/// <param name="Steps">The exercises, in the order they are listed; up to 120.</param>
public sealed record CoursePath(IReadOnlyList<PathStep> Steps)
{
    /// <summary>The most steps of a path.</summary>
    public const int Most = 120;

    /// <summary>A course without exercises.</summary>
    public static CoursePath Empty { get; } = new([]);

    /// <summary>
    /// A path of some exercises by what comes before each: where one in between is left out, what came before that one comes before what
    /// came after it.
    /// </summary>
    /// <param name="chosen">The exercises, in the order they are listed.</param>
    /// <param name="before">What comes before an exercise, of all there are.</param>
    public static CoursePath Of(IReadOnlyList<Guid> chosen, Func<Guid, IReadOnlyList<Guid>> before)
    {
        ArgumentNullException.ThrowIfNull(chosen);
        ArgumentNullException.ThrowIfNull(before);
        var on = chosen.ToHashSet();
        return new([.. chosen.Distinct().Select(id => new PathStep(id, [.. Nearest(id, [id]).Distinct()]))]);

        // The nearest that are chosen, through those that are not; what was walked through is not walked again.
        IEnumerable<Guid> Nearest(Guid of, HashSet<Guid> walked) =>
            before(of).Where(walked.Add).SelectMany(one => on.Contains(one) ? [one] : Nearest(one, walked));
    }

    /// <summary>Everything that is wrong with it.</summary>
    /// <param name="nameOf">What an exercise is called; null where there is none.</param>
    public IEnumerable<Problem> Problems(Func<Guid, string?> nameOf)
    {
        ArgumentNullException.ThrowIfNull(nameOf);
        if (Steps.Count > Most)
            yield return new("steps", Say($"At most {Most} exercises."));
        var on = Steps.Select(step => step.ExerciseId).ToHashSet();
        for (var i = 0; i < Steps.Count; i++)
        {
            var step = Steps[i];
            if (nameOf(step.ExerciseId) is null)
                yield return new($"steps[{i}]", Say($"There is no such exercise."));
            else if (Steps.Take(i).Any(other => other.ExerciseId == step.ExerciseId))
                yield return new($"steps[{i}]", Say($"{Name(step.ExerciseId)} is on the path twice."));
            if (step.Before.Any(one => !on.Contains(one)))
                yield return new($"steps[{i}].before", Say($"What comes before {Name(step.ExerciseId)} is not on the path."));
        }
        if (Circle() is { Count: > 0 } circle)
            yield return new("steps", Say($"A circle: {Said.Parts(", then ", [.. circle.Select(id => Said.AsIs(nameOf(id) ?? ""))])}."));

        SaidName Name(Guid id) => (nameOf(id) ?? "").Name();
    }

    /// <summary>A circle of exercises each of which comes before the next, back to the first; empty where there is none.</summary>
    public IReadOnlyList<Guid> Circle()
    {
        var before = Steps.DistinctBy(step => step.ExerciseId).ToDictionary(step => step.ExerciseId, step => step.Before);
        var done = new HashSet<Guid>();
        foreach (var step in Steps)
        {
            if (Walk(step.ExerciseId, []) is { } circle)
                return circle;
        }
        return [];

        // Back along what comes before, until a step comes up that is on the way already.
        IReadOnlyList<Guid>? Walk(Guid at, List<Guid> way)
        {
            if (way.IndexOf(at) is var first and >= 0)
                return [.. way.Skip(first).Append(at).Reverse()];
            if (done.Contains(at) || !before.TryGetValue(at, out var earlier))
                return null;
            way.Add(at);
            var found = earlier.Select(one => Walk(one, way)).FirstOrDefault(circle => circle is not null);
            way.RemoveAt(way.Count - 1);
            done.Add(at);
            return found;
        }
    }

    /// <summary>How many steps stand before each in the longest way to it, 0 for those to begin with; none in a circle.</summary>
    public IReadOnlyDictionary<Guid, int> Ranks()
    {
        var ranks = new Dictionary<Guid, int>();
        if (Circle().Count > 0)
            return ranks;
        var before = Steps.DistinctBy(step => step.ExerciseId).ToDictionary(step => step.ExerciseId, step => step.Before);
        foreach (var step in Steps)
            RankOf(step.ExerciseId);
        return ranks;

        int RankOf(Guid id)
        {
            if (ranks.TryGetValue(id, out var rank))
                return rank;
            return ranks[id] = before[id].Where(before.ContainsKey).Select(one => RankOf(one) + 1).DefaultIfEmpty(0).Max();
        }
    }
}
