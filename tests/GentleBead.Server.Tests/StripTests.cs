using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Judging;
using GentleBead.Core.Progress;
using GentleBead.Server.Http;
using GentleBead.Server.Progress;

namespace GentleBead.Server.Tests;

/// <summary>A term as a strip, page by page; two beads side by side, each student's own and nobody else's.</summary>
public sealed class StripTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Fact]
    public async Task Every_bead_is_on_the_strip_once_newest_first_and_the_tools_word_waits_for_the_students_own()
    {
        var (maren, teodor) = (await room.SignInAsync("maren"), await room.SignInAsync("teodor"));
        var id = (await teodor.MeAsync()).Id;
        var sheet = await maren.AssignAsync(2);
        for (var bead = 0; bead < StripStore.Page; bead++)
            (await maren.RecordAsync(Guid.CreateVersion7(), Bead(sheet.Id, 6))).EnsureSuccessStatusCode();
        var seen = new List<StripBead>();
        for (string? before = null; seen.Count == 0 || before is not null; )
        {
            var page = await teodor.GetAsync<Page<StripBead>>($"/api/students/{id}/strip?before={before ?? $"{long.MaxValue}"}");
            seen.AddRange(page.Items);
            before = page.More;
        }
        var laid = await room.QueryAsync<long>("select count(*) from bead_verdict where student_id = @id and not withdrawn", new { id });
        Assert.Equal(laid, seen.DistinctBy(bead => bead.Id).Count());
        Assert.True(seen.Count > StripStore.Page);
        Assert.Equal(seen.OrderByDescending(bead => bead.At).Select(bead => bead.At), seen.Select(bead => bead.At));
        Assert.Equal(HttpStatusCode.NotFound, (await (await room.SignInAsync("jun")).GetAsync($"/api/students/{id}/strip")).StatusCode);
    }

    [Fact]
    public async Task Two_beads_say_what_changed_between_them_the_earlier_first_whichever_is_named_first()
    {
        var (maren, teodor) = (await room.SignInAsync("maren"), await room.SignInAsync("teodor"));
        var sheet = await maren.AssignAsync(2);
        var (cold, better) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        (await maren.RecordAsync(cold, Bead(sheet.Id, 3, "popping"))).EnsureSuccessStatusCode();
        (await maren.RecordAsync(better, Bead(sheet.Id, 6, "evenCrackle"))).EnsureSuccessStatusCode();
        foreach (var address in new[] { $"/api/beads/{cold}/beside/{better}", $"/api/beads/{better}/beside/{cold}" })
        {
            var two = await maren.GetAsync<BesideBeads>(address);
            Assert.Equal((cold, better), (two.Earlier.Id, two.Later.Id));
            Assert.Contains(BesideField.Volts, two.Changed);
            Assert.Contains(BesideField.Sound, two.Changed);
            Assert.DoesNotContain(BesideField.Machine, two.Changed);
            Assert.DoesNotContain(BesideField.WireFeed, two.Changed);
        }
        Assert.Equal(HttpStatusCode.OK, (await teodor.GetAsync($"/api/beads/{cold}/beside/{better}")).StatusCode);
        // One of two that is somebody else's, or the same twice, or taken back, is no pair.
        var others = await room.QueryAsync<Guid>(
            "select bead_id from bead_verdict where student_id = (select id from person where login = 'ilsa') limit 1"
        );
        foreach (var other in new[] { others, cold, Guid.Empty })
            Assert.Equal(HttpStatusCode.NotFound, (await teodor.GetAsync($"/api/beads/{cold}/beside/{other}")).StatusCode);
        (await maren.PutAsJsonAsync($"/api/beads/{cold}/withdrawn", new { withdrawn = true })).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await maren.GetAsync($"/api/beads/{cold}/beside/{better}")).StatusCode);
    }

    [Fact]
    public async Task A_tools_word_that_waits_is_shown_to_no_student_here_either()
    {
        var (maren, teodor) = (await room.SignInAsync("maren"), await room.SignInAsync("teodor"));
        var sheet = await maren.AssignAsync(2);
        var (one, other) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        var course = await room.QueryAsync<Guid>("select course_id from session where id = @SessionId", new { sheet.SessionId });
        var waits = "update course set tool_word = 'afterInstructor' where id = @course returning 1";
        Assert.Equal(1, await room.QueryAsync<int>(waits, new { course }));
        try
        {
            foreach (var bead in new[] { one, other })
                (await teodor.RecordAsync(bead, Own(sheet.Id))).EnsureSuccessStatusCode();
            var (his, hers) = (
                await teodor.GetAsync<BesideBeads>($"/api/beads/{one}/beside/{other}"),
                await maren.GetAsync<BesideBeads>($"/api/beads/{one}/beside/{other}")
            );
            Assert.Equal((Verdict.Open, null), (his.Earlier.Verdict, his.Earlier.Cause));
            Assert.NotEqual(Verdict.Open, hers.Earlier.Verdict);
            var strip = await teodor.GetAsync<Page<StripBead>>($"/api/students/{(await teodor.MeAsync()).Id}/strip");
            Assert.Equal(Verdict.Open, strip.Items.Single(bead => bead.Id == one).Verdict);
        }
        finally
        {
            await room.QueryAsync<int>("update course set tool_word = 'atOnce' where id = @course returning 1", new { course });
        }
    }

    private static object Bead(Guid sheetId, double voltMark, string? sound = null) =>
        new
        {
            sheetId,
            wireMark = 46,
            voltMark,
            evidence = new { sound, profile = "slightlyConvex" },
        };

    private static object Own(Guid sheetId) =>
        new
        {
            sheetId,
            wireMark = 46,
            voltMark = 3,
            evidence = new { sound = "popping", profile = "tallNarrow" },
            own = new { verdict = "cold", change = "voltsUp" },
        };
}
