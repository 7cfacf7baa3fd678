namespace GentleBead.Server.Http;

/// <summary>How much may be sent at once.</summary>
public static class Limits
{
    /// <summary>The most bytes of a request that brings no file.</summary>
    public const int Request = 256 * 1024;

    /// <summary>The most bytes of a picture.</summary>
    public const int Picture = 15 * 1024 * 1024;

    /// <summary>The most pixels: a small file can unfold into a large picture; no camera at a booth makes more than this.</summary>
    public const long PicturePixels = 40_000_000;

    /// <summary>The most bytes of a recording: five minutes of stereo in 16 bits at 48,000 a second, and a little.</summary>
    public const int Recording = 60 * 1024 * 1024;

    /// <summary>The most rows of a log of volts and amps: five minutes of 20,000 a second.</summary>
    public const int LogRows = 6_000_000;

    /// <summary>The most letters of a card that is read in.</summary>
    public const int CardLetters = 200_000;

    /// <summary>The most letters of a door chart that is read in.</summary>
    public const int ChartLetters = 20_000;
}
