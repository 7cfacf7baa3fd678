using GentleBead.Core.Quantities;

namespace GentleBead.Core.Machines;

/// <summary>What a machine as entered has to keep to.</summary>
public static class MachineRules
{
    private const int LongestName = 60;
    private const int MostPrograms = 60;
    private const int HighestProgram = 9999;

    // What a display of each control may show.
    private static readonly string[] WireUnits = ["in/min", "m/min"];
    private static readonly string[] VoltUnits = ["V"];
    private static readonly string[] AmpUnits = ["A"];

    /// <summary>What is wrong with a machine; empty when nothing.</summary>
    public static IEnumerable<Problem> Problems(this Machine machine)
    {
        if ((machine.Name ?? "").Trim().Length is 0 or > LongestName)
            yield return new("name", Say($"What does the room call it? Up to {LongestName} letters."));
        if (machine.Load is null)
            yield return new("load", Say($"What is on it? At least gas and polarity."));
        if ((machine.WireControl is null) != (machine.VoltControl is null))
        {
            yield return new("wireControl", Say($"A machine that feeds wire has a wire control and a volt control."));
        }
        else if (machine.WireControl is null && machine.AmpControl is null)
        {
            yield return new("wireControl", Say($"A machine has a wire control and a volt control, or a current control, or all three."));
        }
        else if (machine.WireControl?.Kind == ControlKind.Trim)
            yield return new("wireControl", Say($"Only volts are trimmed here."));
        if (machine.WireControl?.Check(WireUnits) is { } wire)
            yield return new("wireControl", wire);
        if (machine.VoltControl?.Check(VoltUnits) is { } volt)
            yield return new("voltControl", volt);
        if (machine.AmpControl?.Check(AmpUnits) is { } amp)
            yield return new("ampControl", amp);
        if (machine.Rating is { } rating && !IsPlausible(rating))
        {
            yield return new(
                "rating",
                Say($"Rated amps from 10 to 1000, a duty of 5 to 100 %, and the most it gives, no less than rated.")
            );
        }
        if (!AreEachOnce(machine.Programs))
            yield return new("programs", Say($"Up to {MostPrograms} programs, each number once."));
    }

    /// <summary>What is wrong with a load on a machine; empty when nothing.</summary>
    public static IEnumerable<Problem> Problems(this Load load, Machine machine)
    {
        if (load.Program is { } number && machine.Programs.All(program => program.Number != number))
        {
            yield return new("program", Say($"{machine.Name.Name()} has no program {number}."));
        }
        if (load.Tip is { Mm: < 0.5 or > 3 })
            yield return new("tipMm", Say($"A tip from {new Either("0.5 to 3 mm", "0.020 to 1/8 in")}."));
        if (load.Tungsten is { Mm: < 0.5 or > 7 })
            yield return new("tungstenMm", Say($"A tungsten from {new Either("0.5 to 7 mm", "0.020 to 9/32 in")}."));
    }

    private static bool IsPlausible(Rating rating) =>
        rating.Amps.Amps is >= 10 and <= 1000
        && rating.DutyPercent is >= 5 and <= 100
        && rating.MostAmps >= rating.Amps
        && rating.MostAmps.Amps <= 1000;

    private static bool AreEachOnce(IReadOnlyList<MachineProgram> programs) =>
        programs.Count <= MostPrograms
        && programs.Select(program => program.Number).Distinct().Count() == programs.Count
        && programs.All(program => program.Number is >= 0 and <= HighestProgram);
}
