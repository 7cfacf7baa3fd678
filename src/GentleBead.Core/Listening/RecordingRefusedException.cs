namespace GentleBead.Core.Listening;

/// <summary>A file that is no recording, or not one that can be taken, with what to do about it.</summary>
/// <param name="said">A sentence for the person who gave the file.</param>
public sealed class RecordingRefusedException(Said said) : Exception(said.ToString())
{
    /// <summary>What to do about it.</summary>
    public Said Said { get; } = said;
}
