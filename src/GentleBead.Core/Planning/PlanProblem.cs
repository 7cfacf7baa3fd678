using GentleBead.Core.Quantities;

namespace GentleBead.Core.Planning;

/// <summary>A stretch of a session in which everybody stays where they stand.</summary>
/// <param name="Begins">When it begins, by the clock on the wall.</param>
/// <param name="Minutes">How long it is, 10 to 180.</param>
public sealed record Slot(TimeOnly Begins, int Minutes);

/// <summary>A machine that can be planned with.</summary>
/// <param name="Id">Which machine.</param>
/// <param name="Name">What the room calls it.</param>
/// <param name="Load">What is on it when the session begins.</param>
/// <param name="DownFrom">The first slot in which it is out of order; null while it runs.</param>
public sealed record PlanMachine(Guid Id, string Name, PlanLoad Load, int? DownFrom = null);

/// <summary>A booth with the machines in it.</summary>
/// <param name="Id">Which booth.</param>
/// <param name="Number">Its number; booths whose numbers follow one another lie side by side.</param>
/// <param name="Machines">The machines in it, in the order they came.</param>
public sealed record PlanBooth(Guid Id, int Number, IReadOnlyList<PlanMachine> Machines);

/// <summary>An exercise that can be planned.</summary>
/// <param name="Id">Which exercise.</param>
/// <param name="Exercise">As it stands on the path.</param>
/// <param name="Hot">Whether it is one of those of which beginners are not all watched at once: hot, aluminium, overhead.</param>
public sealed record PlanExercise(Guid Id, Courses.Exercise Exercise, bool Hot);

/// <summary>Something a student is to work on.</summary>
/// <param name="ExerciseId">Which exercise.</param>
/// <param name="Beads">How many beads it still takes, as far as can be told, 1 to 80.</param>
/// <param name="FirstTry">Whether they never laid a bead to it.</param>
/// <param name="After">Exercises to stand at first on the same evening, for so many beads as they take; empty where it is open.</param>
/// <param name="Why">How far they have come with it: "2 of 3 right in a row".</param>
public sealed record PlanTask(Guid ExerciseId, int Beads, bool FirstTry, IReadOnlyList<Guid> After, Said Why);

/// <summary>A student who is to be planned for.</summary>
/// <param name="Id">Who.</param>
/// <param name="Name">What they are called.</param>
/// <param name="Tasks">What they are to work on, what matters most first.</param>
/// <param name="ArcMinutes">Minutes of arc they had in the term until now.</param>
/// <param name="Waited">Slots they stood at no booth in the session before, though they were there.</param>
/// <param name="From">The first slot they are there.</param>
/// <param name="Until">The slot in which they are gone; null where they stay to the end.</param>
/// <param name="NoTasks">Why there is nothing to work on; null where there is.</param>
public sealed record PlanStudent(
    Guid Id,
    string Name,
    IReadOnlyList<PlanTask> Tasks,
    double ArcMinutes = 0,
    int Waited = 0,
    int From = 0,
    int? Until = null,
    Said? NoTasks = null
)
{
    /// <summary>Whether they are there in a slot.</summary>
    public bool IsThere(int slot) => slot >= From && slot < (Until ?? int.MaxValue);

    /// <summary>Their task at an exercise; null where it is none of theirs.</summary>
    public PlanTask? TaskAt(Guid exerciseId) => Tasks.FirstOrDefault(task => task.ExerciseId == exerciseId);
}

/// <summary>Two students who are to stand side by side, or are not to.</summary>
/// <param name="One">The one.</param>
/// <param name="Other">The other.</param>
/// <param name="Together">Whether they are to; otherwise they are to be kept apart.</param>
public sealed record PlanPair(Guid One, Guid Other, bool Together);

