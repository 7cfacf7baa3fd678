using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Server.Beads;
using GentleBead.Server.Sheets;

namespace GentleBead.Server.Judging;

/// <summary>Gathers what stands around a bead, and has it judged.</summary>
public sealed class BeadJudge(SheetStore sheets, BeadStore beads, ToleranceStore tolerances)
{
    /// <summary>Judges a bead.</summary>
    /// <param name="id">Which bead.</param>
    /// <param name="given">The sheet it was given out with.</param>
    /// <param name="body">The sheet it is judged by; in a trial of joints or positions not the one given out.</param>
    /// <param name="machine">The booth's machine.</param>
    /// <param name="used">The pair; null for TIG.</param>
    /// <param name="amps">The current; null for a fed wire.</param>
    /// <param name="evidence">What was noted.</param>
    /// <param name="before">The bead before it; null in a trial, where the next step is set.</param>
    /// <param name="fromMarks">Whether what was used was read from marks, and not measured.</param>
    public async Task<Judgement> OfAsync(Guid id, AssignedSheet given, Sheet body, Machine machine, Settings? used, Current? amps, Evidence evidence, Bead? before, bool fromMarks)
    {
        var around = new Circumstances(
            before?.AsBefore(),
            await beads.NewestCausesAsync(await sheets.IdsOfStudentAsync(given.StudentId), Habits.Recent, id),
            await beads.NewestCausesAsync(await sheets.IdsOfBoothAsync(given.BoothId), Habits.Recent, id),
            given.Criteria, await tolerances.NewestAsync(), fromMarks);
        return used is not null ? Judge.Of(body, machine, used, evidence, around) : Judge.Of(body, machine, amps!.Value, evidence, around);
    }
}
