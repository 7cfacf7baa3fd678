using GentleBead.Core.Listening;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Listening;

/// <summary>Sounds that are no arc, made here: what a shop, a street and a kitchen have that hisses, crackles, bangs and talks.</summary>
internal static class OtherSounds
{
    internal const int Rate = KnownClips.Rate;

    private delegate void Maker(float[] into, Xoshiro256StarStar random);

    private static readonly (string Name, Maker Make)[] Makers =
    [
        ("white noise", (into, random) => Coloured(into, random, 0)),
        ("pink noise", (into, random) => Coloured(into, random, random.Between(0.4, 0.8))),
        ("brown noise", (into, random) => Coloured(into, random, random.Between(0.9, 0.999))),
        ("air hose", Hose),
        ("rain", (into, random) => Drops(into, random, random.Around(40, 1500), 0.0005, 0.004, 0.3)),
        ("fire", Fire),
        ("grinder", Grinder),
        ("machine", Machine),
        ("talk", Talk),
        ("music", Music),
        ("hammering", (into, random) => Strokes(into, random, random.Between(0.8, 4), 0.1)),
        ("ratchet", (into, random) => Strokes(into, random, random.Around(8, 180), 0.004)),
        ("keys and chains", (into, random) => Strokes(into, random, random.Around(4, 30), 0.05)),
        ("footsteps and drops", (into, random) => Drops(into, random, random.Around(1, 12), 0.01, 0.08, 0.02)),
        ("frying", (into, random) => Drops(into, random, random.Around(200, 2000), 0.0008, 0.004, random.Between(0.2, 1))),
        ("engine", Engine),
        ("hum", Hum),
        ("applause", (into, random) => Drops(into, random, random.Around(30, 400), 0.004, 0.015, 0.05)),
        (
            "plasma cutter",
            (into, random) =>
            {
                Hose(into, random);
                Add(into, random, Hum, 0.5);
            }
        ),
        (
            "quiet room",
            (into, random) =>
            {
                Coloured(into, random, 0.9);
                Scale(into, random.Around(0.002, 0.02));
            }
        ),
    ];

    internal static int Count => Makers.Length;

    internal static string Name(int kind) => Makers[kind].Name;

    internal static float[] Of(int kind, double seconds, int seed)
    {
        var random = Chance.Of(seed);
        var samples = new float[(int)(seconds * Rate)];
        Makers[kind].Make(samples, random);
        Scale(samples, random.Between(0.1, 0.4) / Math.Max(1e-9, Core.Arc.ArcSound.Level(samples)) * (kind == Count - 1 ? 0.03 : 1));
        return samples;
    }

    private static void Scale(float[] samples, double by)
    {
        for (var i = 0; i < samples.Length; i++)
            samples[i] = (float)(samples[i] * by);
    }

    private static void Add(float[] into, Xoshiro256StarStar random, Maker other, double share)
    {
        var more = new float[into.Length];
        other(more, random);
        var by = share * Core.Arc.ArcSound.Level(into) / Math.Max(1e-9, Core.Arc.ArcSound.Level(more));
        for (var i = 0; i < into.Length; i++)
            into[i] += (float)(by * more[i]);
    }

    private static void Coloured(float[] into, Xoshiro256StarStar random, double keep)
    {
        double low = 0;
        var swell = random.In(0.4) ? random.Between(0.1, 0.8) : 0;
        var pace = random.Around(0.2, 6);
        for (var i = 0; i < into.Length; i++)
        {
            low = keep * low + (1 - keep) * random.White();
            into[i] = (float)(low * (1 + swell * Math.Sin(2 * Math.PI * pace * i / Rate)));
        }
    }

    // Air through a nozzle: noise about a pitch that opens and shuts.
    private static void Hose(float[] into, Xoshiro256StarStar random)
    {
        double band = 0,
            low = 0;
        var pitch = random.Around(1200, 9000);
        var width = random.Between(0.1, 0.9);
        var (opens, shuts) = random.In(0.5) ? (0.0, 99.0) : (random.Between(0, 0.7), random.Between(1, 3));
        for (var i = 0; i < into.Length; i++)
        {
            var step = 2 * Math.Sin(Math.PI * pitch / Rate);
            low += step * band;
            var high = random.White() - low - width * band;
            band += step * high;
            var at = (double)i / Rate;
            into[i] = (float)((band + 0.2 * random.White()) * (at > opens && at < shuts ? 1 : 0.02));
        }
    }

    // Bursts without order, each with its own length, height and pitch, on a bed of noise.
    private static void Drops(float[] into, Xoshiro256StarStar random, double perSecond, double shortest, double longest, double bed)
    {
        double low = 0;
        for (var i = 0; i < into.Length; i++)
        {
            low += 0.3 * (random.White() - low);
            into[i] += (float)(bed * 0.3 * low);
        }
        for (var count = (int)(perSecond * into.Length / Rate); count > 0; count--)
        {
            var (at, length, height) = (random.Next(into.Length), random.Around(shortest, longest), Math.Pow(random.NextDouble(), 3));
            var (pitch, tone) = (random.Around(300, 9000), random.NextDouble());
            for (var i = 0; i < 5 * length * Rate && at + i < into.Length; i++)
                into[at + i] += (float)(
                    height
                    * Math.Exp(-i / (length * Rate))
                    * (tone * Math.Sin(2 * Math.PI * pitch * i / Rate) + (1 - tone) * random.White())
                );
        }
    }

