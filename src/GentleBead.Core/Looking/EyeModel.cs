using System.Text.Json;

namespace GentleBead.Core.Looking;

/// <summary>What the eye learned to find beads by that nobody pointed at.</summary>
/// <param name="Search">Weighs a place of a strip that lies somewhere near one.</param>
internal sealed record EyeModel(FaceNet Search)
{
    private static readonly Lazy<EyeModel> Built = new(() =>
    {
        using var file = typeof(EyeModel).Assembly.GetManifestResourceStream("EyeModel.json")!;
        return JsonSerializer.Deserialize<EyeModel>(file)!;
    });

    /// <summary>The one that is built in.</summary>
    public static EyeModel Own => Built.Value;
}
