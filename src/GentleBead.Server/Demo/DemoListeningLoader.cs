using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using GentleBead.Core.Practice;
using GentleBead.Demo;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Listening;
using GentleBead.Server.Practice;
using GentleBead.Server.Rooms;
using GentleBead.Server.Sheets;

namespace GentleBead.Server.Demo;

/// <summary>The demo school's stand-in devices, a few recordings, and what its students did in the practice room.</summary>
internal static class DemoListeningLoader
{
    // Who has drilled, how often, and how good their ear is: the share they get right.
    private static readonly (string Login, int Drills, double Right)[] Drilled = [("ilsa", 26, 0.8), ("wynn", 14, 0.55), ("petra", 8, 0.5)];

    /// <summary>Loads them.</summary>
    public static async Task LoadAsync(
        IServiceProvider services,
        Dictionary<int, Booth> booths,
        Dictionary<string, Guid> ids,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        foreach (var booth in booths.Values)
            await services.GetRequiredService<StandInStore>().SetAsync(booth.Id, new StandIns(true, true), cancel);
        await RecordAsync(services, ids, now, cancel);
        var drills = services.GetRequiredService<DrillStore>();
        foreach (var (login, count, right) in Drilled.Where(one => ids.ContainsKey(one.Login)))
        {
            var answers = new List<AnsweredDrill>();
            for (var number = 0; number < count; number++)
            {
                var at = now.AddDays(-9 + 8.0 * number / count);
                var kind = number % 3 == 2 ? DrillKind.Eye : DrillKind.Ear;
                var seed = 1000 * login.Length + number;
                var luck = new Random(seed);
                var drill = Drill.Draw(kind, Schedule.Next(answers, kind, at, seed), Schedule.Level(answers, kind), seed);
                // Whoever errs, errs most on the pair: slow wire for high volts, fast wire for low volts.
                Deviation? mixed = drill.Deviation switch
                {
                    Deviation.WireUnder => Deviation.VoltsOver,
                    Deviation.VoltsOver => Deviation.WireUnder,
                    Deviation.WireOver => Deviation.VoltsUnder,
                    Deviation.VoltsUnder => Deviation.WireOver,
                    Deviation.GasLost => Deviation.VoltsUnder,
                    _ => Deviation.Nothing,
                };
                var answer = luck.NextDouble() < right ? drill.Deviation : mixed.Value;
                Sound? heard =
                    kind == DrillKind.Eye ? null
                    : luck.NextDouble() < right + 0.1 ? drill.Sound ?? Sound.Sputter
                    : luck.NextDouble() < 0.6 ? Sound.Popping
                    : Sound.Hiss;
                var id = Guid.CreateVersion7(at);
                await drills.AddAsync(id, ids[login], drill, at, cancel);
                await drills.AnswerAsync(
                    new GivenDrill(id, ids[login], drill, null),
                    heard,
                    answer,
                    answer == drill.Deviation,
                    at.AddSeconds(20),
                    cancel
                );
                answers.Add(new(drill.Kind, drill.Deviation, drill.Sound, heard, answer, answer == drill.Deviation, at));
            }
        }
    }

    // The newest beads of Ilsa were recorded, with microphone and logger.
    private static async Task RecordAsync(
        IServiceProvider services,
        Dictionary<string, Guid> ids,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var keeper = services.GetRequiredService<RecordingKeeper>();
        var given = await services.GetRequiredService<SheetStore>().AllOfStudentAsync(ids["ilsa"], cancel);
        var laid = await services.GetRequiredService<BeadStore>().AllOfSheetsAsync(given.Select(sheet => sheet.Id), cancel);
        var seed = 11;
        foreach (
            var (sheet, bead) in given
                .SelectMany(sheet => laid[sheet.Id].Select(bead => (sheet, bead)))
                .Where(one => one.bead.Used is not null)
                .OrderByDescending(one => one.bead.RecordedAt)
                .Take(2)
        )
        {
            var setting = StandInArc.Of(sheet.Body, bead.Used, bead.Amps, bead.Evidence);
            var (sound, log) = (StandInArc.Microphone(setting, 4, seed), StandInArc.Logger(setting, 4, seed));
            var at = bead.RecordedAt.AddSeconds(1);
            await keeper.AddAsync(
                Guid.CreateVersion7(at),
                bead.Id,
                RecordingOrigin.StandIn,
                "Booth microphone, simulated",
                Finding.Of(sound),
                WavFile.Write(sound),
                ids["maren"],
                Sent.ByNobody,
                at,
                cancel
            );
            await keeper.AddAsync(
                Guid.CreateVersion7(at),
                bead.Id,
                RecordingOrigin.StandIn,
                "Booth logger, simulated",
                Finding.Of(log, sheet.Body.Travel),
                LogFile.Write(log),
                ids["maren"],
                Sent.ByNobody,
                at.AddSeconds(1),
                cancel
            );
            seed++;
        }
    }
}
