using GentleBead.Core.Judging;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>
/// The tables of weights against what the trade knows of causes as such, and a count of how many of their numbers could be turned round
/// without any of these or the worked cases noticing: what dotnet-stryker cannot try, since a table is made once in a process.
/// </summary>
public class WeightsTests
{
    // A number that is turned round has to be noticed in this many of a hundred.
    private const double Noticed = 0.75;

    private sealed record Law(string Name, Func<CauseRow, bool> Holds);

    private static readonly (Sign Under, Sign On, Sign Over)[] Scales =
    [
        (Sign.WireUnder, Sign.WireOn, Sign.WireOver),
        (Sign.VoltsUnder, Sign.VoltsOn, Sign.VoltsOver),
        (Sign.PairShort, Sign.PairInBand, Sign.PairLong),
        (Sign.AmpsUnder, Sign.AmpsOn, Sign.AmpsOver),
        (Sign.SizeUnder, Sign.SizeOn, Sign.SizeOver),
        (Sign.TravelUnder, Sign.TravelOn, Sign.TravelOver),
        (Sign.ArcAmpsUnder, Sign.ArcAmpsOn, Sign.ArcAmpsOver),
        (Sign.ArcVoltsUnder, Sign.ArcVoltsOn, Sign.ArcVoltsOver),
    ];

    private static readonly (Sign One, Sign Other)[] Contraries =
    [
        (Sign.Popping, Sign.Hiss),
        (Sign.EvenCrackle, Sign.Hiss),
        (Sign.RippleEven, Sign.RippleUneven),
        (Sign.PushedBack, Sign.LongArc),
        (Sign.TallNarrow, Sign.Sunk),
        (Sign.TintNone, Sign.TintWide),
        (Sign.TintThin, Sign.TintWide),
        (Sign.NothingBehind, Sign.BackMark),
        (Sign.NothingBehind, Sign.TintBehind),
        (Sign.RootFused, Sign.RootShort),
        (Sign.PlateCold, Sign.PlateHot),
        (Sign.MachineMeasured, Sign.MachineBelieved),
        (Sign.RippleStretched, Sign.RippleUneven),
        (Sign.Runny, Sign.ToesCold),
    ];

    private static readonly (Sign Bad, Sign Good)[] Spoils =
    [
        (Sign.Popping, Sign.EvenCrackle),
        (Sign.Hiss, Sign.EvenCrackle),
        (Sign.Sputter, Sign.EvenCrackle),
        (Sign.Jerky, Sign.FeelSteady),
        (Sign.PushedBack, Sign.FeelSteady),
        (Sign.LongArc, Sign.FeelSteady),
        (Sign.ToesCold, Sign.ToesBlended),
        (Sign.RippleUneven, Sign.RippleEven),
        (Sign.SpatterBig, Sign.SpatterLittle),
        (Sign.TungstenBalled, Sign.TungstenPointed),
        (Sign.TungstenBurntBack, Sign.TungstenPointed),
        (Sign.TungstenDipped, Sign.TungstenPointed),
        (Sign.PuddleSpecks, Sign.PuddleClear),
        (Sign.PuddleSkin, Sign.PuddleClear),
        (Sign.ColourGrey, Sign.ColourSilver),
        (Sign.StickOutOver, Sign.StickOutOn),
    ];

