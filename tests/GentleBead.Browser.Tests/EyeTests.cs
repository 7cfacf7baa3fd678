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
    internal static string Film(string picture)
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

    // A drawn section of a T joint with the card's window round it.
    internal static string DrawnSection() => Path.Combine(Renders, "sections/74010.jpg");

    internal static void OpenSection(Page page, string bead)
    {
        page.Open($"/beads/{bead}");
        page.SeeCount(".picture-file.of-macro", 1);
        var many = page.Count("img[alt=Section]");
        page.Upload(".picture-file.of-macro", DrawnSection());
        page.SeeCount("img[alt=Section]", many + 1);
        var picture = page.RunAsync<string>(
            $$"""
            const done = arguments[arguments.length - 1];
            fetch('/api/beads/{{bead}}/file').then((it) => it.json())
                .then(({ pictures }) => done(pictures.filter((one) => one.side === 'macro').at(-1).id), (wrong) => done('' + wrong));
            """
        );
        page.Open($"/beads/{bead}/macro/{picture}");
        page.Click("Propose the marks");
        page.See("look over each mark", "Lower leg", "eye:");
    }

    [Fact]
    public void A_section_is_proposed_corrected_by_touch_and_by_keys_kept_judged_and_counted()
    {
        using var page = new Page(demo.Server.Address).StepInAs("Maren Holloway");
        var bead = FilletBead(page);
        OpenSection(page, bead);
        page.SeeCount("[data-mark=toes]", 2);
        ScreenTests.Check(page, "section");
        var before = page.Part("Measured");

        // Near an edge a mark that is dragged lies on it; switched off it stays where it is put.
        var laid = new[] { 4, 6, 9 }.Select(by => Dragged(page, by)).ToArray();
        Assert.True(laid.Max() > 1, string.Join(' ', laid));
        page.Click("Lay marks on edges");
        var free = new[] { 4, 6, 9 }.Select(by => Dragged(page, by)).ToArray();
        Assert.True(free.Max() < 0.8, string.Join(' ', free));
        Dragged(page, 60);
        Page.Until(() => page.Part("Measured") != before, "the legs to follow the toe");
        var dragged = page.Part("Measured");
        page.Run<object>("document.querySelectorAll('[data-mark=toes]')[1].focus()");
        page.Press(string.Concat(Enumerable.Repeat(OpenQA.Selenium.Keys.Shift + OpenQA.Selenium.Keys.ArrowUp, 4)));
        Page.Until(() => page.Part("Measured") != dragged, "the legs to follow the keys");
        page.Click("Keep and judge anew");
        page.See("Measure again");
        page.See("Section:");
        page.Open("/students/agreement");
        page.SeeIn("You and the eye", "Lower leg of a section", "1 of 1");
        ScreenTests.Check(page, "agreement with the eye");
    }

    // Drags the first toe by touch, so many pixels of the screen right and down, and says how far off the finger it then lies.
    private static double Dragged(Page page, int by)
    {
        page.Run<object>(
            $$"""
            const mark = document.querySelector('[data-mark=toes]');
            const { x, y, width } = mark.getBoundingClientRect();
            const svg = mark.ownerSVGElement;
            const from = { x: x + width / 2, y: y + width / 2 };
            const event = (kind, at) =>
                new PointerEvent(kind, { bubbles: true, pointerId: 1, pointerType: 'touch', clientX: at.x, clientY: at.y });
            svg.setPointerCapture = () => {};
            window.move = (by) => {
                const mark = document.querySelector('[data-mark=toes]');
                window.mark = { cx: mark.getAttribute('cx'), cy: mark.getAttribute('cy') };
                window.finger = { x: from.x + by, y: from.y + by };
                svg.dispatchEvent(event('pointermove', window.finger));
            };
            window.lift = () => svg.dispatchEvent(event('pointerup', window.finger));
            mark.dispatchEvent(event('pointerdown', from));
            """
        );
        page.SeeCount("[data-mark=toes][data-held]", 1);
        // By way of further off: a mark that lies on an edge already stays there while the finger is near.
        foreach (var at in new[] { by + 40, by })
        {
            page.Run<object>($"window.move({at})");
            Page.Until(
                () =>
                    page.Run<bool>(
                        "const mark = document.querySelector('[data-mark=toes]'); "
                            + "return mark.getAttribute('cx') !== window.mark.cx || mark.getAttribute('cy') !== window.mark.cy"
                    ),
                "the mark to follow the finger"
            );
        }
        var off = page.Run<object>(
            """
            const { x, y, width } = document.querySelector('[data-mark=toes]').getBoundingClientRect();
            window.lift();
            return Math.hypot(x + width / 2 - window.finger.x, y + width / 2 - window.finger.y);
            """
        );
        page.SeeCount("[data-mark=toes][data-held]", 0);
        return Convert.ToDouble(off, System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public void A_student_says_whether_their_pictures_may_teach_the_eye()
    {
        using var page = new Page(demo.Server.Address).StepInAs("Wynn Okafor");
        page.Open("/settings/record");
        page.SeeIn("Pictures that teach", "My pictures of beads may teach the eye", "without your name");
        Assert.False(Given());
        Toggle();
        page.SeeIn("Pictures that teach", "Said on");
        page.Open("/settings/record");
        page.SeeIn("Pictures that teach", "Said on");
        Assert.True(Given());
        ScreenTests.Check(page, "pictures that teach");
        Toggle();
        Page.Until(() => !Given(), "the leave to be taken back");

        bool Given() => page.Run<bool>("return document.querySelector('[aria-label=\"Pictures that teach\"] input').checked");
        void Toggle()
        {
            page.Run<object>("document.querySelector('[aria-label=\"Pictures that teach\"] input').focus()");
            page.Press(" ");
        }
    }

    [Fact]
    public void Before_and_after_brushing_are_shown_at_one_scale()
    {
        using var page = new Page(demo.Server.Address).StepInAs("Maren Holloway");
        var bead = FilletBead(page);
        page.Open($"/beads/{bead}");
        page.SeeCount(".picture-file.of-face", 1);
        foreach (var file in new[] { Drawn(), Directory.GetFiles(Renders, "70*.json").Order().Last(file => file != Drawn()) })
        {
            var many = page.Count("img[alt=Face]");
            page.Upload(".picture-file.of-face", Path.ChangeExtension(file, ".jpg"));
            page.SeeCount("img[alt=Face]", many + 1);
        }
        // Both are measured as the eye sees them: what a person does on the page of each.
        var told = page.RunAsync<string>(
            $$"""
            const done = arguments[arguments.length - 1];
            (async () => {
                const { pictures } = await (await fetch('/api/beads/{{bead}}/file')).json();
                const two = pictures.filter((one) => one.side === 'face').slice(-2);
                for (const { id } of two) {
                    const kept = await fetch(`/api/pictures/${id}/face/${crypto.randomUUID()}`,
                        { method: 'PUT', headers: { 'content-type': 'application/json' }, body: '{}' });
                    if (!kept.ok) return kept.status + ' ' + await kept.text();
                }
                return two.map((one) => one.id).join('/beside/');
            })().then(done, (wrong) => done('' + wrong));
            """
        );
        page.Open($"/beads/{bead}/face/{told}");
        page.SeeIn("Before", "Width", "1/2 in");
        page.SeeIn("After", "Width", "1/2 in");
        // The one that shows more millimetres fills its frame, the other is as much smaller.
        var scales = page.Run<string>("return [...document.querySelectorAll('figure img')].map((one) => one.style.scale || '1').join(' ')");
        var both = scales.Split(' ').Select(one => double.Parse(one, System.Globalization.CultureInfo.InvariantCulture)).ToArray();
        Assert.Equal(1, both.Max(), 3);
        Assert.InRange(both.Min(), 0.3, 0.999);
        ScreenTests.Check(page, "before and after");
        page.Open($"/beads/{bead}");
        page.See("Beside the one before");
    }
}
