namespace GentleBead.Core.Sessions;

/// <summary>A stretch of time in a room, by the clock on the wall. One that ends earlier than it begins ends on the next day.</summary>
/// <param name="Day">The day it begins.</param>
/// <param name="Begins">When it begins.</param>
/// <param name="Ends">When it ends.</param>
public sealed record Stretch(DateOnly Day, TimeOnly Begins, TimeOnly Ends)
{
    /// <summary>The shortest a session can be: less is no time to set up and clear away.</summary>
    public static readonly TimeSpan Shortest = TimeSpan.FromMinutes(15);

    /// <summary>The longest: more is a slip of the hour.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromHours(12);

    /// <summary>How long it is by the clock on the wall, past midnight or not.</summary>
    public TimeSpan Length => Ends - Begins;

    /// <summary>What is wrong with its length, at the field "ends"; null where nothing is.</summary>
    public Problem? Problem =>
        Length < Shortest ? new("ends", Say($"At least {(int)Shortest.TotalMinutes} min."))
        : Length > Longest ? new("ends", Say($"From {Begins} to {Ends} is {Hours} h. At most {(int)Longest.TotalHours} h."))
        : null;

    /// <summary>From when to when it is, in a zone.</summary>
    /// <returns>An end that is always later than the beginning.</returns>
    public (DateTimeOffset Begins, DateTimeOffset Ends) In(TimeZoneInfo zone)
    {
        var begins = zone.MomentOf(Day, Begins);
        var ends = zone.MomentOf(Ends > Begins ? Day : Day.AddDays(1), Ends);
        // Where the clock is set back or leaves an hour out, the wall's end may lie before: then the length counts.
        return (begins, ends > begins ? ends : begins + Length);
    }

    /// <summary>The stretch between two moments as a school's clock shows it.</summary>
    public static Stretch Of(TimeZoneInfo zone, DateTimeOffset begins, DateTimeOffset ends) =>
        new(zone.DayOf(begins), zone.TimeOf(begins), zone.TimeOf(ends));

    /// <summary>It in two at a time on the wall; null where either part would be too short.</summary>
    public (Stretch Before, Stretch After)? SplitAt(TimeOnly at)
    {
        var before = this with { Ends = at };
        if (before.Length > Length)
            return null;
        var after = new Stretch(at < Begins ? Day.AddDays(1) : Day, at, Ends);
        return before.Problem is null && after.Problem is null ? (before, after) : null;
    }

    private int Hours => (int)Math.Ceiling(Length.TotalHours);
}
