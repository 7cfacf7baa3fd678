using Dapper;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Server.Database;
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
public sealed record Bead(
    Guid Id, Guid SheetId, int Number, double? WireMark, double? VoltMark, double? AmpMark, Settings? Used, Current? Amps,
    Evidence Evidence, Judgement Judgement, Verdict? Ruled, DateTimeOffset RecordedAt)
{
    /// <summary>The verdict that stands: the instructor's where there is one.</summary>
    public Verdict Standing() => Ruled ?? Judgement.Verdict;

    /// <summary>How the next bead sees this one.</summary>
    public BeadBefore AsBefore() => new(Number, Judgement, Evidence, Used, Amps);
}

/// <summary>What was heard of a bead, for the learned window.</summary>
/// <param name="SheetId">On which sheet's coupon.</param>
/// <param name="Used">The pair at the torch.</param>
/// <param name="Sound">What was heard.</param>
/// <param name="Cause">The likeliest cause.</param>
/// <param name="Verdict">The verdict that stands.</param>
public sealed record HeardBead(Guid SheetId, Settings Used, Sound Sound, Cause? Cause, Verdict Verdict);

/// <summary>Beads in the database. A bead is withdrawn, never deleted; a look again is added to it.</summary>
public sealed class BeadStore(NpgsqlDataSource database)
{
    // The newest look stands, and the instructor's newest word beside it.
    private const string Beads =
        """
        select bead.id, sheet_id as "SheetId", number, wire_mark as "WireMark", volt_mark as "VoltMark", amp_mark as "AmpMark",
            wire_feed_m_per_min as "WireFeed", volts, amps, coalesce(again.evidence, bead.evidence) as evidence,
            coalesce(again.judgement, bead.judgement) as judgement, ruled.instructor as "Ruled", recorded_at as "RecordedAt"
        from bead
        left join lateral (select evidence, judgement from look where bead_id = bead.id order by looked_at desc, id desc limit 1) as again on true
        left join lateral (select instructor from ruling where bead_id = bead.id and aspect is null order by ruled_at desc, id desc limit 1) as ruled on true
        """;

    /// <summary>Adds a bead with the next number on its coupon; the same id again changes nothing. Gives the bead as stored.</summary>
    /// <param name="bead">The bead; its number is not looked at.</param>
    /// <param name="recordedBy">Who recorded it.</param>
    public async Task<Bead> AddAsync(Bead bead, Guid recordedBy)
    {
        await using var connection = await database.OpenConnectionAsync();
        await using var transaction = await connection.BeginTransactionAsync();
        // One at a time on a coupon, so that numbers neither clash nor skip.
        await connection.ExecuteAsync("select pg_advisory_xact_lock(hashtextextended(@sheet, 0))", new { sheet = bead.SheetId.ToString() });
        await connection.ExecuteAsync(
            """
            insert into bead (id, sheet_id, number, wire_mark, volt_mark, amp_mark, wire_feed_m_per_min, volts, amps, evidence, judgement, verdict, rules_version, recorded_by, recorded_at)
            select @Id, @SheetId, coalesce(max(number), 0) + 1, @WireMark, @VoltMark, @AmpMark, @wireFeed, @volts, @amps, @evidence, @judgement, @verdict, @rulesVersion, @recordedBy, @RecordedAt
            from bead where sheet_id = @SheetId
            on conflict (id) do nothing
            """,
            new
            {
                bead.Id,
                bead.SheetId,
                bead.WireMark,
                bead.VoltMark,
                bead.AmpMark,
                RecordedAt = bead.RecordedAt.UtcDateTime,
                wireFeed = bead.Used?.WireFeed.MPerMin,
                volts = bead.Used?.Volts.Volts,
                amps = bead.Amps?.Amps,
                evidence = new Jsonb<Evidence>(bead.Evidence),
                judgement = new Jsonb<Judgement>(bead.Judgement),
                verdict = Words.Of(bead.Judgement.Verdict),
                rulesVersion = bead.Judgement.RulesVersion,
                recordedBy,
            });
        var stored = await connection.QuerySingleAsync<Row>($"{Beads} where bead.id = @Id", new { bead.Id });
        await transaction.CommitAsync();
        return stored.Bead;
    }

