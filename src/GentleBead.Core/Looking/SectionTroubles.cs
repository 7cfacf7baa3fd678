namespace GentleBead.Core.Looking;

/// <summary>What keeps a section from being measured, by what its window shows.</summary>
internal static class SectionTroubles
{
    // Of the window, what may glare.
    private const double MostBurnt = 0.06;

    private const double Burnt = -0.04;

    /// <summary>What is wrong; null when nothing is.</summary>
    public static PictureTrouble? Of(SectionField field)
    {
        var (seen, burnt) = (0, 0);
        for (var i = 0; i < field.Seen.Length; i++)
        {
            seen += field.Seen[i] != 0 ? 1 : 0;
            burnt += field.Seen[i] != 0 && field.Light[i] > Burnt ? 1 : 0;
        }
        return seen < field.Seen.Length / 2 ? PictureTrouble.CutOff
            : burnt > MostBurnt * seen ? PictureTrouble.Glare
            : null;
    }
}
