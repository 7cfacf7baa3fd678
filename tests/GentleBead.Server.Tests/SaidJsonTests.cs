using System.Text.Json;
using GentleBead.Server.Json;

namespace GentleBead.Server.Tests;

public class SaidJsonTests
{
    private sealed record Sentence(Said Said, string Metric, string Inch);

    // The screen is tested with the same file: both write a sentence alike.
    private static readonly Sentence[] Sentences = JsonSerializer.Deserialize<Sentence[]>(
        File.ReadAllText(Path.Combine(Cluster.Root, "tests/sentences.json")),
        QuantityJson.Options
    )!;

    [Fact]
    public void Each_sentence_of_the_shared_file_reads_as_it_says_there() =>
        Assert.Equal(
            Sentences.Select(sentence => (sentence.Metric, sentence.Inch)),
            Sentences.Select(sentence => (sentence.Said.In(Units.Metric), sentence.Said.In(Units.Inch)))
        );

    [Fact]
    public void The_shared_file_has_every_way_of_writing_a_quantity() =>
        Assert.Equal(
            QuantityWords.All.Select(row => (row.Kind, row.As)).Order(),
            Sentences
                .SelectMany(sentence => sentence.Said.With)
                .OfType<SaidQuantity>()
                .Select(value => (value.Kind, value.As))
                .Distinct()
                .Order()
        );

    [Fact]
    public void A_sentence_goes_out_and_comes_back_the_same() =>
        Assert.All(
            Sentences,
            sentence =>
                Assert.Equal(
                    sentence.Said,
                    JsonSerializer.Deserialize<Said>(JsonSerializer.Serialize(sentence.Said, QuantityJson.Options), QuantityJson.Options)
                )
        );

    [Fact]
    public void What_was_kept_as_plain_text_reads_as_it_stands()
    {
        Assert.Equal(
            "Volts up 2 taps, {4} to 6.",
            $"{JsonSerializer.Deserialize<Said>("\"Volts up 2 taps, {4} to 6.\"", QuantityJson.Options)}"
        );
        Assert.Null(JsonSerializer.Deserialize<Said>("\"\"", QuantityJson.Options));
    }

    [Theory]
    [InlineData("{}")]
    [InlineData("""{"say":"{0}"}""")]
    [InlineData("""{"say":"{0}","with":[{"furlongs":3}]}""")]
    [InlineData("""{"say":1}""")]
    [InlineData("""{"say":"x","with":{}}""")]
    [InlineData("""{"say":"{0}","with":[{"parts":5}]}""")]
    [InlineData("""{"say":"{0}","with":[{}]}""")]
    [InlineData("""{"say":"{-1}","with":[{"volts":1}]}""")]
    [InlineData("[]")]
    public void What_is_no_sentence_is_refused(string json) =>
        Assert.Throws<JsonException>(() => JsonSerializer.Deserialize<Said>(json, QuantityJson.Options));
}
