using System.Net.Http.Json;
using System.Text;
using GentleBead.Core.Machines;
using GentleBead.Core.Sheets;
using GentleBead.Server.Json;
using GentleBead.Server.Machines;

namespace GentleBead.Server.Tests;

/// <summary>Every machine over HTTP: readings, charts, upkeep, marks and values.</summary>
public sealed class MachineTests(DemoRoom room) : IClassFixture<DemoRoom>, IAsyncLifetime
{
    private HttpClient maren = null!;

    public async ValueTask InitializeAsync() => maren = await room.SignInAsync("maren");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    [Fact]
    public async Task Ruler_and_watch_readings_are_kept_as_taken_and_a_stray_is_pointed_out()
    {
        var machine = await maren.MachineAsync(3);
        var path = $"/api/machines/{machine.MachineId}/readings/";
        // 6 s and 20 in at 240: 200 in/min; the display reads 20 % high.
        var id = Guid.CreateVersion7();
        for (var twice = 0; twice < 2; twice++)
            (
                await maren.PutAsJsonAsync(
                    path + id,
                    new
                    {
                        control = "wire",
                        mark = 240,
                        seconds = 6,
                        lengthMm = 20 * 25.4,
                    }
                )
            ).EnsureSuccessStatusCode();
        var detail = await maren.MachineAsync(3);
        var reading = Assert.Single(detail.Readings, reading => reading.Control == ReadControl.Wire);
        Assert.Equal((6.0, 508.0), (reading.Seconds!.Value, reading.Length!.Value.Mm));
        var fit = detail.Fits.Single(fit => fit.Control == ReadControl.Wire);
        Assert.Equal(0.2, fit.ReadOutOff!.Value, 1e-9);
        Assert.Equal(0.10, fit.SpreadShare);
        Assert.NotNull(fit.OldestAt);

        foreach (var (mark, measured) in new[] { (120, 2.54), (360, 9.9), (480, 10.16), (600, 12.7) })
            (
                await maren.PutAsJsonAsync(
                    path + Guid.CreateVersion7(),
                    new
                    {
                        control = "wire",
                        mark,
                        measured,
                    }
                )
            ).EnsureSuccessStatusCode();
        var stray = Assert.Single((await maren.MachineAsync(3)).Fits.Single(fit => fit.Control == ReadControl.Wire).Strays);
        Assert.Equal(360, stray.Reading.Mark);

        foreach (
            var (body, field) in new (object, string)[]
            {
                (
                    new
                    {
                        control = "wire",
                        mark = 240,
                        seconds = 0,
                        lengthMm = 500,
                    },
                    "seconds"
                ),
                (
                    new
                    {
                        control = "wire",
                        mark = 240,
                        seconds = 6,
                        lengthMm = 2,
                    },
                    "lengthMm"
                ),
                (new { control = "wire", mark = 240 }, "seconds"),
                (new { control = "volt", mark = 18 }, "measured"),
                (
                    new
                    {
                        control = "wire",
                        mark = 9000,
                        measured = 5,
                    },
                    "mark"
                ),
                (
                    new
                    {
                        control = "amp",
                        mark = 5,
                        measured = 5,
                    },
                    "control"
                ),
            }
        )
        {
            Assert.Contains(field, (await (await maren.PutAsJsonAsync(path + Guid.CreateVersion7(), body)).ProblemsAsync()).Keys);
        }
    }

