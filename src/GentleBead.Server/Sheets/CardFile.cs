using System.Globalization;
using System.Text;
using System.Text.Json;
using CsvHelper;
using CsvHelper.Configuration;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Server.Json;

namespace GentleBead.Server.Sheets;

/// <summary>A sheet with whom and where it is for.</summary>
public sealed record Card(Sheet Sheet, string Student, int BoothNumber, string MachineName, DateOnly GivenOn);

/// <summary>
/// Settings cards as files. JSON: the whole sheet, in the same words as over HTTP. CSV: name, value, unit, a row a
/// number; the job's own rows are enough to read it back.
/// </summary>
internal static class CardFile
{
    public const int MostLetters = 200_000;
    private const string Format = "gentle-bead-sheet";

    private sealed record JsonCard(string Format, Sheet Sheet);

    public static byte[] WriteJson(Sheet sheet) => JsonSerializer.SerializeToUtf8Bytes(new JsonCard(Format, sheet), QuantityJson.Options);

    public static byte[] WriteCsv(Sheet sheet)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using var csv = new CsvWriter(text, CultureInfo.InvariantCulture);
        Row("name", "value", "unit");
        foreach (var (name, value, unit) in Rows(sheet)) Row(name, value, unit);
        csv.Flush();
        return Encoding.UTF8.GetBytes(text.ToString());

        void Row(params string[] fields)
        {
            foreach (var field in fields) csv.WriteField(field);
            csv.NextRecord();
        }
    }

    /// <summary>The job of a card; null with what is wrong.</summary>
    /// <exception cref="JsonException">It looks like JSON and is not a card.</exception>
    public static JobRequest? Read(string text, out string problem)
    {
        problem = "";
        if (text.StartsWith('{'))
        {
            var card = JsonSerializer.Deserialize<JsonCard>(text, QuantityJson.Options);
            if (card?.Format == Format && card.Sheet?.Job is { } job)
            {
                return new JobRequest(job.Thickness?.Typed, job.Joint, job.Position, job.Wire, job.Process, job.Metal, job.Gas, job.OtherThickness?.Typed, job.Polarity);
            }
            problem = $"This JSON is no settings card: its format is not \"{Format}\".";
            return null;
        }
        var rows = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase);
        try
        {
            using var csv = new CsvReader(new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture) { DetectDelimiter = true, HasHeaderRecord = false, TrimOptions = TrimOptions.Trim });
            while (csv.Read() && rows.Count < 200) rows[csv.GetField(0) ?? ""] = csv.TryGetField<string>(1, out var value) ? value ?? "" : "";
        }
        catch (CsvHelperException)
        {
            problem = "This is not CSV with the columns name, value, unit.";
            return null;
        }
        if (!rows.TryGetValue("thickness", out var thickness))
        {
            problem = "The card names no thickness: a row \"thickness,1/8,\" at least, with joint and position.";
            return null;
        }
        if (!Word<Joint>("joint", out var joint, out problem) || !Word<Position>("position", out var position, out problem) || !Word<Wire>("wire", out var wire, out problem)
            || !Word<Process>("process", out var process, out problem) || !Word<Metal>("metal", out var metal, out problem) || !Word<Gas>("gas", out var gas, out problem))
        {
            return null;
        }
        return new JobRequest(thickness, joint, position, wire, process, metal, gas, rows.GetValueOrDefault("otherThickness"));

        bool Word<T>(string name, out T? value, out string wrong)
            where T : struct, Enum
        {
            value = null;
            wrong = "";
            if (!rows.TryGetValue(name, out var word) || word.Length == 0) return true;
            if (Enum.TryParse<T>(word, ignoreCase: true, out var parsed) && Enum.IsDefined(parsed) && !char.IsDigit(word[0]))
            {
                value = parsed;
                return true;
            }
            wrong = $"\"{(word.Length > 30 ? word[..30] : word)}\" is no {name} known here.";
            return false;
        }
    }

    private static IEnumerable<(string Name, string Value, string Unit)> Rows(Sheet sheet)
    {
        var job = sheet.Job;
        yield return ("thickness", job.Thickness.Typed, "");
        if (job.OtherThickness is { } other) yield return ("otherThickness", other.Typed, "");
        yield return ("thicknessMm", N(job.Thickness.Value.Mm), "mm");
        yield return ("joint", W(job.Joint), "");
        yield return ("position", W(job.Position), "");
        yield return ("positionName", sheet.PositionName, "");
        yield return ("process", W(job.Process), "");
        yield return ("metal", W(job.Metal), "");
        if (job.Wire is { } wire) yield return ("wire", W(wire), "");
        yield return ("gas", W(job.Gas), "");
        yield return ("polarity", W(sheet.Polarity), "");
        yield return ("amps", N(sheet.Amps.Amps), "A");
        if (sheet.Pair is { } pair)
        {
            yield return ("wireFeedMPerMin", N(pair.WireFeed.MPerMin), "m/min");
            yield return ("volts", N(pair.Volts.Aim.Volts), "V");
            yield return ("lowVolts", N(pair.Volts.Low.Volts), "V");
            yield return ("highVolts", N(pair.Volts.High.Volts), "V");
            yield return ("stickOutMm", N(pair.StickOut.Aim.Mm), "mm");
            if (pair.Marks is { } marks)
            {
                yield return ("wireMark", marks.Wire.Reads, "");
                yield return ("voltMark", marks.Volt.Reads, "");
            }
        }
        if (sheet.Tig is { } tig)
        {
            yield return ("pedalMostAmps", N(tig.PedalMost.Amps), "A");
            if (tig.Mark is { } mark) yield return ("ampMark", mark.Reads, "");
            yield return ("tungstenMm", N(tig.Tungsten.Mm), "mm");
            yield return ("cup", N(tig.Cup), "");
            yield return ("fillerMm", N(tig.Filler.Mm), "mm");
            yield return ("postFlowSeconds", N(tig.PostFlowSeconds), "s");
            if (tig.BalancePercent is { } balance) yield return ("balancePercent", N(balance), "%");
            if (tig.FrequencyHz is { } frequency) yield return ("frequencyHz", N(frequency), "Hz");
        }
        if (sheet.GasFlow is { } flow) yield return ("gasLPerMin", N(flow.Aim.LPerMin), "L/min");
        if (sheet.Travel is { } travel) yield return ("travelMmPerMin", N(travel.MmPerMin), "mm/min");
        if (sheet.PlugSeconds is { } seconds) yield return ("plugSeconds", N(seconds), "s");
        yield return ($"{W(sheet.BeadMeasure)}Mm", N(sheet.BeadSize.Aim.Mm), "mm");
        yield return ("passes", N(sheet.Passes.Count), "");
        yield return ("shadeLeast", N(sheet.ShadeLeast), "");
        yield return ("rulesVersion", N(sheet.RulesVersion), "");
    }

    private static string N(double value) => value.ToString("0.###", CultureInfo.InvariantCulture);

    private static string W<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());
}
