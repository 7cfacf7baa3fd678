using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using GentleBead.Core.Listening;
using GentleBead.Server.Http;

namespace GentleBead.Server.Listening;

/// <summary>Volt and ampere logs as CSV: commas, semicolons or tabs, decimal points or commas, headings as they come.</summary>
public static class LogFile
{
    private const int MostFields = 64;

    // How unevenly a log may be sampled, against its mean.
    private const double Uneven = 0.2;

    /// <summary>Reads a log.</summary>
    /// <param name="file">The whole file, UTF-8.</param>
    /// <exception cref="RecordingRefusedException">What is wrong with it, and in which line.</exception>
    public static ArcLog Read(byte[] file)
    {
        ArgumentNullException.ThrowIfNull(file);
        if (file.Length == 0)
            throw new RecordingRefusedException(Say($"The file is empty."));
        // What holds a zero byte is no text.
        if (file.AsSpan(0, Math.Min(file.Length, 4096)).Contains((byte)0))
            throw new RecordingRefusedException(
                Say($"This is no sound file that is read here (WAV, FLAC, MP3, Ogg, M4A, RF64, W64), and no log as text.")
            );
        var head = Encoding.UTF8.GetString(file, 0, Math.Min(file.Length, 4096)).Split('\n')[0];
        var delimiter =
            head.Contains(';', StringComparison.Ordinal) ? ";"
            : head.Contains('\t', StringComparison.Ordinal) ? "\t"
            : ",";
        using var text = new StreamReader(new MemoryStream(file), Encoding.UTF8);
        using var csv = new CsvParser(
            text,
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = delimiter,
                BadDataFound = null,
                MaxFieldSize = 256,
            }
        );
        try
        {
            return Read(csv, delimiter != ",");
        }
        catch (CsvHelperException)
        {
            throw new RecordingRefusedException(Say($"Line {csv.Row} cannot be read as CSV."));
        }
    }

    /// <summary>Writes a log as CSV: time in seconds, volts, amps.</summary>
    public static byte[] Write(ArcLog log)
    {
        ArgumentNullException.ThrowIfNull(log);
        var text = new StringBuilder("time (s),volts (V),amps (A)\n", log.Volts.Length * 24);
        for (var i = 0; i < log.Volts.Length; i++)
            text.Append(CultureInfo.InvariantCulture, $"{i / log.Rate:0.000000},{log.Volts[i]:0.##},{log.Amps[i]:0.##}\n");
        return Encoding.UTF8.GetBytes(text.ToString());
    }

    private static ArcLog Read(CsvParser csv, bool commas)
    {
        if (!csv.Read() || csv.Count > MostFields)
            throw new RecordingRefusedException(Say($"The first line should name the columns: time, volts, amps."));
        var columns = LogColumns.Read(csv.Record!);
        var (volts, amps) = (new List<float>(), new List<float>());
        double first = 0,
            before = double.NegativeInfinity,
            widest = 0;
        while (csv.Read())
        {
            if (volts.Count >= Limits.LogRows)
                throw new RecordingRefusedException(Say($"More than {Limits.LogRows} lines."));
            volts.Add(
                (float)Within(csv, ArcLog.MostVolts, Number(csv, columns.Volts, commas, Say($"volts")) * columns.VoltScale, Say($"volts"))
            );
            amps.Add((float)Within(csv, ArcLog.MostAmps, Number(csv, columns.Amps, commas, Say($"amps")) * columns.AmpScale, Say($"amps")));
            if (columns.Time is not { } time)
                continue;
            var at = Number(csv, time, commas, Say($"time")) * columns.TimeScale;
            if (!(at > before))
                throw new RecordingRefusedException(Say($"Line {csv.Row}: the time does not go on."));
            if (volts.Count == 1)
                first = at;
            else
                widest = Math.Max(widest, at - before);
            before = at;
        }
        if (volts.Count < 100)
            throw new RecordingRefusedException(Say($"Only {volts.Count} lines of values; a log has a hundred or more."));
        if (columns.Time is null)
            throw new RecordingRefusedException(Say($"No column of time found: without it nothing can be counted by the second."));
        return new ArcLog(Rate(volts.Count, before - first, widest), [.. volts], [.. amps]);
    }

    // Values a second, of a log that is even and of a length that is read.
    private static double Rate(int values, double seconds, double widest)
    {
        var rate = (values - 1) / seconds;
        if (!(rate >= ArcLog.LowestRate && rate <= ArcLog.HighestRate))
        {
            throw new RecordingRefusedException(
                Say(
                    $"{rate:0.#} values a second; {ArcLog.LowestRate:0} to {ArcLog.HighestRate:0} are read. Is the time's unit "
                        + $"in its heading?"
                )
            );
        }
        if (seconds > WavFile.LongestSeconds)
        {
            throw new RecordingRefusedException(
                Say($"The log runs {seconds / 60:0.0} minutes; up to {WavFile.LongestSeconds / 60:0} are taken.")
            );
        }
        if (widest > (1 + Uneven) * 2 / rate)
            throw new RecordingRefusedException(Say($"The log has gaps: it must be sampled evenly."));
        return rate;
    }

    private static double Within(CsvParser csv, double most, double value, Said what) =>
        Math.Abs(value) <= most
            ? value
            : throw new RecordingRefusedException(
                Say($"Line {csv.Row}: {value:0.#} {what} are no arc's; up to {most:0} are read. Is the unit in the heading?")
            );

    private static double Number(CsvParser csv, int column, bool commas, Said what)
    {
        var field = column < csv.Count ? csv[column] : "";
        if (commas)
            field = field.Replace(',', '.');
        return double.TryParse(field, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && Math.Abs(value) < 1e6
            ? value
            : throw new RecordingRefusedException(
                Say($"Line {csv.Row}: the {what} \"{(field.Length > 20 ? field[..20] : field).Name()}\" are no number.")
            );
    }
}
