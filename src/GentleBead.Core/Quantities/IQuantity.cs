namespace GentleBead.Core.Quantities;

/// <summary>A physical size held as one number of 0 or more in one unit; no two kinds mix.</summary>
/// <typeparam name="TSelf">The kind itself.</typeparam>
public interface IQuantity<TSelf> : IComparable<TSelf>
    where TSelf : struct, IQuantity<TSelf>
{
    /// <summary>The number, in the unit the kind is held in.</summary>
    double Held { get; }

    /// <summary>Makes a value from a number in that unit.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    static abstract TSelf Holding(double number);
}

/// <summary>What every kind can do with its own kind and with plain factors.</summary>
public static class QuantityArithmetic
{
    extension<T>(T)
        where T : struct, IQuantity<T>
    {
        /// <summary>Whether the left is smaller.</summary>
        public static bool operator <(T left, T right) => left.Held < right.Held;

        /// <summary>Whether the left is larger.</summary>
        public static bool operator >(T left, T right) => left.Held > right.Held;

        /// <summary>Whether the left is smaller or equal.</summary>
        public static bool operator <=(T left, T right) => left.Held <= right.Held;

        /// <summary>Whether the left is larger or equal.</summary>
        public static bool operator >=(T left, T right) => left.Held >= right.Held;

        /// <summary>Scales a value; the factor is finite, 0 or more.</summary>
        public static T operator *(T value, double factor) => T.Holding(value.Held * factor);

        /// <summary>How many times the right goes into the left.</summary>
        public static double operator /(T left, T right) => left.Held / right.Held;
    }
}
