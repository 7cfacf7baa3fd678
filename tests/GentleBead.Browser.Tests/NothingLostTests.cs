using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>What is typed is what is saved: its unit, its form, its key, its place beside what somebody else said.</summary>
public sealed class NothingLostTests(NothingLostTests.Loft loft) : IClassFixture<NothingLostTests.Loft>
{
    public sealed class Loft : IAsyncLifetime
    {
        public RunningServer Server { get; private set; } = null!;

        public async ValueTask InitializeAsync() => Server = await RunningServer.StartAsync(demo: true);

        public ValueTask DisposeAsync() => Server.DisposeAsync();
    }

    private Page AtBench(int booth)
    {
        var page = new Page(loft.Server.Address).StepInAs("Maren Holloway");
        page.Click("Bench", within: $"Booth {booth}");
        page.See("Judge the bead");
        return page;
    }

    private static void Units(Page page, string now)
    {
        page.Run<object?>("document.querySelector('[aria-label^=\"Units:\"]').click()");
        Page.Until(() => page.Has($"[aria-label='Units: {now}']"), $"units in {now}");
    }

    // What the server keeps of the newest bead of the coupon on the bench.
    private static string Newest(Page page) =>
        page.RunAsync<string>(
            """
            const done = arguments[arguments.length - 1];
            (async () => {
              const now = await (await fetch('/api/sessions/now')).json();
              const booth = now.booths.find((one) => location.pathname.includes(one.id));
              const bench = await (await fetch(`/api/sessions/${now.session.id}/booths/${booth.id}`)).json();
              if (bench.coupon.beads.length === 0) return JSON.stringify({ number: 0 });
              const bead = bench.coupon.beads.reduce((last, one) => (one.number > last.number ? one : last));
              const file = await (await fetch(`/api/beads/${bead.id}/file`)).json();
              return JSON.stringify({ number: bead.number, used: file.bead.used, evidence: file.bead.evidence });
            })().then(done, (failed) => done(String(failed)));
            """
        );

    private const string Tolerances =
        "const done = arguments[arguments.length - 1]; fetch('/api/judging/tolerances').then((answer) => answer.text()).then(done);";

    // Records what is noted, and waits until it is the newest bead: what stood on the screen before may say the same words.
    private static string Recorded(Page page, Action record)
    {
        var before = Number(Newest(page), "number");
        record();
        Page.Until(() => Number(Newest(page), "number") > before, "the bead");
        return Newest(page);
    }

    private static double Number(string json, string name)
    {
        var at = json.IndexOf($"\"{name}\":", StringComparison.Ordinal);
        Assert.True(at >= 0, $"{name} is not in {json}");
        var rest = json[(at + name.Length + 3)..];
        return double.Parse(rest[..rest.IndexOfAny([',', '}'])], System.Globalization.CultureInfo.InvariantCulture);
    }

    [Fact]
    public void A_number_keeps_the_unit_it_was_typed_in_when_the_units_are_switched()
    {
        using var page = AtBench(2);
        if (!page.Has("[aria-label='Units: inch']"))
            Units(page, "inch");
        page.Type("Leg, if measured", "0.2");
        page.Click("measured instead?", within: "Wire used");
        page.Type("Wire", "280");
        page.Click("Hiss");
        Units(page, "metric");
        // The number stands as typed, and says in what.
        Assert.StartsWith("0.2", page.Value("Leg, if measured"), StringComparison.Ordinal);
        Assert.Contains("in/min", page.Value("Wire"), StringComparison.Ordinal);
        var kept = Recorded(page, () => page.Click("Judge the bead"));
        // 1 in = 25.4 mm exactly (international yard and pound agreement, 1959).
        Assert.Equal(0.2 * 25.4, Number(kept, "beadSizeMm"), 1e-6);
        Assert.Equal(280 * 0.0254, Number(kept, "wireFeedMPerMin"), 1e-6);
        Units(page, "inch");
    }

    [Fact]
    public void A_reading_and_a_tolerance_keep_the_unit_they_were_typed_in()
    {
        using var page = new Page(loft.Server.Address).StepInAs("Maren Holloway");
        if (!page.Has("[aria-label='Units: inch']"))
            Units(page, "inch");
        page.Open("/machines");
        page.Click("Green digital");
        page.See("What the marks really give");
        page.Type("Wire mark", "240");
        page.Type("Wire length", "19.2");
        Units(page, "metric");
        page.Click("Add reading", within: "Wire readings");
        // 19.2 in in 6 s are 192 in/min, and 192 x 0.0254 = 4.88 m/min, shown to a tenth.
        Page.Until(() => page.Part("Wire readings").Contains("gives 4.9 m/min", StringComparison.Ordinal), "the reading in metric");
        Units(page, "inch");
        Page.Until(() => page.Part("Wire readings").Contains("gives 192 in/min", StringComparison.Ordinal), "the reading in inches");
        page.Click("Withdraw the reading at 240");

        page.Open("/settings/tolerances");
        page.See("Undercut, at most");
        var crown = page.RunAsync<string>(Tolerances);
        page.Type("Undercut, at most", "0.04");
        Units(page, "metric");
        Assert.Equal("0.04 in", page.Value("Undercut, at most"));
        page.Click("Measure by these");
        Page.Until(() => page.Value("Undercut, at most") == "1.016 mm", "the tolerance in metric");
        // What was not typed stays as it was, and does not become what it reads as in inches.
        Assert.Equal(Number(crown, "crownMm"), Number(page.RunAsync<string>(Tolerances), "crownMm"));
        Units(page, "inch");
        Page.Until(() => page.Value("Undercut, at most") == "0.04 in", "the tolerance in inches");
    }

