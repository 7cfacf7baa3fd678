using System.Globalization;

namespace GentleBead.Core.Words;

/// <summary>How numbers are written: always with a decimal point, rounded half away from zero.</summary>
/// <remarks>
/// A pattern has a 0 for each digit that is always shown behind the point and a # for each that is shown when it is not 0: "0",
/// "0.0", "0.0#". A plus sign before it shows the sign of positive numbers too. The screen writes them by the same patterns.
/// </remarks>
public static class Digits
{
    /// <summary>A number by a pattern.</summary>
    public static string Show(double value, string pattern)
    {
        var point = pattern.IndexOf('.', StringComparison.Ordinal);
        var most = point < 0 ? 0 : pattern.Length - point - 1;
        var least = point < 0 ? 0 : pattern.AsSpan(point + 1).Count('0');
        var text = Rounded(Math.Abs(value), most).ToString($"F{most}", CultureInfo.InvariantCulture);
        for (var shown = most; shown > least && text[^1] == '0'; shown--)
            text = text[..^1];
        if (text[^1] == '.')
            text = text[..^1];
        var sign =
            value < 0 && text.AsSpan().ContainsAnyExcept('0', '.') ? "-"
            : pattern[0] == '+' ? "+"
            : "";
        return sign + text;
    }

    // Rounded as the number is written in decimals, so that 1/8 in, 3.175 mm, is 3.18 mm and not the 3.17 that its binary form would give.
    private static decimal Rounded(double value, int digits) =>
        value < 1e15 ? Math.Round((decimal)value, digits, MidpointRounding.AwayFromZero) : (decimal)Math.Min(value, 1e28);

    /// <summary>Inches to the nearest 1/32, as a rule shows them: "5/32", "1 1/8".</summary>
    /// <param name="inches">0 or more.</param>
    public static string Fraction(double inches)
    {
        var (over, under) = ((long)Math.Floor(inches * 32 + 0.5), 32L);
        while (over % 2 == 0 && under > 1)
            (over, under) = (over / 2, under / 2);
        if (under == 1)
            return over.ToString(CultureInfo.InvariantCulture);
        var whole = over / under;
        return FormattableString.Invariant($"{(whole > 0 ? $"{whole} " : "")}{over % under}/{under}");
    }
}
