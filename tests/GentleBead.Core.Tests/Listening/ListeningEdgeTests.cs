using GentleBead.Core.Beads;
using GentleBead.Core.Listening;

namespace GentleBead.Core.Tests.Listening;

/// <summary>Where the ear's limits lie.</summary>
public class ListeningEdgeTests
{
    private const double Rate = 20_000;

    // A drawn log: the arc at 20 V and 150 A, shorted at 3 V so many times a second for so long.
    private static ArcLog Drawn(double shortsASecond, double shortSeconds, double seconds = 3)
    {
        var count = (int)(seconds * Rate);
        var (volts, amps) = (new float[count], new float[count]);
        for (var i = 0; i < count; i++)
        {
            var shorted = i / Rate % (1 / shortsASecond) < shortSeconds;
            (volts[i], amps[i]) = shorted ? (3, 220) : (20, 140);
        }
        return new(Rate, volts, amps);
    }

    private static HeardArc Listen(ArcLog log) => LogEar.Listen(log, LogMeasures.Of(log));

    // Common practice, no source: a good short lasts two to five thousandths of a second, six still; eight or ten is a wire in the puddle.
    [Theory]
    [InlineData(0.003, Sound.EvenCrackle, false)]
    [InlineData(0.006, Sound.EvenCrackle, false)]
    [InlineData(0.008, Sound.Popping, true)]
    [InlineData(0.010, Sound.Popping, true)]
    public void A_short_over_seven_thousandths_of_a_second_is_a_stub(double seconds, Sound sound, bool stubs)
    {
        var heard = Listen(Drawn(40, seconds));
        Assert.Equal(sound, heard.Sound);
        Assert.Equal(stubs, heard.Pops.Count > 0);
        Assert.All(heard.Stretches.Skip(1).SkipLast(1), stretch => Assert.Equal(stubs, stretch.Pop > 0));
    }

    [Fact]
    public void What_is_shorter_than_half_a_second_is_too_short_to_name()
    {
        Assert.Equal(Unheard.TooShort, Listen(Drawn(60, 0.003, 0.45)).Unheard);
        Assert.Null(Listen(Drawn(60, 0.003, 0.6)).Unheard);
    }

    // An arc through a wall or a pillow: nothing over 700 Hz is left, and with it what tells sounds apart.
    [Fact]
    public void An_arc_heard_through_a_wall_is_not_named()
    {
        var named = Enumerable.Range(0, 10).Select(seed => Muffled(KnownClips.Clip((Sound)(seed % 4), 2.5, 30, 9_000 + seed))).ToArray();
        Assert.False(named.Any(clip => Ear.Listen(clip).Sound is not null), string.Join(" ", named.Select(clip => Ear.Listen(clip))));
    }

    // A ratchet: the same click 150 times a second, even as no arc is. Unlike everything that was learned, it is not named.
    [Fact]
    public void A_ratchet_is_not_named()
    {
        foreach (var seed in Enumerable.Range(0, 5))
        {
            var random = new Random(seed);
            var samples = new float[120_000];
            for (var i = 0; i < samples.Length; i++)
                samples[i] = 0.001f * (float)(random.NextDouble() - 0.5);
            for (var click = 0; click < samples.Length - 320; click += 320)
            {
                for (var i = 0; i < 300; i++)
                    samples[click + i] += (float)(0.5 * Math.Exp(-i / 60.0) * Math.Sin(i * 0.4));
            }
            Assert.Null(Ear.Listen(new Waveform(48_000, samples)).Sound);
        }
    }

    private static Waveform Muffled(Waveform clip)
    {
        var samples = (float[])clip.Samples.Clone();
        var share = (float)(1 - Math.Exp(-2 * Math.PI * 700 / clip.Rate));
        for (var pass = 0; pass < 4; pass++)
        {
            var level = 0f;
            for (var i = 0; i < samples.Length; i++)
                samples[i] = level += share * (samples[i] - level);
        }
        return new(clip.Rate, samples);
    }
}
