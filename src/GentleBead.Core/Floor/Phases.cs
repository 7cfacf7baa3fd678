using GentleBead.Core.Planning;

namespace GentleBead.Core.Floor;

/// <summary>A stretch of a session that is on.</summary>
/// <param name="Slot">Which slot it is; null for set-up and close-down.</param>
/// <param name="Name">What it is called.</param>
/// <param name="From">When it begins.</param>
/// <param name="To">When it ends.</param>
public sealed record Phase(int? Slot, Said Name, DateTimeOffset From, DateTimeOffset To);

/// <summary>The stretches of a session one after the other: setting up, the slots, closing down.</summary>
public static class Phases
{
    /// <summary>The stretches of a session.</summary>
    /// <param name="settings">How it is planned.</param>
    /// <param name="slots">How many slots it has; 0 where nothing was planned: then it is one stretch.</param>
    /// <param name="begins">When it begins.</param>
    /// <param name="ends">When it ends.</param>
    public static IReadOnlyList<Phase> Of(PlanSettings settings, int slots, DateTimeOffset begins, DateTimeOffset ends)
    {
        ArgumentNullException.ThrowIfNull(settings);
        if (slots == 0)
            return [new(null, Say($"Practice"), begins, ends)];
        var setUp = begins.AddMinutes(settings.SetUpMinutes);
        var phases = new List<Phase>();
        if (setUp > begins)
            phases.Add(new(null, Say($"Set-up"), begins, setUp));
        for (var slot = 0; slot < slots; slot++)
        {
            var from = setUp.AddMinutes(slot * settings.SlotMinutes);
            phases.Add(new(slot, Say($"Slot {slot + 1} of {slots}"), from, from.AddMinutes(settings.SlotMinutes)));
        }
        if (ends > phases[^1].To)
            phases.Add(new(null, Say($"Close-down"), phases[^1].To, ends));
        return phases;
    }
}
