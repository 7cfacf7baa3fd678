namespace GentleBead.Bench;

/// <summary>What a bench needs from Debian, said before it starts.</summary>
internal static class Debian
{
    public static readonly (string Path, string Package) PostgreSql = ("/usr/lib/postgresql", "postgresql");
    public static readonly (string Path, string Package) Chromium = ("/usr/bin/chromium", "chromium");
    public static readonly (string Path, string Package) ChromeDriver = ("/usr/bin/chromedriver", "chromium-driver");
    public static readonly (string Path, string Package) PovRay = ("/usr/bin/povray", "povray");
    public static readonly (string Path, string Package) Failover = (
        "/usr/bin/pg_autoctl",
        "pg-auto-failover-cli postgresql-15-auto-failover"
    );
    public static readonly (string Path, string Package) SciPy = ("/usr/lib/python3/dist-packages/scipy", "python3-scipy");

    /// <summary>Whether all of it is here; what is not is named, with the line that gets it.</summary>
    public static bool Has(params (string Path, string Package)[] needed)
    {
        var missing = needed.Where(one => !Path.Exists(one.Path)).Select(one => one.Package).ToList();
        if (missing.Count == 0)
            return true;
        Console.Error.WriteLine($"This bench needs {string.Join(", ", missing)} from Debian, which this machine lacks. Get it with:");
        Console.Error.WriteLine($"  sudo apt-get update && sudo apt-get install -y --no-install-recommends {string.Join(' ', missing)}");
        return false;
    }

    /// <summary>Whether the front end is built, for what is measured in the browser; if not, the line that builds it is said.</summary>
    public static bool HasScreens()
    {
        if (File.Exists(Path.Combine(Testing.Cluster.Root, "ui/dist/index.html")))
            return true;
        Console.Error.WriteLine("This bench needs the front end built, which it is not. Build it with:");
        Console.Error.WriteLine("  npm --prefix ui ci && npm --prefix ui run build");
        return false;
    }
}
