using System.Security.Claims;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;

namespace GentleBead.Server.People;

/// <summary>
/// Whether the sign-in a cookie was given for still stands: asked at every request, so that ending one ends it everywhere.
/// </summary>
public static class SignInCheck
{
    /// <summary>Takes the cookie of a sign-in that was ended, of an account that is switched off or dead, for none.</summary>
    public static async Task ValidateAsync(CookieValidatePrincipalContext context)
    {
        var services = context.HttpContext.RequestServices;
        if (
            // A cookie of before schools were named is of the only one there was.
            context.Principal
                is { } user
            && user.School() == services.GetRequiredService<SchoolDatabase>().School
            && Guid.TryParse(user.FindFirstValue(Access.SignInClaim), out var id)
            && await services
                .GetRequiredService<SignInStore>()
                .RoleOfAsync(id, services.GetRequiredService<Accounts>().Demo, context.HttpContext.RequestAborted)
                is { } role
            && user.IsInRole(role.ToString())
        )
        {
            return;
        }
        context.RejectPrincipal();
        await context.HttpContext.SignOutAsync();
    }
}
