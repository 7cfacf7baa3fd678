using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.People;

/// <summary>Leaves in the trail who did what, in the transaction in which it is done.</summary>
public static class Trail
{
    /// <summary>Leaves one entry.</summary>
    /// <param name="connection">In whose transaction.</param>
    /// <param name="by">Who; null for nobody in particular, which leaves nothing.</param>
    /// <param name="what">A key of the trail's words.</param>
    /// <param name="about">What it is about, as it is called today.</param>
    /// <param name="aboutId">Which one.</param>
    public static Task LeaveAsync(
        NpgsqlConnection connection,
        Guid? by,
        string what,
        string about,
        Guid aboutId,
        CancellationToken cancel
    ) =>
        by is null
            ? Task.CompletedTask
            : connection.ExecuteAsync(
                "insert into trail (by, what, about, about_id) values (@by, @what, @about, @aboutId)",
                new
                {
                    by,
                    what,
                    about,
                    aboutId,
                },
                cancel
            );

    /// <summary>Leaves an entry of what went by the school's own terms and by nobody in particular.</summary>
    /// <param name="connection">In whose transaction.</param>
    /// <param name="what">A key of the trail's words.</param>
    /// <param name="count">How many there were.</param>
    public static Task LeaveByTermsAsync(NpgsqlConnection connection, string what, int count, CancellationToken cancel) =>
        connection.ExecuteAsync("insert into trail (what, about) values (@what, @count::text)", new { what, count }, cancel);
}
