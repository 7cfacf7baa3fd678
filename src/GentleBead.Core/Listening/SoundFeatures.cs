using System.Numerics;
using NWaves.Transforms;

namespace GentleBead.Core.Listening;

/// <summary>What is measured of half a second of sound, to tell one arc from another. None depends on how loud the recording is.</summary>
/// <remarks>
/// The two highest bands there are give percentiles, peaks and gaps (<see cref="PeakMeasures"/>); to these come how steeply the level
/// rises, how it swings (its modulation spectrum), how the bands stand to each other and move together, and how much of it is tone.
/// </remarks>
public sealed class SoundFeatures
{
    /// <summary>Blocks of a window, and from one window to the next.</summary>
    public const int Window = 500,
        Hop = 250;

    private const int RiseMeasures = 4;

    // Swings of the level are looked at over the window, in octaves from 2 Hz up; tone in stretches of so many samples.
    private const int Spectrum = 512,
        Octaves = 8;
    private const double ToneFrom = 200,
        ToneTo = 3400;

    private const double Least = 1e-12;

    // Swings and tones are looked for through the same window.
    private static readonly float[] Hann = [.. MathNet.Numerics.Window.Hann(Spectrum).Select(value => (float)value)];

    private readonly RealFft transform = new(Spectrum);
    private readonly float[] taken = new float[Spectrum],
        real = new float[Spectrum / 2 + 1],
        imaginary = new float[Spectrum / 2 + 1];
    private readonly SoundBands bands;
    private readonly float[] second;

    private SoundFeatures(SoundBands bands)
    {
        this.bands = bands;
        Narrow = bands.Narrow;
        Main = Narrow ? bands.Power[2] : Sum(bands.Power[3], bands.Power[4]);
        second = Narrow ? bands.Power[1] : bands.Power[2];
    }

    /// <summary>Whether only what a telephone carries was listened to.</summary>
    public bool Narrow { get; }

    /// <summary>Power of the highest band listened to, by block.</summary>
    public float[] Main { get; }

    /// <summary>How many features a window has.</summary>
    public int Count => 2 * PeakMeasures.Count + RiseMeasures + Octaves + 1 + (Narrow ? 2 : 4) + 2 + 2;

    /// <summary>How many windows.</summary>
    public int Windows => Main.Length < Window ? 0 : (Main.Length - Window) / Hop + 1;

    /// <summary>Measures a sound.</summary>
    public static SoundFeatures Of(Waveform sound) => new(SoundBands.Of(sound));

