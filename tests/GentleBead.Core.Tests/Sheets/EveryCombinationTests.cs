using System.Reflection;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Sheets;

/// <summary>Every process x metal x joint x position x wire x gas in the lists: a sheet or a refusal, none an exception.</summary>
public class EveryCombinationTests
{
    private static readonly Wire?[] WiresAndNone = [null, .. Enum.GetValues<Wire>().Select(wire => (Wire?)wire)];

    public static TheoryData<Process> Everything => [.. Enum.GetValues<Process>()];

    [Theory]
    [MemberData(nameof(Everything))]
    public void Gives_a_sheet_or_a_refusal(Process process)
    {
        var sheets = 0;
        var refusals = 0;
        Parallel.ForEach(
            from metal in Enum.GetValues<Metal>()
            from joint in Enum.GetValues<Joint>()
            from position in Enum.GetValues<Position>()
            select (metal, joint, position),
            combination =>
            {
                foreach (var wire in WiresAndNone)
                {
                    foreach (var gas in Enum.GetValues<Gas>())
                    {
                        foreach (var thickness in Plates)
                        {
                            var outcome = Planner.Plan(
                                new Job(thickness, combination.joint, combination.position, wire, process, combination.metal, gas),
                                Machine
                            );
                            if (outcome is Sheet sheet)
                            {
                                Interlocked.Increment(ref sheets);
                                Sound(sheet);
                            }
                            else
                            {
                                Interlocked.Increment(ref refusals);
                                var refusal = Assert.IsType<Refusal>(outcome);
                                Assert.Contains(refusal.Field, Fields);
                                Assert.True(refusal.Message.ToString().Length > 10, $"{refusal.Message}");
                            }
                        }
                    }
                }
            }
        );
        Assert.True(sheets > 0 || process.Facts().VoltsByProgram);
        Assert.True(refusals > 0);
    }

    [Fact]
    public void Pulsed_without_a_machine_gives_sheets_too() =>
        Assert.Contains(
            from joint in Enum.GetValues<Joint>()
            from wire in Enum.GetValues<Wire>()
            from gas in Enum.GetValues<Gas>()
            select Planner.Plan(new Job(Thickness.Parse("3"), joint, Position.Flat, wire, Process.GmawPulsed, Metal.MildSteel, gas)),
            outcome => outcome is Sheet { Pair.VoltsAreSet: false }
        );

    [Theory]
    [InlineData(Process.GmawShortCircuit, Metal.MildSteel, Gas.ArgonCarbon25, Wire.Solid08)]
    [InlineData(Process.GmawShortCircuit, Metal.Stainless, Gas.ArgonCarbon2, Wire.Stainless09)]
    [InlineData(Process.GmawGlobular, Metal.MildSteel, Gas.Carbon, Wire.Solid09)]
    [InlineData(Process.GmawSpray, Metal.MildSteel, Gas.ArgonCarbon10, Wire.Solid12)]
    [InlineData(Process.GmawSpray, Metal.Aluminium, Gas.Argon, Wire.Aluminium12)]
    [InlineData(Process.GmawPulsed, Metal.MildSteel, Gas.ArgonCarbon10, Wire.Solid10)]
    [InlineData(Process.FcawSelfShielded, Metal.MildSteel, Gas.None, Wire.SelfShielded09)]
    [InlineData(Process.FcawGasShielded, Metal.LowAlloySteel, Gas.ArgonCarbon25, Wire.GasShielded12)]
    [InlineData(Process.GtawDc, Metal.Stainless, Gas.Argon, null)]
    [InlineData(Process.GtawAc, Metal.Aluminium, Gas.Argon, null)]
    public void Every_number_has_a_reason_and_every_chain_ends_at_the_job(Process process, Metal metal, Gas gas, Wire? wire)
    {
        var machine = Room.Digital with
        {
            AmpControl = Room.Amps,
            HasAc = true,
            Rating = new Rating(Current.FromAmps(200), 40, Current.FromAmps(400)),
            Programs = [new(7, wire ?? Wire.Solid08, gas, Process.GmawPulsed)],
        };
        var seen = 0;
        foreach (var joint in Enum.GetValues<Joint>())
        {
            if (
                Planner.Plan(
                    new Job(Thickness.Parse(process is Process.GmawSpray ? "6" : "3.5"), joint, Position.Flat, wire, process, metal, gas),
                    machine
                )
                is not Sheet sheet
            )
                continue;
            seen++;
            var reasons = sheet.Reasons.ToDictionary(reason => reason.Of);
            var numbers = Numbers(sheet)
                .Concat(sheet.Pair is { } pair ? Numbers(pair) : [])
                .Concat(sheet.Tig is { } tig ? Numbers(tig).Append("ampMark") : [])
                .Concat(sheet.Pair?.Marks is null ? [] : ["wireMark", "voltMark"])
                .Concat(["workAngle", "travelAngle", "passes", "deposit"]);
            foreach (var number in numbers)
                Ends(number, 0);

            void Ends(string of, int depth)
            {
                Assert.True(reasons.TryGetValue(of, out var reason), $"No reason for {of} in {joint}.");
                Assert.True(depth < 12, $"The chain of {of} goes round.");
                Assert.NotEmpty(reason.Working.ToString());
                foreach (var from in reason.From)
                    Ends(from, depth + 1);
            }
        }
        Assert.True(seen >= 3);

        static IEnumerable<string> Numbers(object part) =>
            part.GetType()
                .GetProperties(BindingFlags.Public | BindingFlags.Instance)
                .Where(property =>
                    IsNumber(property.PropertyType)
                    && property.Name is not (nameof(Sheet.RulesVersion) or nameof(Sheet.ShadeComfortable) or nameof(Sheet.Program))
                )
                .Where(property => property.GetValue(part) is not null)
                .Select(property => char.ToLowerInvariant(property.Name[0]) + property.Name[1..]);

        static bool IsNumber(Type type)
        {
            var held = Nullable.GetUnderlyingType(type) ?? type;
            return held == typeof(int)
                || held == typeof(double)
                || (held.Namespace == typeof(Length).Namespace && (held.IsValueType || held.IsGenericType));
        }
    }

