using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Tests.Looking;

/// <summary>What a picture of the back comes to as evidence: it fills in where nobody looked, and what was noted leads.</summary>
public class BackEvidenceTests
{
    private static BackTrace Trace(double share, int pieces) => BackTrace.Of(share, pieces, ReadLength.Of(2, 0.3), Length.FromMm(0.2));

    private static Evidence Seen(BackTrace? mark, BackTrace? tint, params double[] holes) =>
        new(Back: new(mark, tint, [.. holes.Select(Length.FromMm)]));

    [Theory]
    [InlineData(0.96, 1, Penetration.BackMark)]
    [InlineData(0.9, 1, Penetration.BackMark)]
    [InlineData(0.89, 1, Penetration.TintBehind)]
    [InlineData(0.96, 2, Penetration.TintBehind)]
    public void Only_a_mark_all_along_is_evenly_through(double share, int pieces, Penetration shows) =>
        Assert.Equal(shows, Seen(Trace(share, pieces), null).PenetrationSeen());

    [Fact]
    public void Tint_is_tint_and_a_picture_that_shows_nothing_says_nothing()
    {
        Assert.Equal(Penetration.TintBehind, Seen(null, Trace(1, 1)).PenetrationSeen());
        Assert.Null(Seen(null, null).PenetrationSeen());
        Assert.Null(new Evidence().PenetrationSeen());
    }

    [Fact]
    public void What_a_person_noted_leads() =>
        Assert.Equal(Penetration.NoneSeen, (Seen(Trace(1, 1), null) with { Penetration = Penetration.NoneSeen }).PenetrationSeen());

    [Fact]
    public void A_hole_is_only_suspected_and_no_fault_before_somebody_notes_it() => Assert.Empty(Seen(null, null, 3.5).Faults);

    [Fact]
    public void A_picture_of_the_back_alone_is_evidence() => Assert.False(Seen(null, null).IsEmpty());
}
