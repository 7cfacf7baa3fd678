using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>
/// Limits of the published sets, each at the limit and a hundredth of a millimetre beyond. All values from memory of the named publication.
/// </summary>
public class CriteriaTests
{
    private const double Inch = 25.4;

    private static readonly Evidence Looked = new(Profile: Profile.SlightlyConvex, Toes: Toes.Blended);

    private static Sheet Fillet(double mm, Metal metal = Metal.MildSteel) =>
        Assert.IsType<Sheet>(
            Planner.Plan(
                metal == Metal.Aluminium
                    ? new Job(
                        Thickness.Parse($"{mm} mm"),
                        Joint.T,
                        Position.Flat,
                        Wire.Aluminium12,
                        Process.GmawSpray,
                        Metal.Aluminium,
                        Gas.Argon
                    )
                    : new Job(
                        Thickness.Parse($"{mm} mm"),
                        Joint.T,
                        Position.Flat,
                        Wire.Solid12,
                        mm > 4 ? Process.GmawSpray : Process.GmawShortCircuit,
                        Gas: mm > 4 ? Gas.ArgonCarbon10 : Gas.ArgonCarbon25
                    )
            )
        );

    private static Sheet Butt(double mm) =>
        Assert.IsType<Sheet>(
            Planner.Plan(
                new Job(Thickness.Parse($"{mm} mm"), Joint.VButt, Position.Flat, Wire.Solid12, Process.GmawSpray, Gas: Gas.ArgonCarbon10)
            )
        );

    private static Length Mm(double mm) => Length.FromMm(mm);

    private static Standing Stands(CriteriaSet set, Sheet sheet, Evidence evidence, Criterion criterion) =>
        Criteria.Of(set, sheet, evidence, PracticeTolerances.Usual).Criteria.Single(verdict => verdict.Criterion == criterion).Standing;

    /// <summary>At the limit right, beyond it off.</summary>
    private static void Limit(CriteriaSet set, Sheet sheet, Criterion criterion, double limit, Func<double, Evidence> found)
    {
        Assert.Equal(Standing.Right, Stands(set, sheet, found(limit), criterion));
        Assert.Equal(Standing.Off, Stands(set, sheet, found(limit + 0.01), criterion));
    }

    /// <summary>ISO 5817, undercut, t over 3 mm: 0.05 t, 0.1 t, 0.2 t, at most 0.5, 0.5, 1 mm.</summary>
    [Theory]
    [InlineData(CriteriaSet.Iso5817B, 4, 0.2)]
    [InlineData(CriteriaSet.Iso5817C, 4, 0.4)]
    [InlineData(CriteriaSet.Iso5817D, 4, 0.8)]
    [InlineData(CriteriaSet.Iso5817B, 12, 0.5)]
    [InlineData(CriteriaSet.Iso5817C, 12, 0.5)]
    [InlineData(CriteriaSet.Iso5817D, 12, 1)]
    [InlineData(CriteriaSet.Iso5817B, 5, 0.25)]
    [InlineData(CriteriaSet.Iso5817C, 5, 0.5)]
    [InlineData(CriteriaSet.Iso5817D, 5, 1)]
    [InlineData(CriteriaSet.Iso5817B, 6, 0.3)]
    [InlineData(CriteriaSet.Iso5817C, 6, 0.5)]
    [InlineData(CriteriaSet.Iso5817D, 6, 1)]
    [InlineData(CriteriaSet.Iso5817B, 8, 0.4)]
    [InlineData(CriteriaSet.Iso5817C, 8, 0.5)]
    [InlineData(CriteriaSet.Iso5817D, 8, 1)]
    [InlineData(CriteriaSet.Iso5817B, 20, 0.5)]
    [InlineData(CriteriaSet.Iso5817C, 20, 0.5)]
    [InlineData(CriteriaSet.Iso5817D, 20, 1)]
    public void Iso_5817_undercut(CriteriaSet set, double thickness, double limit) =>
        Limit(set, Fillet(thickness), Criterion.Undercut, limit, depth => Looked with { Measured = new(UndercutDepth: Mm(depth)) });

