using System.Collections.Concurrent;
using GentleBead.Server.Work;

namespace GentleBead.Server.Tests;

/// <summary>Long work waits in a queue of its own, in which people take turns.</summary>
public sealed class HeavyWorkTests : IDisposable
{
    private readonly HeavyWork heavy = new();
    private readonly ManualResetEventSlim begun = new();
    private readonly ManualResetEventSlim open = new();

    public void Dispose()
    {
        open.Set();
        heavy.Dispose();
        begun.Dispose();
        open.Dispose();
    }

    // Every thread is held, so that what comes next waits.
    private List<Task<int>> Hold() =>
        [
            .. Enumerable
                .Range(0, Math.Max(1, Environment.ProcessorCount / 2))
                .Select(_ =>
                    heavy.RunAsync(
                        Guid.NewGuid(),
                        () =>
                        {
                            begun.Set();
                            open.Wait();
                            return 0;
                        },
                        CancellationToken.None
                    )
                ),
        ];

    [Fact]
    public async Task Who_asks_for_much_waits_for_themselves_and_not_the_other()
    {
        var held = Hold();
        begun.Wait(TestContext.Current.CancellationToken);
        var (greedy, other) = (Guid.NewGuid(), Guid.NewGuid());
        var order = new ConcurrentQueue<string>();
        var waiting = Enumerable.Range(0, 4).Select(i => Do(greedy, $"greedy {i}")).Append(Do(other, "other")).ToList();
        open.Set();
        await Task.WhenAll(held);
        await Task.WhenAll(waiting);
        // The other's one piece comes before the greedy one's second.
        Assert.True(order.ToList().IndexOf("other") <= 2, string.Join(", ", order));

        Task<int> Do(Guid person, string what) =>
            heavy.RunAsync(
                person,
                () =>
                {
                    order.Enqueue(what);
                    return 0;
                },
                CancellationToken.None
            );
    }

    [Fact]
    public async Task More_than_a_few_of_one_persons_waiting_is_too_much()
    {
        var held = Hold();
        begun.Wait(TestContext.Current.CancellationToken);
        var person = Guid.NewGuid();
        var waiting = Enumerable.Range(0, 4).Select(i => heavy.RunAsync(person, () => i, CancellationToken.None)).ToList();
        await Assert.ThrowsAsync<TooBusyException>(() => heavy.RunAsync(person, () => 5, CancellationToken.None));
        open.Set();
        await Task.WhenAll(held);
        Assert.Equal(Enumerable.Range(0, 4), await Task.WhenAll(waiting));
        Assert.Equal(7, await heavy.RunAsync(person, () => 7, CancellationToken.None));
    }

    [Fact]
    public async Task What_fails_fails_for_whoever_asked_and_what_is_no_longer_wanted_is_not_begun()
    {
        await Assert.ThrowsAsync<FormatException>(() =>
            heavy.RunAsync<int>(Guid.NewGuid(), () => throw new FormatException(), CancellationToken.None)
        );
        var held = Hold();
        begun.Wait(TestContext.Current.CancellationToken);
        using var gone = new CancellationTokenSource();
        var ran = false;
        var waiting = heavy.RunAsync(Guid.NewGuid(), () => ran = true, gone.Token);
        await gone.CancelAsync();
        open.Set();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => waiting);
        await Task.WhenAll(held);
        Assert.False(ran);
    }
}
