using GentleBead.Core.Beads;

namespace GentleBead.Core.Listening;

/// <summary>What is heard at this moment, while it welds: the last seconds by themselves.</summary>
/// <param name="Sound">What it sounds like; null where it could not be said.</param>
/// <param name="Words">That in a sentence, or why not.</param>
/// <param name="Confidence">How sure, 0 to 1.</param>
/// <param name="Decibels">How loud, in dB under the loudest the microphone can give; -120 for silence.</param>
public sealed record HeardNow(Sound? Sound, Said Words, double Confidence, double Decibels)
{
    /// <summary>The longest stretch that is taken at once, s.</summary>
    public const double MostSeconds = 4;

    private const double Silence = -120;

    /// <summary>Listens to the last seconds.</summary>
    /// <param name="last">Up to <see cref="MostSeconds"/>.</param>
    /// <exception cref="RecordingRefusedException">It runs longer.</exception>
    public static HeardNow Of(Waveform last)
    {
        ArgumentNullException.ThrowIfNull(last);
        if (last.Seconds > MostSeconds)
            throw new RecordingRefusedException(Say($"At most {MostSeconds} s at once."));
        var finding = Finding.Of(last);
        var level = Ear.Level(last);
        return new(
            finding.Heard.Sound,
            finding.Words,
            finding.Heard.Confidence,
            level > 0 ? Math.Max(Silence, 20 * Math.Log10(level)) : Silence
        );
    }
}
