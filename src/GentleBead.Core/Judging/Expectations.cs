using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;

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
public sealed record Expectation(Aspect Aspect, string Text, Match Match);

/// <summary>From the settings used to what should be heard, seen and found behind.</summary>
public static class Expectations
{
    // Heat this far from the sheet's shows in the bead. Common practice, no source.
    private const double Shows = 0.12;

    private static readonly Sign[] Cold = [Sign.TallNarrow, Sign.PiledUp, Sign.Lumpy, Sign.ToesCold, Sign.TintNone, Sign.TintThin];
    private static readonly Sign[] Hot = [Sign.Sunk, Sign.TintWide, Sign.Hole, Sign.Undercut];
    private static readonly Sign[] Looks = [.. Cold, .. Hot, Sign.SlightlyConvex, Sign.Flat, Sign.ToesBlended, Sign.TintEven];

    /// <summary>
    /// Penetration against the sheet's, as a share: Jackson and Shrubsall 1953, P = K (I⁴ / (S U²))^(1/3), from memory; the constant falls out.
    /// </summary>
    /// <param name="amps">Current against the sheet's.</param>
    /// <param name="volts">Volts against the sheet's.</param>
    /// <param name="travel">Travel speed against the sheet's.</param>
    public static double Penetration(double amps, double volts, double travel) => Math.Cbrt(Math.Pow(amps, 4) / (travel * volts * volts));

    /// <summary>What a fed wire's settings should have given.</summary>
    public static IReadOnlyList<Expectation> Of(Sheet sheet, Settings used, Evidence evidence, IReadOnlySet<Sign> signs)
    {
        var pair = sheet.RequirePair();
        var amps = BurnOff.AmpsFor(used.WireFeed, sheet.Job.RequireArc()) / sheet.Amps;
        var (sound, heard) = signs.Contains(Sign.PairShort) ? ("Pops and stubbing: the volts are under the band for this wire.", new[] { Sign.Popping, Sign.PushedBack })
            : signs.Contains(Sign.PairLong) ? ("A hiss, a long soft arc: the volts are over the band for this wire.", [Sign.Hiss, Sign.Rattle, Sign.LongArc])
            : ($"{sheet.ExpectedSound}", [Sign.EvenCrackle]);
        Sign[] sounds = [Sign.EvenCrackle, Sign.Hiss, Sign.Popping, Sign.Rattle, Sign.Sputter];
        return
        [
            new(Aspect.Sound, sound, Matching(signs, sounds, heard)),
            .. LookAndBite(sheet, evidence, signs, amps, used.Volts.Volts / pair.Volts.Aim.Volts, signs.Contains(Sign.PairShort)),
        ];
    }

    /// <summary>What a TIG bead's current should have given.</summary>
    public static IReadOnlyList<Expectation> Of(Sheet sheet, Current amps, Evidence evidence, IReadOnlySet<Sign> signs) =>
        LookAndBite(sheet, evidence, signs, amps / sheet.Amps, 1, false);

    private static Expectation[] LookAndBite(Sheet sheet, Evidence evidence, IReadOnlySet<Sign> signs, double amps, double volts, bool stubs)
    {
        var travel = sheet.Travel is { } aim && evidence.Measured?.Travel() is { } measured ? measured / aim : 1;
        var bite = Penetration(amps, volts, travel);
        // Heat into each millimetre of joint.
        var heat = amps * volts / travel;
        var (look, seen) = heat < 1 - Shows || stubs ? ("A tall, cold bead with thin tint.", Cold)
            : heat > 1 + Shows ? ("A flatter, wider bead with wide tint; undercut or sagging past that.", [.. Hot, Sign.Flat])
            : ("A slightly rounded bead with even tint.", new[] { Sign.SlightlyConvex, Sign.Flat, Sign.ToesBlended, Sign.TintEven });
        var share = $"about {Show.Number(Math.Abs(bite - 1) * 100, "0")} % {(bite < 1 ? "less" : "more")} depth than the sheet's";
        var (behind, found) = bite < 1 - Shows ? ($"{Show.Sentence(share)}: little or nothing behind.", new[] { Sign.NothingBehind, Sign.RootShort })
            : bite > 1 + Shows ? ($"{Show.Sentence(share)}: a plain mark behind.", [Sign.BackMark, Sign.TintBehind, Sign.RootFused])
            : ("The sheet's depth: it should bite at the root, and on thin plate show behind.", [Sign.TintBehind, Sign.BackMark, Sign.RootFused]);
        return
        [
            new(Aspect.Appearance, look, Matching(signs, Looks, seen)),
            new(Aspect.Penetration, behind, Matching(signs, [Sign.NothingBehind, Sign.TintBehind, Sign.BackMark, Sign.RootFused, Sign.RootShort], found)),
        ];
    }

    // Seen as expected when most of what was seen is what was expected.
    private static Match Matching(IReadOnlySet<Sign> signs, IReadOnlyList<Sign> all, IReadOnlyList<Sign> expected)
    {
        var seen = all.Where(signs.Contains).ToArray();
        return seen.Length == 0 ? Match.NotSeen : seen.Count(expected.Contains) * 2 >= seen.Length ? Match.Agrees : Match.Contradicts;
    }

}
