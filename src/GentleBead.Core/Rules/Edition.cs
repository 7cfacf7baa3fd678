namespace GentleBead.Core.Rules;

/// <summary>The edition of the rules that makes sheets and verdicts.</summary>
public static class Edition
{
    /// <summary>Stored with every sheet and verdict; raised when a rule changes, so that later rules never rewrite history.</summary>
    public const int Number = 8;
}
