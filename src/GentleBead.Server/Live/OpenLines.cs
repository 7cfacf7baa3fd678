using System.Collections.Concurrent;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.SignalR;

namespace GentleBead.Server.Live;

/// <summary>The lines that are open to this server's screens, by the school and the sign-in they were opened with.</summary>
public sealed class OpenLines : IDisposable
{
    private readonly ConcurrentDictionary<string, (string School, HubCallerContext Line)> open = new();
    private readonly SemaphoreSlim opened = new(0);

    /// <summary>The schools that somebody has a line to.</summary>
    public IReadOnlySet<string> Schools => open.Values.Select(one => one.School).ToHashSet(StringComparer.Ordinal);

    /// <summary>A line was opened.</summary>
    public void Add(string school, HubCallerContext line)
    {
        open[line.ConnectionId] = (school, line);
        Opened();
    }

    /// <summary>Has whoever waits for lines look again.</summary>
    public void Opened() => opened.Release();

    /// <summary>A line was closed.</summary>
    public void Remove(HubCallerContext line) => open.TryRemove(line.ConnectionId, out _);

    /// <summary>Waits until another line is opened.</summary>
    public Task OpenedAsync(CancellationToken cancel) => opened.WaitAsync(cancel);

    /// <inheritdoc/>
    public void Dispose() => opened.Dispose();

    /// <summary>Closes every line of a school's sign-in that was ended.</summary>
    public void Close(string school, Guid signIn)
    {
        foreach (var (of, line) in open.Values)
        {
            if (of == school && line.User!.SignInId() == signIn)
                line.Abort();
        }
    }
}
