using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>A bead to be judged: what it was laid to, with what, and what was noted of it.</summary>
/// <param name="Sheet">The sheet the student was given.</param>
/// <param name="Machine">The booth's machine as calibrated that day.</param>
/// <param name="Evidence">What was heard, felt, seen and measured.</param>
public abstract record BeadAtHand(Sheet Sheet, Machine Machine, Evidence Evidence)
{
    // Past about 5 mm nothing shows behind however good the bite.
    private static readonly Length ShowsBehind = Length.FromMm(5);

    /// <summary>Whether the plate is so thick that its far side says nothing.</summary>
    public bool IsThick => HidesBehind(Sheet.Job.Thicker);

    /// <summary>Whether a plate is so thick that its far side says nothing.</summary>
    internal static bool HidesBehind(Length thickness) => thickness > ShowsBehind;

    /// <summary>Whether a section was cut and marked down to the root.</summary>
    public bool HasSection => Evidence.Macro?.RootPenetration is not null;

    /// <summary>The same bead with what was noted and used before.</summary>
    internal abstract BeadAtHand? AsBefore(BeadBefore before);

    /// <summary>Whether the settings used are those of the sheet, by the bead's signs.</summary>
    internal abstract bool SettingsRight(IReadOnlySet<Sign> signs);

    /// <summary>What was set, in words.</summary>
    internal abstract Said Set();

    /// <summary>What the sheet aims at, in words.</summary>
    internal abstract Said Aim();

    /// <summary>What else to look at where marks are right and the bead is not.</summary>
    internal abstract Said LookElsewhere();

    /// <summary>Settings used against the sheet.</summary>
    internal abstract AspectVerdict SettingsAspect(IReadOnlySet<Sign> signs, bool fromMarks);

    /// <summary>What the settings should have given.</summary>
    internal abstract IReadOnlyList<Expectation> Expected(IReadOnlySet<Sign> signs);

    /// <summary>The change that mends a cause, and how well the settings stand after it by the sheet: 1 on it, 0 far off.</summary>
    internal abstract (NextChange Change, double Stands) Mend(Cause cause);

    /// <summary>The numbers of its glyph.</summary>
    internal abstract BeadShape Shape();
}

/// <summary>A bead of a fed wire.</summary>
/// <param name="Sheet">The sheet; of a fed wire.</param>
/// <param name="Machine">The machine.</param>
/// <param name="Used">What was really used, at the torch.</param>
/// <param name="Evidence">What was noted.</param>
public sealed record FedBead(Sheet Sheet, Machine Machine, Settings Used, Evidence Evidence) : BeadAtHand(Sheet, Machine, Evidence)
{
    // Volts beside the band at which an arc is plainly bad.
    private const double WholeVolts = 2.5;

    /// <summary>The pair on the sheet.</summary>
    public PairSettings Pair { get; } = Sheet.RequirePair();

    /// <summary>Amps read against what this wire draws here, by the melting rate or the simple factor, whichever is nearer.</summary>
    internal double AgainstDrawn(Current read)
    {
        var arc = Sheet.Job.RequireArc();
        var melts = MeltRate.Amps(Used.WireFeed, Evidence.StickOut ?? Pair.StickOut.Aim, arc.Process, arc.Wire.Facts());
        var factor = BurnOff.AmpsFor(Used.WireFeed, arc);
        var (low, high) = melts < factor ? (melts, factor) : (factor, melts);
        return read < low ? read / low
            : read > high ? read / high
            : 1;
    }

    internal override BeadAtHand? AsBefore(BeadBefore before) =>
        before.Used is { } used ? this with { Used = used, Evidence = before.Evidence } : null;

    internal override bool SettingsRight(IReadOnlySet<Sign> signs) => signs.Contains(Sign.WireOn) && signs.Contains(Sign.PairInBand);

    internal override Said Set() => Say($"{Used.WireFeed} and {Used.Volts}");

    internal override Said Aim() => Say($"{Pair.WireFeed} and {Pair.Volts.Aim}");

    internal override Said LookElsewhere() => Say($"Is the read-out true? Stick-out, travel, clean and cold plate?");

    internal override AspectVerdict SettingsAspect(IReadOnlySet<Sign> signs, bool fromMarks) => Aspects.Settings(this, signs, fromMarks);

    internal override IReadOnlyList<Expectation> Expected(IReadOnlySet<Sign> signs) => Expectations.Of(this, signs);

    internal override (NextChange Change, double Stands) Mend(Cause cause)
    {
        var (change, lands) = NextChanges.Turning(cause, Sheet, Machine, Used);
        var band = SmoothBand.At(lands.WireFeed, Sheet.Job.RequireArc());
        var off = Math.Max(band.Low.Volts - lands.Volts.Volts, lands.Volts.Volts - band.High.Volts);
        return (change, Decision.Near(off / WholeVolts) * Decision.Near(Decision.Apart(lands.WireFeed / Pair.WireFeed)));
    }

    internal override BeadShape Shape() => BeadShape.From(Sheet, Used, null, Evidence);
}

/// <summary>A TIG bead.</summary>
/// <param name="Sheet">The sheet; of a tungsten.</param>
/// <param name="Machine">The machine.</param>
/// <param name="Amps">The current really used.</param>
/// <param name="Evidence">What was noted.</param>
public sealed record TungstenBead(Sheet Sheet, Machine Machine, Current Amps, Evidence Evidence) : BeadAtHand(Sheet, Machine, Evidence)
{
    internal override BeadAtHand? AsBefore(BeadBefore before) =>
        before is { Used: null, Amps: { } amps } ? this with { Amps = amps, Evidence = before.Evidence } : null;

    internal override bool SettingsRight(IReadOnlySet<Sign> signs) => signs.Contains(Sign.AmpsOn);

    internal override Said Set() => Say($"{Amps}");

    internal override Said Aim() => Say($"{Sheet.Amps}");

    internal override Said LookElsewhere() => Say($"Arc length, travel, polarity, gas, clean and cold plate?");

    internal override AspectVerdict SettingsAspect(IReadOnlySet<Sign> signs, bool fromMarks) => Aspects.Settings(this, signs);

    internal override IReadOnlyList<Expectation> Expected(IReadOnlySet<Sign> signs) => Expectations.Of(this, signs);

    internal override (NextChange Change, double Stands) Mend(Cause cause)
    {
        var change = NextChanges.For(cause, Sheet, Machine, Amps);
        var lands =
            change.AmpMark is { } mark && Machine.AmpControl is { } control && Calibration.TryFit(control, out var fitted, out _)
                ? fitted.ValueAt(mark).Value
                : Sheet.Amps.Amps;
        return (change, Decision.Near(Decision.Apart(lands / Sheet.Amps.Amps)));
    }

    internal override BeadShape Shape() => BeadShape.From(Sheet, null, Amps, Evidence);
}
