using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Safety;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>Heat input by both ways of counting.</summary>
internal sealed record HeatInputs(HeatInput? En, HeatInput? Aws);

/// <summary>Lens shade by the tables.</summary>
internal sealed record Shade(int Least, int? Comfortable);

/// <summary>Work and travel angle in words.</summary>
internal sealed record TorchAngles(Said Work, Said Travel);

/// <summary>What stands on a sheet around the pair and the bead: gas, stick-out, heat, shade, angles, duty.</summary>
internal static class Surroundings
{
    // A machine that welds less than this share of ten minutes has to be let cool between beads. Common practice, no source.
    private const double LittleDuty = 25;

    /// <summary>Shielding gas flow; none where the wire makes its own.</summary>
    public static Explained<Window<GasFlow>?> GasFlow(Job job)
    {
        if (job.Gas == Gas.None || job.Process.Facts().GasFlow is not { } usual)
            return new(null, []);
        var rule = job.Process.Facts().FeedsWire && job.Metal.Facts().WireGasFlow is { } own ? own : usual;
        return new(
            rule.Flow,
            [new("gasFlow", Say($"Usual flow"), rule.Why, Say($"{rule.Flow.Low} to {rule.Flow.High}"), Source.CommonPractice, [])]
        );
    }

    /// <summary>How far the tip stands from the work.</summary>
    public static Explained<Window<Length>> StickOut(Job job, WireFacts wire)
    {
        var rule = job.Process.Facts().StickOut!;
        var window = rule.For(wire);
        var why = rule.Diameters is { } times ? Say($"{times} x {wire.Name}; {rule.Why}") : rule.Why;
        return new(window, [new("stickOut", rule.Rule, why, Say($"{window.Aim}"), Source.CommonPractice, [])]);
    }

    /// <summary>Heat input; none for a plug, which has no travel.</summary>
    public static Explained<HeatInputs> Heat(Job job, Voltage? volts, Current amps, TravelSpeed? travel)
    {
        if (travel is not { } pace)
            return new(new(null, null), []);
        var process = job.Process.Facts();
        var arcVolts = volts ?? LoadLine.Tig(amps);
        var en = ArcHeat.En(arcVolts, amps, pace, process.ArcShare);
        var aws = ArcHeat.Aws(arcVolts, amps, pace);
        var working = volts is null
            ? Say($"{arcVolts} (load line 10 + 0.04 I) x {amps} over {pace}")
            : Say($"{arcVolts} x {amps} over {pace}");
        string[] from = volts is null ? ["amps", "travel"] : ["volts", "amps", "travel"];
        return new(
            new(en, aws),
            [
                new(
                    "heatInputEn",
                    Say($"Heat input, EN 1011-1"),
                    Say($"{process.ArcShare} x {working}"),
                    Say($"{en}"),
                    Source.Published,
                    from
                ),
                new(
                    "heatInputAws",
                    Say($"Heat input, AWS D1.1"),
                    Say($"60 x {working}; all of the arc's energy counted"),
                    Say($"{aws}"),
                    Source.Published,
                    from
                ),
            ]
        );
    }

    /// <summary>Lens shade.</summary>
    public static Explained<Shade> LensShadeFor(Job job, Current amps)
    {
        var (least, comfortable) = job.Process.IsGtaw() ? LensShade.ForTig(amps) : LensShade.For(amps);
        return new(
            new(least, comfortable),
            [
                new(
                    "shadeLeast",
                    Say($"Lens shade by current"),
                    Say($"table row for {amps}; OSHA 29 CFR 1910.133 and ANSI Z49.1, from memory"),
                    comfortable is { } better ? Say($"at least {least}, comfortable {better}") : Say($"at least {least}"),
                    Source.Published,
                    ["amps"]
                ),
            ]
        );
    }

    /// <summary>Work and travel angle.</summary>
    public static Explained<TorchAngles> Angles(Job job)
    {
        var joint = job.Joint.Facts();
        var (low, high) = joint.WorkAngle;
        var work = low == high ? Say($"{low}°") : Say($"{low} to {high}°");
        var travel = job.Process.Facts().TravelAngle;
        return new(
            new(Say($"{work} {joint.WorkAngleHow}"), travel),
            [
                new("workAngle", Say($"Work angle by joint"), Say($"{joint.Name}: {joint.WorkAngleHow}"), work, Source.CommonPractice, []),
                new(
                    "travelAngle",
                    Say($"Travel angle"),
                    Say($"enough to see the puddle, not enough to draw in air"),
                    travel,
                    Source.CommonPractice,
                    []
                ),
            ]
        );
    }

    /// <summary>Duty cycle at the current; none without a machine whose rating is known.</summary>
    public static Explained<double?> Duty(Machine? machine, Current amps)
    {
        if (machine?.Rating is not { } rating)
            return new(null, []);
        var duty = rating.DutyPercentAt(amps);
        var minutes = Say($"{duty / 10:0.0} min in 10");
        return new(
            duty,
            [
                new(
                    "dutyPercent",
                    Say($"Duty at these amps"),
                    Say($"{rating.DutyPercent} % x ({rating.Amps} / {amps})² from the rating plate"),
                    Say($"{duty:0} %: {minutes}"),
                    Source.Arithmetic,
                    ["amps"]
                ),
            ],
            duty < LittleDuty
                ? [new(Say($"Duty cycle of {machine.Name.Name()} at {amps}: {duty:0} % ({minutes}). Let it cool between beads."), false)]
                : []
        );
    }

    /// <summary>What the machine asks to be heeded beside its marks.</summary>
    public static IEnumerable<Caution> OfTheMachine(Job job, Machine? machine)
    {
        if (machine is null || job.Wire is null)
            yield break;
        if (machine.Programs.Count > 0 && machine.ProgramFor(job) is null)
        {
            yield return new(
                Say($"{machine.Name.Name()} has no program for this wire, gas and mode: set it by hand, or take another."),
                job.Process.Facts().VoltsByProgram
            );
        }
        if (machine is { VoltsUnderLoad: false, VoltControl: { } control } && control.IsStepped())
        {
            yield return new(
                Say($"Turn the volt switch of {machine.Name.Name()} only when not welding: under load it burns its contacts."),
                false
            );
        }
    }
}
