using System.Text;
using GentleBead.Bench.Listening;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Looking;

/// <summary>Lamps, the room round them, the finish of what is looked at, and the bench it lies on.</summary>
internal sealed class Studio(Xoshiro256StarStar chance, bool dark)
{
    /// <summary>Writes all of it.</summary>
    /// <param name="text">The scene.</param>
    /// <param name="ground">How high the bench's top is, mm.</param>
    public void Write(StringBuilder text, double ground)
    {
        var flat = dark ? 0.045 : 1;
        var sky = chance.Between(0.15, 0.5) * flat;
        var warm = chance.Between(0.82, 1.18);
        var lights = chance.Next(1, 3);
        for (var i = 0; i < lights; i++)
        {
            var (round, high) = (chance.Between(0, 2 * Math.PI), chance.Between(0.35, 1.35));
            var at = 900 * new Spot(Math.Cos(round) * Math.Cos(high), Math.Sin(round) * Math.Cos(high), Math.Sin(high));
            var power = chance.Between(0.5, 1.1) / lights * (i == 0 ? 1.4 : 1) * flat / Math.Sqrt(Math.Sin(high));
            var soft = chance.Between(30, 260);
            // A lamp that is no point throws a soft shadow; it takes four times as long to draw.
            var area = chance.In(0.25) ? FaceScene.Made($"area_light <{soft},0,0>,<0,0,{soft}>,2,2 adaptive 0") : "";
            text.AppendLine(FaceScene.Made($"light_source {{ {at.Pov()} color rgb <{power * warm},{power},{power / warm}> {area} }}"));
        }
        text.AppendLine(
            FaceScene.Made(
                $$"""
                sky_sphere { pigment { gradient y color_map {
                    [0 rgb {{sky * 0.4}}] [0.5 rgb {{sky}}] [0.8 rgb {{sky * 1.8}}] [1 rgb {{sky * 1.3}}] } } }
                """
            )
        );
        text.AppendLine(FaceScene.Made($"#declare Soft = finish {{ ambient rgb {sky} diffuse 0.72 }};"));
        Metal(text, "Plate", sky, chance.Between(0, 0.05));
        Metal(text, "Bead", sky, chance.Between(0.02, 0.28));
        Ground(text, ground);
    }

    private void Metal(StringBuilder text, string name, double sky, double mirror)
    {
        var (shine, smooth) = (chance.Between(0.15, 0.9), chance.Around(0.012, 0.12));
        text.AppendLine(
            FaceScene.Made(
                $$"""
                #declare {{name}} = finish { ambient rgb {{sky * 0.8}} diffuse 0.6 specular {{shine}} roughness {{smooth}} metallic
                    reflection { {{mirror}} metallic } };
                """
            )
        );
    }

    private void Ground(StringBuilder text, double ground)
    {
        var (deep, light) = (chance.Between(0.05, 0.25), chance.Between(0.2, 0.5));
        var warm = chance.Between(0.7, 1.1);
        text.AppendLine(
            FaceScene.Made(
                $$"""
                plane { y, {{ground}} pigment { granite scale {{chance.Between(20, 160)}} color_map {
                    [0 rgb <{{deep}},{{deep}},{{deep * warm}}>] [1 rgb <{{light}},{{light * 0.9}},{{light * 0.8 * warm}}>] } }
                    finish { Soft } }
                """
            )
        );
    }
}
