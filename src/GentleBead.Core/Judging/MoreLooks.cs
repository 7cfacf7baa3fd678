using GentleBead.Core.Beads;
using GentleBead.Core.Stock;
using static GentleBead.Core.Judging.Observations;
using static GentleBead.Core.Judging.Sign;
using static GentleBead.Core.Judging.Trouble;

namespace GentleBead.Core.Judging;

/// <summary>What is looked at where a bead puzzles: where along it, how it starts, tip and nozzle, gas, the arc's light.</summary>
internal static class MoreLooks
{
    /// <summary>Each of them.</summary>
    public static IReadOnlyList<Observation> All =>
        [
            Noted<Along>(
                bead => bead.Evidence.Along,
                (Along.Same, new(SameAlong, Say($"the same from end to end"))),
                (Along.AtStart, new(WorseAtStart, Say($"bad at the start only"))),
                (Along.Worse, new(WorseAlong, Say($"worse the further it goes"))),
                (Along.AtEnd, new(WorseAtEnd, Say($"bad at the end of reach"), Hand))
            ) with
            {
                Ask = Say($"Look along the whole bead: where is it bad?"),
            },
            Noted<Start>(
                bead => bead.Evidence.Start,
                (Start.Clean, new(StartClean, Say($"started at once"))),
                (Start.Touching, new(StartTouching, Say($"wire touching at the trigger"), Hand)),
                (Start.Stuttering, new(StartStuttering, Say($"stuttered before it held")))
            ) with
            {
                Ask = Say($"Watch the next start: does it light at once?"),
                Fits = job => !job.Process.IsGtaw(),
            },
            Noted<TipAfter>(
                bead => bead.Evidence.Tip,
                (TipAfter.Clear, new(TipClear, Say($"tip and nozzle clear"))),
                (TipAfter.BurntBack, new(TipBurntBack, Say($"wire burnt back into the tip"), Unsteady)),
                (TipAfter.Clogged, new(NozzleClogged, Say($"spatter in the nozzle")))
            ) with
            {
                Ask = Say($"Look into the nozzle: clear, clogged, wire fused in the tip?"),
                Fits = job => !job.Process.IsGtaw(),
            },
            Noted<GasAtNozzle>(
                bead => bead.Evidence.Gas,
                (GasAtNozzle.Flows, new(GasFlows, Say($"gas heard at the nozzle"))),
                (GasAtNozzle.Nothing, new(GasNothing, Say($"no gas at the nozzle"), Hand))
            ) with
            {
                Ask = Say($"Hold the nozzle to an ear, arc off: does gas flow?"),
                Fits = job => job.Gas != Gas.None,
            },
            Noted<ArcLight>(
                bead => bead.Evidence.Light,
                (ArcLight.Still, new(LightStill, Say($"light standing still"))),
                (ArcLight.Swelling, new(LightSwelling, Say($"light swelling and shrinking"))),
                (ArcLight.Wandering, new(LightWandering, Say($"arc blown to one side")))
            ) with
            {
                Ask = Say($"Watch the light on the wall: still, swelling, blown aside?"),
            },
            Noted<TorchLean>(
                bead => bead.Evidence.Lean,
                (TorchLean.AsOnSheet, new(LeanRight, Say($"torch leaning as the sheet says"))),
                (TorchLean.FarOver, new(LeanFar, Say($"torch leaning far over"), Hand))
            ) with
            {
                Ask = Say($"Watch the torch from the side: does it lean as the sheet says?"),
                Fits = job => !job.Joint.Facts().ByTime,
            },
        ];
}
