using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sessions;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Demo;

/// <summary>One bead of the story.</summary>
public sealed record DemoBead(double WireMark, double VoltMark, Settings Believed, Evidence Evidence, DateTimeOffset At);

/// <summary>One coupon of the story.</summary>
public sealed record DemoCoupon(int Booth, string Login, Sheet Sheet, DateTimeOffset AssignedAt, IReadOnlyList<DemoBead> Beads);

/// <summary>One evening: who stands where, and what is welded.</summary>
public sealed record DemoEvening(Stretch Hours, IReadOnlyDictionary<int, string> Places, IReadOnlyList<DemoCoupon> Coupons);

/// <summary>
/// Three weeks of beads that tell a story: Ilsa gets better every evening, Teodor is always cold, and whoever stands
/// at booth 3 hisses on the right marks because its display shows more wire than it feeds.
/// </summary>
public static class DemoTerm
{
    private static readonly int[] DaysAgo = [21, 19, 14, 12, 7, 5, 0];

    /// <summary>How far a student's hand strays from the sheet on one bead: shares of wire and travel, volts over the sheet.</summary>
    internal readonly record struct Habit(double Wire, double Volts, double Travel, bool Wanders);

    // How somebody welds, by evening (0 first) and bead on the coupon (0 first).
    private static readonly Dictionary<string, Func<int, int, Habit>> Habits = new()
    {
        ["ilsa"] = (evening, bead) =>
            evening switch
            {
                0 => new(1.35 - 0.1 * bead, -1.5, 1, true),
                1 => new(1.25 - 0.1 * bead, -1.0, 1, true),
                2 => new(0.85 + 0.08 * bead, 0, 1.2, true),
                3 => new(1.0, 0, 1.35 - 0.2 * bead, bead == 0),
                4 => new(1.0, 0, 1.0, bead == 0),
                5 => new(1.0, 0, 1.0, false),
                _ => new(1.02, bead == 0 ? -2.6 : 0, 1, false),
            },
        ["teodor"] = (evening, bead) => new(0.68 + 0.02 * evening + 0.02 * bead, -1.4, 1.1, false),
        ["wynn"] = (_, bead) => new(1.0, 0.6, 1, bead == 2),
        ["jun"] = (evening, bead) => new(1.0, 0, bead == 0 ? 1.5 - 0.05 * evening : 1, false),
        ["petra"] = (evening, bead) => new(1.22 - 0.03 * evening, 1.4 - 0.3 * bead, 0.9, false),
        ["odell"] = (evening, bead) => new(1.0, 0.2 * bead, 1, evening % 2 == 0 && bead < 2),
    };

    private static readonly (string Thickness, Joint Joint, Position Position)[] Jobs =
    [
        ("1/8", Joint.BeadOnPlate, Position.Flat),
        ("11 ga", Joint.BeadOnPlate, Position.Horizontal),
        ("1/8", Joint.Lap, Position.Flat),
        ("3.2", Joint.OutsideCorner, Position.Flat),
        ("1/8", Joint.T, Position.Flat),
        ("0.125 in", Joint.T, Position.Horizontal),
        ("1/8", Joint.T, Position.Horizontal),
    ];

    // Booth 4 has gone on to thicker plate with the wire it has: in passes, at the wire's own top.
    private const int ThickBooth = 4;
    private const int ThickFrom = 5;
    private static readonly (string Thickness, Joint Joint, Position Position) ThickJob = ("1/4", Joint.T, Position.Horizontal);

    /// <summary>The term up to now, the last evening still going on.</summary>
    /// <param name="now">The moment the story has reached.</param>
    public static IReadOnlyList<DemoEvening> Tell(DateTimeOffset now) =>
        [.. DaysAgo.Select((days, evening) => Evening(now.AddDays(-days), evening))];

    private static DemoEvening Evening(DateTimeOffset end, int evening)
    {
        var tonight = evening == DaysAgo.Length - 1;
        // Six students, four booths: two stand out each evening, by turns.
        var places = new Dictionary<int, string>
        {
            [1] = evening % 3 == 1 ? "odell" : "ilsa",
            [2] = "teodor",
            [3] = evening % 2 == 0 ? "wynn" : "odell",
            [4] = evening % 2 == 0 ? "jun" : "petra",
        };
        if (evening % 3 == 1 && evening % 2 == 1)
            places[3] = "wynn";
        var coupons = places.Select(place =>
            Coupon(
                place.Key,
                place.Value,
                evening,
                end,
                beads: !tonight ? 3
                    : place.Key == 4 ? 0
                    : 2
            )
        );
        return new DemoEvening(Hours(end), places, [.. coupons]);
    }

    // Begun an hour before the story's moment, but on the same day: an evening that goes on at midnight is still today's.
    private static Stretch Hours(DateTimeOffset end)
    {
        var begins = new TimeOnly(Math.Max(0, end.Hour - 1), end.Hour == 0 ? 0 : end.Minute / 5 * 5);
        return new Stretch(DateOnly.FromDateTime(end.DateTime), begins, begins.AddHours(3));
    }

    private static DemoCoupon Coupon(int booth, string login, int evening, DateTimeOffset end, int beads)
    {
        var demo = DemoSchool.Machines[booth - 1];
        var (thickness, joint, position) = booth == ThickBooth && evening >= ThickFrom ? ThickJob : Jobs[evening];
        var job = new Job(Thickness.Parse(thickness), joint, position, demo.Machine.Load.Wire);
        var sheet = (Sheet)Planner.Plan(job, demo.Machine);
        var begin = end.AddMinutes(-50 + booth);
        return new DemoCoupon(
            booth,
            login,
            sheet,
            begin,
            [.. Enumerable.Range(0, beads).Select(bead => Weld(demo, sheet, Habits[login](evening, bead), begin.AddMinutes(8 + 9 * bead)))]
        );
    }

    /// <summary>Lays one bead.</summary>
    internal static DemoBead Weld(DemoMachine demo, Sheet sheet, Habit habit, DateTimeOffset at)
    {
        var machine = demo.Machine;
        Dials.TryFit(machine, out var dials, out _);
        var pair = sheet.RequirePair();
        var wireMark = dials!.WireMarkFor(pair.WireFeed * habit.Wire).Mark;
        var voltMark = dials.VoltMarkFor(Voltage.FromVolts(pair.Volts.Aim.Volts + habit.Volts), wireMark).Mark;
        var believed = machine.Read(wireMark, voltMark, null, null).Value!;
        return new DemoBead(
            wireMark,
            voltMark,
            believed,
            DemoEye.See(sheet, believed with { WireFeed = believed.WireFeed * demo.TrueWireShare }, habit.Travel, habit.Wanders),
            at
        );
    }
}
