using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Beads;

/// <summary>What somebody said of their own bead before they were shown the tool's word, beside that word as it stands now.</summary>
/// <param name="Word">What they said.</param>
/// <param name="By">Who.</param>
/// <param name="At">When.</param>
/// <param name="Compared">Their word beside the tool's; null while that waits for an instructor's.</param>
public sealed record OwnSaid(OwnWord Word, string By, DateTimeOffset At, OwnCompared? Compared);

/// <summary>Own words on beads. One is given with its bead or never, and stays.</summary>
public sealed class OwnWordStore(SchoolDatabase database)
{
    /// <summary>Adds the word that came with a bead.</summary>
    /// <param name="connection">In whose transaction.</param>
    /// <param name="beadId">On which bead.</param>
    /// <param name="own">The word.</param>
    /// <param name="by">Whose.</param>
    /// <param name="cancel">Breaks it off.</param>
    internal static Task AddAsync(NpgsqlConnection connection, Guid beadId, OwnWord own, Guid by, CancellationToken cancel) =>
        connection.ExecuteAsync(
            "insert into own_word (bead_id, verdict, change, said_by) values (@beadId, @verdict, @change, @by)",
            new
            {
                beadId,
                verdict = EnumText.Of(own.Verdict),
                change = EnumText.Of(own.Change),
                by,
            },
            cancel
        );

    /// <summary>The word on a bead beside the tool's; null where none was given.</summary>
    /// <param name="bead">The bead as it stands.</param>
    /// <param name="process">What it was welded with.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<OwnSaid?> OfAsync(Bead bead, Process process, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(bead);
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<(string Verdict, string Change, string By, DateTime At)?>(
            """
            select own_word.verdict, own_word.change, person.name, own_word.said_at
            from own_word join person on person.id = own_word.said_by where own_word.bead_id = @Id
            """,
            new { bead.Id },
            cancel
        );
        if (row is not { } said)
            return null;
        var own = new OwnWord(EnumText.Read<Verdict>(said.Verdict), EnumText.Read<ChangeKind>(said.Change));
        return new(own, said.By, said.At, OwnWords.Compare(own, bead.Judgement, process));
    }
}