    /// <summary>The features of one window.</summary>
    /// <param name="window">Which, from 0.</param>
    /// <param name="into">Where to write them; as long as <see cref="Count"/>.</param>
    public void Write(int window, Span<double> into)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(window);
        ArgumentOutOfRangeException.ThrowIfGreaterThanOrEqual(window, Windows);
        if (into.Length != Count)
            throw new ArgumentException($"Room for {Count} features.", nameof(into));
        var from = window * Hop;
        var main = Main.AsSpan(from, Window);
        PeakMeasures.Write(main, into);
        PeakMeasures.Write(second.AsSpan(from, Window), into[PeakMeasures.Count..]);
        into = into[(2 * PeakMeasures.Count)..];
        Span<double> level = stackalloc double[Window],
            below = stackalloc double[Window];
        Level(main, level);
        Level(second.AsSpan(from, Window), below);
        Rises(level, into);
        Swing(level, into[RiseMeasures..]);
        into = into[(RiseMeasures + Octaves + 1)..];
        into[0] = Together(level, below);
        Level(bands.Power[0].AsSpan(from, Window), below);
        into[1] = Together(level, below);
        into = into[2..];
        var mean = Mean(main);
        var others = Narrow ? 2 : 4;
        for (var band = 0; band < others; band++)
            into[band] = Math.Clamp(
                Math.Log10(Math.Max(Mean(bands.Power[band].AsSpan(from, Window)), Least) / Math.Max(mean, Least)),
                -4,
                6
            );
        Tone(from, into[others..]);
    }

    private static float[] Sum(float[] one, float[] other)
    {
        var sum = new float[one.Length];
        for (var i = 0; i < sum.Length; i++)
            sum[i] = one[i] + other[i];
        return sum;
    }

    // The level as a logarithm, with a floor well under its median.
    private static void Level(ReadOnlySpan<float> blocks, Span<double> level)
    {
        var floor = Math.Max(0.02 * Mean(blocks), Least);
        for (var i = 0; i < level.Length; i++)
            level[i] = Math.Log10(blocks[i] + floor);
    }

    // How steeply the level rises: a hall makes each crack long, and leaves its beginning as it was.
    private static void Rises(ReadOnlySpan<double> level, Span<double> into)
    {
        Span<double> rises = stackalloc double[level.Length - 4];
        var (mean, steep, crowd) = (0.0, 0, -10);
        for (var i = 4; i < level.Length; i++)
        {
            var rise = Math.Max(0, level[i] - (level[i - 4] + level[i - 3] + level[i - 2]) / 3);
            rises[i - 4] = rise;
            mean += rise / rises.Length;
            if (rise > 0.5 && i - crowd > 4)
                (steep, crowd) = (steep + 1, i);
        }
        rises.Sort();
        into[0] = mean;
        into[1] = rises[rises.Length * 95 / 100];
        into[2] = rises[^3];
        into[3] = Math.Log10(1 + 2 * steep);
    }

    // How the level swings, by octave from 2 Hz to 512: the share of each in all swinging, and how far one rate stands out.
    private void Swing(ReadOnlySpan<double> level, Span<double> into)
    {
        var mean = 0.0;
        foreach (var value in level)
            mean += value / level.Length;
        Array.Clear(taken);
        for (var i = 0; i < level.Length; i++)
            taken[i] = (float)(level[i] - mean) * Hann[i];
        transform.Direct(taken, real, imaginary);
        var (all, most) = (Least, 0.0);
        Span<double> octaves = stackalloc double[Octaves];
        for (var bin = 1; bin < Spectrum / 2; bin++)
        {
            var power = Power(bin);
            octaves[Math.Min(Octaves - 1, BitOperations.Log2((uint)bin))] += power;
            all += power;
            if (bin >= 5)
                most = Math.Max(most, power);
        }
        for (var octave = 0; octave < Octaves; octave++)
            into[octave] = Math.Log10(octaves[octave] / all + 1e-4);
        into[Octaves] = Math.Log10(most / all + 1e-4);
    }

    private double Power(int bin) => (double)real[bin] * real[bin] + (double)imaginary[bin] * imaginary[bin];

    private static double Together(ReadOnlySpan<double> one, ReadOnlySpan<double> other)
    {
        double sumOne = 0,
            sumOther = 0,
            both = 0,
            squareOne = 0,
            squareOther = 0;
        for (var i = 0; i < one.Length; i++)
        {
            sumOne += one[i];
            sumOther += other[i];
            both += one[i] * other[i];
            squareOne += one[i] * one[i];
            squareOther += other[i] * other[i];
        }
        var spread = (one.Length * squareOne - sumOne * sumOne) * (one.Length * squareOther - sumOther * sumOther);
        return spread <= Least ? 0 : Math.Clamp((one.Length * both - sumOne * sumOther) / Math.Sqrt(spread), -1, 1);
    }

    // How far tones stand out of the spectrum, on average and at the most: a voice, music, a turning disc.
    private void Tone(int fromBlock, Span<double> into)
    {
        const int spectra = 4;
        Span<double> powers = stackalloc double[Spectrum / 2];
        var (low, high) = ((int)(ToneFrom * Spectrum / bands.Rate), (int)(Math.Min(ToneTo, 0.45 * bands.Rate) * Spectrum / bands.Rate));
        into[0] = into[1] = 0;
        for (var one = 0; one < spectra; one++)
        {
            var at = (int)((fromBlock + (double)one * Window / spectra) / SoundBands.Blocks * bands.Rate);
            if (at + Spectrum > bands.Samples.Length)
                at = Math.Max(0, bands.Samples.Length - Spectrum);
            for (var i = 0; i < Spectrum; i++)
                taken[i] = at + i < bands.Samples.Length ? bands.Samples[at + i] * Hann[i] : 0;
            transform.Direct(taken, real, imaginary);
            for (var bin = low; bin < high; bin++)
                powers[bin] = Math.Max(Power(bin), Least);
            var sorted = powers[low..high];
            sorted.Sort();
            var outstanding = Math.Log10(sorted[^1] / sorted[sorted.Length / 2]);
            into[0] += outstanding / spectra;
            into[1] = Math.Max(into[1], outstanding);
        }
        into[0] = Math.Min(into[0], 6);
        into[1] = Math.Min(into[1], 6);
    }

    private static float Mean(ReadOnlySpan<float> blocks)
    {
        float sum = 0;
        foreach (var block in blocks)
            sum += block;
        return sum / blocks.Length;
    }
}
