using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using GentleBead.Core.TestWelds;
using GentleBead.Core.Trials;
using GentleBead.Demo;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Pictures;
using GentleBead.Server.Rooms;
using GentleBead.Server.Sheets;
using GentleBead.Server.TestWelds;
using GentleBead.Server.Trials;

namespace GentleBead.Server.Demo;

/// <summary>What the made-up school has judged, cut, tried and tested; after its beads are in.</summary>
internal static class DemoFindingsLoader
{
    /// <summary>Puts it in.</summary>
    public static async Task LoadAsync(
        IServiceProvider services,
        IReadOnlyDictionary<int, Booth> booths,
        IReadOnlyDictionary<string, Guid> ids,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var (first, second) = (ids["maren"], ids["sunniva"]);
        await SweepAsync(services, booths[DemoFindings.SweptBooth], first, now, cancel);
        var beads = services.GetRequiredService<BeadStore>();
        var sheets = services.GetRequiredService<SheetStore>();
        var judged = new List<(AssignedSheet Sheet, Bead Bead)>();
        foreach (var login in new[] { "ilsa", "teodor", "wynn", "petra" })
        {
            foreach (var sheet in await sheets.AllOfStudentAsync(ids[login], cancel))
            {
                if (sheet.AssignedAt > now.AddDays(-1))
                    continue;
                judged.AddRange((await beads.AllOfSheetsAsync([sheet.Id], cancel))[sheet.Id].Select(bead => (sheet, bead)));
            }
        }
        await RuleAsync(services, judged, first, cancel);
        await CutAsync(services, judged, ids, first, cancel);
        await TestAsync(
            services,
            (await sheets.AllOfStudentAsync(ids["ilsa"], cancel)).First(sheet => sheet.AssignedAt < now.AddDays(-1)),
            first,
            second,
            now,
            cancel
        );
    }

    private static async Task SweepAsync(IServiceProvider services, Booth booth, Guid by, DateTimeOffset now, CancellationToken cancel)
    {
        var machine = DemoSchool.Machines[booth.Number - 1].Machine;
        if (!Dials.TryFit(machine, out var dials, out var problem))
            throw new InvalidOperationException($"{problem}");
        var minutes = 0;
        foreach (var (tap, run) in DemoFindings.Sweeps())
        {
            var volts = dials!.VoltsAt(tap, run.FromMark);
            await services
                .GetRequiredService<SweepStore>()
                .AddAsync(
                    new RunSweep(
                        Guid.CreateVersion7(),
                        booth.MachineId!.Value,
                        WireArc.Dip(Wire.Solid08),
                        volts,
                        null,
                        run,
                        SweepFinding.Of(run, dials, WireArc.Dip(Wire.Solid08), volts),
                        default
                    ),
                    by,
                    own: false,
                    Sent.ByNobody,
                    now.AddDays(-6).AddMinutes(4 * minutes++),
                    cancel
                );
        }
    }

    // Maren agrees nearly always with sound and look; on penetration by tint alone she does not.
    private static async Task RuleAsync(
        IServiceProvider services,
        List<(AssignedSheet Sheet, Bead Bead)> judged,
        Guid by,
        CancellationToken cancel
    )
    {
        var recorder = services.GetRequiredService<BeadRecorder>();
        for (var i = 0; i < judged.Count; i++)
        {
            var (bead, at) = (judged[i].Bead, judged[i].Bead.RecordedAt.AddMinutes(2));
            foreach (var aspect in bead.Judgement.Aspects.Where(aspect => aspect.Standing != Standing.NotKnown))
            {
                var differs = aspect.Aspect == Aspect.Penetration ? i % 3 == 0 : i % 17 == (int)aspect.Aspect;
                var instructor =
                    !differs ? aspect.Standing
                    : aspect.Standing == Standing.Right ? Standing.Off
                    : Standing.Right;
                var reason =
                    !differs ? ""
                    : aspect.Aspect == Aspect.Penetration ? "Tint alone; the section showed otherwise"
                    : "Heard and seen otherwise at the booth";
                var ruling = new Ruling(aspect.Aspect, EnumText.Of(aspect.Standing), EnumText.Of(instructor));
                await recorder.RuleAsync(bead.Id, new GivenRuling(Guid.CreateVersion7(at), ruling, reason, by, at), Sent.ByNobody, default);
            }
        }
    }

