using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>One row of the tungsten table.</summary>
/// <param name="Diameter">Diameter of the tungsten.</param>
/// <param name="MostDc">Most it bears on DC minus.</param>
/// <param name="MostAc">Most it bears on balanced AC.</param>
/// <param name="Cup">Cup that usually goes with it.</param>
public sealed record TungstenRow(Length Diameter, Current MostDc, Current MostAc, int Cup);

/// <summary>The numbers of a TIG sheet.</summary>
public static class TigRules
{
    // In hand under the pedal: 0.060 in stainless takes 60 A and is set to 65.
    private const double LeastInHand = 5;
    private const double ShareInHand = 0.08;

    private const double PreFlowSeconds = 0.5;
    private const int BalancePercent = 70;

    // On sheet thinner than this a pulse holds the puddle.
    private const double ThinForPulse = 1.5;

    private static readonly Said ClassOnAc = Say($"lanthanated WLa 15, gold, or ceriated WCe 20, grey");

    private static readonly Said ClassOnDc = Say(
        $"lanthanated WLa 15, gold; thoriated WTh 20, red, is radioactive: its dust is not for lungs"
    );

    /// <summary>Tungstens, thinnest first.</summary>
    /// <remarks>
    /// DC minus: usual ranges by AWS A5.12 and ISO 6848, from memory. AC: about
    /// two thirds of that, from memory. Cups: common practice, no source.
    /// </remarks>
    public static IReadOnlyList<TungstenRow> Tungstens { get; } =
    [Row(1.0, 80, 60, 5), Row(1.6, 150, 110, 6), Row(2.4, 250, 180, 7), Row(3.2, 400, 260, 8), Row(4.0, 500, 325, 10)];

    /// <summary>The thinnest tungsten that bears a current; null when none does.</summary>
    public static TungstenRow? TungstenFor(Current amps, bool ac) =>
        Tungstens.FirstOrDefault(row => amps <= (ac ? row.MostAc : row.MostDc));

    /// <summary>What the pedal's maximum is set to, so that there is something in hand. Common practice, no source.</summary>
    public static Current PedalMost(Current amps) =>
        Current.FromAmps(Math.Ceiling(amps.Amps + Math.Max(LeastInHand, ShareInHand * amps.Amps)));

    /// <summary>Filler rod by plate: about as thick as the sheet, 3.2 mm at the most. Common practice, no source.</summary>
    public static Length FillerFor(Length thickness) =>
        Length.FromMm(
            thickness.Mm switch
            {
                < 1.2 => 1.0,
                < 2.5 => 1.6,
                < 5 => 2.4,
                _ => 3.2,
            }
        );

    /// <summary>Travel to begin with, by plate: 60 + 120 / t mm/min; the puddle leads. Common practice, no source.</summary>
    public static TravelSpeed TravelFor(Length thickness) => TravelSpeed.FromMmPerMin(60 + 120 / Math.Max(0.5, thickness.Mm));

    /// <summary>AC frequency by plate: narrower arcs on thin sheet. Common practice, no source.</summary>
    public static int FrequencyFor(Length thickness) => thickness.Mm < 2 ? 120 : 100;

    /// <summary>Seconds of gas after the arc: one for each 10 A, at least 5. Common practice, no source.</summary>
    public static double PostFlowSeconds(Current amps) => Math.Max(5, Math.Ceiling(amps.Amps / 10));

