using System.Diagnostics;
using System.Globalization;

namespace GentleBead.Core.Tests;

/// <summary>The program GNU Units (Debian package units), as an outside reference for conversions.</summary>
internal static class GnuUnits
{
    public static double Convert(string from, string to)
    {
        Assert.SkipUnless(
            File.Exists("/usr/bin/units"),
            "GNU Units is missing here: sudo apt-get install -y --no-install-recommends units"
        );
        using var process = Process.Start(
            new ProcessStartInfo("/usr/bin/units", ["--terse", "--output-format", "%.12g", from, to]) { RedirectStandardOutput = true }
        )!;
        var answer = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return double.Parse(answer.Trim(), CultureInfo.InvariantCulture);
    }
}
