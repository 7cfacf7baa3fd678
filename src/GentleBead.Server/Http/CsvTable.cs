using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;

namespace GentleBead.Server.Http;

/// <summary>A table for spreadsheets, as CSV (RFC 4180, UTF-8).</summary>
public static class CsvTable
{
    /// <summary>Writes it, row by row; the first row holds the heads.</summary>
    public static byte[] Write(IEnumerable<IEnumerable<string>> rows)
    {
        ArgumentNullException.ThrowIfNull(rows);
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        // A name that begins like a formula is a name in a spreadsheet too.
        var layout = new CsvConfiguration(CultureInfo.InvariantCulture) { InjectionOptions = InjectionOptions.Escape };
        using var csv = new CsvWriter(text, layout);
        foreach (var row in rows)
        {
            foreach (var field in row)
                csv.WriteField(field);
            csv.NextRecord();
        }
        csv.Flush();
        return Encoding.UTF8.GetBytes(text.ToString());
    }
}
