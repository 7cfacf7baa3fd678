namespace GentleBead.Core.Skills;

/// <summary>A bead as far as it says what its student can do.</summary>
/// <param name="At">When it was laid.</param>
/// <param name="Right">Whether it was right, by the word that stands.</param>
/// <param name="Harder">
/// How much harder than usual it was, by exercise and machine, in logits: 0 for usual, 1 where somebody who is right every other time is
/// right about every fourth. From -4 to 4.
/// </param>
public sealed record Attempt(DateTimeOffset At, bool Right, double Harder = 0);
