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
/// <param name="Used">The pair at the torch.</param>
/// <param name="Evidence">What was heard, seen and measured.</param>
/// <param name="Judgement">What was said of it that day.</param>
/// <param name="RecordedAt">When.</param>
public sealed record Bead(
    Guid Id, Guid SheetId, int Number, double? WireMark, double? VoltMark, Settings Used, Evidence Evidence, Judgement Judgement, DateTimeOffset RecordedAt);

/// <summary>Beads in the database. A bead is withdrawn, never deleted.</summary>
public sealed class BeadStore(NpgsqlDataSource database)
{
    private const string Columns =
        """
        id, sheet_id as "SheetId", number, wire_mark as "WireMark", volt_mark as "VoltMark", wire_feed_m_per_min as "WireFeed", volts,
        evidence, judgement, recorded_at as "RecordedAt"
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
            insert into bead (id, sheet_id, number, wire_mark, volt_mark, wire_feed_m_per_min, volts, evidence, judgement, verdict, rules_version, recorded_by, recorded_at)
            select @Id, @SheetId, coalesce(max(number), 0) + 1, @WireMark, @VoltMark, @wireFeed, @volts, @evidence, @judgement, @verdict, @rulesVersion, @recordedBy, @RecordedAt
            from bead where sheet_id = @SheetId
            on conflict (id) do nothing
            """,
            new
            {
                bead.Id,
                bead.SheetId,
                bead.WireMark,
                bead.VoltMark,
                RecordedAt = bead.RecordedAt.UtcDateTime,
                wireFeed = bead.Used.WireFeed.MPerMin,
                volts = bead.Used.Volts.Volts,
                evidence = new Jsonb<Evidence>(bead.Evidence),
                judgement = new Jsonb<Judgement>(bead.Judgement),
                verdict = Words.Of(bead.Judgement.Verdict),
                rulesVersion = bead.Judgement.RulesVersion,
                recordedBy,
            });
        var stored = await connection.QuerySingleAsync<Row>($"select {Columns} from bead where id = @Id", new { bead.Id });
        await transaction.CommitAsync();
        return stored.Bead;
    }

    /// <summary>One bead, withdrawn or not.</summary>
    public async Task<Bead?> FindAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        return (await connection.QuerySingleOrDefaultAsync<Row>($"select {Columns} from bead where id = @id", new { id }))?.Bead;
    }

    /// <summary>The standing beads of some sheets, in order, by sheet.</summary>
    public async Task<ILookup<Guid, Bead>> OfSheetsAsync(IEnumerable<Guid> sheetIds)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<Row>(
            $"select {Columns} from bead where sheet_id = any(@ids) and withdrawn_at is null order by number", new { ids = sheetIds.ToArray() });
        return rows.ToLookup(row => row.SheetId, row => row.Bead);
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
        Guid Id, Guid SheetId, int Number, double? WireMark, double? VoltMark, double WireFeed, double Volts, string Evidence, string Judgement, DateTime RecordedAt)
    {
        public Bead Bead => new(
            Id, SheetId, Number, WireMark, VoltMark, new Settings(WireFeedSpeed.FromMPerMin(WireFeed), Voltage.FromVolts(Volts)),
            Jsonb.Read<Evidence>(Evidence), Jsonb.Read<Judgement>(Judgement), RecordedAt);
    }
}
