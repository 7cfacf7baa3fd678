using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Sheets;
using GentleBead.Server.Beads;
using GentleBead.Server.People;

namespace GentleBead.Server.Tests;

/// <summary>The hand a student holds the torch in, from the student's word to the direction on their sheet.</summary>
public class HandTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private const int Booth = 2;

    private static Task<HttpResponseMessage> SayAsync(HttpClient who, Guid student, string? hand) =>
        who.PutAsJsonAsync($"/api/people/students/{student}/hand", new { hand });

    // Common practice, no source: a right-hander pushes from right to left, a left-hander from left to right.
    [Fact]
    public async Task The_next_sheet_says_the_direction_for_the_students_own_hand()
    {
        var maren = await room.SignInAsync("maren");
        var (session, view) = await maren.BoothAsync(Booth);
        var student = view.Student!.Id;
        Assert.Null((await maren.GetAsync<Rack>($"/api/sheets/rack/{student}")).Hand);
        Assert.Contains("A right-hander", $"{(await maren.AssignAsync(Booth)).Body.Direction}", StringComparison.Ordinal);

        Assert.Equal(HttpStatusCode.NoContent, (await SayAsync(maren, student, "left")).StatusCode);
        Assert.Equal(Hand.Left, (await maren.GetAsync<Rack>($"/api/sheets/rack/{student}")).Hand);
        var given = await maren.AssignAsync(Booth);
        Assert.EndsWith("left hand: push from left to right.", $"{given.Body.Direction}", StringComparison.Ordinal);
        // What is shown before it is given out is what is given out.
        var asked = new
        {
            job = new
            {
                thickness = "1/8",
                joint = "t",
                position = "horizontal",
            },
            boothId = view.Booth.Id,
            sessionId = session.Id,
        };
        var shown = await (await maren.PostAsJsonAsync("/api/sheets/compute", asked)).ReadAsync<Sheet>();
        Assert.Equal($"{given.Body.Direction}", $"{shown.Direction}");
        // A student learns nothing of who stands where by asking.
        var jun = await room.SignInAsync("jun");
        var theirs = await (await jun.PostAsJsonAsync("/api/sheets/compute", asked)).ReadAsync<Sheet>();
        Assert.Contains("A right-hander", $"{theirs.Direction}", StringComparison.Ordinal);

        Assert.Equal(HttpStatusCode.NoContent, (await SayAsync(maren, student, null)).StatusCode);
        Assert.Contains("A right-hander", $"{(await maren.AssignAsync(Booth)).Body.Direction}", StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_student_says_their_own_hand_and_nobody_elses()
    {
        var (ilsa, teodor) = (await room.SignInAsync("ilsa"), await room.SignInAsync("teodor"));
        var me = await ilsa.MeAsync();
        Assert.Equal(HttpStatusCode.NoContent, (await SayAsync(ilsa, me.Id, "right")).StatusCode);
        Assert.Equal(Hand.Right, (await ilsa.MeAsync()).Hand);
        Assert.Equal(HttpStatusCode.NotFound, (await SayAsync(teodor, me.Id, "left")).StatusCode);
        Assert.Equal(Hand.Right, (await ilsa.MeAsync()).Hand);
    }

    [Fact]
    public async Task Only_a_hand_is_taken_and_only_of_a_student()
    {
        var maren = await room.SignInAsync("maren");
        var me = (await maren.MeAsync()).Id;
        Assert.Equal(HttpStatusCode.NotFound, (await SayAsync(maren, me, "left")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await SayAsync(maren, Guid.NewGuid(), "left")).StatusCode);
        var student = (await maren.GetAsync<Http.Page<PersonName>>("/api/people/students")).Items[0].Id;
        Assert.Equal(["hand"], (await (await SayAsync(maren, student, "both")).ProblemsAsync()).Keys);
    }
}
