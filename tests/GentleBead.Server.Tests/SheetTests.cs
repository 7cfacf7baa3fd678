using System.Net.Http.Json;
using System.Text;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;

namespace GentleBead.Server.Tests;

public class SheetTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Fact]
    public async Task A_student_may_compute_and_nothing_is_written()
    {
        var before = await room.QueryAsync<long>("select count(*) from sheet where false");
        var client = await room.SignInAsync("ilsa");
        var response = await client.PostAsJsonAsync(
            "/api/sheets/compute",
            new
            {
                job = new
                {
                    thickness = "1/8",
                    joint = "beadOnPlate",
                    position = "flat",
                    wire = "solid08",
                },
            }
        );
        var sheet = await response.ReadAsync<Sheet>();
        Assert.Equal(250, sheet.Pair!.WireFeed.InPerMin, 0.5);
        Assert.Null(sheet.Pair.Marks);
        Assert.NotEmpty(sheet.Reasons);
        Assert.Equal(
            before,
            await room.QueryAsync<long>(
                "select count(*) from sheet where thickness_mm = 3.175 and joint = 'beadOnPlate' and assigned_at > now() - "
                    + "interval '2 minutes'"
            )
        );
    }

    [Fact]
    public async Task With_a_booth_the_sheet_speaks_its_machines_marks_and_wire()
    {
        var client = await room.SignInAsync("maren");
        var (_, view) = await client.BoothAsync(2);
        var response = await client.PostAsJsonAsync(
            "/api/sheets/compute",
            new
            {
                job = new
                {
                    thickness = "1/8",
                    joint = "t",
                    position = "horizontal",
                },
                boothId = view.Booth.Id,
            }
        );
        var sheet = await response.ReadAsync<Sheet>();
        Assert.Equal(("47", "tap 6"), ($"{sheet.Pair!.Marks!.Wire.Reads}", $"{sheet.Pair.Marks.Volt.Reads}"));
    }

    [Theory]
    [InlineData("", "How thick")]
    [InlineData("thick", "not a thickness")]
    [InlineData("-3", "above 0")]
    [InlineData("0", "above 0")]
    [InlineData("40 in", "0.5 to 25 mm")]
    [InlineData("1/0", "bottom number")]
    [InlineData("5 ga", "no 5 gauge")]
    [InlineData("99 ga", "no 99 gauge")]
    public async Task Bad_thickness_is_answered_at_the_field_and_nothing_is_saved(string typed, string says)
    {
        var client = await room.SignInAsync("maren");
        var (session, view) = await client.BoothAsync(1);
        var id = Guid.CreateVersion7();
        var job = new
        {
            thickness = typed,
            joint = "t",
            position = "flat",
        };
        Assert.Contains(
            says,
            (await (await client.PostAsJsonAsync("/api/sheets/compute", new { job, boothId = view.Booth.Id })).ProblemsAsync())[
                "thickness"
            ],
            StringComparison.Ordinal
        );
        Assert.Contains(
            says,
            (
                await (
                    await client.PutAsJsonAsync(
                        $"/api/sheets/{id}",
                        new
                        {
                            job,
                            sessionId = session.Id,
                            boothId = view.Booth.Id,
                        }
                    )
                ).ProblemsAsync()
            )["thickness"],
            StringComparison.Ordinal
        );
        Assert.Equal(0, await room.QueryAsync<long>("select count(*) from sheet where id = @id", new { id }));
    }

    [Theory]
    [InlineData("""{"job":{"thickness":"1/8","joint":"tee","position":"flat"}}""", "job.joint")]
    [InlineData("""{"job":{"thickness":"1/8","joint":2,"position":"flat"}}""", "job.joint")]
    [InlineData("""{"job":{"thickness":8,"joint":"t","position":"flat"}}""", "job.thickness")]
    [InlineData("""{"job":{"thickness":"1/8"}}""", "joint")]
    [InlineData("{}", "thickness")]
    [InlineData("""{"job":null}""", "thickness")]
    [InlineData("""{"job":{"thickness":"1/8","otherThickness":"1/0","joint":"t","position":"flat"}}""", "otherThickness")]
    [InlineData(
        """{"job":{"thickness":"1/8","joint":"t","position":"flat","process":"fcawSelfShielded","polarity":"torchPlus"}}""",
        "polarity"
    )]
    [InlineData("""{"job":{"thickness":"6","joint":"t","position":"flat","wire":"aluminium08"}}""", "wire")]
    public async Task A_job_that_makes_no_sense_names_its_field(string body, string field)
    {
        var client = await room.SignInAsync("maren");
        var response = await client.PostAsync("/api/sheets/compute", new StringContent(body, Encoding.UTF8, "application/json"));
        Assert.Contains(field, (await response.ProblemsAsync()).Keys);
    }

    [Theory]
    [InlineData("not json")]
    [InlineData("")]
    [InlineData("[]")]
    [InlineData("""{"job":""")]
    public async Task A_body_that_cannot_be_read_is_a_bad_request(string body)
    {
        var client = await room.SignInAsync("maren");
        var response = await client.PostAsync("/api/sheets/compute", new StringContent(body, Encoding.UTF8, "application/json"));
        Assert.Equal(400, (int)response.StatusCode);
    }

    [Fact]
    public async Task Assigning_twice_under_one_id_makes_one_sheet()
    {
        var client = await room.SignInAsync("maren");
        var id = Guid.CreateVersion7();
        var first = await client.AssignAsync(4, id);
        var again = await client.AssignAsync(4, id);
        Assert.Equal(first.AssignedAt, again.AssignedAt);
        Assert.Equal(1, await room.QueryAsync<long>("select count(*) from sheet where id = @id", new { id }));
        Assert.Equal("1/8", again.Body.Job.Thickness.Typed);
        Assert.Equal(Edition.Number, again.Body.RulesVersion);
    }

    [Fact]
    public async Task An_empty_booth_takes_no_sheet_and_a_student_stands_at_one_booth_only()
    {
        await using var own = new Room(demo: true);
        await own.InitializeAsync();
        var client = await own.SignInAsync("maren");
        var (session, one) = await client.BoothAsync(1);
        var (_, two) = await client.BoothAsync(2);
        await client.PutAsJsonAsync($"/api/sessions/{session.Id}/booths/{two.Booth.Id}/student", new { studentId = one.Student!.Id });
        (_, one) = await client.BoothAsync(1);
        (_, two) = await client.BoothAsync(2);
        Assert.Null(one.Student);
        Assert.Equal("Ilsa Brandt", two.Student!.Name);
        var response = await client.PutAsJsonAsync(
            $"/api/sheets/{Guid.CreateVersion7()}",
            new
            {
                job = new
                {
                    thickness = "1/8",
                    joint = "t",
                    position = "flat",
                },
                sessionId = session.Id,
                boothId = one.Booth.Id,
            }
        );
        Assert.Contains("Nobody stands at booth 1", (await response.ProblemsAsync())["boothId"], StringComparison.Ordinal);
    }
}
