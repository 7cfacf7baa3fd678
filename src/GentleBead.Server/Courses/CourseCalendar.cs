using GentleBead.Core.Sessions;
using GentleBead.Server.Sessions;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace GentleBead.Server.Courses;

/// <summary>The sessions of a course as an iCalendar (RFC 5545), out and in.</summary>
public static class CourseCalendar
{
    /// <summary>The most that is read, in bytes.</summary>
    public const int MostBytes = 512 * 1024;

    /// <summary>The media type.</summary>
    public const string ContentType = "text/calendar; charset=utf-8";

    private const int MostEvents = 500;
    private const int MostStretches = 200;
    private const int OldestYears = 5;

    private static readonly FrequencyType[] Walkable =
    [
        FrequencyType.Daily,
        FrequencyType.Weekly,
        FrequencyType.Monthly,
        FrequencyType.Yearly,
    ];

    /// <summary>The sessions as an iCalendar. Nobody's name is in it: an address is passed on easily.</summary>
    /// <param name="course">Whose.</param>
    /// <param name="sessions">Its sessions.</param>
    /// <param name="now">When it is written.</param>
    public static string Write(Course course, IReadOnlyList<Session> sessions, DateTimeOffset now)
    {
        ArgumentNullException.ThrowIfNull(course);
        ArgumentNullException.ThrowIfNull(sessions);
        var calendar = new Calendar { ProductId = "-//Gentle Bead//Courses//EN" };
        calendar.AddProperty("X-WR-CALNAME", course.Name);
        foreach (var session in sessions)
        {
            calendar.Events.Add(
                new CalendarEvent
                {
                    Uid = $"{session.Id}@gentle-bead",
                    Summary = session.Title,
                    Location = session.RoomName,
                    Start = Moment(session.BeginsAt),
                    End = Moment(session.EndsAt),
                    DtStamp = Moment(now),
                    Sequence = session.Version - 1,
                    Status = session.Cancelled is null ? EventStatus.Confirmed : EventStatus.Cancelled,
                    Description = session.Cancelled is { Length: > 0 } why ? why : null,
                }
            );
        }
        return new CalendarSerializer().SerializeToString(calendar) ?? "";
    }

    /// <summary>The stretches of time an iCalendar names within a course's term, repeated ones each, in order.</summary>
    /// <param name="text">The file.</param>
    /// <param name="course">For which course.</param>
    /// <param name="zone">The school's zone: a time that names none is one on its wall.</param>
    public static Checked<IReadOnlyList<(string Title, Stretch Stretch)>> Read(string text, Course course, TimeZoneInfo zone)
    {
        ArgumentNullException.ThrowIfNull(course);
        Calendar? calendar;
        try
        {
            calendar = Calendar.Load(text);
        }
        // Whatever a parser of somebody else's throws at a file of somebody else's, it is this file that is no calendar.
        catch (Exception unreadable) when (unreadable is not OutOfMemoryException)
        {
            calendar = null;
        }
        if (calendar is null || calendar.Events.Count == 0)
            return Wrong(Say($"No calendar with events is in it. It begins with BEGIN:VCALENDAR."));
        if (calendar.Events.Count > MostEvents)
            return Wrong(Say($"At most {MostEvents} events."));
        if (calendar.Events.Any(one => !CanBeWalked(one, course)))
            return Wrong(
                Say($"An event comes back more often than daily, or began more than {OldestYears} years before the course. Take it out.")
            );
        var stretches = calendar
            .Events.Where(one => one.Status != EventStatus.Cancelled && one.Start is { HasTime: true })
            .SelectMany(one => Of(one, course, zone))
            .Distinct()
            .OrderBy(one => one.Stretch.Day)
            .ThenBy(one => one.Stretch.Begins)
            .Take(MostStretches)
            .ToArray();
        return stretches.Length > 0
            ? new(stretches)
            : Wrong(Say($"None of its events lies in the course's term, {course.FirstDay} to {course.LastDay}."));
    }

    // One that comes back every second, or since the days of the telegraph, would take forever to walk through.
    private static bool CanBeWalked(CalendarEvent one, Course course)
    {
#pragma warning disable CS0618 // A file can hold several rules still: each is looked at.
        var rules = one.RecurrenceRules;
#pragma warning restore CS0618
        return rules.Count == 0
            || (rules.All(rule => Walkable.Contains(rule.Frequency)) && one.Start?.Value.Year >= course.FirstDay.Year - OldestYears);
    }

    private static IEnumerable<(string Title, Stretch Stretch)> Of(CalendarEvent one, Course course, TimeZoneInfo zone)
    {
        var title = (one.Summary ?? "").Trim();
        title = title.Length > NewCourse.LongestName ? title[..NewCourse.LongestName] : title;
        var last = course.LastDay.AddDays(1);
        return one.GetOccurrences(new CalDateTime(course.FirstDay.AddDays(-1)))
            .TakeWhile(found => DateOnly.FromDateTime(found.Period.StartTime.Value) <= last)
            .Select(found => (title, StretchOf(found.Period, zone)))
            .Where(found => found.Item2.Day >= course.FirstDay && found.Item2.Day <= course.LastDay)
            .Take(MostStretches);
    }

    private static Stretch StretchOf(Period period, TimeZoneInfo zone)
    {
        var end = period.EffectiveEndTime ?? period.StartTime;
        // A time of no zone is what the wall shows, wherever the wall is.
        return period.StartTime.IsFloating
            ? new Stretch(DateOnly.FromDateTime(period.StartTime.Value), Minutes(period.StartTime.Value), Minutes(end.Value))
            : Stretch.Of(zone, period.StartTime.AsUtc, end.AsUtc);
    }

    private static TimeOnly Minutes(DateTime at) => new(at.Hour, at.Minute);

    private static CalDateTime Moment(DateTimeOffset at) => new(at.UtcDateTime, "UTC");

    private static Checked<IReadOnlyList<(string Title, Stretch Stretch)>> Wrong(Said said) => new([new Problem("file", said)]);
}