    // The trade's tables of sound and look: what each sign usually comes from. Common practice, no source.
    private static readonly Dictionary<Sign, Cause[]> ComesFrom = new()
    {
        [Sign.Hiss] = [Cause.VoltsHigh, Cause.WireLow, Cause.ReadOutOff],
        [Sign.Popping] = [Cause.VoltsLow, Cause.WireHigh, Cause.StickOutLong, Cause.ReadOutLow, Cause.DirtyPlate],
        [Sign.Rattle] = [Cause.PairHot, Cause.VoltsHigh, Cause.WrongGas],
        [Sign.Sputter] =
        [
            Cause.StickOutLong,
            Cause.DirtyPlate,
            Cause.PoorClamp,
            Cause.WireSlipping,
            Cause.WornTip,
            Cause.GasLost,
            Cause.WrongPolarity,
        ],
        [Sign.PushedBack] = [Cause.VoltsLow, Cause.WireHigh, Cause.StickOutLong, Cause.ReadOutLow],
        [Sign.LongArc] = [Cause.VoltsHigh, Cause.WireLow, Cause.ReadOutOff],
        [Sign.Runny] = [Cause.PairHot, Cause.TravelSlow, Cause.PlateHot],
        [Sign.Jerky] = [Cause.WireSlipping, Cause.WornTip],
        [Sign.TallNarrow] = [Cause.VoltsLow, Cause.WireHigh, Cause.PairCold, Cause.TravelFast, Cause.StickOutLong, Cause.WrongPolarity],
        [Sign.ToesCold] = [Cause.VoltsLow, Cause.WireHigh, Cause.PairCold, Cause.StickOutLong, Cause.WrongPolarity, Cause.ReadOutOff],
        [Sign.TintNone] = [Cause.VoltsLow, Cause.WireHigh, Cause.PairCold],
        [Sign.TintThin] = [Cause.VoltsLow, Cause.PairCold, Cause.TravelFast],
        [Sign.NothingBehind] =
        [
            Cause.VoltsLow,
            Cause.WireLow,
            Cause.PairCold,
            Cause.TravelFast,
            Cause.StickOutLong,
            Cause.ReadOutOff,
            Cause.WrongPolarity,
        ],
        [Sign.PiledUp] = [Cause.VoltsLow, Cause.WireHigh, Cause.TravelSlow, Cause.ReadOutLow, Cause.WrongWire],
        [Sign.Lumpy] = [Cause.WireLow, Cause.WireSlipping, Cause.ReadOutOff],
        [Sign.Sunk] = [Cause.VoltsHigh, Cause.PairHot, Cause.TravelSlow, Cause.PlateHot],
        [Sign.TintWide] = [Cause.VoltsHigh, Cause.PairHot, Cause.TravelSlow, Cause.PlateHot],
        [Sign.Hole] = [Cause.PairHot, Cause.TravelSlow, Cause.PlateHot],
        [Sign.SpatterBig] = [Cause.VoltsHigh, Cause.DirtyPlate, Cause.WrongGas, Cause.WrongPolarity],
        [Sign.Undercut] = [Cause.VoltsHigh, Cause.TravelFast, Cause.WorkAngle],
        [Sign.Pinholes] = [Cause.GasLost, Cause.StickOutLong, Cause.DirtyPlate, Cause.WrongDirection],
        [Sign.RippleUneven] = [Cause.UnevenHand, Cause.WireSlipping],
        [Sign.RippleStretched] = [Cause.TravelFast],
        [Sign.UnequalLegs] = [Cause.WorkAngle],
        [Sign.SizeOver] = [Cause.TravelSlow, Cause.WireHigh, Cause.ReadOutLow, Cause.WrongWire],
        [Sign.SizeUnder] = [Cause.TravelFast, Cause.WireLow, Cause.ReadOutOff],
        [Sign.SlagTrapped] = [Cause.WrongDirection],
        [Sign.SootStays] = [Cause.GasLost, Cause.DirtyPlate],
        [Sign.ArcAmpsUnder] = [Cause.StickOutLong, Cause.ReadOutOff, Cause.PoorClamp, Cause.WornTip],
        [Sign.ArcAmpsOver] = [Cause.ReadOutLow, Cause.WrongWire],
        [Sign.RootShort] = [Cause.PairCold, Cause.VoltsLow, Cause.WireLow, Cause.TravelFast, Cause.StickOutLong, Cause.ReadOutOff],
        [Sign.SideUnfused] = [Cause.PairCold, Cause.VoltsLow, Cause.WireHigh, Cause.WorkAngle],
        [Sign.MachineBelieved] = [Cause.ReadOutOff, Cause.ReadOutLow],
        [Sign.WireUnder] = [Cause.WireLow, Cause.PairCold],
        [Sign.WireOver] = [Cause.WireHigh, Cause.PairHot],
        [Sign.VoltsUnder] = [Cause.VoltsLow, Cause.PairCold],
        [Sign.VoltsOver] = [Cause.VoltsHigh, Cause.PairHot],
        [Sign.PairShort] = [Cause.VoltsLow, Cause.WireHigh],
        [Sign.PairLong] = [Cause.VoltsHigh, Cause.WireLow],
        [Sign.ArcVoltsUnder] = [Cause.PoorClamp, Cause.VoltsReadOff],
        [Sign.PlateWarm] = [Cause.PlateHot],
        [Sign.Crack] = [Cause.Cracked],
        [Sign.OpenCrater] = [Cause.CraterOpen],
    };

