using GentleBead.Testing;
using Npgsql;

namespace GentleBead.Bench;

/// <summary>
/// A school as large as its number of beads says, made from the demo's rows by COPY: the same booths and 400 students whatever
/// its size, ten beads a sheet, fifty sheets a session, a ruling on every second bead.
/// </summary>
/// <param name="beads">How many beads.</param>
/// <param name="boothCount">How many booths: what a floor is made for.</param>
internal sealed class GrownSchool(int beads, int boothCount = 24)
{
    private const int Students = 400;
    private const int DrillsOfStudent = 250;
    private const int BeadsOfSheet = 10;

    // No more than the smaller of two schools has: a course is as long in each.
    private const int EveningsOfCourse = 20;
    private const int OnCourse = 40;

    // All of it happens in the first of the demo's rooms: a floor of as many booths whatever the school's size.
    private const string FirstRoom = "select id from room order by seq limit 1";
    private const string BoothsOfRoom = $"select id from booth where room_id = ({FirstRoom})";

    private readonly DateTime began = DateTime.UtcNow.AddYears(-6);
    private readonly List<(Guid Sheet, Guid Student, int Booth)> sheets = [];
    private readonly List<(Guid Bead, Guid Student, int Booth)> given = [];
    private Guid[] students = [];
    private Model[] models = [];
    private (Guid Booth, Guid Machine)[] booths = [];

    // Every booth's, and a second for the first.
    private int SheetsOfSession => boothCount + 1;

    private int Sheets => beads / BeadsOfSheet;

    private int Sessions => Sheets / SheetsOfSession;

    // What is left over of the last whole session is in it too.
    private int SessionOf(int sheet) => Math.Min(sheet / SheetsOfSession, Sessions - 1);

    /// <summary>Makes the database.</summary>
    public async Task<TestDatabase> MakeAsync()
    {
        Console.WriteLine($"  {beads:N0} beads, {Sheets:N0} sheets, {Sessions:N0} sessions, {beads / 2:N0} rulings: making them …");
        var database = await Cluster.NewDatabaseAsync();
        // The demo's school, migrated and loaded by the server itself, is what the rows are made from.
        await using (await RunningServer.StartAsync(demo: true, database)) { }
        await using var connection = new NpgsqlConnection($"{database.Own};Command Timeout=0");
        await connection.OpenAsync();
        // Copied rows tell no screen and were true when they were first written.
        await DoAsync(connection, "set session_replication_role = replica");
        models = await ModelsAsync(connection);
        await PeopleAsync(connection);
        await MachinesAsync(connection);
        await SessionsAsync(connection);
        await BeadsAsync(connection);
        await RestAsync(connection);
        Console.WriteLine("    counting what the planner goes by");
        await DoAsync(connection, "vacuum analyze");
        await DoAsync(connection, "checkpoint");
        await DoAsync(connection, "create extension if not exists pg_stat_statements");
        return database;
    }

    private async Task PeopleAsync(NpgsqlConnection connection)
    {
        var one = (await Rows.ReadAsync(connection, "person", "where role = 'student' order by login"))[0];
        var line = one.With("id", "login", "name");
        students = [.. Enumerable.Range(0, Students).Select(_ => Guid.CreateVersion7())];
        await one.CopyAsync(connection, students.Select((id, i) => line([id, $"student{i}", $"Student {i}"])), Students, "students");
    }

    private async Task MachinesAsync(NpgsqlConnection connection)
    {
        var standing = await Rows.ReadAsync(connection, "machine", $"where booth_id in ({BoothsOfRoom}) order by moved");
        booths = [.. standing.Select(machine => (Guid.Parse(machine["booth_id"]), Guid.Parse(machine["id"])))];
        var from = standing.Length;
        booths = [.. booths, .. Enumerable.Range(from, boothCount - from).Select(_ => (Guid.CreateVersion7(), Guid.CreateVersion7()))];
        for (var i = from; i < boothCount; i++)
        {
            var model = booths[i % from].Machine;
            await AgainAsync("machine", "id", model, i, ("name", $"Machine {i + 1}"), ("booth_id", booths[i].Booth), ("moved", i + 1));
            foreach (var table in new[] { "reading", "machine_load", "door_chart", "upkeep", "bottle_reading", "sweep" })
                await AgainAsync(table, "machine_id", model, i);
            await AgainAsync("machine_wear", "machine_id", model, i);
            var booth = (await Rows.ReadAsync(connection, "booth", $"where id = '{booths[i % from].Booth}'"))[0];
            await booth.CopyOneAsync(connection, booth.With("id", "number")([booths[i].Booth, i + 1]));
        }
        Console.WriteLine($"    {boothCount} booths");

        async Task AgainAsync(string table, string machineColumn, Guid model, int booth, params (string Column, object Value)[] more)
        {
            foreach (var row in await Rows.ReadAsync(connection, table, $"where {machineColumn} = '{model}'"))
            {
                (string Column, object Value)[] changed = [(machineColumn, booths[booth].Machine), .. more];
                if (table is not ("machine" or "machine_wear"))
                    changed = [.. changed, ("id", Guid.CreateVersion7())];
                await row.CopyOneAsync(
                    connection,
                    row.With([.. changed.Select(each => each.Column)])([.. changed.Select(each => each.Value)])
                );
            }
        }
    }

