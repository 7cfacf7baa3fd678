using System.Security.Cryptography;
using GentleBead.Server.Database;
using GentleBead.Server.Schools;
using Npgsql;

namespace GentleBead.Server.Opening;

/// <summary>Makes room for schools on PostgreSQL servers: a database and two roles of its own each.</summary>
internal static class SchoolServers
{
    private const int SecretBytes = 24;

    /// <summary>Makes an empty database that only its own two roles can enter; what is there of an earlier try is used.</summary>
    /// <param name="admin">Connection string of a role that may make databases and roles.</param>
    /// <param name="name">The school's, 2 to 31 letters that need no quotes.</param>
    public static async Task<SchoolEntry> MakeAsync(string admin, string name, CancellationToken cancel)
    {
        var (database, application, owner) = ($"school_{name}", $"school_{name}_app", $"school_{name}_owner");
        await using var connection = new NpgsqlConnection($"{admin};Pooling=false");
        await connection.OpenAsync(cancel);
        var secrets = new Dictionary<string, string>();
        foreach (var role in new[] { application, owner })
        {
            secrets[role] = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(SecretBytes));
            var there = await connection.ExecuteScalarAsync<bool>(
                "select exists (select from pg_roles where rolname = @role)",
                new { role },
                cancel
            );
            // The names are checked by a pattern and the password is hexadecimal: neither can end a quote.
            await connection.ExecuteAsync($"{(there ? "alter" : "create")} role {role} login password '{secrets[role]}'", null, cancel);
        }
        if (!await HoldsAsync(connection, name, cancel))
        {
            // Whoever makes a database for a role has to be of it, where it is no superuser.
            await connection.ExecuteAsync($"grant {owner} to current_user", null, cancel);
            await connection.ExecuteAsync($"create database {database} owner {owner} encoding 'UTF8' template template0", null, cancel);
        }
        await connection.ExecuteAsync($"revoke all on database {database} from public", null, cancel);
        await connection.ExecuteAsync($"grant connect on database {database} to {application}", null, cancel);
        return new(name, [], For(application), For(owner), ServedState.Open);

        string For(string role) =>
            new NpgsqlConnectionStringBuilder(admin)
            {
                Database = database,
                Username = role,
                Password = secrets[role],
            }.ConnectionString;
    }

    /// <summary>Whether there is a database of a school's name on a server.</summary>
    public static async Task<bool> HoldsAsync(string admin, string name, CancellationToken cancel)
    {
        await using var connection = new NpgsqlConnection($"{admin};Pooling=false");
        return await HoldsAsync(connection, name, cancel);
    }

    private static Task<bool> HoldsAsync(NpgsqlConnection connection, string name, CancellationToken cancel) =>
        connection.ExecuteScalarAsync<bool>(
            "select exists (select from pg_database where datname = @database)",
            new { database = $"school_{name}" },
            cancel
        );

    /// <summary>Throws away what was made, and all that is in it.</summary>
    public static async Task DropAsync(string admin, string name, CancellationToken cancel)
    {
        await using var connection = new NpgsqlConnection($"{admin};Pooling=false");
        await connection.ExecuteAsync($"drop database if exists school_{name} with (force)", null, cancel);
        await connection.ExecuteAsync($"drop role if exists school_{name}_app, school_{name}_owner", null, cancel);
    }
}