    // The same of TIG.
    private static readonly Dictionary<Sign, Cause[]> ComesFromOfTig = new()
    {
        [Sign.TungstenBalled] = [Cause.WrongPolarity, Cause.TungstenSmall, Cause.BalanceOff, Cause.AmpsHigh],
        [Sign.TungstenBurntBack] = [Cause.WrongPolarity, Cause.GasLost],
        [Sign.ColourGrey] = [Cause.GasLost, Cause.AmpsHigh, Cause.TravelSlow],
        [Sign.ColourBlue] = [Cause.AmpsHigh, Cause.TravelSlow, Cause.PlateHot, Cause.ArcLong, Cause.GasLost],
        [Sign.PuddleSpecks] = [Cause.DirtyPlate, Cause.TungstenDipped],
        [Sign.PuddleSkin] = [Cause.BalanceOff, Cause.DirtyPlate, Cause.GasLost],
        [Sign.Sputter] = [Cause.DirtyPlate, Cause.GasLost, Cause.TungstenDipped, Cause.PoorClamp],
        [Sign.Sunk] = [Cause.AmpsHigh, Cause.TravelSlow, Cause.PlateHot, Cause.FillerLittle],
        [Sign.Hole] = [Cause.AmpsHigh, Cause.TravelSlow, Cause.PlateHot],
        [Sign.TintWide] = [Cause.AmpsHigh, Cause.TravelSlow, Cause.PlateHot, Cause.ArcLong],
        [Sign.Undercut] = [Cause.AmpsHigh, Cause.ArcLong, Cause.FillerLittle, Cause.WorkAngle, Cause.TravelFast],
        [Sign.PiledUp] = [Cause.FillerMuch, Cause.AmpsLow],
        [Sign.TallNarrow] = [Cause.AmpsLow, Cause.FillerMuch],
        [Sign.ToesCold] = [Cause.AmpsLow, Cause.FillerMuch],
        [Sign.NothingBehind] = [Cause.AmpsLow, Cause.TravelFast, Cause.FillerMuch, Cause.ArcLong, Cause.WrongPolarity],
        [Sign.SizeUnder] = [Cause.TravelFast, Cause.FillerLittle],
        [Sign.SizeOver] = [Cause.TravelSlow, Cause.FillerMuch],
        [Sign.TintThin] = [Cause.AmpsLow, Cause.TravelFast],
        [Sign.Runny] = [Cause.AmpsHigh, Cause.TravelSlow, Cause.PlateHot],
        [Sign.Pinholes] = [Cause.GasLost, Cause.DirtyPlate],
        [Sign.SootStays] = [Cause.GasLost, Cause.DirtyPlate],
        [Sign.SideUnfused] = [Cause.AmpsLow, Cause.WorkAngle],
        [Sign.LongArc] = [Cause.ArcLong],
        [Sign.PlateWarm] = [Cause.PlateHot],
        [Sign.RippleUneven] = [Cause.UnevenHand, Cause.ArcLong],
        [Sign.RippleStretched] = [Cause.TravelFast],
        [Sign.Hiss] = [Cause.GasLost],
        [Sign.AmpsUnder] = [Cause.AmpsLow],
        [Sign.AmpsOver] = [Cause.AmpsHigh, Cause.TungstenSmall],
        [Sign.Crack] = [Cause.Cracked],
        [Sign.OpenCrater] = [Cause.CraterOpen],
    };

