namespace GentleBead.Core.Listening;

/// <summary>A file that is no recording, or not one that can be taken, with what to do about it.</summary>
public sealed class RecordingRefusedException : Exception
{
    /// <summary>Refuses with a sentence for the person who gave the file.</summary>
    public RecordingRefusedException(string message)
        : base(message)
    {
    }

    /// <summary>Refuses without a word.</summary>
    public RecordingRefusedException()
    {
    }

    /// <summary>Refuses because of something else.</summary>
    public RecordingRefusedException(string message, Exception inner)
        : base(message, inner)
    {
    }
}
