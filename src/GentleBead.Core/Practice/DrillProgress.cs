using GentleBead.Core.Beads;

namespace GentleBead.Core.Practice;

/// <summary>How often one sound was taken for another.</summary>
/// <param name="Was">What it was.</param>
/// <param name="Heard">What it was taken for.</param>
/// <param name="Times">How often.</param>
public sealed record HeardAs(Sound Was, Sound Heard, int Times);

/// <summary>How often one deviation was taken for another.</summary>
/// <param name="Was">What was off.</param>
/// <param name="Said">What was said to be off.</param>
/// <param name="Times">How often.</param>
public sealed record TakenFor(Deviation Was, Deviation Said, int Times);

/// <summary>Where somebody stands in one kind of drill.</summary>
/// <param name="Kind">Which kind.</param>
/// <param name="Answered">How many were answered.</param>
/// <param name="Right">How many rightly.</param>
/// <param name="Level">How hard the next one is, from 0.</param>
/// <param name="Due">How many items are due now.</param>
public sealed record KindProgress(DrillKind Kind, int Answered, int Right, int Level, int Due);

/// <summary>Where somebody stands in the practice room.</summary>
/// <param name="Kinds">Kind by kind.</param>
/// <param name="Heard">What was heard as what, right ones among them.</param>
/// <param name="Taken">What was taken for what, right ones among them.</param>
/// <param name="AtTheBooth">What to practise at the booth, in a sentence; null while there is too little to say.</param>
public sealed record DrillProgress(
    IReadOnlyList<KindProgress> Kinds,
    IReadOnlyList<HeardAs> Heard,
    IReadOnlyList<TakenFor> Taken,
    Said? AtTheBooth
)
{
    // So many mix-ups of one kind are a habit.
    private const int Habit = 2;

    private static readonly Dictionary<Deviation, (Said Words, Said Practise)> Words = new()
    {
        [Deviation.Nothing] = (Say($"a right arc"), Say($"a set of three on scrap, right in the middle: learn the sound of right first")),
        [Deviation.WireUnder] = (Say($"wire too slow"), Say($"a one-variable trial, wire a third down")),
        [Deviation.WireOver] = (Say($"wire too fast"), Say($"a wrong-right ladder with far too much wire")),
        [Deviation.VoltsUnder] = (Say($"volts too low"), Say($"a voltage staircase from the bottom")),
        [Deviation.VoltsOver] = (Say($"volts too high"), Say($"a voltage staircase up to where it goes ragged")),
        [Deviation.StickOutOver] = (
            Say($"stick-out too long"),
            Say($"one bead at {new Either("10 mm", "3/8 in")} and one at {new Either("19 mm", "3/4 in")}, read the amps at both")
        ),
        [Deviation.GasLost] = (Say($"no gas"), Say($"a short bead on scrap with the gas shut, extraction on, and look at the pores")),
    };

    /// <summary>What a deviation is called: "wire too slow".</summary>
    public static Said Name(Deviation deviation) => Words[deviation].Words;

    /// <summary>What to practise at the booth for a deviation.</summary>
    public static Said AtBooth(Deviation deviation) => Say($"At the booth: {Words[deviation].Practise}.");

    /// <summary>From the answers.</summary>
    /// <param name="answers">The newest answers, oldest first.</param>
    /// <param name="now">The time.</param>
    public static DrillProgress Of(IReadOnlyList<AnsweredDrill> answers, DateTimeOffset now)
    {
        ArgumentNullException.ThrowIfNull(answers);
        var taken = answers
            .Where(one => one.Answer is not null)
            .GroupBy(one => (one.Deviation, one.Answer!.Value))
            .Select(group => new TakenFor(group.Key.Deviation, group.Key.Value, group.Count()))
            .ToArray();
        var worst = taken.Where(one => one.Was != one.Said && one.Times >= Habit).MaxBy(one => one.Times);
        return new(
            [
                .. Enum.GetValues<DrillKind>()
                    .Select(kind => new KindProgress(
                        kind,
                        answers.Count(one => one.Kind == kind),
                        answers.Count(one => one.Kind == kind && one.Right),
                        Schedule.Level(answers, kind),
                        Schedule.Items(kind).Count(item => Schedule.Box(answers, kind, item).Due <= now)
                    )),
            ],
            [
                .. answers
                    .Where(one => one.Heard is not null)
                    .Select(one => (Was: one.Sound, Heard: one.Heard!.Value))
                    .Where(one => one.Was is not null)
                    .GroupBy(one => one)
                    .Select(group => new HeardAs(group.Key.Was!.Value, group.Key.Heard, group.Count())),
            ],
            taken,
            worst is null
                ? null
                : Sentences(Say($"Takes {Name(worst.Was)} for {Name(worst.Said)} ({worst.Times} times)."), AtBooth(worst.Was))
        );
    }
}
