using System.Text;

namespace GentleBead.Bench.Looking;

/// <summary>A plate with what was welded on it, by its relief and its skin.</summary>
internal static class PlateScene
{
    /// <summary>Writes it.</summary>
    /// <param name="text">The scene.</param>
    /// <param name="plate">The plate's rims, mm.</param>
    /// <param name="thick">How thick it is, mm.</param>
    /// <param name="bare">Whether nothing stands on it.</param>
    public static void Write(StringBuilder text, (double Left, double Top, double Right, double Bottom) plate, double thick, bool bare)
    {
        var (wide, high) = (plate.Right - plate.Left, plate.Bottom - plate.Top);
        var tall = FaceSkin.High - FaceSkin.Low;
        text.AppendLine("#declare Flat = pigment { image_map { png \"skin.png\" interpolate 2 once } };");
        text.AppendLine("#declare Skin = pigment { image_map { png \"skin.png\" interpolate 2 once } rotate x*90 };");
        var relief = bare
            ? FaceScene.Made($"box {{ <0,0,0>, <1,{-FaceSkin.Low / tall},1> pigment {{ Skin }} finish {{ Plate }}")
            : "height_field { png \"relief.png\" smooth texture { image_pattern { png \"mask.png\" once } texture_map "
                + "{ [0.5 pigment { Flat } finish { Plate }] [0.5 pigment { Flat } finish { Bead }] } rotate x*90 }";
        text.AppendLine(
            relief + FaceScene.Made($" scale <{wide},{tall},{high}> translate <{plate.Left},{FaceSkin.Low},{-plate.Bottom}> }}")
        );
        text.AppendLine(
            FaceScene.Made(
                $$"""
                box { <{{plate.Left}},{{-thick}},{{-plate.Bottom}}>, <{{plate.Right}},-0.9,{{-plate.Top}}>
                    pigment { rgb 0.2 } finish { Plate } }
                """
            )
        );
    }
}
