using MathNet.Numerics.Random;

namespace GentleBead.Core.Arc;

/// <summary>What an arc sounds like: made from its trace, no recording behind it.</summary>
/// <remarks>
/// The pressure follows the change of the arc's power, p ~ d(U I)/dt (Drouet and Nadeau, about 1979-1982, from memory). To that come the
/// rush of the gas with the arc's power, the crack of metal bursting at high current, the room, and if wanted the shop.
/// </remarks>
public static class ArcSound
{
    private const double Change = 1 / 9000.0,
        Rush = 0.012,
        Burst = 0.22;

    // Echoes of a bare shop: delay in s and what comes back.
    private static readonly (double Delay, double Back)[] Room = [(0.0113, 0.30), (0.0171, 0.24), (0.0297, 0.20)];

    /// <summary>The sound of a trace, one sample for each of its own, -1 to 1.</summary>
    /// <param name="trace">The arc.</param>
    /// <param name="seed">Of its chance.</param>
    public static float[] Of(ArcTrace trace, int seed)
    {
        ArgumentNullException.ThrowIfNull(trace);
        var random = new Xoshiro256StarStar(seed, threadSafe: false);
        var (rate, volts, amps) = (trace.Rate, trace.Volts, trace.Amps);
        var sound = new float[volts.Length];
        // Without gas the arc hisses in the air; scale gives off gas that bursts out of the puddle, some twelve times a second.
        var faulty = trace.Setting.Faults.Contains(ArcFault.GasLost) ? 6 : 1;
        var bursts = trace.Setting.Faults.Contains(ArcFault.Scale) ? 12.0 / rate : 0;
        var burst = 0.0;
        var decay = 1 - 1 / (0.002 * rate);
        double before = volts[0] * amps[0],
            rush = 0;
        for (var i = 0; i < sound.Length; i++)
        {
            var power = (double)volts[i] * amps[i];
            var white = random.NextDouble() - 0.5;
            // The rush is heard above about 2 kHz, and hardly while the arc is shorted out.
            rush += 0.25 * (white - rush);
            sound[i] = (float)(
                Change * (power - before)
                + Rush * faulty * Math.Sqrt(Math.Abs(power) / 2500) * (white - rush) * (volts[i] > 9 || volts[i] < -9 ? 1 : 0.15)
            );
            if (random.NextDouble() < bursts)
                burst = 0.4 + 0.6 * random.NextDouble();
            burst *= decay;
            sound[i] += (float)(burst * white);
            before = power;
        }
        foreach (var happened in trace.Events)
            Crack(sound, rate, happened, random);
        Hear(sound, rate);
        return sound;
    }

    /// <summary>Adds the noise of a shop, so many decibels under the sound that is there.</summary>
    /// <param name="sound">The sound; changed.</param>
    /// <param name="rate">Samples a second.</param>
    /// <param name="decibelsUnder">How far the noise lies under the sound, in root mean square; below 0 it is louder.</param>
    /// <param name="seed">Of its chance.</param>
    public static void AddShop(Span<float> sound, int rate, double decibelsUnder, int seed)
    {
        var noise = new float[sound.Length];
        var level = Level(sound);
        Shop(noise, rate, seed);
        var gain = (float)((level > 0 ? level : 0.05) * Math.Pow(10, -decibelsUnder / 20) / Level(noise));
        for (var i = 0; i < sound.Length; i++)
            sound[i] = Math.Clamp(sound[i] + gain * noise[i], -1, 1);
    }

    /// <summary>Root mean square of a sound.</summary>
    public static double Level(ReadOnlySpan<float> sound)
    {
        var sum = 0.0;
        foreach (var value in sound)
            sum += value * value;
        return sound.Length == 0 ? 0 : Math.Sqrt(sum / sound.Length);
    }

    // Extraction and compressor: noise falling with frequency, a hum; now and then something is put down.
    private static void Shop(Span<float> noise, int rate, int seed)
    {
        var random = new Xoshiro256StarStar(seed ^ 0x5EED, threadSafe: false);
        double low = 0,
            middle = 0,
            clank = 0,
            ring = 0;
        var pitch = 900.0;
        for (var i = 0; i < noise.Length; i++)
        {
            var white = random.NextDouble() - 0.5;
            low += 0.005 * (white - low);
            middle += 0.08 * (white - middle);
            if (random.NextDouble() < 0.4 / rate)
                (clank, pitch, ring) = (0.35 * random.NextDouble(), 700 + 1800 * random.NextDouble(), 0);
            clank *= 1 - 14.0 / rate;
            ring += 2 * Math.PI * pitch / rate;
            noise[i] = (float)(
                3.2 * low + 0.55 * middle + 0.08 * white + 0.06 * Math.Sin(2 * Math.PI * 100 * i / rate) + clank * Math.Sin(ring)
            );
        }
    }

    // What bursts at high current cracks; a wire that bursts whole cracks loudest.
    private static void Crack(float[] sound, int rate, ArcEvent happened, Xoshiro256StarStar random)
    {
        if (happened.Kind is not (ArcEventKind.Short or ArcEventKind.Stub))
            return;
        var share = happened.PeakAmps / 300;
        var loud = Burst * share * share * (happened.Kind == ArcEventKind.Stub ? 2.5 : Math.Min(1.2, Math.Sqrt(happened.DropMm3) * 0.5));
        var at = (int)((happened.Seconds + happened.Lasted) * rate);
        var decay = 1 - 1 / (0.003 * rate);
        for (var i = Math.Max(0, at); i < sound.Length && loud > 0.001; i++, loud *= decay)
            sound[i] += (float)(loud * (random.NextDouble() - 0.5) * 2);
    }

    // A microphone near the booth: no rumble, no more than about 9 kHz, the room's echoes, and no more than it can take.
    private static void Hear(float[] sound, int rate)
    {
        double low = 0,
            high = 0;
        var keepLow = Math.Exp(-2 * Math.PI * 100 / rate);
        var keepHigh = Math.Exp(-2 * Math.PI * 9000 / rate);
        var echoes = Room.Select(echo => ((int)(echo.Delay * rate), (float)echo.Back)).ToArray();
        for (var i = 0; i < sound.Length; i++)
        {
            high = sound[i] + keepHigh * (high - sound[i]);
            low = high + keepLow * (low - high);
            var heard = (float)(high - low);
            foreach (var (delay, back) in echoes)
            {
                if (i >= delay)
                    heard += back * sound[i - delay] * 0.5f;
            }
            sound[i] = heard;
        }
        for (var i = 0; i < sound.Length; i++)
            sound[i] = sound[i] / (1 + Math.Abs(sound[i]));
    }
}