    /// <summary>ISO 5817, excess convexity of a fillet: 1 mm + 0.1 b, 0.15 b, 0.25 b, at most 3, 4, 5 mm.</summary>
    [Theory]
    [InlineData(CriteriaSet.Iso5817B, 8, 1.8)]
    [InlineData(CriteriaSet.Iso5817C, 8, 2.2)]
    [InlineData(CriteriaSet.Iso5817D, 8, 3)]
    [InlineData(CriteriaSet.Iso5817B, 30, 3)]
    [InlineData(CriteriaSet.Iso5817C, 30, 4)]
    [InlineData(CriteriaSet.Iso5817D, 30, 5)]
    [InlineData(CriteriaSet.Iso5817B, 5, 1.5)]
    [InlineData(CriteriaSet.Iso5817C, 5, 1.75)]
    [InlineData(CriteriaSet.Iso5817D, 5, 2.25)]
    [InlineData(CriteriaSet.Iso5817B, 12, 2.2)]
    [InlineData(CriteriaSet.Iso5817C, 12, 2.8)]
    [InlineData(CriteriaSet.Iso5817D, 12, 4)]
    [InlineData(CriteriaSet.Iso5817B, 16, 2.6)]
    [InlineData(CriteriaSet.Iso5817C, 16, 3.4)]
    [InlineData(CriteriaSet.Iso5817D, 16, 5)]
    [InlineData(CriteriaSet.Iso5817B, 24, 3)]
    [InlineData(CriteriaSet.Iso5817C, 24, 4)]
    [InlineData(CriteriaSet.Iso5817D, 24, 5)]
    public void Iso_5817_convexity(CriteriaSet set, double width, double limit) =>
        Limit(set, Fillet(8), Criterion.Convexity, limit, crown => Looked with { Measured = new(Width: Mm(width), Crown: Mm(crown)) });

    /// <summary>ISO 5817, excess weld metal of a butt: 1 mm + 0.1 b, 0.15 b, 0.25 b, at most 5, 7, 10 mm.</summary>
    [Theory]
    [InlineData(CriteriaSet.Iso5817B, 10, 2)]
    [InlineData(CriteriaSet.Iso5817C, 10, 2.5)]
    [InlineData(CriteriaSet.Iso5817D, 10, 3.5)]
    [InlineData(CriteriaSet.Iso5817B, 70, 5)]
    [InlineData(CriteriaSet.Iso5817C, 70, 7)]
    [InlineData(CriteriaSet.Iso5817D, 70, 10)]
    [InlineData(CriteriaSet.Iso5817B, 6, 1.6)]
    [InlineData(CriteriaSet.Iso5817C, 6, 1.9)]
    [InlineData(CriteriaSet.Iso5817D, 6, 2.5)]
    [InlineData(CriteriaSet.Iso5817B, 16, 2.6)]
    [InlineData(CriteriaSet.Iso5817C, 16, 3.4)]
    [InlineData(CriteriaSet.Iso5817D, 16, 5)]
    [InlineData(CriteriaSet.Iso5817B, 30, 4)]
    [InlineData(CriteriaSet.Iso5817C, 30, 5.5)]
    [InlineData(CriteriaSet.Iso5817D, 30, 8.5)]
    [InlineData(CriteriaSet.Iso5817B, 44, 5)]
    [InlineData(CriteriaSet.Iso5817C, 44, 7)]
    [InlineData(CriteriaSet.Iso5817D, 44, 10)]
    public void Iso_5817_reinforcement(CriteriaSet set, double width, double limit) =>
        Limit(set, Butt(10), Criterion.Reinforcement, limit, crown => Looked with { Measured = new(Width: Mm(width), Crown: Mm(crown)) });

