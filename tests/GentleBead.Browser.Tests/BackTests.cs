using System.Text.Json;
using GentleBead.Testing;
using OpenQA.Selenium;

namespace GentleBead.Browser.Tests;

/// <summary>The eye on the back of a plate, from its picture to what is kept, by taps and by keys; and its camera at the booth.</summary>
public class BackTests(DemoServer demo) : IClassFixture<DemoServer>
{
    private static readonly string Renders = Path.Combine(Cluster.Root, "tests/renders/backs");

    private sealed record Place(double X, double Y);

    private sealed record Run(double Share, int Pieces);

    private sealed record Known(Run? Mark, Place From, Place To);

    // A drawn back whose mark runs all along.
    internal static (string File, double[] From, double[] To) Even()
    {
        var (file, known) = Directory
            .GetFiles(Renders, "*.json")
            .Order()
            .Select(file => (file, JsonSerializer.Deserialize<Known>(File.ReadAllText(file), JsonSerializerOptions.Web)!))
            .First(one => one.Item2.Mark is { Pieces: 1, Share: > 0.95 });
        return (Path.ChangeExtension(file, ".jpg"), [known.From.X, known.From.Y], [known.To.X, known.To.Y]);
    }

    private static string Open(Page page, string bead, string file)
    {
        page.Open($"/beads/{bead}");
        page.SeeCount(".picture-file.of-back", 1);
        var many = page.Count("img[alt=Back]");
        page.Upload(".picture-file.of-back", file);
        page.SeeCount("img[alt=Back]", many + 1);
        var picture = page.RunAsync<string>(
            $$"""
            const done = arguments[arguments.length - 1];
            fetch('/api/beads/{{bead}}/file').then((it) => it.json())
                .then(({ pictures }) => done(pictures.filter((one) => one.side === 'back').at(-1).id), (wrong) => done('' + wrong));
            """
        );
        var path = $"/beads/{bead}/back/{picture}";
        page.Open(path);
        page.See("Tap where the bead begins and where it ends.");
        return path;
    }

    [Fact]
    public void A_back_is_pointed_at_measured_and_kept()
    {
        var (file, from, to) = Even();
        using var page = new Page(demo.Server.Address).StepInAs("Maren Holloway");
        var bead = EyeTests.FilletBead(page);
        var path = Open(page, bead, file);
        Assert.False(page.CanClick("Keep and judge anew"));

        // By taps, and taken back.
        page.ClickPoint("svg[data-tool]", from[0], from[1]);
        page.ClickPoint("svg[data-tool]", to[0], to[1]);
        page.See("Mark behind", "even,", "% of the length");
        page.SeeCount("[data-end]", 2);
        ScreenTests.Check(page, "back");
        page.Click("Undo");
        page.SeeCount("[data-end]", 1);
        page.PressWithControl("z");
        page.See("Tap where the bead begins and where it ends.");

        // By keys from the picture's middle: where no bead lies nothing is to be seen, and an arrow moves an end.
        page.Click("Put both in the middle");
        page.SeeCount("[data-end]", 2);
        double At() =>
            double.Parse(
                page.Run<string>("return document.querySelector('[data-end=start]').getAttribute('cx')"),
                System.Globalization.CultureInfo.InvariantCulture
            );
        var before = At();
        page.Run<object>("document.querySelector('[data-end=start]').focus()");
        page.Press(Keys.ArrowRight + Keys.ArrowRight);
        Page.Until(() => At() > before, "the start to follow the keys");
        page.PressWithControl("z");
        page.PressWithControl("z");
        Page.Until(() => At() == before, "the keys to be taken back");
        page.Click("Undo");

        page.ClickPoint("svg[data-tool]", from[0], from[1]);
        page.ClickPoint("svg[data-tool]", to[0], to[1]);
        page.See("Mark behind", "even,");
        page.Click("Keep and judge anew");
        page.See("Pictures", "Measure it");
        // What was kept is there again before anything is pointed at.
        page.Open(path);
        page.See("Mark behind", "even,", "Burnt through");
        page.SeeCount("[data-end]", 0);
    }

    [Fact]
    public void At_the_booth_the_camera_says_whether_a_picture_will_do_and_it_goes_with_the_bead()
    {
        var film = EyeTests.Film(Path.ChangeExtension(EyeTests.Drawn(), ".jpg"));
        using var room = new Page(demo.Server.Address).StepInAs("Maren Holloway");
        using var tablet = new Page(demo.Server.Address, 820, 1180, camera: film);
        BoothTablet.Stand(room, tablet, "Ilsa Brandt");
        tablet.Open("/bead");
        tablet.Click("Camera with the card");
        tablet.See("This will do.");
        ScreenTests.Check(tablet, "booth camera");
        tablet.Click("Take it");
        Page.Until(() => tablet.Has("[aria-label='Take the face away']"), "the picture that was taken");
        tablet.Click("Camera with the card");
        tablet.Click("Back", within: "What it shows");
        tablet.See("This will do.");
        tablet.Click("Take it");
        Page.Until(() => tablet.Has("[aria-label='Take the back away']"), "the picture of the back");
        File.Delete(film);
    }
}
