using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>Exercises changed with their sheet beside them, a path made of them by keys, and a student's own view of it.</summary>
public class ExercisesTests
{
    [Fact]
    public async Task An_exercise_is_changed_a_path_is_made_of_it_and_a_student_sees_where_they_stand()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Maren Holloway");
        page.Click("Courses");
        page.Click("Exercises", within: "Courses");
        Page.Until(() => page.Count("main li a") >= 40, "a library of at least forty");
        page.Type("Find by name", "plug");
        Page.Until(() => page.Count("main li a") == 1, "the one that is called so");
        page.Click("Plug", startsWith: true);

        // The sheet follows the job; what cannot be is told at its field, and nothing typed is lost.
        page.See("16 ga plug, flat", "It should sound");
        page.Type("Name", "Plug in the deck");
        page.Type("Right beads", "5");
        page.Click("Save");
        page.See("From the number of right beads up to 40");
        Assert.Equal("Plug in the deck", page.Value("Name"));
        page.Type("Of so many one after the other", "8");
        page.Click("Save");
        page.See("The exercise is saved", "your own edition");

        MakePath(page);

        page.SignOut();
        page.StepInAs("Ilsa Brandt");
        page.Click("Course", within: "My work");
        page.See("of 12 done", "Straight beads on plate", "So far: 0 of 3 right in a row", "Plug in the deck");
        page.SeeCount("[aria-label='The path drawn'] li", 12);
    }

    private static void MakePath(Page page)
    {
        page.Click("Courses", within: "Courses");
        page.Click("Deck fittings", startsWith: true);
        page.Click("Path", within: "Course");
        page.See("11 exercises");
        page.Choose("One of them", "Plug in the deck");
        page.See("12 exercises");
        // Taken after what comes before it; that it should come before that too is a circle, and is said in words.
        page.SeeIn("Plug in the deck", "Lap in thin sheet");
        page.Click("Lap in thin sheet: after another");
        Page.Until(() => page.Count("[role=option]") > 5, "what it could come after");
        page.Run<object?>("[...document.querySelectorAll('[role=option]')].find(one => one.textContent === 'Plug in the deck').click()");
        page.See("A circle: Lap in thin sheet, then Plug in the deck, then Lap in thin sheet");
        page.Click("Plug in the deck: no longer after Lap in thin sheet");
        Page.Until(() => page.Part("Plug in the deck").Contains("Nothing before it", StringComparison.Ordinal), "nothing before the plug");
        page.Click("Roster", within: "Course");
        page.See("Where they stand", "of 12 done");
    }
}
