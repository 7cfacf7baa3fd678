namespace GentleBead.Core.Listening;

/// <summary>Which column of a log is what, by its heading, and by what it is multiplied.</summary>
/// <param name="Time">Column of the time; null where there is none.</param>
/// <param name="TimeScale">To seconds.</param>
/// <param name="Volts">Column of the volts.</param>
/// <param name="VoltScale">To volts.</param>
/// <param name="Amps">Column of the amps.</param>
/// <param name="AmpScale">To amps.</param>
public sealed record LogColumns(int? Time, double TimeScale, int Volts, double VoltScale, int Amps, double AmpScale)
{
    private static readonly string[] TimeNames = ["time", "t", "zeit", "seconds", "timestamp", "elapsed"];
    private static readonly string[] VoltNames =
    [
        "volts",
        "voltage",
        "u",
        "v",
        "spannung",
        "arcvoltage",
        "arcvolts",
        "voltageu",
        "uarc",
        "varc",
    ];
    private static readonly string[] AmpNames =
    [
        "amps",
        "current",
        "i",
        "a",
        "strom",
        "amperage",
        "arccurrent",
        "arcamps",
        "iarc",
        "welding current",
        "weldingcurrent",
    ];

    private static readonly Dictionary<string, double> TimeUnits = new()
    {
        [""] = 1,
        ["s"] = 1,
        ["sec"] = 1,
        ["ms"] = 1e-3,
        ["us"] = 1e-6,
        ["µs"] = 1e-6,
        ["min"] = 60,
    };
    private static readonly Dictionary<string, double> VoltUnits = new()
    {
        [""] = 1,
        ["v"] = 1,
        ["mv"] = 1e-3,
    };
    private static readonly Dictionary<string, double> AmpUnits = new()
    {
        [""] = 1,
        ["a"] = 1,
        ["ka"] = 1e3,
        ["ma"] = 1e-3,
    };

    /// <summary>Reads the headings; "Voltage (V)", "I [kA]", "time_ms" and the like.</summary>
    /// <param name="headings">The first line's fields.</param>
    /// <exception cref="RecordingRefusedException">Which one is missing, or its unit unknown.</exception>
    public static LogColumns Read(IReadOnlyList<string> headings)
    {
        ArgumentNullException.ThrowIfNull(headings);
        var time = Find(headings, TimeNames, TimeUnits, Say($"times"));
        var volts = Find(headings, VoltNames, VoltUnits, Say($"volts")) ?? throw Missing(Say($"volts"), headings);
        var amps = Find(headings, AmpNames, AmpUnits, Say($"amps")) ?? throw Missing(Say($"amps"), headings);
        return new(time?.Column, time?.Scale ?? 1, volts.Column, volts.Scale, amps.Column, amps.Scale);
    }

    private static (int Column, double Scale)? Find(
        IReadOnlyList<string> headings,
        string[] names,
        Dictionary<string, double> units,
        Said what
    )
    {
        for (var column = 0; column < headings.Count; column++)
        {
            var (name, unit) = Split(headings[column]);
            // "t_ms" names a unit after its name; a bare "A" or "V" names the thing by its unit.
            if (!names.Contains(name))
            {
                var cut = name.LastIndexOfAny(['_', ' ']);
                if (cut <= 0 || !names.Contains(name[..cut].Replace("_", "", StringComparison.Ordinal)))
                    continue;
                (name, unit) = (name[..cut], name[(cut + 1)..]);
            }
            return units.TryGetValue(unit, out var scale)
                ? (column, scale)
                : throw new RecordingRefusedException(Say($"The {what} are in \"{unit.Name()}\", which is not known here."));
        }
        return null;
    }

    private static (string Name, string Unit) Split(string heading)
    {
        var text = heading.Trim().Trim('\uFEFF', '"').ToLowerInvariant();
        var open = text.IndexOfAny(['(', '[', '/']);
        return open < 0 ? (text, "") : (text[..open].Trim(), text[(open + 1)..].Trim(' ', ')', ']'));
    }

    private static RecordingRefusedException Missing(Said what, IReadOnlyList<string> headings)
    {
        var seen = string.Join(", ", headings.Take(6).Select(heading => heading.Length > 20 ? heading[..20] : heading));
        return new(
            Sentences(
                Say($"No column of {what} found. The headings are: {seen.Name()}."),
                Say($"Name them time, volts and amps, with units in brackets.")
            )
        );
    }
}
