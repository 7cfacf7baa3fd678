namespace GentleBead.Server.Work;

/// <summary>What is done before the server answers, told on its output: ./start waits as long as something is told.</summary>
public static class Steps
{
    private static readonly TimeSpan Often = TimeSpan.FromSeconds(5);

    /// <summary>Does a step, and says that it is at it until it is done.</summary>
    /// <param name="what">What it is: "Bringing the database forward".</param>
    /// <param name="work">The step.</param>
    public static async Task DoAsync(string what, Func<Task> work)
    {
        await Console.Out.WriteLineAsync($"Starting: {what} …");
        var (since, doing) = (Environment.TickCount64, Task.Run(work));
        while (await Task.WhenAny(doing, Task.Delay(Often)) != doing)
            await Console.Out.WriteLineAsync($"Starting: {what}, for {(Environment.TickCount64 - since) / 1_000} s now …");
        await doing;
    }
}
