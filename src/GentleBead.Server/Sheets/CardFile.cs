using System.Globalization;
using System.Text;
using System.Text.Json;
using CsvHelper;
using CsvHelper.Configuration;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Server.Json;

namespace GentleBead.Server.Sheets;

/// <summary>A sheet with whom and where it is for.</summary>
/// <param name="Sheet">The sheet.</param>
/// <param name="Student">Whom it is for.</param>
/// <param name="BoothNumber">At which booth.</param>
/// <param name="MachineName">On which machine.</param>
/// <param name="GivenOn">The day it is for.</param>
/// <param name="Task">When it is for and what is worked on, as a plan says; null for a sheet that was given out.</param>
public sealed record Card(Sheet Sheet, string Student, int BoothNumber, string MachineName, DateOnly GivenOn, Said? Task = null);

/// <summary>
/// Settings cards as files. JSON: the whole sheet, in the same words as over HTTP. CSV: name, value, unit, a row a
/// number; the job's own rows are enough to read it back.
/// </summary>
internal static class CardFile
{
    private const string Format = "gentle-bead-sheet";
    private const int MostRows = 200;

    private sealed record JsonCard(string Format, Sheet Sheet);

    public static byte[] WriteJson(Sheet sheet) => JsonSerializer.SerializeToUtf8Bytes(new JsonCard(Format, sheet), QuantityJson.Options);

    public static byte[] WriteCsv(Sheet sheet, Units units)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using var csv = new CsvWriter(text, CultureInfo.InvariantCulture);
        Row("name", "value", "unit");
        foreach (var (name, value, unit) in Rows(sheet, units))
            Row(name, value, unit);
        csv.Flush();
        return Encoding.UTF8.GetBytes(text.ToString());

        void Row(params string[] fields)
        {
            foreach (var field in fields)
                csv.WriteField(field);
            csv.NextRecord();
        }
    }

    /// <summary>The job of a card, or what is wrong with it.</summary>
    public static Checked<JobRequest> Read(string text)
    {
        try
        {
            return text.StartsWith('{') ? ReadJson(text) : ReadCsv(text);
        }
        catch (JsonException)
        {
            return Wrong(Say($"This is neither a settings card as JSON nor one as CSV."));
        }
        catch (CsvHelperException)
        {
            return Wrong(Say($"This is not CSV with the columns name, value, unit."));
        }
    }

    private static Checked<JobRequest> Wrong(Said said) => new(new Problem("text", said));

    private static Checked<JobRequest> ReadJson(string text)
    {
        var card = JsonSerializer.Deserialize<JsonCard>(text, QuantityJson.Options);
        return card?.Format == Format && card.Sheet?.Job is { } job
            ? new(
                new JobRequest(
                    job.Thickness?.Typed,
                    job.Joint,
                    job.Position,
                    job.Wire,
                    job.Process,
                    job.Metal,
                    job.Gas,
                    job.OtherThickness?.Typed,
                    job.Polarity
                )
            )
            : Wrong(Say($"This JSON is no settings card: its format is not \"{Format.Name()}\"."));
    }

    private static Checked<JobRequest> ReadCsv(string text)
    {
        var layout = new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            DetectDelimiter = true,
            HasHeaderRecord = false,
            TrimOptions = TrimOptions.Trim,
        };
        using var csv = new CsvReader(new StringReader(text), layout);
        var rows = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase);
        while (csv.Read() && rows.Count < MostRows)
            rows[csv.GetField(0) ?? ""] = csv.TryGetField<string>(1, out var value) ? value ?? "" : "";
        if (!rows.TryGetValue("thickness", out var thickness))
        {
            return Wrong(Say($"The card names no thickness: a row \"thickness,1/8,\" at least, with joint and position."));
        }
        Said? wrong = null;
        var job = new JobRequest(
            thickness,
            Word<Joint>("joint"),
            Word<Position>("position"),
            Word<Wire>("wire"),
            Word<Process>("process"),
            Word<Metal>("metal"),
            Word<Gas>("gas"),
            rows.GetValueOrDefault("otherThickness")
        );
        return wrong is null ? new(job) : Wrong(wrong);

        T? Word<T>(string name)
            where T : struct, Enum
        {
            if (!rows.TryGetValue(name, out var word) || word.Length == 0)
                return null;
            if (Enum.TryParse<T>(word, ignoreCase: true, out var parsed) && Enum.IsDefined(parsed) && !char.IsDigit(word[0]))
                return parsed;
            wrong ??= Say($"\"{(word.Length > 30 ? word[..30] : word).Name()}\" is no {name.Name()} known here.");
            return null;
        }
    }

    private static IEnumerable<(string Name, string Value, string Unit)> Rows(Sheet sheet, Units units)
    {
        var job = sheet.Job;
        yield return ("thickness", job.Thickness.Typed, "");
        if (job.OtherThickness is { } other)
            yield return ("otherThickness", other.Typed, "");
        yield return ("thicknessMm", N(job.Thickness.Value.Mm), "mm");
        yield return ("joint", W(job.Joint), "");
        yield return ("position", W(job.Position), "");
        yield return ("positionName", sheet.PositionName, "");
        yield return ("process", W(job.Process), "");
        yield return ("metal", W(job.Metal), "");
        if (job.Wire is { } wire)
            yield return ("wire", W(wire), "");
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
                yield return ("wireMark", marks.Wire.Reads.In(units), "");
                yield return ("voltMark", marks.Volt.Reads.In(units), "");
            }
        }
        if (sheet.Tig is { } tig)
        {
            yield return ("pedalMostAmps", N(tig.PedalMost.Amps), "A");
            if (tig.Mark is { } mark)
                yield return ("ampMark", mark.Reads.In(units), "");
            yield return ("tungstenMm", N(tig.Tungsten.Mm), "mm");
            yield return ("cup", N(tig.Cup), "");
            yield return ("fillerMm", N(tig.Filler.Mm), "mm");
            yield return ("postFlowSeconds", N(tig.PostFlowSeconds), "s");
            if (tig.BalancePercent is { } balance)
                yield return ("balancePercent", N(balance), "%");
            if (tig.FrequencyHz is { } frequency)
                yield return ("frequencyHz", N(frequency), "Hz");
        }
        if (sheet.GasFlow is { } flow)
            yield return ("gasLPerMin", N(flow.Aim.LPerMin), "L/min");
        if (sheet.Travel is { } travel)
            yield return ("travelMmPerMin", N(travel.MmPerMin), "mm/min");
        if (sheet.PlugSeconds is { } seconds)
            yield return ("plugSeconds", N(seconds), "s");
        yield return ($"{W(sheet.BeadMeasure)}Mm", N(sheet.BeadSize.Aim.Mm), "mm");
        yield return ("passes", N(sheet.Passes.Count), "");
        yield return ("shadeLeast", N(sheet.ShadeLeast), "");
        yield return ("rulesVersion", N(sheet.RulesVersion), "");
    }

    private static string N(double value) => value.ToString("0.###", CultureInfo.InvariantCulture);

    private static string W<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());
}
