using Dapper;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Trials;
using GentleBead.Core.Windows;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Windows;

/// <summary>A machine's learned windows in the database: fitted from the newest of what was heard, anew with whatever changes it.</summary>
public sealed class WindowStore(SchoolDatabase database)
{
    /// <summary>Windows of a machine that are sent at once.</summary>
    public const int Page = 4;

    private const int PointsShown = 80;

    /// <summary>Fits the window of an arc on a machine anew.</summary>
    /// <param name="connection">In whose transaction, with the machine's turn taken.</param>
    /// <param name="machineId">Which machine.</param>
    /// <param name="arc">Which arc.</param>
    public static async Task RefitAsync(NpgsqlConnection connection, Guid machineId, WireArc arc, CancellationToken cancel)
    {
        var (points, upto) = await PointsAsync(connection, machineId, arc, LearnedWindow.Newest, cancel);
        await connection.ExecuteAsync(
            points.Count == 0
                ? "delete from learned_window where machine_id = @machineId and process = @process and wire = @wire and gas = @gas"
                : """
                insert into learned_window (machine_id, process, wire, gas, body, upto)
                    values (@machineId, @process, @wire, @gas, @body, @upto)
                on conflict (machine_id, process, wire, gas) do update set body = excluded.body, upto = excluded.upto
                """,
            new
            {
                machineId,
                process = EnumText.Of(arc.Process),
                wire = EnumText.Of(arc.Wire),
                gas = EnumText.Of(arc.Gas),
                body = new Jsonb<LearnedWindow?>(points.Count == 0 ? null : LearnedWindow.Fit(arc, points)),
                upto,
            },
            cancel
        );
    }

    /// <summary>A page of a machine's windows with the newest points behind each, those that were fitted last first.</summary>
    /// <param name="machineId">Which machine.</param>
    /// <param name="after">The key of the last one that was sent; null for the first page.</param>
    public async Task<IReadOnlyList<(string Key, LearnedWindow Window, IReadOnlyList<WindowPoint> Points)>> OfMachineAsync(
        Guid machineId,
        string? after,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = (
            await connection.QueryAsync<(string Key, string Body)>(
                """
                with windows as (select concat_ws('/', process, wire, gas) as key, upto, body from learned_window
                    where machine_id = @machineId)
                select key, body from windows where @after::text is null or (upto, key) < (select upto, key from windows where key = @after)
                order by upto desc, key desc limit @Page
                """,
                new
                {
                    machineId,
                    after,
                    Page,
                },
                cancel
            )
        ).AsList();
        var windows = new List<(string, LearnedWindow, IReadOnlyList<WindowPoint>)>();
        foreach (var (key, body) in rows)
        {
            var window = Jsonb.Read<LearnedWindow>(body);
            windows.Add((key, window, (await PointsAsync(connection, machineId, window.Arc, PointsShown, cancel)).Points));
        }
        return windows;
    }

    private sealed record PointRow(
        double Volts,
        double? WireFeed,
        string? Sound,
        string? Cause,
        string? Verdict,
        string? Finding,
        double? StickOut,
        long Seq
    );

    // The newest beads with a sound and the newest sweeps of an arc on a machine.
    private const string Points = """
        (select volts as "Volts", wire_feed_m_per_min as "WireFeed", sound as "Sound", cause as "Cause",
             counted as "Verdict", null as "Finding",
             null as "StickOut", seq as "Seq" from bead_verdict
         where machine_id = @machineId and process = @process and wire = @wire and gas = @gas and not withdrawn
             and sound is not null and volts is not null and (not own or ruled is not null)
         order by seq desc limit @newest)
        union all
        (select volts, null, null, null, null, finding, stick_out_mm, 0 from sweep
         where machine_id = @machineId and process = @process and wire = @wire and gas = @gas and withdrawn_at is null
             and (not own or taken_at is not null)
             order by seq desc limit @newest)
        """;

    private static async Task<(IReadOnlyList<WindowPoint> Points, long Upto)> PointsAsync(
        NpgsqlConnection connection,
        Guid machineId,
        WireArc arc,
        int newest,
        CancellationToken cancel
    )
    {
        var rows = (
            await connection.QueryAsync<PointRow>(
                Points,
                new
                {
                    machineId,
                    process = EnumText.Of(arc.Process),
                    wire = EnumText.Of(arc.Wire),
                    gas = EnumText.Of(arc.Gas),
                    newest,
                },
                cancel
            )
        ).AsList();
        var points = new List<WindowPoint>(rows.Count);
        var (beads, sweeps) = (0, 0);
        foreach (var row in rows)
        {
            var volts = Voltage.FromVolts(row.Volts);
            if (row.Finding is { } finding)
            {
                var fade = LearnedWindow.Fade(sweeps++);
                Length? stickOut = row.StickOut is { } mm ? Length.FromMm(mm) : null;
                points.AddRange(
                    Jsonb.Read<SweepFinding>(finding).OnBand(arc, volts, stickOut).Select(point => point with { Weight = fade })
                );
            }
            else if (
                BeadOnBand.Point(
                    new Settings(WireFeedSpeed.FromMPerMin(row.WireFeed!.Value), volts),
                    EnumText.Read<Sound>(row.Sound!),
                    arc.Process,
                    row.Cause is null ? null : EnumText.Read<Cause>(row.Cause),
                    EnumText.Read<Verdict>(row.Verdict!)
                ) is
                { } point
            )
            {
                points.Add(point with { Weight = LearnedWindow.Fade(beads++) });
            }
        }
        return (points, rows.Count == 0 ? 0 : rows.Max(row => row.Seq));
    }
}
