using GentleBead.Server.Http;

namespace GentleBead.Server.Schools;

/// <summary>Chooses the school by the host name of a request; what leads to none that is served is told so.</summary>
public sealed class ChooseSchool(RequestDelegate next)
{
    /// <summary>Passes on what is for a school that is served, and what asks how this server is.</summary>
    public Task InvokeAsync(HttpContext http, SchoolsServed schools, ChosenSchool chosen)
    {
        var school = schools.At(http.Request.Host.Host);
        if (school is not null)
            chosen.Choose(school);
        if (school is { Trouble: null, Entry.State: not ServedState.Closed })
            return next(http);
        if (http.Request.Path.StartsWithSegments("/health", StringComparison.Ordinal))
        {
            // Whose ever cookie it carries, nobody is asked about it.
            http.Request.Headers.Cookie = default;
            return next(http);
        }
        return school switch
        {
            null => Problems.Told(StatusCodes.Status421MisdirectedRequest, Say($"No school is at this address.")).ExecuteAsync(http),
            { Entry.State: ServedState.Closed } => Problems
                .Told(StatusCodes.Status410Gone, Say($"This school is closed here."))
                .ExecuteAsync(http),
            _ => Problems.TooBusyAsync(http, Say($"This school’s database is being looked after. Try again in a while.")),
        };
    }
}
