using System.Text.Json;
using Dapper;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>Every list is complete, a page at a time: nothing is cut silently at a fixed number.</summary>
public sealed class PagingTests(PagingTests.LargeRoom room) : IClassFixture<PagingTests.LargeRoom>
{
    private const int Added = 130;

    public sealed class LargeRoom : IAsyncLifetime
    {
        public Room Room { get; } = new(demo: true);

        public async ValueTask InitializeAsync()
        {
            await Room.InitializeAsync();
            await using var connection = new NpgsqlConnection(Room.Database.Owner);
            // Rows like the demo's own, many times over.
            await connection.ExecuteAsync(
                """
                insert into person (id, login, name, role, password_hash) select gen_random_uuid(), 'many' || n, 'Student ' || n,
                    'student', 'x' from generate_series(1, @Added) as n;
                insert into booth (id, number, room_id) select gen_random_uuid(), 100 + n, room.id
                    from (select id from room order by seq limit 1) as room, generate_series(1, @Added) as n;
                insert into machine (id, name, body, booth_id, moved)
                    select gen_random_uuid(), 'Machine ' || number, body, booth.id, 1000 + number from (select * from machine order by seq
                        limit 1) as one, (select * from booth where number > 100) as booth;
                insert into kept_setting (id, machine_id, kept_by, note, body)
                    select gen_random_uuid(), machine_id, kept_by, 'again', body from (select * from kept_setting where withdrawn_at is
                        null order by seq limit 1) as one, generate_series(1, @Added);
                insert into preset (id, name, version, body, rules_version, saved_by)
                    select gen_random_uuid(), 'Preset ' || n, 1, body, rules_version, saved_by from (select * from preset order by seq
                        limit 1) as one, generate_series(1, @Added) as n;
                insert into test_weld (id, sheet_id, terms, seal, sealed_body, sealed_by, student_id)
                    select gen_random_uuid(), sheet_id, terms, seal, sealed_body, sealed_by, student_id from (select * from test_weld order
                        by seq limit 1) as one, generate_series(1, @Added);
                """,
                new { Added }
            );
        }

        public ValueTask DisposeAsync() => Room.DisposeAsync();
    }

    public static TheoryData<string, string, string> Lists =>
        new()
        {
            { "/api/people/students", "after", "select count(*) from person where role = 'student'" },
            { "/api/machines", "after", "select count(*) from machine" },
            { "/api/kept", "before", "select count(*) from kept_setting where withdrawn_at is null" },
            { "/api/presets", "after", "select count(distinct name) from preset" },
            { "/api/practice/students", "after", "select count(*) from person where role = 'student'" },
            { "/api/test-welds/of-student/{tested}", "before", "select count(*) from test_weld" },
        };

    [Theory]
    [MemberData(nameof(Lists))]
    public async Task A_list_is_walked_to_its_end_and_gives_everything_once(string path, string cursor, string count)
    {
        var maren = await room.Room.SignInAsync("maren");
        var tested = await room.Room.QueryAsync<Guid>("select student_id from test_weld order by seq limit 1");
        var at = path.Replace("{tested}", $"{tested}", StringComparison.Ordinal);
        var seen = new HashSet<string>();
        var pages = 0;
        for (string? more = ""; more is not null; pages++)
        {
            using var page = JsonDocument.Parse(
                await maren.GetStringAsync(more.Length > 0 ? $"{at}?{cursor}={Uri.EscapeDataString(more)}" : at)
            );
            foreach (var item in page.RootElement.GetProperty("items").EnumerateArray())
                Assert.True(seen.Add(item.ToString()), "told twice");
            more = page.RootElement.GetProperty("more").GetString();
        }
        Assert.Equal(await room.Room.QueryAsync<long>(count), seen.Count);
        Assert.InRange(pages, 2, 40);
    }

    private const string OfTheRoom = "select count(*) from booth where room_id = (select id from room order by seq limit 1)";

    [Fact]
    public async Task The_room_gives_its_booths_a_page_at_a_time()
    {
        var maren = await room.Room.SignInAsync("maren");
        var seen = new List<int>();
        for (int? after = 0; after is not null; )
        {
            var page = await maren.GetAsync<Sessions.RoomView>($"/api/sessions/tonight?after={after}");
            seen.AddRange(page.Booths.Select(view => view.Booth.Number));
            after = page.MoreBooths;
        }
        Assert.Equal(seen.Distinct().Order(), seen);
        Assert.Equal(await room.Room.QueryAsync<long>(OfTheRoom), seen.Count);
    }
}
