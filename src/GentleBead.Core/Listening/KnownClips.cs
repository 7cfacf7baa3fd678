using GentleBead.Core.Arc;
using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using MathNet.Numerics.Random;

namespace GentleBead.Core.Listening;

/// <summary>Simulated clips of which it is known what they are: to teach a listener with, and to test it with others.</summary>
public static class KnownClips
{
    /// <summary>Samples a second of a clip.</summary>
    public const int Rate = 48_000;

    private static readonly Wire[] Wires = [Wire.Solid06, Wire.Solid08, Wire.Solid09, Wire.Solid10, Wire.Solid12];
    private static readonly Gas[] Gases = [Gas.ArgonCarbon25, Gas.ArgonCarbon25, Gas.ArgonCarbon18, Gas.Carbon];

    // Where to look for each sound: volts against the middle of the smooth band, share of the wire's usual currents.
    private static readonly Dictionary<Sound, (double From, double To)> Volts = new()
    {
        [Sound.EvenCrackle] = (-1, 1),
        [Sound.Hiss] = (1.5, 5),
        [Sound.Popping] = (-5, -0.8),
        [Sound.Rattle] = (0.2, 2.5),
        [Sound.Sputter] = (-0.4, 0.9),
    };

    /// <summary>A trace that clearly has this sound.</summary>
    /// <param name="sound">Which sound.</param>
    /// <param name="seconds">How long; 1 to 60.</param>
    /// <param name="seed">Of everything drawn; the same seed gives the same clip.</param>
    public static ArcTrace Trace(Sound sound, double seconds, int seed)
    {
        var random = new Xoshiro256StarStar(seed, threadSafe: false);
        for (var attempt = 0; ; attempt++)
        {
            var trace = ArcTrace.Of(Draw(sound, random), seconds, Rate, random.NextFullRangeInt32());
            if (ArcTruth.Of(trace) == sound)
                return trace;
            if (attempt == 500)
                throw new InvalidOperationException($"No clip found that clearly is {sound}.");
        }
    }

    /// <summary>A clip that clearly has this sound, with a shop around it.</summary>
    /// <param name="sound">Which sound.</param>
    /// <param name="seconds">How long; 1 to 60.</param>
    /// <param name="decibelsUnder">How far the shop's noise lies under the arc.</param>
    /// <param name="seed">Of everything drawn.</param>
    public static Waveform Clip(Sound sound, double seconds, double decibelsUnder, int seed)
    {
        var samples = ArcSound.Of(Trace(sound, seconds, seed), seed);
        ArcSound.AddShop(samples, Rate, decibelsUnder, seed);
        Record(samples, seed);
        return new Waveform(Rate, samples);
    }

    /// <summary>How many kinds of something else there are.</summary>
    public const int Others = 6;

    /// <summary>A clip of something else: a shop without an arc, a grinder, talk, a tone, hammering, an arc that the shop drowns.</summary>
    /// <param name="kind">Which, from 0 in this order.</param>
    /// <param name="seconds">How long.</param>
    /// <param name="seed">Of everything drawn.</param>
    public static Waveform Other(int kind, double seconds, int seed)
    {
        var random = new Xoshiro256StarStar(seed, threadSafe: false);
        if (kind == Others - 1)
            return Clip((Sound)random.Next((int)Sound.Sputter + 1), seconds, -25 + 10 * random.NextDouble(), seed);
        var samples = new float[(int)(seconds * Rate)];
        var pitch = 90 + 300 * random.NextDouble();
        double phase = 0,
            smooth = 0,
            syllable = 0,
            hit = 0;
        for (var i = 0; i < samples.Length; i++)
        {
            var white = random.NextDouble() - 0.5;
            phase += 2 * Math.PI * pitch / Rate;
            smooth += 0.1 * (white - smooth);
            syllable = 0.5 + 0.5 * Math.Sin(2 * Math.PI * 3.5 * i / Rate + Math.Sin(2 * Math.PI * 0.7 * i / Rate));
            if (random.NextDouble() < 3.0 / Rate)
                hit = 1;
            hit *= 1 - 25.0 / Rate;
            samples[i] = (float)(
                kind switch
                {
                    // A disc grinds once a turn.
                    1 => 0.2 * (Math.Sin(phase * 3) + Math.Sin(phase * 7) * 0.6) + 0.5 * white * Math.Pow(0.5 + 0.5 * Math.Sin(phase), 2),
                    2 => syllable
                        * syllable
                        * (0.25 * (Math.Sin(phase) + 0.6 * Math.Sin(2 * phase) + 0.4 * Math.Sin(5 * phase)) + 0.3 * smooth),
                    3 => 0.4 * Math.Sin(phase * 4),
                    4 => 0.7 * hit * Math.Sin(phase * 12),
                    _ => 0.002 * white,
                }
            );
        }
        ArcSound.AddShop(samples, Rate, kind == 0 ? -40 : 15 * random.NextDouble() + 5, seed);
        Record(samples, seed);
        return new Waveform(Rate, samples);
    }

