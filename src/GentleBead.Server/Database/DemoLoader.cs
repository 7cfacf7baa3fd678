using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Demo;
using GentleBead.Server.Beads;
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
        await using (var clear = services.GetRequiredService<NpgsqlDataSource>().CreateCommand("truncate person, machine, booth, session cascade"))
        {
            await clear.ExecuteNonQueryAsync();
        }
        var machines = services.GetRequiredService<MachineStore>();
        var sessions = services.GetRequiredService<SessionStore>();
        var sheets = services.GetRequiredService<SheetStore>();
        var beads = services.GetRequiredService<BeadStore>();

        var booths = new Dictionary<int, Booth>();
        foreach (var demo in DemoSchool.Machines)
        {
            var booth = booths[demo.Booth] = new Booth(Guid.CreateVersion7(), demo.Booth, Guid.CreateVersion7());
            await machines.AddAsync(booth.MachineId, demo.Machine);
            await AddReadings(ReadControl.Wire, demo.Machine.WireControl);
            await AddReadings(ReadControl.Volt, demo.Machine.VoltControl);
            await sessions.AddBoothAsync(booth);

            async Task AddReadings(ReadControl which, Control control)
            {
                foreach (var reading in control.Readings) await machines.AddReadingAsync(booth.MachineId, new TakenReading(Guid.CreateVersion7(), which, reading.Mark, reading.Measured));
            }
        }

        var ids = DemoSchool.People.ToDictionary(person => person.Login, _ => Guid.CreateVersion7());
        var instructor = ids[DemoSchool.People.First(person => person.IsInstructor).Login];
        foreach (var person in DemoSchool.People)
        {
            await people.AddAsync(new Person(ids[person.Login], person.Login, person.Name, person.IsInstructor ? Role.Instructor : Role.Student, person.IsInstructor ? Units.Inch : Units.Metric), DemoSchool.Password);
        }

        foreach (var evening in DemoTerm.Tell(services.GetRequiredService<TimeProvider>().GetLocalNow()))
        {
            var session = await sessions.AddAsync(new Session(Guid.CreateVersion7(), DemoSchool.Class, evening.HeldOn));
            foreach (var (booth, login) in evening.Places) await sessions.SetPlaceAsync(session.Id, booths[booth].Id, ids[login]);
            foreach (var coupon in evening.Coupons)
            {
                var sheet = new AssignedSheet(Guid.CreateVersion7(coupon.AssignedAt), session.Id, booths[coupon.Booth].Id, ids[coupon.Login], coupon.AssignedAt, coupon.Sheet);
                await sheets.AddAsync(sheet, instructor);
                foreach (var bead in coupon.Beads)
                {
                    var judgement = Judge.Of(coupon.Sheet, DemoSchool.Machines[coupon.Booth - 1].Machine, bead.Believed, bead.Evidence);
                    await beads.AddAsync(new Bead(Guid.CreateVersion7(bead.At), sheet.Id, 0, bead.WireMark, bead.VoltMark, bead.Believed, bead.Evidence, judgement, bead.At), instructor);
                }
            }
        }
        await people.NameDemoSchoolAsync(DemoSchool.Name);
    }
}
