namespace GentleBead.Core.Judging;

/// <summary>One thing that speaks for or against a cause: heard, seen, measured or set.</summary>
public enum Sign
{
#pragma warning disable CS1591 // each is a row of Observations.All, with its words
    EvenCrackle, Hiss, Popping, Rattle, Sputter,
    SlightlyConvex, Flat, TallNarrow, PiledUp, Sunk, Lumpy,
    ToesBlended, ToesCold, Undercut,
    TintNone, TintThin, TintEven, TintWide,
    SpatterLittle, SpatterFine, SpatterBig,
    RippleEven, RippleUneven, RippleStretched,
    Pinholes, Hole, UnequalLegs, Crack, OpenCrater, SlagTrapped,
    NothingBehind, TintBehind, BackMark,
    SizeUnder, SizeOn, SizeOver,
    StickOutOn, StickOutOver,
    WireUnder, WireOn, WireOver,
    VoltsUnder, VoltsOn, VoltsOver,
    PairShort, PairInBand, PairLong,
    MachineMeasured, MachineBelieved,
    FeelSteady, PushedBack, LongArc, Runny, Jerky,
    PlateCold, PlateWarm, PlateHot,
    TravelUnder, TravelOn, TravelOver,
    ArcAmpsUnder, ArcAmpsOn, ArcAmpsOver,
    ArcVoltsUnder, ArcVoltsOn, ArcVoltsOver,
    RootFused, RootShort, SideUnfused,
    SootNone, SootBrushesOff, SootStays,
    AmpsUnder, AmpsOn, AmpsOver,
    TungstenPointed, TungstenBalled, TungstenBurntBack, TungstenDipped,
    ColourSilver, ColourStraw, ColourPurple, ColourBlue, ColourGrey,
    PuddleClear, PuddleSpecks, PuddleSkin,
#pragma warning restore CS1591
}
