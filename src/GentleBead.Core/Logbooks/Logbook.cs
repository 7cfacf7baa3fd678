using GentleBead.Core.Judging;
using GentleBead.Core.Rules;
using GentleBead.Core.Skills;

namespace GentleBead.Core.Logbooks;

/// <summary>What a student takes along from a school: <c>logbook.json</c> in the file, documented in docs/logbook.md.</summary>
/// <param name="Format">Always <see cref="Logbook.FormatName"/>.</param>
/// <param name="Version">The edition of the format: <see cref="Logbook.NewestVersion"/>.</param>
/// <param name="MadeAt">When it was made.</param>
/// <param name="School">The school it was made by.</param>
/// <param name="Student">Whose it is.</param>
/// <param name="Skills">What was known of them then.</param>
/// <param name="Beads">Their beads, oldest first.</param>
/// <param name="Tests">Their signed test welds, each with its chain.</param>
/// <param name="Goals">What they set out to do.</param>
/// <param name="Remarks">What instructors said to them.</param>
public sealed record Logbook(
    string Format,
    int Version,
    DateTimeOffset MadeAt,
    string School,
    string Student,
    IReadOnlyList<LoggedSkill> Skills,
    IReadOnlyList<LoggedBead> Beads,
    IReadOnlyList<LoggedTest> Tests,
    IReadOnlyList<LoggedGoal> Goals,
    IReadOnlyList<LoggedRemark> Remarks
)
{
    /// <summary>What a file of this kind calls itself.</summary>
    public const string FormatName = "gentle-bead-logbook";

    /// <summary>The newest edition of the format.</summary>
    public const int NewestVersion = 1;

    private const int LongestName = 200;

    /// <summary>Why it cannot be taken; null where it can.</summary>
    public Said? Refused() =>
        Format != FormatName ? Say($"This is no logbook.")
        : School.Length > LongestName || Student.Length > LongestName ? Say($"A name in it is longer than names are.")
        : Version is < 1 or > NewestVersion ? Say($"This logbook is of edition {Version}; this program reads up to {NewestVersion}.")
        : null;
}

/// <summary>What was known at one kind of work.</summary>
/// <param name="Kind">What kind of work.</param>
/// <param name="State">How far they had come.</param>
/// <param name="Did">What they did, in words.</param>
/// <param name="Next">How the next bead comes out, with its doubt, in words.</param>
public sealed record LoggedSkill(KindOfWork Kind, SkillState State, Said Did, Said Next);

/// <summary>What a file of a bead is.</summary>
public enum LoggedFileKind
{
    /// <summary>A picture.</summary>
    Picture,

    /// <summary>Sound of the arc.</summary>
    Sound,

    /// <summary>A log of volts and amps.</summary>
    Log,
}

/// <summary>A file of a bead.</summary>
/// <param name="Name">Its name in the logbook.</param>
/// <param name="Kind">What it is.</param>
public sealed record LoggedFile(string Name, LoggedFileKind Kind);

/// <summary>A bead.</summary>
/// <param name="Id">Which bead.</param>
/// <param name="At">When it was laid.</param>
/// <param name="Job">To what job.</param>
/// <param name="Machine">On which machine, as that school calls it.</param>
/// <param name="WireFeedMPerMin">Wire feed speed, metres a minute; null for TIG.</param>
/// <param name="Volts">Volts; null for TIG.</param>
/// <param name="Amps">Amps; null for a fed wire.</param>
/// <param name="Verdict">The tool's verdict.</param>
/// <param name="Instructor">The instructor's; null where none was given.</param>
/// <param name="Own">Their own; null where none was given.</param>
/// <param name="Next">What was said to be changed after it; null where nothing was.</param>
/// <param name="Files">Its pictures and recordings.</param>
public sealed record LoggedBead(
    Guid Id,
    DateTimeOffset At,
    Job Job,
    string Machine,
    double? WireFeedMPerMin,
    double? Volts,
    double? Amps,
    Verdict Verdict,
    Verdict? Instructor,
    Verdict? Own,
    Said? Next,
    IReadOnlyList<LoggedFile> Files
);

/// <summary>A signed test weld, its chain as it was hashed: <see cref="TestWelds.RecordChain"/> checks it.</summary>
/// <param name="Id">Which test.</param>
/// <param name="SealedText">The very letters that were sealed.</param>
/// <param name="Seal">SHA-256 over them, hexadecimal.</param>
/// <param name="Records">Every record, in order.</param>
/// <param name="Passed">Whether it was accepted.</param>
public sealed record LoggedTest(Guid Id, string SealedText, string Seal, IReadOnlyList<TestWelds.ChainedRecord> Records, bool Passed);

/// <summary>A goal.</summary>
/// <param name="Text">What it was.</param>
/// <param name="Until">Until when; null for some time.</param>
/// <param name="Reached">Whether it was reached; null while it stands.</param>
public sealed record LoggedGoal(string Text, DateOnly? Until, bool? Reached);

/// <summary>What an instructor said to them.</summary>
/// <param name="Text">The words.</param>
/// <param name="By">Who said it.</param>
/// <param name="At">When.</param>
public sealed record LoggedRemark(string Text, string By, DateTimeOffset At);
