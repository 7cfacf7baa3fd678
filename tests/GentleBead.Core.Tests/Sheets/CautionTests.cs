using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Sheets;

/// <summary>What is to be heeded with a job, and with the job beside it is not. Common practice, no source.</summary>
public class CautionTests
{
    private static Job Job(
        Process process,
        Gas gas,
        Wire? wire = Wire.Solid09,
        Metal metal = Metal.MildSteel,
        string plate = "1/8",
        Joint joint = Joint.T,
        Position position = Position.Flat
    ) => new(Thickness.Parse(plate), joint, position, wire, process, metal, gas);

    private static Job Dip(string plate = "1/8", Joint joint = Joint.T, Position position = Position.Flat, Gas gas = Gas.ArgonCarbon25) =>
        Job(Process.GmawShortCircuit, gas, Wire.Solid09, plate: plate, joint: joint, position: position);

    private static Job Cored(string plate = "1/8", Position position = Position.Flat) =>
        Job(Process.FcawSelfShielded, Gas.None, Wire.SelfShielded09, plate: plate, position: position);

    private static Job Tig(Position position = Position.Flat, Metal metal = Metal.MildSteel, string plate = "1/8") =>
        Job(metal == Metal.Aluminium ? Process.GtawAc : Process.GtawDc, Gas.Argon, null, metal, plate, position: position);

    private static Job Aluminium(Process process, Position position = Position.Flat) =>
        Job(process, Gas.Argon, Wire.Aluminium12, Metal.Aluminium, "1/4", position: position);

    private static Job Stainless(Process process, Gas gas) => Job(process, gas, Wire.Stainless09, Metal.Stainless, "1/4");

    // What is said; whether gravely; a job it is said of; jobs beside it that it is not said of.
    private static readonly (string Says, bool Grave, Job Of, Job[] NotOf)[] Rules =
    [
        (
            "at the edge for MIG spray",
            false,
            Job(Process.GmawSpray, Gas.ArgonCarbon18),
            [Job(Process.GmawSpray, Gas.ArgonCarbon10), Dip(gas: Gas.ArgonCarbon18)]
        ),
        (
            "is made for spray",
            false,
            Dip(gas: Gas.ArgonCarbon2),
            [Dip(), Job(Process.GmawSpray, Gas.ArgonCarbon2), Stainless(Process.GmawShortCircuit, Gas.ArgonCarbon2)]
        ),
        (
            "puts carbon into stainless: good enough",
            false,
            Stainless(Process.GmawShortCircuit, Gas.ArgonCarbon10),
            [Stainless(Process.GmawShortCircuit, Gas.ArgonCarbon2), Dip(gas: Gas.ArgonCarbon10), Tig(metal: Metal.Stainless)]
        ),
        (
            "The helium mix is made for stainless",
            false,
            Dip(gas: Gas.HeliumMix),
            [Dip(), Stainless(Process.GmawShortCircuit, Gas.HeliumMix)]
        ),
        (
            "weaker than most low-alloy plate",
            false,
            Job(Process.GmawShortCircuit, Gas.ArgonCarbon25, metal: Metal.LowAlloySteel),
            [
                Dip(),
                Job(Process.GtawDc, Gas.Argon, null, Metal.LowAlloySteel),
                Job(Process.FcawGasShielded, Gas.Carbon, Wire.GasShielded12, Metal.LowAlloySteel),
            ]
        ),
        (
            "Short circuit lies cold on aluminium",
            true,
            Aluminium(Process.GmawShortCircuit),
            [Aluminium(Process.GmawPulsed), Aluminium(Process.GmawSpray), Dip()]
        ),
        (
            "takes a quick hand",
            true,
            Aluminium(Process.GmawSpray, Position.Overhead),
            [Aluminium(Process.GmawSpray), Aluminium(Process.GmawPulsed, Position.Overhead), Job(Process.GmawSpray, Gas.ArgonOxygen2)]
        ),
        (
            "only with a wire made for it",
            true,
            Cored(position: Position.VerticalDown),
            [Cored(position: Position.VerticalUp), Dip(position: Position.VerticalDown)]
        ),
        (
            "lies on the plate unfused",
            true,
            Dip("1/4", position: Position.VerticalDown),
            [
                Dip("1/8", position: Position.VerticalDown),
                Dip("5 mm", position: Position.VerticalDown),
                Dip("1/4", position: Position.VerticalUp),
                Cored("1/4", Position.VerticalDown),
            ]
        ),
        ("TIG is welded uphill", true, Tig(Position.VerticalDown), [Tig(Position.VerticalUp), Dip(position: Position.VerticalDown)]),
        (
            "fills unevenly",
            true,
            Dip(joint: Joint.Plug, position: Position.Overhead),
            [Dip(joint: Joint.Plug), Dip(position: Position.Overhead)]
        ),
        (
            "only from both sides, or with a bevel",
            true,
            Dip("5 mm", Joint.SquareButt),
            [Dip("1/8", Joint.SquareButt), Dip("3.2 mm", Joint.SquareButt), Dip("7 mm", Joint.SquareButt), Dip("5 mm")]
        ),
        (
            "melts only the rim: it holds little",
            true,
            Dip("5 mm", Joint.Edge),
            [Dip("4 mm", Joint.Edge), Dip("7 mm", Joint.Edge), Dip("5 mm"), Dip("5 mm", Joint.Lap)]
        ),
        ("burns through sheet this thin", false, Cored("1 mm"), [Cored("1.2 mm"), Dip("1 mm")]),
        (
            "without biting, and look good",
            true,
            Dip("3/8"),
            [Dip("1/8"), Job(Process.GmawSpray, Gas.ArgonOxygen2, plate: "3/8"), Cored("3/8")]
        ),
        ("first guess, on scrap", false, Tig(metal: Metal.Titanium), [Tig(), Dip()]),
        (
            "Gauge numbers were read as steel gauge",
            false,
            Tig(metal: Metal.Aluminium, plate: "16 ga"),
            [Tig(plate: "16 ga"), Tig(metal: Metal.Aluminium, plate: "1/16")]
        ),
    ];

    public static TheoryData<string> Said => [.. Rules.Select(rule => rule.Says)];

    [Theory]
    [MemberData(nameof(Said))]
    public void It_is_said_of_what_it_is_for_and_of_nothing_beside_it(string says)
    {
        var (_, grave, of, notOf) = Rules.Single(rule => rule.Says == says);
        var caution = Assert.Single(Combinations.Cautions(of), caution => caution.Text.ToString().Contains(says, StringComparison.Ordinal));
        Assert.Equal(grave, caution.Grave);
        foreach (var other in notOf)
        {
            Assert.DoesNotContain(
                Combinations.Cautions(other),
                caution => caution.Text.ToString().Contains(says, StringComparison.Ordinal)
            );
        }
    }
}
