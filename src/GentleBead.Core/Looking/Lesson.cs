using GentleBead.Core.Beads;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Looking;

/// <summary>
/// A picture that a person has corrected, as the eye can be taught and measured by it: docs/eye.md has the format. Nothing in it says
/// whose it is, or when and where it was taken.
/// </summary>
/// <param name="Edition">Of the format: 1.</param>
/// <param name="Picture">The picture's file beside it.</param>
/// <param name="Width">How wide that is, pixels.</param>
/// <param name="Height">How high, pixels.</param>
/// <param name="Joint">What was welded.</param>
/// <param name="Face">What was kept of a face; null of a section.</param>
/// <param name="FaceProposed">What the eye had proposed of it; null where it could not.</param>
/// <param name="Section">How a section was marked; null of a face.</param>
/// <param name="SectionMeasures">What those marks measure; null with them.</param>
/// <param name="SectionProposed">Where the eye would have marked it; null where it could not.</param>
public sealed record Lesson(
    int Edition,
    string Picture,
    int Width,
    int Height,
    Joint Joint,
    FaceSeen? Face,
    FaceSeen? FaceProposed,
    MacroMarks? Section,
    MacroMeasures? SectionMeasures,
    MacroMarks? SectionProposed
)
{
    /// <summary>The edition that is written now.</summary>
    public const int Now = 1;
}
