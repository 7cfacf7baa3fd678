using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Tests.Looking;

public class EyeAgreementTests
{
    private static Length Mm(double mm) => Length.FromMm(mm);

    private static (SectionMeasures, MacroMeasures) Pair(double eye, double person, double half, bool fillet = true) =>
        (
            new(
                fillet ? ReadLength.Of(eye, half) : null,
                null,
                null,
                ReadLength.Of(8, 0.5),
                ReadLength.Of(0, 0.2),
                null,
                null,
                null,
                ReadLength.Of(0, 0.2)
            ),
            new(fillet ? Mm(person) : null, null, null, Mm(8), Mm(0), null, null, null, Mm(0))
        );

    [Fact]
    public void Each_thing_is_counted_by_itself()
    {
        var agreement = EyeAgreement.Of([], [Pair(5, 5.2, 0.4), Pair(6, 5, 0.5), Pair(4, 4.1, 0.05), Pair(0, 0, 0, fillet: false)]);
        var leg = agreement.Single(one => one.Aspect == EyeAspect.LowerLeg);
        Assert.Equal((3, 2, 1), (leg.Readings, leg.Near, leg.Held));
        Assert.Equal(-0.1, leg.OverMm, 1e-9);
        Assert.Equal(0.2, leg.Off.Mm, 1e-9);
        Assert.Equal(4, agreement.Single(one => one.Aspect == EyeAspect.Width).Readings);
        Assert.DoesNotContain(agreement, one => one.Aspect is EyeAspect.Throat or EyeAspect.FaceWidth);
    }

    // Within 5 % or 0.3 mm, whichever is more: what the eye is asked for.
    [Theory]
    [InlineData(5.3, 5, true)]
    [InlineData(5.31, 5, false)]
    [InlineData(10.5, 10, true)]
    [InlineData(10.51, 10, false)]
    public void Near_is_three_tenths_or_a_twentieth(double eye, double person, bool near) =>
        Assert.Equal(near ? 1 : 0, EyeAgreement.Of([], [Pair(eye, person, 1)])[0].Near);

    [Fact]
    public void Nothing_measured_is_nothing_told() => Assert.Empty(EyeAgreement.Of([], []));
}
