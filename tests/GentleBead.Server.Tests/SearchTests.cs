using System.Net;
using GentleBead.Server.Search;

namespace GentleBead.Server.Tests;

public class SearchTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Theory]
    [InlineData("bra", "Ilsa Brandt", null)]
    [InlineData("HOLLOWAY", "Maren Holloway", null)]
    [InlineData("digital", null, "Grey digital")]
    public async Task Finds_people_and_machines_by_any_part_of_their_names(string called, string? person, string? machine)
    {
        var maren = await room.SignInAsync("maren");
        var found = await maren.GetAsync<Found>($"/api/search?called={called}");
        if (person is not null)
            Assert.Contains(found.People, one => one.Name == person);
        if (machine is not null)
            Assert.Contains(found.Machines, one => one.Name == machine && one.BoothNumber > 0);
    }

    [Theory]
    [InlineData("")]
    [InlineData("%")]
    [InlineData("_")]
    [InlineData("nobody by this name")]
    public async Task Finds_nothing_by_nothing_and_takes_signs_as_they_are(string called)
    {
        var maren = await room.SignInAsync("maren");
        var found = await maren.GetAsync<Found>($"/api/search?called={Uri.EscapeDataString(called)}");
        Assert.Empty(found.People);
        Assert.Empty(found.Machines);
    }

    [Fact]
    public async Task One_booth_is_the_same_as_in_the_room()
    {
        var maren = await room.SignInAsync("maren");
        var (session, view) = await maren.BoothAsync(2);
        var path = $"/api/sessions/{session.Id}/booths/{view.Booth.Id}/view";
        // Lists within a record are compared by what they hold, so as text.
        var whole = await maren.GetStringAsync("/api/sessions/tonight", TestContext.Current.CancellationToken);
        Assert.Contains(await maren.GetStringAsync(path, TestContext.Current.CancellationToken), whole, StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (
                await maren.GetAsync(
                    $"/api/sessions/{session.Id}/booths/{Guid.CreateVersion7()}/view",
                    TestContext.Current.CancellationToken
                )
            ).StatusCode
        );
    }
}
