namespace GentleBead.Core.Looking;

/// <summary>What is to be seen at a place of a bead's face or beside it.</summary>
internal enum FacePart
{
    /// <summary>Plate, or whatever else is no bead.</summary>
    Plate,

    /// <summary>Plate that heat coloured.</summary>
    Tint,

    /// <summary>Weld metal between two ripples.</summary>
    Trough,

    /// <summary>Weld metal on a ripple.</summary>
    Crest,

    /// <summary>A grain of spatter on the plate.</summary>
    Grain,

    /// <summary>An open pore in the weld metal.</summary>
    Pore,

    /// <summary>A groove melted into the plate along a toe.</summary>
    Undercut,

    /// <summary>The hollow at the bead's end.</summary>
    Crater,

    /// <summary>Where the bead was begun anew.</summary>
    Restart,

    /// <summary>A hole burnt through the plate.</summary>
    Hole,
}

/// <summary>What the eye learned of faces, and of backs.</summary>
internal static class FaceModel
{
    /// <summary>How many parts there are.</summary>
    public const int Parts = 10;

    [ThreadStatic]
    private static PartNet? face,
        back;

    /// <summary>
    /// How likely each part is at each place of a strip along a face, as a natural logarithm: all parts of a place side by side.
    /// </summary>
    public static float[] Weigh(Strip strip) => Weigh(strip, face ??= PartNet.Read("Face.onnx", Parts));

    /// <summary>The same of a strip along what shows behind a bead.</summary>
    public static float[] WeighBack(Strip strip) => Weigh(strip, back ??= PartNet.Read("Back.onnx", Parts));

    private static float[] Weigh(Strip strip, PartNet net) => net.Weigh(strip.ForNet(), strip.Columns, strip.Rows).Parts;
}
