using GentleBead.Core.Stock;
using static GentleBead.Core.Courses.ExerciseLibrary;

namespace GentleBead.Core.Courses;

/// <summary>What comes after MIG on steel: flux-cored wire, spray, stainless and aluminium by MIG.</summary>
internal static class MoreWireExercises
{
    private static readonly (Process, Metal) SelfShielded = (Process.FcawSelfShielded, Metal.MildSteel);
    private static readonly (Process, Metal) GasShielded = (Process.FcawGasShielded, Metal.MildSteel);
    private static readonly (Process, Metal) Spray = (Process.GmawSpray, Metal.MildSteel);
    private static readonly (Process, Metal) Stainless = (Process.GmawShortCircuit, Metal.Stainless);
    private static readonly (Process, Metal) Aluminium = (Process.GmawSpray, Metal.Aluminium);

    private const string Hot =
        "A hot arc: a darker lens, gauntlets, and a torch that stays cool enough to hold. Mind the glare for others.";

    public static IReadOnlyList<LibraryExercise> All { get; } =
    [
        Row(
                "fcs-bead",
                "Self-shielded: beads on plate",
                SelfShielded,
                ("1/4", Joint.BeadOnPlate, Position.Flat),
                "Torch on minus. Drag, never push; long stick-out. Chip and brush before judging: slag hides everything.",
                "mig-t-2f"
            )
            .Careful("Slag flies when it is chipped: glasses under the hood."),
        Row(
            "fcs-t-2f",
            "Self-shielded: T, horizontal",
            SelfShielded,
            ("1/4", Joint.T, Position.Horizontal),
            "Drag with the slag behind the puddle. Slag that stays stuck at the toe means a cold or a hollow bead.",
            "fcs-bead"
        ),
        Row(
            "fcs-lap-2f",
            "Self-shielded: lap, horizontal",
            SelfShielded,
            ("3/16", Joint.Lap, Position.Horizontal),
            "As by MIG, dragged, and a little slower. Worm tracks mean too many volts.",
            "fcs-t-2f"
        ),
        Row(
                "fcg-t-2f",
                "Gas-shielded: T, horizontal",
                GasShielded,
                ("3/8", Joint.T, Position.Horizontal),
                "One large leg in a pass. Drag a little, long stick-out; the slag peels by itself when it is right.",
                "fcs-t-2f"
            )
            .Careful(Hot),
        Row(
                "fcg-t-3f-up",
                "Gas-shielded: T, vertical up",
                GasShielded,
                ("3/8", Joint.T, Position.VerticalUp),
                "The slag is the shelf: small triangle, a count at each toe.",
                "fcg-t-2f"
            )
            .Careful(Hot),
        Row(
                "fcg-v-1g",
                "Gas-shielded: V butt, flat",
                GasShielded,
                ("1/2", Joint.VButt, Position.Flat),
                "Clean every pass to bright metal: what is left is an inclusion. Keep the passes thin and wide.",
                "fcg-t-2f"
            )
            .BySection()
            .Careful(Hot),
        Row(
                "spray-t-2f",
                "Spray: T, horizontal",
                Spray,
                ("3/8", Joint.T, Position.Horizontal),
                "Straight, no weaving, a smooth hiss. Crackle means too few volts. Flat and horizontal only.",
                "mig-t-passes"
            )
            .Careful(Hot),
        Row(
                "mig-ss-t-2f",
                "Stainless by MIG: T, horizontal",
                Stainless,
                ("1/8", Joint.T, Position.Horizontal),
                "Cold and quick: straw to light blue is as far as the colour should go. Its own brush.",
                "mig-t-2f-section"
            )
            .Careful("Stainless fume: suction at the arc, or a respirator."),
        Row(
                "mig-al-bead",
                "Aluminium by MIG: beads on plate",
                Aluminium,
                ("1/4", Joint.BeadOnPlate, Position.Flat),
                "Push, and fast: it runs away. Brush with stainless, wipe dry, run-on and run-off; the crater wants filling.",
                "spray-t-2f"
            )
            .Careful(Hot),
        Row(
                "mig-al-t-2f",
                "Aluminium by MIG: T, horizontal",
                Aluminium,
                ("1/4", Joint.T, Position.Horizontal),
                "Begin hot, end with the crater filled. Soot means the torch is dragged or the gas is gone.",
                "mig-al-bead"
            )
            .Careful(Hot),
    ];
}
