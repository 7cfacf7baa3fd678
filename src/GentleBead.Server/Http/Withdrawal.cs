namespace GentleBead.Server.Http;

/// <summary>Takes something back that was noted by mistake, or puts it back; it stays in the records either way.</summary>
/// <param name="Withdrawn">Taken back, or standing.</param>
public sealed record Withdrawal(bool Withdrawn);
