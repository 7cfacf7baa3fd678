using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Core.Trials;

namespace GentleBead.Core.Tests.Trials;

/// <summary>Sheets, trials and beads that the tests of trials share.</summary>
internal static class TrialRoom
{
    public static readonly DateTimeOffset Eight = new(2026, 3, 2, 20, 0, 0, TimeSpan.Zero);
    public static readonly Machine WithAmps = Room.Digital with { AmpControl = Room.Amps };
    public static readonly Sheet T = Room.Sheet(machine: Room.Digital);
    public static readonly Sheet Tig = Assert.IsType<Sheet>(
        Planner.Plan(new Job(Thickness.Parse("3"), Joint.T, Position.Flat, null, Process.GtawDc, Gas: Gas.Argon), WithAmps)
    );

    public static TrialPlan Plan(TrialRequest request, Machine? machine = null, Sheet? sheet = null)
    {
        var made = TrialPlans.Make(request, sheet ?? T, machine ?? Room.Digital, WayOfSetting.Usual);
        Assert.Empty(made.Problems);
        return made.Value!;
    }

    public static JudgedTrialBead Laid(
        TrialPlan plan,
        int step,
        Evidence evidence,
        double minutes = 0,
        bool fresh = true,
        Sheet? sheet = null
    )
    {
        var planned = plan.Steps[step - 1];
        var bead = new TrialBead(step, planned.Used, planned.Amps, evidence, Eight.AddMinutes(minutes), fresh);
        var judged = planned.Used is { } used
            ? Judge.Of(planned.Sheet ?? sheet ?? T, Room.Digital, used, evidence)
            : Judge.Of(sheet ?? Tig, WithAmps, planned.Amps!.Value, evidence);
        return new(bead, judged);
    }

    /// <summary>A bead on which everything was looked at and is right.</summary>
    public static Evidence Good =>
        new(Sound.EvenCrackle, Profile.SlightlyConvex, Toes.Blended, Tint.Even, Spatter.Little, Ripple.Even, [], Penetration.TintBehind);
}
