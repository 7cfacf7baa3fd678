using GentleBead.Core.Looking;

namespace GentleBead.Server.Looking;

/// <summary>What the eye's process is asked: one of a face, a section or a frame.</summary>
/// <param name="Bytes">How many bytes of picture follow.</param>
/// <param name="Face">What is asked of a bead's face.</param>
/// <param name="Section">What is asked of a section.</param>
/// <param name="Width">How wide the picture will be that a frame is of, pixels.</param>
internal sealed record EyeRequest(int Bytes, FaceAsk? Face = null, SectionAsk? Section = null, int Width = 0);

/// <summary>What the eye's process answers; nothing of it where the picture could not be decoded.</summary>
/// <param name="Face">Of a face.</param>
/// <param name="Section">Of a section.</param>
/// <param name="Frame">Of a frame.</param>
internal sealed record EyeResponse(FaceAnswer? Face = null, SectionAnswer? Section = null, FrameAnswer? Frame = null);
