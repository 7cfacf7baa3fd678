namespace GentleBead.Core.Sessions;

/// <summary>Days and hours as a school's clock on the wall shows them, and the moments they are.</summary>
public static class WallClock
{
    /// <summary>
    /// The moment at which a school's clock shows a time. An hour that the clock leaves out in spring counts from before the change, and
    /// so comes after it; of an hour that comes twice in autumn the first is meant.
    /// </summary>
    /// <param name="zone">The school's time zone.</param>
    /// <param name="day">The day on the wall.</param>
    /// <param name="at">The time on the wall.</param>
    public static DateTimeOffset MomentOf(this TimeZoneInfo zone, DateOnly day, TimeOnly at)
    {
        ArgumentNullException.ThrowIfNull(zone);
        var shown = day.ToDateTime(at);
        var offset =
            zone.IsInvalidTime(shown) ? zone.GetUtcOffset(shown.AddDays(-1))
            : zone.IsAmbiguousTime(shown) ? zone.GetAmbiguousTimeOffsets(shown).Max()
            : zone.GetUtcOffset(shown);
        return new DateTimeOffset(shown, offset).ToUniversalTime();
    }

    /// <summary>The day a school's clock shows at a moment.</summary>
    public static DateOnly DayOf(this TimeZoneInfo zone, DateTimeOffset moment) =>
        DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(moment, zone).DateTime);

    /// <summary>The time a school's clock shows at a moment, to the minute.</summary>
    public static TimeOnly TimeOf(this TimeZoneInfo zone, DateTimeOffset moment)
    {
        var shown = TimeZoneInfo.ConvertTime(moment, zone);
        return new TimeOnly(shown.Hour, shown.Minute);
    }
}
