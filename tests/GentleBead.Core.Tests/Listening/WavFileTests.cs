using System.Globalization;
using GentleBead.Core.Listening;

namespace GentleBead.Core.Tests.Listening;

/// <summary>WAV files against SciPy's reader and writer, and against whatever else may come.</summary>
public class WavFileTests
{
    private const string Write = """
        import sys, numpy as np
        from scipy.io import wavfile
        kind, channels, rate, path = sys.argv[1], int(sys.argv[2]), int(sys.argv[3]), sys.argv[4]
        rng = np.random.default_rng(4)
        x = 0.8 * (2 * rng.random((rate // 4, channels)) - 1)
        y = {'u1': lambda: (x * 127 + 128).astype(np.uint8), 'i2': lambda: (x * 32767).astype(np.int16), 'i4': lambda: (x *
            2147483647).astype(np.int32),
             'f4': lambda: x.astype(np.float32), 'f8': lambda: x.astype(np.float64)}[kind]()
        wavfile.write(path, rate, y if channels > 1 else y[:, 0])
        scale = {'u1': lambda a: (a.astype(float) - 128) / 128, 'i2': lambda a: a / 32768.0, 'i4': lambda a: a / 2147483648.0, 'f4': lambda
            a: a.astype(float), 'f8': lambda a: a}[kind]
        back = scale(wavfile.read(path)[1])
        for v in (back if channels == 1 else back.mean(axis=1))[:400]: print(repr(float(v)))
        """;

    [Theory]
    [InlineData("u1", 1, 8000)]
    [InlineData("i2", 1, 44100)]
    [InlineData("i2", 2, 48000)]
    [InlineData("i4", 2, 22050)]
    [InlineData("f4", 1, 48000)]
    [InlineData("f4", 2, 96000)]
    [InlineData("f8", 1, 11025)]
    public void What_SciPy_writes_and_reads_is_read_the_same(string kind, int channels, int rate)
    {
        var path = Path.GetTempFileName();
        var reference = SciPy
            .Run(Write, kind, $"{channels}", $"{rate}", path)
            .Select(line => double.Parse(line, CultureInfo.InvariantCulture))
            .ToArray();
        var sound = WavFile.Read(File.ReadAllBytes(path));
        File.Delete(path);
        Assert.Equal((rate, rate / 4), (sound.Rate, sound.Samples.Length));
        for (var i = 0; i < reference.Length; i++)
            Assert.Equal(reference[i], sound.Samples[i], 1e-6);
    }

    [Fact]
    public void What_is_written_here_SciPy_reads()
    {
        var path = Path.GetTempFileName();
        var samples = Enumerable.Range(0, 2000).Select(i => (float)Math.Sin(i * 0.05) * 0.7f).ToArray();
        File.WriteAllBytes(path, WavFile.Write(new Waveform(32000, samples)));
        var lines = SciPy.Run(
            "import sys; from scipy.io import wavfile; r, a = wavfile.read(sys.argv[1]); print(r, a.dtype, len(a)); [print(v) for v in a]",
            path
        );
        File.Delete(path);
        Assert.Equal("32000 int16 2000", lines[0]);
        for (var i = 0; i < samples.Length; i++)
            Assert.Equal(samples[i], int.Parse(lines[i + 1], CultureInfo.InvariantCulture) / 32768.0, 1e-4);
    }

    [Fact]
    public void Packed_24_bits_with_the_extensible_header_and_chunks_between_are_read()
    {
        // Three samples: a quarter, minus a half, full.
        var file = Riff(
            Chunk(
                "fmt ",
                [
                    0xFE,
                    0xFF,
                    1,
                    0,
                    0x80,
                    0xBB,
                    0,
                    0,
                    0x80,
                    0x32,
                    2,
                    0,
                    3,
                    0,
                    24,
                    0,
                    22,
                    0,
                    24,
                    0,
                    4,
                    0,
                    0,
                    0,
                    1,
                    0,
                    0,
                    0,
                    0,
                    0,
                    16,
                    0,
                    128,
                    0,
                    0,
                    0xAA,
                    0,
                    0x38,
                    0x9B,
                    0x71,
                ]
            ),
            Chunk("LIST", [1, 2, 3]),
            Chunk("data", [0, 0, 0x20, 0, 0, 0xC0, 0xFF, 0xFF, 0x7F])
        );
        Assert.Equal([0.25f, -0.5f, 0.99999988f], WavFile.Read(file).Samples);
    }

