using System.Globalization;
using GentleBead.Core.Sessions;

namespace GentleBead.Core.Tests.Sessions;

/// <summary>Hours on the wall and the moments they are, over the change of the clocks.</summary>
public sealed class WallClockTests
{
    // Directive 2000/84/EC: in the Union summer time begins and ends at 01:00 universal time on the last Sundays of March and October
    // (2026: 29 March, 25 October). Energy Policy Act of 2005, section 110: in the United States at 2:00 local time on the second Sunday
    // of March and the first of November (2026: 8 March, 1 November). No change of the clocks in Arizona (Standard Time Act's exemption).
    [Theory]
    [InlineData("Europe/Copenhagen", "2026-03-28", "18:00", "2026-03-28T17:00Z")]
    [InlineData("Europe/Copenhagen", "2026-03-29", "01:59", "2026-03-29T00:59Z")]
    [InlineData("Europe/Copenhagen", "2026-03-29", "02:30", "2026-03-29T01:30Z")]
    [InlineData("Europe/Copenhagen", "2026-03-29", "03:00", "2026-03-29T01:00Z")]
    [InlineData("Europe/Copenhagen", "2026-03-29", "18:00", "2026-03-29T16:00Z")]
    [InlineData("Europe/Copenhagen", "2026-10-25", "02:30", "2026-10-25T00:30Z")]
    [InlineData("Europe/Copenhagen", "2026-10-25", "18:00", "2026-10-25T17:00Z")]
    [InlineData("America/New_York", "2026-03-07", "18:00", "2026-03-07T23:00Z")]
    [InlineData("America/New_York", "2026-03-08", "18:00", "2026-03-08T22:00Z")]
    [InlineData("America/New_York", "2026-11-01", "01:30", "2026-11-01T05:30Z")]
    [InlineData("America/New_York", "2026-11-01", "18:00", "2026-11-01T23:00Z")]
    [InlineData("America/Phoenix", "2026-07-01", "18:00", "2026-07-02T01:00Z")]
    public void A_time_on_the_wall_is_this_moment(string zone, string day, string at, string moment) =>
        Assert.Equal(
            DateTimeOffset.Parse(moment, CultureInfo.InvariantCulture),
            Zone(zone).MomentOf(DateOnly.Parse(day, CultureInfo.InvariantCulture), TimeOnly.Parse(at, CultureInfo.InvariantCulture))
        );

    [Fact]
    public void A_weekly_course_is_held_at_the_same_time_on_the_wall_all_year()
    {
        var zone = Zone("Europe/Copenhagen");
        var stretches = WeeklyHours.Between(
            [new(DayOfWeek.Tuesday, new(18, 0), new(21, 0)), new(DayOfWeek.Saturday, new(9, 0), new(12, 30))],
            new(2026, 3, 17),
            new(2026, 4, 7)
        );
        Assert.Equal(
            ["03-17 17:00", "03-21 08:00", "03-24 17:00", "03-28 08:00", "03-31 16:00", "04-04 07:00", "04-07 16:00"],
            stretches.Select(one => one.In(zone).Begins.ToString("MM-dd HH:mm", CultureInfo.InvariantCulture))
        );
        Assert.All(stretches, one => Assert.Equal(one.Length, one.In(zone).Ends - one.In(zone).Begins));
        Assert.All(stretches, one => Assert.Equal(one, Stretch.Of(zone, one.In(zone).Begins, one.In(zone).Ends)));
    }

    [Fact]
    public void The_night_of_the_change_is_an_hour_shorter_or_longer_and_never_ends_before_it_begins()
    {
        var zone = Zone("Europe/Copenhagen");
        Assert.Equal(TimeSpan.FromHours(7), Length(new(new(2026, 3, 28), new(22, 0), new(6, 0))));
        Assert.Equal(TimeSpan.FromHours(9), Length(new(new(2026, 10, 24), new(22, 0), new(6, 0))));
        // Both ends in the hour that is left out, or the end in it and the beginning just before.
        Assert.Equal(TimeSpan.FromMinutes(30), Length(new(new(2026, 3, 29), new(2, 15), new(2, 45))));
        Assert.Equal(TimeSpan.FromMinutes(30), Length(new(new(2026, 3, 29), new(2, 45), new(3, 15))));

        TimeSpan Length(Stretch stretch) => stretch.In(zone).Ends - stretch.In(zone).Begins;
    }

    [Theory]
    [InlineData("18:00", "18:15", null)]
    [InlineData("18:00", "18:14", "At least 15 min.")]
    [InlineData("18:00", "18:00", "At least 15 min.")]
    [InlineData("08:00", "20:00", null)]
    [InlineData("08:00", "20:01", "From 08:00 to 20:01 is 13 h. At most 12 h.")]
    [InlineData("18:00", "17:00", "From 18:00 to 17:00 is 23 h. At most 12 h.")]
    [InlineData("22:00", "02:00", null)]
    public void A_session_has_a_length_that_can_be_meant(string begins, string ends, string? problem)
    {
        var stretch = new Stretch(new(2026, 11, 28), Time(begins), Time(ends));
        Assert.Equal(problem, stretch.Problem is { } found ? $"{found.Said}" : null);
    }

    [Theory]
    [InlineData("18:00", "21:00", "19:30", "18:00 19:30 | 19:30 21:00")]
    [InlineData("18:00", "21:00", "18:14", null)]
    [InlineData("18:00", "21:00", "20:46", null)]
    [InlineData("18:00", "21:00", "21:30", null)]
    [InlineData("18:00", "21:00", "17:00", null)]
    [InlineData("22:00", "02:00", "00:30", "22:00 00:30 | 00:30 02:00")]
    public void A_session_is_split_where_both_parts_are_long_enough(string begins, string ends, string at, string? parts)
    {
        var split = new Stretch(new(2026, 11, 28), Time(begins), Time(ends)).SplitAt(Time(at));
        Assert.Equal(parts, split is { } two ? $"{Shown(two.Before)} | {Shown(two.After)}" : null);
        Assert.Equal(Time(at) < Time(begins) ? 29 : 28, split?.After.Day.Day ?? (Time(at) < Time(begins) ? 29 : 28));

        static string Shown(Stretch one) => string.Create(CultureInfo.InvariantCulture, $"{one.Begins:HH:mm} {one.Ends:HH:mm}");
    }

    [Fact]
    public void A_term_longer_than_a_year_and_a_bit_is_a_slip() =>
        Assert.Throws<ArgumentOutOfRangeException>(() =>
            WeeklyHours.Between([], new(2026, 1, 1), new DateOnly(2026, 1, 1).AddDays(WeeklyHours.LongestTermDays + 1))
        );

    private static TimeZoneInfo Zone(string id) => TimeZoneInfo.FindSystemTimeZoneById(id);

    private static TimeOnly Time(string time) => TimeOnly.Parse(time, CultureInfo.InvariantCulture);
}
