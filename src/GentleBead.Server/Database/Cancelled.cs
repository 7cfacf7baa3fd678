using Dapper;
using Npgsql;

namespace GentleBead.Server.Database;

/// <summary>
/// Dapper's calls with what cancels them at the end: who has gone keeps no query running. A write goes with its transaction, whole or not
/// at all, and can be sent again under its id.
/// </summary>
public static class Cancelled
{
    /// <summary>Runs a statement; gives how many rows it touched.</summary>
    public static Task<int> ExecuteAsync(this NpgsqlConnection connection, string sql, object? parameters, CancellationToken cancel) =>
        connection.ExecuteAsync(new CommandDefinition(sql, parameters, cancellationToken: cancel));

    /// <summary>The one value of a query; null where there is no row.</summary>
    public static Task<T?> ExecuteScalarAsync<T>(
        this NpgsqlConnection connection,
        string sql,
        object? parameters,
        CancellationToken cancel
    ) => connection.ExecuteScalarAsync<T>(new CommandDefinition(sql, parameters, cancellationToken: cancel));

    /// <summary>The rows of a query.</summary>
    public static Task<IEnumerable<T>> QueryAsync<T>(
        this NpgsqlConnection connection,
        string sql,
        object? parameters,
        CancellationToken cancel
    ) => connection.QueryAsync<T>(new CommandDefinition(sql, parameters, cancellationToken: cancel));

    /// <summary>The one row of a query.</summary>
    public static Task<T> QuerySingleAsync<T>(this NpgsqlConnection connection, string sql, object? parameters, CancellationToken cancel) =>
        connection.QuerySingleAsync<T>(new CommandDefinition(sql, parameters, cancellationToken: cancel));

    /// <summary>The one row of a query, or none.</summary>
    public static Task<T?> QuerySingleOrDefaultAsync<T>(
        this NpgsqlConnection connection,
        string sql,
        object? parameters,
        CancellationToken cancel
    ) => connection.QuerySingleOrDefaultAsync<T>(new CommandDefinition(sql, parameters, cancellationToken: cancel));

    /// <summary>The first row of a query, or none.</summary>
    public static Task<T?> QueryFirstOrDefaultAsync<T>(
        this NpgsqlConnection connection,
        string sql,
        object? parameters,
        CancellationToken cancel
    ) => connection.QueryFirstOrDefaultAsync<T>(new CommandDefinition(sql, parameters, cancellationToken: cancel));
}
