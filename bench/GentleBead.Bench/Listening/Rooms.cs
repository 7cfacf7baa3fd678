using System.Numerics;
using GentleBead.Core.Listening;
using MathNet.Numerics.IntegralTransforms;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Listening;

/// <summary>What a room makes of a sound: noise that dies away (Polack 1988, from memory), first echoes, the sound itself.</summary>
internal static class Rooms
{
    /// <param name="sound">The sound, as it is beside the arc.</param>
    /// <param name="seconds">How long the room rings, s to a millionth of the power.</param>
    /// <param name="direct">How far the sound itself is over what the room gives back, dB.</param>
    /// <param name="random">Of the room.</param>
    internal static Waveform Heard(Waveform sound, double seconds, double direct, Xoshiro256StarStar random)
    {
        var length = (int)(seconds * sound.Rate);
        var ring = new double[length];
        var power = 0.0;
        double low = 0;
        // Air and walls take what is high first.
        for (var i = 0; i < length; i++)
        {
            var share = (double)i / length;
            low += (1 - 0.6 * share) * (random.White() - low);
            ring[i] = low * Math.Exp(-6.9 * share) * (i < 0.004 * sound.Rate ? 0 : 1);
            power += ring[i] * ring[i];
        }
        for (var echo = 0; echo < 4; echo++)
            ring[(int)(random.Between(0.003, 0.04) * sound.Rate) % length] += random.White() * Math.Sqrt(power);
        var whole = BitOperations.RoundUpToPowerOf2((uint)(sound.Samples.Length + length));
        var (left, right) = (new Complex[whole], new Complex[whole]);
        for (var i = 0; i < sound.Samples.Length; i++)
            left[i] = sound.Samples[i];
        for (var i = 0; i < length; i++)
            right[i] = ring[i] / Math.Sqrt(power);
        right[0] += Math.Pow(10, direct / 20);
        Fourier.Forward(left, FourierOptions.AsymmetricScaling);
        Fourier.Forward(right, FourierOptions.AsymmetricScaling);
        for (var i = 0; i < left.Length; i++)
            left[i] *= right[i];
        Fourier.Inverse(left, FourierOptions.AsymmetricScaling);
        // As it is heard once the room rings: what comes before the first second's end is wrapped on.
        return sound with { Samples = [.. left.Take(sound.Samples.Length).Select(value => (float)value.Real)] };
    }
}
