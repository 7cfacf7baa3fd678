using System.Text.Json;
using System.Text.Json.Nodes;
using GentleBead.Testing;

namespace GentleBead.Server.Tests;

public class OpenApiTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly JsonSerializerOptions Indented = new() { WriteIndented = true, Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    private static string Kept => Path.Combine(Cluster.Root, "src/GentleBead.Server/openapi.json");

    // The front end's types are generated from the kept document; scripts/client.sh writes both anew.
    [Fact]
    public async Task The_kept_document_is_what_the_server_says()
    {
        var document = JsonNode.Parse(await room.CreateClient().GetStringAsync("/openapi/v1.json"))!.AsObject();
        document.Remove("servers");
        var said = document.ToJsonString(Indented) + "\n";
        if (Environment.GetEnvironmentVariable("GENTLEBEAD_WRITE_OPENAPI") is not null) await File.WriteAllTextAsync(Kept, said);
        Assert.True(said == await File.ReadAllTextAsync(Kept), "src/GentleBead.Server/openapi.json is behind the server: run scripts/client.sh.");
    }

    [Fact]
    public async Task Quantities_are_numbers_that_carry_their_unit()
    {
        var schemas = JsonNode.Parse(await room.CreateClient().GetStringAsync("/openapi/v1.json"))!["components"]!["schemas"]!;
        Assert.NotNull(schemas["PairSettings"]!["properties"]!["wireFeedMPerMin"]);
        Assert.NotNull(schemas["WindowOfLength"]!["properties"]!["aimMm"]);
        Assert.Equal("number", (string?)schemas["Voltage"]!["type"]);
    }
}
