using GentleBead.Core.Arc;
using GentleBead.Core.Listening;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Listening;

/// <summary>What a recorder does to a sound.</summary>
internal static class Devices
{
    /// <summary>Sampled slower, with nothing folded down.</summary>
    internal static Waveform Slower(Waveform sound, int rate)
    {
        var samples = sound.Samples;
        for (var pass = 0; pass < 4; pass++)
            samples = LowPass(samples, 0.42 * rate, sound.Rate);
        var slower = new float[(int)(samples.Length * (double)rate / sound.Rate)];
        for (var i = 0; i < slower.Length; i++)
        {
            var at = (double)i * sound.Rate / rate;
            var (whole, part) = ((int)at, (float)(at - (int)at));
            slower[i] = samples[whole] * (1 - part) + samples[Math.Min(whole + 1, samples.Length - 1)] * part;
        }
        return new(rate, slower);
    }

    /// <summary>Turned up until it hits the end.</summary>
    /// <param name="sound">The sound.</param>
    /// <param name="levels">The end, in root mean squares of the sound.</param>
    internal static Waveform Clipped(Waveform sound, double levels)
    {
        var end = (float)(levels * ArcSound.Level(sound.Samples));
        return sound with { Samples = Array.ConvertAll(sound.Samples, value => Math.Clamp(value, -end, end) / end * 0.99f) };
    }

    /// <summary>A recorder that turns itself down for what is loud, and up again.</summary>
    internal static Waveform LevelsItself(Waveform sound, Xoshiro256StarStar random)
    {
        var (falls, rises) = (1 / (random.Around(0.002, 0.05) * sound.Rate), 1 / (random.Around(0.1, 1) * sound.Rate));
        double level = ArcSound.Level(sound.Samples);
        var floor = 0.1 * level;
        var samples = new float[sound.Samples.Length];
        for (var i = 0; i < samples.Length; i++)
        {
            var now = Math.Abs(sound.Samples[i]);
            level += (now > level ? falls : rises) * (now - level);
            samples[i] = (float)(0.1 * sound.Samples[i] / (level + floor));
        }
        return sound with { Samples = samples };
    }

    /// <summary>Through a pocket, a curtain, a cheap microphone: less above.</summary>
    internal static Waveform Covered(Waveform sound, double hertz) => sound with { Samples = LowPass(sound.Samples, hertz, sound.Rate) };

    private static float[] LowPass(float[] samples, double hertz, int rate)
    {
        // Two poles without a hump (Butterworth), by the bilinear transform.
        var warped = Math.Tan(Math.PI * Math.Min(hertz, 0.45 * rate) / rate);
        var scale = 1 / (1 + Math.Sqrt(2) * warped + warped * warped);
        var (b, a1, a2) = (
            warped * warped * scale,
            2 * (warped * warped - 1) * scale,
            (1 - Math.Sqrt(2) * warped + warped * warped) * scale
        );
        var passed = new float[samples.Length];
        double x1 = 0,
            x2 = 0,
            y1 = 0,
            y2 = 0;
        for (var i = 0; i < samples.Length; i++)
        {
            var y = b * (samples[i] + 2 * x1 + x2) - a1 * y1 - a2 * y2;
            (x2, x1, y2, y1) = (x1, samples[i], y1, y);
            passed[i] = (float)y;
        }
        return passed;
    }
}
