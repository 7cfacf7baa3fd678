using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Safety;

/// <summary>The cautions that go with every sheet, each where its hazard is met.</summary>
public static class UsualCautions
{
    /// <summary>What takes precedence over what the product says.</summary>
    public static readonly Said Deference = Say(
        $"Local codes, the site's procedure, the machine's manual and a licensed or certified person take precedence over this "
            + $"sheet. It does not qualify a welder."
    );

    private static readonly Caution Arc = new(
        Say($"Shade up, skin covered, no synthetic fleece: the arc burns skin and eyes. Warn the neighbours before striking."),
        true
    );
    private static readonly Caution Fume = new(
        Say($"Fume: head out of the plume, extraction on. Zinc or paint on the plate comes off first."),
        true
    );
    private static readonly Caution CoredFume = new(
        Say($"Fume: flux-cored wire smokes most of all. Head out of the plume, extraction on. Zinc or paint on the plate comes off first."),
        true
    );
    private static readonly Caution Shock = new(Say($"Dry gloves, dry floor, sound cables, clamp on bare metal."), true);
    private static readonly Caution Scale = new(
        Say($"Mill scale off before setting or judging: it makes a good arc pop and hides penetration."),
        false
    );
    private static readonly Caution Cylinder = new(
        Say($"Cylinder chained, no oil on the fittings; set the flow with the gas running."),
        false
    );
    private static readonly Caution ArgonPit = new(
        Say($"Argon sinks and drives out the air: none of it into pits, tanks or closed rooms."),
        true
    );
    private static readonly Caution Wire = new(
        Say($"Clip the wire pointing down, glasses under the hood. The bead stays hot: tongs."),
        false
    );
    private static readonly Caution Rod = new(
        Say($"Bend the rod's far end over, glasses under the hood. The bead stays hot: tongs. Grind tungsten with the dust drawn off."),
        false
    );
    private static readonly Caution Defer = new(Deference, false);

    // A few lists, made once, so that a sheet adds no work.
    private static readonly Dictionary<(bool Tig, bool Slag, bool Gas, bool Steel, Metal Metal), Caution[]> Made = (
        from process in Processes.All
        from gas in new[] { false, true }
        from metal in Metals.All
        let key = (Tig: process.Process.IsGtaw(), process.Slag, Gas: gas, Steel: metal.Metal.IsSteel(), metal.Metal)
        group key by key into same
        select same.Key
    ).ToDictionary(key => key, key => Make(key.Tig, key.Slag, key.Gas, key.Steel, key.Metal));

    /// <summary>Cautions for a job in the order the hazard is met.</summary>
    public static IReadOnlyList<Caution> For(Job job) =>
        Made[(job.Process.IsGtaw(), job.Process.Facts().Slag, job.Gas != Gas.None, job.Metal.IsSteel(), job.Metal)];

    private static Caution[] Make(bool tig, bool slag, bool gas, bool steel, Metal metal)
    {
        var list = new List<Caution> { Arc, slag ? CoredFume : Fume };
        if (metal.Facts().Caution is { } own)
            list.Add(new Caution(own, true));
        list.Add(Shock);
        if (steel)
            list.Add(Scale);
        if (gas)
            list.Add(Cylinder);
        if (tig)
            list.Add(ArgonPit);
        list.Add(tig ? Rod : Wire);
        list.Add(Defer);
        return [.. list];
    }
}
