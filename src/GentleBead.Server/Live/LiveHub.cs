using GentleBead.Server.Http;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.SignalR;

namespace GentleBead.Server.Live;

/// <summary>Tells open screens that something changed; they ask for the new state themselves.</summary>
[Authorize(Policy = Access.SignedIn)]
public sealed class LiveHub(OpenLines lines) : Hub
{
    /// <summary>The group every instructor's screen is in.</summary>
    public const string Instructors = "instructors";

    /// <summary>The group of one student's screens.</summary>
    public static string StudentGroup(Guid studentId) => $"student-{studentId}";

    /// <inheritdoc/>
    public override Task OnConnectedAsync()
    {
        lines.Add(Context);
        return Groups.AddToGroupAsync(
            Context.ConnectionId,
            Context.User!.IsInRole(nameof(Role.Instructor)) ? Instructors : StudentGroup(Context.User!.Id())
        );
    }

    /// <inheritdoc/>
    public override Task OnDisconnectedAsync(Exception? exception)
    {
        lines.Remove(Context);
        return Task.CompletedTask;
    }
}
