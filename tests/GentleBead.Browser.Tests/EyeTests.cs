using System.Diagnostics;
using System.Text.Json;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>The eye from camera to evidence: aimed, measured, a toe corrected, kept; by touch and by keyboard.</summary>
public class EyeTests(DemoServer demo)
{
    private static readonly string Renders = Path.Combine(Cluster.Root, "tests/renders");

    // A drawn fillet, as the demo's first bead is one.
    internal static string Drawn() =>
        Directory
            .GetFiles(Renders, "70*.json")
            .Order()
            .First(file =>
                JsonDocument.Parse(File.ReadAllText(file)).RootElement is var known
                && known.GetProperty("fillet").GetBoolean()
                && known.GetProperty("pixelsPerMm").GetDouble() > 9
            );

    // A film that stands still, for the browser to take as its camera.
    private static string Film(string picture)
    {
        var film = Path.Combine(Path.GetTempPath(), $"gentlebead-{Guid.NewGuid()}.mjpeg");
        string[] asked =
        [
            "-nostdin",
            "-loglevel",
            "error",
            "-loop",
            "1",
            "-i",
            picture,
            "-t",
            "1",
            "-r",
            "5",
            "-c:v",
            "mjpeg",
            "-q:v",
            "2",
            film,
        ];
        using var made = Process.Start("ffmpeg", asked);
        made.WaitForExit();
        return film;
    }

    internal static string FilletBead(Page page) =>
        page.RunAsync<string>(
            """
            const done = arguments[arguments.length - 1];
            (async () => {
                const got = await (await fetch('/api/people/students')).json();
                for (const student of Array.isArray(got) ? got : got.items) {
                    const rack = await (await fetch('/api/sheets/rack/' + student.id)).json();
                    for (const coupon of rack.coupons) {
                        for (const bead of coupon.beads) {
                            const file = await (await fetch('/api/beads/' + bead.id + '/file')).json();
                            if (file.sheet.body.job.joint === 't') return bead.id;
                        }
                    }
                }
                return '';
            })().then(done, (wrong) => done('' + wrong));
            """
        );

    [Fact]
    public void A_picture_is_aimed_at_taken_measured_corrected_and_kept()
    {
        var drawn = Drawn();
        var film = Film(Path.ChangeExtension(drawn, ".jpg"));
        using var page = new Page(demo.Server.Address, camera: film).StepInAs("Maren Holloway");
        var bead = FilletBead(page);
        page.Open($"/beads/{bead}/camera");
        page.See("This will do.");
        ScreenTests.Check(page, "camera");
        page.Click("Take it");
        page.See("Measured", "Leg, both alike", "Width wanders by", "A fillet's legs are taken as alike");
        page.SeeCount("[data-grip]", 18);
        ScreenTests.Check(page, "face");
        string Width() =>
            page.Run<string>(
                "return [...document.querySelectorAll('dt')].find(one => one.textContent === 'Width').nextElementSibling.textContent"
            );
        var before = Width();

        // By touch: a grip dragged; by keyboard: the next one, moved by arrows; both taken back.
        page.Run<object>(
            """
            const grip = document.querySelectorAll('[data-grip=right]')[4];
            const { x, y, width } = grip.getBoundingClientRect();
            const at = { bubbles: true, pointerId: 1, pointerType: 'touch', clientX: x + width / 2, clientY: y + width / 2 };
            grip.ownerSVGElement.setPointerCapture = () => {};
            grip.dispatchEvent(new PointerEvent('pointerdown', at));
            grip.ownerSVGElement.dispatchEvent(new PointerEvent('pointermove', { ...at, clientY: at.clientY + 24 }));
            """
        );
        page.Still();
        page.Run<object>("document.querySelector('svg[data-tool]').dispatchEvent(new PointerEvent('pointerup', { bubbles: true }))");
        Page.Until(() => Width() != before, "the width to follow the toe");
        var dragged = Width();
        page.Run<object>("document.querySelectorAll('[data-grip=left]')[3].focus()");
        page.Press(OpenQA.Selenium.Keys.ArrowUp + OpenQA.Selenium.Keys.ArrowUp + OpenQA.Selenium.Keys.ArrowUp);
        Page.Until(() => Width() != dragged, "the width to follow the keys");
        page.PressWithControl("z");
        page.PressWithControl("z");
        page.PressWithControl("z");
        Page.Until(() => Width() == dragged, "the keys to be taken back");

        page.Click("Keep and judge anew");
        page.See("Pictures", "Measure it");
        page.Open($"/beads/{bead}");
        page.See("Pictures");
        // What was kept is there again, with the toe where it was left.
        page.Click("Measure it");
        page.See("Measured", "Leg, both alike");
        Page.Until(() => Width() == dragged, "what was kept");
        File.Delete(film);
    }

    [Fact]
    public void A_picture_that_will_not_do_says_so_before_it_is_taken()
    {
        var spoilt = Directory
            .GetFiles(Renders, "71*.json")
            .First(file => JsonDocument.Parse(File.ReadAllText(file)).RootElement.GetProperty("wrong").GetString() == "NoCard");
        var film = Film(Path.ChangeExtension(spoilt, ".jpg"));
        using var page = new Page(demo.Server.Address, camera: film).StepInAs("Maren Holloway");
        var bead = FilletBead(page);
        page.Open($"/beads/{bead}/camera");
        page.See("There is no card in the picture");
        page.Click("Take it");
        // It was taken all the same: a known length stands for the card.
        page.See("There is no card in the picture", "The known length is");
        page.Click("Point at the bead");
        page.See("Tap its start, then its end");
        page.Click("Known length");
        page.ClickPoint("svg[data-tool]", 300, 500);
        page.ClickPoint("svg[data-tool]", 900, 500);
        page.SeeNot("There is no card in the picture");
        page.CanClick("Undo");
        page.Click("Undo");
        page.Click("Undo");
        page.See("There is no card in the picture");
        File.Delete(film);
    }
}
