using GentleBead.Core.Looking;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.Random;

namespace GentleBead.Core.Tests.Looking;

/// <summary>Ripples of a made face, a known way apart: bowed, seen aslant, uneven, under the surface's own grain.</summary>
public class RipplesTests
{
    private const double Length = 50,
        Width = 8;

    private static Ripples? Read(Func<double, double, double> light)
    {
        var many = (int)(Length / Strip.Cell / FaceNet.Every) - 1;
        var from = (int)(Strip.ColumnAt(0) / FaceNet.Every);
        double[] Row(double across) => [.. Enumerable.Repeat(Strip.RowAt(across), many)];
        return Ripples.Of(MadeFaces.Lit(Length, light), new(from, from + many - 1, Row(-Width / 2), Row(Width / 2), 5, 0.2, 0));
    }

    // The same grain at each place of a strip, whichever way it is gone through.
    private static Func<double> Grain(int seed, double spread)
    {
        var chance = new Xoshiro256StarStar(seed);
        return () => Normal.Sample(chance, 0, spread);
    }

    [Theory]
    [InlineData(0.8, 0, 0)]
    [InlineData(1.3, 0, 0.8)]
    [InlineData(1.3, 0.4, -0.6)]
    [InlineData(2.4, -0.3, 1.2)]
    [InlineData(4, 0.1, 0.4)]
    public void Even_ripples_are_as_far_apart_as_they_were_laid(double spacing, double lean, double bow)
    {
        var grain = Grain(1, 12);
        var ripples = Read((s, v) => 120 + 18 * Math.Cos(2 * Math.PI * (s - lean * v - bow * v * v / Width) / spacing) + grain());
        Assert.NotNull(ripples);
        Assert.Equal(spacing, ripples.SpacingMm, 0.05 * spacing);
        Assert.InRange(ripples.Spread, 0, 0.12);
        Assert.InRange(ripples.Plain, 0.4, 1);
    }

    // The mean of the gaps, which is what there is to be read of ripples that come as they come.
    [Theory]
    [InlineData(1.1)]
    [InlineData(1.8)]
    [InlineData(2.8)]
    public void Uneven_ripples_are_counted(double spacing)
    {
        var chance = new Xoshiro256StarStar(7);
        List<double> at = [0];
        while (at[^1] < Length)
            at.Add(at[^1] + spacing * Math.Max(0.4, 1 + 0.25 * Normal.Sample(chance, 0, 1)));
        var grain = Grain(2, 10);
        double Crest(double s)
        {
            var next = Math.Clamp(at.FindIndex(one => one > s), 1, at.Count - 1);
            return Math.Cos(2 * Math.PI * (s - at[next - 1]) / (at[next] - at[next - 1]));
        }
        var ripples = Read((s, v) => 120 + 20 * Crest(Math.Clamp(s - 0.6 * v * v / Width, 0, Length)) + grain());
        Assert.NotNull(ripples);
        Assert.Equal(at[^1] / (at.Count - 1), ripples.SpacingMm, 0.1 * spacing);
        Assert.InRange(ripples.Spread, 0.12, 0.4);
    }

    [Fact]
    public void Where_there_are_none_none_are_read()
    {
        Assert.Null(Read((_, _) => 120));
        for (var seed = 0; seed < 8; seed++)
        {
            var grain = Grain(10 + seed, 12);
            Assert.Null(Read((_, _) => 120 + grain()));
        }
    }
}
