namespace GentleBead.Core.Looking;

/// <summary>What is to be seen at a place of a section.</summary>
internal enum SectionPart
{
    /// <summary>No metal: the bench behind it.</summary>
    Bare,

    /// <summary>Plate, changed by heat or not.</summary>
    Plate,

    /// <summary>Weld metal.</summary>
    Weld,

    /// <summary>A dark line between what was not fused.</summary>
    Seam,
}

/// <summary>A point of a section that is found by itself.</summary>
internal enum SectionMark
{
    /// <summary>Where the face meets a plate.</summary>
    Toe,

    /// <summary>Where the plates of a fillet met.</summary>
    Root,
}

/// <summary>What the eye learned of sections.</summary>
internal static class SectionModel
{
    /// <summary>How many parts there are.</summary>
    public const int Parts = 4;

    private const int Marks = 2;

    [ThreadStatic]
    private static PartNet? own;

    /// <summary>
    /// How likely each part is at each place of a field, as a natural logarithm: all parts of a place side by side. And, mark by mark, how
    /// likely each place is within half a millimetre of one, as a share.
    /// </summary>
    public static (float[] Parts, float[][] Marks) Weigh(SectionField field)
    {
        var (parts, marks) = (own ??= PartNet.Read("Section.onnx", Parts, Marks)).Weigh(
            field.ForNet(),
            SectionField.Side,
            SectionField.Side
        );
        // Of what is not seen nothing was learned.
        return (parts, [.. marks.Select(mark => mark.Select((share, i) => field.Seen[i] == 0 ? 0 : share).ToArray())]);
    }
}
