using System.Collections.ObjectModel;
using GentleBead.Testing;

namespace GentleBead.Bench;

/// <summary>What a person waits for, measured in the browser itself. Needs ui/dist and the Debug or Release server built.</summary>
internal static class Screens
{
    private const int Keys = 60;
    private const int Beads = 12;

    public static async Task MeasureAsync()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Maren Holloway");

        // Baseline of the same run: the shortest answer this server gives this browser.
        var trip = Times(page.RunAsync<ReadOnlyCollection<object>>(
            """
            const done = arguments[arguments.length - 1];
            (async () => {
              const times = [];
              for (let i = 0; i < 60; i++) { const t = performance.now(); await (await fetch('/health/live')).text(); times.push(performance.now() - t); }
              return times;
            })().then(done);
            """));

        page.Click("Sheet", within: "Booth 2");
        page.See("It should sound");
        page.Run<object?>(
            """
            window.times = [];
            document.addEventListener('keydown', () => { window.pressed = performance.now(); }, true);
            new MutationObserver(() => {
              const title = document.querySelector('[aria-label="Settings sheet"] h2')?.textContent;
              const typed = document.querySelector('input').value;
              if (window.pressed && title?.startsWith(typed + ' ')) { window.times.push(performance.now() - window.pressed); window.pressed = 0; }
            }).observe(document.body, { subtree: true, childList: true, characterData: true });
            """);
        page.Type("Plate thickness", "3.");
        for (var key = 0; key < Keys; key++)
        {
            // A new last digit every time, so that no sheet comes from the browser's own memory.
            page.Press(OpenQA.Selenium.Keys.End + $"{key % 9 + 1}");
            Thread.Sleep(120);
            if (key % 4 == 3) page.Type("Plate thickness", $"{3 + key / 4 % 3}.{key / 4 % 10}");
        }
        Report("last key to sheet on screen", Times(page.Run<ReadOnlyCollection<object>>("return window.times")), trip);

        using var own = new Page(server.Address).StepInAs("Teodor Pike");
        own.See("Your beads");
        own.Run<object?>(
            """
            window.seen = [];
            const count = () => document.querySelectorAll('[aria-label="Your beads"] .glyph').length;
            let before = count();
            new MutationObserver(() => { if (count() > before) { before = count(); window.seen.push(Date.now()); } }).observe(document.body, { subtree: true, childList: true });
            """);
        page.Open("/");
        page.Click("Bench", within: "Booth 2");
        page.See("Judge the bead");
        page.Run<object?>("window.sent = []; document.addEventListener('submit', () => window.sent.push(Date.now()), true)");
        for (var bead = 1; bead <= Beads; bead++)
        {
            page.Click("Hiss");
            page.Click("Judge the bead");
            page.See($"Bead {bead + 2}.");
        }
        Page.Until(() => own.Run<long>("return window.seen.length") == Beads, "every bead on the other screen");
        var sent = Times(page.Run<ReadOnlyCollection<object>>("return window.sent"));
        var seen = Times(own.Run<ReadOnlyCollection<object>>("return window.seen"));
        Report("bead sent to bead on the other screen", [.. seen.Zip(sent, (to, from) => to - from)], trip);
    }

    private static double[] Times(ReadOnlyCollection<object> values) => [.. values.Select(value => Convert.ToDouble(value, null))];

    private static void Report(string what, double[] times, double[] baseline)
    {
        var (median, worst, unit) = (Quantile(times, 0.5), Quantile(times, 0.95), Quantile(baseline, 0.5));
        Console.WriteLine($"{what}: {times.Length} times, median {median:0} ms, 95 % within {worst:0} ms; {median / unit:0.0} x the median bare round trip of {unit:0.0} ms");
    }

    private static double Quantile(double[] times, double share) => times.Order().ElementAt((int)Math.Min(times.Length - 1, share * times.Length));
}
