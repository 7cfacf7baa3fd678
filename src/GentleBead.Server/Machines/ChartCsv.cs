using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using GentleBead.Core.Machines;
using GentleBead.Core.Stock;
using GentleBead.Server.Http;

namespace GentleBead.Server.Machines;

/// <summary>Door charts as CSV: the columns thickness, wireMark and voltMark, a step a row.</summary>
internal static class ChartCsv
{
    private const int MostRows = 40;
    private static readonly string[] Columns = ["thickness", "wireMark", "voltMark"];

    /// <summary>The chart as a file.</summary>
    public static byte[] Write(DoorChart chart)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using var csv = new CsvWriter(text, CultureInfo.InvariantCulture);
        foreach (var column in Columns)
            csv.WriteField(column);
        csv.NextRecord();
        foreach (var step in chart.Steps.OrderBy(step => step.Thickness.Value.Mm))
        {
            csv.WriteField(step.Thickness.Typed);
            csv.WriteField(step.WireMark);
            csv.WriteField(step.VoltMark);
            csv.NextRecord();
        }
        csv.Flush();
        return Encoding.UTF8.GetBytes(text.ToString());
    }

    /// <summary>The steps of a chart as typed or as CSV; what is wrong goes to problems, by step and field.</summary>
    public static IReadOnlyList<ChartStep> Steps(NewChart request, List<Problem> problems)
    {
        var typed = request.Csv is null
            ? [.. (request.Steps ?? []).Select(step => step ?? new NewChartStep(null, null, null))]
            : Rows(request.Csv, problems);
        if (typed.Count > MostRows)
            problems.Add(new("steps", Say($"A chart of up to {MostRows} steps.")));
        if (problems.Count > 0)
            return [];
        var steps = new List<ChartStep>();
        for (var i = 0; i < typed.Count; i++)
        {
            if (!Thickness.TryParse(typed[i].Thickness, out var thickness, out var problem))
                Add(i, "thickness", problem);
            else if (typed[i].WireMark is not { } wire)
                Add(i, "wireMark", Say($"Where does the chart put the wire control?"));
            else if (typed[i].VoltMark is not { } volt)
                Add(i, "voltMark", Say($"Where does the chart put the volt control?"));
            else
                steps.Add(new ChartStep(thickness, wire, volt));
        }
        return steps;

        // A typed step is named by its field; of a file, the row is said.
        void Add(int step, string field, Said said) =>
            problems.Add(request.Csv is null ? new($"steps[{step}].{field}", said) : new("csv", Say($"Row {step + 2}: {said}")));
    }

    private static List<NewChartStep> Rows(string text, List<Problem> problems)
    {
        var rows = new List<NewChartStep>();
        if (text.Length > Limits.ChartLetters)
        {
            problems.Add(new("csv", Say($"That is more than a door chart.")));
            return rows;
        }
        try
        {
            // Whatever a spreadsheet writes between its columns.
            using var csv = new CsvReader(
                new StringReader(text),
                new CsvConfiguration(CultureInfo.InvariantCulture)
                {
                    DetectDelimiter = true,
                    TrimOptions = TrimOptions.Trim,
                    PrepareHeaderForMatch = header => header.Header.Trim().ToLowerInvariant(),
                }
            );
            if (
                !csv.Read()
                || !csv.ReadHeader()
                || !Columns.All(column => csv.HeaderRecord!.Any(header => header.Trim().Equals(column, StringComparison.OrdinalIgnoreCase)))
            )
            {
                problems.Add(new("csv", Say($"The first row names the columns: thickness, wireMark, voltMark.")));
                return rows;
            }
            while (csv.Read() && rows.Count <= MostRows)
                rows.Add(new NewChartStep(csv.GetField("thickness"), Number(csv.GetField("wiremark")), Number(csv.GetField("voltmark"))));
        }
        catch (CsvHelperException)
        {
            problems.Add(new("csv", Say($"This is not CSV with the columns thickness, wireMark, voltMark.")));
        }
        return rows;
    }

    private static double? Number(string? text) =>
        double.TryParse(
            (text ?? "").Replace(',', '.'),
            NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
            CultureInfo.InvariantCulture,
            out var number
        )
            ? number
            : null;
}
