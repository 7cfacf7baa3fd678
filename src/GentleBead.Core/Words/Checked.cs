using System.Diagnostics.CodeAnalysis;

namespace GentleBead.Core.Words;

/// <summary>What came of something that was put in: a value, or what is wrong with it.</summary>
/// <typeparam name="T">What was to be made of it.</typeparam>
public sealed class Checked<T>
    where T : class
{
    /// <summary>All is well.</summary>
    public Checked(T value) => (Value, Problems) = (value, []);

    /// <summary>Something is wrong.</summary>
    /// <param name="problems">At least one.</param>
    public Checked(IReadOnlyList<Problem> problems) => Problems = problems;

    /// <summary>Something is wrong at one field.</summary>
    public Checked(Problem problem)
        : this([problem]) { }

    /// <summary>The value; null where something is wrong.</summary>
    public T? Value { get; }

    /// <summary>What is wrong; empty where there is a value.</summary>
    public IReadOnlyList<Problem> Problems { get; }

    /// <summary>Whether there is a value.</summary>
    /// <param name="value">The value.</param>
    /// <param name="problems">What is wrong where there is none.</param>
    public bool IsGood([NotNullWhen(true)] out T? value, out IReadOnlyList<Problem> problems)
    {
        (value, problems) = (Value, Problems);
        return value is not null;
    }
}
