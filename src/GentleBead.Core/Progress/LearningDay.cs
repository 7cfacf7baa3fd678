using GentleBead.Core.Skills;

namespace GentleBead.Core.Progress;

/// <summary>A day of a learning curve.</summary>
/// <param name="Day">Which day.</param>
/// <param name="Beads">Beads laid on it.</param>
/// <param name="Right">How many of them were right.</param>
/// <param name="After">The chance of the next one after it; null while too few beads say anything.</param>
public sealed record LearningDay(DateOnly Day, int Beads, int Right, Chance? After)
{
    /// <summary>The learning curve of one kind of work.</summary>
    /// <param name="beads">Beads of that kind, in the order they were laid.</param>
    public static IReadOnlyList<LearningDay> Curve(IEnumerable<WorkedBead> beads)
    {
        ArgumentNullException.ThrowIfNull(beads);
        var days = new List<LearningDay>();
        var record = SkillRecord.None;
        foreach (var day in beads.GroupBy(bead => bead.Day))
        {
            foreach (var bead in day)
                record = record.After(new(bead.At, bead.Right));
            days.Add(new(day.Key, day.Count(), day.Count(bead => bead.Right), record.NextAt(day.Max(bead => bead.At))));
        }
        return days;
    }
}
