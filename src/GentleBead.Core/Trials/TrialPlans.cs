using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Trials;

/// <summary>From a sheet and a machine to a trial's beads. Steps and order: common practice, no source.</summary>
public static class TrialPlans
{
    // Far enough that nobody can miss it, near enough that an arc still burns.
    private const double FarWire = 0.4;
    private const double FarVolts = 3.5;
    private const double PairOff = 0.2;
    private const double StairReach = 4;
    private const int LeastStairs = 3;

    private static readonly WireFeedSpeed UsualWireStep = WireFeedSpeed.FromInPerMin(100);

    /// <summary>Makes a trial, or says why not and at which field.</summary>
    /// <param name="request">What is asked for.</param>
    /// <param name="sheet">The sheet it starts from.</param>
    /// <param name="machine">The machine it is welded on.</param>
    /// <param name="school">The instructor's school.</param>
    /// <param name="problem">What stands in the way, and at which field.</param>
    public static TrialPlan? Make(TrialRequest request, Sheet sheet, Machine machine, School school, out (string Field, string Message) problem)
    {
        problem = default;
        var tig = request.Kind == TrialKind.AmpsLadder;
        if (tig != (sheet.Pair is null))
        {
            problem = ("kind", tig ? "An amps ladder is for TIG; this sheet feeds wire." : "This trial turns wire and volts; a TIG sheet has an amps ladder.");
            return null;
        }
        if (request.WireStep is { } wireStep && wireStep.MPerMin is not (>= 0.1 and <= 10)) problem = ("wireStepMPerMin", "A step of 0.1 to 10 m/min (4 to 394 in/min).");
        if (request.StepVolts is { } voltStep && voltStep.Volts is not (>= 0.2 and <= 8)) problem = ("stepVolts", "A step of 0.2 to 8 V.");
        if (request is { Kind: TrialKind.OneVariable, Variable: not (Variable.Wire or Variable.Volts) }) problem = ("variable", "Wire or volts: one of the two is turned.");
        if (problem.Message is not null) return null;

        var maker = new Maker(sheet, machine);
        TrialPlan? plan = request.Kind switch
        {
            TrialKind.WireLadder => new(request.Kind, Variable.Wire, "Wire ladder", "What do too much and too little wire sound and look like, beside right?", maker.Hold("volts"),
            [
                maker.Step("Far too much wire", Variable.Wire, 1 + FarWire, 0), maker.Step("Far too little wire", Variable.Wire, 1 - FarWire, 0), maker.Step("As the sheet says", Variable.Wire, 1, 0),
            ], false),
            TrialKind.VoltLadder => new(request.Kind, Variable.Volts, "Volts ladder", "What do too many and too few volts sound and look like, beside right?", maker.Hold("wire"),
            [
                maker.Step("Far too many volts", Variable.Volts, 1, FarVolts), maker.Step("Far too few volts", Variable.Volts, 1, -FarVolts), maker.Step("As the sheet says", Variable.Volts, 1, 0),
            ], false),
            TrialKind.OneVariable => OneVariable(request, maker),
            TrialKind.Staircase => Staircase(request, maker),
            TrialKind.SetOfThree => new(request.Kind, Variable.Pair, "Set of three", "Too cold, too hot, right: three pieces side by side.", [.. maker.Hold("the way both move together"), "Each on its own cold piece."],
            [
                maker.Step("Too cold", Variable.Pair, 1 - PairOff, 0), maker.Step("Too hot", Variable.Pair, 1 + PairOff, 0), maker.Step("As the sheet says", Variable.Pair, 1, 0),
            ], false),
            TrialKind.AmpsLadder => new(request.Kind, Variable.Amps, "Amps ladder", "How does the puddle change with the amps?", maker.Hold("arc length and rod"),
                [.. new[] { 0.7, 0.85, 1, 1.15, 1.3 }.Select(share => maker.AmpsStep(share))], false),
            TrialKind.JointTransfer => Elsewhere(request.Kind, Variable.Joint, "Joint transfer", "What do the same settings do on other joints?",
                [Joint.OutsideCorner, Joint.Lap, Joint.T], joint => sheet.Job with { Joint = joint, Position = sheet.Job.Position is Position.Flat or Position.Horizontal ? sheet.Job.Position : Position.Flat }, joint => joint.Facts().Name),
            _ => Elsewhere(request.Kind, Variable.Position, "Position pair", "Do downhill and horizontal look alike at the same settings?",
                [Position.VerticalDown, Position.Horizontal], position => sheet.Job with { Position = position }, position => position.Facts().Words),
        };
        if (plan is not null)
        {
            var reached = plan.Kind == TrialKind.Staircase ? plan.Steps.Count >= LeastStairs : !maker.FellShort;
            if (reached) return plan with { Steps = [.. plan.Steps.Select((step, i) => step with { Number = i + 1 })] };
            problem = ("kind", "This machine cannot be turned far enough for this trial.");
            return null;
        }
        problem = ("kind", "These joints or positions cannot be welded with what the sheet says.");
        return null;

        TrialPlan? Elsewhere<T>(TrialKind kind, Variable variable, string title, string question, T[] all, Func<T, Job> job, Func<T, string> name)
        {
            var steps = new List<TrialStep>();
            foreach (var one in all)
            {
                if (Planner.Plan(job(one), machine, school) is not Sheet own) return null;
                steps.Add(maker.Step(Show.Sentence(name(one)), variable, 1, 0) with { Value = steps.Count + 1, Sheet = own });
            }
            return new(kind, variable, title, question, maker.Hold("both controls"), steps, false);
        }
    }

