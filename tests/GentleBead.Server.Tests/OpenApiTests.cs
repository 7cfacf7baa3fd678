using System.Text.Json;
using System.Text.Json.Nodes;

namespace GentleBead.Server.Tests;

public class OpenApiTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly JsonSerializerOptions Indented = new()
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    private static string Kept => Path.Combine(Cluster.Root, "src/GentleBead.Server/openapi.json");

    // The front end's types are generated from the kept document; scripts/client.sh writes both anew.
    [Fact]
    public async Task The_kept_document_is_what_the_server_says()
    {
        var document = JsonNode.Parse(await room.CreateClient().GetStringAsync("/openapi/v1.json"))!.AsObject();
        document.Remove("servers");
        var said = document.ToJsonString(Indented) + "\n";
        if (Environment.GetEnvironmentVariable("GENTLEBEAD_WRITE_OPENAPI") is not null)
            await File.WriteAllTextAsync(Kept, said);
        Assert.True(
            said == await File.ReadAllTextAsync(Kept),
            "src/GentleBead.Server/openapi.json is behind the server: run scripts/client.sh."
        );
    }

    [Fact]
    public async Task Quantities_are_numbers_that_carry_their_unit()
    {
        var schemas = JsonNode.Parse(await room.CreateClient().GetStringAsync("/openapi/v1.json"))!["components"]!["schemas"]!;
        Assert.NotNull(schemas["PairSettings"]!["properties"]!["wireFeedMPerMin"]);
        Assert.NotNull(schemas["WindowOfLength"]!["properties"]!["aimMm"]);
        Assert.Equal("number", (string?)schemas["Voltage"]!["type"]);
    }

    // Names, what somebody typed, keys and marks for the next page: all the text there is that is no sentence.
    private static readonly string[] NoSentences =
    [
        "name",
        "fingerprint",
        "spared",
        "currency",
        "pseudonym",
        "words",
        "pin",
        "room",
        "pairedBy",
        "student",
        "names",
        "login",
        "school",
        "machineName",
        "exerciseName",
        "rule",
        "madeBy",
        "machineNames",
        "code",
        "old",
        "what",
        "about",
        "roomName",
        "courseName",
        "how",
        "caution",
        "notedBy",
        "cancelled",
        "why",
        "timeZone",
        "path",
        "by",
        "ticked",
        "tickedBy",
        "sealedBy",
        "positionName",
        "typed",
        "unit",
        "isoGroup",
        "seal",
        "lastHash",
        "title",
        "note",
        "text",
        "reason",
        "overrule",
        "key",
        "value",
        "of",
        "from",
        "to",
        "between",
        "part",
        "field",
        "tool",
        "instructor",
        "more",
        "password",
        "thickness",
        "otherThickness",
        "csv",
        "say",
    ];

    [Fact]
    public async Task Every_text_that_is_no_name_goes_out_as_a_sentence_with_its_values()
    {
        var schemas = JsonNode.Parse(await room.CreateClient().GetStringAsync("/openapi/v1.json"))!["components"]!["schemas"]!.AsObject();
        var texts = schemas
            .SelectMany(schema => schema.Value!["properties"]?.AsObject().Where(property => IsText(property.Value!)) ?? [])
            .Select(property => property.Key);
        Assert.Empty(texts.Distinct().Except(NoSentences));
    }

    private static bool IsText(JsonNode schema) =>
        schema["type"]?.ToJsonString().Contains("\"string\"", StringComparison.Ordinal) == true
            ? schema["format"] is null && schema["enum"] is null
            : schema["items"] is { } items && IsText(items);
}
