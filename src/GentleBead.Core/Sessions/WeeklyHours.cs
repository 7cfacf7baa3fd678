namespace GentleBead.Core.Sessions;

/// <summary>Hours that come back every week.</summary>
/// <param name="Day">The day of the week.</param>
/// <param name="Begins">When they begin.</param>
/// <param name="Ends">When they end; earlier than the beginning is the next day.</param>
public sealed record WeeklyHours(DayOfWeek Day, TimeOnly Begins, TimeOnly Ends)
{
    /// <summary>The longest a course lasts, from its first to its last day.</summary>
    public const int LongestTermDays = 400;

    /// <summary>Every stretch of a term, in order of time.</summary>
    /// <param name="hours">The hours of the week.</param>
    /// <param name="firstDay">The first day on which they are held.</param>
    /// <param name="lastDay">The last, at most <see cref="LongestTermDays"/> later.</param>
    /// <exception cref="ArgumentOutOfRangeException">The term is longer than that.</exception>
    public static IReadOnlyList<Stretch> Between(IReadOnlyList<WeeklyHours> hours, DateOnly firstDay, DateOnly lastDay)
    {
        ArgumentNullException.ThrowIfNull(hours);
        var days = lastDay.DayNumber - firstDay.DayNumber;
        ArgumentOutOfRangeException.ThrowIfGreaterThan(days, LongestTermDays, nameof(lastDay));
        return
        [
            .. Enumerable
                .Range(0, Math.Max(0, days + 1))
                .Select(firstDay.AddDays)
                .SelectMany(day => hours.Where(one => one.Day == day.DayOfWeek).Select(one => new Stretch(day, one.Begins, one.Ends)))
                .Distinct()
                .OrderBy(stretch => stretch.Day)
                .ThenBy(stretch => stretch.Begins),
        ];
    }
}
