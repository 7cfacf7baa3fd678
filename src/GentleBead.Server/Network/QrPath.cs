using System.Text;
using QRCoder;

namespace GentleBead.Server.Network;

/// <summary>A QR code (ISO/IEC 18004, error correction M) as one path of squares.</summary>
/// <param name="Size">How many squares a side has, with the quiet edge of four around it.</param>
/// <param name="Path">The dark squares as an SVG path, one unit a square.</param>
public sealed record QrPath(int Size, string Path)
{
    /// <summary>Writes a text as a QR code.</summary>
    /// <exception cref="ArgumentException">More than a code holds: about 2,300 letters.</exception>
    public static QrPath Of(string text)
    {
        using var code = Encode(text);
        var path = new StringBuilder();
        for (var row = 0; row < code.ModuleMatrix.Count; row++)
        {
            for (var column = 0; column < code.ModuleMatrix[row].Count; column++)
                if (code.ModuleMatrix[row][column])
                    path.Append($"M{column} {row}h1v1h-1z");
        }
        return new(code.ModuleMatrix.Count, path.ToString());
    }

    /// <summary>For a terminal: two squares a letter, one above the other.</summary>
    public static string InLetters(string text)
    {
        using var code = Encode(text);
        using var letters = new AsciiQRCode(code);
        return letters.GetGraphicSmall();
    }

    private static QRCodeData Encode(string text)
    {
        try
        {
            return QRCodeGenerator.GenerateQrCode(text, QRCodeGenerator.ECCLevel.M);
        }
        catch (QRCoder.Exceptions.DataTooLongException tooLong)
        {
            throw new ArgumentException("More than a QR code holds.", nameof(text), tooLong);
        }
    }
}
