using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Server.Database;
using GentleBead.Server.Windows;
using Npgsql;

namespace GentleBead.Server.Beads;

/// <summary>What came of writing about a bead.</summary>
public abstract record BeadOutcome;

/// <summary>It stands as this now.</summary>
public sealed record Recorded(Bead Bead) : BeadOutcome;

/// <summary>It was refused, by field.</summary>
public sealed record RefusedBead(IReadOnlyList<Problem> Problems) : BeadOutcome;

/// <summary>Somebody looked at the bead since the version that was named.</summary>
public sealed record LookedSince(Bead Bead) : BeadOutcome;

/// <summary>There is no such bead.</summary>
public sealed record NoSuchBead : BeadOutcome;

/// <summary>Records beads, looks again and takes them off, each in one transaction in which the machine's beads take turns.</summary>
public sealed class BeadRecorder(SchoolDatabase database, CauseRulingStore rulings, TimeProvider clock)
{
    /// <summary>Records a bead under the caller's id; the same again gives what is stored.</summary>
    /// <exception cref="OtherBodyException">The id is taken by a bead that says something else.</exception>
    public async Task<BeadOutcome> RecordAsync(Guid id, BeadRequest request, Guid by, CancellationToken cancel)
    {
        var sent = Sent.Of(request);
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (!await GroundStore.TakeTurnAsync(connection, request.SheetId, 1, cancel))
            return Refuse("sheetId", Say($"There is no such sheet."));
        var ground = (await GroundStore.OfAsync(connection, request.SheetId, id, request.Trial?.TrialId, request.Trial?.Step, cancel))!;
        if (ground.Stored)
            return sent.IsSameAs(ground.Sent)
                ? new Recorded((await BeadStore.FindAsync(connection, id, cancel))!)
                : throw new OtherBodyException();
        if (request.Trial is { } place && TrialProblem(ground, place) is { } noTrial)
            return Refuse("trial", noTrial);
        if (OwnProblem(request.Own, ground, by) is { } ownWord)
            return new RefusedBead([ownWord]);

        var problems = new List<Problem>();
        var evidence = Noted(request.Evidence, ground, problems);
        var (read, amps) = Read(
            new CorrectedSettings(request.WireMark, request.VoltMark, request.AmpMark, request.WireFeed, request.Volts, request.Amps),
            ground,
            problems
        );
        if (problems.Count > 0)
            return new RefusedBead(problems);

        var before = request.Trial is null ? await BeadStore.BeforeAsync(connection, request.SheetId, int.MaxValue, cancel) : null;
        var unjudged = new Bead(
            id,
            request.SheetId,
            0,
            request.WireMark,
            request.VoltMark,
            request.AmpMark,
            read,
            amps,
            evidence,
            null!,
            null,
            default,
            id
        );
        var room = await rulings.WeightsAsync(connection, ground.RoomWeightsId, cancel);
        var bead = unjudged with { Judgement = JudgeIt(unjudged, ground, before, room) };
        var at = ground.Sheet.When(request.NotedAt, clock.GetUtcNow());
        bead = await BeadStore.AddAsync(connection, bead, ground, request.Trial, by, sent, at, cancel);
        if (request.Own is { } own)
            await OwnWordStore.AddAsync(connection, id, own, by, cancel);
        if (read is not null && evidence.SoundHeard() is not null)
            await WindowStore.RefitAsync(connection, ground.MachineId, ground.Body.Job.RequireArc(), cancel);
        await transaction.CommitAsync(cancel);
        return new Recorded(bead);
    }

    /// <summary>Adds a bead that was judged elsewhere: the made-up school's.</summary>
    /// <param name="bead">The bead with its judgement.</param>
    /// <param name="by">Who recorded it.</param>
    /// <param name="at">When.</param>
    public async Task<Bead> AddJudgedAsync(Bead bead, Guid by, DateTimeOffset at, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await GroundStore.TakeTurnAsync(connection, bead.SheetId, 1, cancel);
        var ground = (await GroundStore.OfAsync(connection, bead.SheetId, bead.Id, null, null, cancel))!;
        bead = await BeadStore.AddAsync(connection, bead, ground, null, by, Sent.ByNobody, at, cancel);
        await WindowStore.RefitAsync(connection, ground.MachineId, ground.Body.Job.RequireArc(), cancel);
        await transaction.CommitAsync(cancel);
        return bead;
    }

