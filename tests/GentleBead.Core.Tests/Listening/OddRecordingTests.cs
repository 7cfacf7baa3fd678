using System.Buffers.Binary;
using GentleBead.Core.Arc;
using GentleBead.Core.Listening;

namespace GentleBead.Core.Tests.Listening;

/// <summary>Recordings that are well formed and odd: still levels, channels against each other.</summary>
public class OddRecordingTests
{
    private const int Rate = 48_000;

    public static TheoryData<float> Levels => [0, 1e-6f, 0.25f, 1, -1];

    [Theory]
    [MemberData(nameof(Levels))]
    public void A_level_that_stands_still_is_silence_and_every_number_of_it_finite(float level)
    {
        var finding = Finding.Of(new Waveform(Rate, [.. Enumerable.Repeat(level, Rate * 2)]));
        Assert.Equal(Unheard.Silent, finding.Heard.Unheard);
        AssertFinite(finding);
    }

    // Half of it still, half of it a click or an arc: whatever is said, every number can be stored.
    [Fact]
    public void Steps_clicks_and_half_an_arc_give_finite_numbers()
    {
        var arc = ArcSound.Of(KnownClips.Trace(Core.Beads.Sound.EvenCrackle, 1, 3), 3);
        float[] click = new float[Rate];
        click[Rate / 2] = 1;
        float[] step = [.. Enumerable.Repeat(0.5f, Rate / 2), .. Enumerable.Repeat(-0.5f, Rate / 2)];
        foreach (var samples in new[] { click, step, [.. new float[Rate], .. arc], [.. Enumerable.Repeat(0.3f, Rate), .. arc] })
            AssertFinite(Finding.Of(new Waveform(Rate, samples)));
    }

    [Fact]
    public void Channels_in_opposite_phase_are_heard()
    {
        var arc = ArcSound.Of(KnownClips.Trace(Core.Beads.Sound.EvenCrackle, 6, 3), 3);
        var alike = WavFile.Read(Stereo(arc, +1));
        var against = WavFile.Read(Stereo(arc, -1));
        Assert.Equal(Ear.Listen(alike).Sound, Ear.Listen(against).Sound);
        Assert.NotNull(Ear.Listen(against).Sound);
        // One channel silent is no cancellation: the mean, as before.
        Assert.Equal(alike.Samples[Rate / 3] / 2, WavFile.Read(Stereo(arc, 0)).Samples[Rate / 3], 1e-4f);
    }

    private static byte[] Stereo(float[] samples, int other)
    {
        var bytes = new byte[44 + samples.Length * 4];
        WavFile.Write(new Waveform(Rate, [.. samples, .. samples])).AsSpan(0, 44).CopyTo(bytes);
        BinaryPrimitives.WriteInt16LittleEndian(bytes.AsSpan(22), 2);
        BinaryPrimitives.WriteInt16LittleEndian(bytes.AsSpan(32), 4);
        for (var i = 0; i < samples.Length; i++)
        {
            var value = (short)Math.Clamp(samples[i] * 32767, -32767, 32767);
            BinaryPrimitives.WriteInt16LittleEndian(bytes.AsSpan(44 + 4 * i), value);
            BinaryPrimitives.WriteInt16LittleEndian(bytes.AsSpan(46 + 4 * i), (short)(other * value));
        }
        return bytes;
    }

    private static void AssertFinite(Finding finding)
    {
        Assert.True(double.IsFinite(finding.Heard.Confidence));
        foreach (var stretch in finding.Heard.Stretches)
            Assert.All(
                new[] { stretch.From, stretch.Seconds, stretch.Hiss, stretch.Crackle, stretch.Pop, stretch.Cracks },
                value => Assert.True(double.IsFinite(value))
            );
        Assert.All(finding.Outline.Low.Concat(finding.Outline.High), value => Assert.True(double.IsFinite(value)));
    }
}
