using GentleBead.Core.Judging;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;

namespace GentleBead.Server.Progress;

/// <summary>A stored cause in words.</summary>
internal static class CauseWords
{
    /// <summary>What a cause is called in its process; null where there is none, or nothing was wrong.</summary>
    /// <param name="cause">The cause, as it is stored.</param>
    /// <param name="process">The process, likewise.</param>
    public static Said? Of(string? cause, string process) =>
        cause is null || EnumText.Read<Cause>(cause) is var read && read == Cause.NothingWrong
            ? null
            : Causes.Row(read, EnumText.Read<Process>(process)).Words;
}