    /// <summary>ISO 5817, excess penetration, t over 3 mm: 1 mm + 0.2 b, 0.6 b, 1.0 b, at most 3, 4, 5 mm.</summary>
    [Theory]
    [InlineData(CriteriaSet.Iso5817B, 3, 1.6)]
    [InlineData(CriteriaSet.Iso5817C, 3, 2.8)]
    [InlineData(CriteriaSet.Iso5817D, 3, 4)]
    [InlineData(CriteriaSet.Iso5817B, 20, 3)]
    [InlineData(CriteriaSet.Iso5817C, 20, 4)]
    [InlineData(CriteriaSet.Iso5817D, 20, 5)]
    [InlineData(CriteriaSet.Iso5817B, 2, 1.4)]
    [InlineData(CriteriaSet.Iso5817C, 2, 2.2)]
    [InlineData(CriteriaSet.Iso5817D, 2, 3)]
    [InlineData(CriteriaSet.Iso5817B, 4, 1.8)]
    [InlineData(CriteriaSet.Iso5817C, 4, 3.4)]
    [InlineData(CriteriaSet.Iso5817D, 4, 5)]
    [InlineData(CriteriaSet.Iso5817B, 6, 2.2)]
    [InlineData(CriteriaSet.Iso5817C, 6, 4)]
    [InlineData(CriteriaSet.Iso5817D, 6, 5)]
    [InlineData(CriteriaSet.Iso5817B, 12, 3)]
    [InlineData(CriteriaSet.Iso5817C, 12, 4)]
    [InlineData(CriteriaSet.Iso5817D, 12, 5)]
    public void Iso_5817_excess_penetration(CriteriaSet set, double root, double limit) =>
        Limit(
            set,
            Butt(10),
            Criterion.ExcessPenetration,
            limit,
            out_ => Looked with { Measured = new(RootWidth: Mm(root), ExcessPenetration: Mm(out_)) }
        );

    /// <summary>ISO 5817, unequal legs: 1.5 + 0.15 a, 2 + 0.15 a, 2 + 0.2 a.</summary>
    [Theory]
    [InlineData(CriteriaSet.Iso5817B, 1.5, 0.15)]
    [InlineData(CriteriaSet.Iso5817C, 2, 0.15)]
    [InlineData(CriteriaSet.Iso5817D, 2, 0.2)]
    public void Iso_5817_unequal_legs(CriteriaSet set, double plus, double share)
    {
        var sheet = Fillet(8);
        var a = sheet.BeadSize.Low.Mm / Math.Sqrt(2);
        Limit(
            set,
            sheet,
            Criterion.UnequalLegs,
            plus + share * a,
            apart => Looked with { BeadSize = Mm(8), Measured = new(OtherLeg: Mm(8 + apart)) }
        );
    }

    /// <summary>ISO 5817, surface pore, t over 3 mm: none; 0.2 a to 2 mm; 0.3 a to 3 mm.</summary>
    [Theory]
    [InlineData(CriteriaSet.Iso5817C, 0.2)]
    [InlineData(CriteriaSet.Iso5817D, 0.3)]
    public void Iso_5817_pore(CriteriaSet set, double share)
    {
        var sheet = Fillet(8);
        Limit(
            set,
            sheet,
            Criterion.Porosity,
            share * sheet.BeadSize.Low.Mm / Math.Sqrt(2),
            pore => Looked with { Measured = new(Pores: [Mm(pore)]) }
        );
        Assert.Equal(
            Standing.Off,
            Stands(CriteriaSet.Iso5817B, sheet, Looked with { Measured = new(Pores: [Mm(0.1)]) }, Criterion.Porosity)
        );
        Assert.Equal(Standing.Right, Stands(CriteriaSet.Iso5817B, sheet, Looked with { Measured = new(Pores: []) }, Criterion.Porosity));
        // The caps, on a butt: 2 and 3 mm from 10 mm plate up.
        Limit(set, Butt(20), Criterion.Porosity, share * 10, pore => Looked with { Measured = new(Pores: [Mm(pore)]) });
    }

