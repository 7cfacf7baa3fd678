using System.Text.RegularExpressions;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>A newer edition of the page while beads wait at a booth to be sent.</summary>
public sealed class EditionTests : IDisposable
{
    private readonly string pages = Directory.CreateTempSubdirectory("gentlebead-pages-").FullName;

    public void Dispose() => Directory.Delete(pages, recursive: true);

    [Fact]
    public async Task A_newer_edition_waits_until_nobody_stands_there_and_loses_nothing_that_waits()
    {
        var built = Path.Combine(Cluster.Root, "ui/dist");
        foreach (var file in Directory.EnumerateFiles(built, "*", SearchOption.AllDirectories))
        {
            var copy = Path.Combine(pages, Path.GetRelativePath(built, file));
            Directory.CreateDirectory(Path.GetDirectoryName(copy)!);
            File.Copy(file, copy);
        }
        await using var server = await RunningServer.StartOverAsync(pages);
        using var room = new Page(server.Address).StepInAs("Maren Holloway");
        using var tablet = new Page(server.Address, 820, 1180);
        BoothTablet.Stand(room, tablet, "Ilsa Brandt");
        tablet.RunAsync<bool>("const done = arguments[arguments.length - 1]; navigator.serviceWorker.ready.then(() => done(true))");
        tablet.Break("*/api/beads/*");
        tablet.Click("Bead");
        foreach (var key in new[] { "Looks right all round", "Right", "Keep it", "Save the bead" })
            tablet.Click(key);
        tablet.See("1 bead waits here");

        // The newer edition is fetched while somebody stands there, and is not what they see.
        var page = Path.Combine(pages, "index.html");
        File.WriteAllText(
            page,
            File.ReadAllText(page).Replace("<head>", "<head><meta name=\"edition\" content=\"next\">", StringComparison.Ordinal)
        );
        var worker = Path.Combine(pages, "sw.js");
        var next = Regex.Replace(File.ReadAllText(worker), "(url:\"index.html\",revision:\")[0-9a-f]+", "$1next");
        Assert.Contains("revision:\"next\"", next, StringComparison.Ordinal);
        File.WriteAllText(worker, next);
        tablet.Open("/bead");
        tablet.See("1 bead waits here");
        Page.Until(
            () =>
                tablet.RunAsync<bool>(
                    "const done = arguments[arguments.length - 1]; "
                        + "navigator.serviceWorker.getRegistration().then((kept) => done(Boolean(kept.waiting)))"
                ),
            "the newer edition, fetched"
        );
        Assert.False(tablet.Has("meta[name=edition]"), "Whoever stands there is not interrupted.");

        tablet.Click("Leave");
        tablet.See("Who stands here?");
        Page.Until(() => tablet.Has("meta[name=edition]"), "the newer edition");
        tablet.See("1 bead waits here");
        tablet.Break();
        tablet.SeeNot("waits here");
        room.Open("/");
        room.See("bead 3");
    }
}
