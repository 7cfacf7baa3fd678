using System.Buffers.Binary;

namespace GentleBead.Core.Listening;

/// <summary>WAV files: RIFF with PCM of 8 to 32 bits or floats of 32 and 64, mono or stereo, any rate.</summary>
/// <remarks>
/// Own reading, and not a package's: the one at hand does not take the extensible header that most programs write for 24
/// bits, and takes room for whatever length a header claims. Nothing here believes a header beyond the bytes that are there.
/// </remarks>
public static class WavFile
{
    /// <summary>The longest recording taken, s.</summary>
    public const double LongestSeconds = 300;

    /// <summary>The lowest and highest rate taken, samples a second.</summary>
    public const int LowestRate = 8_000,
        HighestRate = 192_000;

    private const ushort Pcm = 1,
        Float = 3,
        Extensible = 0xFFFE;
    private const int HeaderBytes = 44;

    // One channel alone leaves a quarter of its power in the mean; less than this of the louder is cancellation.
    private const double Cancelled = 0.15;

    /// <summary>Whether a file says that it is a WAV file.</summary>
    public static bool Is(ReadOnlySpan<byte> file) =>
        file.Length >= 12 && file[..4].SequenceEqual("RIFF"u8) && file[8..12].SequenceEqual("WAVE"u8);

    /// <summary>Reads a file into one channel; of stereo the mean, or where the two cancel the louder.</summary>
    /// <param name="file">The whole file.</param>
    /// <exception cref="RecordingRefusedException">What is wrong with it.</exception>
    public static Waveform Read(ReadOnlySpan<byte> file)
    {
        if (file.IsEmpty)
            throw new RecordingRefusedException(Say($"The file is empty."));
        if (!Is(file))
            throw new RecordingRefusedException(Say($"This is not a WAV file."));
        Format? format = null;
        var at = 12;
        while (at + 8 <= file.Length)
        {
            var name = file.Slice(at, 4);
            long size = BinaryPrimitives.ReadUInt32LittleEndian(file[(at + 4)..]);
            at += 8;
            // A header that claims more than there is: programs that stop in mid-recording leave such; what is there counts.
            var here = (int)Math.Min(size, file.Length - at);
            if (name.SequenceEqual("fmt "u8))
                format = ReadFormat(file.Slice(at, here));
            else if (name.SequenceEqual("data"u8))
                return Samples(
                    file.Slice(at, here),
                    format ?? throw new RecordingRefusedException(Say($"The file has sound before it says how it is written."))
                );
            if (size + (size & 1) > file.Length - at)
                break;
            at += (int)(size + (size & 1));
        }
        throw new RecordingRefusedException(Say($"The file has no sound in it."));
    }

    /// <summary>Writes a sound as PCM of 16 bits, mono, with nothing else in the file.</summary>
    public static byte[] Write(Waveform sound)
    {
        ArgumentNullException.ThrowIfNull(sound);
        var bytes = new byte[HeaderBytes + sound.Samples.Length * 2];
        var head = bytes.AsSpan();
        "RIFF"u8.CopyTo(head);
        BinaryPrimitives.WriteInt32LittleEndian(head[4..], bytes.Length - 8);
        "WAVEfmt "u8.CopyTo(head[8..]);
        BinaryPrimitives.WriteInt32LittleEndian(head[16..], 16);
        BinaryPrimitives.WriteInt16LittleEndian(head[20..], (short)Pcm);
        BinaryPrimitives.WriteInt16LittleEndian(head[22..], 1);
        BinaryPrimitives.WriteInt32LittleEndian(head[24..], sound.Rate);
        BinaryPrimitives.WriteInt32LittleEndian(head[28..], sound.Rate * 2);
        BinaryPrimitives.WriteInt16LittleEndian(head[32..], 2);
        BinaryPrimitives.WriteInt16LittleEndian(head[34..], 16);
        "data"u8.CopyTo(head[36..]);
        BinaryPrimitives.WriteInt32LittleEndian(head[40..], sound.Samples.Length * 2);
        var data = head[HeaderBytes..];
        for (var i = 0; i < sound.Samples.Length; i++)
        {
            BinaryPrimitives.WriteInt16LittleEndian(
                data[(i * 2)..],
                (short)Math.Clamp(MathF.Round(sound.Samples[i] * 32768), short.MinValue, short.MaxValue)
            );
        }
        return bytes;
    }

    private readonly record struct Format(bool Floats, int Channels, int Rate, int Bits);

