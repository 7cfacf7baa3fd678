using MathNet.Numerics.Random;

namespace GentleBead.Bench.Listening;

/// <summary>Draws for making sounds.</summary>
internal static class Chance
{
    internal static Xoshiro256StarStar Of(int seed) => new(seed, threadSafe: false);

    internal static double Between(this Xoshiro256StarStar random, double from, double to) => from + (to - from) * random.NextDouble();

    /// <summary>Evenly by ratio.</summary>
    internal static double Around(this Xoshiro256StarStar random, double from, double to) =>
        from * Math.Pow(to / from, random.NextDouble());

    internal static bool In(this Xoshiro256StarStar random, double share) => random.NextDouble() < share;

    internal static double White(this Xoshiro256StarStar random) => random.NextDouble() - 0.5;

    internal static T Of<T>(this Xoshiro256StarStar random, IReadOnlyList<T> choices) => choices[random.Next(choices.Count)];
}
