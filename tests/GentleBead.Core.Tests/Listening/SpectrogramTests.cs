using GentleBead.Core.Listening;

namespace GentleBead.Core.Tests.Listening;

/// <summary>Sounds whose pitch over time is known by their making: what is drawn is held against the formula.</summary>
public class SpectrogramTests
{
    private static Waveform Made(double seconds, Func<double, double> at, int rate = 44_100) =>
        new(rate, [.. Enumerable.Range(0, (int)(seconds * rate)).Select(i => (float)at((double)i / rate))]);

    private static int Strongest(Spectrogram drawn, int moment) =>
        Enumerable.Range(0, Spectrogram.Pitches).MaxBy(pitch => drawn[moment, pitch]);

    [Theory]
    [InlineData(44_100)]
    [InlineData(48_000)]
    [InlineData(22_050)]
    public void A_rising_tone_is_a_rising_line(int rate)
    {
        // A logarithmic sweep: f(t) = f0 (f1/f0)^(t/T), so its phase is the integral of that.
        const double low = 500,
            high = 9000,
            seconds = 4;
        var growth = Math.Log(high / low) / seconds;
        var drawn = Spectrogram.Of(Made(seconds, t => 0.5 * Math.Sin(2 * Math.PI * low * (Math.Exp(growth * t) - 1) / growth), rate));
        for (var moment = 5; moment < drawn.Moments - 5; moment += 7)
        {
            var hertz = low * Math.Exp(growth * seconds * (moment + 0.5) / drawn.Moments);
            Assert.InRange(Spectrogram.HertzOf(Strongest(drawn, moment)) / hertz, 0.92, 1.09);
        }
    }

    [Fact]
    public void A_tenth_of_the_strength_is_twenty_decibels_lower()
    {
        var drawn = Spectrogram.Of(Made(2, t => 0.5 * Math.Sin(2 * Math.PI * 1000 * t) + 0.05 * Math.Sin(2 * Math.PI * 4000 * t)));
        var (strong, weak) = (RowOf(1000), RowOf(4000));
        for (var moment = 3; moment < drawn.Moments - 3; moment++)
        {
            Assert.Equal(1, drawn[moment, strong], 0.02);
            // 48 dB from the strongest to nothing. A window of Hann sees a tone between two of its lines up to 1.4 dB too weak
            // (Harris, "On the use of windows for harmonic analysis", Proc. IEEE 66, 1978, scalloping loss 1.42 dB).
            Assert.Equal(1 - 20.0 / 48, drawn[moment, weak], 1.5 / 48);
            Assert.True(drawn[moment, RowOf(8000)] < 0.1);
        }
    }

    [Fact]
    public void A_crack_is_an_upright_line_and_between_two_there_is_nothing()
    {
        // One sample every quarter second: the same at every pitch.
        var sound = new Waveform(44_100, [.. Enumerable.Range(0, 4 * 44_100).Select(i => i % 11_025 == 5_000 ? 0.9f : 0)]);
        var drawn = Spectrogram.Of(sound);
        var crack = (int)(5_000.0 / sound.Samples.Length * drawn.Moments);
        var between = (int)(10_500.0 / sound.Samples.Length * drawn.Moments);
        Assert.All(Enumerable.Range(0, Spectrogram.Pitches), pitch => Assert.True(drawn[crack, pitch] > 0.85));
        Assert.All(Enumerable.Range(0, Spectrogram.Pitches), pitch => Assert.Equal(0, drawn[between, pitch]));
    }

    [Fact]
    public void Silence_is_empty_what_is_too_short_has_one_moment_and_five_minutes_have_no_more_than_any()
    {
        var silent = Spectrogram.Of(Made(1, _ => 0));
        Assert.All(Enumerable.Range(0, silent.Moments), moment => Assert.Equal(0, silent[moment, 30]));
        var click = Spectrogram.Of(Made(0.005, t => 0.5 * Math.Sin(2 * Math.PI * 2000 * t)));
        Assert.Equal(1, click.Moments);
        Assert.InRange(Spectrogram.HertzOf(Strongest(click, 0)), 1700, 2350);
        Assert.Equal(1, Spectrogram.Of(new Waveform(8000, [])).Moments);
        Assert.Equal(Spectrogram.MostMoments, Spectrogram.Of(Made(300, t => Math.Sin(3000 * t), 8000)).Moments);
    }

    private static int RowOf(double hertz) =>
        Enumerable.Range(0, Spectrogram.Pitches).MinBy(pitch => Math.Abs(Math.Log(Spectrogram.HertzOf(pitch) / hertz)));
}
