using GentleBead.Core.Beads;
using GentleBead.Core.Listening;

namespace GentleBead.Core.Tests.Listening;

/// <summary>The last two seconds by themselves, as a screen sends them while it welds.</summary>
public sealed class HeardNowTests
{
    private static readonly Sound[] Sounds = [Sound.EvenCrackle, Sound.Hiss, Sound.Popping];

    [Fact]
    public void Two_seconds_of_most_arcs_are_named_and_none_is_named_wrong_for_sure()
    {
        var heard = Sounds
            .SelectMany(sound =>
                Enumerable.Range(0, 6).Select(at => (Was: sound, Now: HeardNow.Of(KnownClips.Clip(sound, 2, 25, 71_000 + at))))
            )
            .ToArray();
        Assert.True(heard.Count(one => one.Now.Sound == one.Was) >= heard.Length * 0.8);
        Assert.DoesNotContain(heard, one => one.Now.Sound is { } named && named != one.Was && one.Now.Confidence > 0.9);
    }

    [Fact]
    public void Half_as_loud_is_six_decibels_less()
    {
        var clip = KnownClips.Clip(Sound.Hiss, 2, 30, 71_100);
        var half = clip with { Samples = Array.ConvertAll(clip.Samples, sample => sample / 2) };
        Assert.Equal(20 * Math.Log10(2), HeardNow.Of(clip).Decibels - HeardNow.Of(half).Decibels, 0.01);
    }

    [Fact]
    public void Silence_is_said_and_more_than_a_few_seconds_are_refused()
    {
        var silent = HeardNow.Of(new Waveform(48_000, new float[96_000]));
        Assert.Equal((null, -120), (silent.Sound, silent.Decibels));
        Assert.Throws<RecordingRefusedException>(() => HeardNow.Of(new Waveform(48_000, new float[48_000 * 5])));
    }
}