    /// <summary>Adds a person's look at a bead, which names the version it was made from; all the evidence, as it now stands.</summary>
    /// <exception cref="OtherBodyException">The look's id is taken by another.</exception>
    public Task<BeadOutcome> LookAsync(Guid id, Guid lookId, Guid version, LookRequest request, Guid by, CancellationToken cancel) =>
        ChangeAsync(
            lookId,
            id,
            version,
            Sent.Of(request).Under(id),
            by,
            (bead, ground, problems) =>
            {
                var evidence = request.Evidence ?? new Evidence();
                // What a screen was shown of a section comes back with it; it stands as measured, and is set by no look.
                if (evidence.Macro is not null && evidence.Macro != bead.Evidence.Macro)
                    problems.Add(new("evidence.macro", SectionElsewhere));
                evidence = evidence with
                {
                    Listened = bead.Evidence.Listened,
                    Macro = bead.Evidence.Macro,
                    Face = bead.Evidence.Face,
                    Back = bead.Evidence.Back,
                };
                problems.AddRange(evidence.Problems(ground.Body.BeadMeasure));
                return Corrected(bead, request.Settings, ground, problems) with { Evidence = evidence };
            },
            cancel
        );

    /// <summary>
    /// Has a bead judged anew with evidence that follows from elsewhere: a section measured, a recording heard. Null where nothing changes.
    /// </summary>
    public async Task<Bead?> MergeAsync(
        Guid lookId,
        Guid id,
        Func<Evidence, Evidence> change,
        Guid by,
        CancellationToken cancel = default
    ) =>
        await ChangeAsync(lookId, id, null, Sent.ByNobody, by, (bead, _, _) => bead with { Evidence = change(bead.Evidence) }, cancel)
            is Recorded recorded
            ? recorded.Bead
            : null;

