namespace GentleBead.Core.Sheets;

/// <summary>How the pair of wire and volts is found.</summary>
public enum PairRule
{
    /// <summary>Wire from thickness and wire size, then volts from low upward, by ear.</summary>
    WireFirst,

    /// <summary>Volts from thickness, then wire from low upward; the middle of the smooth band.</summary>
    VoltsFirst,

    /// <summary>The machine's own chart, between its steps, then tuned.</summary>
    ChartFirst,

    /// <summary>Wire from thickness, then the volts this room has found for it on this machine.</summary>
    LearnedFirst,
}

/// <summary>What is set out of flat and horizontal.</summary>
public enum PositionRule
{
    /// <summary>The settings of the next thinner plate.</summary>
    OneThinner,

    /// <summary>The settings of the second thinner plate.</summary>
    TwoThinner,

    /// <summary>The same everywhere.</summary>
    Same,
}

/// <summary>Which way the torch leans where no slag decides.</summary>
public enum DirectionRule
{
    /// <summary>Always push.</summary>
    PushOnly,

    /// <summary>Push or drag, whichever lets you see.</summary>
    Either,
}

/// <summary>What the hand does along the joint.</summary>
public enum Motion
{
    /// <summary>Straight.</summary>
    Straight,

    /// <summary>A small c.</summary>
    SmallC,

    /// <summary>Small loops.</summary>
    SmallLoops,

    /// <summary>Whip and pause, with a pause at each side.</summary>
    WhipAndPause,
}

/// <summary>How current and wire feed speed go together.</summary>
public enum WireRule
{
    /// <summary>The trade's one factor for a wire, whatever its stick-out.</summary>
    Factor,

    /// <summary>The melting rate, with the resistance of the sheet's stick-out in it.</summary>
    MeltingRate,
}

/// <summary>A way of finding settings; chosen per instructor and shown on every sheet.</summary>
/// <param name="Pair">How wire and volts are found.</param>
/// <param name="Position">What is set out of flat and horizontal.</param>
/// <param name="Direction">Which way the torch leans.</param>
/// <param name="Motion">What the hand does.</param>
/// <param name="Wire">How current and wire feed speed go together; what was kept before there was a choice is by the factor.</param>
public sealed record WayOfSetting(
    PairRule Pair,
    PositionRule Position,
    DirectionRule Direction,
    Motion Motion,
    WireRule Wire = WireRule.Factor
)
{
    /// <summary>The usual pick: wire first, one thinner, either way, straight, wire by its factor.</summary>
    public static WayOfSetting Usual { get; } = new(PairRule.WireFirst, PositionRule.OneThinner, DirectionRule.Either, Motion.Straight);

    /// <summary>How many plates thinner a position out of flat and horizontal is set.</summary>
    public static int StepsThinner(PositionRule rule) =>
        rule switch
        {
            PositionRule.OneThinner => 1,
            PositionRule.TwoThinner => 2,
            _ => 0,
        };
}

/// <summary>Where another way of setting differs for this job.</summary>
/// <param name="Between">What it is about: "Pair", "Wire", "Position", "Direction".</param>
/// <param name="Text">What the other way would set, and by how much it differs.</param>
public sealed record OtherWay(string Between, Said Text);
