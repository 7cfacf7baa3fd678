using Dapper;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>The database role the application connects as may do what it does, and nothing else.</summary>
public class RoleTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Theory]
    [InlineData("alter table test_record disable trigger all")]
    [InlineData("truncate test_record")]
    [InlineData("truncate bead cascade")]
    [InlineData("set session_replication_role = replica")]
    [InlineData("drop table test_weld")]
    [InlineData("update test_record set body = body")]
    [InlineData("update test_weld set seal = seal")]
    [InlineData("update bead set judgement = judgement")]
    [InlineData("update ruling set reason = ''")]
    [InlineData("delete from look")]
    [InlineData("delete from bead")]
    [InlineData("update person set role = 'instructor'")]
    [InlineData("update person set added_at = '2020-01-01'")]
    [InlineData("create table mine (id int)")]
    [InlineData("insert into schemaversions (scriptname, applied) values ('x', now())")]
    [InlineData("alter role gentlebead_app superuser")]
    public async Task What_the_application_never_does_its_role_may_not_do(string sql)
    {
        await using var connection = new NpgsqlConnection(room.Database.Application);
        // 42501: insufficient privilege.
        Assert.Equal("42501", (await Assert.ThrowsAsync<PostgresException>(() => connection.ExecuteAsync(sql))).SqlState);
    }

    [Fact]
    public async Task A_role_that_may_more_is_named_and_refused_at_start()
    {
        Assert.Empty(await Grants.ExcessAsync(room.Database.Application, TestContext.Current.CancellationToken));
        Assert.Contains(
            "superuser",
            (await Grants.ExcessAsync(room.Database.Own, TestContext.Current.CancellationToken))[0],
            StringComparison.Ordinal
        );
        Assert.Contains(
            "it owns the table",
            (await Grants.ExcessAsync(room.Database.Owner, TestContext.Current.CancellationToken))[0],
            StringComparison.Ordinal
        );
        var refused = await Assert.ThrowsAsync<InvalidOperationException>(async () =>
            await EndAsync(await RunningServer.StartAsync(demo: false, room.Database with { Application = room.Database.Own }))
        );
        Assert.Contains("may do more than the application does", refused.Message, StringComparison.Ordinal);

        static async Task EndAsync(RunningServer server) => await server.DisposeAsync();
    }
}