    /// <summary>Takes a bead off its coupon, or puts it back.</summary>
    /// <returns>Whether there is such a bead.</returns>
    public async Task<bool> WithdrawAsync(Guid id, Guid? by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (await BeadStore.FindAsync(connection, id, cancel) is not { } bead)
            return false;
        await GroundStore.TakeTurnAsync(connection, bead.SheetId, 0, cancel);
        await BeadStore.SetWithdrawnAsync(connection, id, by, cancel);
        await RefitOfAsync(connection, bead, cancel: cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    /// <summary>Adds an instructor's word on a bead; the newest on the verdict stands.</summary>
    public async Task<BeadOutcome> RuleAsync(Guid id, GivenRuling given, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (await BeadStore.FindAsync(connection, id, cancel) is not { } bead)
            return new NoSuchBead();
        await GroundStore.TakeTurnAsync(connection, bead.SheetId, 0, cancel);
        if (await RulingStore.AddAsync(connection, id, given, sent, cancel) && given.Ruling.Aspect is null)
            await RefitOfAsync(connection, bead, cancel: cancel);
        var stored = await BeadStore.FindAsync(connection, id, cancel);
        await transaction.CommitAsync(cancel);
        return new Recorded(stored!);
    }

    /// <summary>What a word on a cause rests on: the bead's process, the tool's word, its signs. Null for no such bead.</summary>
    public async Task<(Bead Bead, RuledBead Ruled)?> SignsAsync(Guid id, Cause cause, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        if (await BeadStore.FindAsync(connection, id, cancel) is not { } bead)
            return null;
        var place = await TrialPlaceStore.OfBeadAsync(connection, id, cancel);
        var ground = (await GroundStore.OfAsync(connection, bead.SheetId, id, place?.TrialId, place?.Step, cancel))!;
        BeadAtHand laid = bead.Used is { } used
            ? new FedBead(ground.Body, ground.Machine, used, bead.Evidence)
            : new TungstenBead(ground.Body, ground.Machine, bead.Amps!.Value, bead.Evidence);
        var tool = bead.Judgement.Causes is [var first, ..] ? first.Cause : Cause.NothingWrong;
        return (bead, new RuledBead(ground.Body.Job.Process, tool, cause, Signs.Counted(laid)));
    }

    /// <summary>Said where a section's values are sent by hand.</summary>
    internal static readonly Said SectionElsewhere = Say(
        $"A section's values come from marks on its picture. Add the picture to the bead and mark it there."
    );

    private async Task<BeadOutcome> ChangeAsync(
        Guid lookId,
        Guid id,
        Guid? version,
        Sent sent,
        Guid by,
        Func<Bead, BeadGround, List<Problem>, Bead> change,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (await BeadStore.FindAsync(connection, id, cancel) is not { } unlocked)
            return new NoSuchBead();
        await GroundStore.TakeTurnAsync(connection, unlocked.SheetId, 0, cancel);
        // Only now does nobody else write of it.
        var bead = (await BeadStore.FindAsync(connection, id, cancel))!;
        if (await connection.IsRepeatAsync("look", lookId, sent, cancel))
            return new Recorded(bead);
        if (version is { } seen && seen != bead.Version)
            return new LookedSince(bead);
        var place = await TrialPlaceStore.OfBeadAsync(connection, id, cancel);
        var ground = (await GroundStore.OfAsync(connection, bead.SheetId, id, place?.TrialId, place?.Step, cancel))!;
        var problems = new List<Problem>();
        var looked = change(bead, ground, problems);
        if (problems.Count > 0)
            return new RefusedBead(problems);
        if (version is null && looked.Evidence == bead.Evidence)
            return new Recorded(bead);

        var before = place is null ? await BeadStore.BeforeAsync(connection, bead.SheetId, bead.Number, cancel) : null;
        var room = await rulings.WeightsAsync(connection, ground.RoomWeightsId, cancel);
        await BeadStore.AddLookAsync(
            connection,
            lookId,
            looked with
            {
                Judgement = JudgeIt(looked, ground, before, room),
            },
            by,
            sent,
            cancel: cancel
        );
        await RefitOfAsync(connection, bead, ground, cancel);
        var stored = await BeadStore.FindAsync(connection, id, cancel);
        await transaction.CommitAsync(cancel);
        return new Recorded(stored!);
    }

    // What was noted of a new bead; what of it cannot be goes to the problems.
    private static Evidence Noted(Evidence? given, BeadGround ground, List<Problem> problems)
    {
        // What recordings and sections say comes from them alone.
        var evidence = (given ?? new Evidence()) with
        {
            Listened = null,
            Face = null,
            Back = null,
        };
        problems.AddRange(evidence.Problems(ground.Body.BeadMeasure));
        if (evidence.Macro is not null)
            problems.Add(new("evidence.macro", SectionElsewhere));
        return evidence;
    }

    // What was set, from marks or as measured; what of it cannot be goes to the problems.
    private static (Settings? Pair, Current? Amps) Read(CorrectedSettings given, BeadGround ground, List<Problem> problems)
    {
        if (ground.Body.Pair is null)
            return (null, ground.Machine.ReadAmps(given.AmpMark, given.Amps, problems));
        var pair = ground.Machine.Read(given.WireMark, given.VoltMark, given.WireFeed, given.Volts);
        problems.AddRange(pair.Problems);
        return (pair.Value, null);
    }

    private static Bead Corrected(Bead bead, CorrectedSettings? given, BeadGround ground, List<Problem> problems)
    {
        if (given is null)
            return bead;
        var (pair, amps) = Read(given, ground, problems);
        return bead with { WireMark = given.WireMark, VoltMark = given.VoltMark, AmpMark = given.AmpMark, Used = pair, Amps = amps };
    }

    private static async Task RefitOfAsync(
        NpgsqlConnection connection,
        Bead bead,
        BeadGround? known = null,
        CancellationToken cancel = default
    )
    {
        if (bead.Used is null)
            return;
        var ground = known ?? (await GroundStore.OfAsync(connection, bead.SheetId, bead.Id, null, null, cancel))!;
        await WindowStore.RefitAsync(connection, ground.MachineId, ground.Body.Job.RequireArc(), cancel);
    }

    private static Judgement JudgeIt(Bead bead, BeadGround ground, Bead? before, RoomWeights? room)
    {
        var around = new Circumstances(
            before?.AsBefore(),
            ground.StudentCauses,
            ground.MachineCauses,
            ground.Sheet.Criteria,
            ground.Tolerances,
            bead.FromMarks(),
            room
        );
        return bead.Used is { } used
            ? Judge.Of(ground.Body, ground.Machine, used, bead.Evidence, around)
            : Judge.Of(ground.Body, ground.Machine, bead.Amps!.Value, bead.Evidence, around);
    }

    private static Problem? OwnProblem(OwnWord? own, BeadGround ground, Guid by) =>
        own is { } said && OwnWords.Keys(ground.Body.Job.Process).All(key => key.Change != said.Change)
            ? new("own.change", Say($"This is not a change for what is welded with here."))
        : own is null && ground.IsOf(by) && ground.ToolWord.AsksOwn() ? new("own", Say($"Your own verdict and your own next change first."))
        : null;

    private static Said? TrialProblem(BeadGround ground, TrialPlace place) =>
        ground.Plan is not { } plan ? Say($"There is no such trial on this sheet.")
        : place.Step < 1 || place.Step > plan.Steps.Count ? Say($"This trial has {plan.Steps.Count} steps.")
        : null;

    private static RefusedBead Refuse(string field, Said said) => new([new Problem(field, said)]);
}
