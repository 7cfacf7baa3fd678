using System.Net;
using System.Net.Http.Json;
using System.Text;
using GentleBead.Core.Calculators;
using GentleBead.Core.Kept;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Server.Beads;
using GentleBead.Server.Calculators;
using GentleBead.Server.Checks;
using GentleBead.Server.Http;
using GentleBead.Server.Kept;
using GentleBead.Server.Sheets;

namespace GentleBead.Server.Tests;

/// <summary>Every process over HTTP: checks, kept settings, presets, cards, calculators, other wires.</summary>
public sealed class SetUpTests(DemoRoom room) : IClassFixture<DemoRoom>, IAsyncLifetime
{
    private HttpClient maren = null!;

    public async ValueTask InitializeAsync() => maren = await room.SignInAsync("maren");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    [Fact]
    public async Task Checks_are_ticked_by_whoever_stands_at_the_booth()
    {
        var (session, view) = await maren.BoothAsync(4);
        var path = $"/api/sessions/{session.Id}/booths/{view.Booth.Id}/checks";
        var jun = await room.SignInAsync("jun");
        Assert.Contains(
            (await jun.GetAsync<CheckState[]>(path)),
            check => check.Check.Key == "wire" && check.Check.Text.Contains("0.9 mm", StringComparison.Ordinal)
        );
        for (var twice = 0; twice < 2; twice++)
            (await jun.PutAsJsonAsync($"{path}/wire", new { ticked = true })).EnsureSuccessStatusCode();
        Assert.Equal("Jun Castellan", (await maren.GetAsync<CheckState[]>(path)).Single(check => check.Check.Key == "wire").TickedBy);
        (await maren.PutAsJsonAsync($"{path}/wire", new { ticked = false })).EnsureSuccessStatusCode();
        Assert.All(await jun.GetAsync<CheckState[]>(path), check => Assert.Null(check.TickedBy));
        Assert.Contains("key", (await (await maren.PutAsJsonAsync($"{path}/tungsten", new { ticked = true })).ProblemsAsync()).Keys);
        var ilsa = await room.SignInAsync("ilsa");
        Assert.Equal(HttpStatusCode.NotFound, (await ilsa.GetAsync(path)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await ilsa.PutAsJsonAsync($"{path}/wire", new { ticked = true })).StatusCode);
    }

