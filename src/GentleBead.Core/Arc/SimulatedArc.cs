using GentleBead.Core.Quantities;
using MathNet.Numerics.Random;

namespace GentleBead.Core.Arc;

/// <summary>
/// An arc between a wire that is fed and a puddle, stepped sample by sample: a source and its leads, the wire melting against its
/// feed, the drop growing on it, its touch, the bridge necking off, the puddle moving. The same setting and seed give the same trace.
/// </summary>
/// <remarks>
/// The circuit is L dI/dt = U0 - R I - U, the melting Lesnewich's v = a I + b L I², the bridge necks with its capillary
/// time and the pinch of its current, the puddle is a damped spring. Where each constant comes from stands in docs/arc.md.
/// Lengths in mm and times in s inside.
/// </remarks>
public sealed class SimulatedArc
{
    /// <summary>The lowest and highest sampling rate, Hz.</summary>
    public const int LowestRate = 20_000,
        HighestRate = 50_000;

    private const double BridgeOhm = 0.011;
    private const double OutAmps = 12;

    // The most a source of a shop gives into a short, A.
    private const double MostAmps = 700;
    private const double LeastSolid = 1;

    // Share of the drop that a bridge leaves hanging on the wire.
    private const double LeftOnWire = 0.12;

    // The puddle: a spring of about 75 Hz, damped; pushed down by the arc and the bursting bridge, shaken all the time.
    private const double PuddleOmega = 2 * Math.PI * 75,
        PuddleDamping = 0.25,
        PuddleRms = 0.26,
        PuddleKick = 0.0022;
    private const double Immersed = 0.06;
    private static readonly double PuddleShake = PuddleRms * Math.Sqrt(12 * 4 * PuddleDamping * Math.Pow(PuddleOmega, 3));

    private readonly ArcConstants constants;
    private readonly Xoshiro256StarStar random;
    private readonly double step;
    private readonly PulsedSource? pulse;
    private readonly double fallNoise,
        shake,
        fallNoiseKeep,
        scale,
        worn,
        detach;
    private readonly double wander,
        stickOutAtRest;
    private readonly double inductance;

    private double volts,
        openVolts,
        feed,
        stickOut;
    private State state = State.Arc;
    private double amps,
        gap,
        drop,
        hang,
        puddle,
        puddleSpeed,
        neck,
        action,
        noise,
        patch,
        contact,
        age,
        began,
        peak,
        carried,
        luck;
    private long samples;

    private enum State
    {
        Arc,
        Bridge,
        Stuck,
        Out,
    }

    /// <summary>Sets up an arc that burns already.</summary>
    /// <param name="setting">How it is set.</param>
    /// <param name="rate">Samples a second; 20,000 to 50,000.</param>
    /// <param name="seed">Of its chance.</param>
    /// <exception cref="ArgumentOutOfRangeException">For TIG, or a value outside its range.</exception>
    public SimulatedArc(ArcSetting setting, int rate, int seed)
    {
        ArgumentNullException.ThrowIfNull(setting);
        ArgumentOutOfRangeException.ThrowIfLessThan(rate, LowestRate);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(rate, HighestRate);
        if (setting.Amps is not null && setting.Wire is null)
            throw new ArgumentOutOfRangeException(nameof(setting), "A TIG arc feeds no wire.");
        setting.Checked();
        Setting = setting;
        Rate = rate;
        step = 1.0 / rate;
        random = new Xoshiro256StarStar(seed, threadSafe: false);
        constants = ArcConstants.Of(setting);
        var lost = setting.Faults.Contains(ArcFault.GasLost);
        var wrong = setting.Faults.Contains(ArcFault.WrongPolarity);
        scale = setting.Faults.Contains(ArcFault.Scale) ? 1 : 0;
        worn = setting.Faults.Contains(ArcFault.WornTip) ? 1 : 0;
        shake =
            PuddleShake
            * Math.Sqrt(step)
            * constants.Restless
            * (
                lost ? 2.4
                : wrong ? 1.8
                : 1
            );
        fallNoise =
            (
                lost ? 3.6
                : wrong ? 1.6
                : 0.35
            ) * Math.Sqrt(3 * 2 * step / 0.0012);
        fallNoiseKeep = 1 - step / 0.0012;
        detach = wrong ? 2 : 1;
        inductance = setting.InductanceMh * 1e-3;
        wander = setting.Wander?.Mm ?? 0;
        stickOutAtRest = stickOut = setting.StickOut.Mm;
        pulse = setting.Process == Stock.Process.GmawPulsed ? new PulsedSource(setting, constants) : null;
        Turn(setting.WireFeed, setting.Volts);
        amps = ExpectedAmps();
        drop = 0.2 * constants.Area * constants.Diameter;
        gap = 2 + hang;
    }

