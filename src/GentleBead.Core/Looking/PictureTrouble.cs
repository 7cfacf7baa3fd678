namespace GentleBead.Core.Looking;

/// <summary>Why a picture cannot be measured.</summary>
public enum PictureTrouble
{
    /// <summary>No card is in it.</summary>
    NoCard,

    /// <summary>Too little of the card is in it, or something lies over it.</summary>
    CardHidden,

    /// <summary>The card is bent or does not lie flat.</summary>
    CardBent,

    /// <summary>Too few pixels a millimetre.</summary>
    Far,

    /// <summary>Taken too much from the side.</summary>
    Slanting,

    /// <summary>Not sharp.</summary>
    Blurred,

    /// <summary>Too dark.</summary>
    Dark,

    /// <summary>So bright that the paper has no white left.</summary>
    Bright,

    /// <summary>A veil over all of it: a dirty lens, smoke, light into the lens.</summary>
    Hazy,

    /// <summary>Nothing in it looks like a bead.</summary>
    NoBead,

    /// <summary>The bead runs out of the picture.</summary>
    CutOff,

    /// <summary>Something lies over the bead.</summary>
    BeadHidden,

    /// <summary>The light is thrown back off the bead into the lens.</summary>
    Glare,

    /// <summary>No card with a window lies on the section.</summary>
    NoWindow,

    /// <summary>No weld metal is to be told from plate in the section.</summary>
    NoWeld,

    /// <summary>Sections of such a joint the eye has never met.</summary>
    StrangeJoint,
}

/// <summary>What each trouble is called, and what to do about it.</summary>
public static class PictureTroubles
{
    private static readonly Dictionary<PictureTrouble, Said> Words = new()
    {
        [PictureTrouble.NoCard] = Say($"There is no card in the picture: lay it beside the bead, or mark a known length."),
        [PictureTrouble.CardHidden] = Say($"Too little of the card is to be seen: show more of it, and keep the thumb off."),
        [PictureTrouble.CardBent] = Say($"The card is not flat: lay it flat on the plate, with a weight on its far rim."),
        [PictureTrouble.Far] = Say($"Too far off to measure: go nearer, until bead and card fill the picture."),
        [PictureTrouble.Slanting] = Say($"Taken too much from the side: hold the camera over the bead."),
        [PictureTrouble.Blurred] = Say($"Not sharp: hold still, tap the bead to focus, wipe the lens."),
        [PictureTrouble.Dark] = Say($"Too dark: bring a light, from the side."),
        [PictureTrouble.Bright] = Say($"Too bright, the paper has burnt out: less light, or turn the exposure down."),
        [PictureTrouble.Hazy] = Say($"A veil lies over the picture: wipe the lens, and keep light from shining into it."),
        [PictureTrouble.NoBead] = Say($"No bead was found: tap its start and its end."),
        [PictureTrouble.CutOff] = Say($"The bead runs out of the picture: show all of it."),
        [PictureTrouble.BeadHidden] = Say($"Something lies over the bead: take it away."),
        [PictureTrouble.Glare] = Say($"The metal shines into the lens: light it from the side, or turn the plate."),
        [PictureTrouble.NoWindow] = Say($"No card with a window lies on the section: lay one on it, or mark a known length."),
        [PictureTrouble.NoWeld] = Say($"No weld metal stands out from the plate: polish finer, etch longer, or mark it by hand."),
        [PictureTrouble.StrangeJoint] = Say($"The eye has met no sections of this joint: mark it by hand."),
    };

    /// <summary>What to do about it.</summary>
    public static Said Do(this PictureTrouble trouble) => Words[trouble];
}
