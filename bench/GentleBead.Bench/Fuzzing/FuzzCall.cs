using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using FsCheck;
using FsCheck.Fluent;

namespace GentleBead.Bench.Fuzzing;

/// <summary>One operation of the OpenAPI document, and requests to it without end.</summary>
internal sealed class FuzzCall
{
    private readonly string path;
    private readonly IReadOnlyList<(string Name, string In, Gen<JsonNode?> Values)> parameters;
    private readonly (string Type, Gen<JsonNode?> Values)? body;

    public FuzzCall(string method, string path, JsonElement operation, FuzzValues values)
    {
        (Method, this.path) = (new HttpMethod(method.ToUpperInvariant()), path);
        parameters = operation.TryGetProperty("parameters", out var given)
            ?
            [
                .. given
                    .EnumerateArray()
                    .Select(one =>
                        (one.GetProperty("name").GetString()!, one.GetProperty("in").GetString()!, values.Of(one.GetProperty("schema")))
                    ),
            ]
            : [];
        if (operation.TryGetProperty("requestBody", out var sent))
        {
            var content = sent.GetProperty("content").EnumerateObject().First();
            body = (content.Name, values.Of(content.Value.GetProperty("schema")));
        }
    }

    public HttpMethod Method { get; }

    /// <summary>How it is called where it is told of.</summary>
    public string Name => $"{Method} {path}";

    /// <summary>What an id in its path is an id of: "sheets" of /api/sheets/{id}.</summary>
    public string About => path.Split('/', StringSplitOptions.RemoveEmptyEntries) is [_, var about, ..] ? about : "";

    /// <summary>A request, the same for the same seed and the same known ids.</summary>
    /// <param name="seed">Which one.</param>
    /// <param name="known">An id that the school knows, by the name it goes by.</param>
    public HttpRequestMessage Request(ulong seed, Func<string, string> known)
    {
        var (to, query) = (path, new List<string>());
        foreach (var (name, place, values) in parameters)
        {
            var value = One(values, ref seed);
            var text = Known(value, name == "id" ? About : name, known) is { } node ? TextOf(node) : "";
            if (place == "path")
                to = to.Replace($"{{{name}}}", Uri.EscapeDataString(text.Length > 0 ? text : "-"), StringComparison.Ordinal);
            else if (value is not null)
                query.Add($"{name}={Uri.EscapeDataString(text)}");
        }
        var request = new HttpRequestMessage(Method, query.Count > 0 ? $"{to}?{string.Join('&', query)}" : to);
        if (body is var (type, shapes))
            request.Content = new StringContent(Written(Known(One(shapes, ref seed), "", known)), Encoding.UTF8, type);
        return request;
    }

    private static JsonNode? One(Gen<JsonNode?> values, ref ulong seed) => values.Sample(30, new Rnd(seed++), 1)[0]?.DeepClone();

    private static string TextOf(JsonNode node) =>
        node is JsonValue value && value.TryGetValue<string>(out var text) ? text : Written(node);

    private static string Written(JsonNode? node)
    {
        try
        {
            return node?.ToJsonString() ?? "null";
        }
        catch (ArgumentException)
        {
            // JSON has no words for an endless number or half of a pair.
            return "{\"text\":\"\\ud800\"}";
        }
    }

    private static JsonNode? Known(JsonNode? node, string name, Func<string, string> known)
    {
        switch (node)
        {
            case JsonObject members:
                foreach (var (key, value) in members.ToList())
                    members[key] = Known(value?.DeepClone(), key, known);
                return members;
            case JsonArray list:
                for (var i = 0; i < list.Count; i++)
                    list[i] = Known(list[i]?.DeepClone(), name, known);
                return list;
            case JsonValue value when value.TryGetValue<string>(out var text) && text == FuzzValues.KnownId:
                return JsonValue.Create(known(name));
            default:
                return node;
        }
    }
}