    // A hand, a bottle or a crater makes no heat: such a bead looks as it should but for its own fault.
    private static readonly Cause[] OfNoHeat = [Cause.WorkAngle, Cause.UnevenHand, Cause.CraterOpen, Cause.GasLost, Cause.WrongDirection];

    private static readonly Sign[] GoodLooks =
    [
        Sign.SlightlyConvex,
        Sign.ToesBlended,
        Sign.TintEven,
        Sign.TintBehind,
        Sign.SpatterLittle,
        Sign.EvenCrackle,
        Sign.PairInBand,
        Sign.WireOn,
        Sign.VoltsOn,
        Sign.AmpsOn,
    ];

    private static readonly Sign[] SettingsOn = [Sign.WireOn, Sign.VoltsOn, Sign.PairInBand, Sign.AmpsOn];

    // Each is common practice, no source.
    private static readonly Law[] Laws =
    [
        new(
            "What is wrong speaks against a bead with nothing to mend",
            row => row.Cause != Cause.NothingWrong || row.Weights.All(weight => !Bad(weight.Key) || weight.Value <= 0)
        ),
        new(
            "What is as it should be speaks for one",
            row => row.Cause != Cause.NothingWrong || row.Weights.All(weight => Bad(weight.Key) || Off(weight.Key) || weight.Value >= 0)
        ),
        new(
            "Off what was aimed at speaks against one",
            row => row.Cause != Cause.NothingWrong || row.Weights.All(weight => !Off(weight.Key) || weight.Value <= 0)
        ),
        new("What is cold does not show hot", row => !IsCold(row) || row.Weights.All(weight => Heat(weight.Key) <= 0 || weight.Value <= 0)),
        new("What is cold shows cold", row => !IsCold(row) || row.Weights.All(weight => Heat(weight.Key) >= 0 || weight.Value >= 0)),
        new("What is hot does not show cold", row => !IsHot(row) || row.Weights.All(weight => Heat(weight.Key) >= 0 || weight.Value <= 0)),
        new("What is hot shows hot", row => !IsHot(row) || row.Weights.All(weight => Heat(weight.Key) <= 0 || weight.Value >= 0)),
        new(
            "Of the three ways a number can lie, no cause takes both ends, and the middle is not past them",
            row => Scales.All(scale => OneWay(row, scale))
        ),
        new(
            "Two contraries do not both speak for a cause",
            row => Contraries.All(pair => !(Weight(row, pair.One) > 0.3 && Weight(row, pair.Other) > 0.3))
        ),
        new(
            "What is right in sound, feel, toes, ripples and tungsten does not speak for what spoils it",
            row => Spoils.All(pair => Weight(row, pair.Bad) < 0.8 || Weight(row, pair.Good) <= 0.3)
        ),
        new(
            "What usually comes from a cause speaks for it",
            row => (IsTig(row) ? ComesFromOfTig : ComesFrom).All(from => !from.Value.Contains(row.Cause) || Weight(row, from.Key) > 0)
        ),
        new(
            "What is no matter of heat looks as it should but for its own fault",
            row =>
                !OfNoHeat.Contains(row.Cause)
                || row.Weights.All(weight =>
                    (Heat(weight.Key) == 0 || weight.Value <= 0 || row.Cause == Cause.GasLost)
                    && (!GoodLooks.Contains(weight.Key) || weight.Value > 0 || row.Cause == Cause.GasLost)
                )
        ),
        new(
            "Right settings speak against no cause beside them",
            row => row.Whose == Whose.Controls || SettingsOn.All(sign => Weight(row, sign) >= 0)
        ),
        new(
            "Volts or amps on the sheet do not speak for what was set",
            row => row.Whose != Whose.Controls || (Weight(row, Sign.VoltsOn) <= 0 && Weight(row, Sign.AmpsOn) <= 0)
        ),
        new("A smooth pair does not speak for a bad one", row => row.Verdict != Verdict.Unsteady || Weight(row, Sign.PairInBand) <= 0),
        new(
            "Wire on the sheet speaks against too much of it and too little",
            row => row.Cause is not (Cause.WireHigh or Cause.WireLow) || Weight(row, Sign.WireOn) < 0
        ),
        new(
            "and for volts that are off",
            row => IsTig(row) || row.Cause is not (Cause.VoltsHigh or Cause.VoltsLow) || Weight(row, Sign.WireOn) > 0
        ),
    ];

