using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>A term as a strip, and two beads of it side by side.</summary>
public class StripTests
{
    private const string Beads = "[aria-label='The term at a glance'] ol button";

    [Fact]
    public async Task Two_beads_are_chosen_by_keyboard_and_what_changed_between_them_is_read()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var ilsa = new Page(server.Address).StepInAs("Ilsa Brandt");
        ilsa.Click("Rack", within: "My work");
        ilsa.SeeIn("The term at a glance", "Choose two", "T, horizontal");
        Choose(0);
        Assert.False(ilsa.CanClick("Side by side"));
        Choose(9);
        // A third takes the place of the first.
        Choose(12);
        ilsa.SeeCount($"{Beads}[aria-pressed='true']", 2);
        ilsa.Click("Side by side");
        ilsa.SeeIn("What changed", "Earlier", "Later", "Volts", "What went wrong");
        ilsa.SeeIn("Earlier", "The bead, and why");
        Assert.Equal(2, ilsa.Count("[aria-label='Earlier'] svg[role='img'], [aria-label='Later'] svg[role='img']"));

        // Somebody else's two are no pair for her.
        using var jun = new Page(server.Address).StepInAs("Jun Castellan");
        jun.Open(ilsa.Run<string>("return location.pathname"));
        jun.See("The two beads is not here");

        void Choose(int at)
        {
            ilsa.Run<object?>($"document.querySelectorAll(\"{Beads}\")[{at}].focus()");
            ilsa.Press(" ");
            ilsa.SeeCount($"{Beads}[aria-pressed='true']", at == 0 ? 1 : 2);
        }
    }

    [Fact]
    public async Task A_picture_taken_upright_in_bad_light_is_laid_across_and_lit_like_the_other()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var maren = new Page(server.Address).StepInAs("Maren Holloway");
        maren.OpenStudent("Ilsa Brandt");
        maren.SeeIn("The term at a glance", "T, horizontal");
        // Two pictures of the same grey step, one upright and dark, one across and light, put to two of her beads.
        Assert.Equal(
            "ok",
            maren.RunAsync<string>(
                """
                const done = arguments[arguments.length - 1];
                (async () => {
                  const student = location.pathname.split('/')[2];
                  const { items } = await (await fetch(`/api/students/${student}/strip`)).json();
                  for (const [at, width, height, grey] of [[0, 300, 400, 40], [1, 400, 300, 190]]) {
                    const canvas = document.createElement('canvas');
                    canvas.width = width;
                    canvas.height = height;
                    const on = canvas.getContext('2d');
                    on.fillStyle = `rgb(${grey}, ${grey}, ${grey})`;
                    on.fillRect(0, 0, width, height);
                    const blob = await new Promise((ready) => canvas.toBlob(ready, 'image/jpeg'));
                    const id = crypto.randomUUID();
                    const sent = await fetch(`/api/beads/${items[at].id}/pictures/face/${id}`, { method: 'PUT', body: blob });
                    if (!sent.ok) return String(sent.status);
                  }
                  return 'ok';
                })().then(done);
                """
            )
        );
        maren.SeeCount($"{Beads} img", 2);
        foreach (var at in new[] { 0, 1 })
            maren.Run<object?>($"document.querySelectorAll(\"{Beads}\")[{at}].click()");
        maren.Click("Side by side");
        maren.SeeIn("What changed", "The same: ");
        Page.Until(() => Light("Later") is > 1.5 && Light("Earlier") is < 1 and > 0, "both lit towards the middle");
        // The one that was taken upright is laid across, and fills its frame as the other does.
        Assert.Equal(("90deg", "0deg"), (Turned("Later"), Turned("Earlier")));
        Assert.Equal(Frame("Earlier"), Frame("Later"));
        maren.Click("Turn: Later", startsWith: true);
        Page.Until(() => Turned("Later") == "180deg", "the later one turned further");

        double Light(string which) =>
            maren.Run<double>($"return Number(document.querySelector('[aria-label={which}] img').style.filter.slice(11, -1)) + 1e-9");
        string Turned(string which) => maren.Run<string>($"return document.querySelector('[aria-label={which}] img').style.rotate");
        string Frame(string which) =>
            maren.Run<string>(
                $"""
                const box = document.querySelector('[aria-label={which}] img').getBoundingClientRect();
                return Math.round(box.width) + ' by ' + Math.round(box.height);
                """
            );
    }
}
