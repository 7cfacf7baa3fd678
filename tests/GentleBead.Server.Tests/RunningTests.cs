using Dapper;
using GentleBead.Core.Running;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>How it runs, as the server finds it: real files, a real disk, a real database.</summary>
public sealed class RunningTests : IAsyncLifetime
{
    private readonly string folder = Directory.CreateTempSubdirectory("gentlebead-running-").FullName;
    private Room room = null!;

    public async ValueTask InitializeAsync()
    {
        room = new Room(demo: true, ("GENTLEBEAD_BACKUPS", folder));
        await room.InitializeAsync();
    }

    public async ValueTask DisposeAsync()
    {
        await room.DisposeAsync();
        Directory.Delete(folder, recursive: true);
    }

    private static async Task<RunningLine> LineAsync(HttpClient client, string what) =>
        (await client.GetAsync<RunningLine[]>("/api/running")).Single(line => $"{line.What}" == what);

    [Fact]
    public async Task The_newest_backup_is_the_one_that_lies_there()
    {
        var maren = await room.SignInAsync("maren");
        Assert.Equal(RunningState.Act, (await LineAsync(maren, "Backup")).State);
        foreach (var (name, days) in new[] { ("older.dump", 9), ("newer.dump", 2) })
        {
            var file = Path.Combine(folder, name);
            await File.WriteAllTextAsync(file, "a dump");
            File.SetLastWriteTimeUtc(file, DateTime.UtcNow.AddDays(-days));
        }
        await File.WriteAllTextAsync(Path.Combine(folder, "no-backup.txt"), "made now");
        var line = await LineAsync(maren, "Backup");
        Assert.Equal(RunningState.Look, line.State);
        Assert.NotNull(line.Do);
        File.SetLastWriteTimeUtc(Path.Combine(folder, "newer.dump"), DateTime.UtcNow);
        Assert.Equal(RunningState.Fine, (await LineAsync(maren, "Backup")).State);
    }

    [Fact]
    public async Task A_tablet_that_falls_silent_is_named()
    {
        var maren = await room.SignInAsync("maren");
        Assert.Equal(RunningState.Fine, (await LineAsync(maren, "Tablets")).State);
        await using var owner = new NpgsqlConnection(room.Database.Owner);
        await owner.ExecuteAsync(
            """
            insert into tablet (id, booth_id, name, key_hash, paired_by, seen_at)
            select gen_random_uuid(), booth.id, 'A tablet', sha256('a tablet'), person.id, now() - interval '10 minutes'
            from booth, person where person.login = 'maren' order by booth.number limit 1
            """
        );
        var line = await LineAsync(maren, "Tablets");
        Assert.Equal(RunningState.Look, line.State);
        Assert.Contains("Booth 1", $"{line.Says}", StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_it_takes_is_for_instructors()
    {
        var jun = await room.SignInAsync("jun");
        Assert.Equal(System.Net.HttpStatusCode.Forbidden, (await jun.GetAsync("/api/running")).StatusCode);
    }
}