    /// <summary>How it was set up.</summary>
    public ArcSetting Setting { get; }

    /// <summary>Samples a second.</summary>
    public int Rate { get; }

    /// <summary>How long it has burned, s.</summary>
    public double Seconds => samples * step;

    /// <summary>Turns the controls while it burns.</summary>
    public void Turn(WireFeedSpeed wireFeed, Voltage volts)
    {
        feed = wireFeed.MPerMin * 1000 / 60;
        // The read-out's volts stand at the terminals at the current this wire draws; the source droops from above that.
        this.volts = volts.Volts;
        openVolts = volts.Volts + ArcConstants.SourceOhm * ExpectedAmps();
    }

    /// <summary>
    /// Runs on: one sample of volts and amps after the other. Nothing is allocated while <paramref name="events"/> has room.
    /// </summary>
    /// <param name="volts">Volts at the terminals; as long as <paramref name="amps"/>.</param>
    /// <param name="amps">Amps.</param>
    /// <param name="events">Where to write what happened; null for nowhere.</param>
    public void Run(Span<float> volts, Span<float> amps, List<ArcEvent>? events = null)
    {
        if (volts.Length != amps.Length)
            throw new ArgumentException("As many volts as amps.", nameof(amps));
        for (var i = 0; i < volts.Length; i++)
        {
            if (wander > 0)
                Wander();
            volts[i] = (float)Step(events);
            amps[i] = (float)this.amps;
            samples++;
        }
    }

    // The current at which this wire's melting keeps up with its feed (Lesnewich, at this stick-out).
    private double ExpectedAmps()
    {
        var heated = constants.MeltB * stickOutAtRest;
        return 2 * feed / (constants.MeltA + Math.Sqrt(constants.MeltA * constants.MeltA + 4 * heated * feed));
    }

    private void Wander()
    {
        var at = stickOutAtRest + wander * Math.Sin(2 * Math.PI * 0.5 * samples * step);
        gap += at - stickOut;
        stickOut = at;
    }

    private double Step(List<ArcEvent>? events)
    {
        // Shaking of arc and puddle; scale on the plate, and a worn tip, come in patches of some milliseconds.
        noise = noise * fallNoiseKeep + fallNoise * (random.NextDouble() - 0.5);
        var shaken = shake * (random.NextDouble() - 0.5);
        puddleSpeed += step * (-PuddleOmega * PuddleOmega * puddle - 2 * PuddleDamping * PuddleOmega * puddleSpeed) + shaken;
        puddle += step * puddleSpeed;
        if (scale + worn > 0)
            Patches();

        var solid = stickOut - gap;
        var heating = constants.MeltB * solid * amps * amps;
        var loop = ArcConstants.LeadOhm + constants.OhmPerMm * solid + contact;
        var across = state switch
        {
            State.Arc => Burn(heating, events),
            State.Bridge => Neck(heating, events),
            State.Stuck => Fuse(events),
            _ => Feed(events),
        };

        if (state == State.Out)
            return openVolts;
        if (pulse is not null && state == State.Arc)
            amps += step / PulsedSource.Rise * (pulse.Amps(samples * step, step * (volts - across - loop * amps)) - amps);
        else
            amps += step / inductance * (openVolts - ArcConstants.SourceOhm * amps - loop * amps - across);
        if (amps < OutAmps && state == State.Arc)
        {
            amps = 0;
            state = State.Out;
            (began, age) = (samples * step, 0);
        }
        amps = Math.Clamp(amps, 0, MostAmps);
        return across + loop * amps;
    }

