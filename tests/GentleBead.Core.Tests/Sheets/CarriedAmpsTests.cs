using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Sheets;

/// <summary>What a wire carries of what the plate asks for, and what is said where it is less. Common practice, no source.</summary>
public class CarriedAmpsTests
{
    private static Job Job(string plate, Wire wire, Process process = Process.GmawShortCircuit, Joint joint = Joint.BeadOnPlate) =>
        new(
            Thickness.Parse(plate),
            joint,
            Position.Flat,
            wire,
            process,
            Metal.MildSteel,
            process == Process.GmawSpray ? Gas.ArgonOxygen2
                : process == Process.FcawSelfShielded ? Gas.None
                : Gas.ArgonCarbon25
        );

    private static Sheet Planned(Job job) => Assert.IsType<Sheet>(Planner.Plan(job));

    private static Reason Amps(Sheet sheet) => sheet.Reasons.Single(reason => reason.Of == "amps");

    private static Caution? About(Sheet sheet, string says) =>
        sheet.Cautions.SingleOrDefault(caution => caution.Text.ToString().Contains(says, StringComparison.Ordinal));

    // 1/8 in asks for 125 A: 0.9 mm carries 60 to 165; 0.6 mm 125 at the most; 1.2 mm usually 100 and more.
    [Theory]
    [InlineData("1/8", Wire.Solid09, Process.GmawShortCircuit, "Current the joint asks for", Source.CommonPractice)]
    [InlineData("3/16", Wire.Solid06, Process.GmawShortCircuit, "All this wire carries", Source.CommonPractice)]
    [InlineData("20 ga", Wire.Solid12, Process.GmawShortCircuit, "The least this wire holds an arc at", Source.CommonPractice)]
    [InlineData("1/8", Wire.Solid09, Process.GmawSpray, "Where spray begins", Source.Published)]
    [InlineData("1/4", Wire.Solid09, Process.GmawSpray, "Current the joint asks for", Source.Published)]
    public void Where_the_current_comes_from_is_said(string plate, Wire wire, Process process, string rule, Source source)
    {
        var job = Job(plate, wire, process);
        var planned = Planner.Plan(job);
        if (planned is Refusal)
            planned = Planner.Plan(job with { Joint = Joint.T });
        var reason = Amps(Assert.IsType<Sheet>(planned));
        Assert.Equal((rule, source), (reason.Rule.ToString(), reason.Source));
    }

    [Fact]
    public void What_carries_the_plate_is_named_where_this_wire_does_not()
    {
        // 3/16 in asks for 188 A: of the solid wires in short circuit 1.0 mm is the first that carries nine tenths of it.
        var thin = Planned(Job("3/16", Wire.Solid06));
        var caution = About(thin, "at the most in MIG short circuit")!;
        Assert.True(caution.Grave);
        var named = Wires.All.First(row =>
            row.Kind == WireKind.SolidSteel && row.RangeIn(Process.GmawShortCircuit) is { } range && range.Most.Amps >= 188 * 0.9
        );
        Assert.Contains($"Better: {named.Name} wire.", $"{caution.Text}", StringComparison.Ordinal);
        // The thickest has nothing above it.
        var thickest = Planned(Job("1/4", Wire.SelfShielded08, Process.FcawSelfShielded));
        Assert.NotNull(About(thickest, "Better: "));
        Assert.Null(About(Planned(Job("1/8", Wire.Solid09)), "at the most in"));
    }

    [Fact]
    public void The_least_arc_on_thin_sheet_is_told_gravely_with_the_wire_that_would_do()
    {
        var sheet = Planned(Job("18 ga", Wire.Solid12));
        Assert.Equal(50, sheet.Amps.Amps, 1e-6);
        var least = About(sheet, "is the least 1.2 mm wire holds an arc at")!;
        Assert.True(least.Grave);
        Assert.Contains("Keep moving, or it burns through.", $"{least.Text}", StringComparison.Ordinal);
        Assert.Contains("Go down to", $"{least.Text}", StringComparison.Ordinal);
        Assert.Null(About(Planned(Job("18 ga", Wire.Solid08)), "is the least"));
        var spray = Planned(Job("1/8", Wire.Solid09, Process.GmawSpray, Joint.T));
        var begins = About(spray, "is the least at which this wire sprays")!;
        Assert.True(begins.Grave);
        Assert.Contains("Keep moving, or it burns through.", $"{begins.Text}", StringComparison.Ordinal);
        // 1/8 in asks for 140 A, and 0.8 mm wire sprays from 150 A; 3.5 mm asks for 154.
        Assert.DoesNotContain("Go down", $"{begins.Text}", StringComparison.Ordinal);
        var nearer = About(Planned(Job("3.5 mm", Wire.Solid09, Process.GmawSpray, Joint.T)), "is the least at which this wire sprays")!;
        Assert.Contains("Go down to 0.8 mm wire.", nearer.Text.In(Units.Metric), StringComparison.Ordinal);
    }

