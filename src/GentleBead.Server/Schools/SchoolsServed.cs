using GentleBead.Server.Database;
using GentleBead.Server.Work;

namespace GentleBead.Server.Schools;

/// <summary>
/// The schools that this server serves, by the host names that lead to them: one to which all lead, or those it is told of.
/// </summary>
public sealed class SchoolsServed : IDisposable
{
    private readonly PoolBound? bound;
    private volatile IReadOnlyDictionary<string, ServedSchool> byHost = new Dictionary<string, ServedSchool>();
    private volatile IReadOnlyList<ServedSchool> all = [];

    /// <summary>Those it is told of.</summary>
    /// <param name="mostConnections">How many connections their pools may hold together.</param>
    public SchoolsServed(int mostConnections) => bound = new(mostConnections);

    private SchoolsServed(ServedSchool only) => (Only, all) = (only, [only]);

    /// <summary>The one to which all host names lead; null where there may be many.</summary>
    public ServedSchool? Only { get; }

    /// <summary>All of them, by name.</summary>
    public IReadOnlyList<ServedSchool> All => all;

    /// <summary>One school, whatever host name it is asked for by.</summary>
    /// <param name="application">Connection string of the application's role.</param>
    /// <param name="owner">Connection string of its tables' owner; empty where this server may not bring it forward.</param>
    public static SchoolsServed One(string application, string owner) =>
        new(new ServedSchool(new("", [], application, owner, ServedState.Open), Pool.Of(application), null));

    /// <summary>The school that a host name leads to; null for none.</summary>
    public ServedSchool? At(string host) => Only ?? byHost.GetValueOrDefault(host.ToLowerInvariant());

    /// <summary>Takes the schools as they stand now: those that changed get new connections, all others stay as they are.</summary>
    /// <returns>Those that are new or changed.</returns>
    public IReadOnlyList<ServedSchool> Take(IReadOnlyList<SchoolEntry> entries)
    {
        var before = all.ToDictionary(school => school.Entry.Name, StringComparer.Ordinal);
        var changed = new List<ServedSchool>();
        var now = new List<ServedSchool>();
        foreach (var entry in entries)
        {
            if (before.TryGetValue(entry.Name, out var known) && IsSame(known.Entry, entry))
            {
                before.Remove(entry.Name);
                now.Add(known);
                continue;
            }
            var school = new ServedSchool(entry, Pool.Of($"{Pool.OfMany};{entry.Application}"), bound);
            changed.Add(school);
            now.Add(school);
        }
        all = now;
        byHost = now.SelectMany(school => school.Entry.Hosts.Select(host => (host, school)))
            // A host that went from a closed school to another leads there.
            .GroupBy(pair => pair.host, StringComparer.Ordinal)
            .ToDictionary(
                pairs => pairs.Key,
                pairs => pairs.OrderBy(pair => pair.school.Entry.State).First().school,
                StringComparer.Ordinal
            );
        foreach (var gone in before.Values)
            _ = gone.LeaveAsync();
        return changed;
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var school in all)
            school.Pool.Dispose();
    }

    private static bool IsSame(SchoolEntry one, SchoolEntry other) =>
        one with { Hosts = [] } == other with { Hosts = [] } && one.Hosts.SequenceEqual(other.Hosts);
}
