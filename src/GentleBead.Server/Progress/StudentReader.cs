using GentleBead.Core.Practice;
using GentleBead.Core.Progress;
using GentleBead.Core.Skills;
using GentleBead.Server.People;
using GentleBead.Server.Practice;
using GentleBead.Server.Skills;

namespace GentleBead.Server.Progress;

/// <summary>A place of the skill map.</summary>
/// <param name="Kind">What kind of work.</param>
/// <param name="State">How far they have come with it.</param>
/// <param name="Did">What they did, in words: "9 of the last 12 right, none for 5 weeks".</param>
/// <param name="Next">How the next bead comes out, with its doubt, in words.</param>
/// <param name="Chance">The same in numbers; null where too few beads say anything.</param>
/// <param name="Best">Their newest right bead; null where none was.</param>
/// <param name="Newest">Their newest bead.</param>
public sealed record SkillCell(KindOfWork Kind, SkillState State, Said Did, Said Next, Chance? Chance, BeadGlyph? Best, BeadGlyph? Newest);

/// <summary>What one student can weld.</summary>
/// <param name="Student">Who.</param>
/// <param name="Cells">What is known of them, kind of work by kind of work; what they welded last first.</param>
public sealed record SkillMap(PersonName Student, IReadOnlyList<SkillCell> Cells);

/// <summary>How one student got where they are.</summary>
/// <param name="Recurring">What keeps going wrong and what cured it.</param>
/// <param name="OwnEye">Their own verdicts beside an instructor's.</param>
/// <param name="Drills">Where they stand in the practice room.</param>
/// <param name="ArcMinutes">Minutes of arc of their newest beads.</param>
/// <param name="Beads">How many beads that is.</param>
/// <param name="Since">Since which day; null before the first.</param>
/// <param name="Attended">How often they came.</param>
public sealed record StudentProgress(
    IReadOnlyList<RecurringCause> Recurring,
    IReadOnlyList<WordsAgreement> OwnEye,
    IReadOnlyList<KindProgress> Drills,
    double ArcMinutes,
    int Beads,
    DateOnly? Since,
    Attended Attended
);

/// <summary>Gathers what is told of one student, in a fixed number of queries.</summary>
public sealed class StudentReader(SkillStore skills, ProgressStore progress, DrillStore drills, TimeProvider clock)
{
    // More kinds of work than anybody learns; a screen's bytes stay bounded.
    private const int MostCells = 60;
    private const int MostRecurring = 8;

    /// <summary>What is known of a student, kind of work by kind of work; what they welded last first.</summary>
    /// <param name="id">Whose.</param>
    /// <param name="instructor">Whether an instructor asks: a student is not shown the tool's word while it waits.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<IReadOnlyList<SkillCell>> MapAsync(Guid id, bool instructor, CancellationToken cancel)
    {
        var known = (await skills.OfAsync([id], cancel)).OrderByDescending(one => one.Record.Skill.At).Take(MostCells).ToArray();
        var accepted = await progress.AcceptedAsync([id], cancel);
        var shown = known.SelectMany(one => new[] { one.BestBead, one.NewestBead }).OfType<Guid>().Distinct().ToArray();
        var glyphs = await progress.GlyphsAsync(shown, cancel);
        var now = clock.GetUtcNow();
        return [.. known.Select(Cell)];

        SkillCell Cell(KnownSkill one) =>
            new(
                one.Kind,
                one.Record.StateAt(now, one.Proven || accepted.Contains((id, one.Kind))),
                one.Record.InWords(now),
                one.Record.NextInWords(now, one.Harder),
                one.Record.NextAt(now, one.Harder),
                Glyph(one.BestBead),
                Glyph(one.NewestBead)
            );

        BeadGlyph? Glyph(Guid? bead) => bead is { } there && glyphs.TryGetValue(there, out var glyph) ? glyph.ShownTo(instructor) : null;
    }

    /// <summary>How a student got where they are.</summary>
    public async Task<StudentProgress> ProgressAsync(Guid id, CancellationToken cancel)
    {
        var beads = await progress.BeadsAsync(id, null, cancel);
        return new(
            [.. RecurringCause.Of(beads).Take(MostRecurring)],
            WordsAgreement.Of(await progress.VerdictsAsync(id, cancel)),
            DrillProgress.Of(await drills.AnsweredAsync(id, cancel), clock.GetUtcNow()).Kinds,
            WorkedBead.ArcTime(beads).TotalMinutes,
            beads.Count,
            beads.Count == 0 ? null : beads[0].Day,
            await progress.AttendedAsync(id, cancel)
        );
    }
}
