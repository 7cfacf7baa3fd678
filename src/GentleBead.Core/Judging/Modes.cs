using GentleBead.Core.Beads;
using GentleBead.Core.Stock;
using static GentleBead.Core.Judging.Sign;

namespace GentleBead.Core.Judging;

/// <summary>A cause in one process, where it is called, mended, expected or weighed otherwise than in the table it is taken from.</summary>
/// <param name="Cause">Which cause.</param>
/// <param name="Weights">Weights that are other; all else stays.</param>
internal sealed record ModeRow(Cause Cause, IReadOnlyDictionary<Sign, double> Weights)
{
    /// <summary>What it is called; null as in the table.</summary>
    public Said? Words { get; init; }

    /// <summary>What the next bead should show; null as in the table.</summary>
    public Said? Expect { get; init; }
}

/// <summary>What one process makes of what is heard, and of its causes.</summary>
/// <param name="Sounds">Sounds that mean another thing than in short circuit, in the process's own words.</param>
/// <param name="Rows">Causes that weigh otherwise.</param>
/// <param name="Without">Causes that cannot be behind its beads.</param>
internal sealed record Mode(
    IReadOnlyDictionary<Sound, (Sign Sign, Said Words)> Sounds,
    IReadOnlyList<ModeRow> Rows,
    IReadOnlyList<Cause> Without
)
{
    /// <summary>Signs that belong to it and are no trouble there.</summary>
    public IReadOnlyList<Sign> Usual { get; init; } = [];
}

/// <summary>Each process has its own right sound, and shows its causes in its own way. Common practice, no source.</summary>
internal static class Modes
{
    private static readonly Dictionary<Sound, (Sign, Said)> Frying = new() { [Sound.EvenCrackle] = (EvenCrackle, Say($"an even crackle")) };

    private static readonly Dictionary<Sign, double> AsInTheTable = [];

    private static readonly Mode ShortCircuit = new(Frying, [], [Cause.WrongDirection, Cause.UnderTransition]);

    private static readonly Mode Globular = new(
        new Dictionary<Sound, (Sign, Said)>
        {
            [Sound.Rattle] = (EvenCrackle, Say($"an even rattle, as globular should")),
            [Sound.EvenCrackle] = (Popping, Say($"a crackle: the drops still touch down")),
        },
        [
            new(Cause.VoltsLow, AsInTheTable)
            {
                Expect = Say($"The stubbing goes over into an even rattle; the puddle turns fluid, the toes blend in."),
            },
            new(Cause.WireHigh, AsInTheTable) { Expect = Say($"The wire stops pushing back; an even rattle, tint beside the bead.") },
            new(Cause.VoltsHigh, AsInTheTable) { Expect = Say($"The arc shortens to an even rattle; less spatter, no groove at the toe.") },
            new(Cause.WireLow, AsInTheTable) { Expect = Say($"The arc shortens to an even rattle; the bead fills out and bites.") },
            new(Cause.PairCold, AsInTheTable) { Expect = Say($"The same rattle, a lower and wider bead, tint that shows behind.") },
            // Spatter belongs to it.
            new(Cause.NothingWrong, new Dictionary<Sign, double> { [SpatterBig] = -0.4, [SpatterFine] = 0.2 }),
        ],
        [Cause.WrongDirection, Cause.UnderTransition]
    )
    {
        Usual = [SpatterBig],
    };

    private static readonly Mode Spray = new(
        new Dictionary<Sound, (Sign, Said)>
        {
            [Sound.Hiss] = (EvenCrackle, Say($"a smooth hiss, as spray should")),
            [Sound.EvenCrackle] = (Popping, Say($"a crackle in the hiss: drops touch down")),
            [Sound.Rattle] = (Rattle, Say($"a rattle of big drops")),
        },
        [
            new(Cause.VoltsLow, new Dictionary<Sign, double> { [Rattle] = -0.5 })
            {
                Expect = Say($"The crackle goes over into a smooth hiss; the bead lies wider and flatter."),
            },
            new(Cause.WireHigh, AsInTheTable) { Expect = Say($"The crackle goes over into a smooth hiss; less metal, no cold toe.") },
            // A long arc hisses too; it shows at the toes.
            new(
                Cause.VoltsHigh,
                new Dictionary<Sign, double>
                {
                    [EvenCrackle] = 0,
                    [Undercut] = 1.8,
                    [SpatterFine] = 0.5,
                    [Rattle] = 0,
                }
            )
            {
                Expect = Say($"A shorter, stiffer arc: no groove at the toes, a bead that stands a little."),
            },
            new(
                Cause.WireLow,
                new Dictionary<Sign, double>
                {
                    [EvenCrackle] = -0.2,
                    [Undercut] = 0.6,
                    [Rattle] = 0.4,
                }
            )
            {
                Expect = Say($"A shorter, stiffer arc; the bead fills out and bites."),
            },
            new(Cause.PairCold, AsInTheTable) { Expect = Say($"The same hiss, a lower and wider bead that wets both toes.") },
            new(Cause.PairHot, new Dictionary<Sign, double> { [Rattle] = 0 }),
            new(Cause.WrongGas, new Dictionary<Sign, double> { [Rattle] = 1.4, [Popping] = 0.6 }),
        ],
        [Cause.WrongDirection]
    );