    private static void Fire(float[] into, Xoshiro256StarStar random)
    {
        Drops(into, random, random.Around(3, 60), 0.0006, 0.008, 0);
        Add(into, random, (bed, chance) => Coloured(bed, chance, 0.97), random.Between(0.3, 1.5));
    }

    private static void Grinder(float[] into, Xoshiro256StarStar random)
    {
        var turn = random.Between(70, 200);
        double phase = 0,
            load = 0.5;
        var tones = Enumerable.Range(1, 12).Select(_ => random.NextDouble()).ToArray();
        var rough = random.Between(0.2, 1.5);
        for (var i = 0; i < into.Length; i++)
        {
            load += 0.0002 * random.White();
            phase += 2 * Math.PI * turn * (1 + 0.05 * load) / Rate;
            var sum = 0.0;
            for (var tone = 0; tone < tones.Length; tone++)
                sum += tones[tone] * Math.Sin((tone + 1) * phase) / 6;
            into[i] = (float)(sum + rough * random.White() * Math.Pow(0.5 + 0.5 * Math.Sin(phase), 2));
        }
    }

    private static void Machine(float[] into, Xoshiro256StarStar random)
    {
        Strokes(into, random, random.Around(2, 40), random.Around(0.01, 0.08));
        Add(into, random, (bed, chance) => Coloured(bed, chance, 0.8), random.Between(0.2, 1));
        Add(into, random, Hum, random.Between(0, 0.7));
    }

    // The same stroke again and again, nearly alike.
    private static void Strokes(float[] into, Xoshiro256StarStar random, double perSecond, double length)
    {
        var tones = Enumerable.Range(0, 5).Select(_ => (Pitch: random.Around(300, 9000), High: random.NextDouble())).ToArray();
        var (loose, noise) = (random.Between(0, 0.3), random.Between(0, 1));
        for (var at = random.NextDouble() / perSecond; at < (double)into.Length / Rate; at += (1 + loose * random.White()) / perSecond)
        {
            var first = (int)(at * Rate);
            var height = 0.6 + 0.4 * random.NextDouble();
            for (var i = 0; i < 6 * length * Rate && first + i < into.Length; i++)
            {
                var sum = noise * random.White();
                foreach (var (pitch, high) in tones)
                    sum += high * Math.Sin(2 * Math.PI * pitch * i / Rate);
                into[first + i] += (float)(0.3 * height * sum * Math.Exp(-i / (length * Rate)));
            }
        }
    }

    // A buzz through three resonances, syllable by syllable, with a hiss of consonants.
    private static void Talk(float[] into, Xoshiro256StarStar random)
    {
        var voice = random.Around(80, 300);
        Span<(double Low, double Band)> parts = stackalloc (double, double)[3];
        var formants = new double[3];
        double phase = 0,
            high = 0;
        int next = 0;
        var (loud, hiss, pitch) = (0.0, 0.0, voice);
        for (var i = 0; i < into.Length; i++)
        {
            if (i >= next)
            {
                next = i + (int)(random.Between(0.05, 0.25) * Rate);
                formants = [random.Between(300, 900), random.Between(900, 2300), random.Between(2300, 3400)];
                (loud, hiss) =
                    random.In(0.2) ? (0, 0)
                    : random.In(0.25) ? (0.05, random.Between(0.3, 1))
                    : (1, 0.02);
                pitch = voice * random.Between(0.8, 1.25);
            }
            phase += pitch / Rate;
            var buzz = phase >= 1 ? 1.0 : 0;
            phase %= 1;
            var white = random.White();
            high += 0.6 * (white - high);
            var sum = 0.0;
            for (var part = 0; part < 3; part++)
            {
                var step = 2 * Math.Sin(Math.PI * formants[part] / Rate);
                parts[part].Low += step * parts[part].Band;
                parts[part].Band += step * (loud * buzz - parts[part].Low - 0.08 * parts[part].Band);
                sum += parts[part].Band / (part + 1);
            }
            into[i] = (float)(sum + hiss * 0.3 * (white - high));
        }
    }

    private static void Music(float[] into, Xoshiro256StarStar random)
    {
        var beat = random.Between(0.12, 0.5);
        var drum = random.In(0.6);
        for (var at = 0.0; at < (double)into.Length / Rate; at += beat)
        {
            var first = (int)(at * Rate);
            var pitch = 110 * Math.Pow(2, random.Next(36) / 12.0);
            for (var i = 0; i < 2 * beat * Rate && first + i < into.Length; i++)
            {
                var tone = 2 * Math.PI * pitch * i / Rate;
                var sum = Math.Sin(tone) + 0.5 * Math.Sin(2 * tone) + 0.3 * Math.Sin(3 * tone) + 0.15 * Math.Sin(5 * tone);
                into[first + i] += (float)(0.2 * sum * Math.Exp(-i / (beat * Rate)));
                if (drum)
                    into[first + i] += (float)(0.5 * random.White() * Math.Exp(-i / (0.02 * Rate)));
            }
        }
    }

    private static void Engine(float[] into, Xoshiro256StarStar random) => Strokes(into, random, random.Around(15, 120), 0.01);

    private static void Hum(float[] into, Xoshiro256StarStar random)
    {
        var mains = random.In(0.5) ? 50 : 60;
        var highs = Enumerable.Range(1, 20).Select(part => random.NextDouble() / part).ToArray();
        for (var i = 0; i < into.Length; i++)
        {
            var sum = 0.01 * random.White();
            for (var part = 0; part < highs.Length; part++)
                sum += highs[part] * Math.Sin(2 * Math.PI * mains * (part + 1) * i / Rate);
            into[i] = (float)sum;
        }
    }
}
