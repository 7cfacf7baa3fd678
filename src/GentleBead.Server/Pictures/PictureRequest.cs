using GentleBead.Core.Looking;

namespace GentleBead.Server.Pictures;

/// <summary>What the process that decodes pictures is asked: one of drawing it anew, a face, a back, a section or a frame.</summary>
/// <param name="Bytes">How many bytes of picture follow.</param>
/// <param name="Clean">Whether it is to be drawn anew.</param>
/// <param name="Face">What is asked of a bead's face.</param>
/// <param name="Back">What is asked of what shows behind a bead.</param>
/// <param name="Section">What is asked of a section.</param>
/// <param name="Width">How wide the picture will be that a frame is of, pixels.</param>
internal sealed record PictureRequest(
    int Bytes,
    bool Clean = false,
    FaceAsk? Face = null,
    BackAsk? Back = null,
    SectionAsk? Section = null,
    int Width = 0
);

/// <summary>What it answers; nothing of it where the eye's picture could not be decoded.</summary>
/// <param name="Clean">A picture drawn anew.</param>
/// <param name="Problem">Why it was not.</param>
/// <param name="Face">Of a face.</param>
/// <param name="Back">Of a back.</param>
/// <param name="Section">Of a section.</param>
/// <param name="Frame">Of a frame.</param>
internal sealed record PictureResponse(
    CleanPicture? Clean = null,
    Said? Problem = null,
    FaceAnswer? Face = null,
    BackAnswer? Back = null,
    SectionAnswer? Section = null,
    FrameAnswer? Frame = null
);
