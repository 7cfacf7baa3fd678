namespace GentleBead.Testing;

/// <summary>Waiting for what is to happen, and no longer.</summary>
public static class Waiting
{
    // A machine that is busy with other tests is slow: what comes is waited for no longer than it takes, and this long it never takes.
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(1);
    private static readonly TimeSpan Often = TimeSpan.FromMilliseconds(50);

    /// <summary>Asks again until something holds.</summary>
    /// <param name="holds">What is to hold.</param>
    /// <param name="patience">How long at the most; a minute where nothing is said.</param>
    /// <param name="often">How often; every 50 ms where nothing is said.</param>
    /// <returns>Whether it came to hold.</returns>
    public static async Task<bool> UntilAsync(Func<Task<bool>> holds, TimeSpan? patience = null, TimeSpan? often = null)
    {
        using var again = new PeriodicTimer(often ?? Often);
        var until = DateTime.UtcNow + (patience ?? Patience);
        while (!await holds())
        {
            if (DateTime.UtcNow > until)
                return false;
            await again.WaitForNextTickAsync();
        }
        return true;
    }
}