    public static TheoryData<bool, Cause> Rows =>
        [.. Causes.Table.Select(row => (false, row.Cause)), .. TigCauses.Table.Select(row => (true, row.Cause))];

    [Theory]
    [MemberData(nameof(Rows))]
    public void Every_row_keeps_to_what_the_trade_knows(bool tig, Cause cause)
    {
        var row = (tig ? TigCauses.Table : Causes.Table).Single(row => row.Cause == cause);
        Assert.Equal([], Laws.Where(law => !law.Holds(row)).Select(law => law.Name));
    }

    [Fact]
    public void Three_of_four_numbers_turned_round_are_noticed()
    {
        var cases = WorkedCases
            .All.Select(bead => (Signs: WorkedCases.SignsOf(bead), bead.Cause, Of: WorkedCases.Of(bead).Sheet.Job.Process))
            .ToArray();
        var (missed, tried) = (new List<string>(), 0);
        foreach (var table in new[] { Causes.Table, TigCauses.Table })
        {
            foreach (var row in table)
            {
                foreach (var (sign, weight) in row.Weights)
                {
                    tried++;
                    var turned = row with { Weights = new Dictionary<Sign, double>(row.Weights) { [sign] = -weight } };
                    if (Laws.All(law => law.Holds(turned)) && !cases.Any(one => Misleads(one.Signs, one.Cause, one.Of, row, turned)))
                        missed.Add($"{row.Cause} {sign} {weight}");
                }
            }
        }
        Assert.True(tried > 500 && missed.Count <= (1 - Noticed) * tried, $"{missed.Count} of {tried}:\n{string.Join('\n', missed)}");
    }

    // Whether a case that came out right comes out otherwise.
    private static bool Misleads(IReadOnlySet<Sign> signs, Cause cause, Process process, CauseRow row, CauseRow turned)
    {
        var table = Causes.Of(process);
        if (!table.Contains(row) || First(signs, table) != cause)
            return false;
        return First(signs, [.. table.Select(one => ReferenceEquals(one, row) ? turned : one)]) != cause;
    }

    private static Cause First(IReadOnlySet<Sign> signs, IReadOnlyList<CauseRow> table) =>
        table.MaxBy(row => Ranking.Score(row, signs))!.Cause;

    private static bool OneWay(CauseRow row, (Sign Under, Sign On, Sign Over) scale)
    {
        var (under, on, over) = (Weight(row, scale.Under), Weight(row, scale.On), Weight(row, scale.Over));
        // A read-out is off either way.
        if (row.Cause == Cause.VoltsReadOff && scale.On == Sign.ArcVoltsOn)
            return on < 0 && under > 0 && over > 0;
        return !(under > 0 && over > 0) && (on >= Math.Min(under, over) || (under == 0 && over == 0));
    }

    private static double Weight(CauseRow row, Sign sign) => row.Weights.GetValueOrDefault(sign);

    private static bool IsTig(CauseRow row) => TigCauses.Table.Any(one => ReferenceEquals(one.Words, row.Words));

    private static double Heat(Sign sign) => Observations.Of(sign).Heat;

    private static bool IsCold(CauseRow row) => row.Verdict == Verdict.Cold;

    private static bool IsHot(CauseRow row) => row.Verdict == Verdict.Hot || row.Cause == Cause.PlateHot;

    private static bool Bad(Sign sign) =>
        Observations.Of(sign) is { } answer && (answer.Trouble != Trouble.None || answer.Heat != 0 || answer.Ugly);

    private static bool Off(Sign sign) =>
        Scales.Any(scale => scale.Under == sign || scale.Over == sign) || sign == Sign.StickOutOver || sign == Sign.PlateHot;
}
