using System.IO.Compression;
using System.Text.Json;
using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Core.TestWelds;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Json;
using GentleBead.Server.Kept;
using GentleBead.Server.Listening;
using GentleBead.Server.Machines;
using GentleBead.Server.Practice;
using GentleBead.Server.Rooms;
using GentleBead.Server.Sheets;
using GentleBead.Server.TestWelds;
using GentleBead.Server.Trials;
using Npgsql;

namespace GentleBead.Server.Tests;

public class MigrationTests
{
    [Fact]
    public async Task A_school_of_the_first_edition_comes_up_with_its_machines_and_sheets()
    {
        var database = await Cluster.NewDatabaseAsync();
        var (machineId, sheetId, beadId) = (Guid.CreateVersion7(), Guid.CreateVersion7(), Guid.CreateVersion7());
        await using (var connection = new NpgsqlConnection(database.Owner))
        {
            // As DbUp left it: the first script run and noted.
            await connection.ExecuteAsync(
                await File.ReadAllTextAsync(Path.Combine(Cluster.Root, "src/GentleBead.Server/Database/migrations/0001_room.sql"))
            );
            await connection.ExecuteAsync(
                """
                create table schemaversions (schemaversionsid serial primary key, scriptname varchar(255) not null, applied timestamp not
                    null);
                insert into schemaversions (scriptname, applied) values ('GentleBead.Server.Database.migrations.0001_room.sql', now());
                insert into person (id, login, name, role, password_hash) values (@person, 'ana', 'Ana', 'instructor', 'x');
                insert into machine (id, name, wire, wire_kind, wire_lowest_mark, wire_highest_mark, wire_mark_step, wire_unit, volt_kind,
                    volt_lowest_mark, volt_highest_mark, volt_mark_step, volt_unit)
                values (@machineId, 'Blue', 'solid09', 'knob', 0, 100, 1, '', 'tap', 1, 10, 1, '');
                insert into reading (id, machine_id, control, mark, measured) values (gen_random_uuid(), @machineId, 'wire', 40, 6),
                    (gen_random_uuid(), @machineId, 'wire', 70, 10.9);
                insert into booth (id, number, machine_id) values (@booth, 1, @machineId);
                insert into session (id, title, held_on) values (@session, 'Monday', '2026-11-23');
                insert into sheet (id, session_id, booth_id, student_id, thickness_mm, joint, position, wire, body, rules_version,
                    assigned_by)
                values (@sheetId, @session, @booth, @person, 3.175, 't', 'horizontal', 'solid08', @body::jsonb, 1, @person);
                insert into bead (id, sheet_id, number, wire_mark, volt_mark, wire_feed_m_per_min, volts, evidence, judgement, verdict,
                    rules_version, recorded_by)
                values (@beadId, @sheetId, 1, 47, 4, 7.1, 18, '{"sound":"popping","faults":[],"beadSizeMm":4.1}', @judgement::jsonb,
                    'cold', 1, @person);
                """,
                new
                {
                    person = Guid.CreateVersion7(),
                    machineId,
                    booth = Guid.CreateVersion7(),
                    session = Guid.CreateVersion7(),
                    sheetId,
                    beadId,
                    judgement = """
                    {"verdict":"cold","summary":"Cold.","aspects":[{"aspect":"sound","standing":"off","text":"Loud pops."}],
                    "causes":[{"cause":"voltsLow","words":"Volts low for the wire","share":0.8,"for":[],"against":[]}],
                    "next":{"kind":"voltsUp","instruction":"Volts up 2 taps, 4 to 6.","then":"","expect":"","wireMark":47,"voltMark":6},
                    "contradiction":null,"stillUnknown":[],
                    "shape":{"widthMm":5,"crownShare":0.5,"tintShare":0.1,"tintSeen":true,"rippleShare":0.2,"rippleWander":0,
                    "penetrationShare":0.1,"penetrationSeen":true,"legShare":1,"coldToes":true,"spatterCount":0,"undercut":false,
                    "faults":[]},"rulesVersion":1}
                    """,
                    body = await File.ReadAllTextAsync(
                        Path.Combine(Cluster.Root, "tests/GentleBead.Server.Tests/Data/first-edition-sheet.json")
                    ),
                }
            );
        }

        Migrations.Run(database.Owner);
        await Grants.ApplyAsync(database.Owner, database.Application, Cancel);

        await using (var pool = NpgsqlDataSource.Create(database.Application))
        {
            var source = new SchoolDatabase("", pool);
            var machine = (await new MachineStore(source).FindAsync(machineId, Cancel))!;
            Assert.Equal(
                ("Blue", Wire.Solid09, Gas.ArgonCarbon25, Polarity.TorchPlus),
                (machine.Name, machine.Load.Wire, machine.Load.Gas, machine.Load.Polarity)
            );
            Assert.Equal(
                (ControlKind.Knob, 100.0, 2),
                (machine.WireControl!.Kind, machine.WireControl.HighestMark, machine.WireControl.Readings.Count)
            );
            Assert.Equal(ControlKind.Tap, machine.VoltControl!.Kind);
            // What was one room is the first, and the machine stands in its booth as it did.
            var room = (await new BoothStore(source).RoomOrFirstAsync(null, Cancel))!;
            var booth = Assert.Single(await new BoothStore(source).OfRoomAsync(room.Id, Cancel));
            Assert.Equal(("Shop", 1, machineId), (room.Name, booth.Booth.Number, booth.Booth.MachineId));

            var given = (await new SheetStore(source).FindAsync(sheetId, Cancel))!;
            Assert.Equal(machineId, given.MachineId);
            var sheet = given.Body;
            Assert.Equal(1, sheet.RulesVersion);
            Assert.Equal(
                (Process.GmawShortCircuit, Metal.MildSteel, Gas.ArgonCarbon25),
                (sheet.Job.Process, sheet.Job.Metal, sheet.Job.Gas)
            );
            Assert.Equal(280, sheet.Pair!.WireFeed.InPerMin, 0.5);
            Assert.Equal((19, 20, 21), (sheet.Pair.Volts.Low.Volts, sheet.Pair.Volts.Aim.Volts, sheet.Pair.Volts.High.Volts));
            Assert.Equal(("47", "tap 6"), ($"{sheet.Pair.Marks!.Wire.Reads}", $"{sheet.Pair.Marks.Volt.Reads}"));
            Assert.Equal(BeadMeasure.Leg, sheet.BeadMeasure);
            // A 4.175 mm leg: 0.55 x 4.175² = 9.59 mm2, 75.3 g a metre.
            Assert.Equal(75.3, sheet.Passes.DepositGPerM, 0.1);
            // The same job today says the same numbers, so that nothing was rewritten on the way.
            var today = Assert.IsType<Sheet>(Planner.Plan(sheet.Job));
            Assert.Equal(today.Pair!.WireFeed.MPerMin, sheet.Pair.WireFeed.MPerMin, 1e-9);
            Assert.Equal(today.Passes.FillerMPerM, sheet.Passes.FillerMPerM, 1e-6);

            var bead = (await new BeadStore(source).FindAsync(beadId, Cancel))!;
            Assert.Equal((Verdict.Cold, 1, Joint.T), (bead.Judgement.Verdict, bead.Judgement.RulesVersion, bead.Judgement.Shape.Joint));
            Assert.Equal((6.0, 4.1), (bead.Judgement.Next!.VoltMark, bead.Evidence.BeadSize!.Value.Mm));
            Assert.Empty(bead.Judgement.Expected);
            Assert.Null(bead.Judgement.Acceptance);
        }
        await Cluster.DropAsync(database);
    }

