using GentleBead.Core.Beads;
using GentleBead.Core.Listening;

namespace GentleBead.Bench.Listening;

/// <summary>The ear over the grid of ways to record, and over what is no arc; none of it was learned from.</summary>
internal static class EarBench
{
    private const int Seed = 400_000_000,
        OfEach = 20,
        TakesOfEach = 4;

    // From here on an answer counts as sure.
    private const double Sure = 0.9;

    // What the ear answered to a recording.
    private sealed record Answer(Lesson Lesson, HeardArc Heard)
    {
        public bool Right => Heard.Sound is { } sound && (int)sound == Lesson.Kind;

        public bool Named => Heard.Sound is not null;

        public bool WrongAndSure => Named && !Right && Heard.Confidence >= Sure;

        public string Words => Heard.Sound?.ToString() ?? Heard.Unheard.ToString()!;
    }

    /// <param name="sounds">A folder with sounds of packages that the ear was not taught with; empty for none.</param>
    internal static int Measure(string sounds)
    {
        // As many arcs of each sound as make the grid: every take comes in turn.
        var arcs = Lessons.Each(Lessons.Arcs(OfEach * Takes.Count / TakesOfEach, TakesOfEach, 0, Seed), Answered);
        Say("recorded", arcs, one => one.Lesson.Name);
        Say("sound", arcs, one => ((Sound)one.Lesson.Kind).ToString());
        Say("made", arcs, one => one.Lesson.Way);
        foreach (var sound in arcs.GroupBy(one => one.Lesson.Kind).OrderBy(sound => sound.Key))
        {
            var words = sound.GroupBy(one => one.Words).OrderByDescending(one => one.Count()).Select(one => $"{one.Key} {one.Count()}");
            Console.WriteLine($"{(Sound)sound.Key} is called {string.Join(", ", words)}");
        }
        var others = Lessons.Each(Lessons.Others(OfEach, TrainEar.Files(sounds, ["ktuberling-data"]), 1, Seed), Answered);
        foreach (var kind in others.GroupBy(one => one.Lesson.Name))
            Console.WriteLine($"no arc: {kind.Key, -32} named as one {Share(kind, one => one.Named), 4:P0} of {kind.Count()}");
        Reliability([.. arcs, .. others]);
        var (right, wrong, taken) = (
            Share(arcs, one => one.Right),
            Share(arcs, one => one.WrongAndSure),
            Share(others, one => one.WrongAndSure)
        );
        var figures = new Figures("ear");
        figures.AtMost("not right over all ways of recording", 1 - right, 0.1);
        figures.AtMost("wrong and sure", wrong, 0.02);
        figures.AtMost("no arc taken for one, and sure", taken, 0.02);
        return figures.Close(
            $"right {right:P1} of {arcs.Count}; wrong and sure {wrong:P2}; no arc taken for one {taken:P2} of {others.Count}"
        );
    }

    private static IEnumerable<Answer> Answered(Lesson lesson) => [new(lesson, Ear.Listen(lesson.Take.Sound))];

    private static void Say(string what, IReadOnlyList<Answer> answers, Func<Answer, string> by)
    {
        foreach (var group in answers.GroupBy(by))
            Console.WriteLine(
                $"{what}: {group.Key, -32} right {Share(group, one => one.Right), 4:P0}, "
                    + $"wrong and sure {Share(group, one => one.WrongAndSure):P1}"
            );
    }

    private static void Reliability(IReadOnlyList<Answer> answers)
    {
        foreach (
            var bin in answers.Where(one => one.Named).GroupBy(one => Math.Min(9, (int)(10 * one.Heard.Confidence))).OrderBy(bin => bin.Key)
        )
            Console.WriteLine(
                $"said {bin.Average(one => one.Heard.Confidence):P0}: right {Share(bin, one => one.Right):P0} of {bin.Count()}"
            );
    }

    private static double Share(IEnumerable<Answer> all, Func<Answer, bool> which) => all.Count(which) / Math.Max(1.0, all.Count());
}
