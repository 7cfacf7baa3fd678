using DbUp;
using DbUp.Engine.Output;

namespace GentleBead.Server.Database;

/// <summary>Brings a database up to this version, forward only.</summary>
public static class Migrations
{
    /// <summary>Runs what has not run yet.</summary>
    public static void Run(string connectionString)
    {
        var result = DeployChanges.To
            .PostgresqlDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Migrations).Assembly, name => name.Contains(".migrations.", StringComparison.Ordinal))
            .WithTransactionPerScript()
            .LogTo(new NoOpUpgradeLog())
            .Build()
            .PerformUpgrade();
        if (!result.Successful) throw new InvalidOperationException($"Migration {result.ErrorScript?.Name} failed.", result.Error);
    }
}
