using System.Diagnostics;
using System.Text.RegularExpressions;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>./start looks after the server it has started.</summary>
public sealed class StartTests
{
    [Theory]
    [InlineData("gentlebead.service")]
    [InlineData("gentlebead-backup.service")]
    [InlineData("gentlebead-backup.timer")]
    public void Its_units_are_such_as_systemd_reads(string unit)
    {
        // As they lie in deploy/, but for where the program is and a user this machine has.
        var folder = Directory.CreateTempSubdirectory("gentlebead-units-").FullName;
        foreach (var file in Directory.GetFiles(Path.Combine(Cluster.Root, "deploy"), "gentlebead*"))
        {
            var text = File.ReadAllText(file)
                .Replace("/opt/gentlebead", Cluster.Root, StringComparison.Ordinal)
                .Replace("User=gentlebead", "User=root", StringComparison.Ordinal);
            File.WriteAllText(Path.Combine(folder, Path.GetFileName(file)), text);
        }
        using var verify = Process.Start(
            new ProcessStartInfo("systemd-analyze", ["verify", Path.Combine(folder, unit)]) { RedirectStandardError = true }
        )!;
        var said = verify.StandardError.ReadToEnd();
        verify.WaitForExit();
        Directory.Delete(folder, recursive: true);
        Assert.True(verify.ExitCode == 0 && said.Length == 0, said);
    }

    [Fact]
    public async Task A_server_that_dies_is_started_again_and_one_that_keeps_dying_is_left_alone()
    {
        await using var started = await StartedByScript.StartAsync();
        started.KillServer();
        await started.SaysAsync("1 of 5 in ten minutes");
        await started.SaysAsync("up again");
        using (var client = new HttpClient())
            Assert.Equal("ready", await client.GetStringAsync($"http://127.0.0.1:{started.Port}/health/ready"));
        for (var death = 2; death <= 5; death++)
        {
            started.KillServer();
            await started.SaysAsync($"{death} of 5 in ten minutes");
            await Waiting.UntilAsync(() => Task.FromResult(Regex.Count(started.Words, "up again") == death));
        }
        started.KillServer();
        Assert.NotEqual(0, await started.EndsAsync());
        Assert.Contains("died 6 times within ten minutes", started.Words, StringComparison.Ordinal);
        Assert.NotEmpty(Directory.GetFiles(Path.Combine(started.Folder, "logs"), "server-????-??-??.log"));
    }
}
