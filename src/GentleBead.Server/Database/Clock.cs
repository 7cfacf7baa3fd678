namespace GentleBead.Server.Database;

/// <summary>The shop's calendar. What is newer than what is for the database to say; a day is for the shop's own clock.</summary>
public static class Clock
{
    /// <summary>Today where the shop is.</summary>
    public static DateOnly Today(this TimeProvider clock) => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
}
