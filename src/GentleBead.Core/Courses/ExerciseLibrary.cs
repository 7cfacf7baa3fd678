using System.Security.Cryptography;
using System.Text;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Courses;

/// <summary>An exercise of the library: what a school begins with and makes its own.</summary>
/// <param name="Key">Its name for good: what others name it by.</param>
/// <param name="Exercise">The exercise.</param>
public sealed record LibraryExercise(string Key, Exercise Exercise)
{
    /// <summary>The same in every school, so that what is taken from one to another stays the same exercise.</summary>
    public Guid Id { get; } = ExerciseLibrary.IdOf(Key);
}

/// <summary>
/// The exercises a school begins with, in the order schools teach them (common practice, no source: every school bends it). MIG from
/// straight beads to plate in passes, then flux-cored and spray; TIG from a puddle without rod, steel before stainless before aluminium.
/// </summary>
public static class ExerciseLibrary
{
    /// <summary>Raised where a row is added or changed; a school's own edition of an exercise stays as it is.</summary>
    public const int Version = 1;

    /// <summary>Every exercise, in the order they are taught.</summary>
    public static IReadOnlyList<LibraryExercise> All { get; } = [.. MigExercises.All, .. MoreWireExercises.All, .. TigExercises.All];

    internal static Guid IdOf(string key) => new(SHA256.HashData(Encoding.UTF8.GetBytes($"gentle bead exercise {key}")).AsSpan(0, 16));

    /// <summary>A row: what most of them share is filled in.</summary>
    internal static LibraryExercise Row(
        string key,
        string name,
        (Process Process, Metal Metal) with,
        (string Thickness, Joint Joint, Position Position) job,
        string how,
        params string[] before
    )
    {
        var asked = new AskedJob(Thickness.Parse(job.Thickness), job.Joint, job.Position) { Process = with.Process, Metal = with.Metal };
        return new(
            key,
            new Exercise(
                name,
                asked,
                CriteriaSet.Practice,
                Proof.Beads,
                DoneRule.Usual,
                PiecesFor(asked),
                BeadsACoupon: job.Joint == Joint.BeadOnPlate ? 10 : 2,
                MinutesABead: with.Process is Process.GtawDc or Process.GtawAc ? 4 : 2,
                [.. before.Select(IdOf)],
                how
            )
        );
    }

    internal static LibraryExercise With(this LibraryExercise row, Func<Exercise, Exercise> change) =>
        row with
        {
            Exercise = change(row.Exercise),
        };

    internal static LibraryExercise Careful(this LibraryExercise row, string caution) =>
        row.With(exercise => exercise with { Caution = caution });

    internal static LibraryExercise BySection(this LibraryExercise row) => row.With(exercise => exercise with { Proof = Proof.Section });

    /// <summary>Once is enough: what is a first go and no skill to keep.</summary>
    internal static LibraryExercise Once(this LibraryExercise row, int right) =>
        row.With(exercise => exercise with { Done = new(right, right, false) });

    /// <summary>A test weld at the end of a block: judged by a standard, on a coupon of its own.</summary>
    internal static LibraryExercise ByTest(this LibraryExercise row, CriteriaSet criteria) =>
        row.With(exercise => exercise with { Proof = Proof.TestWeld, Criteria = criteria, Done = new(1, 1, false), BeadsACoupon = 1 });

    // Flat bar 50 mm wide cut at 150 mm, up to 6 mm; thicker and thinner comes off plate and sheet. Common practice, no source.
    private static IReadOnlyList<Piece> PiecesFor(AskedJob job)
    {
        var thickness = job.Thickness.Value;
        var (form, width) = thickness.Mm is >= 2.5 and <= 6.5 ? (StockForm.FlatBar, 50.0) : (StockForm.Plate, 75.0);
        var count = job.Joint is Joint.BeadOnPlate or Joint.Edge ? 1 : 2;
        return [new Piece(form, thickness, Length.FromMm(width), Length.FromMm(150), count)];
    }
}
