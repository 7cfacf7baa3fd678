using System.Security.Cryptography;

namespace GentleBead.Server.People;

/// <summary>What a PIN may be.</summary>
public static class Pins
{
    private const int Least = 4;
    private const int Most = 6;

    /// <summary>A new one of four figures that nobody would guess first.</summary>
    public static string New()
    {
        while (true)
        {
            var pin = RandomNumberGenerator.GetString("0123456789", Least);
            if (Problem(pin) is null)
                return pin;
        }
    }

    /// <summary>What is wrong with a PIN; null where nothing is.</summary>
    public static Problem? Problem(string? pin)
    {
        if (pin is null || pin.Length is < Least or > Most || !pin.All(char.IsAsciiDigit))
            return new("pin", Say($"{Least} to {Most} figures."));
        // One figure over and over, or one after the other up or down: the first that anybody tries.
        var steps = pin.Zip(pin.Skip(1), (one, next) => next - one).Distinct().ToList();
        return steps is [0 or 1 or -1] ? new("pin", Say($"Too easily guessed. Take other figures.")) : null;
    }
}
