using GentleBead.Core.Calculators;

namespace GentleBead.Core.Tests.Calculators;

public class CalculatorTests
{
    private static readonly Dictionary<string, string> Steel = new()
    {
        ["wire"] = "solid12",
        ["process"] = "gmawShortCircuit",
        ["metal"] = "mildSteel",
        ["shape"] = "onPlate",
    };

    private static Calculator Named(string key) => CalculatorList.All.Single(calculator => calculator.Key == key);

    private static double Run(string key, Dictionary<string, double> numbers, int result = 0)
    {
        var worked = Named(key).Run(numbers, Steel);
        Assert.Empty(worked.Problems);
        return worked.Value![result].Value;
    }

    // A metre of 6 mm fillet by hand: 19.8 mm2 over 1.131 mm2 x 0.93 of wire: at 6 m/min 319 mm/min. And back.
    [Fact]
    public void Travel_leg_and_wire_each_from_the_other_two()
    {
        Assert.Equal(318.7, Run("deposit", new() { ["wireFeedMPerMin"] = 6, ["legMm"] = 6 }), 0.1);
        Assert.Equal(6, Run("deposit", new() { ["wireFeedMPerMin"] = 6, ["travelMmPerMin"] = 318.7 }), 0.001);
        Assert.Equal(6, Run("deposit", new() { ["legMm"] = 6, ["travelMmPerMin"] = 318.7 }), 0.001);
    }

    // Geometry: throat = 0.707 leg.
    [Fact]
    public void Leg_and_throat()
    {
        Assert.Equal(7.071, Run("throat", new() { ["legMm"] = 10 }), 0.001);
        Assert.Equal(10, Run("throat", new() { ["throatMm"] = 7.0711 }), 0.001);
    }

    // Common practice, no source: 125 in/min of 0.045 in wire draw 125 A; a stick-out of 19 mm draws less at the same wire speed.
    [Fact]
    public void Amps_wire_and_stick_out()
    {
        var usual = Run("burnoff", new() { ["wireFeedMPerMin"] = 125 * 0.0254, ["stickOutMm"] = 10 });
        Assert.Equal(125, usual, 1e-6);
        Assert.InRange(Run("burnoff", new() { ["wireFeedMPerMin"] = 125 * 0.0254, ["stickOutMm"] = 19 }), usual * 0.8, usual * 0.95);
        Assert.Equal(125 * 0.0254, Run("burnoff", new() { ["amps"] = 125, ["stickOutMm"] = 10 }), 1e-9);
    }

    // 20 V, 150 A, 300 mm/min: 0.48 kJ/mm by EN 1011-1, 0.6 by AWS D1.1; and the travel back from the heat.
    [Fact]
    public void Heat_both_ways()
    {
        Assert.Equal(
            0.48,
            Run(
                "heat",
                new()
                {
                    ["volts"] = 20,
                    ["amps"] = 150,
                    ["travelMmPerMin"] = 300,
                }
            ),
            1e-9
        );
        Assert.Equal(
            0.6,
            Run(
                "heat",
                new()
                {
                    ["volts"] = 20,
                    ["amps"] = 150,
                    ["travelMmPerMin"] = 300,
                },
                1
            ),
            1e-9
        );
        Assert.Equal(
            300,
            Run(
                "heat",
                new()
                {
                    ["volts"] = 20,
                    ["amps"] = 150,
                    ["heatKJPerMm"] = 0.48,
                }
            ),
            1e-9
        );
    }

    // By hand: 0.4 kJ/mm x 100 mm = 40 kJ into 150 x 100 x 3 mm of steel, 353 g at 490 J/(kg K): 231 K.
    // Newton: 2 x 20 / (7850 x 490 x 0.003) = 0.003466 a second; ln(231 / 15) / 0.003466 = 789 s.
    [Fact]
    public void Waiting_between_beads()
    {
        Dictionary<string, double> coupon = new()
        {
            ["heatKJPerMm"] = 0.4,
            ["beadMm"] = 100,
            ["lengthMm"] = 150,
            ["widthMm"] = 100,
            ["thicknessMm"] = 3,
        };
        Assert.InRange(Run("wait", coupon), 230.5, 231.5);
        Assert.InRange(Run("wait", coupon, 1), 788, 790);
        Assert.InRange(Run("wait", coupon, 2), 5, 30);
        Assert.Equal(0, Run("wait", new(coupon) { ["thicknessMm"] = 60 }, 1));
    }