    public static TheoryData<byte[], string> Refused =>
        new()
        {
            { [], "empty" },
            { "not a sound at all, really"u8.ToArray(), "not a WAV" },
            { Riff(), "no sound" },
            { Riff(Chunk("data", [1, 2])), "before it says" },
            { Riff(Chunk("fmt ", [1, 0, 1, 0])), "cut short" },
            { Riff(Format(1, 1, 48000, 16), Chunk("data", [])), "no sound" },
            { Riff(Format(1, 1, 48000, 12), Chunk("data", [1, 2])), "packed" },
            { Riff(Format(0x55, 1, 48000, 16), Chunk("data", [1, 2])), "packed" },
            { Riff(Format(1, 6, 48000, 16), Chunk("data", [1, 2])), "6 channels" },
            { Riff(Format(1, 0, 48000, 16), Chunk("data", [1, 2])), "0 channels" },
            { Riff(Format(1, 1, 0, 16), Chunk("data", [1, 2])), "0 samples a second" },
            { Riff(Format(1, 1, 4000000000, 16), Chunk("data", [1, 2])), "samples a second" },
            { Riff(Format(1, 1, 8000, 8), Chunk("data", new byte[8000 * 301])), "5.0 minutes" },
        };

    [Theory]
    [MemberData(nameof(Refused))]
    public void What_cannot_be_taken_is_refused_with_the_reason(byte[] file, string because) =>
        Assert.Contains(because, Assert.Throws<RecordingRefusedException>(() => WavFile.Read(file)).Message, StringComparison.Ordinal);

    [Fact]
    public void A_header_that_claims_more_than_there_is_gets_what_there_is()
    {
        var file = Riff(Format(1, 1, 8000, 16), Chunk("data", [0, 64, 0, 192]));
        file[^8] = file[^7] = file[^6] = 0xFF;
        Assert.Equal([0.5f, -0.5f], WavFile.Read(file).Samples);
    }

    [Fact]
    public void Floats_that_are_no_numbers_are_silence_and_too_loud_ones_are_full()
    {
        byte[] data =
        [
            .. BitConverter.GetBytes(float.NaN),
            .. BitConverter.GetBytes(float.PositiveInfinity),
            .. BitConverter.GetBytes(7f),
            .. BitConverter.GetBytes(-0.5f),
        ];
        Assert.Equal([0, 0, 1, -0.5f], WavFile.Read(Riff(Format(3, 1, 8000, 32), Chunk("data", data))).Samples);
    }

    [Fact]
    public void Whatever_is_in_a_file_it_is_read_or_refused_and_never_breaks()
    {
        var random = new Random(7);
        var good = WavFile.Write(new Waveform(8000, Enumerable.Range(0, 500).Select(i => (float)Math.Sin(i)).ToArray()));
        var (read, refused) = (0, 0);
        for (var round = 0; round < 20000; round++)
        {
            var file = (byte[])good.Clone();
            for (var hit = random.Next(1, 6); hit > 0; hit--)
                file[random.Next(random.Next(2) == 0 ? 48 : file.Length)] = (byte)random.Next(256);
            if (random.Next(4) == 0)
                file = file[..random.Next(file.Length)];
            try
            {
                var sound = WavFile.Read(file);
                Assert.All(sound.Samples, sample => Assert.InRange(sample, -1, 1));
                _ = Finding.Of(sound);
                read++;
            }
            catch (RecordingRefusedException)
            {
                refused++;
            }
        }
        Assert.True(read > 1000 && refused > 1000, $"{read} read, {refused} refused");
    }

    private static byte[] Chunk(string name, byte[] content) =>
        [
            .. System.Text.Encoding.ASCII.GetBytes(name),
            .. BitConverter.GetBytes(content.Length),
            .. content,
            .. content.Length % 2 == 1 ? new byte[1] : [],
        ];

    private static byte[] Format(ushort code, ushort channels, uint rate, ushort bits) =>
        Chunk(
            "fmt ",
            [
                .. BitConverter.GetBytes(code),
                .. BitConverter.GetBytes(channels),
                .. BitConverter.GetBytes(rate),
                0,
                0,
                0,
                0,
                0,
                0,
                .. BitConverter.GetBytes(bits),
            ]
        );

    private static byte[] Riff(params byte[][] chunks)
    {
        byte[] body = [.. "WAVE"u8, .. chunks.SelectMany(chunk => chunk)];
        return [.. "RIFF"u8, .. BitConverter.GetBytes(body.Length), .. body];
    }
}
