using Npgsql;

namespace GentleBead.Server.Database;

/// <summary>What the application's own role may do, given anew at every start; and whether it may do more.</summary>
public static class Grants
{
    /// <summary>Gives the application's role what it does, and nothing else.</summary>
    /// <param name="owner">Connection string of the role that owns the tables.</param>
    /// <param name="application">Connection string of the application's role.</param>
    public static async Task ApplyAsync(string owner, string application, CancellationToken cancel)
    {
        var role =
            new NpgsqlConnectionStringBuilder(application).Username
            ?? throw new ArgumentException("The application's connection string names no user.", nameof(application));
        await using var script =
            typeof(Grants).Assembly.GetManifestResourceStream("GentleBead.Server.Database.grants.sql")
            ?? throw new InvalidOperationException("grants.sql is not in the assembly.");
        using var text = new StreamReader(script);
        await using var connection = new NpgsqlConnection(owner);
        await connection.ExecuteAsync(
            (await text.ReadToEndAsync(cancel)).Replace(
                "the_application",
                $"\"{role.Replace("\"", "\"\"", StringComparison.Ordinal)}\"",
                StringComparison.Ordinal
            ),
            null,
            cancel
        );
    }

    /// <summary>What the application's role may do that it must not; empty when all is well.</summary>
    public static async Task<IReadOnlyList<string>> ExcessAsync(string application, CancellationToken cancel)
    {
        await using var connection = new NpgsqlConnection(application);
        return
        [
            .. await connection.QueryAsync<string>(
                """
                select 'it is a superuser' from pg_roles where rolname = current_user and rolsuper
                union all select 'it may create roles' from pg_roles where rolname = current_user and rolcreaterole
                union all select 'it owns the table ' || relname from pg_class join pg_namespace on pg_namespace.oid = relnamespace
                    where nspname = 'public' and relkind = 'r' and pg_has_role(current_user, relowner, 'member')
                union all select 'it may truncate ' || table_name from information_schema.table_privileges
                    where table_schema = 'public' and privilege_type in ('TRUNCATE', 'TRIGGER') and grantee = current_user
                limit 3
                """,
                null,
                cancel
            ),
        ];
    }
}
