namespace GentleBead.Core.Judging;

/// <summary>What a student's and a machine's recent beads say before the next one is looked at.</summary>
/// <remarks>
/// The table's priors count like <see cref="TableBeads"/> beads. A hand's causes are learned from the student, a machine's
/// from the machine; a pair that was set wrong last time says nothing about this one, since what is set is known.
/// </remarks>
public static class Habits
{
    /// <summary>How many beads the table's own priors weigh.</summary>
    public const double TableBeads = 20;

    // How much likelier a cause is whose turn was said to be needed besides the one that was made. Common practice, no source.
    private const double StillOwed = 4;

    /// <summary>How many of the newest beads are looked at.</summary>
    public const int Recent = 10;

    /// <summary>Priors for the next bead.</summary>
    /// <param name="table">The causes to weigh.</param>
    /// <param name="student">The likeliest causes of the student's newest beads, newest first.</param>
    /// <param name="machine">The likeliest causes of the machine's newest beads, newest first.</param>
    /// <param name="after">What became of the change after the bead before; null where there was none.</param>
    public static IReadOnlyDictionary<Cause, double> Priors(
        IReadOnlyList<CauseRow> table,
        IReadOnlyList<Cause> student,
        IReadOnlyList<Cause> machine,
        FollowUp? after = null
    )
    {
        var total = table.Sum(row => row.Prior);
        var counts = table.ToDictionary(row => row.Cause, row => row.Prior / total * TableBeads);
        var whose = table.ToDictionary(row => row.Cause, row => row.Whose);
        foreach (var cause in student.Take(Recent).Where(cause => whose.GetValueOrDefault(cause) == Whose.Hand))
            counts[cause] += 1;
        foreach (var cause in machine.Take(Recent).Where(cause => whose.GetValueOrDefault(cause) == Whose.Machine))
            counts[cause] += 1;
        foreach (var row in table)
        {
            if (after?.InVain is { } vain)
                counts[row.Cause] *= Math.Pow(vain.Leaves, Decision.Mends(vain.Change, row));
        }
        foreach (var row in table.Where(row => row.Change == after?.Owed))
            counts[row.Cause] *= StillOwed;
        var all = counts.Values.Sum();
        return counts.ToDictionary(entry => entry.Key, entry => entry.Value / all);
    }
}
