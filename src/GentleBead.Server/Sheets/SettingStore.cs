using Dapper;
using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Windows;
using GentleBead.Server.Database;
using GentleBead.Server.Machines;

namespace GentleBead.Server.Sheets;

/// <summary>What a sheet is computed with at a booth: its machine with charts and windows, and the asker's way of setting.</summary>
/// <param name="MachineId">The machine at hand; null where none stands at the booth, or none was asked for.</param>
/// <param name="Machine">The same as calibrated and loaded now; null with it, for a sheet without marks.</param>
/// <param name="Way">The asker's way of setting.</param>
/// <param name="Charts">The charts on the machine's door that are not withdrawn.</param>
/// <param name="Windows">What the room has found on the machine.</param>
/// <param name="StudentId">Who stands there in the session asked about; null when nobody does, or none was asked about.</param>
/// <param name="Hand">The hand they hold the torch in; null where nobody said, or nobody stands there.</param>
/// <param name="BoothNumber">The booth's number; 0 without a booth.</param>
public sealed record SheetSetting(
    Guid? MachineId,
    Machine? Machine,
    WayOfSetting Way,
    IReadOnlyList<DoorChart> Charts,
    IReadOnlyList<LearnedWindow> Windows,
    Guid? StudentId,
    Hand? Hand,
    int BoothNumber
)
{
    /// <summary>The sheet for a job, or what is wrong with it.</summary>
    public Checked<Sheet> Plan(Job job)
    {
        var window = job.Wire is null ? null : Windows.FirstOrDefault(window => window.Arc == job.RequireArc());
        var chart = Charts.FirstOrDefault(chart => chart.Fits(job));
        var outcome = Planner.Plan(job, Machine, Way, chart, window, Hand);
        return outcome is Refusal refusal ? new(refusal.AsProblem()) : new((Sheet)outcome);
    }
}

/// <summary>Reads what a sheet is computed with, in one statement: it is asked for at every key.</summary>
public sealed class SettingStore(SchoolDatabase database)
{
    private const string ByBooth = """
        select machine_now.id as "MachineId", machine_now.body as "Body", machine_now.load as "Load", machine_now.readings as "Readings",
            (select way_of_setting from person where id = @by) as "Way", booth.number as "Number",
            (select json_agg(newest.body) from (
                select distinct on (process, wire, gas) body, withdrawn_at from door_chart
                where machine_id = machine_now.id order by process, wire, gas, seq desc) as newest
                    where withdrawn_at is null) as "Charts",
            (select json_agg(body) from learned_window where machine_id = machine_now.id) as "Windows",
            student.id as "StudentId", student.hand as "Hand"
        from booth_now as booth left join machine_now on machine_now.id = coalesce(@machineId, booth.machine_id)
            and machine_now.booth_id = booth.id
            left join place on place.session_id = @sessionId and place.booth_id = booth.id
            left join person student on student.id = place.student_id
        where booth.id = @boothId
        """;

    /// <summary>The setting at a booth; null where there is no such booth.</summary>
    /// <param name="boothId">Which booth; null for none.</param>
    /// <param name="by">Who asks.</param>
    /// <param name="sessionId">For which session; null where nobody is to stand there.</param>
    /// <param name="machineId">With which of the machines there; null for the one that came first.</param>
    public async Task<SheetSetting?> OfAsync(
        Guid? boothId,
        Guid by,
        Guid? sessionId = null,
        Guid? machineId = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        if (boothId is null)
        {
            var school = await connection.ExecuteScalarAsync<string?>(
                "select way_of_setting from person where id = @by",
                new { by },
                cancel
            );
            return new SheetSetting(
                null,
                null,
                school is null ? WayOfSetting.Usual : Jsonb.Read<WayOfSetting>(school),
                [],
                [],
                null,
                null,
                0
            );
        }
        var row = await connection.QuerySingleOrDefaultAsync<Row>(
            ByBooth,
            new
            {
                boothId,
                by,
                sessionId,
                machineId,
            },
            cancel
        );
        return row is null
            ? null
            : new SheetSetting(
                row.MachineId,
                row.Body is null ? null : StoredMachine.Read(row.Body, row.Load, row.Readings),
                row.Way is null ? WayOfSetting.Usual : Jsonb.Read<WayOfSetting>(row.Way),
                All<DoorChart>(row.Charts),
                All<LearnedWindow>(row.Windows),
                row.StudentId,
                row.Hand is null ? null : EnumText.Read<Hand>(row.Hand),
                row.Number
            );
    }

    private static IReadOnlyList<T> All<T>(string? json) => json is null ? [] : Jsonb.Read<IReadOnlyList<T>>(json);

    private sealed record Row(
        Guid? MachineId,
        string? Body,
        string? Load,
        string? Readings,
        string? Way,
        int Number,
        string? Charts,
        string? Windows,
        Guid? StudentId,
        string? Hand
    );
}
