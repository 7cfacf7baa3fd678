using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using static GentleBead.Core.Calculators.NumberKind;
using Gas = GentleBead.Core.Stock.Gas;

namespace GentleBead.Core.Calculators;

/// <summary>The quick calculators: the sheet's arithmetic, usable both ways.</summary>
public static class CalculatorList
{
    private static readonly CalculatorField WireField = Choose(
        "wire",
        Say($"Wire"),
        Wires.All.Select(row => (row.Wire, Say($"{row.Name} {row.Kind.Words()}")))
    );
    private static readonly CalculatorField ProcessField = Choose(
        "process",
        Say($"Process"),
        Processes.All.Select(row => (row.Process, row.Name))
    );
    private static readonly CalculatorField WireProcessField = Choose(
        "process",
        Say($"Process"),
        Processes.All.Where(row => row.FeedsWire).Select(row => (row.Process, row.Name))
    );
    private static readonly CalculatorField MetalField = Choose("metal", Say($"Metal"), Metals.All.Select(row => (row.Metal, row.Name)));

    /// <summary>Every calculator.</summary>
    public static IReadOnlyList<Calculator> All { get; } =
    [
        new(
            "deposit",
            Say($"Travel, leg and wire"),
            Say($"Metal in is metal down: leave one of the three empty."),
            [
                WireField,
                WireProcessField,
                Solve("wireFeedMPerMin", Say($"Wire feed speed"), WireFeed, 0.5, 30),
                Solve("travelMmPerMin", Say($"Travel speed"), Travel, 20, 3000),
                Solve("legMm", Say($"Leg"), NumberKind.Length, 1, 25),
            ],
            MetalDown
        ),
        new(
            "throat",
            Say($"Leg and throat"),
            Say($"An equal-legged fillet: leave one empty."),
            [Solve("legMm", Say($"Leg"), NumberKind.Length, 0.5, 50), Solve("throatMm", Say($"Throat"), NumberKind.Length, 0.3, 40)],
            given =>
                given.Missing == "throatMm"
                    ? [new(Say($"Throat"), NumberKind.Length, Fillet.Throat(Mm(given["legMm"])).Mm, Say($"{Mm(given["legMm"])} / √2"))]
                    : [new(Say($"Leg"), NumberKind.Length, given["throatMm"] * Math.Sqrt(2), Say($"{Mm(given["throatMm"])} x √2"))]
        ),
        new(
            "burnoff",
            Say($"Amps, wire and stick-out"),
            Say($"What a wire speed draws, or what a current burns off: leave one of the two empty."),
            [
                WireField,
                WireProcessField,
                Solve("amps", Say($"Amps"), Amps, 10, 500),
                Solve("wireFeedMPerMin", Say($"Wire feed speed"), WireFeed, 0.5, 30),
                Need("stickOutMm", Say($"Stick-out"), NumberKind.Length, 4, 40),
            ],
            WireMelted
        ),
        new(
            "heat",
            Say($"Heat input, both ways of counting"),
            Say($"From volts, amps and travel; or leave travel empty and give the heat by EN 1011-1."),
            [
                ProcessField,
                Need("volts", Say($"Volts"), Volts, 5, 50),
                Need("amps", Say($"Amps"), Amps, 5, 600),
                Solve("travelMmPerMin", Say($"Travel speed"), Travel, 20, 3000),
                Solve("heatKJPerMm", Say($"Heat, EN 1011-1"), Heat, 0.01, 10),
            ],
            HeatBoth
        ),
        new(
            "mode",
            Say($"Transfer mode"),
            Say($"Which mode a solid wire runs in at these amps and volts, and where spray would begin."),
            [
                Choose(
                    "wire",
                    Say($"Wire"),
                    Wires
                        .All.Where(row => row.Kind is WireKind.SolidSteel or WireKind.Stainless or WireKind.Aluminium)
                        .Select(row => (row.Wire, Say($"{row.Name} {row.Kind.Words()}")))
                ),
                Choose("gas", Say($"Gas"), Gases.All.Where(row => row.Gas != Gas.None).Select(row => (row.Gas, row.Name))),
                Need("amps", Say($"Amps"), Amps, 10, 600),
                Need("volts", Say($"Volts"), Volts, 8, 50),
            ],
            Mode
        ),
        new(
            "cooling",
            Say($"Cooling time t8/5"),
            Say($"From 800 to 500 °C, EN 1011-2, from memory; unalloyed and low-alloy steel."),
            [
                Need("heatKJPerMm", Say($"Heat, EN 1011-1"), Heat, 0.01, 10),
                Need("thicknessMm", Say($"Plate thickness"), NumberKind.Length, 0.5, 100),
                Need("preheatC", Say($"Plate before"), Celsius, 0, 400),
                Choose(
                    "shape",
                    Say($"Weld"),
                    [
                        (CoolingShape.OnPlate, Say($"run on plate")),
                        (CoolingShape.Butt, Say($"butt, between runs")),
                        (CoolingShape.Corner, Say($"corner fillet")),
                        (CoolingShape.Tee, Say($"T fillet")),
                    ]
                ),
            ],
            CoolingTime
        ),
        new(
            "wait",
            Say($"Wait or quench between beads"),
            Say($"So that the next bead meets as cold a plate as the last."),
            [
                MetalField,
                Need("heatKJPerMm", Say($"Heat, EN 1011-1"), Heat, 0.01, 10),
                Need("beadMm", Say($"Bead length"), NumberKind.Length, 5, 2000),
                Need("lengthMm", Say($"Coupon length"), NumberKind.Length, 20, 3000),
                Need("widthMm", Say($"Coupon width"), NumberKind.Length, 10, 2000),
                Need("thicknessMm", Say($"Coupon thickness"), NumberKind.Length, 0.5, 100),
            ],
            Waiting
        ),
        new(
            "consumption",
            Say($"Gas, wire and arc time of a bead"),
            Say($"What a bead costs."),
            [
                WireField,
                Need("beadMm", Say($"Bead length"), NumberKind.Length, 5, 10000),
                Need("travelMmPerMin", Say($"Travel speed"), Travel, 20, 3000),
                Need("wireFeedMPerMin", Say($"Wire feed speed"), WireFeed, 0.5, 30),
                Need("gasLPerMin", Say($"Gas flow"), NumberKind.Gas, 0, 40),
            ],
            Consumption
        ),
        new(
            "duty",
            Say($"Duty cycle at other amps"),
            Say($"From the rating plate; leave amps or duty empty."),
            [
                Need("ratedAmps", Say($"Rated amps"), Amps, 10, 1000),
                Need("ratedPercent", Say($"Rated duty"), Percent, 5, 100),
                Solve("amps", Say($"Amps"), Amps, 10, 1000),
                Solve("percent", Say($"Duty"), Percent, 5, 100),
            ],
            Duty
        ),
        new(
            "bottle",
            Say($"Gas left"),
            Say($"Litres in the bottle and hours of arc at this flow."),
            [
                Need("litres", Say($"Water volume"), Litres, 1, 200),
                Need("bar", Say($"Pressure"), Bar, 0, 400),
                Need("gasLPerMin", Say($"Gas flow"), NumberKind.Gas, 1, 40),
            ],
            given =>
                [
                    new(
                        Say($"Gas"),
                        Litres,
                        Bottle.Litres(given["litres"], given["bar"]),
                        Say($"{N(given["litres"])} L x {N(given["bar"])} bar (ideal gas)")
                    ),
                    new(
                        Say($"Arc time left"),
                        Hours,
                        Bottle.HoursLeft(given["litres"], given["bar"], GasFlow.FromLPerMin(given["gasLPerMin"])),
                        Say($"down to {N(Bottle.EmptyBar)} bar, at {GasFlow.FromLPerMin(given["gasLPerMin"])}")
                    ),
                ]
        ),
        new(
            "ruler",
            Say($"Ruler and watch"),
            Say($"Run the wire, measure it: what the ruler says wins over what the display says."),
            [Need("seconds", Say($"Seconds"), Seconds, 1, 120), Need("lengthMm", Say($"Length of wire"), NumberKind.Length, 10, 30000)],
            given =>
                [
                    new(
                        Say($"Wire feed speed"),
                        WireFeed,
                        given["lengthMm"] / given["seconds"] * 60 / 1000,
                        Say($"{Mm(given["lengthMm"]):run} / {N(given["seconds"])} s x 60")
                    ),
                ]
        ),
    ];

