using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;

namespace GentleBead.Server.People;

/// <summary>A line of a list of students, as it was read; nothing is made yet.</summary>
/// <param name="Line">Its number in the file, the head being 1.</param>
/// <param name="Name">The name.</param>
/// <param name="Login">The login: the one in the list, or else one made of the name.</param>
/// <param name="Problems">What is wrong with it; empty where an account can be made.</param>
/// <param name="Alike">Accounts of the same name, here already.</param>
/// <param name="AlikeLine">The earlier line with the same name; null without.</param>
public sealed record StudentLine(
    int Line,
    string Name,
    string Login,
    IReadOnlyList<Problem> Problems,
    IReadOnlyList<PersonName> Alike,
    int? AlikeLine
);

/// <summary>
/// Reads a list of students: comma, semicolon or tab between the columns, which come in any order and are known by their heads.
/// </summary>
internal static class StudentList
{
    /// <summary>The most that is read, in bytes.</summary>
    public const int MostBytes = 256 * 1024;

    /// <summary>The most students of one list.</summary>
    public const int Most = 200;

    // A column by what people write over it, letters only.
    private static readonly Dictionary<string, Column> Heads = new(StringComparer.Ordinal)
    {
        ["name"] = Column.Name,
        ["fullname"] = Column.Name,
        ["student"] = Column.Name,
        ["studentname"] = Column.Name,
        ["participant"] = Column.Name,
        ["firstname"] = Column.First,
        ["first"] = Column.First,
        ["forename"] = Column.First,
        ["givenname"] = Column.First,
        ["lastname"] = Column.Last,
        ["last"] = Column.Last,
        ["surname"] = Column.Last,
        ["familyname"] = Column.Last,
        ["login"] = Column.Login,
        ["user"] = Column.Login,
        ["username"] = Column.Login,
        ["userid"] = Column.Login,
    };

    // Latin letters with marks, as a keyboard without them writes them.
    private static readonly (string Letters, string In)[] Plain =
    [
        ("àáâãäåāăą", "a"),
        ("çćĉċč", "c"),
        ("ďđð", "d"),
        ("èéêëēĕėęě", "e"),
        ("ĝğġģ", "g"),
        ("ĥħ", "h"),
        ("ìíîïĩīĭįı", "i"),
        ("ķ", "k"),
        ("ĺļľŀł", "l"),
        ("ñńņňŋ", "n"),
        ("òóôõöøōŏő", "o"),
        ("ŕŗř", "r"),
        ("śŝşšș", "s"),
        ("ţťŧț", "t"),
        ("ùúûüũūŭůűų", "u"),
        ("ŵ", "w"),
        ("ýÿŷ", "y"),
        ("źżž", "z"),
        ("æ", "ae"),
        ("œ", "oe"),
        ("þ", "th"),
        ("ß", "ss"),
    ];

    private enum Column
    {
        Name,
        First,
        Last,
        Login,
    }

    /// <summary>A line with what was written in it.</summary>
    /// <param name="Line">Its number in the file.</param>
    /// <param name="Name">The name; empty where there is none.</param>
    /// <param name="Login">The login; empty where there is none.</param>
    public sealed record Written(int Line, string Name, string Login);

    /// <summary>The lines of a list, those with nothing in them left out.</summary>
    public static Checked<IReadOnlyList<Written>> Read(string text)
    {
        var layout = new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            DetectDelimiter = true,
            DetectDelimiterValues = [",", ";", "\t"],
            TrimOptions = TrimOptions.Trim,
            MissingFieldFound = null,
            BadDataFound = null,
        };
        try
        {
            using var csv = new CsvReader(new StringReader(text), layout);
            if (!csv.Read() || !csv.ReadHeader())
                return Wrong(Say($"The list is empty."));
            var columns = Columns(csv.HeaderRecord!);
            if (!columns.ContainsKey(Column.Name) && !columns.ContainsKey(Column.Last))
                return Wrong(Say($"No column called name, or first name and last name, in the first line."));
            var lines = Lines(csv, columns).Take(Most + 1).ToArray();
            return lines.Length switch
            {
                0 => Wrong(Say($"There is nobody under the heads of the columns.")),
                > Most => Wrong(Say($"At most {Most} students in one list.")),
                _ => new(lines),
            };
        }
        catch (CsvHelperException)
        {
            return Wrong(Say($"This is not a list of columns with commas, semicolons or tabs between them."));
        }
    }

    /// <summary>A login made of a name: "Jo Tern-Ruiz" is jo.tern-ruiz; what is no letter of a login falls away.</summary>
    public static string LoginOf(string name)
    {
        var plain = new StringBuilder();
        foreach (var letter in name.Trim().ToLowerInvariant())
        {
            if (char.IsAsciiLetterOrDigit(letter) || letter == '-')
                plain.Append(letter);
            else if (Plain.FirstOrDefault(one => one.Letters.Contains(letter)) is { In: { } written })
                plain.Append(written);
            else if (char.IsWhiteSpace(letter) && plain.Length > 0 && plain[^1] != '.')
                plain.Append('.');
        }
        return plain.ToString().Trim('.', '-') is { Length: > 40 } login ? login[..40].Trim('.', '-') : plain.ToString().Trim('.', '-');
    }

    private static Dictionary<Column, int> Columns(string?[] heads)
    {
        var columns = new Dictionary<Column, int>();
        for (var i = 0; i < heads.Length; i++)
        {
            var head = string.Concat((heads[i] ?? "").ToLowerInvariant().Where(char.IsAsciiLetter));
            if (Heads.TryGetValue(head, out var column))
                columns.TryAdd(column, i);
        }
        return columns;
    }

    private static IEnumerable<Written> Lines(CsvReader csv, Dictionary<Column, int> columns)
    {
        while (csv.Read())
        {
            var name = Field(Column.Name);
            if (name.Length == 0)
                name = $"{Field(Column.First)} {Field(Column.Last)}".Trim();
            // "Tern, Jo" is how lists are sorted and not what is called across a shop.
            if (name.Split(',') is [var last, var first] && first.Trim().Length > 0)
                name = $"{first.Trim()} {last.Trim()}";
            if (name.Length + Field(Column.Login).Length > 0)
                yield return new Written(csv.Parser.RawRow, name, Field(Column.Login));
        }

        string Field(Column column) =>
            columns.TryGetValue(column, out var at) && csv.TryGetField<string>(at, out var text) ? text ?? "" : "";
    }

    private static Checked<IReadOnlyList<Written>> Wrong(Said said) => new([new Problem("file", said)]);
}
