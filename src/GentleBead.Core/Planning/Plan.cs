namespace GentleBead.Core.Planning;

/// <summary>Somebody who stands at a booth in a slot, with what and at what.</summary>
/// <param name="Slot">Which slot, counted from 0.</param>
/// <param name="BoothId">At which booth.</param>
/// <param name="MachineId">With which of the machines in it.</param>
/// <param name="StudentId">Who.</param>
/// <param name="ExerciseId">What they work on.</param>
/// <param name="Pinned">Whether an instructor said so: it stays where the plan is made anew.</param>
public sealed record Stand(int Slot, Guid BoothId, Guid MachineId, Guid StudentId, Guid ExerciseId, bool Pinned = false);

/// <summary>Who stands where, slot by slot.</summary>
/// <param name="Stands">Everybody who stands at a booth, in no order that matters.</param>
public sealed record Plan(IReadOnlyList<Stand> Stands)
{
    /// <summary>Nobody stands anywhere.</summary>
    public static Plan Empty { get; } = new([]);

    /// <summary>Who stands at a booth in a slot; null where nobody does.</summary>
    public Stand? At(int slot, Guid boothId) => Stands.FirstOrDefault(stand => stand.Slot == slot && stand.BoothId == boothId);

    /// <summary>Where a student stands in a slot; null where they stand nowhere.</summary>
    public Stand? Of(Guid studentId, int slot) => Stands.FirstOrDefault(stand => stand.Slot == slot && stand.StudentId == studentId);

    /// <summary>The plan with one stand less.</summary>
    public Plan Without(Stand stand) => new([.. Stands.Where(other => other != stand)]);

    /// <summary>
    /// The plan with somebody put at a booth: out of any other they stood at in that slot, and in the place of whoever stood
    /// there.
    /// </summary>
    public Plan With(Stand stand)
    {
        ArgumentNullException.ThrowIfNull(stand);
        return new([
            .. Stands.Where(other => other.Slot != stand.Slot || (other.StudentId != stand.StudentId && other.BoothId != stand.BoothId)),
            stand,
        ]);
    }

    /// <summary>What is fixed: what an instructor pinned, and what lies before a slot.</summary>
    public Plan Fixed(int fromSlot) => new([.. Stands.Where(stand => stand.Pinned || stand.Slot < fromSlot)]);
}
