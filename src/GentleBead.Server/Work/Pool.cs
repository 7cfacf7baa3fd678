using Npgsql;

namespace GentleBead.Server.Work;

/// <summary>How many connections this server holds: fewer than the database gives, so that whoever else needs one finds it.</summary>
public static class Pool
{
    private const int Most = 40;

    /// <summary>
    /// What a pool of one of many schools begins with: few connections, which are closed soon when nobody needs them.
    /// </summary>
    public const string OfMany = "Maximum Pool Size=6;Connection Idle Lifetime=20;Connection Pruning Interval=5";

    // A request waits so long for a free connection before it is told that the server is busy, s.
    private const int WaitSeconds = 5;

    // Statements that come again are planned once.
    private const int Prepared = 100;

    /// <summary>A data source for a connection string; what it says itself stands.</summary>
    public static NpgsqlDataSource Of(string connectionString)
    {
        var words = new NpgsqlConnectionStringBuilder(connectionString);
        var said = new NpgsqlConnectionStringBuilder(connectionString).Keys.Cast<string>().ToHashSet(StringComparer.OrdinalIgnoreCase);
        if (!said.Contains("Maximum Pool Size"))
            words.MaxPoolSize = Math.Min(Most, Given(connectionString) / 2);
        if (!said.Contains("Timeout"))
            words.Timeout = WaitSeconds;
        if (!said.Contains("Max Auto Prepare"))
            words.MaxAutoPrepare = Prepared;
        if (!said.Contains("Auto Prepare Min Usages"))
            words.AutoPrepareMinUsages = 2;
        // Nothing here sets a session up, so that there is nothing to tidy: it would be seven statements each time.
        if (!said.Contains("No Reset On Close"))
            words.NoResetOnClose = true;
        // Every question here is small: compiling a wide one first (PostgreSQL's jit) took 215 ms where the question itself takes 6.
        if (!said.Contains("Options"))
            words.Options = "-c jit=off";
        // Of several hosts one is primary, and which one changes within seconds.
        if (words.Host?.Contains(',', StringComparison.Ordinal) is true && !said.Contains("Host Recheck Seconds"))
            words.HostRecheckSeconds = 1;
        // PostgreSQL says whose a connection is: of several servers, which one's.
        words.ApplicationName ??= $"gentlebead {Environment.ProcessId} on {Environment.MachineName}";
        return NpgsqlDataSource.Create(words);
    }

    // What the database gives to ordinary roles.
    private static int Given(string connectionString)
    {
        using var connection = new NpgsqlConnection($"{connectionString};Pooling=false");
        connection.Open();
        using var command = new NpgsqlCommand(
            "select current_setting('max_connections')::int - current_setting('superuser_reserved_connections')::int",
            connection
        );
        return (int)command.ExecuteScalar()!;
    }
}