    private static Format ReadFormat(ReadOnlySpan<byte> chunk)
    {
        if (chunk.Length < 16)
            throw new RecordingRefusedException(Say($"The file's header is cut short."));
        var code = BinaryPrimitives.ReadUInt16LittleEndian(chunk);
        var bits = BinaryPrimitives.ReadUInt16LittleEndian(chunk[14..]);
        // The extensible header puts the code at the head of a longer name.
        if (code == Extensible && chunk.Length >= 26)
            code = BinaryPrimitives.ReadUInt16LittleEndian(chunk[24..]);
        var format = new Format(
            code == Float,
            BinaryPrimitives.ReadUInt16LittleEndian(chunk[2..]),
            (int)Math.Min(BinaryPrimitives.ReadUInt32LittleEndian(chunk[4..]), int.MaxValue),
            bits
        );
        if (!(code == Pcm && bits is 8 or 16 or 24 or 32) && !(code == Float && bits is 32 or 64))
            throw new RecordingRefusedException(Say($"The sound is packed in a way that is not read here. Save it as WAV, PCM or float."));
        if (format.Channels is not (1 or 2))
            throw new RecordingRefusedException(Say($"The file has {format.Channels} channels; mono and stereo are read."));
        if (format.Rate is < LowestRate or > HighestRate)
            throw new RecordingRefusedException(
                Say($"The file says {format.Rate} samples a second; {LowestRate} to {HighestRate} are read.")
            );
        return format;
    }

    private static Waveform Samples(ReadOnlySpan<byte> data, Format format)
    {
        var width = format.Bits / 8 * format.Channels;
        var count = data.Length / width;
        if (count == 0)
            throw new RecordingRefusedException(Say($"The file has no sound in it."));
        if (count > LongestSeconds * format.Rate)
            throw new RecordingRefusedException(
                Say($"The recording runs {(double)count / format.Rate / 60:0.0} minutes; up to {LongestSeconds / 60:0.##} are taken.")
            );
        var samples = new float[count];
        switch (format.Floats, format.Bits)
        {
            case (true, 32):
                Fill(samples, data, format, static bytes => BinaryPrimitives.ReadSingleLittleEndian(bytes));
                break;
            case (true, _):
                Fill(samples, data, format, static bytes => (float)BinaryPrimitives.ReadDoubleLittleEndian(bytes));
                break;
            case (_, 8):
                Fill(samples, data, format, static bytes => (bytes[0] - 128) / 128f);
                break;
            case (_, 16):
                Fill(samples, data, format, static bytes => BinaryPrimitives.ReadInt16LittleEndian(bytes) / 32768f);
                break;
            case (_, 24):
                Fill(samples, data, format, static bytes => ((bytes[2] << 24 | bytes[1] << 16 | bytes[0] << 8) >> 8) / 8388608f);
                break;
            default:
                Fill(samples, data, format, static bytes => BinaryPrimitives.ReadInt32LittleEndian(bytes) / 2147483648f);
                break;
        }
        return new Waveform(format.Rate, samples);
    }

    private delegate float Reading(ReadOnlySpan<byte> bytes);

    private static void Fill(float[] samples, ReadOnlySpan<byte> data, Format format, Reading read)
    {
        if (format.Channels == 1)
        {
            for (var i = 0; i < samples.Length; i++)
                samples[i] = Sample(data, i, format, read);
            return;
        }
        double left = 0,
            right = 0,
            both = 0;
        for (var i = 0; i < samples.Length; i++)
        {
            var (one, other) = (Sample(data, 2 * i, format, read), Sample(data, 2 * i + 1, format, read));
            samples[i] = (one + other) / 2;
            left += (double)one * one;
            right += (double)other * other;
            both += (double)samples[i] * samples[i];
        }
        // A plug wired the wrong way round puts the channels in opposite phase: their mean is silent, each of them is not.
        if (both > Cancelled * Math.Max(left, right))
            return;
        var louder = right > left ? 1 : 0;
        for (var i = 0; i < samples.Length; i++)
            samples[i] = Sample(data, 2 * i + louder, format, read);
    }

    // Floats may hold anything: what is no number is silence, and what is over full is full.
    private static float Sample(ReadOnlySpan<byte> data, int index, Format format, Reading read)
    {
        var width = format.Bits / 8;
        var value = read(data.Slice(index * width, width));
        return float.IsFinite(value) ? Math.Clamp(value, -1, 1) : 0;
    }
}
