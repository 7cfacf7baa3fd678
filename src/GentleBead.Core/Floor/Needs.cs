using GentleBead.Core.Judging;

namespace GentleBead.Core.Floor;

/// <summary>What a booth asks of the instructor.</summary>
public enum NeedKind
{
    /// <summary>To be there at once.</summary>
    Danger,

    /// <summary>To come: a hand is up.</summary>
    Hand,

    /// <summary>To look before the next step is taken.</summary>
    Check,

    /// <summary>A sheet: nobody welds without one.</summary>
    Sheet,

    /// <summary>To break a fault that comes again and again.</summary>
    SameFault,

    /// <summary>To see whether anything is done at all.</summary>
    Quiet,

    /// <summary>To be seen when the round comes by.</summary>
    Round,

    /// <summary>Nothing: nobody stands there.</summary>
    Empty,
}

/// <summary>A bead as the floor counts it.</summary>
/// <param name="Verdict">How it stands.</param>
/// <param name="Cause">Its likeliest cause; null where none was found.</param>
/// <param name="At">When it was noted.</param>
public sealed record FloorBead(Verdict Verdict, Cause? Cause, DateTimeOffset At);

/// <summary>What is known of a booth in a session that is on.</summary>
public sealed record FloorBooth
{
    /// <summary>Since when somebody stands there; null where nobody does.</summary>
    public DateTimeOffset? PlacedAt { get; init; }

    /// <summary>When they were given the sheet they work to; null before one.</summary>
    public DateTimeOffset? SheetAt { get; init; }

    /// <summary>The newest beads laid to it, oldest first; three are enough.</summary>
    public IReadOnlyList<FloorBead> Beads { get; init; } = [];

    /// <summary>The hand that is up; null where none is.</summary>
    public RaisedHand? Hand { get; init; }

    /// <summary>When an instructor was last there, on the round or for a hand; null where none was yet.</summary>
    public DateTimeOffset? SeenAt { get; init; }

    /// <summary>Whether the sheet is of a test weld that waits for the assessors' words.</summary>
    public bool TestWaits { get; init; }
}

/// <summary>What a booth asks of the instructor, and why.</summary>
/// <param name="Kind">What.</param>
/// <param name="Rank">Its place among what can be asked; 0 comes first, and among equals whoever has waited longest.</param>
/// <param name="Name">What it is called, in a word or two.</param>
/// <param name="Why">The reason, in words.</param>
/// <param name="Since">Since when; null where nobody stands there.</param>
/// <param name="Until">When it becomes something else with nothing done; null where it does not.</param>
public sealed record BoothNeed(NeedKind Kind, int Rank, Said Name, Said Why, DateTimeOffset? Since, DateTimeOffset? Until);

/// <summary>
/// Who needs me first: danger, a hand, a check that is waited for, no sheet, the same fault three times, nobody heard from for ten
/// minutes, and then the round, whoever was not seen for longest. Common practice, no source.
/// </summary>
public static class Needs
{
    /// <summary>How long somebody may not be heard from.</summary>
    public static readonly TimeSpan Quiet = TimeSpan.FromMinutes(10);

    /// <summary>How often the same fault comes before somebody has to break it.</summary>
    public const int SameFaults = 3;

    // Since when a booth needs it, and why in its own words; null where it does not.
    private sealed record Row(NeedKind Kind, Said Name, Func<FloorBooth, DateTimeOffset, (DateTimeOffset? Since, Said Why)?> Asks);

    private static readonly Row[] Table =
    [
        new(NeedKind.Danger, Say($"Danger"), (booth, _) => HandFor(booth, NeedKind.Danger)),
        new(NeedKind.Hand, Say($"Hand up"), (booth, _) => HandFor(booth, NeedKind.Hand)),
        new(NeedKind.Check, Say($"Check"), (booth, _) => HandFor(booth, NeedKind.Check) ?? TestWeld(booth)),
        new(
            NeedKind.Sheet,
            Say($"No sheet"),
            (booth, _) => booth.SheetAt is null ? (booth.PlacedAt, Say($"Stands there without a sheet.")) : null
        ),
        new(NeedKind.SameFault, Say($"Same fault"), (booth, _) => Fault(booth)),
        new(
            NeedKind.Quiet,
            Say($"Quiet"),
            (booth, now) =>
                LastHeard(booth) is { } heard && now - heard >= Quiet
                    ? (heard, booth.Beads.Count == 0 ? Say($"No bead yet.") : Say($"No bead since, and nobody was there."))
                    : null
        ),
        new(
            NeedKind.Round,
            Say($"Fine"),
            (booth, _) =>
                booth.SeenAt is { } seen ? (seen, Say($"Seen on your round.")) : (booth.PlacedAt, Say($"Not seen on your round yet."))
        ),
        new(NeedKind.Empty, Say($"Empty"), (_, _) => (null, Say($"Nobody stands here."))),
    ];

    /// <summary>What a booth asks of the instructor now.</summary>
    /// <param name="booth">What is known of it.</param>
    /// <param name="now">The moment.</param>
    public static BoothNeed Of(FloorBooth booth, DateTimeOffset now)
    {
        ArgumentNullException.ThrowIfNull(booth);
        foreach (var (rank, row) in Table.Index())
        {
            if ((booth.PlacedAt is not null || row.Kind == NeedKind.Empty) && row.Asks(booth, now) is { } asked)
                return new(row.Kind, rank, row.Name, asked.Why, asked.Since, Until(row.Kind, booth));
        }
        throw new InvalidOperationException("The last row takes every booth.");
    }

    private static (DateTimeOffset? Since, Said Why)? HandFor(FloorBooth booth, NeedKind kind) =>
        booth.Hand is { } hand && hand.Reason.Row() is { } row && row.Need == kind ? (hand.At, row.Told) : null;

    private static (DateTimeOffset? Since, Said Why)? TestWeld(FloorBooth booth) =>
        booth.TestWaits && booth.Beads is [.., var last] ? (last.At, Say($"A test weld waits for its assessors.")) : null;

    // An instructor who was there since the last of them knows.
    private static (DateTimeOffset? Since, Said Why)? Fault(FloorBooth booth)
    {
        var last = booth.Beads.TakeLast(SameFaults).ToArray();
        return
            last.Length == SameFaults
            && last[^1].Cause is { } cause
            && last.All(bead => bead.Verdict != Verdict.Right && bead.Cause == cause)
            && WordsOf(cause) is { } words
            && !(booth.SeenAt > last[^1].At)
            ? (last[^1].At, Say($"The same {SameFaults} times: {words}."))
            : null;
    }

    private static Said? WordsOf(Cause cause) => Causes.Table.Concat(TigCauses.Table).FirstOrDefault(row => row.Cause == cause)?.Words;

    private static DateTimeOffset? LastHeard(FloorBooth booth) =>
        new[] { booth.PlacedAt, booth.SheetAt, booth.SeenAt, booth.Beads is [.., var last] ? last.At : null }.Max();

    private static DateTimeOffset? Until(NeedKind kind, FloorBooth booth) => kind == NeedKind.Round ? LastHeard(booth) + Quiet : null;
}
