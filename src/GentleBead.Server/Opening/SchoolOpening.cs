using GentleBead.Server.Courses;
using GentleBead.Server.Database;
using GentleBead.Server.Demo;
using GentleBead.Server.Schools;
using GentleBead.Server.Work;

namespace GentleBead.Server.Opening;

/// <summary>What is done with a school's database before it is served.</summary>
public static class SchoolOpening
{
    // Each waits for its database most of the time.
    private const int Together = 4;

    /// <summary>Brings a school's database to this version, and looks whether it can be served.</summary>
    /// <param name="services">The server's.</param>
    /// <param name="school">Which.</param>
    /// <param name="demo">Whether an empty one gets the made-up school.</param>
    /// <returns>Why it cannot be served; null where it can.</returns>
    public static async Task<string?> PrepareAsync(IServiceProvider services, ServedSchool school, bool demo, CancellationToken cancel)
    {
        // Connections that nobody needs once it is done: of two hundred schools they would be all that PostgreSQL gives.
        var application = $"{school.Entry.Application};Pooling=false";
        if (school.Entry.Owner.Length > 0)
            await OneAtATime.RunAsync(Owner(school), () => BringForwardAsync(services, school, demo, cancel), cancel);
        if (await Grants.ExcessAsync(application, cancel) is { Count: > 0 } excess)
        {
            return $"The role in GENTLEBEAD_DATABASE may do more than the application does: {string.Join("; ", excess)}. Give it a role "
                + $"of its own; docs/running.md has the lines.";
        }
        return Migrations.AreDone(application)
            ? null
            : "The database is of another edition. Set GENTLEBEAD_OWNER_DATABASE, so that it can be brought forward.";
    }

    /// <summary>The same for every school that is told of: what is wrong with one keeps no other from being served.</summary>
    public static async Task PrepareAllAsync(IServiceProvider services, CancellationToken cancel)
    {
        var schools = services.GetRequiredService<SchoolsServed>();
        schools.Take(await services.GetRequiredService<ControlDatabase>().AllAsync(cancel));
        var open = schools.All.Where(school => school.Entry.State == ServedState.Open).ToList();
        var brought = 0;
        await Parallel.ForEachAsync(
            open,
            new ParallelOptions { MaxDegreeOfParallelism = Together, CancellationToken = cancel },
            async (school, stop) =>
            {
                await TryAsync(services, school, stop);
                if (Interlocked.Increment(ref brought) is var done && (done % 10 == 0 || done == open.Count))
                    await Console.Out.WriteLineAsync($"Starting: Bringing schools forward, {done} of {open.Count} …");
            }
        );
    }

    /// <summary>The same for one of them: what is wrong with it is told, and stands at the school.</summary>
    public static async Task TryAsync(IServiceProvider services, ServedSchool school, CancellationToken cancel)
    {
        var before = school.Trouble;
        try
        {
            school.Trouble = await PrepareAsync(services, school, demo: false, cancel);
        }
        catch (Exception failed) when (!cancel.IsCancellationRequested)
        {
            school.Trouble = failed.Message;
        }
        if (school.Trouble is { } trouble && trouble != before)
            await Console.Error.WriteLineAsync($"School {school.Entry.Name} is not served: {trouble}");
    }

    private static string Owner(ServedSchool school) => $"{school.Entry.Owner};Pooling=false";

    private static async Task BringForwardAsync(IServiceProvider services, ServedSchool school, bool demo, CancellationToken cancel)
    {
        var (application, owner) = (school.Entry.Application, Owner(school));
        if (Migrations.AreAhead(owner))
            return;
        await using var scope = ChosenSchool.For(services, school);
        await Steps.DoAsync(
            "Bringing the database forward",
            async () =>
            {
                Migrations.Run(owner);
                await Grants.ApplyAsync(owner, application, cancel);
            }
        );
        if (demo)
            await Steps.DoAsync("Looking after the made-up school", () => DemoLoader.LoadAsync(scope.ServiceProvider, owner, cancel));
        await scope.ServiceProvider.GetRequiredService<ExerciseStore>().BringLibraryAsync(cancel);
    }
}
