using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using System.Text.RegularExpressions;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Stock;

/// <summary>A plate thickness with the words it was given in.</summary>
/// <param name="Value">The thickness.</param>
/// <param name="Typed">What was typed, trimmed; kept so that the person reads their own words again.</param>
public sealed partial record Thickness(Length Value, string Typed)
{
    /// <summary>What a thickness may look like, for the message at the field.</summary>
    public static readonly Said Accepted = Say($"Type it like 1/8, 0.125 in, 11 ga or 3.2 (mm).");

    /// <summary>Whether it was given as a gauge number.</summary>
    public bool IsGauge() => GaugePattern().IsMatch(Typed);

    // Nothing under 0.5 mm is welded here, so a smaller bare number can only be inches.
    private const double SmallestBareMm = 0.5;

    /// <summary>
    /// Reads a thickness the way people say it: a fraction of an inch ("1/8", "1 1/8", with or without in or "),
    /// decimal inches ("0.125 in"), millimetres ("3.2", "3.2 mm", comma allowed) or a steel gauge ("11 ga", "#11").
    /// A bare decimal below 0.5 is inches, any other bare number millimetres.
    /// </summary>
    /// <param name="typed">The text as typed; null counts as empty.</param>
    /// <param name="thickness">The thickness when it could be read.</param>
    /// <param name="problem">What is wrong and what is accepted when it could not; null otherwise.</param>
    public static bool TryParse(string? typed, [NotNullWhen(true)] out Thickness? thickness, [NotNullWhen(false)] out Said? problem)
    {
        thickness = null;
        var text = (typed ?? "").Trim();
        if (text.Length == 0)
        {
            problem = Say($"How thick is the plate? {Accepted}");
            return false;
        }
        problem = Say($"\"{Shorten(text).Name()}\" is not a thickness. {Accepted}");
        if (text.StartsWith('-') || text.StartsWith('−'))
        {
            problem = Say($"A thickness is above 0. {Accepted}");
            return false;
        }
        if ((Gauge(text, ref problem) ?? Fraction(text, ref problem) ?? Plain(text)) is not { } length)
            return false;
        if (length.Mm <= 0)
        {
            problem = Say($"A thickness is above 0. {Accepted}");
            return false;
        }
        thickness = new Thickness(length, text);
        problem = null;
        return true;
    }

    /// <summary>Reads a thickness that is known to be good, such as one in a table of ours.</summary>
    /// <exception cref="FormatException">It cannot be read; the message says why.</exception>
    public static Thickness Parse(string typed) =>
        TryParse(typed, out var thickness, out var problem) ? thickness : throw new FormatException(problem.ToString());

    private static Length? Gauge(string text, ref Said problem)
    {
        var match = GaugePattern().Match(text);
        if (!match.Success)
            return null;
        var digits = match.Groups["hash"].Success ? match.Groups["hash"].Value : match.Groups["number"].Value;
        if (
            int.TryParse(digits, NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            && number is >= SteelGauge.Lowest and <= SteelGauge.Highest
        )
        {
            return SteelGauge.Thickness(number);
        }
        problem = Say(
            $"There is no {Shorten(digits).Name()} gauge here: steel sheet runs from {SteelGauge.Lowest} ga (thick) to "
                + $"{SteelGauge.Highest} ga (thin)."
        );
        return null;
    }

    private static Length? Fraction(string text, ref Said problem)
    {
        var match = FractionPattern().Match(text);
        if (!match.Success)
            return null;
        var whole = match.Groups["whole"].Success ? Decimal(match.Groups["whole"].Value) : 0;
        var over = Decimal(match.Groups["over"].Value);
        var under = Decimal(match.Groups["under"].Value);
        if (under == 0)
        {
            problem = Say($"The bottom number of a fraction is above 0. {Accepted}");
            return null;
        }
        return Length.FromInches(whole + over / under);
    }

    private static Length? Plain(string text)
    {
        var match = PlainPattern().Match(text);
        if (!match.Success)
            return null;
        var number = Decimal(match.Groups["number"].Value.Replace(',', '.'));
        var inches = match.Groups["inch"].Success || (!match.Groups["mm"].Success && number < SmallestBareMm);
        return inches ? Length.FromInches(number) : Length.FromMm(number);
    }

    private static double Decimal(string digits) => double.Parse(digits, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture);

    private static string Shorten(string text) => text.Length <= 20 ? text : text[..20] + "…";

    // Digit counts are bounded: no thickness needs more, and nothing typed can overflow a double.
    [GeneratedRegex(
        """^(#\s*(?<hash>[0-9]{1,3})|(?<number>[0-9]{1,3})\s*(ga|gauge|gage|g)\.?)$""",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
    )]
    private static partial Regex GaugePattern();

    [GeneratedRegex(
        """^((?<whole>[0-9]{1,3})[\s-]+)?(?<over>[0-9]{1,3})\s*/\s*(?<under>[0-9]{1,3})\s*(in|inch|inches|"|″)?\.?$""",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
    )]
    private static partial Regex FractionPattern();

    [GeneratedRegex(
        """^(?<number>[0-9]{1,4}([.,][0-9]{0,6})?|[.,][0-9]{1,6})\s*((?<mm>mm)|(?<inch>in|inch|inches|"|″))?\.?$""",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
    )]
    private static partial Regex PlainPattern();
}
