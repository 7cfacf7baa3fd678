using System.Diagnostics;
using System.Globalization;

namespace GentleBead.Server.Tests;

/// <summary>The processes in which this test's servers decode pictures.</summary>
internal static class PictureWorkers
{
    /// <summary>Ends them outright, as a picture might, and says how many there were.</summary>
    public static int End()
    {
        var ended = 0;
        foreach (var process in Process.GetProcessesByName("dotnet"))
        {
            if (!Line(process.Id).EndsWith("GentleBead.Server.dll\0pictures\0", StringComparison.Ordinal))
                continue;
            if (Parent(process.Id) != Environment.ProcessId)
                continue;
            process.Kill();
            ended++;
        }
        return ended;
    }

    private static string Line(int process)
    {
        try
        {
            return File.ReadAllText($"/proc/{process}/cmdline");
        }
        catch (IOException)
        {
            // It ended by itself meanwhile.
            return "";
        }
    }

    private static int Parent(int process) =>
        int.Parse(File.ReadAllText($"/proc/{process}/stat").Split(") ")[1].Split(' ')[1], CultureInfo.InvariantCulture);
}
