namespace GentleBead.Core.Rules;

/// <summary>What came of asking for a sheet: a sheet, or a <see cref="Refusal"/> that says why.</summary>
public abstract record SheetOutcome;

/// <summary>What a sheet is refused for. Poor practice is planned and cautioned; only what cannot be, or hurts, is refused.</summary>
public enum RefusedFor
{
    /// <summary>Process, metal, joint, position, wire, gas or polarity do not go together.</summary>
    Combination,

    /// <summary>The plate is thinner or thicker than sheets are made for.</summary>
    Thickness,

    /// <summary>Even the least arc of the wire burns through the plate.</summary>
    BurnsThrough,

    /// <summary>The machine has no such process, or gives or feeds too little.</summary>
    Machine,

    /// <summary>No tungsten bears the current.</summary>
    Tungsten,
}

/// <summary>A part of a job that can stand in the way of a sheet.</summary>
public enum JobPart
{
#pragma warning disable CS1591 // the parts of a job by their own names
    Thickness,
    OtherThickness,
    Joint,
    Position,
    Process,
    Metal,
    Wire,
    Gas,
    Polarity,
#pragma warning restore CS1591
}

/// <summary>No sheet, and why.</summary>
/// <param name="Part">The part of the job that stands in the way.</param>
/// <param name="Message">Why, and what would do.</param>
/// <param name="For">What it is refused for.</param>
public sealed record Refusal(JobPart Part, Said Message, RefusedFor For) : SheetOutcome
{
    /// <summary>The part's name in a request: "thickness", "wire".</summary>
    public string Field { get; } = char.ToLowerInvariant($"{Part}"[0]) + $"{Part}"[1..];

    /// <summary>The refusal as a problem at its field.</summary>
    public Problem AsProblem() => new(Field, Message);
}
