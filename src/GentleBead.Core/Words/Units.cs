namespace GentleBead.Core.Words;

/// <summary>The units a person reads.</summary>
public enum Units
{
    /// <summary>Millimetres, metres per minute, litres.</summary>
    Metric,

    /// <summary>Inches, inches per minute, cubic feet.</summary>
    Inch,
}
