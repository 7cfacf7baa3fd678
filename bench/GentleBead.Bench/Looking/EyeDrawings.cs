using OpenCvSharp;

namespace GentleBead.Bench.Looking;

/// <summary>Draws what the eye is taught by and measured on.</summary>
internal static class EyeDrawings
{
    private static readonly Wrong[] FaceWrongs = [.. Enum.GetValues<Wrong>().Where(wrong => wrong != Wrong.Nothing)];

    // A section fits its window: it is not cut off.
    private static readonly Wrong[] SectionWrongs = [.. FaceWrongs.Where(wrong => wrong != Wrong.CutOff)];

    private static readonly (int Width, int Height) Large = (2000, 1500),
        Small = (1400, 1050);

    /// <summary>Draws beads into a folder: the picture as a phone would have taken it, as it was drawn, and what is known of it.</summary>
    public static int Faces(string folder, (int From, int Count) seeds, string[] how) =>
        All(
            folder,
            seeds,
            how,
            seed => Face(seed, how.Contains("spoilt"), how.Contains("small")),
            (scene, path) => FaceTruth.Of(scene).Write(path)
        );

    /// <summary>Draws sections into a folder.</summary>
    public static int Sections(string folder, (int From, int Count) seeds, string[] how) =>
        All(
            folder,
            seeds,
            how,
            seed => new SectionScene(
                seed,
                how.Contains("small") ? Small : Large,
                how.Contains("spoilt") ? SectionWrongs[seed % SectionWrongs.Length] : Wrong.Nothing
            ),
            (scene, path) => SectionTruth.Of(scene).Write(path)
        );

    /// <summary>Draws backs into a folder.</summary>
    public static int Backs(string folder, (int From, int Count) seeds, string[] how) =>
        All(
            folder,
            seeds,
            how,
            seed => new BackScene(seed, how.Contains("small") ? Small : Large),
            (scene, path) => BackTruth.Of(scene).Write(path)
        );

    /// <summary>Writes anew what is known of beads that were drawn.</summary>
    public static int Truths(string folder)
    {
        Parallel.ForEach(
            Directory.GetFiles(folder, "*.drawn.jpg"),
            file =>
            {
                var seed = int.Parse(Path.GetFileName(file)[..5], null);
                var scene = Face(seed, folder.Contains("spoilt", StringComparison.Ordinal), small: false);
                FaceTruth.Of(scene).Write(Path.Combine(folder, $"{seed:00000}.json"));
                using var drawn = Cv2.ImRead(file);
                File.WriteAllBytes(Path.Combine(folder, $"{seed:00000}.jpg"), Photograph.Take(drawn, scene));
            }
        );
        return 0;
    }

    private static int All<TScene>(
        string folder,
        (int From, int Count) seeds,
        string[] how,
        Func<int, TScene> draw,
        Action<TScene, string> tell
    )
        where TScene : IScene
    {
        Directory.CreateDirectory(folder);
        for (var seed = seeds.From; seed < seeds.From + seeds.Count; seed++)
        {
            var path = Path.Combine(folder, seed.ToString("00000", null));
            if (File.Exists(path + ".json"))
                continue;
            var scene = draw(seed);
            using var drawn = PovRay.Draw(scene);
            if (!how.Contains("small"))
                Cv2.ImWrite(path + ".drawn.jpg", drawn, new ImageEncodingParam(ImwriteFlags.JpegQuality, 98));
            File.WriteAllBytes(path + ".jpg", Photograph.Take(drawn, scene));
            tell(scene, path + ".json");
        }
        return 0;
    }

    private static FaceScene Face(int seed, bool spoilt, bool small) =>
        new(seed, small ? Small : Large, spoilt ? FaceWrongs[seed % FaceWrongs.Length] : Wrong.Nothing);
}
