using System.Text;

namespace GentleBead.Bench.Looking;

/// <summary>A fillet's plates and face: the lower plate lies, the other stands on it, the face leans between them.</summary>
internal static class FilletScene
{
    /// <summary>Writes them.</summary>
    /// <param name="text">The scene.</param>
    /// <param name="scene">What is known of it.</param>
    /// <param name="sizes">How thick the lower plate is, how high the other stands, and how thick it is, mm.</param>
    public static void Write(StringBuilder text, FaceScene scene, (double Lower, double High, double Thick) sizes)
    {
        var (bead, plate) = (scene.Bead, scene.Plate);
        var (wide, deep) = (plate.Right - plate.Left, plate.Bottom - plate.Top);
        text.AppendLine(
            FaceScene.Made(
                $$"""
                box { <0,0,0>, <1,1,1> pigment { image_map { png "lower.png" interpolate 2 once } rotate x*90 } finish { Plate }
                    scale <{{wide}},{{sizes.Lower}},{{deep}}> translate <{{plate.Left}},{{-sizes.Lower}},{{-plate.Bottom}}> }
                """
            )
        );
        // The picture's top row is the root of the standing plate: it hangs upside down.
        text.AppendLine(
            FaceScene.Made(
                $$"""
                box { <0,0,0>, <1,1,1> pigment { image_map { png "standing.png" interpolate 2 once } scale <1,-1,1> translate y }
                    finish { Plate } scale <{{wide}},{{sizes.High}},{{sizes.Thick}}> translate <{{plate.Left}},0,0> }
                """
            )
        );
        if (scene.Wrong == Wrong.NoBead)
            return;
        var box = FaceSkin.FilletBox(bead);
        var (lower, upper) = bead.Legs!.Value;
        var across = new Spot(0, lower / bead.Width, -upper / bead.Width);
        var outward = new Spot(0, upper / bead.Width, lower / bead.Width);
        var middle = new Spot(0, lower / 2, upper / 2);
        var tall = FaceSkin.High - FaceSkin.Low;
        // The relief's own axes: along the bead, off its face, and across it from its last row to its first.
        var along = (box.Right - box.Left) * new Spot(1, 0, 0);
        var back = -(box.Bottom - box.Top) * across;
        var corner = middle + new Spot(box.Left, 0, 0) + box.Bottom * across + FaceSkin.Low * outward;
        text.AppendLine(
            FaceScene.Made(
                $$"""
                height_field { png "relief.png" smooth water_level 0.01
                    pigment { image_map { png "skin.png" interpolate 2 once } rotate x*90 } finish { Bead }
                    matrix <{{Bare(along)}}, {{Bare(tall * outward)}}, {{Bare(back)}}, {{Bare(corner)}}> }
                """
            )
        );
    }

    private static string Bare(Spot of) => of.Pov().Trim('<', '>');
}