    /// <summary>A school as the fourth edition left it: its own server's database, made up names, a signed test weld in it.</summary>
    [Fact]
    public async Task A_school_of_the_fourth_edition_reads_the_same_numbers_and_its_test_weld_becomes_a_chain()
    {
        var school = await RestoreAsync("fourth-edition-school.sql.gz");
        Assert.Equal([28, 78, 78], school.Stored.Take(3).Select(rows => rows.Count));
        await using (var pool = NpgsqlDataSource.Create(school.Database.Application))
        {
            var source = new SchoolDatabase("", pool);
            await ReadAsStoredAsync(source, school);
            var tests = new TestWeldStore(source);
            await using var connection = await source.OpenConnectionAsync(Cancel);
            Assert.Equal(78, await connection.ExecuteScalarAsync<long>("select count(*) from bead_verdict"));
            Assert.Equal(1, await connection.ExecuteScalarAsync<long>("select count(*) from bead_verdict where withdrawn"));
            // In the order in which they were made, each one's clock later than the one's before.
            foreach (
                var (table, clock) in new[]
                {
                    ("bead", "recorded_at"),
                    ("look", "looked_at"),
                    ("sheet", "assigned_at"),
                    ("ruling", "ruled_at"),
                }
            )
            {
                Assert.Equal(
                    0,
                    await connection.ExecuteScalarAsync<long>(
                        $"select count(*) from (select {clock} < lag({clock}) over (order by seq) as back from {table}) as rows where back"
                    )
                );
            }

            var test = (
                await tests.FindAsync(
                    await connection.ExecuteScalarAsync<Guid>("select id from test_weld"),
                    TestContext.Current.CancellationToken
                )
            )!;
            var records = await tests.RecordsAsync(test.Id, Cancel);
            Assert.Equal(
                [
                    RecordKind.Assessment,
                    RecordKind.Assessment,
                    RecordKind.Assessment,
                    RecordKind.Assessment,
                    RecordKind.SignOff,
                    RecordKind.Amendment,
                ],
                records.Select(one => one.Record.Kind)
            );
            Assert.Null(RecordChain.BrokenAt(test.Text, test.Seal, [.. records.Select(one => one.Link)]));
            Assert.Equal(
                ("Clean work", true, "Coupon stamped 7A."),
                (records[4].Record.Note, records[4].Record.Passed, records[5].Record.Note)
            );
        }
        await Cluster.DropAsync(school.Database);
    }

