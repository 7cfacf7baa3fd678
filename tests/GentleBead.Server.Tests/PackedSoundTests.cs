using System.Diagnostics;
using System.Net;
using System.Net.Http.Headers;
using System.Text;
using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using GentleBead.Server.Beads;
using GentleBead.Server.Listening;
using Microsoft.Extensions.Configuration;

namespace GentleBead.Server.Tests;

/// <summary>Packed sound files, made by ffmpeg itself and read back: each heard as the WAV file it was made from.</summary>
public sealed class PackedSoundTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly byte[] Wav = WavFile.Write(KnownClips.Clip(Sound.EvenCrackle, 4, 20, 91_000_001));

    private static PackedSound Sounds(string? ffmpeg = null) =>
        new(new ConfigurationBuilder().AddInMemoryCollection([new("Listening:Ffmpeg", ffmpeg)]).Build());

    private static byte[] Packed(string name, params string[] how)
    {
        var folder = Directory.CreateTempSubdirectory("packed-");
        try
        {
            var (from, to) = (Path.Combine(folder.FullName, "in.wav"), Path.Combine(folder.FullName, name));
            File.WriteAllBytes(from, Wav);
            using var running = Process.Start("ffmpeg", ["-nostdin", "-loglevel", "error", "-y", "-i", from, .. how, to]);
            running.WaitForExit();
            return File.ReadAllBytes(to);
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }

    public static TheoryData<string, string[]> Formats =>
        new()
        {
            { "a.flac", [] },
            { "a.mp3", ["-b:a", "128k"] },
            { "a.ogg", ["-c:a", "libvorbis"] },
            { "a.opus", ["-b:a", "64k"] },
            { "a.m4a", ["-b:a", "128k"] },
            { "a.w64", [] },
            { "a.wav", ["-rf64", "always"] },
            { "a.aac", ["-b:a", "128k"] },
        };

    [Theory]
    [MemberData(nameof(Formats))]
    public void Each_format_is_heard_as_the_wav_file_it_was_made_from(string name, string[] how)
    {
        var file = Packed(name, how);
        Assert.True(PackedSound.Is(file), name);
        var (was, now) = (WavFile.Read(Wav), WavFile.Read(Sounds().Unpack(file)));
        Assert.InRange(now.Samples.Length / (double)now.Rate, was.Samples.Length / (double)was.Rate - 0.1, 4.2);
        Assert.Equal(Sound.EvenCrackle, Finding.Of(now).Heard.Sound);
    }

    [Fact]
    public void A_wav_file_and_text_are_none_of_these()
    {
        Assert.False(PackedSound.Is(Wav));
        Assert.False(PackedSound.Is("time,volts,amps\n"u8));
        Assert.False(PackedSound.Is([]));
    }

    [Fact]
    public void Without_ffmpeg_it_is_said_what_to_do()
    {
        var refused = Assert.Throws<RecordingRefusedException>(() => Sounds("/nowhere/ffmpeg").Unpack(Packed("a.flac")));
        Assert.Contains("Save the recording as WAV", refused.Said.ToString(), StringComparison.Ordinal);
    }

    // A file that only begins like one; one that names another file; one cut off at once.
    public static TheoryData<byte[]> Hostile =>
        new()
        {
            { [.. "fLaC"u8, .. new byte[5000]] },
            { [.. "OggS"u8, .. Encoding.ASCII.GetBytes("#EXTM3U\nfile:///etc/passwd\nhttp://127.0.0.1:9/x\n")] },
            { [0, 0, 0, 32, .. "ftypM4A "u8, .. Enumerable.Repeat((byte)0xFF, 4000)] },
            { [.. "RF64"u8, 0xFF, 0xFF, 0xFF, 0xFF, .. "WAVE"u8] },
        };

    [Theory]
    [MemberData(nameof(Hostile))]
    public void What_only_begins_like_one_is_refused_in_words(byte[] file) =>
        Assert.Throws<RecordingRefusedException>(() => WavFile.Read(Sounds().Unpack(file)));

    [Fact]
    public void Of_a_file_that_is_cut_off_what_is_there_is_heard()
    {
        var file = Packed("a.flac");
        var heard = WavFile.Read(Sounds().Unpack(file[..(file.Length * 2 / 3)]));
        Assert.InRange(heard.Samples.Length / (double)heard.Rate, 1.5, 3.5);
    }

    [Fact]
    public void Nothing_is_left_in_the_folder_for_passing_things()
    {
        Sounds().Unpack(Packed("a.flac"));
        Assert.Empty(Directory.GetDirectories(Path.GetTempPath(), "gentle-bead-sound-*"));
    }

    [Fact]
    public async Task A_flac_file_is_kept_with_its_bead_and_one_that_is_none_is_refused_at_its_field()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var evidence = new { profile = "slightlyConvex" };
        var bead = await (
            await maren.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 46,
                    voltMark = 6,
                    evidence,
                }
            )
        ).ReadAsync<Bead>();
        var recording = await (await SendAsync(maren, bead.Id, Packed("a.flac"))).ReadAsync<Recording>();
        Assert.Equal(Sound.EvenCrackle, recording.Finding.Heard.Sound);
        var refused = await SendAsync(maren, bead.Id, [.. "fLaC"u8, .. new byte[500]]);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains("FLAC", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    private static Task<HttpResponseMessage> SendAsync(HttpClient maren, Guid bead, byte[] file)
    {
        var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue("audio/flac");
        return maren.PutAsync($"/api/beads/{bead}/recordings/{Guid.CreateVersion7()}?name=arc.flac", content);
    }
}
