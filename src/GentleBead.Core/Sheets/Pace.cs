using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>How fast the torch goes, or for a plug how long it stays.</summary>
/// <param name="Travel">Travel speed; null for a plug.</param>
/// <param name="PlugSeconds">Seconds of arc; null but for a plug.</param>
internal sealed record TorchPace(TravelSpeed? Travel, double? PlugSeconds);

/// <summary>Travel speed: metal in is metal down; for TIG the puddle leads.</summary>
internal static class Pace
{
    // 100 in/min. Common practice, no source.
    private static readonly TravelSpeed FastestHand = TravelSpeed.FromMmPerMin(2500);

    /// <summary>The pace of a fed wire; a refusal where no hand goes so fast.</summary>
    public static Explained<TorchPace> For(Job job, WireFacts wire, WireFeedSpeed wireFeed, PassPlan passes)
    {
        var process = job.Process.Facts();
        var deposit = Deposit.Mm3PerMin(wireFeed, wire.Wire, process.DepositShare);
        var metal = Say($"{wire.AreaMm2.Mm2()} of wire x {wireFeed:run} x {process.DepositShare} kept");
        var rule = Say($"Metal in is metal down");
        if (job.Joint.Facts().ByTime)
        {
            var volume = BeadSizes.PlugVolume(job);
            var seconds = volume / deposit * 60;
            return new(
                new(null, seconds),
                [
                    new(
                        "plugSeconds",
                        rule,
                        Say($"{metal}, into {volume.Mm3()} of hole and crown"),
                        Say($"{seconds:0.0} s"),
                        Source.Arithmetic,
                        ["wireFeed", "beadSize"]
                    ),
                ]
            );
        }
        var travel = TravelSpeed.FromMmPerMin(deposit / passes.AreaOfOne());
        if (travel > FastestHand)
        {
            return new(
                new Refusal(
                    JobPart.Wire,
                    Sentences(
                        Say(
                            $"At the least this wire runs at, the torch would have to go {travel}: no hand does, and slower burns through."
                        ),
                        Say($"A thinner wire, or TIG.")
                    ),
                    RefusedFor.BurnsThrough
                )
            );
        }
        return new(
            new(travel, null),
            [
                new(
                    "travel",
                    rule,
                    Say($"{metal}, over a bead of {passes.AreaOfOne().Mm2()}"),
                    Say($"{travel}"),
                    Source.Arithmetic,
                    ["wireFeed", "beadSize", "passes"]
                ),
            ]
        );
    }

    /// <summary>The pace to begin a TIG bead with.</summary>
    public static Explained<TorchPace> ForTig(Job job)
    {
        var travel = TigRules.TravelFor(job.Thinner);
        return new(
            new(travel, null),
            [
                new(
                    "travel",
                    Say($"Pace to begin with"),
                    Say($"60 + 120 / t mm/min at {job.Thinner}; the puddle leads, its width is what to hold"),
                    Say($"{travel}"),
                    Source.CommonPractice,
                    []
                ),
            ]
        );
    }
}
