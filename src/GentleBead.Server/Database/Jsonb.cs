using System.Data;
using System.Text.Json;
using Dapper;
using GentleBead.Server.Json;
using Npgsql;
using NpgsqlTypes;

namespace GentleBead.Server.Database;

/// <summary>A value stored as jsonb, in the same words as over HTTP.</summary>
public sealed class Jsonb<T>(T value) : SqlMapper.ICustomQueryParameter
{
    /// <inheritdoc/>
    public void AddParameter(IDbCommand command, string name) =>
        command.Parameters.Add(
            new NpgsqlParameter(name, NpgsqlDbType.Jsonb)
            {
                Value = value is null ? DBNull.Value : JsonSerializer.Serialize(value, QuantityJson.Options),
            }
        );
}

/// <summary>Reads what <see cref="Jsonb{T}"/> wrote.</summary>
public static class Jsonb
{
    /// <summary>The stored value.</summary>
    public static T Read<T>(string json) =>
        JsonSerializer.Deserialize<T>(json, QuantityJson.Options) ?? throw new JsonException($"A stored {typeof(T).Name} is empty.");

    /// <summary>A value as it is stored, for where many are written at once.</summary>
    public static string Write<T>(T value) => JsonSerializer.Serialize(value, QuantityJson.Options);
}
