using System.Security.Claims;
using System.Text.Json.Serialization;
using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Rules;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Machines;
using GentleBead.Server.Sheets;
using Npgsql;

namespace GentleBead.Server.Beads;

/// <summary>A sheet with the beads laid to it.</summary>
/// <param name="Sheet">The sheet.</param>
/// <param name="Beads">The newest of its beads that are not withdrawn, in order.</param>
/// <param name="Earlier">Whether there are earlier ones.</param>
/// <param name="Last">The newest in full; null before the first.</param>
public sealed record Coupon(AssignedSheet Sheet, IReadOnlyList<LaidBead> Beads, bool Earlier, Bead? Last)
{
    /// <summary>The coupon as somebody is shown it: a student without what the tool's word still waits on.</summary>
    public Coupon ShownTo(ClaimsPrincipal user) =>
        this with
        {
            Beads = [.. Beads.Select(bead => bead.ShownTo(user))],
            Last = Last?.ShownTo(user),
        };
}

/// <summary>A bead on the rack.</summary>
/// <param name="Id">Which bead.</param>
/// <param name="Number">Its number on the coupon.</param>
/// <param name="Verdict">In one word.</param>
/// <param name="Shape">Numbers for its glyph.</param>
/// <param name="Waits">Whether the tool's word on it is not shown to its student yet.</param>
public sealed record RackBead(
    Guid Id,
    int Number,
    Core.Judging.Verdict Verdict,
    BeadShape Shape,
    [property: JsonIgnore] bool Waits = false
);

/// <summary>A coupon on the rack.</summary>
/// <param name="SheetId">Its sheet.</param>
/// <param name="AssignedAt">When it was given out.</param>
/// <param name="Job">What is welded on it.</param>
/// <param name="PositionName">ISO and AWS names of its position.</param>
/// <param name="Beads">The newest of its beads that are not withdrawn, in order.</param>
/// <param name="Earlier">How many it has besides.</param>
public sealed record RackCoupon(
    Guid SheetId,
    DateTimeOffset AssignedAt,
    Job Job,
    string PositionName,
    IReadOnlyList<RackBead> Beads,
    int Earlier
)
{
    /// <summary>The coupon as somebody is shown it: a student without what the tool's word still waits on.</summary>
    public RackCoupon ShownTo(ClaimsPrincipal user) =>
        user.IsInRole(nameof(Role.Instructor))
            ? this
            : this with
            {
                Beads = [.. Beads.Select(bead => bead.Waits ? bead with { Verdict = Core.Judging.Verdict.Open } : bead)],
            };
}

/// <summary>What a student works on now.</summary>
/// <param name="BoothNumber">The booth they stand at; null when at none.</param>
/// <param name="BoothId">The same; null with it.</param>
/// <param name="SessionId">The session of that booth; null with it.</param>
/// <param name="Coupon">Their newest sheet with its beads; null before the first.</param>
/// <param name="Machine">The machine of that sheet; null with it.</param>
/// <param name="MachineId">The same; null with it.</param>
/// <param name="AsksOwn">Whether a bead they record themselves asks for their own word first.</param>
public sealed record MyWork(
    int? BoothNumber,
    Guid? BoothId,
    Guid? SessionId,
    Coupon? Coupon,
    Core.Machines.Machine? Machine,
    Guid? MachineId,
    bool AsksOwn
)
{
    /// <summary>The work as its student is shown it: without what the tool's word still waits on.</summary>
    public MyWork ShownTo(ClaimsPrincipal user) => this with { Coupon = Coupon?.ShownTo(user) };
}

/// <summary>Reads sheets with their beads, a bounded number of rows whatever lies in the database.</summary>
public sealed class CouponStore(SchoolDatabase database)
{
    /// <summary>Coupons of a rack that are sent at once.</summary>
    public const int RackPage = 5;

    private const int RackBeads = 10;

    /// <summary>A sheet's coupon, on a connection of the caller's.</summary>
    public static async Task<Coupon> OfAsync(NpgsqlConnection connection, AssignedSheet sheet, CancellationToken cancel)
    {
        var beads = await BeadStore.LaidAsync(connection, sheet.Id, cancel: cancel);
        return new Coupon(
            sheet,
            beads,
            beads.Count == BeadStore.Page,
            beads.Count == 0 ? null : await BeadStore.FindAsync(connection, beads[^1].Id, cancel)
        );
    }

