using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Tests.Windows;

/// <summary>A made-up machine whose band lies beside the textbook's, found again from noisy sweeps and beads.</summary>
public class LearnedWindowTests
{
    private static readonly WireArc Arc = WireArc.Dip(Wire.Solid08);
    private static readonly WireFeedSpeed Least = WireFeedSpeed.FromInPerMin(80);
    private static readonly WireFeedSpeed Most = WireFeedSpeed.FromInPerMin(450);

    // The truth: its edges in volts at a wire feed speed.
    private static double Low(WireFeedSpeed wire) => SmoothBand.At(wire, Arc).Low.Volts + 0.9 + 0.8 * (wire.InPerMin / 240 - 1);

    private static double High(WireFeedSpeed wire) => SmoothBand.At(wire, Arc).High.Volts + 1.6 + 0.8 * (wire.InPerMin / 240 - 1);

    // Where these volts cross an edge, by halving.
    private static WireFeedSpeed Crossing(Func<WireFeedSpeed, double> edge, double volts)
    {
        var (low, high) = (10.0, 900.0);
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            if (edge(WireFeedSpeed.FromInPerMin(middle)) < volts)
                low = middle;
            else
                high = middle;
        }
        return WireFeedSpeed.FromInPerMin(low);
    }

    private static List<WindowPoint> Sweeps(int seed, IEnumerable<double> volts, double noiseInPerMin)
    {
        var random = new Random(seed);
        var points = new List<WindowPoint>();
        foreach (var held in volts)
        {
            foreach (
                var (edge, heard) in new[] { ((Func<WireFeedSpeed, double>)High, BandEvidence.TopEdge), (Low, BandEvidence.BottomEdge) }
            )
            {
                var wire = Crossing(edge, held).InPerMin + noiseInPerMin * Normal(random);
                if (wire > 60)
                    points.Add(new(WireFeedSpeed.FromInPerMin(wire), Voltage.FromVolts(held), heard));
            }
        }
        return points;
    }

    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());

    [Fact]
    public void A_known_band_is_found_again_within_five_per_cent_and_it_says_how_sure_it_is()
    {
        double[] held = [17, 17.5, 18, 18.5, 19, 19.5, 20, 20.5, 21, 21.5, 22];
        var (inside, all) = (0, 0);
        for (var seed = 1; seed <= 40; seed++)
        {
            var window = LearnedWindow.Fit(Arc, Sweeps(seed, held.Concat(held), 6));
            foreach (var volts in new[] { 18.5, 20, 21.5 })
            {
                var band = window.WireBand(Voltage.FromVolts(volts), Least, Most)!.Value;
                Assert.Equal(1, band.From / Crossing(High, volts), 0.05);
                Assert.Equal(1, band.To / Crossing(Low, volts), 0.05);
            }
            // Its own word on how sure it is holds: two standard deviations cover nearly always, and are not idly wide.
            foreach (var wire in new[] { 180, 240, 300 }.Select(inches => WireFeedSpeed.FromInPerMin(inches)))
            {
                var sure = window.SureVolts(wire);
                Assert.InRange(sure, 0.02, 0.35);
                all += 2;
                if (Math.Abs(window.At(wire).Low.Volts - Low(wire)) <= 2 * sure)
                    inside++;
                if (Math.Abs(window.At(wire).High.Volts - High(wire)) <= 2 * sure)
                    inside++;
            }
            Assert.InRange(window.Weight(), 0.9, 1);
        }
        Assert.True(inside >= 0.9 * all, $"{inside} of {all}");
    }

    [Fact]
    public void Nothing_heard_is_the_textbook_and_evidence_moves_it_by_as_much_as_there_is()
    {
        var nothing = LearnedWindow.Fit(Arc, []);
        var wire = WireFeedSpeed.FromInPerMin(240);
        Assert.Equal(SmoothBand.At(wire, Arc).Aim.Volts, nothing.At(wire).Aim.Volts, 1e-9);
        Assert.Equal(0, nothing.Weight(), 1e-9);
        var truth = (Low(wire) + High(wire)) / 2;
        var before = Math.Abs(nothing.At(wire).Aim.Volts - truth);
        var weight = 0.0;
        foreach (var count in new[] { 1, 2, 4, 8 })
        {
            var window = LearnedWindow.Fit(Arc, Sweeps(5, Enumerable.Range(0, count).Select(i => 18 + 4.0 * (i + 0.5) / count), 3));
            var off = Math.Abs(window.At(wire).Aim.Volts - truth);
            Assert.True(off <= before + 0.15 && window.Weight() > weight, $"{count} sweeps: {off:0.00} V off, {window.Weight():0.00}");
            (before, weight) = (Math.Min(before, off), window.Weight());
        }
        Assert.True(before < 0.25);
    }

    [Fact]
    public void Beads_alone_find_it_too_more_slowly()
    {
        var random = new Random(3);
        var beads = Enumerable
            .Range(0, 120)
            .Select(_ =>
            {
                var wire = WireFeedSpeed.FromInPerMin(160 + 180 * random.NextDouble());
                var volts = SmoothBand.At(wire, Arc).Aim.Volts + 6 * (random.NextDouble() - 0.4);
                var heard =
                    volts + 0.2 * Normal(random) < Low(wire) ? BandEvidence.Under
                    : volts + 0.2 * Normal(random) > High(wire) ? BandEvidence.Over
                    : BandEvidence.Inside;
                return new WindowPoint(wire, Voltage.FromVolts(volts), heard, heard == BandEvidence.Inside);
            })
            .ToArray();
        var at = WireFeedSpeed.FromInPerMin(240);
        var truth = (Low(at) + High(at)) / 2;
        var few = LearnedWindow.Fit(Arc, [.. beads.Take(6)]);
        var many = LearnedWindow.Fit(Arc, beads);
        Assert.True(Math.Abs(many.At(at).Aim.Volts - truth) < 0.4, $"{many.At(at).Aim.Volts:0.00} for {truth:0.00}");
        Assert.True(many.SureVolts(at) < few.SureVolts(at));
        Assert.Equal((0, 120), (many.Sweeps, many.Beads));
    }

    [Fact]
    public void The_order_of_what_was_heard_is_nothing()
    {
        var points = Sweeps(9, [18, 19, 20, 21], 6)
            .Concat([
                new(WireFeedSpeed.FromInPerMin(250), Voltage.FromVolts(19), BandEvidence.Inside, true),
                new(WireFeedSpeed.FromInPerMin(250), Voltage.FromVolts(16), BandEvidence.Under),
            ])
            .ToArray();
        var shuffled = points.ToArray();
        new Random(1).Shuffle(shuffled);
        var wire = WireFeedSpeed.FromInPerMin(220);
        Assert.Equal(LearnedWindow.Fit(Arc, points).At(wire).Aim.Volts, LearnedWindow.Fit(Arc, shuffled).At(wire).Aim.Volts, 1e-9);
    }

    [Fact]
    public void A_school_that_goes_by_the_room_takes_the_learned_volts_and_says_what_stands_behind_them()
    {
        var window = LearnedWindow.Fit(Arc, Sweeps(2, [18, 19, 20, 21, 22], 5));
        var job = new Job(Thickness.Parse("1/8"), Joint.T, Position.Horizontal, Wire.Solid08);
        var room = WayOfSetting.Usual with { Pair = PairRule.LearnedFirst };
        var sheet = Assert.IsType<Sheet>(Planner.Plan(job, Room.Digital, room, window: window));
        Assert.Equal(window.At(sheet.Pair!.WireFeed).Aim, sheet.Pair.Volts.Aim);
        Assert.NotEmpty(sheet.Pair.LearnedBand);
        var why = sheet.Reasons.Single(reason => reason.Of == "volts");
        Assert.Equal(Source.Measured, why.Source);
        Assert.Contains("sweep marks", why.Working.ToString(), StringComparison.Ordinal);

        // The textbook's sheet shows it beside its own, and as a difference;
        // without evidence the room falls back on the textbook and says so.
        var textbook = Assert.IsType<Sheet>(Planner.Plan(job, Room.Digital, window: window));
        Assert.Equal(window.At(textbook.Pair!.WireFeed), textbook.Pair.Learned!.Volts);
        Assert.Equal((window.Sweeps, window.Beads), (textbook.Pair.Learned.Sweeps, textbook.Pair.Learned.Beads));
        Assert.Contains(textbook.OtherWays, difference => difference.Text.StartsWith("Room first", StringComparison.Ordinal));
        var bare = Assert.IsType<Sheet>(Planner.Plan(job, Room.Digital, room, window: LearnedWindow.Fit(Arc, [])));
        Assert.Null(bare.Pair!.Learned);
        Assert.Equal(textbook.Pair!.Volts.Aim, bare.Pair!.Volts.Aim);
        Assert.Contains(bare.Cautions, caution => caution.Text.Contains("found too little", StringComparison.Ordinal));
        // What was found with another wire says nothing here.
        Assert.DoesNotContain(
            Assert.IsType<Sheet>(Planner.Plan(job with { Wire = Wire.Solid09 }, Room.Digital, window: window)).OtherWays,
            difference => difference.Text.StartsWith("Room first", StringComparison.Ordinal)
        );
    }
}
