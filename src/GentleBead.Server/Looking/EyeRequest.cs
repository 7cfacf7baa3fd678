using GentleBead.Core.Looking;

namespace GentleBead.Server.Looking;

/// <summary>What the eye's process is asked.</summary>
/// <param name="Face">What is asked of a bead's face; null to say whether a frame will do.</param>
/// <param name="Width">How wide the picture will be that the frame is of, pixels.</param>
/// <param name="Bytes">How many bytes of picture follow.</param>
internal sealed record EyeRequest(FaceAsk? Face, int Width, int Bytes);

/// <summary>What the eye's process answers.</summary>
/// <param name="Face">Of a face; null else.</param>
/// <param name="Frame">Of a frame; null else.</param>
/// <param name="Unreadable">The picture could not be decoded.</param>
internal sealed record EyeResponse(FaceAnswer? Face, FrameAnswer? Frame, bool Unreadable);
