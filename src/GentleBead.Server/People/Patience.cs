namespace GentleBead.Server.People;

/// <summary>
/// How long a login waits after wrong passwords in a row: long enough that guessing is no use, short enough for a shop.
/// </summary>
public static class Patience
{
    private const int Free = 5;
    private static readonly TimeSpan First = TimeSpan.FromMinutes(1);
    private static readonly TimeSpan Most = TimeSpan.FromMinutes(15);

    /// <summary>
    /// What is left of the wait: none for the first few, then a minute, doubled by each further try up to a quarter of an hour.
    /// </summary>
    /// <param name="failed">Wrong passwords in a row.</param>
    /// <param name="since">How long ago the last was.</param>
    public static TimeSpan Left(int failed, TimeSpan since)
    {
        if (failed < Free)
            return TimeSpan.Zero;
        var wait = First * Math.Pow(2, Math.Min(failed - Free, 10));
        var left = (wait < Most ? wait : Most) - since;
        return left > TimeSpan.Zero ? left : TimeSpan.Zero;
    }
}
