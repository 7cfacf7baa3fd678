using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Safety;
using GentleBead.Core.Stock;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Sheets;

/// <summary>From a job to a settings sheet. Pure: the same job, machine, way of setting and chart give the same sheet.</summary>
public static class Planner
{
    /// <summary>Makes the sheet for a job, in the marks of a machine when one is given.</summary>
    /// <param name="job">What is to be welded, and with what.</param>
    /// <param name="machine">The booth's machine; null for a sheet without marks.</param>
    /// <param name="way">The instructor's way of setting; null for <see cref="WayOfSetting.Usual"/>.</param>
    /// <param name="chart">The machine's door chart for this wire, gas and process; null where there is none.</param>
    /// <param name="window">What this room has found for this wire, gas and process on the machine; null where nothing was.</param>
    /// <param name="hand">The hand that will hold the torch; null where nobody said.</param>
    public static SheetOutcome Plan(
        Job job,
        Machine? machine = null,
        WayOfSetting? way = null,
        DoorChart? chart = null,
        LearnedWindow? window = null,
        Hand? hand = null
    )
    {
        if (job.CheckThickness() is { } outside)
            return outside;
        if (Combinations.Refused(job) is { } refused)
            return refused;
        if (machine?.CannotDo(job.Process) is { } cannot)
            return new Refusal(JobPart.Process, cannot, RefusedFor.Machine);

        var at = SetUp.Of(job, machine, way, chart, window, hand);
        return job.Wire is { } wire ? ForWire(job, wire.Facts(), at) : ForTungsten(job, at);
    }

    private static SheetOutcome ForWire(Job job, WireFacts wire, SetUp at)
    {
        var all = new Gathered();
        all.Heed(Combinations.Cautions(job));
        var wanted = all.Take(Amperes.Wanted(job, at.Way));
        var carried = CarriedAmps.For(job, wire, wanted);
        if ((carried.Refused ?? TooMuchFor(at.Machine, carried.Value)) is { } tooMuch)
            return tooMuch;
        var amps = all.Take(carried);
        if (at.NoMarks is { } problem)
            all.Heed([Marks.NoMarks(at.Machine!, problem)]);

        var found = all.Take(Pairs.For(job, amps, at));
        var marks = Marks.For(found, job.RequireArc(), at);
        if (marks.Refused is { } tooSlow)
            return tooSlow;
        var pair = PairOf(job, found, all.Take(marks), all.Take(Surroundings.StickOut(job, wire)), at);
        pair = pair with { Reads = all.Take(AmpsToRead.Of(job, found, pair.StickOut)) };

        var size = all.Take(BeadSizes.For(job));
        var passes = all.Take(
            Passes.For(job, size.AreaMm2, wire.AreaMm2, Deposit.Mm3PerMin(pair.WireFeed, wire.Wire, job.Process.Facts().DepositShare))
        );
        var pace = Pace.For(job, wire, pair.WireFeed, passes);
        if (pace.Refused is { } tooFast)
            return tooFast;
        var weld = new Weld(found.Amps, wanted, size.Size, passes, all.Take(pace), pair, null);
        return SheetOf(job, at, weld, all, OtherWays.Of(job, at, wanted, amps, found));
    }

    private static SheetOutcome ForTungsten(Job job, SetUp at)
    {
        var all = new Gathered();
        all.Heed(Combinations.Cautions(job));
        var wanted = all.Take(Amperes.Wanted(job, at.Way));
        var amps = all.Take(CarriedAmps.OnThePedal(wanted));
        if (TooMuchFor(at.Machine, amps) is { } tooMuch)
            return tooMuch;

        var settings = TigRules.Settings(job, amps);
        if (settings.Refused is { } noTungsten)
            return noTungsten;
        var tig = all.Take(settings);
        tig = tig with { Mark = all.Take(Marks.For(tig.PedalMost, at.Machine)) };

        var size = all.Take(BeadSizes.For(job));
        var passes = all.Take(Passes.For(job, size.AreaMm2, Math.PI / 4 * tig.Filler.Mm * tig.Filler.Mm));
        var weld = new Weld(amps, wanted, size.Size, passes, all.Take(Pace.ForTig(job)), null, tig);
        return SheetOf(job, at, weld, all, OtherWays.Of(job, at, wanted, amps, null));
    }

