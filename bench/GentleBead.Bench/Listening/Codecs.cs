using System.Diagnostics;
using GentleBead.Core.Listening;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Listening;

/// <summary>Sounds through a codec and back, by Debian's ffmpeg; as they were where it is not installed.</summary>
internal static class Codecs
{
    private const string Ffmpeg = "/usr/bin/ffmpeg";

    private static readonly string[][] Ways =
    [
        ["mp3", "-c:a", "libmp3lame", "-b:a", "32k"],
        ["mp3", "-c:a", "libmp3lame", "-b:a", "64k"],
        ["mp3", "-c:a", "libmp3lame", "-b:a", "128k"],
        ["ogg", "-c:a", "libopus", "-b:a", "16k"],
        ["ogg", "-c:a", "libopus", "-b:a", "24k"],
        ["ogg", "-c:a", "libopus", "-b:a", "48k"],
        ["ogg", "-c:a", "libvorbis", "-q:a", "0"],
        ["adts", "-c:a", "aac", "-b:a", "48k"],
        ["adts", "-c:a", "aac", "-b:a", "96k"],
    ];

    internal static bool Here => File.Exists(Ffmpeg);

    internal static Waveform Through(Waveform sound, Xoshiro256StarStar random)
    {
        var way = random.Of(Ways);
        return Here
            ? Back(Run(WavFile.Write(Loud(sound)), ["-f", "wav", "-i", "pipe:0", .. way[1..], "-f", way[0], "pipe:1"]), way[0])
            : sound;
    }

    /// <summary>Eight kilohertz, 300 to 3400 Hz, eight bits by a logarithm (G.711), often kept at a higher rate after.</summary>
    internal static Waveform Telephone(Waveform sound, Xoshiro256StarStar random)
    {
        var slow = Devices.Slower(sound, 8_000);
        var most = Math.Max(1e-9f, slow.Samples.Max(Math.Abs));
        var heard = slow with
        {
            Samples = Array.ConvertAll(
                slow.Samples,
                value =>
                {
                    var level = MathF.Round(127 * MathF.Log(1 + 255 * Math.Abs(value) / most) / MathF.Log(256)) / 127;
                    return MathF.CopySign(most * (MathF.Exp(level * MathF.Log(256)) - 1) / 255, value);
                }
            ),
        };
        return random.In(0.5) && Here
            ? Back(Run(WavFile.Write(Loud(heard)), ["-f", "wav", "-i", "pipe:0", "-ar", "48000", "-f", "wav", "pipe:1"]), "wav")
            : heard;
    }

    private static Waveform Loud(Waveform sound)
    {
        var by = 0.7f / Math.Max(1e-9f, sound.Samples.Max(Math.Abs));
        return sound with { Samples = Array.ConvertAll(sound.Samples, value => value * by) };
    }

    private static Waveform Back(byte[] coded, string form)
    {
        var plain = Run(coded, ["-f", form == "adts" ? "aac" : form, "-i", "pipe:0", "-f", "s16le", "-ac", "1", "-ar", "48000", "pipe:1"]);
        var samples = new float[plain.Length / 2];
        for (var i = 0; i < samples.Length; i++)
            samples[i] = BitConverter.ToInt16(plain, 2 * i) / 32768f;
        return new(48_000, samples);
    }

    private static byte[] Run(byte[] input, string[] arguments)
    {
        using var process = Process.Start(
            new ProcessStartInfo(Ffmpeg, ["-v", "quiet", .. arguments]) { RedirectStandardInput = true, RedirectStandardOutput = true }
        )!;
        var feeding = Task.Run(() =>
        {
            process.StandardInput.BaseStream.Write(input);
            process.StandardInput.Close();
        });
        using var output = new MemoryStream();
        process.StandardOutput.BaseStream.CopyTo(output);
        feeding.Wait();
        process.WaitForExit();
        return output.ToArray();
    }
}
