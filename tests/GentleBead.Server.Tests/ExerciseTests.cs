using System.Net;
using System.Net.Http.Json;
using System.Text;
using GentleBead.Core.Courses;
using GentleBead.Server.Courses;
using Microsoft.Extensions.DependencyInjection;

namespace GentleBead.Server.Tests;

/// <summary>The library of exercises, paths of courses, and where students stand on them.</summary>
public sealed class ExerciseTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static Guid Library(string key) => ExerciseLibrary.All.Single(row => row.Key == key).Id;

    private static Task<IReadOnlyList<ListedExercise>> AllAsync(HttpClient maren) =>
        maren.GetAsync<IReadOnlyList<ListedExercise>>("/api/exercises");

    private static object Body(string name, int edition = 0, Guid[]? before = null, object? job = null) =>
        new
        {
            editionId = Guid.CreateVersion7(),
            edition,
            name,
            job = job
                ?? new
                {
                    thickness = "1/8",
                    joint = "lap",
                    position = "flat",
                },
            criteria = "practice",
            proof = "beads",
            done = new
            {
                right = 3,
                outOf = 3,
                onceMore = true,
            },
            pieces = new[]
            {
                new
                {
                    form = "flatBar",
                    thicknessMm = 3.0,
                    widthMm = 50.0,
                    longMm = 150.0,
                    count = 2,
                },
            },
            beadsACoupon = 2,
            minutesABead = 2.0,
            before = before ?? [],
            how = "Aim low.",
            caution = "",
        };

    [Fact]
    public async Task A_school_begins_with_the_library_and_its_own_edition_is_left_alone()
    {
        var maren = await room.SignInAsync("maren");
        var all = await AllAsync(maren);
        Assert.True(all.Count(one => one.FromLibrary) >= 40);
        var plug = all.Single(one => one.Id == Library("mig-plug"));
        Assert.True(plug.FromLibrary);
        (await maren.PutAsJsonAsync($"/api/exercises/{plug.Id}", Body("Plug, our way", 1))).EnsureSuccessStatusCode();
        await room.Of<ExerciseStore>().BringLibraryAsync(default);
        var ours = await maren.GetAsync<KnownExercise>($"/api/exercises/{plug.Id}");
        Assert.Equal((2, false, "Plug, our way"), (ours.Edition, ours.FromLibrary, ours.Exercise.Name));
        // Brought again, nothing of the library comes twice.
        Assert.Equal(ExerciseLibrary.All.Count, await room.QueryAsync<long>("select count(*) from exercise where key is not null"));
        Assert.Equal(
            1,
            await room.QueryAsync<long>("select count(*) from exercise_edition where exercise_id = @id", new { id = Library("mig-bead") })
        );
    }

    [Fact]
    public async Task Of_two_who_change_an_exercise_at_once_the_second_is_told()
    {
        var (maren, sunniva) = (await room.SignInAsync("maren"), await room.SignInAsync("sunniva"));
        var id = Guid.CreateVersion7();
        var first = Body("Hinge lap");
        for (var time = 0; time < 2; time++)
            (await maren.PutAsJsonAsync($"/api/exercises/{id}", first)).EnsureSuccessStatusCode();
        (await maren.PutAsJsonAsync($"/api/exercises/{id}", Body("Hinge lap, flat", 1))).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Conflict, (await sunniva.PutAsJsonAsync($"/api/exercises/{id}", Body("Mine", 1))).StatusCode);
        Assert.Equal("Hinge lap, flat", (await AllAsync(maren)).Single(one => one.Id == id).Name);
    }

    [Fact]
    public async Task What_an_exercise_cannot_be_is_told_at_its_fields()
    {
        var maren = await room.SignInAsync("maren");
        var bad = Body(
            " ",
            job: new
            {
                thickness = "thick",
                joint = "lap",
                position = "flat",
            }
        );
        Assert.Equal(["job.thickness"], (await (await PutAsync(bad)).ProblemsAsync()).Keys);
        // Spray does not hold overhead: no sheet, no exercise.
        var spray = new
        {
            thickness = "3/8",
            joint = "t",
            position = "overhead",
            process = "gmawSpray",
        };
        Assert.Equal(["job.position", "name"], (await (await PutAsync(Body(" ", job: spray))).ProblemsAsync()).Keys.Order());
        Assert.Equal(["before"], (await (await PutAsync(Body("Odd", before: [Guid.NewGuid()]))).ProblemsAsync()).Keys);
        // What comes before a thing cannot come after it.
        var circle = await maren.PutAsJsonAsync($"/api/exercises/{Library("tig-puddle")}", Body("A puddle", 1, [Library("tig-corner")]));
        Assert.StartsWith("A circle: ", (await circle.ProblemsAsync())["before"], StringComparison.Ordinal);

        Task<HttpResponseMessage> PutAsync(object body) => maren.PutAsJsonAsync($"/api/exercises/{Guid.CreateVersion7()}", body);
    }

    [Fact]
    public async Task Exercises_go_out_as_json_and_come_in_again_the_same_and_as_csv_for_a_spreadsheet()
    {
        var maren = await room.SignInAsync("maren");
        var file = await maren.GetStringAsync("/api/exercises/json");
        var same = await ReadAsync(file);
        Assert.True(same.Count >= 40);
        Assert.All(same, one => Assert.Equal(FileState.Same, one.State));
        var other = await ReadAsync(file.Replace("Ten centimetres along a chalk line", "Along a line", StringComparison.Ordinal));
        Assert.Equal([Library("mig-bead")], other.Where(one => one.State == FileState.Other).Select(one => one.Id));
        var unknown = await ReadAsync(file.Replace($"{Library("mig-pad")}", $"{Guid.NewGuid()}", StringComparison.Ordinal));
        Assert.Contains(unknown, one => one.State == FileState.New);

        var csv = (await maren.GetStringAsync("/api/exercises/csv")).Split('\n');
        Assert.StartsWith("name,process,metal,thickness,", csv[0], StringComparison.Ordinal);
        Assert.Contains(
            csv,
            line =>
                line.StartsWith("\"T, horizontal\",gmawShortCircuit,mildSteel,1/8,,t,horizontal,practice,beads,", StringComparison.Ordinal)
        );

        async Task<IReadOnlyList<ReadExercise>> ReadAsync(string text) =>
            await (await maren.PostAsync("/api/exercises/read", new ByteArrayContent(Encoding.UTF8.GetBytes(text)))).ReadAsync<
                IReadOnlyList<ReadExercise>
            >();
    }

    [Theory]
    [InlineData("")]
    [InlineData("[]")]
    [InlineData("{\"format\":\"something-else\",\"version\":1,\"exercises\":[]}")]
    [InlineData("{\"format\":\"gentle-bead-exercises\",\"version\":2,\"exercises\":[{\"id\":\"00000000-0000-0000-0000-000000000001\"}]}")]
    [InlineData("{\"format\":\"gentle-bead-exercises\",\"version\":1,\"exercises\":[{\"id\":\"x\"")]
    public async Task A_file_that_holds_no_exercises_is_told(string text)
    {
        var maren = await room.SignInAsync("maren");
        var answer = await maren.PostAsync("/api/exercises/read", new ByteArrayContent(Encoding.UTF8.GetBytes(text)));
        Assert.Equal(["file"], (await answer.ProblemsAsync()).Keys);
    }

    private async Task<(HttpClient Maren, string Path)> CourseAsync()
    {
        var maren = await room.SignInAsync("maren");
        var course = await room.QueryAsync<Guid>("select id from course order by seq limit 1");
        return (maren, $"/api/courses/{course}");
    }

    [Fact]
    public async Task A_path_takes_what_comes_before_from_the_exercises_and_where_one_stands_follows_from_their_beads()
    {
        var (maren, course) = await CourseAsync();
        var before = await maren.GetAsync<ShownPath>($"{course}/path");
        var steps = new[] { "mig-bead", "mig-t-2f", "mig-t-passes" };
        (
            await maren.PutAsJsonAsync(
                $"{course}/path",
                new
                {
                    id = Guid.CreateVersion7(),
                    edition = before.Edition,
                    steps = steps.Select(key => new { exerciseId = Library(key) }).ToArray(),
                }
            )
        ).EnsureSuccessStatusCode();
        var path = await maren.GetAsync<ShownPath>($"{course}/path");
        // The pad and the lap between are left out: what comes before them comes before the T.
        Assert.Equal(
            [(0, ""), (1, "mig-bead"), (2, "mig-t-2f")],
            path.Steps.Select(step => (step.Rank, string.Join(',', step.Before.Select(KeyOf))))
        );

        var places = await maren.GetAsync<IReadOnlyList<StudentPlace>>($"{course}/places");
        Assert.Equal(6, places.Count);
        // Ilsa's beads on plate went wrong on her first evening; her T is right three in a row and once more since.
        var ilsa = places.Single(one => one.Student.Name == "Ilsa Brandt");
        Assert.Equal((1, "mig-bead"), (ilsa.Done, KeyOf(ilsa.Next[0].ExerciseId)));
        Assert.Matches("^[012] of 3 right in a row$", $"{ilsa.Next[0].Place.Words}");

        var own = await (await room.SignInAsync("ilsa")).GetAsync<IReadOnlyList<OwnCourse>>("/api/courses/mine");
        var mine = Assert.Single(own);
        Assert.Equal(ilsa.Next[0].ExerciseId, mine.Next[0].ExerciseId);
        Assert.Equal(["mig-bead"], mine.Places[1].Missing.Select(KeyOf));

        static string KeyOf(Guid id) => ExerciseLibrary.All.Single(row => row.Id == id).Key;
    }

    [Fact]
    public async Task A_path_with_a_circle_or_from_an_older_edition_is_refused()
    {
        var (maren, course) = await CourseAsync();
        var (lap, pad) = (Library("mig-lap-2f"), Library("mig-pad"));
        var edition = (await maren.GetAsync<ShownPath>($"{course}/path")).Edition;
        object Path(int from, params (Guid Id, Guid[]? Before)[] steps) =>
            new
            {
                id = Guid.CreateVersion7(),
                edition = from,
                steps = steps.Select(step => new { exerciseId = step.Id, before = step.Before }).ToArray(),
            };
        var circle = await maren.PutAsJsonAsync($"{course}/path", Path(edition, (lap, [pad]), (pad, [lap])));
        Assert.Equal(
            "A circle: Lap, horizontal, then A pad of overlapping beads, then Lap, horizontal.",
            (await circle.ProblemsAsync())["steps"]
        );
        var unknown = await maren.PutAsJsonAsync($"{course}/path", Path(edition, (Guid.NewGuid(), null)));
        Assert.Equal("There is no such exercise.", (await unknown.ProblemsAsync())["steps[0]"]);
        (await maren.PutAsJsonAsync($"{course}/path", Path(edition, (pad, null), (lap, null)))).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Conflict, (await maren.PutAsJsonAsync($"{course}/path", Path(edition, (pad, null)))).StatusCode);
    }
}
