using System.Runtime.CompilerServices;
using System.Text.RegularExpressions;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace GentleBead.Core.Tests;

/// <summary>What can be read at a glance: how long a line, a method and a file may be, and how much a method may ask for.</summary>
public class ShapeTests
{
    private const int LongestLine = 140;
    private const int LongestFile = 450;
    private const int LongestMethod = 60;
    private const int MostParameters = 6;

    private static readonly string[] Written = [".cs", ".ts", ".tsx", ".css", ".sql", ".sh", ".mjs"];

    // Made by tools, and made anew by them.
    private static readonly string[] Made = ["schema.d.ts"];

    private static readonly string Root = Path.GetFullPath(Path.Combine(Here(), "../.."));

    [Fact]
    public void No_line_and_no_file_is_too_long()
    {
        var wrong = new List<string>();
        foreach (var path in new[] { "src", "tests", "bench", "ui/src", "scripts" }.SelectMany(Files))
        {
            var lines = File.ReadAllLines(path);
            var name = Path.GetRelativePath(Root, path);
            wrong.AddRange(lines.Index().Where(line => line.Item.Length > LongestLine).Select(line => $"{name}:{line.Index + 1}"));
            if (lines.Length > LongestFile)
                wrong.Add($"{name} has {lines.Length} lines");
        }
        Assert.True(wrong.Count == 0, string.Join("\n", wrong));
    }

    [Fact]
    public void No_method_is_too_long() =>
        Assert.Empty(
            new[] { "src" }
                .SelectMany(Files)
                .SelectMany(Methods)
                .Where(method => Lines(method.Node) > LongestMethod)
                .Select(method => $"{method.Name}: {Lines(method.Node)} lines")
        );

    [Fact]
    public void No_method_of_Core_asks_for_too_much() =>
        Assert.Empty(
            new[] { "src/GentleBead.Core" }
                .SelectMany(Files)
                .SelectMany(Methods)
                .Where(method => Parameters(method.Node) > MostParameters)
                .Select(method => $"{method.Name}: {Parameters(method.Node)} parameters")
        );

    // The database writes moments; beside it there is one clock, handed in, which a test can turn.
    [Fact]
    public void There_is_one_clock() =>
        Assert.Equal(
            ["Program.cs"],
            Files("src")
                .Where(path => Regex.IsMatch(File.ReadAllText(path), @"DateTime(Offset)?\.(Utc)?(Now|Today)|TimeProvider\.System"))
                .Select(Path.GetFileName)
        );

    [Fact]
    public void What_the_papers_name_is_in_the_code()
    {
        var code = string.Concat(new[] { "src", "tests", "bench", "ui/src" }.SelectMany(Files).Select(File.ReadAllText));
        var papers = Directory.EnumerateFiles(Path.Combine(Root, "docs"), "*.md").Append(Path.Combine(Root, "ARCHITECTURE.md"));
        Assert.Empty(
            papers
                .Where(paper => Path.GetFileName(paper) != "third-party.md")
                .SelectMany(paper =>
                    Regex
                        .Matches(File.ReadAllText(paper), @"`([A-Z][a-z]+[A-Za-z]*(?:\.[A-Z][A-Za-z]*)*)`")
                        .SelectMany(found => found.Groups[1].Value.Split('.'))
                        .Where(name => !Regex.IsMatch(code, $@"\b{name}\b") && !Directory.Exists(Path.Combine(Root, name)))
                        .Select(name => $"{Path.GetFileName(paper)}: {name}")
                )
                .Distinct()
        );
    }

    private static IEnumerable<string> Files(string folder) =>
        Directory
            .EnumerateFiles(Path.Combine(Root, folder), "*", SearchOption.AllDirectories)
            .Where(path => Written.Contains(Path.GetExtension(path)) && !Made.Contains(Path.GetFileName(path)))
            .Where(path => !path.Contains("/bin/", StringComparison.Ordinal) && !path.Contains("/obj/", StringComparison.Ordinal));

    private static IEnumerable<(SyntaxNode Node, string Name)> Methods(string path) =>
        Path.GetExtension(path) != ".cs"
            ? []
            : CSharpSyntaxTree
                .ParseText(File.ReadAllText(path))
                .GetRoot()
                .DescendantNodes()
                .Where(node => node is BaseMethodDeclarationSyntax or LocalFunctionStatementSyntax)
                .Select(node => (node, $"{Path.GetFileName(path)} {NameOf(node)}"));

    private static string NameOf(SyntaxNode node) =>
        node switch
        {
            MethodDeclarationSyntax method => method.Identifier.Text,
            LocalFunctionStatementSyntax local => local.Identifier.Text,
            _ => node.Kind().ToString(),
        };

    private static int Parameters(SyntaxNode node) =>
        node switch
        {
            BaseMethodDeclarationSyntax method => method.ParameterList.Parameters.Count,
            LocalFunctionStatementSyntax local => local.ParameterList.Parameters.Count,
            _ => 0,
        };

    private static int Lines(SyntaxNode node)
    {
        var span = node.GetLocation().GetLineSpan();
        return span.EndLinePosition.Line - span.StartLinePosition.Line + 1;
    }

    private static string Here([CallerFilePath] string file = "") => Path.GetDirectoryName(file)!;
}
