using System.Diagnostics;
using GentleBead.Core.Listening;
using GentleBead.Server.Http;

namespace GentleBead.Server.Listening;

/// <summary>Packed sound files: unpacked by Debian's ffmpeg, where it is installed, with nothing in its reach but the file.</summary>
/// <param name="configuration">May say where ffmpeg lies: Listening:Ffmpeg.</param>
/// <remarks>
/// A file from outside is read by a program that reads a hundred formats, so it gets little room: a reader chosen by the file's own first
/// bytes, no network (a name space of its own, and no protocol but file), bounds on time, memory and output, an empty environment and a
/// folder of its own that is gone afterwards.
/// </remarks>
public sealed class PackedSound(IConfiguration configuration)
{
    // Unpacked it may be as long as a WAV file that is sent.
    private const int MostSeconds = 60,
        MostBytes = Limits.Recording,
        BufferBytes = 1 << 20;

    private const long MostMemory = 1L << 30;

    private sealed record Format(Said Name, string Reader, int At, byte[] Begins);

    private static readonly Format[] Formats =
    [
        new(Say($"FLAC"), "flac", 0, [.. "fLaC"u8]),
        new(Say($"Ogg"), "ogg", 0, [.. "OggS"u8]),
        new(Say($"M4A"), "mov", 4, [.. "ftyp"u8]),
        new(Say($"RF64"), "wav", 0, [.. "RF64"u8]),
        new(Say($"W64"), "w64", 0, [0x72, 0x69, 0x66, 0x66, 0x2E, 0x91, 0xCF, 0x11]),
        new(Say($"MP3"), "mp3", 0, [.. "ID3"u8]),
        new(Say($"MP3"), "mp3", 0, [0xFF, 0xFB]),
        new(Say($"MP3"), "mp3", 0, [0xFF, 0xFA]),
        new(Say($"MP3"), "mp3", 0, [0xFF, 0xF3]),
        new(Say($"MP3"), "mp3", 0, [0xFF, 0xF2]),
        new(Say($"AAC"), "aac", 0, [0xFF, 0xF1]),
        new(Say($"AAC"), "aac", 0, [0xFF, 0xF9]),
    ];

    // Whether a program may be given a network of its own with nobody in it; some containers forbid it.
    private static readonly Lazy<bool> OwnNetwork = new(() =>
    {
        try
        {
            using var tried = Process.Start(new ProcessStartInfo("/usr/bin/unshare", ["-rn", "true"]) { RedirectStandardError = true })!;
            return tried.WaitForExit(5_000) && tried.ExitCode == 0;
        }
        catch (System.ComponentModel.Win32Exception)
        {
            return false;
        }
    });

    private readonly string ffmpeg = configuration["Listening:Ffmpeg"] ?? "/usr/bin/ffmpeg";

    /// <summary>Whether a file is one of these by its first bytes.</summary>
    public static bool Is(ReadOnlySpan<byte> file) => FormatOf(file) is not null;

    /// <summary>Unpacks a file into the bytes of a WAV file. Blocks while it is at it.</summary>
    /// <param name="file">The whole file; one of these.</param>
    /// <exception cref="RecordingRefusedException">No ffmpeg, or nothing it could read.</exception>
    public byte[] Unpack(byte[] file)
    {
        var format = FormatOf(file) ?? throw new ArgumentException("Not a packed sound file.", nameof(file));
        if (!File.Exists(ffmpeg))
            throw new RecordingRefusedException(
                Say($"{format.Name} files are read with ffmpeg, which is not installed on this server. Save the recording as WAV.")
            );
        var folder = Directory.CreateTempSubdirectory("gentle-bead-sound-");
        try
        {
            var at = Path.Combine(folder.FullName, "sound");
            File.WriteAllBytes(at, file);
            var wav = Run(format, at, folder.FullName);
            return WavFile.Is(wav)
                ? wav
                : throw new RecordingRefusedException(
                    Say($"Nothing could be read of this {format.Name} file: it is damaged, or has no sound.")
                );
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }

    private static Format? FormatOf(ReadOnlySpan<byte> file)
    {
        foreach (var format in Formats)
        {
            if (file.Length > format.At + format.Begins.Length && file[format.At..].StartsWith(format.Begins))
                return format;
        }
        return null;
    }

    private byte[] Run(Format format, string at, string folder)
    {
        string[] bounds = [$"--as={MostMemory}", $"--cpu={MostSeconds}", "--fsize=0", "--core=0", "--nofile=64", "--"];
        string[] alone = OwnNetwork.Value ? ["/usr/bin/unshare", "-rn", "--"] : [];
        string[] reads = ["-nostdin", "-hide_banner", "-loglevel", "quiet", "-threads", "1", "-protocol_whitelist", "file,pipe"];
        string[] writes = ["-map", "0:a:0", "-t", $"{WavFile.LongestSeconds + 1:0}", "-c:a", "pcm_s16le", "-f", "wav", "pipe:1"];
        var start = new ProcessStartInfo(
            "/usr/bin/prlimit",
            [.. bounds, .. alone, ffmpeg, .. reads, "-f", format.Reader, "-i", at, .. writes]
        )
        {
            WorkingDirectory = folder,
            RedirectStandardOutput = true,
            RedirectStandardInput = true,
        };
        start.Environment.Clear();
        using var running = Process.Start(start)!;
        running.StandardInput.Close();
        using var late = new Timer(_ => Stop(running), null, TimeSpan.FromSeconds(MostSeconds), Timeout.InfiniteTimeSpan);
        using var wav = new MemoryStream();
        var buffer = new byte[BufferBytes];
        int read;
        while ((read = running.StandardOutput.BaseStream.Read(buffer)) > 0)
        {
            wav.Write(buffer.AsSpan(0, read));
            if (wav.Length <= MostBytes)
                continue;
            Stop(running);
            throw new RecordingRefusedException(
                Say($"This {format.Name} file unpacks to more than {MostBytes / 1024 / 1024} MB. Cut it to the weld, or save it at 48,000.")
            );
        }
        running.WaitForExit();
        return wav.ToArray();
    }

    private static void Stop(Process running)
    {
        try
        {
            running.Kill(entireProcessTree: true);
        }
        catch (InvalidOperationException)
        {
            // It had ended by itself.
        }
    }
}
