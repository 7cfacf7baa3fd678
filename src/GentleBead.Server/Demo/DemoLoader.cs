using GentleBead.Core.Judging;
using GentleBead.Core.Kept;
using GentleBead.Core.Machines;
using GentleBead.Core.Sheets;
using GentleBead.Demo;
using GentleBead.Server.Beads;
using GentleBead.Server.Costs;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Kept;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Rooms;
using GentleBead.Server.Sessions;
using GentleBead.Server.Sheets;

namespace GentleBead.Server.Demo;

/// <summary>Puts the made-up school into an empty database, through the same stores as everybody else.</summary>
public static class DemoLoader
{
    /// <summary>Loads the school when there is none yet; otherwise leaves everything alone.</summary>
    /// <param name="services">The server's.</param>
    /// <param name="owner">Connection string of the role that owns the tables.</param>
    public static async Task LoadAsync(IServiceProvider services, string owner, CancellationToken cancel)
    {
        var people = services.GetRequiredService<PeopleStore>();
        if (await people.SchoolAsync(cancel) is not null)
            return;
        // The school's name is written last here, and together with its founder
        // for a real school: without one there can only be a demo cut short.
        await Clearing.RunAsync(owner, cancel);
        var now = services.GetRequiredService<TimeProvider>().GetLocalNow();
        var room = new SchoolRoom(Guid.CreateVersion7(), DemoSchool.Room);
        await services.GetRequiredService<BoothStore>().AddRoomAsync(room, null, Sent.ByNobody, cancel);
        var booths = await LoadMachinesAsync(services, room.Id, DemoSchool.Machines, now, cancel);
        var ids = await LoadPeopleAsync(people, [.. DemoSchool.People, .. DemoHall.Students], now, cancel);
        var instructor = ids[DemoSchool.People.First(person => person.IsInstructor).Login];
        var evenings = DemoTerm.Tell(now);
        var course = await DemoCourseLoader.LoadAsync(services, room.Id, evenings, ids, cancel);
        var loft = new Held(DemoSchool.Class, course, room.Id, booths, DemoSchool.Machines);
        var students = DemoSchool.People.Where(person => !person.IsInstructor).Select(person => person.Login).ToArray();
        foreach (var evening in evenings)
        {
            var session = await LoadEveningAsync(services, evening, loft, ids, instructor, cancel);
            // Tonight nobody has gone round with the list yet.
            if (evening != evenings[^1])
                await DemoCourseLoader.NoteAsync(services, session, [.. evening.Places.Values], students, ids, cancel);
            else
                await DemoFloorLoader.LoadAsync(services, session, booths, ids, now, cancel);
        }
        await LoadShopAsync(services, booths, instructor, now, cancel);
        await KeepAsync(services, booths[1].MachineId!.Value, ids["ilsa"], now, cancel);
        await DemoFindingsLoader.LoadAsync(services, booths, ids, now, cancel);
        await DemoListeningLoader.LoadAsync(services, booths, ids, now, cancel);
        await DemoHallLoader.LoadAsync(services, ids, now, cancel);
        await people.NameDemoSchoolAsync(DemoSchool.Name, cancel);
    }

    /// <summary>What is held where: a course in a room with its booths.</summary>
    internal sealed record Held(
        string Title,
        Guid Course,
        Guid RoomId,
        IReadOnlyDictionary<int, Booth> Booths,
        IReadOnlyList<DemoMachine> Machines
    );

    /// <summary>Puts a room's machines into its booths, with what was read on them.</summary>
    /// <returns>The booths by number, each with the machine that came first.</returns>
    internal static async Task<Dictionary<int, Booth>> LoadMachinesAsync(
        IServiceProvider services,
        Guid roomId,
        IReadOnlyList<DemoMachine> all,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var machines = services.GetRequiredService<MachineStore>();
        var readings = services.GetRequiredService<ReadingStore>();
        var booths = new Dictionary<int, Booth>();
        foreach (var demo in all)
        {
            var machineId = Guid.CreateVersion7();
            var isNew = !booths.TryGetValue(demo.Booth, out var booth);
            if (isNew)
                booths[demo.Booth] = booth = new Booth(Guid.CreateVersion7(), demo.Booth, roomId, machineId);
            await machines.AddAsync(machineId, demo.Machine, Sent.ByNobody, cancel);
            foreach (var (which, control) in demo.Machine.Controls())
            {
                foreach (var reading in control.Readings)
                {
                    var taken = new TakenReading(Guid.CreateVersion7(), which, reading.Mark, reading.Measured, null, null, default);
                    await readings.AddAsync(machineId, taken, Sent.ByNobody, now.AddDays(-24), cancel);
                }
            }
            if (isNew)
                await services.GetRequiredService<BoothStore>().AddAsync(booth! with { MachineId = null }, null, Sent.ByNobody, cancel);
            await services.GetRequiredService<MoveStore>().MoveAsync(machineId, machineId, booth!.Id, "", null, Sent.ByNobody, cancel);
        }
        return booths;
    }

    private static async Task<Dictionary<string, Guid>> LoadPeopleAsync(
        PeopleStore people,
        IReadOnlyList<DemoPerson> all,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var ids = all.ToDictionary(person => person.Login, _ => Guid.CreateVersion7());
        foreach (var person in all)
        {
            var (role, units) = person.IsInstructor ? (Role.Instructor, Units.Inch) : (Role.Student, Units.Metric);
            await people.AddAsync(
                new Person(ids[person.Login], person.Login, person.Name, role, units),
                DemoSchool.Password,
                Sent.ByNobody,
                now.AddDays(-60),
                cancel: cancel
            );
        }
        return ids;
    }

