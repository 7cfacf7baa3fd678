using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>Welding current. Held in amperes.</summary>
public readonly record struct Current : IComparable<Current>
{
    private Current(double amps) => Amps = amps;

    /// <summary>The value in amperes; finite, 0 or more.</summary>
    public double Amps { get; }

    /// <summary>Makes a value from amperes.</summary>
    /// <param name="amps">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static Current FromAmps(double amps) => new(Finite.NonNegative(amps));

    /// <inheritdoc/>
    public int CompareTo(Current other) => Amps.CompareTo(other.Amps);

    /// <summary>Whether the left is smaller.</summary>
    public static bool operator <(Current left, Current right) => left.Amps < right.Amps;

    /// <summary>Whether the left is larger.</summary>
    public static bool operator >(Current left, Current right) => left.Amps > right.Amps;

    /// <summary>Whether the left is smaller or equal.</summary>
    public static bool operator <=(Current left, Current right) => left.Amps <= right.Amps;

    /// <summary>Whether the left is larger or equal.</summary>
    public static bool operator >=(Current left, Current right) => left.Amps >= right.Amps;

    /// <summary>Scales the value; the factor is finite, 0 or more.</summary>
    public static Current operator *(Current value, double factor) => FromAmps(value.Amps * factor);

    /// <summary>How many times the right goes into the left.</summary>
    public static double operator /(Current left, Current right) => left.Amps / right.Amps;

    /// <summary>The value in amperes, for logs and debuggers.</summary>
    public override string ToString() => $"{Amps.ToString("0.###", CultureInfo.InvariantCulture)} A";
}