    /// <summary>The settings of a TIG sheet without the machine's mark; a refusal when no tungsten bears the current.</summary>
    internal static Explained<TigSettings> Settings(Job job, Current amps)
    {
        var ac = job.Process.Facts().NeedsAc;
        var pedal = PedalMost(amps);
        if (TungstenFor(pedal, ac) is not { } tungsten)
        {
            return new(
                new Refusal(
                    JobPart.Thickness,
                    Sentences(
                        Say($"This plate and joint ask for {pedal} of TIG: more than the tungstens here bear."),
                        Say($"Preheat, bevel and lay passes, or MIG.")
                    ),
                    RefusedFor.Tungsten
                )
            );
        }
        var filler = FillerFor(job.Thinner);
        int? frequency = ac ? FrequencyFor(job.Thinner) : null;
        return new(
            new TigSettings
            {
                PedalMost = pedal,
                Mark = null,
                Tungsten = tungsten.Diameter,
                TungstenClass = ac ? ClassOnAc : ClassOnDc,
                Grind = Grind(tungsten, ac),
                Cup = tungsten.Cup,
                Filler = filler,
                PreFlowSeconds = PreFlowSeconds,
                PostFlowSeconds = PostFlowSeconds(amps),
                BalancePercent = ac ? BalancePercent : null,
                FrequencyHz = frequency,
                Pulse =
                    job.Thinner.Mm < ThinForPulse
                        ? Say($"To begin with: 1.5 pulses a second, 40 % of the time at {amps * 1.3}, {amps * 0.4} between.")
                        : null,
                Start = ac
                    ? Say($"High frequency; keep pacemakers and screens away.")
                    : Say($"High frequency, or lift where electronics stand near."),
            },
            [
                .. TungstenReasons(amps, pedal, tungsten, ac),
                .. RodAndGasReasons(job, amps, filler),
                .. frequency is { } hertz ? AcReasons(hertz) : [],
            ]
        );
    }

    private static Said Grind(TungstenRow tungsten, bool ac) =>
        ac
            ? Say($"short taper, as long as the tungsten is thick, end flattened to a third of it")
            : Say($"lengthwise, taper {tungsten.Diameter * 2.5} long, tip flattened a touch ({new Either("0.2 mm", "0.008 in")})");

    private static Reason[] TungstenReasons(Current amps, Current pedal, TungstenRow tungsten, bool ac)
    {
        var on = ac ? Say($"AC") : Say($"DC minus");
        var bore = Length.FromInches(tungsten.Cup / 16.0);
        return
        [
            new(
                "pedalMost",
                Say($"Something in hand under the pedal"),
                Say($"{amps} and {ShareInHand * 100} % more, at least {LeastInHand} A; without a pedal set {amps} itself"),
                Say($"{pedal}"),
                Source.CommonPractice,
                ["amps"]
            ),
            new(
                "tungsten",
                Say($"Thinnest tungsten that bears it"),
                Say(
                    $"{pedal} on {on}; this size bears up to {(ac ? tungsten.MostAc : tungsten.MostDc)} (AWS A5.12, ISO 6848, from memory)"
                ),
                Say($"{tungsten.Diameter}"),
                Source.Published,
                ["pedalMost"]
            ),
            new(
                "cup",
                Say($"Cup by tungsten"),
                Say($"{tungsten.Diameter} tungsten; a bigger cup where the joint lets it in"),
                Say($"No. {tungsten.Cup}, {bore} bore"),
                Source.CommonPractice,
                ["tungsten"]
            ),
        ];
    }

    private static Reason[] RodAndGasReasons(Job job, Current amps, Length filler) =>
        [
            new(
                "filler",
                Say($"Rod by plate"),
                Say($"about as thick as the plate ({job.Thinner}), {new Either("3.2 mm", "1/8 in")} at the most"),
                Say($"{filler}"),
                Source.CommonPractice,
                []
            ),
            new(
                "preFlowSeconds",
                Say($"Gas before the arc"),
                Say($"enough to clear the hose and the cup"),
                Say($"{PreFlowSeconds} s"),
                Source.CommonPractice,
                []
            ),
            new(
                "postFlowSeconds",
                Say($"A second for each 10 A"),
                Say($"{amps}, at least 5 s: the tungsten must cool under gas"),
                Say($"{PostFlowSeconds(amps)} s"),
                Source.CommonPractice,
                ["amps"]
            ),
        ];

    private static Reason[] AcReasons(int frequency) =>
        [
            new(
                "balancePercent",
                Say($"Mostly on minus"),
                Say($"65 to 75 % on minus: enough cleaning, and the tungsten keeps its point; less when black specks stay in the puddle"),
                Say($"{BalancePercent} %"),
                Source.CommonPractice,
                []
            ),
            new(
                "frequencyHz",
                Say($"Frequency by plate"),
                Say($"80 to 120 Hz; higher holds the arc narrower on thin sheet"),
                Say($"{frequency} Hz"),
                Source.CommonPractice,
                []
            ),
        ];

    private static TungstenRow Row(double mm, double dc, double ac, int cup) =>
        new(Length.FromMm(mm), Current.FromAmps(dc), Current.FromAmps(ac), cup);
}
