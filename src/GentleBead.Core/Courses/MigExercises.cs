using GentleBead.Core.Judging;
using GentleBead.Core.Stock;
using static GentleBead.Core.Courses.ExerciseLibrary;

namespace GentleBead.Core.Courses;

/// <summary>MIG on steel, short circuit, from straight beads to plate in passes.</summary>
internal static class MigExercises
{
    private static readonly (Process, Metal) Steel = (Process.GmawShortCircuit, Metal.MildSteel);

    private const string Overhead = "Overhead: leather shoulders, collar shut, nothing a spark can fall into. Clear the floor below.";

    public static IReadOnlyList<LibraryExercise> All { get; } =
    [
        Row(
            "mig-bead",
            "Straight beads on plate",
            Steel,
            ("1/8", Joint.BeadOnPlate, Position.Flat),
            "Ten centimetres along a chalk line. Same stick-out, same lean, same pace; listen for an even crackle. One thing at a time."
        ),
        Row(
            "mig-pad",
            "A pad of overlapping beads",
            Steel,
            ("3/16", Joint.BeadOnPlate, Position.Flat),
            "Each bead halfway over the one before, wire on its toe. The pad ends level, with no valleys. Let it cool between beads.",
            "mig-bead"
        ),
        Row(
                "mig-trial",
                "What each setting does",
                Steel,
                ("1/8", Joint.BeadOnPlate, Position.Flat),
                "A trial at the bench: wire up and down, volts up and down, one at a time, and what the bead says to each.",
                "mig-bead"
            )
            .With(exercise => exercise with { Proof = Proof.Trial }),
        Row(
            "mig-lap-2f",
            "Lap, horizontal",
            Steel,
            ("1/8", Joint.Lap, Position.Horizontal),
            "Aim at the lower plate; the puddle washes up to the edge of the upper one and must not eat it away.",
            "mig-pad"
        ),
        Row(
            "mig-t-2f",
            "T, horizontal",
            Steel,
            ("1/8", Joint.T, Position.Horizontal),
            "Bisect the corner, then lean a little to the bottom plate. Both legs alike, no undercut at the top toe.",
            "mig-lap-2f"
        ),
        Row(
                "mig-t-2f-section",
                "T, horizontal, sawn and etched",
                Steel,
                ("1/8", Joint.T, Position.Horizontal),
                "The same, and one is sawn: the root has to be in, not only the toes.",
                "mig-t-2f"
            )
            .BySection()
            .Careful("Etching acid: goggles, gloves, water at hand, and never in the booth."),
        Row(
            "mig-corner",
            "Outside corner, flat",
            Steel,
            ("1/8", Joint.OutsideCorner, Position.Flat),
            "Edges just meeting. Fill to a rounded corner; watch the back for the first sign of coming through.",
            "mig-t-2f"
        ),
        Row(
            "mig-butt",
            "Square butt, flat",
            Steel,
            ("1/8", Joint.SquareButt, Position.Flat),
            "Tack both ends, a gap of half the thickness. The keyhole's edge is where to look; the back tells.",
            "mig-corner"
        ),
        Row(
            "mig-sheet-lap",
            "Lap in thin sheet",
            Steel,
            ("16 ga", Joint.Lap, Position.Horizontal),
            "Quick and steady, or in short steps. Aim more at the lower sheet: an edge holds no heat.",
            "mig-butt"
        ),
        Row(
            "mig-sheet-butt",
            "Square butt in thin sheet",
            Steel,
            ("18 ga", Joint.SquareButt, Position.Flat),
            "No gap, tacks every 40 mm, stitches from the middle outward. A backing bar of copper helps.",
            "mig-sheet-lap"
        ),
        Row(
            "mig-plug",
            "Plug",
            Steel,
            ("16 ga", Joint.Plug, Position.Flat),
            "Begin at the middle of the lower sheet, go round, and end in the middle. Twist off the test pair.",
            "mig-sheet-lap"
        ),
        Row(
            "mig-lap-3f-down",
            "Lap, vertical down",
            Steel,
            ("14 ga", Joint.Lap, Position.VerticalDown),
            "Stay ahead of the puddle: what runs under the arc has not gone in. For sheet only.",
            "mig-sheet-lap"
        ),
        Row(
            "mig-t-3f-up",
            "T, vertical up",
            Steel,
            ("1/4", Joint.T, Position.VerticalUp),
            "Small triangle or zigzag, a count at each toe, quick over the middle. A shelf of metal carries the next.",
            "mig-t-2f-section"
        ),
        Row(
            "mig-butt-3g-up",
            "Square butt, vertical up",
            Steel,
            ("1/8", Joint.SquareButt, Position.VerticalUp),
            "Less wire than flat. The keyhole climbs; pause at the edges, not in the middle.",
            "mig-t-3f-up",
            "mig-butt"
        ),
        Row(
                "mig-t-unequal",
                "T, thin to thick",
                Steel,
                ("1/4", Joint.T, Position.Horizontal),
                "Set for the mean, aim at the thicker. The toe on the thin plate is the one that burns.",
                "mig-t-2f-section"
            )
            .With(exercise => exercise with { Job = exercise.Job with { OtherThickness = Thickness.Parse("1/8") } }),
        Row(
                "mig-bead-4g",
                "Beads overhead",
                Steel,
                ("1/8", Joint.BeadOnPlate, Position.Overhead),
                "Short stick-out, a little colder, quick and small. Elbow braced; look past the puddle, not into the spatter.",
                "mig-t-3f-up"
            )
            .Careful(Overhead),
        Row(
                "mig-t-4f",
                "T, overhead",
                Steel,
                ("1/8", Joint.T, Position.Overhead),
                "Straight or the smallest zigzag. A sagging middle means too much metal at a time.",
                "mig-bead-4g"
            )
            .Careful(Overhead),
        Row(
            "mig-t-passes",
            "T in passes, horizontal",
            Steel,
            ("3/8", Joint.T, Position.Horizontal),
            "Root, then two beside each other, the lower first. Brush between passes; no pass over a cold toe.",
            "mig-t-2f-section"
        ),
        Row(
                "mig-v-1g",
                "V butt in passes, flat",
                Steel,
                ("3/8", Joint.VButt, Position.Flat),
                "Bevel and land alike on both. Root by the keyhole, fill, cap no higher than it has to be.",
                "mig-t-passes",
                "mig-butt"
            )
            .BySection(),
        Row(
                "mig-test-2f",
                "Test weld: T, horizontal",
                Steel,
                ("1/4", Joint.T, Position.Horizontal),
                "Coupon marked, terms fixed before the arc, two assessors who do not hear each other.",
                "mig-t-2f-section",
                "mig-corner"
            )
            .ByTest(CriteriaSet.Iso5817C),
        Row(
                "mig-test-3f",
                "Test weld: T, vertical up",
                Steel,
                ("1/4", Joint.T, Position.VerticalUp),
                "As the one before, going up. Practise a retest before it is needed.",
                "mig-test-2f",
                "mig-t-3f-up"
            )
            .ByTest(CriteriaSet.Iso5817C),
    ];
}