    // A machine that gives far less than the joint asks for.
    private static Refusal? TooMuchFor(Machine? machine, Current amps) =>
        machine?.Rating is { } limit && amps * Amperes.LeastShare > limit.MostAmps
            ? new Refusal(
                JobPart.Thickness,
                Say($"{machine.Name.Name()} gives {limit.MostAmps} at the most; this job asks for {amps}."),
                RefusedFor.Machine
            )
            : null;

    private static PairSettings PairOf(Job job, FoundPair found, MachineMarks? marks, Window<Length> stickOut, SetUp at)
    {
        var arc = job.RequireArc();
        var band = Band.Of(arc);
        return new PairSettings
        {
            WireFeed = found.WireFeed,
            Volts = found.Volts,
            VoltsAreSet = !job.Process.Facts().VoltsByProgram,
            StickOut = stickOut,
            Inductance = SheetWords.Inductance(job, at.Machine),
            Marks = marks,
            Band = band,
            Learned = Pairs.Speaks(at.Window, arc)
                ? new LearnedPair(at.Window!.At(found.WireFeed), at.Window.SureVolts(found.WireFeed), at.Window.Sweeps, at.Window.Beads)
                : null,
            LearnedBand = Band.Learned(at.Window, arc, band),
            Chart = found.Chart ?? at.ChartPairFor(job),
        };
    }

    // What the steps before found; the rest of the sheet follows from it.
    private sealed record Weld(
        Current Amps,
        Current JointAmps,
        Window<Length> Size,
        PassPlan Passes,
        TorchPace Pace,
        PairSettings? Pair,
        TigSettings? Tig
    );

    private static Sheet SheetOf(Job job, SetUp at, Weld weld, Gathered all, IReadOnlyList<OtherWay> otherWays)
    {
        var gasFlow = all.Take(Surroundings.GasFlow(job));
        var heat = all.Take(Surroundings.Heat(job, weld.Pair?.Volts.Aim, weld.Amps, weld.Pace.Travel));
        var shade = all.Take(Surroundings.LensShadeFor(job, weld.Amps));
        var angles = all.Take(Surroundings.Angles(job));
        var duty = all.Take(Surroundings.Duty(at.Machine, weld.Amps));
        all.Heed(Surroundings.OfTheMachine(job, at.Machine));
        all.Heed(UsualCautions.For(job));
        var (process, program) = (job.Process.Facts(), at.Machine?.ProgramFor(job)?.Number);
        return new Sheet
        {
            Job = job,
            ProcessName = process.NameUnder(job.Gas.Facts()),
            PositionName = job.Joint.Facts().PositionName(job.Position),
            Polarity = process.Polarity,
            Amps = weld.Amps,
            JointAmps = weld.JointAmps,
            Pair = weld.Pair,
            Tig = weld.Tig,
            GasFlow = gasFlow,
            Travel = weld.Pace.Travel,
            PlugSeconds = weld.Pace.PlugSeconds,
            BeadSize = weld.Size,
            BeadMeasure = job.Joint.Facts().Measure,
            Passes = weld.Passes,
            WorkAngle = angles.Work,
            TravelAngle = angles.Travel,
            Direction = SheetWords.Direction(job, at.Way, at.Hand),
            Motion = SheetWords.Motion(job, at.Way),
            ShadeLeast = shade.Least,
            ShadeComfortable = shade.Comfortable,
            HeatInputEn = heat.En,
            HeatInputAws = heat.Aws,
            DutyPercent = duty,
            ExpectedSound = process.Sound,
            ExpectedLook = SheetWords.Look(job),
            Program = program,
            Steps = weld.Tig is { } tig
                ? SheetSteps.ForTungsten(job, weld.Amps, tig, gasFlow)
                : SheetSteps.ForWire(job, at.Way, weld.Pair!, gasFlow, program),
            Way = at.Way,
            OtherWays = otherWays,
            Mismatches = at.Machine is null ? [] : Mismatches.Of(job, at.Machine, weld.Tig?.Tungsten),
            Cautions = all.Cautions,
            Reasons = all.Reasons,
            RulesVersion = Edition.Number,
        };
    }
}
