using Dapper;
using GentleBead.Server.Database;

namespace GentleBead.Server.Progress;

/// <summary>What came of a goal.</summary>
/// <param name="Reached">Whether it was reached; false where it was given up.</param>
/// <param name="By">Who said so.</param>
/// <param name="At">When.</param>
public sealed record GoalEnd(bool Reached, string By, DateTimeOffset At);

/// <summary>Something a student and an instructor set out to do.</summary>
/// <param name="Id">Which goal.</param>
/// <param name="Text">What it is, in their words.</param>
/// <param name="Until">Until when; null for some time.</param>
/// <param name="By">Who set it.</param>
/// <param name="At">When.</param>
/// <param name="End">What came of it; null while it stands.</param>
public sealed record Goal(Guid Id, string Text, DateOnly? Until, string By, DateTimeOffset At, GoalEnd? End);

/// <summary>Goals in the database: only added to, and ended once.</summary>
public sealed class GoalStore(SchoolDatabase database)
{
    /// <summary>Goals that are sent at once.</summary>
    public const int Page = 20;

    /// <summary>The newest goals of a student, those that stand first.</summary>
    public async Task<IReadOnlyList<Goal>> OfAsync(Guid studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            """
            select goal.id as "Id", goal.text as "Text", goal.until as "Until", setter.name as "By", goal.set_at as "At",
                goal_end.reached as "Reached", ender.name as "EndedBy", goal_end.ended_at as "EndedAt"
            from goal join person as setter on setter.id = goal.set_by
            left join goal_end on goal_end.goal_id = goal.id left join person as ender on ender.id = goal_end.ended_by
            where goal.student_id = @studentId order by goal_end.id is not null, goal.seq desc limit @Page
            """,
            new { studentId, Page },
            cancel
        );
        return [.. rows.Select(row => row.Goal)];
    }

    /// <summary>Whose goal it is; null where there is none.</summary>
    public async Task<Guid?> StudentOfAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<Guid?>("select student_id from goal where id = @id", new { id }, cancel);
    }

    /// <summary>Sets a goal; the same id again changes nothing.</summary>
    /// <param name="id">The id of what is added.</param>
    /// <param name="studentId">Whose goal.</param>
    /// <param name="goal">What it is.</param>
    /// <param name="by">Who sets it.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task AddAsync(Guid id, Guid studentId, NewGoal goal, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "goal",
            """
            insert into goal (id, student_id, text, until, set_by, sent) values (@id, @studentId, @Text, @Until, @by, @sent)
                on conflict (id) do nothing
            """,
            new
            {
                id,
                studentId,
                goal.Text,
                goal.Until,
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>Ends a goal; the same id again changes nothing. False where it was ended before.</summary>
    /// <param name="goalId">Which goal.</param>
    /// <param name="end">What came of it.</param>
    /// <param name="by">Who says so.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<bool> EndAsync(Guid goalId, NewGoalEnd end, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var added = await connection.ExecuteAsync(
            """
            insert into goal_end (id, goal_id, reached, ended_by, sent) values (@Id, @goalId, @Reached, @by, @sent)
                on conflict do nothing
            """,
            new
            {
                end.Id,
                goalId,
                end.Reached,
                by,
                sent = sent.Hash,
            },
            cancel
        );
        return added > 0 || await connection.IsRepeatAsync("goal_end", end.Id, sent, cancel);
    }

    private sealed record Row(
        Guid Id,
        string Text,
        DateOnly? Until,
        string By,
        DateTime At,
        bool? Reached,
        string? EndedBy,
        DateTime? EndedAt
    )
    {
        public Goal Goal => new(Id, Text, Until, By, At, Reached is { } reached ? new(reached, EndedBy!, EndedAt!.Value) : null);
    }
}