    [Fact]
    public void Consumption_duty_bottle_and_ruler()
    {
        Dictionary<string, double> bead = new()
        {
            ["beadMm"] = 150,
            ["travelMmPerMin"] = 300,
            ["wireFeedMPerMin"] = 6,
            ["gasLPerMin"] = 12,
        };
        Assert.Equal(30, Run("consumption", bead), 1e-9);
        Assert.Equal(3, Run("consumption", bead, 1), 1e-9);
        // 1.2 mm steel wire weighs 8.88 g a metre.
        Assert.Equal(26.6, Run("consumption", bead, 2), 0.05);
        Assert.Equal(6, Run("consumption", bead, 3), 1e-9);
        Assert.Equal(
            25.6,
            Run(
                "duty",
                new()
                {
                    ["ratedAmps"] = 200,
                    ["ratedPercent"] = 40,
                    ["amps"] = 250,
                }
            ),
            1e-9
        );
        Assert.Equal(
            126.5,
            Run(
                "duty",
                new()
                {
                    ["ratedAmps"] = 200,
                    ["ratedPercent"] = 40,
                    ["percent"] = 100,
                }
            ),
            0.05
        );
        Assert.Equal(
            11_500,
            Run(
                "bottle",
                new()
                {
                    ["litres"] = 50,
                    ["bar"] = 230,
                    ["gasLPerMin"] = 12,
                }
            ),
            1e-9
        );
        // Common practice, no source: six seconds, inches times ten: 25 in make 250 in/min.
        Assert.Equal(250 * 0.0254, Run("ruler", new() { ["seconds"] = 6, ["lengthMm"] = 25 * 25.4 }), 1e-9);
    }

    // AWS Welding Handbook (value from memory): 0.045 in steel goes into spray at 220 A, under argon-rich gas.
    [Fact]
    public void Transfer_mode_with_what_bounds_it()
    {
        var picks = new Dictionary<string, string>(Steel) { ["gas"] = "argonOxygen2" };
        var results = Named("mode").Run(new Dictionary<string, double> { ["amps"] = 240, ["volts"] = 26 }, picks).Value!;
        Assert.Equal(["Runs in MIG spray", "Spray begins at", "Short circuit up to"], results.Select(result => result.Label.ToString()));
        Assert.Equal(220, results[1].Value);
        Assert.Equal(
            "Runs in MIG globular",
            Named("mode")
                .Run(
                    new Dictionary<string, double> { ["amps"] = 240, ["volts"] = 27 },
                    new Dictionary<string, string>(picks) { ["gas"] = "argonCarbon25" }
                )
                .Value![0]
                .Label.ToString()
        );
    }

    [Fact]
    public void What_is_wrong_is_told_at_its_field()
    {
        var both = Named("throat").Run(new Dictionary<string, double>(), Steel);
        Assert.Null(both.Value);
        Assert.Equal("Leave only one of these empty.", both.Problems.ByField()["legMm"]);
        var none = Named("throat").Run(new Dictionary<string, double> { ["legMm"] = 5, ["throatMm"] = 3 }, Steel).Problems.ByField();
        Assert.Contains("Leave one of these empty", none["throatMm"], StringComparison.Ordinal);
        var outside = Named("ruler").Run(new Dictionary<string, double> { ["seconds"] = 0, ["lengthMm"] = double.NaN }, Steel).Problems;
        Assert.Equal("From 1 s to 120 s.", outside.ByField()["seconds"]);
        Assert.Equal("From 10.0 mm to 30000.0 mm.", outside.ByField()["lengthMm"]);
        Assert.Equal("From 0.394 in to 1181.102 in.", outside.Single(problem => problem.Field == "lengthMm").Said.In(Units.Inch));
        var rope = Named("deposit")
            .Run(
                new Dictionary<string, double> { ["legMm"] = 5, ["travelMmPerMin"] = 300 },
                new Dictionary<string, string> { ["wire"] = "rope" }
            );
        Assert.Equal(["wire", "process"], rope.Problems.Select(problem => problem.Field));
    }

    [Fact]
    public void Every_pick_of_every_calculator_can_be_worked()
    {
        foreach (var calculator in CalculatorList.All)
        {
            var picks = calculator.Fields.Where(field => field.Kind is null).ToArray();
            foreach (var field in picks)
            {
                foreach (var pick in field.Picks)
                {
                    var chosen = picks.ToDictionary(other => other.Key, other => other == field ? pick.Value : other.Picks[0].Value);
                    foreach (var open in calculator.Fields.Where(other => other.Solved).Select(other => other.Key).DefaultIfEmpty(""))
                    {
                        var numbers = calculator
                            .Fields.Where(other => other.Kind is not null && other.Key != open)
                            .ToDictionary(other => other.Key, other => Math.Max(other.Low, Math.Min(other.High, 20)));
                        var worked = calculator.Run(numbers, chosen);
                        Assert.Empty(worked.Problems);
                        Assert.All(
                            worked.Value!,
                            result => Assert.True(double.IsFinite(result.Value), $"{calculator.Key} {pick.Value} {result.Label}")
                        );
                    }
                }
            }
        }
    }
}
