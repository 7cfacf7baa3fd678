using Dapper;
using GentleBead.Core.Courses;
using GentleBead.Core.Skills;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Skills;

/// <summary>What is known of a student at one kind of work.</summary>
/// <param name="StudentId">Whose.</param>
/// <param name="Kind">What kind of work.</param>
/// <param name="Record">What they did, and their skill.</param>
/// <param name="Harder">How much harder than usual that kind of work is, logits.</param>
/// <param name="Proven">Whether it was shown by beads as an exercise usually asks.</param>
/// <param name="BestBead">Their newest right bead, one that an instructor had a word on before others; null where none was right.</param>
/// <param name="NewestBead">Their newest bead; null where all were withdrawn.</param>
public sealed record KnownSkill(
    Guid StudentId,
    KindOfWork Kind,
    SkillRecord Record,
    double Harder,
    bool Proven,
    Guid? BestBead,
    Guid? NewestBead
);

/// <summary>
/// Skill in the database. The database notes at which kinds of work something changed (<c>touch_skill</c>); those are worked out anew when
/// somebody next asks, from the newest beads of each.
/// </summary>
public sealed class SkillStore(SchoolDatabase database, TimeProvider clock)
{
    // Older ones have faded from what is known.
    private const int BeadsOfKind = 100;

    // As many kinds as a full roster touches on an evening, and more; what is left is worked out at the next call.
    private const int AtOnce = 600;

    /// <summary>What is known of these students, kind by kind; in a fixed number of queries, however many they are.</summary>
    public async Task<IReadOnlyList<KnownSkill>> OfAsync(IReadOnlyList<Guid> students, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        if (await StaleAsync(connection, students, cancel) is { Length: > 0 } stale)
            await WorkOutAsync(connection, stale, cancel);
        var rows = await connection.QueryAsync<KnownRow>(
            """
            select skill.student_id as "StudentId", skill.process as "Process", skill.joint as "Joint", skill.position as "Position",
                skill.body as "Body", skill.proven as "Proven", skill.best_bead as "BestBead", skill.newest_bead as "NewestBead",
                kind.beads as "Beads", kind.right_beads as "Right", kind.expected as "Expected"
            from skill left join kind_difficulty as kind
                on kind.process = skill.process and kind.joint = skill.joint and kind.position = skill.position
            where skill.student_id = any(@students) and skill.newest_bead is not null
            order by skill.student_id, skill.process, skill.joint, skill.position
            """,
            new { students = students.ToArray() },
            cancel
        );
        return [.. rows.Select(row => row.Known)];
    }

    private async Task<StaleRow[]> StaleAsync(NpgsqlConnection connection, IReadOnlyList<Guid> students, CancellationToken cancel) =>
        [
            .. await connection.QueryAsync<StaleRow>(
                """
                select skill.student_id as "StudentId", skill.process as "Process", skill.joint as "Joint", skill.position as "Position",
                    skill.touched as "Touched", (
                    select json_agg(json_build_object('id', bead_id, 'at', recorded_at, 'day', (recorded_at at time zone zone.name)::date,
                        'counted', counted, 'ruled', ruled is not null, 'machineId', machine_id) order by seq)
                    from (select * from bead_verdict as laid
                        where laid.student_id = skill.student_id and laid.process = skill.process and laid.joint = skill.joint
                            and laid.position = skill.position and not laid.withdrawn order by laid.seq desc limit @BeadsOfKind)
                    as newest) as "Beads"
                from skill cross join (select coalesce(nullif((select time_zone from school), ''), @here) as name) as zone
                where skill.student_id = any(@students) and skill.upto < skill.touched limit @AtOnce
                """,
                new
                {
                    students = students.ToArray(),
                    here = clock.LocalTimeZone.Id,
                    BeadsOfKind,
                    AtOnce,
                },
                cancel
            ),
        ];

