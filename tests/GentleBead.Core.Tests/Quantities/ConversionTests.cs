using System.Globalization;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Quantities;

public class ConversionTests
{
    public static TheoryData<string, string, double> Conversions =>
        new()
        {
            { "0.125 in", "mm", Length.FromInches(0.125).Mm },
            { "3.2 mm", "in", Length.FromMm(3.2).Inches },
            { "250 in/min", "m/min", WireFeedSpeed.FromInPerMin(250).MPerMin },
            { "6.35 m/min", "in/min", WireFeedSpeed.FromMPerMin(6.35).InPerMin },
            { "12 in/min", "mm/min", TravelSpeed.FromInPerMin(12).MmPerMin },
            { "300 mm/min", "in/min", TravelSpeed.FromMmPerMin(300).InPerMin },
            { "25 ft^3/hour", "liter/min", GasFlow.FromCubicFeetPerHour(25).LPerMin },
            { "11 liter/min", "ft^3/hour", GasFlow.FromLPerMin(11).CubicFeetPerHour },
            { "5|64 in", "mm", Length.FromInches(5.0 / 64).Mm },
            { "10 mm", "in", Length.FromMm(10).Inches },
            { "475 in/min", "m/min", WireFeedSpeed.FromInPerMin(475).MPerMin },
            { "12 m/min", "in/min", WireFeedSpeed.FromMPerMin(12).InPerMin },
            { "5 in/min", "mm/min", TravelSpeed.FromInPerMin(5).MmPerMin },
            { "80 mm/min", "in/min", TravelSpeed.FromMmPerMin(80).InPerMin },
            { "15 ft^3/hour", "liter/min", GasFlow.FromCubicFeetPerHour(15).LPerMin },
            { "18 liter/min", "ft^3/hour", GasFlow.FromLPerMin(18).CubicFeetPerHour },
        };

    // Reference: GNU Units.
    [Theory]
    [MemberData(nameof(Conversions))]
    public void Every_conversion_agrees_with_GNU_Units(string from, string to, double ours)
    {
        var theirs = GnuUnits.Convert(from, to);
        Assert.Equal(theirs, ours, theirs * 1e-9);
    }

    public static TheoryData<int> GaugeNumbers => [.. Enumerable.Range(SteelGauge.Lowest, SteelGauge.Highest - SteelGauge.Lowest + 1)];

    // Reference: GNU Units, stdgauge: Manufacturers' Standard Gauge of steel sheet.
    [Theory]
    [MemberData(nameof(GaugeNumbers))]
    public void Every_gauge_agrees_with_GNU_Units(int number)
    {
        var theirs = GnuUnits.Convert($"stdgauge({number})", "mm");
        Assert.Equal(theirs, SteelGauge.Thickness(number).Mm, theirs * 1e-7);
        Assert.Equal(number, SteelGauge.Nearest(SteelGauge.Thickness(number)));
    }

    [Theory]
    [InlineData(6)]
    [InlineData(25)]
    public void A_gauge_off_the_table_is_refused(int number) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => SteelGauge.Thickness(number));

    [Theory]
    [InlineData(double.NaN)]
    [InlineData(double.PositiveInfinity)]
    [InlineData(-0.001)]
    public void No_quantity_takes_what_is_not_a_size(double value)
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => Length.FromMm(value));
        Assert.Throws<ArgumentOutOfRangeException>(() => WireFeedSpeed.FromInPerMin(value));
        Assert.Throws<ArgumentOutOfRangeException>(() => Voltage.FromVolts(value));
        Assert.Throws<ArgumentOutOfRangeException>(() => Current.FromAmps(value));
        Assert.Throws<ArgumentOutOfRangeException>(() => GasFlow.FromCubicFeetPerHour(value));
    }

    [Fact]
    public void Numbers_are_written_with_a_point_wherever_the_program_runs()
    {
        Thread.CurrentThread.CurrentCulture = CultureInfo.InvariantCulture;
        Assert.Equal(
            ("3.18 mm", "0.125 in"),
            (Said.Say($"{Length.FromInches(0.125)}").In(Units.Metric), Said.Say($"{Length.FromInches(0.125)}").In(Units.Inch))
        );
        Assert.Equal(
            ("6.4 m/min", "250 in/min"),
            (Said.Say($"{WireFeedSpeed.FromInPerMin(250)}").In(Units.Metric), Said.Say($"{WireFeedSpeed.FromInPerMin(250)}").In(Units.Inch))
        );
    }
}
