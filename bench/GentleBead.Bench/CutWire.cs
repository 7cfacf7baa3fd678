using System.Net;
using System.Net.Sockets;
using System.Text;

namespace GentleBead.Bench;

/// <summary>
/// A wire between a tablet and the server that is down, whole, or cut in the middle of whatever is being sent: before the server has it
/// all, after it has and before its answer, or in the middle of the answer.
/// </summary>
internal sealed class CutWire : IAsyncDisposable
{
    // A bead is about a thousand bytes and its answer ten times that: a cut falls anywhere in and between them.
    private const int MostBytes = 16_000;
    private static readonly byte[] Sending = Encoding.ASCII.GetBytes("PUT /api/beads/");
    private readonly TcpListener listener = new(IPAddress.Loopback, 0);
    private readonly CancellationTokenSource ending = new();
    private readonly Random random;
    private readonly int server;
    private readonly Task accepting;

    /// <param name="server">The server's port on loopback.</param>
    /// <param name="seed">Where it is cut.</param>
    public CutWire(int server, int seed)
    {
        (this.server, random) = (server, new Random(seed));
        listener.Start();
        accepting = AcceptAsync();
    }

    /// <summary>How the wire is.</summary>
    public enum State
    {
        Whole,
        Down,
        Cutting,
    }

    /// <summary>How it is for whatever comes from now on.</summary>
    public State Now { get; set; }

    /// <summary>How often something was cut off while it was being sent.</summary>
    public int Cuts { get; private set; }

    /// <summary>Where it is reached.</summary>
    public Uri Address => new($"http://127.0.0.1:{((IPEndPoint)listener.LocalEndpoint).Port}");

    private async Task AcceptAsync()
    {
        while (!ending.IsCancellationRequested)
        {
            try
            {
                _ = CarryAsync(await listener.AcceptTcpClientAsync(ending.Token));
            }
            catch (OperationCanceledException)
            {
                return;
            }
        }
    }

    private async Task CarryAsync(TcpClient tablet)
    {
        using var near = tablet;
        if (Now == State.Down)
            return;
        using var far = new TcpClient();
        await far.ConnectAsync(IPAddress.Loopback, server);
        var (left, sending) = (int.MaxValue, false);
        using var cut = CancellationTokenSource.CreateLinkedTokenSource(ending.Token);
        await Task.WhenAny(PassAsync(near.GetStream(), far.GetStream(), true), PassAsync(far.GetStream(), near.GetStream(), false));
        // Nothing that is on its way comes through any more.
        near.Client.LingerState = far.Client.LingerState = new LingerOption(true, 0);
        await cut.CancelAsync();

        async Task PassAsync(NetworkStream from, NetworkStream to, bool up)
        {
            var buffer = new byte[4096];
            try
            {
                int read;
                while ((read = await from.ReadAsync(buffer, cut.Token)) > 0)
                {
                    if (Now == State.Down)
                        return;
                    if (up && !sending && Now == State.Cutting && buffer.AsSpan(0, read).IndexOf(Sending) >= 0)
                        (sending, left) = (true, random.Next(MostBytes));
                    var passed = Math.Min(read, left);
                    await to.WriteAsync(buffer.AsMemory(0, passed), cut.Token);
                    if (sending && (left -= passed) <= 0)
                    {
                        Cuts++;
                        return;
                    }
                }
            }
            catch (Exception broken) when (broken is IOException or OperationCanceledException or ObjectDisposedException)
            {
                // The other side has gone.
            }
        }
    }

    public async ValueTask DisposeAsync()
    {
        await ending.CancelAsync();
        listener.Stop();
        await accepting;
        ending.Dispose();
    }
}
