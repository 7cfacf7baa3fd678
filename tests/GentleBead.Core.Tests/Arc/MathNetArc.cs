using GentleBead.Core.Arc;
using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.OdeSolvers;
using MathNet.Numerics.Random;

namespace GentleBead.Core.Tests.Arc;

/// <summary>
/// The short-circuit arc written down a second time from its equations, each sample stepped by MathNet's Runge-Kutta solver: the
/// reference for the product's own stepping, and what its speed is measured against.
/// </summary>
internal sealed class MathNetArc(ArcSetting setting, int rate, int seed)
{
    private const int Amps = 0,
        Gap = 1,
        Drop = 2,
        Puddle = 3,
        PuddleSpeed = 4,
        Neck = 5;
    private const double Omega = 2 * Math.PI * 75;

    private readonly ArcConstants constants = ArcConstants.Of(setting);
    private readonly Xoshiro256StarStar random = new(seed, threadSafe: false);
    private readonly double feed = setting.WireFeed.MPerMin * 1000 / 60;

    /// <summary>Runs for so many samples: mean amps and short circuits a second.</summary>
    public (double MeanAmps, double ShortRate) Run(int samples)
    {
        var step = 1.0 / rate;
        var heated = constants.MeltB * setting.StickOut.Mm;
        var expected = 2 * feed / (constants.MeltA + Math.Sqrt(constants.MeltA * constants.MeltA + 4 * heated * feed));
        var open = setting.Volts.Volts + ArcConstants.SourceOhm * expected;
        var now = Vector<double>.Build.Dense([expected, 2, 0.2 * constants.Area * constants.Diameter, 0, 0, 0]);
        bool bridged = false;
        double sum = 0,
            noise = 0,
            carried = 0,
            luck = 1;
        var shorts = 0;
        var shake = 0.26 * Math.Sqrt(12 * 4 * 0.25 * Math.Pow(Omega, 3)) * Math.Sqrt(step);
        for (var i = 0; i < samples; i++)
        {
            noise = noise * (1 - step / 0.0012) + 0.35 * Math.Sqrt(6 * step / 0.0012) * (random.NextDouble() - 0.5);
            now[PuddleSpeed] += shake * (random.NextDouble() - 0.5);
            now = RungeKutta.FourthOrder(now, 0, step, 2, bridged ? Bridge : Arc)[^1];
            now[Amps] = Math.Max(0, now[Amps]);
            if (!bridged && now[Gap] - Hanging(now[Drop]) - now[Puddle] <= 0)
                (bridged, carried, now[Neck], luck) = (true, now[Drop], 0, 0.7 + 0.6 * random.NextDouble());
            else if (bridged && now[Neck] >= 1)
            {
                bridged = false;
                shorts++;
                now[PuddleSpeed] -= 0.0022 * now[Amps] * now[Amps];
                now[Drop] = 0.12 * (0.5 + random.NextDouble()) * carried;
            }
            sum += now[Amps];
        }
        return (sum / samples, shorts * (double)rate / samples);

        Vector<double> Arc(double _, Vector<double> at)
        {
            var solid = setting.StickOut.Mm - at[Gap];
            var melting = constants.MeltA * at[Amps] + constants.MeltB * solid * at[Amps] * at[Amps];
            var length = at[Gap] - Hanging(at[Drop]) - at[Puddle];
            var across = constants.Fall + constants.ArcOhm * at[Amps] + constants.VoltsPerMm * length + noise;
            return Rates(at, melting - feed, melting * constants.Area, across, solid, 0);
        }

        Vector<double> Bridge(double _, Vector<double> at)
        {
            var solid = setting.StickOut.Mm - at[Gap];
            var pinch = at[Amps] / constants.PinchAmps;
            var necking = 1 / (constants.Neck * Math.Sqrt(Math.Max(carried, 0.02)) * luck) * (1 + pinch * pinch);
            return Rates(
                at,
                constants.MeltB * solid * at[Amps] * at[Amps] - feed,
                0,
                (0.011 + 0.03 * Math.Pow(at[Neck], 3)) * at[Amps],
                solid,
                necking
            );
        }

        Vector<double> Rates(Vector<double> at, double gap, double drop, double across, double solid, double neck) =>
            Vector<double>.Build.Dense([
                (open - (ArcConstants.SourceOhm + ArcConstants.LeadOhm + constants.OhmPerMm * solid) * at[Amps] - across)
                    / (setting.InductanceMh * 1e-3),
                gap,
                drop,
                at[PuddleSpeed],
                -Omega * Omega * at[Puddle] - 2 * 0.25 * Omega * at[PuddleSpeed],
                neck,
            ]);
    }

    private double Hanging(double volume)
    {
        var asRod = volume / constants.Area;
        return asRod < 0.55 * constants.Diameter
            ? asRod
            : Math.Max(0.55 * constants.Diameter, 0.92 * Math.Cbrt(6 / Math.PI * volume) - 0.1 * constants.Diameter);
    }
}
