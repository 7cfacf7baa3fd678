using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Looking;
using GentleBead.Server.Beads;
using GentleBead.Server.Looking;

namespace GentleBead.Server.Tests;

/// <summary>What shows behind a bead, from its picture to the verdict; and how large the card was printed that lies beside it.</summary>
public class BackTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    // A drawn back whose mark runs all along.
    private static (byte[] Bytes, object Ask, object Otherwise, double WidthMm) Even()
    {
        var file = Directory
            .GetFiles(Path.Combine(Cluster.Root, "tests/renders/backs"), "*.json")
            .Order()
            .First(one =>
                JsonDocument.Parse(File.ReadAllText(one)).RootElement.GetProperty("mark") is { ValueKind: JsonValueKind.Object } mark
                && mark.GetProperty("pieces").GetInt32() == 1
                && mark.GetProperty("share").GetDouble() > 0.95
            );
        var known = JsonDocument.Parse(File.ReadAllText(file)).RootElement;
        object Place(string name) =>
            new { x = known.GetProperty(name).GetProperty("x").GetDouble(), y = known.GetProperty(name).GetProperty("y").GetDouble() };
        return (
            File.ReadAllBytes(Path.ChangeExtension(file, ".jpg")),
            new { from = Place("from"), to = Place("to") },
            new { from = Place("to"), to = Place("from") },
            known.GetProperty("mark").GetProperty("widthMm").GetDouble()
        );
    }

    private static async Task<BackSeen> LookAsync(HttpClient by, Guid picture, object ask) =>
        (await (await by.PostAsJsonAsync($"/api/pictures/{picture}/back", ask)).ReadAsync<BackAnswer>()).Back!;

    [Fact]
    public async Task A_back_is_measured_kept_and_stands_where_nobody_looked()
    {
        var maren = await room.SignInAsync("maren");
        var (bytes, ask, otherwise, width) = Even();
        var (bead, picture) = await EyeTests.ShownAsync(maren, bytes, "back");
        Assert.Equal(HttpStatusCode.NoContent, (await maren.GetAsync($"/api/pictures/{picture}/back")).StatusCode);

        var seen = await LookAsync(maren, picture, ask);
        Assert.True(seen.Measures.Mark!.Even);
        Assert.Equal(width, seen.Measures.Mark.Width.Value.Mm, Math.Max(0.5, 0.1 * width));
        Assert.NotEmpty(seen.Mark);

        var id = Guid.CreateVersion7();
        var kept = await (await maren.PutAsJsonAsync($"/api/pictures/{picture}/back/{id}", ask)).ReadAsync<Bead>();
        Assert.Equal(Penetration.BackMark, kept.Evidence.PenetrationSeen());
        Assert.Null(kept.Evidence.Penetration);
        Assert.Equal(Standing.Right, kept.Judgement.Aspects.Single(aspect => aspect.Aspect == Aspect.Penetration).Standing);
        Assert.NotEqual(bead.Version, kept.Version);
        // The same again changes nothing; the same id with another body is told.
        var again = await (await maren.PutAsJsonAsync($"/api/pictures/{picture}/back/{id}", ask)).ReadAsync<Bead>();
        Assert.Equal(kept.Version, again.Version);
        Assert.Equal(HttpStatusCode.Conflict, (await maren.PutAsJsonAsync($"/api/pictures/{picture}/back/{id}", otherwise)).StatusCode);
        Assert.Equal(seen.Measures.Mark.Width, (await maren.GetAsync<BackSeen>($"/api/pictures/{picture}/back")).Measures.Mark!.Width);
    }

    [Fact]
    public async Task Nonsense_is_told_where_it_was_made()
    {
        var maren = await room.SignInAsync("maren");
        var (bytes, ask, _, _) = Even();
        var (_, picture) = await EyeTests.ShownAsync(maren, bytes, "back");
        var path = $"/api/pictures/{picture}/back";
        var point = new { x = 10, y = 10 };
        foreach (
            var (body, fields) in new (object, string[])[]
            {
                (new { }, ["from", "to"]),
                (new { from = point }, ["to"]),
                (new { from = point, to = new { x = 99_999, y = 3 } }, ["points"]),
                (
                    new
                    {
                        from = point,
                        to = new { x = 300, y = 10 },
                        scale = new
                        {
                            from = point,
                            to = point,
                            lengthMm = 20,
                        },
                    },
                    ["scale"]
                ),
            }
        )
            Assert.Equal(fields, (await (await maren.PostAsJsonAsync(path, body)).ProblemsAsync()).Keys.Order());
        // Two taps on one place are no bead; a back is no face, and a face no back.
        var short_ = await (await maren.PostAsJsonAsync(path, new { from = point, to = point })).ReadAsync<BackAnswer>();
        Assert.NotNull(short_.Do);
        Assert.Contains("picture", (await (await maren.PostAsJsonAsync($"/api/pictures/{picture}/face", new { })).ProblemsAsync()).Keys);
        var (_, face) = await EyeTests.ShownAsync(maren, bytes);
        Assert.Contains("picture", (await (await maren.PostAsJsonAsync($"/api/pictures/{face}/back", ask)).ProblemsAsync()).Keys);
        Assert.Equal(HttpStatusCode.NotFound, (await maren.PostAsJsonAsync($"/api/pictures/{Guid.NewGuid()}/back", ask)).StatusCode);
        var other = await room.SignInAsync("odell");
        Assert.Equal(HttpStatusCode.NotFound, (await other.PostAsJsonAsync(path, ask)).StatusCode);
    }

    [Fact]
    public async Task A_card_that_was_printed_smaller_measures_smaller()
    {
        var maren = await room.SignInAsync("maren");
        Assert.Equal(new EyeCard(Core.Quantities.Length.FromMm(100), null), await maren.GetAsync<EyeCard>("/api/eye/card"));
        var (bytes, ask, _, _) = Even();
        var (_, picture) = await EyeTests.ShownAsync(maren, bytes, "back");
        var whole = (await LookAsync(maren, picture, ask)).Measures.Mark!.Width.Value.Mm;

        var id = Guid.CreateVersion7();
        (await maren.PutAsJsonAsync($"/api/eye/card/{id}", new { barMm = 90 })).EnsureSuccessStatusCode();
        var noted = await maren.GetAsync<EyeCard>("/api/eye/card");
        Assert.Equal(90, noted.Bar.Mm);
        Assert.NotNull(noted.NotedAt);
        var smaller = (await LookAsync(maren, picture, ask)).Measures.Mark!.Width.Value.Mm;
        Assert.Equal(0.9, smaller / whole, 0.05);

        // Told again it changes nothing, told otherwise under the same id it is refused, and so is what no printer does.
        (await maren.PutAsJsonAsync($"/api/eye/card/{id}", new { barMm = 90 })).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Conflict, (await maren.PutAsJsonAsync($"/api/eye/card/{id}", new { barMm = 99 })).StatusCode);
        foreach (var wrong in new[] { 0, 79.9, 125.1, -100 })
        {
            var told = await maren.PutAsJsonAsync($"/api/eye/card/{Guid.CreateVersion7()}", new { barMm = wrong });
            Assert.Contains("barMm", (await told.ProblemsAsync()).Keys);
        }
        (await maren.PutAsJsonAsync($"/api/eye/card/{Guid.CreateVersion7()}", new { barMm = 100 })).EnsureSuccessStatusCode();
    }
}
