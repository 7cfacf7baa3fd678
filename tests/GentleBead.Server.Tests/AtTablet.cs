using System.Net.Http.Json;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Tablets;

namespace GentleBead.Server.Tests;

/// <summary>A booth's tablet with somebody at it.</summary>
internal static class AtTablet
{
    /// <summary>Pairs a tablet with a booth and has a student say that they stand there.</summary>
    /// <returns>The tablet, and the sign-in they said so by.</returns>
    public static async Task<(HttpClient Tablet, Guid Standing)> PairedAsync(
        this DemoRoom room,
        HttpClient maren,
        Guid boothId,
        string login
    )
    {
        var made = await maren.PutAsJsonAsync($"/api/tablets/codes/{Guid.CreateVersion7()}", new { boothId });
        var tablet = room.CreateClient();
        var pairing = new { id = Guid.CreateVersion7(), (await made.ReadAsync<PairingCode>()).Code };
        (await tablet.PostAsJsonAsync("/api/tablets/pair", pairing)).EnsureSuccessStatusCode();
        var student = await room.QueryAsync<Guid>("select id from person where login = @login", new { login });
        var pin = (await (await maren.PostAsync($"/api/people/{student}/pin", null)).ReadAsync<NewPin>()).Pin;
        var standing = Guid.CreateVersion7();
        (await tablet.PutAsJsonAsync($"/api/booth/standing/{standing}", new { studentId = student, pin })).EnsureSuccessStatusCode();
        return (tablet, standing);
    }

    /// <summary>Sends on what was noted by a sign-in.</summary>
    public static Task<HttpResponseMessage> SendOnAsync(this HttpClient tablet, Guid? standing, string path, HttpContent content)
    {
        var request = new HttpRequestMessage(HttpMethod.Put, path) { Content = content };
        if (standing is { } by)
            request.Headers.Add(Access.StandingHeader, $"{by}");
        return tablet.SendAsync(request);
    }
}
