using System.Security.Cryptography;
using GentleBead.Core.Courses;
using GentleBead.Core.Machines;
using GentleBead.Core.Sheets;
using GentleBead.Server.Database;
using GentleBead.Server.Sheets;

namespace GentleBead.Server.Floor;

/// <summary>Whom an exercise's sheet is given to, and where.</summary>
/// <param name="SessionId">In which session.</param>
/// <param name="BoothId">At which booth.</param>
/// <param name="MachineId">With which of its machines.</param>
/// <param name="StudentId">Whom: they have to stand there.</param>
public sealed record GiveTo(Guid SessionId, Guid BoothId, Guid MachineId, Guid StudentId);

/// <summary>Gives out the sheet of an exercise to whoever stands at a booth.</summary>
public sealed class SheetGiver(SettingStore settings, SheetStore sheets)
{
    /// <summary>Gives it out; the same id again changes nothing.</summary>
    /// <param name="id">The id of the sheet.</param>
    /// <param name="exercise">The exercise.</param>
    /// <param name="to">To whom, and where.</param>
    /// <param name="by">Who gives it.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="cancel">Breaks it off.</param>
    /// <returns>Why it was not given out; null where it was.</returns>
    public async Task<Problem?> GiveAsync(Guid id, Exercise exercise, GiveTo to, Guid by, Sent sent, CancellationToken cancel)
    {
        if (await sheets.IsRepeatAsync(id, sent, cancel))
            return null;
        if (await settings.OfAsync(to.BoothId, by, to.SessionId, to.MachineId, cancel) is not { MachineId: { } machineId } setting)
            return new("machineId", Say($"This machine does not stand at that booth any more."));
        if (setting.StudentId != to.StudentId)
            return new("boothId", Say($"Somebody else stands at booth {setting.BoothNumber} by now."));
        if (!setting.Plan(Defaults.Complete(exercise.Job, setting.Machine)).IsGood(out var sheet, out var problems))
            return problems[0];
        if (sheet.Mismatches is { Count: > 0 } mismatches)
            return new("load", Unfit(mismatches));
        var given = new AssignedSheet(id, to.SessionId, to.BoothId, machineId, to.StudentId, default, sheet, null, exercise.Criteria);
        await sheets.AddAsync(given, by, sent, cancel: cancel);
        return null;
    }

    /// <summary>The id of one of several rows that are written under one id: the same again for the same.</summary>
    /// <param name="id">The id that was sent.</param>
    /// <param name="part">For what.</param>
    public static Guid Part(Guid id, Guid part)
    {
        var hash = SHA256.HashData([.. id.ToByteArray(bigEndian: true), .. part.ToByteArray(bigEndian: true)])[..16];
        // Marked as what it is: a UUID of an application's own making (RFC 9562, version 8).
        hash[6] = (byte)((hash[6] & 0x0F) | 0x80);
        hash[8] = (byte)((hash[8] & 0x3F) | 0x80);
        return new Guid(hash, bigEndian: true);
    }

    private static Said Unfit(IReadOnlyList<Mismatch> mismatches) =>
        Say($"The machine has {mismatches.Select(one => Say($"{one.Loaded} instead of {one.Wanted}"))}. Change it, and note it as loaded.");
}