/// <summary>What an exercise takes on a machine.</summary>
/// <param name="Load">What has to be on the machine.</param>
/// <param name="ArcMinutesABead">Minutes of arc a bead takes.</param>
/// <param name="GasLPerMin">Gas while the arc burns, litres a minute; 0 without gas.</param>
/// <param name="WireGPerBead">Wire a bead takes, grams; 0 for TIG.</param>
/// <param name="HeatsTorch">Whether the torch has to cool before somebody else takes it on.</param>
public sealed record MachineUse(PlanLoad Load, double ArcMinutesABead, double GasLPerMin, double WireGPerBead, bool HeatsTorch);

/// <summary>Whether a machine can be used for an exercise.</summary>
/// <param name="Use">What it takes; null where it cannot be.</param>
/// <param name="Refused">Why it cannot be; null where it can.</param>
public sealed record MachineFit(MachineUse? Use, Said? Refused);

/// <summary>What there is to weld with.</summary>
/// <param name="Bars">Bars, plates and offcuts; null where nobody noted any: then nothing is held to them.</param>
/// <param name="Spools">Spools of each wire, those on the machines counted in; null where nobody noted any.</param>
/// <param name="Bottles">Bottles of each gas, those at the machines counted in; null where nobody noted any.</param>
public sealed record AtHand(
    IReadOnlyList<StockPiece>? Bars,
    IReadOnlyDictionary<Stock.Wire, int>? Spools,
    IReadOnlyDictionary<Stock.Gas, int>? Bottles
)
{
    private const int MostKinds = 200;

    /// <summary>Nobody noted anything.</summary>
    public static AtHand Unknown { get; } = new(null, null, null);

    /// <summary>What is wrong with it, field by field.</summary>
    public IEnumerable<Problem> Problems()
    {
        if (Bars?.Count > MostKinds)
            yield return new("bars", Say($"At most {MostKinds} lines."));
        foreach (var (bar, i) in (Bars ?? []).Select((bar, i) => (bar, i)))
        {
            if (bar.Kind.Thickness.Mm is not (>= 0.5 and <= 50))
                yield return new($"bars[{i}].kind.thicknessMm", Say($"{Length.FromMm(0.5)} to {Length.FromMm(50)}."));
            if (bar.Long.Mm is not (>= 20 and <= 12_000))
                yield return new($"bars[{i}].longMm", Say($"{Length.FromMm(20)} to {Length.FromMm(12_000)}."));
            if (bar.Wide.Mm is not (>= 5 and <= 3_000))
                yield return new($"bars[{i}].wideMm", Say($"{Length.FromMm(5)} to {Length.FromMm(3_000)}."));
            if (bar.Count is < 0 or > 1_000)
                yield return new($"bars[{i}].count", Say($"0 to 1000."));
        }
        if (Spools?.Values.Any(count => count is < 0 or > 1_000) == true)
            yield return new("spools", Say($"0 to 1000 spools."));
        if (Bottles?.Values.Any(count => count is < 0 or > 1_000) == true)
            yield return new("bottles", Say($"0 to 1000 bottles."));
    }
}

/// <summary>A kind of bar or plate.</summary>
/// <param name="Metal">What it is made of.</param>
/// <param name="Form">Flat bar or plate.</param>
/// <param name="Thickness">How thick.</param>
/// <param name="Width">How wide a bar is; of a plate every width can be cut, so none is named.</param>
public sealed record StockKind(Stock.Metal Metal, Courses.StockForm Form, Length Thickness, Length? Width);

/// <summary>Bars or plates that lie there, whole or left over.</summary>
/// <param name="Kind">Of which kind.</param>
/// <param name="Long">How long each is.</param>
/// <param name="Wide">How wide each is.</param>
/// <param name="Count">How many.</param>
public sealed record StockPiece(StockKind Kind, Length Long, Length Wide, int Count);

