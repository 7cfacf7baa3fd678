namespace GentleBead.Core.Running;

/// <summary>A booth's tablet that has not been heard of for some minutes.</summary>
/// <param name="Booth">The booth's number.</param>
/// <param name="Room">Its room's name.</param>
/// <param name="Since">When it was last heard of.</param>
public sealed record SilentTablet(int Booth, string Room, DateTimeOffset Since);

/// <summary>What is known of how Gentle Bead runs; null of what is not known here.</summary>
/// <param name="Now">The moment.</param>
/// <param name="Zone">The school's clock.</param>
/// <param name="AnswerMs">How long the database took to answer a small question, ms; 0 or more.</param>
/// <param name="DatabaseBytes">What the database holds, bytes.</param>
/// <param name="StandbyFollows">Whether a standby follows the database; null where none is meant to.</param>
/// <param name="FreeBytes">What is left of the disk this server's files lie on, bytes.</param>
/// <param name="DiskBytes">How large that disk is, bytes; above 0.</param>
/// <param name="Backups">The newest backups that lie where this server looks for them; null where it was told of no folder.</param>
/// <param name="Silent">Tablets that were heard of within the last half day and then no more.</param>
/// <param name="CertificateEnds">When the certificate ends that tablets are shown; null where this server shows none.</param>
public sealed record RunningFacts(
    DateTimeOffset Now,
    TimeZoneInfo Zone,
    double AnswerMs,
    long DatabaseBytes,
    bool? StandbyFollows,
    long FreeBytes,
    long DiskBytes,
    NewestBackup? Backups,
    IReadOnlyList<SilentTablet> Silent,
    DateTimeOffset? CertificateEnds
);

/// <summary>The newest backup of a folder.</summary>
/// <param name="At">When it was made; null where there is none.</param>
public sealed record NewestBackup(DateTimeOffset? At);