    /// <summary>The demo school as the fifth edition left it, with one test weld: its sentences were still plain text.</summary>
    [Fact]
    public async Task A_school_of_the_fifth_edition_reads_as_it_was_stored()
    {
        var school = await RestoreAsync("fifth-edition-school.sql.gz");
        Assert.All(school.Stored, rows => Assert.NotEmpty(rows));
        await using (var pool = NpgsqlDataSource.Create(school.Database.Application))
        {
            var source = new SchoolDatabase("", pool);
            await ReadAsStoredAsync(source, school);
            await using var connection = await source.OpenConnectionAsync(Cancel);
            var tests = new TestWeldStore(source);
            foreach (var id in await connection.QueryAsync<Guid>("select id from test_weld"))
            {
                var test = (await tests.FindAsync(id, Cancel))!;
                var records = await tests.RecordsAsync(id, Cancel);
                Assert.NotEmpty(records);
                Assert.Null(RecordChain.BrokenAt(test.Text, test.Seal, [.. records.Select(one => one.Link)]));
            }
        }
        await Cluster.DropAsync(school.Database);
    }

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    // What is kept as it was computed that day, and how it is read back.
    private static readonly (string Stored, Func<SchoolDatabase, Guid, Task<object>> Read)[] Snapshots =
    [
        ("select id, body::text from sheet", async (source, id) => (await new SheetStore(source).FindAsync(id, Cancel))!.Body),
        ($"select id, evidence::text from ({Newest}) as bead", async (source, id) => (await BeadAsync(source, id)).Evidence),
        ($"select id, judgement::text from ({Newest}) as bead", async (source, id) => (await BeadAsync(source, id)).Judgement),
        ("select id, plan::text from trial", async (source, id) => (await new TrialStore(source).FindAsync(id, Cancel))!.Plan),
        ("select id, finding::text from sweep", async (source, id) => (await new SweepStore(source).FindAsync(id, Cancel))!.Finding),
        ("select id, body::text from kept_setting", async (source, id) => (await new KeptStore(source).FindAsync(id, Cancel))!.Setting),
        (
            "select id, finding::text from recording where withdrawn_at is null",
            async (source, id) => (await new RecordingStore(source).FindAsync(id, Cancel))!.Finding
        ),
        ("select id, body::text from drill", async (source, id) => (await new DrillStore(source).FindAsync(id, Cancel))!.Body),
    ];