    // Microphones and places differ: one hears less above than another, and one is turned up further.
    private static void Record(float[] samples, int seed)
    {
        var random = new Xoshiro256StarStar(seed ^ 0x1CE, threadSafe: false);
        var upTo = 4500 * Math.Pow(4, random.NextDouble());
        var keep = (float)(1 - Math.Exp(-2 * Math.PI * upTo / Rate));
        var gain = (float)Math.Pow(10, -1.3 * random.NextDouble());
        float heard = 0;
        for (var i = 0; i < samples.Length; i++)
        {
            heard += keep * (samples[i] - heard);
            samples[i] = gain * heard;
        }
    }

    private static ArcSetting Draw(Sound sound, Xoshiro256StarStar random)
    {
        // A long soft arc is the sound of spray, too.
        if (sound == Sound.Hiss && random.NextDouble() < 0.25)
        {
            var sprayWire = random.NextDouble() < 0.5 ? Wire.Solid09 : Wire.Solid12;
            var range = sprayWire.Facts().RangeIn(Process.GmawSpray)!;
            var amps = Current.FromAmps(range.UsualLow.Amps * (1.05 + 0.35 * random.NextDouble()));
            var spray = new WireArc(Process.GmawSpray, sprayWire, Gas.ArgonCarbon10);
            var feed = BurnOff.WireFeedFor(amps, spray);
            return At(spray, feed, SmoothBand.At(feed, spray).Aim.Volts + 1 + 2 * random.NextDouble(), 17, []);
        }
        var wire = Wires[random.Next(Wires.Length)];
        var gas = Gases[random.Next(Gases.Length)];
        var dip = wire.Facts().RangeIn(Process.GmawShortCircuit)!;
        var arc = new WireArc(Process.GmawShortCircuit, wire, gas);
        var current = dip.UsualLow.Amps + (0.15 + 0.75 * random.NextDouble()) * (dip.UsualHigh.Amps - dip.UsualLow.Amps);
        var wireFeed = BurnOff.WireFeedFor(Current.FromAmps(current), arc);
        var (from, to) = Volts[sound];
        var volts = SmoothBand.At(wireFeed, arc).Aim.Volts + from + (to - from) * random.NextDouble();
        IReadOnlyList<ArcFault> faults = sound == Sound.Sputter ? [random.NextDouble() < 0.5 ? ArcFault.GasLost : ArcFault.Scale] : [];
        return At(arc, wireFeed, volts, 8 + 5 * random.NextDouble(), faults, 0.15 + 0.25 * random.NextDouble());
    }

    private static ArcSetting At(
        WireArc arc,
        WireFeedSpeed feed,
        double volts,
        double stickOut,
        IReadOnlyList<ArcFault> faults,
        double inductance = 0.25
    ) =>
        new(
            arc.Process,
            arc.Wire,
            arc.Gas,
            feed,
            Voltage.FromVolts(volts),
            Length.FromMm(stickOut),
            TravelSpeed.FromMmPerMin(300),
            Length.FromMm(3),
            InductanceMh: inductance,
            Faults: faults
        );
}
