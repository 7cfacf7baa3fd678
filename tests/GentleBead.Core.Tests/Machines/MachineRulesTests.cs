using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Machines;

/// <summary>What a machine, a load and a reading as typed have to keep to: at each limit, and just beyond.</summary>
public class MachineRulesTests
{
    private static readonly Machine Welder = Room.Digital with { AmpControl = Room.Amps };

    private static string Fields(Machine machine) => string.Join(" ", machine.Problems().Select(problem => problem.Field));

    private static string Fields(Load load) =>
        string.Join(" ", load.Problems(Welder with { Programs = [Program(3)] }).Select(problem => problem.Field));

    private static MachineProgram Program(int number) => new(number, Wire.Solid09, Gas.ArgonCarbon10, Process.GmawPulsed);

    private static Machine Rated(double amps, double duty, double most) =>
        Welder with
        {
            Rating = new(Current.FromAmps(amps), duty, Current.FromAmps(most)),
        };

    [Fact]
    public void A_machine_has_a_name_of_up_to_60_letters()
    {
        Assert.Equal("", Fields(Welder));
        Assert.Equal("", Fields(Welder with { Name = new string('x', 60) }));
        Assert.Equal("name", Fields(Welder with { Name = new string('x', 61) }));
        Assert.Equal("name", Fields(Welder with { Name = "  " }));
        Assert.Equal("name", Fields(Welder with { Name = null! }));
        Assert.Equal("load", Fields(Welder with { Load = null! }));
    }

    [Fact]
    public void A_machine_has_wire_and_volts_or_amps_or_all_three()
    {
        Assert.Equal("", Fields(Welder with { AmpControl = null }));
        Assert.Equal("", Fields(Welder with { WireControl = null, VoltControl = null }));
        Assert.Equal("wireControl", Fields(Welder with { VoltControl = null }));
        Assert.Equal("wireControl", Fields(Welder with { WireControl = null }));
        Assert.Equal("wireControl", Fields(Welder with { WireControl = null, VoltControl = null, AmpControl = null }));
        var trimmed = Welder with { WireControl = new Control(ControlKind.Trim, -5, 5, 1, "", [], TrimVolts: 1) };
        Assert.Equal("wireControl", Fields(trimmed));
        Assert.Contains("Only volts are trimmed", $"{trimmed.Problems().Single().Said}", StringComparison.Ordinal);
    }

    [Fact]
    public void A_display_shows_the_unit_of_its_control()
    {
        Control Shows(string unit) => new(ControlKind.Digital, 1, 20, 0.1, unit, []);
        Assert.Equal("", Fields(Welder with { WireControl = Shows("m/min") }));
        Assert.Equal("wireControl", Fields(Welder with { WireControl = Shows("V") }));
        Assert.Equal("voltControl", Fields(Welder with { VoltControl = Shows("A") }));
        Assert.Equal("ampControl", Fields(Welder with { AmpControl = Shows("V") }));
    }

    [Theory]
    [InlineData(10, 60, 10, true)]
    [InlineData(1000, 60, 1000, true)]
    [InlineData(200, 5, 250, true)]
    [InlineData(200, 100, 200, true)]
    [InlineData(9.9, 60, 200, false)]
    [InlineData(1001, 60, 1001, false)]
    [InlineData(200, 4.9, 250, false)]
    [InlineData(200, 101, 250, false)]
    [InlineData(200, 60, 199, false)]
    [InlineData(200, 60, 1001, false)]
    public void A_rating_plate_stays_within_what_there_is(double amps, double duty, double most, bool good) =>
        Assert.Equal(good ? "" : "rating", Fields(Rated(amps, duty, most)));

    // Duty at other amps: t = t_rated (I_rated / I)^2 (handbooks, from memory). 60 % at 200 A is 93.75 % at 160 A; all the time at 150.
    [Theory]
    [InlineData(200, 60)]
    [InlineData(160, 93.75)]
    [InlineData(150, 100)]
    [InlineData(250, 38.4)]
    [InlineData(0, 100)]
    public void A_duty_goes_with_the_square_of_the_amps(double amps, double duty) =>
        Assert.Equal(duty, new Rating(Current.FromAmps(200), 60, Current.FromAmps(250)).DutyPercentAt(Current.FromAmps(amps)), 1e-9);

    [Fact]
    public void Each_program_has_a_number_of_its_own_up_to_60_of_them()
    {
        string Of(IEnumerable<int> numbers) => Fields(Welder with { Programs = [.. numbers.Select(Program)] });
        Assert.Equal("", Of([0, 9999]));
        Assert.Equal("", Of(Enumerable.Range(0, 60)));
        Assert.Equal("programs", Of(Enumerable.Range(0, 61)));
        Assert.Equal("programs", Of([4, 4]));
        Assert.Equal("programs", Of([4, -1]));
        Assert.Equal("programs", Of([4, 10_000]));
    }

    [Fact]
    public void A_program_is_for_its_wire_gas_and_process_together()
    {
        var machine = Welder with { Programs = [Program(3)] };
        Core.Rules.Job Job(Wire wire, Gas gas, Process process) =>
            new(Thickness.Parse("1/8"), Joint.T, Position.Flat, wire, process, Metal.MildSteel, gas);
        Assert.Equal(3, machine.ProgramFor(Job(Wire.Solid09, Gas.ArgonCarbon10, Process.GmawPulsed))!.Number);
        Assert.Null(machine.ProgramFor(Job(Wire.Solid12, Gas.ArgonCarbon10, Process.GmawPulsed)));
        Assert.Null(machine.ProgramFor(Job(Wire.Solid09, Gas.ArgonCarbon2, Process.GmawPulsed)));
        Assert.Null(machine.ProgramFor(Job(Wire.Solid09, Gas.ArgonCarbon10, Process.GmawSpray)));
    }

    [Theory]
    [InlineData(0.5, true)]
    [InlineData(3, true)]
    [InlineData(0.49, false)]
    [InlineData(3.1, false)]
    public void A_tip_is_half_a_millimetre_to_three(double mm, bool good) =>
        Assert.Equal(good ? "" : "tipMm", Fields(Welder.Load with { Tip = Length.FromMm(mm) }));

    [Theory]
    [InlineData(0.5, true)]
    [InlineData(7, true)]
    [InlineData(0.49, false)]
    [InlineData(7.1, false)]
    public void A_tungsten_is_half_a_millimetre_to_seven(double mm, bool good) =>
        Assert.Equal(good ? "" : "tungstenMm", Fields(Welder.Load with { Tungsten = Length.FromMm(mm) }));

    [Fact]
    public void A_program_that_is_on_is_one_of_the_machines()
    {
        Assert.Equal("", Fields(Welder.Load with { Program = 3 }));
        Assert.Equal("program", Fields(Welder.Load with { Program = 4 }));
    }

    // The wire jams in a tip too narrow for it and wanders in one too wide. Common practice, no source.
    [Theory]
    [InlineData(0.6, "jams")]
    [InlineData(1.2, "wanders")]
    public void What_a_wrong_tip_does_is_said(double mm, string says)
    {
        var machine = Room.Digital with { Load = Load.Of(Wire.Solid08) with { Tip = Length.FromMm(mm) } };
        var found = Mismatches.Of(Room.Sheet().Job, machine, null);
        Assert.Contains(says, $"{Assert.Single(found).Consequence}", StringComparison.Ordinal);
        Assert.Empty(Mismatches.Of(Room.Sheet().Job, Room.Digital, null));
    }
}
