using GentleBead.Core.Arc;
using GentleBead.Core.Listening;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Listening;

/// <summary>A recording as it was taken.</summary>
/// <param name="Sound">What is on it.</param>
/// <param name="Out">Where the arc was out, s.</param>
internal sealed record Take(Waveform Sound, IReadOnlyList<(double From, double To)> Out);

/// <summary>How a recording is taken: the place, what else is heard, the device; the grid to teach and to measure over.</summary>
internal static class Takes
{
    private delegate Take Maker(Waveform clean, Xoshiro256StarStar random);

    private static readonly (string Name, Maker Make)[] Makers =
    [
        ("near", (clean, _) => new(clean, [])),
        ("shop 10 dB under", (clean, random) => Beside(clean, random, random.Between(8, 14), Shop)),
        ("shop as loud", (clean, random) => Beside(clean, random, random.Between(-1, 4), Shop)),
        ("white noise as loud", (clean, random) => Beside(clean, random, random.Between(0, 6), Noise(0))),
        ("pink noise as loud", (clean, random) => Beside(clean, random, random.Between(0, 6), Noise(1))),
        ("pauses", Pauses),
        ("a clank", Clanks),
        ("8 kHz", (clean, random) => Plain(Devices.Slower(Shopped(clean, random), 8_000))),
        ("11 kHz", (clean, random) => Plain(Devices.Slower(Shopped(clean, random), 11_025))),
        ("16 kHz", (clean, random) => Plain(Devices.Slower(Shopped(clean, random), 16_000))),
        ("22 kHz", (clean, random) => Plain(Devices.Slower(Shopped(clean, random), 22_050))),
        ("hard hall", (clean, random) => Plain(Rooms.Heard(clean, random.Between(1, 2.5), random.Between(-6, 4), random))),
        ("bare room", (clean, random) => Plain(Rooms.Heard(clean, random.Between(0.2, 0.8), random.Between(-4, 8), random))),
        ("a level that stands off zero", (clean, random) => Plain(Each(clean, Level(clean, random.Between(-0.5, 0.5))))),
        ("the other polarity", (clean, _) => Plain(Each(clean, value => -value))),
        ("clipped", (clean, random) => Plain(Devices.Clipped(clean, random.Between(0.6, 5)))),
        ("hum", (clean, random) => Beside(clean, random, random.Between(-8, 6), Other("hum"))),
        ("talk beside it", (clean, random) => Beside(clean, random, random.Between(0, 10), Other("talk"))),
        ("a grinder beside it", (clean, random) => Beside(clean, random, random.Between(3, 12), Other("grinder"))),
        ("an air hose beside it", (clean, random) => Beside(clean, random, random.Between(3, 12), Other("air hose"))),
        ("a machine beside it", (clean, random) => Beside(clean, random, random.Between(3, 12), Other("machine"))),
        ("rain on the roof", (clean, random) => Beside(clean, random, random.Between(3, 12), Other("rain"))),
        ("music", (clean, random) => Beside(clean, random, random.Between(0, 10), Other("music"))),
        ("a codec", (clean, random) => Plain(Codecs.Through(Shopped(clean, random), random))),
        ("a telephone", (clean, random) => Plain(Codecs.Telephone(Shopped(clean, random), random))),
        ("levels by itself", (clean, random) => Plain(Devices.LevelsItself(Shopped(clean, random), random))),
        ("far off or covered", (clean, random) => Plain(Devices.Covered(Shopped(clean, random), random.Around(2200, 9000)))),
        ("eight bits", (clean, _) => Plain(Each(clean, value => MathF.Round(value * 100) / 100))),
    ];

    internal static int Count => Makers.Length;

    internal static string Name(int take) => Makers[take].Name;

    /// <summary>Takes a recording of a sound.</summary>
    internal static Take Of(int take, Waveform clean, int seed)
    {
        var random = Chance.Of(seed);
        var taken = Makers[take].Make(clean, random);
        // Turned up so far that nothing is lost, or down.
        var most = taken.Sound.Samples.Max(Math.Abs);
        var gain = (float)(random.Around(0.05, 1) / Math.Max(most, 1e-6));
        return taken with { Sound = Makers[take].Name == "clipped" ? taken.Sound : Each(taken.Sound, value => value * gain) };
    }

    private static Take Plain(Waveform sound) => new(sound, []);

    private static Waveform Each(Waveform sound, Func<float, float> made) =>
        sound with
        {
            Samples = Array.ConvertAll(sound.Samples, value => made(value)),
        };

    private static Func<float, float> Level(Waveform sound, double off)
    {
        var by = (float)(off * sound.Samples.Max(Math.Abs));
        return value => value + by;
    }

    private static Waveform Shopped(Waveform clean, Xoshiro256StarStar random) => Beside(clean, random, random.Between(8, 30), Shop).Sound;

    private static float[] Shop(double seconds, int seed)
    {
        var samples = new float[(int)(seconds * KnownClips.Rate)];
        ArcSound.AddShop(samples, KnownClips.Rate, 0, seed);
        return samples;
    }

    private static Func<double, int, float[]> Noise(int kind) => (seconds, seed) => OtherSounds.Of(kind, seconds, seed);

    private static Func<double, int, float[]> Other(string name) =>
        Noise(Enumerable.Range(0, OtherSounds.Count).First(kind => OtherSounds.Name(kind) == name));

    private static Take Beside(Waveform clean, Xoshiro256StarStar random, double decibelsUnder, Func<double, int, float[]> other)
    {
        var more = other(clean.Seconds + 0.01, random.NextFullRangeInt32());
        if (clean.Rate != KnownClips.Rate)
            more = Devices.Slower(new(KnownClips.Rate, more), clean.Rate).Samples;
        var by = (float)(ArcSound.Level(clean.Samples) / Math.Max(1e-9, ArcSound.Level(more)) * Math.Pow(10, -decibelsUnder / 20));
        return Plain(clean with { Samples = [.. clean.Samples.Select((value, i) => value + by * more[i])] });
    }

    private static Take Pauses(Waveform clean, Xoshiro256StarStar random)
    {
        var samples = (float[])clean.Samples.Clone();
        var pauses = new List<(double From, double To)>();
        for (var count = 1 + random.Next(2); count > 0; count--)
        {
            var length = random.Between(0.15, 0.6);
            var from = random.Between(0, clean.Seconds - length);
            pauses.Add((from, from + length));
            Array.Clear(samples, (int)(from * clean.Rate), (int)(length * clean.Rate));
        }
        return new(Shopped(clean with { Samples = samples }, random), pauses);
    }

    private static Take Clanks(Waveform clean, Xoshiro256StarStar random)
    {
        var samples = (float[])clean.Samples.Clone();
        var loud = clean.Samples.Max(Math.Abs);
        for (var count = 1 + random.Next(2); count > 0; count--)
        {
            var (at, length) = (random.Next(samples.Length), random.Around(0.01, 0.25));
            var tones = Enumerable.Range(0, 6).Select(_ => (Pitch: random.Around(400, 8000), Share: random.NextDouble())).ToArray();
            var height = loud * random.Around(1, 8) / 3;
            for (var i = 0; i < 6 * length * clean.Rate && at + i < samples.Length; i++)
            {
                var ring = tones.Sum(tone => tone.Share * Math.Sin(2 * Math.PI * tone.Pitch * i / clean.Rate));
                samples[at + i] += (float)(height * ring * Math.Exp(-i / (length * clean.Rate)));
            }
        }
        return Plain(Shopped(clean with { Samples = samples }, random));
    }
}
