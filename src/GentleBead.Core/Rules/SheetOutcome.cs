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

/// <summary>No sheet, and why.</summary>
/// <param name="Field">The part of the job that stands in the way: "thickness", "wire", "gas", "position".</param>
/// <param name="Message">Why, and what would do.</param>
/// <param name="For">What it is refused for.</param>
public sealed record Refusal(string Field, string Message, RefusedFor For) : SheetOutcome;
