namespace GentleBead.Server.Listening;

/// <summary>A recording's bytes as a stream that reads only the parts it is asked for: a player may begin anywhere.</summary>
public sealed class RecordingStream(RecordingStore recordings, Recording recording) : Stream
{
    private byte[] part = [];
    private int held = -1;

    /// <inheritdoc/>
    public override bool CanRead => true;

    /// <inheritdoc/>
    public override bool CanSeek => true;

    /// <inheritdoc/>
    public override bool CanWrite => false;

    /// <inheritdoc/>
    public override long Length => recording.Length;

    /// <inheritdoc/>
    public override long Position { get; set; }

    /// <inheritdoc/>
    public override async ValueTask<int> ReadAsync(Memory<byte> buffer, CancellationToken cancellationToken = default)
    {
        if (Position >= Length)
            return 0;
        var number = (int)(Position / RecordingStore.PartBytes);
        if (number != held)
            (part, held) = (await recordings.PartAsync(recording.Id, number, cancellationToken), number);
        var from = (int)(Position % RecordingStore.PartBytes);
        var count = Math.Min(buffer.Length, part.Length - from);
        part.AsMemory(from, count).CopyTo(buffer);
        Position += count;
        return count;
    }

    /// <inheritdoc/>
    public override Task<int> ReadAsync(byte[] buffer, int offset, int count, CancellationToken cancellationToken) =>
        ReadAsync(buffer.AsMemory(offset, count), cancellationToken).AsTask();

    /// <inheritdoc/>
    public override long Seek(long offset, SeekOrigin origin) =>
        Position = origin switch
        {
            SeekOrigin.Begin => offset,
            SeekOrigin.Current => Position + offset,
            _ => Length + offset,
        };

    /// <inheritdoc/>
    public override int Read(byte[] buffer, int offset, int count) => throw new NotSupportedException("Read it asynchronously.");

    /// <inheritdoc/>
    public override void Flush() { }

    /// <inheritdoc/>
    public override void SetLength(long value) => throw new NotSupportedException("A recording does not change.");

    /// <inheritdoc/>
    public override void Write(byte[] buffer, int offset, int count) => throw new NotSupportedException("A recording does not change.");
}
