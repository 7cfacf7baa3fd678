using GentleBead.Core.Stock;

namespace GentleBead.Core.Skills;

/// <summary>What skill is told apart by: whoever welds a lap flat cannot weld it overhead for that.</summary>
/// <param name="Process">The process and its transfer mode.</param>
/// <param name="Joint">How the members meet.</param>
/// <param name="Position">How the joint lies.</param>
public sealed record KindOfWork(Process Process, Joint Joint, Position Position)
{
    /// <summary>In words: "T, horizontal; MIG short circuit".</summary>
    public Said InWords() => Say($"{Joint.Facts().Name:capital}, {Position.Facts().Words}; {Process.Facts().Name}");
}
