using System.Security.Claims;

namespace GentleBead.Server.Http;

/// <summary>What a person may do.</summary>
public enum Role
{
    /// <summary>Runs the room.</summary>
    Instructor,

    /// <summary>Sees their own sheets and beads.</summary>
    Student,
}

/// <summary>Who may call what. Every endpoint names one of these or says that anybody may.</summary>
public static class Access
{
    /// <summary>Anybody signed in.</summary>
    public const string SignedIn = "SignedIn";

    /// <summary>Instructors only.</summary>
    public const string Instructor = "Instructor";

    /// <summary>The id of whoever is signed in.</summary>
    public static Guid Id(this ClaimsPrincipal user) => Guid.Parse(user.FindFirstValue(ClaimTypes.NameIdentifier)!);

    /// <summary>The claim that names the sign-in a cookie was given for.</summary>
    public const string SignInClaim = "sign-in";

    /// <summary>Which sign-in they came by.</summary>
    public static Guid SignInId(this ClaimsPrincipal user) => Guid.Parse(user.FindFirstValue(SignInClaim)!);

    /// <summary>Whether they may see what belongs to a student: themselves, or an instructor.</summary>
    public static bool MaySee(this ClaimsPrincipal user, Guid studentId) =>
        user.IsInRole(nameof(Role.Instructor)) || user.Id() == studentId;
}
