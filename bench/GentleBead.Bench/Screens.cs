using System.Collections.ObjectModel;
using GentleBead.Testing;

namespace GentleBead.Bench;

/// <summary>What a person waits for, measured in the browser itself. Needs ui/dist and the Debug or Release server built.</summary>
internal static class Screens
{
    private const int Keys = 60;
    private const int Beads = 20;

    // Whoever calls is seen at once, ms.
    private const double MostHandMs = 500;

    // Longer than the screens wait before they tell of several things together, ms (useLive).
    private const int Quiet = 700;

    public static async Task<int> MeasureAsync()
    {
        var figures = new Figures("screen");
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Maren Holloway");

        // Baseline of the same run: the shortest answer this server gives this browser.
        var trip = Times(
            page.RunAsync<ReadOnlyCollection<object>>(
                """
                const done = arguments[arguments.length - 1];
                (async () => {
                  const times = [];
                  for (let i = 0; i < 60; i++) { const t = performance.now(); await (await fetch('/health/live')).text();
                      times.push(performance.now() - t); }
                  return times;
                })().then(done);
                """
            )
        );

        page.Click("Sheet", within: "Booth 2");
        page.See("It should sound");
        page.Run<object?>(
            """
            window.times = [];
            document.addEventListener('keydown', () => { window.pressed = performance.now(); }, true);
            new MutationObserver(() => {
              const title = document.querySelector('[aria-label="Settings sheet"] h2')?.textContent;
              const typed = document.querySelector('input').value;
              if (window.pressed && title?.startsWith(typed + ' ')) { window.times.push(performance.now() - window.pressed); window.pressed
                  = 0; }
            }).observe(document.body, { subtree: true, childList: true, characterData: true });
            """
        );
        var whole = Report("last key to sheet on screen", TypeKeys(page, 3), trip);
        EmptyEndpoint(page);
        var empty = Report("the same from an endpoint that only answers", TypeKeys(page, 6), trip);
        var bare = Report("the same payload as text on a bare page", await BareKeysAsync(page), trip);

        Console.WriteLine("a bead, from screen to screen …");
        var (fromKey, fromSaved) = BeadsFrom(server.Address, Beads);
        var bead = Report("the judging key to the bead on the other screen", fromKey, trip);
        Report("saved there to shown here", fromSaved, trip);
        Console.WriteLine("a hand, from a student's screen to the floor …");
        var hands = HandsFrom(server.Address, Beads);
        Report("the student's key to the hand on the floor", hands, trip);
        figures.AtMost("a hand on the floor, 95 of 100, ms", Figures.Quantile(hands, 0.95), MostHandMs);
        figures.AtMost("key to sheet against an endpoint that answers the same and works nothing out", whole / empty, 1.5);
        figures.AtMost("key to sheet against the same payload as text on a bare page", whole / bare, 5);
        figures.AtMost("saved there to shown here, 95 % within, ms", Figures.Quantile(fromSaved, 0.95), 150);
        figures.AtMost("bead to the other screen against a bare round trip", bead, 30);
        return figures.Close(
            $"key to sheet {whole / empty:0.00} x with an endpoint that only answers, {whole / bare:0.0} x a bare page of text; a bead on "
                + $"the other screen {bead:0.0} x a bare round trip, 95 % of saved within {Figures.Quantile(fromSaved, 0.95):0} ms"
        );
    }

    // Sixty keys into the thickness, each a job that no sheet was made for yet; how long each took to its sheet, ms.
    private static double[] TypeKeys(Page page, int from)
    {
        page.Run<object?>("window.times = []; window.pressed = 0");
        page.Type("Plate thickness", $"{from}.");
        for (var key = 0; key < Keys; key++)
        {
            page.Press(OpenQA.Selenium.Keys.End + $"{key % 9 + 1}");
            Thread.Sleep(120);
            if (key % 4 == 3)
                page.Type("Plate thickness", $"{from + key / 4 % 3}.{key / 4 % 10}");
        }
        return Times(page.Run<ReadOnlyCollection<object>>("return window.times"));
    }

