using System.Globalization;
using System.IO.Compression;
using System.Text.Json;
using GentleBead.Core.Logbooks;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Json;
using GentleBead.Server.Paper;
using GentleBead.Server.People;
using GentleBead.Server.Progress;
using GentleBead.Server.TestWelds;
using GentleBead.Server.Work;

namespace GentleBead.Server.Logbooks;

/// <summary>Makes the logbook that a student takes along: one ZIP, signed with the school's key.</summary>
internal sealed class LogbookWriter(
    LogbookStore store,
    StudentReader students,
    ProgressStore progress,
    ReportReader reports,
    TestWeldStore tests,
    GoalStore goals,
    RemarkStore remarks,
    HeavyWork heavy,
    TimeProvider clock
)
{
    // Recordings are the largest by far: past this they stay, and the page says which.
    private const long MostMediaBytes = 400L * 1024 * 1024;

    /// <summary>Writes it into a file that is gone once it is closed.</summary>
    /// <param name="student">Whose.</param>
    /// <param name="units">The units of what is written in words.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<FileStream> WriteAsync(PersonName student, Units units, CancellationToken cancel)
    {
        var all = await store.MediaAsync(student.Id, false, cancel);
        var media = Fitting(all).ToArray();
        var logbook = await ReadAsync(student, media.ToLookup(file => file.BeadId), cancel);
        return await PassingFile.WriteAsync(async file =>
        {
            await using var zip = await ZipArchive.CreateAsync(file, ZipArchiveMode.Create, leaveOpen: true, null, cancel);
            await FillAsync(zip, logbook, (student, media, all.Count - media.Length, units), cancel);
        });
    }

    private static IEnumerable<BeadMedia> Fitting(IReadOnlyList<BeadMedia> all)
    {
        var bytes = 0L;
        return all.OrderByDescending(file => file.IsPicture).TakeWhile(file => (bytes += file.Length) <= MostMediaBytes);
    }

    private async Task FillAsync(
        ZipArchive zip,
        Logbook logbook,
        (PersonName Student, BeadMedia[] Media, int Left, Units Units) with,
        CancellationToken cancel
    )
    {
        var listed = new List<ManifestFile>();
        await AddAsync(Manifest.LogbookName, JsonSerializer.SerializeToUtf8Bytes(logbook, QuantityJson.Options));
        await AddAsync("beads.csv", CsvTable.Write(Rows(logbook)));
        await AddAsync("index.html", LogbookHtml.Write(logbook, with.Left, with.Units));
        if (PaperFile.NoFont() is null)
            await AddAsync("report.pdf", await ReportAsync(with.Student, with.Units, cancel));
        foreach (var file in with.Media)
            await AddAsync(file.File.Name, await store.BytesAsync(file, cancel));

        var manifest = JsonSerializer.SerializeToUtf8Bytes(new Manifest(listed), QuantityJson.Options);
        using var key = await store.KeyAsync(cancel);
        var signature = LogbookSignature.Of(manifest, logbook.School, key);
        await PutAsync(Manifest.FileName, manifest);
        await PutAsync(Manifest.SignatureName, JsonSerializer.SerializeToUtf8Bytes(signature, QuantityJson.Options));

        async Task AddAsync(string name, byte[] bytes)
        {
            listed.Add(Manifest.FileOf(name, bytes));
            await PutAsync(name, bytes);
        }

        async Task PutAsync(string name, byte[] bytes)
        {
            await using var entry = await zip.CreateEntry(name, CompressionLevel.Fastest).OpenAsync(cancel);
            await entry.WriteAsync(bytes, cancel);
        }
    }

    private async Task<byte[]> ReportAsync(PersonName student, Units units, CancellationToken cancel)
    {
        var report = await reports.OfAsync(student, cancel);
        return await heavy.RunAsync(student.Id, () => ReportPdf.Draw(report, units), cancel);
    }

    private async Task<Logbook> ReadAsync(PersonName student, ILookup<Guid, BeadMedia> media, CancellationToken cancel)
    {
        var signed = new List<LoggedTest>();
        foreach (var line in (await tests.OfStudentAsync(student.Id, null, cancel)).Tests.Where(test => test.Signed))
        {
            if (await tests.FindAsync(line.Id, cancel) is not { } test)
                continue;
            var records = await tests.RecordsAsync(line.Id, cancel);
            signed.Add(new(test.Id, test.Text, test.Seal, [.. records.Select(record => record.Link)], line.State.Passed == true));
        }
        return new(
            Logbook.FormatName,
            Logbook.NewestVersion,
            clock.GetUtcNow(),
            await progress.SchoolAsync(cancel),
            student.Name,
            [
                .. (await students.MapAsync(student.Id, false, cancel)).Select(cell => new LoggedSkill(
                    cell.Kind,
                    cell.State,
                    cell.Did,
                    cell.Next
                )),
            ],
            await store.BeadsAsync(student.Id, media, cancel),
            signed,
            [.. (await goals.OfAsync(student.Id, cancel)).Select(goal => new LoggedGoal(goal.Text, goal.Until, goal.End?.Reached))],
            [
                .. (await remarks.OfAsync(student.Id, student.Id, false, cancel)).Select(remark => new LoggedRemark(
                    remark.Text,
                    remark.By,
                    remark.At
                )),
            ]
        );
    }

    private static IEnumerable<IEnumerable<string>> Rows(Logbook logbook) =>
        [
            [
                "at",
                "process",
                "metal",
                "thickness",
                "joint",
                "position",
                "machine",
                "wire m/min",
                "volts",
                "amps",
                "verdict",
                "instructor",
                "own",
                "next",
            ],
            .. logbook.Beads.Select(bead =>
                (IEnumerable<string>)
                    [
                        bead.At.ToString("O", CultureInfo.InvariantCulture),
                        EnumText.Of(bead.Job.Process),
                        EnumText.Of(bead.Job.Metal),
                        bead.Job.Thickness.Typed,
                        EnumText.Of(bead.Job.Joint),
                        EnumText.Of(bead.Job.Position),
                        bead.Machine,
                        Number(bead.WireFeedMPerMin),
                        Number(bead.Volts),
                        Number(bead.Amps),
                        EnumText.Of(bead.Verdict),
                        bead.Instructor is { } instructor ? EnumText.Of(instructor) : "",
                        bead.Own is { } own ? EnumText.Of(own) : "",
                        bead.Next?.In(Units.Metric) ?? "",
                    ]
            ),
        ];

    private static string Number(double? number) => number?.ToString("0.###", CultureInfo.InvariantCulture) ?? "";
}
