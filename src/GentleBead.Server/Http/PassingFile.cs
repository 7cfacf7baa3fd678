namespace GentleBead.Server.Http;

/// <summary>A file that is written, sent and gone: what is too large to be made in memory.</summary>
internal static class PassingFile
{
    /// <summary>Writes one and gives it at its beginning; it is gone once it is closed, or where writing fails.</summary>
    /// <param name="write">Writes it.</param>
    public static async Task<FileStream> WriteAsync(Func<Stream, Task> write)
    {
        var file = new FileStream(
            Path.Combine(Path.GetTempPath(), $"gentlebead-{Guid.NewGuid()}"),
            new FileStreamOptions
            {
                Mode = FileMode.CreateNew,
                Access = FileAccess.ReadWrite,
                Options = FileOptions.DeleteOnClose | FileOptions.Asynchronous,
            }
        );
        try
        {
            await write(file);
            file.Position = 0;
            return file;
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }
    }
}
