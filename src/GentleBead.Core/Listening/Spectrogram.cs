using MathNet.Numerics;
using NWaves.Transforms;

namespace GentleBead.Core.Listening;

/// <summary>
/// How strong each pitch of a sound is over time, for drawing: a crack is an upright line, a hiss a haze in its upper half.
/// </summary>
/// <remarks>Pitches stand on a logarithmic scale from <see cref="LowestHertz"/> to <see cref="HighestHertz"/>.</remarks>
public sealed class Spectrogram
{
    /// <summary>The lowest and the highest pitch drawn, Hz.</summary>
    public const double LowestHertz = 100,
        HighestHertz = 10_000;

    /// <summary>How many pitches: a semitone and a quarter from one to the next.</summary>
    public const int Pitches = 64;

    /// <summary>How many moments at most.</summary>
    public const int MostMoments = 600;

    // What lies so far below the strongest is not drawn, dB.
    private const double Range = 48;

    private const double LongestWindow = 0.024,
        Least = 1e-12;

    // A long moment is looked into so often: what a drawing costs does not grow with the recording.
    private const int MostLooks = 4;

    private readonly double[] levels;

    private Spectrogram(int moments, double[] levels) => (Moments, this.levels) = (moments, levels);

    /// <summary>How many moments, side by side over the whole recording.</summary>
    public int Moments { get; }

    /// <summary>How strong a pitch is at a moment: 1 is the strongest of the whole recording, 0 is 48 dB below it or less.</summary>
    /// <param name="moment">Which moment, from 0.</param>
    /// <param name="pitch">Which pitch, from 0, the lowest.</param>
    public double this[int moment, int pitch] => levels[moment * Pitches + pitch];

    /// <summary>Where a pitch stands on the scale, Hz: the middle of its row.</summary>
    public static double HertzOf(int pitch) => LowestHertz * Math.Pow(HighestHertz / LowestHertz, (pitch + 0.5) / Pitches);

    /// <summary>Looks into a sound.</summary>
    /// <param name="sound">The sound; one shorter than a window is taken with silence after it.</param>
    public static Spectrogram Of(Waveform sound)
    {
        ArgumentNullException.ThrowIfNull(sound);
        var size = 1 << (int)Math.Floor(Math.Log2(LongestWindow * sound.Rate));
        var moments = Math.Clamp(2 * sound.Samples.Length / size, 1, MostMoments);
        var levels = new double[moments * Pitches];
        var spectrum = new Spectrum(size, sound);
        for (var moment = 0; moment < moments; moment++)
        {
            var (from, to) = (sound.Samples.LongLength * moment / moments, sound.Samples.LongLength * (moment + 1) / moments);
            var looks = (int)Math.Clamp((to - from) / size, 1, MostLooks);
            for (var look = 0; look < looks; look++)
                spectrum.Add(from + (to - from) * (2 * look + 1) / (2 * looks), 1.0 / looks, levels.AsSpan(moment * Pitches, Pitches));
        }
        var most = levels.Max();
        for (var i = 0; i < levels.Length; i++)
            levels[i] = most <= Least ? 0 : Math.Max(0, 1 + 10 * Math.Log10(Math.Max(levels[i] / most, Least)) / Range);
        return new Spectrogram(moments, levels);
    }

    // One window after another, added up by pitch.
    private sealed class Spectrum(int size, Waveform sound)
    {
        private readonly RealFft transform = new(size);
        private readonly float[] window = [.. Window.Hann(size).Select(value => (float)value)];
        private readonly (int Low, int High)[] lines = [.. Enumerable.Range(0, Pitches).Select(pitch => LinesOf(pitch, size, sound.Rate))];
        private readonly float[] taken = new float[size],
            real = new float[size / 2 + 1],
            imaginary = new float[size / 2 + 1];

        public void Add(long middle, double share, Span<double> pitches)
        {
            var start = (int)Math.Clamp(middle - size / 2, 0, Math.Max(0, sound.Samples.Length - size));
            for (var i = 0; i < size; i++)
                taken[i] = start + i < sound.Samples.Length ? sound.Samples[start + i] * window[i] : 0;
            transform.Direct(taken, real, imaginary);
            for (var pitch = 0; pitch < Pitches; pitch++)
            {
                var most = 0.0;
                for (var line = lines[pitch].Low; line <= lines[pitch].High; line++)
                    most = Math.Max(most, (double)real[line] * real[line] + (double)imaginary[line] * imaginary[line]);
                pitches[pitch] += share * most;
            }
        }

        // A low row lies within one line of the spectrum, a high one spans several, of which the strongest counts; above half the
        // rate there are none.
        private static (int Low, int High) LinesOf(int pitch, int size, int rate)
        {
            var (hertz, step) = ((double)rate / size, Math.Pow(HighestHertz / LowestHertz, 0.5 / Pitches));
            var low = (int)Math.Round(HertzOf(pitch) / step / hertz);
            var high = Math.Max(low, (int)Math.Ceiling(HertzOf(pitch) * step / hertz) - 1);
            return (low, Math.Min(high, size / 2));
        }
    }
}
