using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Judging;

/// <summary>From the likeliest cause to the one change, in the marks of the machine at hand.</summary>
public static class NextChanges
{
    /// <summary>The change that mends a cause of a bead of fed wire.</summary>
    /// <param name="cause">The cause.</param>
    /// <param name="sheet">The sheet judged against.</param>
    /// <param name="machine">The booth's machine.</param>
    /// <param name="used">What was really used.</param>
    public static NextChange For(Cause cause, Sheet sheet, Machine machine, Settings used) => Turning(cause, sheet, machine, used).Change;

    /// <summary>The change that mends a cause of a TIG bead.</summary>
    /// <param name="cause">The cause.</param>
    /// <param name="sheet">The sheet judged against.</param>
    /// <param name="machine">The booth's machine.</param>
    /// <param name="amps">What was really used.</param>
    public static NextChange For(Cause cause, Sheet sheet, Machine machine, Current amps)
    {
        var row = Causes.Row(cause, sheet.Job.Process);
        return HandChanges.For(row.Change, sheet) is { } byHand
            ? new(row.Change, byHand, null, row.Expect, null, null, AmpChanges.Stands(machine, amps))
            : AmpChanges.Make(row, sheet, machine, amps);
    }

    /// <summary>The same of a fed wire, with the pair that it lands on.</summary>
    internal static Turning Turning(Cause cause, Sheet sheet, Machine machine, Settings used)
    {
        var row = Causes.Row(cause, sheet.Job.Process);
        var stand = Stand.Of(machine, used);
        return HandChanges.For(row.Change, sheet) is { } byHand
            ? new(new(row.Change, byHand, null, row.Expect, stand?.WireMark, stand?.VoltMark), used)
            : new FedChanges(row, sheet, used, stand).Make();
    }

    /// <summary>Whether a change is made by the hand, the eye or a tool, and not read off the controls.</summary>
    public static bool IsByHand(ChangeKind kind) => HandChanges.Knows(kind);
}
