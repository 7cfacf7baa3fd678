namespace GentleBead.Server.Http;

/// <summary>Takes something back that was noted by mistake, or puts it back; it stays in the records either way.</summary>
/// <param name="Withdrawn">Whether it is taken back; false puts it back.</param>
public sealed record Withdrawal(bool Withdrawn);
