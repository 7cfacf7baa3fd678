using GentleBead.Core.Arc;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Bench.Judging;

/// <summary>A bead laid in a booth as it stands: the simulated arc makes it, its fault leaves its tells, and a person notes it, not all
/// of it and not always right.</summary>
internal static class Laid
{
    private const int Rate = 20_000;
    private const double Seconds = 2;

    // What is noted of what there is to see, what is measured, and how often the eye is wrong.
    private const double Noticed = 0.85,
        Measured = 0.3,
        Mistaken = 0.04;

    // Penetration past the root of a right bead, as a share of the thinner plate. Common practice, no source.
    private const double RightRoot = 0.25;

    // A fault leaves at least so many of its tells.
    private const int LeastTells = 2;

    private static readonly Dictionary<Cause, ArcFault> Simulated = new()
    {
        [Cause.GasLost] = ArcFault.GasLost,
        [Cause.DirtyPlate] = ArcFault.Scale,
        [Cause.WornTip] = ArcFault.WornTip,
        [Cause.WrongPolarity] = ArcFault.WrongPolarity,
    };

    /// <summary>What is noted of the next bead; the same seed gives the same.</summary>
    /// <param name="booth">The booth.</param>
    /// <param name="seed">Of its chance.</param>
    /// <param name="noticed">How much of what there is to see is noted.</param>
    public static Evidence Bead(Booth booth, int seed, double noticed = Noticed)
    {
        var random = new Random(seed);
        var all = booth.IsTig ? Tig(booth, random) : Fed(booth, random);
        all = Noted(all, booth, noticed, random);
        // What strikes the eye is noted: a bad bead on which nothing shows is no bad bead to anybody.
        var tells = Tells.Of(
            booth.IsTig && booth.Hidden is null ? TigTruth(booth) : booth.Hidden ?? Pacing(booth),
            booth.Sheet.Job.Process
        );
        var left = tells.Where(tell => random.NextDouble() < tell.Chance).ToList();
        left.AddRange(tells.Where(tell => !left.Contains(tell)).OrderByDescending(tell => tell.Chance).Take(LeastTells - left.Count));
        return left.Aggregate(all, (bead, tell) => tell.Leaves(bead));
    }

    /// <summary>Whether there is anything to be seen or heard that is not as it should be.</summary>
    public static bool Shows(Booth booth)
    {
        var bead = booth.IsTig ? Tig(booth, new Random(1)) : Fed(booth, new Random(1));
        return Tells.Of(booth.Hidden ?? Cause.NothingWrong, booth.Sheet.Job.Process).Length > 0
            || (booth.IsTig && TigTruth(booth) != Cause.NothingWrong)
            || (bead.Sound is { } sound && Modes.SignOf(sound, booth.Sheet.Job.Process) != Sign.EvenCrackle)
            || bead.Faults.Count > 0
            || bead.Profile is not (Profile.SlightlyConvex or Profile.Flat)
            || bead.Toes != Toes.Blended
            || bead.Tint != Tint.Even
            || bead.Spatter == Spatter.Big
            || bead.Penetration is Penetration.NoneSeen or Penetration.BackMark
            || Pacing(booth) != Cause.NothingWrong;
    }

    /// <summary>The same with all that a look can find: measured, read off, held to an ear.</summary>
    public static Evidence Looked(Booth booth, int seed)
    {
        var bead = Bead(booth, seed, 1);
        return bead with
        {
            Gas =
                booth.Sheet.Job.Gas == Gas.None
                    ? null
                    : bead.Gas ?? (booth.Hidden == Cause.GasLost ? GasAtNozzle.Nothing : GasAtNozzle.Flows),
            Tip = booth.IsTig ? null : bead.Tip ?? TipAfter.Clear,
            Start = booth.IsTig ? null : bead.Start ?? Start.Clean,
            Light = bead.Light ?? (bead.Sound is Sound.Popping or Sound.Hiss or Sound.Sputter ? ArcLight.Swelling : ArcLight.Still),
            Along = bead.Along ?? Along.Same,
            Lean = bead.Lean ?? TorchLean.AsOnSheet,
            Soot = booth.Sheet.Job.Metal == Metal.Aluminium ? Soots(booth.Hidden) : null,
            Macro = booth.Sheet.Job.Joint == Joint.BeadOnPlate ? null : Section(booth),
            StickOut =
                booth.IsTig ? null
                : booth.StickOutMm is { } mm ? Length.FromMm(mm)
                : booth.Sheet.Pair!.StickOut.Aim,
            Measured = Timed(booth, new Random(seed), booth.IsTig ? new() : new(ArcVolts: booth.VoltsReal, ArcAmps: Drawn(booth)), 1),
        };
    }

