using GentleBead.Core.Beads;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>Each mode has its own right sound.</summary>
public static class SoundOf
{
    // What is heard in a mode, told in the words of short circuit, where crackle is right. A sound not listed means the same in every mode.
    private static readonly Dictionary<(Process Process, Sound Heard), Sound> Modes = new()
    {
        [(Process.GmawSpray, Sound.Hiss)] = Sound.EvenCrackle,
        [(Process.GmawSpray, Sound.EvenCrackle)] = Sound.Popping,
        [(Process.GmawPulsed, Sound.Hiss)] = Sound.EvenCrackle,
        [(Process.GmawPulsed, Sound.EvenCrackle)] = Sound.Popping,
        [(Process.GmawGlobular, Sound.Rattle)] = Sound.EvenCrackle,
        [(Process.GtawDc, Sound.Rattle)] = Sound.Sputter,
        [(Process.GtawAc, Sound.Rattle)] = Sound.Sputter,
    };

    /// <summary>What a sound means in a mode, told in the words of short circuit.</summary>
    public static Sound Mode(Sound heard, Process process) => Modes.GetValueOrDefault((process, heard), heard);
}
