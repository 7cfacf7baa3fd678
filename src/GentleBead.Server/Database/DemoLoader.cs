using GentleBead.Core.Judging;
using GentleBead.Core.Kept;
using GentleBead.Core.Machines;
using GentleBead.Core.Sheets;
using GentleBead.Demo;
using GentleBead.Server.Beads;
using GentleBead.Server.Kept;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;
using GentleBead.Server.Sheets;
using Npgsql;

namespace GentleBead.Server.Database;

/// <summary>Puts the made-up school into an empty database, through the same stores as everybody else.</summary>
public static class DemoLoader
{
    /// <summary>Loads the school when there is none yet; otherwise leaves everything alone.</summary>
    public static async Task LoadAsync(IServiceProvider services)
    {
        var people = services.GetRequiredService<PeopleStore>();
        if (await people.SchoolAsync() is not null) return;
        // The school's name is written last here, and together with its founder for a real school: without one there can only be a demo cut short.
        await using (var clear = services.GetRequiredService<NpgsqlDataSource>().CreateCommand("truncate person, machine, booth, session, preset, practice_tolerances cascade"))
        {
            await clear.ExecuteNonQueryAsync();
        }
        var machines = services.GetRequiredService<MachineStore>();
        var sessions = services.GetRequiredService<SessionStore>();
        var sheets = services.GetRequiredService<SheetStore>();
        var beads = services.GetRequiredService<BeadStore>();

        var now = services.GetRequiredService<TimeProvider>().GetLocalNow();
        var booths = new Dictionary<int, Booth>();
        foreach (var demo in DemoSchool.Machines)
        {
            var booth = booths[demo.Booth] = new Booth(Guid.CreateVersion7(), demo.Booth, Guid.CreateVersion7());
            await machines.AddAsync(booth.MachineId, demo.Machine);
            await AddReadings(ReadControl.Wire, demo.Machine.WireControl);
            await AddReadings(ReadControl.Volt, demo.Machine.VoltControl);
            await AddReadings(ReadControl.Amp, demo.Machine.AmpControl);
            await sessions.AddBoothAsync(booth);

            async Task AddReadings(ReadControl which, Control? control)
            {
                foreach (var reading in control?.Readings ?? []) await machines.AddReadingAsync(booth.MachineId, new TakenReading(Guid.CreateVersion7(), which, reading.Mark, reading.Measured, null, null, now.AddDays(-24)));
            }
        }

        var ids = DemoSchool.People.ToDictionary(person => person.Login, _ => Guid.CreateVersion7());
        var instructor = ids[DemoSchool.People.First(person => person.IsInstructor).Login];
        foreach (var person in DemoSchool.People)
        {
            await people.AddAsync(new Person(ids[person.Login], person.Login, person.Name, person.IsInstructor ? Role.Instructor : Role.Student, person.IsInstructor ? Units.Inch : Units.Metric), DemoSchool.Password);
        }

        foreach (var evening in DemoTerm.Tell(now))
        {
            var session = await sessions.AddAsync(new Session(Guid.CreateVersion7(), DemoSchool.Class, evening.HeldOn));
            foreach (var (booth, login) in evening.Places) await sessions.SetPlaceAsync(session.Id, booths[booth].Id, ids[login]);
            foreach (var coupon in evening.Coupons)
            {
                var sheet = new AssignedSheet(Guid.CreateVersion7(coupon.AssignedAt), session.Id, booths[coupon.Booth].Id, ids[coupon.Login], coupon.AssignedAt, coupon.Sheet);
                await sheets.AddAsync(sheet, instructor);
                BeadBefore? before = null;
                foreach (var bead in coupon.Beads)
                {
                    var judgement = Judge.Of(coupon.Sheet, DemoSchool.Machines[coupon.Booth - 1].Machine, bead.Believed, bead.Evidence, Circumstances.None with { Before = before });
                    before = (await beads.AddAsync(new Bead(Guid.CreateVersion7(bead.At), sheet.Id, 0, bead.WireMark, bead.VoltMark, null, bead.Believed, null, bead.Evidence, judgement, null, bead.At), instructor)).AsBefore();
                }
            }
        }
        await LoadShopAsync(services, booths, instructor, now);
        await KeepAsync(services, booths[1].MachineId, ids["ilsa"], now);
        await DemoFindingsLoader.LoadAsync(services, booths, ids, now);
        await DemoListeningLoader.LoadAsync(services, booths, ids, now);
        await people.NameDemoSchoolAsync(DemoSchool.Name);
    }

    private static async Task LoadShopAsync(IServiceProvider services, Dictionary<int, Booth> booths, Guid instructor, DateTimeOffset now)
    {
        var machines = services.GetRequiredService<MachineStore>();
        foreach (var (booth, chart) in DemoSchool.Charts) await machines.AddChartAsync(Guid.CreateVersion7(), booths[booth].MachineId, chart, instructor, now.AddDays(-23));
        foreach (var (booth, part, daysAgo, note) in DemoSchool.Upkeep) await machines.AddUpkeepAsync(Guid.CreateVersion7(), booths[booth].MachineId, part, note, instructor, now.AddDays(-daysAgo));
        foreach (var (booth, waterL, bar, daysAgo) in DemoSchool.Bottles) await machines.AddBottleAsync(Guid.CreateVersion7(), booths[booth].MachineId, waterL, bar, instructor, now.AddDays(-daysAgo));
        foreach (var (name, job) in DemoSchool.Presets) await services.GetRequiredService<PresetStore>().AddAsync(Guid.CreateVersion7(), name, (Sheet)Planner.Plan(job), instructor, now.AddDays(-20));
    }

    // Ilsa kept what worked: the last right bead of each of her coupons.
    private static async Task KeepAsync(IServiceProvider services, Guid machineId, Guid ilsa, DateTimeOffset now)
    {
        var given = await services.GetRequiredService<SheetStore>().OfStudentAsync(ilsa);
        var laid = await services.GetRequiredService<BeadStore>().OfSheetsAsync(given.Select(sheet => sheet.Id));
        foreach (var sheet in given)
        {
            if (laid[sheet.Id].LastOrDefault(bead => bead.Judgement.Verdict == Verdict.Right) is not { } bead || sheet.AssignedAt > now.AddDays(-1)) continue;
            var setting = new KeptSetting(sheet.Body.Job, bead.WireMark, bead.VoltMark, null);
            await services.GetRequiredService<KeptStore>().AddAsync(new Keepsake(Guid.CreateVersion7(), machineId, ilsa, bead.Id, "ran sweet", setting, bead.RecordedAt));
        }
    }
}