    private async Task SessionsAsync(NpgsqlConnection connection)
    {
        var tonight = (
            await Rows.ReadAsync(
                connection,
                "session",
                $"where begins_at <= now() and room_id = ({FirstRoom}) order by begins_at desc limit 1"
            )
        )[0];
        var line = tonight.With("id", "title", "held_on", "begins_at", "ends_at", "course_id");
        var newest = DateOnly.Parse(tonight["held_on"], null);
        var (begins, ends) = (DateTimeOffset.Parse(tonight["begins_at"], null), DateTimeOffset.Parse(tonight["ends_at"], null));
        // The last of them is tonight's, which stands already with the demo's students in its first booths.
        Guid[] sessions = [.. Enumerable.Range(0, Sessions - 1).Select(_ => Guid.CreateVersion7()), Guid.Parse(tonight["id"])];
        await tonight.CopyAsync(connection, sessions.SkipLast(1).Select((id, i) => line(Evening(id, i))), Sessions - 1, "sessions");

        // Six hours before the demo's own evenings, for they are in the same room; the last of them on its course, those before it on none.
        object?[] Evening(Guid id, int i) =>
            [
                id,
                $"Evening {i}",
                newest.AddDays(i - Sessions),
                begins.AddDays(i - Sessions).AddHours(-6).UtcDateTime,
                ends.AddDays(i - Sessions).AddHours(-6).UtcDateTime,
                i < Sessions - EveningsOfCourse ? null : Guid.Parse(tonight["course_id"]),
            ];
        await RosterAsync(connection, sessions);

        var stand = await Rows.ReadAsync(connection, "place", $"where session_id = '{sessions[^1]}'");
        var standing = stand.ToDictionary(place => Guid.Parse(place["booth_id"]), place => Guid.Parse(place["student_id"]));
        var place = stand[0].With("session_id", "booth_id", "student_id");
        Guid At(int session, int booth) =>
            session == Sessions - 1 && standing.TryGetValue(booths[booth].Booth, out var there)
                ? there
                : students[(session * 7 + booth) % Students];
        await stand[0]
            .CopyAsync(
                connection,
                Enumerable
                    .Range(0, Sessions)
                    .SelectMany(session =>
                        Enumerable
                            .Range(0, boothCount)
                            .Where(booth => session < Sessions - 1 || !standing.ContainsKey(booths[booth].Booth))
                            .Select(booth => place([sessions[session], booths[booth].Booth, At(session, booth)]))
                    ),
                Sessions * boothCount,
                "places"
            );

        for (var i = 0; i < Sheets; i++)
        {
            var (session, booth) = (SessionOf(i), i % SheetsOfSession % boothCount);
            sheets.Add((Guid.CreateVersion7(), At(session, booth), booth));
        }
        var writers = models
            .Select(model => model.Sheet.With("id", "session_id", "booth_id", "machine_id", "student_id", "assigned_at"))
            .ToArray();
        await models[0]
            .Sheet.CopyAsync(
                connection,
                sheets.Select(
                    (sheet, i) =>
                        writers[sheet.Booth % models.Length]
                            ([
                                sheet.Sheet,
                                sessions[SessionOf(i)],
                                booths[sheet.Booth].Booth,
                                booths[sheet.Booth].Machine,
                                sheet.Student,
                                began.AddMinutes(i),
                            ])
                ),
                Sheets,
                "sheets"
            );
        await FloorAsync(connection, sessions);
    }

