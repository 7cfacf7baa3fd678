using System.Threading.RateLimiting;
using GentleBead.Server;
using GentleBead.Server.Arc;
using GentleBead.Server.Beads;
using GentleBead.Server.Calculators;
using GentleBead.Server.Checks;
using GentleBead.Server.Database;
using GentleBead.Server.Json;
using GentleBead.Server.Judging;
using GentleBead.Server.Kept;
using GentleBead.Server.Listening;
using GentleBead.Server.Live;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Practice;
using GentleBead.Server.Sessions;
using GentleBead.Server.Sheets;
using GentleBead.Server.TestWelds;
using GentleBead.Server.Trials;
using GentleBead.Server.Windows;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.Extensions.Options;
using Npgsql;

var builder = WebApplication.CreateBuilder(args);
var services = builder.Services;
var connectionString = builder.Configuration["GENTLEBEAD_DATABASE"]
    ?? throw new InvalidOperationException("GENTLEBEAD_DATABASE is not set. ./start sets it; by hand: \"Host=127.0.0.1;Database=gentlebead;Username=…;Password=…\".");

builder.WebHost.ConfigureKestrel(kestrel =>
{
    kestrel.AddServerHeader = false;
    kestrel.Limits.MaxRequestBodySize = 256 * 1024;
});
services.AddSingleton(_ => NpgsqlDataSource.Create(connectionString));
services.AddSingleton(TimeProvider.System);
services.AddSingleton<PeopleStore>().AddSingleton<MachineStore>().AddSingleton<SessionStore>().AddSingleton<SheetStore>()
    .AddSingleton<PresetStore>().AddSingleton<BeadStore>().AddSingleton<CheckStore>().AddSingleton<KeptStore>()
    .AddSingleton<RulingStore>().AddSingleton<PictureStore>().AddSingleton<ToleranceStore>().AddSingleton<TrialStore>().AddSingleton<SweepStore>()
    .AddSingleton<TestWeldStore>().AddSingleton<BeadJudge>().AddSingleton<RoomWindows>()
    .AddSingleton<RecordingStore>().AddSingleton<RecordingKeeper>().AddSingleton<StandInStore>().AddSingleton<DrillStore>();
services.AddHostedService<RoomListener>();
services.AddSignalR();

services.ConfigureHttpJsonOptions(options => QuantityJson.Apply(options.SerializerOptions));
services.AddOpenApi(options => options.AddSchemaTransformer(QuantityJson.DescribeAsync).AddDocumentTransformer(QuantityJson.DescribeOnceAsync));
services.AddProblemDetails();
services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);

services.AddDataProtection().SetApplicationName("GentleBead");
services.AddSingleton<IConfigureOptions<KeyManagementOptions>>(provider =>
    new ConfigureOptions<KeyManagementOptions>(options => options.XmlRepository = new KeyRing(provider.GetRequiredService<NpgsqlDataSource>())));
services.AddAuthentication(CookieAuthenticationDefaults.AuthenticationScheme).AddCookie(cookie =>
{
    cookie.Cookie.Name = "gentlebead";
    cookie.Cookie.HttpOnly = true;
    cookie.Cookie.SameSite = SameSiteMode.Strict;
    cookie.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
    cookie.ExpireTimeSpan = TimeSpan.FromHours(12);
    cookie.SlidingExpiration = true;
    cookie.Events.OnRedirectToLogin = context => Answer(context.Response, StatusCodes.Status401Unauthorized);
    cookie.Events.OnRedirectToAccessDenied = context => Answer(context.Response, StatusCodes.Status403Forbidden);
});
services.AddAuthorizationBuilder()
    .AddPolicy(Access.SignedIn, policy => policy.RequireAuthenticatedUser())
    .AddPolicy(Access.Instructor, policy => policy.RequireRole(nameof(Role.Instructor)))
    .SetFallbackPolicy(new Microsoft.AspNetCore.Authorization.AuthorizationPolicyBuilder().RequireAuthenticatedUser().Build());
services.AddRateLimiter(limiter =>
{
    limiter.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
    var perMinute = builder.Configuration.GetValue("GENTLEBEAD_SIGN_INS_PER_MINUTE", 60);
    limiter.AddPolicy(PeopleEndpoints.SignInLimit, http => RateLimitPartition.GetFixedWindowLimiter(
        http.Connection.RemoteIpAddress?.ToString() ?? "", _ => new FixedWindowRateLimiterOptions { PermitLimit = perMinute, Window = TimeSpan.FromMinutes(1) }));
});

var app = builder.Build();
try
{
    await OneAtATime.RunAsync(connectionString, async () =>
    {
        Migrations.Run(connectionString);
        if (app.Configuration.GetValue("GENTLEBEAD_DEMO", false)) await DemoLoader.LoadAsync(app.Services);
    });
}
catch (Exception unprepared) when (unprepared is NpgsqlException or ArgumentException)
{
    await Console.Error.WriteLineAsync($"The database cannot be used: {unprepared.Message} Check GENTLEBEAD_DATABASE.");
    return 1;
}

app.UseReadableRequests();
app.UseMiddleware<StrictHeaders>();
app.UseStaticFiles();
app.UseAuthentication();
app.UseAuthorization();
app.UseRateLimiter();

app.MapOpenApi().AllowAnonymous();
app.MapGet("/health/live", () => "live").AllowAnonymous().ExcludeFromDescription();
app.MapGet("/health/ready", async (NpgsqlDataSource database) =>
{
    try
    {
        await using var command = database.CreateCommand("select 1");
        await command.ExecuteScalarAsync();
        return Results.Text("ready");
    }
    catch (NpgsqlException)
    {
        return Results.Problem(statusCode: StatusCodes.Status503ServiceUnavailable, title: "The database does not answer.");
    }
}).AllowAnonymous().ExcludeFromDescription();
PeopleEndpoints.Map(app);
MachineEndpoints.Map(app);
SessionEndpoints.Map(app);
SheetEndpoints.Map(app);
PresetEndpoints.Map(app);
CardEndpoints.Map(app);
BeadEndpoints.Map(app);
PictureEndpoints.Map(app);
JudgingEndpoints.Map(app);
TrialEndpoints.Map(app);
SweepEndpoints.Map(app);
WindowEndpoints.Map(app);
TestWeldEndpoints.Map(app);
CheckEndpoints.Map(app);
KeptEndpoints.Map(app);
CalculatorEndpoints.Map(app);
RecordingEndpoints.Map(app);
ArcEndpoints.Map(app);
PracticeEndpoints.Map(app);
app.MapHub<LiveHub>("/live");
app.MapFallback("/api/{**rest}", () => Results.Problem(statusCode: StatusCodes.Status404NotFound, title: "There is no such address.")).AllowAnonymous();
app.MapFallbackToFile("index.html").AllowAnonymous();

await app.RunAsync();
return 0;

static Task Answer(HttpResponse response, int status)
{
    response.StatusCode = status;
    return Task.CompletedTask;
}

/// <summary>Named so that tests can start the server.</summary>
public partial class Program;
