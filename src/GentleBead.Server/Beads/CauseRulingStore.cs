using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Beads;

/// <summary>An instructor's word on what was behind a bead.</summary>
/// <param name="Id">Which word.</param>
/// <param name="BeadId">On which bead.</param>
/// <param name="Ruled">The tool's word, the instructor's, and the bead's signs.</param>
/// <param name="Reason">Why; empty where both say the same.</param>
/// <param name="By">Who.</param>
public sealed record GivenCause(Guid Id, Guid BeadId, RuledBead Ruled, string Reason, Guid By);

/// <summary>Words on causes in the database, and what they have taught. Both are only added to; the newest stands.</summary>
public sealed class CauseRulingStore(SchoolDatabase database, RoomWeightsAtHand atHand)
{
    // A room's habits of the last few hundred beads: what it did years ago says little of it now.
    private const int Learned = 400;

    // Rooms learn one word at a time.
    private const long Turn = 4208;

    /// <summary>Adds a word and has the room learn anew from the newest.</summary>
    /// <returns>Whether it is new.</returns>
    public async Task<bool> AddAsync(GivenCause given, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await connection.ExecuteAsync("select pg_advisory_xact_lock(@Turn)", new { Turn }, cancel);
        var added = await connection.AddOnceAsync(
            "cause_ruling",
            """
            insert into cause_ruling (id, bead_id, process, tool, instructor, reason, signs, ruled_by, sent)
            values (@Id, @BeadId, @process, @tool, @instructor, @Reason, @signs, @By, @sent) on conflict (id) do nothing
            """,
            new
            {
                given.Id,
                given.BeadId,
                process = EnumText.Of(given.Ruled.Process),
                tool = EnumText.Of(given.Ruled.Tool),
                instructor = EnumText.Of(given.Ruled.Instructor),
                given.Reason,
                signs = new Jsonb<IReadOnlyDictionary<Sign, double>>(given.Ruled.Signs),
                given.By,
                sent = sent.Hash,
            },
            given.Id,
            sent,
            cancel
        );
        if (added)
        {
            var weights = RoomWeights.Learn(await NewestAsync(connection, cancel));
            var on = (await StateAsync(connection, cancel))?.On ?? true;
            await AddWeightsAsync(connection, given.Id, on, weights, given.By, sent, cancel);
        }
        await transaction.CommitAsync(cancel);
        return added;
    }

    /// <summary>Switches what was learned on or off, and learns anew from the newest words.</summary>
    public async Task SwitchAsync(Guid id, bool on, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await connection.ExecuteAsync("select pg_advisory_xact_lock(@Turn)", new { Turn }, cancel);
        if (!await connection.IsRepeatAsync("room_weights", id, sent, cancel))
            await AddWeightsAsync(connection, id, on, RoomWeights.Learn(await NewestAsync(connection, cancel)), by, sent, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>What stands: the room's weights, whether they are used, and the words they were learned from.</summary>
    public async Task<(bool On, RoomWeights Weights, IReadOnlyList<RuledBead> Ruled)> FindAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var (on, weights) = await StateAsync(connection, cancel) ?? (true, RoomWeights.None);
        return (on, weights, await NewestAsync(connection, cancel));
    }

    /// <summary>Some weights by their id; null for none.</summary>
    public async Task<RoomWeights?> WeightsAsync(NpgsqlConnection connection, Guid? id, CancellationToken cancel)
    {
        if (id is not { } wanted)
            return null;
        if (atHand.Find(database.School, wanted) is { } kept)
            return kept;
        var body = await connection.QuerySingleAsync<string>("select body from room_weights where id = @wanted", new { wanted }, cancel);
        var weights = Jsonb.Read<RoomWeights>(body);
        atHand.Keep(database.School, wanted, weights);
        return weights;
    }

    private static async Task<(bool On, RoomWeights Weights)?> StateAsync(NpgsqlConnection connection, CancellationToken cancel)
    {
        var row = await connection.QuerySingleOrDefaultAsync<State>(
            "select switched_on as \"On\", body as \"Body\" from room_weights order by seq desc limit 1",
            null,
            cancel
        );
        return row is null ? null : (row.On, Jsonb.Read<RoomWeights>(row.Body));
    }

    private static async Task<IReadOnlyList<RuledBead>> NewestAsync(NpgsqlConnection connection, CancellationToken cancel)
    {
        var rows = await connection.QueryAsync<(string Process, string Tool, string Instructor, string Signs)>(
            """
            select process, tool, instructor, signs from (
                select distinct on (bead_id) bead_id, process, tool, instructor, signs, seq
                from (select * from cause_ruling order by seq desc limit @Learned) as newest order by bead_id, seq desc) as said
            -- A bead that was taken off teaches nothing.
            cross join lateral (select from bead_verdict where bead_id = said.bead_id and not withdrawn limit 1) as bead
            order by seq
            """,
            new { Learned },
            cancel
        );
        return
        [
            .. rows.Select(row => new RuledBead(
                EnumText.Read<Process>(row.Process),
                EnumText.Read<Cause>(row.Tool),
                EnumText.Read<Cause>(row.Instructor),
                Jsonb.Read<Dictionary<Sign, double>>(row.Signs)
            )),
        ];
    }

    private static Task<int> AddWeightsAsync(
        NpgsqlConnection connection,
        Guid id,
        bool on,
        RoomWeights weights,
        Guid by,
        Sent sent,
        CancellationToken cancel
    ) =>
        connection.ExecuteAsync(
            "insert into room_weights (id, switched_on, body, made_by, sent) values (@id, @on, @body, @by, @sent)",
            new
            {
                id,
                on,
                body = new Jsonb<RoomWeights>(weights),
                by,
                sent = sent.Hash,
            },
            cancel
        );

    private sealed class State
    {
        public required bool On { get; init; }

        public required string Body { get; init; }
    }
}