    private static TrialPlan OneVariable(TrialRequest request, Maker maker)
    {
        var wire = request.Variable == Variable.Wire;
        var feed = maker.WireFeed;
        var share = (request.WireStep ?? UsualWireStep) / feed;
        var volts = request.StepVolts?.Volts ?? 3;
        var step = wire ? $"{Show.Of(request.WireStep ?? UsualWireStep)}" : $"{Show.Number(volts, "0.#")} V";
        List<TrialStep> steps = [maker.Step("The sheet's pair", request.Variable, 1, 0)];
        // Less than a tenth of the wire burns back into the tip.
        if (request.Way != Way.Up) steps.Add(maker.Step($"{step} down", request.Variable, wire ? Math.Max(0.1, 1 - share) : 1, wire ? 0 : -volts));
        if (request.Way != Way.Down) steps.Add(maker.Step($"{step} up", request.Variable, wire ? 1 + share : 1, wire ? 0 : volts));
        if (!wire && request.Way == Way.Both) steps.Add(maker.Step("Settled: 1 V up", request.Variable, 1, 1));
        return new(TrialKind.OneVariable, request.Variable, wire ? "Wire alone" : "Volts alone", wire ? "What does the wire do on its own?" : "What do the volts do on their own?", maker.Hold(wire ? "volts" : "wire"), steps, false);
    }

    private static TrialPlan Staircase(TrialRequest request, Maker maker)
    {
        var step = request.StepVolts?.Volts ?? 1;
        var steps = new List<TrialStep>();
        for (var volts = -StairReach; volts <= StairReach + 1e-9; volts += step)
        {
            var next = maker.Step($"{Show.Number(maker.Volts + volts, "0.0")} V", Variable.Volts, 1, volts);
            // Taps are coarser than the step asked for: each is climbed once.
            if (steps.Count == 0 || next.Value > steps[^1].Value + 0.05) steps.Add(next);
        }
        return new(TrialKind.Staircase, Variable.Volts, "Voltage staircase", "From which volts to which does it run smooth at this wire?", maker.Hold("wire"),
            [.. steps.Select(one => one with { Title = $"{Show.Number(one.Value, "0.0")} V" })], true);
    }


    // A sheet's pair shifted, and put on the machine's own marks.
    private sealed class Maker
    {
        private readonly Sheet sheet;
        private readonly Machine machine;
        private readonly Dials? dials;

        public Maker(Sheet sheet, Machine machine)
        {
            (this.sheet, this.machine) = (sheet, machine);
            if (sheet.Pair is not null) Dials.TryFit(machine, out dials, out _);
        }

        /// <summary>Whether the machine could not be turned even half as far as a step asked for.</summary>
        public bool FellShort { get; private set; }

        public WireFeedSpeed WireFeed => sheet.RequirePair().WireFeed;

        public double Volts => sheet.RequirePair().Volts.Aim.Volts;

        public IReadOnlyList<string> Hold(string control)
        {
            var travel = sheet.Travel is { } pace ? $"Travel speed: {Show.Of(pace)}, timed." : "Time on each spot.";
            return
            [
                $"Hold {control}.", travel,
                sheet.Pair is { } pair ? $"Stick-out: {Show.Of(pair.StickOut.Aim)}." : "Arc length: about as long as the tungsten is thick.",
                "Plate as cold as the shop: a fresh piece, or quench and dry it between beads.", "Clean metal, the same clamp, the same angle.",
            ];
        }

        public TrialStep Step(string title, Variable variable, double wireShare, double voltsMore)
        {
            var arc = sheet.Job.RequireArc();
            var feed = WireFeed * wireShare;
            var volts = variable == Variable.Pair ? SmoothBand.At(feed, arc).Aim : Voltage.FromVolts(Math.Max(1, Volts + voltsMore));
            double? wireMark = null;
            double? voltMark = null;
            var reads = $"{Show.Of(feed)}, {Show.Of(volts)}";
            if (dials is not null)
            {
                wireMark = dials.WireMarkFor(feed).Mark;
                voltMark = dials.VoltMarkFor(volts, wireMark.Value).Mark;
                var (givenFeed, givenVolts) = (WireFeedSpeed.FromMPerMin(dials.WireFeedAt(wireMark.Value).Value), dials.VoltsAt(voltMark.Value, wireMark.Value));
                FellShort |= Math.Abs(givenFeed.MPerMin - feed.MPerMin) > Math.Abs(feed.MPerMin - WireFeed.MPerMin) / 2 + 0.3 || Math.Abs(givenVolts.Volts - volts.Volts) > Math.Abs(volts.Volts - Volts) / 2 + 1;
                (feed, volts) = (givenFeed, givenVolts);
                reads = $"wire {dials.Wire.Read(wireMark.Value)}, volts {dials.Volt.Read(voltMark.Value)}";
            }
            return new(0, title, variable == Variable.Volts ? volts.Volts : feed.MPerMin, new Settings(feed, volts), null, wireMark, voltMark, null, reads, null);
        }

        public TrialStep AmpsStep(double share)
        {
            var amps = sheet.Amps * share;
            double? mark = null;
            var reads = Show.Of(amps);
            if (machine.AmpControl is { } control && Calibration.TryFit(control, out var fitted, out _))
            {
                mark = fitted!.MarkFor(amps.Amps).Mark;
                amps = Current.FromAmps(fitted.ValueAt(mark.Value).Value);
                reads = $"amps {control.Read(mark.Value)}";
            }
            var title = share == 1 ? "The sheet's amps" : $"{Show.Number(Math.Abs(share - 1) * 100, "0")} % {(share < 1 ? "under" : "over")}";
            return new(0, title, amps.Amps, null, amps, null, null, mark, reads, null);
        }
    }
}
