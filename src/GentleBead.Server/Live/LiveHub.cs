using GentleBead.Server.Http;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.SignalR;

namespace GentleBead.Server.Live;

/// <summary>Tells open screens that something changed; they ask for the new state themselves.</summary>
[Authorize(Policy = Access.AnyScreen)]
public sealed class LiveHub(OpenLines lines) : Hub
{
    /// <summary>The group every screen of a school is in.</summary>
    public static string All(string school) => $"{school}/all";

    /// <summary>The group every instructor's screen is in.</summary>
    public static string Instructors(string school) => $"{school}/instructors";

    /// <summary>The group of one student's screens.</summary>
    public static string StudentGroup(string school, Guid studentId) => $"{school}/student-{studentId}";

    /// <summary>The group of one booth's tablets.</summary>
    public static string BoothGroup(string school, Guid boothId) => $"{school}/booth-{boothId}";

    /// <inheritdoc/>
    public override async Task OnConnectedAsync()
    {
        var user = Context.User!;
        var school = user.School();
        var group =
            user.IsInRole(Access.Booth) ? BoothGroup(school, user.BoothId())
            : user.IsInRole(nameof(Role.Instructor)) ? Instructors(school)
            : StudentGroup(school, user.Id());
        await Groups.AddToGroupAsync(Context.ConnectionId, All(school));
        await Groups.AddToGroupAsync(Context.ConnectionId, group);
        lines.Add(school, Context);
    }

    /// <inheritdoc/>
    public override Task OnDisconnectedAsync(Exception? exception)
    {
        lines.Remove(Context);
        return Task.CompletedTask;
    }
}
