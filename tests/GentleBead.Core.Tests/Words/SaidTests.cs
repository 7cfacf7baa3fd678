using GentleBead.Core.Quantities;
using static GentleBead.Core.Words.Said;

namespace GentleBead.Core.Tests.Words;

public class SaidTests
{
    [Fact]
    public void A_sentence_keeps_its_words_apart_from_its_values()
    {
        var said = Say($"Wire up {WireFeedSpeed.FromMPerMin(0.5)} to {WireFeedSpeed.FromMPerMin(7.112)}.");
        Assert.Equal("Wire up {0} to {1}.", said.Template);
        Assert.Equal([new SaidQuantity(QuantityKind.WireFeed, 0.5), new SaidQuantity(QuantityKind.WireFeed, 7.112)], said.With);
    }

    [Fact]
    public void Each_reader_gets_their_own_units()
    {
        var said = Say($"{Length.FromMm(3.175)} plate, {WireFeedSpeed.FromInPerMin(280)}, {Voltage.FromVolts(19.96)}.");
        Assert.Equal("3.18 mm plate, 7.1 m/min, 20.0 V.", said.In(Units.Metric));
        Assert.Equal("0.125 in plate, 280 in/min, 20.0 V.", said.In(Units.Inch));
    }

    // 1 in = 25.4 mm exactly; a rule is marked in thirty-seconds (common practice).
    [Theory]
    [InlineData(4.0, "4.0 mm", "5/32 in")]
    [InlineData(25.4, "25.4 mm", "1 in")]
    [InlineData(28.575, "28.6 mm", "1 1/8 in")]
    [InlineData(0, "0.0 mm", "0 in")]
    public void On_a_rule(double mm, string metric, string inch)
    {
        var said = Say($"{Length.FromMm(mm):rule}");
        Assert.Equal((metric, inch), (said.In(Units.Metric), said.In(Units.Inch)));
    }

    [Theory]
    [InlineData(2.5, "0", "3")]
    [InlineData(0.05, "0.0", "0.1")]
    [InlineData(1.005, "0.00", "1.01")]
    [InlineData(2, "0.0#", "2.0")]
    [InlineData(2.25, "0.0#", "2.25")]
    [InlineData(2, "0.##", "2")]
    [InlineData(-0.04, "0.0", "0.0")]
    [InlineData(-1.5, "+0.0", "-1.5")]
    [InlineData(1.5, "+0.0", "+1.5")]
    [InlineData(1e20, "0.#", "100000000000000000000")]
    public void Numbers_by_their_pattern(double value, string pattern, string written) =>
        Assert.Equal(written, Digits.Show(value, pattern));

    [Fact]
    public void Parts_sentences_names_and_sizes_of_two_systems()
    {
        Said[] looks = [Say($"toes cold"), Say($"no heat tint")];
        Assert.Equal("Toes cold, no heat tint.", $"{Say($"{looks:capital}.")}");
        Assert.Equal("One. Two.", $"{Sentences(Say($"One."), null, Say($"Two."))}");
        Assert.Equal("Booth {4}", $"{AsIs("Booth {4}")}");
        Assert.Equal(
            ("0.8 mm wire", "0.030 in wire"),
            (
                Say($"{new Either("0.8 mm", "0.030 in")} wire").In(Units.Metric),
                Say($"{new Either("0.8 mm", "0.030 in")} wire").In(Units.Inch)
            )
        );
        Assert.Equal("1 pass", $"{1.Counted(Say($"pass"), Say($"passes"))}");
        Assert.Equal("2 passes", $"{2.Counted(Say($"pass"), Say($"passes"))}");
    }

    [Fact]
    public void From_its_template_a_sentence_comes_back_the_same()
    {
        foreach (
            var said in new[]
            {
                Say($"Nothing."),
                Say($"{{braces}} and {3} of {Length.FromMm(2):run}"),
                Say($"{Say($"a part")} {"Maren".Name()}"),
                AsIs("{0} as typed"),
            }
        )
        {
            var back = Parse(said.Template, said.With);
            Assert.Equal(said, back);
            Assert.Equal(said.In(Units.Inch), back.In(Units.Inch));
        }
    }

    [Fact]
    public void A_part_that_stands_as_it_is_becomes_the_sentences_own_words_and_values()
    {
        Said[] parts = [Say($"{Length.FromMm(2):run} of wire"), Say($"tip {"8".Name()}")];
        var said = Sentences(Say($"Load {parts}, {Say($"then {{gas}}")}{(Said?)null} at {3}."), null, Say($"Weld."));
        Assert.Equal("Load {0} of wire, tip {1}, then {{gas}} at {2}. Weld.", said.Template);
        Assert.Equal([new SaidQuantity(QuantityKind.Length, 2, "run"), new SaidName("8"), new SaidNumber(3, "0")], said.With);
        Assert.Equal("Load 2 mm of wire, tip 8, then {gas} at 3. Weld.", $"{said}");
    }

    [Fact]
    public void A_part_read_from_a_template_or_said_in_a_way_of_its_own_stays_a_part()
    {
        var kept = Parse("{1} after {0}", [new SaidName("one"), new SaidName("two")]);
        Assert.Equal("now two after one.", $"{Say($"{Say($"Now"):small} {kept}.")}");
        Assert.All(Say($"{Say($"Now"):small} {kept}.").With, value => Assert.IsType<SaidParts>(value));
    }

    [Fact]
    public void Another_language_may_put_the_values_elsewhere() =>
        Assert.Equal(
            "auf 18.0 V, 0.5 V mehr",
            $"{Parse("auf {1}, {0} mehr", [new SaidQuantity(QuantityKind.Volts, 0.5), new SaidQuantity(QuantityKind.Volts, 18)])}"
        );

    [Theory]
    [InlineData("{0} and {1}")]
    [InlineData("{x}")]
    [InlineData("a } alone")]
    public void A_template_that_names_no_value_is_refused(string template) =>
        Assert.Throws<FormatException>(() => Parse(template, [new SaidNumber(1, "0")]));

    [Fact]
    public void A_quantity_is_written_in_a_known_way_only() =>
        Assert.Throws<ArgumentOutOfRangeException>(() => Say($"{Length.FromMm(1):fathoms}").ToString());
}
