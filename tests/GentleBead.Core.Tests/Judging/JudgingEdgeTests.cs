using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Tests.Judging;

/// <summary>Where the limits of what counts as a sign lie. Common practice, no source, where no other is named.</summary>
public class JudgingEdgeTests
{
    private static readonly Sheet T = Room.Sheet(machine: Room.Digital);
    private static readonly Settings OnSheet = new(T.Pair!.WireFeed, T.Pair.Volts.Aim);

    private static IReadOnlySet<Sign> Of(Evidence evidence) => Signs.Of(T, Room.Digital, OnSheet, evidence);

    // Two slight signs say as much as one plain one, and a strong one as much as a plain and a slight one.
    [Fact]
    public void Slight_plain_and_strong_add_up()
    {
        double Counts(Strength strength) =>
            Signs.Counted(
                new FedBead(
                    T,
                    Room.Digital,
                    OnSheet,
                    new(Toes: Toes.Cold, Strengths: new Dictionary<Noted, Strength> { [Noted.Toes] = strength })
                )
            )[Sign.ToesCold];
        Assert.Equal(Counts(Strength.Plain), 2 * Counts(Strength.Slight));
        Assert.Equal(Counts(Strength.Strong), Counts(Strength.Plain) + Counts(Strength.Slight));
    }

    // The table's own word weighs twenty beads. Ten of ten beads with one cause, of two equally likely before: (10 + 10) / 30.
    [Fact]
    public void Ten_beads_alike_make_an_even_chance_two_thirds()
    {
        CauseRow[] two =
        [
            Causes.Table.First(row => row.Cause == Cause.StickOutLong) with
            {
                Prior = 0.1,
            },
            Causes.Table.First(row => row.Cause == Cause.TravelSlow) with
            {
                Prior = 0.1,
            },
        ];
        Assert.Equal(2.0 / 3, Habits.Priors(two, [.. Enumerable.Repeat(Cause.StickOutLong, 10)], [])[Cause.StickOutLong], 1e-12);
        // The eleventh back no longer counts.
        Cause[] eleven = [.. Enumerable.Repeat(Cause.TravelSlow, 10), Cause.StickOutLong];
        Assert.Equal(1.0 / 3, Habits.Priors(two, eleven, [])[Cause.StickOutLong], 1e-12);
    }

    // 1/8 in is 3.175 mm: a twentieth of it, 0.16 mm past the root, bites; less lies on it.
    [Theory]
    [InlineData(0.17, true)]
    [InlineData(0.15, false)]
    [InlineData(0, false)]
    public void Fusion_a_twentieth_of_the_plate_past_the_root_bites(double mm, bool bites)
    {
        var signs = Of(new(Macro: Section(root: mm)));
        Assert.Equal(bites, signs.Contains(Sign.RootFused));
        Assert.Equal(!bites, signs.Contains(Sign.RootShort));
    }

    [Theory]
    [InlineData(0.3, false)]
    [InlineData(0.35, true)]
    public void An_unfused_line_longer_than_a_third_of_a_millimetre_is_one(double mm, bool unfused) =>
        Assert.Equal(unfused, Of(new(Macro: Section(unfused: mm))).Contains(Sign.SideUnfused));

    private static MacroMeasures Section(double root = 0.5, double unfused = 0) =>
        new(
            Length.FromMm(4),
            Length.FromMm(4),
            Length.FromMm(2.8),
            Length.FromMm(5.6),
            Length.FromMm(0.3),
            Length.FromMm(root),
            Length.FromMm(0.5),
            Length.FromMm(0.5),
            Length.FromMm(unfused)
        );

    // A hand keeps a pace to about a tenth: that is still the sheet's; a third off is not.
    [Theory]
    [InlineData(1.05, Sign.TravelOn)]
    [InlineData(0.95, Sign.TravelOn)]
    [InlineData(1.4, Sign.TravelOver)]
    [InlineData(0.6, Sign.TravelUnder)]
    public void Measured_pace_against_the_sheets(double share, Sign sign)
    {
        var seconds = 60 * 100 / (T.Travel!.Value.MmPerMin * share);
        Assert.Contains(sign, Of(new(Measured: new(BeadLength: Length.FromMm(100), ArcSeconds: seconds))));
    }
}
