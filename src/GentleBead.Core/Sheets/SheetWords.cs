using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>The sentences of a sheet: how the bead should look, which way to lean, what the hand does.</summary>
internal static class SheetWords
{
    private static readonly Dictionary<Motion, Said> Motions = new()
    {
        [Sheets.Motion.Straight] = Say($"Straight."),
        [Sheets.Motion.SmallC] = Say($"A small c, even steps."),
        [Sheets.Motion.SmallLoops] = Say($"Small loops, even steps."),
        [Sheets.Motion.WhipAndPause] = Say($"Whip and pause, a pause at each side."),
    };

    /// <summary>What the bead should look like.</summary>
    public static Said Look(Job job)
    {
        var beside =
            job.Metal.Facts().Beside
            ?? (
                job.Process.Facts().Slag ? Say($"slag that lifts off in one, heat tint of even width on both sides")
                : job.Joint.Facts().ByTime ? Say($"heat tint on the back in a round spot")
                : Say($"heat tint of even width on both sides and showing behind")
            );
        return Say($"{job.Joint.Facts().Look}; {beside}.");
    }

    // Who pushes sees the joint ahead; who drags goes the other way.
    private static readonly Dictionary<Hand, (Said Push, Said Drag)> Going = new()
    {
        [Hand.Right] = (
            Say($"With the torch in the right hand: push from right to left."),
            Say($"With the torch in the right hand: drag from left to right.")
        ),
        [Hand.Left] = (
            Say($"With the torch in the left hand: push from left to right."),
            Say($"With the torch in the left hand: drag from right to left.")
        ),
    };
    private static readonly (Said Push, Said Drag) EitherHand = (
        Say($"A right-hander pushes from right to left, a left-hander from left to right."),
        Say($"A right-hander drags from left to right, a left-hander from right to left.")
    );

    /// <summary>Push or drag, and which way that is.</summary>
    /// <param name="job">The job.</param>
    /// <param name="way">Whether dragging is taken too.</param>
    /// <param name="hand">The hand that holds the torch; null where nobody said, and both are told.</param>
    public static Said Direction(Job job, WayOfSetting way, Hand? hand)
    {
        var (pushing, dragging) = hand is { } own ? Going[own] : EitherHand;
        if (job.Joint.Facts().ByTime)
            return Say($"Start on the lower plate in the middle, circle out to the rim, fill, end in the middle.");
        if (job.Process.IsGtaw())
            return Sentences(
                Say($"Push, the rod in front at a low angle, its end always under the gas."),
                IsUpOrDown(job) ? null : pushing
            );
        if (job.Process.Facts().Slag)
        {
            return job.Position == Position.VerticalUp
                ? Say($"Upward, leaning a touch upward: slag means drag everywhere else.")
                : Sentences(Say($"Drag: slag means drag."), IsUpOrDown(job) ? null : dragging);
        }
        return job.Position switch
        {
            Position.VerticalUp => Say($"Upward, leaning a touch upward, ahead of the puddle."),
            Position.VerticalDown => Say($"Downward, leaning upward, always ahead of the puddle."),
            _ when way.Direction == DirectionRule.PushOnly => Sentences(Say($"Push."), pushing),
            _ => Sentences(Say($"Push. Drag only if it lets you see better: no slag here."), pushing),
        };
    }

    private static bool IsUpOrDown(Job job) => job.Position is Position.VerticalUp or Position.VerticalDown;

    /// <summary>What the hand does.</summary>
    public static Said Motion(Job job, WayOfSetting way)
    {
        if (job.Joint.Facts().ByTime)
            return Say($"By time, not by travel.");
        var straight = job.Process.Facts().StraightOnly;
        if (job.Process.IsGtaw() && straight is not null)
            return straight;
        return job.Position == Position.VerticalDown ? Say($"Straight and quick; do not weave downhill.") : straight ?? Motions[way.Motion];
    }

    /// <summary>Where to begin with the inductance; null where it has no say.</summary>
    public static Said? Inductance(Job job, Machine? machine) =>
        !job.Process.Facts().UsesInductance || machine is { Inductance: false } ? null
        : job.Thinner.Mm < 2 ? Say($"a little under the middle: a crisper arc on thin sheet")
        : Say($"the middle; more calms the spatter, less bites crisper");
}
