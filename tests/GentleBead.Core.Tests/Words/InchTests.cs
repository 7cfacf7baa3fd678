using System.Globalization;

namespace GentleBead.Core.Tests.Words;

/// <summary>What inch readers are shown of a quantity, against GNU Units: right to half of the last digit that is written.</summary>
public class InchTests
{
    // As it is held, as it is shown, and half of the last digit.
    private static readonly (QuantityKind Kind, string Way, string Held, string Shown, double Half)[] Written =
    [
        (QuantityKind.Length, "", "mm", "in", 0.0005),
        (QuantityKind.Length, QuantityWords.OnARule, "mm", "in", 1.0 / 64),
        (QuantityKind.Length, QuantityWords.Run, "mm", "in", 0.05),
        (QuantityKind.WireFeed, "", "m/min", "in/min", 0.5),
        (QuantityKind.WireFeed, QuantityWords.Run, "m/min", "in/min", 0.05),
        (QuantityKind.Travel, "", "mm/min", "in/min", 0.05),
        (QuantityKind.GasFlow, "", "liter/min", "ft^3/hour", 0.5),
        (QuantityKind.HeatInput, "", "kJ/mm", "kJ/in", 0.05),
        (QuantityKind.Area, "", "mm^2", "in^2", 0.00005),
        (QuantityKind.Volume, "", "mm^3", "in^3", 0.005),
    ];

    public static TheoryData<int, double> Cases
    {
        get
        {
            var cases = new TheoryData<int, double>();
            for (var row = 0; row < Written.Length; row++)
            {
                foreach (var value in new[] { 0.4, 3.2, 7.9, 25.4, 310, 1234.5 })
                    cases.Add(row, value);
            }
            return cases;
        }
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void What_inch_readers_are_shown_agrees_with_GNU_Units(int row, double value)
    {
        var (kind, way, held, shown, half) = Written[row];
        var said = QuantityWords.Of(kind, way).Show(value, Units.Inch).Split(' ')[..^1];
        var theirs = GnuUnits.Convert($"{value.ToString(CultureInfo.InvariantCulture)} {held}", shown);
        Assert.Equal(theirs, said.Sum(Number), half + 1e-9);
    }

    // "1", "5/32", "0.125".
    private static double Number(string text)
    {
        var parts = text.Split('/').Select(part => double.Parse(part, CultureInfo.InvariantCulture)).ToArray();
        return parts.Length == 1 ? parts[0] : parts[0] / parts[1];
    }
}
