using GentleBead.Testing;

[assembly: AssemblyFixture(typeof(GentleBead.Browser.Tests.DemoServer))]
[assembly: CollectionBehavior(DisableTestParallelization = true)]

namespace GentleBead.Browser.Tests;

/// <summary>The real server with the demo school, for tests that only add to it.</summary>
public sealed class DemoServer : IAsyncLifetime
{
    public RunningServer Server { get; private set; } = null!;

    public Page Open(int width = 1280, int height = 800) => new(Server.Address, width, height);

    public async ValueTask InitializeAsync() => Server = await RunningServer.StartAsync(demo: true);

    public ValueTask DisposeAsync() => Server.DisposeAsync();
}
