namespace GentleBead.Testing;

/// <summary>Waiting for what is to happen, and no longer.</summary>
public static class Waiting
{
    private static readonly TimeSpan Often = TimeSpan.FromMilliseconds(50);

    /// <summary>Asks again until something holds.</summary>
    /// <param name="holds">What is to hold.</param>
    /// <param name="patience">How long at the most.</param>
    /// <param name="often">How often; every 50 ms where nothing is said.</param>
    /// <returns>Whether it came to hold.</returns>
    public static async Task<bool> UntilAsync(Func<Task<bool>> holds, TimeSpan patience, TimeSpan? often = null)
    {
        using var again = new PeriodicTimer(often ?? Often);
        var until = DateTime.UtcNow + patience;
        while (!await holds())
        {
            if (DateTime.UtcNow > until)
                return false;
            await again.WaitForNextTickAsync();
        }
        return true;
    }
}
