using System.Text;
using Npgsql;

namespace GentleBead.Bench;

/// <summary>
/// Rows made from one that stands: its columns as COPY writes them, some of them replaced. Its JSON is the application's own.
/// </summary>
internal sealed class Rows
{
    private readonly string table;
    private readonly string[] columns;
    private readonly string[] values;

    private Rows(string table, string[] columns, string[] values)
    {
        this.table = table;
        this.columns = columns;
        this.values = values;
    }

    /// <summary>The rows that stand in a table, each to make others from.</summary>
    /// <param name="connection">Where.</param>
    /// <param name="table">Which table.</param>
    /// <param name="rest">What follows the table's name: which rows, in which order.</param>
    /// <param name="with">A column the database would number by itself, given by the caller.</param>
    public static async Task<Rows[]> ReadAsync(NpgsqlConnection connection, string table, string rest, string? with = null)
    {
        var columns = new List<string>();
        await using (
            var ask = new NpgsqlCommand(
                """
                select column_name from information_schema.columns
                where table_schema = 'public' and table_name = $1 and is_generated = 'NEVER' and (is_identity = 'NO' or column_name = $2)
                    order by ordinal_position
                """,
                connection
            )
            {
                Parameters =
                {
                    new() { Value = table },
                    new() { Value = with ?? "" },
                },
            }
        )
        await using (var reader = await ask.ExecuteReaderAsync())
        {
            while (await reader.ReadAsync())
                columns.Add(reader.GetString(0));
        }
        using var lines = await connection.BeginTextExportAsync(
            $"copy (select {string.Join(", ", columns.Select(column => $"{table}.\"{column}\""))} from {table} {rest}) to stdout"
        );
        var rows = new List<Rows>();
        while (await lines.ReadLineAsync() is { } line)
            rows.Add(new Rows(table, [.. columns], line.Split('\t')));
        return [.. rows];
    }

    /// <summary>What stands in a column.</summary>
    public string this[string column] => values[At(column)];

    /// <summary>A line that puts other values into some columns.</summary>
    public Func<object?[], string> With(params string[] replaced)
    {
        var places = replaced.Select(At).ToArray();
        return given =>
        {
            var own = (string[])values.Clone();
            for (var i = 0; i < places.Length; i++)
                own[places[i]] = Write(given[i]);
            return string.Join('\t', own);
        };
    }

    /// <summary>Copies lines into the table these rows stand in, saying how far it is.</summary>
    /// <param name="connection">Where.</param>
    /// <param name="lines">The lines.</param>
    /// <param name="count">How many there are.</param>
    /// <param name="what">What they are, in the plural.</param>
    public async Task CopyAsync(NpgsqlConnection connection, IEnumerable<string> lines, int count, string what)
    {
        var done = 0;
        await using (var writer = await connection.BeginTextImportAsync($"copy {table} ({Names}) from stdin"))
        {
            foreach (var line in lines)
            {
                await writer.WriteAsync(line);
                await writer.WriteAsync('\n');
                if (++done % 100_000 == 0)
                    Console.WriteLine($"    {done:N0} of {count:N0} {what}");
            }
        }
        if (done < 100_000)
            Console.WriteLine($"    {done:N0} {what}");
    }

    /// <summary>Copies one line.</summary>
    public async Task CopyOneAsync(NpgsqlConnection connection, string line)
    {
        await using var writer = await connection.BeginTextImportAsync($"copy {table} ({Names}) from stdin");
        await writer.WriteAsync($"{line}\n");
    }

    private string Names => string.Join(", ", columns.Select(column => $"\"{column}\""));

    private int At(string column) =>
        Array.IndexOf(columns, column) is >= 0 and var at
            ? at
            : throw new ArgumentException($"{table} has no column {column}.", nameof(column));

    private static string Write(object? value) =>
        value switch
        {
            null => @"\N",
            bool flag => flag ? "t" : "f",
            DateOnly day => day.ToString("yyyy-MM-dd", null),
            DateTime at => at.ToString("yyyy-MM-dd HH:mm:ss.ffffffK", null),
            string text => new StringBuilder(text).Replace(@"\", @"\\").Replace("\t", @"\t").Replace("\n", @"\n").ToString(),
            _ => Convert.ToString(value, System.Globalization.CultureInfo.InvariantCulture)!,
        };
}