    /// <summary>Adds a look again at a bead; the same id again changes nothing.</summary>
    public async Task AddLookAsync(Guid id, Guid beadId, Evidence evidence, Judgement judgement, Guid by, DateTimeOffset at)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            """
            insert into look (id, bead_id, evidence, judgement, verdict, rules_version, looked_by, looked_at)
            values (@id, @beadId, @evidence, @judgement, @verdict, @rulesVersion, @by, @at)
            on conflict (id) do nothing
            """,
            new
            {
                id,
                beadId,
                evidence = new Jsonb<Evidence>(evidence),
                judgement = new Jsonb<Judgement>(judgement),
                verdict = Words.Of(judgement.Verdict),
                rulesVersion = judgement.RulesVersion,
                by,
                at = at.UtcDateTime,
            });
    }

    /// <summary>One bead, withdrawn or not.</summary>
    public async Task<Bead?> FindAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        return (await connection.QuerySingleOrDefaultAsync<Row>($"{Beads} where bead.id = @id", new { id }))?.Bead;
    }

    /// <summary>The standing beads of some sheets, in order, by sheet.</summary>
    public async Task<ILookup<Guid, Bead>> OfSheetsAsync(IEnumerable<Guid> sheetIds)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<Row>($"{Beads} where sheet_id = any(@ids) and withdrawn_at is null order by number", new { ids = sheetIds.ToArray() });
        return rows.ToLookup(row => row.SheetId, row => row.Bead);
    }

    /// <summary>Every look at a bead before the one that stands, oldest first: when, and what was said.</summary>
    public async Task<IReadOnlyList<(DateTimeOffset At, Judgement Judgement)>> EarlierLooksAsync(Guid beadId)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<(DateTime At, string Judgement)>(
            """
            select at, judgement from (
                select recorded_at as at, judgement from bead where id = @beadId
                union all select looked_at, judgement from look where bead_id = @beadId) as looks
            order by at
            """,
            new { beadId });
        return [.. rows.SkipLast(1).Select(row => ((DateTimeOffset)row.At, Jsonb.Read<Judgement>(row.Judgement)))];
    }

    /// <summary>The likeliest causes of the newest standing beads of some sheets, newest first; one bead left out, the one being judged.</summary>
    public async Task<IReadOnlyList<Cause>> NewestCausesAsync(IEnumerable<Guid> sheetIds, int most, Guid except)
    {
        await using var connection = await database.OpenConnectionAsync();
        var words = await connection.QueryAsync<string?>(
            """
            select coalesce(again.judgement, bead.judgement) #>> '{causes,0,cause}' from bead
            left join lateral (select judgement from look where bead_id = bead.id order by looked_at desc, id desc limit 1) as again on true
            where sheet_id = any(@ids) and withdrawn_at is null and bead.id <> @except order by recorded_at desc limit @most
            """,
            new { ids = sheetIds.ToArray(), most, except });
        return [.. words.OfType<string>().Select(Words.Read<Cause>)];
    }

    /// <summary>What was heard of the standing beads of some sheets.</summary>
    public async Task<IReadOnlyList<HeardBead>> HeardAsync(IEnumerable<Guid> sheetIds)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<(Guid SheetId, double WireFeed, double Volts, string Sound, string? Cause, string Verdict)>(
            """
            select sheet_id, wire_feed_m_per_min, volts, coalesce(again.evidence, bead.evidence) ->> 'sound',
                coalesce(again.judgement, bead.judgement) #>> '{causes,0,cause}', coalesce(ruled.instructor, again.verdict, bead.verdict)
            from bead
            left join lateral (select evidence, judgement, verdict from look where bead_id = bead.id order by looked_at desc, id desc limit 1) as again on true
            left join lateral (select instructor from ruling where bead_id = bead.id and aspect is null order by ruled_at desc, id desc limit 1) as ruled on true
            where sheet_id = any(@ids) and withdrawn_at is null and wire_feed_m_per_min is not null and coalesce(again.evidence, bead.evidence) ->> 'sound' is not null
            """,
            new { ids = sheetIds.ToArray() });
        return
        [
            .. rows.Select(row => new HeardBead(
                row.SheetId, new Settings(WireFeedSpeed.FromMPerMin(row.WireFeed), Voltage.FromVolts(row.Volts)), Words.Read<Sound>(row.Sound),
                row.Cause is null ? null : Words.Read<Cause>(row.Cause), Words.Read<Verdict>(row.Verdict))),
        ];
    }

    /// <summary>Takes a bead off its coupon, or puts it back.</summary>
    /// <param name="id">Which bead.</param>
    /// <param name="by">Who withdraws it; null puts it back.</param>
    /// <returns>Whether there is such a bead.</returns>
    public async Task<bool> SetWithdrawnAsync(Guid id, Guid? by)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await connection.ExecuteAsync(
            "update bead set withdrawn_by = @by, withdrawn_at = case when @by::uuid is null then null else now() end where id = @id", new { id, by }) == 1;
    }

    private sealed record Row(
        Guid Id, Guid SheetId, int Number, double? WireMark, double? VoltMark, double? AmpMark, double? WireFeed, double? Volts, double? Amps,
        string Evidence, string Judgement, string? Ruled, DateTime RecordedAt)
    {
        public Bead Bead => new(
            Id, SheetId, Number, WireMark, VoltMark, AmpMark,
            WireFeed is { } wire && Volts is { } volts ? new Settings(WireFeedSpeed.FromMPerMin(wire), Voltage.FromVolts(volts)) : null,
            Amps is { } amps ? Current.FromAmps(amps) : null,
            Jsonb.Read<Evidence>(Evidence), Jsonb.Read<Judgement>(Judgement), Ruled is null ? null : Words.Read<Verdict>(Ruled), RecordedAt);
    }
}
