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

    /// <summary>Whoever works: instructors, students, and a student at a booth's tablet who has said who they are.</summary>
    public const string AtWork = "AtWork";

    /// <summary>Every screen: of an instructor, of a student, of a booth.</summary>
    public const string AnyScreen = "AnyScreen";

    /// <summary>Tablets of booths only, whether or not somebody stands there.</summary>
    public const string Tablet = "Tablet";

    /// <summary>The role of a booth's tablet: no person's.</summary>
    public const string Booth = "Booth";

    /// <summary>The cookie of a person who has signed in.</summary>
    public const string PersonCookie = "gentlebead";

    /// <summary>The claim that names a tablet's booth.</summary>
    public const string BoothClaim = "booth";

    /// <summary>The claim that names by which sign-in somebody stands at a tablet.</summary>
    public const string StandingClaim = "standing";

    /// <summary>The claim that names in which session somebody stands at a tablet.</summary>
    public const string StandingSessionClaim = "standing-session";

    /// <summary>
    /// The header that names by which sign-in at a tablet something was noted: what waited for the network is sent as theirs, whoever
    /// stands there now.
    /// </summary>
    public const string StandingHeader = "Gentle-Bead-Standing";

    /// <summary>Whether a tablet knows that they stood at its booth in a session.</summary>
    public static bool StandsIn(this ClaimsPrincipal user, Guid sessionId) =>
        user.FindFirstValue(StandingSessionClaim) == sessionId.ToString();

    /// <summary>Which booth a tablet is at.</summary>
    public static Guid BoothId(this ClaimsPrincipal user) => Guid.Parse(user.FindFirstValue(BoothClaim)!);

    /// <summary>The id of whoever is signed in, or stands at the tablet.</summary>
    public static Guid Id(this ClaimsPrincipal user) => Guid.Parse(user.FindFirstValue(ClaimTypes.NameIdentifier)!);

    /// <summary>The claim that names the sign-in a cookie was given for.</summary>
    public const string SignInClaim = "sign-in";

    /// <summary>The claim that names the school they signed in at, by the name it is served under.</summary>
    public const string SchoolClaim = "school";

    /// <summary>Which school they signed in at; empty where there is only one.</summary>
    public static string School(this ClaimsPrincipal user) => user.FindFirstValue(SchoolClaim) ?? "";

    /// <summary>Which sign-in they came by; of a tablet, which tablet.</summary>
    public static Guid SignInId(this ClaimsPrincipal user) => Guid.Parse(user.FindFirstValue(SignInClaim)!);

    /// <summary>Whether they may see what belongs to a student: themselves, or an instructor.</summary>
    public static bool MaySee(this ClaimsPrincipal user, Guid studentId) =>
        user.IsInRole(nameof(Role.Instructor)) || user.Id() == studentId;
}
