using Dapper;
using DbUp;
using DbUp.Engine.Output;
using Npgsql;

namespace GentleBead.Server.Database;

/// <summary>Brings a database up to this version, forward only.</summary>
public static class Migrations
{
    // Any fixed number: it makes a second server wait while the first one migrates.
    private const long Lock = 4203;

    /// <summary>Runs what has not run yet.</summary>
    public static void Run(string connectionString)
    {
        using var guard = new NpgsqlConnection(connectionString);
        guard.Open();
        guard.Execute("select pg_advisory_lock(@Lock)", new { Lock });
        var result = DeployChanges.To
            .PostgresqlDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Migrations).Assembly, name => name.Contains(".migrations.", StringComparison.Ordinal))
            .WithTransactionPerScript()
            .LogTo(new NoOpUpgradeLog())
            .Build()
            .PerformUpgrade();
        guard.Execute("select pg_advisory_unlock(@Lock)", new { Lock });
        if (!result.Successful) throw new InvalidOperationException($"Migration {result.ErrorScript?.Name} failed.", result.Error);
    }
}
