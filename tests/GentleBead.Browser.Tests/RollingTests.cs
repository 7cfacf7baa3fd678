using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>
/// The version before beside this one on one database: what several servers go through that are brought forward one after the other.
/// ./test rolling builds the version before and runs this.
/// </summary>
public sealed class RollingTests
{
    private static string Before =>
        Environment.GetEnvironmentVariable("GENTLEBEAD_BEFORE") ?? throw new InvalidOperationException("./test rolling runs this.");

    [Fact(Explicit = true)]
    public async Task The_version_before_goes_on_beside_this_one_and_starts_on_its_schema()
    {
        var database = await Cluster.NewDatabaseAsync();
        await using (var before = await RunningServer.StartBuiltAsync(Before, database))
        {
            using var early = Instructor(before);
            // This one brings the database forward under it.
            await using var now = await RunningServer.StartAsync(demo: true, database);
            using var late = Instructor(now);
            Works(early, 1);
            Works(late, 2);
            await NodesTests.HearsAsync(early, now);
            await NodesTests.HearsAsync(late, before);
        }
        await using (var again = await RunningServer.StartBuiltAsync(Before, database))
        {
            using var page = Instructor(again);
            Works(page, 3);
            foreach (var path in new[] { "/machines", "/students", "/courses", "/sessions", "/settings/keeping" })
            {
                page.Open(path);
                page.See("Go to");
                page.SeeNot("Something broke");
            }
            // What this version gives to the application's role is not taken from it by the one before.
            await using var now = await RunningServer.StartAsync(demo: true, database);
            using var late = Instructor(now);
            Works(late, 1);
        }
        await Cluster.DropAsync(database);
    }

    private static Page Instructor(RunningServer at) => new Page(at.Address).StepInAs("Maren Holloway");

    private static void Works(Page page, int booth)
    {
        page.Open("/");
        page.Click("Bench", within: $"Booth {booth}");
        page.See("Judge the bead");
        page.Click("Hiss");
        page.Click("Judge the bead");
        page.See("Overrule");
    }
}