    [Fact]
    public async Task A_door_chart_as_typed_and_as_CSV_in_and_out()
    {
        var machine = await maren.MachineAsync(1);
        var chartId = Guid.CreateVersion7();
        var path = $"/api/machines/{machine.MachineId}/charts/";
        var head = new
        {
            process = "gmawShortCircuit",
            wire = "solid08",
            gas = "argonCarbon25",
        };
        (
            await maren.PutAsJsonAsync(
                path + chartId,
                new
                {
                    head.process,
                    head.wire,
                    head.gas,
                    csv = "thickness;wireMark;voltMark\n16 ga;130;16\n1/8;285;19\n3/16;400;21,5\n",
                }
            )
        ).EnsureSuccessStatusCode();
        var chart = Assert.Single((await maren.MachineAsync(1)).Charts);
        Assert.Equal(["16 ga", "1/8", "3/16"], chart.Chart.Steps.Select(step => step.Thickness.Typed));
        Assert.Equal(21.5, chart.Chart.Steps[2].VoltMark);
        // 285 on this machine's own readings is a little over 280 in/min, an eighth over the rule's 250: rich.
        Assert.InRange(chart.Rows[1].WireOff, 0.10, 0.14);
        Assert.True(chart.Rows[1].BeadCount > 0);
        Assert.Equal(
            "thickness,wireMark,voltMark\r\n16 ga,130,16\r\n1/8,285,19\r\n3/16,400,21.5\r\n",
            await maren.GetStringAsync(path + chartId + "/csv")
        );

        // A newer chart for the same wire and gas stands in its place.
        (
            await maren.PutAsJsonAsync(
                path + Guid.CreateVersion7(),
                new
                {
                    head.process,
                    head.wire,
                    head.gas,
                    steps = new[]
                    {
                        new
                        {
                            thickness = "1/8",
                            wireMark = 250,
                            voltMark = 18,
                        },
                        new
                        {
                            thickness = "1/4",
                            wireMark = 450,
                            voltMark = 24,
                        },
                    },
                }
            )
        ).EnsureSuccessStatusCode();
        Assert.Equal(2, Assert.Single((await maren.MachineAsync(1)).Charts).Chart.Steps.Count);

        // Chart first sets by it.
        (
            await maren.PutAsJsonAsync(
                "/api/people/me/way-of-setting",
                new
                {
                    pair = "chartFirst",
                    position = "same",
                    direction = "pushOnly",
                    motion = "smallC",
                }
            )
        ).EnsureSuccessStatusCode();
        var (_, view) = await maren.BoothAsync(1);
        var sheet = await (
            await maren.PostAsJsonAsync(
                "/api/sheets/compute",
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
        ).ReadAsync<Sheet>();
        Assert.Equal("250 in/min", $"{sheet.Pair!.Marks!.Wire.Reads}");
        Assert.Equal(new WayOfSetting(PairRule.ChartFirst, PositionRule.Same, DirectionRule.PushOnly, Motion.SmallC), sheet.Way);
        Assert.StartsWith("Push. A right-hander", $"{sheet.Direction}", StringComparison.Ordinal);
        (await maren.PutAsJsonAsync("/api/people/me/way-of-setting", WayOfSetting.Usual, QuantityJson.Options)).EnsureSuccessStatusCode();

        foreach (
            var (body, field) in new (object, string)[]
            {
                (
                    new
                    {
                        head.process,
                        head.wire,
                        head.gas,
                        csv = "plate,wire\n1,2",
                    },
                    "csv"
                ),
                (
                    new
                    {
                        head.process,
                        head.wire,
                        head.gas,
                        csv = "thickness,wireMark,voltMark\n1/0,130,16\n1/8,200,18",
                    },
                    "csv"
                ),
                (
                    new
                    {
                        head.process,
                        head.wire,
                        head.gas,
                        csv = "",
                    },
                    "csv"
                ),
                (
                    new
                    {
                        head.process,
                        head.wire,
                        head.gas,
                        csv = new string('x', 30_000),
                    },
                    "csv"
                ),
                (
                    new
                    {
                        head.process,
                        head.wire,
                        head.gas,
                        steps = new[]
                        {
                            new
                            {
                                thickness = "1/8",
                                wireMark = 5000,
                                voltMark = 18,
                            },
                            new
                            {
                                thickness = "1/4",
                                wireMark = 450,
                                voltMark = 24,
                            },
                        },
                    },
                    "steps[0].wireMark"
                ),
                (
                    new
                    {
                        head.process,
                        head.wire,
                        head.gas,
                        steps = new[]
                        {
                            new
                            {
                                thickness = "thick",
                                wireMark = 50,
                                voltMark = 18,
                            },
                        },
                    },
                    "steps[0].thickness"
                ),
                (
                    new
                    {
                        process = "gtawDc",
                        head.wire,
                        head.gas,
                        csv = "thickness,wireMark,voltMark\n1,130,16\n1/8,200,18",
                    },
                    "process"
                ),
            }
        )
        {
            Assert.Contains(field, (await (await maren.PutAsJsonAsync(path + Guid.CreateVersion7(), body)).ProblemsAsync()).Keys);
        }
    }

    [Fact]
    public async Task Marks_and_values_translate_both_ways()
    {
        var machine = await maren.MachineAsync(2);
        var path = $"/api/machines/{machine.MachineId}/translation?control=";
        // Knob 47: 6.0 + 7/30 of 4.9 = 7.143 m/min; tap 6: 20.4 V.
        Assert.Equal(7.143, (await maren.GetAsync<Translation>(path + "wire&mark=47")).Value, 0.001);
        Assert.Equal("47", $"{(await maren.GetAsync<Translation>(path + "wire&value=7.12")).Reads}");
        Assert.Equal("tap 6", $"{(await maren.GetAsync<Translation>(path + "volt&value=20")).Reads}");
        Assert.True((await maren.GetAsync<Translation>(path + "volt&value=90")).OutOfReach);
        Assert.Contains("mark", (await (await maren.GetAsync(path + "wire&mark=400")).ProblemsAsync()).Keys);
        Assert.Contains("value", (await (await maren.GetAsync(path + "wire")).ProblemsAsync()).Keys);
        Assert.Contains("control", (await (await maren.GetAsync(path + "amp&mark=1")).ProblemsAsync()).Keys);
    }

    [Fact]
    public async Task Upkeep_and_the_bottle_are_logged()
    {
        var machine = await maren.MachineAsync(1);
        var path = $"/api/machines/{machine.MachineId}";
        (
            await maren.PutAsJsonAsync($"{path}/upkeep/{Guid.CreateVersion7()}", new { part = "tip", note = "oval" })
        ).EnsureSuccessStatusCode();
        (await maren.PutAsJsonAsync($"{path}/bottles/{Guid.CreateVersion7()}", new { waterL = 50, bar = 200 })).EnsureSuccessStatusCode();
        var detail = await maren.MachineAsync(1);
        Assert.False(detail.Upkeep.Single(part => part.Part == Part.Tip).Due);
        Assert.Equal(10_000, detail.Bottle!.LeftL, 1e-6);
        // At the flow of the newest sheet there, whichever test gave it out.
        Assert.InRange(detail.Bottle.AtFlow.LPerMin, 8, 18);
        Assert.Equal(50 * 195 / detail.Bottle.AtFlow.LPerMin / 60, detail.Bottle.HoursLeft, 1e-6);
        Assert.Contains(
            "waterL",
            (
                await (await maren.PutAsJsonAsync($"{path}/bottles/{Guid.CreateVersion7()}", new { waterL = 0, bar = 200 })).ProblemsAsync()
            ).Keys
        );
        Assert.Contains(
            "bar",
            (
                await (await maren.PutAsJsonAsync($"{path}/bottles/{Guid.CreateVersion7()}", new { waterL = 50, bar = -1 })).ProblemsAsync()
            ).Keys
        );
        Assert.Contains(
            "note",
            (
                await (
                    await maren.PutAsJsonAsync($"{path}/upkeep/{Guid.CreateVersion7()}", new { part = "tip", note = new string('x', 300) })
                ).ProblemsAsync()
            ).Keys
        );
    }

    [Theory]
    [InlineData(
        """{"kind":"coarseFine","lowestMark":1,"highestMark":8,"markStep":1,"unit":"","readings":[],"names":["A"],"fineSteps":4}""",
        "voltControl"
    )]
    [InlineData("""{"kind":"trim","lowestMark":-5,"highestMark":5,"markStep":1,"unit":"","readings":[],"trimVolts":0}""", "voltControl")]
    [InlineData("""{"kind":"digital","lowestMark":5,"highestMark":2,"markStep":1,"unit":"V","readings":[]}""", "voltControl")]
    [InlineData("null", "wireControl")]
    public async Task A_front_that_cannot_be_is_answered_at_its_control(string volt, string field)
    {
        var body = $$$"""
            {"boothId":"{{{Guid.CreateVersion7()}}}","boothNumber":9,"machine":{
            "name":"Odd","load":{"wire":null,"gas":"none","polarity":"torchPlus"},
            "wireControl":{"kind":"knob","lowestMark":0,"highestMark":10,"markStep":0.1,"unit":"","readings":[]},"voltControl":{{{volt}}}}}
            """;
        var response = await maren.PutAsync(
            $"/api/machines/{Guid.CreateVersion7()}",
            new StringContent(body, Encoding.UTF8, "application/json")
        );
        Assert.Contains(field, (await response.ProblemsAsync()).Keys);
    }
}
