using System.Diagnostics;

namespace GentleBead.Core.Tests.Listening;

/// <summary>SciPy and NumPy (Debian packages python3-scipy, python3-numpy) as an outside reference for files and signals.</summary>
internal static class SciPy
{
    /// <summary>Runs a script with its arguments; what it prints, line by line.</summary>
    public static string[] Run(string script, params string[] arguments)
    {
        Assert.SkipUnless(
            Directory.Exists("/usr/lib/python3/dist-packages/scipy"),
            "SciPy is missing here: sudo apt-get install -y --no-install-recommends python3-scipy"
        );
        using var process = Process.Start(
            new ProcessStartInfo("/usr/bin/python3", ["-W", "ignore", "-c", script, .. arguments])
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        var trouble = process.StandardError.ReadToEndAsync();
        var answer = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        Assert.True(process.ExitCode == 0, trouble.Result);
        return answer.Split('\n', StringSplitOptions.RemoveEmptyEntries);
    }
}
