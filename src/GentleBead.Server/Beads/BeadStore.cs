using System.Security.Claims;
using System.Text.Json.Serialization;
using Dapper;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Sheets;
using Npgsql;

namespace GentleBead.Server.Beads;

/// <summary>A bead as recorded and judged.</summary>
/// <param name="Id">Which bead.</param>
/// <param name="SheetId">On which sheet's coupon.</param>
/// <param name="Number">Its number on that coupon, from 1.</param>
/// <param name="WireMark">Mark of the wire control; null when the wire speed was measured instead.</param>
/// <param name="VoltMark">Mark of the volt control; null when the volts were measured instead.</param>
/// <param name="AmpMark">Mark of the current control; null when the current was measured, or wire is fed.</param>
/// <param name="Used">The pair at the torch; null for TIG.</param>
/// <param name="Amps">The current; null for a fed wire.</param>
/// <param name="Evidence">What was heard, felt, seen and measured, as it stands now.</param>
/// <param name="Judgement">What is said of it, as it stands now.</param>
/// <param name="Ruled">The instructor's own verdict, where it was given; null where it was not.</param>
/// <param name="RecordedAt">When.</param>
/// <param name="Version">The look that stands, or the bead itself before any: what a change has to name.</param>
/// <param name="Own">Whether whoever laid it recorded it: their word, until an instructor has agreed or corrected it.</param>
/// <param name="Waits">Whether the tool's word on it is not shown to its student yet.</param>
public sealed record Bead(
    Guid Id,
    Guid SheetId,
    int Number,
    double? WireMark,
    double? VoltMark,
    double? AmpMark,
    Settings? Used,
    Current? Amps,
    Evidence Evidence,
    Judgement Judgement,
    Verdict? Ruled,
    DateTimeOffset RecordedAt,
    Guid Version,
    bool Own = false,
    bool Waits = false
)
{
    /// <summary>Whether somebody is not shown the tool's word on it yet: whoever is no instructor, while it waits for theirs.</summary>
    public bool WaitsFor(ClaimsPrincipal user) => Waits && !user.IsInRole(nameof(Role.Instructor));

    /// <summary>The bead as somebody is shown it: a student without the tool's word while that waits.</summary>
    public Bead ShownTo(ClaimsPrincipal user) => WaitsFor(user) ? this with { Judgement = Judgement.Withheld() } : this;

    /// <summary>Whether somebody may add pictures and recordings to it: an instructor, and whoever recorded it as their own.</summary>
    public async Task<bool> TakesFilesOfAsync(ClaimsPrincipal user, SheetStore sheets, CancellationToken cancel) =>
        user.IsInRole(nameof(Role.Instructor)) || (Own && await sheets.StudentOfAsync(SheetId, cancel) == user.Id());

    /// <summary>Whether what was used was read from the machine's marks, and not measured.</summary>
    public bool FromMarks() => (WireMark ?? AmpMark) is not null;

    /// <summary>How the next bead sees this one.</summary>
    public BeadBefore AsBefore() => new(Number, Judgement, Evidence, Used, Amps);
}

/// <summary>A bead as a coupon shows it.</summary>
/// <param name="Id">Which bead.</param>
/// <param name="Number">Its number on the coupon.</param>
/// <param name="Verdict">In one word: the instructor's where there is one.</param>
/// <param name="Shape">Numbers for its glyph.</param>
/// <param name="Used">The pair at the torch; null for TIG.</param>
/// <param name="Waits">Whether the tool's word on it is not shown to its student yet.</param>
public sealed record LaidBead(
    Guid Id,
    int Number,
    Verdict Verdict,
    BeadShape Shape,
    Settings? Used,
    [property: JsonIgnore] bool Waits = false
)
{
    /// <summary>The bead as somebody is shown it: a student without the tool's word while that waits.</summary>
    public LaidBead ShownTo(ClaimsPrincipal user) =>
        Waits && !user.IsInRole(nameof(Role.Instructor)) ? this with { Verdict = Verdict.Open } : this;
}

/// <summary>A look at a bead before the one that stands.</summary>
/// <param name="At">When.</param>
/// <param name="Judgement">What was said.</param>
/// <param name="Used">The pair it was then known to be laid with; null for TIG.</param>
/// <param name="Amps">The current; null for a fed wire.</param>
public sealed record LookBefore(DateTimeOffset At, Judgement Judgement, Settings? Used, Current? Amps);

/// <summary>Beads in the database. A bead is withdrawn, never deleted; a look again is added to it.</summary>
public sealed class BeadStore(SchoolDatabase database)
{
    /// <summary>Beads of a coupon that are sent at once.</summary>
    public const int Page = 20;

    // A trial has a dozen steps; what is laid again and again is read from the newest.
    private const int MostOfTrial = 80;

