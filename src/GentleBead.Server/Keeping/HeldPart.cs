namespace GentleBead.Server.Keeping;

/// <summary>What becomes of a part of somebody's record when they are forgotten.</summary>
public enum Fate
{
    /// <summary>It stays, under the pseudonym.</summary>
    Stays,

    /// <summary>It stays and becomes the pseudonym's.</summary>
    Renamed,

    /// <summary>Its words are struck out; that there were some stays.</summary>
    Struck,

    /// <summary>It goes.</summary>
    Goes,
}

/// <summary>A part of what a school holds of a student.</summary>
/// <param name="Key">Its name in the file.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Fate">What becomes of it when they are forgotten.</param>
/// <param name="Rows">SQL: what stands there of <c>@person</c>, as <c>body</c>, and since when, as <c>at</c>.</param>
/// <param name="Hidden">
/// SQL: which of its rows <c>@reader</c>, an instructor where <c>@instructor</c> is true, may not read; null where all may be read.
/// </param>
public sealed record HeldPart(string Key, Said Name, Fate Fate, string Rows, string? Hidden = null)
{
    private const string Beads = "(select bead_id from bead_verdict where student_id = @person)";

    /// <summary>Every part, in the order it is shown. Each column that names a person is in one of them, or says who did it.</summary>
    public static readonly IReadOnlyList<HeldPart> All =
    [
        Of(
            "account",
            Say($"The account: name, login, units, hand"),
            Fate.Renamed,
            "person",
            "id = @person",
            "added_at",
            "array['password_hash', 'sent']"
        ),
        Of("signIns", Say($"Signings in"), Fate.Stays, "sign_in", "person_id = @person", "signed_in_at"),
        Of("tabletSignIns", Say($"Signings in at a booth's tablet"), Fate.Goes, "tablet_sign_in", "student_id = @person", "since"),
        Of("codes", Say($"Codes for a new password"), Fate.Goes, "password_reset", "person_id = @person", "made_at", "array['code_hash']"),
        Of("pin", Say($"The PIN, as a hash"), Fate.Goes, "pin", "person_id = @person", "set_at", "array['pin_hash']"),
        Of("trail", Say($"Entries of who did what"), Fate.Stays, "trail", "(person_id = @person or by = @person)", "at"),
        Of("enrolments", Say($"Courses"), Fate.Stays, "enrolment", "student_id = @person", "first_day::timestamptz"),
        Of("attendance", Say($"Attendance"), Fate.Stays, "attendance", "student_id = @person", "noted_at"),
        Of("places", Say($"Booths they stood at"), Fate.Stays, "place", "student_id = @person", "placed_at"),
        Of("sheets", Say($"Sheets"), Fate.Stays, "sheet", "student_id = @person", "assigned_at"),
        Of("beads", Say($"Beads, with what was heard, seen, measured and said"), Fate.Stays, "bead", $"id in {Beads}", "recorded_at"),
        Of("looks", Say($"Beads looked at again"), Fate.Stays, "look", $"bead_id in {Beads}", "looked_at"),
        Of("verdicts", Say($"How their beads stand"), Fate.Stays, "bead_verdict", "student_id = @person", "recorded_at"),
        Of("rulings", Say($"Words of instructors on their beads"), Fate.Stays, "ruling", $"bead_id in {Beads}", "ruled_at"),
        Of("causes", Say($"Causes that instructors named"), Fate.Stays, "cause_ruling", $"bead_id in {Beads}", "ruled_at"),
        Of("ownWords", Say($"Their own words on their beads"), Fate.Stays, "own_word", "said_by = @person", "said_at"),
        Of("pictures", Say($"Pictures"), Fate.Goes, "picture", $"bead_id in {Beads} and let_go_at is null", "added_at", "array['bytes']"),
        Of("recordings", Say($"Recordings of the arc"), Fate.Goes, "recording", $"bead_id in {Beads} and let_go_at is null", "added_at"),
        Of(
            "marks",
            Say($"Marks on pictures of sections"),
            Fate.Stays,
            "macro_marks",
            $"picture_id in (select id from picture where bead_id in {Beads})",
            "marked_at"
        ),
        Of(
            "faces",
            Say($"What was measured of beads' faces on pictures"),
            Fate.Stays,
            "face_reading",
            $"picture_id in (select id from picture where bead_id in {Beads})",
            "read_at"
        ),
        Of(
            "backs",
            Say($"What was measured behind beads on pictures"),
            Fate.Stays,
            "back_reading",
            $"picture_id in (select id from picture where bead_id in {Beads})",
            "read_at"
        ),
        Of(
            "sections",
            Say($"What the eye would have marked on sections"),
            Fate.Stays,
            "section_reading",
            $"picture_id in (select id from picture where bead_id in {Beads})",
            "read_at"
        ),
        Of("leave", Say($"Whether their pictures may teach the eye"), Fate.Stays, "picture_leave", "person_id = @person", "said_at"),
        Of("tests", Say($"Test welds, sealed"), Fate.Stays, "test_weld", "student_id = @person", "sealed_at"),
        Of(
            "testRecords",
            Say($"Records of test welds, in their chain"),
            Fate.Stays,
            "test_record",
            "test_weld_id in (select id from test_weld where student_id = @person)",
            "(t.body::jsonb ->> 'at')::timestamptz"
        ) with
        {
            // A first word is nobody's to read but its assessor's, until the second is given.
            Hidden = """
                kind = 'assessment' and (t.body::jsonb ->> 'by')::uuid <> @reader and (
                    select count(*) from test_record as other where other.test_weld_id = t.test_weld_id
                    and split_part(other.word, '/', 1) = split_part(t.word, '/', 1)
                    and split_part(other.word, '/', 2) = split_part(t.word, '/', 2)) < 2
                """,
        },
        Of("skills", Say($"What is known of what they can weld"), Fate.Stays, "skill", "student_id = @person", "null::timestamptz"),
        Of("drills", Say($"Drills of the practice room"), Fate.Stays, "drill", "person_id = @person", "given_at"),
        Of("answers", Say($"Answers to drills"), Fate.Stays, "drill_answer", "person_id = @person", "answered_at"),
        Of("kept", Say($"Settings they kept"), Fate.Stays, "kept_setting", "kept_by = @person", "kept_at"),
        Of("hands", Say($"Hands raised"), Fate.Stays, "hand", "student_id = @person", "raised_at"),
        Of("goals", Say($"Goals"), Fate.Struck, "goal", "student_id = @person and text <> '…'", "set_at"),
        Of(
            "goalEnds",
            Say($"What came of goals"),
            Fate.Stays,
            "goal_end",
            "goal_id in (select id from goal where student_id = @person)",
            "ended_at"
        ),
        Of("notes", Say($"Visits of instructors, with their notes"), Fate.Struck, "visit", "student_id = @person", "visited_at") with
        {
            Hidden = "not @instructor",
        },
        Of("remarks", Say($"Remarks of instructors"), Fate.Struck, "remark", "student_id = @person and text <> '…'", "made_at") with
        {
            Hidden = """
                (readers <> 'student' or withdrawn_at is not null) and not (@instructor and (readers <> 'me' or made_by = @reader))
                """,
        },
        Of("logbooks", Say($"Logbooks from other schools"), Fate.Goes, "foreign_logbook", "student_id = @person", "read_at"),
        Of(
            "toPlace",
            Say($"Beads noted without the network, to be placed"),
            Fate.Goes,
            "unplaced_bead",
            "student_id = @person",
            "noted_at"
        ),
        Of(
            "toPlaceFiles",
            Say($"Their pictures and recordings"),
            Fate.Goes,
            "unplaced_file",
            "bead_id in (select id from unplaced_bead where student_id = @person)",
            "kept_at",
            "array['bytes', 'sent']"
        ),
        Of("forgetting", Say($"That they were forgotten"), Fate.Stays, "forgetting", "person_id = @person", "done_at"),
    ];

    private static HeldPart Of(string key, Said name, Fate fate, string table, string where, string at, string without = "array['sent']") =>
        new(key, name, fate, $"select to_jsonb(t) - {without} as body, {at} as at from {table} as t where {where}");

    /// <summary>The rows that may be read.</summary>
    public string Shown => Hidden is null ? Rows : $"{Rows} and not ({Hidden})";
}
