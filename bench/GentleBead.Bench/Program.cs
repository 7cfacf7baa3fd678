using System.Globalization;
using BenchmarkDotNet.Running;
using GentleBead.Bench;
using GentleBead.Bench.Fuzzing;
using GentleBead.Bench.Judging;
using GentleBead.Bench.Listening;
using GentleBead.Bench.Looking;
using GentleBead.Bench.Progress;

// dotnet run -c Release --project bench/GentleBead.Bench            the sheet, computed
// dotnet run -c Release --project bench/GentleBead.Bench -- screen  the sheet while typing, and a bead from screen to screen
// dotnet run -c Release --project bench/GentleBead.Bench -- bundle  what a first page costs, beside a bare shell of the component library
// dotnet run -c Release --project bench/GentleBead.Bench -- growth  every call with 10,000 beads and with 1,000,000 (or a number)
// dotnet run -c Release --project bench/GentleBead.Bench -- load    200 booths and 60 screens, beside pgbench; 14 with sound
// dotnet run -c Release --project bench/GentleBead.Bench -- offline  a tablet's line cut 200 times in the middle of sending
// dotnet run -c Release --project bench/GentleBead.Bench -- failover  14 booths while the primary dies 50 times (or a number)
// dotnet run -c Release --project bench/GentleBead.Bench -- schools  200 schools (or a number) on one server, beside one alone
// dotnet run -c Release --project bench/GentleBead.Bench -- fuzz [MANY [SEED]]  50,000 requests that fit and do not, to every call
// dotnet run -c Release --project bench/GentleBead.Bench -- heavy   twelve recordings at once, and a bead beside somebody looping the arc
// dotnet run -c Release --project bench/GentleBead.Bench -- arc     the arc simulated and listened to, beside MathNet and SciPy
// dotnet run -c Release --project bench/GentleBead.Bench -- judge   2,000 bad starts judged and mended in two steps
// dotnet run -c Release --project bench/GentleBead.Bench -- plan    50 evenings planned, beside the plan by hand and the bound
// dotnet run -c Release --project bench/GentleBead.Bench -- progress  the next bead of simulated students, foretold five ways
// dotnet run -c Release --project bench/GentleBead.Bench -- ear     the ear over every way of recording, and what is no arc
// dotnet run -c Release --project bench/GentleBead.Bench -- eye render DIR SEED MANY [sections|backs] [spoilt] [small]  draws
// dotnet run -c Release --project bench/GentleBead.Bench -- eye [sections|backs] DIR … [tell] [draw]  the eye beside what is known
// dotnet run -c Release --project bench/GentleBead.Bench -- eye train DIR  teaches the eye, and writes EyeModel.json
// dotnet run -c Release --project bench/GentleBead.Bench -- eye cost sections|faces DIR  what looking at twelve megapixels takes
// dotnet run -c Release --project bench/GentleBead.Bench -- eye LESSONS  the eye over pictures that a room corrected and gave away
// dotnet run -c Release --project bench/GentleBead.Bench -- eye fields sections|faces DIR FILE  lessons for Looking/teach_parts.py
// dotnet run -c Release --project bench/GentleBead.Bench -- eye paint sections|faces|backs FILE SEED MANY  the same, painted in a moment
// dotnet run -c Release --project bench/GentleBead.Bench -- train SOUNDS  teaches the ear, and writes SoundModel.json
const int Lacking = 2;
CultureInfo.DefaultThreadCurrentCulture = CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
switch (args)
{
    case ["screen"]:
        if (!Debian.Has(Debian.PostgreSql, Debian.Chromium, Debian.ChromeDriver) || !Debian.HasScreens())
            return Lacking;
        return await Screens.MeasureAsync();
    case ["bundle"]:
        if (!Debian.Has(Debian.PostgreSql, Debian.Chromium, Debian.ChromeDriver) || !Debian.HasScreens())
            return Lacking;
        return await Bundle.MeasureAsync();
    case ["growth", .. var many]:
        if (!Debian.Has(Debian.PostgreSql, Debian.Chromium, Debian.ChromeDriver) || !Debian.HasScreens())
            return Lacking;
        return await Growth.MeasureAsync(many is [var beads] ? int.Parse(beads, null) : 1_000_000);
    case ["offline", .. var seeded]:
        if (!Debian.Has(Debian.PostgreSql, Debian.Chromium, Debian.ChromeDriver) || !Debian.HasScreens())
            return Lacking;
        return await Offline.MeasureAsync(seeded is [var start] ? int.Parse(start, null) : 1);
    case ["failover", .. var times]:
        return Debian.Has(Debian.PostgreSql, Debian.Failover)
            ? await Failover.MeasureAsync(times is [var kills] ? int.Parse(kills, null) : 50)
            : Lacking;
    case ["schools", .. var count]:
        return Debian.Has(Debian.PostgreSql)
            ? await ManySchools.MeasureAsync(count is [var schools] ? int.Parse(schools, null) : 200)
            : Lacking;
    case ["fuzz", .. var asked]:
        return Debian.Has(Debian.PostgreSql)
            ? await FuzzBench.MeasureAsync(
                asked is [var requests, ..] ? int.Parse(requests, null) : 50_000,
                asked is [_, var draws] ? int.Parse(draws, null) : 1
            )
            : Lacking;
    case ["load"]:
        return Debian.Has(Debian.PostgreSql) ? await RoomLoad.MeasureAsync() : Lacking;
    case ["heavy"]:
        return Debian.Has(Debian.PostgreSql) ? await Heavy.MeasureAsync() : Lacking;
    case ["arc"]:
        if (!Debian.Has(Debian.SciPy))
            return Lacking;
        return Arcs.Measure();
    case ["judge", .. var from]:
        return JudgeBench.Measure(
            from is [var seed, ..] ? int.Parse(seed, null) : 1,
            from is [_, var starts, ..] ? int.Parse(starts, null) : 2000,
            from is [_, _, "tell"]
        );
    case ["plan"]:
        return Plans.Measure();
    case ["progress", .. var students]:
        return await (students is [var chosen] ? ProgressBench.MeasureAsync(int.Parse(chosen, null)) : ProgressBench.MeasureAsync());
    case ["eye", "train", var drawings]:
        TrainEye.Run("src/GentleBead.Core/Looking/EyeModel.json", drawings);
        return 0;
    case ["eye", "fields", var what, var cuts, var onto]:
        return what == "sections" ? SectionLessons.Write(cuts, onto) : FaceLessons.Write(cuts, onto);
    case ["eye", "paint", var what, var onto, var first, var number]:
        var painted = (int.Parse(first, null), int.Parse(number, null));
        return what switch
        {
            "sections" => SectionLessons.Painted(onto, painted),
            "backs" => FaceLessons.Painted(onto, painted, BackFlat.Of),
            _ => FaceLessons.Painted(onto, painted, FaceFlat.Of),
        };
    case ["eye", "cost", var what, var drawings]:
        return EyeCost.Measure(what, drawings);
    case ["eye", "cost", var what, var large, var known]:
        return EyeCost.One(what, large, known);
    case ["eye", "truths", var drawn]:
        return EyeDrawings.Truths(drawn);
    case ["eye", "render", var into, var first, var number, .. var how]:
        var seeds = (int.Parse(first, null), int.Parse(number, null));
        if (!Debian.Has(Debian.PovRay))
            return Lacking;
        return how.Contains("sections") ? EyeDrawings.Sections(into, seeds, how)
            : how.Contains("backs") ? EyeDrawings.Backs(into, seeds, how)
            : EyeDrawings.Faces(into, seeds, how);
    case ["eye", "backs", .. var backs] when backs.Length > 0:
        return BackBench.Measure([.. backs.Where(one => one != "tell")], backs.Contains("tell"));
    case ["eye", "sections", .. var sections] when sections.Length > 0:
        return SectionBench.Measure(
            [.. sections.Where(one => one is not ("tell" or "draw"))],
            sections.Contains("tell"),
            sections.Contains("draw")
        );
    case ["eye", var lessons] when EyeLessons.Are(lessons):
        return EyeLessons.Measure(lessons);
    case ["eye", .. var pictures] when pictures.Length > 0:
        return EyeBench.Measure([.. pictures.Where(one => one != "tell")], pictures.Contains("tell"));
    case ["train", var sounds, .. var share]:
        TrainEar.Run("src/GentleBead.Core/Listening/SoundModel.json", sounds, share is [var part] ? double.Parse(part, null) : 1);
        return 0;
    case ["ear", .. var checks]:
        return EarBench.Measure(checks is [var folder] ? folder : "");
    default:
        return SheetBenchmark.Close(BenchmarkRunner.Run<SheetBenchmark>(args: args));
}
