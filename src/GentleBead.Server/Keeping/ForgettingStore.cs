using Dapper;
using GentleBead.Core.Keeping;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using Npgsql;

namespace GentleBead.Server.Keeping;

/// <summary>A place where somebody's name stands in words of others.</summary>
/// <param name="Key">Which place: what it is named by to be spared.</param>
/// <param name="Where">What kind of words.</param>
/// <param name="AboutThem">Whether the words are about them; about somebody else, a name in it may be somebody else's too.</param>
/// <param name="At">When they were written; null where that is not kept.</param>
/// <param name="Words">The words.</param>
public sealed record NamedPlace(string Key, Said Where, bool AboutThem, DateTimeOffset? At, string Words);

/// <summary>What was done to forget somebody.</summary>
/// <param name="Pictures">Pictures that went.</param>
/// <param name="Recordings">Recordings that went.</param>
/// <param name="Logbooks">Logbooks of other schools that went.</param>
/// <param name="Notes">Notes, remarks and goals that were struck out.</param>
/// <param name="Named">Places from which the name was struck.</param>
/// <param name="InTests">Of these, in words of test welds, which were struck out whole; the chain holds.</param>
public sealed record ForgettingDone(int Pictures, int Recordings, int Logbooks, int Notes, int Named, int InTests);

/// <summary>Forgets people, and knows who was forgotten.</summary>
internal sealed class ForgettingStore(SchoolDatabase database)
{
    /// <summary>Places of a name that are shown at most; past them all are struck.</summary>
    public const int MostPlaces = 200;

    // What stands where, in words.
    private static readonly Dictionary<string, Said> Names = new()
    {
        ["visit.note"] = Say($"Note at a booth"),
        ["remark.text"] = Say($"Remark"),
        ["goal.text"] = Say($"Goal"),
        ["ruling.reason"] = Say($"Reason of a word on a bead"),
        ["cause_ruling.reason"] = Say($"Reason of a cause"),
        ["sheet.overrule"] = Say($"Why a sheet was given out all the same"),
        ["kept_setting.note"] = Say($"Note of a kept setting"),
        ["test_record.note"] = Say($"Record of a test weld"),
        ["recording.name"] = Say($"Name of a recording's file"),
        ["unplaced_file.detail"] = Say($"Name of a file to be placed"),
        ["session.title"] = Say($"Title of a session"),
        ["session.cancelled"] = Say($"Why a session was cancelled"),
        ["session_close.note"] = Say($"Note on closing down"),
        ["machine_move.note"] = Say($"Why a machine was moved"),
        ["upkeep.note"] = Say($"Note on upkeep"),
        ["preset.name"] = Say($"Name of a preset"),
        ["tablet.name"] = Say($"Name of a tablet"),
        ["course.name"] = Say($"Name of a course"),
        ["room.name"] = Say($"Name of a room"),
        ["machine.name"] = Say($"Name of a machine"),
        ["trail.about"] = Say($"Entry of who did what"),
        ["exercise_edition.body"] = Say($"Exercise"),
        ["machine.body"] = Say($"Machine"),
        ["machine_load.body"] = Say($"What was on a machine"),
        ["door_chart.body"] = Say($"Door chart"),
        ["unplaced_bead.body"] = Say($"Bead to be placed"),
    };

    /// <summary>When somebody was forgotten; null while they are not.</summary>
    public async Task<DateTimeOffset?> AtAsync(Guid person, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<DateTime?>("select forgotten_at from person where id = @person", new { person }, cancel);
    }

    /// <summary>Where their name stands in words that others wrote, or they of others; newest first. Notes of them are left out.</summary>
    public async Task<IReadOnlyList<NamedPlace>> PlacesAsync(Guid person, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(string Place, string Key, Guid? About, DateTime? At, string Words)>(
            """
            select place, key, about, at, words from words_naming(@person)
            where not (about is not distinct from @person and place in ('visit.note', 'remark.text', 'goal.text', 'recording.name',
                'unplaced_file.detail'))
            order by at desc nulls last, key limit @MostPlaces
            """,
            new { person, MostPlaces },
            cancel
        );
        return [.. rows.Select(row => new NamedPlace($"{row.Place}/{row.Key}", Names[row.Place], row.About == person, row.At, row.Words))];
    }

    /// <summary>
    /// Records of test welds from before words stood beside the chain that hold the name in their letters: these cannot be struck out.
    /// </summary>
    public async Task<int> UnderChainAsync(Guid person, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<int>(
            """
            select count(*)::int from test_record cross join person
            where person.id = @person and body::jsonb ->> 'noteSeal' is null
                and body::jsonb ->> 'note' ~* (name_pattern(person.name, person.login) collate "und-x-icu")
            """,
            new { person },
            cancel
        );
    }

    /// <summary>Forgets somebody; the same id again changes nothing. Null where they were forgotten already.</summary>
    /// <param name="id">The id of what is added.</param>
    /// <param name="person">Who is forgotten.</param>
    /// <param name="spared">Places whose words stay as they are.</param>
    /// <param name="by">Who does it.</param>
    /// <param name="sent">What was sent.</param>
    public async Task<ForgettingDone?> ForgetAsync(
        Guid id,
        Guid person,
        IReadOnlyList<string> spared,
        Guid by,
        Sent sent,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // Two at it at once take turns.
        await connection.ExecuteAsync("select pg_advisory_xact_lock(hashtextextended(@person::text, 1))", new { person }, cancel);
        if (await DoneAsync(connection, id, sent, cancel) is { } done)
            return done;
        if (
            await connection.ExecuteScalarAsync<bool>(
                "select forgotten_at is not null from person where id = @person",
                new { person },
                cancel
            )
        )
            return null;
        var body = await connection.ExecuteScalarAsync<string>(
            "select forget_person(@person, @pseudonym, @spared)::text",
            new
            {
                person,
                pseudonym = Pseudonym.Of(person),
                spared = spared.ToArray(),
            },
            cancel
        );
        var added = Jsonb.Read<ForgettingDone>(body!);
        await connection.AddOnceAsync(
            "forgetting",
            """
            insert into forgetting (id, person_id, done, done_by, sent) values (@id, @person, @done, @by, @sent)
            on conflict (id) do nothing
            """,
            new
            {
                id,
                person,
                done = new Jsonb<ForgettingDone>(added),
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
        await AccountStore.LeaveAsync(connection, by, "forgotten", person, cancel);
        await transaction.CommitAsync(cancel);
        return added;
    }

    /// <summary>What was done under an id already; null where nothing was.</summary>
    public async Task<ForgettingDone?> DoneAsync(Guid id, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await DoneAsync(connection, id, sent, cancel);
    }

    private static async Task<ForgettingDone?> DoneAsync(NpgsqlConnection connection, Guid id, Sent sent, CancellationToken cancel) =>
        await connection.IsRepeatAsync("forgetting", id, sent, cancel)
            ? Jsonb.Read<ForgettingDone>(
                (await connection.ExecuteScalarAsync<string>("select done from forgetting where id = @id", new { id }, cancel))!
            )
            : null;
}
