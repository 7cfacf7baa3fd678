using System.Text.RegularExpressions;
using ArchUnitNET.Domain;
using ArchUnitNET.Fluent;
using ArchUnitNET.Loader;
using GentleBead.Demo;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace GentleBead.Server.Tests;

public partial class ArchitectureTests
{
    private static readonly Architecture Everything = new ArchLoader()
        .LoadAssemblies(typeof(DemoSchool).Assembly, typeof(Program).Assembly)
        .Build();

    // Who owns which table. A view may read what it shows from any; only the owner writes.
    private static readonly Dictionary<string, string[]> Tables = new()
    {
        ["People"] = ["person", "school", "sign_in", "sign_in_try", "address_try", "password_reset", "set_up_code", "trail", "pin"],
        ["Rooms"] = ["room", "booth"],
        ["Machines"] = ["machine", "machine_move", "reading", "machine_load", "door_chart", "upkeep", "bottle_reading"],
        ["Sessions"] = ["session", "place", "attendance"],
        ["Courses"] = ["course", "course_instructor", "enrolment", "exercise", "exercise_edition", "course_path"],
        ["Planning"] = ["session_plan", "stock_edition"],
        ["Floor"] = ["hand", "visit", "slot_begun", "stop", "session_close"],
        ["Tablets"] = ["pairing_code", "tablet", "tablet_sign_in"],
        ["Sheets"] = ["sheet", "preset"],
        ["Beads"] =
        [
            "bead",
            "look",
            "ruling",
            "cause_ruling",
            "own_word",
            "unplaced_bead",
            "unplaced_file",
            "room_weights",
            "picture",
            "macro_marks",
            "bead_verdict",
            "trial_bead",
            "machine_wear",
        ],
        ["Judging"] = ["practice_tolerances"],
        ["Trials"] = ["trial", "sweep"],
        ["TestWelds"] = ["test_weld", "test_record"],
        ["Checks"] = ["check_tick"],
        ["Kept"] = ["kept_setting"],
        ["Looking"] = ["face_reading", "back_reading", "section_reading", "picture_leave", "eye_card"],
        ["Listening"] = ["recording", "recording_part", "stand_in"],
        ["Practice"] = ["drill", "drill_answer"],
        ["Windows"] = ["learned_window"],
        ["Progress"] = ["goal", "goal_end", "remark"],
        ["Costs"] = ["price_edition", "machine_use"],
        ["Keeping"] = ["keeping_terms", "forgetting"],
        ["Logbooks"] = ["school_key", "foreign_logbook"],
        ["Skills"] = ["skill", "machine_difficulty", "kind_difficulty"],
        ["Work"] = ["upload_part"],
    };

    [Fact]
    public void Core_depends_on_nothing_but_the_framework_libraries_of_numbers_and_pictures_and_a_solver()
    {
        var core = typeof(Core.Sheets.Sheet).Assembly;
        Assert.All(
            core.GetReferencedAssemblies(),
            reference =>
                Assert.Matches(
                    @"^(System\.(Runtime(\.InteropServices)?|Collections|Linq|Security\.Cryptography|Numerics\.Vectors"
                        + @"|Text\.RegularExpressions|Text\.Json|Memory)|MathNet\.Numerics|NWaves|OpenCvSharp|Google\.(OrTools|Protobuf))$",
                    reference.Name
                )
        );
    }

    [Fact]
    public void The_demo_knows_the_trade_and_not_the_server() =>
        Holds(
            Types()
                .That()
                .ResideInNamespaceMatching(@"^GentleBead\.Demo")
                .Should()
                .NotDependOnAnyTypesThat()
                .ResideInNamespaceMatching(@"^(GentleBead\.Server|Npgsql|Dapper)")
        );

    [Fact]
    public void Only_stores_and_the_database_folder_speak_SQL() =>
        Holds(
            Types()
                .That()
                .ResideInNamespaceMatching(@"^GentleBead\.Server")
                .And()
                .DoNotHaveFullNameMatching(@"Store([+/<]|$)|^GentleBead\.Server\.Database\.")
                .Should()
                .NotDependOnAnyTypesThat()
                .ResideInNamespaceMatching("^Dapper")
        );

    [Fact]
    public void No_feature_writes_anothers_tables()
    {
        var seen = 0;
        foreach (var (feature, own) in Tables)
        {
            foreach (var file in Directory.GetFiles(Path.Combine(Cluster.Root, "src/GentleBead.Server", feature), "*.cs"))
            {
                foreach (Match named in TableName().Matches(File.ReadAllText(file)))
                {
                    var table = named.Groups["table"].Value;
                    if (!Tables.Values.Any(tables => tables.Contains(table)))
                        continue;
                    Assert.True(own.Contains(table), $"{Path.GetFileName(file)} writes {table}, which is not {feature}'s.");
                    seen++;
                }
            }
        }
        Assert.True(seen > 20, "The SQL was not found where it is looked for.");
    }

    private static void Holds(IArchRule rule)
    {
        var broken = rule.Evaluate(Everything).Where(result => !result.Passed).Select(result => result.Description).ToArray();
        Assert.True(broken.Length == 0, string.Join('\n', broken));
    }

    [GeneratedRegex(@"\b(insert into|update|delete from)\s+(?<table>[a-z_]+)\b")]
    private static partial Regex TableName();
}
