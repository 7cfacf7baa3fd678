using GentleBead.Core.Looking;

namespace GentleBead.Core.Tests.Looking;

/// <summary>What networks are given: brightness and colour beside the middle of what is seen.</summary>
public class NetMapsTests
{
    [Fact]
    public void Each_value_stands_beside_the_middle_one_and_what_is_not_seen_is_nothing()
    {
        var maps = NetMaps.Of([true, true, true, false], [1, 2, 4, 99], [0.5f, 0.5f, 0.6f, 9], [0, -1, 1, 9]);
        Assert.Equal(NetMaps.Count, maps.Length);
        Assert.Equal([-1f, 0, 2, 0], maps[0]);
        Assert.Equal(0.4f, maps[1][2], 1e-5f);
        Assert.Equal([0f, -3, 3, 0], maps[2]);
        Assert.Equal([1f, 1, 1, 0], maps[3]);
    }

    [Fact]
    public void A_stronger_light_changes_nothing()
    {
        float[] light = [-2, -1.5f, -1, -0.2f, 0];
        bool[] seen = [true, true, true, true, true];
        var own = NetMaps.Of(seen, light, light, light)[0];
        var stronger = NetMaps.Of(seen, [.. light.Select(value => value + 0.7f)], light, light)[0];
        Assert.All(own.Zip(stronger), pair => Assert.Equal(pair.First, pair.Second, 1e-5f));
    }

    [Fact]
    public void Of_nothing_seen_comes_nothing() =>
        Assert.All(NetMaps.Of([false, false], [1, 2], [1, 2], [1, 2]), map => Assert.All(map, value => Assert.Equal(0, value)));

    [Fact]
    public void A_network_says_as_much_of_every_place_as_there_are_places_and_shares_make_one()
    {
        var strip = MadeFaces.Blank(13.7);
        var likely = FaceModel.Weigh(strip);
        Assert.Equal(strip.Rows * strip.Columns * FaceModel.Parts, likely.Length);
        for (var at = 0; at < strip.Rows * strip.Columns; at += 997)
            Assert.Equal(1, likely.Skip(FaceModel.Parts * at).Take(FaceModel.Parts).Sum(value => MathF.Exp(value)), 1e-3);
    }
}
