namespace GentleBead.Core.Looking;

/// <summary>What is to be seen at each place of a strip: how likely each part is there.</summary>
internal sealed class FaceSight
{
    private static readonly FacePart[] OfMetal = [FacePart.Trough, FacePart.Crest, FacePart.Pore, FacePart.Crater, FacePart.Restart];

    private readonly float[] likely;

    /// <summary>What is known of a strip already.</summary>
    /// <param name="strip">The strip.</param>
    /// <param name="likely">How likely each part is at each place, as a natural logarithm: all parts of a place side by side.</param>
    public FaceSight(Strip strip, float[] likely) => (Strip, this.likely) = (strip, likely);

    /// <summary>The strip.</summary>
    public Strip Strip { get; }

    /// <summary>Looks at a strip.</summary>
    public static FaceSight Of(Strip strip) => new(strip, FaceModel.Weigh(strip));

    /// <summary>Looks at a strip along the back of a plate.</summary>
    public static FaceSight OfBack(Strip strip) => new(strip, FaceModel.WeighBack(strip));

    /// <summary>How likely a part is at a place, as a share.</summary>
    /// <param name="part">The part.</param>
    /// <param name="at">Row times columns and column.</param>
    public float Share(FacePart part, int at) => MathF.Exp(likely[FaceModel.Parts * at + (int)part]);

    /// <summary>How much sooner a place is one part than another, as a natural logarithm of the odds.</summary>
    public float Sooner(FacePart part, FacePart other, int at) =>
        likely[FaceModel.Parts * at + (int)part] - likely[FaceModel.Parts * at + (int)other];

    /// <summary>How likely a place is weld metal of any kind, as a share.</summary>
    public float Metal(int at)
    {
        var metal = 0f;
        foreach (var part in OfMetal)
            metal += Share(part, at);
        return metal;
    }

    /// <summary>How much sooner a place is weld metal than not: row by row, every third column.</summary>
    public float[] Odds()
    {
        // So small a share that nothing is certain.
        const float least = 1e-4f;
        var columns = (Strip.Columns + FaceNet.Every - 1) / FaceNet.Every;
        var odds = new float[Strip.Rows * columns];
        for (var i = 0; i < odds.Length; i++)
        {
            var at = i / columns * Strip.Columns + i % columns * FaceNet.Every;
            var metal = least + Metal(at);
            odds[i] = MathF.Log(metal / Math.Max(least, 1 + least - metal));
        }
        return odds;
    }
}
