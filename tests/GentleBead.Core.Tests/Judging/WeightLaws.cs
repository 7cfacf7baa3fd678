using GentleBead.Core.Judging;

namespace GentleBead.Core.Tests.Judging;

/// <summary>Something a row of weights has to keep to.</summary>
/// <param name="Name">What.</param>
/// <param name="Holds">Whether a row does.</param>
internal sealed record WeightLaw(string Name, Func<CauseRow, bool> Holds);

/// <summary>What the trade knows of causes as such, whatever the numbers. Common practice, no source.</summary>
internal static class WeightLaws
{
    private static readonly (Sign Under, Sign On, Sign Over)[] Scales =
    [
        (Sign.WireUnder, Sign.WireOn, Sign.WireOver),
        (Sign.VoltsUnder, Sign.VoltsOn, Sign.VoltsOver),
        (Sign.PairShort, Sign.PairInBand, Sign.PairLong),
        (Sign.AmpsUnder, Sign.AmpsOn, Sign.AmpsOver),
        (Sign.SizeUnder, Sign.SizeOn, Sign.SizeOver),
        (Sign.MetalUnder, Sign.MetalOn, Sign.MetalOver),
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
        (Sign.LightStill, Sign.LightSwelling),
        (Sign.LightSwelling, Sign.LightWandering),
        (Sign.GasFlows, Sign.GasNothing),
        (Sign.TipClear, Sign.TipBurntBack),
        (Sign.TipClear, Sign.NozzleClogged),
        (Sign.StartClean, Sign.StartTouching),
        (Sign.StartClean, Sign.StartStuttering),
        (Sign.SameAlong, Sign.WorseAtEnd),
        (Sign.PolarityFits, Sign.PolarityOther),
        (Sign.GasFits, Sign.GasOther),
        (Sign.WireFits, Sign.WireOther),
        (Sign.TipFits, Sign.TipOther),
        (Sign.RollsFit, Sign.RollsOther),
        (Sign.TungstenFits, Sign.TungstenThin),
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
        (Sign.StickOutUnder, Sign.StickOutOn),
        (Sign.LightSwelling, Sign.LightStill),
        (Sign.LightWandering, Sign.LightStill),
        (Sign.TipBurntBack, Sign.TipClear),
        (Sign.NozzleClogged, Sign.TipClear),
        (Sign.StartStuttering, Sign.StartClean),
        (Sign.StartTouching, Sign.StartClean),
        (Sign.GasNothing, Sign.GasFlows),
    ];

    // What a machine's log says is on it speaks for one cause and nothing else.
    private static readonly (Sign Other, Sign? Fits, Cause[] Causes)[] OnTheMachine =
    [
        (Sign.PolarityOther, Sign.PolarityFits, [Cause.WrongPolarity]),
        (Sign.GasOther, Sign.GasFits, [Cause.WrongGas]),
        (Sign.WireOther, Sign.WireFits, [Cause.WrongWire]),
        (Sign.TipOther, Sign.TipFits, [Cause.WornTip]),
        (Sign.RollsOther, Sign.RollsFit, [Cause.WireSlipping]),
        (Sign.TungstenThin, Sign.TungstenFits, [Cause.TungstenSmall]),
        (Sign.ProgramOther, null, [Cause.WrongGas]),
    ];

    // So plain that they come of nothing else.
    private static readonly Dictionary<Sign, Cause[]> ComesOnlyFrom = new()
    {
        [Sign.Hole] = [Cause.PairHot, Cause.AmpsHigh, Cause.TravelSlow, Cause.PlateHot],
        [Sign.Crack] = [Cause.Cracked, Cause.CraterOpen],
        [Sign.OpenCrater] = [Cause.CraterOpen],
        [Sign.GasNothing] = [Cause.GasLost, Cause.NozzleShut],
        [Sign.GasFlows] = [Cause.Draught, Cause.TorchSwung],
        [Sign.TipBurntBack] = [Cause.BurnBack, Cause.StickOutShort, Cause.VoltsHigh],
        [Sign.NozzleClogged] = [Cause.NozzleShut, Cause.StickOutShort],
        [Sign.StartTouching] = [Cause.BurnBack, Cause.WireSlipping],
        [Sign.StartStuttering] = [Cause.PoorClamp, Cause.WornTip, Cause.DirtyPlate],
        [Sign.LightWandering] = [Cause.ArcBlow, Cause.DirtyPlate],
        [Sign.WorseAtEnd] = [Cause.TorchSwung, Cause.UnevenHand, Cause.ArcBlow],
        [Sign.WorseAtStart] = [Cause.DirtyPlate, Cause.ArcBlow, Cause.PreheatLittle],
        [Sign.LeanFar] = [Cause.LeanOff],
        [Sign.PlateThick] = [Cause.PreheatLittle],
        [Sign.WorseAlong] = [Cause.PlateHot, Cause.PairHot, Cause.GasLost, Cause.NozzleShut],
        [Sign.StickOutUnder] = [Cause.StickOutShort, Cause.BurnBack],
        [Sign.LightStill] = [Cause.NothingWrong],
        [Sign.TungstenDipped] = [Cause.TungstenDipped],
        [Sign.TungstenRounded] = [Cause.BalanceOff, Cause.TungstenSmall],
        [Sign.RootFused] = [Cause.NothingWrong, Cause.WorkAngle],
        [Sign.SideUnfused] =
        [
            Cause.PairCold,
            Cause.AmpsLow,
            Cause.VoltsLow,
            Cause.WireHigh,
            Cause.WorkAngle,
            Cause.TravelSlow,
            Cause.DirtyPlate,
            Cause.PreheatLittle,
        ],
        [Sign.SlagTrapped] = [Cause.WrongDirection, Cause.WrongPolarity, Cause.VoltsLow],
        [Sign.Pinholes] =
        [
            Cause.GasLost,
            Cause.StickOutLong,
            Cause.StickOutShort,
            Cause.DirtyPlate,
            Cause.WrongDirection,
            Cause.TorchSwung,
            Cause.Draught,
            Cause.NozzleShut,
            Cause.VoltsHigh,
            Cause.WireLow,
            Cause.WrongPolarity,
            Cause.LeanOff,
        ],
    };