    private static async Task WorkOutAsync(NpgsqlConnection connection, StaleRow[] stale, CancellationToken cancel)
    {
        var read = stale.Select(row => row.Read()).ToArray();
        var machines = await DifficultyStore.OfMachinesAsync(
            connection,
            [.. read.SelectMany(one => one.Beads).Select(bead => bead.MachineId).Distinct()],
            cancel
        );
        var kinds = await DifficultyStore.OfKindsAsync(connection, [.. read.Select(one => one.Kind).Distinct()], cancel);
        var fresh = read.Select(one => one.WorkOut(bead => kinds.GetValueOrDefault(one.Kind) + machines.GetValueOrDefault(bead.MachineId)))
            .ToArray();
        await connection.ExecuteAsync(
            """
            update skill set upto = fresh.touched, beads = fresh.beads, right_beads = fresh.right_beads, body = fresh.body::jsonb,
                proven = fresh.proven, best_bead = fresh.best_bead, newest_bead = fresh.newest_bead
            from unnest(@students, @processes, @joints, @positions, @touched, @beads, @right, @bodies, @proven, @best, @newest)
                as fresh (student_id, process, joint, position, touched, beads, right_beads, body, proven, best_bead, newest_bead)
            where skill.student_id = fresh.student_id and skill.process = fresh.process and skill.joint = fresh.joint
                and skill.position = fresh.position and skill.upto < fresh.touched
            """,
            new
            {
                students = fresh.Select(one => one.Row.StudentId).ToArray(),
                processes = fresh.Select(one => one.Row.Process).ToArray(),
                joints = fresh.Select(one => one.Row.Joint).ToArray(),
                positions = fresh.Select(one => one.Row.Position).ToArray(),
                touched = fresh.Select(one => one.Row.Touched).ToArray(),
                beads = fresh.Select(one => one.Record.Skill.Beads).ToArray(),
                right = fresh.Select(one => one.Record.Right).ToArray(),
                bodies = fresh.Select(one => Jsonb.Write(one.Record)).ToArray(),
                proven = fresh.Select(one => one.Proven).ToArray(),
                best = fresh.Select(one => one.Best).ToArray(),
                newest = fresh.Select(one => one.Newest).ToArray(),
            },
            cancel
        );
    }

    private static KindOfWork KindOf(string process, string joint, string position) =>
        new(EnumText.Read<Process>(process), EnumText.Read<Joint>(joint), EnumText.Read<Position>(position));

    private sealed record StaleRow(Guid StudentId, string Process, string Joint, string Position, long Touched, string? Beads)
    {
        public StaleKind Read() =>
            new(this, KindOf(Process, Joint, Position), Beads is null ? [] : Jsonb.Read<IReadOnlyList<CountedBead>>(Beads));
    }

    private sealed record CountedBead(Guid Id, DateTimeOffset At, DateOnly Day, string Counted, bool Ruled, Guid MachineId)
    {
        public bool Right => Counted == "right";

        // What nobody has looked at enough to say counts for nothing either way.
        public bool IsKnown => Counted != "open";
    }

    private sealed record StaleKind(StaleRow Row, KindOfWork Kind, IReadOnlyList<CountedBead> Beads)
    {
        public FreshKind WorkOut(Func<CountedBead, double> harder)
        {
            var known = Beads.Where(bead => bead.IsKnown).ToArray();
            var place = DoneRule.Usual.PlaceBy(Proof.Beads, new([.. known.Select(bead => new LaidBead(bead.Day, bead.Right))]));
            var best = known.LastOrDefault(bead => bead is { Right: true, Ruled: true }) ?? known.LastOrDefault(bead => bead.Right);
            return new(
                Row,
                SkillRecord.Of(known.Select(bead => new Attempt(bead.At, bead.Right, harder(bead)))),
                place.State == ExerciseState.Done,
                best?.Id,
                Beads.Count == 0 ? null : Beads[^1].Id
            );
        }
    }

    private sealed record FreshKind(StaleRow Row, SkillRecord Record, bool Proven, Guid? Best, Guid? Newest);

    private sealed record KnownRow(
        Guid StudentId,
        string Process,
        string Joint,
        string Position,
        string Body,
        bool Proven,
        Guid? BestBead,
        Guid? NewestBead,
        int? Beads,
        int? Right,
        double? Expected
    )
    {
        public KnownSkill Known =>
            new(
                StudentId,
                KindOf(Process, Joint, Position),
                Jsonb.Read<SkillRecord>(Body),
                Difficulty.Harder(Beads ?? 0, Right ?? 0, Math.Min(Expected ?? 0, Beads ?? 0)),
                Proven,
                BestBead,
                NewestBead
            );
    }
}