    [Fact]
    public async Task A_setting_is_kept_found_by_job_and_compared()
    {
        var jun = await room.SignInAsync("jun");
        var work = await jun.GetAsync<MyWork>("/api/sheets/mine");
        // A sheet of its own: others give out theirs beside it.
        var sheet = await maren.AssignAsync(4);
        var id = Guid.CreateVersion7();
        var keep = new
        {
            machineId = work.MachineId,
            sheetId = sheet.Id,
            wireMark = 52,
            voltMark = 5,
            note = "runs sweet",
        };
        for (var twice = 0; twice < 2; twice++)
            (await jun.PutAsJsonAsync($"/api/kept/{id}", keep)).EnsureSuccessStatusCode();
        var kept = Assert.Single((await jun.GetAsync<Page<KeptView>>("/api/kept?thickness=1/8&joint=t")).Items, one => one.Id == id);
        Assert.Equal(("wire 52, volts tap 5", "runs sweet", "Jun Castellan"), ($"{kept.Reads}", kept.Note, kept.By.Name));
        Assert.Empty((await jun.GetAsync<Page<KeptView>>("/api/kept?thickness=10")).Items);
        Assert.Empty((await jun.GetAsync<Page<KeptView>>("/api/kept?joint=lap")).Items);

        Assert.True(
            (
                await (await jun.PostAsJsonAsync($"/api/kept/{id}/compare", new { wireMark = 52, voltMark = 5 })).ReadAsync<StillStands>()
            ).Stands
        );
        Assert.Equal(
            ["Wire up, 48 to 52."],
            (
                await (await jun.PostAsJsonAsync($"/api/kept/{id}/compare", new { wireMark = 48, voltMark = 5 })).ReadAsync<StillStands>()
            ).Turn.Select(turn => $"{turn}")
        );

        // Students see their own only; the instructor sees all.
        var ilsa = await room.SignInAsync("ilsa");
        Assert.All((await ilsa.GetAsync<Page<KeptView>>("/api/kept")).Items, own => Assert.Equal("Ilsa Brandt", own.By.Name));
        Assert.Equal(HttpStatusCode.NotFound, (await ilsa.PostAsJsonAsync($"/api/kept/{id}/compare", new { wireMark = 48 })).StatusCode);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await ilsa.PutAsJsonAsync($"/api/kept/{id}/withdrawn", new { withdrawn = true })).StatusCode
        );
        Assert.Equal(HttpStatusCode.NotFound, (await ilsa.PutAsJsonAsync($"/api/kept/{Guid.CreateVersion7()}", keep)).StatusCode);
        Assert.Contains((await maren.GetAsync<Page<KeptView>>("/api/kept")).Items, seen => seen.Id == id);
        Assert.Contains(
            "wireMark",
            (
                await (
                    await jun.PutAsJsonAsync(
                        $"/api/kept/{Guid.CreateVersion7()}",
                        new
                        {
                            keep.machineId,
                            keep.sheetId,
                            wireMark = 400,
                            voltMark = 5,
                        }
                    )
                ).ProblemsAsync()
            ).Keys
        );

        (await jun.PutAsJsonAsync($"/api/kept/{id}/withdrawn", new { withdrawn = true })).EnsureSuccessStatusCode();
        Assert.Empty((await jun.GetAsync<Page<KeptView>>("/api/kept")).Items);
        (await jun.PutAsJsonAsync($"/api/kept/{id}/withdrawn", new { withdrawn = false })).EnsureSuccessStatusCode();
        Assert.Single((await jun.GetAsync<Page<KeptView>>("/api/kept")).Items);
    }

    [Fact]
    public async Task Presets_are_named_and_versioned()
    {
        var job = new
        {
            thickness = "0.060 in",
            joint = "squareButt",
            position = "flat",
            process = "gtawDc",
            metal = "stainless",
        };
        var first = await (
            await maren.PutAsJsonAsync($"/api/presets/{Guid.CreateVersion7()}", new { name = "Deck box", job })
        ).ReadAsync<Preset>();
        var id = Guid.CreateVersion7();
        await maren.PutAsJsonAsync($"/api/presets/{id}", new { name = "Deck box", job });
        var second = await (await maren.PutAsJsonAsync($"/api/presets/{id}", new { name = "Deck box", job })).ReadAsync<Preset>();
        Assert.Equal((1, 2), (first.Version, second.Version));
        Assert.Equal(Gas.Argon, second.Job.Gas);
        Assert.Equal(
            2,
            Assert.Single((await maren.GetAsync<Page<Preset>>("/api/presets")).Items, preset => preset.Name == "Deck box").Version
        );
        Assert.Contains(
            "name",
            (await (await maren.PutAsJsonAsync($"/api/presets/{Guid.CreateVersion7()}", new { name = " ", job })).ProblemsAsync()).Keys
        );
        Assert.Contains(
            "gas",
            (
                await (
                    await maren.PutAsJsonAsync(
                        $"/api/presets/{Guid.CreateVersion7()}",
                        new
                        {
                            name = "x",
                            job = new
                            {
                                job.thickness,
                                job.joint,
                                job.position,
                                job.process,
                                job.metal,
                                gas = "carbon",
                            },
                        }
                    )
                ).ProblemsAsync()
            ).Keys
        );
    }

    [Fact]
    public async Task Cards_go_out_as_PDF_CSV_and_JSON_and_come_back_as_the_same_job()
    {
        var sheet = await maren.AssignAsync(4);
        var pdf = await maren.GetByteArrayAsync($"/api/cards/{sheet.Id}/pdf");
        Assert.StartsWith("%PDF-", Encoding.ASCII.GetString(pdf[..8]), StringComparison.Ordinal);
        using (var read = PdfSharp.Pdf.IO.PdfReader.Open(new MemoryStream(pdf), PdfSharp.Pdf.IO.PdfDocumentOpenMode.Import))
        {
            // A5, 148 x 210 mm.
            Assert.Equal((148.0, 210.0), (Math.Round(read.Pages[0].Width.Millimeter), Math.Round(read.Pages[0].Height.Millimeter)));
            Assert.InRange(read.PageCount, 1, 2);
        }
        Assert.NotEqual(pdf, await maren.GetByteArrayAsync($"/api/cards/{sheet.Id}/pdf?booth=true"));

        var csv = await maren.GetStringAsync($"/api/cards/{sheet.Id}/csv");
        Assert.StartsWith("name,value,unit\r\nthickness,1/8,\r\n", csv, StringComparison.Ordinal);
        var json = await maren.GetStringAsync($"/api/cards/{sheet.Id}/json");
        foreach (var text in new[] { csv, json })
        {
            var job = await (await maren.PostAsJsonAsync("/api/cards/read", new { text })).ReadAsync<JobRequest>();
            Assert.Equal(
                ("1/8", Joint.T, Position.Horizontal, Wire.Solid09, Process.GmawShortCircuit, Gas.ArgonCarbon25),
                (job.Thickness, job.Joint!.Value, job.Position!.Value, job.Wire!.Value, job.Process!.Value, job.Gas!.Value)
            );
        }

        foreach (
            var bad in new[]
            {
                "",
                "{",
                "{}",
                "[1]",
                "{\"format\":\"other\",\"sheet\":null}",
                "name,value\njoint,t",
                "name,value\nthickness,1/8\njoint,tee",
                "\0\0\0",
                "{\"format\":\"gentle-bead-sheet\",\"sheet\":{\"job\":5}}",
            }
        )
        {
            Assert.Contains("text", (await (await maren.PostAsJsonAsync("/api/cards/read", new { text = bad })).ProblemsAsync()).Keys);
        }

        // To another student the card does not exist.
        var ilsa = await room.SignInAsync("ilsa");
        foreach (var kind in new[] { "pdf", "csv", "json" })
            Assert.Equal(HttpStatusCode.NotFound, (await ilsa.GetAsync($"/api/cards/{sheet.Id}/{kind}")).StatusCode);
        var jun = await room.SignInAsync("jun");
        Assert.Equal(HttpStatusCode.OK, (await jun.GetAsync($"/api/cards/{sheet.Id}/csv")).StatusCode);
    }

    [Fact]
    public async Task Calculators_answer_with_their_working_and_say_what_is_wrong_at_the_field()
    {
        var forms = await maren.GetAsync<CalculatorForm[]>("/api/calculators");
        Assert.Equal(CalculatorList.All.Select(calculator => calculator.Key), forms.Select(form => form.Key));
        var results = await (
            await maren.PostAsJsonAsync("/api/calculators/throat", new { numbers = new { legMm = 6 } })
        ).ReadAsync<CalculatorResult[]>();
        Assert.Equal(4.243, results.Single().Value, 0.001);
        Assert.Contains(
            "legMm",
            (await (await maren.PostAsJsonAsync("/api/calculators/throat", new { numbers = new { legMm = -6 } })).ProblemsAsync()).Keys
        );
        Assert.Contains("legMm", (await (await maren.PostAsJsonAsync("/api/calculators/throat", new { })).ProblemsAsync()).Keys);
        Assert.Equal(HttpStatusCode.NotFound, (await maren.PostAsJsonAsync("/api/calculators/nothing", new { })).StatusCode);
    }

    [Fact]
    public async Task What_was_not_said_is_filled_in_from_the_machine_or_with_what_is_usual()
    {
        var (_, view) = await maren.BoothAsync(4);
        async Task<Job> Filled(object job) =>
            (await (await maren.PostAsJsonAsync("/api/sheets/compute", new { job })).ReadAsync<Sheet>()).Job;
        var booth = await (
            await maren.PostAsJsonAsync(
                "/api/sheets/compute",
                new
                {
                    job = new
                    {
                        thickness = "3",
                        joint = "t",
                        position = "flat",
                    },
                    boothId = view.Booth.Id,
                }
            )
        ).ReadAsync<Sheet>();
        Assert.Equal(Wire.Solid09, booth.Job.Wire);
        Assert.Equal(
            (Gas.ArgonCarbon10, WireKind.SolidSteel),
            await KindAsync(
                new
                {
                    thickness = "6",
                    joint = "t",
                    position = "flat",
                    process = "gmawSpray",
                }
            )
        );
        Assert.Equal(
            (Gas.None, WireKind.SelfShielded),
            await KindAsync(
                new
                {
                    thickness = "3",
                    joint = "t",
                    position = "flat",
                    process = "fcawSelfShielded",
                }
            )
        );
        Assert.Equal(
            (Gas.Argon, WireKind.Aluminium),
            await KindAsync(
                new
                {
                    thickness = "6",
                    joint = "t",
                    position = "flat",
                    process = "gmawSpray",
                    metal = "aluminium",
                }
            )
        );
        Assert.Null(
            (
                await Filled(
                    new
                    {
                        thickness = "2",
                        joint = "t",
                        position = "flat",
                        process = "gtawAc",
                        metal = "aluminium",
                    }
                )
            ).Wire
        );

        async Task<(Gas, WireKind)> KindAsync(object job)
        {
            var filled = await Filled(job);
            return (filled.Gas, filled.Wire!.Value.Facts().Kind);
        }
    }

    [Fact]
    public async Task Alternatives_name_the_other_wires_and_modes()
    {
        var (_, view) = await maren.BoothAsync(2);
        var others = await (
            await maren.PostAsJsonAsync(
                "/api/sheets/alternatives",
                new
                {
                    job = new
                    {
                        thickness = "1/8",
                        joint = "t",
                        position = "flat",
                    },
                    boothId = view.Booth.Id,
                }
            )
        ).ReadAsync<Alternatives>();
        Assert.Contains(others.Wires, wire => wire.Wire == Wire.Solid09 && wire.Reads!.Contains("volts tap", StringComparison.Ordinal));
        Assert.Equal(Processes.All.Count - 1, others.Modes.Count);
    }

    [Fact]
    public async Task A_TIG_sheet_is_given_out_and_kept_and_its_beads_are_set_in_amps()
    {
        var job = new
        {
            thickness = "2",
            joint = "t",
            position = "flat",
            process = "gtawDc",
        };
        var (session, without) = await maren.BoothAsync(2);
        var refused = await maren.PutAsJsonAsync(
            $"/api/sheets/{Guid.CreateVersion7()}",
            new
            {
                job,
                sessionId = session.Id,
                boothId = without.Booth.Id,
            }
        );
        Assert.Contains("no current control", (await refused.ProblemsAsync())["process"], StringComparison.Ordinal);

        var (_, view) = await maren.BoothAsync(1);
        var given = await (
            await maren.PutAsJsonAsync(
                $"/api/sheets/{Guid.CreateVersion7()}",
                new
                {
                    job,
                    sessionId = session.Id,
                    boothId = view.Booth.Id,
                    overrule = "dry run",
                }
            )
        ).ReadAsync<AssignedSheet>();
        Assert.Null(given.Body.Pair);
        // 78.7 A for the plate x 1.12 is 88.2 A, and 8 % in hand.
        Assert.Equal("96 A", $"{given.Body.Tig!.Mark!.Reads}");
        var bead = await maren.RecordAsync(
            Guid.CreateVersion7(),
            new
            {
                sheetId = given.Id,
                wireMark = 100,
                voltMark = 18,
                evidence = new { sound = "hiss" },
            }
        );
        Assert.Contains("Say where the control stood", (await bead.ProblemsAsync())["amps"], StringComparison.Ordinal);
        var kept = Guid.CreateVersion7();
        (
            await maren.PutAsJsonAsync(
                $"/api/kept/{kept}",
                new
                {
                    machineId = view.Booth.MachineId,
                    sheetId = given.Id,
                    ampMark = 96,
                }
            )
        ).EnsureSuccessStatusCode();
        Assert.Equal("amps 96 A", $"{(await maren.GetAsync<Page<KeptView>>("/api/kept")).Items.Single(each => each.Id == kept).Reads}");
        // The torch is still on plus for wire: the setting does not stand until that is changed.
        var stands = await (await maren.PostAsJsonAsync($"/api/kept/{kept}/compare", new { ampMark = 96 })).ReadAsync<StillStands>();
        Assert.Contains("Change the polarity to DC, torch on minus (DCEN).", stands.Turn.Select(turn => $"{turn}"));
        Assert.Contains(
            "machineId",
            (
                await (
                    await maren.PutAsJsonAsync(
                        $"/api/kept/{Guid.CreateVersion7()}",
                        new
                        {
                            machineId = without.Booth.MachineId,
                            sheetId = given.Id,
                            ampMark = 96,
                        }
                    )
                ).ProblemsAsync()
            ).Keys
        );
    }
}
