using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Stock;

public class ThicknessTests
{
    // What it is: GNU Units.
    [Theory]
    [InlineData("1/8", "1|8 in")]
    [InlineData("1/8 in", "1|8 in")]
    [InlineData("1/8\"", "1|8 in")]
    [InlineData(" 3 / 16 ", "3|16 in")]
    [InlineData("1 1/8", "9|8 in")]
    [InlineData("1-1/8 inches", "9|8 in")]
    [InlineData("0.125 in", "1|8 in")]
    [InlineData(".125", "1|8 in")]
    [InlineData("0.125", "1|8 in")]
    [InlineData("0,125", "1|8 in")]
    [InlineData("3.2", "3.2 mm")]
    [InlineData("3,2 mm", "3.2 mm")]
    [InlineData("3.2MM", "3.2 mm")]
    [InlineData("1", "1 mm")]
    [InlineData("6.", "6 mm")]
    [InlineData("11 ga", "stdgauge(11)")]
    [InlineData("11ga", "stdgauge(11)")]
    [InlineData("#11", "stdgauge(11)")]
    [InlineData("16 Gauge", "stdgauge(16)")]
    [InlineData("16 gage", "stdgauge(16)")]
    public void What_people_say_is_understood(string typed, string size)
    {
        Assert.True(Thickness.TryParse(typed, out var thickness, out var problem), problem?.ToString());
        Assert.Equal(GnuUnits.Convert(size, "mm"), thickness!.Value.Mm, 0.0005);
        Assert.Equal(typed.Trim(), thickness.Typed);
        Assert.Null(problem);
    }

    [Theory]
    [InlineData(null, "How thick")]
    [InlineData("", "How thick")]
    [InlineData("   ", "How thick")]
    [InlineData("thick", "not a thickness")]
    [InlineData("-3", "above 0")]
    [InlineData("0", "above 0")]
    [InlineData("0 mm", "above 0")]
    [InlineData("0/8", "above 0")]
    [InlineData("1/0", "bottom number")]
    [InlineData("6 ga", "no 6 gauge")]
    [InlineData("25 ga", "no 25 gauge")]
    [InlineData("0 ga", "no 0 gauge")]
    [InlineData("11.5 ga", "not a thickness")]
    [InlineData("3.2 mm mm", "not a thickness")]
    [InlineData("1e3", "not a thickness")]
    [InlineData("NaN", "not a thickness")]
    [InlineData("٣", "not a thickness")]
    [InlineData("99999999999999999999", "not a thickness")]
    [InlineData("<script>", "not a thickness")]
    public void Anything_else_says_what_is_accepted(string? typed, string says)
    {
        Assert.False(Thickness.TryParse(typed, out var thickness, out var problem));
        Assert.Null(thickness);
        Assert.Contains(says, problem.ToString(), StringComparison.Ordinal);
    }
}
