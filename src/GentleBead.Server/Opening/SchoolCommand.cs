using System.Text.Json;
using System.Text.RegularExpressions;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using GentleBead.Server.Schools;
using Npgsql;

namespace GentleBead.Server.Opening;

/// <summary>
/// Adds, lists, closes, opens, exports and moves schools, for whoever runs the service: scripts/school.sh. What it does is done again by
/// saying it again.
/// </summary>
internal sealed partial class SchoolCommand(IServiceProvider services)
{
    /// <summary>The first word of the program's arguments that asks for it.</summary>
    public const string Verb = "school";

    private readonly ControlDatabase control = services.GetRequiredService<ControlDatabase>();
    private readonly IConfiguration configuration = services.GetRequiredService<IConfiguration>();

    [GeneratedRegex("^[a-z][a-z0-9_]{1,30}$")]
    private static partial Regex Name { get; }

    // The cluster's own role, which makes databases and roles: where a school is added or moved to.
    private string Admin =>
        configuration["GENTLEBEAD_SCHOOLS_ADMIN"] is { Length: > 0 } admin
            ? admin
            : throw new InvalidDataException(
                "GENTLEBEAD_SCHOOLS_ADMIN is not set: the connection string of a role that may make databases and roles."
            );

    /// <summary>Does what the words say.</summary>
    /// <returns>The program's exit code.</returns>
    public static async Task<int> RunAsync(IServiceProvider services, string[] words, CancellationToken cancel)
    {
        try
        {
            var command = new SchoolCommand(services);
            await (
                words switch
                {
                    ["add", var name, var host, .. var more] => command.AddAsync(name, [host, .. more], cancel),
                    ["adopt"] => command.AdoptAsync(Console.In, cancel),
                    ["list"] => command.ListAsync(cancel),
                    ["close", var name] => command.SetAsync(name, ServedState.Closed, cancel),
                    ["open", var name] => command.OpenAsync(name, cancel),
                    ["export", var name, var file] => command.ExportAsync(name, file, cancel),
                    ["move", var name] => command.MoveAsync(name, cancel),
                    _ => throw new InvalidDataException(
                        "school add NAME HOST … | adopt | list | close NAME | open NAME | export NAME FILE | move NAME"
                    ),
                }
            );
            return 0;
        }
        catch (Exception wrong) when (wrong is InvalidDataException or NpgsqlException or ArgumentException)
        {
            await Console.Error.WriteLineAsync(wrong.Message);
            return 2;
        }
    }

    private async Task AddAsync(string name, IReadOnlyList<string> hosts, CancellationToken cancel)
    {
        await CheckAsync(name, hosts, cancel);
        var entry = await SchoolServers.MakeAsync(Admin, name, cancel) with { Hosts = Small(hosts) };
        var school = await PrepareAsync(entry, cancel);
        var code = Codes.New();
        await using (var scope = ChosenSchool.For(services, school))
            await scope.ServiceProvider.GetRequiredService<AccountStore>().AddSetUpCodeAsync(code, cancel);
        // Only now do servers learn of it.
        await control.AddAsync(entry, cancel);
        await Console.Out.WriteLineAsync($"Added: {name} at {string.Join(", ", entry.Hosts)}. Set-up code: {code}");
    }

    // Schools that have a database already, a line each.
    private async Task AdoptAsync(TextReader lines, CancellationToken cancel)
    {
        while (await lines.ReadLineAsync(cancel) is { } line)
        {
            var given = Adopted(line);
            await CheckAsync(given.Name, given.Hosts, cancel);
            var entry = new SchoolEntry(given.Name, Small(given.Hosts), given.Application, given.Owner, ServedState.Open);
            await PrepareAsync(entry, cancel);
            await control.AddAsync(entry, cancel);
            await Console.Out.WriteLineAsync($"Adopted: {entry.Name} at {string.Join(", ", entry.Hosts)}.");
        }
    }

