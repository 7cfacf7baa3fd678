using GentleBead.Core.Learned;
using System.Text.Json;

namespace GentleBead.Core.Listening;

/// <summary>What the ear learned, for one width of band.</summary>
/// <param name="Windows">Weighs half a second by its <see cref="SoundFeatures"/>.</param>
/// <param name="Whole">Weighs a stretch by what its half seconds have in common (<see cref="SoundStretch"/>).</param>
/// <param name="Sure">For each sound how often an answer proved right, by the share that the whole gave it.</param>
internal sealed record SoundModel(LearnedNet Windows, LearnedNet Whole, IReadOnlyList<SoundModel.Steps> Sure)
{
    /// <summary>A rising line.</summary>
    /// <param name="At">Where, rising.</param>
    /// <param name="Is">What it is there; straight between.</param>
    internal sealed record Steps(double[] At, double[] Is)
    {
        internal double Of(double at)
        {
            var next = Array.FindIndex(At, one => one >= at);
            if (next <= 0)
                return next == 0 ? Is[0] : Is[^1];
            var (from, to) = (At[next - 1], At[next]);
            return Is[next - 1] + (Is[next] - Is[next - 1]) * (to > from ? (at - from) / (to - from) : 1);
        }
    }

    /// <summary>For all that is on a recording, and for what a telephone carries of it.</summary>
    internal sealed record Both(SoundModel Wide, SoundModel Narrow);

    private static readonly Lazy<Both> Built = new(() =>
    {
        using var file = typeof(SoundModel).Assembly.GetManifestResourceStream("SoundModel.json")!;
        return JsonSerializer.Deserialize<Both>(file)!;
    });

    /// <summary>The one for these features.</summary>
    internal static SoundModel For(SoundFeatures features) => features.Narrow ? Built.Value.Narrow : Built.Value.Wide;
}