    // For every sheet a visit, every second of them with a note, and for every fourth a hand that went up and down.
    private async Task FloorAsync(NpgsqlConnection connection, Guid[] sessions)
    {
        var visit = (await Rows.ReadAsync(connection, "visit", "order by seq limit 1"))[0];
        var seen = visit.With("id", "session_id", "booth_id", "student_id", "note", "visited_at");
        await visit.CopyAsync(
            connection,
            sheets.Select(
                (sheet, i) =>
                    seen([
                        Guid.CreateVersion7(),
                        sessions[SessionOf(i)],
                        booths[sheet.Booth].Booth,
                        sheet.Student,
                        i % 2 == 0 ? "elbow on the bench" : "",
                        began.AddMinutes(i),
                    ])
            ),
            Sheets,
            "visits"
        );
        var hand = (await Rows.ReadAsync(connection, "hand", "order by seq limit 1"))[0];
        var raised = hand.With("id", "session_id", "booth_id", "student_id", "raised_at", "lowered_at", "lowered_by");
        await hand.CopyAsync(
            connection,
            sheets
                .Where((_, i) => i % 4 == 0)
                .Select(
                    (sheet, i) =>
                        raised([
                            Guid.CreateVersion7(),
                            sessions[SessionOf(i * 4)],
                            booths[sheet.Booth].Booth,
                            sheet.Student,
                            began.AddMinutes(i * 4),
                            began.AddMinutes(i * 4 + 2),
                            sheet.Student,
                        ])
                ),
            Sheets / 4,
            "hands"
        );
    }

    // Forty on the course, and every session with a word on forty.
    private async Task RosterAsync(NpgsqlConnection connection, Guid[] sessions)
    {
        var enrolment = (await Rows.ReadAsync(connection, "enrolment", "limit 1"))[0];
        var enrolled = enrolment.With("id", "student_id");
        await enrolment.CopyAsync(
            connection,
            students.Take(OnCourse).Select(student => enrolled([Guid.CreateVersion7(), student])),
            OnCourse,
            "on the course"
        );
        var word = (await Rows.ReadAsync(connection, "attendance", "limit 1"))[0];
        var noted = word.With("id", "session_id", "student_id");
        await word.CopyAsync(
            connection,
            sessions.SelectMany(session => students.Take(OnCourse).Select(student => noted([Guid.CreateVersion7(), session, student]))),
            sessions.Length * OnCourse,
            "words on who came"
        );
    }

    private async Task BeadsAsync(NpgsqlConnection connection)
    {
        var first = await NumberAsync(connection, "select max(seq) + 1 from bead");
        var writers = models
            .Select(model => model.Beads.Select(bead => bead.With("id", "sheet_id", "number", "recorded_at", "seq")).ToArray())
            .ToArray();
        for (var i = 0; i < beads; i++)
            given.Add((Guid.CreateVersion7(), sheets[i / BeadsOfSheet].Student, sheets[i / BeadsOfSheet].Booth));
        await models[0]
            .Beads[0]
            .CopyAsync(
                connection,
                given.Select(
                    (bead, i) =>
                    {
                        var ways = writers[bead.Booth % models.Length];
                        return ways[i % ways.Length]
                            ([bead.Bead, sheets[i / BeadsOfSheet].Sheet, i % BeadsOfSheet + 1, began.AddMinutes(i * 0.1), first + i]);
                    }
                ),
                beads,
                "beads"
            );
        await DoAsync(connection, $"select setval(pg_get_serial_sequence('bead', 'seq'), {first + beads})");

        var standings = models
            .Select(model =>
                model
                    .Standings.Select(one =>
                        one.With("bead_id", "seq", "sheet_id", "number", "student_id", "machine_id", "recorded_at", "look_id", "ruled")
                    )
                    .ToArray()
            )
            .ToArray();
        await models[0]
            .Standings[0]
            .CopyAsync(
                connection,
                given.Select(
                    (bead, i) =>
                    {
                        var at = bead.Booth % models.Length;
                        var way = i % standings[at].Length;
                        return standings[at]
                            [way]([
                                bead.Bead,
                                first + i,
                                sheets[i / BeadsOfSheet].Sheet,
                                i % BeadsOfSheet + 1,
                                bead.Student,
                                booths[bead.Booth].Machine,
                                began.AddMinutes(i * 0.1),
                                null,
                                i % 2 == 0 ? models[at].Standings[way]["verdict"] : null,
                            ]);
                    }
                ),
                beads,
                "standings of beads"
            );
        await DoAsync(
            connection,
            "update machine_wear set beads = (select count(*) from bead_verdict where bead_verdict.machine_id = machine_wear.machine_id)"
        );

        var ruling = (await Rows.ReadAsync(connection, "ruling", "order by seq limit 1"))[0];
        var word = ruling.With("id", "bead_id", "aspect", "tool", "instructor", "ruled_at");
        await ruling.CopyAsync(
            connection,
            given
                .Select((bead, i) => (bead, i))
                .Where(each => each.i % 2 == 0)
                .Select(each =>
                {
                    var at = each.bead.Booth % models.Length;
                    var verdict = models[at].Standings[each.i % models[at].Standings.Length]["verdict"];
                    return word([Guid.CreateVersion7(), each.bead.Bead, null, verdict, verdict, began.AddMinutes(each.i * 0.1 + 0.05)]);
                }),
            beads / 2,
            "rulings"
        );
    }