    private static AdoptedSchool Adopted(string line)
    {
        try
        {
            if (
                JsonSerializer.Deserialize<AdoptedSchool>(line, JsonSerializerOptions.Web) is
                { Name: not null, Hosts.Count: > 0, Application: not null, Owner: not null } given
            )
            {
                return given;
            }
        }
        catch (JsonException)
        {
            // Said below.
        }
        throw new InvalidDataException("A line of adopt is {\"name\": …, \"hosts\": [ … ], \"application\": …, \"owner\": … }.");
    }

    private sealed record AdoptedSchool(string Name, IReadOnlyList<string> Hosts, string Application, string Owner);

    private static IReadOnlyList<string> Small(IReadOnlyList<string> hosts) => [.. hosts.Select(host => host.ToLowerInvariant())];

    private async Task<ServedSchool> PrepareAsync(SchoolEntry entry, CancellationToken cancel)
    {
        var school = services.GetRequiredService<SchoolsServed>().Take([entry])[0];
        return await SchoolOpening.PrepareAsync(services, school, demo: false, cancel) is { } trouble
            ? throw new InvalidDataException(trouble)
            : school;
    }

    private async Task CheckAsync(string name, IReadOnlyList<string> hosts, CancellationToken cancel)
    {
        if (!Name.IsMatch(name))
            throw new InvalidDataException($"A school's name has 2 to 31 small letters, digits and _, a letter first: not '{name}'.");
        if (hosts.FirstOrDefault(host => Uri.CheckHostName(host) == UriHostNameType.Unknown) is { } wrong)
            throw new InvalidDataException($"'{wrong}' is no host name.");
        await control.CheckAsync(name, Small(hosts), cancel);
    }

    private async Task ListAsync(CancellationToken cancel)
    {
        foreach (var entry in await control.AllAsync(cancel))
        {
            var at = new NpgsqlConnectionStringBuilder(entry.Application);
            await Console.Out.WriteLineAsync(
                $"{entry.Name}\t{EnumText.Of(entry.State)}\t{string.Join(" ", entry.Hosts)}\t{at.Host}:{at.Port}/{at.Database}"
            );
        }
    }

    private async Task SetAsync(string name, ServedState state, CancellationToken cancel)
    {
        var entry = await FindAsync(name, cancel);
        await control.AddAsync(entry with { State = state }, cancel);
        await Console.Out.WriteLineAsync($"{name}: {EnumText.Of(state)}. Servers learn of it within a second.");
    }

    // One whose move was cut short by force is still read only.
    private async Task OpenAsync(string name, CancellationToken cancel)
    {
        await SchoolMove.ReadOnlyAsync(await FindAsync(name, cancel), false, cancel);
        await SetAsync(name, ServedState.Open, cancel);
    }

    private async Task ExportAsync(string name, string file, CancellationToken cancel)
    {
        await PostgresTools.DumpAsync((await FindAsync(name, cancel)).Owner, file, cancel);
        await Console.Out.WriteLineAsync($"Exported: {file}, {new FileInfo(file).Length / 1e6:0.0} MB; pg_restore reads it.");
    }

    private async Task MoveAsync(string name, CancellationToken cancel)
    {
        var entry = await FindAsync(name, cancel);
        var (seconds, now) = await new SchoolMove(control).MoveAsync(entry, Admin, cancel);
        var (from, to) = (new NpgsqlConnectionStringBuilder(entry.Application), new NpgsqlConnectionStringBuilder(now.Application));
        await Console.Out.WriteLineAsync(
            $"Moved: {name} to {to.Host}:{to.Port}, {seconds:0.0} s of reading only. What it left at {from.Host}:{from.Port} "
                + $"can be read and not written to; drop the database {from.Database} there once you have a backup."
        );
    }

    private async Task<SchoolEntry> FindAsync(string name, CancellationToken cancel) =>
        (await control.AllAsync(cancel)).FirstOrDefault(entry => entry.Name == name)
        ?? throw new InvalidDataException($"There is no school {name}.");
}
