namespace GentleBead.Core.Keeping;

/// <summary>What is kept for a time of its own.</summary>
public enum KeptKind
{
    /// <summary>Pictures of beads and sections.</summary>
    Pictures,

    /// <summary>Recordings of the arc, and logs of volts and amps.</summary>
    Sound,

    /// <summary>What instructors noted of a student: at a booth, and as remarks.</summary>
    Notes,

    /// <summary>Everything else of a person, under their name.</summary>
    Records,
}

/// <summary>
/// How long a school keeps what it keeps, in whole months since it was made; null keeps it until somebody says otherwise.
/// </summary>
/// <param name="PictureMonths">Pictures; 1 to 600.</param>
/// <param name="SoundMonths">Sound and logs; 1 to 600.</param>
/// <param name="NoteMonths">Notes and remarks; 1 to 600.</param>
/// <param name="RecordMonths">Records under somebody's name, since they were last here; 1 to 600.</param>
public sealed record KeepingTerms(int? PictureMonths = null, int? SoundMonths = null, int? NoteMonths = null, int? RecordMonths = null)
{
    /// <summary>The longest there is, in months: fifty years.</summary>
    public const int Longest = 600;

    private static readonly (KeptKind Kind, string Field, Func<KeepingTerms, int?> Months)[] Fields =
    [
        (KeptKind.Pictures, "pictureMonths", terms => terms.PictureMonths),
        (KeptKind.Sound, "soundMonths", terms => terms.SoundMonths),
        (KeptKind.Notes, "noteMonths", terms => terms.NoteMonths),
        (KeptKind.Records, "recordMonths", terms => terms.RecordMonths),
    ];

    /// <summary>What lies outside its range, by JSON field.</summary>
    public IEnumerable<Problem> Problems() =>
        Fields
            .Where(field => field.Months(this) is < 1 or > Longest)
            .Select(field => new Problem(field.Field, Say($"1 to {Longest} months, or nothing to keep it.")));

    /// <summary>From when on something of a kind is still kept; null where all of it is.</summary>
    /// <param name="kind">What.</param>
    /// <param name="now">The moment it is reckoned from.</param>
    public DateTimeOffset? Since(KeptKind kind, DateTimeOffset now) =>
        Fields.First(field => field.Kind == kind).Months(this) is { } months ? now.AddMonths(-months) : null;
}
