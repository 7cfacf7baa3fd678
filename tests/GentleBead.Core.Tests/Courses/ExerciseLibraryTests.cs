using GentleBead.Core.Courses;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Courses;

/// <summary>The exercises a school begins with. Their order is common practice, no source.</summary>
public sealed class ExerciseLibraryTests
{
    private static readonly Dictionary<Guid, LibraryExercise> ById = ExerciseLibrary.All.ToDictionary(row => row.Id);

    public static TheoryData<string> Keys => [.. ExerciseLibrary.All.Select(row => row.Key)];

    [Theory]
    [MemberData(nameof(Keys))]
    public void Every_exercise_is_whole_and_gets_a_sheet(string key)
    {
        var exercise = ExerciseLibrary.All.Single(row => row.Key == key).Exercise;
        Assert.Empty(exercise.Problems());
        var outcome = Planner.Plan(Defaults.Complete(exercise.Job, null));
        var sheet = Assert.IsType<Sheet>(outcome);
        Assert.True(exercise.Fits(sheet.Job));
        Assert.All(exercise.Before, id => Assert.Contains(id, ById.Keys));
    }

    [Fact]
    public void It_has_at_least_forty_and_keys_names_and_ids_are_its_own()
    {
        Assert.True(ExerciseLibrary.All.Count >= 40);
        Assert.Equal(ExerciseLibrary.All.Count, ById.Count);
        Assert.Equal(ExerciseLibrary.All.Count, ExerciseLibrary.All.Select(row => row.Exercise.Name).Distinct().Count());
    }

    [Fact]
    public void Its_exercises_come_in_an_order_without_a_circle_and_each_after_what_it_needs()
    {
        var path = CoursePath.Of([.. ExerciseLibrary.All.Select(row => row.Id)], id => ById[id].Exercise.Before);
        Assert.Empty(path.Problems(id => ById[id].Exercise.Name));
        var seen = new HashSet<Guid>();
        foreach (var step in path.Steps)
        {
            Assert.All(step.Before, before => Assert.Contains(before, seen));
            seen.Add(step.ExerciseId);
        }
    }

    // Flat before its position changes, steel before stainless before aluminium by TIG, thin sheet after plate, overhead after uphill.
    [Theory]
    [InlineData("mig-bead", "mig-pad")]
    [InlineData("mig-lap-2f", "mig-t-2f")]
    [InlineData("mig-t-2f", "mig-corner")]
    [InlineData("mig-corner", "mig-butt")]
    [InlineData("mig-butt", "mig-sheet-butt")]
    [InlineData("mig-t-2f", "mig-t-3f-up")]
    [InlineData("mig-t-3f-up", "mig-t-4f")]
    [InlineData("mig-t-2f", "mig-v-1g")]
    [InlineData("mig-t-passes", "spray-t-2f")]
    [InlineData("tig-puddle", "tig-bead")]
    [InlineData("tig-corner", "tig-lap")]
    [InlineData("tig-t", "tig-ss-butt")]
    [InlineData("tig-t", "tig-al-puddle")]
    [InlineData("tig-al-t", "tig-al-test")]
    public void This_comes_before_that(string first, string then) =>
        Assert.Contains(
            ExerciseLibrary.All.Single(row => row.Key == first).Id,
            AllBefore(ExerciseLibrary.All.Single(row => row.Key == then))
        );

    private static IEnumerable<Guid> AllBefore(LibraryExercise row) => row.Exercise.Before.SelectMany(id => AllBefore(ById[id]).Append(id));

    [Theory]
    [InlineData("1/8", "11 ga", true)]
    [InlineData("1/8", "3 mm", true)]
    [InlineData("1/8", "3.80 mm", true)]
    [InlineData("1/8", "3.82 mm", false)]
    [InlineData("1/8", "2.64 mm", false)]
    [InlineData("1/8", "3/16", false)]
    public void Three_millimetres_an_eighth_and_eleven_gauge_are_one_thickness(string exercise, string job, bool fits)
    {
        var of = ExerciseLibrary.All[0].Exercise;
        of = of with { Job = of.Job with { Thickness = Thickness.Parse(exercise) } };
        Assert.Equal(fits, of.Fits(Defaults.Complete(of.Job with { Thickness = Thickness.Parse(job) }, null)));
    }

    [Fact]
    public void A_bead_counts_for_the_exercise_of_its_own_job_only()
    {
        var t = ExerciseLibrary.All.Single(row => row.Key == "mig-t-2f").Exercise;
        var job = Defaults.Complete(t.Job, null);
        Assert.True(t.Fits(job));
        Assert.False(t.Fits(job with { Position = Position.Flat }));
        Assert.False(t.Fits(job with { Joint = Joint.Lap }));
        Assert.False(t.Fits(job with { Metal = Metal.Stainless }));
        Assert.False(t.Fits(job with { Process = Process.GmawSpray }));
        Assert.False(t.Fits(job with { OtherThickness = Thickness.Parse("1/4") }));
    }

    [Theory]
    [InlineData(0.5, 10, 20, 1, "")]
    [InlineData(25.4, 1000, 1000, 20, "")]
    [InlineData(0.4, 9, 19, 0, "thicknessMm widthMm longMm count")]
    [InlineData(25.5, 1001, 1001, 21, "thicknessMm widthMm longMm count")]
    public void A_piece_that_cannot_be_cut_is_told(double thickness, double width, double length, int count, string fields)
    {
        var piece = new Piece(StockForm.Plate, Length.FromMm(thickness), Length.FromMm(width), Length.FromMm(length), count);
        Assert.Equal(fields, string.Join(' ', piece.Problems().Select(problem => problem.Field)));
    }
}
