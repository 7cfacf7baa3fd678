using System.Collections.Concurrent;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.SignalR;

namespace GentleBead.Server.Live;

/// <summary>The lines that are open to this server's screens, by the sign-in they were opened with.</summary>
public sealed class OpenLines
{
    private readonly ConcurrentDictionary<string, HubCallerContext> open = new();

    /// <summary>A line was opened.</summary>
    public void Add(HubCallerContext line) => open[line.ConnectionId] = line;

    /// <summary>A line was closed.</summary>
    public void Remove(HubCallerContext line) => open.TryRemove(line.ConnectionId, out _);

    /// <summary>Closes every line of a sign-in that was ended.</summary>
    public void Close(Guid signIn)
    {
        foreach (var line in open.Values.Where(line => line.User!.SignInId() == signIn))
            line.Abort();
    }
}