    private const string Newest = """
        select bead.id, coalesce(again.evidence, bead.evidence) as evidence, coalesce(again.judgement, bead.judgement) as judgement
        from bead left join lateral (select evidence, judgement from look where bead_id = bead.id order by looked_at desc limit 1) as again
            on true
        """;

    private static async Task<Bead> BeadAsync(SchoolDatabase source, Guid id) => (await new BeadStore(source).FindAsync(id, Cancel))!;

    private sealed record School(TestDatabase Database, IReadOnlyList<IReadOnlyList<(Guid Id, string Text)>> Stored);

    // A database as a server of an earlier edition left it, what stood in it, brought forward.
    private static async Task<School> RestoreAsync(string file)
    {
        var database = await Cluster.NewDatabaseAsync();
        var stored = new List<IReadOnlyList<(Guid, string)>>();
        await using (var connection = new NpgsqlConnection($"{database.Owner};Pooling=false"))
        {
            await using var packed = new GZipStream(
                File.OpenRead(Path.Combine(Cluster.Root, "tests/GentleBead.Server.Tests/Data", file)),
                CompressionMode.Decompress
            );
            using var text = new StreamReader(packed);
            await connection.ExecuteAsync(await text.ReadToEndAsync());
            await connection.ExecuteAsync("set search_path = public");
            foreach (var (sql, _) in Snapshots)
                stored.Add((await connection.QueryAsync<(Guid, string)>(sql)).AsList());
        }
        Migrations.Run(database.Owner);
        await Grants.ApplyAsync(database.Owner, database.Application, Cancel);
        return new(database, stored);
    }

    private static async Task ReadAsStoredAsync(SchoolDatabase source, School school)
    {
        foreach (var ((_, read), rows) in Snapshots.Zip(school.Stored))
        {
            foreach (var (id, text) in rows)
                SameNumbers(text, await read(source, id));
        }
    }

    // What is called by another name since.
    private static readonly Dictionary<string, string> Renamed = new() { ["school"] = "way", ["differences"] = "otherWays" };

    // Every number and word that was stored is read, and said again, as it was.
    private static void SameNumbers(string stored, object read)
    {
        using var before = JsonDocument.Parse(stored);
        using var after = JsonDocument.Parse(JsonSerializer.Serialize(read, QuantityJson.Options));
        Compare(before.RootElement, after.RootElement, "");

        static void Compare(JsonElement before, JsonElement after, string at)
        {
            switch (before.ValueKind)
            {
                case JsonValueKind.Object:
                    foreach (var property in before.EnumerateObject().Where(property => property.Value.ValueKind != JsonValueKind.Null))
                    {
                        Assert.True(
                            after.TryGetProperty(Renamed.GetValueOrDefault(property.Name, property.Name), out var same),
                            $"{at}.{property.Name} is gone"
                        );
                        Compare(property.Value, same, $"{at}.{property.Name}");
                    }
                    break;
                case JsonValueKind.Array:
                    Assert.Equal(before.GetArrayLength(), after.GetArrayLength());
                    foreach (var (one, other) in before.EnumerateArray().Zip(after.EnumerateArray()))
                        Compare(one, other, at);
                    break;
                case JsonValueKind.Number:
                    Assert.True(
                        Math.Abs(before.GetDouble() - after.GetDouble()) <= 1e-9 * Math.Max(1, Math.Abs(before.GetDouble())),
                        $"{at}: {before} became {after}"
                    );
                    break;
                // What was kept as plain text has become a sentence that says the same.
                case JsonValueKind.String when after.ValueKind == JsonValueKind.Object:
                    Assert.Equal(before.GetString(), after.Deserialize<Said>(QuantityJson.Options)!.ToString());
                    break;
                default:
                    Assert.True(before.ToString() == after.ToString(), $"{at}: {before} became {after}");
                    break;
            }
        }
    }
}
