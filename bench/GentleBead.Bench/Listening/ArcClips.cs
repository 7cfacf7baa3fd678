using GentleBead.Core.Arc;
using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Listening;

/// <summary>Clean arcs to teach with: the simulated arc by its own sound, the same arc sounded another way, and bare cracks.</summary>
/// <remarks>What the ear may rely on is what all three have: when and how hard it cracks, not how this model colours a crack.</remarks>
internal static class ArcClips
{
    private const int Rate = KnownClips.Rate;

    // Shares of the three, one after the other.
    private const double Simulated = 0.5,
        SoundedAnew = 0.85;

    /// <summary>How the clip of a seed is made.</summary>
    internal static string Way(int seed) =>
        Chance.Of(seed).NextDouble() switch
        {
            < Simulated => "simulated",
            < SoundedAnew => "simulated, sounded anew",
            _ => "bare cracks",
        };

    /// <param name="sound">Which sound.</param>
    /// <param name="seconds">How long.</param>
    /// <param name="seed">Of everything drawn.</param>
    internal static Waveform Of(Sound sound, double seconds, int seed)
    {
        var random = Chance.Of(seed);
        var way = random.NextDouble();
        return new(
            Rate,
            way < Simulated ? ArcSound.Of(KnownClips.Trace(sound, seconds, seed), seed)
                : way < SoundedAnew ? Otherwise(KnownClips.Trace(sound, seconds, seed), random)
                : Cracks(sound, seconds, random)
        );
    }

    // The same shorts, with other cracks, another rush, another microphone.
    private static float[] Otherwise(ArcTrace trace, Xoshiro256StarStar random)
    {
        var (volts, amps) = (trace.Volts, trace.Amps);
        var sound = new float[volts.Length];
        var (rush, change) = (random.Around(0.008, 0.018), random.Around(1 / 20000.0, 1 / 5000.0));
        if (trace.Setting.Faults.Contains(ArcFault.GasLost))
            rush *= random.Between(5, 7);
        var bursts = trace.Setting.Faults.Contains(ArcFault.Scale) ? random.Between(8, 18) / Rate : 0;
        var keep = random.Between(0.1, 0.6);
        // A bubble that bursts is louder than everyday cracks.
        var (loud, length, burst) = (random.Around(0.12, 0.4), random.Around(0.0008, 0.006), random.Between(0.3, 0.6));
        double before = volts[0] * amps[0],
            low = 0;
        for (var i = 0; i < sound.Length; i++)
        {
            double power = volts[i] * amps[i];
            low += keep * (random.White() - low);
            sound[i] = (float)(change * (power - before) + rush * (random.White() - low) * (volts[i] > 9 ? 1 : 0.2));
            before = power;
            if (random.In(bursts))
                Crack(sound, i, burst * random.Between(0.4, 1), random.Around(0.001, 0.004), random);
        }
        foreach (var happened in trace.Events.Where(one => one.Kind is ArcEventKind.Short or ArcEventKind.Stub))
        {
            var share = happened.PeakAmps / 300;
            var size = happened.Kind == ArcEventKind.Stub ? 2.5 : Math.Min(1.3, Math.Sqrt(happened.DropMm3) * 0.5);
            Crack(sound, (int)((happened.Seconds + happened.Lasted) * Rate), loud * share * share * size, length, random);
        }
        return Microphone(sound, random);
    }

    // Bare cracks by the counts that name a sound (ArcTruth.Name), on a bed of rushing gas.
    private static float[] Cracks(Sound sound, double seconds, Xoshiro256StarStar random)
    {
        var (from, to, wander, height, length, bed) = sound switch
        {
            Sound.EvenCrackle => (25.0, 180.0, random.Between(0.15, 0.55), 0.25, 0.002, random.Around(0.01, 0.05)),
            Sound.Popping => (2.2, 12.0, random.Between(0.2, 0.8), 1.0, 0.005, random.Around(0.003, 0.02)),
            Sound.Rattle => (2.0, 8.0, random.Between(0.5, 1.1), 0.45, 0.003, random.Around(0.02, 0.06)),
            Sound.Sputter => (18.0, 90.0, random.Between(0.95, 1.6), 0.3, 0.002, random.Around(0.04, 0.15)),
            _ => (0.05, 0.4, 1.0, 0.15, 0.002, random.Around(0.03, 0.1)),
        };
        var samples = new float[(int)(seconds * Rate)];
        double low = 0;
        for (var i = 0; i < samples.Length; i++)
        {
            low += 0.3 * (random.White() - low);
            samples[i] = (float)(bed * (random.White() - low));
        }
        var rate = random.Around(from, to);
        length *= random.Around(0.5, 2);
        for (
            var at = random.NextDouble() / rate;
            at < seconds;
            at += MathNet.Numerics.Distributions.Gamma.Sample(random, 1 / (wander * wander), rate / (wander * wander))
        )
            Crack(samples, (int)(at * Rate), height * random.Around(0.5, 1.6), length, random);
        return Microphone(samples, random);
    }

    private static void Crack(float[] sound, int at, double loud, double length, Xoshiro256StarStar random)
    {
        var decay = 1 - 1 / (length * Rate);
        for (var i = Math.Max(0, at); i < sound.Length && loud > 0.001; i++, loud *= decay)
            sound[i] += (float)(loud * 2 * random.White());
    }

    private static float[] Microphone(float[] sound, Xoshiro256StarStar random)
    {
        var (low, high) = (
            Math.Exp(-2 * Math.PI * random.Around(60, 400) / Rate),
            Math.Exp(-2 * Math.PI * random.Around(5000, 15000) / Rate)
        );
        var echoes = Enumerable
            .Range(0, 4)
            .Select(_ => (Delay: (int)(random.Between(0.001, 0.03) * Rate), Back: random.Between(0, 0.3)))
            .ToArray();
        var heard = new float[sound.Length];
        double above = 0,
            below = 0;
        for (var i = 0; i < sound.Length; i++)
        {
            above = sound[i] + high * (above - sound[i]);
            below = above + low * (below - above);
            heard[i] = (float)(above - below);
        }
        var wet = new float[sound.Length];
        for (var i = 0; i < sound.Length; i++)
        {
            wet[i] = heard[i];
            foreach (var (delay, back) in echoes)
                wet[i] += i >= delay ? (float)back * heard[i - delay] : 0;
        }
        return wet;
    }
}
