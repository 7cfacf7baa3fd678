namespace GentleBead.Core.Floor;

/// <summary>Why a student puts a hand up.</summary>
public enum HandReason
{
    /// <summary>Somebody can be hurt.</summary>
    Danger,

    /// <summary>They cannot go on by themselves.</summary>
    Help,

    /// <summary>A bead or a fit-up is to be looked at before the next step.</summary>
    Look,

    /// <summary>They are done and want to know what comes next.</summary>
    Done,
}

/// <summary>A hand that is up.</summary>
/// <param name="Id">Which.</param>
/// <param name="Reason">Why.</param>
/// <param name="At">Since when.</param>
public sealed record RaisedHand(Guid Id, HandReason Reason, DateTimeOffset At);

/// <summary>One reason, as it is worded and what it asks for.</summary>
/// <param name="Reason">Which reason.</param>
/// <param name="Key">What stands on the student's key.</param>
/// <param name="Told">What the instructor reads.</param>
/// <param name="Need">What it asks of the instructor.</param>
public sealed record HandRow(HandReason Reason, Said Key, Said Told, NeedKind Need);

/// <summary>The reasons for a hand. Common practice, no source.</summary>
public static class HandReasons
{
    /// <summary>Every reason once, the gravest first.</summary>
    public static IReadOnlyList<HandRow> Table { get; } =
    [
        new(HandReason.Danger, Say($"Danger here"), Say($"Danger. Go there now."), NeedKind.Danger),
        new(HandReason.Help, Say($"Help me"), Say($"Hand up: needs help."), NeedKind.Hand),
        new(HandReason.Look, Say($"Look at this first"), Say($"Waits for your look before the next step."), NeedKind.Check),
        new(HandReason.Done, Say($"Done, what next?"), Say($"Done, and asks what comes next."), NeedKind.Check),
    ];

    /// <summary>The row of a reason.</summary>
    public static HandRow Row(this HandReason reason) => Table.Single(row => row.Reason == reason);
}