    private const string Columns = """
        id, sheet_id as "SheetId", number, wire_mark as "WireMark", volt_mark as "VoltMark", amp_mark as "AmpMark", wire_feed_m_per_min as
            "WireFeed", volts, amps,
        evidence, judgement, ruled, recorded_at as "RecordedAt", version, own as "Own", waits as "Waits"
        """;

    private const string LaidColumns =
        "bead_id as \"Id\", number, coalesce(ruled, verdict) as \"Verdict\", shape, wire_feed_m_per_min as \"WireFeed\", volts, "
        + "tool_word_waits(own, ruled, sheet_id) as \"Waits\"";

    /// <summary>One bead, withdrawn or not.</summary>
    public async Task<Bead?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await FindAsync(connection, id, cancel);
    }

    /// <summary>One bead on a connection of the caller's.</summary>
    public static async Task<Bead?> FindAsync(NpgsqlConnection connection, Guid id, CancellationToken cancel) =>
        (await connection.QuerySingleOrDefaultAsync<Row>($"select {Columns} from bead_now where id = @id", new { id }, cancel))?.Bead;

    /// <summary>
    /// The newest bead before a number on a coupon that a change can be read against. A trial's bead is laid off on purpose: what came of a
    /// change is not read against it.
    /// </summary>
    public static async Task<Bead?> BeforeAsync(NpgsqlConnection connection, Guid sheetId, int number, CancellationToken cancel) =>
        (
            await connection.QuerySingleOrDefaultAsync<Row>(
                $"""
                select {Columns} from bead_now where id = (
                    select bead_verdict.bead_id from bead_verdict left join trial_bead on trial_bead.bead_id = bead_verdict.bead_id
                    where sheet_id = @sheetId and not withdrawn and number < @number and trial_bead.bead_id is null
                        order by number desc limit 1)
                """,
                new { sheetId, number },
                cancel
            )
        )?.Bead;

    /// <summary>A page of a coupon's beads that are not withdrawn, in order; the newest, or those before a number.</summary>
    public static async Task<IReadOnlyList<LaidBead>> LaidAsync(
        NpgsqlConnection connection,
        Guid sheetId,
        int? before = null,
        CancellationToken cancel = default
    )
    {
        var rows = await connection.QueryAsync<LaidRow>(
            $"select {LaidColumns} from bead_verdict where sheet_id = @sheetId and not withdrawn and number < @before order by "
                + $"number desc limit @Page",
            new
            {
                sheetId,
                before = before ?? int.MaxValue,
                Page,
            },
            cancel
        );
        return [.. rows.Select(row => row.Bead).Reverse()];
    }

    /// <summary>The same on a connection of its own.</summary>
    public async Task<IReadOnlyList<LaidBead>> LaidAsync(Guid sheetId, int? before = null, CancellationToken cancel = default)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await LaidAsync(connection, sheetId, before, cancel);
    }

    /// <summary>Every bead of some coupons that is not withdrawn, in full, by coupon: for what is done once, not for a screen.</summary>
    public async Task<ILookup<Guid, Bead>> AllOfSheetsAsync(IEnumerable<Guid> sheetIds, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            $"select {Columns} from bead_now where sheet_id = any(@ids) and not withdrawn order by number",
            new { ids = sheetIds.ToArray() },
            cancel
        );
        return rows.ToLookup(row => row.SheetId, row => row.Bead);
    }

    /// <summary>A trial's newest beads that are not withdrawn, in the order they were laid.</summary>
    public async Task<IReadOnlyList<Bead>> OfTrialAsync(Guid trialId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            $"select {Columns} from bead_now where id in (select bead_id from trial_bead where trial_id = @trialId) and not "
                + $"withdrawn order by seq desc limit @MostOfTrial",
            new { trialId, MostOfTrial },
            cancel
        );
        return [.. rows.Reverse().Select(row => row.Bead)];
    }

    /// <summary>Every look at a bead before the one that stands, oldest first: when, what was said, and what was known to be set.</summary>
    public async Task<IReadOnlyList<LookBefore>> EarlierLooksAsync(Guid beadId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<LookRow>(
            """
            select at as "At", judgement as "Judgement", wire_feed_m_per_min as "WireFeed", volts as "Volts", amps as "Amps" from (
                select 0 as seq, recorded_at as at, judgement, wire_feed_m_per_min, volts, amps from bead where id = @beadId
                union all select look.seq, looked_at, look.judgement, coalesce(look.wire_feed_m_per_min, bead.wire_feed_m_per_min),
                    coalesce(look.volts, bead.volts), coalesce(look.amps, bead.amps)
                    from look join bead on bead.id = look.bead_id where bead_id = @beadId) as looks
            order by seq desc limit 21
            """,
            new { beadId },
            cancel
        );
        return [.. rows.Skip(1).Reverse().Select(row => row.Look)];
    }

    /// <summary>Adds a bead with the next number on its coupon, how it stands, and its place in a trial.</summary>
    /// <param name="connection">In whose transaction, with the machine's turn taken.</param>
    /// <param name="bead">The bead; its number, version and time are not looked at.</param>
    /// <param name="ground">What it was laid to.</param>
    /// <param name="place">Its place in a trial; null outside one.</param>
    /// <param name="recordedBy">Who recorded it.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="at">When; null for now.</param>
    /// <returns>The bead with its number and time.</returns>
    public static async Task<Bead> AddAsync(
        NpgsqlConnection connection,
        Bead bead,
        BeadGround ground,
        TrialPlace? place,
        Guid recordedBy,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        var (number, recordedAt, waits) = await connection.QuerySingleAsync<(int Number, DateTime At, bool Waits)>(
            Insert,
            Parameters(bead, ground, place, recordedBy, sent, at),
            cancel
        );
        return bead with { Number = number, RecordedAt = recordedAt, Own = ground.IsOf(recordedBy), Waits = waits };
    }

    private const string Insert = """
        with laid as (
            insert into bead (id, sheet_id, number, wire_mark, volt_mark, amp_mark, wire_feed_m_per_min, volts, amps, evidence, judgement,
                verdict, rules_version, recorded_by,
                recorded_at, sent)
            select @Id, @SheetId, coalesce((select max(number) from bead
                where sheet_id = @SheetId), 0) + 1, @WireMark, @VoltMark, @AmpMark, @wireFeed, @volts, @amps, @evidence,
                @judgement, @verdict, @rulesVersion, @recordedBy, coalesce(@at, now()), @sent
            returning id, seq, number, recorded_at),
        placed as (insert into trial_bead (bead_id, trial_id, step, fresh_piece) select id, @trialId, @step, @freshPiece from laid
            where @trialId is not null)
        insert into bead_verdict (bead_id, seq, sheet_id, number, student_id, machine_id, process, wire, gas, joint, position,
            thickness_mm, wire_mark, volt_mark, amp_mark, arc_seconds, wire_feed_m_per_min, volts, amps, sound, cause, verdict, shape,
            next, recorded_at, withdrawn, own)
        select id, seq, @SheetId, number, @studentId, @machineId, @process, @wire, @gas, @joint, @position, @thicknessMm,
            @WireMark, @VoltMark, @AmpMark, @arcSeconds, @wireFeed, @volts, @amps, @sound, @cause, @verdict, @shape, @next, recorded_at,
            false, @own from laid
        returning number, recorded_at, tool_word_waits(own, ruled, sheet_id)
        """;

    /// <summary>Adds a look again at a bead, which then stands.</summary>
    /// <param name="connection">In whose transaction, with the machine's turn taken.</param>
    /// <param name="id">Which look.</param>
    /// <param name="bead">The bead, with the evidence and judgement of this look.</param>
    /// <param name="by">Who looked.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="at">When; null for now.</param>
    public static Task AddLookAsync(
        NpgsqlConnection connection,
        Guid id,
        Bead bead,
        Guid by,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    ) =>
        connection.ExecuteAsync(
            """
            with looked as (
                insert into look (id, bead_id, evidence, judgement, verdict, rules_version, looked_by, looked_at, sent,
                    wire_mark, volt_mark, amp_mark, wire_feed_m_per_min, volts, amps)
                values (@id, @beadId, @evidence, @judgement, @verdict, @rulesVersion, @by, coalesce(@at, now()), @sent,
                    @WireMark, @VoltMark, @AmpMark, @wireFeed, @volts, @amps)
                    on conflict (id) do nothing returning id)
            update bead_verdict set sound = @sound, cause = @cause, verdict = @verdict, shape = @shape, next = @next, look_id = looked.id,
                wire_mark = @WireMark, volt_mark = @VoltMark, amp_mark = @AmpMark, wire_feed_m_per_min = @wireFeed, volts = @volts,
                amps = @amps, arc_seconds = @arcSeconds
                from looked where bead_id = @beadId
            """,
            new
            {
                id,
                beadId = bead.Id,
                bead.WireMark,
                bead.VoltMark,
                bead.AmpMark,
                wireFeed = bead.Used?.WireFeed.MPerMin,
                volts = bead.Used?.Volts.Volts,
                amps = bead.Amps?.Amps,
                evidence = new Jsonb<Evidence>(bead.Evidence),
                judgement = new Jsonb<Judgement>(bead.Judgement),
                verdict = EnumText.Of(bead.Judgement.Verdict),
                rulesVersion = bead.Judgement.RulesVersion,
                sound = bead.Evidence.SoundHeard() is { } heard ? EnumText.Of(heard) : null,
                cause = CauseOf(bead.Judgement),
                shape = new Jsonb<BeadShape>(bead.Judgement.Shape),
                next = new Jsonb<Said?>(bead.Judgement.Next?.Instruction),
                arcSeconds = bead.Evidence.Measured?.ArcSeconds,
                by,
                sent = sent.Hash,
                at = at?.UtcDateTime,
            },
            cancel
        );

    /// <summary>Takes a bead off its coupon, or puts it back.</summary>
    /// <param name="connection">In whose transaction, with the machine's turn taken.</param>
    /// <param name="id">Which bead.</param>
    /// <param name="by">Who withdraws it; null puts it back.</param>
    public static Task SetWithdrawnAsync(NpgsqlConnection connection, Guid id, Guid? by, CancellationToken cancel) =>
        connection.ExecuteAsync(
            """
            with taken as (update bead set withdrawn_by = @by, withdrawn_at = case when @by::uuid is null then null else now() end
                where id = @id returning id, withdrawn_at)
            update bead_verdict set withdrawn = taken.withdrawn_at is not null from taken where bead_id = taken.id
            """,
            new { id, by },
            cancel
        );

    private static string? CauseOf(Judgement judgement) => judgement.Causes.Count > 0 ? EnumText.Of(judgement.Causes[0].Cause) : null;

    private static object Parameters(Bead bead, BeadGround ground, TrialPlace? place, Guid recordedBy, Sent sent, DateTimeOffset? at)
    {
        var job = ground.Body.Job;
        return new
        {
            bead.Id,
            bead.SheetId,
            bead.WireMark,
            bead.VoltMark,
            bead.AmpMark,
            wireFeed = bead.Used?.WireFeed.MPerMin,
            volts = bead.Used?.Volts.Volts,
            amps = bead.Amps?.Amps,
            evidence = new Jsonb<Evidence>(bead.Evidence),
            judgement = new Jsonb<Judgement>(bead.Judgement),
            verdict = EnumText.Of(bead.Judgement.Verdict),
            rulesVersion = bead.Judgement.RulesVersion,
            recordedBy,
            own = ground.IsOf(recordedBy),
            at = at?.UtcDateTime,
            sent = sent.Hash,
            trialId = place?.TrialId,
            step = place?.Step,
            freshPiece = place?.FreshPiece,
            studentId = ground.Sheet.StudentId,
            machineId = ground.MachineId,
            process = EnumText.Of(job.Process),
            wire = job.Wire is { } wire ? EnumText.Of(wire) : null,
            gas = EnumText.Of(job.Gas),
            joint = EnumText.Of(job.Joint),
            position = EnumText.Of(job.Position),
            arcSeconds = bead.Evidence.Measured?.ArcSeconds,
            thicknessMm = job.Thickness.Value.Mm,
            sound = bead.Evidence.SoundHeard() is { } heard ? EnumText.Of(heard) : null,
            cause = CauseOf(bead.Judgement),
            shape = new Jsonb<BeadShape>(bead.Judgement.Shape),
            next = new Jsonb<Said?>(bead.Judgement.Next?.Instruction),
        };
    }

    private sealed record Row(
        Guid Id,
        Guid SheetId,
        int Number,
        double? WireMark,
        double? VoltMark,
        double? AmpMark,
        double? WireFeed,
        double? Volts,
        double? Amps,
        string Evidence,
        string Judgement,
        string? Ruled,
        DateTime RecordedAt,
        Guid Version,
        bool Own,
        bool Waits
    )
    {
        public Bead Bead =>
            new(
                Id,
                SheetId,
                Number,
                WireMark,
                VoltMark,
                AmpMark,
                Pair(WireFeed, Volts),
                Amps is { } amps ? Current.FromAmps(amps) : null,
                Jsonb.Read<Evidence>(Evidence),
                Jsonb.Read<Judgement>(Judgement),
                Ruled is null ? null : EnumText.Read<Verdict>(Ruled),
                RecordedAt,
                Version,
                Own,
                Waits
            );
    }

    private sealed record LookRow(DateTime At, string Judgement, double? WireFeed, double? Volts, double? Amps)
    {
        public LookBefore Look =>
            new(At, Jsonb.Read<Judgement>(Judgement), Pair(WireFeed, Volts), Amps is { } amps ? Current.FromAmps(amps) : null);
    }

    private sealed record LaidRow(Guid Id, int Number, string Verdict, string Shape, double? WireFeed, double? Volts, bool Waits)
    {
        public LaidBead Bead =>
            new(Id, Number, EnumText.Read<Verdict>(Verdict), Jsonb.Read<BeadShape>(Shape), Pair(WireFeed, Volts), Waits);
    }

    private static Settings? Pair(double? wireFeed, double? volts) =>
        wireFeed is { } wire && volts is { } given ? new Settings(WireFeedSpeed.FromMPerMin(wire), Voltage.FromVolts(given)) : null;
}
