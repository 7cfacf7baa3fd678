namespace GentleBead.Core.Floor;

/// <summary>One thing to see to in the room before the lights go out.</summary>
/// <param name="Key">Its name, the same from session to session.</param>
/// <param name="Text">What to see to.</param>
/// <param name="Safety">Whether somebody can be hurt if it is passed over.</param>
public sealed record RoomCheck(string Key, Said Text, bool Safety);

/// <summary>
/// Closing a room down, beside what each booth has on its own list. Common practice, no source; the site's rules and local codes stand
/// over it.
/// </summary>
public static class CloseDown
{
    /// <summary>
    /// How long somebody watches for fire after the last arc and the last grinding. Half an hour is usual in a shop; NFPA 51B asks for an
    /// hour after hot work since its edition of 2019 (from memory), and local rules may too.
    /// </summary>
    public static readonly TimeSpan FireWatch = TimeSpan.FromMinutes(30);

    /// <summary>The longest note on a close-down, in letters.</summary>
    public const int LongestNote = 600;

    /// <summary>Everything once, in the order it is gone through.</summary>
    public static IReadOnlyList<RoomCheck> Table { get; } =
    [
        new("arcs", Say($"No arc and no grinder runs; everybody has their hood up."), true),
        new("bottles", Say($"Every bottle shut, lines bled, regulators backed off."), true),
        new("power", Say($"Machines off once their fans have stopped; mains as your shop leaves it."), true),
        new("hot", Say($"Hot pieces marked or quenched; nothing glows in bins, gaps or under benches."), true),
        new("extraction", Say($"Extraction ran on until the smoke was gone, and is off."), false),
        new("coupons", Say($"Coupons marked with name, date and number; the good one of the evening kept."), false),
        new("waste", Say($"Wire ends, stubs and dust swept up; rags in a closed metal bin."), true),
        new(
            "watch",
            Say($"Somebody stays for the fire watch, half an hour or as your rules ask, and knows where the extinguisher is."),
            true
        ),
        new("away", Say($"Everybody has left the booths, and nobody was hurt, or it was noted."), true),
    ];

    /// <summary>What is wrong with a close-down, field by field.</summary>
    /// <param name="ticked">What was seen to, by key.</param>
    /// <param name="note">What else there is to say; where something that can hurt was passed over, why.</param>
    public static IEnumerable<Problem> Problems(IReadOnlyCollection<string> ticked, string note)
    {
        ArgumentNullException.ThrowIfNull(ticked);
        ArgumentNullException.ThrowIfNull(note);
        if (ticked.Any(key => Table.All(check => check.Key != key)))
            yield return new("ticked", Say($"There is no such check."));
        if (note.Length > LongestNote)
            yield return new("note", Say($"Up to {LongestNote} letters."));
        if (note.Trim().Length == 0 && Table.Any(check => check.Safety && !ticked.Contains(check.Key)))
            yield return new("note", Say($"Something that can hurt is not ticked. See to it, or say why it stays open."));
    }
}
