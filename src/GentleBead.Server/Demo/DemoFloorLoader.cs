using GentleBead.Core.Floor;
using GentleBead.Server.Database;
using GentleBead.Server.Floor;
using GentleBead.Server.Rooms;

namespace GentleBead.Server.Demo;

/// <summary>What happens on the floor of the evening that runs: a hand that is up, and where the instructor has been.</summary>
internal static class DemoFloorLoader
{
    /// <summary>Puts it in.</summary>
    public static async Task LoadAsync(
        IServiceProvider services,
        Guid sessionId,
        IReadOnlyDictionary<int, Booth> booths,
        IReadOnlyDictionary<string, Guid> ids,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var at = new OwnPlace(sessionId, booths[4].Id);
        await services
            .GetRequiredService<HandStore>()
            .RaiseAsync(Guid.CreateVersion7(), at, ids["jun"], HandReason.Look, Sent.ByNobody, now.AddMinutes(-4), cancel);
        var floor = services.GetRequiredService<FloorStore>();
        foreach (
            var (booth, login, minutes, note) in new[] { (1, "ilsa", 3, "Rests her elbow now: the ripples came even."), (3, "wynn", 8, "") }
        )
        {
            var visit = new Visiting(ids[login], note);
            var when = now.AddMinutes(-minutes);
            await floor.VisitAsync(Guid.CreateVersion7(), sessionId, booths[booth].Id, visit, ids["maren"], Sent.ByNobody, when, cancel);
        }
    }
}
