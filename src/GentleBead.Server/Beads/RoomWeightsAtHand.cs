using System.Collections.Concurrent;
using GentleBead.Core.Judging;

namespace GentleBead.Server.Beads;

/// <summary>
/// What each school's rooms have learned, as it was last read: every bead is judged with it. What stands under an id never changes.
/// </summary>
public sealed class RoomWeightsAtHand
{
    private readonly ConcurrentDictionary<string, (Guid Id, RoomWeights Weights)> last = new(StringComparer.Ordinal);

    /// <summary>A school's weights of this id; null where others were read last.</summary>
    public RoomWeights? Find(string school, Guid id) => last.TryGetValue(school, out var kept) && kept.Id == id ? kept.Weights : null;

    /// <summary>They were read.</summary>
    public void Keep(string school, Guid id, RoomWeights weights) => last[school] = (id, weights);
}