    private static readonly Machine Machine = Room.KnobAndTaps with
    {
        AmpControl = Room.Amps,
        HasAc = true,
        Rating = new Rating(Current.FromAmps(160), 35, Current.FromAmps(260)),
    };

    private static readonly Thickness[] Plates = [Thickness.Parse("0.8"), Thickness.Parse("1/8"), Thickness.Parse("12")];

    private static readonly string[] Fields =
    [
        "process",
        "metal",
        "joint",
        "position",
        "wire",
        "gas",
        "polarity",
        "thickness",
        "otherThickness",
    ];

    private static void Sound(Sheet sheet)
    {
        Assert.True(sheet.Amps.Amps is > 5 and <= 500, sheet.Amps.ToString());
        Assert.True(sheet.Passes.Count is >= 1 and < 60);
        Assert.True(sheet.Passes.Layers <= sheet.Passes.Count);
        Assert.True((sheet.Pair is null) == sheet.Job.Process.IsGtaw());
        Assert.True((sheet.Tig is null) != sheet.Job.Process.IsGtaw());
        Assert.True((sheet.Travel is null) == (sheet.Job.Joint == Joint.Plug));
        Assert.True((sheet.GasFlow is null) == (sheet.Job.Gas == Gas.None));
        Assert.True(sheet.BeadSize.Low <= sheet.BeadSize.Aim && sheet.BeadSize.Aim <= sheet.BeadSize.High);
        Assert.Contains(sheet.Cautions, caution => caution.Text == Core.Safety.UsualCautions.Deference);
        if (sheet.Travel is { } travel)
            Assert.True(
                travel.MmPerMin is >= 30 and <= 2500,
                $"{travel} {sheet.Amps} {sheet.Job.Joint} {sheet.Job.Thickness.Typed} {sheet.Job.Wire} {sheet.Job.Position}"
            );
        Assert.True(sheet.Amps * 0.9 <= Machine.Rating!.MostAmps);
        Assert.InRange(sheet.DutyPercent!.Value, 5, 100);
        if (sheet.Pair is not { } pair)
            return;
        Assert.True(pair.Volts.Low <= pair.Volts.Aim && pair.Volts.Aim <= pair.Volts.High);
        Assert.InRange(pair.Volts.Aim.Volts, 12, 36);
        Assert.InRange(pair.WireFeed.MPerMin, 0.5, 25);
        // Every sheet lies within its wire's range and its machine's limits.
        Assert.True(sheet.Amps <= sheet.Job.Wire!.Value.Facts().RangeIn(sheet.Job.Process)!.Most * 1.0001);
        if (pair.Marks is { } marks)
        {
            Assert.InRange(marks.Wire.Mark, 0, 100);
            Assert.True(marks.WireFeed >= pair.WireFeed * 0.9);
        }
    }
}
