using System.Runtime.InteropServices;
using System.Text.Json;
using GentleBead.Core.Looking;
using GentleBead.Server.Json;
using OpenCvSharp;

namespace GentleBead.Server.Pictures;

/// <summary>
/// What decodes pictures, in a process of its own: they come from anybody, and it is a great deal of native code. It reads requests from
/// its standard input and answers on its standard output, writes no files, and takes no more memory than it is given; when it dies, the
/// server starts another.
/// </summary>
internal static partial class PictureWorker
{
    /// <summary>The word on the command line that starts it.</summary>
    public const string Verb = "pictures";

    // Pictures as they are kept are smaller; nothing larger is decoded.
    private const int MostPixels = 40_000_000;

    private const int MostBytes = 40 * 1024 * 1024;

    // A picture of the most pixels as three bytes and as three floats, the strips, the runtime itself.
    private const ulong MostMemory = 1_200_000_000;

    private const int DataLimit = 2,
        FileLimit = 1,
        CoreLimit = 4;

    private const int WriteOnly = 1,
        StandardError = 2;

    // How JPEG, PNG and WebP begin.
    private static readonly (int At, byte[] Sign)[] Kinds =
    [
        (0, [0xFF, 0xD8, 0xFF]),
        (0, [0x89, (byte)'P', (byte)'N', (byte)'G']),
        (8, [(byte)'W', (byte)'E', (byte)'B', (byte)'P']),
    ];

    /// <summary>Answers until nobody asks any more.</summary>
    public static int Run()
    {
        Limit(DataLimit, MostMemory);
        Limit(FileLimit, 0);
        Limit(CoreLimit, 0);
        // Decoders tell of every broken picture, in their own words; the answer says it in ours.
        _ = Redirect(Open("/dev/null", WriteOnly), StandardError);
        Cv2.SetNumThreads(1);
        using var from = Console.OpenStandardInput();
        using var to = Console.OpenStandardOutput();
        while (Read(from) is { } head)
        {
            var request = JsonSerializer.Deserialize<PictureRequest>(head, QuantityJson.Options)!;
            var bytes = new byte[Math.Clamp(request.Bytes, 0, MostBytes)];
            from.ReadExactly(bytes);
            var answer = JsonSerializer.SerializeToUtf8Bytes(Answer(request, bytes), QuantityJson.Options);
            to.Write(BitConverter.GetBytes(answer.Length));
            to.Write(answer);
            to.Flush();
        }
        return 0;
    }

    private static PictureResponse Answer(PictureRequest request, byte[] bytes)
    {
        if (request.Clean)
            return new(Clean: CleanPicture.Of(bytes, out var problem), Problem: problem);
        using var picture = Decoded(bytes);
        return picture is null ? new()
            : request.Face is { } face ? new(Face: Eye.Face(picture, face))
            : request.Back is { } back ? new(Back: BackEye.Look(picture, back))
            : request.Section is { } section ? new(Section: SectionEye.Look(picture, section))
            : new(Frame: Eye.Frame(picture, request.Width));
    }

    private static Mat? Decoded(byte[] bytes)
    {
        // The library reads a dozen kinds of picture; what is none of ours does not reach it.
        if (!Array.Exists(Kinds, kind => bytes.AsSpan(Math.Min(kind.At, bytes.Length)).StartsWith(kind.Sign)))
            return null;
        try
        {
            var picture = Cv2.ImDecode(bytes, ImreadModes.Color | ImreadModes.IgnoreOrientation);
            if (!picture.Empty() && (long)picture.Width * picture.Height <= MostPixels)
                return picture;
            picture.Dispose();
            return null;
        }
        catch (Exception unreadable) when (unreadable is OpenCVException or OpenCvSharpException or ArgumentException)
        {
            return null;
        }
    }

    private static byte[]? Read(Stream from)
    {
        var length = new byte[4];
        if (from.ReadAtLeast(length, 4, throwOnEndOfStream: false) < 4)
            return null;
        var body = new byte[BitConverter.ToInt32(length)];
        from.ReadExactly(body);
        return body;
    }

    private static void Limit(int what, ulong most)
    {
        var limit = new Most(most, most);
        _ = SetLimit(what, in limit);
    }

    private readonly record struct Most(ulong Soft, ulong Hard);

    [LibraryImport("libc", EntryPoint = "open", StringMarshalling = StringMarshalling.Utf8)]
    private static partial int Open(string path, int how);

    [LibraryImport("libc", EntryPoint = "dup2")]
    private static partial int Redirect(int from, int to);

    [LibraryImport("libc", EntryPoint = "setrlimit")]
    private static partial int SetLimit(int what, in Most limit);
}
