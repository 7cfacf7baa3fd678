using System.Net;
using System.Net.Http.Headers;
using GentleBead.Core.Listening;
using GentleBead.Server.Listening;

namespace GentleBead.Server.Tests;

/// <summary>Whatever becomes of an upload, nothing of it is left waiting.</summary>
public class UploadTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    // As the field says.
    private const int Most = 60 * 1024 * 1024;

    private const int Rate = 16_000;

    private static readonly MediaTypeHeaderValue Wav = new("audio/wav");

    /// <summary>A body that does not say how long it is, and may end in a dead line.</summary>
    private sealed class Unmeasured(int bytes, bool goesDead) : HttpContent
    {
        protected override async Task SerializeToStreamAsync(Stream stream, TransportContext? context)
        {
            await stream.WriteAsync(new byte[bytes]);
            if (goesDead)
                throw new IOException("The line went dead.");
        }

        protected override bool TryComputeLength(out long length)
        {
            length = 0;
            return false;
        }
    }

    /// <summary>A body whose second half never comes.</summary>
    private sealed class Halting : HttpContent
    {
        protected override Task SerializeToStreamAsync(Stream stream, TransportContext? context) =>
            SerializeToStreamAsync(stream, context, CancellationToken.None);

        protected override async Task SerializeToStreamAsync(Stream stream, TransportContext? context, CancellationToken cancel)
        {
            await stream.WriteAsync(new byte[1024 * 1024], cancel);
            await stream.FlushAsync(cancel);
            await new TaskCompletionSource().Task.WaitAsync(cancel);
        }

        protected override bool TryComputeLength(out long length)
        {
            length = 0;
            return false;
        }
    }

    private async Task<(HttpClient Maren, string Path)> BeadAsync()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var bead = Guid.CreateVersion7();
        (
            await maren.RecordAsync(
                bead,
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 47,
                    voltMark = 6,
                    evidence = new { toes = "cold" },
                }
            )
        ).EnsureSuccessStatusCode();
        return (maren, $"/api/beads/{bead}/recordings/{Guid.CreateVersion7()}?name=bench");
    }

    private Task<long> LeftAsync() => room.QueryAsync<long>("select count(*) from upload_part");

    private static ByteArrayContent File(byte[] bytes) => new(bytes) { Headers = { ContentType = Wav } };

    private static byte[] Noise(int seconds)
    {
        var random = new Random(7);
        return WavFile.Write(
            new Waveform(Rate, [.. Enumerable.Range(0, seconds * Rate).Select(_ => (float)(random.NextDouble() * 0.4 - 0.2))])
        );
    }

    [Theory]
    [InlineData(1)]
    [InlineData(60)]
    public async Task A_recording_comes_back_byte_for_byte_however_many_parts_it_came_in(int seconds)
    {
        var (maren, path) = await BeadAsync();
        // Written by the writer whose files SciPy reads (WavFileTests), so that what is written anew is the same.
        var sent = Noise(seconds);
        var recording = await (await maren.PutAsync(path, File(sent), TestContext.Current.CancellationToken)).ReadAsync<Recording>();
        var back = await maren.GetByteArrayAsync($"/api/recordings/{recording.Id}/file", TestContext.Current.CancellationToken);
        Assert.Equal(sent.Length, back.Length);
        Assert.True(sent.AsSpan().SequenceEqual(back), "The bytes differ.");
        Assert.Equal(0, await LeftAsync());
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task One_byte_too_many_is_told_at_the_field_and_none_is_kept(bool saysHowLong)
    {
        var (maren, path) = await BeadAsync();
        HttpContent content = saysHowLong
            ? File(new byte[Most + 1])
            : new Unmeasured(Most + 1, goesDead: false) { Headers = { ContentType = Wav } };
        var problems = await (await maren.PutAsync(path, content, TestContext.Current.CancellationToken)).ProblemsAsync();
        Assert.Equal("A recording of at most 60 MB.", problems["recording"]);
        Assert.Equal(0, await LeftAsync());
    }

    [Fact]
    public async Task A_line_that_goes_dead_half_way_leaves_nothing_and_the_next_try_is_taken()
    {
        var (maren, path) = await BeadAsync();
        using (var half = new Unmeasured(700_000, goesDead: true) { Headers = { ContentType = Wav } })
        {
            await Assert.ThrowsAnyAsync<Exception>(() => maren.PutAsync(path, half, TestContext.Current.CancellationToken));
        }
        Assert.True(await Waiting.UntilAsync(async () => await LeftAsync() == 0), "Parts of the cut upload are still there.");
        (await maren.PutAsync(path, File(Noise(2)), TestContext.Current.CancellationToken)).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task What_a_server_killed_half_way_left_behind_goes_with_the_next_upload_a_day_later()
    {
        await room.QueryAsync<object?>(
            "insert into upload_part (upload_id, number, bytes, received_at) values (gen_random_uuid(), 0, 'x', now() - interval "
                + "'25 hours') returning null"
        );
        var (maren, path) = await BeadAsync();
        (await maren.PutAsync(path, File(Noise(1)), TestContext.Current.CancellationToken)).EnsureSuccessStatusCode();
        Assert.Equal(0, await LeftAsync());
    }

    [Fact]
    public async Task Of_an_upload_whose_sender_has_gone_nothing_is_left()
    {
        var (_, path) = await BeadAsync();
        var maren = await room.SignInAsync("maren", streams: true);
        using var gone = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        var sent = maren.PutAsync(path, new Halting { Headers = { ContentType = Wav } }, gone.Token);
        Assert.True(await Waiting.UntilAsync(async () => await LeftAsync() > 0), "Nothing came.");
        await gone.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => sent);
        Assert.True(await Waiting.UntilAsync(async () => await LeftAsync() == 0), "Something was left.");
    }
}
