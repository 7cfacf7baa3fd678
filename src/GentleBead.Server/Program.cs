using System.Security.Claims;
using System.Threading.RateLimiting;
using GentleBead.Server.Arc;
using GentleBead.Server.BeadFiles;
using GentleBead.Server.Beads;
using GentleBead.Server.Calculators;
using GentleBead.Server.Checks;
using GentleBead.Server.Costs;
using GentleBead.Server.Courses;
using GentleBead.Server.Database;
using GentleBead.Server.Demo;
using GentleBead.Server.Floor;
using GentleBead.Server.Http;
using GentleBead.Server.Json;
using GentleBead.Server.Judging;
using GentleBead.Server.Keeping;
using GentleBead.Server.Kept;
using GentleBead.Server.Listening;
using GentleBead.Server.Live;
using GentleBead.Server.Logbooks;
using GentleBead.Server.Looking;
using GentleBead.Server.Machines;
using GentleBead.Server.Network;
using GentleBead.Server.People;
using GentleBead.Server.Pictures;
using GentleBead.Server.Planning;
using GentleBead.Server.Practice;
using GentleBead.Server.Progress;
using GentleBead.Server.Rooms;
using GentleBead.Server.Running;
using GentleBead.Server.Search;
using GentleBead.Server.Sessions;
using GentleBead.Server.Sheets;
using GentleBead.Server.Skills;
using GentleBead.Server.Tablets;
using GentleBead.Server.TestWelds;
using GentleBead.Server.Trials;
using GentleBead.Server.Windows;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.Extensions.Options;
using Npgsql;

// Requests worked on at once, and those that may wait for them: past that a screen is better told than kept.
const int AtOnce = 64,
    Waiting = 1_000;

// A person's sign-in or a tablet's key, whichever a request carries.
const string EitherScheme = "Either";

// The eye is this program too, in a process of its own.
if (args is [PictureWorker.Verb])
    return PictureWorker.Run();
var builder = WebApplication.CreateBuilder(args);
var services = builder.Services;
var connectionString =
    builder.Configuration["GENTLEBEAD_DATABASE"]
    ?? throw new InvalidOperationException(
        "GENTLEBEAD_DATABASE is not set. ./start sets it; by hand: \"Host=127.0.0.1;Database=gentlebead;Username=…;Password=…\"."
    );