/// <summary>How many an instructor can see to, and how much things take.</summary>
/// <param name="Instructors">Instructors there; a test weld takes one of them, and one stays on the floor.</param>
/// <param name="FirstTries">The most who try something for the first time in one slot, 0 to 40. Two or three is usual.</param>
/// <param name="HotFirstTries">Of those the most at something hot, aluminium or overhead.</param>
/// <param name="LeastMinutes">The least minutes of a slot that have to be left for welding, 5 to 60.</param>
/// <param name="CoolingMinutes">Minutes a torch cools after hot work, 0 to 60.</param>
public sealed record PlanLimits(int Instructors, int FirstTries, int HotFirstTries, int LeastMinutes, int CoolingMinutes)
{
    /// <summary>What is usual.</summary>
    public static PlanLimits Usual { get; } = new(1, 3, 1, 15, 10) { Kerf = Length.FromMm(2.5) };

    /// <summary>What a cut takes away, up to 10 mm; a saw takes 2 to 3.</summary>
    public required Length Kerf { get; init; }

    /// <summary>Test welds that can be watched at once.</summary>
    public int TestWelds => Math.Max(0, Instructors - 1);
}

/// <summary>A session that is to be planned: who is there, what with, on what, and within what limits.</summary>
public sealed record PlanProblem
{
    /// <summary>Its slots, in order; up to 12.</summary>
    public required IReadOnlyList<Slot> Slots { get; init; }

    /// <summary>The booths, by number.</summary>
    public required IReadOnlyList<PlanBooth> Booths { get; init; }

    /// <summary>The students, by name.</summary>
    public required IReadOnlyList<PlanStudent> Students { get; init; }

    /// <summary>The exercises they are to work on.</summary>
    public required IReadOnlyDictionary<Guid, PlanExercise> Exercises { get; init; }

    /// <summary>Whether a machine can be used for an exercise, and what that takes.</summary>
    public required IReadOnlyDictionary<(Guid Exercise, Guid Machine), MachineFit> Fits { get; init; }

    /// <summary>Limits.</summary>
    public PlanLimits Limits { get; init; } = PlanLimits.Usual;

    /// <summary>What there is to weld with.</summary>
    public AtHand AtHand { get; init; } = AtHand.Unknown;

    /// <summary>Who is to stand side by side and who not.</summary>
    public IReadOnlyList<PlanPair> Pairs { get; init; } = [];

    /// <summary>What counts for how much, 0 to 5, by the keys of <see cref="PlanScore.Aspects"/>; 3 where nothing is said.</summary>
    public IReadOnlyDictionary<string, int> Weights { get; init; } = new Dictionary<string, int>();

    /// <summary>What stays whatever else is planned: what an instructor pinned, and slots that are over.</summary>
    public Plan Fixed { get; init; } = Plan.Empty;

    /// <summary>The plan as it was, where one is mended; null for one made anew.</summary>
    public Plan? Before { get; init; }

    /// <summary>The first slot that has not begun: what lies before stays as it was.</summary>
    public int FromSlot { get; init; }

    /// <summary>A booth; null where there is none.</summary>
    public PlanBooth? Booth(Guid id) => Booths.FirstOrDefault(booth => booth.Id == id);

    /// <summary>A student; null where they are not there.</summary>
    public PlanStudent? Student(Guid id) => Students.FirstOrDefault(student => student.Id == id);

    /// <summary>What an exercise takes on a machine; null where it cannot be used for it.</summary>
    public MachineUse? UseOf(Guid exerciseId, Guid machineId) => Fits.TryGetValue((exerciseId, machineId), out var fit) ? fit.Use : null;

    /// <summary>How many beads of a task are laid in a slot: what it takes, or what there is time for.</summary>
    public int BeadsIn(PlanTask task, int slot)
    {
        ArgumentNullException.ThrowIfNull(task);
        var minutes = Exercises[task.ExerciseId].Exercise.MinutesABead;
        return Math.Clamp((int)(Slots[slot].Minutes / minutes), 1, task.Beads);
    }

    /// <summary>How many slots a task takes before it is done, at least one.</summary>
    public int SlotsFor(PlanTask task)
    {
        ArgumentNullException.ThrowIfNull(task);
        var minutes = task.Beads * Exercises[task.ExerciseId].Exercise.MinutesABead;
        return Math.Max(1, (int)Math.Ceiling(minutes / Slots.Min(slot => slot.Minutes) - 1e-9));
    }
}
