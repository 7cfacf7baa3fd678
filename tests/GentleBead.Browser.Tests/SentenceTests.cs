using System.Text;
using System.Text.RegularExpressions;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>
/// Another language, made up: every word of a sentence that the server sends stands accented on the screen. What can still be read plain
/// there went past the place where sentences are written out, and would be shown in one person's units to everybody.
/// </summary>
public class SentenceTests(DemoServer demo)
{
    private static readonly Regex Spaces = new(@"\s+");
    private static readonly Regex Accents = new("[àçďëğĥîļñöřšťûŵÿž]");

    [Fact]
    public void No_words_of_the_servers_reach_the_screen_but_as_sentences()
    {
        var plain = PlainWords();
        Assert.True(plain.Count > 500, $"Only {plain.Count} sentences were found in the source.");
        using var page = demo.Open().StepInAs("Maren Holloway");
        page.Run<object?>("localStorage.setItem('sentences', 'accented')");
        var (went, ownWords, walked) = (new List<string>(), new List<string>(), 0);
        foreach (var (name, go) in Screens.Instructor.Concat(Screens.Judging).Concat(Screens.Practice).Concat(Screens.Small))
        {
            go(page);
            walked++;
            OpenAll(page);
            var text = Everything(page);
            if (!Accents.IsMatch(text))
                ownWords.Add(name);
            went.AddRange(plain.Where(words => text.Contains(words, StringComparison.Ordinal)).Select(words => $"{name}: {words}"));
        }
        page.Open("/");
        page.Click("Sheet", within: "Booth 3");
        page.See("It should sound");
        page.Type("Plate thickness", "thick");
        page.See("is not a thickness");
        Assert.Matches(Accents, Everything(page));
        page.Run<object?>("localStorage.removeItem('sentences')");
        // Where things are set or listed a screen has no words but its own; the others speak the other language.
        Assert.True(walked - ownWords.Count > 20, string.Join(", ", ownWords));
        Assert.True(went.Count == 0, string.Join("\n", went.Distinct()));
    }

    // What stands on a page, and what its parts are called for those who hear it.
    private static string Everything(Page page)
    {
        page.Still();
        var text = page.Run<string>(
            "return document.body.innerText + ' ' + [...document.querySelectorAll('[aria-label]')].map((one) => one.ariaLabel).join(' ')"
        );
        return Spaces.Replace(text, " ");
    }

    // What is folded away is on the screen too.
    private static void OpenAll(Page page) =>
        page.Run<object?>("document.querySelectorAll('details').forEach((one) => { one.open = true; })");

    // The literal words of every sentence in the source, three words and more: shorter ones the screen may well say of its own.
    private static HashSet<string> PlainWords()
    {
        // What the screen says of its own too, with a capital or without, would be found there anyway.
        var ownWords = string.Concat(
            Directory
                .EnumerateFiles(Path.Combine(Cluster.Root, "ui/src"), "*.ts*", SearchOption.AllDirectories)
                .Where(file => !file.EndsWith("schema.d.ts", StringComparison.Ordinal))
                .Select(File.ReadAllText)
        );
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
                .Where(words => !ownWords.Contains(words, StringComparison.OrdinalIgnoreCase)),
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