    [Fact]
    public void Keys_send_the_form_the_hands_are_in_and_no_other()
    {
        using var page = AtBench(3);
        page.Click("Popping, stubbing");
        page.Click("Tall, narrow");
        var number = Number(Recorded(page, () => page.Click("Judge the bead")), "number");
        page.See("Overrule");

        page.Click("Hiss");
        page.Click("Overrule");
        page.Type("Why", "Saw the stick-out");
        page.PressWithControl(OpenQA.Selenium.Keys.Enter);
        // Enter in a number is done with the number, not with the bead.
        page.Type("Leg, if measured", "0.2");
        page.Press(OpenQA.Selenium.Keys.Enter);
        Assert.Equal("Saw the stick-out", page.Value("Why"));
        // In the form it belongs to, Ctrl Enter records.
        var kept = Recorded(page, () => page.PressWithControl(OpenQA.Selenium.Keys.Enter));
        // One in all: had another key sent it, what was noted would have gone with that bead, and this one been refused.
        Assert.Equal(number + 1, Number(kept, "number"));
        Assert.Contains("\"sound\":\"hiss\"", kept, StringComparison.Ordinal);
    }

    [Fact]
    public void A_bead_saved_at_a_try_whose_answer_was_lost_is_told_and_what_is_new_becomes_a_second_look()
    {
        using var page = AtBench(1);
        page.Click("Hiss");
        page.Type("Leg, if measured", "0.16");
        // The first try: sent and saved, and its answer lost on the way.
        page.RunAsync<string>(
            """
            const done = arguments[arguments.length - 1];
            (async () => {
              const [key] = Object.keys(sessionStorage).filter((one) => sessionStorage.getItem(one).includes('"id"'));
              const draft = JSON.parse(sessionStorage.getItem(key));
              const now = await (await fetch('/api/sessions/now')).json();
              const booth = now.booths.find((one) => location.pathname.includes(one.id));
              const bench = await (await fetch(`/api/sessions/${now.session.id}/booths/${booth.id}`)).json();
              const answer = await fetch(`/api/beads/${draft.id}`, { method: 'PUT', headers: { 'content-type': 'application/json' }, body:
                  JSON.stringify({
                sheetId: bench.coupon.sheet.id, wireFeedMPerMin: 6.4, volts: 18, evidence: { sound: 'hiss' } }) });
              return `${answer.status}`;
            })().then(done, (failed) => done(String(failed)));
            """
        );
        page.Click("Cold, on top", within: "Toes");
        page.Click("Judge the bead");
        page.See("was saved at the first try", "You have changed something since");
        page.Click("Add it as a second look");
        page.SeeNot("was saved at the first try");
        var kept = Newest(page);
        Assert.Contains("\"toes\":\"cold\"", kept, StringComparison.Ordinal);
        Assert.Equal(6.4, Number(kept, "wireFeedMPerMin"), 1e-9);
    }

    [Fact]
    public void A_second_look_sends_what_was_not_touched_as_it_was_measured()
    {
        using var page = AtBench(2);
        if (page.Has("[aria-label='Units: inch']"))
            Units(page, "metric");
        // 3.6 mm read 0.1417 in, and 0.1417 in are 3.599 mm.
        page.Type("Leg, if measured", "3.6");
        page.Click("Hiss");
        Recorded(page, () => page.Click("Judge the bead"));
        Units(page, "inch");
        page.Click("Look again");
        page.See("looked at again");
        page.Click("Blended", within: "Look again");
        page.Click("Judge bead", startsWith: true);
        page.See("Before that:");
        Assert.Equal(3.6, Number(Newest(page), "beadSizeMm"));
        Assert.Contains("\"toes\":\"blended\"", Newest(page), StringComparison.Ordinal);
    }

    [Fact]
    public void Of_two_looks_from_one_version_the_later_is_shown_both_and_loses_neither()
    {
        using var one = AtBench(4);
        one.Click("Hiss");
        Recorded(one, () => one.Click("Judge the bead"));
        using var other = AtBench(4);
        foreach (var page in new[] { one, other })
        {
            page.Click("Look again");
            page.See("looked at again");
        }
        one.Click("Cold, on top", within: "Look again");
        one.Click("Judge bead", startsWith: true);
        one.See("Before that:");
        other.Click("Tall, narrow", within: "Look again");
        other.Click("Judge bead", startsWith: true);
        other.See("This bead was looked at since you opened it", "Saved since: toes.", "Changed here: profile.");
        other.Click("Go on with both");
        other.Click("Judge bead", startsWith: true);
        other.SeeNot("This bead was looked at since");
        var kept = Newest(other);
        Assert.Contains("\"toes\":\"cold\"", kept, StringComparison.Ordinal);
        Assert.Contains("\"profile\":\"tallNarrow\"", kept, StringComparison.Ordinal);
    }
}
