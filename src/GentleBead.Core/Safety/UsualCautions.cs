using GentleBead.Core.Sheets;

namespace GentleBead.Core.Safety;

/// <summary>The cautions that go with every sheet for gas-shielded wire on mild steel.</summary>
public static class UsualCautions
{
    private const string Deference =
        "Local codes, the site's procedure, the machine's manual and a licensed or certified person stand over this sheet. It does not qualify a welder.";

    /// <summary>Cautions in the order the hazard is met.</summary>
    public static IReadOnlyList<Caution> ForGasShieldedSteel { get; } =
    [
        new("Shade up, skin covered, no synthetic fleece: the arc burns skin and eyes. Warn the neighbours before striking.", true),
        new("Fume: head out of the plume, extraction on. Zinc or paint on the plate comes off first.", true),
        new("Dry gloves, dry floor, sound cables, clamp on bare metal.", true),
        new("Mill scale off before setting or judging: it makes a good arc pop and hides penetration.", false),
        new("Cylinder chained, no oil on the fittings; set the flow with the gas running.", false),
        new("Clip the wire pointing down, glasses under the hood. The bead stays hot: tongs.", false),
        new(Deference, false),
    ];
}