    /// <summary>ISO 5817, throat too small, t over 3 mm: none; 0.3 + 0.1 a up to 1 mm; 0.3 + 0.1 a up to 2 mm short.</summary>
    [Theory]
    [InlineData(CriteriaSet.Iso5817B, 8, 0, 0)]
    [InlineData(CriteriaSet.Iso5817C, 8, 0.1, 1)]
    [InlineData(CriteriaSet.Iso5817D, 8, 0.1, 2)]
    [InlineData(CriteriaSet.Iso5817C, 16, 0.1, 1)]
    [InlineData(CriteriaSet.Iso5817D, 16, 0.1, 2)]
    public void Iso_5817_throat(CriteriaSet set, double thickness, double share, double most)
    {
        var sheet = Fillet(thickness);
        var a = sheet.BeadSize.Low.Mm / Math.Sqrt(2);
        var least = a - (most == 0 ? 0 : Math.Min(0.3 + share * a, most));
        Assert.Equal(Standing.Right, Stands(set, sheet, Looked with { Measured = new(Throat: Mm(least)) }, Criterion.Throat));
        Assert.Equal(Standing.Off, Stands(set, sheet, Looked with { Measured = new(Throat: Mm(least - 0.01)) }, Criterion.Throat));
    }

    /// <summary>ISO 10042, aluminium: convexity 1.5 mm + 0.1 b, 0.15 b, 0.3 b, at most 3, 4, 5 mm.</summary>
    [Theory]
    [InlineData(CriteriaSet.Iso10042B, 8, 2.3)]
    [InlineData(CriteriaSet.Iso10042C, 8, 2.7)]
    [InlineData(CriteriaSet.Iso10042D, 8, 3.9)]
    [InlineData(CriteriaSet.Iso10042B, 20, 3)]
    [InlineData(CriteriaSet.Iso10042C, 20, 4)]
    [InlineData(CriteriaSet.Iso10042D, 20, 5)]
    [InlineData(CriteriaSet.Iso10042B, 5, 2)]
    [InlineData(CriteriaSet.Iso10042C, 5, 2.25)]
    [InlineData(CriteriaSet.Iso10042D, 5, 3)]
    [InlineData(CriteriaSet.Iso10042B, 10, 2.5)]
    [InlineData(CriteriaSet.Iso10042C, 10, 3)]
    [InlineData(CriteriaSet.Iso10042D, 10, 4.5)]
    [InlineData(CriteriaSet.Iso10042B, 14, 2.9)]
    [InlineData(CriteriaSet.Iso10042C, 14, 3.6)]
    [InlineData(CriteriaSet.Iso10042D, 14, 5)]
    public void Iso_10042_convexity(CriteriaSet set, double width, double limit) =>
        Limit(
            set,
            Fillet(6, Metal.Aluminium),
            Criterion.Convexity,
            limit,
            crown => Looked with { Measured = new(Width: Mm(width), Crown: Mm(crown)) }
        );

    /// <summary>AWS D1.1, fillet convexity: 1/16 in up to a face of 5/16 in, 1/8 in up to 1 in, 3/16 in above.</summary>
    [Theory]
    [InlineData(5.0 / 16, 1.0 / 16)]
    [InlineData(5.0 / 16 + 0.001, 1.0 / 8)]
    [InlineData(0.999, 1.0 / 8)]
    [InlineData(1.001, 3.0 / 16)]
    public void Aws_convexity(double faceIn, double limitIn) =>
        Limit(
            CriteriaSet.AwsD11Static,
            Fillet(8),
            Criterion.Convexity,
            limitIn * Inch,
            crown => Looked with { Measured = new(Width: Mm(faceIn * Inch), Crown: Mm(crown)) }
        );

