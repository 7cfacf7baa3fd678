namespace GentleBead.Core.Sheets;

/// <summary>The hand that holds the torch; the other one steadies, or feeds the rod.</summary>
public enum Hand
{
    /// <summary>The right hand.</summary>
    Right,

    /// <summary>The left hand.</summary>
    Left,
}