    // Two sections: one of Ilsa's that bites, one of Teodor's that lies on top.
    private static async Task CutAsync(
        IServiceProvider services,
        List<(AssignedSheet Sheet, Bead Bead)> judged,
        IReadOnlyDictionary<string, Guid> ids,
        Guid by,
        CancellationToken cancel
    )
    {
        foreach (var (login, penetration, unfused, crown) in new[] { ("ilsa", 0.7, 0.0, 0.4), ("teodor", 0.0, 0.25, 1.1) })
        {
            var sheet = judged.First(entry => entry.Sheet.StudentId == ids[login] && entry.Sheet.Body.Job.Joint == Joint.T).Sheet;
            var bead = judged.Last(entry => entry.Sheet == sheet).Bead;
            var leg = bead.Evidence.BeadSize ?? sheet.Body.BeadSize.Aim;
            var macro = DemoMacro.Draw(sheet.Body.Job.Thickness.Value, leg, leg * 0.95, crown, penetration, unfused);
            var clean = CleanPicture.Of(macro.Png, out var problem) ?? throw new InvalidOperationException($"{problem}");
            var (pictures, at) = (services.GetRequiredService<PictureStore>(), bead.RecordedAt.AddMinutes(15));
            var pictureId = Guid.CreateVersion7(at);
            await pictures.AddAsync(pictureId, bead.Id, PictureSide.Macro, clean, by, Sent.ByNobody, at, cancel);
            var measures = MacroMeasures.Of(macro.Marks, sheet.Body.BeadMeasure);
            var marksId = Guid.CreateVersion7(at.AddMinutes(2));
            await pictures.AddMarksAsync(marksId, pictureId, macro.Marks, measures, by, Sent.ByNobody, at.AddMinutes(2), cancel);
            await services
                .GetRequiredService<BeadRecorder>()
                .MergeAsync(marksId, bead.Id, evidence => evidence with { Macro = measures }, by, cancel);
        }
    }

    // Ilsa's test: the first coupon has both words, the second waits for the second assessor.
    private static async Task TestAsync(
        IServiceProvider services,
        AssignedSheet sheet,
        Guid first,
        Guid second,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var tests = services.GetRequiredService<TestWeldStore>();
        var at = sheet.AssignedAt.AddMinutes(40);
        var terms = new TestWeldTerms(2, 2, CriteriaSet.Iso5817C);
        var id = Guid.CreateVersion7(at);
        await tests.AddAsync(id, sheet.Id, new SealedBody(sheet.Body, terms, sheet.StudentId, first), Sent.ByNobody, at, cancel);
        var test = (await tests.FindAsync(id, cancel))!;
        foreach (var (coupon, assessor, minutes) in new[] { (1, first, 20), (1, second, 26), (2, first, 34) })
        {
            var evidence = new Evidence(
                Profile: Profile.SlightlyConvex,
                Toes: Toes.Blended,
                Tint: Tint.Even,
                Ripple: Ripple.Even,
                Penetration: Penetration.TintBehind,
                BeadSize: Length.FromMm(4.2),
                Measured: new(
                    OtherLeg: Length.FromMm(4.4),
                    Throat: Length.FromMm(3.1),
                    Width: Length.FromMm(6.1),
                    Crown: Length.FromMm(0.6),
                    UndercutDepth: Length.FromMm(0.2),
                    Pores: []
                )
            );
            var wordId = Guid.CreateVersion7(at.AddMinutes(minutes));
            var acceptance = Criteria.Of(terms.Criteria, sheet.Body, evidence, PracticeTolerances.Usual);
            await tests.AddRecordAsync(
                test,
                _ => null,
                (number, moment) =>
                    new(RecordKind.Assessment, wordId, id, number, assessor, moment, "", coupon, 1, true, evidence, acceptance),
                wordId,
                Sent.ByNobody,
                at.AddMinutes(minutes),
                cancel
            );
        }
    }
}
