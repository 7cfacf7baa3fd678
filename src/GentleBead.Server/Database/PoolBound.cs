using Npgsql;

namespace GentleBead.Server.Database;

/// <summary>
/// Bounds the connections that many schools' pools hold together, those that rest too. One more has to wait until a pool rests, the one not
/// used for the longest first, whose connections are closed for it.
/// </summary>
/// <param name="most">How many connections; at least one.</param>
public sealed class PoolBound(int most)
{
    // As long as a request waits for a connection of a pool that is full.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(5);
    private readonly Lock alone = new();
    private readonly Dictionary<NpgsqlDataSource, Holding> holding = [];
    private readonly LinkedList<TaskCompletionSource> waiting = new();
    private int held;
    private long moment;

    /// <summary>Waits until a pool may give one more connection.</summary>
    /// <exception cref="NpgsqlException">No other rested for five seconds.</exception>
    public async ValueTask EnterAsync(NpgsqlDataSource pool, CancellationToken cancel)
    {
        if (TryEnter(pool) is not { } turn)
            return;
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        patience.CancelAfter(Patience);
        for (var next = turn; next is not null; next = TryEnter(pool))
        {
            try
            {
                await next.Task.WaitAsync(patience.Token);
            }
            catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
            {
                throw new NpgsqlException("All connections are in use.", new TimeoutException());
            }
            finally
            {
                lock (alone)
                    waiting.Remove(next);
            }
        }
    }

    /// <summary>A connection was given back.</summary>
    public void Leave(NpgsqlDataSource pool)
    {
        lock (alone)
        {
            if (!holding.TryGetValue(pool, out var of))
                return;
            of.Busy--;
            // Whoever waits looks again: they may be of this pool, or take the place of one that rests now.
            foreach (var turn in waiting)
                turn.SetResult();
            waiting.Clear();
        }
    }

    // Null once it has entered, else what it waits for.
    private TaskCompletionSource? TryEnter(NpgsqlDataSource pool)
    {
        var rests = new List<NpgsqlDataSource>();
        TaskCompletionSource? turn = null;
        lock (alone)
        {
            if (!holding.TryGetValue(pool, out var of))
                holding[pool] = of = new Holding();
            // A pool holds as many as were ever busy at once since it was emptied: it opens another only when none rests.
            if (of.Busy == of.Held && !MakeRoom(pool, rests))
            {
                turn = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
                waiting.AddLast(turn);
            }
            else
            {
                if (of.Busy == of.Held)
                {
                    of.Held++;
                    held++;
                }
                of.Busy++;
                of.Used = ++moment;
            }
        }
        foreach (var one in rests)
            one.Clear();
        return turn;
    }

    // For one more connection of a pool, at the cost of others that rest.
    private bool MakeRoom(NpgsqlDataSource pool, List<NpgsqlDataSource> rests)
    {
        while (held >= most)
        {
            var resting = holding.Where(one => one.Key != pool && one.Value.Busy == 0);
            var oldest = resting.OrderBy(one => one.Value.Used).Select(one => one.Key).FirstOrDefault();
            if (oldest is null)
                return false;
            held -= holding[oldest].Held;
            holding.Remove(oldest);
            rests.Add(oldest);
        }
        return true;
    }

    private sealed class Holding
    {
        // How many are in use, and how many it may hold.
        public int Busy { get; set; }

        public int Held { get; set; }

        public long Used { get; set; }
    }
}
