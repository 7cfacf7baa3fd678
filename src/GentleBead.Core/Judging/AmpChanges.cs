using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Judging;

/// <summary>Changes of a TIG current.</summary>
internal static class AmpChanges
{
    // A hand on the pedal hears and sees no less than this.
    private const double LeastShare = 0.05;

    /// <summary>Where the current control stands for a current; null without readings.</summary>
    public static double? Stands(Machine machine, Current amps) =>
        machine.AmpControl is { } control && Calibration.TryFit(control, out var fitted, out _) ? fitted.MarkFor(amps.Amps).Mark : null;

    /// <summary>The change for a cause whose mending turns the amps.</summary>
    public static NextChange Make(CauseRow row, Sheet sheet, Machine machine, Current amps)
    {
        var way = row.Change switch
        {
            ChangeKind.AmpsUp => 1,
            ChangeKind.AmpsDown => -1,
            _ => throw new ArgumentOutOfRangeException(nameof(row), row.Change, "No change of a TIG bead for this cause."),
        };
        // To the sheet when that is the right way, else a step past where it stood.
        var step = amps * (1 + way * LeastShare);
        var target = (sheet.Amps.Amps - step.Amps) * way > 0 ? sheet.Amps : step;
        if (machine.AmpControl is not { } control || !Calibration.TryFit(control, out var fitted, out _))
        {
            return new(
                row.Change,
                way > 0 ? Say($"Amps up to about {target}.") : Say($"Amps down to about {target}."),
                null,
                row.Expect,
                null,
                null
            );
        }
        var from = fitted.MarkFor(amps.Amps).Mark;
        if (Stand.Moved(control, from, fitted.MarkFor(target.Amps).Mark, way) is not { } mark)
        {
            return new(
                row.Change,
                way > 0
                    ? Say($"The current control is at its end: a machine with more amps, or bevel and lay passes.")
                    : Say($"The current control is at its end: ease the pedal, or thicker plate."),
                null,
                row.Expect,
                null,
                null,
                from
            );
        }
        return new(
            row.Change,
            Sentences(Say($"Amps {Stand.Turn(control, from, mark)}."), Say($"The pedal leads from there.")),
            null,
            row.Expect,
            null,
            null,
            mark
        );
    }
}
