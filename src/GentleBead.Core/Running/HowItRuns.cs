namespace GentleBead.Core.Running;

/// <summary>How something stands that Gentle Bead needs.</summary>
public enum RunningState
{
    /// <summary>As it should be.</summary>
    Fine,

    /// <summary>To be looked at this week.</summary>
    Look,

    /// <summary>To be seen to before the next session.</summary>
    Act,
}

/// <summary>One thing that Gentle Bead needs, and how it stands.</summary>
/// <param name="What">Its name on screen.</param>
/// <param name="State">How it stands.</param>
/// <param name="Says">What is known of it.</param>
/// <param name="Do">What to do about it; null where nothing is to be done.</param>
public sealed record RunningLine(Said What, RunningState State, Said Says, Said? Do);

/// <summary>
/// How Gentle Bead runs, in words for an instructor: a table of what it needs. What counts as late or little is common practice, no source.
/// </summary>
public static class HowItRuns
{
    private const double SlowMs = 250;
    private const double Megabyte = 1e6;
    private const double Gigabyte = 1e9;
    private const long LeastFree = 2_000_000_000;
    private const double LittleFree = 0.1;

    // A nightly backup that failed once is looked at, twice is seen to.
    private static readonly TimeSpan OldBackup = TimeSpan.FromHours(36);
    private static readonly TimeSpan VeryOldBackup = TimeSpan.FromDays(3);

    // A certificate is renewed a month before its end.
    private static readonly TimeSpan CertificateLate = TimeSpan.FromDays(21);
    private static readonly TimeSpan CertificateVeryLate = TimeSpan.FromDays(5);

    private static readonly IReadOnlyList<Func<RunningFacts, RunningLine?>> Rows = [Database, Standby, Disk, Backup, Tablets, Certificate];

    /// <summary>Line by line, in the order of the table; what is not known here has none.</summary>
    public static IReadOnlyList<RunningLine> Of(RunningFacts facts) => [.. Rows.Select(row => row(facts)).OfType<RunningLine>()];

    private static RunningLine Database(RunningFacts facts)
    {
        var slow = facts.AnswerMs > SlowMs;
        return new(
            Say($"Database"),
            slow ? RunningState.Look : RunningState.Fine,
            Say($"It answers within {facts.AnswerMs:0} ms and holds {Size(facts.DatabaseBytes)}."),
            slow ? Say($"Something else keeps its machine busy. Look what runs there.") : null
        );
    }

    private static RunningLine? Standby(RunningFacts facts) =>
        facts.StandbyFollows switch
        {
            null => null,
            true => new(Say($"Standby"), RunningState.Fine, Say($"A standby has everything as soon as it is written."), null),
            false => new(
                Say($"Standby"),
                RunningState.Act,
                Say($"No standby follows: what is written now lies in one place."),
                Say($"Start the machine of the standby, or see what stopped it.")
            ),
        };

    private static RunningLine Disk(RunningFacts facts)
    {
        var state =
            facts.FreeBytes < LeastFree ? RunningState.Act
            : facts.FreeBytes < LittleFree * facts.DiskBytes ? RunningState.Look
            : RunningState.Fine;
        return new(
            Say($"Space"),
            state,
            Say($"{Size(facts.FreeBytes)} of {Size(facts.DiskBytes)} are free on this server’s disk."),
            state == RunningState.Fine
                ? null
                : Say($"Pictures and sound fill it. Make room, or keep them for a shorter time under Keeping.")
        );
    }

    private static RunningLine? Backup(RunningFacts facts)
    {
        if (facts.Backups is not { } backups)
            return null;
        if (backups.At is not { } at)
        {
            return new(
                Say($"Backup"),
                RunningState.Act,
                Say($"There is none yet."),
                Say($"Whoever runs this server makes one with scripts/backup.sh, and every night by a timer.")
            );
        }
        var old = facts.Now - at;
        var state =
            old > VeryOldBackup ? RunningState.Act
            : old > OldBackup ? RunningState.Look
            : RunningState.Fine;
        return new(
            Say($"Backup"),
            state,
            Say($"The newest is of {Day(facts, at)}, {Time(facts, at)}."),
            state == RunningState.Fine ? null : Say($"See why none was made since: the disk it goes to, or the timer that makes it.")
        );
    }

    private static RunningLine Tablets(RunningFacts facts) =>
        facts.Silent.Count == 0
            ? new(Say($"Tablets"), RunningState.Fine, Say($"Every tablet that was on today is heard of."), null)
            : new(
                Say($"Tablets"),
                RunningState.Look,
                Parts(
                    " ",
                    [
                        .. facts.Silent.Select(tablet =>
                            Say($"Booth {tablet.Booth}, {tablet.Room.Name()}: not heard of since {Time(facts, tablet.Since)}.")
                        ),
                    ]
                ),
                Say($"Switched off is well. Where somebody stands at it, look to its network: what is noted waits there.")
            );

    private static RunningLine? Certificate(RunningFacts facts)
    {
        if (facts.CertificateEnds is not { } ends)
            return null;
        var left = ends - facts.Now;
        var state =
            left < CertificateVeryLate ? RunningState.Act
            : left < CertificateLate ? RunningState.Look
            : RunningState.Fine;
        return new(
            Say($"Certificate"),
            state,
            Say($"Tablets take it until {Day(facts, ends)}."),
            state == RunningState.Fine
                ? Say($"It is renewed before that.")
                : Say($"It should have been renewed by now. Put the next one in its place, or start Gentle Bead again.")
        );
    }

    private static Said Size(long bytes) => bytes < Gigabyte ? Say($"{bytes / Megabyte:0} MB") : Say($"{bytes / Gigabyte:0.0} GB");

    private static DateOnly Day(RunningFacts facts, DateTimeOffset at) => DateOnly.FromDateTime(OnTheWall(facts, at));

    private static TimeOnly Time(RunningFacts facts, DateTimeOffset at) => TimeOnly.FromDateTime(OnTheWall(facts, at));

    private static DateTime OnTheWall(RunningFacts facts, DateTimeOffset at) => TimeZoneInfo.ConvertTime(at, facts.Zone).DateTime;
}
