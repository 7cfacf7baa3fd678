using System.Text.Json;
using GentleBead.Bench.Listening;
using GentleBead.Core.Learned;
using GentleBead.Core.Looking;
using MathNet.Numerics.Random;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>Teaches the eye to find beads, from drawn pictures whose truth is known.</summary>
internal static class TrainEye
{
    private const int OfEach = 1600;

    /// <summary>Teaches it and writes it down.</summary>
    public static void Run(string path, string folder)
    {
        // Of what was spoilt, plates without a bead say what is none.
        var bare = Directory
            .GetFiles(folder.TrimEnd('/') + "/../spoilt", "*.json")
            .Where(file => FaceTruth.Read(file).Wrong == Wrong.NoBead);
        string[] files = [.. Directory.GetFiles(folder, "*.json").Concat(bare).Order()];
        var search = Teach("search", files, Of, [24, 12]);
        File.WriteAllText(path, JsonSerializer.Serialize(new EyeModel(new(search))));
    }

    private static LearnedNet Teach(string what, string[] files, Func<string, IEnumerable<Example>> of, int[] hidden)
    {
        var own = new List<Example>[files.Length];
        Parallel.For(0, files.Length, i => own[i] = [.. of(files[i])]);
        List<Example> examples = [.. own.SelectMany(one => one)];
        Console.WriteLine(
            $"{what}: {files.Length} pictures, {examples.Count} examples, {examples.Average(one => one.Kind):0.000} are ones"
        );
        return Learner.Teach(examples, hidden, [1, 1], 7);
    }

    private static IEnumerable<Example> Of(string file)
    {
        var truth = FaceTruth.Read(file);
        using var picture = Cv2.ImRead(Path.ChangeExtension(file, ".jpg"));
        if (CardReader.Find(picture, out _) is not { } seen)
            yield break;
        var chance = Chance.Of(truth.Seed);
        foreach (var lay in Near(seen, chance))
        {
            var strip = Strip.Of(picture, lay.Plane, lay.Length, seen.Corners(), seen.Light.Balance);
            foreach (var example in Places(strip, Metal(truth, lay, strip.Columns), chance))
                yield return example;
        }
    }

    // Along the card, as a bead is looked for.
    private static IEnumerable<FaceLay> Near(CardSeen seen, Xoshiro256StarStar chance)
    {
        for (var i = 0; i < 3; i++)
        {
            var off = chance.Between(4, 40);
            var y = chance.In(0.5) ? -off : seen.Card!.Height + off;
            yield return FaceLay.OnPlate(seen, seen.Plane.ToPicture(new(-5, y)), seen.Plane.ToPicture(new(seen.Card!.Width + 5, y)));
        }
    }

    // Which rows of a column are metal, from where both toes lie on the strip.
    private static (double From, double To)[] Metal(FaceTruth truth, FaceLay lay, int columns)
    {
        (double Column, double Row)[] On(Point[] toe) =>
            [.. toe.Select(lay.Plane.ToPlane).Select(at => (Strip.ColumnAt(at.X), Strip.RowAt(at.Y))).OrderBy(at => at.Item1)];
        var (one, other) = (On(truth.Left), On(truth.Right));
        double? At((double Column, double Row)[] toe, int column)
        {
            if (truth.Wrong == Wrong.NoBead)
                return null;
            var next = Array.FindIndex(toe, at => at.Column >= column);
            if (next <= 0)
                return null;
            var (from, to) = (toe[next - 1], toe[next]);
            return from.Row + (column - from.Column) / Math.Max(1e-9, to.Column - from.Column) * (to.Row - from.Row);
        }
        return
        [
            .. Enumerable
                .Range(0, columns)
                .Select(column =>
                    (At(one, column), At(other, column)) is ({ } a, { } b)
                        ? (Math.Min(a, b), Math.Max(a, b))
                        : (double.MaxValue, double.MinValue)
                ),
        ];
    }

    private static IEnumerable<Example> Places(Strip strip, (double From, double To)[] metal, Xoshiro256StarStar chance)
    {
        var features = new FaceFeatures(strip);
        bool Metal(int row, int column) => row >= metal[column].From && row <= metal[column].To;
        // Where it changes within so many pixels is where it matters.
        const int near = 12;
        bool Near(int row, int column)
        {
            var here = Metal(row, column);
            for (var by = -near; by <= near; by += 4)
            {
                if (
                    Metal(Math.Clamp(row + by, 0, strip.Rows - 1), column) != here
                    || Metal(row, Math.Clamp(column + by, 0, strip.Columns - 1)) != here
                )
                    return true;
            }
            return false;
        }
        var into = new float[FaceFeatures.Count];
        for (var put = 0; put < OfEach; )
        {
            var (row, column) = (chance.Next(strip.Rows), chance.Next(strip.Columns));
            put++;
            if (!strip.Seen[row * strip.Columns + column])
                continue;
            if (!Near(row, column) && !chance.In(Metal(row, column) ? 0.5 : 0.3))
                continue;
            features.Write(row, column, into);
            yield return new([.. into], Metal(row, column) ? 1 : 0);
        }
    }
}
