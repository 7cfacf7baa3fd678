using FsCheck;
using FsCheck.Fluent;
using GentleBead.Core.Courses;
using GentleBead.Core.Skills;

namespace GentleBead.Core.Tests.Courses;

/// <summary>Paths of exercises: no circles, what stands before what, and where somebody stands.</summary>
public sealed class CoursePathTests
{
    private static readonly Guid[] Ids = [.. Enumerable.Range(1, 12).Select(i => new Guid(i, 0, 0, new byte[8]))];

    // "a b:a c:a,b": a, then b after a, then c after both.
    private static CoursePath Path(string steps) =>
        new([.. steps.Split(' ').Select(step => new PathStep(Id(step[0]), [.. step.Skip(1).Where(char.IsLetter).Select(Id)]))]);

    private static Guid Id(char name) => Ids[name - 'a'];

    private static string Names(IEnumerable<Guid> ids) => string.Concat(ids.Select(NameOf));

    private static string NameOf(Guid id) => $"{(char)('a' + Array.IndexOf(Ids, id))}";

    [Theory]
    [InlineData("a b:a c:b d:a,c", "")]
    [InlineData("a:a", "aa")]
    [InlineData("a:b b:a", "aba")]
    [InlineData("a b:a c:b,e d:c e:d", "cdec")]
    public void A_circle_is_named(string path, string circle)
    {
        Assert.Equal(circle, Names(Path(path).Circle()));
        Assert.Equal(
            circle.Length == 0 ? [] : [$"A circle: {string.Join(", then ", circle.ToCharArray())}."],
            Path(path).Problems(NameOf).Select(problem => $"{problem.Said}")
        );
    }

    [Fact]
    public void What_is_not_on_the_path_or_is_on_it_twice_is_told_at_its_step()
    {
        var path = new CoursePath([new(Ids[0], []), new(Ids[1], [Ids[5]]), new(Ids[0], []), new(Guid.Empty, [])]);
        Assert.Equal(
            ["steps[1].before", "steps[2]", "steps[3]"],
            path.Problems(id => id == Guid.Empty ? null : NameOf(id)).Select(problem => problem.Field)
        );
    }

    [Fact]
    public void The_rank_of_a_step_is_the_longest_way_to_it()
    {
        var ranks = Path("a b:a c:b d:a,c e").Ranks();
        Assert.Equal("a0 b1 c2 d3 e0", string.Join(' ', ranks.Select(rank => $"{NameOf(rank.Key)}{rank.Value}")));
        Assert.Empty(Path("a:b b:a").Ranks());
    }

    [Fact]
    public void An_exercise_left_out_hands_on_what_came_before_it()
    {
        var all = Path("a b:a c:b d:c,a e:b").Steps.ToDictionary(step => step.ExerciseId, step => step.Before);
        var path = CoursePath.Of([Id('a'), Id('d'), Id('e')], id => all[id]);
        Assert.Equal(
            "a d:a e:a",
            string.Join(' ', path.Steps.Select(step => NameOf(step.ExerciseId) + (step.Before.Count > 0 ? ":" : "") + Names(step.Before)))
        );
    }

    [Fact]
    public void A_circle_is_found_in_a_graph_exactly_where_its_steps_cannot_be_put_in_order()
    {
        // Kahn's way (1962): take out what nothing stands before, until nothing is left or nothing can be taken.
        var graphs = Gen.ListOf(Gen.Choose(0, 143), 14).Select(edges => Graph([.. edges])).ToArbitrary();
        Prop.ForAll(graphs, path => path.Circle().Count == 0 == CanBeOrdered(path)).Check(Config.QuickThrowOnFailure.WithMaxTest(2000));
    }

    private static CoursePath Graph(int[] edges) =>
        new([
            .. Ids.Select(
                (id, i) =>
                    new PathStep(id, [.. edges.Where(edge => edge / 12 == i && edge % 12 != i).Select(edge => Ids[edge % 12]).Distinct()])
            ),
        ]);

    private static bool CanBeOrdered(CoursePath path)
    {
        var left = path.Steps.ToDictionary(step => step.ExerciseId, step => step.Before.ToHashSet());
        while (left.FirstOrDefault(step => step.Value.Count == 0) is { Value: not null } free)
        {
            left.Remove(free.Key);
            foreach (var before in left.Values)
                before.Remove(free.Key);
        }
        return left.Count == 0;
    }

    [Fact]
    public void What_is_begun_comes_next_before_what_is_not_and_only_when_all_before_it_is_done()
    {
        var exercises = Ids.Take(4).ToDictionary(id => id, _ => ExerciseLibrary.All[0].Exercise with { Done = new(1, 1, false) });
        exercises[Id('d')] = exercises[Id('d')] with { Name = "begun" };
        exercises[Id('a')] = exercises[Id('a')] with { Name = "done" };
        var right = new LaidBead(new(2026, 11, 2), true);
        var places = PathPlaces.Of(
            Path("a b:a c:b d"),
            exercises,
            exercise =>
                exercise.Name == "done" ? new([right])
                : exercise.Name == "begun" ? new([right with { Right = false }])
                : ExerciseWork.None,
            right.Day
        );
        Assert.Equal("db", Names(places.Next));
        Assert.Equal("b", Names(places.Steps[2].Missing));
        Assert.Equal([true, true, false, true], places.Steps.Select(step => step.Open));
        Assert.Null(places.WarmUp);
    }

    [Theory]
    [InlineData(27, "b", SkillState.Proven)]
    [InlineData(28, "ab", SkillState.Rusty)]
    public void Whoever_was_away_for_a_month_warms_up_one_step_back(int days, string next, SkillState state)
    {
        var exercises = Ids.Take(2).ToDictionary(id => id, _ => ExerciseLibrary.All[0].Exercise with { Done = new(1, 1, false) });
        exercises[Id('a')] = exercises[Id('a')] with { Name = "done" };
        var right = new LaidBead(new(2026, 11, 2), true);
        var places = PathPlaces.Of(
            Path("a b:a"),
            exercises,
            exercise => exercise.Name == "done" ? new([right]) : ExerciseWork.None,
            right.Day.AddDays(days)
        );
        Assert.Equal(next, Names(places.Next));
        Assert.Equal([state, SkillState.NotBegun], places.Steps.Select(step => step.State));
        Assert.Equal(days < 28 ? null : "to warm up, for nothing was welded for 4 weeks", places.WarmUp?.Why.ToString());
    }
}
