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

    private static UpgradeEngine Upgrade(string connectionString) =>
        DeployChanges
            .To.PostgresqlDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Migrations).Assembly, name => name.Contains(".migrations.", StringComparison.Ordinal))
            .WithTransactionPerScript()
            .WithExecutionTimeout(TimeSpan.FromHours(1))
            .LogTo(new NoOpUpgradeLog())
            .Build();
}