    [Fact]
    public void What_burns_through_is_refused_with_the_wire_that_would_do()
    {
        var refused = Assert.IsType<Refusal>(Planner.Plan(Job("22 ga", Wire.Solid12)));
        Assert.Equal(RefusedFor.BurnsThrough, refused.For);
        Assert.Contains("does not hold an arc under about 50 A", $"{refused.Message}", StringComparison.Ordinal);
        Assert.DoesNotContain("Short circuit or pulsed", $"{refused.Message}", StringComparison.Ordinal);
        Assert.Contains("Go down to 0.8 mm wire.", refused.Message.In(Units.Metric), StringComparison.Ordinal);
        var spray = Assert.IsType<Refusal>(Planner.Plan(Job("18 ga", Wire.Solid12, Process.GmawSpray)));
        Assert.Contains("Spray with 1.2 mm wire begins at 220 A", spray.Message.In(Units.Metric), StringComparison.Ordinal);
        Assert.Contains("Short circuit or pulsed.", $"{spray.Message}", StringComparison.Ordinal);
    }

    // Usually 100 A and more: at 75 it starts hard. The thinnest of a kind has none under it.
    [Fact]
    public void Under_a_wires_usual_range_it_starts_hard_and_a_thinner_runs_calmer_where_there_is_one()
    {
        var thick = About(Planned(Job("14 ga", Wire.Solid12)), "starts hard")!;
        Assert.False(thick.Grave);
        Assert.Contains("A thinner wire runs calmer.", $"{thick.Text}", StringComparison.Ordinal);
        var thinnest = Planned(Job("22 ga", Wire.SelfShielded08, Process.FcawSelfShielded, Joint.T));
        Assert.DoesNotContain("A thinner wire", $"{About(thinnest, "starts hard")?.Text}", StringComparison.Ordinal);
        Assert.Null(About(Planned(Job("1/8", Wire.Solid12)), "starts hard"));
    }

    // Past the usual top of a wire it is told gravely; 0.9 mm short circuit usually ends at 165 A or so, and runs to 185.
    [Fact]
    public void Past_a_wires_usual_top_the_next_is_named()
    {
        var range = Wire.Solid09.Facts().RangeIn(Process.GmawShortCircuit)!;
        var mm = (range.UsualHigh.Amps + range.Most.Amps) / 2 / 1000 * 25.4;
        var sheet = Planned(Job($"{mm:0.00} mm", Wire.Solid09));
        var caution = About(sheet, "is past the usual top")!;
        Assert.True(caution.Grave);
        Assert.Contains("Go up to 1.0 mm wire", caution.Text.In(Units.Metric), StringComparison.Ordinal);
    }

    [Fact]
    public void Uphill_takes_the_next_thinner_plate_and_says_so_and_past_the_rule_it_takes_passes()
    {
        string Working(Sheet sheet, string of) => sheet.Reasons.Single(reason => reason.Of == of).Working.ToString();
        var flat = Planned(Job("1/8", Wire.Solid09, joint: Joint.T));
        var uphill = Assert.IsType<Sheet>(Planner.Plan(flat.Job with { Position = Position.VerticalUp }));
        Assert.Contains("takes the settings of the next thinner plate", Working(uphill, "plateAmps"), StringComparison.Ordinal);
        Assert.DoesNotContain("thinner plate", Working(flat, "plateAmps"), StringComparison.Ordinal);
        Assert.Contains("Flat and horizontal take the same", Working(flat, "jointAmps"), StringComparison.Ordinal);
        Assert.DoesNotContain("Flat and horizontal", Working(uphill, "jointAmps"), StringComparison.Ordinal);
        Assert.Contains(
            "it takes more passes, not more amps",
            Working(Planned(Job("3/8", Wire.Solid12, joint: Joint.T)), "plateAmps"),
            StringComparison.Ordinal
        );
        Assert.DoesNotContain("more passes", Working(flat, "plateAmps"), StringComparison.Ordinal);
        var two = Planned(flat.Job with { OtherThickness = Thickness.Parse("1/4") });
        Assert.Contains("between the two, aimed at the thicker", Working(two, "plateAmps"), StringComparison.Ordinal);
    }
}