    private static Cause Pacing(Booth booth) =>
        booth.Pace > 1.25 ? Cause.TravelFast
        : booth.Pace < 0.8 ? Cause.TravelSlow
        : Cause.NothingWrong;

    private static Cause TigTruth(Booth booth) =>
        booth.AmpsShown > booth.Sheet.Amps * 1.15 ? Cause.AmpsHigh
        : booth.AmpsShown < booth.Sheet.Amps * 0.87 ? Cause.AmpsLow
        : Pacing(booth);

    private static Evidence Tig(Booth booth, Random random) =>
        new(
            Sound.EvenCrackle,
            Profile.SlightlyConvex,
            Toes.Blended,
            Tint.Even,
            null,
            Ripple.Even,
            [],
            Behind(booth, 1),
            booth.Sheet.BeadSize.Aim * (Math.Sqrt(1 / booth.Pace) * (1 + 0.05 * (random.NextDouble() - 0.5))),
            Feel: Feel.Steady,
            Plate: PlateWarmth.Cold,
            Measured: Timed(booth, random, new()),
            Tungsten: Tungsten.Pointed,
            Colour: TintColour.Silver,
            Puddle: Puddle.Clear
        );

    private static Evidence Fed(Booth booth, Random random)
    {
        // How a bead of the sheet's own settings comes out, to see this one against.
        var good = Run(booth, booth.Sheet.Pair!.WireFeed, booth.Sheet.Pair.Volts.Aim, 1, null, null);
        var trace = Run(booth, booth.WireReal, booth.VoltsReal, booth.Pace, booth.StickOutMm, booth.Hidden);
        var (bead, usual) = (SimulatedBead.From(trace), SimulatedBead.From(good));
        var high = bead.Height / bead.Width / (usual.Height / usual.Width);
        var area = booth.WireReal / booth.Sheet.Pair.WireFeed / booth.Pace;
        var depth = bead.Depth / usual.Depth;
        var sound = ArcTruth.Of(trace) ?? Between(trace);
        var undercut = bead.Shape.Undercut && !usual.Shape.Undercut;
        return new(
            sound,
            bead.BurntThrough ? Profile.Sunk
                : high > 1.3 ? (area > 1.3 ? Profile.PiledUp : Profile.TallNarrow)
                : high < 0.72
                    ? (
                        depth > 1.25 ? Profile.Sunk
                        : area < 0.7 ? Profile.Lumpy
                        : Profile.Flat
                    )
                : Profile.SlightlyConvex,
            high > 1.35 || depth < 0.65 ? Toes.Cold
                : undercut ? Toes.Undercut
                : Toes.Blended,
            bead.Tint / usual.Tint is var tint && tint < 0.78 ? Tint.Thin
                : tint > 1.3 ? Tint.Wide
                : Tint.Even,
            bead.Shape.SpatterCount > usual.Shape.SpatterCount + 3 ? Spatter.Big : Spatter.Little,
            Ripple.Even,
            bead.BurntThrough ? [Fault.Hole] : [],
            Behind(booth, depth),
            booth.Sheet.BeadSize.Aim * (Math.Sqrt(area) * (1 + 0.08 * (random.NextDouble() - 0.5))),
            random.NextDouble() < Measured
                ? booth.StickOutMm is { } mm
                    ? Length.FromMm(mm)
                    : booth.Sheet.Pair.StickOut.Aim
                : null,
            sound switch
            {
                Sound.Popping => Feel.PushedBack,
                Sound.Hiss when booth.Sheet.Job.Process.Facts().FreeFlight == false => Feel.LongArc,
                _ => Feel.Steady,
            },
            PlateWarmth.Cold,
            Timed(
                booth,
                random,
                new(
                    ArcVolts: random.NextDouble() < Measured
                        ? Voltage.FromVolts(booth.VoltsReal.Volts + 0.4 * (random.NextDouble() - 0.5))
                        : null,
                    ArcAmps: random.NextDouble() < Measured ? Drawn(booth) * (1 + 0.06 * (random.NextDouble() - 0.5)) : null
                )
            )
        );
    }

    // Soot on aluminium brushes off as long as gas and plate are right.
    private static Soot Soots(Cause? hidden) =>
        hidden is Cause.GasLost or Cause.Draught or Cause.DirtyPlate or Cause.WrongGas ? Soot.Stays : Soot.BrushesOff;

    // How deep it bites against a bead of the sheet's own settings; by the amps for TIG.
    private static double Depth(Booth booth) =>
        booth.IsTig
            ? booth.AmpsShown / booth.Sheet.Amps
            : SimulatedBead.From(Run(booth, booth.WireReal, booth.VoltsReal, booth.Pace, booth.StickOutMm, booth.Hidden)).Depth
                / SimulatedBead.From(Run(booth, booth.Sheet.Pair!.WireFeed, booth.Sheet.Pair.Volts.Aim, 1, null, null)).Depth;