    private static IReadOnlyList<CalculatorResult> MetalDown(CalculatorValues given)
    {
        var wire = given.Pick<Wire>("wire");
        var kept = given.Pick<Process>("process").Facts().DepositShare;
        var area = wire.Facts().AreaMm2;
        switch (given.Missing)
        {
            case "travelMmPerMin":
                var fillet = Fillet.Area(Mm(given["legMm"]));
                return
                [
                    new(
                        Say($"Travel speed"),
                        Travel,
                        Deposit.TravelFor(fillet, Feed(given), wire, kept).MmPerMin,
                        Say($"{area.Mm2()} of wire x {Feed(given):run} x {N(kept)} / {fillet.Mm2()} of fillet")
                    ),
                ];
            case "legMm":
                var laid = Deposit.BeadArea(Feed(given), wire, TravelSpeed.FromMmPerMin(given["travelMmPerMin"]), kept);
                var leg = Fillet.Leg(laid);
                return
                [
                    new(Say($"Leg"), NumberKind.Length, leg.Mm, Say($"{laid.Mm2()} laid down; leg = √(2 x area / 1.1)")),
                    new(Say($"Throat"), NumberKind.Length, Fillet.Throat(leg).Mm, Say($"leg / √2")),
                ];
            default:
                var wanted = Fillet.Area(Mm(given["legMm"])) * given["travelMmPerMin"];
                return
                [
                    new(
                        Say($"Wire feed speed"),
                        WireFeed,
                        wanted / (area * kept) / 1000,
                        Say($"{wanted.Mm3()}/min over {area.Mm2()} of wire, {N(kept)} kept")
                    ),
                ];
        }
    }

