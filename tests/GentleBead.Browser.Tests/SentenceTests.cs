using System.Text;
using System.Text.RegularExpressions;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>
/// Another language, made up: every word of a sentence that the server sends stands accented on the screen. What can still be read plain
/// there went past
/// the place where sentences are written out, and would be shown in one person's units to everybody.
/// </summary>
public class SentenceTests(DemoServer demo)
{
    private static readonly Regex Spaces = new(@"\s+");
    private static readonly Regex Accents = new("[àçđëğĥîļñöřšťûŵÿž]");

    // The screen's own words that the server says too.
    private static readonly string[] Both =
    [
        "Wire feed speed",
        "wire feed speed",
        ", smooth from",
        "Heat, EN 1011-1",
        "Pedal at the most",
        "at the most",
        "It should sound:",
        "It should look:",
        "MIG short circuit",
        "What is off?",
        "Stick-out too long",
    ];

    [Fact]
    public void No_words_of_the_servers_reach_the_screen_but_as_sentences()
    {
        var plain = PlainWords();
        Assert.True(plain.Count > 500, $"Only {plain.Count} sentences were found in the source.");
        using var page = demo.Open().StepInAs("Maren Holloway");
        page.Run<object?>("localStorage.setItem('sentences', 'accented')");
        var went = new List<string>();
        foreach (var (name, go) in Screens)
        {
            go(page);
            page.Still();
            var text = Spaces.Replace(
                page.Run<string>(
                    "return document.body.innerText + ' ' + [...document.querySelectorAll('[aria-label]')].map((one) => "
                        + "one.ariaLabel).join(' ')"
                ),
                " "
            );
            Assert.True(Accents.IsMatch(text), $"{name} shows no sentence of the server's.");
            went.AddRange(plain.Where(words => text.Contains(words, StringComparison.Ordinal)).Select(words => $"{name}: {words}"));
        }
        page.Run<object?>("localStorage.removeItem('sentences')");
        Assert.True(went.Count == 0, string.Join("\n", went.Distinct()));
    }

    private static IEnumerable<(string Name, Action<Page> Go)> Screens =>
        [
            (
                "sheet",
                page =>
                {
                    page.Open("/");
                    page.Click("Sheet", within: "Booth 2");
                    page.See("It should sound");
                    OpenAll(page);
                }
            ),
            (
                "refusal",
                page =>
                {
                    page.Type("Plate thickness", "abc");
                    Page.Until(() => page.Has(".mantine-Input-error, [class*=error]"), "the refusal");
                }
            ),
            (
                "calculators",
                page =>
                {
                    page.Open("/");
                    page.Click("Sheet", within: "Booth 2");
                    page.See("It should sound");
                    page.Click("Calculators");
                    page.Click("Work it out");
                    Page.Until(() => page.Has("[aria-label=Result]"), "the result");
                }
            ),
            (
                "tig sheet",
                page =>
                {
                    page.Open("/");
                    page.Click("Sheet", within: "Booth 1");
                    page.See("It should sound");
                    page.Choose("Process", "TIG, AC");
                    page.Choose("Metal", "Aluminium");
                    page.See("Pedal at the most");
                }
            ),
            (
                "room",
                page =>
                {
                    page.Open("/");
                    page.See("At no booth");
                }
            ),
            (
                "bench",
                page =>
                {
                    page.Open("/");
                    page.Click("Bench", within: "Booth 2");
                    page.See("Change next");
                    OpenAll(page);
                }
            ),
            (
                "card",
                page =>
                {
                    ToBooth(page, 2, "Card");
                    page.See("Print, A5");
                }
            ),
            (
                "checks",
                page =>
                {
                    ToBooth(page, 2, "Checks");
                    page.See("After the last");
                }
            ),
            (
                "trial",
                page =>
                {
                    ToBooth(page, 2, "Trials");
                    page.Click("Start");
                    Page.Until(() => page.Has(".hold"), "what to set and hold");
                }
            ),
            (
                "sweep",
                page =>
                {
                    ToBooth(page, 2, "Trials");
                    page.Click("Wire sweep, by ear");
                    Page.Until(() => page.Has("[aria-label]"), "the sweep");
                    page.See("Volts");
                }
            ),
            (
                "test weld",
                page =>
                {
                    ToBooth(page, 1, "Test");
                    page.See("Waits for the second assessor");
                    page.Run<object?>("document.querySelector('.test-list a').click()");
                    page.See("hold together");
                }
            ),
            (
                "rack and bead",
                page =>
                {
                    ToBooth(page, 1, "Bench");
                    page.Click("Ilsa Brandt");
                    Page.Until(() => page.Has(".rack > li button"), "the rack");
                    page.Run<object?>("document.querySelectorAll('.rack > li')[0].querySelectorAll('button')[0].click()");
                    page.See("Booth logger, simulated");
                }
            ),
            (
                "shop",
                page =>
                {
                    page.Open("/shop");
                    page.See("How you set");
                    page.See("Grey digital");
                }
            ),
            (
                "machine",
                page =>
                {
                    page.Open("/shop");
                    page.Click("Grey digital");
                    page.See("What the marks really give");
                }
            ),
            (
                "kept",
                page =>
                {
                    page.Open("/kept");
                    page.See("ran sweet");
                }
            ),
            (
                "drill",
                page =>
                {
                    page.Open("/practice");
                    page.Click("Begin", within: "Eye");
                    page.See("as the machine");
                    page.Click("Volts too high");
                }
            ),
            (
                "scores",
                page =>
                {
                    page.Open("/practice/scores");
                    Page.Until(() => Accents.IsMatch(page.Text), "the scores");
                }
            ),
        ];