builder.AddTelemetry();
try
{
    builder.AddShopNetwork();
    var keys = services.AddDataProtection().SetApplicationName("GentleBead");
    if (builder.Configuration["GENTLEBEAD_KEY_SEAL"] is { Length: > 0 } seal)
        keys.ProtectKeysWithCertificate(KeySeal.Open(seal, TimeProvider.System.GetUtcNow()));
}
catch (InvalidDataException unusable)
{
    await Console.Error.WriteLineAsync(unusable.Message);
    return 1;
}
builder.WebHost.ConfigureKestrel(kestrel =>
{
    kestrel.AddServerHeader = false;
    kestrel.Limits.MaxRequestBodySize = Limits.Request;
});
services.AddSingleton(_ => Pool.Of(connectionString));
services.AddSingleton(TimeProvider.System);
services
    .AddSingleton<PeopleStore>()
    .AddSingleton<SignInStore>()
    .AddSingleton<AccountStore>()
    .AddSingleton<SchoolClock>()
    .AddSingleton<OwnPassword>()
    .AddSingleton<StudentListStore>()
    .AddSingleton(new Accounts(builder.Configuration.GetValue("GENTLEBEAD_DEMO", false)))
    .AddSingleton<OpenLines>()
    .AddSingleton<MachineStore>()
    .AddSingleton<ReadingStore>()
    .AddSingleton<ChartStore>()
    .AddSingleton<BoothStore>()
    .AddSingleton<MoveStore>()
    .AddSingleton<SessionStore>()
    .AddSingleton<PlaceStore>()
    .AddSingleton<AttendanceStore>()
    .AddSingleton<RoomStore>()
    .AddSingleton<CourseStore>()
    .AddSingleton<RosterStore>()
    .AddSingleton<ExerciseStore>()
    .AddSingleton<PathStore>()
    .AddSingleton<WorkStore>()
    .AddSingleton<SkillStore>()
    .AddSingleton<ProgressStore>()
    .AddSingleton<CourseProgressStore>()
    .AddSingleton<CourseReader>()
    .AddSingleton<InstructorWordStore>()
    .AddSingleton<StudentReader>()
    .AddSingleton<ReportReader>()
    .AddSingleton<LogbookStore>()
    .AddSingleton<LogbookWriter>()
    .AddSingleton<HeldStore>()
    .AddSingleton<ForgettingStore>()
    .AddSingleton<KeepingStore>()
    .AddSingleton<RunningReader>()
    .AddSingleton<CostStore>()
    .AddSingleton<StripStore>()
    .AddSingleton<GoalStore>()
    .AddSingleton<RemarkStore>()
    .AddSingleton<PlanStore>()
    .AddSingleton<StockStore>()
    .AddSingleton<PlanFactStore>()
    .AddSingleton<PlanReader>()
    .AddSingleton<FloorStore>()
    .AddSingleton<HandStore>()
    .AddSingleton<StopStore>()
    .AddSingleton<PinStore>()
    .AddSingleton<TabletStore>()
    .AddSingleton<StandingStore>()
    .AddSingleton<SheetGiver>()
    .AddSingleton<SheetStore>()
    .AddSingleton<SheetAtHand>()
    .AddSingleton<CouponStore>()
    .AddSingleton<SettingStore>()
    .AddSingleton<PresetStore>()
    .AddSingleton<BeadStore>()
    .AddSingleton<BeadFileStore>()
    .AddSingleton<BeadRecorder>()
    .AddSingleton<OwnWordStore>()
    .AddSingleton<UnplacedStore>()
    .AddSingleton<CheckStore>()
    .AddSingleton<KeptStore>()
    .AddSingleton<RulingStore>()
    .AddSingleton<CauseRulingStore>()
    .AddSingleton<PictureStore>()
    .AddSingleton<PictureKeeper>()
    .AddSingleton<PictureProcess>()
    .AddSingleton<FaceStore>()
    .AddSingleton<BackStore>()
    .AddSingleton<EyeCardStore>()
    .AddSingleton<KeptPictures>()
    .AddSingleton<FaceReaderOfPictures>()
    .AddSingleton<SectionReadings>()
    .AddSingleton<LessonStore>()
    .AddSingleton<ToleranceStore>()
    .AddSingleton<TrialStore>()
    .AddSingleton<SweepStore>()
    .AddSingleton<WindowStore>()
    .AddSingleton<TestWeldStore>()
    .AddSingleton<AssessorCheck>()
    .AddSingleton<RecordingStore>()
    .AddSingleton<RecordingKeeper>()
    .AddSingleton<StandInStore>()
    .AddSingleton<DrillStore>()
    .AddSingleton<NamedRecordingStore>()
    .AddSingleton<RoomDrills>()
    .AddSingleton<UploadStore>()
    .AddSingleton<PackedSound>()
    .AddSingleton<HeavyWork>();
services.AddHostedService<RoomListener>();
services.AddHostedService<KeepingChore>();
services.AddSignalR();

services.ConfigureHttpJsonOptions(options => RequestRules.Apply(QuantityJson.Apply(options.SerializerOptions)));
services.AddOpenApi(options =>
    options
        .AddSchemaTransformer(QuantityJson.DescribeAsync)
        .AddSchemaTransformer(SaidJson.DescribeAsync)
        .AddDocumentTransformer(QuantityJson.DescribeOnceAsync)
        .AddDocumentTransformer(ApiDescription.DescribeDocumentAsync)
        .AddOperationTransformer(ApiDescription.DescribeOperationAsync)
);
services.AddProblemDetails();
services.AddSmallAnswers();
services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);

services.AddSingleton<IConfigureOptions<KeyManagementOptions>>(provider => new ConfigureOptions<KeyManagementOptions>(options =>
    options.XmlRepository = new KeyRing(provider.GetRequiredService<NpgsqlDataSource>())
));
services
    .AddAuthentication(schemes =>
    {
        schemes.DefaultScheme = CookieAuthenticationDefaults.AuthenticationScheme;
        schemes.DefaultAuthenticateScheme = EitherScheme;
    })
    .AddPolicyScheme(EitherScheme, null, either => either.ForwardDefaultSelector = TabletScheme.For)
    .AddScheme<AuthenticationSchemeOptions, TabletScheme>(TabletScheme.Name, null)
    .AddCookie(cookie =>
    {
        cookie.Cookie.Name = Access.PersonCookie;
        cookie.Cookie.HttpOnly = true;
        cookie.Cookie.SameSite = SameSiteMode.Strict;
        cookie.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        cookie.ExpireTimeSpan = TimeSpan.FromHours(12);
        cookie.SlidingExpiration = true;
        cookie.Events.OnValidatePrincipal = SignInCheck.ValidateAsync;
        cookie.Events.OnRedirectToLogin = context => Answer(context.Response, StatusCodes.Status401Unauthorized);
        cookie.Events.OnRedirectToAccessDenied = context => Answer(context.Response, StatusCodes.Status403Forbidden);
    });