    private static IReadOnlyList<CalculatorResult> WireMelted(CalculatorValues given)
    {
        var arc = new WireArc(given.Pick<Process>("process"), given.Pick<Wire>("wire"), Gas.ArgonCarbon25);
        var wire = arc.Wire.Facts();
        var stickOut = Mm(given["stickOutMm"]);
        // The trade's factor belongs to the usual stick-out; the melting rate says what another one changes.
        var usual = Melting.AppliesTo(arc.Process, wire) ? Melting.SprayStickOut : Mm(Math.Clamp(10 * wire.Diameter.Mm, 6, 10));
        if (given.Missing == "amps")
        {
            var feed = Feed(given);
            var amps = BurnOff.AmpsFor(feed, arc) * (Melting.Amps(feed, stickOut, wire) / Melting.Amps(feed, usual, wire));
            return [new(Say($"Amps"), Amps, amps.Amps, Say($"{feed} at {stickOut}; a longer stick-out heats the wire and draws less"))];
        }
        var current = Current.FromAmps(given["amps"]);
        var burnt =
            BurnOff.WireFeedFor(current, arc) * (Melting.WireFeed(current, stickOut, wire) / Melting.WireFeed(current, usual, wire));
        return [new(Say($"Wire feed speed"), WireFeed, burnt.MPerMin, Say($"{current} at {stickOut}; a longer stick-out burns off more"))];
    }

    private static IReadOnlyList<CalculatorResult> HeatBoth(CalculatorValues given)
    {
        var share = given.Pick<Process>("process").Facts().ArcShare;
        var (volts, amps) = (Voltage.FromVolts(given["volts"]), Current.FromAmps(given["amps"]));
        if (given.Missing == "travelMmPerMin")
        {
            return
            [
                new(
                    Say($"Travel speed"),
                    Travel,
                    share * given["volts"] * given["amps"] * 60 / (given["heatKJPerMm"] * 1000),
                    Say($"{N(share)} x {N(given["volts"])} V x {N(given["amps"])} A x 60 / {HeatInput.FromKJPerMm(given["heatKJPerMm"])}")
                ),
            ];
        }
        var travel = TravelSpeed.FromMmPerMin(given["travelMmPerMin"]);
        var working = Say($"{volts} x {amps} over {travel}");
        return
        [
            new(Say($"EN 1011-1"), Heat, ArcHeat.En(volts, amps, travel, share).KJPerMm, Say($"{N(share)} x {working}")),
            new(Say($"AWS D1.1"), Heat, ArcHeat.Aws(volts, amps, travel).KJPerMm, Say($"60 x {working}; all of the arc's energy counted")),
        ];
    }

    private static List<CalculatorResult> Mode(CalculatorValues given)
    {
        var (wire, gas) = (given.Pick<Wire>("wire").Facts(), given.Pick<Gas>("gas").Facts());
        var (amps, volts) = (Current.FromAmps(given["amps"]), Voltage.FromVolts(given["volts"]));
        var mode = TransferModes.Of(amps, volts, wire.Wire, gas.Gas)!.Value.Facts();
        var results = new List<CalculatorResult> { new(Say($"Runs in {mode.Name}"), Amps, amps.Amps, mode.Sound) };
        if (wire.RangeIn(Process.GmawSpray) is { } spray)
        {
            results.Add(
                new(
                    Say($"Spray begins at"),
                    Amps,
                    spray.UsualLow.Amps,
                    gas.CarbonPercent > 20
                        ? Say($"AWS Welding Handbook, from memory; under {gas.Name} it never comes")
                        : Say($"AWS Welding Handbook, from memory; in argon with 1 to 2 % O₂, a little more with CO₂")
                )
            );
        }
        if (wire.RangeIn(Process.GmawShortCircuit) is not null)
        {
            var dip = VoltLine.Of(Process.GmawShortCircuit, wire);
            results.Add(
                new(
                    Say($"Short circuit up to"),
                    Volts,
                    dip.Base + dip.Slope * amps.Amps + dip.Above + VoltLine.GasVolts(Process.GmawShortCircuit, gas.Gas),
                    Say($"top of the smooth band at these amps; between that and spray the drops are big")
                )
            );
        }
        return results;
    }

