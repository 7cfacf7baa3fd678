namespace GentleBead.Core.Beads;

/// <summary>Where along the bead what is wrong lies.</summary>
public enum Along
{
    /// <summary>The same from end to end.</summary>
    Same,

    /// <summary>At the start.</summary>
    AtStart,

    /// <summary>Worse the further it goes.</summary>
    Worse,

    /// <summary>At the end of reach.</summary>
    AtEnd,
}

/// <summary>How the arc of a fed wire started.</summary>
public enum Start
{
    /// <summary>At once.</summary>
    Clean,

    /// <summary>The wire lay on the plate at the trigger, and blew like a fuse.</summary>
    Touching,

    /// <summary>It stuttered before it held.</summary>
    Stuttering,
}

/// <summary>Contact tip and nozzle after the bead.</summary>
public enum TipAfter
{
    /// <summary>Clear.</summary>
    Clear,

    /// <summary>The wire is burnt back and fused in the tip.</summary>
    BurntBack,

    /// <summary>Spatter closes the nozzle.</summary>
    Clogged,
}

/// <summary>Gas at the nozzle, by ear, on purge or before the arc.</summary>
public enum GasAtNozzle
{
    /// <summary>It flows.</summary>
    Flows,

    /// <summary>Nothing comes.</summary>
    Nothing,
}

/// <summary>The light of the arc, as who stands by sees it.</summary>
public enum ArcLight
{
    /// <summary>It stands still.</summary>
    Still,

    /// <summary>It swells and shrinks.</summary>
    Swelling,

    /// <summary>It is blown to one side.</summary>
    Wandering,
}

/// <summary>How far the torch leaned along the bead, as who stands by sees it.</summary>
public enum TorchLean
{
    /// <summary>As the sheet says.</summary>
    AsOnSheet,

    /// <summary>Far over, forward or back.</summary>
    FarOver,
}