    // A section of a right bead is fused past the root by a share of the thinner plate; where it bites less it lies on the root.
    private static MacroMeasures Section(Booth booth)
    {
        var size = booth.Sheet.BeadSize.Aim;
        var root = booth.Sheet.Job.Thinner * Math.Max(0, RightRoot + Depth(booth) - 1);
        return new(null, null, null, size, size * 0.1, root, null, null, Length.FromMm(0));
    }

    // On the border between two sounds an ear says one of them.
    private static Sound Between(ArcTrace trace)
    {
        var shorts = trace.Events.Where(one => one.Kind is ArcEventKind.Short or ArcEventKind.Stub).ToArray();
        return shorts.Count(one => one.Kind == ArcEventKind.Stub) / trace.Seconds > 1 ? Sound.Popping
            : shorts.Length / trace.Seconds < 1 ? Sound.Hiss
            : shorts.Length / trace.Seconds < 12 ? Sound.Rattle
            : Sound.EvenCrackle;
    }

    // What the read-out shows while this wire is fed, by the melting rate.
    private static Current Drawn(Booth booth) =>
        MeltRate.Amps(
            booth.WireReal,
            booth.StickOutMm is { } mm ? Length.FromMm(mm) : booth.Sheet.Pair!.StickOut.Aim,
            booth.Sheet.Job.Process,
            booth.Sheet.Job.Wire!.Value.Facts()
        );

    private static ArcTrace Run(Booth booth, WireFeedSpeed wire, Voltage volts, double pace, double? stickOut, Cause? hidden)
    {
        var sheet = booth.Sheet;
        var setting = new ArcSetting(
            sheet.Job.Process,
            sheet.Job.Wire,
            sheet.Job.Gas,
            WireFeedSpeed.FromMPerMin(Math.Clamp(wire.MPerMin, 0.5, 25)),
            Voltage.FromVolts(Math.Clamp(volts.Volts, 8, 45)),
            stickOut is { } mm ? Length.FromMm(Math.Clamp(mm, 3, 40)) : sheet.Pair!.StickOut.Aim,
            TravelSpeed.FromMmPerMin(Math.Clamp(sheet.Travel!.Value.MmPerMin * pace, 20, 2000)),
            sheet.Job.Thinner,
            sheet.Job.Joint,
            sheet.Job.Metal,
            Faults: hidden is { } cause && Simulated.TryGetValue(cause, out var fault) ? [fault] : []
        );
        return booth.Arcs.TryGetValue($"{setting}{hidden}", out var run)
            ? run
            : booth.Arcs[$"{setting}{hidden}"] = ArcTrace.Of(setting, Seconds, Rate, 1);
    }

    private static Penetration? Behind(Booth booth, double depth) =>
        booth.Sheet.Job.Thicker.Mm > 5 ? null
        : depth < 0.75 ? Penetration.NoneSeen
        : depth > 1.35 ? Penetration.BackMark
        : Penetration.TintBehind;

    private static Measures Timed(Booth booth, Random random, Measures measured, double chance = Measured) =>
        random.NextDouble() < chance
            ? measured with
            {
                BeadLength = Length.FromMm(100),
                ArcSeconds = 6000 / (booth.Sheet.Travel!.Value.MmPerMin * booth.Pace) * (1 + 0.06 * (random.NextDouble() - 0.5)),
            }
            : measured;

    // Each thing is noted or not, and now and then taken for another.
    private static Evidence Noted(Evidence bead, Booth booth, double noticed, Random random)
    {
        var metal = booth.Sheet.Job.Metal;
        return bead with
        {
            Sound = See(bead.Sound, noticed, random),
            Profile = See(bead.Profile, noticed, random),
            Toes = See(bead.Toes, noticed, random),
            Tint = metal == Metal.Aluminium ? null : See(bead.Tint, noticed, random),
            Spatter = booth.IsTig ? null : See(bead.Spatter, noticed, random),
            Ripple = See(bead.Ripple, noticed, random),
            Penetration = See(bead.Penetration, noticed, random),
            Feel = See(bead.Feel, noticed, random),
            Plate = See(bead.Plate, noticed, random),
            BeadSize = random.NextDouble() < (noticed < 1 ? 0.5 : 1) ? bead.BeadSize : null,
            Colour = metal is Metal.Stainless or Metal.Titanium or Metal.NickelAlloy ? See(bead.Colour, noticed, random) : null,
        };
    }

    private static T? See<T>(T? there, double noticed, Random random)
        where T : struct, Enum =>
        there is not { } seen || random.NextDouble() > noticed ? null
        : random.NextDouble() < Mistaken ? Enum.GetValues<T>()[random.Next(Enum.GetValues<T>().Length)]
        : seen;
}