    private static IReadOnlyList<CalculatorResult> CoolingTime(CalculatorValues given)
    {
        var (seconds, thick, transition) = Cooling.T85(
            HeatInput.FromKJPerMm(given["heatKJPerMm"]),
            Mm(given["thicknessMm"]),
            given["preheatC"],
            given.Pick<CoolingShape>("shape")
        );
        return
        [
            new(
                Say($"t8/5"),
                Seconds,
                seconds,
                thick ? Say($"heat flows three ways: thickness no longer matters") : Say($"heat flows two ways: thinner cools slower")
            ),
            new(Say($"Changes over at"), NumberKind.Length, transition.Mm, Say($"transition thickness at this heat")),
        ];
    }

    private static IReadOnlyList<CalculatorResult> Waiting(CalculatorValues given)
    {
        var (rise, wait, quench) = Cooling.Wait(
            HeatInput.FromKJPerMm(given["heatKJPerMm"]),
            Mm(given["beadMm"]),
            Mm(given["lengthMm"]),
            Mm(given["widthMm"]),
            Mm(given["thicknessMm"]),
            given.Pick<Metal>("metal")
        );
        return
        [
            new(Say($"Warmer by"), Celsius, rise, Say($"the bead's heat spread over the coupon")),
            new(Say($"Wait in still air"), Seconds, wait, Say($"until within 15 °C of the shop")),
            new(Say($"Or quench"), Seconds, quench, Say($"in moving water; mind the steam, and quench no part that must last")),
        ];
    }

    private static IReadOnlyList<CalculatorResult> Consumption(CalculatorValues given)
    {
        var minutes = given["beadMm"] / given["travelMmPerMin"];
        var wire = given.Pick<Wire>("wire").Facts();
        var metres = given["wireFeedMPerMin"] * minutes;
        var density = wire.Kind switch
        {
            WireKind.Aluminium => Metal.Aluminium,
            WireKind.Stainless => Metal.Stainless,
            _ => Metal.MildSteel,
        };
        return
        [
            new(
                Say($"Arc time"),
                Seconds,
                minutes * 60,
                Say($"{Mm(given["beadMm"]):run} at {TravelSpeed.FromMmPerMin(given["travelMmPerMin"])}")
            ),
            new(Say($"Wire"), Metres, metres, Say($"{Feed(given)}")),
            new(
                Say($"Wire"),
                Grams,
                metres * wire.AreaMm2 * density.Facts().DensityGPerCm3,
                Say($"{wire.AreaMm2.Mm2()} x {N(density.Facts().DensityGPerCm3)} g/cm³")
            ),
            new(Say($"Gas"), Litres, given["gasLPerMin"] * minutes, Say($"{GasFlow.FromLPerMin(given["gasLPerMin"])}, arc time only")),
        ];
    }

    private static IReadOnlyList<CalculatorResult> Duty(CalculatorValues given)
    {
        var (rated, percent) = (given["ratedAmps"], given["ratedPercent"]);
        if (given.Missing == "amps")
            return
            [
                new(
                    Say($"Amps"),
                    Amps,
                    rated * Math.Sqrt(percent / given["percent"]),
                    Say($"{N(rated)} A x √({N(percent)} % / {N(given["percent"])} %)")
                ),
            ];
        var duty = Math.Min(100, percent * Math.Pow(rated / given["amps"], 2));
        return
        [
            new(Say($"Duty"), Percent, duty, Say($"{N(percent)} % x ({N(rated)} / {N(given["amps"])})²")),
            new(Say($"Arc in ten minutes"), Seconds, duty * 6, Say($"of 600 seconds")),
        ];
    }

    private static Quantities.Length Mm(double mm) => Quantities.Length.FromMm(mm);

    private static WireFeedSpeed Feed(CalculatorValues given) => WireFeedSpeed.FromMPerMin(given["wireFeedMPerMin"]);

    private static SaidNumber N(double value) => new(value, value >= 100 ? "0" : "0.###");

    private static CalculatorField Need(string key, Said label, NumberKind kind, double low, double high) =>
        new(key, label, kind, low, high, false, []);

    private static CalculatorField Solve(string key, Said label, NumberKind kind, double low, double high) =>
        new(key, label, kind, low, high, true, []);

    private static CalculatorField Choose<T>(string key, Said label, IEnumerable<(T Value, Said Label)> picks)
        where T : struct, Enum =>
        new(
            key,
            label,
            null,
            0,
            0,
            false,
            [.. picks.Select(pick => new Pick(char.ToLowerInvariant(pick.Value.ToString()[0]) + pick.Value.ToString()[1..], pick.Label))]
        );
}
