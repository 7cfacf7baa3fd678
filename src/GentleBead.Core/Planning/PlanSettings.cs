using GentleBead.Core.Quantities;

namespace GentleBead.Core.Planning;

/// <summary>When a student is there, where that is not all session.</summary>
/// <param name="StudentId">Who.</param>
/// <param name="From">The first slot they are there.</param>
/// <param name="Until">The slot in which they are gone; null where they stay to the end.</param>
public sealed record Presence(Guid StudentId, int From, int? Until);

/// <summary>A machine that is out of order.</summary>
/// <param name="MachineId">Which machine.</param>
/// <param name="From">The first slot in which it is.</param>
public sealed record MachineDown(Guid MachineId, int From);

/// <summary>How a session is planned, as its instructor sets it.</summary>
public sealed record PlanSettings
{
    /// <summary>The most slots of a session.</summary>
    public const int MostSlots = 12;

    private const int MostOfEach = 200;

    /// <summary>What is usual, with nobody late and nothing broken.</summary>
    public static PlanSettings Usual { get; } =
        new()
        {
            SetUpMinutes = 15,
            SlotMinutes = 45,
            CloseDownMinutes = 15,
            Limits = PlanLimits.Usual,
            Weights = new Dictionary<string, int>(),
            Pairs = [],
            Presences = [],
            Down = [],
        };

    /// <summary>Minutes to set up and for safety before the first slot, 0 to 120. Fifteen is usual.</summary>
    public required int SetUpMinutes { get; init; }

    /// <summary>Minutes of a slot, 10 to 180. Forty to fifty is usual.</summary>
    public required int SlotMinutes { get; init; }

    /// <summary>Minutes to close down, 0 to 120. Fifteen is usual.</summary>
    public required int CloseDownMinutes { get; init; }

    /// <summary>Limits.</summary>
    public required PlanLimits Limits { get; init; }

    /// <summary>What counts for how much, 0 to 5, by the keys of <see cref="PlanScore.Table"/>.</summary>
    public required IReadOnlyDictionary<string, int> Weights { get; init; }

    /// <summary>Who is to stand side by side and who not.</summary>
    public required IReadOnlyList<PlanPair> Pairs { get; init; }

    /// <summary>Students who come late, go early, or are not there at all.</summary>
    public required IReadOnlyList<Presence> Presences { get; init; }

    /// <summary>Machines that are out of order.</summary>
    public required IReadOnlyList<MachineDown> Down { get; init; }

    /// <summary>What is wrong with it, field by field.</summary>
    public IEnumerable<Problem> Problems()
    {
        if (SetUpMinutes is < 0 or > 120)
            yield return new("setUpMinutes", Say($"0 to 120 min."));
        if (SlotMinutes is < 10 or > 180)
            yield return new("slotMinutes", Say($"10 to 180 min."));
        if (CloseDownMinutes is < 0 or > 120)
            yield return new("closeDownMinutes", Say($"0 to 120 min."));
        if (Limits.Instructors is < 0 or > 20)
            yield return new("limits.instructors", Say($"0 to 20 instructors."));
        if (Limits.FirstTries is < 0 or > 40)
            yield return new("limits.firstTries", Say($"0 to 40 at once."));
        if (Limits.HotFirstTries is < 0 or > 40)
            yield return new("limits.hotFirstTries", Say($"0 to 40 at once."));
        if (Limits.LeastMinutes is < 5 or > 60)
            yield return new("limits.leastMinutes", Say($"5 to 60 min."));
        if (Limits.CoolingMinutes is < 0 or > 60)
            yield return new("limits.coolingMinutes", Say($"0 to 60 min."));
        if (Limits.Kerf.Mm > 10)
            yield return new("limits.kerfMm", Say($"Up to {Length.FromMm(10)}."));
        if (Weights.Values.Any(weight => weight is < 0 or > PlanScore.MostWeight))
            yield return new("weights", Say($"0 to {PlanScore.MostWeight}."));
        if (Weights.Keys.Any(key => PlanScore.Table.All(aspect => aspect.Key != key)))
            yield return new("weights", Say($"A plan is not weighed by that."));
        if (Pairs.Count > MostOfEach)
            yield return new("pairs", Say($"At most {MostOfEach} pairs."));
        if (Presences.Count > MostOfEach)
            yield return new("presences", Say($"At most {MostOfEach} students."));
        if (Down.Count > MostOfEach)
            yield return new("down", Say($"At most {MostOfEach} machines."));
        if (Pairs.Any(pair => pair.One == pair.Other))
            yield return new("pairs", Say($"Two students, not one twice."));
    }

    /// <summary>The slots of a session: as many as there is time for, at least one.</summary>
    /// <param name="begins">When it begins, by the clock on the wall.</param>
    /// <param name="length">How long it is.</param>
    public IReadOnlyList<Slot> Slots(TimeOnly begins, TimeSpan length)
    {
        var minutes = length.TotalMinutes - SetUpMinutes - CloseDownMinutes;
        var count = Math.Clamp((int)(minutes / SlotMinutes), 1, MostSlots);
        return [.. Enumerable.Range(0, count).Select(slot => new Slot(begins.AddMinutes(SetUpMinutes + slot * SlotMinutes), SlotMinutes))];
    }
}