    private static readonly Mode Pulsed = Spray with
    {
        Sounds = new Dictionary<Sound, (Sign, Said)>
        {
            [Sound.Hiss] = (EvenCrackle, Say($"an even hum at the pulse")),
            [Sound.EvenCrackle] = (Popping, Say($"a crackle in the hum: trimmed too short")),
            [Sound.Rattle] = (Rattle, Say($"a rattle of big drops")),
        },
        Rows =
        [
            new(Cause.VoltsLow, new Dictionary<Sign, double> { [Rattle] = -0.5 })
            {
                Words = Say($"Trimmed too short for the wire"),
                Expect = Say($"The crackle stops; an even hum."),
            },
            new(
                Cause.VoltsHigh,
                new Dictionary<Sign, double>
                {
                    [EvenCrackle] = -0.3,
                    [Undercut] = 1.6,
                    [Rattle] = 0.3,
                }
            )
            {
                Words = Say($"Trimmed too long for the wire"),
                Expect = Say($"A shorter arc, the hum even; no groove at the toes."),
            },
            .. Spray.Rows.Where(row => row.Cause is Cause.WireHigh or Cause.WireLow or Cause.PairCold or Cause.PairHot),
            // A program for another wire or gas pulses at the wrong beat.
            new(
                Cause.WrongGas,
                new Dictionary<Sign, double>
                {
                    [ProgramOther] = 3.0,
                    [Rattle] = 1.4,
                    [Popping] = 0.6,
                }
            )
            {
                Words = Say($"Program and gas do not belong together"),
            },
        ],
        Without = [Cause.WrongDirection, Cause.UnderTransition],
    };

    private static readonly ModeRow[] Sizzling =
    [
        new(Cause.WireHigh, AsInTheTable)
        {
            Expect = Say($"The wire stops pushing back; less metal, an even sizzle, tint beside the bead."),
        },
        new(Cause.PairCold, AsInTheTable) { Expect = Say($"The same sizzle, a lower and wider bead, tint that shows behind.") },
    ];

    private static readonly Mode SelfShielded = new(
        new Dictionary<Sound, (Sign, Said)>
        {
            [Sound.EvenCrackle] = (EvenCrackle, Say($"a steady, rough sizzle")),
            [Sound.Hiss] = (Hiss, Say($"a long roar")),
        },
        [
            .. Sizzling,
            // With no gas to lose, the arc's length keeps the air out: too long, or on the wrong pole, it is full of holes.
            new(Cause.VoltsHigh, new Dictionary<Sign, double> { [Pinholes] = 1.8 })
            {
                Expect = Say($"The roar goes over into a sizzle; no holes, less spatter."),
            },
            new(Cause.WireLow, new Dictionary<Sign, double> { [Pinholes] = 1.0 })
            {
                Expect = Say($"The roar goes over into a sizzle; the bead fills out and bites."),
            },
            new(Cause.VoltsLow, new Dictionary<Sign, double> { [SlagTrapped] = 0.6 })
            {
                Expect = Say($"The popping goes over into a steady sizzle; the bead lies lower and wider."),
            },
            new(Cause.StickOutShort, new Dictionary<Sign, double> { [Pinholes] = 1.5 }),
            new(Cause.StickOutLong, new Dictionary<Sign, double> { [Pinholes] = -0.2 }),
            new(
                Cause.WrongPolarity,
                new Dictionary<Sign, double>
                {
                    [Pinholes] = 2.8,
                    [SpatterBig] = 2.0,
                    [SlagTrapped] = 0.4,
                    [Sunk] = 0.3,
                    [PolarityFits] = -0.6,
                }
            ),
            new(Cause.GasLost, new Dictionary<Sign, double> { [Pinholes] = 2.2 }) { Words = Say($"Moist wire or a strong draught") },
        ],
        [Cause.UnderTransition, Cause.Draught, Cause.WrongGas]
    );

