namespace GentleBead.Core.Practice;

/// <summary>A drill as it was answered.</summary>
/// <param name="Kind">What it trained.</param>
/// <param name="Deviation">What was off.</param>
/// <param name="Sound">What it sounded like; null on the border between two sounds.</param>
/// <param name="Heard">What it was said to sound like; null where that was not asked.</param>
/// <param name="Answer">What was said to be off; null in setting the machine.</param>
/// <param name="Right">Whether it was right.</param>
/// <param name="At">When.</param>
public sealed record AnsweredDrill(
    DrillKind Kind,
    Deviation Deviation,
    Beads.Sound? Sound,
    Beads.Sound? Heard,
    Deviation? Answer,
    bool Right,
    DateTimeOffset At
);

/// <summary>Which drill comes next, and how hard. Pure: it follows from the answers alone.</summary>
/// <remarks>
/// When an item comes back follows Leitner's boxes (Leitner 1972, from memory): right moves it a box on, wrong back to
/// the first; the boxes are looked at after 0, 1, 3, 7 and 14 days. How hard it is follows a staircase (Levitt 1971):
/// two right in a row make the next one harder, one wrong makes it easier, which settles where seven in ten are right.
/// </remarks>
public static class Schedule
{
    /// <summary>How many of somebody's newest answers say where they stand; what is older is forgotten.</summary>
    public const int Newest = 200;

    private static readonly int[] BoxDays = [0, 1, 3, 7, 14];

    /// <summary>What can be asked in a kind of drill.</summary>
    public static IReadOnlyList<Deviation> Items(DrillKind kind) =>
        kind == DrillKind.SetMachine
            ? [Deviation.WireUnder, Deviation.WireOver, Deviation.VoltsUnder, Deviation.VoltsOver]
            : Enum.GetValues<Deviation>();

    /// <summary>How hard the next drill of a kind is.</summary>
    /// <param name="answers">Every answer so far, oldest first.</param>
    /// <param name="kind">Which kind.</param>
    public static int Level(IEnumerable<AnsweredDrill> answers, DrillKind kind)
    {
        var (level, inRow) = (0, 0);
        foreach (var answer in answers.Where(one => one.Kind == kind))
        {
            inRow = answer.Right ? inRow + 1 : 0;
            if (!answer.Right)
                level = Math.Max(0, level - 1);
            else if (inRow % 2 == 0)
                level = Math.Min(Drill.Hardest, level + 1);
        }
        return level;
    }

    /// <summary>In which box an item lies, from 0, and when it is due; due at once when never asked.</summary>
    public static (int Box, DateTimeOffset Due) Box(IEnumerable<AnsweredDrill> answers, DrillKind kind, Deviation item)
    {
        var (box, due) = (0, DateTimeOffset.MinValue);
        foreach (var answer in answers.Where(one => one.Kind == kind && one.Deviation == item))
        {
            box = answer.Right ? Math.Min(BoxDays.Length - 1, box + 1) : 0;
            due = answer.At.AddDays(BoxDays[box]);
        }
        return (box, due);
    }

    /// <summary>
    /// The item to ask next: what is longest due; with nothing due, what is due soonest. Never the last one again while another will do.
    /// </summary>
    /// <param name="answers">Every answer so far, oldest first.</param>
    /// <param name="kind">Which kind.</param>
    /// <param name="now">The time.</param>
    /// <param name="seed">Decides between equals.</param>
    public static Deviation Next(IReadOnlyList<AnsweredDrill> answers, DrillKind kind, DateTimeOffset now, int seed)
    {
        ArgumentNullException.ThrowIfNull(answers);
        Deviation? last = answers.LastOrDefault(one => one.Kind == kind) is { } newest ? newest.Deviation : null;
        var random = new Random(seed);
        return Items(kind)
            .Select(item => (Item: item, Box(answers, kind, item).Due, Luck: random.Next()))
            .OrderBy(one => one.Item == last)
            .ThenBy(one => one.Due > now ? one.Due : DateTimeOffset.MinValue)
            .ThenBy(one => one.Due > now ? DateTimeOffset.MinValue : one.Due)
            .ThenBy(one => one.Luck)
            .First()
            .Item;
    }
}
