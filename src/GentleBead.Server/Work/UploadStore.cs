using System.Security.Cryptography;
using Dapper;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Work;

/// <summary>A file as it was received: its bytes wait in the database.</summary>
/// <param name="Id">Under which id they wait.</param>
/// <param name="Length">How many.</param>
/// <param name="Sent">Their fingerprint.</param>
public sealed record Upload(Guid Id, int Length, Sent Sent);

/// <summary>Takes uploads as they come, a part at a time, so that a dozen at once need no more memory than a dozen parts.</summary>
public sealed class UploadStore(SchoolDatabase database)
{
    private const int PartBytes = 256 * 1024;

    /// <summary>Receives a body; null where it is longer than may be.</summary>
    /// <param name="body">The body.</param>
    /// <param name="mostBytes">The most bytes taken.</param>
    /// <param name="cancel">When the sender goes away.</param>
    public async Task<Upload?> ReceiveAsync(Stream body, int mostBytes, CancellationToken cancel)
    {
        var id = Guid.CreateVersion7();
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var part = new byte[PartBytes];
        var length = 0;
        try
        {
            for (var number = 0; ; number++)
            {
                var read = await body.ReadAtLeastAsync(part, PartBytes, throwOnEndOfStream: false, cancel);
                if (read == 0)
                    break;
                length += read;
                if (length > mostBytes)
                {
                    await DropAsync(id);
                    return null;
                }
                hash.AppendData(part, 0, read);
                await using var connection = await database.OpenConnectionAsync(cancel);
                await using var command = new NpgsqlCommand(
                    "insert into upload_part (upload_id, number, bytes) values ($1, $2, $3)",
                    connection
                );
                command.Parameters.Add(new NpgsqlParameter { Value = id });
                command.Parameters.Add(new NpgsqlParameter { Value = number });
                command.Parameters.Add(new NpgsqlParameter { Value = new ArraySegment<byte>(part, 0, read) });
                await command.ExecuteNonQueryAsync(cancel);
                if (read < PartBytes)
                    break;
            }
        }
        catch
        {
            // Cut off on the way: nothing of it is kept.
            await DropAsync(id);
            throw;
        }
        return new Upload(id, length, new Sent(hash.GetHashAndReset()));
    }

    /// <summary>The bytes of an upload. Blocks: for a thread of heavy work.</summary>
    public byte[] Read(Upload upload)
    {
        var bytes = GC.AllocateUninitializedArray<byte>(upload.Length);
        using var connection = database.OpenConnection();
        var at = 0;
        for (var number = 0; at < bytes.Length; number++)
        {
            var part = connection.QuerySingle<byte[]>(
                "select bytes from upload_part where upload_id = @Id and number = @number",
                new { upload.Id, number }
            );
            part.CopyTo(bytes, at);
            at += part.Length;
        }
        return bytes;
    }

    /// <summary>Throws an upload away. Not to be called off: who has gone leaves nothing behind.</summary>
    public async Task DropAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync(CancellationToken.None);
        await connection.ExecuteAsync(
            "delete from upload_part where upload_id = @id or received_at < now() - interval '1 day'",
            new { id },
            CancellationToken.None
        );
    }
}
