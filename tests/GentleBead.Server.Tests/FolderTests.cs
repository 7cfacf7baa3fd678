using ArchUnitNET.Loader;

namespace GentleBead.Server.Tests;

/// <summary>Folders need each other in one direction only: what is told here as "A &lt;-&gt; … &lt;-&gt; B" is a knot.</summary>
public class FolderTests
{
    [Theory]
    [InlineData("Core")]
    [InlineData("Server")]
    public void No_two_folders_need_each_other(string project)
    {
        var needs = Needs(project);
        Assert.True(needs.Count > 10, "The folders were not found where they are looked for.");
        var knots = Knots(needs)
            .Select(knot =>
                string.Join(
                    ", ",
                    knot.Select(folder => $"{folder} -> {string.Join(" ", needs[folder].Where(knot.Contains).Select(to => to))}")
                )
            );
        Assert.True(!knots.Any(), string.Join("\n", knots));
    }

    private static Dictionary<string, HashSet<string>> Needs(string project)
    {
        var assembly = project == "Core" ? typeof(Core.Sheets.Sheet).Assembly : typeof(Program).Assembly;
        var prefix = $"GentleBead.{project}.";
        var needs = new Dictionary<string, HashSet<string>>();
        foreach (var type in new ArchLoader().LoadAssembly(assembly).Build().Types)
        {
            if (Folder(type.Namespace?.FullName) is not { } folder)
                continue;
            var to = needs.TryGetValue(folder, out var known) ? known : needs[folder] = [];
            to.UnionWith(
                type.Dependencies.Select(dependency => Folder(dependency.Target.Namespace?.FullName))
                    .OfType<string>()
                    .Where(other => other != folder)
            );
        }
        return needs;

        string? Folder(string? space) =>
            space?.StartsWith(prefix, StringComparison.Ordinal) == true ? space[prefix.Length..].Split('.')[0] : null;
    }

    // Folders of which each can be reached from each other.
    private static IEnumerable<string[]> Knots(Dictionary<string, HashSet<string>> needs)
    {
        var reach = needs.Keys.ToDictionary(folder => folder, folder => Reached(needs, folder));
        return needs
            .Keys.Where(folder => reach[folder].Contains(folder))
            .GroupBy(folder =>
                string.Join(" ", reach[folder].Where(other => reach.TryGetValue(other, out var back) && back.Contains(folder)).Order())
            )
            .Select(knot => knot.Order().ToArray());
    }

    private static HashSet<string> Reached(Dictionary<string, HashSet<string>> needs, string from)
    {
        var seen = new HashSet<string>();
        var open = new Queue<string>(needs[from]);
        while (open.TryDequeue(out var folder))
        {
            if (seen.Add(folder) && needs.TryGetValue(folder, out var next))
                foreach (var one in next)
                    open.Enqueue(one);
        }
        return seen;
    }
}
