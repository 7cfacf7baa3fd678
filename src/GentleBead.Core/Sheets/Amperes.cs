using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>From plate, joint and position to the current they ask for.</summary>
internal static class Amperes
{
    /// <summary>Less than this share of the plate's current lies cold on it.</summary>
    public const double LeastShare = 0.9;

    /// <summary>The current a job asks for.</summary>
    public static Explained<Current> Wanted(Job job, WayOfSetting way)
    {
        var joint = job.Joint.Facts();
        var (set, how) = SetThickness(job, way.Position);
        var thickness = job.Thickness.Value;
        var typed =
            SteelGauge.Nearest(thickness) is { } gauge && job.Metal.IsSteel()
                ? Say($"\"{job.Thickness.Typed.Name()}\" is {thickness}, about {gauge} ga")
                : Say($"\"{job.Thickness.Typed.Name()}\" is {thickness}");
        var plate = PlateAmps.For(set);
        var wanted = plate * joint.HeatFactor;
        var thousandths = Say($"{set.Inches * 1000:0} thousandths");
        var paths = Say($"{joint.Name}: {joint.HeatWhy}; {plate} x {joint.HeatFactor}");
        return new(
            wanted,
            [
                new(
                    "plateAmps",
                    Say($"One ampere for each thousandth of an inch"),
                    Clauses([typed, .. how, thousandths]),
                    Say($"{plate}"),
                    Source.CommonPractice,
                    []
                ),
                new(
                    "jointAmps",
                    Say($"Heat paths of the joint"),
                    job.Position.Facts().Thinner ? paths : Say($"{paths}. Flat and horizontal take the same"),
                    Say($"{wanted}"),
                    Source.CommonPractice,
                    ["plateAmps"]
                ),
            ]
        );
    }

    /// <summary>The same current without its reasons, by another position rule.</summary>
    public static Current By(Job job, PositionRule rule) => PlateAmps.For(SetThickness(job, rule).Set) * job.Joint.Facts().HeatFactor;

    /// <summary>The one thickness a job is set for, and how it came about.</summary>
    public static (Length Set, IReadOnlyList<Said> How) SetThickness(Job job, PositionRule rule)
    {
        var set = job.Thickness.Value;
        List<Said> how = [];
        if (job.OtherThickness is { } other)
        {
            set = PlateAmps.SetFor(job.Thinner, job.Thicker);
            how.Add(
                Say($"the other member \"{other.Typed.Name()}\" is {other.Value}: set for {set}, between the two, aimed at the thicker")
            );
        }
        if (set > PlateAmps.RuleEnds)
        {
            set = PlateAmps.RuleEnds;
            how.Add(Say($"past {PlateAmps.RuleEnds} it takes more passes, not more amps"));
        }
        var steps = WayOfSetting.StepsThinner(rule);
        if (job.Position.Facts().Thinner && steps > 0)
        {
            set = PlateSteps.Thinner(set, steps);
            var position = job.Position.Facts().Words;
            how.Add(
                steps == 1
                    ? Say($"{position} takes the settings of the next thinner plate, {set}")
                    : Say($"{position} takes the settings of the second thinner plate, {set}")
            );
        }
        return (set, how);
    }

    private static Said Clauses(IReadOnlyList<Said> clauses) => Parts("; ", clauses);
}
