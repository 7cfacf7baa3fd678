using System.Text.Json;
using GentleBead.Core.Learned;

namespace GentleBead.Core.Looking;

/// <summary>What the eye learned: weld metal from plate, grains of spatter and pores from what only looks like them.</summary>
/// <param name="Metal">Weighs a place of a strip that lies along a bead.</param>
/// <param name="Search">Weighs a place of a strip that lies somewhere near one.</param>
/// <param name="Grains">Weighs what may be a grain.</param>
/// <param name="Pores">Weighs what may be a pore.</param>
internal sealed record EyeModel(FaceNet Metal, FaceNet Search, LearnedNet Grains, LearnedNet Pores)
{
    private static readonly Lazy<EyeModel> Built = new(() =>
    {
        using var file = typeof(EyeModel).Assembly.GetManifestResourceStream("EyeModel.json")!;
        return JsonSerializer.Deserialize<EyeModel>(file)!;
    });

    /// <summary>The one that is built in.</summary>
    public static EyeModel Own => Built.Value;
}