    // Baseline of the same run: the same screen, but the sheet is one that was made before; the server answers and no more.
    private static void EmptyEndpoint(Page page) =>
        page.Run<object?>(
            """
            const [real, sheet] = [window.fetch, arguments[0]];
            window.fetch = async (request, init) => {
              if (!request.url?.endsWith('/api/sheets/compute')) return real(request, init);
              const { thickness } = (await request.json()).job;
              await (await real('/health/live')).text();
              return new Response(sheet.replace(/"typed":"[^"]*"/, `"typed":"${thickness}"`), {
                headers: { 'content-type': 'application/json' } });
            };
            """,
            Payload(page)
        );

    private static string Payload(Page page) =>
        page.RunAsync<string>(
            """
            const done = arguments[arguments.length - 1];
            const job = { thickness: '2.71', joint: 't', position: 'flat', otherThickness: null, process: null, metal: null, wire: null,
              gas: null, polarity: null };
            fetch('/api/sheets/compute', {
              method: 'POST',
              headers: { 'content-type': 'application/json' },
              body: JSON.stringify({ boothId: null, job }),
            }).then((answer) => answer.text()).then(done);
            """
        );

    // Baseline of the same run: a key sends the same job to an endpoint that only answers, and each number of the answer is written
    // to the page as text. What the sheet costs above that is ours: working it out, and drawing it.
    private static async Task<double[]> BareKeysAsync(Page sheet)
    {
        var payload = Payload(sheet);
        await Bundle.BuildShellAsync();
        await using var shell = await ShellServer.StartAsync(payload);
        using var bare = new Page(new Uri(shell.Urls.First()));
        bare.See("Bare shell");
        return Times(
            bare.RunAsync<ReadOnlyCollection<object>>(
                $$"""
                const done = arguments[arguments.length - 1];
                const place = document.createElement('main');
                document.body.append(place);
                const every = (value) => typeof value === 'object' && value !== null ? Object.values(value).flatMap(every) : [value];
                const key = async () => {
                  const began = performance.now();
                  const answer = await (await fetch('/same', { method: 'POST', body: JSON.stringify({ job: {} }) })).json();
                  place.replaceChildren(
                    ...every(answer).map((value) => Object.assign(document.createElement('p'), { textContent: value })));
                  return performance.now() - began;
                };
                (async () => {
                  const times = [];
                  for (let i = 0; i < {{Keys}}; i++) { times.push(await key()); await new Promise((rest) => setTimeout(rest, 120)); }
                  return times;
                })().then(done);
                """
            )
        );
    }