    // The trade's tables of sound and look: what each sign usually comes from. Common practice, no source.
    private static readonly Dictionary<Sign, Cause[]> ComesFrom = new()
    {
        [Sign.Hiss] = [Cause.VoltsHigh, Cause.WireLow, Cause.ReadOutOff],
        [Sign.Popping] = [Cause.VoltsLow, Cause.WireHigh, Cause.StickOutLong, Cause.ReadOutLow, Cause.DirtyPlate],
        [Sign.Rattle] = [Cause.PairHot, Cause.VoltsHigh, Cause.WrongGas, Cause.UnderTransition],
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
        [Sign.LightSwelling] = [Cause.VoltsLow, Cause.WireHigh, Cause.VoltsHigh, Cause.WireLow, Cause.WireSlipping, Cause.UnderTransition],
        [Sign.LightWandering] = [Cause.ArcBlow],
        [Sign.WorseAtEnd] = [Cause.TorchSwung, Cause.UnevenHand],
        [Sign.WorseAlong] = [Cause.PlateHot, Cause.PairHot, Cause.NozzleShut],
        [Sign.WorseAtStart] = [Cause.DirtyPlate, Cause.ArcBlow],
        [Sign.StartTouching] = [Cause.BurnBack],
        [Sign.StartStuttering] = [Cause.PoorClamp, Cause.WornTip, Cause.DirtyPlate],
        [Sign.TipBurntBack] = [Cause.BurnBack, Cause.StickOutShort],
        [Sign.NozzleClogged] = [Cause.NozzleShut, Cause.StickOutShort],
        [Sign.GasNothing] = [Cause.GasLost],
        [Sign.GasFlows] = [Cause.Draught],
        [Sign.StickOutUnder] = [Cause.StickOutShort],
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
        [Sign.LightWandering] = [Cause.ArcBlow],
        [Sign.WorseAtEnd] = [Cause.TorchSwung],
        [Sign.WorseAlong] = [Cause.PlateHot],
        [Sign.GasNothing] = [Cause.GasLost],
        [Sign.GasFlows] = [Cause.Draught],
    };

    // Where along a bead, or at what in the nozzle, something is wrong.
    private static readonly Sign[] Places =
    [
        Sign.WorseAtStart,
        Sign.WorseAlong,
        Sign.WorseAtEnd,
        Sign.StartTouching,
        Sign.StartStuttering,
        Sign.NozzleClogged,
        Sign.TipBurntBack,
        Sign.GasNothing,
    ];

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
    /// <summary>Every law by its name.</summary>
    public static IReadOnlyList<WeightLaw> All { get; } =
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
            "What is so plain that it comes of few causes speaks for no other",
            row => ComesOnlyFrom.All(from => from.Value.Contains(row.Cause) || Weight(row, from.Key) <= 0)
        ),
        new(
            "What the machine's log says is on it speaks for its own cause, and what fits against it",
            row =>
                OnTheMachine.All(one =>
                    one.Causes.Contains(row.Cause)
                        ? Weight(row, one.Other) >= 0 && (one.Fits is not { } fits || Weight(row, fits) < 0)
                        : Weight(row, one.Other) <= 0
                )
        ),
        new(
            "Travel as it should be speaks against a wrong pace and for no other",
            row => Weight(row, Sign.TravelOn) is var on && (row.Cause is Cause.TravelFast or Cause.TravelSlow ? on < 0 : on >= 0)
        ),
        new(
            "A fault of the settings or of wrong parts is the same from end to end",
            row => row.Whose != Whose.Controls || (Weight(row, Sign.WorseAtStart) <= 0 && Weight(row, Sign.SameAlong) >= 0)
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
        Scales.Any(scale => scale.Under == sign || scale.Over == sign)
        || OnTheMachine.Any(one => one.Other == sign)
        || Places.Contains(sign)
        || sign is Sign.StickOutOver or Sign.StickOutUnder or Sign.PlateHot or Sign.LightSwelling or Sign.LightWandering;
}
