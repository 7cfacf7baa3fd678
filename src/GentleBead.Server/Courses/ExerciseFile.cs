using System.Globalization;
using System.Text.Json;
using GentleBead.Core.Courses;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Json;

namespace GentleBead.Server.Courses;

/// <summary>What an exercise of a file is to the exercises here.</summary>
public enum FileState
{
    /// <summary>It is not here.</summary>
    New,

    /// <summary>It stands here as it stands in the file.</summary>
    Same,

    /// <summary>It is here, and says something else.</summary>
    Other,

    /// <summary>It cannot be taken.</summary>
    Wrong,
}

/// <summary>An exercise of a file; nothing is taken yet.</summary>
/// <param name="Id">Which exercise.</param>
/// <param name="Edition">Its edition here; 0 where it is not here.</param>
/// <param name="State">What it is to the exercises here.</param>
/// <param name="Problems">What is wrong with it; empty where it can be taken.</param>
/// <param name="Exercise">The exercise.</param>
public sealed record ReadExercise(Guid Id, int Edition, FileState State, IReadOnlyList<Problem> Problems, Exercise Exercise);

/// <summary>
/// Exercises as files. JSON: all of each, in the same words as over HTTP, read back by any school. CSV: a row each, for spreadsheets.
/// </summary>
internal static class ExerciseFile
{
    /// <summary>The most that is read, in bytes.</summary>
    public const int MostBytes = 1024 * 1024;

    private const string Format = "gentle-bead-exercises";
    private const int Version = 1;

    private sealed record FileOf(string? Format, int Version, IReadOnlyList<Entry>? Exercises);

    private sealed record Entry(Guid Id, Exercise Exercise);

    public static byte[] WriteJson(IReadOnlyList<KnownExercise> all) =>
        JsonSerializer.SerializeToUtf8Bytes(
            new FileOf(Format, Version, [.. all.Where(one => !one.Retired).Select(one => new Entry(one.Id, one.Exercise))]),
            QuantityJson.Options
        );

    public static byte[] WriteCsv(IReadOnlyList<KnownExercise> all)
    {
        var names = all.ToDictionary(one => one.Id, one => one.Exercise.Name);
        var columns = Columns(id => names.GetValueOrDefault(id, ""));
        return CsvTable.Write([
            columns.Select(column => column.Head),
            .. all.Where(one => !one.Retired).Select(known => columns.Select(column => column.Of(known.Exercise))),
        ]);
    }

    private static (string Head, Func<Exercise, string> Of)[] Columns(Func<Guid, string> nameOf) =>
        [
            ("name", one => one.Name),
            ("process", one => EnumText.Of(one.Job.Process)),
            ("metal", one => EnumText.Of(one.Job.Metal)),
            ("thickness", one => one.Job.Thickness.Typed),
            ("other thickness", one => one.Job.OtherThickness?.Typed ?? ""),
            ("joint", one => EnumText.Of(one.Job.Joint)),
            ("position", one => EnumText.Of(one.Job.Position)),
            ("criteria", one => EnumText.Of(one.Criteria)),
            ("proof", one => EnumText.Of(one.Proof)),
            ("done with", one => $"{one.Done.InWords(one.Proof)}"),
            ("beads a coupon", one => one.BeadsACoupon.ToString(CultureInfo.InvariantCulture)),
            ("minutes a bead", one => one.MinutesABead.ToString(CultureInfo.InvariantCulture)),
            ("pieces", one => string.Join("; ", one.Pieces.Select(Words))),
            ("before", one => string.Join("; ", one.Before.Select(nameOf))),
            ("how", one => one.How),
            ("caution", one => one.Caution),
        ];

    private static string Words(Piece piece) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{piece.Count} x {EnumText.Of(piece.Form)} {piece.Width.Mm:0.#} x {piece.Thickness.Mm:0.##} x {piece.Long.Mm:0.#} mm"
        );

    public static Checked<IReadOnlyList<ReadExercise>> Read(string text, IReadOnlyList<KnownExercise> here)
    {
        FileOf? file;
        try
        {
            file = JsonSerializer.Deserialize<FileOf>(text, QuantityJson.Options);
        }
        catch (Exception unreadable) when (unreadable is JsonException or ArgumentException or InvalidOperationException or FormatException)
        {
            return Wrong(Say($"This is no file of exercises, or it was cut short."));
        }
        if (file is not { Format: Format, Exercises: { Count: > 0 } exercises })
            return Wrong(Say($"This is no file of exercises."));
        if (file.Version > Version)
            return Wrong(Say($"It was written by a later edition of the program."));
        if (exercises.Count > ExerciseStore.Most)
            return Wrong(Say($"At most {ExerciseStore.Most} exercises."));
        var known = here.ToDictionary(one => one.Id);
        var all = exercises.Select(one => one.Id).Concat(known.Keys).ToHashSet();
        return new([.. exercises.Where(one => one.Exercise is not null).Select(one => ReadOf(one, known.GetValueOrDefault(one.Id), all))]);
    }

    private static ReadExercise ReadOf(Entry entry, KnownExercise? known, HashSet<Guid> all)
    {
        var exercise = entry.Exercise with { Pieces = entry.Exercise.Pieces ?? [], Before = entry.Exercise.Before ?? [] };
        var problems =
            exercise.Done is null || exercise.Job is null
                ? [new("file", Say($"It has no job or no rule for when it is done."))]
                : exercise.Problems().ToList();
        if (exercise.Before.Any(id => !all.Contains(id)))
            problems.Add(new("before", Say($"What comes before it is neither in the file nor here.")));
        var state =
            problems.Count > 0 ? FileState.Wrong
            : known is null ? FileState.New
            : Text(known.Exercise) == Text(exercise) ? FileState.Same
            : FileState.Other;
        return new(entry.Id, known?.Edition ?? 0, state, problems, exercise);
    }

    private static string Text(Exercise exercise) => JsonSerializer.Serialize(exercise, QuantityJson.Options);

    private static Checked<IReadOnlyList<ReadExercise>> Wrong(Said said) => new([new Problem("file", said)]);
}