    private static readonly Mode GasShielded = new(
        new Dictionary<Sound, (Sign, Said)>
        {
            [Sound.EvenCrackle] = (EvenCrackle, Say($"a soft, steady sizzle")),
            [Sound.Hiss] = (Hiss, Say($"a long, soft arc")),
        },
        [
            .. Sizzling,
            new(Cause.VoltsLow, new Dictionary<Sign, double> { [SlagTrapped] = 0.6 })
            {
                Expect = Say($"The popping goes over into a soft sizzle; the bead lies lower and wider."),
            },
            new(Cause.VoltsHigh, AsInTheTable) { Expect = Say($"The arc shortens to a soft sizzle; no groove at the toe, less spatter.") },
            new(Cause.WireLow, AsInTheTable) { Expect = Say($"The arc shortens to a soft sizzle; the bead fills out and bites.") },
            new(Cause.WrongPolarity, new Dictionary<Sign, double> { [SlagTrapped] = 1.2, [SpatterBig] = 1.8 }),
        ],
        [Cause.UnderTransition]
    );

    private static readonly Mode TigDc = new(
        new Dictionary<Sound, (Sign, Said)>
        {
            [Sound.Rattle] = (Sputter, Say($"a rattle")),
            [Sound.EvenCrackle] = (EvenCrackle, Say($"near silence, a faint steady hiss")),
            [Sound.Hiss] = (Hiss, Say($"a loud hiss")),
        },
        [],
        [Cause.BalanceOff]
    );

    private static readonly Mode TigAc = new(
        new Dictionary<Sound, (Sign, Said)>
        {
            [Sound.Rattle] = (Sputter, Say($"a rattle")),
            [Sound.EvenCrackle] = (EvenCrackle, Say($"a steady buzz")),
            [Sound.Hiss] = (Hiss, Say($"a loud hiss")),
        },
        [
            // One that burns back says the balance melts it, or the amps do.
            new(
                Cause.BalanceOff,
                new Dictionary<Sign, double>
                {
                    [PuddleSkin] = 3.0,
                    [PuddleClear] = -0.4,
                    [TungstenRounded] = 0.5,
                    [TungstenBurntBack] = 2.0,
                }
            ),
            new(Cause.TungstenSmall, new Dictionary<Sign, double> { [TungstenRounded] = 0.4, [TungstenBurntBack] = 2.0 }),
        ],
        [Cause.WrongPolarity]
    );

    private static readonly Dictionary<Process, Mode> ByProcess = new()
    {
        [Process.GmawShortCircuit] = ShortCircuit,
        [Process.GmawGlobular] = Globular,
        [Process.GmawSpray] = Spray,
        [Process.GmawPulsed] = Pulsed,
        [Process.FcawSelfShielded] = SelfShielded,
        [Process.FcawGasShielded] = GasShielded,
        [Process.GtawDc] = TigDc,
        [Process.GtawAc] = TigAc,
    };

    /// <summary>What a process makes of it.</summary>
    public static Mode Of(Process process) => ByProcess[process];

    /// <summary>The sign a sound is in a process.</summary>
    public static Sign SignOf(Sound sound, Process process) =>
        Of(process).Sounds.TryGetValue(sound, out var own) ? own.Sign : Observations.OfSound(sound);

    /// <summary>What a sound is called in a process.</summary>
    public static Said WordsOf(Sound sound, Process process) =>
        Of(process).Sounds.TryGetValue(sound, out var own) ? own.Words : Observations.Of(Observations.OfSound(sound)).Words;

    /// <summary>What a sign of the sound is called in a process when nothing was heard; null where it has no words of its own.</summary>
    public static Said? WordsOf(Sign sign, Process process) =>
        Of(process).Sounds.Values.Where(own => own.Sign == sign).Select(own => own.Words).FirstOrDefault();

    /// <summary>A process's table: the common rows, weighed its own way.</summary>
    public static CauseRow[] Table(Process process, IReadOnlyList<CauseRow> common)
    {
        var mode = Of(process);
        var own = mode.Rows.ToDictionary(row => row.Cause);
        return
        [
            .. common
                .Where(row => !mode.Without.Contains(row.Cause))
                .Select(row => own.TryGetValue(row.Cause, out var other) ? Weighed(row, other) : row),
        ];
    }

    private static CauseRow Weighed(CauseRow row, ModeRow other)
    {
        var weights = new Dictionary<Sign, double>(row.Weights);
        foreach (var (sign, weight) in other.Weights)
            weights[sign] = weight;
        return row with { Words = other.Words ?? row.Words, Expect = other.Expect ?? row.Expect, Weights = weights };
    }
}
