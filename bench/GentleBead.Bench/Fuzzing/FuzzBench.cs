using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using GentleBead.Demo;
using GentleBead.Testing;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Fuzzing;

/// <summary>
/// Every call of the OpenAPI document with values that fit and values that do not, as anybody may send them: what breaks, what takes long.
/// </summary>
internal sealed class FuzzBench(RunningServer server, IReadOnlyList<FuzzCall> calls)
{
    private const int AtOnce = 4;
    private const double MostSeconds = 5;
    private const int MostKnown = 300;
    private static readonly char[] Capitals = [.. Enumerable.Range('A', 26).Select(letter => (char)letter)];
    private static readonly string?[] Roles = ["maren", "maren", "sunniva", "jun", null];

    // They would end the sign-ins that the rest is sent with; AccountTests have them.
    private static readonly string[] Ends = ["/sign-out", "/password", "/deactivated", "/forgetting", "/active", "/use-code"];
    private readonly ConcurrentDictionary<string, ConcurrentQueue<string>> ids = [];
    private readonly ConcurrentDictionary<string, int> broken = [];
    private readonly ConcurrentDictionary<HttpStatusCode, int> answers = [];
    private readonly ConcurrentDictionary<string, bool> granted = [];
    private readonly Lock alone = new();
    private double longest;

    /// <summary>Sends so many requests.</summary>
    public static async Task<int> MeasureAsync(int many, int seed)
    {
        await using var server = await RunningServer.StartAsync(demo: true, null, ("GENTLEBEAD_SIGN_INS_PER_MINUTE", "1000000"));
        using var client = new HttpClient { BaseAddress = server.Address };
        using var document = JsonDocument.Parse(await client.GetStringAsync("/openapi/v1.json"));
        var values = new FuzzValues(document.RootElement);
        var calls = document
            .RootElement.GetProperty("paths")
            .EnumerateObject()
            .SelectMany(path => path.Value.EnumerateObject().Select(one => new FuzzCall(one.Name, path.Name, one.Value, values)))
            .Where(call => !Ends.Any(end => call.Name.Contains(end, StringComparison.Ordinal)))
            .ToList();
        return await new FuzzBench(server, calls).RunAsync(many, seed);
    }

    private async Task<int> RunAsync(int many, int seed)
    {
        var figures = new Figures("fuzz");
        var clients = new Dictionary<string, HttpClient>();
        foreach (var role in Roles.Distinct())
            clients[role ?? ""] = await ClientAsync(role);
        // What a school knows is learned from what it answers.
        foreach (var call in calls.Where(call => call.Method == HttpMethod.Get))
            await SendAsync(clients["maren"], call, (ulong)seed);
        await Parallel.ForEachAsync(
            Enumerable.Range(0, many),
            new ParallelOptions { MaxDegreeOfParallelism = AtOnce },
            async (i, _) =>
            {
                var chance = new Xoshiro256StarStar(seed * 1_000_003 + i);
                var role = Roles[chance.Next(Roles.Length)] ?? "";
                await SendAsync(clients[role], calls[chance.Next(calls.Count)], (ulong)chance.NextInt64());
            }
        );
        var before = broken.Values.Sum();
        // Whatever was stored on the way reads back: every page's call, by every id that is known.
        foreach (var call in calls.Where(call => call.Method == HttpMethod.Get))
        {
            for (var again = 0; again < 20; again++)
                await SendAsync(clients["maren"], call, (ulong)(seed + again));
        }
        foreach (var client in clients.Values)
            client.Dispose();
        foreach (var (what, times) in broken.OrderByDescending(one => one.Value).Take(30))
            Console.WriteLine($"{times} x {what}");
        foreach (var words in broken.IsEmpty ? [] : server.Words.TakeLast(30))
            Console.WriteLine(words);
        Console.WriteLine(string.Join(", ", answers.OrderBy(one => one.Key).Select(one => $"{(int)one.Key}: {one.Value}")));
        var never = calls.Select(call => call.Name).Distinct().Except(granted.Keys).Order().ToList();
        Console.WriteLine($"Calls that were granted at least once: {granted.Count}; never: {string.Join(", ", never)}");
        figures.AtMost("answers of 500 and above", before, 0);
        figures.AtMost("of what was stored, reads that broke", broken.Values.Sum() - before, 0);
        figures.AtMost("longest, s", longest, MostSeconds);
        return figures.Close($"{many} requests to {calls.Count} calls: {before} broke, longest {longest:0.00} s");
    }

