using System.Globalization;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using GentleBead.Server.Courses;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;

namespace GentleBead.Server.Tests;

/// <summary>Courses: days and hours, a roster, the sessions made of them, and the calendar out and in.</summary>
public sealed class CourseTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly DateOnly Monday = NextMonday();

    private static DateOnly NextMonday()
    {
        var day = DateOnly.FromDateTime(DateTime.Now).AddDays(1);
        while (day.DayOfWeek != DayOfWeek.Monday)
            day = day.AddDays(1);
        return day;
    }

    private sealed record Made(Guid Id, Guid RoomId, HttpClient Maren)
    {
        public string Path => $"/api/courses/{Id}";
    }

    // A course in a room of its own: Monday evening and Saturday morning, for three weeks.
    private async Task<Made> CourseAsync(string name)
    {
        var maren = await room.SignInAsync("maren");
        var made = new Made(Guid.CreateVersion7(), Guid.CreateVersion7(), maren);
        (await maren.PutAsJsonAsync($"/api/rooms/{made.RoomId}", new { name = $"Room of {name}" })).EnsureSuccessStatusCode();
        (await maren.PutAsJsonAsync(made.Path, await BodyAsync(name, made.RoomId))).EnsureSuccessStatusCode();
        return made;
    }

    private sealed record Hours(string Day, string Begins, string Ends);

    private sealed record Body(string Name, Guid RoomId, DateOnly FirstDay, DateOnly LastDay, Hours[] Hours, Guid[] InstructorIds);

    private async Task<Body> BodyAsync(string name, Guid roomId) =>
        new(
            name,
            roomId,
            Monday,
            Monday.AddDays(20),
            [new("monday", "18:00", "21:00"), new("saturday", "09:00", "12:00")],
            [await room.QueryAsync<Guid>("select id from person where login = 'maren'")]
        );

    private static async Task<IReadOnlyList<ProposedSession>> TimetableAsync(Made made) =>
        await made.Maren.GetAsync<IReadOnlyList<ProposedSession>>($"{made.Path}/timetable");

    private static object Sessions(IEnumerable<ProposedSession> proposed) =>
        new
        {
            sessions = proposed
                .Select(one => new
                {
                    id = Guid.CreateVersion7(),
                    title = one.Title,
                    day = one.Day,
                    begins = one.Begins,
                    ends = one.Ends,
                })
                .ToArray(),
        };

    private static async Task<IReadOnlyList<Session>> MakeAllAsync(Made made)
    {
        var proposed = await TimetableAsync(made);
        (await made.Maren.PutAsJsonAsync($"{made.Path}/sessions", Sessions(proposed))).EnsureSuccessStatusCode();
        return await made.Maren.GetAsync<IReadOnlyList<Session>>($"{made.Path}/sessions");
    }

    [Fact]
    public async Task Sessions_are_made_from_the_days_and_hours_and_made_once()
    {
        var made = await CourseAsync("Evening course");
        var proposed = await TimetableAsync(made);
        Assert.Equal([0, 5, 7, 12, 14, 19], proposed.Select(one => one.Day.DayNumber - Monday.DayNumber));
        Assert.All(proposed, one => Assert.Equal(ProposalState.Free, one.State));
        var asked = Sessions(proposed);
        for (var time = 0; time < 2; time++)
            (await made.Maren.PutAsJsonAsync($"{made.Path}/sessions", asked)).EnsureSuccessStatusCode();
        var sessions = await made.Maren.GetAsync<IReadOnlyList<Session>>($"{made.Path}/sessions");
        Assert.Equal(6, sessions.Count);
        Assert.All(
            sessions,
            one => Assert.Equal(("Evening course", "Evening course", made.RoomId), (one.Title, one.CourseName, one.RoomId))
        );
        Assert.All(await TimetableAsync(made), one => Assert.Equal(ProposalState.There, one.State));
        // A term of sessions ahead moves no evening of now.
        var now = await made.Maren.GetAsync<RoomNow>("/api/sessions/now");
        Assert.DoesNotContain(now.Session!.Id, sessions.Select(one => one.Id));
        var between = await made.Maren.GetAsync<IReadOnlyList<Session>>(
            $"/api/sessions/between?first={Monday:yyyy-MM-dd}&last={Monday.AddDays(6):yyyy-MM-dd}"
        );
        Assert.Equal(2, between.Count(one => one.CourseId == made.Id));
    }

    [Fact]
    public async Task A_room_that_is_taken_is_said_and_none_of_the_sessions_is_made()
    {
        var made = await CourseAsync("Clashing course");
        var taken = new
        {
            title = "Open shop",
            heldOn = Monday.AddDays(7),
            begins = "20:00",
            ends = "22:00",
            made.RoomId,
        };
        (await made.Maren.PutAsJsonAsync($"/api/sessions/{Guid.CreateVersion7()}", taken)).EnsureSuccessStatusCode();
        var proposed = await TimetableAsync(made);
        var clash = Assert.Single(proposed, one => one.State == ProposalState.Taken);
        Assert.Equal(Monday.AddDays(7), clash.Day);
        Assert.EndsWith("from 20:00 to 22:00: Open shop.", $"{clash.Why}", StringComparison.Ordinal);
        var refused = await made.Maren.PutAsJsonAsync($"{made.Path}/sessions", Sessions(proposed));
        Assert.Contains("Open shop", (await refused.ProblemsAsync())["sessions[2].begins"], StringComparison.Ordinal);
        Assert.Empty(await made.Maren.GetAsync<IReadOnlyList<Session>>($"{made.Path}/sessions"));
    }

    [Fact]
    public async Task A_roster_has_its_dates_and_the_waiting_of_a_session_are_those_on_it_that_day()
    {
        var made = await CourseAsync("Roster course");
        var sessions = await MakeAllAsync(made);
        var names = new[] { "ilsa", "wynn", "petra" };
        var ids = await Task.WhenAll(
            names.Select(login => room.QueryAsync<Guid>("select id from person where login = @login", new { login }))
        );
        var roster = new { students = ids.Select(id => new { id = Guid.CreateVersion7(), studentId = id }).ToArray() };
        for (var time = 0; time < 2; time++)
            (await made.Maren.PutAsJsonAsync($"{made.Path}/roster", roster)).EnsureSuccessStatusCode();
        // Nobody is on it twice, under whatever id.
        var again = new { students = new[] { new { id = Guid.CreateVersion7(), studentId = ids[0] } } };
        (await made.Maren.PutAsJsonAsync($"{made.Path}/roster", again)).EnsureSuccessStatusCode();
        var on = await made.Maren.GetAsync<IReadOnlyList<Enrolment>>($"{made.Path}/roster");
        Assert.Equal(["Ilsa Brandt", "Petra Lund", "Wynn Okafor"], on.Select(one => one.Student.Name));

        var left = on[1];
        var days = new
        {
            firstDay = left.FirstDay,
            lastDay = Monday.AddDays(6),
            version = left.Version,
        };
        (await made.Maren.PutAsJsonAsync($"{made.Path}/roster/{left.Id}/days", days)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Conflict, (await made.Maren.PutAsJsonAsync($"{made.Path}/roster/{left.Id}/days", days)).StatusCode);
        async Task<IEnumerable<string>> WaitingAsync(Session session) =>
            (await made.Maren.GetAsync<RoomView>($"/api/sessions/{session.Id}/room")).Waiting.Select(student => student.Name);
        Assert.Equal(["Ilsa Brandt", "Petra Lund", "Wynn Okafor"], await WaitingAsync(sessions[1]));
        Assert.Equal(["Ilsa Brandt", "Wynn Okafor"], await WaitingAsync(sessions[2]));

        (
            await made.Maren.PutAsJsonAsync(
                $"/api/sessions/{sessions[0].Id}/attendance/{Guid.CreateVersion7()}",
                new { studentId = ids[0], came = "late" }
            )
        ).EnsureSuccessStatusCode();
        on = await made.Maren.GetAsync<IReadOnlyList<Enrolment>>($"{made.Path}/roster");
        Assert.Equal((1, 0), (on[0].Came, on[0].Missed));
    }

    [Fact]
    public async Task A_course_is_changed_by_who_saw_its_newest_state()
    {
        var made = await CourseAsync("Changed course");
        var course = await BodyAsync("Renamed course", made.RoomId);
        var change = new { course, version = 1 };
        (await made.Maren.PutAsJsonAsync($"{made.Path}/details", change)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Conflict, (await made.Maren.PutAsJsonAsync($"{made.Path}/details", change)).StatusCode);
        var now = await made.Maren.GetAsync<Course>(made.Path);
        Assert.Equal(("Renamed course", 2, "Maren Holloway"), (now.Name, now.Version, now.Instructors.Single().Name));
        Assert.Contains("Renamed course", (await made.Maren.GetAsync<Page<Course>>("/api/courses")).Items.Select(one => one.Name));
        var trail = await made.Maren.GetAsync<Page<TrailEntry>>("/api/trail");
        Assert.Equal(["courseChanged", "courseMade"], trail.Items.Where(one => one.AboutId == made.Id).Select(one => one.What));
    }

    [Fact]
    public async Task What_a_course_cannot_be_is_told_at_its_fields()
    {
        var maren = await room.SignInAsync("maren");
        var body = await BodyAsync(" ", Guid.NewGuid()) with
        {
            LastDay = Monday.AddDays(-1),
            Hours = [new("monday", "18:00", "18:05")],
            InstructorIds = [await room.QueryAsync<Guid>("select id from person where login = 'jun'")],
        };
        var refused = await maren.PutAsJsonAsync($"/api/courses/{Guid.CreateVersion7()}", body);
        Assert.Equal(["hours[0].ends", "instructorIds", "lastDay", "name", "roomId"], (await refused.ProblemsAsync()).Keys.Order());
    }

    [Fact]
    public async Task The_calendar_goes_out_by_a_private_address_with_nobodys_name_in_it_and_a_new_address_ends_the_old()
    {
        var made = await CourseAsync("Calendar course");
        var sessions = await MakeAllAsync(made);
        (
            await made.Maren.PutAsJsonAsync($"/api/sessions/{sessions[1].Id}/cancelled", new { why = "Boat show", version = 1 })
        ).EnsureSuccessStatusCode();
        async Task<string> AddressAsync() =>
            (await (await made.Maren.PostAsync($"{made.Path}/calendar-address", null)).ReadAsync<CalendarAddress>()).Path;
        var address = await AddressAsync();
        var stranger = room.CreateClient();
        var answer = await stranger.GetAsync(address);
        Assert.Equal("text/calendar", answer.Content.Headers.ContentType?.MediaType);
        var text = (await answer.Content.ReadAsStringAsync()).Replace("\r\n ", "", StringComparison.Ordinal);
        // RFC 5545: 3.6 (BEGIN, VERSION, PRODID), 3.8.2.4 DTSTART in universal time, 3.8.1.11 STATUS, 3.8.7.4 SEQUENCE.
        var begins = sessions[0].BeginsAt.UtcDateTime.ToString("yyyyMMdd'T'HHmmss'Z'", CultureInfo.InvariantCulture);
        foreach (
            var line in new[]
            {
                "BEGIN:VCALENDAR",
                "VERSION:2.0",
                $"DTSTART:{begins}",
                "STATUS:CANCELLED",
                "SEQUENCE:1",
                "SUMMARY:Calendar course",
            }
        )
            Assert.Contains($"{line}\r\n", text, StringComparison.Ordinal);
        Assert.Equal(6, text.Split("BEGIN:VEVENT").Length - 1);
        Assert.DoesNotContain("Holloway", text, StringComparison.Ordinal);
        Assert.NotEqual(address, await AddressAsync());
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync(address)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync("/calendar/0.ics")).StatusCode);

        // What goes out comes in again: all of it is there already, and the one that was cancelled is not asked for.
        var back = await (await ReadAsync(made, text)).ReadAsync<IReadOnlyList<ProposedSession>>();
        Assert.Equal(5, back.Count);
        Assert.All(back, one => Assert.Equal(ProposalState.There, one.State));
    }

    [Fact]
    public async Task A_calendar_of_another_program_becomes_sessions_in_the_schools_own_time()
    {
        var made = await CourseAsync("Read course");
        var day = Monday.ToString("yyyyMMdd", CultureInfo.InvariantCulture);
        // Weekly with one left out (RFC 5545, 3.8.5.1 and 3.8.5.3), one in New York's time, one of a whole day.
        var text = $"""
            BEGIN:VCALENDAR
            VERSION:2.0
            PRODID:-//Somebody//Else//EN
            BEGIN:VEVENT
            UID:1
            DTSTAMP:20260101T000000Z
            DTSTART:{day}T190000
            DTEND:{day}T213000
            RRULE:FREQ=WEEKLY;COUNT=30
            EXDATE:{Monday.AddDays(7):yyyyMMdd}T190000
            SUMMARY:Tack and test
            END:VEVENT
            BEGIN:VEVENT
            UID:2
            DTSTAMP:20260101T000000Z
            DTSTART;TZID=America/New_York:{Monday.AddDays(2):yyyyMMdd}T030000
            DTEND;TZID=America/New_York:{Monday.AddDays(2):yyyyMMdd}T050000
            SUMMARY:Visitors
            END:VEVENT
            BEGIN:VEVENT
            UID:3
            DTSTAMP:20260101T000000Z
            DTSTART;VALUE=DATE:{day}
            SUMMARY:Holiday
            END:VEVENT
            END:VCALENDAR
            """;
        (
            await made.Maren.PutAsJsonAsync("/api/school", new { name = "Tern Cove", timeZone = "Europe/Copenhagen" })
        ).EnsureSuccessStatusCode();
        var proposed = await (await ReadAsync(made, text)).ReadAsync<IReadOnlyList<ProposedSession>>();
        Assert.Equal(
            [(0, "Tack and test", "19:00"), (2, "Visitors", "09:00"), (14, "Tack and test", "19:00")],
            proposed.Select(one =>
                (one.Day.DayNumber - Monday.DayNumber, one.Title, one.Begins.ToString("HH:mm", CultureInfo.InvariantCulture))
            )
        );
    }

    [Theory]
    [InlineData("")]
    [InlineData("Dear all, the course begins on Monday.")]
    [InlineData("BEGIN:VCALENDAR\nEND:VCALENDAR")]
    [InlineData("BEGIN:VCALENDAR\nBEGIN:VEVENT\nDTSTART:20260101T000000Z\nRRULE:FREQ=SECONDLY\nEND:VEVENT\nEND:VCALENDAR")]
    [InlineData("BEGIN:VCALENDAR\nBEGIN:VEVENT\nDTSTART:19000101T000000Z\nRRULE:FREQ=DAILY\nEND:VEVENT\nEND:VCALENDAR")]
    [InlineData("BEGIN:VCALENDAR\nBEGIN:VEVENT\nDTSTART:nonsense\nEND:VEVENT\nEND:VCALENDAR")]
    [InlineData("BEGIN:VCALENDAR\nBEGIN:VEVENT\nDTSTART:20010101T180000\nDTEND:20010101T200000\nEND:VEVENT\nEND:VCALENDAR")]
    public async Task A_file_that_gives_no_session_is_told_at_the_file(string text)
    {
        var made = await CourseAsync($"Course {Guid.NewGuid()}"[..20]);
        Assert.Equal(["file"], (await (await ReadAsync(made, text)).ProblemsAsync()).Keys);
    }

    [Fact]
    public async Task A_calendar_file_larger_than_a_courses_is_told_in_words_and_a_course_may_have_no_hours()
    {
        var made = await CourseAsync("Large file course");
        var refused = await ReadAsync(made, new string('X', 600_000));
        Assert.StartsWith("Larger than 512 kB.", (await refused.ProblemsAsync())["file"], StringComparison.Ordinal);
        var body = await BodyAsync("No hours", made.RoomId);
        var bare = new
        {
            body.Name,
            body.RoomId,
            body.FirstDay,
            body.LastDay,
            hours = (object?)null,
            body.InstructorIds,
        };
        var id = Guid.CreateVersion7();
        (await made.Maren.PutAsJsonAsync($"/api/courses/{id}", bare)).EnsureSuccessStatusCode();
        Assert.Empty((await made.Maren.GetAsync<Course>($"/api/courses/{id}")).Hours);
        Assert.Empty(await made.Maren.GetAsync<IReadOnlyList<ProposedSession>>($"/api/courses/{id}/timetable"));
    }

    [Fact]
    public async Task The_schools_clock_decides_what_day_and_hour_it_is()
    {
        var maren = await room.SignInAsync("maren");
        Assert.Contains("Europe/Copenhagen", await maren.GetAsync<IReadOnlyList<string>>("/api/school/time-zones"));
        var wrong = await maren.PutAsJsonAsync("/api/school", new { name = "", timeZone = "Europe/Atlantis" });
        Assert.Equal(["name", "timeZone"], (await wrong.ProblemsAsync()).Keys.Order());
        // On either side of the date line it is never the same day.
        var days = new HashSet<DateOnly>();
        foreach (var zone in new[] { "Pacific/Kiritimati", "Pacific/Pago_Pago" })
        {
            (await maren.PutAsJsonAsync("/api/school", new { name = "Tern Cove", timeZone = zone })).EnsureSuccessStatusCode();
            var id = Guid.CreateVersion7();
            var roomId = Guid.CreateVersion7();
            (await maren.PutAsJsonAsync($"/api/rooms/{roomId}", new { name = zone })).EnsureSuccessStatusCode();
            var today = DateOnly.FromDateTime(
                TimeZoneInfo.ConvertTime(DateTimeOffset.UtcNow, TimeZoneInfo.FindSystemTimeZoneById(zone)).DateTime
            );
            var answer = await maren.PutAsJsonAsync(
                $"/api/sessions/{id}",
                new
                {
                    title = "Now",
                    heldOn = today,
                    roomId,
                }
            );
            var session = await answer.ReadAsync<Session>();
            Assert.InRange((DateTimeOffset.UtcNow - session.BeginsAt).TotalMinutes, -0.1, 6);
            days.Add(session.HeldOn);
        }
        Assert.Equal(2, days.Count);
    }

    private static Task<HttpResponseMessage> ReadAsync(Made made, string text)
    {
        var body = new ByteArrayContent(Encoding.UTF8.GetBytes(text));
        body.Headers.ContentType = new MediaTypeHeaderValue("text/calendar");
        return made.Maren.PostAsync($"{made.Path}/calendar/read", body);
    }
}
