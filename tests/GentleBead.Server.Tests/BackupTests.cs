using System.Diagnostics;
using System.Net.Http.Json;
using Dapper;
using GentleBead.Demo;
using GentleBead.Server.TestWelds;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>scripts/backup.sh and scripts/restore.sh, between two real clusters.</summary>
public sealed class BackupTests(DemoRoom room) : IClassFixture<DemoRoom>, IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("gentlebead-backup-").FullName;

    public void Dispose()
    {
        Run("postgres.sh", "remove", Path.Combine(folder, "postgres"));
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task A_backup_made_while_beads_are_recorded_comes_back_whole_and_its_seals_hold()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        // A moment is held still, the backup is told to take that one, and beads go on being recorded all the while.
        await using var moment = new NpgsqlConnection(room.Database.Owner);
        await moment.OpenAsync();
        await using var still = await moment.BeginTransactionAsync(System.Data.IsolationLevel.RepeatableRead);
        var snapshot = await moment.ExecuteScalarAsync<string>("select pg_export_snapshot()");
        using var enough = new CancellationTokenSource();
        var recording = RecordAsync(maren, sheet.Id, enough.Token);
        await Waiting.UntilAsync(async () => await CountBeadsAsync(sheet.Id) > 2);
        var (backedUp, words) = await Task.Run(() =>
            Run("backup.sh", [("GENTLEBEAD_OWNER_DATABASE", room.Database.Owner), ("GENTLEBEAD_DUMP", $"--snapshot={snapshot}")])
        );
        Assert.True(backedUp == 0, words);
        await enough.CancelAsync();
        Assert.True(await recording > 2, "Nothing was recorded beside the backup.");
        var wanted = await TablesAsync(moment);

        var file = Assert.Single(Directory.GetFiles(Path.Combine(folder, "backups"), "*.dump"));
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(file));
        var (restored, said) = Run("restore.sh", file);
        Assert.True(restored == 0, said);
        var there = await StartAsync();
        await using (var connection = new NpgsqlConnection(there.Owner))
        {
            Assert.Equal(wanted, await TablesAsync(connection));
            Assert.True(wanted.Count > 40 && wanted["bead"].Rows > 0, "Too little was compared.");
        }

        // Served from there, with what each role may do granted anew, and every test weld's chain holding.
        await using var server = await RunningServer.StartAsync(demo: true, there);
        using var client = new HttpClient { BaseAddress = server.Address };
        (
            await client.PostAsJsonAsync("/api/people/sign-in", new { login = "maren", password = DemoSchool.Password })
        ).EnsureSuccessStatusCode();
        await using var owner = new NpgsqlConnection(there.Owner);
        var tests = (await owner.QueryAsync<Guid>("select id from test_weld")).ToList();
        Assert.NotEmpty(tests);
        foreach (var id in tests)
            Assert.Null((await client.GetAsync<TestWeldView>($"/api/test-welds/{id}")).BrokenAt);
    }

    [Fact]
    public void What_was_written_is_archived_and_comes_back_as_it_was_at_a_minute()
    {
        // It writes, takes a base backup, writes on, wipes all of it, goes back to a moment between, and compares row by row.
        var (rehearsed, words) = Run("archive.sh", "rehearse");
        Assert.True(rehearsed == 0, words);
        Assert.Contains("Rehearsed", words, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("2026-01-31 25:00", "is no minute")]
    [InlineData("2026-01-31 18:05", "no base backup from before")]
    public void A_minute_that_cannot_be_gone_back_to_is_told_and_nothing_is_touched(string minute, string told)
    {
        var (code, words) = Run("archive.sh", "back", Path.Combine(folder, "archive"), minute);
        Assert.NotEqual(0, code);
        Assert.Contains(told, words, StringComparison.Ordinal);
        Assert.False(Directory.Exists(Path.Combine(folder, "postgres")));
    }

    [Fact]
    public void What_is_no_backup_changes_nothing()
    {
        var file = Path.Combine(folder, "letter.dump");
        File.WriteAllText(file, "Dear all,");
        var (ended, words) = Run("restore.sh", file);
        Assert.NotEqual(0, ended);
        Assert.Contains("is no backup that can be read", words, StringComparison.Ordinal);
        Assert.False(Directory.Exists(Path.Combine(folder, "postgres")));
        Assert.Contains("There is no file", Run("restore.sh", file + "x").Words, StringComparison.Ordinal);
    }

    [Fact]
    public void One_that_was_changed_or_cut_short_is_refused_and_what_stands_is_kept()
    {
        (string, string)[] owner = [("GENTLEBEAD_OWNER_DATABASE", room.Database.Owner)];
        for (var day = 1; day <= 3; day++)
            File.WriteAllText(
                Path.Combine(Directory.CreateDirectory(Path.Combine(folder, "backups")).FullName, $"gentlebead-2001-01-0{day}-000000.dump"),
                ""
            );
        Assert.Equal(0, Run("backup.sh", owner, "--keep", "2").Ended);
        var kept = Directory.GetFiles(Path.Combine(folder, "backups"), "*.dump").Order().ToArray();
        Assert.Equal(2, kept.Length);
        Assert.EndsWith("2001-01-03-000000.dump", kept[0], StringComparison.Ordinal);

        var bytes = File.ReadAllBytes(kept[1]);
        File.WriteAllBytes(kept[1], bytes[..^2_000]);
        Assert.Contains("is not as it was written", Run("restore.sh", kept[1]).Words, StringComparison.Ordinal);
        // Without the sum beside it, the restoring itself stops half-way, and takes all of it back.
        File.Delete(kept[1] + ".sha256");
        Assert.Equal(0, Run("restore.sh", Whole()).Ended);
        var before = Tables();
        var (ended, words) = Run("restore.sh", kept[1]);
        Assert.True(ended != 0, words);
        Assert.Contains("everything is as it was", words, StringComparison.Ordinal);
        Assert.Equal(before, Tables());

        string Whole()
        {
            var whole = Path.Combine(folder, "whole.dump");
            File.WriteAllBytes(whole, bytes);
            return whole;
        }

        Dictionary<string, (long, string)> Tables()
        {
            using var connection = new NpgsqlConnection(StartAsync().GetAwaiter().GetResult().Owner);
            var tables = TablesAsync(connection).GetAwaiter().GetResult();
            NpgsqlConnection.ClearPool(connection);
            return tables;
        }
    }

    private static async Task<int> RecordAsync(HttpClient maren, Guid sheetId, CancellationToken enough)
    {
        var count = 0;
        while (!enough.IsCancellationRequested)
        {
            var bead = new
            {
                sheetId,
                wireMark = 47,
                voltMark = 4,
                evidence = new { sound = "evenCrackle" },
            };
            (await maren.RecordAsync(Guid.CreateVersion7(), bead)).EnsureSuccessStatusCode();
            count++;
        }
        return count;
    }

    private Task<long> CountBeadsAsync(Guid sheetId) =>
        room.QueryAsync<long>("select count(*) from bead where sheet_id = @sheetId", new { sheetId });

    // How many rows each table has, and a fingerprint over all of them, in no order.
    private static async Task<Dictionary<string, (long Rows, string Fingerprint)>> TablesAsync(NpgsqlConnection connection)
    {
        var tables = new Dictionary<string, (long, string)>();
        foreach (var table in await connection.QueryAsync<string>("select tablename from pg_tables where schemaname = 'public' order by 1"))
        {
            tables[table] = await connection.QuerySingleAsync<(long, string)>(
                $"select count(*), coalesce(md5(string_agg(md5(one::text), '' order by md5(one::text))), '') from \"{table}\" as one"
            );
        }
        return tables;
    }

    // The cluster that was restored into, as each of its roles reaches it.
    private async Task<TestDatabase> StartAsync()
    {
        using var process = Process.Start(
            new ProcessStartInfo(Script("postgres.sh"), ["start", Path.Combine(folder, "postgres")]) { RedirectStandardOutput = true }
        )!;
        var lines = (await process.StandardOutput.ReadToEndAsync()).Split('\n', StringSplitOptions.RemoveEmptyEntries);
        return new($"{lines[0]};Database=postgres", $"{lines[1]};Database=postgres", $"{lines[2]};Database=postgres");
    }

    private static string Script(string name) => Path.Combine(Cluster.Root, "scripts", name);

    private (int Ended, string Words) Run(string script, params string[] arguments) => Run(script, [], arguments);

    private (int Ended, string Words) Run(string script, (string Name, string Value)[] settings, params string[] arguments)
    {
        var start = new ProcessStartInfo(Script(script), arguments) { RedirectStandardOutput = true, RedirectStandardError = true };
        start.Environment["GENTLEBEAD_STATE"] = folder;
        foreach (var (name, value) in settings)
            start.Environment[name] = value;
        using var process = Process.Start(start)!;
        var errors = process.StandardError.ReadToEndAsync();
        var words = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return (process.ExitCode, words + errors.Result);
    }
}
