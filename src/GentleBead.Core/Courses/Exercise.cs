using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Courses;

/// <summary>What shows that an exercise is done.</summary>
public enum Proof
{
    /// <summary>Right beads.</summary>
    Beads,

    /// <summary>Right beads, one of them sawn and right in section too.</summary>
    Section,

    /// <summary>A trial that was ended, at that job.</summary>
    Trial,

    /// <summary>A test weld that was signed off as accepted.</summary>
    TestWeld,
}

/// <summary>The stock a piece is cut from.</summary>
public enum StockForm
{
    /// <summary>Flat bar: cut to length only.</summary>
    FlatBar,

    /// <summary>Plate or sheet: cut both ways.</summary>
    Plate,
}

/// <summary>Pieces of a coupon.</summary>
/// <param name="Form">What they are cut from.</param>
/// <param name="Thickness">How thick, 0.5 to 25.4 mm.</param>
/// <param name="Width">How wide, 10 to 1000 mm.</param>
/// <param name="Long">How long, 20 to 1000 mm.</param>
/// <param name="Count">How many of them, 1 to 20.</param>
public sealed record Piece(StockForm Form, Length Thickness, Length Width, Length Long, int Count)
{
    /// <summary>What is wrong with it, field by field.</summary>
    public IEnumerable<Problem> Problems()
    {
        if (Thickness.Mm is not (>= 0.5 and <= 25.4))
            yield return new("thicknessMm", Say($"{Length.FromMm(0.5)} to {Length.FromMm(25.4)}."));
        if (Width.Mm is not (>= 10 and <= 1000))
            yield return new("widthMm", Say($"{Length.FromMm(10)} to {Length.FromMm(1000)}."));
        if (Long.Mm is not (>= 20 and <= 1000))
            yield return new("longMm", Say($"{Length.FromMm(20)} to {Length.FromMm(1000)}."));
        if (Count is < 1 or > 20)
            yield return new("count", Say($"1 to 20 pieces."));
    }
}

/// <summary>An exercise: a job to practise, what it is judged by, and when it is done.</summary>
/// <param name="Name">What it is called, 1 to 60 letters.</param>
/// <param name="Job">What is welded; the wire and the gas are the machine's where none is named.</param>
/// <param name="Criteria">What its beads are judged by.</param>
/// <param name="Proof">What shows that it is done.</param>
/// <param name="Done">How many right beads it takes.</param>
/// <param name="Pieces">What a coupon is made of, up to 8 kinds of pieces.</param>
/// <param name="BeadsACoupon">How many beads a coupon takes, 1 to 40: both sides, and between the beads.</param>
/// <param name="MinutesABead">Minutes a bead takes with everything around it, 0.5 to 60; common practice: 1 to 3.</param>
/// <param name="Before">The exercises that come before it.</param>
/// <param name="How">How it is done and what to watch, up to 600 letters.</param>
/// <param name="Caution">What can hurt, beyond what every sheet says, up to 300 letters; empty where there is nothing more.</param>
public sealed record Exercise(
    string Name,
    AskedJob Job,
    CriteriaSet Criteria,
    Proof Proof,
    DoneRule Done,
    IReadOnlyList<Piece> Pieces,
    int BeadsACoupon,
    double MinutesABead,
    IReadOnlyList<Guid> Before,
    string How,
    string Caution = ""
)
{
    private const int LongestName = 60;
    private const int LongestHow = 600;
    private const int LongestCaution = 300;
    private const int MostPieces = 8;
    private const int MostBefore = 12;

    /// <summary>Everything that is wrong with it; the job is looked at where its sheet is made.</summary>
    public IEnumerable<Problem> Problems()
    {
        if ((Name ?? "").Trim().Length is 0 or > LongestName)
            yield return new("name", Say($"Name the exercise, up to {LongestName} letters."));
        foreach (var problem in Done.Problems())
            yield return problem.Under("done");
        if (Pieces.Count > MostPieces)
            yield return new("pieces", Say($"At most {MostPieces} kinds of pieces."));
        for (var i = 0; i < Pieces.Count; i++)
        {
            foreach (var problem in Pieces[i].Problems())
                yield return problem.Under($"pieces[{i}]");
        }
        if (BeadsACoupon is < 1 or > 40)
            yield return new("beadsACoupon", Say($"1 to 40 beads."));
        if (MinutesABead is not (>= 0.5 and <= 60))
            yield return new("minutesABead", Say($"Half a minute to 60 min."));
        if (Before.Count > MostBefore)
            yield return new("before", Say($"At most {MostBefore} exercises before it."));
        if ((How ?? "").Length > LongestHow)
            yield return new("how", Say($"Up to {LongestHow} letters."));
        if ((Caution ?? "").Length > LongestCaution)
            yield return new("caution", Say($"Up to {LongestCaution} letters."));
    }

    /// <summary>Whether a bead was laid to this exercise's job: the same process, metal, joint and position, and about as thick.</summary>
    /// <param name="job">The job of the bead's sheet.</param>
    public bool Fits(Rules.Job job)
    {
        ArgumentNullException.ThrowIfNull(job);
        return job.Process == Job.Process
            && job.Metal == Job.Metal
            && job.Joint == Job.Joint
            && job.Position == Job.Position
            && IsAbout(job.Thinner.Mm, Thinner.Mm)
            && IsAbout(job.Thicker.Mm, Thicker.Mm);
    }

    private Length Thinner => Job.OtherThickness is { } other && other.Value < Job.Thickness.Value ? other.Value : Job.Thickness.Value;

    private Length Thicker => Job.OtherThickness is { } other && other.Value > Job.Thickness.Value ? other.Value : Job.Thickness.Value;

    // 3 mm, 1/8 in and 11 gauge are one thickness to a student, 1/8 and 3/16 in two: a sixth apart at most. Our own reading.
    private static bool IsAbout(double mm, double other) => Math.Abs(mm - other) <= Math.Max(mm, other) / 6;
}