services
    .AddAuthorizationBuilder()
    .AddPolicy(Access.SignedIn, policy => policy.RequireRole(nameof(Role.Instructor), nameof(Role.Student)))
    .AddPolicy(
        Access.AtWork,
        policy => policy.RequireRole(nameof(Role.Instructor), nameof(Role.Student), Access.Booth).RequireClaim(ClaimTypes.NameIdentifier)
    )
    .AddPolicy(Access.AnyScreen, policy => policy.RequireRole(nameof(Role.Instructor), nameof(Role.Student), Access.Booth))
    .AddPolicy(Access.Tablet, policy => policy.RequireRole(Access.Booth))
    .AddPolicy(Access.Instructor, policy => policy.RequireRole(nameof(Role.Instructor)))
    .SetFallbackPolicy(new Microsoft.AspNetCore.Authorization.AuthorizationPolicyBuilder().RequireAuthenticatedUser().Build());
services.AddRateLimiter(limiter =>
{
    limiter.OnRejected = async (rejected, _) =>
        await Problems.TooBusyAsync(rejected.HttpContext, Say($"Many are at it at once. Try again in a moment."));
    limiter.GlobalLimiter = PartitionedRateLimiter.Create<HttpContext, string>(http =>
        http.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal)
            ? RateLimitPartition.GetConcurrencyLimiter(
                "api",
                _ => new ConcurrencyLimiterOptions
                {
                    PermitLimit = AtOnce,
                    QueueLimit = Waiting,
                    QueueProcessingOrder = QueueProcessingOrder.OldestFirst,
                }
            )
            : RateLimitPartition.GetNoLimiter("")
    );
});

var app = builder.Build();
var stopping = app.Lifetime.ApplicationStopping;
try
{
    _ = app.Services.GetService<ShopCertificate>();
    if (app.Configuration["GENTLEBEAD_OWNER_DATABASE"] is { Length: > 0 } owner)
    {
        await OneAtATime.RunAsync(
            owner,
            async () =>
            {
                if (Migrations.AreAhead(owner))
                    return;
                await Steps.DoAsync("Bringing the database forward", () => BringForwardAsync(owner));
                if (app.Configuration.GetValue("GENTLEBEAD_DEMO", false))
                    await Steps.DoAsync("Looking after the made-up school", () => DemoLoader.LoadAsync(app.Services, owner, stopping));
                await app.Services.GetRequiredService<ExerciseStore>().BringLibraryAsync(stopping);
            },
            stopping
        );
    }
    if (await Grants.ExcessAsync(connectionString, stopping) is { Count: > 0 } excess)
    {
        await Console.Error.WriteLineAsync(
            $"The role in GENTLEBEAD_DATABASE may do more than the application does: {string.Join("; ", excess)}. Give it a role "
                + $"of its own; docs/running.md has the lines."
        );
        return 1;
    }
    if (!Migrations.AreDone(connectionString))
    {
        await Console.Error.WriteLineAsync(
            "The database is of another edition. Set GENTLEBEAD_OWNER_DATABASE, so that it can be brought forward."
        );
        return 1;
    }
}
catch (Exception unprepared) when (unprepared is NpgsqlException or ArgumentException)
{
    await Console.Error.WriteLineAsync($"The database cannot be used: {unprepared.Message} Check GENTLEBEAD_DATABASE.");
    return 1;
}
catch (InvalidDataException unusable)
{
    await Console.Error.WriteLineAsync(unusable.Message);
    return 1;
}

// An empty school is founded by whoever can read this: ./start prints it.
var code = app.Configuration["GENTLEBEAD_SET_UP_CODE"] ?? Codes.New();
if (await app.Services.GetRequiredService<AccountStore>().AddSetUpCodeAsync(code, stopping))
    await Console.Out.WriteLineAsync($"Set-up code: {code}");

