using DbUp;
using DbUp.Engine;
using DbUp.Engine.Output;

namespace GentleBead.Server.Database;

/// <summary>Brings a database up to this version, forward only.</summary>
public static class Migrations
{
    /// <summary>Runs what has not run yet.</summary>
    public static void Run(string connectionString)
    {
        var result = Upgrade(connectionString).PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException($"Migration {result.ErrorScript?.Name} failed.", result.Error);
    }

    /// <summary>Whether a database is of this version.</summary>
    public static bool AreDone(string connectionString) => !Upgrade(connectionString).IsUpgradeRequired();

    /// <summary>
    /// Whether a later version has brought a database further than this one knows: then this one works on it as it is, for what later
    /// versions take away, they first leave there for one version.
    /// </summary>
    public static bool AreAhead(string connectionString)
    {
        var upgrade = Upgrade(connectionString);
        var known = upgrade.GetDiscoveredScripts().Select(script => script.Name).ToHashSet(StringComparer.Ordinal);
        return upgrade.GetExecutedScripts().Any(name => !known.Contains(name));
    }

    private static UpgradeEngine Upgrade(string connectionString) =>
        DeployChanges
            .To.PostgresqlDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Migrations).Assembly, name => name.Contains(".migrations.", StringComparison.Ordinal))
            .WithTransactionPerScript()
            .WithExecutionTimeout(TimeSpan.FromHours(1))
            .LogTo(new NoOpUpgradeLog())
            .Build();
}
