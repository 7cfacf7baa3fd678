using GentleBead.Core.Sessions;

namespace GentleBead.Server.Sessions;

/// <summary>A session: a stretch of time in a room, for a course or open to all.</summary>
/// <param name="Id">Which session.</param>
/// <param name="Title">What the room calls it.</param>
/// <param name="HeldOn">The day it begins, by the school's clock.</param>
/// <param name="Begins">When it begins, by the school's clock; null where only the day was noted.</param>
/// <param name="Ends">When it ends; null with it.</param>
/// <param name="BeginsAt">The moment it begins.</param>
/// <param name="EndsAt">The moment it ends.</param>
/// <param name="RoomId">In which room.</param>
/// <param name="RoomName">What that is called.</param>
/// <param name="CourseId">For which course; null where it is open.</param>
/// <param name="CourseName">What that is called; null with it.</param>
/// <param name="Cancelled">Why it is not held, empty without a reason; null where it is.</param>
/// <param name="Version">Raised by every change; what a change has to name.</param>
public sealed record Session(
    Guid Id,
    string Title,
    DateOnly HeldOn,
    TimeOnly? Begins,
    TimeOnly? Ends,
    DateTimeOffset BeginsAt,
    DateTimeOffset EndsAt,
    Guid RoomId,
    string RoomName,
    Guid? CourseId,
    string? CourseName,
    string? Cancelled,
    int Version
);

/// <summary>A session that is to be held.</summary>
/// <param name="Id">Which session.</param>
/// <param name="Title">What the room is to call it.</param>
/// <param name="Stretch">When, by the school's clock.</param>
/// <param name="RoomId">In which room.</param>
/// <param name="CourseId">For which course; null where it is open.</param>
public sealed record PlannedSession(Guid Id, string Title, Stretch Stretch, Guid RoomId, Guid? CourseId = null);

/// <summary>What came of adding or changing a session.</summary>
/// <param name="Session">As it stands now; null where it was refused.</param>
/// <param name="Clash">The session that has the room then; null where there is none, and the change named an older version.</param>
public sealed record SessionOutcome(Session? Session, Session? Clash = null);