    // What else grows with a school.
    private async Task RestAsync(NpgsqlConnection connection)
    {
        var kept = (await Rows.ReadAsync(connection, "kept_setting", "where withdrawn_at is null limit 1"))[0];
        var keep = kept.With("id", "machine_id", "kept_by", "bead_id");
        await kept.CopyAsync(
            connection,
            given
                .Where((_, i) => i % 100 == 0)
                .Select(bead => keep([Guid.CreateVersion7(), booths[bead.Booth].Machine, bead.Student, bead.Bead])),
            beads / 100,
            "kept settings"
        );

        var test = (await Rows.ReadAsync(connection, "test_weld", "limit 1"))[0];
        var seal = test.With("id", "sheet_id", "student_id");
        await test.CopyAsync(
            connection,
            sheets.Where((_, i) => i % 100 == 0).Select(sheet => seal([Guid.CreateVersion7(), sheet.Sheet, sheet.Student])),
            Sheets / 100,
            "test welds"
        );

        var (drill, answer) = (
            (await Rows.ReadAsync(connection, "drill", "order by id limit 1"))[0],
            (await Rows.ReadAsync(connection, "drill_answer", "order by drill_id limit 1"))[0]
        );
        var (give, say) = (drill.With("id", "person_id"), answer.With("drill_id", "person_id"));
        // How much somebody practises has nothing to do with how many beads lie there: as much in each, past what is looked at.
        var drills = students
            .SelectMany(student => Enumerable.Range(0, DrillsOfStudent).Select(_ => (Id: Guid.CreateVersion7(), Student: student)))
            .ToList();
        await drill.CopyAsync(connection, drills.Select(one => give([one.Id, one.Student])), drills.Count, "drills");
        await answer.CopyAsync(connection, drills.Select(one => say([one.Id, one.Student])), drills.Count, "answers");
    }

    private sealed record Model(Rows Sheet, Rows[] Beads, Rows[] Standings);

    // A sheet of each of the demo's booths with the beads laid to it.
    private static async Task<Model[]> ModelsAsync(NpgsqlConnection connection)
    {
        var models = new List<Model>();
        foreach (
            var sheet in await Rows.ReadAsync(
                connection,
                "sheet",
                """
                join booth on booth.id = sheet.booth_id where booth.room_id = (select id from room order by seq limit 1) and sheet.id in (
                    select distinct on (other.booth_id) other.id from sheet as other join bead on bead.sheet_id = other.id
                    where bead.withdrawn_at is null order by other.booth_id, other.seq desc)
                order by booth.number
                """
            )
        )
        {
            var of = $"where sheet_id = '{sheet["id"]}'";
            models.Add(
                new Model(
                    sheet,
                    await Rows.ReadAsync(connection, "bead", $"{of} and withdrawn_at is null order by number", with: "seq"),
                    await Rows.ReadAsync(connection, "bead_verdict", $"{of} and not withdrawn order by number")
                )
            );
        }
        return [.. models];
    }

    private static async Task DoAsync(NpgsqlConnection connection, string sql)
    {
        await using var command = new NpgsqlCommand(sql, connection);
        await command.ExecuteNonQueryAsync();
    }

    private static async Task<long> NumberAsync(NpgsqlConnection connection, string sql)
    {
        await using var command = new NpgsqlCommand(sql, connection);
        return Convert.ToInt64(await command.ExecuteScalarAsync(), null);
    }
}
