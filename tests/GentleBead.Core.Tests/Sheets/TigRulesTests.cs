using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Sheets;

/// <summary>TIG sheets. Common practice, no source, unless a line names one.</summary>
public class TigRulesTests
{
    private static Sheet Sheet(
        string thickness,
        Process process = Process.GtawDc,
        Metal metal = Metal.MildSteel,
        Joint joint = Joint.BeadOnPlate,
        Gas gas = Gas.Argon,
        Machine? machine = null
    ) => Assert.IsType<Sheet>(Planner.Plan(new Job(Thickness.Parse(thickness), joint, Position.Flat, null, process, metal, gas), machine));

    // 1 A per 0.001 in for TIG as for MIG, to 1/4 in.
    [Theory]
    [InlineData("1/16 in", 62.5)]
    [InlineData("0.060 in", 60)]
    [InlineData("1/8 in", 125)]
    [InlineData("1/4 in", 250)]
    [InlineData("1/2 in", 250)]
    public void Amps_by_thickness(string thickness, double amps) => Assert.Equal(amps, Sheet(thickness).Amps.Amps, 1e-9);

    [Theory]
    [InlineData("0.8 mm", 1.0)]
    [InlineData("1.5 mm", 1.6)]
    [InlineData("3 mm", 2.4)]
    [InlineData("6 mm", 3.2)]
    public void The_rod_is_about_as_thick_as_the_sheet(string thickness, double mm) => Assert.Equal(mm, Sheet(thickness).Tig!.Filler.Mm);

    [Fact]
    public void Torch_to_minus_on_steel_and_what_goes_wrong_the_other_way()
    {
        var sheet = Sheet("2");
        Assert.Equal(Polarity.TorchMinus, sheet.Polarity);
        Assert.Null(sheet.Pair);
        Assert.Null(sheet.Tig!.BalancePercent);
        Assert.Null(sheet.Tig.FrequencyHz);
        Assert.Contains("lengthwise", sheet.Tig.Grind.ToString(), StringComparison.Ordinal);
        var refused = Assert.IsType<Refusal>(Planner.Plan(sheet.Job with { Polarity = Polarity.TorchPlus }));
        Assert.Equal("polarity", refused.Field);
        Assert.Contains("the tungsten balls up", refused.Message.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Alternating_current_on_aluminium_has_a_balance_and_a_frequency()
    {
        var sheet = Sheet("3", Process.GtawAc, Metal.Aluminium);
        Assert.Equal(Polarity.Alternating, sheet.Polarity);
        Assert.InRange(sheet.Tig!.BalancePercent!.Value, 65, 75);
        Assert.InRange(sheet.Tig.FrequencyHz!.Value, 80, 120);
        Assert.True(Sheet("1", Process.GtawAc, Metal.Aluminium).Tig!.FrequencyHz > sheet.Tig.FrequencyHz);
        Assert.Contains("black soot", sheet.ExpectedLook.ToString(), StringComparison.Ordinal);
    }

    // A tungsten bears less on AC: the same amps want the next size.
    [Fact]
    public void The_tungsten_is_thicker_on_AC()
    {
        for (var amps = 70; amps <= 320; amps += 10)
        {
            var (dc, ac) = (TigRules.TungstenFor(Current.FromAmps(amps), false)!, TigRules.TungstenFor(Current.FromAmps(amps), true)!);
            Assert.True(ac.Diameter >= dc.Diameter);
        }
        Assert.Null(TigRules.TungstenFor(Current.FromAmps(330), true));
    }

    [Fact]
    public void Thin_sheet_gets_a_pulse_to_begin_with_and_thick_none()
    {
        Assert.Contains("pulses a second", Sheet("1").Tig!.Pulse?.ToString(), StringComparison.Ordinal);
        Assert.Null(Sheet("2").Tig!.Pulse);
    }

    [Fact]
    public void Gas_stays_on_a_second_for_each_ten_amps()
    {
        Assert.Equal(13, TigRules.PostFlowSeconds(Current.FromAmps(125)));
        Assert.Equal(5, TigRules.PostFlowSeconds(Current.FromAmps(30)));
    }

    [Fact]
    public void The_machines_own_amps_and_a_tungsten_too_thin_for_them()
    {
        var knob = new Control(ControlKind.Knob, 0, 10, 0.1, "", [new(2, 40), new(8, 160)]);
        var machine = new Machine(
            "Amp knob",
            new Load(null, Gas.Argon, Polarity.TorchMinus, Tungsten: Length.FromMm(1.0)),
            null,
            null,
            knob
        );
        var sheet = Sheet("1/8 in", machine: machine);
        // 125 A and 8 % make 135: 2 + 95 / 20 = 6.75 on this knob, 6.8 to the nearest tenth.
        Assert.Equal(135, sheet.Tig!.PedalMost.Amps);
        Assert.Equal("6.8", sheet.Tig.Mark!.Reads.ToString());
        var thin = Assert.Single(sheet.Mismatches);
        Assert.Equal((LoadPart.Tungsten, "1.0 mm", "1.6 mm"), (thin.Part, $"{thin.Loaded}", $"{thin.Wanted}"));
        Assert.Contains(
            "feeds no wire",
            Assert
                .IsType<Refusal>(Planner.Plan(new Job(Thickness.Parse("2"), Joint.T, Position.Flat, Wire.Solid08), machine))
                .Message.ToString(),
            StringComparison.Ordinal
        );
    }

    // k = 0.6 for TIG, EN 1011-1 (value from memory): 15 V (10 + 0.04 x 125),
    // 125 A, 60 + 120 / 3.175 = 97.8 mm/min: 1.150 kJ/mm, 0.690 of it counted.
    [Fact]
    public void Heat_input_counts_the_smaller_share()
    {
        var sheet = Sheet("1/8 in");
        Assert.Equal(1.150, sheet.HeatInputAws!.Value.KJPerMm, 0.001);
        Assert.Equal(0.690, sheet.HeatInputEn!.Value.KJPerMm, 0.001);
    }

    [Theory]
    [InlineData(Metal.Titanium, "straw is the darkest")]
    [InlineData(Metal.NickelAlloy, "degrease")]
    [InlineData(Metal.Copper, "preheat")]
    public void Other_metals_take_the_amps_rule_with_a_caution(Metal metal, string says)
    {
        var sheet = Sheet("2", metal: metal);
        Assert.Equal(Sheet("2").Amps, sheet.Amps);
        Assert.Contains(sheet.Cautions, caution => caution.Text.Contains(says, StringComparison.Ordinal));
        Assert.Contains(sheet.Cautions, caution => caution.Text.Contains("first guess", StringComparison.Ordinal));
    }

    [Fact]
    public void Argon_in_closed_rooms_and_tungsten_dust_are_cautioned()
    {
        var cautions = Sheet("2").Cautions.Select(caution => caution.Text).ToArray();
        Assert.Contains(cautions, text => text.Contains("pits, tanks or closed rooms", StringComparison.Ordinal));
        Assert.Contains(cautions, text => text.Contains("Grind tungsten", StringComparison.Ordinal));
        Assert.DoesNotContain(cautions, text => text.Contains("Clip the wire", StringComparison.Ordinal));
    }
}
