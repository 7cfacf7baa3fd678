using GentleBead.Core.Courses;
using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Planning;

/// <summary>Whether a machine can be used for an exercise, and what it takes: as the sheet made for it says.</summary>
public static class MachineFits
{
    // A torch runs hot where the machine may weld less than this share of ten minutes at the job's current. Our own reading.
    private const double HotDutyPercent = 60;

    // A usual coupon, where an exercise names no pieces.
    private const double UsualBeadMm = 150;

    /// <summary>What is on a machine, as far as changing it takes time.</summary>
    public static PlanLoad LoadOf(Machine machine)
    {
        ArgumentNullException.ThrowIfNull(machine);
        return new(machine.Load.Wire, machine.Load.Gas, machine.Load.Polarity);
    }

    /// <summary>
    /// Whether a machine can be used for an exercise: with what is on it where that fits, else with what else is at hand.
    /// </summary>
    /// <param name="exercise">The exercise.</param>
    /// <param name="machine">The machine.</param>
    /// <param name="atHand">What there is to weld with.</param>
    /// <param name="way">How this room sets; null for what is usual.</param>
    public static MachineFit Of(Exercise exercise, Machine machine, AtHand atHand, WayOfSetting? way = null)
    {
        ArgumentNullException.ThrowIfNull(exercise);
        ArgumentNullException.ThrowIfNull(machine);
        ArgumentNullException.ThrowIfNull(atHand);
        Said? refused = null;
        foreach (var job in Jobs(exercise.Job, machine))
        {
            if (NotAtHand(job, atHand) is { } missing)
                refused ??= missing;
            else
            {
                var outcome = Planner.Plan(job, machine, way);
                if (outcome is Sheet sheet)
                    return new(UseOf(exercise, sheet), null);
                refused ??= (outcome as Refusal)?.Message;
            }
        }
        return new(null, refused);
    }

    /// <summary>What is on a machine once a plan's load was put on it; tip and rolls go with the wire.</summary>
    public static Load Loaded(Machine machine, PlanLoad load)
    {
        ArgumentNullException.ThrowIfNull(machine);
        ArgumentNullException.ThrowIfNull(load);
        var changed = machine.Load with { Wire = load.Wire, Gas = load.Gas, Polarity = load.Polarity };
        return load.Wire is not { } wire || wire == machine.Load.Wire
            ? changed
            : changed with
            {
                Tip = wire.Facts().Diameter,
                Rolls = wire.Facts().Rolls,
            };
    }

    /// <summary>Whether an exercise is one of those of which beginners are not all watched at once: overhead, aluminium, spray.</summary>
    public static bool IsHot(AskedJob job)
    {
        ArgumentNullException.ThrowIfNull(job);
        return job.Position == Position.Overhead || job.Metal == Metal.Aluminium || job.Process.Facts().FreeFlight;
    }

    // As the machine stands; then as it is usually done; then with any other wire that was left open.
    private static IEnumerable<Job> Jobs(AskedJob asked, Machine machine)
    {
        var usual = Defaults.Complete(asked, null);
        var kind = asked.Wire is null ? usual.Wire?.Facts().Kind : null;
        var others = Wires
            .All.Where(row => row.Kind == kind && row.RangeIn(asked.Process) is not null)
            .Select(row => usual with { Wire = row.Wire });
        return others.Prepend(usual).Prepend(Defaults.Complete(asked, machine)).Distinct();
    }

    private static Said? NotAtHand(Job job, AtHand atHand) =>
        job.Wire is { } wire && atHand.Spools is { } spools && spools.GetValueOrDefault(wire) == 0
            ? Say($"No {new PlanLoad(wire, job.Gas, default).WireInWords} is there.")
        : job.Gas != Gas.None && atHand.Bottles is { } bottles && bottles.GetValueOrDefault(job.Gas) == 0
            ? Say($"No {job.Gas.Facts().Name} is there.")
        : null;

    private static MachineUse UseOf(Exercise exercise, Sheet sheet)
    {
        var mm = exercise.Pieces.Select(piece => piece.Long.Mm).DefaultIfEmpty(UsualBeadMm).Max();
        var arc = sheet.PlugSeconds / 60 ?? mm / sheet.Travel!.Value.MmPerMin;
        var grams = sheet.Pair is { } pair ? pair.WireFeed.MPerMin * arc * GramsPerM(sheet.Job.Wire!.Value) : 0;
        var hot = sheet.DutyPercent is < HotDutyPercent || sheet.Job.Process.Facts().FreeFlight;
        return new(new(sheet.Job.Wire, sheet.Job.Gas, sheet.Polarity), arc, sheet.GasFlow?.Aim.LPerMin ?? 0, grams, hot);
    }

    private static double GramsPerM(Wire wire) => wire.Facts().AreaMm2 * wire.Facts().Kind.Facts().Metal.Facts().DensityGPerCm3;
}
