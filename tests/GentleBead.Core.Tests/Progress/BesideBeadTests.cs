using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Progress;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using static GentleBead.Core.Words.Said;

namespace GentleBead.Core.Tests.Progress;

/// <summary>What changed from one bead to another.</summary>
public class BesideBeadTests
{
    private static readonly BesideBead First = new(
        Guid.Empty,
        1,
        DateTimeOffset.UnixEpoch,
        new Job(Thickness.Parse("3"), Joint.T, Position.Horizontal, Wire.Solid08),
        "Slip 1",
        6.0,
        17.0,
        null,
        new Evidence(Sound: Sound.Popping, BeadSize: Length.FromMm(4)),
        null!,
        Verdict.Cold,
        Say($"Volts low for the wire"),
        null
    );

    [Fact]
    public void The_same_bead_has_changed_in_nothing_and_neither_has_one_within_the_hands_reach() =>
        Assert.Empty(
            Beside.Changed(
                First,
                First with
                {
                    WireFeedMPerMin = 6.1,
                    Volts = 17.2,
                    Evidence = First.Evidence with { BeadSize = Length.FromMm(4.25) },
                }
            )
        );

    [Fact]
    public void What_was_turned_and_what_came_of_it_is_named_in_order() =>
        Assert.Equal(
            [BesideField.Machine, BesideField.Volts, BesideField.Sound, BesideField.BeadSize, BesideField.Cause, BesideField.Verdict],
            Beside.Changed(
                First,
                First with
                {
                    MachineName = "Slip 2",
                    Volts = 18.5,
                    Evidence = new Evidence(Sound: Sound.EvenCrackle, Toes: Toes.Blended, BeadSize: Length.FromMm(5)),
                    Verdict = Verdict.Right,
                    Cause = null,
                }
            )
        );

    [Fact]
    public void Between_a_fed_wire_and_TIG_the_wire_changed_and_no_number_is_made_up()
    {
        var tig = First with
        {
            Job = First.Job with { Wire = null, Process = Process.GtawDc, Gas = Gas.Argon },
            WireFeedMPerMin = null,
            Volts = null,
            Amps = 90,
            Evidence = new Evidence(),
        };
        Assert.Equal([BesideField.Process, BesideField.Wire, BesideField.Gas], Beside.Changed(First, tig));
        Assert.Equal(Beside.Changed(First, tig), Beside.Changed(tig, First));
    }
}
