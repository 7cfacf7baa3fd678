using System.Collections.ObjectModel;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>Whatever a page asks for can fail, be forbidden, be gone or find no network: each time there are words and a way on.</summary>
public class EveryStateTests(DemoServer demo)
{
    // Answers in place of the server for one address: a status, no answer, no network, or an answer that does not come. What was
    // asked is noted. What is said after ten seconds, or tried again after one or two, is so at once. What the screen showed before is
    // forgotten: it would be shown again.
    private const string Breaker = """
        indexedDB.deleteDatabase('gentle-bead');
        const later = window.setTimeout;
        window.setTimeout = (act, ms, ...rest) => later(act, [1000, 2000, 10000].includes(ms) ? 100 : ms, ...rest);
        const real = window.fetch;
        window.asked = [];
        window.fetch = async (input, init) => {
          const request = new Request(input, init);
          const { pathname } = new URL(request.url);
          if (request.method === 'GET' && pathname.startsWith('/api/')) {
            window.asked.push(pathname);
            const broken = JSON.parse(localStorage.getItem('broken') ?? 'null');
            if (broken?.path === pathname) {
              if (broken.status === -2) return new Promise(() => {});
              if (broken.status === -1) Object.defineProperty(navigator, 'onLine', { get: () => false });
              if (broken.status <= 0) throw new TypeError('Failed to fetch');
              return new Response('{}', { status: broken.status, headers: { 'content-type': 'application/problem+json' } });
            }
          }
          return real(request);
        };
        """;

    private static readonly (int Status, string Words)[] Ways =
    [
        (500, "The server answered 500"),
        (403, "is for instructors"),
        (404, "is not here"),
        (410, "is gone"),
        (0, "does not answer"),
        (-1, "There is no network here"),
        (-2, "Still waiting for"),
    ];

    [Fact]
    public void Every_query_of_an_instructors_pages_has_words_and_a_way_on_in_each_state()
    {
        using var page = demo.Open();
        page.Before(Breaker);
        page.Open("/");
        page.StepInAs("Maren Holloway");
        Walk(page, Screens.Instructor.Concat(Screens.Judging).Concat(Screens.Practice).Concat(Screens.Small));
    }

    [Fact]
    public void Every_query_of_a_students_pages_has_words_and_a_way_on_in_each_state()
    {
        using var page = demo.Open();
        page.Before(Breaker);
        page.Open("/");
        page.StepInAs("Wynn Okafor");
        page.See("You stand at booth");
        Walk(page, Screens.Student);
    }

    // Each address once, each thing it asks for once: the states take turns, so that every one is met many times in a walk.
    private static void Walk(Page page, IEnumerable<(string Name, Action<Page> Go)> screens)
    {
        var (seen, silent, turn) = (new HashSet<string>(), new List<string>(), 0);
        foreach (var (name, go) in screens)
        {
            go(page);
            page.Still();
            var address = page.Run<string>("return location.pathname");
            page.Open(address);
            page.Still();
            foreach (var asked in page.Run<ReadOnlyCollection<object>>("return [...new Set(window.asked)]").Cast<string>())
            {
                // Whether everything is stopped is asked by the frame around every page: once is enough.
                if (!seen.Add(asked == "/api/stop" ? asked : $"{Pattern(address)} {Pattern(asked)}"))
                    continue;
                var (status, words) = Ways[turn++ % Ways.Length];
                // Who is signed in is not a thing that can be gone or forbidden: then somebody else's answer stands there.
                if (asked == "/api/people/me")
                    (status, words) = Ways[0];
                page.Run<object?>($$"""localStorage.setItem('broken', JSON.stringify({ path: '{{asked}}', status: {{status}} }))""");
                page.Open(address);
                if (!Says(page, words))
                    silent.Add($"{name}: {status} of {asked}");
                page.Run<object?>("localStorage.removeItem('broken')");
            }
        }
        Assert.True(seen.Count > 8, $"Only {seen.Count} things were asked for.");
        Assert.True(silent.Count == 0, string.Join("\n", silent));
    }

    // What is announced, with the words, and a key or link to go on by.
    private static bool Says(Page page, string words)
    {
        try
        {
            Page.Until(
                () =>
                    page.Run<bool>(
                        """
                        return [...document.querySelectorAll('[role=alert], [role=status]')].some((one) =>
                          one.innerText.includes(arguments[0]) && one.querySelector('button, a') !== null)
                        """,
                        words
                    ),
                words,
                TimeSpan.FromSeconds(12)
            );
            return true;
        }
        catch (OpenQA.Selenium.WebDriverTimeoutException)
        {
            return false;
        }
    }

    private static string Pattern(string address) => System.Text.RegularExpressions.Regex.Replace(address, "[0-9a-f-]{36}", "{id}");
}