app.UseShopNetwork();
app.UseResponseCompression();
app.UseReadableRequests();
app.UseMiddleware<StrictHeaders>();
app.UseMiddleware<PlainRequests>();
app.UseMiddleware<PackedFiles>();
app.UseStaticFiles();

// Only now: a file that is there is no address.
app.UseRouting();
app.UseAuthentication();
app.UseAuthorization();
app.UseRateLimiter();

app.MapOpenApi().AllowAnonymous();
app.MapGet("/health/live", () => "live").AllowAnonymous().ExcludeFromDescription();
app.MapGet(
        "/health/ready",
        async (NpgsqlDataSource database, CancellationToken cancel) =>
        {
            try
            {
                await using var command = database.CreateCommand("select 1");
                await command.ExecuteScalarAsync(cancel);
                return Results.Text("ready");
            }
            catch (NpgsqlException)
            {
                return Problems.Told(StatusCodes.Status503ServiceUnavailable, Say($"The database does not answer."));
            }
        }
    )
    .AllowAnonymous()
    .ExcludeFromDescription();
PeopleEndpoints.Map(app);
AccountEndpoints.Map(app);
SchoolEndpoints.Map(app);
StudentListEndpoints.Map(app);
RoomEndpoints.Map(app);
MachineEndpoints.Map(app);
MoveEndpoints.Map(app);
SessionEndpoints.Map(app);
PlaceEndpoints.Map(app);
CourseEndpoints.Map(app);
TimetableEndpoints.Map(app);
CalendarEndpoints.Map(app);
ExerciseEndpoints.Map(app);
PathEndpoints.Map(app);
PlanEndpoints.Map(app);
JobCards.Map(app);
OwnPlanEndpoints.Map(app);
FloorEndpoints.Map(app);
SlotEndpoints.Map(app);
CloseDownEndpoints.Map(app);
HandEndpoints.Map(app);
StopEndpoints.Map(app);
StockEndpoints.Map(app);
SheetEndpoints.Map(app);
PresetEndpoints.Map(app);
CardEndpoints.Map(app);
BeadEndpoints.Map(app);
CouponEndpoints.Map(app);
BeadFileEndpoints.Map(app);
UnplacedEndpoints.Map(app);
PictureEndpoints.Map(app);
EyeEndpoints.Map(app);
BackEndpoints.Map(app);
EyeCardEndpoints.Map(app);
SectionEndpoints.Map(app);
LessonEndpoints.Map(app);
JudgingEndpoints.Map(app);
TrialEndpoints.Map(app);
SweepEndpoints.Map(app);
WindowEndpoints.Map(app);
TestWeldEndpoints.Map(app);
CheckEndpoints.Map(app);
KeptEndpoints.Map(app);
CalculatorEndpoints.Map(app);
RecordingEndpoints.Map(app);
LiveEndpoints.Map(app);
ArcEndpoints.Map(app);
PracticeEndpoints.Map(app);
ProgressEndpoints.Map(app);
CourseProgressEndpoints.Map(app);
InstructorEndpoints.Map(app);
ReportEndpoints.Map(app);
LogbookEndpoints.Map(app);
HeldEndpoints.Map(app);
ForgettingEndpoints.Map(app);
KeepingEndpoints.Map(app);
RunningEndpoints.Map(app);
CostEndpoints.Map(app);
StripEndpoints.Map(app);
GoalEndpoints.Map(app);
RemarkEndpoints.Map(app);
NamedRecordingEndpoints.Map(app);
SearchEndpoints.Map(app);
NetworkEndpoints.Map(app);
PinEndpoints.Map(app);
TabletEndpoints.Map(app);
BoothEndpoints.Map(app);
app.MapHub<LiveHub>("/live");
WrongAddress.Map(app);
app.MapFallbackToFile("index.html").AllowAnonymous();

// What looks like a file and is none: said, and kept by nobody.
app.MapFallback("{*path:file}", () => Results.Text("There is no such file.", statusCode: StatusCodes.Status404NotFound)).AllowAnonymous();

app.Lifetime.ApplicationStarted.Register(app.SayWhere);
await app.RunAsync();
return 0;

async Task BringForwardAsync(string owner)
{
    Migrations.Run(owner);
    await Grants.ApplyAsync(owner, connectionString, stopping);
}

static Task Answer(HttpResponse response, int status)
{
    response.StatusCode = status;
    return Task.CompletedTask;
}

/// <summary>Named so that tests can start the server.</summary>
public partial class Program;
