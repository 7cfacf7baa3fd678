using System.Security.Claims;
using GentleBead.Server.Arc;
using GentleBead.Server.BeadFiles;
using GentleBead.Server.Beads;
using GentleBead.Server.Calculators;
using GentleBead.Server.Checks;
using GentleBead.Server.Costs;
using GentleBead.Server.Courses;
using GentleBead.Server.Database;
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
using GentleBead.Server.Opening;
using GentleBead.Server.People;
using GentleBead.Server.Pictures;
using GentleBead.Server.Planning;
using GentleBead.Server.Practice;
using GentleBead.Server.Progress;
using GentleBead.Server.Rooms;
using GentleBead.Server.Running;
using GentleBead.Server.Schools;
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
using Npgsql;

// A person's sign-in or a tablet's key, whichever a request carries.
const string EitherScheme = "Either";

// The eye is this program too, in a process of its own.
if (args is [PictureWorker.Verb])
    return PictureWorker.Run();
var builder = WebApplication.CreateBuilder(args);
var services = builder.Services;

// What works for one school is never held by what works for all.
builder.Host.UseDefaultServiceProvider(provider => provider.ValidateScopes = provider.ValidateOnBuild = true);
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
services.AddSchools(builder.Configuration);
services.AddSingleton(TimeProvider.System);
services
    .AddSingleton(new Accounts(builder.Configuration.GetValue("GENTLEBEAD_DEMO", false)))
    .AddSingleton<OpenLines>()
    .AddSingleton<PictureProcess>()
    .AddSingleton<PackedSound>()
    .AddSingleton<HeavyWork>()
    .AddSingleton<RoomWeightsAtHand>();

// What works for the school that is asked for.
services
    .AddScoped<PeopleStore>()
    .AddScoped<SignInStore>()
    .AddScoped<AccountStore>()
    .AddScoped<SchoolClock>()
    .AddScoped<OwnPassword>()
    .AddScoped<StudentListStore>()
    .AddScoped<MachineStore>()
    .AddScoped<ReadingStore>()
    .AddScoped<ChartStore>()
    .AddScoped<BoothStore>()
    .AddScoped<MoveStore>()
    .AddScoped<SessionStore>()
    .AddScoped<PlaceStore>()
    .AddScoped<AttendanceStore>()
    .AddScoped<RoomStore>()
    .AddScoped<CourseStore>()
    .AddScoped<RosterStore>()
    .AddScoped<ExerciseStore>()
    .AddScoped<PathStore>()
    .AddScoped<WorkStore>()
    .AddScoped<SkillStore>()
    .AddScoped<ProgressStore>()
    .AddScoped<CourseProgressStore>()
    .AddScoped<CourseReader>()
    .AddScoped<InstructorWordStore>()
    .AddScoped<StudentReader>()
    .AddScoped<ReportReader>()
    .AddScoped<LogbookStore>()
    .AddScoped<LogbookWriter>()
    .AddScoped<HeldStore>()
    .AddScoped<ForgettingStore>()
    .AddScoped<KeepingStore>()
    .AddScoped<RunningReader>()
    .AddScoped<CostStore>()
    .AddScoped<StripStore>()
    .AddScoped<GoalStore>()
    .AddScoped<RemarkStore>()
    .AddScoped<PlanStore>()
    .AddScoped<StockStore>()
    .AddScoped<PlanFactStore>()
    .AddScoped<PlanReader>()
    .AddScoped<FloorStore>()
    .AddScoped<HandStore>()
    .AddScoped<StopStore>()
    .AddScoped<PinStore>()
    .AddScoped<TabletStore>()
    .AddScoped<StandingStore>()
    .AddScoped<SheetGiver>()
    .AddScoped<SheetStore>()
    .AddScoped<SheetAtHand>()
    .AddScoped<CouponStore>()
    .AddScoped<SettingStore>()
    .AddScoped<PresetStore>()
    .AddScoped<BeadStore>()
    .AddScoped<BeadFileStore>()
    .AddScoped<BeadRecorder>()
    .AddScoped<OwnWordStore>()
    .AddScoped<UnplacedStore>()
    .AddScoped<CheckStore>()
    .AddScoped<KeptStore>()
    .AddScoped<RulingStore>()
    .AddScoped<CauseRulingStore>()
    .AddScoped<PictureStore>()
    .AddScoped<PictureKeeper>()
    .AddScoped<FaceStore>()
    .AddScoped<BackStore>()
    .AddScoped<EyeCardStore>()
    .AddScoped<KeptPictures>()
    .AddScoped<FaceReaderOfPictures>()
    .AddScoped<SectionReadings>()
    .AddScoped<LessonStore>()
    .AddScoped<ToleranceStore>()
    .AddScoped<TrialStore>()
    .AddScoped<SweepStore>()
    .AddScoped<WindowStore>()
    .AddScoped<TestWeldStore>()
    .AddScoped<AssessorCheck>()
    .AddScoped<RecordingStore>()
    .AddScoped<RecordingKeeper>()
    .AddScoped<StandInStore>()
    .AddScoped<DrillStore>()
    .AddScoped<NamedRecordingStore>()
    .AddScoped<RoomDrills>()
    .AddScoped<UploadStore>();
