using Dapper;
using GentleBead.Core.Skills;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Skills;

/// <summary>
/// How much harder than usual machines and kinds of work make it, from the newest beads there beside what the same people do elsewhere;
/// fitted anew when it is a day old and somebody asks.
/// </summary>
internal static class DifficultyStore
{
    /// <summary>How much harder these machines make it, logits; what nothing is known of is left out.</summary>
    public static async Task<IReadOnlyDictionary<Guid, double>> OfMachinesAsync(
        NpgsqlConnection connection,
        Guid[] machines,
        CancellationToken cancel
    )
    {
        // A bead of whom nothing is known elsewhere says nothing of the machine.
        await connection.ExecuteAsync(
            """
            insert into machine_difficulty (machine_id, beads, right_beads, expected)
            select asked.id, seen.beads, seen.right_beads, seen.expected from unnest(@machines) as asked (id)
            cross join lateral (
                select count(*)::int as beads, (count(*) filter (where newest.counted = 'right'))::int as right_beads,
                    sum((skill.right_beads + 1.0) / (skill.beads + 2)) as expected
                from (select * from bead_verdict where machine_id = asked.id and not withdrawn order by seq desc limit @Newest) as newest
                join skill on skill.student_id = newest.student_id and skill.process = newest.process and skill.joint = newest.joint
                    and skill.position = newest.position and skill.beads > 0
                where newest.counted <> 'open') as seen
            where seen.beads > 0 and not exists (
                select from machine_difficulty where machine_id = asked.id and fitted_at > now() - interval '1 day')
            on conflict (machine_id) do update set beads = excluded.beads, right_beads = excluded.right_beads,
                expected = excluded.expected, fitted_at = now()
            """,
            new { machines, Difficulty.Newest },
            cancel
        );
        var rows = await connection.QueryAsync<(Guid Id, int Beads, int Right, double Expected)>(
            "select machine_id, beads, right_beads, expected from machine_difficulty where machine_id = any(@machines)",
            new { machines },
            cancel
        );
        return rows.ToDictionary(row => row.Id, row => Difficulty.Harder(row.Beads, row.Right, Math.Min(row.Expected, row.Beads)));
    }

    /// <summary>How much harder these kinds of work are, logits; what nothing is known of is left out.</summary>
    public static async Task<IReadOnlyDictionary<KindOfWork, double>> OfKindsAsync(
        NpgsqlConnection connection,
        KindOfWork[] kinds,
        CancellationToken cancel
    )
    {
        var asked = new
        {
            processes = kinds.Select(kind => EnumText.Of(kind.Process)).ToArray(),
            joints = kinds.Select(kind => EnumText.Of(kind.Joint)).ToArray(),
            positions = kinds.Select(kind => EnumText.Of(kind.Position)).ToArray(),
            Difficulty.Newest,
        };
        await connection.ExecuteAsync(
            """
            insert into kind_difficulty (process, joint, position, beads, right_beads, expected)
            select asked.process, asked.joint, asked.position, seen.beads, seen.right_beads, seen.expected
            from unnest(@processes, @joints, @positions) as asked (process, joint, position)
            cross join lateral (
                select count(*)::int as beads, (count(*) filter (where newest.counted = 'right'))::int as right_beads,
                    sum((elsewhere.right_beads + 1.0) / (elsewhere.beads + 2)) as expected
                from (select student_id, counted from bead_verdict where process = asked.process and joint = asked.joint
                    and position = asked.position and not withdrawn order by seq desc limit @Newest) as newest
                cross join lateral (select sum(beads) as beads, sum(right_beads) as right_beads from skill
                    where student_id = newest.student_id and (process, joint, position) <> (asked.process, asked.joint, asked.position))
                as elsewhere
                where newest.counted <> 'open' and elsewhere.beads > 0) as seen
            where seen.beads > 0 and not exists (
                select from kind_difficulty as kind where kind.process = asked.process and kind.joint = asked.joint
                    and kind.position = asked.position and kind.fitted_at > now() - interval '1 day')
            on conflict (process, joint, position) do update set beads = excluded.beads, right_beads = excluded.right_beads,
                expected = excluded.expected, fitted_at = now()
            """,
            asked,
            cancel
        );
        var rows = await connection.QueryAsync<(string Process, string Joint, string Position, int Beads, int Right, double Expected)>(
            """
            select kind.process, kind.joint, kind.position, kind.beads, kind.right_beads, kind.expected from kind_difficulty as kind
            join unnest(@processes, @joints, @positions) as asked (process, joint, position)
                on asked.process = kind.process and asked.joint = kind.joint and asked.position = kind.position
            """,
            asked,
            cancel
        );
        return rows.ToDictionary(
            row => new KindOfWork(
                EnumText.Read<Process>(row.Process),
                EnumText.Read<Joint>(row.Joint),
                EnumText.Read<Position>(row.Position)
            ),
            row => Difficulty.Harder(row.Beads, row.Right, Math.Min(row.Expected, row.Beads))
        );
    }
}
