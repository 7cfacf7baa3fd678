using GentleBead.Core.Quantities;

namespace GentleBead.Core.Judging;

/// <summary>Whether what was seen agrees with what the settings should have given.</summary>
public enum Match
{
    /// <summary>As the settings should give.</summary>
    Agrees,

    /// <summary>Otherwise than the settings should give: look for a cause beside them.</summary>
    Contradicts,

    /// <summary>Not looked at.</summary>
    NotSeen,
}

/// <summary>What the settings used should have done to one aspect.</summary>
/// <param name="Aspect">Which aspect.</param>
/// <param name="Text">What they should give.</param>
/// <param name="Match">Whether that was seen.</param>
public sealed record Expectation(Aspect Aspect, Said Text, Match Match);

/// <summary>From the settings used to what should be heard, seen and found behind.</summary>
public static class Expectations
{
    // Heat this far from the sheet's shows in the bead. Common practice, no source.
    private const double Shows = 0.12;

    // What settings should give: in words, and the signs it shows by.
    private sealed record Should(Said Text, params IReadOnlyList<Sign> Signs);

    private static readonly Said Stubs = Say($"pops and stubbing");
    private static readonly Said Hisses = Say($"a hiss, a long soft arc");

    private static readonly Should ColdBead = new(
        Say($"A tall, cold bead with thin tint."),
        Sign.TallNarrow,
        Sign.PiledUp,
        Sign.Lumpy,
        Sign.ToesCold,
        Sign.TintNone,
        Sign.TintThin
    );

    private static readonly Should HotBead = new(
        Say($"A flatter, wider bead with wide tint; undercut or sagging past that."),
        Sign.Sunk,
        Sign.TintWide,
        Sign.Hole,
        Sign.Undercut,
        Sign.Flat
    );

    private static readonly Should RightBead = new(
        Say($"A slightly rounded bead with even tint."),
        Sign.SlightlyConvex,
        Sign.Flat,
        Sign.ToesBlended,
        Sign.TintEven
    );

    // What each of these is read against: everything the same looks could have shown.
    private static readonly HashSet<Sign> Sounds =
    [
        .. Observations.Behind(Sign.EvenCrackle).SelectMany(look => look.Answers).Select(answer => answer.Sign),
    ];
    private static readonly HashSet<Sign> Looks = [.. ColdBead.Signs, .. HotBead.Signs, .. RightBead.Signs];
    private static readonly HashSet<Sign> Bites = [Sign.NothingBehind, Sign.TintBehind, Sign.BackMark, Sign.RootFused, Sign.RootShort];

    /// <summary>
    /// Penetration against the sheet's, as a share: Jackson and Shrubsall
    /// 1953, P = K (I⁴ / (S U²))^(1/3), from memory; the constant falls out.
    /// </summary>
    /// <param name="amps">Current against the sheet's.</param>
    /// <param name="volts">Volts against the sheet's.</param>
    /// <param name="travel">Travel speed against the sheet's.</param>
    public static double Penetration(double amps, double volts, double travel) => Math.Cbrt(Math.Pow(amps, 4) / (travel * volts * volts));

    /// <summary>What a fed wire's settings should have given.</summary>
    public static IReadOnlyList<Expectation> Of(FedBead bead, IReadOnlySet<Sign> signs)
    {
        var amps = bead.Sheet.AmpsAt(bead.Used.WireFeed) / bead.Sheet.Amps;
        var stubs = signs.Contains(Sign.PairShort);
        var sound =
            stubs
                ? new Should(
                    Say($"{Heard(Sign.Popping, Stubs, bead):capital}: the volts are under the band for this wire."),
                    Sign.Popping,
                    Sign.PushedBack
                )
            : signs.Contains(Sign.PairLong)
                ? new Should(
                    Say($"{Heard(Sign.Hiss, Hisses, bead):capital}: the volts are over the band for this wire."),
                    Sign.Hiss,
                    Sign.Rattle,
                    Sign.LongArc
                )
            : new(bead.Sheet.ExpectedSound, Sign.EvenCrackle);
        return
        [
            Compared(Aspect.Sound, sound, Sounds, signs),
            .. LookAndBite(bead, signs, amps, bead.Used.Volts.Volts / bead.Pair.Volts.Aim.Volts, stubs),
        ];
    }

    private static Said Heard(Sign sign, Said usually, FedBead bead) => Modes.WordsOf(sign, bead.Sheet.Job.Process) ?? usually;

    /// <summary>What a TIG bead's current should have given.</summary>
    public static IReadOnlyList<Expectation> Of(TungstenBead bead, IReadOnlySet<Sign> signs) =>
        LookAndBite(bead, signs, bead.Amps / bead.Sheet.Amps, 1, false);

    private static Expectation[] LookAndBite(BeadAtHand bead, IReadOnlySet<Sign> signs, double amps, double volts, bool stubs)
    {
        var travel = bead.Sheet.Travel is { } aim && bead.Evidence.Travel() is { } measured ? measured / aim : 1;
        // Heat into each millimetre of joint.
        var heat = amps * volts / travel;
        var look =
            heat < 1 - Shows || stubs ? ColdBead
            : heat > 1 + Shows ? HotBead
            : RightBead;
        return
        [
            Compared(Aspect.Appearance, look, Looks, signs),
            Compared(Aspect.Penetration, BiteOf(Penetration(amps, volts, travel)), Bites, signs),
        ];
    }

    private static Should BiteOf(double bite)
    {
        if (bite < 1 - Shows)
        {
            return new(
                Say($"About {(1 - bite) * 100:0} % less depth than the sheet's: little or nothing behind."),
                Sign.NothingBehind,
                Sign.RootShort
            );
        }
        return bite > 1 + Shows
            ? new(
                Say($"About {(bite - 1) * 100:0} % more depth than the sheet's: a plain mark behind."),
                Sign.BackMark,
                Sign.TintBehind,
                Sign.RootFused
            )
            : new(
                Say($"The sheet's depth: it should bite at the root, and on thin plate show behind."),
                Sign.TintBehind,
                Sign.BackMark,
                Sign.RootFused
            );
    }

    // Seen as expected when most of what was seen is what was expected.
    private static Expectation Compared(Aspect aspect, Should should, HashSet<Sign> all, IReadOnlySet<Sign> signs)
    {
        var seen = signs.Where(all.Contains).ToArray();
        var match =
            seen.Length == 0 ? Match.NotSeen
            : seen.Count(should.Signs.Contains) * 2 >= seen.Length ? Match.Agrees
            : Match.Contradicts;
        return new(aspect, should.Text, match);
    }
}
