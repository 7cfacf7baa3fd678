using System.Security.Claims;
using System.Text.Encodings.Web;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.Extensions.Options;

namespace GentleBead.Server.Tablets;

/// <summary>
/// Takes a tablet's key for what it is: a booth, and whoever stands there as they said by name and PIN. It is asked only where nobody has
/// signed in on the tablet as a person.
/// </summary>
public sealed class TabletScheme(
    IOptionsMonitor<AuthenticationSchemeOptions> options,
    ILoggerFactory logger,
    UrlEncoder encoder,
    TabletStore tablets
) : AuthenticationHandler<AuthenticationSchemeOptions>(options, logger, encoder)
{
    /// <summary>What the scheme is called.</summary>
    public const string Name = "Tablet";

    private const string Cookie = "gentlebead-booth";

    // As long as a browser keeps one; the key in it changes every week.
    private static readonly TimeSpan Kept = TimeSpan.FromDays(400);

    /// <summary>Which scheme a request is to be asked by: a person's where one has signed in, a tablet's where it carries a key.</summary>
    public static string For(HttpContext http) =>
        !http.Request.Cookies.ContainsKey(Access.PersonCookie) && http.Request.Cookies.ContainsKey(Cookie)
            ? Name
            : CookieAuthenticationDefaults.AuthenticationScheme;

    /// <summary>Gives a tablet its key.</summary>
    public static void Give(HttpContext http, string key) =>
        http.Response.Cookies.Append(
            Cookie,
            key,
            new CookieOptions
            {
                HttpOnly = true,
                SameSite = SameSiteMode.Strict,
                Secure = http.Request.IsHttps,
                MaxAge = Kept,
                Path = "/",
            }
        );

    /// <inheritdoc/>
    protected override async Task<AuthenticateResult> HandleAuthenticateAsync()
    {
        if (Request.Cookies[Cookie] is not { Length: > 0 and <= 64 } key)
            return AuthenticateResult.NoResult();
        // Looking is what a screen does by itself; whoever writes is there.
        var writes = !HttpMethods.IsGet(Request.Method) && !HttpMethods.IsHead(Request.Method);
        var sentOn = writes && Request.Headers.ContainsKey(Access.StandingHeader);
        var touched = writes && !sentOn;
        if (await tablets.FindAsync(key, touched, Context.RequestAborted) is not { } tablet)
        {
            Response.Cookies.Delete(Cookie);
            return AuthenticateResult.Fail("This tablet was put away.");
        }
        if (tablet.Key is { } next)
            Give(Context, next);
        var identity = new ClaimsIdentity(
            [
                new(ClaimTypes.Role, Access.Booth),
                new(Access.BoothClaim, tablet.BoothId.ToString()),
                // The lines of its screens are closed by its own id when it is put away.
                new(Access.SignInClaim, tablet.Id.ToString()),
                new(Access.SchoolClaim, Context.RequestServices.GetRequiredService<SchoolDatabase>().School),
            ],
            Name
        );
        // What waited for the network was noted by whoever stood there then. Only writes are sent on: nobody reads on as somebody else.
        var stands =
            !sentOn ? tablet.Standing
            : Guid.TryParse(Request.Headers[Access.StandingHeader], out var standingId)
                ? await tablets.StoodAsync(tablet.Id, standingId, Context.RequestAborted)
            : null;
        if (stands is { } standing)
        {
            identity.AddClaim(new(ClaimTypes.NameIdentifier, standing.StudentId.ToString()));
            identity.AddClaim(new(Access.StandingClaim, standing.Id.ToString()));
            identity.AddClaim(new(Access.StandingSessionClaim, standing.SessionId.ToString()));
        }
        return AuthenticateResult.Success(new(new ClaimsPrincipal(identity), Name));
    }
}
