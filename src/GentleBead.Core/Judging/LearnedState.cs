using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>One thing that a room sees otherwise than the table.</summary>
/// <param name="Process">In which process.</param>
/// <param name="Cause">Which cause.</param>
/// <param name="Words">The cause in words.</param>
/// <param name="Sign">The sign in words; null where it is about how common the cause is.</param>
/// <param name="Table">The table's odds: how many times likelier the sign makes the cause; of a cause its share in percent.</param>
/// <param name="Room">This room's.</param>
public sealed record LearnedRow(Process Process, Cause Cause, Said Words, Said? Sign, double Table, double Room);

/// <summary>What a room has taught, as it is shown: the table says, this room says.</summary>
/// <param name="On">Whether beads are judged with it.</param>
/// <param name="Beads">Ruled beads it was learned from.</param>
/// <param name="HeldOutTable">Of the ruled beads, how many the table alone names right.</param>
/// <param name="HeldOutRoom">How many the room's weights name right that were learned from the others.</param>
/// <param name="Rows">What moved most, most first.</param>
public sealed record LearnedState(bool On, int Beads, int HeldOutTable, int HeldOutRoom, IReadOnlyList<LearnedRow> Rows)
{
    private const int MostRows = 30;

    // Less than a tenth more or less is not worth reading.
    private const double WorthShowing = 0.1;

    /// <summary>What stands, in words.</summary>
    public static LearnedState Of(bool on, RoomWeights weights, int heldOutTable, int heldOutRoom)
    {
        ArgumentNullException.ThrowIfNull(weights);
        var signs = weights.Weights.Select(shift => new LearnedRow(
            shift.Process,
            shift.Cause,
            Causes.Row(shift.Cause, shift.Process).Words,
            Modes.WordsOf(shift.Sign, shift.Process) ?? Observations.Of(shift.Sign).Words,
            Math.Exp(Ranking.Sharpness * shift.Table),
            Math.Exp(Ranking.Sharpness * shift.Room)
        ));
        var priors = weights.Priors.Select(shift => new LearnedRow(
            shift.Process,
            shift.Cause,
            Causes.Row(shift.Cause, shift.Process).Words,
            null,
            100 * shift.Table,
            100 * shift.Room
        ));
        return new(
            on,
            weights.Beads,
            heldOutTable,
            heldOutRoom,
            [.. signs.Concat(priors).Where(row => Moved(row) >= WorthShowing).OrderByDescending(Moved).Take(MostRows)]
        );
    }

    private static double Moved(LearnedRow row) => Math.Abs(Math.Log(row.Room / row.Table));
}