    /// <summary>AWS D1.1, undercut below 1 in: 1/32 in, or 1/16 in for at most 2 in in any 12.</summary>
    [Fact]
    public void Aws_undercut()
    {
        Evidence Cut(double inches, double? along) =>
            Looked with
            {
                Measured = new(UndercutDepth: Mm(inches * Inch), UndercutLength: along is { } length ? Mm(length * Inch) : null),
            };
        Standing Of(Evidence evidence) => Stands(CriteriaSet.AwsD11Static, Fillet(8), evidence, Criterion.Undercut);
        Assert.Equal(Standing.Right, Of(Cut(1.0 / 32, 6)));
        Assert.Equal(Standing.Right, Of(Cut(1.0 / 32 + 0.001, 2)));
        Assert.Equal(Standing.Off, Of(Cut(1.0 / 32 + 0.001, 2.01)));
        Assert.Equal(Standing.Right, Of(Cut(1.0 / 16, 2)));
        Assert.Equal(Standing.Off, Of(Cut(1.0 / 16 + 0.001, 0.5)));
        Assert.Equal(Standing.NotKnown, Of(Cut(1.0 / 16, null)));
    }

    /// <summary>AWS D1.1, piping porosity of 1/32 in and larger: together at most 3/8 in in an inch, 3/4 in in 12 in.</summary>
    [Fact]
    public void Aws_porosity()
    {
        Evidence Pores(double each, int count, double bead) =>
            Looked with
            {
                Measured = new(Pores: [.. Enumerable.Repeat(Mm(each * Inch), count)], BeadLength: Mm(bead * Inch)),
            };
        Standing Of(Evidence evidence) => Stands(CriteriaSet.AwsD11Static, Fillet(8), evidence, Criterion.Porosity);
        Assert.Equal(Standing.Right, Of(Pores(1.0 / 16, 6, 1)));
        Assert.Equal(Standing.Off, Of(Pores(1.0 / 16, 7, 1)));
        Assert.Equal(Standing.NotKnown, Of(Pores(1.0 / 16, 7, 8)));
        Assert.Equal(Standing.NotKnown, Of(Pores(1.0 / 16, 12, 12)));
        Assert.Equal(Standing.Off, Of(Pores(1.0 / 16, 13, 12)));
        // Smaller than 1/32 in does not count.
        Assert.Equal(Standing.Right, Of(Pores(1.0 / 33, 40, 1)));
        Assert.Equal(Standing.Off, Of(Pores(1.0 / 32, 40, 1)));
    }

    /// <summary>AWS D1.1, minimum fillet by base metal: 1/8 in to 1/4, 3/16 to 1/2, 1/4 to 3/4.</summary>
    [Theory]
    [InlineData(6.35, 1.0 / 8)]
    [InlineData(6.4, 3.0 / 16)]
    [InlineData(12.7, 3.0 / 16)]
    [InlineData(12.8, 1.0 / 4)]
    [InlineData(19.1, 5.0 / 16)]
    public void Aws_smallest_fillet(double thickness, double inches)
    {
        Evidence Legs(double mm) => Looked with { BeadSize = Mm(mm), Measured = new(OtherLeg: Mm(mm + 1)) };
        Assert.Equal(Standing.Right, Stands(CriteriaSet.AwsD11Static, Fillet(thickness), Legs(inches * Inch), Criterion.Size));
        Assert.Equal(Standing.Off, Stands(CriteriaSet.AwsD11Static, Fillet(thickness), Legs(inches * Inch - 0.01), Criterion.Size));
    }

    [Fact]
    public void Cracks_and_burn_through_pass_nowhere()
    {
        foreach (var set in Enum.GetValues<CriteriaSet>())
        {
            foreach (var (fault, criterion) in new[] { (Fault.Crack, Criterion.Cracks), (Fault.Hole, Criterion.BurnThrough) })
            {
                Assert.Equal(Standing.Off, Stands(set, Fillet(8), Looked with { Faults = [fault] }, criterion));
                Assert.Equal(
                    Standing.Off,
                    Criteria.Of(set, Fillet(8), Looked with { Faults = [fault] }, PracticeTolerances.Usual).Standing
                );
            }
        }
    }

