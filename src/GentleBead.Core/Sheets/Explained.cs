using GentleBead.Core.Rules;

namespace GentleBead.Core.Sheets;

/// <summary>What one step of planning found: a value with the reasons for it and what to heed, or why there is none.</summary>
/// <typeparam name="T">What was looked for.</typeparam>
internal readonly record struct Explained<T>
{
    /// <summary>A value found.</summary>
    public Explained(T value, IReadOnlyList<Reason> reasons, params IReadOnlyList<Caution> cautions) =>
        (Value, Reasons, Cautions) = (value, reasons, cautions);

    /// <summary>No value, and why.</summary>
    public Explained(Refusal refused) => (Value, Reasons, Cautions, Refused) = (default!, [], [], refused);

    /// <summary>What was found; not to be looked at when it was refused.</summary>
    public T Value { get; }

    /// <summary>A reason for each number in it.</summary>
    public IReadOnlyList<Reason> Reasons { get; }

    /// <summary>What to heed.</summary>
    public IReadOnlyList<Caution> Cautions { get; }

    /// <summary>Why there is none; null when there is one.</summary>
    public Refusal? Refused { get; }
}

/// <summary>Gathers the reasons and cautions of the steps in the order they are taken.</summary>
internal sealed class Gathered
{
    private readonly List<Reason> reasons = new(24);
    private readonly List<Caution> cautions = new(16);

    /// <summary>Every reason so far.</summary>
    public IReadOnlyList<Reason> Reasons => reasons;

    /// <summary>Everything to heed so far.</summary>
    public IReadOnlyList<Caution> Cautions => cautions;

    /// <summary>Takes what a step found and keeps why.</summary>
    public T Take<T>(Explained<T> step)
    {
        reasons.AddRange(step.Reasons);
        cautions.AddRange(step.Cautions);
        return step.Value;
    }

    /// <summary>Takes cautions that go with no number.</summary>
    public void Heed(IEnumerable<Caution> more) => cautions.AddRange(more);
}
