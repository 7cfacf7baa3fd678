using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using GentleBead.Core.Quantities;
using GentleBead.Server.Beads;
using GentleBead.Server.Judging;
using GentleBead.Server.Machines;
using GentleBead.Server.Sessions;
using GentleBead.Server.Sheets;
using GentleBead.Server.Trials;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Listening;

/// <summary>Keeps a recording, and has its bead judged anew with what is heard in it.</summary>
public sealed class RecordingKeeper(RecordingStore recordings, BeadStore beads, SheetStore sheets, SessionStore sessions, MachineStore machines, TrialStore trials, BeadJudge judge, TimeProvider clock)
{
    /// <summary>Adds a recording to a bead.</summary>
    public async Task<Ok<Recording>> AddAsync(Guid id, Bead bead, RecordingOrigin origin, string name, Finding finding, byte[] bytes, Guid by)
    {
        var recording = new Recording(id, bead.Id, origin, name, finding, bytes.Length, clock.GetUtcNow());
        await recordings.AddAsync(recording, bytes, by);
        await JudgeAnewAsync(id, bead.Id, by);
        return TypedResults.Ok(await recordings.FindAsync(id) ?? recording);
    }

    /// <summary>A second try: the first may have ended before the bead was judged anew.</summary>
    public async Task<Ok<Recording>> AgainAsync(Recording stored, Guid by)
    {
        await JudgeAnewAsync(stored.Id, stored.BeadId, by);
        return TypedResults.Ok(stored);
    }

    /// <summary>Judges a bead with the surest of its standing recordings beside the ear.</summary>
    public async Task JudgeAnewAsync(Guid lookId, Guid beadId, Guid by)
    {
        var bead = (await beads.FindAsync(beadId))!;
        var heard = (await recordings.OfBeadAsync(beadId)).Where(recording => recording.Finding.Heard.Sound is not null).MaxBy(recording => recording.Finding.Heard.Confidence)?.Finding;
        var listened = heard is null ? null : new Listened(heard.Heard.Sound!.Value, heard.Heard.Confidence, heard.Figures?.ShortRate);
        if (bead.Evidence.Listened == listened) return;
        var sheet = (await sheets.FindAsync(bead.SheetId))!;
        await BeadEndpoints.LookAgainAsync(
            lookId, bead, bead.Evidence with { Listened = listened }, sheet, await BeadEndpoints.JudgedByAsync(bead, sheet, trials), by, beads, sessions, machines, trials, judge, clock);
    }

    /// <summary>The travel speed a bead was welded at: as timed, or else as its sheet says.</summary>
    public async Task<TravelSpeed?> TravelAsync(Bead bead) => bead.Evidence.Measured?.Travel() ?? (await sheets.FindAsync(bead.SheetId))!.Body.Travel;
}