services.AddHostedService<RoomListener>();
services.AddHostedService<KeepingChore>();
services.AddHostedService<TroubledSchools>();
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
services.BoundRequests();

var app = builder.Build();
var stopping = app.Lifetime.ApplicationStopping;
SchoolsServed schools;
try
{
    schools = app.Services.GetRequiredService<SchoolsServed>();
    _ = app.Services.GetService<ShopCertificate>();
    if (app.Configuration.Control() is { } control)
    {
        await OneAtATime.RunAsync(control, () => Task.Run(() => Migrations.RunControl(control)), stopping);
        if (args is [SchoolCommand.Verb, .. var words])
            return await SchoolCommand.RunAsync(app.Services, words, stopping);
        await SchoolOpening.PrepareAllAsync(app.Services, stopping);
    }
    else if (
        await SchoolOpening.PrepareAsync(app.Services, schools.Only!, app.Configuration.GetValue("GENTLEBEAD_DEMO", false), stopping) is
        { } trouble
    )
    {
        await Console.Error.WriteLineAsync(trouble);
        return 1;
    }
}
catch (Exception unprepared) when (unprepared is NpgsqlException or ArgumentException)
{
    await Console.Error.WriteLineAsync($"The database cannot be used: {unprepared.Message} Check {app.Configuration.Named()}.");
    return 1;
}
catch (InvalidDataException unusable)
{
    await Console.Error.WriteLineAsync(unusable.Message);
    return 1;
}

// An empty school is founded by whoever can read this: ./start prints it. One of many has got its code when it was added.
if (schools.Only is { } only)
{
    await using var scope = ChosenSchool.For(app.Services, only);
    var code = app.Configuration["GENTLEBEAD_SET_UP_CODE"] ?? Codes.New();
    if (await scope.ServiceProvider.GetRequiredService<AccountStore>().AddSetUpCodeAsync(code, stopping))
        await Console.Out.WriteLineAsync($"Set-up code: {code}");
}

app.UseShopNetwork();
app.UseResponseCompression();
app.UseReadableRequests();
app.UseMiddleware<StrictHeaders>();
app.UseMiddleware<PlainRequests>();
app.UseMiddleware<ChooseSchool>();
app.UseMiddleware<PackedFiles>();
app.UseStaticFiles();

// Only now: a file that is there is no address.
app.UseRouting();
app.UseAuthentication();
app.UseAuthorization();
app.UseRateLimiter();

app.MapOpenApi().AllowAnonymous();
HealthEndpoints.Map(app);
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

static Task Answer(HttpResponse response, int status)
{
    response.StatusCode = status;
    return Task.CompletedTask;
}

/// <summary>Named so that tests can start the server.</summary>
public partial class Program;
