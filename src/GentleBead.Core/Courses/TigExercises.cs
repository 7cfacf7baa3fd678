using GentleBead.Core.Judging;
using GentleBead.Core.Stock;
using static GentleBead.Core.Courses.ExerciseLibrary;

namespace GentleBead.Core.Courses;

/// <summary>TIG: steel first, then stainless, then aluminium on AC.</summary>
internal static class TigExercises
{
    private static readonly (Process, Metal) Steel = (Process.GtawDc, Metal.MildSteel);
    private static readonly (Process, Metal) Stainless = (Process.GtawDc, Metal.Stainless);
    private static readonly (Process, Metal) Aluminium = (Process.GtawAc, Metal.Aluminium);

    private const string Purge = "Argon fills a closed space and cannot be smelt: never purge a room you stand in.";

    public static IReadOnlyList<LibraryExercise> All { get; } =
    [
        Row(
                "tig-puddle",
                "TIG: a puddle without rod",
                Steel,
                ("1/8", Joint.BeadOnPlate, Position.Flat),
                "Hold it, watch it wet out, move it along at one width. A dipped tungsten is ground again, every time."
            )
            .Once(3)
            .Careful("Grinding tungsten: glasses, suction, along its length."),
        Row(
            "tig-bead",
            "TIG: rod on plate",
            Steel,
            ("1/8", Joint.BeadOnPlate, Position.Flat),
            "Puddle, dab at its front edge, move, and again: one count. The rod stays in the gas.",
            "tig-puddle"
        ),
        Row(
            "tig-corner",
            "TIG: outside corner",
            Steel,
            ("1/8", Joint.OutsideCorner, Position.Flat),
            "First without rod, then with. Edges closed all the way; the pedal follows the heat down toward the end.",
            "tig-bead"
        ),
        Row(
            "tig-lap",
            "TIG: lap, horizontal",
            Steel,
            ("1/8", Joint.Lap, Position.Horizontal),
            "Puddle on the lower plate; the rod holds the upper edge back from melting away.",
            "tig-corner"
        ),
        Row(
            "tig-t",
            "TIG: T, horizontal",
            Steel,
            ("1/8", Joint.T, Position.Horizontal),
            "A short arc right into the corner. No rod before both plates have wet: it bridges.",
            "tig-lap"
        ),
        Row(
                "tig-t-section",
                "TIG: T, horizontal, sawn and etched",
                Steel,
                ("1/8", Joint.T, Position.Horizontal),
                "As before, and one is sawn: a bridged root looks good from above.",
                "tig-t"
            )
            .BySection()
            .Careful("Etching acid: goggles, gloves, water at hand, and never in the booth."),
        Row(
            "tig-butt",
            "TIG: square butt",
            Steel,
            ("1/8", Joint.SquareButt, Position.Flat),
            "Light gap, keyhole the size of the rod. The back should show an even, narrow bead.",
            "tig-t"
        ),
        Row(
            "tig-t-3f",
            "TIG: T, vertical up",
            Steel,
            ("1/8", Joint.T, Position.VerticalUp),
            "A tenth less current. The rod comes from above; let each dab freeze half before the next.",
            "tig-t-section",
            "tig-butt"
        ),
        Row(
            "tig-ss-bead",
            "TIG stainless: rod on plate",
            Stainless,
            ("1/16", Joint.BeadOnPlate, Position.Flat),
            "A large cup, long post-flow. Grey is burnt, straw is good: less heat, more speed.",
            "tig-t"
        ),
        Row(
            "tig-ss-corner",
            "TIG stainless: outside corner",
            Stainless,
            ("1/16", Joint.OutsideCorner, Position.Flat),
            "Tight fit, little rod. Even steps of colour tell an even hand.",
            "tig-ss-bead"
        ),
        Row(
            "tig-ss-lap",
            "TIG stainless: lap, horizontal",
            Stainless,
            ("1/16", Joint.Lap, Position.Horizontal),
            "Heat in the lower sheet; back up with copper or aluminium to draw it off.",
            "tig-ss-corner"
        ),
        Row(
            "tig-ss-t",
            "TIG stainless: T, horizontal",
            Stainless,
            ("1/16", Joint.T, Position.Horizontal),
            "Small leg, short arc. Warping says how much heat went in.",
            "tig-ss-lap"
        ),
        Row(
                "tig-ss-butt",
                "TIG stainless: square butt, purged",
                Stainless,
                ("1/16", Joint.SquareButt, Position.Flat),
                "Argon behind it, given time to push the air out. A sugared back is refused whatever the front looks like.",
                "tig-ss-t",
                "tig-butt"
            )
            .Careful(Purge),
        Row(
                "tig-ss-test",
                "Test weld: TIG stainless square butt",
                Stainless,
                ("1/16", Joint.SquareButt, Position.Flat),
                "Coupon marked, terms fixed before the arc, front and back looked at by two assessors.",
                "tig-ss-butt"
            )
            .ByTest(CriteriaSet.Iso5817B),
        Row(
                "tig-al-puddle",
                "TIG aluminium: a puddle without rod",
                Aluminium,
                ("1/8", Joint.BeadOnPlate, Position.Flat),
                "Clean, brush with stainless, wait for the shine. It gives no colour: the puddle is all there is to see.",
                "tig-t"
            )
            .Once(3),
        Row(
            "tig-al-bead",
            "TIG aluminium: rod on plate",
            Aluminium,
            ("1/8", Joint.BeadOnPlate, Position.Flat),
            "Large dabs, quick; ease off as the plate warms. Fill the crater before the arc goes out.",
            "tig-al-puddle"
        ),
        Row(
            "tig-al-corner",
            "TIG aluminium: outside corner",
            Aluminium,
            ("1/8", Joint.OutsideCorner, Position.Flat),
            "Edges go without warning: short arc, more rod, less pedal.",
            "tig-al-bead"
        ),
        Row(
            "tig-al-lap",
            "TIG aluminium: lap, horizontal",
            Aluminium,
            ("1/8", Joint.Lap, Position.Horizontal),
            "Break the notch at the upper edge with the rod.",
            "tig-al-corner"
        ),
        Row(
            "tig-al-t",
            "TIG aluminium: T, horizontal",
            Aluminium,
            ("1/8", Joint.T, Position.Horizontal),
            "Both plates wet before the first dab. More cleaning if the puddle wears a skin, less if the tungsten balls.",
            "tig-al-lap"
        ),
        Row(
            "tig-al-butt",
            "TIG aluminium: square butt",
            Aluminium,
            ("1/8", Joint.SquareButt, Position.Flat),
            "Scraped edges, back chamfered. The puddle sinks when it is through.",
            "tig-al-t"
        ),
        Row(
                "tig-al-test",
                "Test weld: TIG aluminium T, horizontal",
                Aluminium,
                ("1/8", Joint.T, Position.Horizontal),
                "Coupon marked, terms fixed before the arc, two assessors who do not hear each other.",
                "tig-al-t"
            )
            .ByTest(CriteriaSet.Iso10042C),
    ];
}