    private static void ToBooth(Page page, int booth, string tab)
    {
        page.Open("/");
        page.Click("Bench", within: $"Booth {booth}");
        page.See("Checks");
        page.Click(tab);
    }

    // What is folded away is on the screen too.
    private static void OpenAll(Page page) =>
        page.Run<object?>("document.querySelectorAll('details').forEach((one) => { one.open = true; })");

    // The literal words of every sentence in the source, three words and more: shorter ones the screen may well say of its own.
    private static HashSet<string> PlainWords()
    {
        var found = new HashSet<string>();
        foreach (
            var file in Directory
                .EnumerateFiles(Path.Combine(Cluster.Root, "src"), "*.cs", SearchOption.AllDirectories)
                .Where(file => !file.Contains("/obj/", StringComparison.Ordinal))
        )
        {
            var source = File.ReadAllText(file);
            for (
                var at = source.IndexOf("Say($\"", StringComparison.Ordinal);
                at >= 0;
                at = source.IndexOf("Say($\"", at + 1, StringComparison.Ordinal)
            )
            {
                foreach (var words in Literals(source, at + "Say($\"".Length))
                    found.Add(words);
            }
        }
        return
        [
            .. found
                .Select(words => Spaces.Replace(words, " ").Trim())
                .Where(words => words.Count(letter => letter == ' ') >= 2 && Regex.IsMatch(words, "[a-z]{3}"))
                .Except(Both),
        ];
    }

    // The literal stretches of an interpolated string, up to its closing quote.
    private static IEnumerable<string> Literals(string source, int at)
    {
        var (text, depth) = (new StringBuilder(), 0);
        for (; depth > 0 || source[at] != '"'; at++)
        {
            if (source[at] == '{')
                depth++;
            else if (source[at] == '}')
                depth--;
            else if (depth == 0)
                text.Append(source[at] == '\\' ? source[++at] : source[at]);
            else
                continue;
            if (depth == 0 || text.Length == 0)
                continue;
            yield return text.ToString();
            text.Clear();
        }
        yield return text.ToString();
    }
}
