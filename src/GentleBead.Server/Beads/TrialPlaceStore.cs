using Dapper;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Beads;

/// <summary>For which step of which trial a bead was laid.</summary>
/// <param name="TrialId">Which trial.</param>
/// <param name="Step">Which of its steps, from 1.</param>
/// <param name="FreshPiece">Whether it was laid on a piece of its own.</param>
public sealed record TrialPlace(Guid TrialId, int Step, bool FreshPiece);

/// <summary>Places of beads in trials.</summary>
public static class TrialPlaceStore
{
    /// <summary>A bead's place in a trial; null outside one.</summary>
    public static Task<TrialPlace?> OfBeadAsync(NpgsqlConnection connection, Guid beadId, CancellationToken cancel) =>
        connection.QuerySingleOrDefaultAsync<TrialPlace>(
            "select trial_id as \"TrialId\", step, fresh_piece as \"FreshPiece\" from trial_bead where bead_id = @beadId",
            new { beadId },
            cancel
        );
}