    /// <summary>
    /// How long a bead takes from the instructor's screen to its student's, both open on this machine, ms: from the key, and from when
    /// it was saved.
    /// </summary>
    /// <param name="address">The server's.</param>
    /// <param name="beads">How many to send.</param>
    public static (double[] FromKey, double[] FromSaved) BeadsFrom(Uri address, int beads)
    {
        using var own = new Page(address).StepInAs("Teodor Pike");
        own.Click("Beads");
        own.See("Your beads");
        own.Run<object?>(
            """
            window.seen = [];
            window.newest = () => Math.max(0, ...[...document.querySelectorAll('[aria-label="Your beads"] svg[role=img]')].map((one) =>
                Number(/Bead (\d+)/.exec(one.ariaLabel)[1])));
            let before = window.newest();
            new MutationObserver(() => { if (window.newest() > before) { before = window.newest(); window.seen.push(Date.now()); }
                }).observe(document.body, { subtree: true, childList: true });
            """
        );
        var stand = own.Run<long>("return window.newest()");
        using var page = new Page(address).StepInAs("Maren Holloway");
        // By its address: where there are many booths, the key to it is behind its tile.
        page.Open(
            page.RunAsync<string>(
                """
                const done = arguments[arguments.length - 1];
                fetch('/api/sessions/tonight').then((answer) => answer.json()).then(({ booths }) =>
                  done(`/booths/${booths.find(({ booth }) => booth.number === 2).booth.id}/bench`));
                """
            )
        );
        page.See("Judge the bead");
        page.Run<object?>("window.sent = []; document.addEventListener('submit', () => window.sent.push(Date.now()), true)");
        for (var bead = 1; bead <= beads + 1; bead++)
        {
            page.Click("Hiss");
            page.Click("Judge the bead");
            page.See($"Bead {stand + bead}.");
            // Quiet: a room full of beads is told of together, and that is another figure (bench -- load).
            Page.Until(() => own.Run<long>("return window.seen.length") == bead, "the bead on the other screen");
            Thread.Sleep(Quiet);
        }
        var sent = Times(page.Run<ReadOnlyCollection<object>>("return window.sent"));
        var saved = Times(
            page.Run<ReadOnlyCollection<object>>(
                """
                return performance.getEntriesByType('resource').filter((one) => one.name.includes('/api/beads/'))
                    .map((one) => performance.timeOrigin + one.responseEnd)
                """
            )
        );
        var seen = Times(own.Run<ReadOnlyCollection<object>>("return window.seen"));
        // The first is the server's and both pages' first: it finds nothing warm, and a shop lays it once an evening.
        return (
            [.. seen.Zip(sent, (to, from) => to - from).Skip(1)],
            [.. seen.Zip(saved.TakeLast(seen.Length), (to, from) => to - from).Skip(1)]
        );
    }

    // From the press of the student's key to the mark at their booth on the instructor's screen.
    private static double[] HandsFrom(Uri address, int hands)
    {
        using var page = new Page(address).StepInAs("Maren Holloway");
        page.See("Who needs me first");
        page.Run<object?>(
            """
            window.up = [];
            const isUp = () => document.querySelector('[aria-label="Booth 2"] [data-need=hand]') !== null;
            let before = isUp();
            new MutationObserver(() => { if (isUp() !== before) { before = isUp(); if (before) window.up.push(Date.now()); } })
                .observe(document.body, { subtree: true, childList: true, attributes: true });
            """
        );
        using var own = new Page(address).StepInAs("Teodor Pike");
        own.Run<object?>("window.pressed = []");
        for (var hand = 1; hand <= hands + 1; hand++)
        {
            own.See("Help me");
            own.Run<object?>(
                """
                const key = [...document.querySelectorAll('button')].find((one) => one.innerText.trim() === 'Help me');
                window.pressed.push(Date.now());
                key.click();
                """
            );
            Page.Until(() => page.Run<long>("return window.up.length") == hand, "the hand on the floor");
            Thread.Sleep(Quiet);
            own.Click("Hand down");
            Page.Until(() => !page.Has("[aria-label='Booth 2'] [data-need=hand]"), "the hand down again");
            Thread.Sleep(Quiet);
        }
        var pressed = Times(own.Run<ReadOnlyCollection<object>>("return window.pressed"));
        var seen = Times(page.Run<ReadOnlyCollection<object>>("return window.up"));
        return [.. seen.Zip(pressed, (to, from) => to - from).Skip(1)];
    }

    private static double[] Times(ReadOnlyCollection<object> values) => [.. values.Select(value => Convert.ToDouble(value, null))];

    private static double Report(string what, double[] times, double[] baseline)
    {
        var (median, worst, unit) = (Figures.Median(times), Figures.Quantile(times, 0.95), Figures.Median(baseline));
        Console.WriteLine(
            $"{what}: {times.Length} times, median {median:0} ms, 95 % within {worst:0} ms; {median / unit:0.0} x the median "
                + $"bare round trip of {unit:0.0} ms"
        );
        return median / unit;
    }
}
