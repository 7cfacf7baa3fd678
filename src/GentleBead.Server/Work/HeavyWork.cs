using System.Runtime.InteropServices;

namespace GentleBead.Server.Work;

/// <summary>There is more to do than can be taken on now.</summary>
public sealed class TooBusyException(Said what) : Exception(what.ToString())
{
    /// <summary>What is waited for.</summary>
    public Said Said { get; } = what;
}

/// <summary>
/// A queue of its own for what takes a processor for long: arcs, listening, pictures. Half the processors work
/// on it, behind everybody's beads; people take turns, so that one who keeps asking waits for themselves.
/// </summary>
public sealed partial class HeavyWork : IDisposable
{
    private const int MostOfOne = 4;
    private const int MostOfAll = 64;

    // How far these threads stand back, as Linux counts: 0 is everybody's, 19 the last.
    private const int Nice = 10;

    private readonly Lock gate = new();
    private readonly SemaphoreSlim waiting = new(0);
    private readonly LinkedList<(Guid Person, Queue<Action> Work)> people = new();
    private readonly CancellationTokenSource stopped = new();
    private int queued;

    /// <summary>Starts the threads.</summary>
    public HeavyWork()
    {
        for (var i = 0; i < Math.Max(1, Environment.ProcessorCount / 2); i++)
            new Thread(Work) { IsBackground = true, Name = $"Heavy work {i + 1}" }.Start();
    }

    /// <summary>Does some work in a person's turn.</summary>
    /// <param name="person">Whose.</param>
    /// <param name="work">What is to be done; it may block.</param>
    /// <param name="cancel">Cancels it while it has not begun.</param>
    /// <exception cref="TooBusyException">So much waits already that this would wait too long.</exception>
    public Task<T> RunAsync<T>(Guid person, Func<T> work, CancellationToken cancel)
    {
        var done = new TaskCompletionSource<T>(TaskCreationOptions.RunContinuationsAsynchronously);
        void Do()
        {
            if (cancel.IsCancellationRequested)
            {
                done.TrySetCanceled(cancel);
                return;
            }
            try
            {
                done.TrySetResult(work());
            }
            catch (Exception failed)
            {
                // Whatever it is, it is the caller's to see.
                done.TrySetException(failed);
            }
        }
        lock (gate)
        {
            var own = people.FirstOrDefault(one => one.Person == person).Work;
            if (own is { Count: >= MostOfOne })
                throw new TooBusyException(Say($"You have several of these waiting already."));
            if (queued >= MostOfAll)
                throw new TooBusyException(Say($"Many are waiting for this at once."));
            if (own is null)
                people.AddLast((person, own = new Queue<Action>()));
            own.Enqueue(Do);
            queued++;
        }
        waiting.Release();
        return done.Task;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        stopped.Cancel();
        stopped.Dispose();
    }

    private void Work()
    {
        // Of the calling thread alone, on Linux; elsewhere, or where it is not allowed, the threads stand where they are.
        if (OperatingSystem.IsLinux())
            _ = SetPriority(0, 0, Nice);
        try
        {
            while (true)
            {
                waiting.Wait(stopped.Token);
                Next()();
            }
        }
        catch (Exception ended) when (ended is OperationCanceledException or ObjectDisposedException)
        {
            // The server goes down.
        }
    }

    private Action Next()
    {
        lock (gate)
        {
            // Whoever's turn it was goes to the end of the row.
            var (person, work) = people.First!.Value;
            people.RemoveFirst();
            var next = work.Dequeue();
            queued--;
            if (work.Count > 0)
                people.AddLast((person, work));
            return next;
        }
    }

    [LibraryImport("libc", EntryPoint = "setpriority")]
    private static partial int SetPriority(int which, uint who, int priority);
}
