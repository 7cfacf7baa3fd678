using System.Diagnostics;
using OpenCvSharp;

namespace GentleBead.Bench.Looking;

/// <summary>Draws scenes with POV-Ray, from Debian.</summary>
internal static class PovRay
{
    /// <summary>Draws a scene; the picture is the caller's.</summary>
    public static Mat Draw(IScene scene)
    {
        var folder = Directory.CreateTempSubdirectory("gentlebead-scene");
        try
        {
            using (var card = CardPrint.Draw(scene.Card))
                Cv2.ImWrite(Path.Combine(folder.FullName, "card.png"), card);
            scene.Write(folder.FullName);
            var start = new ProcessStartInfo(Debian.PovRay.Path)
            {
                WorkingDirectory = folder.FullName,
                RedirectStandardError = true,
                RedirectStandardOutput = true,
            };
            string[] asked = ["+Iscene.pov", "+Oout.png", $"+W{scene.View.Width}", $"+H{scene.View.Height}", "-D", "-A", "+WT1", "-GA"];
            foreach (var one in asked)
                start.ArgumentList.Add(one);
            using var povray = Process.Start(start)!;
            var said = povray.StandardError.ReadToEndAsync();
            povray.StandardOutput.ReadToEnd();
            povray.WaitForExit();
            var drawn = Cv2.ImRead(Path.Combine(folder.FullName, "out.png"));
            return povray.ExitCode == 0 && !drawn.Empty() ? drawn : throw new InvalidOperationException(said.Result);
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }
}
