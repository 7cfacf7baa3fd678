using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using MathNet.Numerics.Random;

namespace GentleBead.Core.Arc;

/// <summary>The arc of a tungsten: a current held steady, and volts that follow its length.</summary>
/// <remarks>
/// Volts: the conventional load line of IEC 60974-1 (10 + 0.04 I) at an arc of 2 mm, 0.8 V more for each further millimetre
/// under argon (handbooks, from memory). AC turns over at <see cref="AcHz"/>; each time the arc is lit anew.
/// </remarks>
public sealed class SteadyArc
{
    private const double UsualLength = 2,
        VoltsPerMm = 0.8;

    /// <summary>Turns of an AC arc each second; common practice, no source.</summary>
    public const double AcHz = 100;

    private readonly Xoshiro256StarStar random;
    private readonly double amps,
        volts,
        step,
        shake,
        flutter;
    private readonly bool ac;
    private double noise,
        slow;
    private long samples;

    /// <summary>Sets up an arc that burns already.</summary>
    /// <exception cref="ArgumentOutOfRangeException">For a fed wire, or a value outside its range.</exception>
    public SteadyArc(ArcSetting setting, int rate, int seed)
    {
        ArgumentNullException.ThrowIfNull(setting);
        ArgumentOutOfRangeException.ThrowIfLessThan(rate, SimulatedArc.LowestRate);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(rate, SimulatedArc.HighestRate);
        if (setting.Amps is not { } current)
            throw new ArgumentOutOfRangeException(nameof(setting), "A fed wire has an arc of another kind.");
        setting.Checked();
        random = new Xoshiro256StarStar(seed, threadSafe: false);
        step = 1.0 / rate;
        amps = current.Amps;
        var lost = setting.Faults.Contains(ArcFault.GasLost);
        var wrong = setting.Faults.Contains(ArcFault.WrongPolarity);
        var dirty = setting.Faults.Contains(ArcFault.Scale);
        volts = LoadLine.Tig(current).Volts + VoltsPerMm * (setting.StickOut.Mm - UsualLength) + (wrong ? 6 : 0) + (lost ? 3 : 0);
        shake =
            lost ? 2.5
            : dirty ? 1.2
            : wrong ? 1
            : 0.08;
        flutter = lost || wrong || dirty ? 0.08 : 0;
        ac = setting.Process == Process.GtawAc;
    }

    /// <summary>Runs on: one sample of volts and amps after the other.</summary>
    /// <param name="volts">Volts; as long as <paramref name="amps"/>.</param>
    /// <param name="amps">Amps; below 0 in the half of AC that cleans.</param>
    public void Run(Span<float> volts, Span<float> amps)
    {
        if (volts.Length != amps.Length)
            throw new ArgumentException("As many volts as amps.", nameof(amps));
        for (var i = 0; i < volts.Length; i++)
        {
            noise += step / 0.0006 * -noise + Math.Sqrt(6 * step / 0.0006) * (random.NextDouble() - 0.5);
            slow += step / 0.02 * -slow + Math.Sqrt(6 * step / 0.02) * (random.NextDouble() - 0.5);
            var current = this.amps * (1 + 0.004 * Math.Sin(2 * Math.PI * 300 * samples * step) + flutter * slow);
            var at = this.volts + shake * (noise + slow);
            if (ac)
            {
                var turn = samples * step * AcHz % 1;
                // The current crosses over in a fifth of a millisecond, and the new half needs a spike to light.
                var into = (turn < 0.5 ? turn : turn - 0.5) / AcHz;
                var side = (turn < 0.5 ? 1 : -1) * Math.Min(1, into / 0.0001 - 1);
                if (into > 0.0002)
                    side = turn < 0.5 ? 1 : -1;
                current *= side;
                at = (at + (into < 0.0002 ? 12 : 0)) * Math.Sign(side);
            }
            volts[i] = (float)at;
            amps[i] = (float)current;
            samples++;
        }
    }
}
