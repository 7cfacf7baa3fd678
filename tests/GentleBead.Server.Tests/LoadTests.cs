using System.Net.Http.Json;
using GentleBead.Core.Machines;
using GentleBead.Core.Sheets;
using GentleBead.Server.Sheets;

namespace GentleBead.Server.Tests;

/// <summary>What is loaded on a machine, and what a sheet does that does not fit it.</summary>
public sealed class LoadTests(DemoRoom room) : IClassFixture<DemoRoom>, IAsyncLifetime
{
    private HttpClient maren = null!;

    public async ValueTask InitializeAsync() => maren = await room.SignInAsync("maren");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    [Fact]
    public async Task A_mismatch_stops_the_sheet_until_it_is_mended_or_overruled_with_a_reason()
    {
        var (session, view) = await maren.BoothAsync(2);
        var job = new
        {
            thickness = "1/8",
            joint = "t",
            position = "horizontal",
            wire = "solid08",
            gas = "argonCarbon25",
        };
        (
            await maren.PutAsJsonAsync(
                $"/api/machines/{view.Booth.MachineId}/loads/{Guid.CreateVersion7()}",
                new
                {
                    wire = "solid08",
                    gas = "carbon",
                    polarity = "torchMinus",
                    tipMm = 0.9,
                    rolls = "v",
                }
            )
        ).EnsureSuccessStatusCode();
        var sheet = await (await maren.PostAsJsonAsync("/api/sheets/compute", new { job, boothId = view.Booth.Id })).ReadAsync<Sheet>();
        Assert.Equal([LoadPart.Polarity, LoadPart.Gas, LoadPart.Tip], sheet.Mismatches.Select(mismatch => mismatch.Part));

        var id = Guid.CreateVersion7();
        var given = new
        {
            job,
            sessionId = session.Id,
            boothId = view.Booth.Id,
        };
        Assert.Contains(
            "DC, torch on minus (DCEN) instead of DC, torch on plus (DCEP), ",
            (await (await maren.PutAsJsonAsync($"/api/sheets/{id}", given)).ProblemsAsync())["overrule"],
            StringComparison.Ordinal
        );
        Assert.Equal(0, await room.QueryAsync<long>("select count(*) from sheet where id = @id", new { id }));

        var overruled = await (
            await maren.PutAsJsonAsync(
                $"/api/sheets/{id}",
                new
                {
                    given.job,
                    given.sessionId,
                    given.boothId,
                    overrule = " shows what wrong polarity does ",
                }
            )
        ).ReadAsync<AssignedSheet>();
        Assert.Equal("shows what wrong polarity does", overruled.Overrule);

        (
            await maren.PutAsJsonAsync(
                $"/api/machines/{view.Booth.MachineId}/loads/{Guid.CreateVersion7()}",
                new
                {
                    wire = "solid08",
                    gas = "argonCarbon25",
                    polarity = "torchPlus",
                    tipMm = 0.8,
                }
            )
        ).EnsureSuccessStatusCode();
        var mended = await (await maren.PutAsJsonAsync($"/api/sheets/{Guid.CreateVersion7()}", given)).ReadAsync<AssignedSheet>();
        Assert.Null(mended.Overrule);
        Assert.Empty(mended.Body.Mismatches);
    }
}