    /// <summary>Puts one session in: who stood where, the sheets, the beads.</summary>
    /// <returns>Which session.</returns>
    internal static async Task<Guid> LoadEveningAsync(
        IServiceProvider services,
        DemoEvening evening,
        Held held,
        IReadOnlyDictionary<string, Guid> ids,
        Guid instructor,
        CancellationToken cancel
    )
    {
        var sessions = services.GetRequiredService<SessionStore>();
        var places = services.GetRequiredService<PlaceStore>();
        var session = new PlannedSession(Guid.CreateVersion7(), held.Title, evening.Hours, held.RoomId, held.Course);
        await sessions.AddAsync([session], null, Sent.ByNobody, cancel);
        foreach (var (booth, login) in evening.Places)
            await places.SetAsync(session.Id, held.Booths[booth].Id, ids[login], cancel);
        foreach (var coupon in evening.Coupons)
        {
            var sheet = new AssignedSheet(
                Guid.CreateVersion7(coupon.AssignedAt),
                session.Id,
                held.Booths[coupon.Booth].Id,
                held.Booths[coupon.Booth].MachineId!.Value,
                ids[coupon.Login],
                coupon.AssignedAt,
                coupon.Sheet
            );
            await services.GetRequiredService<SheetStore>().AddAsync(sheet, instructor, Sent.ByNobody, coupon.AssignedAt, cancel);
            var machine = held.Machines.First(one => one.Booth == coupon.Booth).Machine;
            await LoadBeadsAsync(services.GetRequiredService<BeadRecorder>(), coupon, machine, sheet.Id, instructor, cancel);
        }
        return session.Id;
    }

    private static async Task LoadBeadsAsync(
        BeadRecorder recorder,
        DemoCoupon coupon,
        Machine machine,
        Guid sheetId,
        Guid instructor,
        CancellationToken cancel
    )
    {
        BeadBefore? before = null;
        foreach (var bead in coupon.Beads)
        {
            var judgement = Judge.Of(coupon.Sheet, machine, bead.Believed, bead.Evidence, Circumstances.None with { Before = before });
            var laid = new Bead(
                Guid.CreateVersion7(bead.At),
                sheetId,
                0,
                bead.WireMark,
                bead.VoltMark,
                null,
                bead.Believed,
                null,
                bead.Evidence,
                judgement,
                null,
                bead.At,
                default
            );
            before = (await recorder.AddJudgedAsync(laid, instructor, bead.At, cancel)).AsBefore();
        }
    }

    private static async Task LoadShopAsync(
        IServiceProvider services,
        Dictionary<int, Booth> booths,
        Guid instructor,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var machines = services.GetRequiredService<MachineStore>();
        var charts = services.GetRequiredService<ChartStore>();
        foreach (var (booth, chart) in DemoSchool.Charts)
            await charts.AddAsync(
                Guid.CreateVersion7(),
                booths[booth].MachineId!.Value,
                chart,
                instructor,
                Sent.ByNobody,
                now.AddDays(-23),
                cancel
            );
        foreach (var (booth, part, daysAgo, note) in DemoSchool.Upkeep)
            await machines.AddUpkeepAsync(
                Guid.CreateVersion7(),
                booths[booth].MachineId!.Value,
                new(part, part == Part.Tip, note),
                instructor,
                Sent.ByNobody,
                now.AddDays(-daysAgo),
                cancel
            );
        foreach (var (booth, waterL, bar, daysAgo) in DemoSchool.Bottles)
            await machines.AddBottleAsync(
                Guid.CreateVersion7(),
                booths[booth].MachineId!.Value,
                waterL,
                bar,
                instructor,
                Sent.ByNobody,
                now.AddDays(-daysAgo),
                cancel
            );
        await services
            .GetRequiredService<CostStore>()
            .SetAsync(Guid.CreateVersion7(), DemoSchool.Prices, 0, instructor, Sent.ByNobody, cancel);
        foreach (var (name, job) in DemoSchool.Presets)
            await services
                .GetRequiredService<PresetStore>()
                .AddAsync(Guid.CreateVersion7(), name, (Sheet)Planner.Plan(job), instructor, Sent.ByNobody, now.AddDays(-20), cancel);
    }

    // Ilsa kept what worked: the last right bead of each of her coupons.
    private static async Task KeepAsync(IServiceProvider services, Guid machineId, Guid ilsa, DateTimeOffset now, CancellationToken cancel)
    {
        var given = await services.GetRequiredService<SheetStore>().AllOfStudentAsync(ilsa, cancel);
        var laid = await services.GetRequiredService<BeadStore>().AllOfSheetsAsync(given.Select(sheet => sheet.Id), cancel);
        foreach (var sheet in given.OrderBy(sheet => sheet.AssignedAt))
        {
            if (
                laid[sheet.Id].LastOrDefault(bead => bead.Judgement.Verdict == Verdict.Right) is not { } bead
                || sheet.AssignedAt > now.AddDays(-1)
            )
                continue;
            var setting = new KeptSetting(sheet.Body.Job, bead.WireMark, bead.VoltMark, null);
            await services
                .GetRequiredService<KeptStore>()
                .AddAsync(
                    new Keepsake(Guid.CreateVersion7(), machineId, ilsa, bead.Id, "ran sweet", setting, default),
                    Sent.ByNobody,
                    bead.RecordedAt,
                    cancel
                );
        }
    }
}
