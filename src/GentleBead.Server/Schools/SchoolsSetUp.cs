using GentleBead.Server.Database;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.Extensions.Options;
using Npgsql;

namespace GentleBead.Server.Schools;

/// <summary>Where the schools of this server are: one in GENTLEBEAD_DATABASE, or many in GENTLEBEAD_CONTROL_DATABASE.</summary>
public static class SchoolsSetUp
{
    // Less than half of what a PostgreSQL of 400 connections gives, so that a second server, and whoever listens, finds the other half.
    private const int MostConnections = 160;

    /// <summary>The database that names the schools; null where there is one school.</summary>
    public static string? Control(this IConfiguration configuration) =>
        configuration["GENTLEBEAD_CONTROL_DATABASE"] is { Length: > 0 } control ? control : null;

    /// <summary>What the database that this server begins with is named by.</summary>
    public static string Named(this IConfiguration configuration) =>
        configuration.Control() is null ? "GENTLEBEAD_DATABASE" : "GENTLEBEAD_CONTROL_DATABASE";

    /// <summary>Adds what finds a school's database, and the keys of all.</summary>
    /// <exception cref="InvalidOperationException">No database is named.</exception>
    public static void AddSchools(this IServiceCollection services, IConfiguration configuration)
    {
        services.AddScoped<ChosenSchool>().AddScoped(provider => provider.GetRequiredService<ChosenSchool>().School.Database);
        if (configuration.Control() is { } control)
        {
            // Which hosts there are changes while the server runs: ChooseSchool asks, and refuses what leads nowhere.
            services.PostConfigure<HostFilteringOptions>(filter => filter.AllowedHosts = ["*"]);
            // Beside the schools' pools, which must not have to wait for each other to learn of each other.
            services
                .AddKeyedSingleton("control", (_, _) => Pool.Of($"Maximum Pool Size=3;{control}"))
                .AddSingleton(new SchoolsServed(configuration.GetValue("GENTLEBEAD_CONNECTIONS", MostConnections)))
                .AddSingleton(provider => new ControlDatabase(OfControl(provider), provider.GetRequiredService<IDataProtectionProvider>()))
                .AddSingleton(provider => new KeyRing(OfControl(provider)))
                .AddHostedService<SchoolsWatch>();
        }
        else
        {
            var application =
                configuration["GENTLEBEAD_DATABASE"]
                ?? throw new InvalidOperationException(
                    "GENTLEBEAD_DATABASE is not set. ./start sets it; by hand: "
                        + "\"Host=127.0.0.1;Database=gentlebead;Username=…;Password=…\"."
                );
            services
                .AddSingleton(_ => SchoolsServed.One(application, configuration["GENTLEBEAD_OWNER_DATABASE"] ?? ""))
                .AddSingleton(provider => new KeyRing(provider.GetRequiredService<SchoolsServed>().Only!.Pool));
        }
        services.AddSingleton<IConfigureOptions<KeyManagementOptions>>(provider => new ConfigureOptions<KeyManagementOptions>(options =>
            options.XmlRepository = provider.GetRequiredService<KeyRing>()
        ));
    }

    private static NpgsqlDataSource OfControl(IServiceProvider provider) => provider.GetRequiredKeyedService<NpgsqlDataSource>("control");
}
