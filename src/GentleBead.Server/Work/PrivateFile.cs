namespace GentleBead.Server.Work;

/// <summary>A file that nobody but whoever runs the server reads.</summary>
public static class PrivateFile
{
    /// <summary>Puts it in its place whole: what was cut short is never taken for one.</summary>
    /// <param name="file">Where.</param>
    /// <param name="lines">What is in it.</param>
    public static void Write(string file, params ReadOnlySpan<string> lines)
    {
        var beside = $"{file}.new";
        File.Delete(beside);
        var alone = new FileStreamOptions
        {
            Mode = FileMode.CreateNew,
            Access = FileAccess.Write,
            UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite,
        };
        using (var writer = new StreamWriter(beside, alone))
        {
            foreach (var line in lines)
                writer.WriteLine(line);
        }
        File.Move(beside, file, overwrite: true);
    }
}
