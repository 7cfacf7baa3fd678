using GentleBead.Core.Running;

namespace GentleBead.Core.Tests.Running;

public class HowItRunsTests
{
    private static readonly DateTimeOffset Now = new(2026, 3, 5, 18, 0, 0, TimeSpan.Zero);

    private static readonly RunningFacts Well = new(
        Now,
        TimeZoneInfo.Utc,
        AnswerMs: 1.4,
        DatabaseBytes: 3_400_000_000,
        StandbyFollows: null,
        FreeBytes: 60_000_000_000,
        DiskBytes: 250_000_000_000,
        new NewestBackup(Now.AddHours(-14)),
        [],
        CertificateEnds: null
    );

    private static RunningLine Line(RunningFacts facts, string what) => HowItRuns.Of(facts).Single(line => $"{line.What}" == what);

    [Fact]
    public void Where_all_is_well_nothing_is_to_be_done()
    {
        var lines = HowItRuns.Of(Well);
        Assert.Equal(["Database", "Space", "Backup", "Tablets"], lines.Select(line => $"{line.What}"));
        Assert.All(lines, line => Assert.Equal(RunningState.Fine, line.State));
        Assert.All(lines, line => Assert.Null(line.Do));
        Assert.Equal("It answers within 1 ms and holds 3.4 GB.", $"{lines[0].Says}");
        Assert.Contains("holds 26 MB", $"{HowItRuns.Of(Well with { DatabaseBytes = 26_400_000 })[0].Says}", StringComparison.Ordinal);
        Assert.Equal("The newest is of 5 Mar 2026, 04:00.", $"{lines[2].Says}");
    }

    [Fact]
    public void What_is_not_known_here_has_no_line() =>
        Assert.DoesNotContain(HowItRuns.Of(Well with { Backups = null }), line => $"{line.What}" is "Backup" or "Certificate" or "Standby");

    // Common practice, no source: a nightly backup that failed once is looked at, more often is seen to.
    [Theory]
    [InlineData(25, RunningState.Fine)]
    [InlineData(48, RunningState.Look)]
    [InlineData(100, RunningState.Act)]
    public void A_backup_grows_old(int hours, RunningState state)
    {
        var line = Line(Well with { Backups = new(Now.AddHours(-hours)) }, "Backup");
        Assert.Equal(state, line.State);
        Assert.Equal(state == RunningState.Fine, line.Do is null);
    }

    [Fact]
    public void None_at_all_is_said_with_what_makes_one()
    {
        var line = Line(Well with { Backups = new(null) }, "Backup");
        Assert.Equal(RunningState.Act, line.State);
        Assert.Contains("scripts/backup.sh", $"{line.Do}", StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(60, RunningState.Fine)]
    [InlineData(20, RunningState.Look)]
    [InlineData(1, RunningState.Act)]
    public void Space_runs_out(int gigabytes, RunningState state) =>
        Assert.Equal(state, Line(Well with { FreeBytes = gigabytes * 1_000_000_000L }, "Space").State);

    [Fact]
    public void A_large_disk_with_a_tenth_left_is_not_full() =>
        Assert.Equal(RunningState.Fine, Line(Well with { FreeBytes = 600_000_000_000, DiskBytes = 4_000_000_000_000 }, "Space").State);

    [Theory]
    [InlineData(60, RunningState.Fine)]
    [InlineData(14, RunningState.Look)]
    [InlineData(2, RunningState.Act)]
    [InlineData(-1, RunningState.Act)]
    public void A_certificate_that_was_not_renewed_is_seen(int days, RunningState state) =>
        Assert.Equal(state, Line(Well with { CertificateEnds = Now.AddDays(days) }, "Certificate").State);

    [Fact]
    public void A_standby_that_is_meant_to_follow_and_does_not_is_seen_to()
    {
        Assert.Equal(RunningState.Act, Line(Well with { StandbyFollows = false }, "Standby").State);
        Assert.Equal(RunningState.Fine, Line(Well with { StandbyFollows = true }, "Standby").State);
    }

    [Fact]
    public void Silent_tablets_are_named_with_when_they_fell_silent_by_the_clock_on_the_wall()
    {
        var east = TimeZoneInfo.CreateCustomTimeZone("east", TimeSpan.FromHours(2), "east", "east");
        var line = Line(
            Well with
            {
                Zone = east,
                Silent = [new(3, "Loft", Now.AddMinutes(-10)), new(5, "Hall", Now.AddHours(-2))],
            },
            "Tablets"
        );
        Assert.Equal(RunningState.Look, line.State);
        Assert.Equal("Booth 3, Loft: not heard of since 19:50. Booth 5, Hall: not heard of since 18:00.", $"{line.Says}");
    }
}