    // The arc burns: wire melts and comes on, a drop grows; gives the volts across.
    private double Burn(double heating, List<ArcEvent>? events)
    {
        var melting = constants.MeltA * amps + heating;
        // Burnt back as far as the tip the wire melts no further than it comes.
        gap = Math.Min(gap + step * (melting - feed), stickOut - LeastSolid);
        drop += step * melting * constants.Area;
        hang = Hanging(drop);
        var length = gap - hang - puddle;
        if (length <= 0)
        {
            Touch();
            return BridgeOhm * amps;
        }
        var across = constants.Fall + constants.ArcOhm * amps + constants.VoltsPerMm * length + noise + patch;
        if (drop > Falls())
            Fall(events);
        return across;
    }

    // The drop bridges to the puddle: surface tension draws it in, the pinch of the current necks it; a big one takes longer.
    private double Neck(double heating, List<ArcEvent>? events)
    {
        gap += step * (heating - feed);
        age += step;
        peak = Math.Max(peak, amps);
        var pinch = amps / constants.PinchAmps;
        neck += step / (constants.Neck * Math.Sqrt(Math.Max(carried, 0.02)) * luck) * (1 + pinch * pinch);
        var across = (BridgeOhm + 0.03 * neck * neck * neck) * amps;
        if (neck >= 1)
            Burst(ArcEventKind.Short, events);
        else if (gap - puddle <= Immersed * constants.Diameter)
            state = State.Stuck;
        return across;
    }

    // The wire stands in the puddle: it burns off like a fuse, or pushes the torch back meanwhile.
    private double Fuse(List<ArcEvent>? events)
    {
        gap = puddle + Immersed * constants.Diameter;
        age += step;
        peak = Math.Max(peak, amps);
        action += step * amps * amps;
        var across = BridgeOhm * amps;
        if (action > constants.FuseAction)
            Burst(ArcEventKind.Stub, events);
        return across;
    }

    // Out: the wire comes on cold until it touches.
    private double Feed(List<ArcEvent>? events)
    {
        gap -= step * feed;
        age += step;
        if (gap - hang - puddle <= 0)
        {
            events?.Add(new(ArcEventKind.Out, began, age, 0, 0));
            Touch();
        }
        return openVolts;
    }

    private double Hanging(double volume)
    {
        var asRod = volume / constants.Area;
        return asRod < 0.55 * constants.Diameter
            ? asRod
            : Math.Max(0.55 * constants.Diameter, 0.92 * Math.Cbrt(6 / Math.PI * volume) - 0.1 * constants.Diameter);
    }

    // The arc's own force takes the drop off the sooner the nearer the current is to spray; past that, drops of the wire's own size.
    private double Falls()
    {
        var force = amps / constants.SprayAmps;
        return Math.Max(constants.SmallDrop, constants.FreeDrop * detach * (1 - force * force));
    }

    private void Touch()
    {
        state = State.Bridge;
        (began, age, neck, action, peak, carried) = (samples * step, 0, 0, 0, amps, drop);
        luck = 0.7 + 0.6 * random.NextDouble();
    }

    private void Fall(List<ArcEvent>? events)
    {
        events?.Add(new(ArcEventKind.Drop, samples * step, 0, amps, drop));
        puddleSpeed += 12 * Math.Sqrt(drop) * (0.7 + 0.6 * random.NextDouble());
        drop *= LeftOnWire;
        hang = Hanging(drop);
    }

    private void Burst(ArcEventKind kind, List<ArcEvent>? events)
    {
        events?.Add(new(kind, began, age, peak, carried));
        // The relit arc blows the puddle down, and where a wire burst, a piece of it is gone.
        puddleSpeed -= PuddleKick * amps * amps;
        drop = LeftOnWire * (0.5 + random.NextDouble()) * carried;
        if (kind == ArcEventKind.Stub)
        {
            drop = 0.1;
            gap += constants.Diameter * (1.5 + 2.5 * random.NextDouble());
        }
        hang = Hanging(drop);
        state = State.Arc;
    }

    private void Patches()
    {
        if (random.NextDouble() < step / 0.012)
        {
            patch = scale * 6 * Math.Max(0, random.NextDouble() - 0.35);
            contact = worn * 0.09 * Math.Max(0, random.NextDouble() - 0.4);
        }
    }
}
