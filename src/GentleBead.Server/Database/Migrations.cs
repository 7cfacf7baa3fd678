using DbUp;
using DbUp.Engine;
using DbUp.Engine.Output;

namespace GentleBead.Server.Database;

/// <summary>Brings a database up to this version, forward only.</summary>
public static class Migrations
{
    // A school's own, and those of the database that names the schools.
    private const string OfASchool = ".migrations.",
        OfControl = ".control.";

    /// <summary>Runs what has not run yet.</summary>
    public static void Run(string connectionString) => Run(connectionString, OfASchool);

    /// <summary>The same for the database that names the schools.</summary>
    public static void RunControl(string connectionString) => Run(connectionString, OfControl);

    private static void Run(string connectionString, string folder)
    {
        var result = Upgrade(connectionString, folder).PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException($"Migration {result.ErrorScript?.Name} failed.", result.Error);
    }

    /// <summary>Whether a database is of this version.</summary>
    public static bool AreDone(string connectionString) => !Upgrade(connectionString, OfASchool).IsUpgradeRequired();

    /// <summary>
    /// Whether a later version has brought a database further than this one knows: then this one works on it as it is, for what later
    /// versions take away, they first leave there for one version.
    /// </summary>
    public static bool AreAhead(string connectionString)
    {
        var upgrade = Upgrade(connectionString, OfASchool);
        var known = upgrade.GetDiscoveredScripts().Select(script => script.Name).ToHashSet(StringComparer.Ordinal);
        return upgrade.GetExecutedScripts().Any(name => !known.Contains(name));
    }

    private static UpgradeEngine Upgrade(string connectionString, string folder) =>
        DeployChanges
            .To.PostgresqlDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Migrations).Assembly, name => name.Contains(folder, StringComparison.Ordinal))
            .WithTransactionPerScript()
            .WithExecutionTimeout(TimeSpan.FromHours(1))
            .LogTo(new NoOpUpgradeLog())
            .Build();
}
