using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Checks;

/// <summary>When a check is made.</summary>
public enum CheckTime
{
    /// <summary>Before the first bead.</summary>
    PreStart,

    /// <summary>After the last.</summary>
    CloseDown,
}

/// <summary>One thing to look at or do, ticked at the booth.</summary>
/// <param name="Key">Its name, the same from session to session.</param>
/// <param name="Time">When it is made.</param>
/// <param name="Text">What to look at or do.</param>
/// <param name="Safety">Whether somebody can be hurt if it is passed over.</param>
public sealed record Check(string Key, CheckTime Time, Said Text, bool Safety);

/// <summary>Pre-start and close-down lists, made from machine, process and metal.</summary>
/// <remarks>Common practice, no source. The machine's manual, the site's rules and local codes stand over them.</remarks>
public static class CheckList
{
    private sealed record Row(string Key, CheckTime Time, bool Safety, Func<Job, Machine, Said?> Text);

    // In the order hands meet them. A row without words for a job does not stand on its list.
    private static readonly Row[] Table =
    [
        new("cable", CheckTime.PreStart, true, (_, _) => Say($"Plug, cable and torch lead sound and dry; nobody trips over them.")),
        new(
            "ppe",
            CheckTime.PreStart,
            true,
            (job, _) =>
                job.Process.IsGtaw()
                    ? Say($"Hood, glasses under it, dry gloves, skin covered, ear protection, no synthetic fleece.")
                    : Say(
                        $"Hood, glasses under it, dry gloves, skin covered, ear protection, no synthetic fleece, boots the "
                            + $"spatter does not run into."
                    )
        ),
        new("fire", CheckTime.PreStart, true, (_, _) => Say($"Nothing that burns within reach of sparks; extinguisher and way out free.")),
        new(
            "fume",
            CheckTime.PreStart,
            true,
            (job, _) =>
                job.Metal == Metal.Stainless
                    ? Say($"Extraction on and near: stainless fume holds chromium. Respirator where your rules ask for it.")
                : job.Process.Facts().Slag ? Say($"Extraction on and near: flux-cored wire smokes most of all.")
                : Say($"Extraction on. Zinc, paint and oil off the plate.")
        ),
        new("clamp", CheckTime.PreStart, false, (_, _) => Say($"Work clamp on bare metal, close to the weld.")),
        new("polarity", CheckTime.PreStart, false, (job, _) => Say($"Polarity: {job.Process.Facts().Polarity.Words()}.")),
        new(
            "wire",
            CheckTime.PreStart,
            false,
            (job, _) => job.Wire is { } wire ? Say($"Wire on the spool: {wire.Facts().Name} {wire.Facts().Kind.Words()}.") : null
        ),
        new(
            "program",
            CheckTime.PreStart,
            false,
            (job, machine) => machine.ProgramFor(job) is { } program ? Say($"Program {program.Number} chosen.") : null
        ),
        new(
            "rolls",
            CheckTime.PreStart,
            false,
            (job, _) =>
                job.Wire is { } wire
                    ? Say(
                        $"{Mismatches.RollWords(wire.Facts().Rolls)} of the wire's size; tension just enough to feed when the "
                            + $"wire is pinched."
                    )
                    : null
        ),
        new(
            "tip",
            CheckTime.PreStart,
            false,
            (job, _) => job.Wire is { } wire ? Say($"Tip for {wire.Facts().Name}, bore round; nozzle clear of spatter.") : null
        ),
        new(
            "tungsten",
            CheckTime.PreStart,
            false,
            (job, _) =>
                job.Process.IsGtaw() ? Say($"Tungsten ground lengthwise and clean, gripped tight; dust of the grinder drawn off.") : null
        ),
        new(
            "cylinder",
            CheckTime.PreStart,
            true,
            (job, _) => job.Gas == Gas.None ? null : Say($"Cylinder upright and chained; no oil or grease on the fittings.")
        ),
        new(
            "gas",
            CheckTime.PreStart,
            false,
            (job, _) =>
                job.Gas == Gas.None
                    ? null
                    : Say($"Gas: {job.Gas.Facts().Name}. Open slowly, standing aside; set the flow with the gas flowing.")
        ),
        new(
            "argon",
            CheckTime.PreStart,
            true,
            (job, _) =>
                job.Gas.Facts().Inert || job.Gas == Gas.HeliumMix
                    ? Say($"Fresh air: this gas drives out the air in pits, tanks and closed rooms.")
                    : null
        ),
        new(
            "plate",
            CheckTime.PreStart,
            false,
            (job, _) =>
                job.Metal switch
                {
                    Metal.Aluminium => Say($"Plate degreased, then brushed with a stainless brush kept for aluminium."),
                    Metal.MildSteel or Metal.LowAlloySteel => Say(
                        $"Mill scale, rust and paint ground off where the bead goes. Guard on the grinder, both hands on it."
                    ),
                    _ => Say($"Plate degreased and bright, with a brush kept for this metal."),
                }
        ),
        new(
            "brush",
            CheckTime.PreStart,
            true,
            (job, _) =>
                job.Metal == Metal.Magnesium ? Say($"No magnesium chips or dust about; the extinguisher for burning metal at hand.") : null
        ),
        new(
            "trim",
            CheckTime.PreStart,
            true,
            (job, _) => job.Wire is null ? null : Say($"Trim the wire before each start, pointing down.")
        ),
        new("neighbours", CheckTime.PreStart, true, (_, _) => Say($"Screens drawn; call out before striking.")),
        new("trimmed", CheckTime.CloseDown, false, (job, _) => job.Wire is null ? null : Say($"Wire trimmed flush.")),
        new(
            "nozzle",
            CheckTime.CloseDown,
            false,
            (job, _) => job.Wire is null ? null : Say($"Nozzle pulled, tip wiped, spatter cleared, dipped.")
        ),
        new("coiled", CheckTime.CloseDown, false, (_, _) => Say($"Cable coiled without kinks, clamp hung up.")),
        new("shut", CheckTime.CloseDown, true, (job, _) => job.Gas == Gas.None ? null : Say($"Cylinder shut.")),
        new("bled", CheckTime.CloseDown, false, (job, _) => job.Gas == Gas.None ? null : Say($"Line bled, regulator backed off.")),
        new("off", CheckTime.CloseDown, true, (_, _) => Say($"Power off once the fan has stopped.")),
        new(
            "hot",
            CheckTime.CloseDown,
            true,
            (_, _) => Say($"Hot pieces marked or quenched; no glow left anywhere. Look again in half an hour.")
        ),
        new(
            "logged",
            CheckTime.CloseDown,
            false,
            (_, machine) => Say($"What was cleaned or replaced on {machine.Name.Name()} noted, and the bottle's pressure.")
        ),
    ];

    /// <summary>The lists before a job is given out: of what is on the machine.</summary>
    public static IReadOnlyList<Check> Before(Machine machine)
    {
        var load = machine.Load;
        var process =
            machine.WireControl is null ? Process.GtawDc
            : load.Wire is { } on && Processes.All.FirstOrDefault(row => row.OwnWire == on.Facts().Kind) is { } own ? own.Process
            : Process.GmawShortCircuit;
        var metal = load.Wire?.Facts().Kind.Facts().Metal ?? Metal.MildSteel;
        return For(new Job(Thickness.Parse("3 mm"), Joint.BeadOnPlate, Position.Flat, load.Wire, process, metal, load.Gas), machine);
    }

    /// <summary>The lists for a job on a machine.</summary>
    public static IReadOnlyList<Check> For(Job job, Machine machine) =>
        [
            .. from row in Table
            let text = row.Text(job, machine)
            where text is not null
            select new Check(row.Key, row.Time, Say($"{text:capital}"), row.Safety),
        ];
}
