using GentleBead.Core.Rules;
using GentleBead.Core.Sessions;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Demo;

/// <summary>
/// The second room's term up to now. Mornings: fourteen begin together on eight MIG booths, by turns; most come along, Bryn stays hot,
/// Hale hurries, Kaya was away for two weeks, and whoever stands at booth 6 gets less wire than they set. Saturdays: T-joints for a test.
/// </summary>
public static class DemoHallTerm
{
    // Twice a week, none of them within a day of the evening that runs: what is on tonight is on in the loft.
    private static readonly int[] MorningsAgo = [17, 15, 10, 8, 3, 1];
    private static readonly int[] MorningsAhead = [4, 6, 11, 13];
    private const int Saturdays = 3;
    private const int SaturdaysAhead = 4;

    private static readonly TimeOnly Morning = new(9, 0);
    private static readonly TimeOnly TestDay = new(13, 0);
    private static readonly int[] MigBooths = [1, 2, 3, 4, 5, 6, 7, 8];

    // How far a hand strays at first: wire, volts, travel; and what of it is left after each session.
    private static readonly Dictionary<string, (double Wire, double Volts, double Travel, double Keeps)> Hands = new()
    {
        ["anouk"] = (1.30, -1.2, 1.0, 0.45),
        ["bryn"] = (1.28, 1.6, 0.8, 0.97),
        ["cleo"] = (0.75, 0.0, 1.0, 0.6),
        ["dario"] = (1.0, -1.8, 1.0, 0.7),
        ["edda"] = (1.0, 0.0, 1.5, 0.6),
        ["fenno"] = (0.8, -1.0, 1.1, 0.7),
        ["greta"] = (1.05, 0.3, 1.0, 0.4),
        ["hale"] = (1.0, 0.0, 1.6, 0.96),
        ["imre"] = (1.2, 0.8, 0.9, 0.65),
        ["jorun"] = (0.7, -1.5, 1.2, 0.75),
        ["kaya"] = (1.15, -0.6, 1.2, 0.8),
        ["lorcan"] = (0.9, 1.2, 1.3, 0.7),
        ["mirthe"] = (1.0, 0.5, 1.0, 0.5),
        ["nico"] = (1.35, 0.0, 0.85, 0.72),
    };

    private static readonly (string Thickness, Joint Joint, Position Position)[] MorningJobs =
    [
        ("1/8", Joint.BeadOnPlate, Position.Flat),
        ("1/8", Joint.BeadOnPlate, Position.Flat),
        ("1/8", Joint.BeadOnPlate, Position.Flat),
        ("1/8", Joint.Lap, Position.Horizontal),
        ("1/8", Joint.Lap, Position.Horizontal),
        ("1/8", Joint.T, Position.Horizontal),
    ];

    /// <summary>The mornings that were.</summary>
    /// <param name="now">The moment the story has reached.</param>
    public static IReadOnlyList<DemoEvening> Mornings(DateTimeOffset now) =>
        [.. MorningsAgo.Select((days, number) => Session(Day(now, -days), Morning, number, StudentsOn(number), MorningJobs[number], now))];

    /// <summary>The Saturdays that were.</summary>
    /// <param name="now">The moment the story has reached.</param>
    public static IReadOnlyList<DemoEvening> SaturdaysBefore(DateTimeOffset now) =>
        [
            .. Enumerable
                .Range(0, Saturdays)
                .Select(number =>
                    Session(
                        LastSaturday(now).AddDays(-7 * (Saturdays - 1 - number)),
                        TestDay,
                        number + 2,
                        DemoHall.Saturday.Students,
                        ("1/8", Joint.T, Position.Horizontal),
                        now
                    )
                ),
        ];

    /// <summary>The mornings to come.</summary>
    public static IReadOnlyList<Stretch> MorningsToCome(DateTimeOffset now) =>
        [.. MorningsAhead.Select(days => Hours(Day(now, days), Morning))];

    /// <summary>The Saturdays to come.</summary>
    public static IReadOnlyList<Stretch> SaturdaysToCome(DateTimeOffset now) =>
        [.. Enumerable.Range(2, SaturdaysAhead).Select(week => Hours(LastSaturday(now).AddDays(7 * week), TestDay))];

    // Eight of fourteen, by turns; Kaya was away for the third to the fifth.
    private static IReadOnlyList<string> StudentsOn(int number) =>
        [
            .. DemoHall
                .Morning.Students.Select((login, i) => (login, Turn: (i + 14 - number * 6 % 14) % 14))
                .Where(one => one.login != "kaya" || number is < 2 or > 4)
                .OrderBy(one => one.Turn)
                .Take(MigBooths.Length)
                .Select(one => one.login),
        ];

    private static DateOnly Day(DateTimeOffset now, int days) => DateOnly.FromDateTime(now.AddDays(days).DateTime);

    // The last that is well over: what is on tonight is on in the loft.
    private static DateOnly LastSaturday(DateTimeOffset now)
    {
        var day = Day(now, -2);
        while (day.DayOfWeek != DayOfWeek.Saturday)
            day = day.AddDays(-1);
        return day;
    }

    private static Stretch Hours(DateOnly day, TimeOnly begins) => new(day, begins, begins.AddHours(3));

    private static DemoEvening Session(
        DateOnly day,
        TimeOnly begins,
        int number,
        IReadOnlyList<string> students,
        (string Thickness, Joint Joint, Position Position) job,
        DateTimeOffset now
    )
    {
        var begin = new DateTimeOffset(day.ToDateTime(begins), now.Offset).AddMinutes(20);
        var places = MigBooths.Zip(students).ToDictionary(pair => pair.First, pair => pair.Second);
        return new DemoEvening(
            Hours(day, begins),
            places,
            [.. places.Select(place => Coupon(place.Key, place.Value, number, job, begin.AddMinutes(place.Key)))]
        );
    }

    private static DemoCoupon Coupon(
        int booth,
        string login,
        int number,
        (string Thickness, Joint Joint, Position Position) asked,
        DateTimeOffset begin
    )
    {
        var demo = DemoHall.Machines.First(machine => machine.Booth == booth);
        var job = new Job(Thickness.Parse(asked.Thickness), asked.Joint, asked.Position, demo.Machine.Load.Wire);
        var sheet = (Sheet)Planner.Plan(job, demo.Machine);
        return new DemoCoupon(
            booth,
            login,
            sheet,
            begin,
            [
                .. Enumerable
                    .Range(0, 3)
                    .Select(bead => DemoTerm.Weld(demo, sheet, HabitOf(login, number, bead), begin.AddMinutes(10 + 7 * bead))),
            ]
        );
    }

    private static DemoTerm.Habit HabitOf(string login, int number, int bead)
    {
        // Who came for Saturdays alone can weld already.
        var (wire, volts, travel, keeps) = Hands.GetValueOrDefault(login, (1.08, 0.4, 1.05, 0.5));
        var left = Math.Pow(keeps, number + bead / 3.0);
        return new(1 + (wire - 1) * left, volts * left, 1 + (travel - 1) * left, Wanders: left > 0.6 && bead == 0);
    }
}
