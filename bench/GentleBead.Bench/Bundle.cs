using System.Diagnostics;
using GentleBead.Testing;

namespace GentleBead.Bench;

/// <summary>
/// What a first page costs beside a bare shell of the same component library: bytes as sent, and the largest contentful paint.
/// Both are served packed with brotli, to a browser that has fetched nothing before.
/// </summary>
internal static class Bundle
{
    private const int Loads = 9;

    // A sign-in is as little as the shell is. Today draws a room and runs its evening, which a shell does not (ARCHITECTURE.md).
    private static readonly (double Bytes, double Paint) MostSignIn = (1.3, 1.3),
        MostToday = (1.4, 2);

    private sealed record FirstPage(double Bytes, double PaintMs);

    public static async Task<int> MeasureAsync()
    {
        var figures = new Figures("bundle");
        await BuildShellAsync();
        await using var shell = await ShellServer.StartAsync();
        await using var server = await RunningServer.StartAsync(demo: true);
        using var bare = new Page(new Uri(shell.Urls.First()));
        using var signIn = new Page(server.Address);
        using var today = new Page(server.Address).StepInAs("Maren Holloway");
        List<FirstPage> bareOnes = [],
            signIns = [],
            todays = [];
        for (var load = 0; load < Loads; load++)
        {
            bareOnes.Add(First(bare, "Bare shell"));
            signIns.Add(First(signIn, "Step in as"));
            todays.Add(First(today, "Booth"));
        }
        var of = Middle(bareOnes);
        Console.WriteLine($"bare shell: {of.Bytes / 1000:0.0} kB, painted after {of.PaintMs:0} ms");
        var (signInBytes, signInPaint) = Report("sign-in", signIns, MostSignIn);
        var (todayBytes, todayPaint) = Report("today", todays, MostToday);
        return figures.Close(
            $"sign-in {signInBytes:0.00} x the bytes of a bare shell and {signInPaint:0.00} x its paint, today {todayBytes:0.00} x and "
                + $"{todayPaint:0.00} x"
        );

        (double, double) Report(string what, List<FirstPage> pages, (double Bytes, double Paint) most)
        {
            var page = Middle(pages);
            var (bytes, paint) = (page.Bytes / of.Bytes, page.PaintMs / of.PaintMs);
            var missed = figures.AtMost($"{what}, bytes", bytes, most.Bytes) + figures.AtMost($"{what}, paint", paint, most.Paint);
            Console.WriteLine(
                $"{what}: {page.Bytes / 1000:0.0} kB, {bytes:0.00} x; painted after {page.PaintMs:0} ms, {paint:0.00} x{missed}"
            );
            return (bytes, paint);
        }
    }

    private static FirstPage Middle(List<FirstPage> pages) =>
        new(Figures.Median(pages.Select(page => page.Bytes)), Figures.Median(pages.Select(page => page.PaintMs)));

    private static FirstPage First(Page page, string shown)
    {
        page.ForgetFiles();
        page.Open("/");
        page.See(shown);
        page.Still();
        var bytes = page.Run<double>(
            """
            return [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')]
              .reduce((sum, one) => sum + one.encodedBodySize, 0) + 0.0001
            """
        );
        var paint = page.RunAsync<double>(
            """
            const done = arguments[arguments.length - 1];
            new PerformanceObserver((list) => done(list.getEntries().at(-1).startTime + 0.0001))
              .observe({ type: 'largest-contentful-paint', buffered: true });
            """
        );
        return new FirstPage(bytes, paint);
    }

    /// <summary>Builds the bare shell into where <see cref="ShellServer"/> serves it from.</summary>
    public static async Task BuildShellAsync()
    {
        using var build = Process.Start(
            new ProcessStartInfo("npm", ["--prefix", Path.Combine(Cluster.Root, "ui"), "run", "--silent", "shell"])
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        var (told, wrong) = (build.StandardOutput.ReadToEndAsync(), build.StandardError.ReadToEndAsync());
        await build.WaitForExitAsync();
        if (build.ExitCode != 0)
            throw new InvalidOperationException($"The bare shell did not build: {await told}{await wrong}");
    }
}
