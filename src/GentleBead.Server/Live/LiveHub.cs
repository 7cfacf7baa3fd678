using GentleBead.Server.Http;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.SignalR;

namespace GentleBead.Server.Live;

/// <summary>Tells open screens that something changed; they ask for the new state themselves.</summary>
[Authorize(Policy = Access.AnyScreen)]
public sealed class LiveHub(OpenLines lines) : Hub
{
    /// <summary>The group every instructor's screen is in.</summary>
    public const string Instructors = "instructors";

    /// <summary>The group of one student's screens.</summary>
    public static string StudentGroup(Guid studentId) => $"student-{studentId}";

    /// <summary>The group of one booth's tablets.</summary>
    public static string BoothGroup(Guid boothId) => $"booth-{boothId}";

    /// <inheritdoc/>
    public override Task OnConnectedAsync()
    {
        lines.Add(Context);
        var user = Context.User!;
        var group =
            user.IsInRole(Access.Booth) ? BoothGroup(user.BoothId())
            : user.IsInRole(nameof(Role.Instructor)) ? Instructors
            : StudentGroup(user.Id());
        return Groups.AddToGroupAsync(Context.ConnectionId, group);
    }

    /// <inheritdoc/>
    public override Task OnDisconnectedAsync(Exception? exception)
    {
        lines.Remove(Context);
        return Task.CompletedTask;
    }
}
