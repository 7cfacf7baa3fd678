using GentleBead.Core.Judging;
using GentleBead.Core.Sessions;
using GentleBead.Server.People;

namespace GentleBead.Server.Courses;

/// <summary>A course: a term of sessions in a room, with those who teach it and those who learn in it.</summary>
/// <param name="Id">Which course.</param>
/// <param name="Name">What it is called, 1 to 80 letters.</param>
/// <param name="RoomId">In which room it is held.</param>
/// <param name="RoomName">What that is called.</param>
/// <param name="FirstDay">The first day of its term.</param>
/// <param name="LastDay">The last.</param>
/// <param name="Hours">Its hours of the week.</param>
/// <param name="Instructors">Who teaches it, by name.</param>
/// <param name="Students">How many are on its roster today.</param>
/// <param name="ToolWord">When its students are shown what the tool says of a bead they record themselves.</param>
/// <param name="Version">Raised by every change; what a change has to name.</param>
public sealed record Course(
    Guid Id,
    string Name,
    Guid RoomId,
    string RoomName,
    DateOnly FirstDay,
    DateOnly LastDay,
    IReadOnlyList<WeeklyHours> Hours,
    IReadOnlyList<PersonName> Instructors,
    int Students,
    ToolWord ToolWord,
    int Version
);

/// <summary>What a course is to be.</summary>
/// <param name="Name">What it is called, 1 to 80 letters.</param>
/// <param name="RoomId">In which room it is held.</param>
/// <param name="FirstDay">The first day of its term.</param>
/// <param name="LastDay">The last, at most 400 days later.</param>
/// <param name="Hours">Its hours of the week, up to 14; none for a course whose sessions are added one by one.</param>
/// <param name="InstructorIds">Who teaches it, up to 20; at least one.</param>
/// <param name="ToolWord">When its students are shown what the tool says of a bead they record themselves.</param>
public sealed record NewCourse(
    string Name,
    Guid RoomId,
    DateOnly FirstDay,
    DateOnly LastDay,
    IReadOnlyList<WeeklyHours> Hours,
    IReadOnlyList<Guid> InstructorIds,
    ToolWord ToolWord = ToolWord.AfterOwn
)
{
    /// <summary>The longest name.</summary>
    public const int LongestName = 80;

    private const int MostHours = 14;
    private const int MostInstructors = 20;

    /// <summary>The same as it is kept: its name trimmed, a list that was left out empty.</summary>
    public NewCourse Kept => this with { Name = Name.Trim(), Hours = Hours ?? [] };

    /// <summary>Everything that is wrong with it; rooms and people are not looked up.</summary>
    public IEnumerable<Problem> Problems()
    {
        if ((Name ?? "").Trim().Length is 0 or > LongestName)
            yield return new("name", Say($"Name the course, up to {LongestName} letters."));
        if (LastDay < FirstDay)
            yield return new("lastDay", Say($"Not before the first day, {FirstDay}."));
        else if (LastDay.DayNumber - FirstDay.DayNumber > WeeklyHours.LongestTermDays)
            yield return new("lastDay", Say($"At most {WeeklyHours.LongestTermDays} days after the first. Is the year right?"));
        if ((Hours?.Count ?? 0) > MostHours)
            yield return new("hours", Say($"At most {MostHours} times a week."));
        for (var i = 0; i < (Hours?.Count ?? 0); i++)
        {
            if (new Stretch(FirstDay, Hours![i].Begins, Hours[i].Ends).Problem is { } problem)
                yield return problem.Under($"hours[{i}]");
        }
        if ((InstructorIds?.Count ?? 0) is 0 or > MostInstructors)
            yield return new("instructorIds", Say($"Who teaches it? One to {MostInstructors}."));
    }
}

/// <summary>Another course of a course.</summary>
/// <param name="Course">What it is to be.</param>
/// <param name="Version">The version it was changed from.</param>
public sealed record CourseChange(NewCourse Course, int Version);

/// <summary>A student on a course.</summary>
/// <param name="Id">Which enrolment.</param>
/// <param name="Student">Who.</param>
/// <param name="FirstDay">From which day.</param>
/// <param name="LastDay">To which; null to the end.</param>
/// <param name="Came">To how many of its sessions they came, late or not.</param>
/// <param name="Missed">How many they missed, excused or not.</param>
/// <param name="Version">Raised by every change; what a change has to name.</param>
public sealed record Enrolment(Guid Id, PersonName Student, DateOnly FirstDay, DateOnly? LastDay, int Came, int Missed, int Version);

/// <summary>A student to put on a course's roster.</summary>
/// <param name="Id">Which enrolment.</param>
/// <param name="StudentId">Who.</param>
/// <param name="FirstDay">From which day; left out, from today where the course runs, else from its first.</param>
public sealed record NewEnrolment(Guid Id, Guid StudentId, DateOnly? FirstDay = null);

/// <summary>Other days of a student on a course.</summary>
/// <param name="FirstDay">From which day.</param>
/// <param name="LastDay">To which; null to the end.</param>
/// <param name="Version">The version it was changed from.</param>
public sealed record EnrolmentDays(DateOnly FirstDay, DateOnly? LastDay, int Version);
