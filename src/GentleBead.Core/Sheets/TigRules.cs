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

    /// <summary>Tungstens, thinnest first.</summary>
    /// <remarks>
    /// DC minus: usual ranges by AWS A5.12 and ISO 6848, from memory. AC: about two thirds of that, from memory. Cups: common practice, no source.
    /// </remarks>
    public static IReadOnlyList<TungstenRow> Tungstens { get; } =
    [
        Row(1.0, 80, 60, 5),
        Row(1.6, 150, 110, 6),
        Row(2.4, 250, 180, 7),
        Row(3.2, 400, 260, 8),
        Row(4.0, 500, 325, 10),
    ];

    /// <summary>The thinnest tungsten that bears a current; null when none does.</summary>
    public static TungstenRow? TungstenFor(Current amps, bool ac) => Tungstens.FirstOrDefault(row => amps <= (ac ? row.MostAc : row.MostDc));

    /// <summary>What the pedal's maximum is set to, so that there is something in hand. Common practice, no source.</summary>
    public static Current PedalMost(Current amps) => Current.FromAmps(Math.Ceiling(amps.Amps + Math.Max(LeastInHand, ShareInHand * amps.Amps)));

    /// <summary>Filler rod by plate: about as thick as the sheet, 3.2 mm at the most. Common practice, no source.</summary>
    public static Length FillerFor(Length thickness) => Length.FromMm(thickness.Mm switch { < 1.2 => 1.0, < 2.5 => 1.6, < 5 => 2.4, _ => 3.2 });

    /// <summary>Travel to begin with, by plate: 60 + 120 / t mm/min; the puddle leads. Common practice, no source.</summary>
    public static TravelSpeed TravelFor(Length thickness) => TravelSpeed.FromMmPerMin(60 + 120 / Math.Max(0.5, thickness.Mm));

    /// <summary>Seconds of gas after the arc: one for each 10 A, at least 5. Common practice, no source.</summary>
    public static double PostFlowSeconds(Current amps) => Math.Max(5, Math.Ceiling(amps.Amps / 10));

    /// <summary>The settings of a TIG sheet without the machine's mark, with their reasons; a refusal when no tungsten bears the current.</summary>
    public static (TigSettings? Settings, Refusal? Refused) Settings(Job job, Current amps, List<Reason> reasons)
    {
        var ac = job.Process == Process.GtawAc;
        var pedal = PedalMost(amps);
        reasons.Add(new("pedalMost", "Something in hand under the pedal", $"{Show.Of(amps)} and {Show.Number(ShareInHand * 100)} % more, at least {Show.Number(LeastInHand)} A; without a pedal set {Show.Of(amps)} itself", Show.Of(pedal), Source.CommonPractice, ["amps"]));
        if (TungstenFor(pedal, ac) is not { } tungsten)
        {
            return (null, new Refusal("thickness", $"This plate and joint ask for {Show.Of(pedal)} of TIG: more than the tungstens here bear. Preheat, bevel and lay passes, or MIG.", RefusedFor.Tungsten));
        }
        var most = ac ? tungsten.MostAc : tungsten.MostDc;
        reasons.Add(new("tungsten", "Thinnest tungsten that bears it", $"{Show.Of(pedal)} on {(ac ? "AC" : "DC minus")}; this size bears up to {Show.Of(most)} (AWS A5.12, ISO 6848, from memory)", Show.Of(tungsten.Diameter), Source.Published, ["pedalMost"]));
        reasons.Add(new("cup", "Cup by tungsten", $"{Show.Of(tungsten.Diameter)} tungsten; a bigger cup where the joint lets it in", $"No. {tungsten.Cup}, {Show.Number(tungsten.Cup * 25.4 / 16, "0.0")} mm bore", Source.CommonPractice, ["tungsten"]));
        var filler = FillerFor(job.Thinner);
        reasons.Add(new("filler", "Rod by plate", $"about as thick as the plate ({Show.Of(job.Thinner)}), 3.2 mm at the most", Show.Of(filler), Source.CommonPractice, []));
        var after = PostFlowSeconds(amps);
        reasons.Add(new("preFlowSeconds", "Gas before the arc", "enough to clear the hose and the cup", "0.5 s", Source.CommonPractice, []));
        reasons.Add(new("postFlowSeconds", "A second for each 10 A", $"{Show.Of(amps)}, at least 5 s: the tungsten must cool under gas", $"{Show.Number(after)} s", Source.CommonPractice, ["amps"]));
        int? balance = ac ? 70 : null;
        int? frequency = ac ? (job.Thinner.Mm < 2 ? 120 : 100) : null;
        if (ac)
        {
            reasons.Add(new("balancePercent", "Mostly on minus", "65 to 75 % on minus: enough cleaning, and the tungsten keeps its point; less when black specks stay in the puddle", "70 %", Source.CommonPractice, []));
            reasons.Add(new("frequencyHz", "Frequency by plate", "80 to 120 Hz; higher holds the arc narrower on thin sheet", $"{frequency} Hz", Source.CommonPractice, []));
        }
        var thin = job.Thinner.Mm < 1.5;
        return (new TigSettings
        {
            PedalMost = pedal,
            Mark = null,
            Tungsten = tungsten.Diameter,
            TungstenClass = ac ? "lanthanated WLa 15, gold, or ceriated WCe 20, grey" : "lanthanated WLa 15, gold; thoriated WTh 20, red, is radioactive: its dust is not for lungs",
            Grind = ac
                ? "short taper, as long as the tungsten is thick, end flattened to a third of it"
                : $"lengthwise, taper {Show.Number(tungsten.Diameter.Mm * 2.5, "0.#")} mm long, tip flattened a touch (0.2 mm)",
            Cup = tungsten.Cup,
            Filler = filler,
            PreFlowSeconds = 0.5,
            PostFlowSeconds = after,
            BalancePercent = balance,
            FrequencyHz = frequency,
            Pulse = thin ? $"To begin with: 1.5 pulses a second, 40 % of the time at {Show.Of(amps * 1.3)}, {Show.Of(amps * 0.4)} between." : "",
            Start = ac ? "High frequency; keep pacemakers and screens away." : "High frequency, or lift where electronics stand near.",
        }, null);
    }

    private static TungstenRow Row(double mm, double dc, double ac, int cup) => new(Length.FromMm(mm), Current.FromAmps(dc), Current.FromAmps(ac), cup);
}