    private async Task<HttpClient> ClientAsync(string? login)
    {
        var client = new HttpClient { BaseAddress = server.Address, Timeout = TimeSpan.FromMinutes(1) };
        if (login is not null)
        {
            using var answer = await client.PostAsJsonAsync("/api/people/sign-in", new { login, password = DemoSchool.Password });
            answer.EnsureSuccessStatusCode();
        }
        return client;
    }

    private async Task SendAsync(HttpClient client, FuzzCall call, ulong seed)
    {
        using var request = call.Request(seed, Known);
        var began = Stopwatch.GetTimestamp();
        using var answer = await client.SendAsync(request);
        var text = await answer.Content.ReadAsStringAsync();
        var took = Stopwatch.GetElapsedTime(began).TotalSeconds;
        lock (alone)
            longest = Math.Max(longest, took);
        if (took > MostSeconds)
            Console.WriteLine($"{took:0.0} s: {call.Name} {request.RequestUri}");
        answers.AddOrUpdate(answer.StatusCode, 1, (_, count) => count + 1);
        if (answer.IsSuccessStatusCode)
            granted[call.Name] = true;
        if ((int)answer.StatusCode >= 500)
        {
            broken.AddOrUpdate($"{(int)answer.StatusCode} {call.Name}", 1, (_, count) => count + 1);
            if (broken.Count < 40)
                Console.WriteLine($"{(int)answer.StatusCode} {call.Name} {request.RequestUri}\n  {text[..Math.Min(300, text.Length)]}");
        }
        if (answer.IsSuccessStatusCode && answer.Content.Headers.ContentType?.MediaType == "application/json")
            Learn(text, call.About);
    }

    private string Known(string name)
    {
        if (ids.TryGetValue(Thing(name), out var own) && !own.IsEmpty && Random.Shared.Next(8) > 0)
            return own.ElementAt(Random.Shared.Next(own.Count));
        return $"{Guid.CreateVersion7()}";
    }

    // "sheets" in an address, "sheetId" in a body and "otherSheetId" beside it are ids of the same things.
    private static string Thing(string name)
    {
        var one = name.EndsWith("Id", StringComparison.Ordinal) ? name[..^2] : name.TrimEnd('s');
        return one[Math.Max(0, one.LastIndexOfAny(Capitals))..].ToLowerInvariant();
    }

    // An "id" is known by what the call is about, "sheetId" by its name.
    private void Learn(string text, string about)
    {
        using var json = JsonDocument.Parse(text);
        Walk(json.RootElement, 0);

        void Walk(JsonElement at, int depth)
        {
            if (depth > 8)
                return;
            if (at.ValueKind == JsonValueKind.Array)
            {
                foreach (var one in at.EnumerateArray().Take(20))
                    Walk(one, depth + 1);
            }
            if (at.ValueKind != JsonValueKind.Object)
                return;
            foreach (var property in at.EnumerateObject())
            {
                if (property.Value.ValueKind == JsonValueKind.String && property.Value.TryGetGuid(out var id))
                    Keep(property.Name == "id" ? about : property.Name, $"{id}");
                else
                    Walk(property.Value, depth + 1);
            }
        }

        void Keep(string name, string id)
        {
            var queue = ids.GetOrAdd(Thing(name), _ => new());
            if (!queue.Contains(id))
                queue.Enqueue(id);
            while (queue.Count > MostKnown && queue.TryDequeue(out _))
            {
                // The oldest are forgotten.
            }
        }
    }
}