    [Fact]
    public void What_was_not_measured_passes_nowhere_and_what_is_not_known_is_said()
    {
        foreach (var set in Enum.GetValues<CriteriaSet>())
        {
            foreach (var sheet in new[] { Fillet(2), Fillet(8), Butt(10), Fillet(6, Metal.Aluminium) })
            {
                var none = Criteria.Of(set, sheet, new Evidence(), PracticeTolerances.Usual);
                Assert.All(none.Criteria, verdict => Assert.Equal(Standing.NotKnown, verdict.Standing));
                Assert.Equal(Standing.NotKnown, none.Standing);
                if (set != CriteriaSet.Practice)
                    Assert.Contains("check your copy", none.Note.ToString(), StringComparison.Ordinal);
            }
        }
        // Where a standard does not speak of this plate, or its figure was not recalled for sure, nothing is right.
        Assert.Equal(Standing.NotKnown, Stands(CriteriaSet.AwsD11Static, Fillet(2), Looked, Criterion.Scope));
        Assert.Equal(Standing.NotKnown, Stands(CriteriaSet.Iso5817B, Fillet(6, Metal.Aluminium), Looked, Criterion.Scope));
        Assert.Equal(Standing.NotKnown, Stands(CriteriaSet.Iso10042B, Fillet(8), Looked, Criterion.Scope));
        Assert.Equal(
            Standing.NotKnown,
            Stands(CriteriaSet.Iso5817B, Fillet(3), Looked with { Measured = new(UndercutDepth: Mm(0)) }, Criterion.Undercut)
        );
    }

    [Fact]
    public void The_rooms_own_tolerances_are_kept_to()
    {
        var own = PracticeTolerances.Usual with
        {
            Undercut = Mm(0.3),
            Crown = Mm(1.2),
            UnequalLegs = Mm(1),
            LargestPore = Mm(0.8),
            Pores = 1,
        };
        var sheet = Fillet(4);
        var all = Looked with
        {
            BeadSize = sheet.BeadSize.Aim,
            Measured = new(
                OtherLeg: sheet.BeadSize.Aim,
                Crown: Mm(1.2),
                UndercutDepth: Mm(0.3),
                Pores: [Mm(0.8)],
                BeadLength: Mm(100),
                ArcSeconds: 100 / sheet.Travel!.Value.MmPerMin * 60
            ),
        };
        Assert.Equal(Standing.Right, Criteria.Of(CriteriaSet.Practice, sheet, all, own).Standing);
        foreach (
            var worse in new[]
            {
                all with
                {
                    Measured = all.Measured with { Crown = Mm(1.21) },
                },
                all with
                {
                    Measured = all.Measured with { UndercutDepth = Mm(0.31) },
                },
                all with
                {
                    Measured = all.Measured with { Pores = [Mm(0.81)] },
                },
                all with
                {
                    Measured = all.Measured with { Pores = [Mm(0.2), Mm(0.2)] },
                },
                all with
                {
                    Measured = all.Measured with { OtherLeg = Mm(sheet.BeadSize.Aim.Mm + 1.01) },
                },
                all with
                {
                    Measured = all.Measured with { ArcSeconds = all.Measured.ArcSeconds * 1.4 },
                },
                all with
                {
                    BeadSize = Mm(sheet.BeadSize.High.Mm + 0.1),
                    Measured = all.Measured with { OtherLeg = sheet.BeadSize.High },
                },
            }
        )
        {
            Assert.Equal(Standing.Off, Criteria.Of(CriteriaSet.Practice, sheet, worse, own).Standing);
        }
        Assert.Empty(own.Problems());
        Assert.Equal(
            6,
            (
                own with
                {
                    Undercut = Mm(9),
                    Crown = Mm(0),
                    UnequalLegs = Mm(11),
                    LargestPore = Mm(6),
                    Pores = -1,
                    TravelPercent = double.NaN,
                }
            )
                .Problems()
                .Count()
        );
    }
}