    /// <summary>Where a student stands in a session that is on, or in the last one, and their newest sheet.</summary>
    /// <param name="studentId">Who.</param>
    /// <param name="now">The moment.</param>
    public async Task<MyWork> OfStudentAsync(Guid studentId, DateTimeOffset now, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var place = await connection.QuerySingleOrDefaultAsync<(int Number, Guid BoothId, Guid SessionId)?>(
            """
            select booth.number, booth.id, place.session_id
            from (select id, begins_at, ends_at, row_number() over (order by begins_at desc) as back from session
                where begins_at <= @soon and cancelled is null order by begins_at desc limit 12) as lately
            join place on place.session_id = lately.id and place.student_id = @studentId join booth on booth.id = place.booth_id
            where lately.ends_at > @now or lately.back = 1 order by lately.ends_at > @now desc, lately.begins_at desc limit 1
            """,
            new
            {
                studentId,
                now,
                soon = now.AddHours(1),
            },
            cancel
        );
        var row = await connection.QuerySingleOrDefaultAsync<NewestRow>(
            $"""
            select {SheetStore.Columns(
                "sheet"
            )}, machine_now.body as "MachineBody", machine_now.load as "Load", machine_now.readings as
                "Readings", tool_word_on(sheet.id) as "ToolWord"
            from sheet join machine_now on machine_now.id = sheet.machine_id
            where sheet.id = (select id from sheet where student_id = @studentId order by seq desc limit 1)
            """,
            new { studentId },
            cancel
        );
        return new MyWork(
            place?.Number,
            place?.BoothId,
            place?.SessionId,
            row is null ? null : await OfAsync(connection, row.Sheet, cancel),
            row is null ? null : StoredMachine.Read(row.MachineBody, row.Load, row.Readings),
            row?.MachineId,
            row is null || EnumText.Read<ToolWord>(row.ToolWord).AsksOwn()
        );
    }

    /// <summary>A page of a student's coupons, newest first, and what to ask for the next with.</summary>
    /// <param name="studentId">Whose.</param>
    /// <param name="before">The place of the last coupon that was sent; null for the first page.</param>
    public async Task<(IReadOnlyList<RackCoupon> Coupons, long? More)> RackAsync(Guid studentId, long? before, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var coupons = (
            await connection.QueryAsync<(Guid Id, DateTime At, string Job, string PositionName, long Seq)>(
                "select id, assigned_at, job, position_name, seq from sheet where student_id = @studentId and seq < @before "
                    + "order by seq desc limit @RackPage",
                new
                {
                    studentId,
                    before = before ?? long.MaxValue,
                    RackPage,
                },
                cancel
            )
        ).AsList();
        var beads = (
            await connection.QueryAsync<(Guid SheetId, Guid Id, int Number, string Verdict, string Shape, bool Waits, int All)>(
                """
                select given.id, newest.bead_id, newest.number, newest.verdict, newest.shape, newest.waits, newest.all_of_it
                from unnest(@ids) as given (id) cross join lateral (
                    select bead_id, number, coalesce(ruled, verdict) as verdict, shape,
                        tool_word_waits(own, ruled, sheet_id) as waits, count(*) over ()::int as all_of_it
                    from bead_verdict where sheet_id = given.id and not withdrawn order by number desc limit @RackBeads) as newest
                order by newest.number
                """,
                new { ids = coupons.Select(coupon => coupon.Id).ToArray(), RackBeads },
                cancel
            )
        ).ToLookup(bead => bead.SheetId);
        return ([.. coupons.Select(Coupon)], coupons.Count == RackPage ? coupons[^1].Seq : null);

        RackCoupon Coupon((Guid Id, DateTime At, string Job, string PositionName, long Seq) row)
        {
            RackBead[] laid =
            [
                .. beads[row.Id]
                    .Select(bead => new RackBead(
                        bead.Id,
                        bead.Number,
                        EnumText.Read<Core.Judging.Verdict>(bead.Verdict),
                        Jsonb.Read<BeadShape>(bead.Shape),
                        bead.Waits
                    )),
            ];
            return new(
                row.Id,
                row.At,
                Jsonb.Read<Job>(row.Job),
                row.PositionName,
                laid,
                laid.Length == 0 ? 0 : beads[row.Id].First().All - laid.Length
            );
        }
    }

    private sealed class NewestRow : SheetStore.Row
    {
        public required string MachineBody { get; init; }

        public required string? Load { get; init; }

        public required string? Readings { get; init; }

        public required string ToolWord { get; init; }
    }
}
